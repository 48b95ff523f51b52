import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

export const CORD_LIMITS = {
  length: limit('length on hand', 'length', 0.1, 1000),
} as const satisfies Record<string, Limit>;
