import type { DrillKind } from '../drill/index.js';
import type { PitchFault, Pitched } from './pitched.js';
import { PITCH_FAULTS, faultsSeen } from './pitched.js';
import type { Standing } from './standing.js';
import { troubleOf } from './standing.js';

/** A part of an evening's lesson, with why. */
export type LessonPart = { readonly minutes: number } & (
  | { readonly do: 'look-up' }
  | {
      readonly do: 'drill';
      readonly kind: DrillKind;
      readonly stuck: readonly string[];
      readonly near: number;
      readonly of: number;
    }
  | {
      readonly do: 'fault';
      readonly fault: PitchFault;
      readonly seen: number;
      readonly of: number;
      readonly knot: string | null;
    }
  | { readonly do: 'pitch' }
);

/** Minutes of each part. Judgement: looking up 3 to 10, six guesses a learner 8 to 15, a knot or a fault shown and tied 8 to 15, a pitch with its faults 10 to 20. */
const MINUTES = { 'look-up': 5, drill: 10, fault: 10, pitch: 15 } as const;

/**
 * What to do of an evening from what the class is weak at: looking up first, a timed pitch last, and between them what most have trouble
 * with, drills and faults in turn.
 * @param evening minutes there are
 */
export function lessonOf(
  class_: readonly Standing[],
  pitches: readonly Pitched[],
  evening: number,
): readonly LessonPart[] {
  const out: LessonPart[] = [];
  let left = evening;
  const add = (part: LessonPart): boolean => {
    if (part.minutes > left) return false;
    out.push(part);
    left -= part.minutes;
    return true;
  };
  add({ do: 'look-up', minutes: MINUTES['look-up'] });
  const ends = left >= MINUTES.pitch;
  if (ends) left -= MINUTES.pitch;
  const drills = troubleOf(class_).map((t): LessonPart => ({ do: 'drill', minutes: MINUTES.drill, ...t }));
  const faults = faultsSeen(pitches).map(({ fault, count }): LessonPart => ({
    do: 'fault',
    minutes: MINUTES.fault,
    fault,
    seen: count,
    of: pitches.length,
    knot: PITCH_FAULTS[fault].knot,
  }));
  for (let k = 0; k < Math.max(drills.length, faults.length); k++)
    for (const part of [drills[k], faults[k]]) if (part !== undefined) add(part);
  if (ends) out.push({ do: 'pitch', minutes: MINUTES.pitch });
  return out;
}
