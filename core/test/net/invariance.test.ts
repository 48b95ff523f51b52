import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { evaluate } from '../../src/net/balance.js';
import { collectTangents, isConservative, isConvex } from '../../src/net/balance.js';
import { prepare, resultOf, solve } from '../../src/net/index.js';
import type { Net, NetResult } from '../../src/net/index.js';
import type { Vec3 } from '../../src/quantity/index.js';
import { roofNet } from '../../../bench/nets.mjs';
import { expectGlobalBalance, near, solved, source } from './helper.js';
import { CASES, anyNet, chain, seeds, towel } from './nets.js';

function answer(net: Net): NetResult {
  const engine = prepare(net);
  const result = resultOf(engine, solve(engine));
  expect({ reason: result.reason, converged: result.converged }).toEqual({ reason: null, converged: true });
  return result;
}

/** Tensions, strut forces and first stresses of two results, each scaled. */
function same(a: NetResult, b: NetResult, scale = 1, relative = 1e-5): void {
  const largest = Math.max(...Object.values(a.lines).map((l) => l.tension), 1e-3);
  for (const [id, l] of Object.entries(a.lines)) {
    near(b.lines[id]!.tension, l.tension * scale, relative, relative * largest * scale);
    near(b.lines[id]!.tensionFrom, l.tensionFrom * scale, relative, relative * largest * scale);
  }
  for (const [id, s] of Object.entries(a.struts))
    near(b.struts[id]!.force, s.force * scale, relative, relative * largest * scale);
}

function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const out = [...list];
  for (let i = out.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
}

/** Every place, and every direction, of a net moved. */
function moved(net: Net, place: (p: Vec3) => Vec3, direction: (v: Vec3) => Vec3): Net {
  return {
    ...net,
    nodes: net.nodes.map((n) => ({
      ...n,
      at: place(n.at),
      ...(n.load === undefined ? {} : { load: direction(n.load) }),
      ...(n.foot?.normal === undefined ? {} : { foot: { ...n.foot, normal: direction(n.foot.normal) } }),
    })),
  };
}

describe('the same net told differently gives the same answer', () => {
  test('whatever the order of its nodes, lines and panels', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const net = anyNet(seed);
        const random = source(seed + 7);
        same(
          answer(net),
          answer({
            ...net,
            nodes: shuffled(net.nodes, random),
            lines: shuffled(net.lines!, random),
            panels: shuffled(net.panels!, random),
          }),
        );
      }),
      { numRuns: 25 },
    );
  });

  test('wherever it stands and whichever way it faces', () => {
    fc.assert(
      fc.property(seeds, fc.double({ min: 0, max: 6.28, noNaN: true }), (seed, angle) => {
        const base = anyNet(seed);
        // springs alike in plan, so that they may be turned
        const net = {
          ...base,
          nodes: base.nodes.map((n) => (n.spring === undefined ? n : { ...n, spring: [9e3, 9e3, 1e5] as const })),
        };
        const [c, s] = [Math.cos(angle), Math.sin(angle)];
        const turn = (v: Vec3): Vec3 => [c * v[0] - s * v[1], s * v[0] + c * v[1], v[2]];
        const there = answer(moved(net, (p) => turn(p).map((v, k) => v + [120, -45, 30][k]!) as unknown as Vec3, turn));
        const here = answer(net);
        same(here, there);
        for (const [id, n] of Object.entries(here.nodes)) {
          const r = turn(n.reaction);
          there.nodes[id]!.reaction.forEach((v, k) => near(v, r[k]!, 1e-4, 1e-3));
        }
      }),
      { numRuns: 25 },
    );
  });

  test('a weightless net may be turned any way up', () => {
    const net = roofNet(5, 3);
    const bare: Net = {
      ...net,
      nodes: net.nodes.map((n) => (n.fixed === true ? n : { ...n, load: [0.3, -0.4, -1.5] as const })),
      lines: net.lines!.map(({ weightPerMetre: _, ...l }) => l),
      panels: net.panels!.map(({ weightPerArea: _, ...p }) => p),
    };
    const [c, s] = [Math.cos(0.8), Math.sin(0.8)];
    const turn = (v: Vec3): Vec3 => [c * v[0] - s * v[2], v[1], s * v[0] + c * v[2]];
    same(answer(bare), answer(moved(bare, turn, turn)), 1, 1e-6);
  });

  test('at any scale: lengths by k, forces by f', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 30, noNaN: true }),
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        (k, f) => {
          const net = roofNet(5, 3, 20);
          const scaled: Net = {
            ...net,
            nodes: net.nodes.map((n) => ({ ...n, at: n.at.map((v) => v * k) as unknown as Vec3 })),
            lines: net.lines!.map((l) => ({
              ...l,
              restLength: l.restLength * k,
              axialStiffness: l.axialStiffness! * f,
              weightPerMetre: ((l.weightPerMetre ?? 0) * f) / k,
              ...(l.through === undefined ? {} : { through: l.through.map((p) => ({ ...p, at: p.at! * k })) }),
            })),
            panels: net.panels!.map((p) => ({
              ...p,
              stiffness: (p.stiffness * f) / k,
              pressure: ((p.pressure ?? 0) * f) / (k * k),
              weightPerArea: ((p.weightPerArea ?? 0) * f) / (k * k),
            })),
          };
          same(answer(net), answer(scaled), f, 1e-6);
        },
      ),
      { numRuns: 15 },
    );
  });

  test('a symmetric roof carries itself symmetrically', () => {
    const net = roofNet(6, 4);
    // level the ridge and mirror the mesh's diagonals by judging only what a mirror keeps
    const level: Net = {
      ...net,
      nodes: net.nodes.map((n) => (n.id === 'trunk b' ? { ...n, at: [n.at[0], 0, 1.9] as const } : n)),
    };
    const r = answer(level);
    near(r.lines['guy al']!.tension, r.lines['guy ar']!.tension, 0.02);
    near(r.lines['guy al']!.tension, r.lines['guy bl']!.tension, 0.02);
    near(r.nodes['trunk a']!.reaction[0], -r.nodes['trunk b']!.reaction[0], 0.02);
    near(r.nodes['trunk a']!.reaction[1], 0, 0, 0.5);
  });

  test('twice the same: to the last digit', () => {
    expect(answer(anyNet(5))).toEqual(answer(anyNet(5)));
  });
});

