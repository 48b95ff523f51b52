import { CORDS, SUN, WEAR } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { id, keyOf, oneOf, part, within, words } from '../document/index.js';
import { CORD_LIMITS } from './limits.js';

/** A length of cord the person owns. */
export const cordDocument = part({
  id: id('cord'),
  name: words('name of the cord', 1, 60),
  cord: oneOf(
    'cord',
    CORDS.map((c) => c.id),
  ),
  length: within(CORD_LIMITS.length),
  sun: keyOf('sun', SUN),
  wear: keyOf('wear', WEAR),
});
export type KitCord = Described<typeof cordDocument>;
