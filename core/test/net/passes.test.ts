import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { NetPass } from '../../src/net/index.js';
import { near, solved } from './helper.js';

const EA = 8000;

/** A line from a over a ring or hitch at a held node m to b, pulled at b. */
function overRing(pass: Omit<NetPass, 'node'>, pull: number, hold = 100) {
  // m is held; the line comes in level from a and goes down to the load at b: a turn of 90 degrees
  return solved({
    nodes: [
      { id: 'a', at: [-2, 0, 0], fixed: [false, true, true], spring: [hold, 0, 0] },
      { id: 'm', at: [0, 0, 0], fixed: true },
      { id: 'b', at: [0, 0, -1], load: [0, 0, -pull], fixed: [true, true, false] },
    ],
    lines: [
      { id: 'l', from: 'a', to: 'b', restLength: 3, axialStiffness: EA, through: [{ node: 'm', at: 2, ...pass }] },
    ],
  }).result;
}

describe('a line through a ring', () => {
  test('runs free: one tension on both sides, whatever the turn', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -2, max: 2, noNaN: true }),
        fc.double({ min: -3, max: -0.2, noNaN: true }),
        fc.double({ min: 20, max: 400, noNaN: true }),
        (x, z, P) => {
          // a ring with a load, free to run on a line between two trunks
          const { result } = solved({
            nodes: [
              { id: 'a', at: [-3, 0, 0], fixed: true },
              { id: 'b', at: [3, 0, 1], fixed: true },
              { id: 'r', at: [x, 0.1, z], load: [0, 0, -P] },
            ],
            lines: [
              { id: 'l', from: 'a', to: 'b', restLength: 7, axialStiffness: EA, through: [{ node: 'r', friction: 0 }] },
            ],
          });
          const [pass] = result.lines['l']!.through!;
          near(pass!.before, pass!.after, 1e-8);
          // equal tensions and a plumb load: both legs at one slope, so the ring hangs where an ellipse is lowest
          const L = result.lines['l']!.length;
          const at = result.nodes['r']!.at;
          near(pass!.before, P / (2 * Math.sqrt(1 - 36 / (L * L))), 1e-6);
          near(at[1], 0, 0, 1e-6);
        },
      ),
      { numRuns: 50 },
    );
  });

  test('capstan: slides until the tensions stand as exp(friction x turn) (Euler, 1762)', () => {
    for (const friction of [0.1, 0.3]) {
      const [pass] = overRing({ friction }, 200).lines['l']!.through!;
      near(pass!.after, 200);
      near(pass!.before, 200 * Math.exp((-friction * Math.PI) / 2), 1e-6);
      expect(pass!.state).toBe('slid');
      expect(pass!.slid).toBeLessThan(0);
    }
  });

  test('capstan: sticks where the difference stays below that; locked never slides', () => {
    // taut between a and the ring to begin with: 8000 (2 / 1.95 - 1) = 205 N
    const tight = (pass: Omit<NetPass, 'node' | 'at'>) =>
      solved({
        nodes: [
          { id: 'a', at: [-2, 0, 0], fixed: true },
          { id: 'm', at: [0, 0, 0], fixed: true },
          { id: 'b', at: [0, 0, -1], load: [0, 0, -260], fixed: [true, true, false] },
        ],
        lines: [
          {
            id: 'l',
            from: 'a',
            to: 'b',
            restLength: 3,
            axialStiffness: EA,
            through: [{ node: 'm', at: 1.95, ...pass }],
          },
        ],
      }).result.lines['l']!.through![0]!;
    for (const pass of [{ friction: 0.3 }, { friction: 'locked' as const }]) {
      const p = tight(pass);
      near(p.after, 260);
      near(p.before, EA * (2 / 1.95 - 1), 1e-9);
      expect(p).toMatchObject({ state: 'stuck', slid: 0 });
    }
    // exp(0.1 pi / 2) = 1.17 is not enough for 260 : 205
    expect(tight({ friction: 0.1 }).state).toBe('slid');
  });

  test('with little friction it approaches the free ring, with much the locked one', () => {
    const before = (friction: number | 'locked'): number => overRing({ friction }, 150).lines['l']!.through![0]!.before;
    near(before(1e-9), before(0), 1e-6);
    let last = before(0);
    for (const f of [0.05, 0.2, 0.8, 2]) {
      const now = before(f);
      expect(now).toBeLessThan(last);
      last = now;
    }
  });

  test('a tackle of rings: a line that runs up and down n times lifts n times its pull', () => {
    // fixed rings above, a block of rings below that carries the load; the tail is pulled by a load of P
    const P = 50;
    const { result } = solved({
      nodes: [
        { id: 'anchor', at: [0, 0, 2], fixed: true },
        { id: 'block', at: [0, 0, 1], load: [0, 0, -2 * P], fixed: [true, true, false] },
        { id: 'top', at: [0, 0.001, 2], fixed: true },
        { id: 'tail', at: [0, 0.002, 1], load: [0, 0, -P], fixed: [true, true, false] },
      ],
      lines: [
        {
          id: 'l',
          from: 'anchor',
          to: 'tail',
          restLength: 3,
          axialStiffness: EA,
          through: [
            { node: 'block', friction: 0 },
            { node: 'top', friction: 0 },
          ],
        },
      ],
    });
    const { tensionFrom, tensionTo, through } = result.lines['l']!;
    near(tensionTo, P, 1e-5);
    near(tensionFrom, P, 1e-5);
    for (const p of through!) near(p.before, p.after, 1e-8);
  });

  test('a heavy line through a ring: equal tensions at the ring, weights on their own sides', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [-3, 0, 0], fixed: true },
        { id: 'b', at: [3, 0, 0.5], fixed: true },
        { id: 'r', at: [0, 0, -1], load: [4, 0, -30] },
      ],
      lines: [
        {
          id: 'l',
          from: 'a',
          to: 'b',
          restLength: 6.6,
          axialStiffness: EA,
          weightPerMetre: 3,
          through: [{ node: 'r', friction: 0 }],
        },
      ],
    });
    const [pass] = result.lines['l']!.through!;
    near(pass!.before, pass!.after, 1e-8);
    const down = result.nodes['a']!.reaction[2] + result.nodes['b']!.reaction[2];
    near(down, 30 + 3 * 6.6, 1e-8);
  });
});

