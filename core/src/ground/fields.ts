import { SIGNS } from '../anchor/index.js';
import { findSoil, findWood } from '../catalogue/index.js';
import type { At, PlaceLimit, Thing, ThingKind } from './place.js';
import { KINDS, KIND_NAMES, MOST_CORNERS, PLACE_LIMITS, leastCorners } from './place.js';

const L = PLACE_LIMITS;

/** One field of a kind of thing: what it is called, what it may be, what a new one has. */
export type Field =
  | {
      readonly key: string;
      readonly label: string;
      readonly type: 'number';
      readonly limit: PlaceLimit;
      readonly step: number;
      readonly fresh: number;
      readonly hint?: string;
    }
  | { readonly key: string; readonly label: string; readonly type: 'bearing'; readonly fresh: number }
  | { readonly key: string; readonly label: string; readonly type: 'flag'; readonly fresh: boolean }
  | {
      readonly key: string;
      readonly label: string;
      readonly type: 'choice';
      readonly options: readonly string[];
      readonly fresh: string;
    }
  | { readonly key: 'wood' | 'soil'; readonly label: string; readonly type: 'wood' | 'soil'; readonly fresh: string }
  | { readonly key: 'signs'; readonly label: string; readonly type: 'signs'; readonly fresh: readonly string[] }
  | { readonly key: 'outline'; readonly label: string; readonly type: 'outline'; readonly fresh: readonly At[] };

const number = (key: string, label: string, limit: PlaceLimit, step: number, fresh: number, hint?: string): Field => ({
  key,
  label,
  type: 'number',
  limit,
  step,
  fresh,
  ...(hint === undefined ? {} : { hint }),
});
const wood: Field = { key: 'wood', label: 'Wood', type: 'wood', fresh: 'unknown' };
const fixed: Field = { key: 'fixed', label: 'Immovable, on my word', type: 'flag', fresh: false };
const patch: readonly At[] = [
  [-1.5, -1],
  [1.5, -1],
  [1.5, 1],
  [-1.5, 1],
];
const stretch: readonly At[] = [
  [-2, 0],
  [2, 0],
];
const area = (outline: readonly At[], soil = 'firm-clay', height = 1): Field[] => [
  { key: 'outline', label: 'Corners', type: 'outline', fresh: outline },
  { key: 'soil', label: 'Soil by feel', type: 'soil', fresh: soil },
  number('height', 'Height', L.height, 0.1, height),
];

/** The fields of every kind besides id, name, place and foot: the one list that readers, checks and forms go by. */
export const THING_FIELDS: Readonly<Record<ThingKind, readonly Field[]>> = {
  tree: [
    wood,
    number('girth', 'Girth', L.girth, 0.01, 0.6, 'a cord round it, at chest'),
    number('height', 'Height', L.height, 0.5, 12, 'what could fall'),
    { key: 'signs', label: 'Look up', type: 'signs', fresh: [] },
  ],
  sapling: [
    wood,
    number('girth', 'Girth', L.girth, 0.01, 0.2),
    number('height', 'Height', L.height, 0.5, 4),
    { key: 'signs', label: 'Look up', type: 'signs', fresh: [] },
  ],
  post: [
    wood,
    number('girth', 'Girth', L.girth, 0.01, 0.5),
    number('depth', 'Depth in the ground', L.depth, 0.1, 0.8),
    fixed,
  ],
  boulder: [
    number('mass', 'Mass', L.mass, 10, 300, 'by size: a cubic metre weighs 2600 kg'),
    number('across', 'Across', L.across, 0.1, 0.7),
    fixed,
  ],
  log: [
    number('mass', 'Mass', L.mass, 10, 150, 'a green cubic metre weighs 900 kg'),
    number('across', 'Across', L.across, 0.1, 0.4),
    fixed,
  ],
  root: [],
  mark: [],
  pole: [number('length', 'Length', L.pole, 0.1, 2.1)],
  sleep: [{ key: 'bearing', label: 'Head toward', type: 'bearing', fresh: 0 }],
  hollow: [
    number('radius', 'Radius', L.radius, 0.1, 1.5),
    number('depth', 'Depth', L.hollow, 0.01, 0.15, 'below the slope round it'),
  ],
  hazard: [
    { key: 'what', label: 'What', type: 'choice', options: ['dead stem', 'hung branch'], fresh: 'dead stem' },
    number('height', 'Height', L.height, 0.5, 9, 'a stick at arm’s length'),
  ],
  keep: area(patch),
  soil: area(patch, 'sand'),
  rill: area(stretch),
  shelter: area(stretch, 'firm-clay', 2),
};

