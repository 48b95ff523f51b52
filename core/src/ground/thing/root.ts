import type { Described } from '../../document/index.js';
import { thingPart } from './base.js';
import type { Kind } from './kind.js';
import { PLAIN } from './kind.js';

export const rootDocument = thingPart('root', {});

/** A root or root plate one can pass a line under: holds guys, never a ridge. */
export const root: Kind<Described<typeof rootDocument>> = {
  ...PLAIN,
  name: 'root',
  fields: {},
  bulk: 'lies',
  support: ({ name }) => ({ kind: 'root', name }),
};
