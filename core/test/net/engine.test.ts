import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { factorise, newFactors, shapeOf, blockAt, solveFactored } from '../../src/net/factor.js';
import { minimumDegree } from '../../src/net/ordering.js';
import { prepare, reset, resultOf, solve, solveSteps } from '../../src/net/index.js';
import { roofNet } from '../../../bench/nets.mjs';
import { near, netOf, solved, source } from './helper.js';
import { chain, towel } from './nets.js';

/** A random sparse matrix of 3 x 3 blocks on a random graph, dense as well. */
function matrix(size: number, seed: number, symmetric: boolean) {
  const random = source(seed);
  const edges = new Set<string>();
  for (let k = 0; k < 2 * size; k++) {
    const a = Math.floor(random() * size);
    const b = Math.floor(random() * size);
    if (a !== b) edges.add([Math.max(a, b), Math.min(a, b)].join());
  }
  const n = 3 * size;
  const dense = Array.from({ length: n }, () => new Float64Array(n));
  const put = (r: number, c: number, v: number): void => {
    dense[r]![c]! += v;
  };
  for (const e of edges) {
    const [a, b] = e.split(',').map(Number) as [number, number];
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) {
        const v = random() - 0.5;
        put(3 * a + i, 3 * b + j, v);
        put(3 * b + j, 3 * a + i, symmetric ? v : random() - 0.5);
      }
  }
  for (let i = 0; i < n; i++) put(i, i, 0.5 + dense[i]!.reduce((s, v) => s + Math.abs(v), 0));
  const neighbours: number[][] = Array.from({ length: size }, () => []);
  for (const e of edges) {
    const [a, b] = e.split(',').map(Number) as [number, number];
    neighbours[a]!.push(b);
    neighbours[b]!.push(a);
  }
  return { dense, edges, neighbours };
}

describe('ordering and factors', () => {
  test.each([true, false])('L D U of a sparse matrix solves it and its transpose (symmetric: %s)', (symmetric) => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), fc.integer({ min: 1, max: 1e6 }), (size, seed) => {
        const { dense, edges, neighbours } = matrix(size, seed, symmetric);
        const ordering = minimumDegree(
          size,
          neighbours.map((l) => [...l]),
          1e9,
        )!;
        expect([...ordering.order].sort((a, b) => a - b)).toEqual(Array.from({ length: size }, (_, i) => i));
        const shape = shapeOf(ordering);
        const f = newFactors(shape, symmetric);
        const fill = (a: number, b: number): void => {
          const [i, j] = [shape.place[a]!, shape.place[b]!];
          const block = 9 * blockAt(shape, Math.max(i, j), Math.min(i, j));
          expect(block).toBeGreaterThanOrEqual(0);
          for (let r = 0; r < 3; r++)
            for (let c = 0; c < 3; c++) {
              const v = dense[3 * a + r]![3 * b + c]!;
              if (i >= j) f.lower[block + 3 * r + c] = v;
              else if (!symmetric) f.upper[block + 3 * c + r] = v; // kept transposed
            }
        };
        for (let a = 0; a < size; a++) fill(a, a);
        for (const e of edges) {
          const [a, b] = e.split(',').map(Number) as [number, number];
          fill(a, b);
          fill(b, a);
        }
        factorise(f);
        expect(f.negative).toBe(0);
        const random = source(seed + 1);
        const x = Float64Array.from({ length: 3 * size }, () => random() - 0.5);
        for (const transposed of [false, true]) {
          const b = new Float64Array(3 * size);
          for (let r = 0; r < 3 * size; r++)
            for (let c = 0; c < 3 * size; c++) {
              const v = transposed ? dense[c]![r]! : dense[r]![c]!;
              b[3 * shape.place[Math.floor(r / 3)]! + (r % 3)]! += v * x[c]!;
            }
          solveFactored(f, b, transposed);
          for (let c = 0; c < 3 * size; c++)
            near(b[3 * shape.place[Math.floor(c / 3)]! + (c % 3)]!, x[c]!, 1e-9, 1e-10);
        }
      }),
      { numRuns: 40 },
    );
  });

  test('a chain is eliminated without fill, a star from its points inward', () => {
    const n = 200;
    const line = minimumDegree(
      n,
      Array.from({ length: n }, (_, i) => [i - 1, i + 1].filter((k) => k >= 0 && k < n)),
      1e9,
    )!;
    expect(line.columns.reduce((s, c) => s + c.length, 0)).toBe(n - 1);
    const star = minimumDegree(
      n,
      Array.from({ length: n }, (_, i) => (i === 0 ? Array.from({ length: n - 1 }, (_, k) => k + 1) : [0])),
      1e9,
    )!;
    expect(star.columns.reduce((s, c) => s + c.length, 0)).toBe(n - 1);
  });

  test('a grid fills in far less than its band', () => {
    const n = 24;
    const neighbours = Array.from({ length: n * n }, (_, k) => {
      const [i, j] = [Math.floor(k / n), k % n];
      return [
        [i - 1, j],
        [i + 1, j],
        [i, j - 1],
        [i, j + 1],
      ]
        .filter(([a, b]) => a! >= 0 && b! >= 0 && a! < n && b! < n)
        .map(([a, b]) => a! * n + b!);
    });
    const { columns } = minimumDegree(n * n, neighbours, 1e9)!;
    expect(columns.reduce((s, c) => s + c.length, 0)).toBeLessThan(0.6 * n * n * n);
  });

  test('gives up where one factorisation would take too long', () => {
    const n = 60;
    const full = Array.from({ length: n }, (_, i) => Array.from({ length: n }, (_, k) => k).filter((k) => k !== i));
    expect(minimumDegree(n, full, 1000)).toBeNull();
  });
});

