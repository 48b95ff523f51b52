import { PITCHED, casesFor, nameOf, saidOf, whenOf } from '../cases/index.js';
import type { CaseKind, CaseWind, LoadCase } from '../cases/index.js';
import { diameterOf } from '../anchor/index.js';
import { fireBy } from '../around/index.js';
import type { FireResult } from '../around/index.js';
import { acrossOf } from '../catalogue/index.js';
import { cutLength, onHand } from '../cordage/index.js';
import type { Finding } from '../findings/index.js';
import { gripFigure, hangGap, hitchAdvice, loopCut, offAxis } from '../hitch/index.js';
import type { HitchAdvice } from '../hitch/index.js';
import { norm, sub } from '../quantity/index.js';
import type { Phrase, Vec3 } from '../quantity/index.js';
import type { BearerId, GivenWind, RigContext, RidgeRig, Row } from '../rig/index.js';
import { extensionCut, gustOf, pegsFor, pegsOfBed, ratioOf, roofedIn, tiedTo, treeOf } from '../rig/index.js';
import { judgedBy } from '../strength/index.js';
import { PITCH_TRAITS, coverOf, runOff } from '../roof/index.js';
import type { Cover, RunOff } from '../roof/index.js';
import type { GuyAnchor, Solid } from '../support/index.js';
import { supportOf } from '../support/index.js';
import { openTo, underRoof } from '../under/index.js';
import type { UnderResult } from '../under/index.js';
import type { Figure } from '../working/index.js';
import { cutOf } from './cut.js';
import type { ElasticReport } from './elastic.js';
import { elasticsOf } from './elastic.js';
import type { EndTied } from './end-tied.js';
import { endTiedOf } from './end-tied.js';
import { isIn, solveCases } from './envelope.js';
import type { Half } from './envelope.js';
import type { LetsGo } from './first.js';
import { letsGoIn } from './first.js';
import { allChecks, anchorHolds, chainsOf, leftIn } from './ledger.js';
import type { Chain, RoofCheck } from './ledger.js';
import { CERTAIN } from './reading.js';
import type { CaseReading } from './reading.js';
import type { Member, PitchModel } from './model.js';
import { pitchModel } from './model.js';
import type { HitchState, PitchState, TiedRig } from './solve.js';
import { keptOf } from './kept.js';
import type { KeptGuy } from './kept.js';
import { leadsOf } from './leads.js';
import type { Lead } from './leads.js';
import { isStay } from './layout.js';
import { haulOrder, stoodAlike, tieOff } from './solve.js';
import type { Spreads } from './ranges.js';
import { spreadsOf, stressOf, windSpread } from './ranges.js';
import type { Room } from './room.js';
import { middleIn } from './middle.js';
import type { MiddleReport } from './middle.js';
import { roomIn } from './room.js';
import { bearerIn, pullsOn } from './pulls-on.js';
import { findingsOf } from './findings.js';

/** A friction hitch that carries the roof, as it fares. */
export interface HitchReport {
  readonly end: 0 | 1;
  readonly name: string;
  readonly dry: Figure;
  readonly wet: Figure;
  /** As pitched. */
  readonly pull: number;
  readonly angle: number;
  /** Grip over pull along the ridge, as pitched. */
  readonly margin: number;
  /** Farthest it slides in any case, m. */
  readonly slid: number;
  readonly hangGap: number;
  readonly cut: number;
  readonly advice: readonly HitchAdvice[];
}

/** A guy or peg as it stands. */
export interface GuyReport {
  readonly id: string;
  readonly key: string;
  readonly name: string;
  readonly kind: 'guy' | 'peg' | 'tie';
  /** The cloth at its edge, its middle from above, or a pole that the ridge is tied to. */
  readonly holds: 'cloth' | 'middle' | 'pole';
  readonly foot: Vec3;
  /** What holds it there, and how thick that is where it is a tree, m. */
  readonly held: GuyAnchor['kind'];
  readonly thick: number;
  /** Above level, rad, and between its plan direction and the cloth's own line, rad. */
  readonly rise: number;
  readonly off: number;
  readonly tension: number;
  /** What holds it there, as a body in space; null where something else of the rig draws it. */
  readonly solid: Solid | null;
  /** Stick under its tie-out, m. */
  readonly stick: number;
  /** Where it runs low enough to trip over, and long enough. */
  readonly trips: boolean;
}

