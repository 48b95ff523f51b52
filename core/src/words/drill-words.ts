import { SIGNS } from '../anchor/index.js';
import { FEET, JOINS, LAID, TABS } from '../catalogue/index.js';
import type { Calibrated, Drill, DrillFacts, DrillKind, FaultId, Guess, Off, Seen, TrunkEnd } from '../drill/index.js';
import { footOff, scoreOf } from '../drill/index.js';
import type { Ruling } from '../ground/index.js';
import { wished } from '../ground/index.js';
import type { Phrase, UnitChoice } from '../quantity/index.js';
import { amount, capital, metres, phrase, say } from '../quantity/index.js';
import { BEAUFORT, compassPoint } from '../weather/index.js';
import { counted, listed } from './budget-words.js';

/** What a kind of drill is called in a list: "How much is in a line". */
export const DRILL_NAMES: Readonly<Record<DrillKind, string>> = {
  pull: 'How much is in a line',
  sag: 'How far a line sags',
  angle: 'What a strap bears',
  wraps: 'How many wraps hold',
  first: 'What lets go first',
  wind: 'What wind takes it down',
  length: 'How much cord to cut',
  foot: 'Where a guy’s foot belongs',
  pair: 'Which pair of trees',
  fault: 'What is wrong with it',
  paces: 'How many paces',
};

const pot = (mass: number): Phrase => phrase`a pot of ${amount(mass, 'mass')}`;
const tied = ({ name, wraps, girth }: TrunkEnd): Phrase =>
  phrase`${name}, ${counted(wraps, 'wrap')} of a trunk ${metres(girth)} round`;
const QUESTIONS: { readonly [K in DrillKind]: (facts: DrillFacts[K]) => Phrase } = {
  pull: ({ line, span, sag, hung }) =>
    phrase`A ${line} over ${metres(span)}, ${pot(hung)} in its middle: it sags ${metres(sag)} there. How much is in the line?`,
  sag: ({ line, span, hauled, hung }) =>
    phrase`A ${line} over ${metres(span)}, hauled bare to ${amount(hauled, 'force')}, then ${pot(hung)} is hung in its middle. How far does it sag?`,
  angle: ({ bed, load, below }) =>
    phrase`Somebody lies in the ${bed}, ${amount(load, 'force')} on it, and the strap that bears more comes down ${amount(below, 'angle')} below level. How much is in that strap?`,
  wraps: ({ hitch, cord, thick, host, hostThick, off, times }) =>
    phrase`${capital(hitch)} of ${cord}, ${amount(thick, 'diameter')} thick, on ${host} of ${amount(hostThick, 'diameter')}, both wet, pulled ${amount(off, 'angle')} off the line. How many wraps hold ${times === 2 ? 'twice' : `${times} times`} what pulls?`,
  first: ({ from }) => [
    from === null
      ? 'What has least to spare?'
      : `The wind comes from the ${compassPoint(from, 16)} and rises. What lets go first?`,
  ],
  wind: ({ from }) => [
    `The wind comes from the ${compassPoint(from, 16)} and rises. In what gust at the roof does the first thing give?`,
  ],
  length: ({ between, ends: [a, b] }) =>
    phrase`A ridgeline over ${metres(between)}. One end: ${tied(a)}. The other: ${tied(b)}. How much cord is cut for it, with wraps, knots, tails and hauling?`,
  foot: ({ guy, height }) =>
    phrase`The ${guy} is ${metres(height)} over the ground. Where does the foot of its guy belong?`,
  pair: ({ form, roof, hammock, beaufort, from }) =>
    phrase`A ${wished(form).name.toLowerCase()} of ${metres(roof[0])} by ${metres(roof[1])}${hammock ? ', a hammock under it' : ''}, ${BEAUFORT[beaufort]!.name} from the ${compassPoint(from, 16)}. Which pair suits best?`,
  fault: () => ['This was seen of it. What is wrong?'],
  paces: ({ pace }) => phrase`You stand beside the first tree, a pace of ${metres(pace)} each. How many to the other?`,
};

/** What is asked. */
export const drillQuestion = ({ kind, facts }: Pick<Drill, 'kind' | 'facts'>): Phrase =>
  (QUESTIONS[kind] as (facts: DrillFacts[DrillKind]) => Phrase)(facts);

