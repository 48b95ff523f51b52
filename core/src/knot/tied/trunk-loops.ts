import type { Vec3 } from '../../quantity/index.js';
import type { Knot, Lay, Step } from '../knot.js';
import type { Bar, Path } from '../rope.js';
import { ON_BARK, OVERHAND, TRUNK, halfHitch, put, round, thread } from './paths.js';

const Z = ON_BARK;
const LINE: Path = [
  [26, 0, Z],
  [6, 0, Z],
];
const bight = (says: string, through: Path, then: Path, beside: Vec3 | 'flat', wide = 1): Step => ({
  says,
  rope: 0,
  adds: { how: 'bight', through, beside, then, wide },
});

/** A loop kept in the end, below the line, on its way up to it. */
const kept = put(
  OVERHAND.map(([x, y, z]): Vec3 => [-x, y, z]),
  [10, -14, Z - 1],
  1.9,
);
const keptLoop = (says: string, up: Path, wide = 1): Lay => ({
  bars: [{ ...TRUNK, from: [0, -32, 0] }],
  starts: [LINE],
  steps: [
    thread('Round the trunk, its loop ahead.', ...round(0, -270, 0, -6), [3.4, -11, 2.8]),
    bight(says, [...kept, ...up], [[2.6, -16, 2.2]], [0, 0, 1], wide),
  ],
});
export const KEPT_LOOP: Knot = {
  id: 'kept-loop',
  name: 'line through its own kept loop',
  lay: keptLoop(
    'The line drawn through the loop that lives in its end.',
    [
      [15.6, -1.6, Z],
      [15.4, 0.4, Z],
      [15.2, 2.6, Z],
    ],
    2.8,
  ),
  wrong: [
    {
      id: 'beside',
      name: 'the line beside the loop, not through it',
      does: 'Nothing holds: it only lies there. The whole line goes through, from its far end.',
      lay: keptLoop('The loop laid before the line.', [
        [15.6, -3.2, Z + 2.4],
        [15.4, -1, Z + 3],
        [15.2, 1.4, Z + 3],
      ]),
    },
  ],
  when: 'A line put up at the same place again and again: off a hook, round, through, done.',
  fails: 'It draws tight and cuts into soft bark; a small loop bends the line hard.',
  release: 'Not under load: slack it, and draw all of the line out.',
};

/** Once round the trunk from the line and back to it, y falling. */
const turn = thread('Round the trunk.', ...round(0, -270, 0, -1.8), [5.2, -2.6, 2.8]);
export const JAMMED: Knot = {
  id: 'jammed',
  name: 'loop jammed in its own slot',
  lay: {
    bars: [TRUNK],
    starts: [LINE],
    steps: [
      turn,
      thread(
        'Up over the line, and behind it toward the bark.',
        [6.6, -1.6, Z + 1.4],
        [6.8, 0, Z + 1.6],
        [6.2, 1.5, Z + 0.4],
        [5, 0.6, Z - 1.2],
      ),
      bight(
        'A bight down into the slot between turn and bark: the pull jams it.',
        [
          [4.4, -0.8, Z - 0.8],
          [4.2, -2.4, Z - 0.6],
          [4, -4.4, Z],
          [3.8, -6.4, Z + 0.4],
        ],
        [
          [4.6, 3.2, Z + 0.4],
          [5, 6, Z + 1],
        ],
        [1, 0, 0],
      ),
    ],
  },
  wrong: [
    {
      id: 'outside',
      name: 'the bight outside the slot',
      does: 'Nothing presses on it: it draws out with the first tug. Between turn and bark.',
      lay: {
        bars: [TRUNK],
        starts: [LINE],
        steps: [
          turn,
          thread('Up over the line.', [7.2, -1.6, Z + 1.4], [7.6, 0, Z + 1.6], [7.6, 1.5, Z + 0.4], [8, 0.6, Z - 1.2]),
          bight(
            'A bight hung down beside the turn.',
            [
              [8.4, -0.8, Z - 1],
              [8.6, -2.4, Z - 0.8],
              [8.6, -4.4, Z - 0.4],
              [8.6, -6.4, Z],
            ],
            [
              [8.8, 3.2, Z - 0.6],
              [9.2, 6, Z],
            ],
            [1, 0, 0],
          ),
        ],
      },
    },
  ],
  when: 'A fixed end that comes off in one tug, on rough bark and a line that stays taut.',
  fails: 'Slack frees it, and so does a shaking line: a stick through the bight.',
  release: 'A tug on the tail, with the load on.',
};

