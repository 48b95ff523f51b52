import { buriedHold, soilNumbers } from '../anchor/index.js';
import { BY_FEEL } from '../catalogue/index.js';
import type { Kinded } from '../document/index.js';
import { numberField } from '../document/index.js';
import { given } from '../working/index.js';
import { SUPPORT_LIMITS } from './limits.js';
import type { Support } from './support.js';
import { PLAIN } from './support.js';

const fields = {
  length: numberField('Length', SUPPORT_LIMITS.buriedLength, 0.05, 0.5),
  width: numberField('Width', SUPPORT_LIMITS.buriedWidth, 0.02, 0.2),
  depth: numberField('Depth', SUPPORT_LIMITS.buriedDepth, 0.05, 0.3),
};
export type Buried = Kinded<'buried', typeof fields>;

type End = 'low' | 'typical' | 'high';
const NAME = 'buried bag or log';

/** A bag or log in a trench across the pull. */
export const buried: Support<Buried> = {
  ...PLAIN,
  name: NAME,
  fields,
  called: () => [NAME],
  shared: 'line',
  hold: ({ length, width, depth }, { soil }, _, where) => {
    const at = (rise: number, wet: boolean, end: End): number =>
      BY_FEEL[end] *
      buriedHold(soilNumbers(soil, 'typical', { surface: 'wood', wet, depth }), length, width, depth, rise);
    return {
      name: `buried anchor in ${soil.name}, ${where}`,
      held: (rise, wet) => at(rise, wet, 'typical'),
      holds: (rise, wet) =>
        given(
          { symbol: 'R', title: 'what lies buried holds', quantity: 'force' },
          at(rise, wet, 'typical'),
          {
            kind: 'derived',
            text: 'weight of the soil above it and shear at its sides; soil by feel is good to a factor of two each way',
          },
          [at(rise, wet, 'low'), at(rise, wet, 'high')],
        ),
    };
  },
  mark: {
    ink: 'dashed',
    above: () => 'M-2 -1H2V1H-2ZL2 1M2 -1L-2 1',
    side: () => 'M-2 1.2H2V3H-2Z',
  },
  solid: (s) => ({ below: s.depth, above: 0.04, thick: s.length }),
};
