import { describe, expect, test } from '@jest/globals';
import type { Step, StepCode } from '../../src/order/index.js';
import { sayMinutes, sayOut, seenWords, stepWords } from '../../src/words/index.js';
import { UNITS, demo } from '../shelter/helper.js';

const { body } = demo('hammock-fly').context;

/** Each kind of step with what it is told from, and what is read: what, how, its number. */
const SAID: readonly (readonly [StepCode, object, readonly [string, string, string]])[] = [
  [
    'look-up',
    { trees: ['the upstream alder', 'the old willow'] },
    [
      'Look up',
      'Dead tops, hung branches, leaning and dead stems within reach of the shelter. Push and knock at the upstream alder and the old willow; see where the roots lift. In doubt take another tree.',
      '',
    ],
  ],
  [
    'look-up',
    { trees: [] },
    [
      'Look up',
      'Dead tops, hung branches, leaning and dead stems within reach of the shelter. In doubt take another tree.',
      '',
    ],
  ],
  [
    'lay-out',
    { pegs: 6, toggles: 2, sleepers: true },
    [
      'Lay out and count',
      'The packs where the bodies will lie; the ridge comes over them. Everything hangs off the ground.',
      'Six pegs, two toggles',
    ],
  ],
  ['lay-out', { pegs: 0, toggles: 0, sleepers: false }, ['Lay out and count', 'Everything hangs off the ground.', '']],
  [
    'pole',
    { of: 'bed', at: 0, dug: 0.6, lean: 0.17, stays: 2 },
    [
      'Stand the pole',
      'Its foot 0.60 m into the ground, its head leaning away from the bed by 10°; two back-stays before anything hangs on it.',
      '',
    ],
  ],
  [
    'pole',
    { of: 'line', at: 1, dug: 0.1, lean: 0, stays: 2 },
    [
      'Stand the ridge’s pole between its stays',
      'Its foot 0.10 m into the ground, upright; two stays made fast behind it, out to either side, before the line is hauled. It stands on nothing else: nobody leans on it.',
      '',
    ],
  ],
  [
    'pole-down',
    { name: 'the first pole', stays: 2 },
    [
      'Take the first pole down',
      'One holds it while the other lets two stays off; then it is walked down, never let fall.',
      '',
    ],
  ],
  [
    'pole-down',
    { name: 'the bed’s pole', stays: 1 },
    [
      'Take the bed’s pole down',
      'One holds it while the other lets one stay off; then it is walked down, never let fall.',
      '',
    ],
  ],
  [
    'cut-pegs',
    { count: 3 },
    [
      'Cut three pegs',
      'Green wood as thick as a thumb, a hand span and more. Kneel at a block, cut down onto it and away from your legs, nobody within an arm and a blade of you; four cuts to the point, the head bevelled so that it does not split, a notch a hand below it. Blade in its sheath before you stand up.',
      'Three pegs',
    ],
  ],
  [
    'lower-end',
    { tree: 'the split willow', hitch: 'pulley-style hitch', tension: 240, release: 'eased', keeper: 'none' },
    [
      'Let the line down at the split willow',
      'Pulley-style hitch, under 240 N: take the strain on the working end before you untie it: its turns bear meanwhile, ease it off round the trunk. Stand beside the line, not in it. Let it down to working height and hold it there by a half hitch: the roof is folded where hands reach.',
      '240 N',
    ],
  ],
  [
    'fixed-end',
    {
      tree: 'the leaning oak',
      hitch: 'releasable bowline',
      wraps: 1,
      height: 3,
      release: 'loaded',
      high: false,
      branch: true,
    },
    [
      'Tie the line to the leaning oak',
      'Releasable bowline, once round. It lets go under load. Over the branch: throw a light line over with a bag on its end, haul the cord after it, make it fast round the stem where your hands are, and weigh the branch down from the side before anyone goes under it.',
      '3.00 m, above my reach',
    ],
  ],
  [
    'fixed-end',
    {
      tree: 'the upstream alder',
      hitch: 'round turn and two half hitches',
      wraps: 2,
      height: 1.9,
      release: 'eased',
      high: false,
    },
    [
      'Tie the line to the upstream alder',
      'Round turn and two half hitches, twice round. It is eased off under load, turn by turn.',
      '1.90 m, below my reach',
    ],
  ],
  [
    'fixed-end',
    { tree: 'the upstream alder', hitch: 'releasable bowline', wraps: 1, height: 2.4, release: 'loaded', high: true },
    [
      'Tie the line to the upstream alder',
      'Releasable bowline, once round. It lets go under load. Above reach: push the turn up with a forked stick.',
      '2.40 m, above my reach',
    ],
  ],
  [
    'low-end',
    { tree: 'the split willow' },
    [
      'A half hitch at the split willow, at working height',
      'For the time being: the roof is hung within reach, and raised then.',
      '',
    ],
  ],
  [
    'tension-end',
    {
      tree: 'the split willow',
      hitch: 'pulley-style hitch',
      wraps: 3,
      height: 1.5,
      high: false,
      hauled: { how: 'sag', sag: 0.12 },
      tension: 260,
    },
    [
      'Haul the line at the split willow',
      'Pulley-style hitch, 3 times round, at my shoulder. Haul until bare it sags 0.12 m in the middle.',
      '260 N',
    ],
  ],
  [
    'tension-end',
    {
      tree: 'the split willow',
      hitch: 'pulley-style hitch',
      wraps: 1,
      height: 1.5,
      high: true,
      hauled: { how: 'dip', mass: 2, drop: 0.2, at: 3.1 },
      tension: 260,
    },
    [
      'Haul the line at the split willow',
      'Pulley-style hitch, once round, at my shoulder. Haul until 2.0 kg hung 3.10 m along draws it down by 0.20 m. Above reach: push the turn up with a forked stick.',
      '260 N',
    ],
  ],
  [
    'raise-end',
    {
      tree: 'the split willow',
      height: 2.2,
      hitch: 'pulley-style hitch',
      wraps: 1,
      hauled: { how: 'pulley', pull: 'two-hands', loopOut: 1.2 },
      tension: 300,
      lifts: 42,
    },
    [
      'Raise it at the split willow and haul',
      'To my full reach, with your weight, while the other minds the cloth. Pulley-style hitch, once round. The loop 1.20 m out; haul with two hands. Part of the pull lifts the cloth: hauled bare it would leave 42 N more in the line.',
      '300 N',
    ],
  ],
  [
    'raise-end',
    {
      tree: 'the split willow',
      height: 2.2,
      hitch: 'pulley-style hitch',
      wraps: 1,
      hauled: { how: 'passes', count: 3, takeUp: 0.1 },
      tension: 300,
      lifts: 0,
    },
    [
      'Raise it at the split willow and haul',
      'To my full reach, with your weight, while the other minds the cloth. Pulley-style hitch, once round. Three passes round the trunk, each hauling in 0.10 m.',
      '300 N',
    ],
  ],
  [
    'hitch',
    { end: 1, type: 'grip hitch', wraps: 3, cord: 'tarred twine #36', loop: 0.2, at: 4.3 },
    [
      'Second hitch on the line',
      'Grip hitch of tarred twine #36, its loop a hand span long, turns side by side, the join off the turns; 4.30 m along from the first tree.',
      '3 wraps',
    ],
  ],
  [
    'hang',
    {
      roof: 'grey-blue square, 3 m',
      line: 'under',
      toggles: 2,
      laid: 'Middles on the line.',
      gathered: ['left corner'],
    },
    [
      'Hang the grey-blue square, 3 m over the line',
      'Middles on the line. Two toggles through loop and tie-out. No tie-out at the left corner: gather the cloth round a pebble there. Lift the cloth to move it; cord that slides through a tab saws it.',
      '',
    ],
  ],
  [
    'lay-cloth',
    { roof: 'mess roof, 5 m', laid: 'Its four corners, and nothing else.', gathered: [] },
    ['Spread the mess roof, 5 m where it will stand', 'Its four corners, and nothing else.', ''],
  ],
  [
    'draw-out',
    { pull: 40 },
    ['Slide the hitches out until the ridge of the cloth is taut', 'Then centre it over whoever lies there.', '40 N'],
  ],
  [
    'tie-end',
    { end: 0, tree: 'the big alder', height: 1.2, hitch: 'clove hitch and half hitch', haul: 60 },
    [
      'Tie the first end of the cloth to the big alder',
      'Clove hitch and half hitch, at 1.20 m, above my elbow; water runs in along this cord.',
      '60 N',
    ],
  ],
  [
    'prop',
    { middle: false, sticks: 2, thick: 0.04, height: 1.6, props: { foot: 'pushed', rake: 0, padded: true } },
    [
      'Stand up the two sticks of the A',
      '40 mm thick, its head rounded and padded, its foot pushed in, a hand deep. Both heads in a doubled loop, twisted tight with a stick that is tied off.',
      '1.60 m',
    ],
  ],
  [
    'prop',
    { middle: false, sticks: 1, thick: 0.03, height: 1.1, props: { foot: 'stone', rake: 0.175, padded: false } },
    [
      'Stand up the prop',
      '30 mm thick, its head rounded, its foot on a stone or a board, its head leaning out by 10°.',
      '1.10 m',
    ],
  ],
  [
    'guy',
    {
      name: 'left corner',
      kind: 'guy',
      out: 1.8,
      held: ['two stout cut pegs'],
      pegs: 2,
      lean: null,
      cord: 'bright guy line',
      hitch: 'adjustable',
      wraps: 3,
      stick: 0.8,
      over: 2.4,
      secondLine: false,
    },
    [
      'Guy out the left corner',
      'Bright guy line to two stout cut pegs; adjustable hitch, 3 wraps. A stick of 0.80 m under the tie-out. Light for now. Pegs behind one another, tied together. 2.40 m over: hank it and hang it in a fork, off the ground.',
      'Six of my feet out (1.80 m)',
    ],
  ],
  [
    'guy',
    {
      name: 'right middle',
      kind: 'peg',
      out: 0.2,
      held: ['a stout cut peg'],
      pegs: 1,
      lean: 0.4,
      cord: 'bright guy line',
      hitch: 'knot',
      wraps: 2,
      stick: 0,
      over: 0,
      secondLine: false,
    },
    ['Peg the right middle down', 'A loop of bright guy line to a stout cut peg.', ''],
  ],
  [
    'tighten',
    { haul: 60, names: ['left corner', 'right corner'] },
    [
      'Haul all guys tight, opposite ones in turn',
      'Left corner and right corner. Then round once more: each loosens the one before.',
      '60 N',
    ],
  ],
  [
    'strap',
    { end: 0, tree: 'the big alder', height: 1.5, wraps: 1, loop: 3, free: 0.9 },
    [
      'First strap round the big alder',
      'Once round, flat on the bark; hook into loop 3 from the tree. 0.90 m of it free.',
      'My shoulder',
    ],
  ],
  [
    'strap',
    { end: 1, tree: 'the big alder', height: 1.5, wraps: 2, loop: null, free: 0.9 },
    ['Second strap round the big alder', 'Twice round, flat on the bark. 0.90 m of it free.', 'My shoulder'],
  ],
  [
    'bed',
    { name: 'river bed', headUp: 0.15, height: 0.45, angle: 0.52 },
    [
      'Hang the river bed',
      'Straps at 30° with someone in it; the head a hand’s width higher. Nothing hard beneath, no higher than a safe fall.',
      '0.45 m',
    ],
  ],
  [
    'bed',
    { name: 'river bed', headUp: 0.01, height: 0.45, angle: 0.52 },
    [
      'Hang the river bed',
      'Straps at 30° with someone in it; head and feet level. Nothing hard beneath, no higher than a safe fall.',
      '0.45 m',
    ],
  ],
  [
    'sit-in',
    { comesDown: 0.08 },
    [
      'Sit in it, then lie',
      'A few times: straps and knots settle, and by morning it is a hand’s width lower. Correct, and look once more at the trees.',
      '',
    ],
  ],
  [
    'sit-in',
    { comesDown: 0 },
    ['Sit in it, then lie', 'A few times: straps and knots settle. Correct, and look once more at the trees.', ''],
  ],
  [
    'tail',
    { where: ['ridgeline, inside each edge'] },
    [
      'Tie tails where water would run in',
      'Ridgeline, inside each edge: a hand’s width of cord, under cover of the roof’s edge, hanging free.',
      '',
    ],
  ],
  [
    'mark',
    { bright: ['left corner guy', 'ridgeline'], dull: [] },
    [
      'Mark what people walk into',
      'Left corner guy and ridgeline: something bright at the height of a knee and of a face.',
      'Two lines',
    ],
  ],
  [
    'pin',
    { ends: [{ name: 'pulley-style hitch', keeper: 'bight' }] },
    [
      'Pin the slipped hitches',
      'A stick through the bight of the pulley-style hitch: flogging and days of weather shake them loose.',
      '',
    ],
  ],
  [
    'pin',
    {
      ends: [
        { name: 'overhand loop and toggle', keeper: 'stick' },
        { name: 'cleat tensioner', keeper: 'tail' },
      ],
    },
    [
      'Make the ends sure',
      'The stick of the overhand loop and toggle tied in and the tail of the cleat tensioner tied off: flogging and days of weather shake them loose.',
      '',
    ],
  ],
  [
    'check',
    { slack: true, pool: 0.008 },
    [
      'Walk round it once',
      'No turn crossed, pegs leaning away from the pull, loops alike, ends level, the slack panel taken out, nothing rubbing. 8.0 l of rain stand on it: lift or drop that place, and put the pail there.',
      '',
    ],
  ],
  [
    'check',
    { slack: false, pool: 0 },
    [
      'Walk round it once',
      'No turn crossed, pegs leaning away from the pull, loops alike, ends level, nothing rubbing.',
      '',
    ],
  ],
  [
    'haul',
    {
      when: 'evening',
      lines: [
        { name: 'ridgeline', by: 0.05 },
        { name: 'left corner guy', by: 0.02 },
      ],
    },
    ['Before you sleep, haul in again', 'Ridgeline 5 cm, left corner guy 2 cm.', ''],
  ],
  [
    'unhook-bed',
    { name: 'river bed' },
    [
      'Unhook the river bed, then the straps',
      'Into its own bag as it comes off the hook, so that it never lies on the ground.',
      '',
    ],
  ],
  [
    'ease-guys',
    { guys: 2, pegs: 1 },
    [
      'Let off two guys and one peg loop, windward last',
      'Ease the hitch first; a peg is not drawn under load. Somebody holds the windward edge.',
      '',
    ],
  ],
  [
    'ease-guys',
    { guys: 0, pegs: 4 },
    [
      'Let off four peg loops, windward last',
      'Ease the hitch first; a peg is not drawn under load. Somebody holds the windward edge.',
      '',
    ],
  ],
  [
    'hank-guys',
    { count: 2 },
    [
      'Hank two guys',
      'Each on its own tie-out, figure of eight round thumb and finger, finished with two turns: they live on the cloth.',
      '',
    ],
  ],
  [
    'unhang',
    { roof: 'mess roof', wet: true, by: 'hitches' },
    [
      'Take the mess roof off its hitches',
      'Shake it off first. The hitches stay on the line: slide both to the middle.',
      '',
    ],
  ],
  [
    'unhang',
    { roof: 'mess roof', wet: false, by: 'ends' },
    ['Take the mess roof down', 'Gather it to the middle before the wind has it.', ''],
  ],
  [
    'slip-end',
    { tree: 'the split willow', hitch: 'pulley-style hitch', tension: 240, release: 'loaded', keeper: 'bight' },
    [
      'Let the line go at the split willow',
      'Pulley-style hitch: draw the pin, take the strain on the working end before you slip it: it lets go under load. Stand beside the line, not in it.',
      '240 N',
    ],
  ],
  [
    'slip-end',
    { tree: 'the split willow', hitch: 'figure-eight loop', tension: 240, release: 'slack', keeper: 'none' },
    [
      'Let the line go at the split willow',
      'Figure-eight loop: take the strain on the working end before you take it off: it does not let go under load, slack it first. Stand beside the line, not in it.',
      '240 N',
    ],
  ],
  [
    'slip-end',
    {
      tree: 'the split willow',
      hitch: 'loop cranked tight by a stick',
      tension: 240,
      release: 'eased',
      keeper: 'stick',
    },
    [
      'Let the line go at the split willow',
      'Loop cranked tight by a stick: untie its stick, take the strain on the working end before you untie it: its turns bear meanwhile, ease it off round the trunk. Stand beside the line, not in it.',
      '240 N',
    ],
  ],
  [
    'slip-end',
    { tree: 'the upstream alder', hitch: 'figure-eight loop', tension: 0, release: 'slack', keeper: 'none' },
    ['Let the line go at the upstream alder', 'Figure-eight loop, slack now.', ''],
  ],
  [
    'stow-line',
    { middle: true },
    [
      'Hank the line',
      'Its hitches at the middle, the middle marked. Figure of eight over the hand, so that it runs out without a tangle.',
      '',
    ],
  ],
  [
    'draw-pegs',
    { pegs: 6 },
    ['Draw six pegs', 'Along the way they went in, with another through the eye; wipe them.', 'Six pegs'],
  ],
  [
    'stow',
    { roof: 'mess roof', wet: true },
    [
      'Stow the mess roof',
      'Wet: in its own bag, apart from the beds. Stuffed or folded at random, never along the same lines; it goes in last and comes out first.',
      '',
    ],
  ],
  [
    'count-in',
    { pegs: 6, toggles: 2, hanks: 1 },
    ['Count in', 'Six pegs, two toggles and one kind of cord. What is missing is looked for now.', ''],
  ],
  [
    'dry',
    { what: ['mess roof', 'tarred twine #36'] },
    [
      'Hang up to dry before it is put away',
      'Mess roof and tarred twine #36: at home or at the next dry hour, not on the fire side.',
      '',
    ],
  ],
  [
    'look-back',
    { bark: true },
    ['Look back', 'The bark where lines went round, peg holes trodden in, nothing left on any branch.', ''],
  ],
  ['look-back', { bark: false }, ['Look back', 'Peg holes trodden in, nothing left on any branch.', '']],
];

