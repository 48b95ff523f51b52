import type { GuyReport } from '@rough-bight/core/pitch';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { canShare, lineFoot, treeAt, treesOf } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { GuyAnchor, KitPegs, LineId, SupportKind, TreeId } from '@rough-bight/core/support';
import {
  SUPPORTS,
  SUPPORT_KINDS,
  freshSupport,
  guyLine,
  holdsOnGround,
  isGuyTree,
  keyOfGuyTree,
  supportOf,
} from '@rough-bight/core/support';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';
import { DescribedFields } from '../../parts/described-field.js';

/** A tree or a line of the rig that can be chosen, and where it is on the plan, m, where that is known. */
interface Placed<Id> {
  readonly id: Id;
  readonly name: string;
  readonly at: readonly [x: number, y: number] | null;
}
export type TreeChoice = Placed<TreeId>;
export type LineChoice = Placed<LineId>;

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

/**
 * Lines of the rig whose hold could be shared.
 * @param guys of the roof as it stands @param own the line that asks
 */
export function lineChoices(
  rig: RidgeRig,
  body: BodyMeasures,
  guys: readonly Pick<GuyReport, 'key' | 'name' | 'kind' | 'foot'>[],
  own: LineId,
): LineChoice[] {
  const stays = ([0, 1] as const).map((i): LineChoice => {
    const id = `stays${i}` as const;
    return { id, name: `back-stay at the bed’s ${i === 0 ? 'first' : 'second'} end`, at: lineFoot(rig, body, id) };
  });
  return [
    ...guys
      .filter((g) => g.kind !== 'tie')
      .map(({ key, name, foot }): LineChoice => ({ id: guyLine(key), name, at: [foot[0], foot[1]] })),
    ...stays,
  ].filter(({ id }) => id !== own && canShare(rig, id));
}

/** The one nearest to a place; the first where neither place is known. */
function nearest<Id>(among: readonly Placed<Id>[], near: readonly [number, number] | null): Id | undefined {
  const away = ({ at }: Placed<Id>): number =>
    at === null || near === null ? Number.POSITIVE_INFINITY : Math.hypot(at[0] - near[0], at[1] - near[1]);
  return [...among].sort((a, b) => away(a) - away(b))[0]?.id;
}

/** What holds the far end of a guy or a back-stay. */
export function AnchorFields({
  anchor,
  pegs,
  trees,
  lines,
  body,
  near = null,
  onGround = false,
  onChange,
}: {
  readonly anchor: GuyAnchor;
  readonly pegs: readonly KitPegs[];
  /** Trees of the rig it may be tied to; none where it stands for many guys. */
  readonly trees: readonly TreeChoice[];
  /** Lines of the rig whose hold it may share. */
  readonly lines: readonly LineChoice[];
  readonly body: BodyMeasures;
  /** Where it is held now, m on the plan. */
  readonly near?: readonly [x: number, y: number] | null;
  /** Whether it must have something of its own on the ground. */
  readonly onGround?: boolean;
  readonly onChange: (anchor: GuyAnchor) => string | null;
}): ReactElement {
  return (
    <>
      <Choice<SupportKind>
        label="To"
        value={anchor.kind}
        options={SUPPORT_KINDS.filter(
          (id) =>
            anchor.kind === id ||
            (holdsOnGround(id) && (near !== null || !SUPPORTS[id].overhead)) ||
            (!onGround && (id === 'stem' || (id === 'tree' ? trees : lines).length > 0)),
        ).map((id) => ({
          id,
          name: SUPPORTS[id].name,
        }))}
        onChange={(kind) =>
          onChange(freshSupport(kind, pegs, { tree: nearest(trees, near), line: nearest(lines, near) }))
        }
      />
      <DescribedFields
        fields={supportOf(anchor).fields}
        of={anchor}
        lists={{ pegs, trees, lines, body }}
        onPut={(key, value) => onChange({ ...anchor, [key]: value })}
      />
    </>
  );
}
