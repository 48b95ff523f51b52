import type { CaseWind } from '../cases/index.js';
import { gustCase } from '../cases/index.js';
import { GUST_FACTOR, SHELTERS } from '../catalogue/index.js';
import type { WindLaw } from '../weather/index.js';
import type { RidgeRig } from '../rig/index.js';
import type { RoofCheck } from './ledger.js';
import { leftIn } from './ledger.js';
import type { CaseReading } from './reading.js';
import type { PitchState, TiedRig } from './solve.js';
import { solveCase } from './solve.js';

/** Wind in which a link lets go: a gust at the roof, m/s, 0 where it does without wind; null where no wind does it. */
export interface LetsGo {
  readonly id: string;
  readonly gust: number | null;
}

/** Share of the judged gust's speed that is tried below it, and by how much it is raised each time above. */
const BELOW = 0.6;
const RAISE = 1.6;
/** A gust nobody stays out in, m/s: what holds in it is not followed further. */
const MOST_GUST = 34;
/**
 * Cases that are tried: of every law the one in which something would let go in the least wind, since which law asks most is another
 * in another wind, then those in which something would do so next; of them the first so many in stronger wind.
 */
const MOST_CASES = 8;
const MOST_ABOVE = 5;
/** Times the lowest wind found is solved itself, and how near it counts as solved. */
const CHECKED = 3;
const NEAR = 0.03;

/** What was found of a rig in rising wind. */
export interface RisingWind {
  readonly letsGo: readonly LetsGo[];
  /** The gust at which the cloth begins to flap, m/s; null where it does not before something lets go. */
  readonly flaps: number | null;
}

/**
 * Finds for every check the gust in which it fails: the cases in which something would let go soonest are solved again in weaker
 * and stronger wind, and the least that is left is followed to one, straight between in logarithms. The lowest wind so found is
 * solved itself, and corrected by what that leaves.
 * @param readings of the rig as judged
 * @param read     makes a reading of a state
 */
export function letsGoIn(
  rig: TiedRig,
  checks: readonly RoofCheck[],
  readings: readonly CaseReading[],
  read: (s: PitchState) => CaseReading,
): RisingWind {
  const quiet = readings.filter((r) => r.state.case.environment.wind === null);
  const windy = readings.filter((r) => r.state.case.environment.wind !== null);
  const still = checks.map((p) => leastOf(p, quiet));
  if (windy.length === 0)
    return { letsGo: checks.map((p, i) => ({ id: p.id, gust: still[i]! < 1 ? 0 : null })), flaps: null };
  const worst = new Map<string, Tried>();
  const ofLaw = new Map<WindLaw, Tried>();
  const calm = (wet: boolean): CaseReading | undefined =>
    quiet.find((r) => r.state.case.kind === (wet ? 'wet' : 'pitched')) ?? quiet[0];
  const [dryCalm, wetCalm] = [calm(false), calm(true)];
  const sooner = <K>(of: Map<K, Tried>, key: K, t: Tried): void => {
    if (t.at < (of.get(key)?.at ?? Number.POSITIVE_INFINITY)) of.set(key, t);
  };
  for (const p of checks) {
    let soonest: Tried | null = null;
    for (const r of windy) {
      const at = wouldLetGo(p, r, r.state.case.environment.wet ? wetCalm : dryCalm);
      const { id, environment } = r.state.case;
      const t: Tried = { id, wind: environment.wind!, wet: environment.wet, at, stood: r.state.stood };
      sooner(ofLaw, t.wind.law, t);
      if (at < (soonest?.at ?? Number.POSITIVE_INFINITY)) soonest = t;
    }
    if (soonest !== null) sooner(worst, soonest.id, soonest);
  }
  const inTurn = (of: Map<unknown, Tried>): Tried[] => [...of.values()].sort((a, b) => a.at - b.at);
  const tried = [...new Map([...inTurn(ofLaw), ...inTurn(worst)].map((t) => [t.id, t])).values()].slice(0, MOST_CASES);
  const speed = windy[0]!.state.case.environment.wind!.speed;
  let flaps: number | null = null;
  const levelAt = (at: number, most: number): Level => {
    const states = tried.slice(0, most).map((t) => {
      const state = solveCase(rig, gustCase({ ...t.wind, speed: at }, t.wet), { from: t.stood });
      t.stood = state.stood ?? t.stood;
      return state;
    });
    if (states.some((s) => s.luffing || !s.numbers.converged)) flaps = at;
    const these = states.flatMap((s) => [s, ...s.cycle]).map(read);
    return { speed: at, left: checks.map((p) => leastOf(p, these)) };
  };
  const judged: Level = { speed, left: checks.map((p) => leastOf(p, windy)) };
  if (windy.some((r) => r.state.luffing || !r.state.numbers.converged)) flaps = speed;
  // what lets go in the judged wind does so in less; what holds is followed upwards
  const lower = judged.left.some((left, i) => left < 1 && still[i]! >= 1);
  let levels: Level[] = lower ? [levelAt(BELOW * speed, MOST_CASES), judged] : [judged];
  for (let at = RAISE * speed; flaps === null && at / RAISE < MOST_GUST; at *= RAISE)
    levels.push(levelAt(at, MOST_ABOVE));
  const found = (): LetsGo[] =>
    checks
      .map((p, i): LetsGo => ({ id: p.id, gust: still[i]! < 1 ? 0 : crossing(levels, i) }))
      .sort((a, b) => (a.gust ?? Infinity) - (b.gust ?? Infinity));
  for (let round = 0; round < CHECKED; round++) {
    const first = found().find((l) => l.gust !== 0)?.gust ?? null;
    if (first === null || levels.some((l) => Math.abs(l.speed - first) < NEAR * first)) break;
    const flapped: number | null = flaps;
    levels = [...levels, levelAt(first, MOST_CASES)].sort((a, b) => a.speed - b.speed);
    if (flapped !== null) flaps = Math.min(flapped, flaps!);
  }
  return { letsGo: found(), flaps };
}

