import type { Vec3 } from '../quantity/index.js';
import type { Bar, Path } from './rope.js';

/** What a step adds to a rope. */
export type Adds =
  /** The working end goes on through these. */
  | { readonly how: 'thread'; readonly through: Path }
  /**
   * A bight is drawn along these, its two strands beside each other: flat on what is seen, or that way from each other. Steps of a bight
   * that follow each other carry one on; with the last goes what comes after it, the tail or the rest of the line. `wide`: how many
   * times as far apart its strands are at its end.
   */
  | {
      readonly how: 'bight';
      readonly through: Path;
      readonly beside: Vec3 | 'flat';
      readonly then?: Path;
      readonly wide?: number;
    }
  /** Both legs of a loop go on together, each along its own way. */
  | { readonly how: 'legs'; readonly through: readonly [Path, Path] };

export interface Step {
  /** What the hands do, short. */
  readonly says: string;
  /** Which of the ropes. */
  readonly rope: 0 | 1;
  readonly adds: Adds;
}

/** How a knot lies in space: what it goes about, what lies there first, and what each step adds. */
export interface Lay {
  readonly bars: readonly Bar[];
  /** Where each rope begins, before the first step: two points at least. */
  readonly starts: readonly Path[];
  readonly steps: readonly Step[];
}

/** The same tied wrong. */
export interface WrongLay {
  readonly id: string;
  readonly name: string;
  /** What it does. */
  readonly does: string;
  readonly lay: Lay;
}

/** A knot or hitch as it is taught. Its strength and name are the catalogue's. */
export interface Knot {
  /** Of the catalogue's termination, guy end, bend, join or friction hitch. */
  readonly id: string;
  readonly name: string;
  readonly lay: Lay;
  readonly wrong: readonly WrongLay[];
  /** When it is used, how it fails, and how it is let go. */
  readonly when: string;
  readonly fails: string;
  readonly release: string;
}
