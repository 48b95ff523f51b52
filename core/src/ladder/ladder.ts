import type { LoadCase } from '../cases/index.js';
import { PITCHED, QUIET, gustCase } from '../cases/index.js';
import { GUST_FACTOR, SHELTERS } from '../catalogue/index.js';
import type {
  CaseReading,
  Level,
  Member,
  PitchModel,
  PitchShape,
  PitchState,
  RoofCheck,
  TiedRig,
} from '../pitch/index.js';
import {
  allChecks,
  crossing,
  heldWith,
  leastOf,
  meanOf,
  pitchModel,
  readingOf,
  shapeIn,
  solveCase,
  tieOff,
} from '../pitch/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { BEAUFORT, WIND_LAW_IDS, beaufortSpeed } from '../weather/index.js';

/** The wind that is turned up: where it comes from, rad, and whether all is soaked in it. */
export interface LadderWind {
  readonly from: number;
  readonly wet: boolean;
}

/**
 * What becomes of a rig when something gives: a line hangs free, a hitch slides along the ridge until it holds again, or all of it
 * comes down.
 */
export type Gives = 'frees' | 'slides' | 'down';

/** Something that gives on the way up. */
export interface Fall {
  /** The link, by its id and as it is called. */
  readonly link: string;
  readonly name: string;
  /** Lines that hang free by it. */
  readonly lines: readonly string[];
  readonly gives: Gives;
  /** The gust at the roof in which it gives, m/s, and the mean wind in the open that brings it. */
  readonly gust: number;
  readonly mean: number;
  /** Whether it gives at once because of what gave before it, in the same gust. */
  readonly follows: boolean;
}

/** How it stands at one Beaufort number. */
export interface Rung {
  readonly beaufort: number;
  readonly gust: number;
  /** What gives on the way here from the rung below, in order. */
  readonly falls: readonly Fall[];
  /** How many times over what is nearest to giving still holds here, and what that is; null where nothing pulls. */
  readonly least: { readonly link: string; readonly name: string; readonly left: number } | null;
  /** How it is drawn: under the law of the wind that leaves least. */
  readonly shape: PitchShape;
}

/** How a climb ends: it stands to the top; cloth finds no rest any more; what holds it up has gone. */
export type LadderEnd = 'stands' | 'flaps' | 'down';

export interface Ladder {
  readonly wind: LadderWind;
  readonly rungs: readonly Rung[];
  readonly end: LadderEnd;
  /** The gust at which it ends, m/s; null where it stands to the top. */
  readonly at: number | null;
}

/** A roof with less than this share of its guys is down, whatever the rest of it does. Judgement: a third to two thirds. */
const HELD_BY = 0.5;
/** Things that give in one and the same gust before it is said to come down. */
const MOST_AT_ONCE = 12;

/** A level and how it stood there. */
interface Stand extends Level {
  readonly checks: readonly RoofCheck[];
  readonly states: readonly PitchState[];
  readonly settled: boolean;
}

/**
 * Turns the wind up from calm, Beaufort number by Beaufort number, until the roof is down. What gives first is taken out of the rig
 * itself, and the rig is solved again in the gust in which it gave: what then gives follows from it; what holds goes on up. Under
 * every law by which wind is laid on cloth at once; the one that asks most counts.
 * @param progress called before each rung with the share done; return false to stop
 * @returns null when it was stopped
 * @throws RigProblem where the rig cannot be computed
 */
