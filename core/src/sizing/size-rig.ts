import { cordOf } from '../cordage/index.js';
import { pegOf } from '../support/index.js';
import { allSolved, evaluatePitch, solvedIn } from '../pitch/index.js';
import type { Evaluated, PitchResult, Solved } from '../pitch/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { hauledTo } from '../rig/index.js';
import { slides } from '../strength/index.js';
import { holds as rigHolds, reportOf } from '../shelter/index.js';
import { bedUnder, bedUnmet } from './bed-unmet.js';
import type { SizeChange } from './changes.js';
import { changesOf } from './changes.js';
import type { Bill, SizeAim } from './offers.js';
import { WORTH, chooseAll } from './offers.js';
import type { Unmet } from './remedies.js';
import { otherwise, unmetOf } from './remedies.js';
import { shortfallOf } from './shortfall.js';

/** A whole rig sized from the kit. */
export interface SizedRig {
  readonly aim: SizeAim;
  /** Whether every margin holds, solved again with everything changed. */
  readonly met: boolean;
  /** The rig with every change taken. */
  readonly rig: RidgeRig;
  readonly before: Bill;
  readonly after: Bill;
  /** What to change, what mends a shortage first. */
  readonly changes: readonly SizeChange[];
  /** What the kit cannot meet, weakest first. */
  readonly unmet: readonly Unmet[];
  /** false where the search for the least was cut short. */
  readonly proven: boolean;
  /** Whole-rig solves it took. */
  readonly solves: number;
}

/** Whole-rig solves at most. */
const MOST_SOLVES = 4;
/** A change that mends less than this share of what is missing is not worth its trouble. Judgement. */
const MENDS = 0.03;
/** A pull is eased no further than this at a time, and a little below what would just do. Judgement. */
const LEAST_EASE = 0.3;
const EASE = 0.93;
/** Guys of cloth that flaps are hauled so much harder. Judgement. */
const HARDER = 1.4;
/** Least that a hand hauls a guy with on purpose, N, and in what steps it is told, N. Judgement. */
const LEAST_HAUL = 20;
const HAND_STEP = 5;
/** A pull that a hand can set, near one that was worked out, N. */
const byHand = (pull: number): number => Math.max(LEAST_HAUL, HAND_STEP * Math.round(pull / HAND_STEP));

/** Pegs, kinds and lengths of a judged rig. */
export function billOf(result: PitchResult, context: RigContext): Bill {
  let [cut, mass, pegs] = [0, 0, 0];
  for (const c of result.cords) {
    const kit = context.kit.find((k) => k.id === c.id);
    cut += c.wanted;
    mass += c.wanted * (kit === undefined ? 0 : (cordOf(kit)?.massPerMetre.typical ?? 0));
  }
  for (const p of result.pegs) {
    const kit = context.pegs.find((k) => k.id === p.id);
    pegs += p.wanted;
    mass += p.wanted * (kit === undefined ? 0 : (pegOf(kit)?.mass ?? 0));
  }
  return { cut, mass, pegs, kinds: result.cords.length };
}

/** What a bill comes to for an aim, in its own unit. */
export function priceOf(aim: SizeAim, bill: Bill): number {
  return aim === 'cut' ? bill.cut : aim === 'mass' ? bill.mass : bill.pegs + bill.kinds;
}

/** Roles whose pull comes with the ridge's tension; the other rows' comes with the guys'. */
const ON_RIDGE: ReadonlySet<string> = new Set(['ridge', 'tie', 'trunk', 'loop']);

/** The same rig hauled less where its own pull is too much, or harder where it hangs too low or flaps; null where neither helps. */
function retensioned(rig: RidgeRig, { result, tied }: Evaluated): RidgeRig | null {
  const pitch = rig.pitch!;
  const ease = (onRidge: boolean): number => {
    let least = 1;
    for (const row of result.rows)
      if (ON_RIDGE.has(row.role) === onRidge)
        for (const { link, judgement } of row.links)
          // a hitch holds a share of its pull: less pull does not help it
          if (!slides(link.kind)) least = Math.min(least, judgement.ratio);
    return least < 1 ? Math.max(LEAST_EASE, EASE * least) : 1;
  };
  const ridge = ease(true);
  const eased = ease(false);
  const guys = eased === 1 && !allSolved(result) ? HARDER : eased;
  const low =
    result.sag !== null && result.sag > result.sagLimit ? Math.min(2, (1.15 * result.sag) / result.sagLimit) : 1;
  if (ridge === 1 && guys === 1 && low === 1) return null;
  const tension = tied.model.ridge.pretension.value;
  const hauled = (pull: number): number => (guys === 1 ? pull : byHand(pull * guys));
  const own = Object.fromEntries(
    Object.entries(pitch.own).map(([key, o]) => [key, o.haul === undefined ? o : { ...o, haul: hauled(o.haul) }]),
  );
  const spread = Math.min(ridge, guys);
  return {
    ...(ridge * low === 1 ? rig : hauledTo(rig, byHand(tension * (ridge < 1 ? ridge : low)))),
    pitch: {
      ...pitch,
      spread: tied.model.hitches.length > 0 && spread !== 1 ? byHand(pitch.spread * spread) : pitch.spread,
      guy: { ...pitch.guy, haul: hauled(pitch.guy.haul) },
      own,
    },
  };
}

/** A sized rig, and what was solved of it with every hitch held: where whoever judges it may begin. */
export interface SizedAndSolved {
  readonly sized: SizedRig;
  readonly solved: Solved;
}

