import { casesFor, nameOf, poseOf, saidOf, shockOf, whenOf } from '../cases/index.js';
import type { CaseKind, LoadCase } from '../cases/index.js';
import type { TiePull } from '../anchor/index.js';
import { barkPressure, trunkGiveAt } from '../anchor/index.js';
import type { HangState } from '../bed/index.js';
import { BED_SETTLING, STAY_COMES } from '../catalogue/index.js';
import type { Finding, HeadBelongs } from '../findings/index.js';
import { calledIn, pullsOn, shapeIn } from '../pitch/index.js';
import type { Evaluated, PitchState } from '../pitch/index.js';
import type { Phrase, Vec3 } from '../quantity/index.js';
import { bearerOf, bedStem, isStem, ratioOf } from '../rig/index.js';
import type { BearerId, RigContext, RidgeResult, RidgeRig, Row } from '../rig/index.js';
import { windToward } from '../weather/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { bedRows } from './bed-ledger.js';
import { downPull, levelPull, bearersUnderBed, strapTree } from './bed-pulls.js';
import type { BedModel } from './bed-model.js';
import { alongCloth, bedModel, lieOn } from './bed-model.js';
import { headEndUp, isGrounded, lowestOf, sagOf, strapAngle } from './bed-report.js';
import { findingsOf, saidTogether } from './findings.js';
import type { Drip } from './drip.js';
import { dripsOf } from './drip.js';
import type { RoofOver } from './over.js';
import { bodyLine, roofOver } from './over.js';
import type { BearerUnder, OtherPulls } from './bearers.js';
import { bearerUnder, lyingMoment } from './bearers.js';
import type { Joint } from './together.js';
import { jointOf } from './together.js';

/** Places of a bed in one case, for drawing, m. */
export interface BedShape {
  readonly caseId: string;
  readonly converged: boolean;
  readonly ties: readonly [Vec3, Vec3];
  readonly line: readonly Vec3[];
  readonly ridge: boolean;
  /** Top of who is in it: head first lying, seat first sitting; empty where nobody is. */
  readonly body: readonly Vec3[];
  readonly straps: readonly [number, number];
  readonly poles: readonly {
    readonly end: 0 | 1;
    readonly foot: Vec3;
    readonly head: Vec3;
    readonly stays: readonly { readonly foot: Vec3; readonly pull: number }[];
  }[];
  readonly sideStay: Vec3 | null;
}

/** A pole as it fares. */
export interface PoleReport {
  readonly end: 0 | 1;
  /** How far its head goes sideways when someone leans out, m; null where it falls over. */
  readonly sideways: number | null;
  /** How far its head comes toward the bed on first loading, and how far the bed comes down with it, m. */
  readonly comesIn: number;
  readonly comesDown: number;
  /** What to haul the back-stay in by after sitting in it, m. */
  readonly haulIn: number;
}

/** A bed judged. */
export interface BedResult {
  readonly name: string;
  readonly strapsName: string;
  readonly cases: readonly {
    readonly id: string;
    readonly name: string;
    readonly said: string;
    readonly when: Phrase;
    readonly shock: boolean;
    readonly converged: boolean;
    readonly reason: string | null;
    /** Force on the bed, N, and pull of its straps and ridge-cord, N. */
    readonly force: number;
    readonly straps: readonly [number, number];
    readonly ridge: number;
    /** Lowest place over the ground, m; whether it comes down on it, and how far it would hang below if it could, m. */
    readonly height: number;
    readonly grounded: boolean;
    readonly below: number;
  }[];
  readonly shapes: readonly BedShape[];
  /** Lying just hung, each with its working. */
  readonly lying: {
    readonly straps: readonly [Figure, Figure];
    readonly angles: readonly [Figure, Figure];
    readonly ends: ReturnType<typeof endPulls>;
    /** Bending at the feet of the trees its straps go round, with the roof as pitched; null at a pole. */
    readonly feet: readonly [Figure | null, Figure | null];
    readonly ridge: Figure | null;
    readonly sag: Figure;
    readonly height: Figure;
    /** The head over the feet, and the bed's end there over the other. */
    readonly headUp: Figure;
    readonly endUp: Figure;
  };
  /** Free straps, m. */
  readonly free: readonly [number, number];
  /** Pressure of the straps on bark, lying. */
  readonly bark: readonly [Figure | null, Figure | null];
  /** Weakest first by the rig's rule; trees, and what holds lines of both, bear the roof too. */
  readonly rows: readonly Row[];
  readonly bears: readonly BearerUnder[];
  readonly poles: readonly PoleReport[];
  /** Which end the head belongs at, and why. */
  readonly headAt: { readonly end: 0 | 1; readonly because: HeadBelongs };
  /** How far it comes down by morning, m. */
  readonly settles: number;
  /** How much nearer the bed draws the ridge's ends, m, and what that leaves of the ridgeline's tension, N. */
  readonly draws: { readonly by: number; readonly before: number; readonly after: number } | null;
  /** Whether it comes to rest with all else that is tied to its trees. */
  readonly together: boolean;
  readonly over: RoofOver | null;
  readonly drips: readonly Drip[];
  /** What keeps it from holding, what to beware of, and how warm and airy it is. */
  readonly findings: readonly Finding[];
  readonly residual: number;
}

