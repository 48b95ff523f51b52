import { diameterOf, footMoment, footStress, pileIn, slideHold, treeHoldFigure, treeHolds } from '../anchor/index.js';
import { ON_GROUND, findSoil, findWood } from '../catalogue/index.js';
import { TRUNK_FACTOR } from '../strength/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { Place } from './place-document.js';
import type { At, Thing } from './place.js';
import { isArea } from './place.js';

/** What weights and the soil round a post must have left, over the pull. Judgement, 1.5 to 3. */
export const SOIL_FACTOR = 2;
/** A back-stay of a pole set for the ridge: pegs in a row that share the pull. Judgement: the second holds half as well. */
const BACKSTAY_PEGS = 1.5;
const BACKSTAY_PEG = { diameter: 0.025, depth: 0.35, arm: 0.03 };

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

/** What a pole's back-stay at 45 degrees to two stout pegs in a soil may be asked to hold, level, N. */
export function poleHold(soilId: string): number {
  const soil = findSoil(soilId);
  const { diameter, depth, arm } = BACKSTAY_PEG;
  return soil === undefined ? 0 : (BACKSTAY_PEGS * pileIn(soil, 'typical', diameter, depth, arm)) / SOIL_FACTOR;
}

/** Level pull at a height that a thing may be asked to hold, N, its required factor already taken off; infinite where fixed. */
export function mayHold(place: Place, t: Thing, height: number): number {
  switch (t.kind) {
    case 'tree':
    case 'sapling': {
      const wood = findWood(t.wood);
      if (wood === undefined) return 0;
      const ground = { soil: soilAt(place, t.at), wet: true };
      return treeHolds(diameterOf(t.girth), wood, ground) / TRUNK_FACTOR / height;
    }
    case 'post': {
      if (t.fixed) return Number.POSITIVE_INFINITY;
      const wood = findWood(t.wood);
      const soil = findSoil(soilAt(place, t.at));
      if (wood === undefined || soil === undefined) return 0;
      const d = diameterOf(t.girth);
      return Math.min(
        wood.strength.typical / TRUNK_FACTOR / footStress(footMoment(1, height), d),
        pileIn(soil, 'low', d, t.depth, height) / SOIL_FACTOR,
      );
    }
    case 'boulder':
    case 'log':
      return t.fixed ? Number.POSITIVE_INFINITY : slideHold(t.mass, ON_GROUND.low) / SOIL_FACTOR;
    case 'pole':
      return poleHold(soilAt(place, t.at));
    default:
      return 0;
  }
}

/** The same with its working. */
export function mayHoldFigure(place: Place, t: Thing, height: number): Figure {
  const hold = { symbol: 'H_may', title: `level pull ${t.name} may be asked to hold`, quantity: 'force' as const };
  const at = given({ symbol: 'h', title: 'height of the tie', quantity: 'length' }, height, {
    kind: 'chosen',
    text: 'as wanted here',
  });
  const screen = 'A sound, solid stem on firm roots. It screens out, it never passes: look up, knock and push.';
  if (t.kind === 'tree' || t.kind === 'sapling')
    return derive(
      { ...hold, formula: `H_may = R / (${TRUNK_FACTOR} h)`, notes: [screen] },
      [treeHoldFigure(t.name, diameterOf(t.girth), findWood(t.wood)!, { soil: soilAt(place, t.at), wet: true }), at],
      (R, h) => R! / (TRUNK_FACTOR * h!),
    );
  const how =
    t.kind === 'post'
      ? 'The least of what its wood bends under and what the soil round its foot holds (Broms 1964, low end), over their factors.'
      : t.kind === 'pole'
        ? 'A back-stay at 45° to two stout pegs, a third of a metre deep, in this soil (Broms 1964). A first estimate: the bench and a pull test decide.'
        : 'Sliding: μ m g at the low end of friction, over its factor.';
  return given(hold, mayHold(place, t, height), {
    kind: 'derived',
    text: 'fixed' in t && t.fixed ? 'taken as immovable on your word' : how,
  });
}
