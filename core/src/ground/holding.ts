import type { Figure } from '../working/index.js';
import { given } from '../working/index.js';
import type { Place } from './place-document.js';
import type { At, Thing } from './thing/index.js';
import { isArea, kindOf } from './thing/index.js';

/** The soil at a spot: the smallest patch it lies in, or that of the place. */
export function soilAt(place: Place, at: At): string {
  for (const t of place.things) if (isArea(t) && t.kind === 'soil' && within(at, t.at, t.outline)) return t.soil;
  return place.soil;
}

/** Whether a spot lies inside an outline: crossings of a ray, even or odd. */
export function within(spot: At, at: At, outline: readonly At[]): boolean {
  let inside = false;
  const [e, n] = [spot[0] - at[0], spot[1] - at[1]];
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [ei, ni] = outline[i]!;
    const [ej, nj] = outline[j]!;
    if (ni > n !== nj > n && e < ((ej - ei) * (n - ni)) / (nj - ni) + ei) inside = !inside;
  }
  return inside;
}

/** Level pull at a height that a thing may be asked to hold, N, its required factor already taken off; infinite where fixed. */
export const mayHold = (place: Place, t: Thing, height: number): number =>
  kindOf(t).may?.pull(t, soilAt(place, t.at), height) ?? 0;

/** The same with its working; null of what holds nothing. */
export function mayHoldFigure(place: Place, t: Thing, height: number): Figure | null {
  const at = given({ symbol: 'h', title: 'height of the tie', quantity: 'length' }, height, {
    kind: 'chosen',
    text: 'as wanted here',
  });
  const name = { symbol: 'H_may', title: `level pull ${t.name} may be asked to hold`, quantity: 'force' } as const;
  return kindOf(t).may?.figure(t, soilAt(place, t.at), at, name) ?? null;
}
