import { cordOf } from '../cordage/index.js';
import { diameterOf } from '../anchor/index.js';
import type { LoadCase } from '../cases/index.js';
import { PITCHED, nameOf } from '../cases/index.js';
import type { Constant, Cord, Termination, Wood } from '../catalogue/index.js';
import {
  AIR_DENSITY,
  BEDDING_IN,
  CORD_ON_BARK,
  FIBRE_TRAITS,
  GUST_FACTOR,
  PULLS,
  PULL_NAMES,
  RELAX_ONSET,
  RIDGE_SHARE,
  SHEET_DRAG,
  SHELTERS,
  cordOnCord,
  dryCurve,
  findTermination,
  findWood,
  looked,
  wetCurve,
} from '../catalogue/index.js';
import type { PointLoad, Span, SpanState, TensionCurve } from '../line/index.js';
import {
  pretensionOf,
  pulleyHitchGain,
  relaxedTension,
  scaledCurve,
  solveSpan,
  tensionAfterSetBack,
  turnEfficiency,
  unstressedFromDip,
  unstressedFromEndTension,
  unstressedFromPretension,
  unstressedFromSag,
  unstressedWhenRelaxed,
} from '../line/index.js';
import type { Phrase, Vec3 } from '../quantity/index.js';
import { GRAVITY, SaidError, rangeFromSd } from '../quantity/index.js';
import { roofMass } from '../roof/index.js';
import { hangsBy } from './pitch.js';
import type { Extension } from './extension.js';
import { extensionOf, inSeries, ofBoth } from './extension.js';
import { giveOfTrunk } from './trees.js';
import type { KitRoof } from '../roof/index.js';
import { windBySigns, windPressure } from '../weather/index.js';
import type { Figure, Source } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { KitCord, LineContext } from './ridge.js';
import { hitched, problemsOf, riseOf } from './ridge.js';
import type { RidgeRig } from './rig-document.js';

/** A rig that cannot be computed as described; `field` is where to look. */
export class RigProblem extends SaidError {
  override readonly name = 'RigProblem';
  constructor(
    readonly field: string,
    said: Phrase | string,
  ) {
    super(said);
  }
}

/** Every number that can be uncertain, by key. */
const KEYS = [
  'span',
  'E0',
  'E1',
  'stretch',
  'metre',
  'tension',
  'sag',
  'dip',
  'testMass',
  'takeUp',
  'pull',
  'muC',
  'muB',
  'setBack',
  'cloth',
  'k',
  'onset',
  'wetStretch',
  'wetGrowth',
  'uptake',
  'hung',
  'rho',
  'beaufort',
  'gust',
  'shelter',
  'drag',
  'reach',
  'area',
  'sway',
] as const;
export type RidgeKey = (typeof KEYS)[number];
type Key = RidgeKey;
type Values = Record<Key, number>;

const measured = (text: string): Source => ({ kind: 'measured', text });
const chosen = (text: string): Source => ({ kind: 'chosen', text });

/** How well a thing is measured in the field, as one standard deviation. All judgement. */
const TAPE_SD = 0.01;
const SAG_SD = 0.01;
const DIP_SD = 0.004;
const TAKE_UP_SHARE = 0.12;
const MASS_SHARE = 0.03;

/** What a case gives, each with its working. */
export interface CaseFigures {
  readonly case: LoadCase;
  readonly state: SpanState;
  readonly tension: Figure;
  readonly ends: readonly [Figure, Figure];
  readonly grips: readonly Figure[];
  readonly horizontal: readonly [Figure, Figure];
  readonly vertical: readonly [Figure, Figure];
  readonly sag: Figure;
}

