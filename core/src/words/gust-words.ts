import type { GustHead, GustPeak } from '../gusting/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, asSubject, capital, phrase } from '../quantity/index.js';

/** So much over what a steady gust makes of it is a snatch, and under so many newtons nobody feels one. */
const SNATCH = 1.15;
const FELT = 20;

/** What minutes of gusts come to: what gives, or is asked most; then what snatches. */
export function gustWords(
  { lines, top }: GustHead,
  peaks: readonly GustPeak[],
  lost: boolean,
): { readonly sentence: Phrase; readonly detail: Phrase } {
  const all = lines.map((l, i) => ({ ...l, peak: peaks[i]!.pull }));
  const share = (l: (typeof all)[number]): number => (l.bears === null ? 0 : l.peak / l.bears);
  const most = all.reduce((a, b) => (share(b) > share(a) ? b : a));
  const over = all.filter((l) => share(l) > 1).length;
  const gust = phrase`gusts up to ${amount(top, 'speed')}`;
  const sentence = lost
    ? phrase`It is thrown about until no part of it can be followed, in ${gust}. Count it as down.`
    : over > 0
      ? phrase`${capital(asSubject(most.weakest!))} gives in ${gust}: it is pulled with ${amount(most.peak, 'force')} and bears ${amount(most.bears!, 'force')}.`
      : share(most) > 0
        ? phrase`No cord, knot or anchor gives in ${gust}. ${capital(asSubject(most.name))} is asked most: ${amount(most.peak, 'force')} of the ${amount(most.bears!, 'force')} it bears.`
        : phrase`Nothing is asked of it in ${gust}.`;
  const more =
    over > 1
      ? phrase`${over - 1 === 1 ? 'One more line is' : `${over - 1} more lines are`} pulled over what holds. `
      : '';
  const snatched = all.filter((l) => l.steady !== null && l.peak > FELT && l.peak > SNATCH * l.steady);
  const worst = snatched.reduce<(typeof all)[number] | null>(
    (a, b) => (a === null || b.peak - b.steady! > a.peak - a.steady! ? b : a),
    null,
  );
  const detail = all.every((l) => l.steady === null)
    ? phrase`A gust that stays finds no rest here: there is nothing to compare with.`
    : worst === null
      ? phrase`No line snatches: a gust that stays asks as much.`
      : phrase`${capital(asSubject(worst.name))} snatches: a gust that stays would pull it with ${amount(worst.steady!, 'force')}, this one with ${amount(worst.peak, 'force')}.`;
  return { sentence, detail: phrase`${more}${detail}` };
}
