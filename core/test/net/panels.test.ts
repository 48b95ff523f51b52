import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isotropicCloth, newClothState, wovenCloth, SLACK, TAUT, WRINKLED } from '../../src/net/cloth.js';
import { structureOf } from '../../src/net/structure.js';
import type { NetNode, NetPanel } from '../../src/net/index.js';
import type { Vec3 } from '../../src/quantity/index.js';
import { near, netOf, solved, source } from './helper.js';

/** A square of irregular triangles, `rest` the unstressed places, `at` where the nodes start; edges held. */
function patch(stretch: (x: number, y: number) => Vec3, law: Omit<NetPanel, 'id' | 'corners' | 'rest'>, seed = 1) {
  const random = source(seed);
  const n = 4;
  const rest = new Map<string, [number, number]>();
  for (let i = 0; i <= n; i++)
    for (let j = 0; j <= n; j++) {
      const inside = i > 0 && j > 0 && i < n && j < n;
      const shake = (): number => (inside ? (random() - 0.5) * 0.5 : 0);
      rest.set(`${i}.${j}`, [(i + shake()) / n, (j + shake()) / n]);
    }
  const nodes: NetNode[] = [...rest].map(([id, [x, y]]) => {
    const [i, j] = id.split('.').map(Number) as [number, number];
    const edge = i === 0 || j === 0 || i === n || j === n;
    const [a, b, c] = stretch(x, y);
    // inner nodes start off their places
    return edge
      ? { id, at: [a, b, c], fixed: true }
      : { id, at: [a + 0.03 * random(), b - 0.03 * random(), c + 0.02 * random()] };
  });
  const side = (p: string, q: string): number => {
    const [a, b] = [rest.get(p)!, rest.get(q)!];
    return Math.hypot(a[0] - b[0], a[1] - b[1]);
  };
  const panels: NetPanel[] = [];
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      const [a, b, c, d] = [`${i}.${j}`, `${i + 1}.${j}`, `${i + 1}.${j + 1}`, `${i}.${j + 1}`];
      const both: [string, string, string][] =
        random() < 0.5
          ? [
              [a, b, c],
              [a, c, d],
            ]
          : [
              [b, c, d],
              [b, d, a],
            ];
      for (const corners of both)
        panels.push({
          id: `p${panels.length}`,
          corners,
          rest: [side(corners[0], corners[1]), side(corners[1], corners[2]), side(corners[2], corners[0])],
          ...law,
        });
    }
  return { nodes, panels, rest };
}

