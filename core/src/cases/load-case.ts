import type { SnowFeel } from '../catalogue/index.js';
import type { WindLaw } from '../weather/index.js';
import type { CaseKind, Leavable } from './kinds.js';

/** Wind on a rig: speed at the roof in the gust, m/s, the bearing it comes from, rad, and how it is laid on the cloth. */
export interface CaseWind {
  readonly speed: number;
  readonly from: number;
  readonly law: WindLaw;
  /** Set across a bare line, whatever side it comes from. */
  readonly broadside?: true;
}

/** As much rain as fills every low spot to its brim. */
export const BRIMFUL = Number.POSITIVE_INFINITY;

/** What weather and trees do to a rig. */
export interface Environment {
  /** A gust; null in still air. */
  readonly wind: CaseWind | null;
  readonly wet: boolean;
  /** Snow that has fallen on it, kg/m² on level ground. */
  readonly snow: number;
  /** Rain that has fallen and stands where it can, m of it; {@link BRIMFUL} where every low spot is full. */
  readonly rain: number;
  /** How far the trunks sway apart, m; negative where they are drawn together. */
  readonly sway: number;
}

/** Who is in a bed, and what they do there: how they lie in it, and whether that is the most of something quick. */
export const OCCUPANCIES = {
  nobody: { pose: 'empty', shock: null },
  seated: { pose: 'sitting', shock: null },
  lying: { pose: 'lying', shock: null },
  leaning: { pose: 'leaning', shock: null },
  'getting-in': { pose: 'sitting', shock: 'fall' },
  'dropping-in': { pose: 'sitting', shock: 'fall' },
  swinging: { pose: 'lying', shock: 'swing' },
} as const satisfies Record<string, { readonly pose: string; readonly shock: 'fall' | 'swing' | null }>;
export type Occupancy = keyof typeof OCCUPANCIES;
/** How someone is in a bed. */
export type Pose = (typeof OCCUPANCIES)[Occupancy]['pose'];

/** A state of weather, people and clock in which a rig must hold. */
export interface LoadCase {
  readonly id: string;
  /** What sort it is: cases of one kind differ in their wind alone. */
  readonly kind: CaseKind;
  readonly environment: Environment;
  readonly occupancy: Occupancy;
  /** Since it was tied, s. */
  readonly since: number;
  /** What a person calls it who added it. */
  readonly called?: string;
}

/** What a rig tells of the cases it is judged under. */
export interface CaseSource {
  readonly sway: number;
  readonly hung: readonly { readonly area: number }[];
  readonly pitch?: {
    readonly snow?: { readonly feel: SnowFeel; readonly depth: number };
    readonly without?: readonly Leavable[];
    readonly gusts?: readonly {
      readonly id: string;
      readonly name: string;
      readonly speed: number;
      readonly from: number;
      readonly wet: boolean;
    }[];
  };
  readonly bed?: { readonly drop: number; readonly swing: number };
}

/** How someone is in the bed in a case, and whether it is the most of something quick: a fall, a swing. */
export const poseOf = (c: LoadCase): Pose => OCCUPANCIES[c.occupancy].pose;
export const shockOf = (c: LoadCase): 'fall' | 'swing' | null => OCCUPANCIES[c.occupancy].shock;
