import { kitBedDocument, strapsDocument } from '../bed/index.js';
import { cordDocument } from '../cordage/index.js';
import { atMost, part } from '../document/index.js';
import { roofDocument } from '../roof/index.js';
import { pegsDocument } from '../support/index.js';

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
