import type { CaseReading, Level, PitchShape, PitchState, RoofCheck, TiedRig } from '../pitch/index.js';
import {
  allChecks,
  crossing,
  leastOf,
  meanOf,
  pitchModel,
  readingOf,
  shapeIn,
  solveCase,
  tieOff,
} from '../pitch/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import type { BedShape } from '../shelter/index.js';
import type { Gives } from './fall.js';
import { freedBy, heldUp, isOver } from './fall.js';
import { ladenLadder } from './laden.js';
import type { Load, OnRoof, Turned } from './turned.js';
import { casesAt, loadsOf, powerOf } from './turned.js';

/** Something that gives on the way up. */
export interface Fall {
  /** The link, by its id and as it is called. */
  readonly link: string;
  readonly name: string;
  /** Lines that hang free by it. */
  readonly lines: readonly string[];
  readonly gives: Gives;
  /** Where it gives: a gust at the roof, m/s, or a depth of snow or rain, m; a mass, kg. */
  readonly at: number;
  /** The mean wind in the open that brings the gust, m/s; null where it is no wind. */
  readonly mean: number | null;
  /** Whether it gives at once because of what gave before it. */
  readonly follows: boolean;
}

/** How it stands under one load. */
export interface Rung extends Load {
  /** What gives on the way here from the rung below, in order. */
  readonly falls: readonly Fall[];
  /** How many times over what is nearest to giving still holds here, and what that is; null where nothing pulls. */
  readonly least: { readonly link: string; readonly name: string; readonly left: number } | null;
  /** Where it was last at rest on this rung, as `level` says it. */
  readonly stoodAt: number;
  /** Water that stands on it there, m³. */
  readonly water: number;
  /** How its roof is drawn there: under the law of the wind that asks most; null without one. */
  readonly shape: PitchShape | null;
  /** Its bed with someone in it; null where the roof alone is asked. */
  readonly bed: BedShape | null;
  /** Whether the bed comes down on the ground. */
  readonly grounded: boolean;
}

/** How a climb ends: it stands to the top; no rest is found any more, as when cloth flaps; what holds it up has gone. */
export type LadderEnd = 'stands' | 'unsettled' | 'down';

export interface Ladder {
  readonly turned: Turned;
  readonly rungs: readonly Rung[];
  readonly end: LadderEnd;
  /** Where it ends, as `level` says it; null where it stands to the top. */
  readonly at: number | null;
}

export interface LadderOptions {
  /** Called before each rung with the share done; return false to stop. */
  readonly progress?: (done: number) => boolean;
  /** Level beyond which nobody asks. */
  readonly upTo?: number;
  /** Ends it with the first thing that gives, as if all came down with that. */
  readonly first?: boolean;
}

/** Halvings between a level that settles and one that does not: a sixth of a rung. */
const HALVED = 3;

/** Whether a state is one of rest: cloth that flaps has none, nor cloth that gives under the water that it gathers by giving. */
const rests = (s: PitchState): boolean => s.numbers.converged && !s.luffing && !s.runsAway;

/** A level and how it stood there, solved and checked on what was found. */
interface Stand extends Level {
  readonly checks: readonly RoofCheck[];
  readonly states: readonly PitchState[];
  readonly settled: boolean;
}

/**
 * Something turned up over a rig, rung by rung: what gives first, and what follows.
 * @returns null when it was stopped
 * @throws RigProblem where the rig cannot be computed
 */
export const ladderOf = (
  rig: RidgeRig,
  context: RigContext,
  turned: Turned,
  options: LadderOptions = {},
): Ladder | null =>
  turned.of === 'people' ? ladenLadder(rig, context, options) : roofLadder(rig, context, turned, options);

/**
 * Turns wind, snow or rain up from none, rung by rung, until the roof is down. What gives first is taken out of the rig itself, and the rig
 * is solved again where it gave: what then gives follows from it; what holds goes on up. In wind under every law by which it is laid on
 * cloth at once; the one that asks most counts. Nothing is read of a state that found no rest: there the climb ends.
 * @returns null when it was stopped
 * @throws RigProblem where the rig cannot be computed
 */
