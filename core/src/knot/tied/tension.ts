import type { Vec3 } from '../../quantity/index.js';
import type { Knot, Step } from '../knot.js';
import type { Bar, Path } from '../rope.js';
import { ON_BARK, OVERHAND, TRUNK, put, round, slippedHitch, thread } from './paths.js';

const Z = ON_BARK;
const LINE: Path = [
  [32, 0, Z],
  [25, 0, Z],
];
const eyeWay = put(OVERHAND, [17, 0, Z], 1.25);
const bight = (says: string, through: Path, then: Path, wide: number, beside: Vec3 | 'flat' = 'flat'): Step => ({
  says,
  rope: 0,
  adds: { how: 'bight', through, beside, then, wide },
});

const UNDER_ITSELF: Path = [
  [10.6, 6, 6],
  [10, 8, 5.6],
  [9.6, 10.4, 5],
  [9.4, 12.4, 5],
];
const hauled: readonly Step[] = [
  thread('A turn in the line, well out from the trunk.', ...eyeWay.slice(0, 8)),
  bight(
    'A bight through it toward the trunk: a loop that comes out again.',
    [...eyeWay.slice(8), [11, 7.6, Z + 0.6], [8.6, 7.4, Z + 0.4], [6, 6.8, Z]],
    [
      [13.6, -5.4, Z],
      [9, -5.2, Z],
      [4, -4.6, Z + 0.2],
    ],
    2.6,
  ),
  thread('Round the trunk.', ...round(0, -270, -4.4, -2.2)),
  thread('Back through the loop, and haul.', [5, 0.6, 1.2], [7, 4.6, 1.6], [8, 7, 2.8], [8.2, 7.8, 4.8], [7, 8.4, 6.4]),
  thread(
    'Hold it there, and go round the loop.',
    [8.8, 9.8, 6.2],
    [11.4, 9.6, 5.2],
    [12, 8.4, 2.4],
    [11.6, 6, 2.2],
    [11, 5, 4.4],
  ),
];
export const PULLEY: Knot = {
  id: 'pulley',
  name: 'pulley-style hitch',
  lay: {
    bars: [TRUNK],
    starts: [LINE],
    steps: [
      ...hauled,
      bight(
        'A bight under itself: slipped.',
        UNDER_ITSELF,
        [
          [11.8, 3.4, 5.8],
          [12.6, 1.6, 6.6],
        ],
        1,
        [1, 0, 0],
      ),
    ],
  },
  wrong: [
    {
      id: 'drawn-through',
      name: 'its end drawn all the way through',
      does: 'Not slipped, it jams under the pull and is not undone with cold hands in the dark. A bight, never the end.',
      lay: {
        bars: [TRUNK],
        starts: [LINE],
        steps: [
          ...hauled,
          thread('The end under itself, and all of it through.', ...UNDER_ITSELF, [9.6, 14.4, 5.2], [10.4, 16.6, 5.6]),
        ],
      },
    },
  ],
  when: 'The hauled end of a ridge: what a hand pulls is doubled, less its rubbing. The loop well out gives travel.',
  fails: 'A loop that is not slipped jams for good; cord on cord saws when hauled often.',
  release: 'Pull the slipped end, then the loop falls out of the line.',
};

const STICK: Bar = { is: 'stick', from: [13, -8, Z + 0.9], to: [13, 6, Z + 0.9], radius: 0.8 };
const TOGGLED_LINE: Path = [
  [32, 0, Z + 1.6],
  [20, 0, Z + 1.8],
];
/** @param top how far in front of the stick the turn's upper half lies; behind it when below zero */
const laidTurn = (says: string, top: number): Step =>
  thread(
    says,
    [16, 0, Z + 1.6],
    [13, 0, Z + 2.6],
    [10, 0.2, Z + 1],
    [8.8, 1.6, Z - 0.2],
    [10, 3.2, Z + (top < 0 ? -0.6 : 1.4)],
    [13, 3.6, Z + 0.9 + top],
    [15.8, 2.6, Z + (top < 0 ? 0.8 : 2.6)],
    [16.6, 0, Z + 3],
    [15.6, -2.6, Z + 1],
    [13, -3.2, Z - 0.8],
    [9, -3, Z - 0.4],
    [5, -2.4, Z],
  );
const roundStick: readonly Step[] = [
  thread('Round the trunk.', ...round(0, -270, -2.2, -4.2)),
  thread(
    'Back round the foot of the stick, and haul.',
    [6, -5.4, 3.2],
    [11, -6, Z - 0.6],
    [14.2, -6.2, Z],
    [14.8, -6.3, Z + 1.4],
    [13, -6.4, Z + 2.6],
    [10.6, -6.2, Z + 2.4],
  ),
  ...slippedHitch(['Round both strands.', 'A bight out through the eye: slipped.'], 0, 0).map((s): Step => {
    const { adds } = s;
    const move = (path: Path): Path => path.map(([x, y, z]): Vec3 => [6.6 - x, -5.6 + 1.5 * y, Z + 0.6 + 1.6 * z]);
    if (adds.how === 'thread') return { ...s, adds: { ...adds, through: move(adds.through) } };
    if (adds.how === 'bight')
      return {
        ...s,
        adds: {
          ...adds,
          through: move(adds.through),
          ...(adds.then === undefined ? {} : { then: move(adds.then) }),
        },
      };
    return s;
  }),
];
export const LOOP_TOGGLE: Knot = {
  id: 'loop-toggle',
  name: 'loop-and-toggle tensioner',
  lay: {
    bars: [TRUNK, STICK],
    starts: [TOGGLED_LINE],
    steps: [laidTurn('A turn laid on the line, a stick under the line and over the turn.', -1.7), ...roundStick],
  },
  wrong: [
    {
      id: 'half-on',
      name: 'the stick under one side of the turn',
      does: 'Held on one side only, the turn rolls off the stick, and all goes at once. Over both sides, under the line.',
      lay: {
        bars: [TRUNK, STICK],
        starts: [TOGGLED_LINE],
        steps: [laidTurn('A turn, the stick under the line and under half of it.', 1.7), ...roundStick],
      },
    },
  ],
  when: 'The hauled end where cord is not to rub on cord: the stick is the pulley, and no knot is left.',
  fails: 'A thin or wet stick snaps, and all goes at once.',
  release: 'Slip the tail, draw the stick: the turn falls open.',
};