describe('what cannot balance, and what is loose', () => {
  const answer = (parts: Parameters<typeof netOf>[0]) => {
    const engine = prepare(netOf(parts));
    return resultOf(engine, solve(engine));
  };

  test('a node that nothing is tied to: still without load, gone with one', () => {
    const still = answer({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'loose', at: [1, 0, 0] },
      ],
    });
    expect(still.converged).toBe(true);
    expect(still.mechanisms.map((m) => m.node)).toEqual(['loose', 'loose', 'loose']);
    const gone = answer({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'loose', at: [1, 0, 0], load: [0, 0, -3] },
      ],
    });
    expect(gone).toMatchObject({
      converged: false,
      reason: 'node "loose" moves away without end along [0, 0, -1]: nothing holds it there',
    });
  });

  test('a net without a support falls, and is told so', () => {
    const falls = answer({
      nodes: [
        { id: 'a', at: [0, 0, 0] },
        { id: 'b', at: [1, 0, 0] },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 0.9, axialStiffness: 1e3, weightPerMetre: 1 }],
    });
    expect(falls.converged).toBe(false);
    expect(falls.reason).toMatch(/moves away without end along \[0, 0, -1\]/);
  });

  test('a weightless cord pulled straight lets its middle swing; the direction is across it', () => {
    const r = answer({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'm', at: [1, 0, 0] },
        { id: 'b', at: [2, 0, 0], fixed: true },
      ],
      lines: [
        { id: 'p', from: 'a', to: 'm', restLength: 1, axialStiffness: 1e3 },
        { id: 'q', from: 'm', to: 'b', restLength: 1, axialStiffness: 1e3 },
      ],
    });
    expect(r.converged).toBe(true);
    expect(r.mechanisms.length).toBeGreaterThanOrEqual(2);
    for (const m of r.mechanisms) expect(m.node).toBe('m');
  });

  test('a square of struts on two hinges has one way to sway', () => {
    const plane = [false, true, false] as const;
    const r = answer({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'b', at: [2, 0, 0], fixed: true },
        { id: 'c', at: [0, 0, 1], fixed: plane },
        { id: 'd', at: [2, 0, 1], fixed: plane },
      ],
      struts: [
        { id: 'ac', from: 'a', to: 'c', restLength: 1, axialStiffness: 1e5 },
        { id: 'bd', from: 'b', to: 'd', restLength: 1, axialStiffness: 1e5 },
        { id: 'cd', from: 'c', to: 'd', restLength: 2, axialStiffness: 1e5 },
      ],
    });
    expect(r.mechanisms).toHaveLength(1);
    expect(r.mechanisms[0]!.direction.map(Math.abs)).toEqual([1, 0, 0]);
  });

  test('a column of struts pressed above what its stays can hold does not stay up: it falls through and hangs', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'm', at: [0, 0, 1], spring: [40, 40, 0] },
        { id: 'c', at: [0, 0, 2], fixed: [true, true, false], load: [0, 0, -50] },
      ],
      struts: [
        { id: 'am', from: 'a', to: 'm', restLength: 1, axialStiffness: 1e5 },
        { id: 'mc', from: 'm', to: 'c', restLength: 1, axialStiffness: 1e5 },
      ],
    });
    // straight it would need 2 P / L = 100 N/m at the hinge, and no bent shape holds it either
    near(result.nodes['c']!.at[2], -2 - (2 * 50) / 1e5, 1e-6);
    near(result.struts['am']!.force, 50, 1e-6);
  });

  test('the allowance is kept: a hard net ends with an answer, its reason and finite numbers', () => {
    const engine = prepare(towel(6));
    const outcome = solve(engine, { allowance: 3e5 });
    expect(outcome).toMatchObject({ converged: false, ending: 'work' });
    const result = resultOf(engine, outcome);
    expect(result.reason).toMatch(/still out of balance by .* N after \d+ steps, the most work allowed/);
    for (const n of Object.values(result.nodes)) for (const v of n.at) expect(Number.isFinite(v)).toBe(true);
  });

  test('a solve can be stopped between steps and taken up again', () => {
    const engine = prepare(chain(30, 1e6));
    const steps = solveSteps(engine);
    for (let i = 0; i < 4; i++) steps.next();
    engine.allowance = 0;
    let next = steps.next();
    while (next.done !== true) next = steps.next();
    expect(next.value.converged).toBe(false);
    expect(solve(engine).converged).toBe(true);
  });
});

