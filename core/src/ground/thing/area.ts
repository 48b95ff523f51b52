import { findSoil } from '../../catalogue/index.js';
import type { Fields } from '../../document/index.js';
import { numberField } from '../../document/index.js';
import { PLACE_LIMITS } from '../limits.js';
import type { At, ThingOf } from './base.js';
import { outlineField, soilField } from './base.js';
import type { Kind } from './kind.js';
import { PLAIN } from './kind.js';

const PATCH: readonly At[] = [
  [-1.5, -1],
  [1.5, -1],
  [1.5, 1],
  [-1.5, 1],
];
const STRETCH: readonly At[] = [
  [-2, 0],
  [2, 0],
];

/** Every area carries all of these, and is asked for its own. @param closed whether it is ground with an outline, or a line */
const fieldsOf = (closed: boolean, soil: string, height: number) => ({
  outline: outlineField(closed ? PATCH : STRETCH, closed),
  soil: soilField(soil),
  height: numberField('Height', PLACE_LIMITS.height, 0.1, height),
});
const keepFields = fieldsOf(true, 'firm-clay', 1);
const soilFields = fieldsOf(true, 'sand', 1);
const rillFields = fieldsOf(false, 'firm-clay', 1);
const shelterFields = fieldsOf(false, 'firm-clay', 2);
export type Keep = ThingOf<'keep', typeof keepFields>;
export type Soil = ThingOf<'soil', typeof soilFields>;
export type Rill = ThingOf<'rill', typeof rillFields>;
export type Shelter = ThingOf<'shelter', typeof shelterFields>;

const area = <F extends Fields>(name: string, fields: F, unasked: readonly (keyof F & string)[]) => ({
  ...PLAIN,
  name,
  fields,
  unasked,
  raised: false,
});
export const keep: Kind<Keep> = area('ground to keep off', keepFields, ['soil', 'height']);
export const soil: Kind<Soil> = {
  ...area('patch of soil', soilFields, ['height']),
  known: (t) => [findSoil(t.soil)?.name ?? t.soil],
};
export const rill: Kind<Rill> = area('rill or run-off path', rillFields, ['soil', 'height']);
/** How high it stands tells how far it shelters. */
export const shelter: Kind<Shelter> = area('hedge, bank or thicket', shelterFields, ['soil']);
