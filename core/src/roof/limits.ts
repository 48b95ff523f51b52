import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

export const ROOF_LIMITS = {
  length: limit('length of the cloth', 'length', 1, 12),
  width: limit('width of the cloth', 'length', 1, 12),
  hollow: limit('hollow of the edges', 'length', 0, 0.5),
  mass: limit('mass of the roof', 'mass', 0, 60),
  at: limit('place of a tie-out', 'length', -6, 6),
} as const satisfies Record<string, Limit>;
export const MOST_TIE_OUTS = 40;
