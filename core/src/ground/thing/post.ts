import { diameterOf, footMoment, footStress, pileIn } from '../../anchor/index.js';
import { findSoil, findWood } from '../../catalogue/index.js';
import { girthField, numberField } from '../../document/index.js';
import { metres, phrase } from '../../quantity/index.js';
import { TRUNK_FACTOR } from '../../strength/index.js';
import { PLACE_LIMITS } from '../limits.js';
import { TIED_AT } from '../../support/index.js';
import type { ThingOf } from './base.js';
import { fixedField, woodField } from './base.js';
import { SOIL_FACTOR, mayOf } from './hold.js';
import type { Kind } from './kind.js';
import { PLAIN } from './kind.js';

const fields = {
  wood: woodField,
  girth: girthField(PLACE_LIMITS.girth, 0.5),
  depth: numberField('Depth in the ground', PLACE_LIMITS.depth, 0.1, 0.8),
  fixed: fixedField,
};
export type Post = ThingOf<'post', typeof fields>;

/** A post that stands in the ground. */
export const post: Kind<Post> = {
  ...PLAIN,
  name: 'post',
  fields,
  half: (t) => t.girth / (2 * Math.PI),
  bulk: 'stands',
  ends: true,
  may: mayOf((t, soilId, height) => {
    if (t.fixed) return Number.POSITIVE_INFINITY;
    const wood = findWood(t.wood);
    const soil = findSoil(soilId);
    if (wood === undefined || soil === undefined) return 0;
    const d = diameterOf(t.girth);
    return Math.min(
      wood.strength.typical / TRUNK_FACTOR / footStress(footMoment(1, height), d),
      pileIn(soil, 'low', d, t.depth, height) / SOIL_FACTOR,
    );
  }, 'The least of what its wood bends under and what the soil round its foot holds (Broms 1964, low end), over their factors.'),
  support: ({ name, wood, girth }) => ({ kind: 'stem', name, wood, girth, height: TIED_AT, signs: [] }),
  trunk: ({ wood, fixed }) => ({ wood, signs: [], onWord: fixed }),
  known: (t) =>
    phrase`${metres(t.girth)} round, ${metres(t.depth)} in the ground${t.fixed ? ', immovable on your word' : ''}`,
};