export interface RidgeModel {
  readonly rig: RidgeRig;
  readonly context: LineContext;
  readonly cord: Cord;
  readonly kitCord: KitCord;
  /** The cord that it goes on in; null where it is of one. */
  readonly extension: Extension | null;
  readonly woods: readonly [Wood, Wood];
  readonly terminations: readonly [Termination, Termination];
  readonly figures: Readonly<Record<Key, Figure>>;
  readonly diameters: readonly [number, number];
  /** Straight distance between the ties, m. */
  readonly distance: number;
  /** The span of a case and its state at the central values. */
  readonly spanOf: (c: LoadCase) => Span;
  readonly stateOf: (c: LoadCase) => SpanState;
  /** Unstressed length at tying off, m, and the tension of the line then, straight and bare. */
  readonly unstressed: Figure;
  readonly pretension: Figure;
  /** What decides the unstressed length, and what that would be with some of it otherwise, m; throws where there is no such line. */
  readonly lengthBy: {
    readonly figures: readonly (Figure & { readonly key: string })[];
    readonly at: (changed: Readonly<Record<string, number>>) => number;
  };
  /** What a case depends on, by key. */
  readonly keysOf: (c: LoadCase) => readonly RidgeKey[];
  /** How the tension came about: the hauled pull of a pulley-style hitch and so on; empty for a chosen tension. */
  readonly hauling: readonly Figure[];
  readonly caseFigures: (c: LoadCase) => CaseFigures;
}

/** Keys that decide the unstressed length, besides the geometry and the cord. */
const BY_TENSIONING: Readonly<Record<RidgeRig['tensioning']['how'], readonly Key[]>> = {
  tension: ['tension'],
  sag: ['sag', 'hung'],
  dip: ['dip', 'testMass'],
  passes: ['takeUp'],
  pulley: ['pull', 'muC', 'muB', 'setBack'],
};
const LINE_KEYS: readonly Key[] = ['span', 'E0', 'E1', 'stretch', 'metre'];

