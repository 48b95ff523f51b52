import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { near, solved } from './helper.js';

const RIGID = { fixed: true } as const;

describe('lines against closed forms', () => {
  test('Hooke: a straight line pulled along itself', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], ...RIGID },
        { id: 'b', at: [2, 1, 0], load: [60, 30, 0] },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 2, axialStiffness: 5000 }],
    });
    const pull = Math.hypot(60, 30);
    near(result.lines['l']!.tension, pull);
    near(result.lines['l']!.length, 2 * (1 + pull / 5000));
  });

  test('Hooke on every piece of a tension curve, and beyond its last point', () => {
    const curve: [number, number][] = [
      [0, 0],
      [0.05, 300],
      [0.3, 2400],
    ];
    for (const [pull, strain] of [
      [150, 0.025],
      [1350, 0.175],
      [3240, 0.4],
    ] as const) {
      const { result } = solved({
        nodes: [
          { id: 'a', at: [0, 0, 0], ...RIGID },
          { id: 'b', at: [0, 0, -1], load: [0, 0, -pull] },
        ],
        lines: [{ id: 'l', from: 'a', to: 'b', restLength: 1.5, curve }],
      });
      near(result.lines['l']!.length, 1.5 * (1 + strain));
      near(result.nodes['b']!.at[2], -1.5 * (1 + strain));
    }
  });

  test('a weightless V: T = P / (2 sin a), a from the stretched geometry', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 0.9, max: 1.3, noNaN: true }),
        (P, slack) => {
          const { result } = solved({
            nodes: [
              { id: 'a', at: [-3, 0, 0], ...RIGID },
              { id: 'b', at: [3, 0, 0], ...RIGID },
              { id: 'm', at: [0, 0, 0], load: [0, 0, -P] },
            ],
            lines: ['a', 'b'].map((from) => ({ id: from, from, to: 'm', restLength: 3 * slack, axialStiffness: 9000 })),
          });
          const [x, , z] = result.nodes['m']!.at;
          near(x, 0, 0, 1e-9);
          const T = result.lines['a']!.tension;
          near(T, (P * Math.hypot(3, z)) / (2 * -z));
          near(T, 9000 * (Math.hypot(3, z) / (3 * slack) - 1));
          near(result.lines['b']!.tension, T);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('two weightless lines held up by one: forces by statics alone', () => {
    // a load on a ring of three inextensible-looking lines in known directions
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 4], ...RIGID },
        { id: 'b', at: [6, 0, 3], ...RIGID },
        { id: 'c', at: [3, 5, 5], ...RIGID },
        { id: 'm', at: [2.7, 1.6, 1], load: [0, 0, -250] },
      ],
      lines: ['a', 'b', 'c'].map((from, i) => ({
        id: from,
        from,
        to: 'm',
        restLength: [4.3, 4.2, 5.25][i]!,
        axialStiffness: 1e7,
      })),
    });
    // directions as solved; tensions by Cramer's rule
    const m = result.nodes['m']!.at;
    const u = (['a', 'b', 'c'] as const).map((id) => {
      const d = [0, 1, 2].map((k) => result.nodes[id]!.at[k]! - m[k]!);
      const size = Math.hypot(...d);
      return d.map((v) => v / size);
    });
    const det = (p: number[][]): number =>
      p[0]![0]! * (p[1]![1]! * p[2]![2]! - p[1]![2]! * p[2]![1]!) -
      p[0]![1]! * (p[1]![0]! * p[2]![2]! - p[1]![2]! * p[2]![0]!) +
      p[0]![2]! * (p[1]![0]! * p[2]![1]! - p[1]![1]! * p[2]![0]!);
    const up = [0, 0, 250];
    (['a', 'b', 'c'] as const).forEach((id, i) => {
      const replaced = u.map((v, k) => (k === i ? up : v));
      near(result.lines[id]!.tension, det(replaced) / det(u), 1e-6);
    });
  });

  test('a line at rest that is longer than its span and weighs nothing is slack and holds nothing', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], ...RIGID },
        { id: 'b', at: [3, 0, 0], ...RIGID },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 3.2, axialStiffness: 100 }],
    });
    expect(result.lines['l']).toEqual({ tension: 0, tensionFrom: 0, tensionTo: 0, horizontal: 0, length: 3.2, sag: 0 });
    expect(result.slackLines).toEqual(['l']);
  });
});

