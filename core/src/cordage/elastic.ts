import type { Described } from '../document/index.js';
import { part, within } from '../document/index.js';
import { ELASTIC_LIMITS } from './limits.js';

/** Elastic let into a line: by how much it draws out until the cord beside it is straight, m, and the pull at which it is, N. */
export const elasticDocument = part({ draw: within(ELASTIC_LIMITS.draw), pull: within(ELASTIC_LIMITS.pull) });
export type Elastic = Described<typeof elasticDocument>;

/** That of somebody who said nothing of it: 20 cm of 5 mm elastic drawn out by 60 %. Judgement, 30 to 80 N. */
export const USUAL_ELASTIC: Elastic = { draw: 0.12, pull: 50 };

/** By how much it is drawn out under a pull, m: as hard at every centimetre, and then no more. @param pull N */
export const drawnBy = ({ draw, pull: end }: Elastic, pull: number): number =>
  draw * Math.min(1, Math.max(0, pull) / end);
