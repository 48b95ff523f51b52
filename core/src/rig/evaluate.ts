import { OVER_AND_DOWN, barkPressure, branchGive, momentFigure, screenTree } from '../anchor/index.js';
import type { CaseKind, LoadCase } from '../cases/index.js';
import { PITCHED, QUIET, casesFor, nameOf, saidOf as saidAs, whenOf } from '../cases/index.js';
import { BARK_PRESSURE, BEND_TAILS, CORD_ON_BARK, PULLS, acrossOf, cordWeight } from '../catalogue/index.js';
import type { Cut, EndLength } from '../cordage/index.js';
import { HAULED, IN_HAND, cutBetween, cutFigure, cutLength, inOne } from '../cordage/index.js';
import { capstanHold, spanShape, travelNeeded } from '../line/index.js';
import type { Finding } from '../findings/index.js';
import { finding } from '../findings/index.js';
import type { Phrase, Vec3 } from '../quantity/index.js';
import type { Judged } from '../strength/index.js';
import { judgedBy } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive } from '../working/index.js';
import { gustOf } from './gust.js';
import { cordAlong, ledgerOf, onExtension, trunkPull } from './ledger.js';
import { slidingFindings } from './hangs.js';
import type { CaseFigures, RidgeModel } from './model.js';
import { beddingIn, ridgeModel } from './model.js';
import type { LineContext } from './ridge.js';
import { bendEnd } from './extension.js';
import { giveOfTrunk, isStem } from './trees.js';
import { riseOf } from './ridge.js';
import type { RidgeRig } from './rig-document.js';
import type { Row } from './row.js';
import { ratioOf } from './row.js';

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
    /** As the end of a sentence. */
    readonly said: string;
    readonly group: CaseKind;
    readonly when: Phrase;
    readonly tension: Figure;
    readonly sag: Figure;
  }[];
  readonly shapes: readonly Shape[];
  /** Every place that can let go, weakest first by the rig's rule; and the same by line and trunk. */
  readonly ledger: readonly Judged[];
  readonly rows: readonly Row[];
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
  /** What keeps it from holding, and what to beware of. */
  readonly findings: readonly Finding[];
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

/** How far the tensioning end must be able to come in: the line's stretch at its tension, and what the knots bed in by. */
export function travelOf(model: RidgeModel): Figure {
  return derive(
    { symbol: 't', title: 'travel the tensioning end must have', quantity: 'length', formula: 't = D ε / (1 + ε) + b' },
    [model.pretension, beddingIn],
    (T, b) => travelNeeded(model.distance, T!, model.spanOf(PITCHED).curve, b!),
  );
}

/** Whether the loop of a pulley-style hitch runs out; nothing for other ways of hauling. */
export function loopRunsOut(rig: RidgeRig, needed: Figure): Finding[] {
  const { how, pulley } = rig.tensioning;
  return how !== 'pulley' || needed.value <= pulley.loopOut
    ? []
    : [finding('loop-runs-out', { needed: needed.value, has: pulley.loopOut })];
}

/** From this strength of wind on, Beaufort, people leave the trees. */
export const GALE = 8;

/**
 * The whole judgement of a ridgeline.
 * @param options.ranges false leaves out the spreads of measured numbers (fast, while dragging)
 * @param options.as     numbers of the line that are otherwise than they were measured, by key
 * @throws RigProblem naming field and remedy; NoSuchLine when no line gives the sag, dip or tension asked
 */
export function evaluateRidge(
  rig: RidgeRig,
  context: LineContext,
  options: Parameters<typeof ridgeModel>[2] = { ranges: true },
): RidgeResult {
  const model = ridgeModel(rig, context, options);
  const cases = casesFor('line', rig, gustOf(rig)).map(model.caseFigures);
  const byId = (id: string): CaseFigures => cases.find((c) => c.case.id === id)!;
  const pitched = byId('pitched');
  const links = ledgerOf(model, cases);
  const ledger = links.map(judgedBy(rig, context.required)).sort((a, b) => a.judgement.ratio - b.judgement.ratio);
  const sagLimit = rig.tightness * model.distance;
  const cut = ridgeCut(model);
  const needed = cutFigure(cut, 'line');
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
      moved: giveOfTrunk(rig.trunks[k], model.woods[k].modulus.typical) * pitched.horizontal[k].value,
    };
  });
  const shapes = cases.map((c) => shapeOf(model, c));
  const heights = shapes.map((s) => overGround(rig, s, model.figures.span.value));
  const clearance = Math.min(...heights);
  const low = cases[heights.indexOf(clearance)]!.case;
  const result: Omit<RidgeResult, 'findings'> = {
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
      said: saidAs(c.case),
      group: c.case.kind,
      when: whenOf(c.case, rig),
      tension: c.tension,
      sag: c.sag,
    })),
    shapes,
    ledger,
    rows: rowsOf(model, ledger, pitched, { cut, cases, unstressed: model.unstressed.value }),
    tight,
    sagLimit,
    cordNeeded: needed,
    cordOnHand: inOne(model.kitCord),
    travel: { needed: travel, available: rig.tensioning.how === 'pulley' ? rig.tensioning.pulley.loopOut : null },
    cordMass: (cordWeight(model.cord, false) / 9.80665) * needed.value,
  };
  const saidOf = (id: string): string => saidAs(byId(id).case);
  return { ...result, findings: findingsOf(model, result, saidOf) };
}