const END = ['first', 'second'] as const;
/** What is seen of a rig, a line each: "Turns at the second hitch: three, side by side". */
export function lookedWords(seen: Seen): { readonly what: string; readonly how: Phrase } {
  switch (seen.of) {
    case 'tree':
      return {
        what: capital(seen.name),
        how: [seen.signs.length === 0 ? 'nothing found' : seen.signs.map((s) => SIGNS[s]).join(', ')],
      };
    case 'ends':
      return { what: 'Ridge tied at', how: phrase`${metres(seen.heights[0])} and ${metres(seen.heights[1])}` };
    case 'ridge':
      return { what: 'Ridge sags', how: phrase`${metres(seen.sag)} in ${metres(seen.span)}` };
    case 'turns':
      return {
        what: `Turns of the ${END[seen.end]} hitch`,
        how: [
          `${counted(seen.wraps, '', '').trim()}, ${seen.crossed ? 'one over another' : 'side by side'}; ${seen.lies.of === 'join' ? `the join ${JOINS[seen.lies.at].name}` : LAID[seen.lies.to].name}`,
        ],
      };
    case 'loops':
      return { what: 'Loops of the hitches', how: phrase`${metres(seen.lengths[0])} and ${metres(seen.lengths[1])}` };
    case 'guy':
      return {
        what: capital(seen.name),
        how: phrase`${amount(seen.off, 'angle')} off the cloth’s own line, ${amount(seen.rise, 'angle')} above level${seen.tab === 'tied' ? '' : `, ${TABS[seen.tab].name} at the cloth`}${seen.lean === null ? [] : phrase`, its peg leans ${amount(Math.abs(seen.lean), 'angle')} ${seen.lean < 0 ? 'toward' : 'away from'} the pull`}`,
      };
    case 'strap':
      return {
        what: `${capital(END[seen.end])} strap`,
        how: phrase`${amount(seen.below, 'angle')} below level, lain in`,
      };
    case 'sticks':
      return {
        what: 'Sticks under the cloth',
        how: [`${FEET[seen.props.foot].name}, their heads ${seen.props.padded ? 'padded' : 'bare'}`],
      };
    case 'bed':
      return { what: 'Bed over the ground', how: phrase`${metres(seen.height)}, lain in` };
    case 'tails':
      return {
        what: 'Tails tied',
        how: [
          seen.straps && seen.ridge
            ? 'on straps and ridge'
            : seen.straps
              ? 'on the straps alone'
              : seen.ridge
                ? 'on the ridge alone'
                : 'none',
        ],
      };
  }
}

/** What a fault does. */
const DOES: Readonly<Record<FaultId, string>> = {
  crossed: 'A turn that lies over another holds its neighbours off the line: the hitch has about half its grip.',
  join: 'Its knot lifts the turns beside it off the line, and the hitch grips less. Turned into a leg it does no harm.',
  laid: 'Pulled from their open side the turns unroll: little is left of the grip.',
  sawn: 'Cord that runs through a tab when it is hauled cuts it within a few evenings; a loop tied to it, or a connector, does not.',
  'leans-in':
    'A peg that leans toward the pull is drawn out along its own length: it holds a part of what it would upright.',
  unpadded:
    'All that the cloth bears goes through the rim of a cut end: it wears a hole, or tears there in the first gust. A pad of moss or a rounded end.',
  square: 'Pulled square to the ridge, the middle of the panel hangs slack, flaps and holds water.',
  steep: 'A guy that comes down steep draws its peg out upward, and hardly holds the cloth sideways.',
  loops: 'The cloth hangs skew under the ridge, and the shorter loop bears more.',
  slack: 'The cloth sags with the ridge: it flaps, holds water, and comes down on who lies there.',
  unlevel: 'Cloth slides and creases toward the lower end; what runs off collects there.',
  taut: 'A flat strap multiplies what lies in the bed: trees, straps and hooks bear several times that weight.',
  'no-tail': 'Rain runs in along the straps or the ridge and drips on who lies there.',
  overlooked: 'What is dead, hung up or loose over a bed comes down in the first gusts. Another tree.',
  high: 'Nobody is to lie higher than they are willing to fall.',
};
const RULED: Readonly<Record<Ruling, string>> = {
  short: 'too short',
  long: 'too long',
  cord: 'not cord enough',
  sign: 'a tree to be left alone',
  weak: 'too weak for the pull',
  pond: 'water stands there',
  'run-off': 'water runs through',
  trees: 'something stands in the way',
  keep: 'ground to keep off',
  overhead: 'something may come down on it',
  backstay: 'nothing holds the back-stay',
};
const GIVES = {
  frees: 'hangs free',
  slides: 'slides along the ridge',
  down: 'gives, and the roof is down',
  drops: 'drops who lies there',
} as const;

