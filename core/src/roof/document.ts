import { CLOTHS, HOLDS, worn } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { atMost, id, idOf, keyOf, pair, part, within, words } from '../document/index.js';
import { MOST_TIE_OUTS, ROOF_LIMITS } from './limits.js';

const R = ROOF_LIMITS;

/** A place on the cloth where a cord can take hold. */
const tieOut = part({
  id: words('id of a tie-out', 1, 20),
  /** Along and across the cloth from its middle, m. */
  at: pair(within(R.at)),
  hold: keyOf('tie-out', HOLDS),
});
export type TieOut = Described<typeof tieOut>;

/** A roof a person owns. Its length lies along the ridge, unless it is pitched on its diagonal. */
export const roofDocument = part({
  id: id('roof'),
  name: words('name of the roof', 1, 60),
  cloth: idOf('cloth', CLOTHS),
  /** m. */
  length: within(R.length),
  width: within(R.width),
  /** How far the middle of each edge is cut inward, m; 0 is a straight edge. */
  hollow: within(R.hollow),
  tieOuts: atMost(tieOut, MOST_TIE_OUTS, `A roof has at most ${MOST_TIE_OUTS} tie-outs.`),
  /** Weighed, kg; 0 where it never was: then from area and cloth. */
  mass: within(R.mass),
  ...worn,
});
export type KitRoof = Described<typeof roofDocument>;
