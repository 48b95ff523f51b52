import type { PitchForm } from '../roof/index.js';
import { PITCH_FORMS } from '../roof/index.js';
import type { At } from './thing/index.js';

/** The version of a place as it is stored and edited. */
export const PLACE_FORMAT = 'rough-bight/place@1';

/** Ways to measure how far, and in what direction, one thing is from another. */
export const MEASURE_HOWS = ['tape', 'paces', 'feet', 'spans', 'line', 'rangefinder', 'compass'] as const;
export type MeasureHow = (typeof MEASURE_HOWS)[number];

/** What can be wished for: every form that can be pitched, or none. */
export type Form = PitchForm | 'none';
export const FORMS: readonly Form[] = [...PITCH_FORMS, 'none'];
export const BEDS = ['ground', 'hammock', 'none'] as const;
export type Bed = (typeof BEDS)[number];

export const CRITERIA = ['length', 'cord', 'anchors', 'wind', 'ground', 'overhead', 'guys', 'near'] as const;
export type Criterion = (typeof CRITERIA)[number];
export type Weights = Readonly<Record<Criterion, number>>;
/** Judgement: what is dangerous rules out whatever its weight; these order what is left. */
export const DEFAULT_WEIGHTS: Weights = {
  length: 2,
  cord: 1,
  anchors: 3,
  wind: 2,
  ground: 3,
  overhead: 2,
  guys: 1,
  near: 2,
};

export const HOW_WORDS: Readonly<Record<MeasureHow, string>> = {
  tape: 'tape',
  paces: 'paces',
  feet: 'feet heel to toe',
  spans: 'arm spans',
  line: 'lengths of the line',
  rangefinder: 'rangefinder',
  compass: 'compass',
};

/** Bearing from one spot to another, rad clockwise from north, 0 to 2 pi. */
export function bearingOf(from: At, to: At): number {
  const b = Math.atan2(to[0] - from[0], to[1] - from[1]);
  return b < 0 ? b + 2 * Math.PI : b;
}
/** The unit vector of a bearing. */
export const along = (bearing: number): At => [Math.sin(bearing), Math.cos(bearing)];
export const apart = (a: At, b: At): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