/** What an anchor bears in one case, N. */
export interface AnchorReport {
  readonly caseId: string;
  readonly id: string;
  readonly name: string;
  readonly horizontal: number;
  /** Downward; 0 where it is lifted, and the other way round. */
  readonly vertical: number;
  readonly uplift: number;
  /** Pull it holds along the guy as it comes, where that is known; for a trunk the level pull that bends it at its strength. */
  readonly capacity: number | null;
  readonly margin: number | null;
}

/** Places and pulls of one case, for drawing. */
export interface PitchShape {
  readonly caseId: string;
  readonly converged: boolean;
  readonly luffing: boolean;
  /** 3 a node of the net, m; the cloth's nodes first. */
  readonly at: Float64Array;
  /** Tension of each line of the net, N. */
  readonly tension: Float64Array;
  readonly push: Float64Array;
  /** Pressure of the wind on each panel along its right-hand normal, Pa, and force of the ground on each node, 3 a node, N. */
  readonly pressure: Float64Array;
  readonly ground: Float64Array;
  /** 2 a panel, N/m. */
  readonly stress: Float64Array;
  readonly state: Uint8Array;
}

/** What does not change with the case: how the net hangs together. */
export interface PitchTopology {
  readonly clothNodes: number;
  readonly corners: Int32Array;
  /** Unstressed places of the cloth's nodes, 2 each, m. */
  readonly flat: Float64Array;
  /** Lines worth drawing: their nodes in order, and which row of the ledger each is. */
  readonly lines: readonly {
    readonly id: string;
    readonly row: string;
    /** `stretch`: of a line from one thing hung on it to the next. */
    readonly role: Member['role'] | 'stretch';
    readonly nodes: readonly number[];
    readonly line: number;
  }[];
  readonly sticks: readonly { readonly id: string; readonly from: number; readonly to: number }[];
  readonly keys: readonly { readonly id: string; readonly name: string; readonly node: number }[];
  /** What hangs on the line besides, by its node. */
  readonly hung: readonly { readonly id: string; readonly name: string; readonly node: number }[];
  /** Tie-outs along the edges that could take a guy more. */
  readonly spare: readonly { readonly id: string; readonly name: string }[];
  readonly middle: MiddleReport | null;
}

/** A gust from one bearing, under the law that asks most of it. */
export interface RoseCase {
  readonly group: CaseKind;
  /** Bearing it comes from, rad. */
  readonly from: number;
  readonly caseId: string;
  /** Least that any place holds of what is asked of it, times; a hitch's grip is not counted: it does not go with the wind. */
  readonly left: number;
  readonly solved: boolean;
}

/** The gust that asks most: what does not stand still before what has least left. @param rose not empty */
export function worstSpoke(rose: readonly RoseCase[]): RoseCase {
  const rank = (s: RoseCase): number => (s.solved ? s.left : s.left - 1e6);
  return rose.reduce((a, b) => (rank(b) < rank(a) ? b : a));
}

