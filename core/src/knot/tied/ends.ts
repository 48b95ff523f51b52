import type { Vec3 } from '../../quantity/index.js';
import type { Knot, Lay, Step } from '../knot.js';
import type { Bar, Path } from '../rope.js';
import { ON_BARK, TRUNK, at, halfHitch, put, round, slippedHitch, thread } from './paths.js';

const LINE: Path = [
  [17, 0, ON_BARK],
  [6, 0, ON_BARK],
];
/** Where the first half hitch is on the line. */
const FIRST = 9;

/** Turns round a trunk from the front to the right, each under the one before. */
const turns = (count: number): Path => round(0, -360 * (count - 1) - 270, 0, -1.35 * count + 0.4);
const TO_LINE = (count: number): Path => [[5.4, -1.35 * count - 0.9, 2.6]];
const LAST_TAIL: Path = [[FIRST + 5.6, -4.6, ON_BARK + 3]];

const roundTurn: Lay = {
  bars: [TRUNK],
  starts: [LINE],
  steps: [
    thread('Twice round the trunk, the second turn under the first.', ...turns(2)),
    thread('Round the line, out through the eye: a half hitch.', ...TO_LINE(2), ...halfHitch(FIRST, ON_BARK)),
    thread('Another the same way, beside it.', ...halfHitch(FIRST + 3.2, ON_BARK), ...LAST_TAIL),
  ],
};
/** The second half hitch the other way about: it stands off from the first. */
const otherWay: Path = halfHitch(FIRST + 3.4, ON_BARK).map(([x, y, z]): Vec3 => [x, -y, z]);
const roundTurnWrong: Lay = {
  ...roundTurn,
  steps: [
    ...roundTurn.steps.slice(0, 2),
    thread(
      'The second one the other way.',
      [FIRST + 1.6, -1.5, ON_BARK + 2.2],
      [FIRST + 1.9, 0.6, ON_BARK + 2.2],
      ...otherWay,
      [FIRST + 6, 4, ON_BARK + 3],
    ),
  ],
};

export const ROUND_TURN: Knot = {
  id: 'round-turn',
  name: 'round turn and two half hitches',
  lay: roundTurn,
  wrong: [
    {
      id: 'opposed',
      name: 'half hitches against each other',
      does: 'The two stand apart and work along the line; they hold less and look untidy. The same way each time.',
      lay: roundTurnWrong,
    },
  ],
  when: 'The fixed end on a trunk or a post that is to take a steady pull.',
  fails: 'Half hitches shake loose in slick cord that flogs: a third, or a pin.',
  release: 'Half hitches come off under load, the turns bear meanwhile; nothing is left in the cord.',
};

const SAPLING: Bar = { is: 'stick', from: [0, -16, 0], to: [0, 16, 0], radius: 1.5 };
const THIN = 2.1;
const THIN_LINE: Path = [
  [15, 0, THIN],
  [6, 0, THIN],
];
export const WRAPS: Knot = {
  id: 'wraps',
  name: 'wraps and half hitches',
  lay: {
    bars: [SAPLING],
    starts: [THIN_LINE],
    steps: [
      thread('Three times round, each turn under the one before.', ...round(0, -990, 0, -3.7, THIN)),
      thread('A half hitch round the line.', [3.4, -4.4, 1.4], ...halfHitch(7, THIN)),
      thread('And another.', ...halfHitch(10.2, THIN), [12.6, -4.6, THIN + 3]),
    ],
  },
  wrong: [
    {
      id: 'once',
      name: 'once round only',
      does: 'The half hitches bear all of the pull: they jam, and slip when they are eased.',
      lay: {
        bars: [SAPLING],
        starts: [THIN_LINE],
        steps: [
          thread('Once round.', ...round(0, -270, 0, -1.2, THIN)),
          thread('A half hitch round the line.', [3.4, -2.6, 1.4], ...halfHitch(7, THIN)),
          thread('And another.', ...halfHitch(10.2, THIN), [12.6, -4.6, THIN + 3]),
        ],
      },
    },
  ],
  when: 'A guy to a sapling, a root or a stick: the wraps take the pull, the hitches hardly any.',
  fails: 'One wrap only lets the hitches bear it all, and they jam.',
  release: 'Hitches off first, by hand; then pay out round the wraps.',
};

/** From the trunk to the line, and a slipped half hitch round it. @param y at which it leaves the trunk */
const held = (y: number): readonly Step[] =>
  slippedHitch(['Round the line.', 'A bight out through the eye: slipped.'], FIRST, ON_BARK).map((s, k) =>
    k === 0 && s.adds.how === 'thread'
      ? { ...s, adds: { ...s.adds, through: [[5.4, y, 2.6] as Vec3, ...s.adds.through] } }
      : s,
  );