export interface BedOptions {
  /** false: only empty, seated and lying, without ranges: what follows a hand. */
  readonly full: boolean;
  /** false leaves out the ranges of a full judgement. */
  readonly spreads?: boolean;
  /** The roof judged with it. */
  readonly roof?: Evaluated;
  /** The ridgeline judged with it, where it has no roof. */
  readonly ridge?: RidgeResult;
  /** What was worked out of both together already. */
  readonly joint?: Joint;
}

const QUICK: readonly CaseKind[] = ['empty', 'sitting', 'lying'];

/**
 * The whole judgement of a bed: every case, what each part and trunk bears with the roof on it, how the roof lies over
 * it, where water runs in.
 * @throws RigProblem naming field and remedy
 */
export function evaluateBed(rig: RidgeRig, context: RigContext, options: BedOptions): BedResult {
  const { full, roof, joint = jointOf(rig, context) } = options;
  // what else bends its trees moves its ties: that first
  const lain =
    roof === undefined
      ? []
      : casesFor('roof', rig, null)
          .filter((c) => c.kind === 'lain' && (full || !c.environment.wet))
          .map((c) => joint.lainIn(roof.tied, c));
  const lineAfter = options.ridge === undefined ? null : joint.line();
  const model = bedModel(rig, context, { ranges: full && options.spreads !== false, moved: joint.moved });
  const cases = full ? model.cases : model.cases.filter((c) => QUICK.includes(c.kind));
  const caseOf = (kind: CaseKind): LoadCase => model.cases.find((c) => c.kind === kind)!;
  const lyingCase = caseOf('lying');
  const lying = model.stateOf(lyingCase);
  const { rows, bears } = bedLedger(model, cases, options);
  const footOf = (i: 0 | 1): Figure | null => {
    const id = strapTree(rig, i);
    return lyingMoment(model, id, lyingCase, id === null ? [] : othersOn(rig, id, options));
  };
  const read = (symbol: string, title: string, quantity: Figure['quantity'], of: (s: HangState) => number): Figure =>
    model.figure({ symbol, title, quantity }, lyingCase, of);
  const { head, feet } = lieOn(model);
  const drawn = lain[0] === undefined ? null : shapeIn(lain[0]);
  const over =
    roof === undefined || drawn === null
      ? null
      : roofOver(model, { shapes: full ? roof.result.shapes : [], topology: roof.result.topology }, drawn);
  const drips = roof === undefined || drawn === null ? [] : dripsOf(model, lying, roof.result, drawn);
  const base = {
    name: model.kit.name,
    strapsName: model.straps.name,
    cases: cases.map((c) => {
      const s = model.stateOf(c);
      return {
        id: c.id,
        name: nameOf(c),
        said: saidOf(c),
        when: whenOf(c, rig),
        shock: shockOf(c) !== null,
        converged: s.converged,
        reason: s.reason,
        force: poseOf(c) === 'empty' ? 0 : model.forceOf(c),
        straps: s.straps,
        ridge: s.ridge,
        height: lowestOf(model, model.restOf(c)),
        grounded: isGrounded(model, s),
        below: Math.max(0, -lowestOf(model, s)),
      };
    }),
    shapes: cases.map((c) => shapeOf(model, c)),
    lying: {
      straps: [
        read('T₁', 'pull of the first strap', 'force', (s) => s.straps[0]),
        read('T₂', 'pull of the second strap', 'force', (s) => s.straps[1]),
      ] as const,
      angles: [
        read('α₁', 'first strap below level', 'angle', (s) => strapAngle(s, 0)),
        read('α₂', 'second strap below level', 'angle', (s) => strapAngle(s, 1)),
      ] as const,
      ends: endPulls(model, lyingCase),
      feet: [footOf(0), footOf(1)] as const,
      ridge: model.ridgeCord === null ? null : read('T_r', 'pull of the bed’s ridge-cord', 'force', (s) => s.ridge),
      sag: read('f', 'bed under the line of its ends', 'length', sagOf),
      height: read('z', 'lowest place over the ground', 'length', (s) => Math.max(0, lowestOf(model, s))),
      headUp: read(
        't',
        'head over feet',
        'length',
        (s) => alongCloth(model, s, head)[2] - alongCloth(model, s, feet)[2],
      ),
      endUp: read('e', 'the bed’s end at the head over the other', 'length', (s) => headEndUp(rig, s)),
    },
    free: [model.figures.free0.value, model.figures.free1.value] as const,
    bark: [barkOf(model, lyingCase, 0), barkOf(model, lyingCase, 1)] as const,
    rows,
    bears,
    poles: ([0, 1] as const).flatMap((i): PoleReport[] => poleReport(model, i, full)),
    headAt: headAt(model, lying),
    settles: full ? lowestOf(model, lying) - lowestOf(model, model.stateOf(caseOf('lying-settled'))) : 0,
    draws: drawsOf(model, lying, options, lain[0] ?? null, lineAfter),
    together: joint.rests(),
    over,
    drips,
    residual: Math.max(...cases.map((c) => model.stateOf(c).residual)),
  };
  const saidFor = (id: string): string => saidTogether(id, roof?.result ?? null, base);
  return { ...base, findings: findingsOf(model, base, saidFor) };
}

