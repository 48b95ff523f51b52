/** A tree of the rig: one of its trunks, that of one of the bed's ends, or `guy-tree` and the key of a guy on a tree of its own. */
export type TreeId = 'trunk0' | 'trunk1' | 'bed-stem0' | 'bed-stem1' | `guy-tree ${string}`;

const GUY_TREE = 'guy-tree ';
export const guyTree = (key: string): TreeId => `${GUY_TREE}${key}`;
export const isGuyTree = (id: TreeId): boolean => id.startsWith(GUY_TREE);
/** Key of the guy that a tree is told with. */
export const keyOfGuyTree = (id: TreeId): string => id.slice(GUY_TREE.length);