describe('a friction hitch on its host line', () => {
  /** A hitch pulled along a line that is tight between two trunks. */
  const hitched = (pass: Omit<NetPass, 'node'>, along: number, down = 0) =>
    solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'b', at: [6, 0, 0], fixed: true },
        { id: 'h', at: [2, 0, 0], load: [along, 0, -down] },
      ],
      lines: [
        {
          id: 'l',
          from: 'a',
          to: 'b',
          restLength: 5.85,
          axialStiffness: EA,
          through: [{ node: 'h', at: 1.95, ...pass }],
        },
      ],
    }).result;

  test('sticks below its grip: the node keeps its place on the cord and takes the difference', () => {
    const result = hitched({ grip: 100 }, 60);
    const [p] = result.lines['l']!.through!;
    near(p!.before - p!.after, 60, 1e-8);
    expect(p).toMatchObject({ state: 'stuck', slid: 0 });
    expect(result.slidHitches).toEqual([]);
  });

  test('slides at its grip until something else holds the rest', () => {
    // a second, slack line catches it
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'b', at: [6, 0, 0], fixed: true },
        { id: 'h', at: [2, 0, 0], load: [160, 0, 0] },
      ],
      lines: [
        {
          id: 'l',
          from: 'a',
          to: 'b',
          restLength: 5.85,
          axialStiffness: EA,
          through: [{ node: 'h', at: 1.95, grip: 100 }],
        },
        { id: 'catch', from: 'a', to: 'h', restLength: 2.5, axialStiffness: 3000 },
      ],
    });
    const [p] = result.lines['l']!.through!;
    near(p!.before - p!.after, 100, 1e-8);
    near(result.lines['catch']!.tension, 60, 1e-8);
    near(result.nodes['h']!.at[0], 2.5 * (1 + 60 / 3000), 1e-8);
    expect(p!.slid).toBeGreaterThan(0.4);
    expect(result.slidHitches).toEqual([{ line: 'l', node: 'h', by: p!.slid }]);
  });

  test('a pull that nothing catches: no equilibrium, and the answer says so', () => {
    expect(() => hitched({ grip: 30 }, 60)).toThrow();
  });

  test('grip in proportion to the pull: at one or more it never slides, below it holds a pull across', () => {
    expect(hitched({ gripRatio: 1 }, 200).slidHitches).toEqual([]);
    const across = hitched({ gripRatio: 0.3 }, 10, 60);
    const [p] = across.lines['l']!.through!;
    expect(p!.state).toBe('stuck');
    expect(Math.abs(p!.before - p!.after)).toBeLessThan(0.3 * Math.hypot(10, 60));
  });

  test('sliding down a sloping line until the slope no longer beats the grip', () => {
    const { result } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 1.5], fixed: true },
        { id: 'b', at: [6, 0, 0], fixed: true },
        { id: 'h', at: [0.6, 0, 1.3], load: [0, 0, -80] },
      ],
      lines: [
        { id: 'l', from: 'a', to: 'b', restLength: 6.4, axialStiffness: EA, through: [{ node: 'h', gripRatio: 0.15 }] },
      ],
    });
    const [p] = result.lines['l']!.through!;
    expect(p!.state).toBe('slid');
    near(p!.before - p!.after, 0.15 * 80, 1e-6);
  });

  test('a stuck hitch is a knot: the same as two lines joined there', () => {
    const one = hitched({ gripRatio: 2 }, 25, 40);
    const { result: two } = solved({
      nodes: [
        { id: 'a', at: [0, 0, 0], fixed: true },
        { id: 'b', at: [6, 0, 0], fixed: true },
        { id: 'h', at: [2, 0, 0], load: [25, 0, -40] },
      ],
      lines: [
        { id: 'p', from: 'a', to: 'h', restLength: 1.95, axialStiffness: EA },
        { id: 'q', from: 'h', to: 'b', restLength: 3.9, axialStiffness: EA },
      ],
    });
    near(one.lines['l']!.tensionFrom, two.lines['p']!.tension, 1e-10);
    near(one.lines['l']!.tensionTo, two.lines['q']!.tension, 1e-10);
    one.nodes['h']!.at.forEach((v, c) => near(v, two.nodes['h']!.at[c]!, 0, 1e-10));
  });
});

