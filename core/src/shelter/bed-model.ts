import { webbingOf } from '../bed/index.js';
import { cordOf } from '../cordage/index.js';
import { NIGHT, casesFor, nameOf, poseOf, shockOf } from '../cases/index.js';
import type { LoadCase } from '../cases/index.js';
import { diameterOf, trunkGive } from '../anchor/index.js';
import {
  bedMass,
  lyingLoad,
  lyingPlace,
  prepareBed,
  shockForce,
  sittingLoad,
  solveBed,
  swingFactor,
} from '../bed/index.js';
import type {
  BedEngine,
  Hang,
  HangSideStay,
  HangEnd,
  HangPole,
  HangState,
  KitBed,
  KitStraps,
  LoadPiece,
} from '../bed/index.js';
import {
  BED_SETTLING,
  BED_SOAKS,
  CLOTH_CREEP,
  FIBRE_TRAITS,
  FOOT_SINKS,
  GATHERED,
  LEANS_UP,
  RELAX_ONSET,
  STAY_COMES,
  dryCurve,
  findBedCloth,
  findCord,
  findWood,
  looked,
  wetCurve,
} from '../catalogue/index.js';
import type { BedCloth, Cord, Webbing, Wood } from '../catalogue/index.js';
import { linearCurve, scaledCurve, strainAt, tensionCurve } from '../line/index.js';
import type { TensionCurve } from '../line/index.js';
import { groundOf, placeOfShared, upFrom } from '../pitch/index.js';
import { GRAVITY, norm, sub } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import {
  isStem,
  RigProblem,
  bedFoot,
  bedProblems,
  bedStem,
  freeStrap,
  measuredSpan,
  stayFoot,
  tiedTo,
  treeProblems,
  holdProblems,
} from '../rig/index.js';
import type { Bed, BedPole, KitCord, RigContext, RidgeRig } from '../rig/index.js';
import type { Figure, FigureName } from '../working/index.js';
import { derive, given } from '../working/index.js';

/** Every number of a bed that can be uncertain, by key. */
const KEYS = ['span', 'high0', 'high1', 'free0', 'free1', 'mass', 'stretch', 'cloth', 'carries', 'E0', 'E1'] as const;
export type BedKey = (typeof KEYS)[number];
type Key = BedKey;
type Values = Record<Key, number>;

/** How well things are measured in the field: one in twenty is farther off. All judgement. */
const SPAN_OFF = 0.02;
const HEIGHT_OFF = 0.02;
const FREE_OFF = 0.015;
const MASS_OFF = [0.96, 1.06] as const;

/** How far what else is tied to its trees has moved the ties of a bed, level, m. */
export type Moved = readonly [readonly [x: number, y: number], readonly [x: number, y: number]];
export const UNMOVED: Moved = [
  [0, 0],
  [0, 0],
];

/** Something of a bed read off its state. */
export type Read = (s: HangState) => number;

/** A bed of a rig made ready to be solved in any case, with the numbers it depends on. */
export interface BedModel {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly kit: KitBed;
  readonly straps: KitStraps;
  readonly webbing: Webbing;
  readonly clothKind: BedCloth;
  readonly ridgeCord: Cord | null;
  readonly woods: readonly [Wood, Wood];
  readonly diameters: readonly [number, number];
  readonly figures: Readonly<Record<Key, Figure>>;
  readonly cases: readonly LoadCase[];
  readonly ground: (x: number, y: number) => number;
  /** Weight of who lies in it, N. */
  readonly weight: number;
  readonly stayCords: readonly [{ kitCord: KitCord; cord: Cord } | null, { kitCord: KitCord; cord: Cord } | null];
  readonly hangOf: (c: LoadCase, force?: number) => Hang;
  /** As it hangs, whatever is beneath: what its parts must bear, for the ground takes nothing off them. */
  readonly stateOf: (c: LoadCase) => HangState;
  /** As it comes to rest: on the ground where it would hang lower. */
  readonly restOf: (c: LoadCase) => HangState;
  /** Greatest force on the bed in a case, N: the weight, or what the fall or swing makes of it. */
  readonly forceOf: (c: LoadCase) => number;
  /** A number read off the bed in a case, with its working and its range from everything it depends on. */
  readonly figure: (name: FigureName, c: LoadCase, read: Read) => Figure;
  /** The bed with one of its poles pushed sideways. */
  readonly pushed: (c: LoadCase, push: number) => HangState;
  /** Where a bed would hang if its straps were tied so; the same engine. */
  readonly solveHang: (h: Hang) => HangState;
  /** The same bed with other numbers: its engine, begun where this bed lies with someone in it. */
  readonly as: (values: Readonly<Partial<Record<BedKey, number>>>) => BedModel;
}

