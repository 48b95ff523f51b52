import { ADJUSTMENTS, BED_CLOTHS, CONNECTORS, CORDS, WEBBINGS, worn } from '../catalogue/index.js';
import { OWN, ownDocument } from '../cordage/index.js';
import type { Described } from '../document/index.js';
import { id, idOf, keyOf, part, whole, within, words } from '../document/index.js';
import { BED_KIT_LIMITS, STRAPS_KIT_LIMITS } from './limits.js';

const B = BED_KIT_LIMITS;
const S = STRAPS_KIT_LIMITS;

/** A hammock a person owns, gathered at its ends. */
export const kitBedDocument = part({
  id: id('bed'),
  name: words('name of the bed', 1, 60),
  cloth: idOf('bed cloth', BED_CLOTHS),
  /** Of the cloth from gather to gather, and across, m. */
  length: within(B.length),
  width: within(B.width),
  /** Weighed with its cords, kg; 0 where it never was: then from area and cloth. */
  mass: within(B.mass),
  /** Cord from end to end that sets how deep it hangs, m; 0 without one. */
  ridgeLength: within(B.ridgeLength),
  ridgeCord: idOf('cord of the ridge', CORDS),
  connector: keyOf('connector', CONNECTORS),
  /** kg; 0 where none is known. */
  limit: within(B.limit),
  /** How many people the maker lets lie in it. */
  people: whole(B.people),
  ...worn,
});
export type KitBed = Described<typeof kitBedDocument>;

/** A pair of straps alike. */
export const strapsDocument = part({
  id: id('straps'),
  name: words('name of the straps', 1, 60),
  /** One of the catalogue's, or the person's own, which `own` tells. */
  webbing: idOf('webbing', [...WEBBINGS, { id: OWN }]),
  own: ownDocument.optional(),
  /** Of each strap, m. */
  length: within(S.length),
  adjust: keyOf('way of adjusting', ADJUSTMENTS),
  /** From the trunk's end of the strap to its first loop, between loops, m, and how many. */
  first: within(S.first),
  spacing: within(S.spacing),
  count: whole(S.count),
  /** For a person on the pair, kg; 0 where none is known. */
  limit: within(S.limit),
  ...worn,
});
export type KitStraps = Described<typeof strapsDocument>;
