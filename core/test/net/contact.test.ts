import { describe, expect, test } from '@jest/globals';
import { readNet } from '../../src/formats/index.js';
import { numbersOf, prepare, resultOf, solve } from '../../src/net/index.js';
import type { Net, NetNode } from '../../src/net/index.js';

/** A chain of straight pieces between two held ends, longer than its span, over a plane. */
function chain(parts: number, length: number, height: number, friction: number, slope = 0): Net {
  const nodes: NetNode[] = Array.from({ length: parts + 1 }, (_, i) => {
    const x = (6 * i) / parts;
    return {
      id: `n${i}`,
      at: [x, 0, height + slope * x],
      ...(i === 0 || i === parts ? { fixed: true } : { load: [0, 0, -2] as const, overGround: true }),
    };
  });
  return {
    format: 'rough-bight/net@1',
    nodes,
    lines: Array.from({ length: parts }, (_, i) => ({
      id: `l${i}`,
      from: `n${i}`,
      to: `n${i + 1}`,
      restLength: length / parts,
      axialStiffness: 20_000,
    })),
    ground: { at: [0, 0, 0], normal: [-slope, 0, 1], friction },
  };
}

describe('the ground', () => {
  test('a slack line laid on it is carried by it: nothing passes through, nothing is pulled down, force is conserved', () => {
    for (const friction of [0, 0.5])
      for (const slope of [0, 0.15]) {
        const net = chain(24, 6.6, 0.3, friction, slope);
        const engine = prepare(net);
        const outcome = solve(engine);
        expect(outcome.converged).toBe(true);
        const { at, ground, reaction } = numbersOf(engine, outcome);
        const size = Math.hypot(slope, 1);
        let touching = 0;
        for (let n = 0; n < net.nodes.length; n++) {
          const over = (at[3 * n + 2]! - slope * at[3 * n]!) / size;
          expect(over).toBeGreaterThan(-1e-3);
          const normal = (-slope * ground[3 * n]! + ground[3 * n + 2]!) / size;
          expect(normal).toBeGreaterThanOrEqual(-1e-9);
          if (over > 1e-6)
            expect(Math.hypot(ground[3 * n]!, ground[3 * n + 1]!, ground[3 * n + 2]!)).toBeLessThan(1e-6);
          if (normal > 1e-6) {
            touching++;
            const sideways = Math.hypot(
              ground[3 * n]! + (normal * slope) / size,
              ground[3 * n + 1]!,
              ground[3 * n + 2]! - normal / size,
            );
            expect(sideways).toBeLessThanOrEqual(friction * normal * 1.001 + 1e-6);
          }
        }
        expect(touching).toBeGreaterThan(8);
        for (let c = 0; c < 3; c++) {
          let carried = 0;
          for (let n = 0; n < net.nodes.length; n++)
            carried += ground[3 * n + c]! + reaction[3 * n + c]! + (net.nodes[n]!.load?.[c] ?? 0);
          expect(Math.abs(carried)).toBeLessThan(1e-6);
        }
      }
  });
  test('a line hauled clear of it does not know of it', () => {
    const clear = chain(12, 6.02, 3, 0.5);
    const with_ = prepare(clear);
    const without = prepare({ ...clear, ground: undefined } as Net);
    const [a, b] = [solve(with_), solve(without)];
    expect(numbersOf(with_, a).tension).toEqual(numbersOf(without, b).tension);
  });
  test('a node that lies on another is held up, lifts off freely, and pushes back as much', () => {
    const net = (load: number): Net => ({
      format: 'rough-bight/net@1',
      nodes: [
        { id: 'a', at: [-1, 0, 1], fixed: true },
        { id: 'b', at: [1, 0, 1], fixed: true },
        { id: 'host', at: [0, 0, 1] },
        { id: 'cloth', at: [0, 0, 1], load: [0, 0, load] },
        { id: 'up', at: [0, 0, 3], fixed: true },
      ],
      lines: [
        { id: 'l', from: 'a', to: 'host', restLength: 1, axialStiffness: 5000 },
        { id: 'r', from: 'host', to: 'b', restLength: 1, axialStiffness: 5000 },
        { id: 'keep', from: 'cloth', to: 'up', restLength: 2.5, axialStiffness: 100 },
      ],
      rests: [{ node: 'cloth', on: 'host', friction: 0.3 }],
    });
    const laid = prepare(net(-40));
    const down = resultOf(laid, solve(laid));
    expect(down.converged).toBe(true);
    const hangs = 2 * down.lines['l']!.tension * Math.sin(Math.atan2(1 - down.nodes['host']!.at[2], 1));
    expect(hangs).toBeCloseTo(40, 3);
    const lifted = prepare(net(30));
    const up = resultOf(lifted, solve(lifted));
    expect(up.nodes['cloth']!.at[2]).toBeGreaterThan(1.1);
    expect(up.lines['l']!.tension).toBeLessThan(1e-6);
  });
  test('files name what is wrong with it', () => {
    const file = (part: object): string => JSON.stringify({ ...chain(2, 6.1, 1, 0.4), ...part });
    expect(() => readNet(file({ ground: { friction: 0.5 } }))).toThrow(/ground: at: is missing/);
    expect(() => readNet(file({ ground: { at: [0, 0, 0], friction: -1 } }))).toThrow(/ground: friction/);
    expect(() => readNet(file({ ground: { at: [0, 0, 0], normal: [0, 0, 0], friction: 1 } }))).toThrow(/no length/);
    expect(() => readNet(file({ rests: [{ node: 'n1', on: 'n1', friction: 0.2 }] }))).toThrow(/the node itself/);
    expect(() => readNet(file({ rests: [{ node: 'n1', on: 'nowhere', friction: 0.2 }] }))).toThrow(/nowhere/);
    expect(readNet(file({ ground: undefined })).warnings.join()).toMatch(/nothing stops them/);
    expect(readNet(file({})).net.ground!.friction).toBe(0.4);
  });
});
