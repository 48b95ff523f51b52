import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { energyOf, massOf, motionOf, moveOn, prepare, solve } from '../../src/net/index.js';
import type { Motion, Net, NetNode } from '../../src/net/index.js';
import { netOf } from './helper.js';

const G = 9.81;
const DT = 1 / 240;

/** Times at which a number crosses a level upward. */
function crossings(motion: Motion, seconds: number, read: () => number, level: number): number[] {
  const out: number[] = [];
  let last = read();
  for (let t = 0; t < seconds; t += DT) {
    expect(moveOn(motion, DT)).toBe(true);
    const now = read();
    if (last < level && now >= level) out.push(motion.time - (DT * (now - level)) / (now - last));
    last = now;
  }
  return out;
}
const period = (times: readonly number[]): number => (times.at(-1)! - times[0]!) / (times.length - 1);

/** A weight on a cord, drawn aside by an angle. */
const pendulum = (length: number, angle: number): Net =>
  netOf({
    nodes: [
      { id: 'top', at: [0, 0, 0], fixed: true },
      { id: 'bob', at: [length * Math.sin(angle), 0, -length * Math.cos(angle)], load: [0, 0, -2 * G] },
    ],
    lines: [{ id: 'cord', from: 'top', to: 'bob', restLength: length, axialStiffness: 5e4 }],
  });

/** A cord of pieces between two posts, drawn tight. */
function strung(pieces: number, length: number, pull: number, weight: number, stiffness: number): Net {
  const at = (k: number): NetNode['at'] => [(length * k) / pieces, 0, 0];
  const rest = length / pieces / (1 + pull / stiffness);
  return netOf({
    nodes: Array.from({ length: pieces + 1 }, (_, k) => ({
      id: `n${k}`,
      at: at(k),
      fixed: k === 0 || k === pieces ? true : ([false, false, false] as const),
    })),
    lines: Array.from({ length: pieces }, (_, k) => ({
      id: `l${k}`,
      from: `n${k}`,
      to: `n${k + 1}`,
      restLength: rest,
      axialStiffness: stiffness,
      weightPerMetre: weight,
    })),
  });
}

