import { FEET, PULL_NAMES } from '../catalogue/index.js';
import type { Keeper, Release } from '../catalogue/index.js';
import type { Hauled, MarkedLine, Step, StepCode, StepFacts, marksOf } from '../order/index.js';
import type { BodyMeasures, Phrase, UnitChoice } from '../quantity/index.js';
import { amount, capital, metres, nearestMark, phrase, sayHaul, sayHeight, saySmall, tell } from '../quantity/index.js';
import { GUY_HITCHES } from '../rig/index.js';
import { counted, listed } from './budget-words.js';
import { sayKeeping, sayLettingGo, sayRelease, sayUnkeeping } from './end-words.js';

/** A step in words: what is done, and the numbers that hands want for it. */
export interface StepWords {
  readonly what: string;
  readonly how: string;
  /** The one number of it, large; empty where it has none. */
  readonly number: string;
}

/** Whose body and units a step is told in. */
export interface Reader {
  readonly body: BodyMeasures;
  readonly units: UnitChoice;
}

const END = ['first', 'second'] as const;

/** A way out on the ground in one's own feet where it is short, in paces where it is long. */
export function sayOut(out: number, body: BodyMeasures): string {
  if (out < 4 * body.pace) {
    const feet = Math.max(1, Math.round(out / body.foot));
    return counted(feet, 'of my feet', 'of my feet');
  }
  return counted(Math.round(out / body.pace), 'of my paces', 'of my paces');
}

const turns = (wraps: number): string =>
  wraps === 1 ? 'once round' : wraps === 2 ? 'twice round' : `${wraps} times round`;
const withReach = ({ high, branch }: { readonly high: boolean; readonly branch: boolean }): string =>
  branch
    ? ' Over the branch: throw a light line over with a bag on its end, haul the cord after it, make it fast round the stem where your hands are, and weigh the branch down from the side before anyone goes under it.'
    : high
      ? ' Above reach: push the turn up with a forked stick.'
      : '';

/** How a line is hauled, and what to look for. */
function hauling(hauled: Hauled): Phrase {
  switch (hauled.how) {
    case 'tension':
      return phrase`Haul it to ${amount(hauled.tension, 'force')}.`;
    case 'sag':
      return phrase`Haul until bare it sags ${metres(hauled.sag)} in the middle.`;
    case 'dip':
      return phrase`Haul until ${amount(hauled.mass, 'mass')} hung ${metres(hauled.at)} along draws it down by ${metres(hauled.drop)}.`;
    case 'passes':
      return phrase`${capital(counted(hauled.count, 'pass', 'passes'))} round the trunk, each hauling in ${metres(hauled.takeUp)}.`;
    case 'pulley':
      return phrase`The loop ${metres(hauled.loopOut)} out; haul with ${PULL_NAMES[hauled.pull]}.`;
  }
}

/** A height by a mark of one's body, and in the reader's unit where none is near. */
export function atHeight(height: number, { body, units }: Reader): string {
  const said = sayHeight(height, body, units.length);
  return nearestMark(height, body, 0.08) === null ? `${tell([metres(height)], units)}, ${said}` : said;
}

type Told = { readonly what: string; readonly how?: string | Phrase; readonly number?: string | Phrase };
type Words = { readonly [C in StepCode]: (facts: StepFacts[C], reader: Reader) => Told };

const TIES = {
  under: 'over the line',
  over: 'under the line',
  through: 'with the line through its loops',
  none: 'by its ends',
} as const;
const WHEN = {
  settled: 'After twenty minutes',
  evening: 'Before you sleep',
  soaked: 'When all is soaked',
} as const;

/** A pull that nobody feels, N. Judgement. */
const LITTLE = 5;
const gather = (at: readonly string[]): string =>
  at.length > 0 ? `No tie-out at the ${listed(at)}: gather the cloth round a pebble there. ` : '';

