import { diameterOf, trunkGiveAt } from '../anchor/index.js';
import { findWood } from '../catalogue/index.js';
import type { NetNode, NetStem } from '../net/index.js';
import type { Vec3 } from '../quantity/index.js';

/** A stem as it bends: its wood, girth, m, and whether it is none, and stands on somebody's word. */
export interface BendingStem {
  readonly id: string;
  readonly wood: string;
  readonly girth: number;
  readonly standsOnWord: boolean;
}

/** A node of a net where something is tied to a stem, so high over its foot, m. */
export interface TreeTie {
  readonly node: string;
  readonly at: Vec3;
  readonly tree: BendingStem;
  readonly height: number;
  /** What gives there besides the stem: a branch that the line goes over, m/N. */
  readonly besides?: number;
}

/** Lower than this nothing is tied, m. */
const LOWEST = 0.05;
/** What cord and bark give under each tie of a tree that has several, m/N: it keeps ties beside each other apart. Judgement: a tenth of a millimetre under 5 kN. */
const BEDDING = 2e-8;

/**
 * The ties of a net on its trees: one alone on its tree is a spring, several bend it together as a cantilever from the ground; what
 * stands on somebody's word does not give.
 */
export function tiesOf(ties: readonly TreeTie[]): {
  readonly nodes: readonly NetNode[];
  readonly stems: readonly NetStem[];
} {
  const byTree = new Map<string, TreeTie[]>();
  for (const t of ties) byTree.set(t.tree.id, [...(byTree.get(t.tree.id) ?? []), t]);
  const nodes: NetNode[] = [];
  const stems: NetStem[] = [];
  for (const [id, here] of byTree) {
    const { tree } = here[0]!;
    const wood = tree.standsOnWord ? undefined : findWood(tree.wood);
    if (wood === undefined) {
      for (const { node, at } of here) nodes.push({ id: node, at, fixed: true });
      continue;
    }
    const d = diameterOf(tree.girth);
    const give = (a: TreeTie, b: TreeTie): number =>
      trunkGiveAt(Math.max(LOWEST, a.height), Math.max(LOWEST, b.height), d, wood.modulus.typical) +
      (a === b ? (a.besides ?? 0) : 0);
    if (here.length === 1) {
      const [tie] = here;
      const k = 1 / give(tie!, tie!);
      nodes.push({ id: tie!.node, at: tie!.at, fixed: [false, false, true], spring: [k, k, 0] });
      continue;
    }
    for (const { node, at } of here) nodes.push({ id: node, at, fixed: [false, false, true] });
    stems.push({
      id,
      nodes: here.map((t) => t.node),
      flexibility: here.map((a) => here.map((b) => give(a, b) + (a === b ? BEDDING : 0))),
    });
  }
  return { nodes, stems };
}
