import type { Field, Kinded } from '../document/index.js';
import { TIED_AT, tiedAt } from './stem.js';
import type { Support } from './support.js';
import { PLAIN } from './support.js';
import type { TreeId } from './tree-id.js';

const tree: Field<TreeId> = {
  label: 'Tree',
  hint: ['all that is tied to it is summed'],
  usual: 'trunk0',
  ask: { as: 'tree' },
};
const fields = { tree, height: tiedAt(TIED_AT) };
export type OnTree = Kinded<'tree', typeof fields>;

const NAME = 'a tree of this rig';

/** A tree that something else of the rig is tied to as well. */
export const onTree: Support<OnTree> = {
  ...PLAIN,
  name: NAME,
  fields,
  called: (s, { tree: named }) => [named(s.tree) ?? NAME],
  rooted: true,
  tieHeight: (s) => s.height,
  tree: (s) => s.tree,
  hold: null,
  mark: { ink: 'outline', above: () => '', side: () => '' },
  solid: () => null,
};