export const PASSES: Knot = {
  id: 'passes',
  name: 'passes round the trunk, slipped half hitches',
  lay: {
    bars: [TRUNK],
    starts: [LINE],
    steps: [
      thread('Round the trunk, haul, round again: each pass takes in some slack.', ...round(0, -630, 0, -2.3)),
      thread('A third pass, hauled and held by its grip.', ...round(-675, -990, -2.5, -3.7)),
      ...held(-4.6),
    ],
  },
  wrong: [
    {
      id: 'once',
      name: 'one pass only',
      does: 'Bark holds hardly anything by one pass: the slipped hitch bears it all and pulls out.',
      lay: {
        bars: [TRUNK],
        starts: [LINE],
        steps: [thread('Round the trunk, once.', ...round(0, -270, 0, -1.2)), ...held(-2.2)],
      },
    },
  ],
  when: 'The hauled end where nothing is to be tied in the line: bark and turns hold while one hauls.',
  fails: 'Too few passes slide on smooth bark; the slipped hitch pulls out in a flogging wind: a second, or a pin.',
  release: 'Pull the tail, then ease the passes off under load.',
};

const clove: Lay = {
  bars: [TRUNK],
  starts: [LINE],
  steps: [
    thread('Once round the trunk.', at(20, -0.2), at(0, -0.2), ...round(-45, -270, -0.3, -1.4)),
    thread(
      'Up across in front, over the line, and round again above it.',
      at(-315, -1.2, 3.9),
      at(-345, -0.4, 4.8),
      at(-360, 0.5, 5),
      at(-380, 1.3, 4.8),
      at(-405, 2.2, 4.1),
      ...round(-450, -630, 2.5, 2.3),
    ),
    thread(
      'Under the crossing, beside the line.',
      at(-675, 2),
      at(-700, 1.4),
      at(-720, 1),
      at(-740, 0.95),
      at(-765, 0.9, 4),
      [-6, 0.6, 5],
    ),
    thread(
      'A half hitch round the line.',
      [-6.2, -2.4, 6.4],
      [-1, -4.4, 7],
      [5, -4, 5.6],
      ...halfHitch(FIRST, ON_BARK),
      [FIRST + 2.4, -4.4, ON_BARK + 3],
    ),
  ],
};
export const CLOVE: Knot = {
  id: 'clove',
  name: 'clove hitch and half hitch',
  lay: clove,
  wrong: [
    {
      id: 'no-crossing',
      name: 'the second turn not crossed over',
      does: 'Two turns beside each other are no hitch: they run off as soon as the tail is let go.',
      lay: {
        bars: [TRUNK],
        starts: [LINE],
        steps: [
          thread('Once round the trunk.', at(20, -0.2), at(0, -0.2), ...round(-45, -270, -0.3, -1.4)),
          thread(
            'Round again below, not across.',
            ...round(-315, -630, -1.7, -3.2),
            at(-675, -3.4),
            at(-720, -3.6),
            at(-765, -3.8, 4),
            [-6.4, -4, 5],
          ),
        ],
      },
    },
  ],
  when: 'Quick on a post or a pole; always backed by a half hitch round the line.',
  fails: 'Alone it rolls on a smooth trunk, and slips when the pull swings.',
  release: 'Push the crossing loose; nothing is left in the cord.',
};