/** What is told with the truth, where a number is not all of it; empty where it is. */
export function truthWords(drill: Drill): Phrase {
  const { asked } = drill;
  const name = (id: string): string =>
    asked.form === 'choice' ? (asked.options.find((o) => o.id === id)?.name ?? id) : id;
  switch (drill.kind) {
    case 'first': {
      const { gust } = drill.truths;
      if (gust === null || asked.form !== 'choice') return [];
      return gust === 0
        ? phrase`${capital(name(asked.truth))} has too little even without wind.`
        : phrase`${capital(name(asked.truth))} lets go in a gust of ${amount(gust, 'speed')} at the roof.`;
    }
    case 'wind': {
      const { gives } = drill.truths;
      return [
        gives === null ? 'Nothing lets go before the cloth flaps.' : `${capital(gives.name)} ${GIVES[gives.what]}.`,
      ];
    }
    case 'pair': {
      const out = drill.truths.out.map((o) => `${name(o.id)}: ${listed(o.ruled.map((r) => RULED[r]))}`);
      return [out.length === 0 ? 'The others would do, and come after it.' : `${capital(out.join('. '))}.`];
    }
    case 'fault':
      return [DOES[drill.truths.fault]];
    case 'foot':
      return ['It goes on along the cloth’s own line, so that the panel is pulled along itself.'];
    default:
      return [];
  }
}

/** A number as it is said or true: whole ones as they are, paces to half of one. */
export const answerNumber = (
  { whole, limit }: Pick<Extract<Drill['asked'], { readonly form: 'number' }>, 'whole' | 'limit'>,
  value: number,
  units: UnitChoice,
): string =>
  whole
    ? String(value)
    : limit.quantity === 'count'
      ? String(Math.round(2 * value) / 2)
      : say(value, limit.quantity, units);

/** Factors nearer to one than this are told as a share: nobody says "1.1 times too much". */
const NEARLY = 1.5;

/** How far a guess is off: "Right within 8 %.", "2.7 times too little.", "One too many." */
export function guessWords(drill: Pick<Drill, 'asked'>, guess: Guess): string {
  const { asked } = drill;
  const { error, near } = scoreOf(drill, guess);
  if (asked.form === 'place') {
    const { turned, out } = footOff(asked, guess.said as readonly [number, number]);
    const degrees = Math.round((turned * 180) / Math.PI);
    const way = near ? 'Right' : degrees < 12 ? 'The way is right' : `${degrees}° off its way`;
    const far = out > 1.6 ? ', too far out' : out < 1 / 1.6 ? ', too near' : '';
    return `${way}${near && degrees >= 3 ? ` within ${degrees}°` : ''}${far}.`;
  }
  if (asked.form === 'choice') {
    const right = asked.options.find((o) => o.id === asked.truth)!.name;
    return near ? 'Right.' : `It is ${right}.`;
  }
  if (asked.whole) {
    const off = Number(guess.said) - asked.truth;
    return off === 0 ? 'Right.' : `${capital(counted(Math.abs(off), '', '').trim())} too ${off > 0 ? 'many' : 'few'}.`;
  }
  const times = Math.exp(Math.abs(error!));
  const share = Math.round(100 * (times - 1));
  if (share < 1) return 'Right.';
  const way = error! > 0 ? 'much' : 'little';
  if (times < NEARLY) return near && share <= 15 ? `Right within ${share} %.` : `${share} % too ${way}.`;
  return `${times < 9.5 ? times.toFixed(1) : Math.round(times)} times too ${way}.`;
}

const factor = (x: number): string => (x < 9.5 ? x.toFixed(1) : String(Math.round(x)));
/** How far off guesses are: "off by 1.4 times (1.2 to 1.8, of 23), mostly too little". */
export function offWords({ times, range, bias, count }: Off): string {
  const lean = bias > 1.1 ? ', mostly too much' : bias < 1 / 1.1 ? ', mostly too little' : '';
  return `off by ${factor(times)} times (${factor(range[0])} to ${factor(range[1])}, of ${count})${lean}`;
}

/**
 * What became of somebody between two whiles: "Off by 2.6 times in March, by 1.4 in May: better, as far as guesses can tell."
 * @param then when it began, and how far off they were
 */
export function sinceWords(
  then: { readonly when: string; readonly off: Off },
  now: { readonly when: string; readonly off: Off },
): string {
  const told =
    now.off.range[1] < then.off.range[0]
      ? ': better, as far as guesses can tell'
      : now.off.range[0] > then.off.range[1]
        ? ': worse, as far as guesses can tell'
        : ', which may be chance yet';
  return `Off by ${factor(then.off.times)} times in ${then.when}, by ${factor(now.off.times)} in ${now.when}${told}.`;
}

/** What is told of who says they are so sure: "Of 20 that you were 90 % sure of, 10 were near: you are surer than you are right." */
export function calibrationWords({ sure, count, near, range }: Calibrated): string {
  const told =
    sure > range[1] ? ': you are surer than you are right' : sure < range[0] ? ': you know more than you think' : '';
  return `Of ${count} that you were ${Math.round(100 * sure)} % sure of, ${Math.round(near * count)} ${
    Math.round(near * count) === 1 ? 'was' : 'were'
  } near${told}.`;
}
