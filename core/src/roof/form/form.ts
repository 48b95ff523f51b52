import type { Phrase, Vec3 } from '../../quantity/index.js';
import { SaidError, metres } from '../../quantity/index.js';

/** The few numbers that shape a form, SI. Each form reads those it needs. */
export interface Shape {
  /** Heights of the left and the right edge over the ground, m; 0 is pegged down. */
  readonly edges: readonly [left: number, right: number];
  /** Share of the width that reaches out in front of the ridge. */
  readonly awning: number;
  /** Height of the prop of a form that stands on one, m. */
  readonly prop: number;
  /** How far the middle is raised by sticks over the straight ends, m. */
  readonly lift: number;
  /** Width of the strip laid inward on the ground, m. */
  readonly flap: number;
  /** Flank that is opened, of a form that opens one: 1 the left, 0 or left out the right. */
  readonly side?: number;
}

/** Where a form is pitched: between two ties, over sloping ground. x along the span, y to its left, z up, m. */
export interface Setting {
  readonly length: number;
  readonly width: number;
  readonly ties: readonly [Vec3, Vec3];
  /** x of the middle of the roof. */
  readonly middle: number;
  readonly ground: (x: number, y: number) => number;
  readonly shape: Shape;
}

/** What holds a point of the cloth. */
export type Role =
  /** Tied to a friction hitch on the ridgeline, at its end toward a trunk. */
  | { readonly to: 'hitch'; readonly end: 0 | 1 }
  /** Tied straight to a trunk. */
  | { readonly to: 'trunk'; readonly end: 0 | 1 }
  /** Guyed out; `from` is the point of the cloth whose line the guy extends. `stick`: over a stick, however steeply the cloth comes down. */
  | { readonly to: 'guy'; readonly from: string; readonly stick?: true }
  /** Drawn straight up from above, or pushed up by a stick under it: no form does so by itself. */
  | { readonly to: 'up' }
  /** No point of the cloth, but the head of a pole that the ridge is tied to, held up by two stays behind it. */
  | { readonly to: 'stay'; readonly end: 0 | 1; readonly side: -1 | 1 }
  /** Pegged down where it lies, drawn away from `from`, or from the middle of the roof. */
  | { readonly to: 'peg'; readonly from?: string }
  /** Stood up on a prop, or on two sticks in an A. */
  | { readonly to: 'prop'; readonly sticks: 1 | 2 }
  /** A corner of a fold, held by nothing. */
  | { readonly to: 'fold' };

/** A point of the cloth and where the form puts it. */
export interface Key {
  readonly id: string;
  /** What a person calls it. */
  readonly name: string;
  readonly flat: readonly [s: number, t: number];
  readonly at: Vec3;
  readonly role: Role;
  /** Held only where the cloth has a tie-out for it. */
  readonly optional?: true;
  /** Left alone unless it is asked for: one tie-out more along an edge. */
  readonly spare?: true;
}

/** A form laid out in space: folded flat pieces between its keys. */
export interface FormPlan {
  readonly keys: readonly Key[];
  /** Keys of each flat piece; together they cover the cloth. */
  readonly facets: readonly (readonly [string, string, string])[];
  /** Those of them that lie on the ground as a floor: no roof over anything. */
  readonly floor?: readonly (readonly [string, string, string])[];
  /** Where a ridgeline meets the cloth, as a segment of the cloth; null without one. */
  readonly ridge: readonly [readonly [number, number], readonly [number, number]] | null;
  /** Whether the fold runs from corner to corner. */
  readonly diagonal: boolean;
}

/** A form that cannot be built as asked; `field` is the number to change. */
export class FormProblem extends SaidError {
  override readonly name = 'FormProblem';
  constructor(
    readonly field: string,
    said: Phrase,
  ) {
    super(said);
  }
}

/** A most that a remedy names, m: down to the centimetre, so that what is told is taken. */
export const upTo = (most: number): ReturnType<typeof metres> => metres(Math.floor(100 * most) / 100);

/** Side of a form that is open: of the span as one looks along it, or an end of it. */
export type OpenSide = 'left' | 'right' | 'first' | 'second';

/** How a form lies on the ground, before it is laid out: u along the ridge from its middle, v across it, m. */
export interface Footprint {
  /** Length of cloth along the ridge. */
  readonly ridge: (roof: Cloth) => number;
  /** How far it covers on the lee and on the windward side of the ridge. */
  readonly covers: (roof: Cloth, ridgeHeight: number) => readonly [lee: number, windward: number];
  /** Feet of its guys, in half ridge lengths along and half widths across, each moved outward by a guy. */
  readonly guys: readonly (readonly [u: number, v: number])[];
}
/** Cloth along the ridge and across it, m. */
export interface Cloth {
  readonly length: number;
  readonly width: number;
}

/** Everything about one form: adding one is a file of its own and a line in the table of forms. */
export interface Form {
  readonly name: string;
  readonly words: string;
  /** How the cloth is laid: which tie-outs go where, counted from where. */
  readonly laid: string;
  /** Which of the shape's numbers it reads. */
  readonly reads: readonly (keyof Shape)[];
  /** A number of the shape that is one of two ways rather than a measure: what either is called. */
  readonly either?: {
    readonly of: 'awning' | 'side';
    readonly label: string;
    readonly none: string;
    readonly some: string;
  };
  /** Whether it hangs on a ridgeline, is tied to the trunks by its ends, hangs from the first trunk or stands alone. */
  readonly hangs: 'ridge' | 'ends' | 'first' | 'alone';
  readonly usual: Partial<Shape>;
  /** Which side of it is open, and is kept out of the wind; null where both are alike. */
  readonly open: OpenSide | null;
  /** What it does to the wind: ridge across it, along it, or no matter; and why, as the end of a sentence. */
  readonly wind: 'across' | 'along' | 'any';
  readonly windWords: string;
  readonly footprint: Footprint;
  /**
   * Where its points go, by construction: so that each flat piece keeps its own lengths, or is slack where the form folds cloth away.
   * @throws FormProblem naming the number to change
   */
  readonly plan: (g: Setting) => FormPlan;
}
