import { SHELTERS } from '../catalogue/index.js';
import { ladderOf } from '../ladder/index.js';
import type { Fall, LadderEnd, Turned } from '../ladder/index.js';
import type { PitchResult } from '../pitch/index.js';
import { LEAST_HAUL } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { firmerThan } from '../sizing/index.js';
import type { Unmet } from '../sizing/index.js';
import { beaufortOf } from '../weather/index.js';
import type { WeatherReading } from '../weather/index.js';
import { effortOf } from './effort.js';
import type { Effort } from './effort.js';
import { otherPitches } from './pitches.js';
import type { OtherPitch } from './pitches.js';

/** How a rig fares in an hour: to spare; little to spare; something gives; no rest is found. */
export type Fares = 'holds' | 'little' | 'gives' | 'flaps';

export interface NightHour {
  /** Milliseconds since 1970, UTC. */
  readonly time: number;
  /** Gust at the roof, m/s, and where it comes from, rad. */
  readonly gust: number;
  readonly from: number;
  /** mm an hour. */
  readonly rain: number;
  /** Whether enough has fallen by then for all to be soaked. */
  readonly soaked: boolean;
  readonly fares: Fares;
  /** How many times the wind's pressure of that hour it takes; null where nothing gave as far as was looked. */
  readonly times: number | null;
}

/** Taken in again, line by line, m. */
export interface Retension {
  readonly kind: 'retension';
  readonly time: number;
  readonly because: 'settled' | 'evening' | 'rain';
  readonly lines: readonly { readonly row: string; readonly name: string; readonly by: number }[];
}

/** Something to be done before an hour in which the rig has too little left. */
export interface Before {
  readonly kind: 'before';
  /** The first such hour. */
  readonly time: number;
  /** The hardest of those in a row with it. */
  readonly worst: NightHour;
  /** What gives then; null where cloth flaps before anything gives. */
  readonly fall: Fall | null;
  /** The smallest change for that; null where none was found. */
  readonly change: Unmet | null;
  /** What that asks of hands; null where it is no change of the rig. */
  readonly effort: Effort | null;
  /** How else it can be pitched so that nothing gives then, least work first. */
  readonly others: readonly OtherPitch[];
  /** Whether trees are to be left: at a gale nobody stays under them, whatever the rig does. */
  readonly leave: boolean;
}
export type NightTask = Retension | Before;

export interface Night {
  readonly hours: readonly NightHour[];
  /** In the order in which they are done. */
  readonly tasks: readonly NightTask[];
}

const HOUR = 3_600_000;
const MINUTE = 60_000;
/** Rain that has soaked everything, mm. Judgement, a half to two. */
const SOAKS = 1;
/** With less than so many times an hour's pressure it has little to spare: forecasts of gusts err by that much. Judgement, 1.5 to 3. */
const SPARE = 2;
/** Beaufort number from which trees are left. */
const LEAVE = 8;

/**
 * What a night asks of a rig that is pitched at its beginning: hour by hour how it fares in the forecast wind, dry or soaked, and what is
 * to be done when. The wind of an hour is turned up from its own side until something gives.
 * @param forecast hours in a row, not empty
 * @param result   its judgement: what each line loses in a night
 * @param progress told the share done; return false to stop
 * @returns null when it was stopped
 * @throws RigProblem where the rig cannot be computed; RangeError for an empty forecast
 */