export function ladderOf(
  rig: RidgeRig,
  context: RigContext,
  wind: LadderWind,
  progress: (done: number) => boolean = () => true,
): Ladder | null {
  const model = pitchModel(rig, context, { ranges: false });
  const gone = new Set<string>();
  const tied: TiedRig = { ...tieOff(model), gone };
  let checks = allChecks(model);
  const stood = new Map<string, Float64Array | null>();

  const standAt = (speed: number): Stand => {
    const cases = casesAt(speed, wind);
    const states = cases.map((c) => {
      const from = stood.get(lawOf(c));
      const state = solveCase(tied, c, from === undefined ? {} : { from });
      if (state.stood !== null) stood.set(lawOf(c), state.stood);
      return state;
    });
    const readings: CaseReading[] = states.flatMap((s) => [s, ...s.cycle]).map((s) => readingOf(tied, s, null));
    return {
      speed,
      checks,
      states,
      settled: states.every((s) => s.numbers.converged && !s.luffing),
      left: checks.map((p) => leastOf(p, readings)),
    };
  };
  /** The check that gives first between two levels, and where; null where all hold. */
  const firstOf = (below: Stand | null, here: Stand): { readonly check: RoofCheck; readonly gust: number } | null => {
    const levels = below === null ? [here] : [below, here];
    let found: { readonly check: RoofCheck; readonly gust: number } | null = null;
    here.checks.forEach((check, i) => {
      const gust = here.left[i]! < 1 ? (crossing(levels, i) ?? here.speed) : null;
      if (gust !== null && (found === null || gust < found.gust)) found = { check, gust };
    });
    return found;
  };
  /** Takes out of the rig what a check held; the lines that hang free by it, and what becomes of the rig. */
  const giveWay = (check: RoofCheck): { readonly lines: readonly string[]; readonly gives: Gives } => {
    const { members, gives } = freedBy(model, check);
    for (const m of members) gone.add(m.id);
    // what has given asks for nothing any more
    const dead = (p: RoofCheck): boolean => p === check || members.some((m) => isOf(m, p));
    checks = checks.filter((p) => !dead(p));
    return { lines: members.map((m) => m.name), gives: heldUp(model, gone) ? gives : 'down' };
  };

  const rungs: Rung[] = [];
  let below: Stand | null = null;
  for (let beaufort = 0; beaufort < BEAUFORT.length; beaufort++) {
    if (!progress(beaufort / BEAUFORT.length)) return null;
    const gust = beaufortSpeed(beaufort) * SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical;
    let here = standAt(gust);
    const falls: Fall[] = [];
    const rung = (): Rung => ({ beaufort, gust, falls, least: leastIn(here), shape: shapeOf(here) });
    for (let first = firstOf(below, here); first !== null; first = firstOf(below, here)) {
      let next: typeof first | null = first;
      const at = first.gust;
      for (let k = 0; next !== null; k++) {
        const { check } = next;
        const { lines, gives } = giveWay(check);
        falls.push({ link: check.id, name: check.name, lines, gives, gust: at, mean: meanOf(rig, at), follows: k > 0 });
        below = standAt(at);
        if (gives === 'down' || k === MOST_AT_ONCE) {
          // what is shown is the rig without what has gone, where it last came to
          here = below;
          return { wind, rungs: [...rungs, rung()], end: 'down', at };
        }
        next = firstOf(null, below);
      }
      here = standAt(gust);
      // cloth that came loose may find no rest where it was held before
      if (!below!.settled) return { wind, rungs: [...rungs, rung()], end: 'flaps', at };
    }
    if (!here.settled) return { wind, rungs: [...rungs, rung()], end: 'flaps', at: gust };
    rungs.push(rung());
    below = here;
  }
  progress(1);
  return { wind, rungs, end: 'stands', at: null };
}

/** A gust under every law; in a calm the rig as it then is. */
function casesAt(speed: number, { from, wet }: LadderWind): readonly LoadCase[] {
  if (speed > 0) return WIND_LAW_IDS.map((law) => gustCase({ speed, from, law }, wet));
  const soaked = QUIET.find((c) => c.kind === 'wet')!;
  return [wet ? { ...soaked, environment: { ...soaked.environment, standing: false } } : PITCHED];
}

const lawOf = (c: LoadCase): string => c.environment.wind?.law ?? 'calm';
const isOf = (m: Member, p: RoofCheck): boolean => p.id.startsWith(`${m.id}:`);

/** Lines that hang free when a check gives, and whether the roof hangs on by the rest. */
function freedBy(model: PitchModel, check: RoofCheck): { readonly members: readonly Member[]; readonly gives: Gives } {
  const member = model.members.find((m) => isOf(m, check));
  if (member === undefined) {
    // what holds several lines on the ground lets all of them go; a trunk, a stick, the cloth itself lets all down
    const held = model.members.filter((m) => heldWith(model, m) === check.id);
    return { members: held, gives: held.length > 0 ? 'frees' : 'down' };
  }
  if (member.role === 'ridge') return { members: [member], gives: 'down' };
  return member.role === 'loop' && check.kind === 'hitch'
    ? { members: [], gives: 'slides' }
    : { members: [member], gives: 'frees' };
}

/** Whether what a roof hangs on still holds: every end that is tied to a tree, one hitch on the ridge at least, and enough of what spreads it. */
function heldUp(model: PitchModel, gone: ReadonlySet<string>): boolean {
  const left = (...roles: Member['role'][]): readonly [left: number, of: number] => {
    const all = model.members.filter((m) => roles.includes(m.role));
    return [all.filter((m) => !gone.has(m.id)).length, all.length];
  };
  const [ties, tiesOf] = left('tie');
  const [loops, loopsOf] = left('loop');
  const [out, outOf] = left('guy', 'peg');
  return ties === tiesOf && (loopsOf === 0 || loops > 0) && out >= HELD_BY * outOf;
}

function leastIn({ checks, left }: Stand): Rung['least'] {
  let best: Rung['least'] = null;
  checks.forEach(({ id, name }, i) => {
    const here = left[i]!;
    if (Number.isFinite(here) && (best === null || here < best.left)) best = { link: id, name, left: here };
  });
  return best;
}

/** Drawn under the law in which its lines pull most. */
function shapeOf({ states }: Stand): PitchShape {
  const most = (s: PitchState): number => Math.max(0, ...s.numbers.tension);
  return shapeIn(states.reduce((a, b) => (most(b) > most(a) ? b : a)));
}