/** What else a rig has beside its bed, as it was judged. */
export type Beside = { readonly roof?: Pick<Evaluated, 'tied' | 'readings'>; readonly ridge?: RidgeResult };

/** Everything of a bed that can let go, weakest first, and the trees and what else holds lines of both, case by case. */
export function bedLedger(
  model: BedModel,
  cases: readonly LoadCase[],
  beside: Beside,
): { readonly rows: Row[]; readonly bears: readonly BearerUnder[] } {
  const { rig, context } = model;
  const rows: Row[] = bedRows(model, cases);
  const bears: BearerUnder[] = [];
  for (const id of bearersUnderBed(rig)) {
    const bearer = bearerOf(rig, context.pegs, id, calledIn(beside.roof?.tied.model));
    const found = bearer === null ? null : bearerUnder(model, bearer, cases, othersOn(rig, id, beside));
    if (found === null) continue;
    rows.push(found.row);
    bears.push(found.under);
  }
  rows.sort((a, b) => ratioOf(a) - ratioOf(b));
  return { rows, bears };
}

/** What the roof or the bare ridgeline pulls at a tree, case by case. */
function othersOn(rig: RidgeRig, id: BearerId, { roof, ridge }: Beside): OtherPulls[] {
  if (roof !== undefined) {
    const { tied, readings } = roof;
    return readings.flatMap((r): OtherPulls[] => {
      const pulls = pullsOn(tied.model, id, r);
      const { case: c } = r.state;
      return pulls.length === 0
        ? []
        : [
            {
              caseId: c.id,
              said: saidOf(c),
              wet: c.environment.wet,
              settled: c.since > 0,
              group: c.kind,
              pulls,
            },
          ];
    });
  }
  if (ridge === undefined || (id !== 'trunk0' && id !== 'trunk1')) return [];
  const i = id === 'trunk0' ? 0 : 1;
  const { horizontal } = ridge.trunks[i];
  const line: TiePull = {
    level: horizontal.value,
    down: 0,
    toward: i === 0 ? 0 : Math.PI,
    height: rig.trunks[i].tieHeight,
    what: 'the ridgeline',
    figure: () => horizontal,
  };
  return [
    {
      caseId: 'ridge',
      said: 'with the ridgeline at its tightest',
      wet: false,
      settled: false,
      group: 'ridge',
      pulls: [line],
    },
  ];
}

/** Weight and level pull of the bed on both its stems, lying, as figures. */
const endPulls = (
  model: BedModel,
  c: LoadCase,
): readonly [{ readonly level: Figure; readonly down: Figure }, { readonly level: Figure; readonly down: Figure }] => {
  const of = (i: 0 | 1) => ({ level: levelPull(model, c, i), down: downPull(model, c, i) });
  return [of(0), of(1)];
};