const chosen = (symbol: string, title: string, quantity: Figure['quantity'], value: number, off: number): Figure =>
  given({ symbol, title, quantity }, value, { kind: 'measured', text: 'as set' }, [value - off, value + off]);

function baseFigures(
  rig: RidgeRig,
  context: RigContext,
  straps: KitStraps,
  parts: { readonly cloth: BedCloth; readonly webbing: Webbing; readonly woods: readonly [Wood, Wood] },
): Record<Key, Figure> {
  const bed = rig.bed!;
  const [a, b] = [bedFoot(rig, context.body, 0), bedFoot(rig, context.body, 1)];
  const span = Math.hypot(a[0] - b[0], a[1] - b[1]);
  const paced = bed.ends.every((e) => e.anchor.kind === 'trunk') && rig.span.how === 'paces';
  const off = paced ? 1.645 * context.body.paceSpread * span : SPAN_OFF;
  const e = parts.webbing.breakStrain;
  const modulus = (i: 0 | 1): Figure => ({
    ...looked(parts.woods[i].modulus),
    title: `stiffness of ${bedStem(rig, i).name}`,
  });
  return {
    span: given(
      { symbol: 'L', title: 'between the anchors', quantity: 'length' },
      span,
      { kind: 'measured', text: paced ? `${rig.span.paces} of ${context.paces ?? 'my'} paces` : 'taped' },
      [span - off, span + off],
    ),
    high0: chosen('z₁', 'height of the first strap', 'length', bed.ends[0].height, HEIGHT_OFF),
    high1: chosen('z₂', 'height of the second strap', 'length', bed.ends[1].height, HEIGHT_OFF),
    free0: chosen('s₁', 'free strap, first end', 'length', freeStrap(rig, straps, 0), FREE_OFF),
    free1: chosen('s₂', 'free strap, second end', 'length', freeStrap(rig, straps, 1), FREE_OFF),
    mass: given(
      { symbol: 'm', title: 'person with clothes and bedding', quantity: 'mass' },
      bed.mass,
      { kind: 'measured', text: 'as told' },
      [bed.mass * MASS_OFF[0], bed.mass * MASS_OFF[1]],
    ),
    stretch: given(
      { symbol: 's', title: 'stretch of this webbing over the catalogue’s typical', quantity: 'ratio' },
      1,
      { kind: e.kind, text: 'catalogue, the range of its stretch at break', citation: e.citation },
      [e.low / e.typical, e.high / e.typical],
    ),
    cloth: looked(parts.cloth.stiffness),
    carries: looked(GATHERED),
    E0: modulus(0),
    E1: modulus(1),
  };
}

/** Length gained by creep over a night, as a factor of the stretch: what relaxes at fixed length creeps at fixed pull. */
const crept = (k: number): number => 1 + k * Math.log10(1 + NIGHT / RELAX_ONSET.typical);

/**
 * Readies the bed of a rig.
 * @param options.ranges false leaves out the spreads
 * @param options.moved  how far what else is tied to its trees has moved its ties, m; not at all when left out
 * @throws RigProblem naming field and remedy
 */
