import type { Sign } from '../../anchor/index.js';
import { SOILS, WOODS } from '../../catalogue/index.js';
import type { Field, Fields, Kinded } from '../../document/index.js';
import { listField, yesNoField } from '../../document/index.js';

/** East and north of the place's zero, m. */
export type At = readonly [east: number, north: number];

/** What every thing has. */
export interface Base {
  readonly id: string;
  readonly name: string;
  readonly at: At;
  /** Foot above the even slope, m: a tree on a bank. */
  readonly foot: number;
}
/** A thing of a kind with its fields. */
export type ThingOf<K extends string, F extends Fields> = Base & Kinded<K, F>;

/* Fields that more than one kind has. */

export const woodField = listField('Wood', 'wood', WOODS, 'unknown');
export const soilField = (usual: string): Field<string> => listField('Soil by feel', 'soil', SOILS, usual);
export const fixedField = yesNoField('Immovable, on my word', 'fixed', false);
export const signsField: Field<readonly Sign[]> = {
  label: 'Look up',
  usual: [],
  ask: { as: 'signs' },
};

/** Offsets of corners from a thing's place, m. @param closed whether they go round ground, or along a line */
export const outlineField = (usual: readonly At[], closed: boolean): Field<readonly At[]> => ({
  label: 'Corners',
  usual,
  ask: { as: 'outline', closed },
});
/** Fewest corners an outline needs. */
export const leastCorners = (closed: boolean): number => (closed ? 3 : 2);
