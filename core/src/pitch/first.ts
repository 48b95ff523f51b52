import { GUST_FACTOR, SHELTERS } from '../catalogue/index.js';
import type { RidgeRig } from '../rig/index.js';
import type { CaseWind } from './cases.js';
import { gustCase } from './cases.js';
import type { Place } from './ledger.js';
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
/** Cases that are tried: those in which some place would let go in the least wind; of them the first so many in stronger wind. */
const MOST_CASES = 8;
const MOST_ABOVE = 4;
/** Times the lowest wind found is solved itself, how near it counts as solved, and from how much more wind on a case cannot be the one. */
const CHECKED = 3;
const NEAR = 0.03;
const MAYBE = 1.3;

/** What was found of a rig in rising wind. */
export interface RisingWind {
  readonly letsGo: readonly LetsGo[];
  /** The gust at which the cloth begins to flap, m/s; null where it does not before something lets go. */
  readonly flaps: number | null;
}

/**
 * Finds for every place the gust in which it lets go: the cases in which some place would let go soonest are solved again in weaker
 * and stronger wind, and the least that each leaves is followed to one, straight between in logarithms. The lowest wind so found is
 * solved itself, in every case that may be the one, and corrected by what that leaves.
 * @param readings of the rig as judged
 * @param read     makes a reading of a state
 */
export function letsGoIn(
  rig: TiedRig,
  places: readonly Place[],
  readings: readonly CaseReading[],
  read: (s: PitchState) => CaseReading,
): RisingWind {
  const quiet = readings.filter((r) => r.state.case.wind === null);
  const windy = readings.filter((r) => r.state.case.wind !== null);
  const still = places.map((p) => least(p, quiet));
  if (windy.length === 0)
    return { letsGo: places.map((p, i) => ({ id: p.id, gust: still[i]! < 1 ? 0 : null })), flaps: null };
  const { speed } = windy[0]!.state.case.wind!;
  const calm = (wet: boolean): CaseReading | undefined =>
    quiet.find((r) => r.state.case.group === (wet ? 'wet' : 'pitched')) ?? quiet[0];
  const soonest = soonestOf(places, windy, [calm(false), calm(true)]);
  const worst = new Map<string, Followed>();
  for (const { reading, at } of soonest) {
    if (reading === null) continue;
    const { stood, case: c } = reading.state;
    const before = worst.get(c.id);
    if (before !== undefined && before.at <= at) continue;
    const left = places.map((p) =>
      least(
        p,
        windy.filter((r) => r.state.case.id === c.id),
      ),
    );
    worst.set(c.id, { id: c.id, wind: c.wind!, wet: c.wet, at, stood, levels: [{ speed, left }] });
  }
  const followed = [...worst.values()].sort((a, b) => a.at - b.at).slice(0, MOST_CASES);
  let flaps = windy.some((r) => unsettled(r.state)) ? speed : null;
  const follow = (f: Followed, at: number): void => {
    const state = solveCase(rig, gustCase({ ...f.wind, speed: at }, f.wet), { from: f.stood });
    f.stood = state.stood ?? f.stood;
    if (unsettled(state)) flaps = Math.min(flaps ?? Infinity, at);
    const these = [state, ...state.cycle].map(read);
    f.levels = [...f.levels, { speed: at, left: places.map((p) => least(p, these)) }].sort((a, b) => a.speed - b.speed);
  };
  // what lets go in the judged wind does so in less; what holds is followed upwards
  for (const f of followed) if (f.levels[0]!.left.some((l, i) => l < 1 && still[i]! >= 1)) follow(f, BELOW * speed);
  /** Whether some place that a case is the worst of has not let go in it yet. */
  const holdsYet = (f: Followed): boolean =>
    soonest.some(({ reading }, i) => reading?.state.case.id === f.id && crossing(f.levels, i) === null);
  for (let at = RAISE * speed; flaps === null && at / RAISE < MOST_GUST; at *= RAISE)
    for (const f of followed.filter(holdsYet).slice(0, MOST_ABOVE)) follow(f, at);
  const gustOf = (i: number): number => {
    if (still[i]! < 1) return 0;
    const { reading, at } = soonest[i]!;
    // a case that was not followed counts as it would go
    const other = reading === null || followed.some((f) => f.id === reading.state.case.id) ? Infinity : at * speed;
    const beyond = other > RAISE * MOST_GUST ? Infinity : other;
    return followed.reduce((lowest, f) => Math.min(lowest, crossing(f.levels, i) ?? Infinity), beyond);
  };
  const found = (): LetsGo[] =>
    places
      .map((p, i): LetsGo => {
        const gust = gustOf(i);
        return { id: p.id, gust: gust === Infinity ? null : gust };
      })
      .sort((a, b) => (a.gust ?? Infinity) - (b.gust ?? Infinity));
  for (let round = 0; round < CHECKED; round++) {
    const first = found().find((l) => l.gust !== 0)?.gust ?? null;
    if (first === null) break;
    const known = (f: Followed): boolean => f.levels.some((l) => Math.abs(l.speed - first) < NEAR * first);
    const unknown = followed.filter((f) => !known(f) && soonestIn(f, still) < MAYBE * first);
    if (unknown.length === 0) break;
    for (const f of unknown) follow(f, first);
  }
  return { letsGo: found(), flaps };
}