function baseFigures(
  rig: RidgeRig,
  context: LineContext,
  cord: Cord,
  woods: readonly [Wood, Wood],
  raised: Raised | null,
): Record<Key, Figure> {
  const { body } = context;
  const t = rig.tensioning;
  const traits = FIBRE_TRAITS[cord.fibre];
  const paced = rig.span.paces * body.pace;
  const spread = (value: number, sd: number, least = 0): readonly [number, number] => {
    const [a, b] = rangeFromSd(value, sd);
    return [Math.max(a, least), b];
  };
  const mass = (symbol: string, title: string, value: number): Figure =>
    given(
      { symbol, title, quantity: 'mass' },
      value,
      measured('weighed or felt, within 3 %'),
      spread(value, value * MASS_SHARE),
    );
  const e = cord.breakStrain;
  return {
    span:
      rig.span.how === 'tape'
        ? given(
            { symbol: 'L', title: 'span', quantity: 'length' },
            rig.span.tape,
            measured(rig.span.sd === undefined ? 'taped' : 'as measured on the ground, its measures laid out together'),
            spread(rig.span.tape, Math.max(TAPE_SD, rig.span.sd ?? 0)),
          )
        : given(
            { symbol: 'L', title: 'span', quantity: 'length' },
            paced,
            measured(
              `${rig.span.paces} of ${context.paces ?? 'my'} paces, within ${(body.paceSpread * 100).toFixed(0)} % (one standard deviation)`,
            ),
            spread(paced, paced * body.paceSpread, paced * 0.3),
          ),
    E0: looked(woods[0].modulus),
    E1: looked(woods[1].modulus),
    stretch: given(
      { symbol: 's', title: "stretch of this cord over the catalogue's typical", quantity: 'ratio' },
      1,
      { kind: e.kind, text: 'catalogue, the range of its stretch at break', citation: e.citation },
      [e.low / e.typical, e.high / e.typical],
    ),
    metre: looked(cord.massPerMetre),
    tension: given(
      { symbol: 'T₀', title: 'chosen tension, straight and bare', quantity: 'force' },
      t.tension,
      chosen('chosen'),
    ),
    sag: given(
      { symbol: 'f', title: 'measured sag, loads on', quantity: 'length' },
      t.sag,
      measured('against a level line'),
      spread(t.sag, Math.min(SAG_SD, t.sag / 4)),
    ),
    dip: given(
      { symbol: 'δ', title: 'measured dip', quantity: 'length' },
      t.dip.drop,
      measured('before and after hanging the mass'),
      spread(t.dip.drop, Math.min(DIP_SD, t.dip.drop / 4)),
    ),
    testMass: mass('m_t', 'test mass', t.dip.mass),
    takeUp: given(
      { symbol: 'a', title: 'slack taken in', quantity: 'length' },
      t.passes.count * t.passes.takeUp,
      measured(`${t.passes.count} passes`),
      spread(t.passes.count * t.passes.takeUp, t.passes.count * t.passes.takeUp * TAKE_UP_SHARE),
    ),
    pull: looked(PULLS[t.pulley.pull]),
    muC: looked(cordOnCord(cord.fibre)),
    muB: looked(CORD_ON_BARK),
    setBack: given(
      { symbol: 'c', title: 'set-back on tying off', quantity: 'length' },
      t.pulley.setBack,
      measured('by eye'),
      spread(t.pulley.setBack, t.pulley.setBack * 0.3),
    ),
    cloth: given(
      { symbol: 'm_c', title: 'cloth on the line while it is hauled', quantity: 'mass' },
      raised?.mass ?? 0,
      measured('the roof’s, dry, within 10 %'),
      spread(raised?.mass ?? 0, 0.05 * (raised?.mass ?? 0)),
    ),
    k: looked(traits.relaxation),
    onset: looked(RELAX_ONSET),
    wetStretch: looked(traits.wetStretch),
    wetGrowth: looked(traits.wetGrowth),
    uptake: looked(traits.uptake),
    hung: given(
      { symbol: 'h', title: 'things hung, of their stated masses', quantity: 'ratio' },
      1,
      measured('weighed or felt, within 3 %'),
      rig.hung.length > 0 ? spread(1, MASS_SHARE) : [1, 1],
    ),
    rho: looked(AIR_DENSITY),
    beaufort: windBySigns(rig.wind.beaufort),
    gust: looked(GUST_FACTOR),
    shelter: looked(SHELTERS[rig.wind.shelter]),
    drag: looked(SHEET_DRAG),
    reach: looked(RIDGE_SHARE),
    area: given(
      { symbol: 'a', title: 'areas against the wind, over those stated', quantity: 'ratio' },
      1,
      measured('by eye, within 10 %'),
      rig.hung.some((h) => h.area > 0) ? spread(1, 0.1) : [1, 1],
    ),
    sway: given(
      { symbol: 'y', title: 'sway of the trunks apart', quantity: 'length' },
      rig.sway,
      measured('by eye'),
      spread(rig.sway, rig.sway * 0.25),
    ),
  };
}

/**
 * Readies a rig for solving. Everything else in this folder reads its numbers from here.
 * @param options.ranges  false leaves the spreads of what was measured out: some thirty times faster, for dragging
 * @param options.as      numbers that are otherwise than they were measured, by key
 * @throws RigProblem for a rig that cannot be computed, naming field and remedy; NoSuchLine for a sag, dip or
 *         tension that no length of this line gives
 */
