import type { Sign } from '../anchor/index.js';
import { SIGNS } from '../anchor/index.js';
import type { Shelter } from '../catalogue/index.js';
import { findSoil, findWood } from '../catalogue/index.js';
import type { Quantity } from '../quantity/index.js';

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
export interface Measure {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly how: MeasureHow;
  /** m for tape and rangefinder, how many for paces, feet, spans and lengths of the line, rad for a compass bearing. */
  readonly value: number;
}

/** Shelter forms by what they ask of the ground. */
export const FORMS = ['gable', 'flying', 'diagonal', 'leanto', 'wedge', 'low', 'group', 'none'] as const;
export type Form = (typeof FORMS)[number];
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

/** What is wanted of the place. */
export interface Wish {
  readonly form: Form;
  /** Cloth along the ridge and across it, m. */
  readonly roof: { readonly length: number; readonly width: number };
  readonly ridgeHeight: number;
  readonly bed: Bed;
  /** A hammock's length between its gathered ends, the straps at each end, m; who lies in it, kg. */
  readonly hammock: { readonly length: number; readonly strap: number; readonly mass: number };
  /** Id of a cord in the kit. */
  readonly cord: string;
  readonly weights: Weights;
}

/** A place as drawn and measured. SI; bearings in rad, clockwise from north. */
export interface Place {
  readonly format: typeof PLACE_FORMAT;
  /** Degrees of the place's zero on the globe (WGS 84), where known. */
  readonly origin: { readonly latitude: number; readonly longitude: number } | null;
  /** The even slope: fall over distance, and the bearing it falls toward. */
  readonly slope: { readonly fall: number; readonly toward: number };
  /** Soil by feel, where no patch says otherwise. */
  readonly soil: string;
  readonly wind: { readonly beaufort: number; readonly from: number; readonly shelter: Shelter };
  /** Length of the line kept for measuring, m. */
  readonly measuringLine: number;
  readonly things: readonly Thing[];
  readonly measures: readonly Measure[];
  readonly wish: Wish;
}

export interface PlaceLimit {
  readonly name: string;
  readonly quantity: Quantity;
  readonly min: number;
  readonly max: number;
}
const limit = (name: string, quantity: Quantity, min: number, max: number): PlaceLimit => ({
  name,
  quantity,
  min,
  max,
});
export const PLACE_LIMITS = {
  at: limit('place', 'length', -500, 500),
  foot: limit('foot above the slope', 'length', -5, 5),
  girth: limit('girth', 'length', 0.05, 8),
  height: limit('height', 'length', 0.2, 60),
  depth: limit('depth in the ground', 'length', 0.1, 3),
  mass: limit('mass', 'mass', 1, 20_000),
  across: limit('width', 'length', 0.1, 20),
  pole: limit('length of the pole', 'length', 0.5, 6),
  radius: limit('radius', 'length', 0.2, 50),
  hollow: limit('depth of the hollow', 'length', 0.01, 3),
  fall: limit('fall of the slope', 'share', 0, 1),
  bearing: limit('bearing', 'angle', 0, 2 * Math.PI),
  beaufort: limit('wind', 'count', 0, 9),
  measuringLine: limit('measuring line', 'length', 0.5, 60),
  metres: limit('distance', 'length', 0.05, 500),
  count: limit('count', 'count', 0.1, 2000),
  roof: limit('cloth', 'length', 0.5, 12),
  ridgeHeight: limit('ridge height', 'length', 0.3, 6),
  hammock: limit('length of the hammock', 'length', 1.5, 4.5),
  strap: limit('length of a strap', 'length', 0.3, 6),
  person: limit('mass of who lies in it', 'mass', 20, 160),
  weight: limit('weight', 'count', 0, 10),
  latitude: limit('latitude', 'count', -85, 85),
  longitude: limit('longitude', 'count', -180, 180),
} as const satisfies Record<string, PlaceLimit>;
export const MOST_THINGS = 300;
export const MOST_MEASURES = 400;
export const MOST_CORNERS = 60;

export interface PlaceProblem {
  /** Path of the field, as in `things.3.outline`. */
  readonly field: string;
  readonly message: string;
}

/** What the fields allow but the whole does not: each with the thing and the remedy. */
export function placeProblems(place: Place): PlaceProblem[] {
  const out: PlaceProblem[] = [];
  const seen = new Set<string>();
  place.things.forEach((t, i) => {
    if (seen.has(t.id))
      out.push({ field: `things.${i}.id`, message: `Two things share the id “${t.id}”. Give one another.` });
    seen.add(t.id);
    if (isArea(t)) {
      const least = leastCorners(t.kind);
      if (t.outline.length < least)
        out.push({
          field: `things.${i}.outline`,
          message: `“${t.name}” needs at least ${least} corners. Add one, or delete it.`,
        });
      if (t.kind === 'soil' && findSoil(t.soil) === undefined)
        out.push({ field: `things.${i}.soil`, message: `The catalogue has no soil “${t.soil}”. Choose another.` });
    }
    if ('wood' in t && findWood(t.wood) === undefined)
      out.push({ field: `things.${i}.wood`, message: `The catalogue has no wood “${t.wood}”. Choose another.` });
    if ('signs' in t && t.signs.some((s) => !Object.hasOwn(SIGNS, s)))
      out.push({ field: `things.${i}.signs`, message: `“${t.name}” carries a sign that is not in the list.` });
  });
  if (findSoil(place.soil) === undefined)
    out.push({ field: 'soil', message: `The catalogue has no soil “${place.soil}”. Choose another.` });
  const ids = new Set<string>();
  place.measures.forEach((m, i) => {
    if (ids.has(m.id)) out.push({ field: `measures.${i}.id`, message: `Two measures share the id “${m.id}”.` });
    ids.add(m.id);
    for (const end of ['from', 'to'] as const)
      if (!seen.has(m[end]))
        out.push({
          field: `measures.${i}.${end}`,
          message: 'This measure ends at a thing that is gone. Choose another, or delete it.',
        });
    if (m.from === m.to) out.push({ field: `measures.${i}.to`, message: 'A measure needs two different ends.' });
    const { min, max } =
      m.how === 'compass'
        ? PLACE_LIMITS.bearing
        : m.how === 'tape' || m.how === 'rangefinder'
          ? PLACE_LIMITS.metres
          : PLACE_LIMITS.count;
    if (!(m.value >= min && m.value <= max))
      out.push({
        field: `measures.${i}.value`,
        message: `A measure by ${HOW_WORDS[m.how]} can be from ${min} to ${Number(max.toFixed(2))}.`,
      });
  });
  return out;
}

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