export function nightOf(
  rig: RidgeRig,
  context: RigContext,
  result: Pick<PitchResult, 'takeUp' | 'rows'>,
  forecast: readonly WeatherReading[],
  units: UnitChoice,
  progress: (done: number) => boolean = () => true,
): Night | null {
  const start = forecast[0];
  if (start === undefined) throw new RangeError('forecast: no hours; at least one is needed');
  const shelter = SHELTERS[rig.wind.shelter].typical;
  let fallen = 0;
  const asked = forecast.map((r) => {
    fallen += r.rain;
    return { ...r, gust: r.gust * shelter, side: sideOf(r.from), soaked: fallen >= SOAKS };
  });
  // every side in its strongest wind, dry and soaked
  const wanted = new Map<string, { readonly turned: Turned & { readonly of: 'wind' }; upTo: number }>();
  for (const h of asked) {
    const key = `${h.side} ${h.soaked}`;
    const w = wanted.get(key) ?? { turned: { of: 'wind', from: (h.side * Math.PI) / 8, wet: h.soaked }, upTo: 0 };
    w.upTo = Math.max(w.upTo, Math.sqrt(SPARE) * h.gust);
    wanted.set(key, w);
  }
  const found = new Map<string, First>();
  let done = 0;
  for (const [key, { turned, upTo }] of wanted) {
    if (!progress((0.8 * done++) / wanted.size)) return null;
    const { rungs, end, at } = ladderOf(rig, context, turned, { upTo, first: true })!;
    found.set(key, { turned, end, at, fall: rungs.at(-1)!.falls.at(-1) ?? null });
  }
  const firstIn = (k: number): First => found.get(`${asked[k]!.side} ${asked[k]!.soaked}`)!;
  const hours = asked.map(({ time, gust, from, rain, soaked }, k): NightHour => {
    const { at, end } = firstIn(k);
    // what gives in still air gives in every hour
    const times = at === 0 ? 0 : at === null || !(gust > 0) ? null : (at / gust) ** 2;
    const fares: Fares =
      times === null || times >= SPARE ? 'holds' : times >= 1 ? 'little' : end === 'unsettled' ? 'flaps' : 'gives';
    return { time, gust, from, rain, soaked, fares, times };
  });
  const bad = hours.filter(isBad);
  // what is down, or should be, is not hauled in
  const stands = (time: number): boolean => !bad.some((h) => time >= h.time && time < h.time + HOUR);
  const tasks: NightTask[] = retensions(result, start.time, asked.find((h) => h.soaked)?.time ?? null, stands);
  for (let k = 0; k < hours.length; k++) {
    const begins = k;
    while (k < hours.length && isBad(hours[k]!)) k++;
    if (k === begins) continue;
    if (!progress(0.8 + (0.2 * k) / hours.length)) return null;
    const [worst, index] = hardestOf(hours, begins, k);
    const { fall, turned } = firstIn(index);
    const leave = forecast.slice(begins, k).some((r) => beaufortOf(r.wind) >= LEAVE);
    const change =
      fall === null ? null : firmerThan(rig, context, turned, { ...fall, at: Math.max(fall.at, worst.gust) }, units);
    tasks.push({
      kind: 'before',
      time: hours[begins]!.time,
      worst,
      fall,
      change,
      effort: change === null || change.rig === null ? null : effortOf(rig, change.rig, context),
      others: leave ? [] : otherPitches(rig, context, turned, worst.gust),
      leave,
    });
  }
  progress(1);
  return { hours, tasks: tasks.sort((a, b) => a.time - b.time) };
}

interface First {
  readonly turned: Turned & { readonly of: 'wind' };
  readonly end: LadderEnd;
  readonly at: number | null;
  readonly fall: Fall | null;
}

const sideOf = (from: number): number => ((Math.round((from * 8) / Math.PI) % 16) + 16) % 16;
const isBad = ({ fares }: NightHour): boolean => fares === 'gives' || fares === 'flaps';

/** The hour that has least left of some in a row. */
function hardestOf(hours: readonly NightHour[], from: number, to: number): readonly [NightHour, number] {
  let index = from;
  for (let k = from + 1; k < to; k++) if (hours[k]!.times! < hours[index]!.times!) index = k;
  return [hours[index]!, index];
}

/** Hauling in again: twenty minutes after pitching, before sleep, and once all is soaked; each what has come since the one before. */
function retensions(
  { takeUp, rows }: Pick<PitchResult, 'takeUp' | 'rows'>,
  start: number,
  soaked: number | null,
  stands: (time: number) => boolean,
): Retension[] {
  const by = (row: string, caseId: string): number => takeUp.find((t) => t.row === row && t.caseId === caseId)?.by ?? 0;
  const stages = [
    { because: 'settled', caseId: 'settled', time: start + 20 * MINUTE },
    { because: 'evening', caseId: 'evening', time: start + 4 * HOUR },
    ...(soaked === null
      ? []
      : [{ because: 'rain', caseId: 'wet', time: Math.max(start + 20 * MINUTE, soaked) } as const]),
  ] as const;
  const taken = new Map<string, number>();
  return (
    [...stages]
      // what falls in the same minute is one: the last says all of it
      .filter((s, k) => stands(s.time) && !stages.slice(k + 1).some((later) => later.time === s.time))
      .sort((a, b) => a.time - b.time)
      .flatMap(({ because, caseId, time }): Retension[] => {
        const lines = rows.flatMap(({ id, name }) => {
          const more = by(id, caseId) - (taken.get(id) ?? 0);
          if (more < LEAST_HAUL) return [];
          taken.set(id, by(id, caseId));
          return [{ row: id, name, by: more }];
        });
        return lines.length === 0 ? [] : [{ kind: 'retension', time, because, lines }];
      })
  );
}
