import type { Sign } from '../anchor/index.js';
import type { PitchForm } from '../roof/index.js';
import { PITCH_FORMS } from '../roof/index.js';

/** The version of a place as it is stored and edited. */
export const PLACE_FORMAT = 'rough-bight/place@1';

/** East and north of the place's zero, m. */
export type At = readonly [east: number, north: number];

interface Base {
  readonly id: string;
  readonly name: string;
  readonly at: At;
  /** Foot above the even slope, m: a tree on a bank. */
  readonly foot: number;
}
/** Standing wood. `height` is what could fall, m; `signs` only ever rule it out. */
export interface Tree extends Base {
  readonly kind: 'tree' | 'sapling';
  readonly wood: string;
  readonly girth: number;
  readonly height: number;
  readonly signs: readonly Sign[];
}
export interface Post extends Base {
  readonly kind: 'post';
  readonly wood: string;
  readonly girth: number;
  /** In the ground, m. */
  readonly depth: number;
  /** True where the person takes it as immovable, on their own word. */
  readonly fixed: boolean;
}
/** Things that hold by their weight. `across` is how wide they lie, m. */
export interface Weight extends Base {
  readonly kind: 'boulder' | 'log';
  readonly mass: number;
  readonly across: number;
  readonly fixed: boolean;
}
/** A root or root plate one can pass a line under: holds guys, never a ridge. */
export interface Root extends Base {
  readonly kind: 'root';
}
/** A spot with nothing on it but a name: a stake, a waypoint, a corner. */
export interface Mark extends Base {
  readonly kind: 'mark';
}
/** A pole to be set on a dug-in foot with a back-stay. */
export interface Pole extends Base {
  readonly kind: 'pole';
  readonly length: number;
}
/** Where they want to lie; the head lies toward the bearing. */
export interface Sleep extends Base {
  readonly kind: 'sleep';
  readonly bearing: number;
}
/** A dip that would pool: `radius` and `depth` below the slope round it, m. */
export interface Hollow extends Base {
  readonly kind: 'hollow';
  readonly radius: number;
  readonly depth: number;
}
/** Something overhead: a dead stem that falls its height, or a hung branch that drops within its reach. */
export interface Hazard extends Base {
  readonly kind: 'hazard';
  readonly what: 'dead stem' | 'hung branch';
  readonly height: number;
}
/** Ground with an outline, or a line, as offsets from `at`. */
export interface Area extends Base {
  readonly kind: 'keep' | 'soil' | 'rill' | 'shelter';
  readonly outline: readonly At[];
  /** Soil by feel, of a patch of soil. */
  readonly soil: string;
  /** How high a hedge, bank or thicket stands, m. */
  readonly height: number;
}
export type Thing = Tree | Post | Weight | Root | Mark | Pole | Sleep | Hollow | Hazard | Area;
export type ThingKind = Thing['kind'];

export const KIND_NAMES: Readonly<Record<ThingKind, string>> = {
  tree: 'tree',
  sapling: 'sapling',
  post: 'post',
  boulder: 'boulder',
  log: 'log',
  root: 'root',
  pole: 'pole to be set',
  mark: 'marked spot',
  sleep: 'sleeping place',
  hollow: 'hollow',
  hazard: 'hazard overhead',
  keep: 'ground to keep off',
  soil: 'patch of soil',
  rill: 'rill or run-off path',
  shelter: 'hedge, bank or thicket',
};
export const KINDS = Object.keys(KIND_NAMES) as ThingKind[];
/** What can end a ridge, and what can hold a guy. */
export const RIDGE_ANCHORS: readonly ThingKind[] = ['tree', 'post', 'boulder', 'log', 'pole'];
export const GUY_ANCHORS: readonly ThingKind[] = ['tree', 'sapling', 'post', 'boulder', 'log', 'root'];
export const isArea = (t: Thing): t is Area => 'outline' in t;
/** Fewest corners an outline needs. */
export const leastCorners = (kind: Area['kind']): number => (kind === 'keep' || kind === 'soil' ? 3 : 2);

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

/** How far a thing reaches from its middle, m: half a stem, half a boulder. */
export function halfWidth(t: Thing): number {
  if ('girth' in t) return t.girth / (2 * Math.PI);
  return t.kind === 'boulder' || t.kind === 'log' ? t.across / 2 : 0.04;
}

/** Bearing from one spot to another, rad clockwise from north, 0 to 2 pi. */
export function bearingOf(from: At, to: At): number {
  const b = Math.atan2(to[0] - from[0], to[1] - from[1]);
  return b < 0 ? b + 2 * Math.PI : b;
}
/** The unit vector of a bearing. */
export const along = (bearing: number): At => [Math.sin(bearing), Math.cos(bearing)];
export const apart = (a: At, b: At): number => Math.hypot(b[0] - a[0], b[1] - a[1]);
