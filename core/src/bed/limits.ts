import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

const makers = limit('maker’s limit', 'mass', 0, 500);
export const BED_KIT_LIMITS = {
  length: limit('length of the cloth', 'length', 1.5, 5),
  width: limit('width of the cloth', 'length', 0.5, 4),
  mass: limit('mass of the bed', 'mass', 0, 20),
  ridgeLength: limit('length of the ridge-cord', 'length', 0, 4.9),
  limit: makers,
  people: limit('people it is made for', 'count', 1, 2),
} as const satisfies Record<string, Limit>;
export const STRAPS_KIT_LIMITS = {
  length: limit('length of a strap', 'length', 0.5, 12),
  first: limit('way to the first loop', 'length', 0.1, 11),
  spacing: limit('way from loop to loop', 'length', 0.02, 1),
  count: limit('number of loops', 'count', 1, 40),
  limit: makers,
} as const satisfies Record<string, Limit>;