const WORDS: Words = {
  'look-up': ({ trees }) => ({
    what: 'Look up',
    how: `Dead tops, hung branches, leaning and dead stems within reach of the shelter. ${
      trees.length === 0 ? '' : `Push and knock at ${listed(trees)}; see where the roots lift. `
    }In doubt take another tree.`,
  }),
  'lay-out': ({ pegs, toggles, sleepers }) => ({
    what: 'Lay out and count',
    how: `${sleepers ? 'The packs where the bodies will lie; the ridge comes over them. ' : ''}Everything hangs off the ground.`,
    number: [pegs > 0 ? counted(pegs, 'peg') : '', toggles > 0 ? counted(toggles, 'toggle') : '']
      .filter((s) => s !== '')
      .join(', '),
  }),
  'cut-pegs': ({ count }) => ({
    what: `Cut ${counted(count, 'peg')}`,
    how: 'Green wood as thick as a thumb, a hand span and more. Kneel at a block, cut down onto it and away from your legs, nobody within an arm and a blade of you; four cuts to the point, the head bevelled so that it does not split, a notch a hand below it. Blade in its sheath before you stand up.',
    number: counted(count, 'peg'),
  }),
  pole: ({ of, dug, lean, stays }) => ({
    what: of === 'bed' ? 'Stand the pole' : 'Stand the ridge’s pole between its stays',
    how:
      of === 'line'
        ? phrase`Its foot ${metres(dug)} into the ground, upright; ${counted(stays, 'stay')} made fast behind it, out to either side, before the line is hauled. It stands on nothing else: nobody leans on it.`
        : phrase`Its foot ${metres(dug)} into the ground, its head leaning away from the bed by ${amount(lean, 'angle')}; ${counted(stays, 'back-stay')} before anything hangs on it.`,
  }),
  'fixed-end': ({ tree, hitch, wraps, height, release, ...above }, reader) => ({
    what: `Tie the line to ${tree}`,
    how: `${capital(hitch)}, ${turns(wraps)}. ${sayRelease({ release })}${withReach(above)}`,
    number: atHeight(height, reader),
  }),
  'low-end': ({ tree }) => ({
    what: `A half hitch at ${tree}, at working height`,
    how: 'For the time being: the roof is hung within reach, and raised then.',
  }),
  'tension-end': ({ tree, hitch, wraps, height, hauled, tension, ...above }, reader) => ({
    what: `Haul the line at ${tree}`,
    how: phrase`${capital(hitch)}, ${turns(wraps)}, at ${atHeight(height, reader)}. ${hauling(hauled)}${withReach(above)}`,
    number: [amount(tension, 'force')],
  }),
  'raise-end': ({ tree, height, hitch, wraps, hauled, tension, lifts }, reader) => ({
    what: `Raise it at ${tree} and haul`,
    how: phrase`To ${atHeight(height, reader)}, with your weight, while the other minds the cloth. ${capital(hitch)}, ${turns(wraps)}. ${hauling(hauled)}${lifts > LITTLE ? phrase` Part of the pull lifts the cloth: hauled bare it would leave ${amount(lifts, 'force')} more in the line.` : ''}`,
    number: [amount(tension, 'force')],
  }),
  hitch: ({ end, type, wraps, cord, loop, at, tail }, { body, units }) => ({
    what: `${capital(END[end])} hitch on the line`,
    how: phrase`${capital(type)} of ${cord}, its loop ${saySmall(loop, body)} long, turns side by side, the join off the turns; ${tell([metres(at)], units)} along from the first tree.${tail > 0 ? ` Its tails hang ${saySmall(tail, body)} down, where water runs off${tail > 0.3 ? ': into a pail' : ''}.` : ''}`,
    number: `${wraps} ${wraps === 1 ? 'wrap' : 'wraps'}`,
  }),
  hang: ({ roof, line, toggles, laid, gathered }) => ({
    what: `Hang the ${roof} ${TIES[line]}`,
    how: `${laid} ${toggles > 0 ? `${capital(counted(toggles, 'toggle'))} through loop and tie-out. ` : ''}${gather(gathered)}Lift the cloth to move it; cord that slides through a tab saws it.`,
  }),
  'lay-cloth': ({ roof, laid, gathered }) => ({
    what: `Spread the ${roof} where it will stand`,
    how: `${laid} ${gather(gathered)}`.trim(),
  }),
  'draw-out': ({ pull }) => ({
    what: 'Slide the hitches out until the ridge of the cloth is taut',
    how: 'Then centre it over whoever lies there.',
    number: [amount(pull, 'force')],
  }),
  'tie-end': ({ end, tree, height, hitch, haul }, reader) => ({
    what: `Tie the ${END[end]} end of the cloth to ${tree}`,
    how: `${capital(hitch)}, at ${atHeight(height, reader)}; water runs in along this cord.`,
    number: [amount(haul, 'force')],
  }),
  prop: ({ sticks, thick, height, middle, props }) => ({
    what: middle
      ? 'Push the middle up with a stick'
      : sticks === 2
        ? 'Stand up the two sticks of the A'
        : 'Stand up the prop',
    how: phrase`${amount(thick, 'diameter')} thick, its head rounded${props.padded ? ' and padded' : ''}, its foot ${FEET[props.foot].name}${props.rake > 0 ? phrase`, its head leaning out by ${amount(props.rake, 'angle')}` : phrase``}.${sticks === 2 ? ' Both heads in a doubled loop, twisted tight with a stick that is tied off.' : ''}`,
    number: [metres(height)],
  }),
  guy: ({ name, kind, held, height, pegs, cord, hitch, wraps, stick, out, over, secondLine }, { body, units }) => ({
    what: kind === 'peg' ? `Peg the ${name} down` : kind === 'up' ? `Draw the ${name} up` : `Guy out the ${name}`,
    how:
      kind === 'up'
        ? phrase`${capital(cord)} from the ${name} over ${held}, thrown with a bag on its end, and down again to be made fast; ${GUY_HITCHES[hitch]}. Nobody stands under it while it is hauled.`
        : kind === 'peg'
          ? phrase`A loop of ${cord} to ${held}.`
          : phrase`${capital(cord)} to ${held}; ${GUY_HITCHES[hitch]}${hitch === 'adjustable' || hitch === 'elastic' ? `, ${wraps} wraps` : ''}.${
              stick > 0 ? phrase` A stick of ${metres(stick)} under the tie-out.` : phrase``
            } Light for now.${pegs > 1 ? ' Pegs behind one another, tied together.' : ''}${sayOver(over, secondLine)}`,
    number:
      kind === 'peg'
        ? ''
        : kind === 'up'
          ? tell([metres(height)], units)
          : `${sayOut(out, body)} out (${tell([metres(out)], units)})`,
  }),
  tighten: ({ haul, names }) => ({
    what: 'Haul all guys tight, opposite ones in turn',
    how: `${capital(listed(names))}. Then round once more: each loosens the one before.`,
    number: [amount(haul, 'force')],
  }),
  strap: ({ end, tree, height, wraps, loop, free }, reader) => ({
    what: `${capital(END[end])} strap round ${tree}`,
    how: `${capital(turns(wraps))}, flat on the bark${loop === null ? '' : `; hook into loop ${loop} from the tree`}. ${tell([metres(free)], reader.units)} of it free.`,
    number: atHeight(height, reader),
  }),
  bed: ({ name, headUp, height, angle }, { body, units }) => ({
    what: `Hang the ${name}`,
    how: `Straps at ${tell([amount(angle, 'angle')], units)} with someone in it; ${
      Math.abs(headUp) < 0.03
        ? 'head and feet level'
        : `the head ${saySmall(Math.abs(headUp), body)} ${headUp > 0 ? 'higher' : 'lower'}`
    }. Nothing hard beneath, no higher than a safe fall.`,
    number: tell([metres(height)], units),
  }),
  'sit-in': ({ comesDown }, { body }) => ({
    what: 'Sit in it, then lie',
    how: `A few times: straps and knots settle${comesDown > 0.01 ? `, and by morning it is ${saySmall(comesDown, body)} lower` : ''}. Correct, and look once more at the trees.`,
  }),
  tail: ({ where }) => ({
    what: 'Tie tails where water would run in',
    how: `${capital(listed(where))}: a hand’s width of cord, under cover of the roof’s edge, hanging free.`,
  }),
  mark: ({ bright }) => ({
    what: 'Mark what people walk into',
    how: `${capital(listed(bright))}: something bright at the height of a knee and of a face.`,
    number: counted(bright.length, 'line'),
  }),
  pin: ({ ends }) => ({
    what: ends.every((e) => e.keeper === 'bight') ? 'Pin the slipped hitches' : 'Make the ends sure',
    how: `${capital(listed(ends.flatMap((e) => (e.keeper === 'none' ? [] : [sayKeeping(e.name, e.keeper)]))))}: flogging and days of weather shake them loose.`,
  }),
  check: ({ slack, pool }, { units }) => ({
    what: 'Walk round it once',
    how: `No turn crossed, pegs leaning away from the pull, loops alike, ends level, ${slack ? 'the slack panel taken out, ' : ''}nothing rubbing.${
      pool > 0.001
        ? ` ${tell([amount(pool, 'volume')], units)} of rain stand on it: lift or drop that place, and put the pail there.`
        : ''
    }`,
  }),
  haul: ({ when, lines }, { units }) => ({
    what: `${WHEN[when]}, haul in again`,
    how: `${capital(lines.map((l) => `${l.name} ${sayHaul(l.by, units)}`).join(', '))}.`,
  }),
  'unhook-bed': ({ name }) => ({
    what: `Unhook the ${name}, then the straps`,
    how: 'Into its own bag as it comes off the hook, so that it never lies on the ground.',
  }),
  'ease-guys': ({ guys, pegs }) => ({
    what: `Let off ${listed([...(guys > 0 ? [counted(guys, 'guy')] : []), ...(pegs > 0 ? [counted(pegs, 'peg loop')] : [])])}, windward last`,
    how: 'Ease the hitch first; a peg is not drawn under load. Somebody holds the windward edge.',
  }),
  'hank-guys': ({ count }) => ({
    what: `Hank ${counted(count, 'guy')}`,
    how: 'Each on its own tie-out, figure of eight round thumb and finger, finished with two turns: they live on the cloth.',
  }),
  'lower-end': ({ tree, hitch, tension, release, keeper }) => ({
    what: `Let the line down at ${tree}`,
    how: phrase`${capital(hitch)}, under ${amount(tension, 'force')}: ${sayEasing(release, keeper)} Let it down to working height and hold it there by a half hitch: the roof is folded where hands reach.`,
    number: [amount(tension, 'force')],
  }),
  unhang: ({ roof, wet, by }) => ({
    what: by === 'hitches' ? `Take the ${roof} off its hitches` : `Take the ${roof} down`,
    how: `${wet ? 'Shake it off first. ' : ''}${by === 'hitches' ? 'The hitches stay on the line: slide both to the middle.' : 'Gather it to the middle before the wind has it.'}`,
  }),
  'slip-end': ({ tree, hitch, tension, release, keeper }) => ({
    what: `Let the line go at ${tree}`,
    how: tension > 0 ? `${capital(hitch)}: ${sayEasing(release, keeper)}` : `${capital(hitch)}, slack now.`,
    number: tension > 0 ? [amount(tension, 'force')] : '',
  }),
  'stow-line': ({ middle }) => ({
    what: 'Hank the line',
    how: `${middle ? 'Its hitches at the middle, the middle marked. ' : ''}Figure of eight over the hand, so that it runs out without a tangle.`,
  }),
  'pole-down': ({ name, stays }) => ({
    what: `Take ${name} down`,
    how: `One holds it while the other lets ${counted(stays, 'stay')} off; then it is walked down, never let fall.`,
  }),
  'draw-pegs': ({ pegs }) => ({
    what: `Draw ${counted(pegs, 'peg')}`,
    how: 'Along the way they went in, with another through the eye; wipe them.',
    number: counted(pegs, 'peg'),
  }),
  stow: ({ roof, wet }) => ({
    what: `Stow the ${roof}`,
    how: `${wet ? 'Wet: in its own bag, apart from the beds. ' : ''}Stuffed or folded at random, never along the same lines; it goes in last and comes out first.`,
  }),
  'count-in': ({ pegs, toggles, hanks }) => ({
    what: 'Count in',
    how: `${listed([...(pegs > 0 ? [counted(pegs, 'peg')] : []), ...(toggles > 0 ? [counted(toggles, 'toggle')] : []), counted(hanks, 'kind of cord', 'kinds of cord')])}. What is missing is looked for now.`,
  }),
  dry: ({ what }) => ({
    what: 'Hang up to dry before it is put away',
    how: `${capital(listed(what))}: at home or at the next dry hour, not on the fire side.`,
  }),
  'look-back': ({ bark }) => ({
    what: 'Look back',
    how: `${bark ? 'The bark where lines went round, ' : ''}peg holes trodden in, nothing left on any branch.`,
  }),
};

