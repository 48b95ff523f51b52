import type { Described } from '../document/index.js';
import { id, oneOf, pair, part, within } from '../document/index.js';
import { limit } from '../quantity/index.js';

/** What stands round a roof may be so far along and beside its span, m; turned so far, rad; so long and so high, m. */
export const AROUND_LIMITS = {
  at: limit('place', 'length', -30, 60),
  toward: limit('way', 'angle', 0, 2 * Math.PI),
  length: limit('length', 'length', 0.5, 20),
  height: limit('height', 'length', 0.3, 3),
} as const;
/** Walls round one roof at most. */
export const MOST_WALLS = 6;

export const WALL_KINDS = ['brush', 'bank'] as const;
export type WallKind = (typeof WALL_KINDS)[number];

export const WALL_NAMES: Readonly<Record<WallKind, string>> = { brush: 'wall of brush', bank: 'bank of earth' };

/** Brush heaped or woven to a wall, which lets some of the wind through, or a bank of earth, which lets none. */
export const wallDocument = part({
  id: id('wall'),
  kind: oneOf('wall', WALL_KINDS),
  /** Its middle on the rig's plan: along the span from the first trunk and to its left, m. */
  at: pair(within(AROUND_LIMITS.at)),
  /** Which way it runs, rad from along the span, to the left. */
  toward: within(AROUND_LIMITS.toward),
  length: within(AROUND_LIMITS.length),
  height: within(AROUND_LIMITS.height),
});
export type Wall = Described<typeof wallDocument>;

/** A fire on the ground: its middle on the rig's plan, m. */
export const fireDocument = part({ at: pair(within(AROUND_LIMITS.at)) });
export type Fire = Described<typeof fireDocument>;
