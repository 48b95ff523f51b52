import type { Guessed } from '@rough-bight/core/drill';
import type { LogEntry } from '@rough-bight/core/log';
import type { Learner, Pitched } from '@rough-bight/core/teach';

/** Guesses of one person, as a log has them. */
export const guessesOf = (entries: readonly LogEntry[], person: string): Guessed[] =>
  entries.flatMap(({ at, by, what }): Guessed[] =>
    what.kind === 'guess' && by === person
      ? [
          {
            kind: what.drill,
            at,
            error: what.error,
            near: what.near,
            grade: what.grade as Guessed['grade'],
            sure: what.sure,
          },
        ]
      : [],
  );

/** Timed pitches of one person. */
export const pitchesOf = (entries: readonly LogEntry[], person: string): Pitched[] =>
  entries.flatMap(({ at, by, what }): Pitched[] => (what.kind === 'pitch' && by === person ? [{ at, ...what }] : []));

const NOBODY: readonly Learner[] = [];
/** Who learns in a camp; nobody in one that this device kept before learners were. */
export const learnersOf = (camp: { readonly learners?: readonly Learner[] }): readonly Learner[] =>
  camp.learners ?? NOBODY;
