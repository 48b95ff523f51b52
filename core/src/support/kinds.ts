import { usualOf } from '../document/index.js';
import type { OverBranch } from './branch.js';
import { branch } from './branch.js';
import type { Buried } from './buried.js';
import { buried } from './buried.js';
import type { KitPegs } from './document.js';
import type { LineId } from './line-id.js';
import type { OnTree } from './on-tree.js';
import { onTree } from './on-tree.js';
import type { Peg } from './peg.js';
import { peg } from './peg.js';
import type { Root } from './root.js';
import { root } from './root.js';
import type { Same } from './same.js';
import { same } from './same.js';
import type { Stem } from './stem.js';
import { stem } from './stem.js';
import type { Ground, Hold, Support } from './support.js';
import type { TreeId } from './tree-id.js';
import type { Weight } from './weight.js';
import { weight } from './weight.js';

/** What holds the end of a guy or a back-stay. */
export type GuyAnchor = Peg | Stem | OnTree | Weight | Buried | Root | OverBranch | Same;
export type SupportKind = GuyAnchor['kind'];

/** Every kind of support, as lists show them. */
export const SUPPORTS: { readonly [K in SupportKind]: Support<Extract<GuyAnchor, { readonly kind: K }>> } = {
  peg,
  stem,
  tree: onTree,
  weight,
  buried,
  root,
  branch,
  same,
};
export const SUPPORT_KINDS = Object.keys(SUPPORTS) as readonly SupportKind[];

/** The entry of a support's own kind. */
export const supportOf = <A extends GuyAnchor>(anchor: A): Support<A> => SUPPORTS[anchor.kind] as unknown as Support<A>;

/** What a support holds of one pull; null of a tree, and of what is told with another line. @param where which one, in words */
export const holdOf = (anchor: GuyAnchor, ground: Ground, pegs: readonly KitPegs[], where: string): Hold | null =>
  supportOf(anchor).hold?.(anchor, ground, pegs, where) ?? null;

/** Whether a kind holds by itself and the ground alone: not a tree, which bends under all that is tied to it, nor what is told with another line. */
export const holdsOnGround = (kind: SupportKind): boolean => SUPPORTS[kind].hold !== null;

/** Whether it is one that another line of the rig has as well: it stands where that is told. */
export const isShared = ({ kind }: GuyAnchor): boolean => kind === 'tree' || kind === 'same';

/** A support of a kind as one finds it: its usual numbers, the first pegs of the kit, the tree and the line that are nearest. */
export const freshSupport = (
  kind: SupportKind,
  pegs: readonly KitPegs[],
  near: { readonly tree?: TreeId | undefined; readonly line?: LineId | undefined } = {},
): GuyAnchor =>
  filled({ kind, ...usualOf(SUPPORTS[kind].fields) } as unknown as GuyAnchor, (as, usual) => {
    if (as === 'kit') return pegs[0]?.id ?? '';
    return (as === 'tree' ? near.tree : as === 'line' ? near.line : undefined) ?? usual;
  });

/** The same support with the ids of what it takes of the kit changed. */
export const withKitIds = (anchor: GuyAnchor, to: (id: string) => string): GuyAnchor =>
  filled(anchor, (as, id) => (as === 'kit' ? to(id as string) : id));

/** A support with every value made anew by how its field is asked for. */
function filled(anchor: GuyAnchor, make: (as: string, value: unknown) => unknown): GuyAnchor {
  const { fields } = SUPPORTS[anchor.kind];
  return Object.fromEntries(
    Object.entries(anchor).map(([key, value]) => [
      key,
      key === 'kind' ? value : make((fields as Readonly<Record<string, { ask: { as: string } }>>)[key]!.ask.as, value),
    ]),
  ) as unknown as GuyAnchor;
}
