import type { Fall, Ladder, Rung, Turned } from '../ladder/index.js';
import type { Phrase, Quantity } from '../quantity/index.js';
import { amount, asSubject, capital, phrase } from '../quantity/index.js';
import { BEAUFORT, beaufortOf } from '../weather/index.js';

/** "a strong breeze" */
const windWords = (mean: number): string => {
  const { name } = BEAUFORT[beaufortOf(mean)]!;
  return name === 'calm' || name === 'light air' ? name : `a ${name}`;
};

/** What the level of a ladder is. */
export const LEVELS = { wind: 'speed', snow: 'length', rain: 'rain', people: 'mass' } as const satisfies Record<
  Turned['of'],
  Quantity
>;

/** Where on a ladder: "a gust of 6.1 m/s", "0.12 m of snow" or "12 mm of rain". @param level as a rung says it */
export const levelWords = ({ turned }: Pick<Ladder, 'turned'>, level: number): Phrase => {
  const so = amount(level, LEVELS[turned.of]);
  switch (turned.of) {
    case 'wind':
      return phrase`a gust of ${so}`;
    case 'snow':
      return phrase`${so} of snow`;
    case 'rain':
      return phrase`${so} of rain`;
    case 'people':
      return phrase`${so} in the bed`;
  }
};

/** How each thing that is turned up is spoken of. */
interface Spoken {
  /** "in a gust", "under snow", "with so much in the bed". */
  readonly by: string;
  /** Before anything is turned up. */
  readonly none: string;
  /** How it ends where no rest is found, and why. */
  readonly restless: string;
  readonly why: string;
  readonly down: string;
  /** At the top of the ladder. */
  readonly top: string;
}
const NOBODY_UNDER =
  'It is still up at the top of this ladder, as far as is worked out here. Branches are not: nobody is to be under it.';
const SPOKEN: Readonly<Record<Turned['of'], Spoken>> = {
  wind: {
    by: 'in',
    none: 'in still air',
    restless: 'the cloth flaps',
    why: 'cloth that flaps shakes itself loose. ',
    down: 'the roof is down',
    top: NOBODY_UNDER,
  },
  snow: {
    by: 'under',
    none: 'without any snow',
    restless: 'it finds no rest',
    why: '',
    down: 'the roof is down',
    top: NOBODY_UNDER,
  },
  rain: {
    by: 'under',
    none: 'soaked, before more rain falls',
    restless: 'the cloth gives under its water without end',
    why: 'the cloth sinks under its water, and more runs in. ',
    down: 'the roof is down',
    top: 'Push it off from below all the same, and lower an edge: a pool grows.',
  },
  people: {
    by: 'with',
    none: 'with nobody in the bed',
    restless: 'it finds no rest',
    why: '',
    down: 'whoever lies in it falls',
    top: 'What its maker allows comes first.',
  },
};

/** What comes of one thing that gives. */
export function fallWords({ name, lines, gives }: Fall): string {
  const free = lines.length === 0 ? '' : lines.join(', ');
  switch (gives) {
    case 'frees':
      return free === '' ? `${capital(name)} gives: it lies down` : `${capital(name)} gives: ${free} hangs free`;
    case 'slides':
      return `${capital(name)} gives: it slides along the ridge`;
    case 'down':
      return `${capital(name)} gives, and the roof comes down`;
    case 'drops':
      return `${capital(name)} gives, and whoever lies in it falls`;
  }
}

/** What a ladder comes to: what gives first, and when; then what becomes of the rest. */
export function ladderWords(ladder: Ladder): { readonly sentence: Phrase; readonly detail: Phrase } {
  const { turned, rungs, end, at } = ladder;
  const falls = rungs.flatMap((r) => r.falls);
  const first = falls[0];
  const { by, none, restless, why, down, top } = SPOKEN[turned.of];
  const highest = rungs.at(-1)!;
  const sentence =
    first === undefined
      ? end !== 'stands'
        ? phrase`Nothing gives before ${restless}, ${by} ${levelWords(ladder, at!)}.`
        : turned.of === 'rain' && highest.water < NO_POOL
          ? phrase`Rain runs off it: nothing stands on it after ${levelWords(ladder, highest.level)}.`
          : phrase`Nothing gives, up to ${turned.of === 'wind' ? windWords(Infinity) : levelWords(ladder, highest.level)}.`
      : first.at === 0
        ? phrase`${capital(asSubject(first.name))} gives ${none}.`
        : first.mean === null
          ? phrase`${capital(asSubject(first.name))} gives first, ${by} ${levelWords(ladder, first.at)}.`
          : phrase`${capital(asSubject(first.name))} gives first, in ${windWords(first.mean)}: ${levelWords(ladder, first.at)} at the roof.`;
  const more = falls.length - 1;
  const others = more <= 0 ? '' : more === 1 ? 'One more thing follows. ' : `${more} more things follow. `;
  const low = rungs.find((r) => r.grounded);
  const grounds = low === undefined ? '' : phrase`With ${levelWords(ladder, low.level)} it comes down on the ground. `;
  const last: Phrase =
    end === 'stands'
      ? turned.of === 'rain' && highest.water < NO_POOL
        ? phrase``
        : phrase`${top}`
      : end === 'down'
        ? turned.of === 'people'
          ? phrase`${capital(down)}.`
          : phrase`${capital(by)} ${levelWords(ladder, at!)} ${down}.`
        : phrase`From ${levelWords(ladder, at!)} on no rest is found: ${why}Count it as down.`;
  return { sentence, detail: phrase`${others}${grounds}${last}` };
}
/** Less water than this on a roof is wetness, m³. */
const NO_POOL = 1e-4;

/** The last rung of every ladder, whatever stands. */
export const lastRung = (of: Turned['of']): { readonly name: string; readonly said: string } =>
  of === 'people'
    ? { name: 'Get out', said: 'whatever still holds' }
    : { name: 'Leave', said: 'whatever still stands' };

/** What has least left on a rung: "1.1 times over, sewn loop at the first end". */
export const leastWords = ({ least }: Rung): Phrase =>
  least === null ? phrase`no rest found` : phrase`${amount(least.left, 'ratio')} times over: ${least.name}`;