/** By place: the reading of a gust in which it would let go soonest, and in how many times the judged wind. */
function soonestOf(
  places: readonly Place[],
  windy: readonly CaseReading[],
  [dry, wet]: readonly [CaseReading | undefined, CaseReading | undefined],
): readonly { readonly reading: CaseReading | null; readonly at: number }[] {
  return places.map((p) => {
    let reading: CaseReading | null = null;
    let at = Number.POSITIVE_INFINITY;
    for (const r of windy) {
      const reached = wouldLetGo(p, r, r.state.case.wet ? wet : dry);
      if (reached < at) [reading, at] = [r, reached];
    }
    return { reading, at };
  });
}

const unsettled = (s: PitchState): boolean => s.luffing || !s.numbers.converged;

/** The lowest gust in which a followed case lets some place go, of those that still air does not; infinite where none. */
const soonestIn = ({ levels }: Followed, still: readonly number[]): number =>
  still.reduce((low, s, i) => (s < 1 ? low : Math.min(low, crossing(levels, i) ?? Infinity)), Infinity);

/** In how many times the judged wind a place would let go in a case, if its pull grew from the calm one with the square of the wind. */
function wouldLetGo(p: Place, r: CaseReading, calm: CaseReading | undefined): number {
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
interface Followed {
  readonly id: string;
  readonly wind: CaseWind;
  readonly wet: boolean;
  /** In how many times the judged wind some place would let go in it. */
  readonly at: number;
  stood: Float64Array | null;
  /** By rising speed. */
  levels: readonly Level[];
}

/** What a gust of one speed leaves. */
interface Level {
  readonly speed: number;
  /** By place. */
  readonly left: readonly number[];
}

/** The speed at which a place has one time left, straight between levels in logarithms; null where it never has so little. */
function crossing(levels: readonly Level[], i: number): number | null {
  const k = levels.findIndex((l) => l.left[i]! < 1);
  if (k < 0) return null;
  const { speed, left } = levels[k]!;
  const before = levels[k - 1];
  // under the least wind tried, and where nothing pulled before, pull goes with the square of the wind
  if (before === undefined) return speed * Math.sqrt(left[i]!);
  if (!Number.isFinite(before.left[i]!)) return Math.max(before.speed, speed * Math.sqrt(left[i]!));
  const share = Math.log(before.left[i]!) / Math.log(before.left[i]! / left[i]!);
  return before.speed * (speed / before.speed) ** share;
}

/** Least that a place has left in any of the cases; infinite where nothing is known against it. */
const least = (p: Place, readings: readonly CaseReading[]): number =>
  readings.reduce((most, r) => Math.min(most, leftIn(p, r) ?? Number.POSITIVE_INFINITY), Number.POSITIVE_INFINITY);

/** The mean wind in the open that brings a gust at the roof, m/s. */
export const meanOf = (rig: RidgeRig, gust: number): number =>
  gust / (SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical);
