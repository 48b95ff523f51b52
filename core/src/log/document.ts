import { z } from 'zod';
import type { Described } from '../document/index.js';
import { atMost, id, keyOf, moment, oneOf, part, prose, whole, within, yesNo } from '../document/index.js';
import { DRILL_KINDS } from '../drill/index.js';
import { STEP_CODES } from '../order/index.js';
import { limit } from '../quantity/index.js';
import { PITCHES, PITCH_FAULT_IDS, SPLITS } from '../teach/pitched.js';

export const LOG_LIMITS = {
  took: limit('time that it took', 'time', 1, 86_400),
  expected: limit('time that was expected', 'time', 1, 86_400),
  split: limit('time of a split', 'time', 0, 86_400),
  seed: limit('seed of the drill', 'count', 0, 2_147_483_647),
  error: limit('error of the guess', 'ratio', -20, 20),
  grade: limit('grade of the guess', 'count', 1, 4),
  sure: limit('how sure of the guess', 'share', 0, 1),
} as const;

/** What happened, by its kind. */
const happened = z.discriminatedUnion('kind', [
  /** A step of work, timed by hand: s, and what the catalogue expects of that very step. */
  part({
    kind: z.literal('timed'),
    code: oneOf('step', STEP_CODES),
    took: within(LOG_LIMITS.took),
    expected: within(LOG_LIMITS.expected),
  }),
  /** A guess of a drill: natural logarithm of it over the truth (null of a choice), and how it counts. */
  part({
    kind: z.literal('guess'),
    drill: oneOf('drill', DRILL_KINDS),
    seed: whole(LOG_LIMITS.seed),
    error: within(LOG_LIMITS.error).nullable(),
    near: yesNo('whether it is near'),
    grade: whole(LOG_LIMITS.grade),
    sure: within(LOG_LIMITS.sure),
  }),
  /** A pitch against the watch: what, s in all and by split, and what was wrong with it. */
  part({
    kind: z.literal('pitch'),
    of: keyOf('what was pitched', PITCHES),
    total: within(LOG_LIMITS.took),
    splits: atMost(
      part({ of: keyOf('split', SPLITS), took: within(LOG_LIMITS.split) }),
      Object.keys(SPLITS).length,
      'Each split is told once.',
    ),
    faults: atMost(oneOf('fault', PITCH_FAULT_IDS), PITCH_FAULT_IDS.length, 'Each fault is told once.'),
  }),
  /** Words. */
  part({ kind: z.literal('note'), words: prose('note', 2000) }),
]);

/** One entry of a camp's log. Its id is made where it is written, so that it arrives once however often it is sent. */
export const entryDocument = part({
  id: id('entry'),
  /** When, where it was written. */
  at: moment('time of the entry'),
  /** Ids of who wrote it, and of the rig that it is about. */
  by: id('writer'),
  rig: id('rig').nullable(),
  what: happened,
});
export type LogEntry = Described<typeof entryDocument>;

/** Entries that are sent at once, at most. */
export const MOST_AT_ONCE = 500;
