import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { trunkGive, trunkGiveAt } from '../../src/anchor/index.js';
import type { TreeTie } from '../../src/assembly/index.js';
import { tiesOf } from '../../src/assembly/index.js';
import type { Net, NetNode } from '../../src/net/index.js';
import { prepare, resultOf, sensitivityOf, solve } from '../../src/net/index.js';
import type { Vec3 } from '../../src/quantity/index.js';

const tree = { id: 'trunk0', wood: 'alder', girth: 0.6, standsOnWord: false };
const ALDER = 8e9;
const d = tree.girth / Math.PI;
const tie = (node: string, height: number): TreeTie => ({ node, at: [0, 0, height], tree, height });

/** A tree pulled at its ties, and where they come to, m. */
function pulled(ties: readonly TreeTie[], loads: readonly Vec3[]) {
  const { nodes, stems } = tiesOf(ties);
  const loaded = nodes.map((n, i): NetNode => ({ ...n, load: loads[i]! }));
  const far: NetNode = { id: 'far', at: [5, 0, 0], fixed: true };
  const net: Net = { format: 'rough-bight/net@1', nodes: [...loaded, far], stems };
  const engine = prepare(net);
  const outcome = solve(engine);
  expect(outcome.converged).toBe(true);
  return { engine, result: resultOf(engine, outcome) };
}
const modulusOf = (): number => {
  // one tie alone gives as the closed form says: the wood's own modulus from that
  const { result } = pulled([tie('a', 1.5)], [[100, 0, 0]]);
  return (trunkGive(1.5, d, 1) * 100) / result.nodes['a']!.at[0];
};
const E = modulusOf();

describe('a stem with several ties', () => {
  test('its wood is that of the catalogue', () => {
    expect(E).toBeGreaterThan(ALDER / 2);
    expect(E).toBeLessThan(ALDER * 2);
  });
  test('bends as a cantilever: each tie moves by the sum of what all pulls give there', () => {
    const ties = [tie('low', 0.4), tie('mid', 1.3), tie('high', 1.9)];
    const loads: Vec3[] = [
      [80, -20, 0],
      [-300, 40, 0],
      [250, 10, 0],
    ];
    const { result } = pulled(ties, loads);
    ties.forEach((t) => {
      for (const c of [0, 1] as const) {
        const way = ties.reduce((sum, o, k) => sum + trunkGiveAt(t.height, o.height, d, E) * loads[k]![c], 0);
        // less than what cord and bark give besides
        expect(Math.abs(result.nodes[t.node]!.at[c] - way)).toBeLessThan(2.1e-8 * 300);
      }
    });
  });
  test('holds what is pulled at it, tie by tie, and nothing upright moves', () => {
    const loads: Vec3[] = [
      [80, -20, -500],
      [-300, 40, -100],
    ];
    const { result } = pulled([tie('a', 0.5), tie('b', 1.6)], loads);
    ['a', 'b'].forEach((id, k) => {
      for (const c of [0, 1, 2] as const) expect(result.nodes[id]!.reaction[c]).toBeCloseTo(-loads[k]![c], 6);
      expect(result.nodes[id]!.at[2]).toBe([0.5, 1.6][k]);
    });
  });
  test('a pull at one tie moves another as much as the same pull there would move it (Maxwell 1864)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        (h, g) => {
          const at = (loads: readonly Vec3[], of: string): number =>
            pulled([tie('a', h), tie('b', g)], loads).result.nodes[of]!.at[0];
          const [one, other] = [
            at(
              [
                [200, 0, 0],
                [0, 0, 0],
              ],
              'b',
            ),
            at(
              [
                [0, 0, 0],
                [200, 0, 0],
              ],
              'a',
            ),
          ];
          expect(one).toBeCloseTo(other, 9);
          expect(one).toBeCloseTo(200 * trunkGiveAt(h, g, d, E), 6);
        },
      ),
    );
  });
  test('ties at one height, and many, still come to rest', () => {
    const { result } = pulled(
      [tie('a', 1), tie('b', 1), tie('c', 1.001)],
      [
        [100, 0, 0],
        [100, 0, 0],
        [100, 0, 0],
      ],
    );
    for (const id of ['a', 'b', 'c']) expect(result.nodes[id]!.at[0]).toBeCloseTo(300 * trunkGiveAt(1, 1, d, E), 5);
  });
  test('what stands on somebody’s word does not move', () => {
    const { nodes, stems } = tiesOf([{ ...tie('a', 1), tree: { ...tree, standsOnWord: true } }]);
    expect(stems).toEqual([]);
    expect(nodes).toEqual([{ id: 'a', at: [0, 0, 1], fixed: true }]);
  });
  test('a line between two such trees: its sensitivities are those of solving again', () => {
    const far = { ...tree, id: 'trunk1', girth: 0.4 };
    const ties: TreeTie[] = [
      tie('a', 1.5),
      tie('c', 1),
      { node: 'b', at: [6, 0, 1.4], tree: far, height: 1.4 },
      { node: 'e', at: [6, 0, 0.9], tree: far, height: 0.9 },
    ];
    const { nodes, stems } = tiesOf(ties);
    const net = (rest: number, load: number): Net => ({
      format: 'rough-bight/net@1',
      nodes: nodes.map((n) => (n.id === 'e' ? { ...n, load: [load, 0, 0] } : n)),
      lines: [{ id: 'ridge', from: 'a', to: 'b', restLength: rest, axialStiffness: 30_000 }],
      stems,
    });
    const tension = (rest: number, load: number): number => {
      const engine = prepare(net(rest, load));
      return resultOf(engine, solve(engine)).lines['ridge']!.tension;
    };
    const engine = prepare(net(5.9, -800));
    expect(solve(engine).converged).toBe(true);
    const by = sensitivityOf(engine, { line: 'ridge' });
    const step = 1e-4;
    expect(by.restLength[0]).toBeCloseTo((tension(5.9 + step, -800) - tension(5.9 - step, -800)) / (2 * step), 1);
    const e = 3 * engine.structure.nodeIndex.get('e')!;
    expect(by.load[e]).toBeCloseTo((tension(5.9, -790) - tension(5.9, -810)) / 20, 5);
    // someone who draws the trees together eases the line
    expect(tension(5.9, -800)).toBeLessThan(tension(5.9, 0));
  });
});