describe('a foot on the ground', () => {
  /** A prop leaning by `lean` under a plumb load, its head on a rail, its foot on the ground. */
  const prop = (lean: number, friction: number) =>
    ({
      nodes: [
        { id: 'foot', at: [0, 0, 0], foot: { friction } },
        { id: 'head', at: [2 * Math.sin(lean), 0, 2 * Math.cos(lean)], fixed: [true, true, false], load: [0, 0, -100] },
      ],
      struts: [{ id: 's', from: 'foot', to: 'head', restLength: 2, axialStiffness: 1e7 }],
    }) as const;

  test('sticks exactly where it stood while tan(lean) is below the friction', () => {
    const { result } = solved(prop(0.3, 0.4));
    const foot = result.nodes['foot']!;
    expect(foot.foot).toBe('stuck');
    foot.at.forEach((v) => near(v, 0, 0, 1e-8));
    near(foot.reaction[2], 100, 1e-5);
    near(foot.reaction[0], 100 * Math.tan(0.3), 1e-4);
  });

  test('slides when it is above, and holds friction x pressure against the slide', () => {
    // a stay catches the sliding foot
    const base = prop(0.6, 0.3);
    const { result } = solved({
      ...base,
      nodes: [...base.nodes, { id: 'stay', at: [1.3, 0, 0], fixed: true }],
      lines: [{ id: 't', from: 'foot', to: 'stay', restLength: 1.5, axialStiffness: 4000 }],
    });
    const { foot, reaction, at } = result.nodes['foot']!;
    expect(foot).toBe('slid');
    expect(at[0]).toBeLessThan(-0.1);
    near(at[2], 0, 0, 1e-7);
    near(reaction[2], 100, 1e-6);
    near(reaction[0], 0.3 * reaction[2], 1e-6);
  });

  test('lifts when it is pulled up, and then bears nothing', () => {
    const { result } = solved({
      nodes: [
        { id: 'f', at: [0, 0, 0], foot: { friction: 0.5 }, load: [0, 0, -5] },
        { id: 'a', at: [0.2, 0, 2], fixed: true },
      ],
      lines: [{ id: 'l', from: 'a', to: 'f', restLength: 1.5, axialStiffness: 500 }],
    });
    expect(result.nodes['f']!.foot).toBe('lifted');
    result.nodes['f']!.reaction.forEach((v) => near(v, 0, 0, 1e-9));
    near(result.lines['l']!.tension, 5, 1e-8);
  });

  test('on a slope: a weight rests while tan(slope) is below the friction', () => {
    for (const [slope, friction, rests] of [
      [0.3, 0.35, true],
      [0.3, 0.25, false],
    ] as const) {
      const normal = [Math.sin(slope), 0, Math.cos(slope)] as const;
      const parts = {
        nodes: [
          { id: 'w', at: [0, 0, 0], foot: { friction, normal }, load: [0, 0, -50] },
          { id: 'up', at: [-3 * Math.cos(slope), 0, 3 * Math.sin(slope)], fixed: true },
        ],
        lines: [{ id: 'l', from: 'up', to: 'w', restLength: 3.1, axialStiffness: 1000 }],
      } as const;
      const { result } = solved(parts);
      expect(result.nodes['w']!.foot).toBe(rests ? 'stuck' : 'slid');
      // sliding, the line takes what friction leaves: W (sin - mu cos)
      near(result.lines['l']!.tension, rests ? 0 : 50 * (Math.sin(slope) - friction * Math.cos(slope)), 1e-5);
    }
  });
});