describe('the heavy line', () => {
  /** Irvine (Cable Structures, 1981, section 1.2): x and z at the far end for start tension (H, V), upward positive. */
  function irvine(H: number, V: number, w: number, L: number, EA: number): [number, number] {
    const end = V + w * L;
    const x = (H * L) / EA + (H / w) * (Math.asinh(end / H) - Math.asinh(V / H));
    const z = (V * L + (w * L * L) / 2) / EA + (Math.hypot(H, end) - Math.hypot(H, V)) / w;
    return [x, z];
  }

  test('the elastic catenary: end forces recovered from the ends it reaches', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5e3, noNaN: true }),
        fc.double({ min: -3, max: 2, noNaN: true }),
        fc.double({ min: 0.05, max: 20, noNaN: true }),
        fc.double({ min: 3e3, max: 1e6, noNaN: true }),
        (H, lean, w, EA) => {
          const L = 9;
          const V = lean * w * L;
          const [x, z] = irvine(H, V, w, L, EA);
          const { result } = solved({
            nodes: [
              { id: 'a', at: [1, 2, 3], ...RIGID },
              { id: 'b', at: [1 + 0.6 * x, 2 + 0.8 * x, 3 + z], ...RIGID },
            ],
            lines: [{ id: 'l', from: 'a', to: 'b', restLength: L, axialStiffness: EA, weightPerMetre: w }],
          });
          const l = result.lines['l']!;
          near(l.horizontal, H, 1e-6);
          near(l.tensionFrom, Math.hypot(H, V), 1e-6);
          near(l.tensionTo, Math.hypot(H, V + w * L), 1e-6);
          near(result.nodes['a']!.reaction[2], -V, 1e-6, 1e-6 * (H + w * L));
        },
      ),
      { numRuns: 200 },
    );
  });

  test('hung free it is as long as its weight stretches it: w L² / 2EA', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 5], ...RIGID },
        { id: 'b', at: [0.3, 0, 4] },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 3, axialStiffness: 400, weightPerMetre: 6 }],
    });
    near(result.nodes['b']!.at[2], 5 - 3 - (6 * 9) / (2 * 400), 1e-8);
    near(result.lines['l']!.tensionFrom, 18);
    near(result.lines['l']!.tensionTo, 0, 0, 1e-6);
  });

  test('a hairpin between plumb points: each leg carries its own weight, its drop is below the lower end', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], ...RIGID },
        { id: 'b', at: [0, 0, -1], ...RIGID },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 4, axialStiffness: 1e9, weightPerMetre: 2 }],
    });
    near(result.lines['l']!.tensionFrom, 5, 1e-6);
    near(result.lines['l']!.tensionTo, 3, 1e-6);
    near(result.lines['l']!.sag, 1.5, 1e-6);
  });

  test('sag of the shallow parabola: w L² / 8H', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], ...RIGID },
        { id: 'b', at: [8, 0, 0.5], ...RIGID },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 7.95, axialStiffness: 8000, weightPerMetre: 0.06 }],
    });
    const { horizontal, sag, length } = result.lines['l']!;
    near(sag, (0.06 * 7.95 * Math.hypot(8, 0.5)) / (8 * horizontal), 2e-3);
    expect(length).toBeGreaterThan(Math.hypot(8, 0.5));
  });

  test('dividing a line into joined lines changes nothing: each piece is exact', () => {
    const whole = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], ...RIGID },
        { id: 'b', at: [6, 1, -0.7], ...RIGID },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 6.5, axialStiffness: 900, weightPerMetre: 4 }],
    }).result;
    for (const pieces of [2, 3, 7]) {
      const nodes = Array.from({ length: pieces + 1 }, (_, i) => ({
        id: `n${i}`,
        at: [(6 * i) / pieces, i / pieces, (-0.7 * i) / pieces] as const,
        ...(i === 0 || i === pieces ? RIGID : {}),
      }));
      const parts = solved({
        nodes,
        lines: nodes.slice(1).map((n, i) => ({
          id: `l${i}`,
          from: `n${i}`,
          to: n.id,
          restLength: 6.5 / pieces,
          axialStiffness: 900,
          weightPerMetre: 4,
        })),
      }).result;
      near(parts.lines['l0']!.tensionFrom, whole.lines['l']!.tensionFrom, 1e-9);
      near(parts.lines[`l${pieces - 1}`]!.tensionTo, whole.lines['l']!.tensionTo, 1e-9);
      near(
        Object.values(parts.lines).reduce((s, l) => s + l.length, 0),
        whole.lines['l']!.length,
        1e-9,
      );
    }
  });
});