describe('panels', () => {
  test('patch test: uniform stretch of an irregular mesh gives the exact uniform stress and the exact places', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.2, noNaN: true }),
        fc.double({ min: 0.001, max: 0.2, noNaN: true }),
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        fc.integer({ min: 1, max: 1e6 }),
        (ex, ey, g, seed) => {
          const move = (x: number, y: number): Vec3 => [(1 + ex) * x + g * y, g * x + (1 + ey) * y, 0];
          const [A, nu] = [2e4, 0.3];
          const { nodes, panels, rest } = patch(move, { stiffness: A, poisson: nu }, seed);
          const e11 = 0.5 * ((1 + ex) ** 2 + g * g - 1);
          const e22 = 0.5 * ((1 + ey) ** 2 + g * g - 1);
          const e12 = 0.5 * ((1 + ex) * g + g * (1 + ey));
          const k = A / (1 - nu * nu);
          const [s11, s22, s12] = [k * (e11 + nu * e22), k * (e22 + nu * e11), k * (1 - nu) * e12];
          const radius = Math.hypot((s11 - s22) / 2, s12);
          fc.pre((s11 + s22) / 2 - radius > 1e-3 * s11); // taut both ways
          const { result } = solved({ nodes, panels });
          for (const p of Object.values(result.panels)) {
            expect(p.state).toBe('taut');
            near(p.stress[0], (s11 + s22) / 2 + radius, 1e-9);
            near(p.stress[1], (s11 + s22) / 2 - radius, 1e-8);
          }
          for (const [id, [x, y]] of rest) {
            const expected = move(x, y);
            result.nodes[id]!.at.forEach((v, c) => near(v, expected[c]!, 0, 1e-9));
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  test('patch test in tension one way: every panel wrinkled, stress stiffness x Green strain, uniaxial', () => {
    // wide ends held at 3 % stretch, sides drawn in by more than Poisson's ratio asks
    const { nodes, panels } = patch((x, y) => [1.03 * x, 0.97 * y, 0], {
      stiffness: 1e4,
      poisson: 0.3,
      weightPerArea: 1e-4,
    });
    const { result } = solved({ nodes, panels });
    for (const p of Object.values(result.panels)) {
      expect(p.state).toBe('wrinkled');
      near(p.stress[0], 1e4 * 0.5 * (1.03 ** 2 - 1), 1e-3);
      expect(p.stress[1]).toBe(0);
    }
  });

  test('turning a whole sheet makes no stress, by any turn', () => {
    fc.assert(
      fc.property(
        fc.tuple(
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
          fc.double({ min: -1, max: 1, noNaN: true }),
        ),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (axis, angle) => {
          const size = Math.hypot(...axis);
          fc.pre(size > 0.1);
          const u = axis.map((v) => v / size) as unknown as Vec3;
          const turn = (p: Vec3): Vec3 => {
            const [c, s] = [Math.cos(angle), Math.sin(angle)];
            const d = u[0] * p[0] + u[1] * p[1] + u[2] * p[2];
            const x: Vec3 = [u[1] * p[2] - u[2] * p[1], u[2] * p[0] - u[0] * p[2], u[0] * p[1] - u[1] * p[0]];
            return [0, 1, 2].map((k) => p[k]! * c + x[k]! * s + u[k]! * d * (1 - c)) as unknown as Vec3;
          };
          const parts = patch((x, y) => turn([x, y, 0]), { stiffness: 3e4, poisson: 0.4 });
          const still = parts.nodes.map((n) => {
            const [x, y] = parts.rest.get(n.id)!;
            return { ...n, at: turn([x, y, 0]), fixed: true };
          });
          const { result } = solved({ nodes: still, panels: parts.panels });
          for (const p of Object.values(result.panels)) expect(Math.abs(p.stress[0])).toBeLessThan(1e-9);
        },
      ),
      { numRuns: 30 },
    );
  });

  test('cloth as it was cut, wherever it lies, is slack: rounding makes no stress', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [1.1, 0.3, 7.7], fixed: true },
        { id: 'b', at: [2.3, 0.7, 7.9], fixed: true },
        { id: 'c', at: [1.7, 1.9, 8.3], fixed: true },
      ],
      panels: [{ id: 'p', corners: ['a', 'b', 'c'], stiffness: 4e4, poisson: 0.3 }],
    });
    expect(result.panels['p']).toEqual({ stress: [0, 0], state: 'slack' });
  });

  test('pressure on a cushion: the edge holds pressure x the area it spans', () => {
    const { nodes, panels } = patch((x, y) => [x, y, 0], { stiffness: 2e4, poisson: 0.3, pressure: 120 });
    const { result } = solved({ nodes, panels });
    let up = 0;
    for (const n of Object.values(result.nodes)) up += n.reaction[2];
    near(up, -120, 1e-7); // the edge is plane and square, 1 m by 1 m
    const inside = new Set(nodes.filter((n) => n.fixed === undefined).map((n) => n.id));
    for (const p of panels) expect(result.panels[p.id]!.state === 'slack').toBe(!p.corners.some((c) => inside.has(c)));
  });

  test('a free panel hung by one corner hangs plumb, its two lower corners level and apart', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'b', at: [1, 0, 0] },
        { id: 'c', at: [0, 1, 0] },
      ],
      panels: [{ id: 'p', corners: ['a', 'b', 'c'], stiffness: 1e4, poisson: 0.3, weightPerArea: 3 }],
    });
    near(result.nodes['a']!.reaction[2], 1.5, 1e-8);
    const [b, c] = [result.nodes['b']!.at, result.nodes['c']!.at];
    near(b[2], c[2], 1e-6);
    near(b[0] + c[0], 0, 0, 1e-6);
    near(b[1] + c[1], 0, 0, 1e-6);
    near(Math.hypot(b[0] - c[0], b[1] - c[1]), Math.SQRT2, 1e-3);
    near(b[2], -Math.SQRT1_2, 1e-3);
  });
});

