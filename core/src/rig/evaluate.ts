import { barkPressure, momentFigure, screenTree, trunkGive } from '../anchor/index.js';
import { PITCHED, QUIET, casesFor, nameOf, whenOf } from '../cases/index.js';
import { BARK_PRESSURE, CORD_ON_BARK, PULLS, acrossOf, cordWeight } from '../catalogue/index.js';
import { cordNeeded } from '../cordage/index.js';
import { capstanHold, spanShape, travelNeeded } from '../line/index.js';
import type { Phrase, UnitChoice, Vec3 } from '../quantity/index.js';
import { capital, say } from '../quantity/index.js';
import type { Judgement, Link, Required } from '../strength/index.js';
import { RULES, judge } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { gustOf } from './gust.js';
import { ledgerOf, trunkPull } from './ledger.js';
import type { CaseFigures, RidgeModel } from './model.js';
import { beddingIn, ridgeModel } from './model.js';
import type { Surroundings } from './ridge.js';
import { riseOf } from './ridge.js';
import type { RidgeRig } from './rig-document.js';

/** The rig's drawn shape in one case: x, y, z, tension of each point, m and N, from the first trunk's tie. */
export interface Shape {
  readonly caseId: string;
  readonly points: readonly number[];
  readonly ends: readonly [Vec3, Vec3];
  /** Places of the things on the line: those hung, then the roof's two hitches. */
  readonly loads: readonly Vec3[];
  readonly sag: number;
  readonly sagAt: number;
  readonly sideways: number;
}

/** One step of the evening: what is left of the tension and what to take up again. */
export interface Settling {
  readonly caseId: string;
  readonly name: string;
  readonly when: Phrase;
  readonly tension: Figure;
  readonly sag: Figure;
  /** Length to haul in to be as tight as when pitched, m; negative would be to let out. */
  readonly takeUp: number;
}

export interface TrunkForces {
  readonly horizontal: Figure;
  readonly vertical: Figure;
  /** Whether that one lifts. */
  readonly lifts: boolean;
  readonly moment: Figure;
  /** How far the tie is pulled in, as pitched, m. */
  readonly moved: number;
  /** Reasons against this trunk. */
  readonly against: readonly string[];
}

export interface Judged {
  readonly link: Link;
  readonly judgement: Judgement;
  /** All three schools, in their order. */
  readonly schools: readonly Judgement[];
}

export interface RidgeResult {
  readonly span: Figure;
  readonly rise: number;
  readonly distance: number;
  readonly pretension: Figure;
  readonly unstressed: Figure;
  readonly hauling: readonly Figure[];
  /** As pitched, with the standing loads. */
  readonly tension: Figure;
  readonly sag: Figure;
  /** Largest in any case. */
  readonly worstTension: Figure;
  readonly trunks: readonly [TrunkForces, TrunkForces];
  readonly settling: readonly Settling[];
  readonly cases: readonly {
    readonly id: string;
    readonly name: string;
    readonly when: Phrase;
    readonly tension: Figure;
    readonly sag: Figure;
  }[];
  readonly shapes: readonly Shape[];
  /** Weakest first by the rig's rule. */
  readonly ledger: readonly Judged[];
  readonly tight: boolean;
  /** Most sag allowed, m. */
  readonly sagLimit: number;
  readonly cordNeeded: Figure;
  readonly cordOnHand: number;
  readonly travel: { readonly needed: Figure; readonly available: number | null };
  /** Least height of the line over the ground in any case, m, not above 0 where it lies on it; and in which case. */
  readonly clearance: number;
  readonly lowest: { readonly id: string; readonly name: string };
  /** Cloth that hangs on the line with nothing to guy it, m². */
  readonly unguyed: number;
  readonly cordMass: number;
  /** Things a person should know, most pressing first. */
  readonly warnings: readonly string[];
}

const POINTS_PER_STRETCH = 24;

function shapeOf(model: RidgeModel, c: CaseFigures): Shape {
  const { state } = c;
  return {
    caseId: c.case.id,
    points: Array.from(spanShape(model.spanOf(c.case), state, POINTS_PER_STRETCH)),
    ends: state.ends,
    loads: state.loadPlace,
    sag: state.sag,
    sagAt: state.sagAt,
    sideways: state.sideways,
  };
}

function largest(figures: readonly Figure[]): Figure {
  return figures.reduce((a, b) => (b.value > a.value ? b : a));
}

/** Least height of a line over the slope between its trunks' feet, m. */
function overGround(rig: RidgeRig, { points }: Shape, span: number): number {
  let least = Number.POSITIVE_INFINITY;
  for (let k = 0; k < points.length; k += 4)
    least = Math.min(least, points[k + 2]! + rig.trunks[0].tieHeight - (rig.groundRise * points[k]!) / span);
  return least;
}

