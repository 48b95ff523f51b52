import { describe, expect, test } from '@jest/globals';
import { answersTo, numbersOf, prepare, reactionsOf, sensitivityOf, solve } from '../../src/net/index.js';
import type { Engine, Net, Quantity } from '../../src/net/index.js';
import { roofNet } from '../../../bench/nets.mjs';
import { near, netOf } from './helper.js';
import { anyNet } from './nets.js';

/** The quantity at the engine's present solution, found afresh. */
function valueOf(engine: Engine, of: Quantity): number {
  if ('reaction' in of) return reactionsOf(engine)[3 * engine.structure.nodeIndex.get(of.reaction)! + of.component]!;
  return sensitivityOf(engine, of).value;
}

/** Adjoint against central differences, for some loads, lengths and supports of the net. */
function compare(net: Net, of: Quantity, skip = 1): void {
  const engine = prepare(net);
  expect(solve(engine).converged).toBe(true);
  const s = engine.structure;
  const adjoint = sensitivityOf(engine, of);
  near(adjoint.value, valueOf(engine, of), 1e-6, 1e-6);
  const difference = (array: Float64Array, i: number, h: number): number => {
    const base = array[i]!;
    const values = [h, -h].map((step) => {
      array[i] = base + step;
      expect(solve(engine).converged).toBe(true);
      return valueOf(engine, of);
    }) as [number, number];
    array[i] = base;
    expect(solve(engine).converged).toBe(true);
    return (values[0] - values[1]) / (2 * h);
  };
  const check = (found: number, array: Float64Array, i: number, h: number): void => {
    const scale = Math.max(...Array.from(adjoint.load, Math.abs), 1e-3);
    // a slack or wrinkled element may change state within the step: two steps must agree to be held against it
    const [a, b] = [difference(array, i, h), difference(array, i, h / 4)];
    if (Math.abs(a - b) > 3e-4 * (Math.abs(b) + scale)) return;
    near(found, b, 2e-3, 2e-3 * (array === s.load ? scale : Math.abs(b) + 0.1));
    checked++;
  };
  let checked = 0;
  for (let i = 0; i < s.load.length; i += 5 * skip) if (!s.fixed[i]) check(adjoint.load[i]!, s.load, i, 1e-4);
  for (let i = 0; i < s.rest.length; i++) check(adjoint.restLength[i]!, s.rest, i, 1e-6);
  for (let i = 0; i < s.at.length; i++) if (s.fixed[i] || s.spring[i]! > 0) check(adjoint.support[i]!, s.at, i, 1e-6);
  expect(checked).toBeGreaterThan(4);
}

describe('sensitivities by the adjoint', () => {
  const wire = netOf({
    nodes: [
      { id: 'a', at: [0, 0, 0], fixed: true },
      { id: 'b', at: [5, 1, 0.4], fixed: true },
      { id: 'c', at: [2, -2, 3], spring: [4e3, 5e3, 6e3] },
      { id: 'm', at: [2, 0, -0.5], load: [3, 1, -40] },
    ],
    lines: [
      { id: 'am', from: 'a', to: 'm', restLength: 2, axialStiffness: 3000, weightPerMetre: 0.4 },
      {
        id: 'mb',
        from: 'm',
        to: 'b',
        restLength: 3.1,
        curve: [
          [0, 0],
          [0.05, 200],
          [0.2, 2000],
        ],
      },
      { id: 'mc', from: 'm', to: 'c', restLength: 3.5, axialStiffness: 6000 },
    ],
    struts: [{ id: 's', from: 'm', to: 'c', restLength: 3.9, axialStiffness: 2e3 }],
  });
  test('a tension, by every load, length and support', () => compare(wire, { line: 'mb' }));
  test('a strut’s force', () => compare(wire, { strut: 's' }));
  test('a rigid support’s reaction', () => compare(wire, { reaction: 'a', component: 0 }));
  test('a spring’s reaction', () => compare(wire, { reaction: 'c', component: 2 }));
  test('a roof’s ridge tension and peg uplift', () => {
    compare(roofNet(3, 2), { line: 'ridge' }, 3);
    compare(roofNet(3, 2), { reaction: 'peg al', component: 2 }, 3);
  });
  test('a roof in wind, where the stiffness is not symmetric', () => compare(roofNet(3, 2, 25), { line: 'guy br' }, 3));
  test('past a ring with friction, a sliding hitch and a foot', () => {
    compare(
      netOf({
        nodes: [
          { id: 'a', at: [0, 0, 2], fixed: true },
          { id: 'b', at: [6, 0, 2.4], fixed: true },
          { id: 'r', at: [2, 0, 1.8], load: [5, 2, -60] },
          { id: 'h', at: [4, 0, 1.8], load: [-30, 0, -20] },
          { id: 'g', at: [3, 0, 0], fixed: true },
        ],
        lines: [
          {
            id: 'l',
            from: 'a',
            to: 'b',
            restLength: 6.2,
            axialStiffness: 6000,
            weightPerMetre: 0.2,
            through: [
              { node: 'r', friction: 0.15 },
              { node: 'h', grip: 12 },
            ],
          },
          { id: 'hold', from: 'h', to: 'b', restLength: 2.1, axialStiffness: 4000 },
          { id: 'keep', from: 'r', to: 'g', restLength: 2.2, axialStiffness: 4000 },
        ],
      }),
      { line: 'l' },
    );
    compare(anyNet(6), { line: 'hang a' }, 2);
    compare(anyNet(15), { reaction: 'A', component: 0 }, 2);
  });
  test('asks for things that are not there by name', () => {
    const engine = prepare(wire);
    solve(engine);
    expect(() => sensitivityOf(engine, { line: 'nowhere' })).toThrow('line: there is no line "nowhere"');
  });
});