/** The stick that is cranked, between the two strands. */
const CRANK: Bar = { is: 'stick', from: [10.4, -7, Z], to: [10.4, 7, Z], radius: 0.8 };
/** Round the line, seen from its end, as it goes away from the trunk. @param turns in right angles */
const about = (x0: number, x1: number, from: number, quarters: number): Path =>
  Array.from({ length: quarters + 1 }, (_, k): Vec3 => {
    const a = ((from + 90 * k) * Math.PI) / 180;
    return [x0 + ((x1 - x0) * k) / quarters, 1.3 * Math.sin(a), Z + 1.3 * Math.cos(a)];
  });
const cranked = (twists: boolean): Lay => ({
  bars: [TRUNK, CRANK],
  starts: [
    [
      [28, 0, Z + 1.4],
      [14, 0, Z + 1.4],
      [10.4, 0, Z + 1.5],
      [8.4, 0, Z + 0.4],
      [6, 0, Z],
    ],
  ],
  steps: [
    thread('Round the trunk, slack: a hand goes through.', ...round(0, -270, 0, -1.8), [5.2, -2.2, 2.6]),
    ...(twists
      ? [
          thread('A stick between the strands, turned over: they twist.', ...about(6, 9, 270, 4)),
          thread(
            'On behind the stick, twisted on its far side too.',
            [9.6, -1.2, Z - 1],
            [10.8, 0, Z - 1.8],
            ...about(12, 15, 180, 5),
          ),
        ]
      : [thread('A stick between the strands, not turned.', [8, -1.6, Z - 0.8], [10.6, -1, Z - 1.6], [13, -1.8, Z])]),
    thread('A half hitch round the line.', ...halfHitch(17.6, Z + 1.4), [20.4, -3.4, Z + 3]),
  ],
});
export const CRANKED: Knot = {
  id: 'cranked',
  name: 'loop cranked tight by a stick',
  lay: cranked(true),
  wrong: [
    {
      id: 'not-turned',
      name: 'the stick put in and not turned',
      does: 'The loop stays slack, and the stick falls out. Turn it until the strands bind, then tie it in.',
      lay: cranked(false),
    },
  ],
  when: 'A loop that was tied too slack, taken up without untying: two or three turns of the stick.',
  fails: 'The stick snaps or whips round. Thicker than a thumb, and tied to the line.',
  release: 'Hold the stick, untwist it turn by turn; then the half hitch.',
};

/** A hook: its shank, its back, its top and its lip. */
const HOOKED: readonly Bar[] = [
  { is: 'fitting', from: [13, -7.4, Z - 1.4], to: [13, 1.5, Z - 1.4], radius: 0.45 },
  { is: 'fitting', from: [13, 1.5, Z - 1.4], to: [13, 1.7, Z + 1.4], radius: 0.45 },
  { is: 'fitting', from: [13, 1.7, Z + 1.4], to: [13, -1.2, Z + 1.6], radius: 0.45 },
];
/** Turns about the shank of the hook. */
const shank = (quarters: number, y0: number, y1: number): Path =>
  Array.from({ length: quarters + 1 }, (_, k): Vec3 => {
    const a = (-90 * k * Math.PI) / 180 - Math.PI / 2;
    return [13 + 1.15 * Math.sin(a), y0 + ((y1 - y0) * k) / quarters, Z - 1.4 + 1.15 * Math.cos(a)];
  });
const hooked = (bars: readonly Bar[]): Lay => ({
  bars: [TRUNK, ...bars],
  starts: [
    [
      [28, 0, Z],
      [14, 0, Z],
      [6, 0, Z],
    ],
  ],
  steps: [
    thread(
      'Round the trunk, with the hook in the end.',
      ...round(0, -270, 0, -2.6),
      [6, -4.6, 2.4],
      [10, -5.4, Z - 1.8],
    ),
    thread('The hook over the line, its mouth away from the trunk.', ...shank(9, -5.6, -3.2)),
    thread('Its cord made fast on it.', [11, -2.2, Z - 0.4], [9.6, -3.4, Z + 0.6], [9.2, -6, Z + 1]),
  ],
});
export const METAL_HOOK: Knot = {
  id: 'metal-hook',
  name: 'metal hook on a loop',
  lay: hooked(HOOKED),
  wrong: [
    {
      id: 'open',
      name: 'the line not in the hook',
      does: 'Resting on its point it opens the hook or jumps off it. Right in, and its mouth tied shut for a stay.',
      lay: hooked([
        { is: 'fitting', from: [13, -7.4, Z - 1.4], to: [13, -1.6, Z - 1.4], radius: 0.45 },
        { is: 'fitting', from: [13, -1.6, Z - 1.4], to: [13, -1.5, Z + 1.4], radius: 0.45 },
        { is: 'fitting', from: [13, -1.5, Z + 1.4], to: [13, -4.2, Z + 1.6], radius: 0.45 },
      ]),
    },
  ],
  when: 'On and off in a moment, in gloves, at the same length each time.',
  fails: 'It opens before the cord breaks, and rides off a line that goes slack.',
  release: 'Slack the line and lift it off.',
};
