import type { Calibrated, Drill, DrillFacts, DrillKind, Guess, Off } from '../drill/index.js';
import { scoreOf } from '../drill/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, capital, metres, phrase } from '../quantity/index.js';
import { counted } from './budget-words.js';

/** What a kind of drill is called in a list: "How much is in a line". */
export const DRILL_NAMES: Readonly<Record<DrillKind, string>> = {
  pull: 'How much is in a line',
  sag: 'How far a line sags',
  angle: 'What a strap bears',
  wraps: 'How many wraps hold',
  first: 'What lets go first',
  length: 'How much cord to cut',
  paces: 'How many paces',
};

const pot = (mass: number): Phrase => phrase`a pot of ${amount(mass, 'mass')}`;
const QUESTIONS: { readonly [K in DrillKind]: (facts: DrillFacts[K]) => Phrase } = {
  pull: ({ line, span, sag, hung }) =>
    phrase`A ${line} over ${metres(span)}, ${pot(hung)} in its middle: it sags ${metres(sag)} there. How much is in the line?`,
  sag: ({ line, span, hauled, hung }) =>
    phrase`A ${line} over ${metres(span)}, hauled bare to ${amount(hauled, 'force')}, then ${pot(hung)} is hung in its middle. How far does it sag?`,
  angle: ({ bed, load, below }) =>
    phrase`Somebody lies in the ${bed}, ${amount(load, 'force')} on it, and the strap that bears more comes down ${amount(below, 'angle')} below level. How much is in that strap?`,
  wraps: ({ hitch, cord, thick, host, hostThick, off, times }) =>
    phrase`${capital(hitch)} of ${cord}, ${amount(thick, 'diameter')} thick, on ${host} of ${amount(hostThick, 'diameter')}, both wet, pulled ${amount(off, 'angle')} off the line. How many wraps hold ${times === 2 ? 'twice' : `${times} times`} what pulls?`,
  first: ({ gust }) => [gust ? 'The wind rises. What lets go first?' : 'What has least to spare?'],
  length: ({ line, between }) =>
    phrase`The ${line} is ${metres(between)} between its ends. How much cord is cut for it, with wraps, knots, tails and hauling?`,
  paces: ({ span, foot }) =>
    phrase`Heel to toe it is ${counted(Math.round(span / foot), 'foot', 'feet')} of yours between the trees. How many of your paces?`,
};

/** What is asked. */
export const drillQuestion = (drill: Drill): Phrase =>
  (QUESTIONS[drill.kind] as (facts: DrillFacts[DrillKind]) => Phrase)(drill.facts);

/** Factors nearer to one than this are told as a share: nobody says "1.1 times too much". */
const NEARLY = 1.5;

/** How far a guess is off: "Right within 8 %.", "2.7 times too little.", "One too many." */
export function guessWords(drill: Drill, guess: Guess): string {
  const { asked } = drill;
  const { error, near } = scoreOf(drill, guess);
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

/** What is told of who says they are so sure: "Of 20 that you were 90 % sure of, 10 were near: you are surer than you are right." */
export function calibrationWords({ sure, count, near, range }: Calibrated): string {
  const told =
    sure > range[1] ? ': you are surer than you are right' : sure < range[0] ? ': you know more than you think' : '';
  return `Of ${count} that you were ${Math.round(100 * sure)} % sure of, ${Math.round(near * count)} ${
    Math.round(near * count) === 1 ? 'was' : 'were'
  } near${told}.`;
}