/** How much nearer the bed draws the ridge's ends, and what that leaves of the line's tension. */
function drawsOf(
  model: BedModel,
  lying: HangState,
  { roof, ridge }: BedOptions,
  lain: PitchState | null,
  lineAfter: number | null,
): BedResult['draws'] {
  const { rig } = model;
  const by = ([0, 1] as const).reduce<number>((sum, i) => {
    const end = rig.bed!.ends[i];
    if (end.anchor.kind !== 'trunk' || !isStem(rig.trunks[i])) return sum;
    const give = trunkGiveAt(rig.trunks[i].tieHeight, end.height, model.diameters[i], model.woods[i].modulus.typical);
    return sum + give * Math.abs(lying.pull[i][0]);
  }, 0);
  if (roof !== undefined)
    return roof.tied.model.hasRidge && lain !== null
      ? { by, before: roof.tied.pitched.ridgeEnds[0], after: lain.ridgeEnds[0] }
      : null;
  const before = ridge?.cases.find((c) => c.group === 'pitched')?.tension.value;
  return before === undefined || lineAfter === null ? null : { by, before, after: lineAfter };
}

function shapeOf(model: BedModel, c: LoadCase): BedShape {
  const s = model.restOf(c);
  const h = model.hangOf(c, 1);
  return {
    caseId: c.id,
    converged: s.converged,
    ties: s.ties,
    line: s.line,
    ridge: model.ridgeCord !== null,
    body: bodyLine(model, c, s),
    straps: s.straps,
    poles: ([0, 1] as const).flatMap((end) => {
      const pole = h.ends[end].pole;
      const now = s.poles[end];
      return pole === null || now === null
        ? []
        : [
            {
              end,
              foot: pole.foot,
              head: now.head,
              stays: pole.stays.map((x, k) => ({ foot: x.foot, pull: now.stays[k]! })),
            },
          ];
    }),
    sideStay: h.sideStay?.foot ?? null,
  };
}

function barkOf(model: BedModel, c: LoadCase, i: 0 | 1): Figure | null {
  const { anchor } = model.rig.bed!.ends[i];
  if (anchor.kind === 'pole' || (anchor.kind === 'trunk' && !isStem(model.rig.trunks[i]))) return null;
  return derive(
    {
      symbol: 'p',
      title: `pressure of the strap on the bark of ${bedStem(model.rig, i).name}`,
      quantity: 'stress',
      formula: 'p = T / (r w)',
    },
    [
      model.figure({ symbol: 'T', title: 'pull of the strap', quantity: 'force' }, c, (s) => s.straps[i]),
      given({ symbol: 'r', title: 'half the trunk’s thickness', quantity: 'length' }, model.diameters[i] / 2, {
        kind: 'measured',
        text: 'girth by a cord round the trunk',
      }),
      given({ symbol: 'w', title: 'width of the strap', quantity: 'length' }, model.webbing.width, {
        kind: 'derived',
        text: 'catalogue',
      }),
    ],
    (T, r, w) => barkPressure(T!, 2 * r!, w!),
  );
}

/** A twentieth of the weight, sideways: what leaning out asks of a pole's head. Judgement. */
const SIDE_PUSH = 0.05;

function poleReport(model: BedModel, i: 0 | 1, full: boolean): PoleReport[] {
  const { anchor } = model.rig.bed!.ends[i];
  if (anchor.kind !== 'pole') return [];
  const lyingCase = model.cases.find((c) => c.kind === 'lying')!;
  const settledCase = model.cases.find((c) => c.kind === 'lying-settled')!;
  const lying = model.stateOf(lyingCase);
  const settled = full ? model.stateOf(settledCase) : lying;
  const pushed = model.pushed(lyingCase, SIDE_PUSH * model.weight);
  const head = lying.poles[i]!.head;
  const off = Math.hypot(pushed.poles[i]!.head[0] - head[0], pushed.poles[i]!.head[1] - head[1]);
  const stands = pushed.converged && off < 0.4 * model.rig.bed!.ends[i].height;
  const after = settled.poles[i]!.head;
  return [
    {
      end: i,
      sideways: stands ? off : null,
      comesIn: Math.hypot(after[0] - head[0], after[1] - head[1]),
      comesDown: lowestOf(model, lying) - lowestOf(model, settled),
      haulIn: STAY_COMES.typical + BED_SETTLING.typical,
    },
  ];
}

/** Ends this near to level are level, m. */
const LEVEL = 0.06;

/** Which end the head belongs at: where the bed is higher, else away from the wind. */
function headAt(model: BedModel, lying: HangState): BedResult['headAt'] {
  const { rig } = model;
  const up = lying.links[0][2] - lying.links[1][2];
  if (Math.abs(up) > LEVEL) return { end: up > 0 ? 0 : 1, because: 'higher' };
  if (rig.pitch !== undefined && rig.wind.beaufort > 0) {
    const [wx] = windToward(rig.pitch.windFrom, rig.pitch.bearing);
    if (Math.abs(wx) > 0.3) return { end: wx > 0 ? 1 : 0, because: 'lee' };
  }
  return { end: rig.bed!.head, because: 'level' };
}