export function ridgeModel(
  rig: RidgeRig,
  context: LineContext,
  options: { readonly ranges: boolean; readonly as?: Readonly<Partial<Record<RidgeKey, number>>> } = { ranges: true },
): RidgeModel {
  const problem = problemsOf(rig, context)[0];
  if (problem !== undefined) throw new RigProblem(problem.field, problem.said ?? problem.message);
  const kitCord = context.kit.find((k) => k.id === rig.cord)!;
  const cord = cordOf(kitCord);
  if (cord === undefined) throw new RigProblem('cord', `The catalogue has no cord “${kitCord.cord}”. Choose another.`);
  const woodOf = (i: 0 | 1): Wood => {
    const wood = findWood(rig.trunks[i].wood);
    if (wood === undefined)
      throw new RigProblem(`trunks.${i}.wood`, `The catalogue has no wood “${rig.trunks[i].wood}”. Choose another.`);
    return wood;
  };
  const terminationOf = (i: 0 | 1): Termination => {
    const found = findTermination(rig.ends[i].termination);
    if (found === undefined)
      throw new RigProblem(
        `ends.${i}.termination`,
        `The catalogue has no hitch “${rig.ends[i].termination}”. Choose another.`,
      );
    return found;
  };
  const woods = [woodOf(0), woodOf(1)] as const;
  const terminations = [terminationOf(0), terminationOf(1)] as const;
  const raised = raisedWith(rig, context);
  const figures = baseFigures(rig, context, cord, woods, raised);
  const wetTypical = mixWithExtension(rig, context, figures);
  for (const key of KEYS) figures[key] = { ...figures[key], value: options.as?.[key] ?? figures[key].value };
  if (!options.ranges)
    for (const key of KEYS) figures[key] = { ...figures[key], range: [figures[key].value, figures[key].value] };
  const central = Object.fromEntries(KEYS.map((k) => [k, figures[k].value])) as Values;
  const diameters = [diameterOf(rig.trunks[0].girth), diameterOf(rig.trunks[1].girth)] as const;
  const rise = riseOf(rig);
  const distance = Math.hypot(central.span, rise);
  const extension = extensionOf(rig.joined, context.kit, distance);
  const both = (of: (c: Cord) => TensionCurve): TensionCurve =>
    extension === null ? of(cord) : inSeries(of(cord), of(extension.cord), extension.share);
  const [dry, wet] = [both(dryCurve), both(wetCurve)];
  const t = rig.tensioning;

  const giveOf = (v: Values): readonly [Vec3, Vec3] => {
    const of = (i: 0 | 1): Vec3 => {
      const g = giveOfTrunk(rig.trunks[i], i === 0 ? v.E0 : v.E1);
      return [g, g, 0];
    };
    return [of(0), of(1)];
  };
  const place = (v: Values, x: number): number => Math.min(1 - 1e-6, Math.max(1e-6, x / Math.hypot(v.span, rise)));
  /** On each square metre that stands against it, N. */
  const windForce = (v: Values): number =>
    windPressure(v.rho, v.beaufort * v.shelter * v.gust) * v.drag * v.area * v.reach;

  const span = (v: Values, c: LoadCase): Span => {
    const wind = c.environment.wind !== null ? windForce(v) : 0;
    const loads: PointLoad[] = rig.hung.map((h) => ({
      at: place(v, h.at),
      force: [0, wind * h.area, -(c.environment.wet ? h.wetMass : h.mass) * v.hung * GRAVITY],
    }));
    const curve = c.environment.wet
      ? scaledCurve(wet, 1, v.stretch * (v.wetStretch / wetTypical))
      : scaledCurve(dry, 1, v.stretch);
    return {
      chord: [v.span + (c.environment.sway !== 0 ? v.sway : 0), 0, rise],
      curve,
      perMetre: [0, 0, -v.metre * GRAVITY * (c.environment.wet ? 1 + v.uptake : 1)],
      loads,
      give: giveOf(v),
    };
  };

  const hauledPull = (v: Values): number =>
    v.pull * pulleyHitchGain(turnEfficiency(v.muC, Math.PI), turnEfficiency(v.muB, Math.PI));
  /** Hauled with the cloth hanging on it: what the pull comes to at that end, less what tying off gives back. */
  const unstressedRaised = (v: Values, { places }: Raised): number => {
    const each = (v.cloth * GRAVITY) / places.length;
    const loads = places.map((x): PointLoad => ({ at: place(v, x), force: [0, 0, -each] }));
    const laden = { ...span(v, PITCHED), loads };
    return unstressedFromEndTension(laden, 1, hauledPull(v)) + v.setBack;
  };
  const hauledTension = (v: Values): number =>
    raised === null
      ? tensionAfterSetBack(hauledPull(v), v.setBack, Math.hypot(v.span, rise), scaledCurve(dry, 1, v.stretch))
      : pretensionOf(span(v, PITCHED), unstressedRaised(v, raised));
  const lengths = new Map<string, number>();
  const lengthKeys: readonly Key[] = [
    ...LINE_KEYS,
    ...BY_TENSIONING[t.how],
    ...(raised === null ? [] : (['cloth'] as const)),
  ];
  const unstressedOf = (v: Values): number => {
    const key = lengthKeys.map((k) => v[k]).join();
    const known = lengths.get(key);
    if (known !== undefined) return known;
    const bare = span(v, PITCHED);
    const value =
      t.how === 'tension'
        ? unstressedFromPretension(bare, v.tension)
        : t.how === 'sag'
          ? unstressedFromSag(bare, v.sag)
          : t.how === 'dip'
            ? unstressedFromDip(bare, place(v, t.dip.at), v.testMass * GRAVITY, v.dip)
            : t.how === 'passes'
              ? Math.hypot(v.span, rise) - v.takeUp
              : raised === null
                ? unstressedFromPretension(bare, hauledTension(v))
                : unstressedRaised(v, raised);
    lengths.set(key, value);
    return value;
  };

  const states = new Map<string, SpanState>();
  const pitchedKeys = [...lengthKeys, 'hung'] as Key[];
  const keysOf = (c: LoadCase): Key[] => {
    const keys = new Set<Key>(pitchedKeys);
    if (c.since > 0) for (const k of ['k', 'onset'] as const) keys.add(k);
    if (c.environment.wet) for (const k of ['wetStretch', 'wetGrowth', 'uptake'] as const) keys.add(k);
    if (c.environment.wind !== null)
      for (const k of ['rho', 'beaufort', 'gust', 'shelter', 'drag', 'reach', 'area'] as const) keys.add(k);
    if (c.environment.sway !== 0) keys.add('sway');
    return [...keys];
  };
  const solve = (v: Values, c: LoadCase): SpanState => {
    const key = `${c.id}:${keysOf(c)
      .map((k) => v[k])
      .join()}`;
    const known = states.get(key);
    if (known !== undefined) return known;
    const s = span(v, c);
    let length = unstressedOf(v);
    if (c.since > 0) {
      const held = solve(v, PITCHED).tension;
      const left = relaxedTension(held, v.k, c.since, v.onset);
      length = unstressedWhenRelaxed(length, held, left, scaledCurve(dry, 1, v.stretch));
    }
    if (c.environment.wet) length *= 1 + v.wetGrowth;
    const near = states.get(`${c.id}:central`)?.start;
    let state = solveSpan(s, length, near);
    if (!state.converged && near !== undefined) state = solveSpan(s, length);
    if (!state.converged)
      throw new RigProblem('tensioning', `No equilibrium found ${nameOf(c)}. Check the loads and the tension.`);
    states.set(key, state);
    return state;
  };
  const stateOf = (c: LoadCase): SpanState => {
    const state = solve(central, c);
    if (!state.slack) states.set(`${c.id}:central`, state);
    return state;
  };

  const asValues = (keys: readonly Key[], values: readonly number[]): Values => {
    const v = { ...central };
    keys.forEach((k, i) => (v[k] = values[i]!));
    return v;
  };
  const caseFigures = (c: LoadCase): CaseFigures => {
    const state = stateOf(c);
    const keys = keysOf(c);
    const inputs = keys.map((k) => figures[k]);
    const figure = (
      symbol: string,
      title: string,
      quantity: Figure['quantity'],
      formula: string,
      read: (s: SpanState) => number,
    ): Figure =>
      derive({ symbol, title: `${title}, ${nameOf(c)}`, quantity, formula, notes: EXACT }, inputs, (...values) =>
        read(solve(asValues(keys, values), c)),
      );
    const horizontal = (i: 0 | 1): Figure =>
      figure('H', `horizontal pull on ${rig.trunks[i].name}`, 'force', 'H = √(t_x² + t_y²) at the tie', (s) =>
        Math.hypot(s.pull[i][0], s.pull[i][1]),
      );
    const vertical = (i: 0 | 1): Figure => {
      const up = state.pull[i][2] > 0;
      const title = `${up ? 'upward' : 'downward'} pull on ${rig.trunks[i].name}`;
      return figure('V', title, 'force', up ? 'V = t_z at the tie' : 'V = −t_z at the tie', (s) =>
        up ? s.pull[i][2] : -s.pull[i][2],
      );
    };
    const end = (i: 0 | 1): Figure =>
      figure('T', `tension at ${rig.trunks[i].name}`, 'force', 'T = |t| at the tie', (s) => s.endTension[i]);
    return {
      case: c,
      state,
      tension: figure(
        'T',
        'largest tension in the line',
        'force',
        'T = max |t(s)|, t(s) = t₀ + w s + ΣP, t₀ so that ∫ (t/T)(1 + ε(T)) ds = chord − give of the trunks',
        (s) => s.tension,
      ),
      ends: [end(0), end(1)],
      grips: rig.hung.flatMap((h, i) =>
        hitched(h)
          ? [figure('T', `tension beside ${h.name}`, 'force', 'T = max |t| beside the hitch', (s) => s.loadTension[i]!)]
          : [],
      ),
      horizontal: [horizontal(0), horizontal(1)],
      vertical: [vertical(0), vertical(1)],
      sag: figure('f', 'sag', 'length', 'f = max (chord − line), vertically', (s) => s.sag),
    };
  };

  const lengthInputs = lengthKeys.map((k) => figures[k]);
  const unstressed = derive(
    {
      symbol: 'L₀',
      title: 'unstressed length between the ties',
      quantity: 'length',
      formula:
        raised === null
          ? LENGTH_FORMULA[t.how]
          : 'L₀ = L_h + c, L_h so that with the cloth on it |t| = P g at the hauled end',
      notes: EXACT,
    },
    lengthInputs,
    (...values) => unstressedOf(asValues(lengthKeys, values)),
  );
  const pretension = derive(
    {
      symbol: 'T₀',
      title: 'tension at tying off, straight and bare',
      quantity: 'force',
      formula: 'T₀ = T(ε), ε = (D − give · T₀) / L₀ − 1',
    },
    lengthInputs,
    (...values) => {
      const v = asValues(lengthKeys, values);
      return pretensionOf(span(v, PITCHED), unstressedOf(v));
    },
  );
  return {
    rig,
    context,
    cord,
    kitCord,
    extension,
    woods,
    terminations,
    figures,
    diameters,
    distance,
    spanOf: (c) => span(central, c),
    stateOf,
    unstressed,
    pretension,
    lengthBy: {
      figures: lengthKeys.map((key) => ({ ...figures[key], key })),
      at: (changed) => unstressedOf({ ...central, ...changed }),
    },
    keysOf,
    hauling:
      t.how === 'pulley'
        ? pulleyFigures(rig, figures, raised !== null, (v) => hauledTension({ ...central, ...v }))
        : [],
    caseFigures,
  };
}

