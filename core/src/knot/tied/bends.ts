import type { Vec3 } from '../../quantity/index.js';
import type { Knot, Lay } from '../knot.js';
import type { Path } from '../rope.js';
import { EIGHT, flatBeside, halfTurned, other, put, thread } from './paths.js';

/** @param side where the bight’s own tail lies: 1 above its line, -1 below */
const bightOfThick = (side: 1 | -1) =>
  thread(
    'A bight in the thicker cord.',
    [-6, -1.2 * side, 0],
    [0, -1.2 * side, 0],
    [4, -1.2 * side, 0],
    [5.8, 0, 0.3],
    [4, 1.2 * side, 0],
    [0, 1.2 * side, 0],
    [-6, 1.5 * side, 0],
    [-9, 2 * side, 0],
  );
const startOfThick = (side: 1 | -1): Path => [
  [-17, -1.2 * side, 0],
  [-12, -1.2 * side, 0],
];
const startOfThin: Path = [
  [18, 0, -1],
  [10, 0, -1.3],
];
const upThrough = other('The other end up through it from behind.', [7, 0, -1.3], [4.4, 0, 0.3], [3.4, 0.2, 1.8]);
const behindBoth = other(
  'Over one strand, round behind both.',
  [1.6, 0.6, 2.4],
  [-0.2, 1.3, 2.1],
  [-0.9, 2.9, 0.4],
  [-0.7, 1.4, -1.5],
  [-0.7, -1.4, -1.5],
  [-0.4, -2.9, 0.3],
);
const underItself = other(
  'Under itself, over the bight.',
  [0.4, -1.3, 1.3],
  [1.4, 0.2, 0.8],
  [2, 1.3, 1.3],
  [2.5, 2.9, 0.3],
);
const onceMore = other(
  'Round once more, and under itself again, beside the first.',
  [2.3, 1.4, -1.5],
  [2.2, -1.4, -1.5],
  [2.1, -2.9, 0.3],
  [2.6, -1.3, 1.3],
  [3.1, 0, 0.7],
  [3.8, 1.3, 1.3],
  [4.6, 3.4, 1],
  [5.6, 6, 1.5],
);
const doubleSheet = (side: 1 | -1): Lay => ({
  bars: [],
  starts: [startOfThick(side), startOfThin],
  steps: [bightOfThick(side), upThrough, behindBoth, underItself, onceMore],
});
export const DOUBLE_SHEET: Knot = {
  id: 'double-sheet',
  name: 'double sheet bend',
  lay: doubleSheet(1),
  wrong: [
    {
      id: 'opposite',
      name: 'tails on opposite sides',
      does: 'Tied from the other strand of the bight it holds less and slips in slick cord. Both tails on one side.',
      lay: doubleSheet(-1),
    },
    {
      id: 'single',
      name: 'only once round',
      does: 'Once round slips in slick cord, and where one cord is much thinner.',
      lay: {
        ...doubleSheet(1),
        steps: [
          bightOfThick(1),
          upThrough,
          behindBoth,
          other(
            'Under itself, and left so.',
            [0.4, -1.3, 1.3],
            [1.4, 0.2, 0.8],
            [2, 1.3, 1.3],
            [2.6, 3.4, 0.8],
            [3.2, 6, 1.2],
          ),
        ],
      },
    },
  ],
  when: 'Two cords joined that are to come apart again; the thicker one makes the bight.',
  fails: 'Tails on opposite sides, or once round only, and it slips.',
  release: 'Bend the bight back: undone by hand.',
};

const eight = put(EIGHT, [0, 0, 0], 1.9);
const WAY: Path = [[14, 0, 0], ...eight, [-15, -6, 0]];
const [first, second] = [flatBeside(WAY, 0.68), flatBeside(WAY, -0.68)];
const back: Path = [...second].reverse();
/** The second end on the wrong side of the first from here on: it goes over it. */
const CROSSED = 9;
const crossed: Path = [
  ...back.slice(0, CROSSED),
  ...[...flatBeside(WAY, 2.1)]
    .reverse()
    .slice(CROSSED + 1)
    .map(([x, y, z]): Vec3 => [x, y, z]),
];
const EIGHT_STARTS: readonly Path[] = [
  [[24, 0.68, 0], first[0]!],
  [[-24, -6.7, 0], back[0]!],
];
export const FIGURE_EIGHT_BEND: Knot = {
  id: 'figure-eight-bend',
  name: 'figure-eight bend',
  lay: {
    bars: [],
    starts: EIGHT_STARTS,
    steps: [
      thread('A figure eight in one end: over the line, round behind it.', ...first.slice(1, 13)),
      thread('Through the first eye.', ...first.slice(13)),
      other('The other end follows it back, from its tail, side by side.', ...back.slice(1, 11)),
      other('All the way to the line, uncrossed.', ...back.slice(11), [20, -1.6, 0.6]),
    ],
  },
  wrong: [
    {
      id: 'crossed',
      name: 'strands that cross',
      does: 'The second end changes sides half way: it bears on one place, keeps less strength and jams. Side by side.',
      lay: {
        bars: [],
        starts: EIGHT_STARTS,
        steps: [
          thread('A figure eight in one end.', ...first.slice(1, 13)),
          thread('Through the first eye.', ...first.slice(13)),
          other('The other end follows it, then crosses over it.', ...crossed.slice(1, 12)),
          other('On along its other side.', ...crossed.slice(12), [20, 2.2, 0.6]),
        ],
      },
    },
  ],
  when: 'Two like cords that are to stay joined and still come apart.',
  fails: 'Crossed strands and short tails. Ten thicknesses of tail.',
  release: 'Not under load; break it open along the outer turns.',
};

