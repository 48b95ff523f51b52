import { CORDS, worn } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { id, idOf, part, within, words } from '../document/index.js';
import { CORD_LIMITS } from './limits.js';

/** A length of cord the person owns. */
export const cordDocument = part({
  id: id('cord'),
  name: words('name of the cord', 1, 60),
  cord: idOf('cord', CORDS),
  length: within(CORD_LIMITS.length),
  ...worn,
});
export type KitCord = Described<typeof cordDocument>;
