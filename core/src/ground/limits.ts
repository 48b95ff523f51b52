import type { Limit } from '../quantity/index.js';
import { limit } from '../quantity/index.js';

/* Allowed range of every number of a place, SI. */

export const PLACE_LIMITS = {
  at: limit('place', 'length', -500, 500),
  foot: limit('foot above the slope', 'length', -5, 5),
  girth: limit('girth', 'length', 0.05, 8),
  height: limit('height', 'length', 0.2, 60),
  depth: limit('depth in the ground', 'length', 0.1, 3),
  mass: limit('mass', 'mass', 1, 20_000),
  across: limit('width', 'length', 0.1, 20),
  pole: limit('length of the pole', 'length', 0.5, 6),
  radius: limit('radius', 'length', 0.2, 50),
  hollow: limit('depth of the hollow', 'length', 0.01, 3),
  fall: limit('fall of the slope', 'share', 0, 1),
  bearing: limit('bearing', 'angle', 0, 2 * Math.PI),
  beaufort: limit('wind', 'count', 0, 9),
  measuringLine: limit('measuring line', 'length', 0.5, 60),
  metres: limit('distance', 'length', 0.05, 500),
  count: limit('count', 'count', 0.1, 2000),
  roof: limit('cloth', 'length', 0.5, 12),
  ridgeHeight: limit('ridge height', 'length', 0.3, 6),
  hammock: limit('length of the hammock', 'length', 1.5, 4.5),
  strap: limit('length of a strap', 'length', 0.3, 6),
  person: limit('mass of who lies in it', 'mass', 20, 160),
  weight: limit('weight', 'count', 0, 10),
  latitude: limit('latitude', 'count', -85, 85),
  longitude: limit('longitude', 'count', -180, 180),
} as const satisfies Record<string, Limit>;
export const MOST_THINGS = 300;
export const MOST_MEASURERS = 40;
export const MOST_MEASURES = 400;
export const MOST_CORNERS = 60;