describe('struts, springs, loads', () => {
  test('a two-bar frame: bar forces by statics', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], ...RIGID },
        { id: 'b', at: [4, 0, 0], ...RIGID },
        { id: 'c', at: [1, 0, 3], load: [0, 0, -300], fixed: [false, true, false] },
      ],
      struts: [
        { id: 'ac', from: 'a', to: 'c', restLength: Math.hypot(1, 3), axialStiffness: 1e9 },
        { id: 'bc', from: 'b', to: 'c', restLength: Math.hypot(3, 3), axialStiffness: 1e9 },
      ],
    });
    // horizontal: F1 / sqrt10 = F2 / sqrt2; vertical: 3 F1 / sqrt10 + F2 / sqrt2 = 300
    near(result.struts['ac']!.force, (-300 / 4) * Math.sqrt(10), 1e-6);
    near(result.struts['bc']!.force, (-300 / 4) * Math.SQRT2, 1e-6);
  });

  test('a node on springs moves by load over stiffness, component by component', () => {
    const { result } = solved({ nodes: [{ id: 'a', at: [1, 2, 3], spring: [100, 250, 400], load: [10, -50, 4] }] });
    near(result.nodes['a']!.at[0], 1.1);
    near(result.nodes['a']!.at[1], 1.8);
    near(result.nodes['a']!.at[2], 3.01);
    near(result.nodes['a']!.reaction[1], 50);
  });

  test('a bead on a rail: held in two components, it finds the place where the line stands square', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 2], ...RIGID },
        { id: 'b', at: [3, 0, 0], fixed: [false, true, true] },
      ],
      lines: [{ id: 'l', from: 'a', to: 'b', restLength: 1.5, axialStiffness: 500 }],
    });
    near(result.nodes['b']!.at[0], 0, 0, 1e-6);
    near(result.lines['l']!.tension, (500 * 0.5) / 1.5);
  });

  test('a prop under a stayed head: the back-stay carries H / cos, the prop what that presses down', () => {
    const prop = 2;
    const { result } = solved({
      nodes: [
        { id: 'foot', at: [0, 0, 0], ...RIGID },
        { id: 'head', at: [0, 0, prop], load: [200, 0, 0] },
        { id: 'peg', at: [-2, 0, 0], ...RIGID },
        { id: 'left', at: [0, 2, 0], ...RIGID },
        { id: 'right', at: [0, -2, 0], ...RIGID },
      ],
      struts: [{ id: 'prop', from: 'foot', to: 'head', restLength: prop, axialStiffness: 1e8 }],
      lines: [
        { id: 'stay', from: 'head', to: 'peg', restLength: Math.hypot(2, 2), axialStiffness: 1e8 },
        { id: 'l', from: 'head', to: 'left', restLength: Math.hypot(2, 2), axialStiffness: 1e5 },
        { id: 'r', from: 'head', to: 'right', restLength: Math.hypot(2, 2), axialStiffness: 1e5 },
      ],
    });
    near(result.lines['stay']!.tension, 200 * Math.SQRT2, 1e-3);
    near(result.struts['prop']!.force, -200, 1e-3);
  });

  test('von Mises’ shallow arch of two bars snaps through when loaded past its limit', () => {
    // P = EA z (h² - z²) / L³ while shallow, largest at z = h / sqrt 3; beyond that only the hanging shape balances
    const arch = (P: number): number =>
      solved({
        nodes: [
          { id: 'a', at: [-1, 0, 0], ...RIGID },
          { id: 'b', at: [1, 0, 0], ...RIGID },
          { id: 'm', at: [0, 0, 0.1], load: [0, 0, -P], fixed: [true, true, false] },
        ],
        struts: ['a', 'b'].map((from) => ({
          id: from,
          from,
          to: 'm',
          restLength: Math.hypot(1, 0.1),
          axialStiffness: 1e5,
        })),
      }).result.nodes['m']!.at[2];
    const limit = (2 * 1e5 * 0.1 ** 3) / (3 * Math.sqrt(3));
    expect(arch(0.9 * limit)).toBeGreaterThan(0.04);
    expect(arch(1.2 * limit)).toBeLessThan(-0.1);
  });
});
