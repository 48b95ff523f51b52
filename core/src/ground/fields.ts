import type { Limit } from '../quantity/index.js';
import { PLACE_LIMITS } from './limits.js';
import type { At, Thing, ThingKind } from './place.js';

const L = PLACE_LIMITS;

/** One field of a kind of thing: what it is called, what it may be, what a new one has. */
export type Field =
  | {
      readonly key: string;
      readonly label: string;
      readonly type: 'number';
      readonly limit: Limit;
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

const number = (key: string, label: string, limit: Limit, step: number, fresh: number, hint?: string): Field => ({
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