describe('a step is told', () => {
  test.each(SAID)('%s %j', (code, facts, [what, how, number]) => {
    const step = { id: 'x', code, facts, made: [], after: [], lines: [], hands: 1 } as unknown as Step;
    expect(stepWords(step, { body, units: UNITS })).toEqual({ what, how, number });
  });
  test('every one ends in a full stop, or says nothing; no number is spoken of that is none', () => {
    for (const [, , said] of SAID) {
      expect(said[1] === '' || said[1].endsWith('.')).toBe(true);
      expect(said.join(' ')).not.toMatch(/undefined|NaN| {2}|\.\.|: \.|with \./);
    }
  });
  test('in feet and pounds it speaks of those', () => {
    const of = (code: StepCode, facts: object): string => {
      const step = { id: 'x', code, facts, made: [], after: [], lines: [], hands: 1 } as unknown as Step;
      const { how, number } = stepWords(step, { body, units: { length: 'ft', force: 'lbf' } });
      return `${how} ${number}`;
    };
    for (const [code, facts] of SAID) expect(of(code, facts)).not.toMatch(/\d (m|N|cm|mm|kg|l)\b/);
  });
});

describe('minutes as a watch tells them', () => {
  test.each([
    [20, 'half a minute'],
    [44, 'half a minute'],
    [46, '1 min'],
    [300, '5 min'],
    [599, '10 min'],
    [1500, '25 min'],
    [3400, '55 min'],
    [3700, '1 h'],
    [5400, '1 h 30 min'],
    [7100, '2 h'],
  ])('%d s: %s', (seconds, said) => {
    expect(sayMinutes(seconds)).toBe(said);
  });
  test('longer is never told as less', () => {
    const minutes = (said: string): number => {
      if (said === 'half a minute') return 0.5;
      const [, h = '0', min = '0'] = /^(?:(\d+) h ?)?(?:(\d+) min)?$/.exec(said)!;
      return 60 * Number(h) + Number(min);
    };
    for (let s = 0; s < 9000; s += 7) expect(minutes(sayMinutes(s + 7))).toBeGreaterThanOrEqual(minutes(sayMinutes(s)));
  });
});

describe('a way out on the ground', () => {
  test('is told in feet where they can be set, and in paces beyond', () => {
    expect(sayOut(0.05, body)).toBe('one of my feet');
    expect(sayOut(1.8, body)).toBe('six of my feet');
    expect(sayOut(3.1, body)).toBe('four of my paces');
  });
  test('within half of what it is told in', () => {
    const words = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
    for (let out = 0.3; out < 9; out += 0.07) {
      const [count, , , unit] = sayOut(out, body).split(' ');
      const n = words.includes(count!) ? words.indexOf(count!) : Number(count);
      const one = unit === 'feet' ? body.foot : body.pace;
      expect(Math.abs(n * one - out)).toBeLessThanOrEqual(one / 2 + 1e-9);
    }
  });
});

test('what is bright and what is dull is told only where there is some', () => {
  const line = (name: string) => ({ id: name, name, why: 'trips' as const });
  expect(seenWords({ bright: [], dull: [] })).toEqual([]);
  expect(seenWords({ bright: [line('left guy'), line('right guy')], dull: [line('ridgeline')] })).toEqual([
    'Mark bright where people walk: left guy and right guy.',
    'May be dull where the camp is not to be seen: ridgeline.',
  ]);
});