/**
 * Where the line goes on in another cord, what it does in time and wet is of both, by how much of it each is.
 * @returns the typical stretch of it all when wet over that when dry
 */
function mixWithExtension(rig: RidgeRig, context: LineContext, figures: Record<Key, Figure>): number {
  const extension = extensionOf(rig.joined, context.kit, Math.hypot(figures.span.value, riseOf(rig)));
  if (extension !== null) {
    const { share, cord } = extension;
    const traits = FIBRE_TRAITS[cord.fibre];
    const others = {
      k: traits.relaxation,
      wetStretch: traits.wetStretch,
      wetGrowth: traits.wetGrowth,
      uptake: traits.uptake,
      metre: cord.massPerMetre,
    };
    for (const [key, other] of Object.entries(others) as [keyof typeof others, Constant][])
      figures[key] = { ...ofBoth(figures[key], looked(other), share), symbol: figures[key].symbol };
  }
  return figures.wetStretch.value;
}

/** Cloth that hangs on the line while it is hauled: how heavy, kg, and where along the bare line, m. */
interface Raised {
  readonly mass: number;
  readonly places: readonly number[];
}
/** Places that the weight of hanging cloth is shared between, from hitch to hitch. */
const SHARED = 5;

/** What is on the line when it is hauled by a pull; null where it is hauled bare, or to what is measured on it afterwards. */
function raisedWith(rig: RidgeRig, context: LineContext & { readonly roofs?: readonly KitRoof[] }): Raised | null {
  const { pitch, work, tensioning } = rig;
  if (pitch === undefined || work?.hauls !== 'hung' || tensioning.how !== 'pulley') return null;
  const roof = context.roofs?.find((r) => r.id === pitch.roof);
  if (roof === undefined || hangsBy(pitch) !== 'ridge') return null;
  const half = roof.length / 2;
  return {
    mass: roofMass(roof),
    places: Array.from({ length: SHARED }, (_, k) => pitch.middle + half * ((2 * k) / (SHARED - 1) - 1)),
  };
}

