import { PEGS, SOILS } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { id, idOf, part, whole, within, words, yesNo } from '../document/index.js';
import { SUPPORT_LIMITS } from './limits.js';

/** Pegs of one shape that a person has. */
export const pegsDocument = part({
  id: id('pegs'),
  name: words('name of the pegs', 1, 60),
  /** Id of a shape of the catalogue. */
  shape: idOf('shape of peg', PEGS),
  count: whole(SUPPORT_LIMITS.pegs),
});
export type KitPegs = Described<typeof pegsDocument>;

/** A peg that a person pulled, by heel or spring balance: replaces the model for that peg in that soil. */
export const pegPullDocument = part({
  pegs: id('pegs'),
  soil: idOf('soil', SOILS),
  /** Along the guy, N. */
  force: within(SUPPORT_LIMITS.pull),
  /** Whether it moved at that pull, or held. */
  moved: yesNo('moved'),
  /** Whether the ground was soaked. */
  wet: yesNo('wet'),
});
export type PegPull = Described<typeof pegPullDocument>;