export function bedModel(
  rig: RidgeRig,
  context: RigContext,
  options: {
    readonly ranges: boolean;
    readonly moved?: (wet: boolean) => Moved;
    readonly as?: Readonly<Partial<Record<BedKey, number>>>;
    readonly engine?: () => BedEngine;
  } = { ranges: true },
): BedModel {
  const problem = [...bedProblems(rig, context), ...treeProblems(rig), ...holdProblems(rig)][0];
  if (problem !== undefined) throw new RigProblem(problem.field, problem.said ?? problem.message);
  const { moved = () => UNMOVED } = options;
  const bed = rig.bed!;
  const kit = context.beds.find((x) => x.id === bed.bed)!;
  const straps = context.straps.find((x) => x.id === bed.straps)!;
  const missing = (field: string, what: string): never => {
    throw new RigProblem(field, `The catalogue has no such ${what}. Choose another in the kit.`);
  };
  const webbing = webbingOf(straps) ?? missing('bed.straps', 'webbing');
  const clothKind = findBedCloth(kit.cloth) ?? missing('bed.bed', 'bed cloth');
  const ridgeCord =
    bed.ridgeCord && kit.ridgeLength > 0 ? (findCord(kit.ridgeCord) ?? missing('bed.bed', 'cord')) : null;
  const woodOf = (i: 0 | 1): Wood => {
    const { anchor } = bed.ends[i];
    return findWood(anchor.kind === 'trunk' ? rig.trunks[i].wood : anchor.wood) ?? missing(`bed.ends.${i}`, 'wood');
  };
  const woods = [woodOf(0), woodOf(1)] as const;
  const diameters = [diameterOf(bedStem(rig, 0).girth), diameterOf(bedStem(rig, 1).girth)] as const;
  const stayCord = (i: 0 | 1): { kitCord: KitCord; cord: Cord } | null => {
    const { anchor } = bed.ends[i];
    if (anchor.kind !== 'pole') return null;
    const kitCord = context.kit.find((k) => k.id === anchor.cord)!;
    return { kitCord, cord: cordOf(kitCord) ?? missing(`bed.ends.${i}.anchor.cord`, 'cord') };
  };
  const stayCords = [stayCord(0), stayCord(1)] as const;
  const figures = baseFigures(rig, context, straps, { cloth: clothKind, webbing, woods });
  if (!options.ranges)
    for (const key of KEYS) figures[key] = { ...figures[key], range: [figures[key].value, figures[key].value] };
  for (const key of KEYS) {
    const value = options.as?.[key];
    if (value !== undefined) figures[key] = { ...figures[key], value, range: [value, value] };
  }
  const central = Object.fromEntries(KEYS.map((k) => [k, figures[k].value])) as Values;

  const ground = groundOf(rig, measuredSpan(rig, context.body));
  const beneath = { at: [0, 0, ground(0, 0)] as Vec3, normal: upFrom(ground) };
  const feet = [bedFoot(rig, context.body, 0), bedFoot(rig, context.body, 1)] as const;
  const sharedFeet = ([0, 1] as const).map((i) => {
    const { anchor } = bed.ends[i];
    return anchor.kind === 'pole' ? placeOfShared(rig, context, anchor.anchor, `bed.ends.${i}.anchor.anchor`) : null;
  });
  const axis = [(feet[1][0] - feet[0][0]) / central.span, (feet[1][1] - feet[0][1]) / central.span] as const;
  const weight = bed.mass * GRAVITY;
  const ownWeight = bedMass(kit) * GRAVITY;
  const traits = FIBRE_TRAITS[webbing.fibre];
  const length = kit.length;

  /** The second end moves along the axis with the span. */
  const footOf = (v: Values, i: 0 | 1): readonly [number, number] =>
    i === 0 ? feet[0] : [feet[0][0] + axis[0] * v.span, feet[0][1] + axis[1] * v.span];
  const poleOf = (v: Values, c: LoadCase, i: 0 | 1, pole: BedPole, push: number): { head: Vec3; pole: HangPole } => {
    const [x, y] = footOf(v, i);
    const away = i === 0 ? -1 : 1;
    const high = i === 0 ? v.high0 : v.high1;
    const base = ground(x, y);
    const tip = Math.tan(pole.lean) * high * away;
    const head: Vec3 = [x + axis[0] * tip, y + axis[1] * tip, base + high];
    const stand: Vec3 = [x, y, base - (c.since > 0 ? FOOT_SINKS.typical : 0)];
    const { cord } = stayCords[i]!;
    const curve = c.environment.wet ? wetCurve(cord) : dryCurve(cord);
    const held = tiedTo(pole.anchor, '');
    const shared = sharedFeet[i];
    const stays = (pole.stays === 1 ? ([0] as const) : ([1, -1] as const)).map((side) => {
      const [sx, sy] = shared ?? stayFoot(pole, [x, y], [axis[0] * away, axis[1] * away], away * side);
      const foot: Vec3 = [sx, sy, ground(sx, sy) + (held?.height ?? 0)];
      const straight = norm(sub(head, foot));
      const grown = c.environment.wet ? 1 + FIBRE_TRAITS[cord.fibre].wetGrowth.typical : 1;
      const given0 = c.since > 0 ? STAY_COMES.typical + BED_SETTLING.typical : 0;
      return { foot, length: (straight / (1 + strainAt(dryCurve(cord), pole.haul))) * grown + given0, curve };
    });
    const section = (Math.PI * pole.thickness ** 2) / 4;
    return {
      head,
      pole: {
        foot: stand,
        length: norm(sub(head, [x, y, base])),
        stiffness: (i === 0 ? v.E0 : v.E1) * section,
        stays,
        // across the bed's own line
        push: [-axis[1] * push, axis[0] * push],
      },
    };
  };
  const endOf = (v: Values, c: LoadCase, i: 0 | 1, push: number): HangEnd => {
    const { anchor } = bed.ends[i];
    const high = i === 0 ? v.high0 : v.high1;
    const set = i === 0 ? v.free0 : v.free1;
    const free =
      (set + (c.since > 0 ? BED_SETTLING.typical : 0)) * (c.environment.wet ? 1 + traits.wetGrowth.typical : 1);
    if (anchor.kind === 'pole') {
      const { head, pole } = poleOf(v, c, i, anchor, push);
      return { at: head, give: 0, pole, free };
    }
    const [x, y] = footOf(v, i);
    const word = anchor.kind === 'trunk' && !isStem(rig.trunks[i]);
    const give = word ? 0 : trunkGive(high, diameters[i], i === 0 ? v.E0 : v.E1);
    const [dx, dy] = moved(c.environment.wet)[i];
    return { at: [x + dx, y + dy, ground(x, y) + high], give, pole: null, free };
  };
  const clothCurve = (v: Values, c: LoadCase): TensionCurve => {
    const creep = c.since > 0 ? crept(CLOTH_CREEP.typical) : 1;
    return linearCurve((v.cloth * v.carries * kit.width) / creep);
  };
  const strapCurve = (v: Values, c: LoadCase): TensionCurve =>
    scaledCurve(
      c.environment.wet ? wetCurve(webbing) : dryCurve(webbing),
      1,
      v.stretch * (c.since > 0 ? crept(traits.relaxation.typical) : 1),
    );
  const loadsOf = (c: LoadCase, force: number): LoadPiece[] => {
    if (poseOf(c) === 'empty') return [];
    if (poseOf(c) === 'sitting') return sittingLoad(bed.sitAt * length, force);
    const lying = lyingLoad(length, bed.stature, bed.head, force);
    if (poseOf(c) === 'lying') return lying;
    // half up on an elbow: the trunk's weight comes toward the head's end
    const toward = bed.head === 0 ? -LEANS_UP.typical : LEANS_UP.typical;
    return lying.map((p, k) => (k < 2 ? { ...p, from: p.from + toward, to: p.to + toward } : p));
  };
  /** The cord to one side: it hauls with about the same pull however far the bed comes to it. */
  const sideStayOf = ({ side, out, haul }: NonNullable<Bed['sideStay']>, middle: Vec3): HangSideStay => {
    const sign = side === 'left' ? 1 : -1;
    const [x, y] = [middle[0] - axis[1] * sign * out, middle[1] + axis[0] * sign * out];
    const foot: Vec3 = [x, y, ground(x, y)];
    const pull = Math.max(1, haul);
    return {
      foot,
      length: norm(sub(middle, foot)) / 4,
      curve: tensionCurve([
        [0, 0],
        [0.5, 0.9 * pull],
        [20, 1.1 * pull],
      ]),
    };
  };
  const hang = (v: Values, c: LoadCase, force: number, push = 0): Hang => {
    const ends = [endOf(v, c, 0, push), endOf(v, c, 1, push)] as const;
    const grown =
      (c.since > 0 ? 1 + clothKind.settles.typical : 1) * (c.environment.wet ? 1 + clothKind.wetGrowth.typical : 1);
    const clothLength = length * grown;
    const middle: Vec3 = [
      (ends[0].at[0] + ends[1].at[0]) / 2,
      (ends[0].at[1] + ends[1].at[1]) / 2,
      0.5 * (ends[0].at[2] + ends[1].at[2]) - 0.9,
    ];
    // someone who leans out hangs askew: their weight pulls at the angle whose reach is theirs
    const depth = Math.max(0.4, 0.5 * (ends[0].at[2] + ends[1].at[2]) - ground(middle[0], middle[1]) - bed.wish.height);
    const tilt = poseOf(c) === 'leaning' ? Math.atan2(bed.reach, depth) : 0;
    const across = force * Math.tan(tilt);
    return {
      ends,
      strap: strapCurve(v, c),
      length: clothLength,
      cloth: clothCurve(v, c),
      weight: ownWeight * (c.environment.wet ? 1 + BED_SOAKS.typical : 1),
      ridge:
        ridgeCord === null
          ? null
          : { length: kit.ridgeLength, curve: c.environment.wet ? wetCurve(ridgeCord) : dryCurve(ridgeCord) },
      sideStay: bed.sideStay === null ? null : sideStayOf(bed.sideStay, middle),
      loads: loadsOf(c, force).map((p) => ({ from: p.from * grown, to: p.to * grown, force: p.force })),
      push: [-axis[1] * across, axis[0] * across, 0],
      ground: null,
    };
  };
  const cases = casesFor('bed', rig, null);
  let engine: BedEngine | undefined;
  /** Where its engine stands with someone lying in it. */
  let lain: Float64Array | null = null;
  const solveHang = (h: Hang): HangState => solveBed((engine ??= options.engine?.() ?? prepareBed(h)), h);
  const keyOf = (v: Values): string => KEYS.map((k) => v[k]).join();

  const forces = new Map<string, number>();
  const force = (v: Values, c: LoadCase): number => {
    const W = v.mass * GRAVITY;
    if (shockOf(c) === null) return W;
    if (shockOf(c) === 'swing') return W * swingFactor(bed.swing);
    const key = `${c.id}:${keyOf(v)}`;
    const known = forces.get(key);
    if (known !== undefined) return known;
    const nobody = solveHang(hang(v, c, 1e-6));
    const P = shockForce(
      (F) => {
        const s = solveHang(hang(v, c, F));
        return { down: nobody.height - s.height, energy: s.stored + s.lifted - nobody.stored - nobody.lifted };
      },
      W,
      c.occupancy === 'dropping-in' ? bed.drop : 0,
    );
    forces.set(key, P);
    return P;
  };
  const states = new Map<string, HangState>();
  const solve = (v: Values, c: LoadCase): HangState => {
    const key = `${c.id}:${keyOf(v)}`;
    const known = states.get(key);
    if (known !== undefined) return known;
    const F = force(v, c);
    const state = Number.isFinite(F)
      ? solveHang(hang(v, c, F))
      : {
          ...solveHang(hang(v, c, v.mass * GRAVITY)),
          converged: false,
          reason: 'the fall is more than anything stores',
        };
    states.set(key, state);
    return state;
  };
  /** What a shock depends on most; it takes a dozen solves, so only these are tried at their ends. */
  const SHOCK_KEYS: readonly Key[] = ['mass', 'cloth', 'carries', 'stretch'];
  const figure = (name: FigureName, c: LoadCase, read: Read): Figure => {
    const keys = shockOf(c) === 'fall' ? SHOCK_KEYS : KEYS;
    return derive(
      {
        ...name,
        title: `${name.title}, ${nameOf(c)}`,
        formula:
          shockOf(c) === 'fall'
            ? 'the bed at rest as a cable under P, where U(P) − U(0) = W (h + s(P))'
            : shockOf(c) === 'swing'
              ? 'the bed at rest as a cable under W (3 − 2 cos a)'
              : 'the bed at rest as a cable: cloth, straps, cords, stems and the weight where it lies',
      },
      keys.map((k) => figures[k]),
      (...values) => {
        const v = { ...central };
        keys.forEach((k, n) => (v[k] = values[n]!));
        const s = solve(v, c);
        return s.converged ? read(s) : Number.NaN;
      },
    );
  };
  return {
    rig,
    context,
    kit,
    straps,
    webbing,
    clothKind,
    ridgeCord,
    woods,
    diameters,
    figures,
    cases,
    ground,
    weight,
    stayCords,
    hangOf: (c, f = force(central, c)) => hang(central, c, f),
    stateOf: (c) => solve(central, c),
    restOf: (c) => {
      const free = solve(central, c);
      const clear = free.line.every((p) => p[2] > ground(p[0], p[1]));
      return clear || !free.converged ? free : solveHang({ ...hang(central, c, force(central, c)), ground: beneath });
    },
    forceOf: (c) => force(central, c),
    figure,
    pushed: (c, push) => solveHang(hang(central, c, force(central, c), push)),
    solveHang,
    as: (values) =>
      bedModel(rig, context, {
        ranges: false,
        moved,
        as: values,
        engine: () => {
          if (lain === null) {
            const c = cases.find((x) => x.kind === 'lying')!;
            // solved anew, whatever is remembered of it: the engine then stands there
            solveHang(hang(central, c, force(central, c)));
            lain = engine!.engine.state.x.slice();
          }
          engine!.engine.state.x.set(lain);
          engine!.engine.solved = true;
          return engine!;
        },
      }),
  };
}

/** Where the head and the soles of who lies in it are on the cable, as numbers of its places. */
export function lieOn(model: BedModel): { readonly head: number; readonly feet: number } {
  const { kit, rig } = model;
  return lyingPlace(kit.length, rig.bed!.stature, rig.bed!.head);
}

/** A place along the cloth of a state, m of unstressed cloth from its first end. */
export function alongCloth(model: BedModel, s: HangState, at: number): Vec3 {
  const parts = s.line.length - 1;
  const u = Math.min(parts - 1e-9, Math.max(0, (at / model.kit.length) * parts));
  const k = Math.floor(u);
  const f = u - k;
  const [a, b] = [s.line[k]!, s.line[k + 1]!];
  return [a[0] + f * (b[0] - a[0]), a[1] + f * (b[1] - a[1]), a[2] + f * (b[2] - a[2])];
}
