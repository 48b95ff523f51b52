import type { Sign } from '../../anchor/index.js';
import { signsDocument } from '../../anchor/index.js';
import { SOILS, WOODS } from '../../catalogue/index.js';
import type { Field, Fields } from '../../document/index.js';
import { atMost, kindPart, listField, numberField, pair, within, words, yesNoField } from '../../document/index.js';
import { MOST_CORNERS, PLACE_LIMITS } from '../limits.js';

const L = PLACE_LIMITS;

/** East and north of the place's zero, m. */
export const spotDocument = pair(within(L.at));
export type At = readonly [east: number, north: number];

/** A kind of thing: what all have, and its own fields. */
export const thingPart = <const K extends string, F extends Fields>(kind: K, fields: F) =>
  kindPart(kind, fields, {
    id: words('id', 1, 60),
    name: words('name', 1, 60),
    at: spotDocument,
    /** Foot above the even slope, m: a tree on a bank. */
    foot: within(L.foot),
  });

/* Fields that more than one kind has. */

export const woodField = listField('Wood', 'wood', WOODS, 'unknown');
export const soilField = (usual: string): Field<string> => listField('Soil by feel', 'soil', SOILS, usual);
export const girthField = (usual: number): Field<number> => ({
  ...numberField('Girth', L.girth, 0.01, usual),
  ask: { as: 'girth', limit: L.girth },
});
export const fixedField = yesNoField('Immovable, on my word', 'fixed', false);
export const signsField: Field<readonly Sign[]> = {
  label: 'Look up',
  check: signsDocument,
  usual: [],
  ask: { as: 'signs' },
};

/** Offsets of corners from a thing's place, m. @param closed whether they go round ground, or along a line */
export function outlineField(usual: readonly At[], closed: boolean): Field<readonly At[]> {
  const least = leastCorners(closed);
  return {
    label: 'Corners',
    check: atMost(spotDocument, MOST_CORNERS, `An outline has at most ${MOST_CORNERS} corners.`).min(least, {
      error: `This needs at least ${least} corners.`,
    }),
    usual,
    ask: { as: 'outline', closed },
  };
}
/** Fewest corners an outline needs. */
export const leastCorners = (closed: boolean): number => (closed ? 3 : 2);
