import { rootFigure, rootHeld } from '../anchor/index.js';
import type { Kinded } from '../document/index.js';
import { nameField, numberField } from '../document/index.js';
import { SUPPORT_LIMITS } from './limits.js';
import type { Support } from './support.js';
import { PLAIN } from './support.js';

const fields = {
  name: nameField('name of the root', 'the root'),
  thickness: numberField('Thick', SUPPORT_LIMITS.rootThickness, 0.005, 0.03, 'where the cord goes under'),
  free: numberField('Shows', SUPPORT_LIMITS.rootFree, 0.05, 0.3, 'from where it dives to where it dives'),
};
export type Root = Kinded<'root', typeof fields>;

/** A root that a line is passed under: what it holds is known within a factor of three either way. */
export const root: Support<Root> = {
  ...PLAIN,
  name: 'root',
  fields,
  called: (s) => [s.name],
  rooted: true,
  hold: (s) => ({
    name: s.name,
    holds: (_, wet) => rootFigure(s.name, s.thickness, s.free, wet),
    held: (_, wet) => rootHeld(s.thickness, s.free, wet),
  }),
  mark: {
    ink: 'outline',
    above: () => 'M-2.4 0Q-1.2 -1.8 0 0T2.4 0',
    side: () => 'M-2.4 0.4Q-1.2 -1.4 0 0.2T2.4 0.2',
  },
  solid: (s) => ({ below: 0.05, above: s.thickness, thick: Math.max(0.06, s.thickness) }),
};
