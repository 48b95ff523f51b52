import type { Before, Effort, Fares, Handed, Night, NightTask, OtherPitch, Retension } from '../night/index.js';
import type { Phrase, UnitChoice } from '../quantity/index.js';
import { SI, amount, asSubject, capital, metres, phrase, sayHaul, tell } from '../quantity/index.js';
import { PITCH_TRAITS } from '../roof/index.js';
import { compassPoint } from '../weather/index.js';

export const FARES: Readonly<Record<Fares, string>> = {
  holds: 'holds',
  little: 'little to spare',
  gives: 'gives',
  flaps: 'flaps',
};

const WHY: Readonly<Record<Retension['because'], string>> = {
  settled: 'Cord has settled',
  evening: 'Before you sleep',
  rain: 'All is soaked',
};

/** What is to be done, in a line; then how, line by line or in a sentence. */
export function taskWords(task: NightTask, units: UnitChoice = SI): { readonly what: string; readonly how: string } {
  if (task.kind === 'retension') {
    const { because, lines } = task;
    return {
      what: `${WHY[because]}: haul in again`,
      how: `${capital(lines.map((l) => `${l.name} ${sayHaul(l.by, units)}`).join(', '))}.`,
    };
  }
  const { leave, change, effort, worst } = task;
  const gust = tell(phrase`gusts of ${amount(worst.gust, 'speed')}`, units);
  const from = `${gust} from the ${compassPoint(worst.from)}${worst.soaked ? ', all soaked' : ''}`;
  return {
    what: leave
      ? 'Take it down and leave the trees before this'
      : (change !== null && change.rig !== null) || task.others.length > 0
        ? 'Change it before this'
        : 'Take it down or pitch it anew before this',
    how: `${fallsIn(task)} in ${from}.${change === null || leave ? '' : ` ${change.remedy}`}${effort === null || leave ? '' : ` ${effortWords(effort)}`}`,
  };
}

/** How else a roof is pitched, what it bears then and what that asks of hands. */
export function pitchWords({ how, bears, dry, effort }: OtherPitch, units: UnitChoice = SI): string {
  const { windwardDown, ridgeLower, form, flicked } = how;
  const lower = ridgeLower > 0 ? tell(phrase`the ridge ${metres(ridgeLower)} lower`, units) : '';
  const what =
    form !== null
      ? `As ${PITCH_TRAITS[form].name}`
      : flicked
        ? 'With its stick flicked away'
        : windwardDown
          ? `With the windward edge on the ground${lower === '' ? '' : ` and ${lower}`}`
          : `With ${lower}`;
  const then =
    bears === null
      ? 'nothing gives in it'
      : tell(phrase`something first gives in a gust of ${amount(bears, 'speed')}`, units);
  const lain =
    dry === null ? '' : ` In driven rain ${dry.people} of ${dry.of} ${dry.people === 1 ? 'lies' : 'lie'} dry then.`;
  return `${what}: ${then}.${lain} ${effortWords(effort)}`;
}

const fallsIn = ({ fall }: Before): string =>
  fall === null ? 'The cloth flaps' : `${capital(asSubject(fall.name))} gives`;

const TOUCHED: Readonly<Record<Handed['what'], readonly [one: string, many: string]>> = {
  foot: ['1 foot set anew', 'feet set anew'],
  buried: ['1 log or bag dug in', 'logs or bags dug in'],
  brought: ['1 weight brought', 'weights brought'],
  knot: ['1 knot tied anew', 'knots tied anew'],
  haul: ['1 guy hauled', 'guys hauled'],
  'put-on': ['1 guy put on', 'guys put on'],
  'take-off': ['1 guy taken off', 'guys taken off'],
  'ridge-tie': ['1 tie of the ridge', 'ties of the ridge'],
  'ridge-haul': ['1 haul of the ridge', 'hauls of the ridge'],
  hitches: ['both hitches moved', 'rounds of both hitches'],
  turn: ['the cloth turned on its middle, which stays on the line', 'cloths turned'],
  prop: ['1 prop set', 'props set'],
  flick: ['1 stick flicked away', 'sticks flicked away'],
  all: ['1 roof pitched anew', 'roofs pitched anew'],
};

/** What a change asks of hands: "2 feet set anew: about 4 minutes by day, 8 in the dark; one alone does it." */
export function effortWords({ touched, minutes, minutesInDark, alone }: Effort): string {
  if (touched.length === 0) return 'Nothing is to be moved.';
  const counts = new Map<Handed['what'], number>();
  for (const { what } of touched) counts.set(what, (counts.get(what) ?? 0) + 1);
  const list = [...counts].map(([what, n]) => (n === 1 ? TOUCHED[what][0] : `${n} ${TOUCHED[what][1]}`)).join(', ');
  const whole = (m: number): string => (m < 1.5 ? 'a minute' : `${Math.round(m)} minutes`);
  return `${capital(list)}: about ${whole(minutes)} by day, ${whole(minutesInDark)} in the dark; ${alone ? 'one alone does it' : 'it wants two'}.`;
}

/** What a night comes to. */
export function nightWords({ hours, tasks }: Night): Phrase {
  const bad = tasks.filter((t): t is Before => t.kind === 'before');
  const first = bad[0];
  const retension = tasks.length - bad.length;
  const hauls =
    retension === 0
      ? 'nothing to haul in again'
      : retension === 1
        ? 'hauled in again once'
        : `hauled in again ${retension === 2 ? 'twice' : `${retension} times`}`;
  if (first !== undefined) return phrase`It does not get through these ${hours.length} hours as it is.`;
  return hours.some((h) => h.fares === 'little')
    ? phrase`It gets through these ${hours.length} hours with little to spare, ${hauls}, if the forecast is right.`
    : phrase`It gets through these ${hours.length} hours, ${hauls}, if the forecast is right.`;
}
