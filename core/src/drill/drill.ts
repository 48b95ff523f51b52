import type { Limit } from '../quantity/index.js';
import type { RidgeRig } from '../rig/index.js';
import type { Figure } from '../working/index.js';

/** What is asked for, by its kind: facts that the question tells, SI. */
export interface DrillFacts {
  /** How much is in a line that is seen to sag. */
  readonly pull: { readonly line: string; readonly span: number; readonly sag: number; readonly hung: number };
  /** How far a line sags that is hauled to a tension. */
  readonly sag: { readonly line: string; readonly span: number; readonly hauled: number; readonly hung: number };
  /** What each strap of a bed bears, by the angles at which they come down to it. */
  readonly angle: { readonly bed: string; readonly load: number; readonly below: number };
  /** How many wraps of a friction hitch hold what pulls. */
  readonly wraps: {
    readonly hitch: string;
    readonly cord: string;
    readonly thick: number;
    readonly host: string;
    readonly hostThick: number;
    /** Between the pull and the line, rad. */
    readonly off: number;
    readonly times: number;
  };
  /** Which of some lines lets go first. */
  readonly first: { readonly gust: boolean };
  /** How much cord is cut for a line. */
  readonly length: { readonly line: string; readonly between: number; readonly wraps: number; readonly girth: number };
  /** How many of one's own paces it is between the trees. */
  readonly paces: { readonly span: number; readonly foot: number };
}
export type DrillKind = keyof DrillFacts;
export const DRILL_KINDS = [
  'pull',
  'sag',
  'angle',
  'wraps',
  'first',
  'length',
  'paces',
] as const satisfies readonly DrillKind[];

/** What is to be guessed, and what is true. */
export type Asked =
  /** A number within a limit; whole ones are counted. */
  | { readonly form: 'number'; readonly limit: Limit; readonly whole: boolean; readonly truth: number }
  | {
      readonly form: 'choice';
      readonly options: readonly { readonly id: string; readonly name: string }[];
      readonly truth: string;
    };

type Of<K extends DrillKind> = {
  readonly kind: K;
  readonly facts: DrillFacts[K];
};
/** One question about a rig of the camp, made anew from it, and its truth as the core works it out. */
export type Drill = { [K in DrillKind]: Of<K> }[DrillKind] & {
  /** The same seed makes the same drill of the same rig. */
  readonly seed: number;
  /** The rig as it is asked about: one of the camp's, changed within its limits. */
  readonly rig: RidgeRig;
  readonly asked: Asked;
  /** The truth with its working; null where it is no number. */
  readonly figure: Figure | null;
};

/** What a learner says, and how sure they are that it is near: a share. */
export interface Guess {
  readonly said: number | string;
  readonly sure: number;
}