export interface PitchResult {
  readonly formName: string;
  readonly topology: PitchTopology;
  readonly shapes: readonly PitchShape[];
  readonly cases: readonly {
    readonly id: string;
    readonly name: string;
    readonly said: string;
    readonly when: Phrase;
    readonly group: CaseKind;
    /** What a person calls it who added it. */
    readonly called?: string;
    readonly wet: boolean;
    readonly wind: CaseWind | null;
    readonly converged: boolean;
    readonly reason: string | null;
    /** Whether cloth flaps in it and finds no rest, and near which tie-out most. */
    readonly luffing: boolean;
    readonly flaps: string | null;
    /** Largest tension of a line, N, and which row's. */
    readonly tension: number;
    readonly row: string;
    readonly litres: number;
    readonly runsAway: boolean;
  }[];
  /** The case of each group that leaves some place least, by group. */
  readonly worst: Readonly<Partial<Record<CaseKind, string>>>;
  /** Of every gust and bearing the case that leaves some place least, and how many times over it holds there. */
  readonly rose: readonly RoseCase[];
  /** Weakest first by the rig's rule. */
  readonly rows: readonly Row[];
  /** The gust at the roof in which each link lets go, m/s, lowest first; null where none does it. Empty where only the rig as pitched was worked out. */
  readonly letsGo: readonly LetsGo[];
  /** The gust at which its cloth begins to flap, m/s; null where something lets go before. */
  readonly flaps: number | null;
  /** The gust judged under, m/s; 0 in still air. */
  readonly gust: number;
  /** Room under the cloth as pitched, and in the case that leaves least. */
  readonly room: { readonly pitched: Room; readonly least: Room };
  readonly hitches: readonly HitchReport[];
  readonly guys: readonly GuyReport[];
  /** What each trunk, peg and weight bears, case by case. */
  readonly anchors: readonly AnchorReport[];
  readonly cover: Cover;
  /** Who and what lies on the ground under it; null where nothing is said to. */
  readonly under: UnderResult | null;
  /** How its fire stands to it; null without one. */
  readonly fire: FireResult | null;
  /** Share of the wind that comes in to who sits under its highest place: past cloth and walls; 0 in a calm. */
  readonly open: number;
  readonly runOff: RunOff;
  /** Litres standing on it when it rains, dry cords. */
  readonly standing: number;
  /** Share of the cloth that is slack, and wrinkled, as pitched. */
  readonly slack: number;
  readonly wrinkled: number;
  /** Largest drop of the ridgeline below its ends' chord, as pitched, m; null without one. */
  readonly sag: number | null;
  readonly sagLimit: number;
  /** What it saves and bears by having its ends tied without a ridgeline; null where it has one, or its form has none. */
  readonly endTied: EndTied | null;
  readonly elastics: readonly ElasticReport[];
  /** Guys that live on the cloth at a length of their own. */
  readonly kept: readonly KeptGuy[];
  /** Lines along which water could come in, and where it would drip. */
  readonly leads: readonly Lead[];
  /** What to take up again, by quiet case and row, m. */
  readonly takeUp: readonly {
    readonly caseId: string;
    readonly name: string;
    readonly row: string;
    readonly tension: number;
    readonly by: number;
  }[];
  /** Pegs the rig wants and those in the kit, by kind of peg. */
  readonly pegs: readonly {
    readonly id: string;
    readonly name: string;
    readonly wanted: number;
    readonly have: number;
  }[];
  /** Cord each hank must give, m. */
  readonly cords: readonly {
    readonly id: string;
    readonly name: string;
    readonly wanted: number;
    readonly have: number;
  }[];
  readonly residual: number;
  /** What keeps it from holding, and what to beware of. */
  readonly findings: readonly Finding[];
}

export interface PitchOptions {
  /** false leaves out the spreads of hauls and wind, and the other cases: what follows a hand. */
  readonly full: boolean;
  /** false leaves the spreads out of a full judgement: twice as fast. */
  readonly spreads?: boolean;
  /** A gust at the roof instead of the rig's own wind; null for still air. */
  readonly wind?: GivenWind | null;
  /** false judges it with every hitch held where it is tied: what it has to bear so that it holds. */
  readonly slip?: boolean;
  /** Ids of the gusts that count, of all that there would be: what a search looks at between two full judgements. */
  readonly among?: ReadonlySet<string>;
  /** false leaves out in which wind each link lets go. */
  readonly rising?: boolean;
  /** The rig as it was a moment ago: where to start from. */
  readonly from?: TiedRig;
  /** A rig like it and what it did: where its hauls and gusts may begin. */
  readonly like?: Solved;
  /** What was solved of this very rig already, as {@link solvePitch} gives it. */
  readonly solved?: Solved;
  /** Solves it with someone in the bed beneath, in one of the cases in which somebody is; left out where nobody ever is. */
  readonly lainIn?: (tied: TiedRig, c: LoadCase) => PitchState;
}

/** A tied rig and what it does in some of its cases. */
export interface Solved {
  readonly tied: TiedRig;
  readonly states: readonly PitchState[];
}

/** What a state says of every line. @param spreads null where only its numbers count */
export function readingOf(rig: TiedRig, state: PitchState, spreads: Spreads | null): CaseReading {
  const { structure: s } = rig.engine;
  const lineAt = new Map(s.lineId.map((id, i) => [id, i]));
  const stickAt = new Map(s.strutId.map((id, i) => [id, i]));
  const { numbers, flutter } = state;
  return {
    state,
    tension: (id) => {
      const i = lineAt.get(id)!;
      return { value: numbers.tension[i]! * flutter, spread: spreads?.line[i] ?? CERTAIN };
    },
    stick: (id) => {
      const i = stickAt.get(id)!;
      return { value: Math.max(0, -numbers.strutForce[i]!) * flutter, spread: spreads?.stick[i] ?? CERTAIN };
    },
    pullOn: (node) => {
      const n = 3 * s.nodeIndex.get(node)!;
      const [x, y] = [-numbers.reaction[n]!, -numbers.reaction[n + 1]!];
      return {
        level: Math.hypot(x, y) * flutter,
        toward: Math.atan2(y, x),
        up: -numbers.reaction[n + 2]! * flutter,
      };
    },
    clothStress: stressOf(state) * flutter,
    clothSpread: spreads?.cloth ?? CERTAIN,
  };
}

