import { BENDS, GUY_ENDS, HITCHES, TERMINATIONS } from '../catalogue/index.js';
import type { Constant } from '../catalogue/index.js';
import type { Knot } from './knot.js';

/** What of a cord is left in a knot, or what a friction hitch grips over its model: the catalogue's own number, with its range and source. */
export function strengthOf({ id }: Pick<Knot, 'id'>): Constant {
  const found =
    TERMINATIONS.find((t) => t.id === id)?.efficiency ??
    Object.values(GUY_ENDS).find((g) => g.id === id)?.efficiency ??
    BENDS.find((b) => knotOfBend(b.id) === id)?.efficiency ??
    HITCHES.find((h) => h.id === id)?.grip;
  if (found === undefined) throw new Error(`The catalogue has no strength of ${id}.`);
  return found;
}

/** The knot that a bend is: a loop in one end and a bend may be called alike. */
export const knotOfBend = (id: string): string => (id === 'figure-eight' ? 'figure-eight-bend' : id);
