import { slideHold } from '../anchor/index.js';
import { ON_GROUND, looked } from '../catalogue/index.js';
import type { Kinded } from '../document/index.js';
import { nameField, numberField } from '../document/index.js';
import { derive, given } from '../working/index.js';
import { SUPPORT_LIMITS } from './limits.js';
import type { Support } from './support.js';
import { PLAIN } from './support.js';

const fields = {
  name: nameField('name of the weight', 'the log'),
  mass: numberField('Mass', SUPPORT_LIMITS.mass, 5, 60),
};
export type Weight = Kinded<'weight', typeof fields>;

/** What lies there is drawn as a lump of so many kg/m³: between wet wood and stone. */
const DRAWN_DENSITY = 1500;

/** A log, boulder or bag that holds by its weight. */
export const weight: Support<Weight> = {
  ...PLAIN,
  name: 'log, boulder or bag',
  fields,
  called: (s) => [s.name],
  shared: 'line',
  hold: (s) => ({
    name: `${s.name} that slides`,
    held: (rise) => slideHold(s.mass, ON_GROUND.typical, rise) / Math.cos(rise),
    holds: (rise) =>
      derive(
        {
          symbol: 'R',
          title: `what ${s.name} holds before it slides or lifts`,
          quantity: 'force',
          formula: 'R = μ m g / (cos β + μ sin β)',
        },
        [
          looked(ON_GROUND),
          given({ symbol: 'm', title: 'its mass', quantity: 'mass' }, s.mass, { kind: 'measured', text: 'by eye' }, [
            s.mass * 0.75,
            s.mass * 1.25,
          ]),
          given({ symbol: 'β', title: 'pull above level', quantity: 'angle' }, rise, {
            kind: 'derived',
            text: 'from the rig at rest',
          }),
        ],
        (mu, mass, angle) => slideHold(mass!, mu!, angle!) / Math.cos(angle!),
      ),
  }),
  mark: {
    ink: 'filled',
    above: () => 'M-2 -1.2H2V1.2H-2Z',
    side: () => 'M-2 0.6V-1.4H2V0.6Z',
  },
  solid: (s) => {
    const size = Math.cbrt(s.mass / DRAWN_DENSITY);
    return { below: 0.02, above: size, thick: size };
  },
};