/** Judges a link by all three schools, and by the rig's own. */
export function judgedBy(rig: Pick<RidgeRig, 'rule' | 'use'>, required: Required): (link: Link) => Judged {
  return (link) => {
    const schools = RULES.map((r) => judge(link, r, required, rig.use));
    return { link, judgement: schools.find((x) => x.rule === rig.rule)!, schools };
  };
}

/** How far the tensioning end must be able to come in: the line's stretch at its tension, and what the knots bed in by. */
export function travelOf(model: RidgeModel): Figure {
  return derive(
    { symbol: 't', title: 'travel the tensioning end must have', quantity: 'length', formula: 't = D ε / (1 + ε) + b' },
    [model.pretension, beddingIn],
    (T, b) => travelNeeded(model.distance, T!, model.spanOf(PITCHED).curve, b!),
  );
}

/** Why the loop of a pulley-style hitch would run out; null where it does not, and for other ways of hauling. */
export function travelProblem(rig: RidgeRig, needed: Figure, units: UnitChoice): string | null {
  const { how, pulley } = rig.tensioning;
  if (how !== 'pulley' || needed.value <= pulley.loopOut) return null;
  return `The loop runs out of travel: it needs ${say(needed.value, 'length', units)} from the trunk and has ${say(pulley.loopOut, 'length', units)}. Tie the loop farther out.`;
}

/**
 * The whole judgement of a ridgeline.
 * @param options.ranges false leaves out the spreads of measured numbers (fast, while dragging)
 * @throws RigProblem naming field and remedy; NoSuchLine when no line gives the sag, dip or tension asked
 */
export function evaluateRidge(
  rig: RidgeRig,
  around: Surroundings,
  units: UnitChoice,
  options: { readonly ranges: boolean } = { ranges: true },
): RidgeResult {
  const model = ridgeModel(rig, around, options);
  const cases = casesFor('line', rig, gustOf(rig)).map(model.caseFigures);
  const byId = (id: string): CaseFigures => cases.find((c) => c.case.id === id)!;
  const pitched = byId('pitched');
  const links = ledgerOf(model, cases);
  const ledger = links.map(judgedBy(rig, around.required)).sort((a, b) => a.judgement.ratio - b.judgement.ratio);
  const sagLimit = rig.tightness * model.distance;
  const needed = neededFigure(model);
  const travel = travelOf(model);
  const tight = pitched.sag.value <= sagLimit;
  const trunks = [0, 1].map((i): TrunkForces => {
    const k = i as 0 | 1;
    const hardest = cases.reduce((a, b) => (b.horizontal[k].value > a.horizontal[k].value ? b : a));
    const steepest = cases.reduce((a, b) => (b.vertical[k].value > a.vertical[k].value ? b : a));
    return {
      horizontal: largest(cases.map((c) => c.horizontal[k])),
      vertical: steepest.vertical[k],
      lifts: steepest.state.pull[k][2] > 0,
      moment: momentFigure(rig.trunks[k].name, [trunkPull(model, hardest, k)], `, ${nameOf(hardest.case)}`),
      moved: rig.trunks[k].standsOnWord
        ? 0
        : trunkGive(rig.trunks[k].tieHeight, model.diameters[k], model.woods[k].modulus.typical) *
          pitched.horizontal[k].value,
      against: rig.trunks[k].standsOnWord ? [] : screenTree(rig.trunks[k], rig.use === 'person'),
    };
  });
  const shapes = cases.map((c) => shapeOf(model, c));
  const heights = shapes.map((s) => overGround(rig, s, model.figures.span.value));
  const clearance = Math.min(...heights);
  const low = cases[heights.indexOf(clearance)]!.case;
  const result: Omit<RidgeResult, 'warnings'> = {
    clearance,
    lowest: { id: low.id, name: nameOf(low) },
    unguyed: rig.hung.reduce((sum, h) => sum + h.area, 0),
    span: model.figures.span,
    rise: riseOf(rig),
    distance: model.distance,
    pretension: model.pretension,
    unstressed: model.unstressed,
    hauling: model.hauling,
    tension: pitched.tension,
    sag: pitched.sag,
    worstTension: largest(cases.map((c) => c.tension)),
    trunks: [trunks[0]!, trunks[1]!],
    settling: QUIET.map((s) => {
      const c = byId(s.id);
      return {
        caseId: s.id,
        name: nameOf(s),
        when: whenOf(s, rig),
        tension: c.tension,
        sag: c.sag,
        takeUp: c.state.unstressed - pitched.state.unstressed,
      };
    }),
    cases: cases.map((c) => ({
      id: c.case.id,
      name: nameOf(c.case),
      when: whenOf(c.case, rig),
      tension: c.tension,
      sag: c.sag,
    })),
    shapes,
    ledger,
    tight,
    sagLimit,
    cordNeeded: needed,
    cordOnHand: model.kitCord.length,
    travel: { needed: travel, available: rig.tensioning.how === 'pulley' ? rig.tensioning.pulley.loopOut : null },
    cordMass: (cordWeight(model.cord, false) / 9.80665) * needed.value,
  };
  return { ...result, warnings: warningsOf(model, result, units) };
}