const EXACT = [
  'Solved exactly: elastic catenaries between the loads with the cord’s own curve and the give of both trunks (Irvine, Cable Structures, 1981). No small-sag formula.',
];

const LENGTH_FORMULA: Readonly<Record<RidgeRig['tensioning']['how'], string>> = {
  tension: 'L₀ = (D − give · T₀) / (1 + ε(T₀))',
  sag: 'L₀ such that the line with its loads sags by f',
  dip: 'L₀ such that the test mass drops its point by δ',
  passes: 'L₀ = D − a',
  pulley: 'L₀ = (D − give · T₀) / (1 + ε(T₀))',
};

function pulleyFigures(
  rig: RidgeRig,
  figures: Readonly<Record<Key, Figure>>,
  raised: boolean,
  tied: (v: Partial<Values>) => number,
): Figure[] {
  const gain = derive(
    {
      symbol: 'g',
      title: 'gain of the pulley-style hitch',
      quantity: 'ratio',
      formula: 'g = 1 + η_c + η_c η_b, η = exp(−μ π)',
      notes: ['Without friction it would be 3.'],
    },
    [figures.muC, figures.muB],
    (c, b) => pulleyHitchGain(turnEfficiency(c!, Math.PI), turnEfficiency(b!, Math.PI)),
  );
  const hauled = derive(
    {
      symbol: 'T_h',
      title: `tension hauled with ${PULL_NAMES[rig.tensioning.pulley.pull]}`,
      quantity: 'force',
      formula: 'T_h = P g',
    },
    [figures.pull, gain],
    (p, g) => p! * g!,
  );
  const keys = [
    ...(['pull', 'muC', 'muB', 'setBack', 'span', 'stretch'] as const),
    ...(raised ? (['cloth'] as const) : []),
  ];
  const left = derive(
    {
      symbol: 'T₀',
      title: 'tension left after tying off',
      quantity: 'force',
      formula: raised
        ? 'T₀ = T(D / (L_h + c) − 1), L_h so that with the cloth on it |t| = T_h at the hauled end'
        : 'T₀ = T(D / (L_h + c) − 1), L_h = D / (1 + ε(T_h))',
      ...(raised
        ? { notes: ['Hauled with the cloth on it: part of the pull lifts it, and bare the line has less.'] }
        : {}),
    },
    keys.map((k) => figures[k]),
    (...values) => tied(Object.fromEntries(keys.map((k, i) => [k, values[i]!])) as Partial<Values>),
  );
  return [gain, hauled, left];
}

/** Bedding-in as a figure, for the travel of a tensioning end. */
export const beddingIn: Figure = looked(BEDDING_IN);