describe('a net that moves', () => {
  test('a weight on a cord swings with the period of a pendulum, small and wide', () => {
    for (const [angle, longer] of [
      [0.02, 1],
      // K(sin(a/2)) 2/pi: 1 + a²/16 + 11 a⁴/3072 + ...
      [1, 1 + 1 / 16 + 11 / 3072 + 173 / 737280],
    ] as const) {
      const engine = prepare(pendulum(1.5, angle));
      const motion = motionOf(engine, massOf(engine.structure, G));
      const times = crossings(motion, 12, () => engine.state.x[3]! + engine.structure.origin[0], 0);
      expect(times.length).toBeGreaterThan(3);
      expect(Math.abs(period(times) / (2 * Math.PI * Math.sqrt(1.5 / G) * longer) - 1)).toBeLessThan(2e-3);
    }
  });

  test('a plucked cord sounds as its pull, length and mass say', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 9, noNaN: true }),
        fc.double({ min: 80, max: 400, noNaN: true }),
        (length, pull) => {
          const mass = 0.02;
          const engine = prepare(strung(24, length, pull, mass * 1e-9, 4e4));
          const m = new Float64Array(25).fill((mass * length) / 24);
          const motion = motionOf(engine, m);
          const middle = 3 * 12 + 1;
          for (let k = 1; k < 24; k++) engine.state.x[3 * k + 1] = 0.001 * length * Math.sin((Math.PI * k) / 24);
          const wave = 2 * length * Math.sqrt(mass / pull);
          const times: number[] = [];
          let last = engine.state.x[middle]!;
          const dt = wave / 200;
          for (let k = 0; k < 900; k++) {
            moveOn(motion, dt);
            const now = engine.state.x[middle]!;
            if (last < 0 && now >= 0) times.push(motion.time - (dt * now) / (now - last));
            last = now;
          }
          // the sideways stretch raises the pull a little, the pieces lower the note by a part in two thousand
          expect(Math.abs(period(times) / wave - 1)).toBeLessThan(0.004);
        },
      ),
      { numRuns: 8 },
    );
  });

  test('its step is stable, and one a tenth past what its stiffest part allows is not', () => {
    const engine = prepare(strung(30, 6, 200, 1e-9, 4e4));
    const m = new Float64Array(31).fill(0.01);
    const k = (4e4 / 6) * 30 * (1 + 200 / 4e4);
    const exact = 2 / (2 * Math.sqrt(k / 0.01));
    const begin = (longest: number): Motion => {
      solve(engine, { from: 'given' });
      const motion = motionOf(engine, m, { longest: 1 });
      for (let i = 1; i < 30; i++) motion.velocity[3 * i] = i % 2 === 0 ? 1e-3 : -1e-3;
      return { ...motion, step: longest };
    };
    const bound = motionOf(engine, m, { longest: 1 }).step;
    expect(bound).toBeLessThan(exact);
    expect(bound).toBeGreaterThan(0.6 * exact);
    const size = (motion: Motion): number => Math.max(...motion.velocity.map(Math.abs));
    const stable = begin(bound);
    for (let i = 0; i < 2000; i++) moveOn(stable, bound);
    expect(size(stable)).toBeLessThan(5e-3);
    const wild = begin(1.1 * exact);
    let going = true;
    for (let i = 0; i < 2000 && going && size(wild) < 1; i++) going = moveOn(wild, 1.1 * exact);
    expect(size(wild)).toBeGreaterThan(0.5);
  });

  test('energy is kept without damping, and taken by it as it says', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1.4, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (angle, drag) => {
          const engine = prepare(pendulum(1.2, angle));
          const motion = motionOf(engine, massOf(engine.structure, G), { drag });
          const before = energyOf(motion, 0);
          for (let t = 0; t < 4; t += DT) moveOn(motion, DT);
          const after = energyOf(motion, Math.min(DT, motion.step));
          const swing = 2 * G * 1.2 * (1 - Math.cos(angle));
          const made = after.kinetic + after.stored + motion.dragged - before.kinetic - before.stored;
          expect(Math.abs(made)).toBeLessThan(2e-3 * swing);
          if (drag > 0.2) expect(motion.dragged).toBeGreaterThan(0.2 * swing);
        },
      ),
      { numRuns: 10 },
    );
  });

  test('a dropped weight snatches its cord twice and more what it weighs', () => {
    // falling h onto a cord of stiffness k: W (1 + sqrt(1 + 2 h k / W))
    const [k, h, w] = [4000, 0.25, 2 * G];
    const engine = prepare(
      netOf({
        nodes: [
          { id: 'top', at: [0, 0, 0], fixed: true },
          { id: 'bob', at: [0, 0, -(1 - h)], load: [0, 0, -w] },
        ],
        lines: [{ id: 'cord', from: 'top', to: 'bob', restLength: 1, axialStiffness: k }],
      }),
    );
    const motion = motionOf(engine, massOf(engine.structure, G));
    for (let t = 0; t < 0.6; t += DT) moveOn(motion, DT);
    expect(Math.abs(motion.peak[0]! / (w * (1 + Math.sqrt(1 + (2 * h * k) / w))) - 1)).toBeLessThan(0.01);
  });

  test('a hitch that slides on a line, and a weight that slides on the ground, only ever take energy', () => {
    const sliding: Net = {
      format: 'rough-bight/net@1',
      nodes: [
        { id: 'a', at: [0, 0, 2], fixed: true },
        { id: 'h', at: [1.5, 0, 2] },
        { id: 'b', at: [4, 0, 2], fixed: true },
        { id: 'w', at: [1.5, 0.6, 1.4], load: [0, 0, -30] },
        { id: 'g', at: [2, 0, 0], load: [0, 0, -20], overGround: true },
      ],
      lines: [
        { id: 'ridge', from: 'a', to: 'b', restLength: 3.98, axialStiffness: 6000, through: [{ node: 'h', grip: 15 }] },
        { id: 'loop', from: 'h', to: 'w', restLength: 0.9, axialStiffness: 3000 },
        { id: 'tail', from: 'w', to: 'g', restLength: 1.7, axialStiffness: 3000 },
      ],
      ground: { at: [0, 0, 0], friction: 0.4 },
    };
    const engine = prepare(sliding);
    const start = engine.state.slip[0]!;
    const m = massOf(engine.structure, G);
    m[1] = 0.05;
    const motion = motionOf(engine, m);
    motion.velocity[3 * 3] = 3;
    motion.velocity[3 * 4 + 1] = 2;
    const first = energyOf(motion, 0);
    let last = first.kinetic + first.stored;
    const whole = first.kinetic;
    for (let k = 0; k < 240; k++) {
      for (let i = 0; i < 4; i++) moveOn(motion, DT / 4);
      const e = energyOf(motion, Math.min(DT / 4, motion.step));
      expect(e.kinetic + e.stored).toBeLessThan(last + 4e-3 * whole);
      last = Math.min(last, e.kinetic + e.stored);
    }
    expect(last).toBeLessThan(first.kinetic + first.stored - 0.3 * whole);
    expect(Math.abs(engine.state.slip[0]! - start)).toBeGreaterThan(0.005);
    // the place it is tied at is the net's own: a solve begins from there again
    expect(engine.structure.passAt[0]).toBe(start);
  });

  test('what has no mass, and feet, are said', () => {
    const engine = prepare(pendulum(1, 0.1));
    expect(() => motionOf(engine, new Float64Array(2))).toThrow('node "bob" is free and has no mass');
    const foot = prepare(
      netOf({
        nodes: [
          { id: 'a', at: [0, 0, 1], fixed: true },
          { id: 'f', at: [0, 0, 0], foot: { friction: 0.4 } },
        ],
        lines: [{ id: 'l', from: 'a', to: 'f', restLength: 1, axialStiffness: 1000 }],
      }),
    );
    expect(() => motionOf(foot, new Float64Array([1, 1]))).toThrow('feet on the ground are solved, not moved');
  });

  test('where a shorter step than wanted would be needed, mass is added, and how much is said', () => {
    const engine = prepare(strung(10, 5, 100, 1e-9, 5e4));
    const m = new Float64Array(11).fill(0.001);
    const raised = motionOf(engine, m, { shortest: 1e-3 });
    expect(raised.step).toBeCloseTo(1e-3, 9);
    const own = 9 * 0.001;
    const now = raised.mass.subarray(1, 10).reduce((a, b) => a + b, 0);
    expect(raised.raised).toBeCloseTo((now - own) / own, 9);
    expect(raised.raised).toBeGreaterThan(1);
    expect(motionOf(engine, m).raised).toBe(0);
  });
});
