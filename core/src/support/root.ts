import type { Kinded } from '../document/index.js';
import { nameField } from '../document/index.js';
import type { Support } from './support.js';
import { PLAIN } from './support.js';

const fields = { name: nameField('name of the root', 'the root') };
export type Root = Kinded<'root', typeof fields>;

/** A root that a line is passed under: nothing is known of what it holds. */
export const root: Support<Root> = {
  ...PLAIN,
  name: 'root',
  fields,
  called: (s) => [s.name],
  rooted: true,
  hold: (s) => ({ name: s.name, holds: () => null, held: () => null }),
  mark: {
    ink: 'outline',
    above: () => 'M-2.4 0Q-1.2 -1.8 0 0T2.4 0',
    side: () => 'M-2.4 0.4Q-1.2 -1.4 0 0.2T2.4 0.2',
  },
  solid: () => ({ below: 0.05, above: 0.03, thick: 0.08 }),
};