function roofLadder(
  rig: RidgeRig,
  context: RigContext,
  turned: OnRoof,
  { progress = () => true, upTo = Number.POSITIVE_INFINITY, first = false }: LadderOptions = {},
): Ladder | null {
  const model = pitchModel(rig, context, { ranges: false });
  const gone = new Set<string>();
  const tied: TiedRig = { ...tieOff(model), gone };
  let checks = allChecks(model);
  /** Where it stood last, by law. */
  const stood = new Map<string, Float64Array>();

  const standAt = (level: number, patient = false): Stand => {
    const states: PitchState[] = [];
    for (const c of casesAt(level, turned)) {
      const law = c.environment.wind?.law ?? 'calm';
      const from = stood.get(law);
      const state = solveCase(tied, c, { patient, ...(from === undefined ? {} : { from }) });
      states.push(state);
      if (!rests(state)) break;
      if (state.stood !== null) stood.set(law, state.stood);
    }
    const settled = states.every(rests);
    const readings: CaseReading[] = settled ? states.map((s) => readingOf(tied, s, null)) : [];
    return { speed: level, checks, states, settled, left: checks.map((p) => leastOf(p, readings)) };
  };
  /** The highest level found at rest between two, and the lowest where none is. */
  const nearest = (below: Stand, above: number): { readonly stand: Stand; readonly lost: number | null } => {
    const top = standAt(above, true);
    if (top.settled) return { stand: top, lost: null };
    let stand = below;
    let lost = above;
    for (let k = 0; k < HALVED; k++) {
      const middle = standAt((stand.speed + lost) / 2);
      if (middle.settled) stand = middle;
      else lost = middle.speed;
    }
    return { stand, lost };
  };
  /** The check that gives first on the way from one level at rest to another; null where all hold. */
  const firstOf = (below: Stand | null, here: Stand): { readonly check: RoofCheck; readonly at: number } | null => {
    const levels = below === null ? [here] : [below, here];
    let found: { readonly check: RoofCheck; readonly at: number } | null = null;
    here.checks.forEach((check, i) => {
      const at = here.left[i]! < 1 ? (crossing(levels, i, powerOf(turned)) ?? here.speed) : null;
      if (at !== null && (found === null || at < found.at)) found = { check, at };
    });
    return found;
  };

  const rungs: Rung[] = [];
  const loads = loadsOf(rig, turned).filter((_, k, all) => k === 0 || all[k - 1]!.level < upTo);
  let below: Stand | null = null;
  for (const [k, load] of loads.entries()) {
    if (!progress(k / loads.length)) return null;
    const falls: Fall[] = [];
    const ended = (end: LadderEnd, at: number, last: Stand): Ladder => ({
      turned,
      rungs: [...rungs, rungOf(load, falls, last)],
      end,
      at,
    });
    let here = standAt(load.level);
    for (;;) {
      let lost: number | null = null;
      if (!here.settled) {
        if (below === null) return ended('unsettled', load.level, here);
        ({ stand: here, lost } = nearest(below, load.level));
      }
      let next = firstOf(below, here);
      if (next === null) {
        if (lost !== null) return ended('unsettled', lost, here);
        break;
      }
      const { at } = next;
      while (next !== null) {
        const { check } = next;
        const freed = freedBy(model, check);
        for (const id of freed.gone) gone.add(id);
        checks = checks.filter((p) => !isOver(p, check, freed));
        const gives = heldUp(model, gone) ? freed.gives : 'down';
        const mean = turned.of === 'wind' ? meanOf(rig, at) : null;
        const follows = falls.at(-1)?.at === at;
        falls.push({ link: check.id, name: check.name, lines: freed.lines, gives, at, mean, follows });
        let rest = standAt(at);
        // what came loose has a long way to go to where it hangs
        if (!rest.settled) rest = standAt(at, true);
        if (gives === 'down' || first) return ended('down', at, rest);
        if (!rest.settled) return ended('unsettled', at, rest);
        below = rest;
        next = firstOf(null, rest);
      }
      here = standAt(load.level);
    }
    rungs.push(rungOf(load, falls, here));
    below = here;
  }
  progress(1);
  return { turned, rungs, end: 'stands', at: null };
}

const rungOf = (load: Load, falls: readonly Fall[], stand: Stand): Rung => ({
  ...load,
  falls,
  least: leastIn(stand),
  stoodAt: stand.speed,
  water: Math.max(...stand.states.map((s) => s.litres)) / 1000,
  shape: shapeOf(stand),
  bed: null,
  grounded: false,
});

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
