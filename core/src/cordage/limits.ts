import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

/** Of a cord that is none of the catalogue's. */
export const OWN_LIMITS = {
  thickness: limit('thickness', 'diameter', 0.0005, 0.02),
  width: limit('width', 'diameter', 0, 0.1),
  rated: limit('rated strength', 'force', 0, 100_000),
  perMetre: limit('mass of a metre', 'mass', 0, 0.5),
  hung: limit('mass hung on it', 'mass', 0.1, 200),
  over: limit('length that was hung', 'length', 0.2, 30),
  drawn: limit('stretch under it', 'length', 0.001, 5),
} as const satisfies Record<string, Limit>;

export const CORD_LIMITS = {
  length: limit('length on hand', 'length', 0, 1000),
  piece: limit('length of the piece', 'length', 0.1, 1000),
} as const satisfies Record<string, Limit>;

/** Of elastic let into a line. */
export const ELASTIC_LIMITS = {
  draw: limit('draw of the elastic', 'length', 0.01, 1.5),
  pull: limit('pull at the elastic’s end', 'force', 5, 400),
} as const satisfies Record<string, Limit>;

/** Pieces of one hank, and cuts told of it, at most. */
export const MOST_PIECES = 60;
export const MOST_CUTS = 200;
