import type { Picture } from '../picture/index.js';

/** A line of a card: what, and its number. */
export interface CardLine {
  readonly what: string;
  readonly number: string;
}

/** What stands under one heading of a card. */
export type Section = { readonly title: string } & (
  | { readonly kind: 'lines' | 'steps'; readonly lines: readonly CardLine[] }
  | { readonly kind: 'words' | 'beware'; readonly words: readonly string[] }
);

/** A card in the pocket: everything as words in its reader's units, and true pictures. Each form of it shows the same in this order. */
export interface Card {
  readonly title: string;
  /** Of which kind it is, and what was noted of it. */
  readonly about: string;
  readonly holds: boolean;
  readonly verdict: string;
  readonly detail: string;
  readonly pictures: readonly { readonly of: string; readonly picture: Picture }[];
  readonly sections: readonly Section[];
  /** By which it is found again, and that as a camera reads it. */
  readonly code: string;
  readonly modules: readonly (readonly boolean[])[];
}

/** Said on every card: short, where someone can be hurt. */
export const CAUTIONS = [
  'Look up before you stand under anything; in doubt another tree. Numbers about trees never pass one.',
  'Storm, lightning, a rising river: leave. Fire and stoves away from cloth, never under a low roof.',
  'Local rules and those who know the place come first.',
] as const;

/** What stands at the foot of every card. */
export const FOOT = 'Computed, not measured: check on the ground.';

/** Sections that have something in them. */
export const filled = (sections: readonly Section[]): Section[] =>
  sections.filter((s) => ('lines' in s ? s.lines.length : s.words.length) > 0);