/** What becomes of the rest of a guy that lives on the cloth. */
export function sayOver(over: number, secondLine: boolean): Phrase {
  return over < OVER
    ? phrase``
    : secondLine
      ? phrase` ${metres(over)} over: to the nearer tree and across to the other it makes a second line to dry on.`
      : phrase` ${metres(over)} over: hank it and hang it in a fork, off the ground.`;
}
/** Less than this over is a tail, m. Judgement, 0.3 to 1. */
const OVER = 0.5;

/** How an end is let go that still holds, and where one stands. */
function sayEasing(release: Release, keeper: Keeper): string {
  return `${sayUnkeeping(keeper)}take the strain on the working end before you ${sayLettingGo(release)}. Stand beside the line, not in it.`;
}

/** A step in its reader's words. */
export function stepWords(step: Step, reader: Reader): StepWords {
  const told = (WORDS[step.code] as (facts: unknown, reader: Reader) => Told)(step.facts, reader);
  const said = (p: string | Phrase | undefined): string =>
    p === undefined ? '' : typeof p === 'string' ? p : tell(p, reader.units);
  return { what: told.what, how: capital(said(told.how).trim()), number: capital(said(told.number)) };
}

/** "4 min", "half a minute", "1 h 10 min": in steps that a watch without seconds tells. */
export function sayMinutes(seconds: number): string {
  const minutes = seconds / 60;
  if (minutes < 0.75) return 'half a minute';
  if (minutes < 10) return `${Math.round(minutes)} min`;
  const five = Math.round(minutes / 5) * 5;
  return five < 60 ? `${five} min` : `${Math.floor(five / 60)} h${five % 60 === 0 ? '' : ` ${five % 60} min`}`;
}

/** Which lines to mark bright where people walk, and which may be dull where a camp is not to be seen. */
export function seenWords({ bright, dull }: ReturnType<typeof marksOf>): string[] {
  const names = (lines: readonly MarkedLine[]): string => listed(lines.map((l) => l.name));
  return [
    ...(bright.length === 0 ? [] : [`Mark bright where people walk: ${names(bright)}.`]),
    ...(dull.length === 0 ? [] : [`May be dull where the camp is not to be seen: ${names(dull)}.`]),
  ];
}