/** A pitched rig judged, and the tied rig itself for whoever goes on with it. */
export interface Evaluated {
  readonly result: PitchResult;
  readonly tied: TiedRig;
  /** What each case says of every line, in the cases' order. */
  readonly readings: readonly CaseReading[];
}

/** What a judged rig did: where one like it may begin. */
export const solvedIn = ({ tied, readings }: Pick<Evaluated, 'tied' | 'readings'>): Solved => ({
  tied,
  states: readings.map((r) => r.state),
});

/**
 * Ties a pitched rig off and solves its cases, or half of them. The states are plain values, which another
 * thread may have worked out; halves put together are what one would have found alone.
 * @throws RigProblem naming field and remedy; NoSuchLine when no ridgeline gives the sag, dip or tension asked
 */
export function solvePitch(
  rig: RidgeRig,
  context: RigContext,
  options: PitchOptions,
  half?: Half,
): Solved & { readonly cases: readonly LoadCase[] } {
  const slip = options.slip !== false;
  const { among, solved, like } = options;
  const from = options.from ?? like?.tied;
  const tied =
    solved?.tied ??
    tieOff(pitchModel(rig, context, { ranges: options.full }), {
      slip,
      ...(from === undefined ? {} : { from }),
    });
  const all = options.full
    ? casesFor('roof', rig, gustOf(rig, options.wind)).filter(
        (c) =>
          c.occupancy === 'nobody' &&
          (c.environment.wind === null || among === undefined || among.has(c.id)) &&
          // with a wind that is given it stands in that alone
          (options.wind === undefined || c.kind !== 'own-gust'),
      )
    : [PITCHED];
  const cases = half === undefined ? all : all.filter((c) => isIn(half, c));
  return {
    tied,
    cases,
    states: solveCases(tied, cases, {
      slip,
      ...(solved === undefined ? {} : { known: solved.states }),
      ...(like === undefined ? {} : { like: stoodAlike(tied, like) }),
    }),
  };
}

/**
 * The whole judgement of a pitched rig: form, solve under every case, ledger, water, cover.
 * @throws RigProblem naming field and remedy; NoSuchLine when no ridgeline gives the sag, dip or tension asked
 */
