import { z } from 'zod';
import { signsDocument } from '../anchor/index.js';
import type { Described } from '../document/index.js';
import { id, keyOf, oneOf, pair, part, whole, within, words, yesNo } from '../document/index.js';
import { guyAnchorDocument } from '../support/index.js';
import { BENEATH } from './choices.js';
import { BED_LIMITS } from './limits.js';
import { soil, wood } from './pitch-document.js';

const B = BED_LIMITS;
/** x, y on the plan, m. */
const onPlan = pair(within(B.at));

/** A pole where there is no second tree: its foot dug in, its head held back by stays. */
const pole = part({
  kind: z.literal('pole'),
  foot: onPlan,
  wood,
  /** m thick. */
  thickness: within(B.thickness),
  /** How deep its foot stands in the ground, m. */
  dug: within(B.dug),
  /** Of its head from upright, away from the bed, rad. */
  lean: within(B.lean),
  stays: z.union([z.literal(1), z.literal(2)], { error: 'The number of stays must be 1 or 2.' }),
  /** Whether one thing holds both stays; each has one of its own when left out. */
  together: yesNo('together').optional(),
  /** How far beyond the pole's foot they are held, and how far apart from the middle, m. */
  out: within(B.out),
  spread: within(B.spread),
  cord: id('cord'),
  /** Pull they are hauled with, N. */
  haul: within(B.haul),
  anchor: guyAnchorDocument,
  /** How far off the middle of the head the lines sit, m. */
  offCentre: within(B.offCentre),
});
export type BedPole = Described<typeof pole>;

/** What a bed's end hangs from. Places on the rig's plan, m. */
const bedAnchor = z.discriminatedUnion('kind', [
  part({ kind: z.literal('trunk') }),
  part({
    kind: z.literal('stem'),
    name: words('name of the stem', 1, 60),
    wood,
    girth: within(B.girth),
    at: onPlan,
    signs: signsDocument,
  }),
  pole,
]);
export type BedAnchor = Described<typeof bedAnchor>;

const bedEnd = part({
  anchor: bedAnchor,
  /** Of the strap on its trunk, or of the pole's head, over the ground there, m. */
  height: within(B.height),
  wraps: whole(B.wraps),
  /** Loop or knot the bed is hooked to, 1 next to the trunk. */
  loop: whole(B.loop),
  /** Free strap where it is tied by a hitch anywhere, m. */
  free: within(B.free),
  /** Where a tail is tied on the strap so that water drips off, m from the trunk; null where none is. */
  drip: within(B.drip).nullable(),
});
export type BedEnd = Described<typeof bedEnd>;

/** A bed hung in the rig: everything about it that a person decides. SI. */
export const bedDocument = part({
  /** Ids of a bed and of straps in the kit. */
  bed: id('bed'),
  straps: id('straps'),
  ends: pair(bedEnd),
  /** Of who lies in it: kg, m. */
  mass: within(B.mass),
  stature: within(B.stature),
  people: whole(B.people),
  head: z.union([z.literal(0), z.literal(1)], { error: 'The end of the head must be 0 or 1.' }),
  /** Whether the bed's own ridge-cord is tied in. */
  ridgeCord: yesNo('The ridge-cord'),
  /** Where one sits, share of the cloth from its first end. */
  sitAt: within(B.sitAt),
  /** Height of the fall of who drops into it, m; how far it swings, rad; how far one leans out of it, m. */
  drop: within(B.drop),
  swing: within(B.swing),
  reach: within(B.reach),
  /** Stay that holds one side open. */
  sideStay: part({
    cord: id('cord'),
    /** To the left of the span or to its right. */
    side: oneOf('side', ['left', 'right']),
    /** How far out it is pegged, m. */
    out: within(B.sideStayOut),
    haul: within(B.haul),
    anchor: guyAnchorDocument,
  }).nullable(),
  beneath: keyOf('ground beneath', BENEATH),
  /** Where no roof's pitch names it. */
  soil,
  /** What is wished of it: lowest place lain in, angle of the straps, the head's end over the feet's: m, rad, m. */
  wish: part({ height: within(B.wishHeight), angle: within(B.wishAngle), headUp: within(B.headUp) }),
  /** Tails tied on the ridgeline inside the roof's edges. */
  ridgeDrip: pair(yesNo('A drip tail')),
});
export type Bed = Described<typeof bedDocument>;
