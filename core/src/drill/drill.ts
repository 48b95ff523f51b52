import type { Gives } from '../ladder/index.js';
import type { Form, Ruling } from '../ground/index.js';
import type { Picture, Point } from '../picture/index.js';
import type { Limit } from '../quantity/index.js';
import type { RidgeRig } from '../rig/index.js';
import type { Figure } from '../working/index.js';
import type { FaultId, Seen } from './faults.js';

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
  /** Which of some lines lets go first; the bearing the wind comes from, rad, null where none is asked. */
  readonly first: { readonly from: number | null };
  /** In what gust something gives, and the bearing it comes from, rad. */
  readonly wind: { readonly from: number };
  /** How much cord is cut for a line: way between its ends, wraps and girth at both, and how each is tied. */
  readonly length: {
    readonly between: number;
    readonly ends: readonly [TrunkEnd, TrunkEnd];
  };
  /** Where a guy's foot belongs, and how high its tie-out is over the ground, m. */
  readonly foot: { readonly guy: string; readonly height: number };
  /** Which of some pairs of trees suits best, for what, in what wind. */
  readonly pair: {
    readonly form: Form;
    readonly roof: readonly [length: number, width: number];
    readonly hammock: boolean;
    readonly beaufort: number;
    readonly from: number;
  };
  /** What is wrong: what is seen and felt of the rig. */
  readonly fault: { readonly seen: readonly Seen[] };
  /** How many of one's own paces it is between the trees, beside which somebody stands. */
  readonly paces: { readonly pace: number; readonly stature: number };
}
/** How a line is tied to a trunk. */
export interface TrunkEnd {
  readonly name: string;
  readonly wraps: number;
  readonly girth: number;
}
export type DrillKind = keyof DrillFacts;
export const DRILL_KINDS = [
  'pull',
  'sag',
  'angle',
  'wraps',
  'first',
  'wind',
  'length',
  'foot',
  'pair',
  'fault',
  'paces',
] as const satisfies readonly DrillKind[];

/** What is told with the truth, where a number is not all of it. */
export interface DrillTruths {
  /** The gust in which it lets go, 0 without wind, null where that was not asked. */
  readonly first: { readonly gust: number | null };
  /** What gives in that gust, and what that means for the roof; null where the cloth flaps first. */
  readonly wind: { readonly gives: { readonly name: string; readonly what: Gives } | null };
  /** Those of the pairs that are ruled out, and why. */
  readonly pair: { readonly out: readonly { readonly id: string; readonly ruled: readonly Ruling[] }[] };
  /** What such a fault does. */
  readonly fault: { readonly fault: FaultId };
}

/** What is to be guessed, and what is true. */
export type Asked =
  /** A number within a limit; whole ones are counted. */
  | { readonly form: 'number'; readonly limit: Limit; readonly whole: boolean; readonly truth: number }
  | {
      readonly form: 'choice';
      readonly options: readonly { readonly id: string; readonly name: string }[];
      readonly truth: string;
    }
  /** A place on the plan, m, to which a cord goes from another. */
  | { readonly form: 'place'; readonly from: At; readonly truth: At };
/** On the plan, m. */
export type At = readonly [x: number, y: number];

/** How a guess is given by hand on the picture; places in the picture's units. */
export type ByHand =
  /** An arrow drawn out along a way: from the `least` pull at its tail, N, it stands for ten times as much with each `tenfold` of its length. */
  | {
      readonly form: 'arrow';
      readonly from: Point;
      readonly toward: Point;
      readonly least: number;
      readonly tenfold: number;
    }
  /** A line drawn down from its chord; a metre of sag is so long. */
  | { readonly form: 'drop'; readonly ends: readonly [Point, Point]; readonly middle: Point; readonly metre: number }
  /** A foot set on the plan: where its zero lies, and how long a metre is. */
  | { readonly form: 'set'; readonly from: Point; readonly zero: Point; readonly metre: number }
  /** One of some things touched. */
  | { readonly form: 'touch'; readonly on: readonly Touched[] };
export interface Touched {
  readonly id: string;
  readonly rings: readonly (readonly Point[])[];
}

/** What is looked at. */
export interface Shown {
  readonly picture: Picture;
  /** How many times larger what is upright is drawn. */
  readonly upright: number;
  /** null where the guess is a number or a choice alone. */
  readonly hand: ByHand | null;
}

type Of<K extends DrillKind> = {
  readonly kind: K;
  readonly facts: DrillFacts[K];
  readonly truths: K extends keyof DrillTruths ? DrillTruths[K] : null;
};
/** One question about a rig of the camp, made anew from it, and its truth as the core works it out. */
export type Drill = { [K in DrillKind]: Of<K> }[DrillKind] & {
  /** The same seed makes the same drill of the same rig. */
  readonly seed: number;
  /** The rig as it is asked about: one of the camp's, changed within its limits. */
  readonly rig: RidgeRig;
  readonly shown: Shown;
  readonly asked: Asked;
  /** The truth with its working; null where it is no number. */
  readonly figure: Figure | null;
};
export type DrillOf<K extends DrillKind> = Extract<Drill, { readonly kind: K }>;

export type Said = number | string | At;
/** What a learner says, and how sure they are that it is near: a share. */
export interface Guess {
  readonly said: Said;
  readonly sure: number;
}

/** A drill, and how it is seen to move from what was said, or from what is shown, to what is true. */
export interface Asking {
  readonly drill: Drill;
  readonly seen: (said: Said | null) => readonly Picture[];
}