export function evaluatePitch(rig: RidgeRig, context: RigContext, options: PitchOptions = { full: true }): Evaluated {
  const alone = solvePitch(rig, context, options);
  const { tied } = alone;
  const { model } = tied;
  const { lainIn } = options;
  const occupied =
    lainIn === undefined
      ? []
      : casesFor('roof', rig, null).filter((c) => c.occupancy !== 'nobody' && (options.full || !c.environment.wet));
  const cases = [...alone.cases, ...occupied];
  const states = [...alone.states, ...occupied.map((c) => lainIn!(tied, c))];
  // every shape of a cycle counts: a line takes the worst of them
  const through = states.flatMap((s) => [s, ...s.cycle]);
  const checks = allChecks(model);
  let calm: Spreads | null = null;
  let windy: Spreads | null = null;
  if (options.full && options.spreads !== false) {
    const wind = windSpread(rig, options.wind !== undefined);
    calm = spreadsOf(tied, tied.pitched, wind);
    const plain = through.map((s) => readingOf(tied, s, null));
    const gust = hardest(
      checks,
      plain.filter((r) => r.state.case.environment.wind !== null),
    );
    if (gust !== null) windy = spreadsOf(tied, gust.state, wind);
  }
  const read = (s: PitchState): CaseReading => readingOf(tied, s, s.case.environment.wind === null ? calm : windy);
  const readings = through.map(read);
  const rising =
    options.full && options.rising !== false
      ? letsGoIn(
          tied,
          checks,
          readings.filter(({ state: { case: c } }) => c.environment.wind === null || ofItsWind(c)),
          read,
        )
      : { letsGo: [], flaps: null };
  const { structure: s } = tied.engine;
  const judged = judgedBy(rig, context.required);
  const rows = chainsOf(model, readings)
    .map((chain): Row => {
      const links = chain.links.map(judged).sort((a, b) => a.judgement.ratio - b.judgement.ratio);
      return {
        id: chain.id,
        name: chain.name,
        what: chain.what,
        role: chain.role,
        demand: chain.demand,
        pitched: pitchedOf(model, readings[0]!, chain),
        links,
        ...lengthsOf(tied, chain),
      };
    })
    .sort((a, b) => ratioOf(a) - ratioOf(b));
  const pitched = tied.pitched.numbers;
  const { ground } = model.layout.setting;
  const roofed = roofedIn(rig, { corners: model.overhead.corners, at: pitched.at, ground });
  const under = rig.under === undefined ? null : underRoof(rig.under, roofed);
  const fire = rig.fire === undefined ? null : fireBy(rig.fire, roofed.walls, roofed, roofed.upwind, rig.wind.beaufort);
  const cover = coverOf(model.overhead, model.neighbours, pitched.at, ground);
  const water = runOff(model.overhead, model.neighbours, pitched.at, ground);
  let [slack, wrinkled, whole] = [0, 0, 0];
  for (let i = 0; i < pitched.panelState.length; i++) {
    const a = s.area[i]!;
    whole += a;
    if (pitched.panelState[i] === 0) slack += a;
    else if (pitched.panelState[i] === 1) wrinkled += a;
  }
  const hitches = model.hitches.map((h): HitchReport => {
    const state = tied.pitched.held.find((x) => x.end === h.end)!;
    const [dry, wet] = [gripFigure(h, false), gripFigure(h, true)];
    const along = Math.abs(state.outside - state.inside);
    return {
      end: h.end,
      name: `${h.end === 0 ? 'first' : 'second'} hitch`,
      dry,
      wet,
      pull: state.pull,
      angle: state.angle,
      margin: along > 0 ? (dry.value * offAxis(state.angle) * state.pull) / along : Number.POSITIVE_INFINITY,
      slid: farthest(states, h.end),
      hangGap: hangGap(h.set.loop, state.angle),
      cut: cutLength(loopCut(h.kitCord.id, h.set.loop, h.wraps, acrossOf(h.cord), h.host.diameter, h.set.tail)),
      advice: hitchAdvice(h, dry, state.angle),
    };
  });
  const base = {
    formName: PITCH_TRAITS[rig.pitch!.form].name,
    topology: topologyOf(tied),
    shapes: states.map(shapeIn),
    worst: worstOf(checks, readings),
    rose: roseOf(checks, readings),
    ...rising,
    gust: cases.find(ofItsWind)?.environment.wind?.speed ?? 0,
    room: roomOf(model, states),
    cases: states.map((state) => {
      let best = 0;
      model.members.forEach((_, k) => {
        if (state.numbers.tension[tied.line[k]!]! > state.numbers.tension[tied.line[best]!]!) best = k;
      });
      return {
        id: state.case.id,
        name: nameOf(state.case),
        said: saidOf(state.case),
        when: whenOf(state.case, rig),
        group: state.case.kind,
        ...(state.case.called === undefined ? {} : { called: state.case.called }),
        wet: state.case.environment.wet,
        wind: state.case.environment.wind,
        converged: state.numbers.converged,
        reason: state.numbers.reason,
        luffing: state.luffing,
        flaps: state.luffing ? flapsAt(model, state) : null,
        tension: state.numbers.tension[tied.line[best]!]!,
        row: model.members[best]!.id,
        litres: state.litres,
        runsAway: state.runsAway,
      };
    }),
    rows,
    hitches,
    // as they are hauled
    guys: [...haulOrder(model), ...model.members.filter((m) => m.reach !== null && isStay(m.reach))].flatMap(
      (m): GuyReport[] => guyReport(tied, m, readings[0]!),
    ),
    anchors: readings.flatMap((r) => anchorsOf(tied, r)),
    cover,
    under,
    fire,
    open: openTo([...cover.headroomAt, ground(...cover.headroomAt) + Math.min(SEATED, cover.headroom / 2)], roofed),
    runOff: water,
    standing: 1000 * water.ponds.reduce((sum, p) => sum + p.volume, 0),
    slack: slack / whole,
    wrinkled: wrinkled / whole,
    sag: sagOf(tied),
    sagLimit: rig.tightness * model.ridge.distance,
    endTied: endTiedOf(tied, readings),
    elastics: elasticsOf(tied, readings),
    kept: keptOf(tied),
    leads: leadsOf(tied, rig.under),
    takeUp: takeUpOf(tied, states),
    pegs: pegsOf(tied),
    cords: cordsOf(tied),
    residual: Math.max(...states.map((x) => x.numbers.residual)),
  };
  const still = alone.states.filter((x) => x.case.environment.wind === null);
  const findings = findingsOf(tied, base, still, (id) => saidFor(cases, id));
  return { result: { ...base, findings }, tied, readings };
}