/** One end of a double fisherman's: beside the other cord, twice back round it and itself, and out through both turns. */
const coil: Path = [
  [-4, 0.6, 0],
  [-1, 0.7, 0.2],
  [1.6, 1.4, 2],
  [3.6, 0.6, 3.2],
  [6.2, -0.4, 2.6],
  [7, -2, 0.6],
  [6.8, -1, -1.8],
  [6.4, 1, -1.9],
  [6, 2, 0],
  [5.6, 1, 1.8],
  [5.2, -1, 1.9],
  [5, -2, 0.2],
  [4.6, -1, -1.8],
  [4.2, 1, -1.9],
  [3.8, 2.1, 0],
  [3.3, 1.2, 1.7],
  [2.7, -0.6, 1.8],
  [2.2, -1.9, 0.3],
  [1.8, -1.2, -1.5],
  [1.9, 0.4, -1.2],
];
const out: Path = [
  [3.4, 0.65, 0],
  [6, 0.65, 0],
  [10, 0.75, 0],
  [12, 1.4, 0.6],
];
const start: Path = [
  [-20, 0.6, 0],
  [-13, 0.6, 0],
];
const whole = (path: Path): Path => halfTurned(path);
/** What was in front behind, and the other way about. */
const behind = (path: Path): Path => path.map(([x, y, z]): Vec3 => [x, y, -z]);
export const FISHERMAN: Knot = {
  id: 'double-fisherman',
  name: 'double fisherman’s bend',
  lay: {
    bars: [],
    starts: [start, whole(start)],
    steps: [
      thread('The ends beside each other; one goes back twice round both.', ...coil),
      thread('Out through both its turns, along the other cord.', ...out),
      other('The other end the same, the same way about.', ...whole(coil)),
      other('Out through both its turns. Drawn up, the two lie against each other.', ...whole(out)),
    ],
  },
  wrong: [
    {
      id: 'other-way',
      name: 'the second end the other way about',
      does: 'The two do not lie against each other: they jam askew and hold less. Each as the other, turned about.',
      lay: {
        bars: [],
        starts: [start, whole(start)],
        steps: [
          thread('One end twice back round both.', ...coil),
          thread('Out through both its turns.', ...out),
          other('The other end the other way about.', ...behind(whole(coil))),
          other('Out through both its turns.', ...behind(whole(out))),
        ],
      },
    },
  ],
  when: 'A join that stays: the loops of friction hitches. Off the wraps and off the load point.',
  fails: 'Turns that cross, or tails shorter than six thicknesses.',
  release: 'Hardly at all once it was loaded: cut it off.',
};

const reefRope = (low: 1 | -1): Path => [
  [-3, 0.9, 0.9],
  [0, 1.7, -0.8],
  [2.4, 2.5, 0.3],
  [3.6, 0.9, 1],
  [3.9, 0, low === 1 ? 1 : 0],
  [3.6, -0.9, low],
  [2.4, -2.5, 0.3 * low],
  [0, -1.7, -0.8 * low],
  [-3, -0.9, 0.9 * low],
  [-8, -1.1, 0],
  [-11, -2, 0],
];
const facing = (path: Path): Path => path.map(([x, y, z]): Vec3 => [-x, y, -z]);
const reefStart: Path = [
  [-16, 0.9, 0],
  [-9, 0.9, 0.2],
];
const reef = (low: 1 | -1): Lay => ({
  bars: [],
  starts: [reefStart, facing(reefStart)],
  steps: [
    thread('A bight in one end.', ...reefRope(low)),
    other('The other end up through it, round behind both strands.', ...facing(reefRope(low)).slice(0, 6)),
    other(
      low === 1 ? 'Down through it again, beside its own line.' : 'Down through it, on the other side of its line.',
      ...facing(reefRope(low)).slice(6),
    ),
  ],
});
export const REEF: Knot = {
  id: 'reef',
  name: 'reef knot',
  lay: reef(1),
  wrong: [
    {
      id: 'granny',
      name: 'turned over: a granny',
      does: 'Line and tail lie on opposite sides of the bight: it slips at once, or jams.',
      lay: reef(-1),
    },
  ],
  when: 'A parcel, a bandage, a bundle of poles. It joins no lines.',
  fails: 'A tug on one tail turns it over, and both cords slide out.',
  release: 'Tug one tail sideways: that is just why it is no bend.',
};
