import { keyField, numberField } from '../../document/index.js';
import { metres, phrase } from '../../quantity/index.js';
import { PLACE_LIMITS } from '../limits.js';
import type { ThingOf } from './base.js';

import type { Kind } from './kind.js';
import { PLAIN } from './kind.js';

const L = PLACE_LIMITS;

export type Mark = ThingOf<'mark', Record<never, never>>;
/** A spot with nothing on it but a name: a stake, a waypoint, a corner. */
export const mark: Kind<Mark> = { ...PLAIN, name: 'marked spot', fields: {} };

const sleepFields = {
  bearing: numberField('Head toward', L.bearing, Math.PI / 36, 0, 'from north, clockwise'),
};
export type Sleep = ThingOf<'sleep', typeof sleepFields>;
/** Where they want to lie; the head lies toward the bearing. */
export const sleep: Kind<Sleep> = {
  ...PLAIN,
  name: 'sleeping place',
  fields: sleepFields,
  raised: false,
};

const hollowFields = {
  radius: numberField('Radius', L.radius, 0.1, 1.5),
  depth: numberField('Depth', L.hollow, 0.01, 0.15, 'below the slope round it'),
};
export type Hollow = ThingOf<'hollow', typeof hollowFields>;
/** A dip that would pool: `radius` and `depth` below the slope round it. */
export const hollow: Kind<Hollow> = {
  ...PLAIN,
  name: 'hollow',
  fields: hollowFields,
  raised: false,
  known: (t) => phrase`${metres(t.depth)} deep, ${metres(t.radius)} to its rim`,
};

const OVERHEAD = { 'dead stem': 'dead stem', 'hung branch': 'hung branch' };
const hazardFields = {
  what: keyField('What', 'what', OVERHEAD, 'dead stem'),
  height: numberField('Height', L.height, 0.5, 9, 'a stick at arm’s length'),
};
export type Hazard = ThingOf<'hazard', typeof hazardFields>;
/** Something overhead: a dead stem that falls its height, or a hung branch that drops within its reach. */
export const hazard: Kind<Hazard> = {
  ...PLAIN,
  name: 'hazard overhead',
  fields: hazardFields,
  raised: false,
  falls: ({ height, what }) => ({ height, whole: what === 'dead stem' }),
  known: (t) => phrase`${t.what}, ${metres(t.height)}`,
};
