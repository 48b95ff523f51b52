import { WOODS } from '@rough-bight/core/catalogue';
import { TIED_AT } from '@rough-bight/core/pitch';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { GUY_ANCHOR_NAMES, PITCH_LIMITS, isGuyTree, keyOfGuyTree, treeAt, treesOf } from '@rough-bight/core/rig';
import type { GuyAnchor, KitPegs, RidgeRig, TreeId } from '@rough-bight/core/rig';
import type { ReactElement } from 'react';
import { Choice, TextField } from '../../parts/choice.js';
import { NumberField } from '../../parts/number-field.js';

const P = PITCH_LIMITS;
const WOOD_OPTIONS = WOODS.map((w) => ({ id: w.id, name: w.name }));
const KINDS = Object.keys(GUY_ANCHOR_NAMES) as GuyAnchor['kind'][];

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

/** An anchor of another kind, as one finds them. */
function freshAnchor(kind: GuyAnchor['kind'], pegs: readonly KitPegs[], tree: TreeChoice | undefined): GuyAnchor {
  switch (kind) {
    case 'tree':
      return { kind, tree: tree?.id ?? 'trunk0', height: TIED_AT };
    case 'peg':
      return { kind, pegs: pegs[0]?.id ?? '', inLine: 1, lean: 0.35 };
    case 'stem':
      return { kind, name: 'the sapling', wood: 'unknown', girth: 0.25, height: 0.15, signs: [] };
    case 'weight':
      return { kind, name: 'the log', mass: 60 };
    case 'buried':
      return { kind, length: 0.5, width: 0.2, depth: 0.3 };
    case 'root':
      return { kind, name: 'the root' };
  }
}

/** What holds the far end of a guy or a back-stay. */
export function AnchorFields({
  anchor,
  pegs,
  trees,
  near = null,
  onChange,
}: {
  readonly anchor: GuyAnchor;
  readonly pegs: readonly KitPegs[];
  /** Trees of the rig it may be tied to; none where it stands for many guys. */
  readonly trees: readonly TreeChoice[];
  /** Where it is held now, m on the plan. */
  readonly near?: readonly [x: number, y: number] | null;
  readonly onChange: (anchor: GuyAnchor) => string | null;
}): ReactElement {
  const put = (part: object): string | null => onChange({ ...anchor, ...part } as GuyAnchor);
  return (
    <>
      <Choice<GuyAnchor['kind']>
        label="To"
        value={anchor.kind}
        options={KINDS.filter((id) => id !== 'tree' || trees.length > 0 || anchor.kind === id).map((id) => ({
          id,
          name: GUY_ANCHOR_NAMES[id],
        }))}
        onChange={(kind) => onChange(freshAnchor(kind, pegs, nearest(trees, near)))}
      />
      {anchor.kind === 'peg' && (
        <>
          <Choice
            label="Pegs"
            value={anchor.pegs}
            options={pegs.map((p) => ({ id: p.id, name: p.name }))}
            onChange={(id) => put({ pegs: id })}
          />
          <NumberField
            whole
            label="In line"
            value={anchor.inLine}
            limit={P.inLine}
            step={1}
            hint="behind one another"
            onCommit={(inLine) => put({ inLine })}
          />
          <NumberField
            label="Leans"
            value={anchor.lean}
            limit={P.lean}
            step={0.087}
            hint="away from the pull"
            onCommit={(lean) => put({ lean })}
          />
        </>
      )}
      {anchor.kind === 'stem' && (
        <>
          <TextField label="Name" value={anchor.name} max={60} onCommit={(name) => put({ name })} />
          <Choice label="Wood" value={anchor.wood} options={WOOD_OPTIONS} onChange={(wood) => put({ wood })} />
          <NumberField
            label="Girth"
            value={anchor.girth}
            limit={P.girth}
            step={0.01}
            onCommit={(girth) => put({ girth })}
          />
        </>
      )}
      {anchor.kind === 'tree' && (
        <Choice<TreeId>
          label="Tree"
          value={anchor.tree}
          options={trees}
          hint="all that is tied to it is summed"
          onChange={(tree) => put({ tree })}
        />
      )}
      {(anchor.kind === 'stem' || anchor.kind === 'tree') && (
        <NumberField
          label="Tied at"
          value={anchor.height}
          limit={P.height}
          step={0.05}
          onCommit={(height) => put({ height })}
        />
      )}
      {anchor.kind === 'weight' && (
        <>
          <TextField label="Name" value={anchor.name} max={60} onCommit={(name) => put({ name })} />
          <NumberField label="Mass" value={anchor.mass} limit={P.mass} step={5} onCommit={(mass) => put({ mass })} />
        </>
      )}
      {anchor.kind === 'buried' && (
        <>
          <NumberField
            label="Length"
            value={anchor.length}
            limit={P.buriedLength}
            step={0.05}
            onCommit={(length) => put({ length })}
          />
          <NumberField
            label="Width"
            value={anchor.width}
            limit={P.buriedWidth}
            step={0.02}
            onCommit={(width) => put({ width })}
          />
          <NumberField
            label="Depth"
            value={anchor.depth}
            limit={P.buriedDepth}
            step={0.05}
            onCommit={(depth) => put({ depth })}
          />
        </>
      )}
      {anchor.kind === 'root' && (
        <TextField label="Name" value={anchor.name} max={60} onCommit={(name) => put({ name })} />
      )}
    </>
  );
}
