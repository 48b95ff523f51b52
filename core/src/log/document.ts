import { z } from 'zod';
import type { Described } from '../document/index.js';
import { id, moment, oneOf, part, prose, within } from '../document/index.js';
import { STEP_CODES } from '../order/index.js';
import { limit } from '../quantity/index.js';

export const LOG_LIMITS = {
  took: limit('time that it took', 'time', 1, 86_400),
  expected: limit('time that was expected', 'time', 1, 86_400),
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