describe('the cloth law', () => {
  const strain = fc.double({ min: -0.05, max: 0.05, noNaN: true });
  const woven = (warp: number, weft: number, shear: number, poisson: number, angle: number): Float64Array =>
    structureOf(
      netOf({
        nodes: [
          { id: 'a', at: [0, 0, 0] },
          { id: 'b', at: [1, 0, 0] },
          { id: 'c', at: [0, 1, 0] },
        ],
        panels: [{ id: 'p', corners: ['a', 'b', 'c'], stiffness: warp, poisson, weave: { weft, shear, angle } }],
      }),
    ).compliance;

  test('energy, stress and tangent agree by differences, in every state, isotropic and woven', () => {
    const cloth = woven(2e4, 9e3, 700, 0.2, 0.4);
    const laws = [
      (s: ReturnType<typeof newClothState>, a: number, b: number, c: number) => isotropicCloth(s, a, b, c, 1e4, 0.3),
      (s: ReturnType<typeof newClothState>, a: number, b: number, c: number) => wovenCloth(s, a, b, c, cloth, 0),
    ];
    const seen = new Set<number>();
    fc.assert(
      fc.property(strain, strain, strain, fc.integer({ min: 0, max: 1 }), (a, b, c, which) => {
        fc.pre(Math.hypot(a, b, c) > 1e-4); // the law has a kink at no strain
        const law = laws[which]!;
        const [o, p, m] = [newClothState(), newClothState(), newClothState()];
        law(o, a, b, c);
        seen.add(o.state);
        const h = 1e-7;
        const steps = [
          [h, 0, 0],
          [0, h, 0],
          [0, 0, h],
        ] as const;
        steps.forEach(([x, y, z], k) => {
          law(p, a + x, b + y, c + z);
          law(m, a - x, b - y, c - z);
          if (p.state !== o.state || m.state !== o.state) return;
          const by = k === 2 ? 4 * h : 2 * h; // against 2 e12
          const stress = k === 0 ? o.s11 : k === 1 ? o.s22 : o.s12;
          near((p.energy - m.energy) / by, stress, 1e-4, 1e-3);
          const rows = [
            [0, 1, 2],
            [1, 3, 4],
            [2, 4, 5],
          ] as const;
          [p.s11 - m.s11, p.s22 - m.s22, p.s12 - m.s12].forEach((change, r) =>
            near(change / by, o.tangent[rows[r]![k]!]!, 1e-4, 2),
          );
        });
      }),
      { numRuns: 500 },
    );
    expect([...seen].sort()).toEqual([SLACK, WRINKLED, TAUT]);
  });

  test('convex: the stresses never work against a change of strain', () => {
    const cloth = woven(2e4, 9e3, 700, 0.2, -0.9);
    fc.assert(
      fc.property(fc.tuple(strain, strain, strain), fc.tuple(strain, strain, strain), fc.boolean(), (e, f, iso) => {
        const [a, b] = [newClothState(), newClothState()];
        for (const [s, v] of [
          [a, e],
          [b, f],
        ] as const)
          if (iso) isotropicCloth(s, ...v, 1e4, 0.3);
          else wovenCloth(s, ...v, cloth, 0);
        const work =
          (a.s11 - b.s11) * (e[0] - f[0]) + (a.s22 - b.s22) * (e[1] - f[1]) + 2 * (a.s12 - b.s12) * (e[2] - f[2]);
        expect(work).toBeGreaterThanOrEqual(-1e-9);
      }),
      { numRuns: 500 },
    );
  });

  test('woven alike in both ways with the isotropic shear is the isotropic law, at any angle', () => {
    const [A, nu] = [1.5e4, 0.25];
    fc.assert(
      fc.property(strain, strain, strain, fc.double({ min: -3, max: 3, noNaN: true }), (a, b, c, angle) => {
        const [p, q] = [newClothState(), newClothState()];
        isotropicCloth(p, a, b, c, A, nu);
        wovenCloth(q, a, b, c, woven(A, A, A / (2 * (1 + nu)), nu, angle), 0);
        near(q.energy, p.energy, 1e-8, 1e-9);
        for (const s of ['s11', 's22', 's12'] as const) near(q[s], p[s], 1e-6, 1e-5);
      }),
      { numRuns: 300 },
    );
  });

  test('the format’s rule: taut, wrinkled, slack', () => {
    const s = newClothState();
    isotropicCloth(s, 0.01, 0.02, 0, 1e4, 0.3);
    expect(s.state).toBe(TAUT);
    isotropicCloth(s, 0.01, -0.004, 0, 1e4, 0.3);
    expect(s.state).toBe(WRINKLED);
    near(s.s11, 100);
    isotropicCloth(s, 0.01, -0.002, 0, 1e4, 0.3); // held by Poisson's ratio: still taut
    expect(s.state).toBe(TAUT);
    isotropicCloth(s, -0.01, -0.002, 0, 1e4, 0.3);
    expect(s.state).toBe(SLACK);
  });
});