/** Height at which who sits on the ground feels the wind, m. Judgement, 0.3 to 0.8. */
const SEATED = 0.5;

/** Whether a case is a gust of the rig's own wind: all of these blow as hard. */
const ofItsWind = (c: LoadCase): boolean => c.environment.wind !== null && c.kind !== 'own-gust';

/** How a case is said at the end of a sentence. */
function saidFor(cases: readonly LoadCase[], id: string): string {
  const c = cases.find((x) => x.id === id);
  return c === undefined ? id : saidOf(c);
}

/** The reading that leaves some place least; null without any. */
function hardest(checks: readonly RoofCheck[], readings: readonly CaseReading[]): CaseReading | null {
  let found: CaseReading | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const r of readings) {
    const left = leastLeft(checks, r);
    if (found !== null && !(left < least)) continue;
    found = r;
    least = left;
  }
  return found;
}

const leastLeft = (checks: readonly RoofCheck[], r: CaseReading): number =>
  checks.reduce((least, p) => Math.min(least, leftIn(p, r) ?? Number.POSITIVE_INFINITY), Number.POSITIVE_INFINITY);

/** The case of each group that is hardest; one that flaps before any other. */
function worstOf(checks: readonly RoofCheck[], readings: readonly CaseReading[]): PitchResult['worst'] {
  const groups = new Map<CaseKind, CaseReading[]>();
  for (const r of readings) {
    const { kind: group } = r.state.case;
    groups.set(group, [...(groups.get(group) ?? []), r]);
  }
  return Object.fromEntries(
    [...groups].map(([group, these]) => {
      const flapping = these.filter((r) => r.state.luffing || !r.state.numbers.converged);
      return [group, hardest(checks, flapping.length > 0 ? flapping : these)!.state.case.id];
    }),
  );
}

/** Of every gust and bearing the hardest case. */
function roseOf(checks: readonly RoofCheck[], readings: readonly CaseReading[]): RoseCase[] {
  const out = new Map<string, RoseCase>();
  const loads = checks.filter((p) => p.ratio !== true);
  for (const r of readings) {
    const { kind: group, id } = r.state.case;
    const { wind } = r.state.case.environment;
    if (wind === null || !ofItsWind(r.state.case)) continue;
    const key = `${group} ${wind.from}`;
    const left = leastLeft(loads, r);
    const solved = !r.state.luffing && r.state.numbers.converged;
    const before = out.get(key);
    if (
      before === undefined ||
      (before.solved && (!solved || left < before.left)) ||
      (!before.solved && !solved && left < before.left)
    )
      out.set(key, { group, from: wind.from, caseId: id, left, solved });
  }
  return [...out.values()];
}

/** Room as pitched, and in the case that leaves least to lie under. */
function roomOf(model: PitchModel, states: readonly PitchState[]): PitchResult['room'] {
  const rooms = states.map((s) => roomIn(model.mesh, s, model.layout.setting.ground));
  const sunk = rooms.reduce((a, b) => (b.sunk > a.sunk ? b : a));
  const least = rooms.reduce((a, b) => (b.lying < a.lying ? b : a));
  return { pitched: rooms[0]!, least: { ...least, sunk: sunk.sunk } };
}

/** The tie-out nearest to where cloth moves most from one shape of its cycle to the next. */
function flapsAt(model: PitchModel, s: PitchState): string | null {
  const shapes = [s, ...s.cycle].map((x) => x.numbers.at);
  const first = shapes[0]!;
  let [node, most] = [-1, 1e-3];
  for (let n = 0; n < model.mesh.flat.length / 2; n++)
    for (const at of shapes) {
      const by = Math.hypot(...[0, 1, 2].map((c) => at[3 * n + c]! - first[3 * n + c]!));
      if (by > most) [node, most] = [n, by];
    }
  if (node < 0) return null;
  const [x, y] = [model.mesh.flat[2 * node]!, model.mesh.flat[2 * node + 1]!];
  const away = (k: { readonly flat: readonly [number, number] }): number => Math.hypot(k.flat[0] - x, k.flat[1] - y);
  return model.layout.plan.keys.reduce((a, b) => (away(b) < away(a) ? b : a)).name;
}

const farthest = (states: readonly PitchState[], end: 0 | 1): number =>
  states.reduce((most: number, s) => {
    const h: HitchState = s.hitches.find((x) => x.end === end)!;
    return Math.abs(h.slid) > Math.abs(most) ? h.slid : most;
  }, 0);

