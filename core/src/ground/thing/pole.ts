import { pileIn } from '../../anchor/index.js';
import { findSoil } from '../../catalogue/index.js';
import { numberField } from '../../document/index.js';
import { PLACE_LIMITS } from '../limits.js';
import type { ThingOf } from './base.js';

import { SOIL_FACTOR, mayOf } from './hold.js';
import type { Kind } from './kind.js';
import { PLAIN } from './kind.js';

const fields = { length: numberField('Length', PLACE_LIMITS.pole, 0.1, 2.1) };
export type Pole = ThingOf<'pole', typeof fields>;

/** A back-stay of a pole set for the ridge: pegs in a row that share the pull. Judgement: the second holds half as well. */
const BACKSTAY_PEGS = 1.5;
const BACKSTAY_PEG = { diameter: 0.025, depth: 0.35, arm: 0.03 };

/** What a pole's back-stay at 45 degrees to two stout pegs in a soil may be asked to hold, level, N. */
export function poleHold(soilId: string): number {
  const soil = findSoil(soilId);
  const { diameter, depth, arm } = BACKSTAY_PEG;
  return soil === undefined ? 0 : (BACKSTAY_PEGS * pileIn(soil, 'typical', diameter, depth, arm)) / SOIL_FACTOR;
}

/** A pole to be set on a dug-in foot with a back-stay. */
export const pole: Kind<Pole> = {
  ...PLAIN,
  name: 'pole to be set',
  fields,
  ends: true,
  trunk: () => ({ ...PLAIN.trunk(), held: { by: 'stays' } }),
  may: mayOf(
    (_, soil) => poleHold(soil),
    'A back-stay at 45° to two stout pegs, a forearm deep, in this soil (Broms 1964). A first estimate: the bench and a pull test decide.',
  ),
};
