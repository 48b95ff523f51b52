import type { Vec3 } from '../../quantity/index.js';
import type { Knot, Lay, Step } from '../knot.js';
import type { Bar, Path } from '../rope.js';
import { legOf, mirrored } from './ends.js';
import { about, thread } from './paths.js';

/** A ridgeline, about twice as thick as the loop. */
const RIDGE: Bar = { is: 'line', from: [-14, 0, 0], to: [14, 0, 0], radius: 0.9 };
const ON_RIDGE = 1.5;
const BRIDGE = 2.9;
const STEP = 1.15;

/** A loop with so many turns on either side. */
function loopHitch(count: number): Lay {
  const outer = STEP * count + 0.7;
  const leg = legOf(count, ON_RIDGE, outer, STEP, BRIDGE);
  const says = [
    'The loop behind the ridge; its end over, and through the loop.',
    'Round and through again.',
    'And a third time.',
  ];
  const part = (k: number): Path => (k === count - 1 ? leg.slice(8 * k) : leg.slice(8 * k, 8 * (k + 1)));
  return {
    bars: [RIDGE],
    starts: [
      [
        [-outer + 0.2, -0.5, BRIDGE - 0.2],
        [0, -1, BRIDGE + 0.2],
        [outer - 0.2, -0.5, BRIDGE - 0.2],
      ],
    ],
    steps: Array.from({ length: count }, (_, k): Step => ({
      says: says[k]!,
      rope: 0,
      adds: { how: 'legs', through: [mirrored(part(k)), part(k)] },
    })),
  };
}
/** The same with the second turn on one side laid over the first. */
function crossedLoop(): Lay {
  const right = loopHitch(3);
  const swap = (path: Path): Path =>
    path.map(([x, y, z]): Vec3 => {
      const over = x > 1.6 && x < 2.9;
      return over ? [x + 1.1, 1.75 * y, 1.75 * z] : [x, y, z];
    });
  return {
    ...right,
    steps: right.steps.map((s) =>
      s.adds.how === 'legs'
        ? { ...s, adds: { how: 'legs', through: [s.adds.through[0], swap(s.adds.through[1])] } }
        : s,
    ),
  };
}
export const LOOP: Knot = {
  id: 'loop',
  name: 'loop friction hitch',
  lay: loopHitch(3),
  wrong: [
    {
      id: 'crossed',
      name: 'a turn over another',
      does: 'The turn that lies over lifts its neighbours off the line: about half the grip is left.',
      lay: crossedLoop(),
    },
  ],
  when: 'An end of the roof on the ridge: slides when pushed, grips when pulled along the line.',
  fails: 'As thick as its host, slick, wet or crossed, it slides. Its join belongs off the turns.',
  release: 'Push it along by its turns. The roof’s toggle comes out first.',
};

/** Turns laid over the line that lies along the ridge. */
const riding = (k: number): Path => {
  const x = 1 + 1.35 * k;
  return [
    [x, -1.9, 1.2],
    [x + 0.3, -0.6, 2.9],
    [x + 0.4, 1, 1.8],
    [x + 0.5, 1.4, -0.8],
    [x + 0.8, 0, -1.6],
    [x + 1.2, -1.5, -0.6],
  ];
};
const tailFirst: Path = [
  [3, -0.7, 1.65],
  [0.6, 0, 1.6],
  [-0.1, 1.2, 1.1],
  [0, 1.3, -0.9],
  [0.2, 0, -1.6],
  [0.7, -1.5, -0.6],
];
const across: Path = [
  [3.4, -2.1, 1.2],
  [2, -0.6, 4],
  [-1.4, 0.9, 3.6],
  [-3.4, 1.6, 0.4],
  [-3.6, 0.2, -1.6],
  [-3.2, -1.4, -0.6],
];
const tailSlip: Step = {
  says: 'A bight under the crossing: slipped.',
  rope: 0,
  adds: {
    how: 'bight',
    beside: [1, 0, 0],
    through: [
      [-2.4, -1.3, 1.3],
      [-1.8, 0, 1.6],
      [-1.6, 1.4, 1.7],
      [-1.6, 4.6, 2.6],
    ],
    then: [
      [-4, -3.4, 1.4],
      [-4.6, -6, 1.8],
    ],
  },
};
const fromRight: Path = [
  [17, -3.4, 2.8],
  [8, -1.3, 2],
];
const fromLeft: Path = fromRight.map(([x, y, z]): Vec3 => [-x, y, z]);
export const TAIL: Knot = {
  id: 'tail',
  name: 'adjustable hitch from a tail',
  lay: {
    bars: [RIDGE],
    starts: [fromRight],
    steps: [
      thread('The tail from the roof over the ridge.', ...tailFirst),
      thread('Toward the roof, over itself: once.', ...riding(0)),
      thread('Twice, beside the first.', ...riding(1)),
      thread('Back across in front, and over the ridge once more.', ...across),
      tailSlip,
    ],
  },
  wrong: [
    {
      id: 'away',
      name: 'wrapped away from the roof',
      does: 'Pulled from this side the turns open: it runs along the ridge as if there were none.',
      lay: {
        bars: [RIDGE],
        starts: [fromLeft],
        steps: [
          thread(
            'The tail from the roof over the ridge.',
            [-3, -0.7, 1.65],
            [0, 0, 1.6],
            [0.2, 1.3, 0.8],
            [0.4, 1, -1.1],
            [0.5, -0.6, -1.5],
            [0.7, -1.5, -0.2],
          ),
          thread('Wrapped on, away from where it is pulled.', ...about(300, 960, 0.9, 3.9, ON_RIDGE + 0.05)),
          thread('And across.', [3.6, -1.6, 2.2], [1.8, -0.4, 3], [0, 1.6, 2.6], [-1, 4, 3.4]),
        ],
      },
    },
  ],
  when: 'The roof’s end straight on the ridge by a tail of cord; the turns on the side it is pulled to.',
  fails: 'Wrapped the other way it runs; two turns of slick cord creep: a third.',
  release: 'Pull the slipped end.',
};

