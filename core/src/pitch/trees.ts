import type { At, Place } from '../ground/index.js';
import { kindOf } from '../ground/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { treeAt, treesOf } from '../rig/index.js';
import type { GuyAnchor } from '../support/index.js';
import { SUPPORTS, TIED_AT, guyLine, guyTree, keyOfGuyTree } from '../support/index.js';
import type { PitchResult } from './evaluate.js';
import { SAME } from './pulls-on.js';

/** A guy that something on the ground could hold instead of a peg. */
export interface GuyToTree {
  readonly key: string;
  /** Of the guy, and of what would hold it. */
  readonly guy: string;
  readonly to: string;
  readonly anchor: GuyAnchor;
  readonly foot: readonly [x: number, y: number];
  /** From the tie-out to it on the plan, m, and between that and the guy's own line, rad. */
  readonly distance: number;
  readonly off: number;
}

/** A guy may leave the cloth's line by so much, rad, and be so long, m. Judgement: more pulls the edge askew. */
const MOST_OFF = Math.PI / 6;
const REACH = [0.4, 8] as const;
const isAt = (a: readonly [number, number], b: readonly [number, number]): boolean =>
  Math.hypot(a[0] - b[0], a[1] - b[1]) < SAME;

/**
 * Which guys to give to what stands and lies there, those that need it most first, each to what is nearest its own line. What a
 * sign rules out is left alone; nothing here passes a tree.
 * @returns at most one for each guy; empty where the rig does not stand on this place
 */
export function guysToTrees(
  rig: RidgeRig,
  context: Pick<RigContext, 'body'>,
  result: PitchResult,
  place: Place,
): GuyToTree[] {
  const from = place.things.find((t) => t.id === rig.site?.from);
  const pitch = rig.pitch;
  if (from === undefined || pitch === undefined) return [];
  const [sin, cos] = [Math.sin(pitch.bearing), Math.cos(pitch.bearing)];
  // east and north turned to along the span and to its left
  const inRig = ([e, n]: At): readonly [number, number] => {
    const [de, dn] = [e - from.at[0], n - from.at[1]];
    return [de * sin + dn * cos, -de * cos + dn * sin];
  };
  const held = place.things.flatMap((t) => {
    const { support, against } = kindOf(t);
    if (t.id === rig.site?.from || t.id === rig.site?.to || support === null || against(t, false).length > 0) return [];
    return [{ name: t.name, at: inRig(t.at), anchor: support(t) }];
  });
  const { at: nodes } = result.shapes[0]!;
  const standing = treesOf(rig).flatMap(({ id }) => {
    const at = treeAt(rig, context.body, id) ?? result.guys.find((g) => g.key === keyOfGuyTree(id))?.foot ?? null;
    return at === null ? [] : [{ id, at: [at[0], at[1]] as const }];
  });
  /** Another guy that this thing on the ground holds already. */
  const guyAt = (at: readonly [number, number], { kind }: GuyAnchor, key: string) =>
    SUPPORTS[kind].shared !== 'line'
      ? undefined
      : result.guys.find((g) => g.key !== key && g.held === kind && isAt([g.foot[0], g.foot[1]], at));
  const need = (id: string): number => {
    const foot = result.rows.find((r) => r.id === id)?.links.find((l) => l.link.kind === 'anchor');
    return foot?.judgement.ratio ?? Number.POSITIVE_INFINITY;
  };
  return result.guys
    .filter((g) => g.kind === 'guy')
    .sort((a, b) => need(a.id) - need(b.id))
    .flatMap((g): GuyToTree[] => {
      const key = result.topology.keys.find((k) => k.id === g.key)!;
      const [x, y] = [nodes[3 * key.node]!, nodes[3 * key.node + 1]!];
      const own = Math.atan2(g.foot[1] - y, g.foot[0] - x);
      const near = held
        .map((h) => {
          const [dx, dy] = [h.at[0] - x, h.at[1] - y];
          const turn = Math.atan2(dy, dx) - own;
          return { ...h, distance: Math.hypot(dx, dy), off: Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) };
        })
        .filter((h) => h.off <= MOST_OFF && h.distance >= REACH[0] && h.distance <= REACH[1])
        .sort((a, b) => a.off - b.off)[0];
      if (near === undefined) return [];
      const { name, at, distance, off } = near;
      // what something of the rig is tied to already bears both
      const tree =
        near.anchor.kind !== 'stem' ? undefined : standing.find((t) => isAt(t.at, at) && t.id !== guyTree(g.key));
      const other = guyAt(at, near.anchor, g.key);
      const anchor: GuyAnchor =
        tree !== undefined
          ? { kind: 'tree', tree: tree.id, height: TIED_AT }
          : other !== undefined
            ? { kind: 'same', line: guyLine(other.key) }
            : near.anchor;
      return [{ key: g.key, guy: g.name, to: name, anchor, foot: at, distance, off }];
    });
}
