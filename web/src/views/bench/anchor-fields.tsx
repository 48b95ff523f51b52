import type { BodyMeasures } from '@rough-bight/core/quantity';
import { treeAt, treesOf } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { GuyAnchor, KitPegs, SupportKind, TreeId } from '@rough-bight/core/support';
import {
  SUPPORTS,
  SUPPORT_KINDS,
  freshSupport,
  holdsOnGround,
  isGuyTree,
  keyOfGuyTree,
  supportOf,
} from '@rough-bight/core/support';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { DescribedFields } from '../../parts/described-field.js';

/** A tree of the rig that can be chosen, and where it stands on the plan, m, where that is known. */
export interface TreeChoice {
  readonly id: TreeId;
  readonly name: string;
  readonly at: readonly [x: number, y: number] | null;
}

/**
 * Trees of the rig that one more cord could be tied to.
 * @param guyName of the guy at a tie-out, where a tree is told with that
 */
export function treeChoices(
  rig: RidgeRig,
  body: BodyMeasures,
  guyName: (key: string) => string | undefined = () => undefined,
): TreeChoice[] {
  return treesOf(rig).map(({ id, name }) => ({
    id,
    name: isGuyTree(id) ? `${name} of ${guyName(keyOfGuyTree(id)) ?? 'a guy'}` : name,
    at: treeAt(rig, body, id),
  }));
}

/** The one nearest to a place; the first where neither place is known. */
function nearest(trees: readonly TreeChoice[], near: readonly [number, number] | null): TreeChoice | undefined {
  const away = ({ at }: TreeChoice): number =>
    at === null || near === null ? Number.POSITIVE_INFINITY : Math.hypot(at[0] - near[0], at[1] - near[1]);
  return [...trees].sort((a, b) => away(a) - away(b))[0];
}

/** What holds the far end of a guy or a back-stay. */
export function AnchorFields({
  anchor,
  pegs,
  trees,
  body,
  near = null,
  onGround = false,
  onChange,
}: {
  readonly anchor: GuyAnchor;
  readonly pegs: readonly KitPegs[];
  /** Trees of the rig it may be tied to; none where it stands for many guys. */
  readonly trees: readonly TreeChoice[];
  readonly body: BodyMeasures;
  /** Where it is held now, m on the plan. */
  readonly near?: readonly [x: number, y: number] | null;
  /** Whether no tree may hold it. */
  readonly onGround?: boolean;
  readonly onChange: (anchor: GuyAnchor) => string | null;
}): ReactElement {
  return (
    <>
      <Choice<SupportKind>
        label="To"
        value={anchor.kind}
        options={SUPPORT_KINDS.filter(
          (id) => anchor.kind === id || (onGround ? holdsOnGround(id) : id !== 'tree' || trees.length > 0),
        ).map((id) => ({
          id,
          name: SUPPORTS[id].name,
        }))}
        onChange={(kind) => onChange(freshSupport(kind, pegs, nearest(trees, near)?.id))}
      />
      <DescribedFields
        fields={supportOf(anchor).fields}
        of={anchor}
        lists={{ pegs, trees, body }}
        onPut={(key, value) => onChange({ ...anchor, [key]: value })}
      />
    </>
  );
}
