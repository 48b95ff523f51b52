import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

/** Allowed range of every number of a support, SI, with what it is called. */
export const SUPPORT_LIMITS = {
  inLine: limit('pegs in line', 'count', 1, 4),
  lean: limit('lean of a peg', 'angle', -0.8, 0.8),
  girth: limit('girth', 'length', 0.05, 8),
  height: limit('height of a tie', 'length', 0, 3),
  mass: limit('mass', 'mass', 1, 20_000),
  buriedLength: limit('length of what is buried', 'length', 0.1, 3),
  buriedWidth: limit('width of what is buried', 'length', 0.05, 1),
  buriedDepth: limit('depth it is buried', 'length', 0.05, 1.5),
  pegLength: limit('length of a peg', 'length', 0.1, 1.5),
  pegWidth: limit('width of a peg', 'diameter', 0.003, 0.15),
  pegs: limit('number of pegs', 'count', 0, 200),
  rootThickness: limit('thickness of the root', 'length', 0.01, 0.3),
  rootFree: limit('length of the root that shows', 'length', 0.1, 2),
  pull: limit('pull on a peg', 'force', 10, 5000),
} as const satisfies Record<string, Limit>;
