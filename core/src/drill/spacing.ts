import { createEmptyCard, fsrs } from 'ts-fsrs';
import type { Card, Grade } from 'ts-fsrs';
import type { DrillKind } from './drill.js';
import { DRILL_KINDS } from './drill.js';
import type { Guessed } from './progress.js';

/** When a kind of drill is due again for somebody. */
export interface Spaced {
  readonly kind: DrillKind;
  /** How often it was asked. */
  readonly count: number;
  /** When it is due; null where it was never asked. */
  readonly due: Date | null;
  /** Days after which nine in ten still know it. */
  readonly lasts: number;
}

/** Asked again before one in ten would be forgotten, at the latest after a season, days. Judgement: 60 to 365. */
const scheduler = fsrs({ request_retention: 0.9, maximum_interval: 120, enable_fuzz: false, enable_short_term: false });

/** By what was guessed so far, in its order: what is due first comes first, then what is new, then what is not due yet. */
export function spacingOf(guesses: readonly Pick<Guessed, 'kind' | 'at' | 'grade'>[], now: Date): Spaced[] {
  const all = DRILL_KINDS.map((kind): Spaced => {
    const of = guesses.filter((g) => g.kind === kind).sort((a, b) => (a.at < b.at ? -1 : 1));
    const [first] = of;
    if (first === undefined) return { kind, count: 0, due: null, lasts: 0 };
    const card = of.reduce<Card>(
      (c, g) => scheduler.next(c, new Date(g.at), g.grade as Grade).card,
      createEmptyCard(new Date(first.at)),
    );
    return { kind, count: of.length, due: card.due, lasts: card.stability };
  });
  const rank = ({ due }: Spaced): number => (due === null ? 1 : due <= now ? 0 : 2);
  return all.sort((a, b) => rank(a) - rank(b) || (a.due?.getTime() ?? 0) - (b.due?.getTime() ?? 0));
}

/** Steps by which drills get harder and easier: three times as far down as up, so that three in four are near (Kaernbach, Perception and Psychophysics 49, 1991). */
const [UP, DOWN] = [0.1, 0.3] as const;

/** How hard the next drill of a kind is, 0 to 1: it follows what the learner knows. */
export const hardFor = (kind: DrillKind, guesses: readonly Pick<Guessed, 'kind' | 'at' | 'near'>[]): number =>
  guesses
    .filter((g) => g.kind === kind)
    .sort((a, b) => (a.at < b.at ? -1 : 1))
    .reduce((hard, g) => Math.min(1, Math.max(0, hard + (g.near ? UP : -DOWN))), 0);
