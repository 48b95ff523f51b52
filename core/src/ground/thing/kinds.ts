import type { Fields } from '../../document/index.js';
import { usualOf } from '../../document/index.js';
import type { Keep, Rill, Shelter, Soil } from './area.js';
import { keep, rill, shelter, soil } from './area.js';
import type { At } from './base.js';
import { leastCorners } from './base.js';
import type { Kind } from './kind.js';
import type { Pole } from './pole.js';
import { pole } from './pole.js';
import type { Post } from './post.js';
import { post } from './post.js';
import type { Root } from './root.js';
import { root } from './root.js';
import type { Hazard, Hollow, Mark, Sleep } from './spot.js';
import { hazard, hollow, mark, sleep } from './spot.js';
import type { Sapling, Tree } from './stem.js';
import { sapling, tree } from './stem.js';
import type { Boulder, Log } from './weight.js';
import { boulder, log } from './weight.js';

/** Ground with an outline, or a line, as offsets from its place. */
export type Area = Keep | Soil | Rill | Shelter;
/** What stands, lies or is marked on the ground. */
export type Thing = Tree | Sapling | Post | Boulder | Log | Root | Pole | Mark | Sleep | Hollow | Hazard | Area;
export type ThingKind = Thing['kind'];
export type { Hollow, Pole };
type Of<K extends ThingKind> = Extract<Thing, { readonly kind: K }>;

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
  return { closed, least: leastCorners(closed) };
}

/** How far a thing reaches from its middle, m: half a stem, half a boulder. */
export const halfWidth = (t: Thing): number => kindOf(t).half(t);
/** How long a cord goes once round it, m. */
export const roundOf = (t: Thing): number => 2 * Math.PI * halfWidth(t);

/** A new thing of a kind with ordinary values. */
export const freshThing = (kind: ThingKind, id: string, name: string, at: At): Thing =>
  ({ kind, id, name, at, foot: 0, ...usualOf(fieldsOf(kind)) }) as unknown as Thing;
