import { atMost, keyOf } from '../document/index.js';
import { SIGNS } from './tree.js';

const ONCE = 'Each sign can stand once.';

/** Signs that a tree is not to be trusted, each once. */
export const signsDocument = atMost(keyOf('sign', SIGNS), Object.keys(SIGNS).length, ONCE).refine(
  (list) => new Set(list).size === list.length,
  { error: ONCE },
);
