import { kitBedDocument, strapsDocument } from '../bed/index.js';
import { PEGS } from '../catalogue/index.js';
import { cordDocument } from '../cordage/index.js';
import type { Described } from '../document/index.js';
import { atMost, id, idOf, part, whole, words } from '../document/index.js';
import { roofDocument } from '../roof/index.js';
import { PITCH_LIMITS } from './limits.js';

/** Pegs of one shape that a person has. */
export const pegsDocument = part({
  id: id('pegs'),
  name: words('name of the pegs', 1, 60),
  /** Id of a shape of the catalogue. */
  shape: idOf('shape of peg', PEGS),
  count: whole(PITCH_LIMITS.pegs),
});
export type KitPegs = Described<typeof pegsDocument>;

/** What one entry of each list of a kit is. */
export const KIT_DOCUMENTS = {
  cords: cordDocument,
  roofs: roofDocument,
  pegs: pegsDocument,
  beds: kitBedDocument,
  straps: strapsDocument,
} as const;

const most = (count: number): string => `A kit holds at most ${count} of these.`;

/** A whole kit, or the part of it that a rig uses. */
export const kitDocument = part({
  cords: atMost(cordDocument, 200, most(200)),
  roofs: atMost(roofDocument, 50, most(50)),
  pegs: atMost(pegsDocument, 50, most(50)),
  beds: atMost(kitBedDocument, 50, most(50)),
  straps: atMost(strapsDocument, 50, most(50)),
});
