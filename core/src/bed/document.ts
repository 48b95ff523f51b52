import { ADJUSTMENTS, BED_CLOTHS, CONNECTORS, CORDS, SUN, WEAR, WEBBINGS } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { id, keyOf, oneOf, part, whole, within, words } from '../document/index.js';
import { BED_KIT_LIMITS, STRAPS_KIT_LIMITS } from './limits.js';

const B = BED_KIT_LIMITS;
const S = STRAPS_KIT_LIMITS;

/** A hammock a person owns, gathered at its ends. */
export const kitBedDocument = part({
  id: id('bed'),
  name: words('name of the bed', 1, 60),
  cloth: oneOf(
    'bed cloth',
    BED_CLOTHS.map((c) => c.id),
  ),
  /** Of the cloth from gather to gather, and across, m. */
  length: within(B.length),
  width: within(B.width),
  /** Weighed with its cords, kg; 0 where it never was: then from area and cloth. */
  mass: within(B.mass),
  /** Cord from end to end that sets how deep it hangs, m; 0 without one. */
  ridgeLength: within(B.ridgeLength),
  ridgeCord: oneOf(
    'cord of the ridge',
    CORDS.map((c) => c.id),
  ),
  connector: keyOf('connector', CONNECTORS),
  /** kg; 0 where none is known. */
  limit: within(B.limit),
  /** How many people the maker lets lie in it. */
  people: whole(B.people),
  sun: keyOf('sun', SUN),
  wear: keyOf('wear', WEAR),
});
export type KitBed = Described<typeof kitBedDocument>;

/** A pair of straps alike. */
export const strapsDocument = part({
  id: id('straps'),
  name: words('name of the straps', 1, 60),
  webbing: oneOf(
    'webbing',
    WEBBINGS.map((w) => w.id),
  ),
  /** Of each strap, m. */
  length: within(S.length),
  adjust: keyOf('way of adjusting', ADJUSTMENTS),
  /** From the trunk's end of the strap to its first loop, between loops, m, and how many. */
  first: within(S.first),
  spacing: within(S.spacing),
  count: whole(S.count),
  /** For a person on the pair, kg; 0 where none is known. */
  limit: within(S.limit),
  sun: keyOf('sun', SUN),
  wear: keyOf('wear', WEAR),
});
export type KitStraps = Described<typeof strapsDocument>;
