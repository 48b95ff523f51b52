import type { ThingOf } from './base.js';

import type { Kind } from './kind.js';
import { PLAIN } from './kind.js';

export type Root = ThingOf<'root', Record<never, never>>;

/** A root or root plate one can pass a line under: holds guys, never a ridge. */
export const root: Kind<Root> = {
  ...PLAIN,
  name: 'root',
  fields: {},
  bulk: 'lies',
  // as thick as a thumb and a hand span free, until somebody looks
  support: ({ name }) => ({ kind: 'root', name, thickness: 0.03, free: 0.3 }),
};
