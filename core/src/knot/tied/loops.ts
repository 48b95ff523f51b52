import type { Vec3 } from '../../quantity/index.js';
import type { Knot, Lay, Step } from '../knot.js';
import type { Bar } from '../rope.js';
import { EIGHT, OVERHAND, put, thread } from './paths.js';

/** A doubled knot is so much larger than a single one. */
const DOUBLED = 1.9;

const bight = (says: string, through: readonly Vec3[], then?: readonly Vec3[], wide?: number): Step => ({
  says,
  rope: 0,
  adds: {
    how: 'bight',
    through,
    beside: 'flat',
    ...(then === undefined ? {} : { then }),
    ...(wide === undefined ? {} : { wide }),
  },
});

const LINE: readonly Vec3[] = [
  [24, 0, 0],
  [14, 0, 0],
];
/** What is left of the end beside the line. */
const LOOP_TAIL: readonly Vec3[] = [
  [20, -1.4, 0],
  [24, -2, 0.4],
];
const eight = put(EIGHT, [0, 0, 0], DOUBLED);
const EYE_OUT: readonly Vec3[] = [
  [-15, -6.4, 0],
  [-19, -6.6, 0],
  [-22, -6.6, 0],
];
const overhand = put(OVERHAND, [0, 0, 0], DOUBLED);
const EYE_UP: readonly Vec3[] = [
  [-9, 13.6, 0.4],
  [-13, 14.6, 0],
];
const figureEight: Lay = {
  bars: [],
  starts: [LINE],
  steps: [
    bight('Fold the end back along the line: a bight.', eight.slice(0, 4)),
    bight('The bight over the line, and round behind it.', eight.slice(4, 12)),
    bight(
      'Through the first eye, from above; the two strands beside each other all the way.',
      [...eight.slice(12), ...EYE_OUT],
      LOOP_TAIL,
      2,
    ),
  ],
};
export const FIGURE_EIGHT: Knot = {
  id: 'figure-eight',
  name: 'figure-eight loop',
  lay: figureEight,
  wrong: [
    {
      id: 'overhand',
      name: 'once round too few: an overhand loop',
      does: 'It looks much like it, jams hard and keeps less strength. Look for the eight.',
      lay: {
        bars: [],
        starts: figureEight.starts,
        steps: [
          bight('The bight over the line.', overhand.slice(0, 8)),
          bight(
            'Through from below, without going round behind.',
            [...overhand.slice(8), ...EYE_UP, [-17, 15, 0]],
            LOOP_TAIL,
            2,
          ),
        ],
      },
    },
  ],
  when: 'A loop that stays, at the end of a line; the strongest of these and easily seen to be right.',
  fails: 'Crossed strands weaken it and jam it; a short tail creeps out.',
  release: 'Not under load, and hardly after a heavy one.',
};

/** @param radius half of how thick its stick is */
const toggled = (radius: number): Lay => ({
  bars: [{ is: 'stick', from: [-15.4, 10, -5], to: [-15.4, 20, 5], radius }],
  starts: [LINE],
  steps: [
    bight('Fold the end back along the line: a bight.', overhand.slice(0, 2)),
    bight('The bight round, and over the line.', overhand.slice(2, 9)),
    bight(
      'Up through from below: a loop. It goes round the trunk; a stick through it holds a bight of the line.',
      [...overhand.slice(9), ...EYE_UP, [-17.4, 15, 0]],
      LOOP_TAIL,
      3,
    ),
  ],
});
export const OVERHAND_LOOP: Knot = {
  id: 'overhand-loop',
  name: 'overhand loop and toggle',
  lay: toggled(0.8),
  wrong: [
    {
      id: 'thin-stick',
      name: 'a stick no thicker than the cord',
      does: 'It bends, and snaps when it is wet or knocked: all of the line goes at once. Thicker than a thumb, and dry.',
      lay: toggled(0.4),
    },
  ],
  when: 'A loop kept in the end of a line, pinned by a stick: off and on in gloves.',
  fails:
    'The stick breaks before the cord: thicker than a thumb, dry, no rot. The knot itself hardly comes undone again.',
  release: 'Draw the stick: it falls off under load, and the cord keeps its loop.',
};

const STEM: Bar = { is: 'trunk', from: [-14, -20, 0], to: [-14, 20, 0], radius: 3 };
/** Up between two strands of a bight from behind, round behind them, and under itself: the ring that a bowline is. */
const ring: readonly Vec3[] = [
  [6.5, 0, -1.2],
  [3.9, 0, 0.2],
  [2.6, 0.6, 1.8],
  [1.6, 1.6, 2.2],
  [0.9, 3.5, 0.6],
  [0.4, 2, -1.5],
  [0.3, 0, -1.8],
  [-0.3, -1.8, -1.2],
  [-0.3, -2.9, 0.4],
  [0.4, -1.8, 1.5],
  [1, -0.6, 1.4],
  [1.9, 0.3, 0.8],
  [3, 1.4, 1.4],
  [3.4, 3.2, 1],
  [2, 5.2, 0.8],
  [-3, 5.6, 1],
];
const bowlineSteps = [
  thread('A small eye in the line.', ...ring),
  thread(
    'Round the trunk.',
    [-9, 5.2, 2.8],
    [-14, 4.2, 3.8],
    [-17.8, 2.8, 0],
    [-14, 1, -3.8],
    [-8.6, -0.8, -2.2],
    [-4, -1.2, -0.2],
  ),
  thread('Up through the eye from behind.', [-1, -1.2, 0], [2, -1.2, 0], [3.6, -1.2, 0]),
] as const;
export const BOWLINE: Knot = {
  id: 'bowline',
  name: 'releasable bowline',
  lay: {
    bars: [STEM],
    starts: [
      [
        [18, 0, 0],
        [10, 0, -0.8],
      ],
    ],
    steps: [
      ...bowlineSteps,
      thread('Round behind the line.', [5.4, -0.9, 0.6], [6.2, 0.3, 0.9], [5.2, 1.3, 0.4]),
      {
        says: 'Back down through the eye as a bight: slipped.',
        rope: 0,
        adds: {
          how: 'bight',
          // the strand that comes back lies outside the one that goes
          beside: [0, -1, 0],
          through: [
            [3.2, 1.4, 0],
            [0, 1.4, 0],
            [-3.4, 1.4, 0],
            [-6.4, 1.4, 0],
          ],
          then: [
            [5.6, 4, 1],
            [7, 6.6, 2],
          ],
        },
      },
    ],
  },
  wrong: [
    {
      id: 'not-round',
      name: 'not round behind the line',
      does: 'Without the line inside it the bight pulls straight out: it is no knot.',
      lay: {
        bars: [STEM],
        starts: [
          [
            [18, 0, 0],
            [10, 0, -0.8],
          ],
        ],
        steps: [
          ...bowlineSteps,
          thread(
            'Straight back down beside the line.',
            [4.6, -2, 1.2],
            [5.6, -2.4, 2.2],
            [5.2, -1, 3],
            [3.6, 0.8, 2.8],
            [1.6, 1.4, 0.2],
            [-0.6, 1.4, 0],
            [-4, 1.6, 0],
          ),
        ],
      },
    },
  ],
  when: 'A loop round a trunk that neither slides nor jams; its bight lies inside the loop, and its tail lets it go.',
  fails: 'Shaken without load it opens; in stiff or slick cord the tail creeps. Pin the bight for a stay of days.',
  release: 'Pull the tail of the bight; it lets go under moderate load.',
};
