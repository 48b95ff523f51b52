import type { LessonPart, Times } from '../teach/index.js';
import { PITCH_FAULTS } from '../teach/index.js';
import { capital } from '../quantity/index.js';
import { counted, listed } from './budget-words.js';
import { DRILL_NAMES } from './drill-words.js';

/** A time of minutes and seconds: "4:07". @param seconds s */
export function watchWords(seconds: number): string {
  const whole = Math.round(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** Times of some pitches: "4:07 at best, mostly 4:20 to 6:10, of five". */
export const timesWords = ({ best, range, count }: Times): string =>
  count < 3
    ? `${watchWords(best)} at best, of ${counted(count, '', '').trim()}`
    : `${watchWords(best)} at best, mostly ${watchWords(range[0])} to ${watchWords(range[1])}, of ${counted(count, '', '').trim()}`;

/** A part of a lesson: what is done, and why. */
export function lessonWords(part: LessonPart): { readonly what: string; readonly why: string } {
  switch (part.do) {
    case 'look-up':
      return {
        what: 'Look up, all together',
        why: 'Before anything is tied: what is dead, hung up or leaning over this ground.',
      };
    case 'drill':
      return {
        what: `${DRILL_NAMES[part.kind]}: guess, then see`,
        why:
          part.stuck.length > 0
            ? `${listed(part.stuck)} ${part.stuck.length === 1 ? 'is' : 'are'} stuck on it.`
            : `${capital(counted(part.near, '', '').trim())} of the last ${part.of} were near.`,
      };
    case 'fault':
      return {
        what:
          part.knot === null
            ? `Seen and put right: ${PITCH_FAULTS[part.fault].name}`
            : `Tied again, slowly: against ${PITCH_FAULTS[part.fault].name}`,
        why: `Seen in ${counted(part.seen, '', '').trim()} of ${counted(part.of, 'timed pitch', 'timed pitches')}.`,
      };
    case 'pitch':
      return { what: 'A roof against the watch', why: 'Faults are looked for afterwards, by whoever did not pitch.' };
  }
}