/** The ledger by line and trunk, weakest first. */
function rowsOf(
  model: RidgeModel,
  ledger: readonly Judged[],
  pitched: CaseFigures,
  of: { readonly cut: Cut; readonly cases: readonly CaseFigures[]; readonly unstressed: number },
): Row[] {
  const { rig, kitCord, woods, extension } = model;
  const on = onExtension(model);
  const demand = largest(of.cases.map((c) => c.tension));
  const extended: Row[] =
    extension === null
      ? []
      : [
          {
            id: EXTENSION,
            name: 'extension of the ridgeline',
            what: extension.kitCord.name,
            role: 'extension',
            demand,
            pitched: pitched.tension.value,
            links: ledger.filter((j) => on.has(j.link.id)),
            unstressed: of.unstressed * extension.share,
            cut: extensionCut(model),
          },
        ];
  const line: Row = {
    id: 'ridge',
    name: 'ridgeline',
    what: kitCord.name,
    role: 'ridge',
    demand: largest(of.cases.map((c) => c.tension)),
    pitched: pitched.tension.value,
    links: ledger.filter((j) => j.link.kind !== 'trunk' && !on.has(j.link.id)),
    unstressed: of.unstressed * (1 - (extension?.share ?? 0)),
    cut: of.cut,
  };
  const trunks = ([0, 1] as const).flatMap((i): Row[] => {
    const links = ledger.filter((j) => j.link.id === `trunk-${i}`);
    return links.length === 0
      ? []
      : [
          {
            id: `trunk${i}`,
            name: rig.trunks[i].name,
            what: woods[i].name,
            role: 'trunk',
            demand: largest(of.cases.map((c) => c.horizontal[i])),
            pitched: pitched.horizontal[i].value,
            links,
            unstressed: null,
            cut: null,
          },
        ];
  });
  return [line, ...extended, ...trunks].sort((a, b) => ratioOf(a) - ratioOf(b));
}

/** Cord that is hauled past a line's tension end: both legs of a pulley-style hitch, else something to grip, m. */
export const haulTravel = ({ tensioning }: Pick<RidgeRig, 'tensioning'>): number =>
  tensioning.how === 'pulley' ? tensioning.pulley.loopOut * 2 : HAULED;

/** What an end of the line takes at its trunk. */
export const trunkEnd = (rig: RidgeRig, terminations: RidgeModel['terminations'], i: 0 | 1): EndLength => ({
  wraps: rig.ends[i].wraps,
  girth: rig.trunks[i].girth,
  knotDiameters: terminations[i].cordInDiameters,
  ...(rig.trunks[i].branch === undefined ? {} : { runsOn: Math.max(0, rig.trunks[i].tieHeight - IN_HAND) }),
});

/** The row of the cord that a ridgeline goes on in. */
export const EXTENSION = 'ridge-on';

/** Cord that a ridgeline takes of the hank that it begins in: all of it, or as far as where it is joined. */
export function ridgeCut({ rig, kitCord, cord, terminations, unstressed, extension }: RidgeModel): Cut {
  const length = unstressed.value * (1 - (extension?.share ?? 0));
  const last = extension === null ? trunkEnd(rig, terminations, 1) : bendEnd(extension.bend);
  const travel = extension === null ? haulTravel(rig) : 0;
  return cutBetween(kitCord.id, length, [trunkEnd(rig, terminations, 0), last], acrossOf(cord), travel);
}

/** Cord that it takes of the hank that it goes on in; null where it is of one. */
export function extensionCut({ rig, terminations, unstressed, extension }: RidgeModel): Cut | null {
  if (extension === null) return null;
  const { kitCord, cord, bend, share } = extension;
  const ends = [bendEnd(bend), trunkEnd(rig, terminations, 1)];
  return cutBetween(kitCord.id, unstressed.value * share, ends, acrossOf(cord), haulTravel(rig));
}