/** Round the line where it lies before the trunk: the twists of a timber-style hitch. */
const Z = 5.2;
const around = (from: number, to: number, x0: number, x1: number, r = 1.25): Path => {
  const parts = Math.round(Math.abs(to - from) / 45);
  return Array.from({ length: parts + 1 }, (_, k): Vec3 => {
    const a = ((from + ((to - from) * k) / parts) * Math.PI) / 180;
    const x = x0 + ((x1 - x0) * k) / parts;
    const z = x < 0 ? Math.sqrt(Math.max(9, Z * Z - x * x)) : Z;
    return [x, r * Math.sin(a), z + r * Math.cos(a)];
  });
};
const TIMBER_LINE: Path = [
  [17, 0, Z],
  [8, 0, Z],
];
const timberTurn = thread(
  'Round the trunk.',
  at(40, 0, 5.8),
  at(0, 0, Z),
  at(-35, 0, Z),
  at(-65, -0.1, 4.7),
  ...round(-95, -270, -0.4, -1.8),
);
const timber: Lay = {
  bars: [TRUNK],
  starts: [TIMBER_LINE],
  steps: [
    timberTurn,
    thread(
      'Over the line, and behind it back toward the trunk.',
      [5.4, -2.4, 2.8],
      [7.6, -1.8, 5.6],
      [8.2, 0, 6.7],
      [8, 1.3, 5.2],
      [7, 0.6, 3.9],
    ),
    thread('Twice round its own turn.', ...around(225, 720, 5.4, 1)),
    {
      says: 'A bight between turn and trunk: slipped.',
      rope: 0,
      adds: {
        how: 'bight',
        beside: [1, 0, 0],
        through: [
          [0.2, 1.3, 5.4],
          [-0.7, 0.8, 3.9],
          [-1.5, -0.8, 3.9],
          [-2.3, -2.4, 4.6],
          [-3.2, -4.4, 5.4],
        ],
        then: [
          [2.4, 1.6, 6.8],
          [3.4, 4, 7.4],
        ],
      },
    },
  ],
};
export const TIMBER: Knot = {
  id: 'slipped-timber',
  name: 'slipped timber-style hitch',
  lay: timber,
  wrong: [
    {
      id: 'on-line',
      name: 'twisted round the line, not round its own turn',
      does: 'Wraps on the line are not pressed to the trunk: they run along it and let go.',
      lay: {
        bars: [TRUNK],
        starts: [TIMBER_LINE],
        steps: [
          timberTurn,
          thread('Over the line.', [5.4, -2.4, 2.8], [7.4, -1.9, 5.4], [8.2, 0, 6.6], [8.4, 1.3, 5.2]),
          thread(
            'Round the line, away from the trunk.',
            ...around(180, 720, 8.8, 13.4),
            [14.4, 1.4, 6.2],
            [15.4, 4, 7],
          ),
        ],
      },
    },
  ],
  when: 'The fixed end on a thick live trunk: bark and pull lock it.',
  fails: 'Slack frees it; on a thin or icy stem two twists are too few.',
  release: 'Ease the pull, draw the tail: all of it falls off the trunk.',
};

/** Half of a loop laid about something along x from its bridge in front: down in front, behind, over, so many times, then down as a leg. */
export function legOf(count: number, r: number, out: number, step: number, bridge: number): Path {
  const parts = 8 * count;
  return [
    ...Array.from({ length: parts }, (_, k): Vec3 => {
      const a = (-2 * Math.PI * (k + 1)) / 8;
      const x = out - (step * (k + 1)) / 8;
      // the first part of it comes in from the bridge, which lies on everything
      const far = k < 2 ? r + (bridge - r) * (1 - (k + 1) / 3) : r;
      return [x, far * Math.sin(a), far * Math.cos(a)];
    }),
    [Math.max(0.75, out - step * count), -2.6, r * 0.9],
    [0.8, -6, 0.8],
    [0.75, -11, 0.4],
  ];
}
export const mirrored = (path: Path): Path => path.map(([x, y, z]): Vec3 => [-x, y, z]);
/** Turned so that what is along x is upright, and what hangs goes to the right. */
const upright = (path: Path): Path => path.map(([x, y, z]): Vec3 => [-y, x, z]);

const leg = put(legOf(1, ON_BARK, 1.7, 0.95, ON_BARK + 1.5), [0, 0, 0]);
const eye = upright([
  [-1.6, -0.4, ON_BARK + 1.6],
  [0, -0.8, ON_BARK + 1.7],
  [1.6, -0.4, ON_BARK + 1.6],
]);
/** Out under the eye and back over it. */
const folded: Path = [
  ...leg.slice(0, -2),
  [0.8, -4.2, ON_BARK + 1.2],
  [0.8, -3.8, ON_BARK + 3],
  [0.78, -1, ON_BARK + 3.4],
  [0.75, 4, ON_BARK + 3],
  [0.75, 11, ON_BARK + 2],
];
export const GIRTH: Knot = {
  id: 'girth',
  name: 'girth hitch of a sewn or tied loop',
  lay: {
    bars: [TRUNK],
    starts: [eye],
    steps: [
      {
        says: 'The loop round the trunk, then all of the line out through its own eye.',
        rope: 0,
        adds: { how: 'legs', through: [upright(mirrored(leg)), upright(leg)] },
      },
    ],
  },
  wrong: [
    {
      id: 'folded',
      name: 'pulled back over its own eye',
      does: 'Folded sharply over the eye, the legs saw on it and keep far less strength. Turn it until eye and pull are in line.',
      lay: {
        bars: [TRUNK],
        starts: [eye],
        steps: [
          {
            says: 'Through its eye, then back the way it came.',
            rope: 0,
            adds: { how: 'legs', through: [upright(mirrored(folded)), upright(folded)] },
          },
        ],
      },
    },
  ],
  when: 'A strap or a permanent loop on a trunk.',
  fails: 'Pulled from aside it saws; a thin loop cuts into the bark. Both legs alike, the eye in line with the pull.',
  release: 'Only without load: the whole line goes back through the eye.',
};
