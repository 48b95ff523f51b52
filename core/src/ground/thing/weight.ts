import { slideHold } from '../../anchor/index.js';
import { ON_GROUND } from '../../catalogue/index.js';
import { numberField } from '../../document/index.js';
import { amount, phrase } from '../../quantity/index.js';
import { PLACE_LIMITS } from '../limits.js';
import type { ThingOf } from './base.js';
import { fixedField } from './base.js';
import { SOIL_FACTOR, mayOf } from './hold.js';
import type { Kind } from './kind.js';
import { PLAIN } from './kind.js';

const L = PLACE_LIMITS;
const fieldsOf = (mass: number, across: number, weighs: string, density: number) => ({
  mass: numberField('Mass', L.mass, 10, mass, phrase`${weighs} weighs ${amount(density, 'density')}`),
  across: numberField('Across', L.across, 0.1, across),
  fixed: fixedField,
});
/* Densities: granite and basalt 2.6 to 3.0 t/m³ (engineering tables), green broadleaf wood 0.8 to 1.0 t/m³ (Wood Handbook, table 4-6). */
const boulderFields = fieldsOf(300, 0.7, 'by size: stone', 2600);
const logFields = fieldsOf(150, 0.4, 'green wood', 900);
export type Boulder = ThingOf<'boulder', typeof boulderFields>;
export type Log = ThingOf<'log', typeof logFields>;
type Weight = Boulder | Log;

const lying = {
  ...PLAIN,
  half: (t: Weight) => t.across / 2,
  ends: true,
  may: mayOf<Weight>(
    (t) => (t.fixed ? Number.POSITIVE_INFINITY : slideHold(t.mass, ON_GROUND.low) / SOIL_FACTOR),
    'Sliding: μ m g at the low end of friction, over its factor.',
  ),
  trunk: ({ mass, fixed }: Weight) => ({
    ...PLAIN.trunk(),
    ...(fixed ? {} : { held: { by: 'mass' as const, mass } }),
  }),
  support: ({ name, mass }: Weight) => ({ kind: 'weight', name, mass }) as const,
  known: (t: Weight) => phrase`${amount(t.mass, 'mass')}${t.fixed ? ', immovable on your word' : ''}`,
};

/** Things that hold by their weight; `across` is how wide they lie. */
export const boulder: Kind<Boulder> = { ...lying, name: 'boulder', fields: boulderFields, bulk: 'stands' };
export const log: Kind<Log> = { ...lying, name: 'log', fields: logFields, bulk: 'lies' };