/** In how many times the judged wind a check would fail in a case, if its pull grew from the calm one with the square of the wind. */
function wouldLetGo(p: RoofCheck, r: CaseReading, calm: CaseReading | undefined): number {
  const holds = p.holds(r);
  if (holds === null) return Number.POSITIVE_INFINITY;
  const asks = p.asks(r);
  // a share of a pull does not grow with it
  if (p.ratio === true) return asks > holds ? Math.sqrt(holds / asks) : Number.POSITIVE_INFINITY;
  const still = calm === undefined ? 0 : p.asks(calm);
  if (!(asks > still)) return Number.POSITIVE_INFINITY;
  return Math.sqrt(Math.max(0, holds - still) / (asks - still));
}

/** A gust followed to other speeds, and where it stood last. */
interface Tried {
  readonly id: string;
  readonly wind: CaseWind;
  readonly wet: boolean;
  /** In how many times the judged wind something would let go in it. */
  readonly at: number;
  stood: Float64Array | null;
}

/** What is left of every check at one speed of the gust, m/s. */
export interface Level {
  readonly speed: number;
  /** By check. */
  readonly left: readonly number[];
}

/**
 * The level at which a check has one time left, straight between levels in logarithms; null where it never has so little.
 * @param power of the level with which pulls grow where nothing pulled before: wind 2, weight 1
 */
export function crossing(levels: readonly Level[], i: number, power: 1 | 2 = 2): number | null {
  const root = (x: number): number => (power === 2 ? Math.sqrt(x) : x);
  const k = levels.findIndex((l) => l.left[i]! < 1);
  if (k < 0) return null;
  const { speed, left } = levels[k]!;
  const before = levels[k - 1];
  if (before === undefined) return speed * root(left[i]!);
  if (!Number.isFinite(before.left[i]!)) return Math.max(before.speed, speed * root(left[i]!));
  // from nothing on, what is asked grows from what was asked there
  if (before.speed === 0) {
    const [asked, asks] = [1 / before.left[i]!, 1 / left[i]!];
    return speed * root(Math.max(0, (1 - asked) / (asks - asked)));
  }
  const share = Math.log(before.left[i]!) / Math.log(before.left[i]! / left[i]!);
  return before.speed * (speed / before.speed) ** share;
}

/** Least that a check has left in any of the cases; infinite where nothing is known against it. */
export const leastOf = (p: RoofCheck, readings: readonly CaseReading[]): number =>
  readings.reduce((most, r) => Math.min(most, leftIn(p, r) ?? Number.POSITIVE_INFINITY), Number.POSITIVE_INFINITY);

/** The mean wind in the open that brings a gust at the roof, m/s. */
export const meanOf = (rig: RidgeRig, gust: number): number =>
  gust / (SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical);
