import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

/** Allowed bounds of each school's figures. */
export const REQUIRED_LIMITS = {
  factor: limit('factor of safety asked', 'ratio', 1.2, 20),
  share: limit('working share allowed', 'share', 0.05, 0.8),
  chance: limit('chance of failure allowed', 'chance', 1e-6, 0.1),
} as const satisfies Record<string, Limit>;

export const TOGGLE_LIMITS = {
  thickness: limit('thickness of the stick', 'diameter', 0.004, 0.05),
} as const satisfies Record<string, Limit>;