describe('first-order answers, many changes on one factorisation', () => {
  const roof = (): Engine => {
    const engine = prepare(roofNet(3, 2, 25));
    expect(solve(engine).converged).toBe(true);
    return engine;
  };
  /** So much of a change of each line's length, m. */
  const lengths =
    (engine: Engine, by: (i: number) => number) =>
    (share: number): void =>
      engine.structure.rest.forEach((_, i, all) => (all[i] = base[i]! + share * by(i)));
  let base: Float64Array;

  test('agree with the adjoint, line by line, in wind', () => {
    const engine = roof();
    base = engine.structure.rest.slice();
    const id = engine.structure.lineId.indexOf('guy br');
    const { restLength } = sensitivityOf(engine, { line: 'guy br' });
    const asked = Array.from(base, (_, i) => i).slice(0, 6);
    const found = answersTo(
      engine,
      asked.map((k) => lengths(engine, (i) => (i === k ? 1e-3 : 0))),
    );
    asked.forEach((k, n) => near(found[n]!.tension[id]!, 1e-3 * restLength[k]!, 1e-3, 1e-3));
  });
  test('agree with the net solved again a little off, for lines, sticks and cloth', () => {
    const engine = roof();
    base = engine.structure.rest.slice();
    const change = lengths(engine, (i) => 1e-5 * ((i % 3) - 1));
    const before = numbersOf(engine, solve(engine));
    const [by] = answersTo(engine, [change]);
    change(1);
    const after = numbersOf(engine, solve(engine));
    before.tension.forEach((t, i) => near(by!.tension[i]!, after.tension[i]! - t, 0.01, 1e-3));
    before.strutForce.forEach((f, i) => near(by!.strutForce[i]!, after.strutForce[i]! - f, 0.01, 1e-3));
    const most = (stress: Float64Array): number => Math.max(...stress);
    near(by!.stress, most(after.stress) - most(before.stress), 0.02, 1e-2);
  });
  test('add up, grow with the change, and leave the engine as it was', () => {
    const engine = roof();
    base = engine.structure.rest.slice();
    const x = engine.state.x.slice();
    const one = (i: number): number => (i === 0 ? 2e-3 : 0);
    const other = (i: number): number => (i === 2 ? -1e-3 : 0);
    const [a, b, both] = answersTo(engine, [
      lengths(engine, one),
      lengths(engine, other),
      lengths(engine, (i) => one(i) + other(i)),
    ]);
    a!.tension.forEach((t, i) => near(both!.tension[i]!, t + b!.tension[i]!, 1e-3, 1e-3));
    const [little, much] = answersTo(engine, [
      lengths(engine, (i) => one(i) / 10),
      lengths(engine, (i) => 10 * one(i)),
    ]);
    expect(little!.bends).toBeLessThan(a!.bends);
    expect(a!.bends).toBeLessThan(much!.bends);
    expect(engine.state.x).toEqual(x);
    expect(engine.structure.rest).toEqual(base);
    expect(solve(engine).iterations).toBeLessThanOrEqual(1);
  });
});