describe('two methods, one answer', () => {
  for (const [name, net] of Object.entries(CASES))
    test(
      name,
      () => {
        const byNewton = prepare(net());
        const first = solve(byNewton);
        const byRelaxing = prepare(net());
        const second = solve(byRelaxing, { method: 'relaxation', allowance: 1e9 });
        expect([first.converged, second.converged]).toEqual([true, true]);
        same(resultOf(byNewton, first), resultOf(byRelaxing, second), 1, 1e-5);
        expectGlobalBalance(net(), resultOf(byRelaxing, second));
      },
      60_000,
    );
});

describe('the way down', () => {
  const conservative: Record<string, () => Net> = {
    chain: () => chain(20, 1e6),
    towel: () => towel(4),
    roof: () => {
      const net = roofNet(9, 4);
      return {
        ...net,
        lines: net.lines!.map((l) => ({
          ...l,
          ...(l.through === undefined
            ? {}
            : { through: l.through.map(({ node, at }) => ({ node, at: at!, friction: 0 })) }),
        })),
      };
    },
  };
  for (const [name, net] of Object.entries(conservative))
    test(`${name}: the energy never rises from step to step`, () => {
      const engine = prepare(net());
      expect(isConservative(engine.state)).toBe(true);
      expect(isConvex(engine.state)).toBe(true);
      const energies: number[] = [];
      const outcome = solve(engine, { onStep: (energy) => energies.push(energy) });
      expect(outcome.converged).toBe(true);
      expect(energies.length).toBeGreaterThan(5);
      // rounding is of the size of tension times length, not of their sum
      const size = Math.max(...energies.map(Math.abs)) + engine.state.scale * engine.size;
      energies.forEach((e, i) => {
        if (i > 0) expect(e).toBeLessThanOrEqual(energies[i - 1]! + 1e-12 * size);
      });
    });

  test('the last steps are Newton’s: the residual falls at second order', () => {
    const engine = prepare(roofNet(13, 5));
    const residuals: number[] = [];
    const outcome = solve(engine, { onStep: (_, r) => residuals.push(r) });
    expect(outcome.method).toBe('newton');
    const [a, b, c] = residuals.slice(-3) as [number, number, number];
    expect(Math.min(b / a, c / b)).toBeLessThan(2e-3);
    expect(Math.max(b / a, c / b)).toBeLessThan(0.1);
  });

  test('the force is the energy’s slope, the tangent the force’s, at places far from rest', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const engine = prepare(anyNet(seed));
        const { state, structure: s, members } = engine;
        const random = source(seed);
        state.footStiffness = 1e4;
        for (let i = 0; i < state.x.length; i++) state.x[i]! += 0.02 * (random() - 0.5);
        const balance = { residual: 0, worst: 0, unsettled: 0 };
        const v = Float64Array.from(state.x, () => random() - 0.5);
        const x0 = state.x.slice();
        const at = (h: number): Float64Array => {
          state.x.set(x0);
          for (let i = 0; i < v.length; i++) state.x[i]! += h * v[i]!;
          evaluate(state, balance);
          expect(balance.unsettled).toBeLessThan(1e-10);
          return state.force.slice();
        };
        // a kink within the step spoils a difference: two steps that disagree are passed over
        const [h, g] = [1e-6, 2e-6];
        const [p, m, p2, m2] = [at(h), at(-h), at(g), at(-g)];
        at(0);
        const kv = new Float64Array(v.length);
        collectTangents(state, members, {
          add(element, k, stride) {
            const first = members.start[element]!;
            const count = members.start[element + 1]! - first;
            for (let a = 0; a < 3 * count; a++)
              for (let b = 0; b < 3 * count; b++)
                kv[3 * members.node[first + Math.floor(a / 3)]! + (a % 3)]! +=
                  k[a * stride + b]! * v[3 * members.node[first + Math.floor(b / 3)]! + (b % 3)]!;
          },
          ground(n, ...k) {
            k.forEach((kc, c) => (kv[3 * n + c]! += kc * v[3 * n + c]!));
          },
        });
        const scale = Math.max(...Array.from(kv, Math.abs));
        let compared = 0;
        for (let i = 0; i < kv.length; i++) {
          const by = (m[i]! - p[i]!) / (2 * h);
          const by2 = (m2[i]! - p2[i]!) / (2 * g);
          if (Math.abs(by - by2) > 1e-5 * scale) continue;
          compared++;
          expect(Math.abs(kv[i]! - by)).toBeLessThan(1e-4 * scale);
        }
        expect(compared).toBeGreaterThan(0.8 * kv.length);
        expect(s.nodes * 3).toBe(kv.length);
      }),
      { numRuns: 30 },
    );
  });
});

test('every net of many kinds balances as a whole', () => {
  fc.assert(
    fc.property(seeds, (seed) => {
      solved(anyNet(seed));
    }),
    { numRuns: 40 },
  );
});
