import type { Described } from '../document/index.js';
import { part, within } from '../document/index.js';
import { REQUIRED_LIMITS } from './limits.js';

const byUse = (school: keyof typeof REQUIRED_LIMITS) => {
  const asked = within(REQUIRED_LIMITS[school]);
  return part({ ridge: asked, hangers: asked, person: asked });
};

/** What each school asks, by use. */
export const requiredDocument = part({ factor: byUse('factor'), share: byUse('share'), chance: byUse('chance') });
export type Required = Described<typeof requiredDocument>;