describe('load cases on one engine', () => {
  test('every case comes out as if it were solved alone', () => {
    const engine = prepare(roofNet(6, 4));
    const { structure } = engine;
    const tensions = (): number[] => {
      const outcome = solve(engine);
      expect(outcome.converged).toBe(true);
      const { lines } = resultOf(engine, outcome);
      return Object.values(lines).map((l) => l.tension);
    };
    const alone = (pressure: number): number[] => {
      const { result } = solved({ ...roofNet(6, 4, pressure) });
      return Object.values(result.lines).map((l) => l.tension);
    };
    for (const pressure of [0, 30, -15, 60, 0]) {
      structure.pressure.fill(pressure);
      const expected = alone(pressure);
      tensions().forEach((t, i) => near(t, expected[i]!, 1e-6, 1e-5));
    }
  });

  test('a line hauled in shorter than its last hitch is refused by name; a shorter one is not', () => {
    const engine = prepare(roofNet(4, 2));
    const { rest, lineId } = engine.structure;
    const ridge = lineId.indexOf('ridge');
    solve(engine);
    const before = rest[ridge]!;
    rest[ridge] = 3;
    expect(() => solve(engine)).toThrow(/line "ridge": restLength 3 m; must be above 5\.\d+ m/);
    rest[ridge] = 0.99 * before;
    expect(solve(engine).converged).toBe(true);
  });

  test('a support dragged in small steps ends where it ends in one', () => {
    const net = roofNet(6, 4);
    const engine = prepare(net);
    const peg = 3 * engine.structure.nodeIndex.get('peg bl')!;
    solve(engine);
    const few = solve(engine).iterations;
    expect(few).toBeLessThanOrEqual(1);
    for (let i = 0; i < 6; i++) {
      engine.structure.at[peg]! += 0.03;
      const outcome = solve(engine);
      expect(outcome.converged).toBe(true);
      expect(outcome.iterations).toBeLessThan(16);
    }
    const { result } = solved({
      ...net,
      nodes: net.nodes.map((n) => (n.id === 'peg bl' ? { ...n, at: [n.at[0] + 0.18, n.at[1], n.at[2]] as const } : n)),
    });
    const dragged = resultOf(engine, solve(engine));
    for (const [id, l] of Object.entries(result.lines)) near(dragged.lines[id]!.tension, l.tension, 1e-6, 1e-5);
    reset(engine);
    near(resultOf(engine, solve(engine)).lines['ridge']!.tension, result.lines['ridge']!.tension, 1e-6);
  });
});