/** Fields that a person sees of a kind: an area carries all of them, and shows its own. */
export function shownFields(kind: ThingKind): readonly Field[] {
  return THING_FIELDS[kind].filter(
    (f) =>
      !(
        (f.key === 'soil' && kind !== 'soil') ||
        (f.key === 'height' && (kind === 'keep' || kind === 'soil' || kind === 'rill'))
      ),
  );
}

/** A new thing of a kind with ordinary values. */
export function freshThing(kind: ThingKind, id: string, name: string, at: At): Thing {
  return {
    kind,
    id,
    name,
    at,
    foot: 0,
    ...Object.fromEntries(THING_FIELDS[kind].map((f) => [f.key, f.fresh])),
  } as unknown as Thing;
}

/** What is wrong with a field of a thing, as a message; null where it fits. */
function wrong(field: Field, value: unknown, kind: ThingKind): string | null {
  switch (field.type) {
    case 'number':
      return inLimit(value, field.limit);
    case 'bearing':
      return inLimit(value, L.bearing);
    case 'flag':
      return typeof value === 'boolean' ? null : 'must be true or false';
    case 'choice':
      return field.options.includes(value as string) ? null : `must be one of ${field.options.join(', ')}`;
    case 'wood':
      return typeof value === 'string' && findWood(value) !== undefined ? null : 'is not a wood of the catalogue';
    case 'soil':
      return typeof value === 'string' && findSoil(value) !== undefined ? null : 'is not a soil of the catalogue';
    case 'signs':
      return Array.isArray(value) &&
        value.every((s) => typeof s === 'string' && Object.hasOwn(SIGNS, s)) &&
        new Set(value).size === value.length
        ? null
        : `must be a list of ${Object.keys(SIGNS).join(', ')}, each once`;
    case 'outline':
      return outlineProblem(value, leastCorners(kind as 'keep'));
  }
}

function outlineProblem(value: unknown, least: number): string | null {
  if (!Array.isArray(value) || value.length < least || value.length > MOST_CORNERS)
    return `must be a list of ${least} to ${MOST_CORNERS} corners`;
  return value.every((p) => isAt(p)) ? null : `must be corners of two numbers from ${L.at.min} to ${L.at.max} m`;
}

function inLimit(value: unknown, limit: PlaceLimit): string | null {
  return typeof value === 'number' && value >= limit.min && value <= limit.max
    ? null
    : `must be a number from ${limit.min} to ${Number(limit.max.toFixed(3))}`;
}

const isAt = (p: unknown): p is At => Array.isArray(p) && p.length === 2 && p.every((v) => inLimit(v, L.at) === null);
const isWords = (v: unknown, least: number, most: number): v is string =>
  typeof v === 'string' && v.length >= least && v.length <= most && !/\p{Cc}/u.test(v);

/**
 * Checks a thing as it comes from outside.
 * @returns the thing with exactly its fields, or the first field that does not fit and why
 */
export function checkThing(
  value: unknown,
): { readonly thing: Thing } | { readonly field: string; readonly problem: string } {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { field: '', problem: 'must be an object' };
  const v = value as Record<string, unknown>;
  const kind = v['kind'] as ThingKind;
  if (typeof v['kind'] !== 'string' || !KINDS.includes(kind))
    return { field: 'kind', problem: `must be one of ${KINDS.join(', ')}` };
  if (!isWords(v['id'], 1, 60)) return { field: 'id', problem: 'must be text of 1 to 60 characters' };
  if (!isWords(v['name'], 1, 60)) return { field: 'name', problem: 'must be text of 1 to 60 characters' };
  if (!isAt(v['at'])) return { field: 'at', problem: `must be two numbers from ${L.at.min} to ${L.at.max} m` };
  const foot = inLimit(v['foot'], L.foot);
  if (foot !== null) return { field: 'foot', problem: foot };
  const fields = THING_FIELDS[kind];
  for (const f of fields) {
    const problem = wrong(f, v[f.key], kind);
    if (problem !== null) return { field: f.key, problem };
  }
  const known = ['kind', 'id', 'name', 'at', 'foot', ...fields.map((f) => f.key)];
  const stray = Object.keys(v).find((k) => !known.includes(k));
  if (stray !== undefined) return { field: stray, problem: `is not a field of a ${KIND_NAMES[kind]}; leave it out` };
  return { thing: value as Thing };
}
