import type { Need, NeedRole, Stock } from '../../src/budget/index.js';
import { loadSolver } from '../../src/budget/index.js';
import type { Cut } from '../../src/cordage/index.js';

export const solve = await loadSolver();

/** A need of a plan that is looked at by itself. */
export function need(id: string, length: number, role: NeedRole = 'guy', more: Partial<Need> = {}): Need {
  const cut: Cut = { hank: 'a', between: length, wraps: 0, knots: 0, tails: 0, travel: 0, over: 0 };
  return { id, of: 'rig', name: id, role, cut, length, roof: null, from: new Set(['a', 'b', 'c', 'd']), ...more };
}

export const stock = (hank: string, length: number, more: Partial<Stock> = {}): Stock => ({
  id: hank,
  hank,
  piece: null,
  length,
  on: null,
  ...more,
});
