import { z } from 'zod';
import type { Described } from '../../document/index.js';
import { usualOf } from '../../document/index.js';
import type { Fields } from '../../document/index.js';
import { keep, keepDocument, rill, rillDocument, shelter, shelterDocument, soil, soilDocument } from './area.js';
import type { At } from './base.js';
import { leastCorners as least } from './base.js';
import type { Kind } from './kind.js';
import { pole, poleDocument } from './pole.js';
import { post, postDocument } from './post.js';
import { root, rootDocument } from './root.js';
import { hazard, hazardDocument, hollow, hollowDocument, mark, markDocument, sleep, sleepDocument } from './spot.js';
import { sapling, saplingDocument, tree, treeDocument } from './stem.js';
import { boulder, boulderDocument, log, logDocument } from './weight.js';

const DOCUMENTS = [
  treeDocument,
  saplingDocument,
  postDocument,
  boulderDocument,
  logDocument,
  rootDocument,
  poleDocument,
  markDocument,
  sleepDocument,
  hollowDocument,
  hazardDocument,
  keepDocument,
  soilDocument,
  rillDocument,
  shelterDocument,
] as const;

/** A thing of any kind, with exactly its fields. */
export const thingDocument = z.discriminatedUnion('kind', DOCUMENTS, {
  error: `The kind must be one of ${DOCUMENTS.map((d) => [...d.shape.kind.values][0]!).join(', ')}.`,
});
/** What stands, lies or is marked on the ground. */
export type Thing = Described<typeof thingDocument>;
export type ThingKind = Thing['kind'];
type Of<K extends ThingKind> = Extract<Thing, { readonly kind: K }>;
export type Hollow = Of<'hollow'>;
export type Pole = Of<'pole'>;
/** Ground with an outline, or a line, as offsets from its place. */
export type Area = Of<'keep' | 'soil' | 'rill' | 'shelter'>;

/** Every kind of thing, as lists show them. */
export const THINGS: { readonly [K in ThingKind]: Kind<Of<K>> } = {
  tree,
  sapling,
  post,
  boulder,
  log,
  root,
  pole,
  mark,
  sleep,
  hollow,
  hazard,
  keep,
  soil,
  rill,
  shelter,
};
export const KINDS = Object.keys(THINGS) as readonly ThingKind[];

/** The entry of a thing's own kind. */
export const kindOf = (t: Thing): Kind<Thing> => THINGS[t.kind] as unknown as Kind<Thing>;
/** Fields of a kind by their keys. */
export const fieldsOf = (kind: ThingKind): Fields => THINGS[kind].fields;

export const isArea = (t: Thing): t is Area => 'outline' in t;
/** Whether an area's corners go round it, and fewest that it needs. */
export function cornersOf(kind: Area['kind']): { readonly closed: boolean; readonly least: number } {
  const { ask } = THINGS[kind].fields.outline;
  const closed = ask.as === 'outline' && ask.closed;
  return { closed, least: least(closed) };
}

/** How far a thing reaches from its middle, m: half a stem, half a boulder. */
export const halfWidth = (t: Thing): number => kindOf(t).half(t);
/** How long a cord goes once round it, m. */
export const roundOf = (t: Thing): number => 2 * Math.PI * halfWidth(t);

/** A new thing of a kind with ordinary values. */
export const freshThing = (kind: ThingKind, id: string, name: string, at: At): Thing =>
  ({ kind, id, name, at, foot: 0, ...usualOf(fieldsOf(kind)) }) as unknown as Thing;