const PLATE: readonly Bar[] = [
  { is: 'fitting', from: [10.4, 0, Z - 1.3], to: [13.4, -3, Z - 1.3], radius: 0.6 },
  { is: 'fitting', from: [13.4, -3, Z - 1.3], to: [13.4, -3, Z + 3.4], radius: 0.6 },
];
const fromTrunk: Path = [
  [5.2, -3.2, 2.4],
  [9, -4.6, Z],
];
const toTrunk: Path = [
  [10.6, 0, Z],
  [6, 0, Z],
];
const onHorn: readonly Step[] = [
  thread('Through the plate, and round the trunk.', [16, 0, Z], ...toTrunk, ...round(0, -270, 0, -2.2)),
  thread(
    'Round the horn, and haul.',
    ...fromTrunk,
    [13, -4.4, Z + 0.2],
    [14.6, -3.2, Z + 0.2],
    [13.6, -1.7, Z + 0.3],
    [11.4, -2, Z + 0.4],
  ),
];
export const HOOK: Knot = {
  id: 'hook',
  name: 'hook tensioner',
  lay: {
    bars: [TRUNK, ...PLATE],
    starts: [LINE],
    steps: [
      ...onHorn,
      thread(
        'Once more round it, over the first.',
        [11.4, -3.6, Z + 1.4],
        [13, -4.5, Z + 1.5],
        [14.8, -3.2, Z + 1.5],
        [13.6, -1.6, Z + 1.6],
        [11, -1.6, Z + 1.8],
      ),
      thread('The tail under its own turn, hung down.', [10, -3, Z + 2.2], [9.8, -5.6, Z + 1.6], [10.6, -8, Z + 1]),
    ],
  },
  wrong: [
    {
      id: 'not-under',
      name: 'once round, its tail let hang',
      does: 'Nothing presses on the tail: the turn runs off the horn as soon as the line goes slack.',
      lay: {
        bars: [TRUNK, ...PLATE],
        starts: [LINE],
        steps: [...onHorn, thread('The tail let hang.', [10, -3.2, Z + 1.2], [9.4, -5.8, Z + 1], [9.6, -8.4, Z + 1])],
      },
    },
  ],
  when: 'A line that is hauled in and let out every day.',
  fails: 'The hook opens before the cord breaks. Nobody hangs from one that is not marked.',
  release: 'Lift the turns off the horn.',
};

const CLEAT_BARS: readonly Bar[] = [
  { is: 'fitting', from: [9.6, 0, Z - 1.4], to: [12, -3, Z - 1.4], radius: 0.6 },
  { is: 'fitting', from: [12, -3, Z - 1.4], to: [12, -3, Z + 1.8], radius: 0.7 },
  { is: 'fitting', from: [8.6, -3, Z + 1.9], to: [15.4, -3, Z + 1.9], radius: 0.6 },
];
const roundNeck: readonly Step[] = [
  thread('Through the plate, and round the trunk.', [16, 0, Z], ...toTrunk, ...round(0, -270, 0, -2.4)),
  thread(
    'Round the neck under both horns, and haul.',
    [5.4, -3.8, 2.6],
    [9, -5, Z],
    [12, -4.5, Z],
    [13.6, -3, Z],
    [12, -1.5, Z + 0.1],
    [9.8, -1.4, Z + 0.6],
  ),
];
export const CLEAT: Knot = {
  id: 'cleat',
  name: 'cleat tensioner',
  lay: {
    bars: [TRUNK, ...CLEAT_BARS],
    starts: [LINE],
    steps: [
      ...roundNeck,
      thread(
        'Across over the horns and under one: half an eight.',
        [8.6, -2, Z + 2.4],
        [10.4, -2.6, Z + 3.4],
        [13, -3.6, Z + 3.4],
        [15, -4.6, Z + 2],
        [15.2, -3.6, Z + 0.5],
        [14.4, -1.8, Z + 1.2],
      ),
      thread(
        'Back across over it and under the other.',
        [13.6, -1.6, Z + 3],
        [12, -3, Z + 4.6],
        [10, -4.4, Z + 3.4],
        [8.2, -4.8, Z + 1.6],
        [7.6, -6.4, Z + 1],
        [8, -8.4, Z + 1],
      ),
    ],
  },
  wrong: [
    {
      id: 'no-eights',
      name: 'round the neck, and left so',
      does: 'Without its eights over the horns the line pays out as soon as it is let go.',
      lay: {
        bars: [TRUNK, ...CLEAT_BARS],
        starts: [LINE],
        steps: [...roundNeck, thread('The tail let hang.', [8.4, -3, Z + 1.6], [7.6, -6, Z + 1.2], [8, -8.6, Z + 1])],
      },
    },
  ],
  when: 'A line that is hauled in and let out every day, without a knot.',
  fails: 'Cord thinner or slicker than the cleat is made for slides through it. Tie the tail off.',
  release: 'Take the eights off, pay out round the neck.',
};