const PEG: Bar = { is: 'peg', from: [-14.6, -7, 0], to: [-12.6, 4, 0], radius: 0.7 };
const roundPeg = thread(
  'Round the peg and back along the line.',
  [0, 0, 0],
  [-8, 0, 0.5],
  [-12.8, -0.4, 1.4],
  [-15.3, -1.2, 0],
  [-13.4, -2, -1.4],
  [-8, -2.6, -0.6],
  [-3, -2.5, 0],
);
const guyStart: Path = [
  [22, 0, 0],
  [12, 0, 0],
];
export const ADJUSTABLE: Knot = {
  id: 'adjustable',
  name: 'adjustable hitch',
  lay: {
    bars: [PEG],
    starts: [guyStart],
    steps: [
      roundPeg,
      thread(
        'Round the line, toward the peg: once.',
        [-0.4, -1.8, 0.9],
        [0.2, 0, 1.4],
        [0, 1.3, 0.2],
        [-0.3, 0.1, -1.3],
        [-0.8, -1.3, -0.5],
      ),
      thread(
        'Twice, beside the first.',
        [-1.1, -1.2, 0.8],
        [-1.2, 0.2, 1.4],
        [-1.4, 1.3, 0],
        [-1.7, 0, -1.3],
        [-2.2, -1.3, -0.6],
      ),
      thread('Out in front across both turns.', [-2.2, -1.7, 0.9], [-1.2, -1.5, 2.3], [0.6, -0.7, 2.8], [2.1, 0.3, 2]),
      thread(
        'Once round the line outside, and under the crossing.',
        [2.5, 1.4, 0.2],
        [2.3, 0.2, -1.3],
        [1.9, -1.3, -0.6],
        [1.6, -1.4, 0.9],
        [1.3, 0.2, 1.6],
        [1.4, 1.8, 2.2],
        [1.8, 4.6, 3],
      ),
    ],
  },
  wrong: [
    {
      id: 'outside',
      name: 'both turns outside, none toward the peg',
      does: 'Turns outside the loop do not bind the line: it slips under the first gust.',
      lay: {
        bars: [PEG],
        starts: [guyStart],
        steps: [
          roundPeg,
          thread('Round the line away from the peg.', [-0.4, -1.8, 0.9], ...about(0, 720, 0.4, 4, 1.25)),
          thread('And on.', [4.6, -1.2, 1.2], [5.4, -3, 2.4]),
        ],
      },
    },
  ],
  when: 'A guy’s end: slid by hand, holds by itself under pull.',
  fails: 'Stiff new cord, wet or icy, slides: a third turn, or a half hitch behind it.',
  release: 'Slide it toward the peg: slack at once.',
};

const SHACKLED: readonly Bar[] = [
  // slanting, so that from the tier's side they are seen to go through it
  { is: 'line', from: [-3, 2.4, -6], to: [3, 4.4, 6], radius: 0.6 },
  { is: 'stick', from: [-3, -4.4, -6], to: [3, -2.4, 6], radius: 0.6 },
  { is: 'fitting', from: [5.6, -0.02, 0], to: [5.6, 0.02, 0], radius: 1.15 },
];
const shackleWay: Path = [
  [5, -2.2, 0],
  [3, -4.4, 0],
  [0, -5, 0],
  [-2.4, -3.8, 0],
  [-3, 0, 0],
  [-2.4, 3.8, 0],
  [0, 5, 0],
];
const shackleStart: readonly Path[] = [
  [
    [5.6, -1.7, 0.66],
    [5.4, -1.9, 0.66],
  ],
];
const throughBoth: readonly Step[] = [
  {
    says: 'Through the tie-out.',
    rope: 0,
    adds: { how: 'bight', beside: [0, 0, 1], through: shackleWay.slice(0, 4) },
  },
  {
    says: 'Through the loop of the hitch.',
    rope: 0,
    adds: { how: 'bight', beside: [0, 0, 1], through: shackleWay.slice(4), then: [[5.6, -1.7, -0.66]] },
  },
];
export const SOFT_SHACKLE: Knot = {
  id: 'soft-shackle',
  name: 'soft shackle on a hitch',
  lay: {
    bars: SHACKLED,
    starts: shackleStart,
    steps: [
      ...throughBoth,
      {
        says: 'Its eye over the knob, and drawn close.',
        rope: 0,
        adds: {
          how: 'bight',
          beside: [0, 0, 1],
          through: [
            [3, 4.4, 0],
            [5, 2.4, 0],
            [6.4, 0.4, 0],
            [6.2, -2.2, 0],
            [5.6, -3.4, 0],
          ],
          then: [[5.6, -1.7, -0.66]],
          wide: 3.2,
        },
      },
    ],
  },
  wrong: [
    {
      id: 'open',
      name: 'the eye not over the knob',
      does: 'It hangs on nothing: the first tug draws it out.',
      lay: { bars: SHACKLED, starts: shackleStart, steps: throughBoth },
    },
  ],
  when: 'The roof off the hitch without untying anything, in gloves.',
  fails: 'A slack eye rides off the knob: draw it close.',
  release: 'Open the eye: not under load.',
};
