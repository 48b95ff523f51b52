import type { Field, Kinded } from '../document/index.js';
import type { LineId } from './line-id.js';
import type { Support } from './support.js';
import { PLAIN } from './support.js';

const line: Field<LineId> = {
  label: 'Line',
  hint: ['what holds it bears all of them together'],
  usual: 'stays0',
  ask: { as: 'line' },
};
const fields = { line };
export type Same = Kinded<'same', typeof fields>;

const NAME = 'what holds another line';

/** The peg, log or what else on the ground holds another line too: both pull at it together. */
export const same: Support<Same> = {
  ...PLAIN,
  name: NAME,
  fields,
  called: (s, { line: named }) => [`what holds ${named(s.line) ?? 'another line'}`],
  rooted: true,
  hold: null,
  mark: { ink: 'outline', above: () => '', side: () => '' },
  solid: () => null,
};