function neededFigure(model: RidgeModel): Figure {
  const { rig, terminations, cord } = model;
  const travel = rig.tensioning.how === 'pulley' ? rig.tensioning.pulley.loopOut * 2 : 0.5;
  const ends = ([0, 1] as const).map((i) => ({
    wraps: rig.ends[i].wraps,
    girth: rig.trunks[i].girth,
    knotDiameters: terminations[i].cordInDiameters,
  }));
  return derive(
    {
      symbol: 'ℓ',
      title: 'cord to have in hand',
      quantity: 'length',
      formula: 'ℓ = L₀ + Σ [wraps (girth + π d) + knot + tail] + hauling',
      notes: [
        `Wraps ${rig.ends[0].wraps} and ${rig.ends[1].wraps}; ${travel.toFixed(2)} m to haul with; a tail of 0.3 m at each end.`,
      ],
    },
    [
      model.unstressed,
      ...rig.trunks.map((t, i) =>
        given({ symbol: `g${i === 0 ? '₁' : '₂'}`, title: `girth of ${t.name}`, quantity: 'length' }, t.girth, {
          kind: 'measured',
          text: 'by a cord round the trunk',
        }),
      ),
    ],
    (l, g0, g1) =>
      cordNeeded(
        l!,
        [
          { ...ends[0]!, girth: g0! },
          { ...ends[1]!, girth: g1! },
        ],
        acrossOf(cord),
        travel,
      ),
  );
}

function warningsOf(model: RidgeModel, r: Omit<RidgeResult, 'warnings'>, units: UnitChoice): string[] {
  const { rig, cord, kitCord } = model;
  const out: string[] = [...r.trunks.flatMap((t) => t.against)];
  if (!cord.bears) out.push('Elastic cord is never counted as strength. Choose another cord for a ridgeline.');
  if (rig.use === 'person')
    out.push('A line that carries a person: nothing hard beneath, no higher than a safe fall, sit before you lie.');
  if (rig.wind.beaufort >= 8)
    out.push('In a gale the roof comes down and people leave the trees, whatever the numbers say.');
  if (kitCord.wear === 'cut')
    out.push(`${kitCord.name} is nicked, glazed or stiff: retire it, or cut the bad place out.`);
  if (r.cordNeeded.value > kitCord.length)
    out.push(
      `${kitCord.name} is too short: ${say(r.cordNeeded.value, 'length', units)} wanted, ${say(kitCord.length, 'length', units)} on hand. Fewer wraps, a closer pair of trees, or a sheet bend's extension away from the load.`,
    );
  for (const [i, trunk] of rig.trunks.entries())
    if (trunk.standsOnWord)
      out.push(
        `${capital(trunk.name)} is no stem: whether it slides, tips or pulls out is judged on the ground, not here. Lean on it; it is asked for ${say(r.trunks[i]!.horizontal.value, 'force', units)} level.`,
      );
  for (const [i, end] of rig.ends.entries()) {
    const caution = model.terminations[i]!.caution;
    if (caution !== undefined) out.push(caution);
    const T = r.worstTension.value;
    const p = barkPressure(T, model.diameters[i]!, acrossOf(cord) * Math.max(1, end.wraps));
    if (p > BARK_PRESSURE.typical && !rig.trunks[i]!.standsOnWord)
      out.push(
        `The cord presses ${say(p, 'stress', units)} on the bark of ${rig.trunks[i]!.name}, enough to bruise it. Pad it with sticks or cloth, add wraps, or use a strap.`,
      );
  }
  if (rig.tensioning.how === 'passes') {
    const holds = capstanHold(PULLS['one-hand'].low, CORD_ON_BARK.low, rig.tensioning.passes.count);
    if (r.pretension.value > holds)
      out.push(
        `${rig.tensioning.passes.count} passes hold only ${say(holds, 'force', units)} on smooth wet bark while one hand ties off. Take another turn before tying.`,
      );
  }
  const runsOut = travelProblem(rig, r.travel.needed, units);
  if (runsOut !== null) out.push(runsOut);
  if (!model.terminations[1].hauls && (rig.tensioning.how === 'pulley' || rig.tensioning.how === 'passes'))
    out.push(
      `The end at ${rig.trunks[1].name} cannot be hauled with a ${model.terminations[1].name}. Choose a tensioning end there.`,
    );
  return out;
}