/**
 * Sizes a whole rig from the kit: for every line its cord, ends, wraps and what holds its foot, and the pulls where they are too
 * much, such that every margin holds at the least cost for the aim. The pulls are those of the whole rig solved; a choice is taken
 * exactly for them, then the rig is solved again with it, until nothing changes any more.
 * @param progress called before each solve with the share done; return false to stop
 * @returns null when it was stopped
 * @throws RigProblem naming field and remedy when the rig itself cannot be computed
 */
export function sizeRig(
  rig: RidgeRig,
  context: RigContext,
  aim: SizeAim,
  units: UnitChoice,
  progress: (done: number) => boolean = () => true,
): SizedRig | null {
  return sizeWithin(rig, context, aim, units, progress, {})?.sized ?? null;
}

/**
 * The same, for whoever judges it afterwards.
 * @param options.within ids of the gusts it is sized in, where it is judged in all of them afterwards; all where left out
 * @param options.like   a rig like it and what it did: where its hauls and gusts begin
 */
export function sizeWithin(
  rig: RidgeRig,
  context: RigContext,
  aim: SizeAim,
  units: UnitChoice,
  progress: (done: number) => boolean,
  options: { readonly within?: ReadonlySet<string>; readonly like?: Solved },
): SizedAndSolved | null {
  const { within } = options;
  let solves = 0;
  /** Gusts that govern some link of what was judged in full so far: between full judgements these stand for all. */
  const governing = new Set<string>(within);
  /** What was solved last: the next differs little, and begins there. */
  let like = options.like;
  const solve = (r: RidgeRig, inAll: boolean): Evaluated | null => {
    const whole = inAll && within === undefined;
    if (!progress(Math.min(1, solves / (MOST_SOLVES + 1)))) return null;
    solves++;
    const known = evaluatePitch(r, context, {
      full: true,
      spreads: rig.designRule === 'chance',
      rising: false,
      // it is sized so that its hitches hold; where they do, this is how it stands
      slip: false,
      ...(whole ? {} : { among: governing }),
      // what is said in the end is said as the bench finds it, from nothing
      ...(whole || like === undefined ? {} : { like }),
    });
    like = solvedIn(known);
    const { rows, worst } = known.result;
    for (const row of rows) for (const { link } of row.links) governing.add(link.caseId);
    for (const id of Object.values(worst)) governing.add(id);
    return {
      ...known,
      readings: known.readings.filter(({ state: { case: c } }) => c.environment.wind === null || governing.has(c.id)),
    };
  };
  interface Trial {
    readonly rig: RidgeRig;
    readonly known: Evaluated;
    readonly short: number;
    readonly price: number;
  }
  const trialOf = (r: RidgeRig, known: Evaluated): Trial => ({
    rig: r,
    known,
    short: shortfallOf(known.result),
    price: priceOf(aim, billOf(known.result, context)),
  });
  const holds = (t: Trial): boolean => t.short < 1e-6;
  const better = (a: Trial, b: Trial): boolean =>
    holds(a) !== holds(b)
      ? holds(a)
      : a.short < b.short - MENDS || (a.short < b.short + 1e-6 && a.price < b.price - WORTH[aim] / 2);
  const first = solve(rig, true);
  if (first === null) return null;
  const base = trialOf(rig, first);
  let best = base;
  let now = base;
  let proven = true;
  const tried = new Set([JSON.stringify(rig)]);
  while (solves < MOST_SOLVES) {
    const chosen = chooseAll(now.rig, context, now.known, aim);
    proven = chosen.proven;
    let next: RidgeRig | null = chosen.rig;
    // what no choice mends is eased or hauled harder, from where the choice stands
    if (tried.has(JSON.stringify(next))) {
      const from = allSolved(now.known.result) ? best : now;
      if (holds(from)) break;
      next = retensioned(from.rig, from.known);
      if (next === null || tried.has(JSON.stringify(next))) break;
    }
    tried.add(JSON.stringify(next));
    const known = solve(next, false);
    if (known === null) return null;
    now = trialOf(next, known);
    if (!better(now, best)) continue;
    if (holds(now) && within === undefined) {
      // what holds in the gusts that governed is judged in all of them before it is said to
      const all = solve(next, true);
      if (all === null) return null;
      now = trialOf(next, all);
      if (!better(now, best)) continue;
    }
    best = now;
  }
  if (best !== base && !holds(best) && within === undefined) {
    const all = solve(best.rig, true);
    if (all === null) return null;
    best = trialOf(best.rig, all);
  }
  progress(1);
  const bed = bedUnder(best.rig, context, best.known);
  const report = reportOf(best.rig, context, true, { line: null, roof: best.known.result, bed });
  const met = rigHolds(report);
  // a trunk that bears the bed as well is short or not by what both come to
  const both = new Set(bed?.rows.map((r) => r.id));
  const ofRoof = unmetOf(best.rig, context, best.known, units).filter((u) => !both.has(u.id));
  const ofBed = bed === null ? [] : bedUnmet(best.rig, context, best.known, bed, units);
  const sized: SizedRig = {
    aim,
    met,
    rig: best.rig,
    before: billOf(base.known.result, context),
    after: billOf(best.known.result, context),
    changes: changesOf(base, best, context, aim, units),
    unmet: met ? [] : [...ofBed, ...ofRoof, ...otherwise(report, units)],
    proven,
    solves,
  };
  return { sized, solved: solvedIn(best.known) };
}