/** What is found about a line: what keeps it from holding, and what to beware of. */
function findingsOf(
  model: RidgeModel,
  r: Omit<RidgeResult, 'findings'>,
  saidOf: (caseId: string) => string,
): Finding[] {
  const { rig, cord, kitCord } = model;
  const out: Finding[] = rig.trunks.flatMap((t, i) =>
    !isStem(t) ? [] : screenTree(t, rig.use === 'person').map((found) => finding('tree', found, `trunk${i}`)),
  );
  for (const judged of r.ledger)
    if (judged.judgement.ratio < 1)
      out.push(finding('short', { judged, said: saidOf(judged.link.caseId), gust: null }, judged.link.id));
  if (r.clearance <= 0) out.push(finding('line-grounded', { said: saidOf(r.lowest.id) }));
  const on = extensionCut(model);
  if (on !== null && cutLength(on) > inOne(model.extension!.kitCord)) {
    const { kitCord: other } = model.extension!;
    out.push(finding('cord-short', { cord: other.name, wanted: cutLength(on), have: inOne(other) }, other.id));
  }
  if (model.extension !== null) out.push(joinedFinding(model));
  if (r.cordNeeded.value > inOne(kitCord))
    out.push(
      finding('cord-short', { cord: kitCord.name, wanted: r.cordNeeded.value, have: inOne(kitCord) }, kitCord.id),
    );
  if (!r.tight) out.push(finding('sags', { under: 'line', sag: r.sag.value, limit: r.sagLimit }));
  if (r.unguyed > 0) out.push(finding('unguyed', { area: r.unguyed }));
  for (const c of [PITCHED, ...QUIET.filter((q) => q.environment.wet)]) {
    const found = slidingFindings(rig.hung, sidesOf(model, c), (at) => cordAlong(model, at).cord, c.environment.wet);
    if (found.length === 0) continue;
    out.push(...found);
    break;
  }
  if (!cord.bears) out.push(finding('elastic-ridge', {}));
  if (rig.use === 'person') out.push(finding('carries-person', {}));
  if (rig.wind.beaufort >= GALE) out.push(finding('gale', {}));
  if (kitCord.wear === 'cut') out.push(finding('cord-worn', { cord: kitCord.name }));
  for (const [i, trunk] of rig.trunks.entries())
    if (trunk.standsOnWord === true && trunk.stand === undefined)
      out.push(finding('no-stem', { what: trunk.name, level: r.trunks[i as 0 | 1].horizontal.value }, `trunk${i}`));
  out.push(...branchFindings(model, [r.trunks[0].horizontal.value, r.trunks[1].horizontal.value]));
  for (const [i, end] of rig.ends.entries()) {
    if (model.terminations[i]!.caution !== undefined) out.push(finding('termination', { id: end.termination }));
    const pressure = barkPressure(r.worstTension.value, model.diameters[i]!, acrossOf(cord) * Math.max(1, end.wraps));
    if (pressure > BARK_PRESSURE.typical && isStem(rig.trunks[i]!))
      out.push(finding('bark', { tree: rig.trunks[i]!.name, by: 'cord', pressure }, `trunk${i}`));
  }
  if (rig.tensioning.how === 'passes') {
    const passes = rig.tensioning.passes.count;
    const holds = capstanHold(PULLS['one-hand'].low, CORD_ON_BARK.low, passes);
    if (r.pretension.value > holds) out.push(finding('passes-slip', { passes, holds }));
  }
  out.push(...loopRunsOut(rig, r.travel.needed));
  if (!model.terminations[1].hauls && (rig.tensioning.how === 'pulley' || rig.tensioning.how === 'passes'))
    out.push(finding('cannot-haul', { tree: rig.trunks[1].name, termination: model.terminations[1].name }, 'trunk1'));
  return out;
}

/** What a bend in a line takes of cord, and where it is. */
export function joinedFinding({ cord, extension }: RidgeModel): Finding {
  const { bend, at, cord: then } = extension!;
  const takes = bend.cordInDiameters * ((acrossOf(cord) + acrossOf(then)) / 2) + BEND_TAILS;
  return finding('joined', { bend: bend.name, at, takes }, EXTENSION);
}

/** The branches that a line goes over, and how they fare. @param level the most that it pulls level at each trunk, N */
export const branchFindings = (
  { rig, woods }: Pick<RidgeModel, 'rig' | 'woods'>,
  level: readonly [number, number],
): Finding[] =>
  ([0, 1] as const).flatMap((i) => {
    const { branch, name } = rig.trunks[i];
    if (branch === undefined) return [];
    const pull = OVER_AND_DOWN * level[i];
    const gives = branchGive(branch, woods[i].modulus.typical) * pull;
    return [finding('branch', { name: `the branch of ${name}`, gives, pull }, `trunk${i}`)];
  });

/** Tension of a line on either side of each thing that hangs on it, N, in the order of the things: from its first end on, exactly. */
function sidesOf(model: RidgeModel, c: LoadCase): (readonly [Vec3, Vec3])[] {
  const { perMetre, loads } = model.spanOf(c);
  const { start, unstressed } = model.stateOf(c);
  const order = loads.map((_, k) => k).sort((a, b) => loads[a]!.at - loads[b]!.at);
  const sides: (readonly [Vec3, Vec3])[] = [];
  let [t, from]: [Vec3, number] = [start, 0];
  const less = (a: Vec3, b: Vec3, times: number): Vec3 => [
    a[0] - times * b[0],
    a[1] - times * b[1],
    a[2] - times * b[2],
  ];
  for (const k of order) {
    const { at, force } = loads[k]!;
    const before = less(t, perMetre, (at - from) * unstressed);
    const after = less(before, force, 1);
    sides[k] = [before, after];
    [t, from] = [after, at];
  }
  return sides;
}