/** Unstressed length of a chain's cord and what it takes of its hank, m; null where it is none. */
function lengthsOf({ model, tied }: TiedRig, { id, role }: Chain): Pick<Row, 'unstressed' | 'cut'> {
  const { ridge, members } = model;
  const of = role === 'extension' ? 'ridge' : id;
  const k = members.findIndex((m) => m.id === of);
  if (k < 0) return { unstressed: null, cut: null };
  const share = ridge.extension?.share ?? 0;
  if (role === 'extension') return { unstressed: tied[k]! * share, cut: extensionCut(ridge) };
  const unstressed = role === 'ridge' ? tied[k]! * (1 - share) : tied[k]!;
  return { unstressed, cut: cutOf(model, members[k]!, tied[k]!) };
}

function pitchedOf(model: PitchModel, reading: CaseReading, chain: Chain): number {
  if (chain.role === 'cloth') return reading.clothStress;
  if (chain.role === 'stick') return reading.stick(chain.id).value;
  if (chain.role === 'trunk' || chain.role === 'hold') {
    const id = chain.id as BearerId;
    return bearerIn(model, id)!.size(pullsOn(model, id, reading));
  }
  return reading.tension(chain.role === 'extension' ? 'ridge' : chain.id).value;
}

function guyReport(rig: TiedRig, m: Member, reading: CaseReading): GuyReport[] {
  const r = m.reach;
  if (r === null) return [];
  const { level, up } = reading.pullOn(m.foot);
  const { model, line: lines, pitched } = rig;
  const s = rig.engine.structure;
  const n = s.stretchTo[lines[model.members.indexOf(m)]! + s.passStart[lines[model.members.indexOf(m)]!]!]!;
  const at = pitched.numbers.at;
  const tied = tiedTo(r.guy.anchor, r.key.id);
  const head: Vec3 = [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
  const line = norm(sub(head, r.foot));
  const rise = m.role === 'tie' ? 0 : Math.atan2(Math.max(0, up), level);
  // the cloth's own pull on the tie-out, level part, is the guy's and the stick's together: off the line when they differ
  const { role } = r.key;
  const from = role.to === 'guy' ? model.layout.plan.keys.find((k) => k.id === role.from)! : null;
  const own = from === null ? null : Math.atan2(r.key.at[1] - from.at[1], r.key.at[0] - from.at[0]);
  const is = Math.atan2(r.foot[1] - r.key.at[1], r.foot[0] - r.key.at[0]);
  const turn = own === null ? 0 : Math.abs(((is - own + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
  return [
    {
      id: m.id,
      key: r.key.id,
      name: m.name,
      kind: r.kind,
      holds: isStay(r) ? 'pole' : role.to === 'up' ? 'middle' : 'cloth',
      foot: r.foot,
      held: r.guy.anchor.kind,
      solid: supportOf(r.guy.anchor).solid(r.guy.anchor),
      thick: tied === null ? 0 : diameterOf(treeOf(model.rig, tied.tree)!.girth),
      rise,
      off: turn,
      tension: reading.tension(m.id).value,
      stick: r.stick,
      trips: m.role === 'guy' && r.key.role.to !== 'up' && line > 0.6 && rise < 1.2,
    },
  ];
}

function anchorsOf({ model }: TiedRig, reading: CaseReading): AnchorReport[] {
  const feet = new Map<string, Member>();
  for (const m of model.members) if (m.role !== 'loop') feet.set(m.foot, m);
  if (model.hasRidge)
    feet.set(
      'trunk1',
      model.members.find((m) => m.role === 'ridge')!,
    );
  const poles = new Set(
    model.layout.sticks.flatMap(({ key: { role } }) => (role.to === 'stay' ? [`trunk${role.end}`] : [])),
  );
  // a pole's head is held by its stays, which have places of their own
  return [...feet]
    .filter(([node]) => !poles.has(node))
    .map(([node, m]) => {
      const { level, up } = reading.pullOn(node);
      const found = anchorHolds(model, m, node, reading);
      return {
        caseId: reading.state.case.id,
        id: node,
        name: found.name,
        horizontal: level,
        vertical: Math.max(0, -up),
        uplift: Math.max(0, up),
        capacity: found.capacity,
        margin: found.margin,
      };
    });
}

function topologyOf({ model, engine, line }: TiedRig): PitchTopology {
  const { structure: s } = engine;
  return {
    clothNodes: model.mesh.flat.length / 2,
    corners: model.mesh.corners,
    flat: model.mesh.flat,
    lines: model.members.map((m, k) => {
      const i = line[k]!;
      const first = i + s.passStart[i]!;
      const last = i + s.passStart[i + 1]!;
      const nodes = [s.stretchFrom[first]!];
      for (let j = first; j <= last; j++) nodes.push(s.stretchTo[j]!);
      return { id: m.id, row: m.id, role: m.role, nodes, line: i };
    }),
    sticks: s.strutId.map((id, i) => ({ id, from: s.strutFrom[i]!, to: s.strutTo[i]! })),
    keys: model.layout.plan.keys.map((k) => ({
      id: k.id,
      name: k.name,
      node: model.mesh.nodeAt(k.flat[0], k.flat[1]),
    })),
    hung: model.hasRidge
      ? model.rig.hung.map(({ id, name }) => ({ id, name, node: s.nodeIndex.get(`hung ${id}`)! }))
      : [],
    spare: model.layout.spare.map(({ id, name }) => ({ id, name })),
    middle: middleIn(model.layout, model.rig.pitch!),
  };
}

/** Places and pulls of a case as drawn. */
export const shapeIn = (s: PitchState): PitchShape => ({
  caseId: s.case.id,
  converged: s.numbers.converged,
  luffing: s.luffing,
  at: s.numbers.at,
  tension: s.numbers.tension,
  push: s.numbers.strutForce,
  pressure: s.numbers.pressure,
  ground: s.numbers.ground,
  stress: s.numbers.stress,
  state: s.numbers.panelState,
});

/** Largest drop of the ridgeline under the chord of its ties as pitched, m; null without one. */
export function sagOf({
  model,
  engine,
  line,
  pitched,
}: Pick<TiedRig, 'model' | 'engine' | 'line' | 'pitched'>): number | null {
  const k = model.members.findIndex((m) => m.role === 'ridge');
  if (k < 0) return null;
  const { structure: s } = engine;
  const i = line[k]!;
  const { at } = pitched.numbers;
  const point = (n: number): Vec3 => [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
  const a = point(s.stretchFrom[i + s.passStart[i]!]!);
  const b = point(s.stretchTo[i + s.passStart[i + 1]!]!);
  let sag = 0;
  for (let j = i + s.passStart[i]!; j < i + s.passStart[i + 1]!; j++) {
    const p = point(s.stretchTo[j]!);
    sag = Math.max(sag, a[2] + ((b[2] - a[2]) * (p[0] - a[0])) / (b[0] - a[0]) - p[2]);
  }
  return sag;
}

/** What each main line has left after a while, and the length to haul in to be as tight as when pitched. */
function takeUpOf({ model, pitched, line }: TiedRig, states: readonly PitchState[]): PitchResult['takeUp'] {
  return states
    .filter((s) => s.case.environment.wind === null && s.case.since > 0 && s.case.occupancy === 'nobody')
    .flatMap((s) =>
      model.members.flatMap((m, k) =>
        m.role === 'loop' || m.role === 'peg'
          ? []
          : [
              {
                caseId: s.case.id,
                name: nameOf(s.case),
                row: m.id,
                tension: s.numbers.tension[line[k]!]!,
                by: s.rest[k]! - pitched.rest[k]!,
              },
            ],
      ),
    );
}

function pegsOf({ model }: TiedRig): PitchResult['pegs'] {
  const held = model.layout.reaches.flatMap((r) => (r.kind === 'tie' ? [] : [[r.guy.anchor, 1] as const]));
  const wanted = pegsFor(held, pegsOfBed(model.rig));
  return [...wanted].map(([id, count]) => {
    const kit = model.context.pegs.find((p) => p.id === id)!;
    return { id, name: kit.name, wanted: count, have: kit.count };
  });
}

function cordsOf(tied: TiedRig): PitchResult['cords'] {
  const wanted = new Map<string, number>();
  tied.model.members.forEach((m, k) =>
    wanted.set(m.kitCord.id, (wanted.get(m.kitCord.id) ?? 0) + cutLength(cutOf(tied.model, m, tied.tied[k]!))),
  );
  const { ridge, hasRidge } = tied.model;
  const on = hasRidge ? extensionCut(ridge) : null;
  if (on !== null) wanted.set(on.hank, (wanted.get(on.hank) ?? 0) + cutLength(on));
  return [...wanted].map(([id, length]) => {
    const kit = tied.model.context.kit.find((c) => c.id === id)!;
    return { id, name: kit.name, wanted: length, have: onHand(kit) };
  });
}
