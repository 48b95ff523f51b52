import type { Fall, Ladder, Rung } from '../ladder/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, asSubject, capital, metres, phrase } from '../quantity/index.js';
import { BEAUFORT, beaufortOf } from '../weather/index.js';

/** "a strong breeze" */
const windWords = (mean: number): string => {
  const { name } = BEAUFORT[beaufortOf(mean)]!;
  return name === 'calm' || name === 'light air' ? name : `a ${name}`;
};

/** Where on a ladder: "a gust of 6.1 m/s" or "12 cm of snow". @param level as a rung says it */
export const levelWords = ({ turned }: Ladder, level: number): Phrase =>
  turned.of === 'wind' ? phrase`a gust of ${amount(level, 'speed')}` : phrase`${metres(level)} of snow`;

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
  }
}

/** What a ladder comes to: what gives first, and when; then what becomes of the rest. */
export function ladderWords(ladder: Ladder): { readonly sentence: Phrase; readonly detail: Phrase } {
  const { turned, rungs, end, at } = ladder;
  const falls = rungs.flatMap((r) => r.falls);
  const first = falls[0];
  const wind = turned.of === 'wind';
  const sentence =
    first === undefined
      ? end === 'stands'
        ? phrase`Nothing gives, up to ${wind ? windWords(Infinity) : levelWords(ladder, rungs.at(-1)!.level)}.`
        : phrase`Nothing gives before ${wind ? 'the cloth flaps' : 'it finds no rest'}, in ${levelWords(ladder, at!)}.`
      : first.at === 0
        ? phrase`${capital(asSubject(first.name))} gives ${wind ? 'in still air' : 'without any snow'}.`
        : first.mean === null
          ? phrase`${capital(asSubject(first.name))} gives first, under ${levelWords(ladder, first.at)}.`
          : phrase`${capital(asSubject(first.name))} gives first, in ${windWords(first.mean)}: ${levelWords(ladder, first.at)} at the roof.`;
  const more = falls.length - 1;
  const others = more <= 0 ? '' : more === 1 ? 'One more thing follows. ' : `${more} more things follow. `;
  const last: Phrase =
    end === 'stands'
      ? phrase`It is still up at the top of this ladder, as far as is worked out here. Branches are not: nobody is to be under it.`
      : end === 'down'
        ? phrase`In ${levelWords(ladder, at!)} the roof is down.`
        : phrase`From ${levelWords(ladder, at!)} on no rest is found: ${wind ? 'cloth that flaps shakes itself loose. ' : ''}Count it as down.`;
  return { sentence, detail: phrase`${others}${last}` };
}

/** What has least left on a rung: "1.1 times over, sewn loop at the first end". */
export const leastWords = ({ least }: Rung): Phrase =>
  least === null ? phrase`no rest found` : phrase`${amount(least.left, 'ratio')} times over: ${least.name}`;
