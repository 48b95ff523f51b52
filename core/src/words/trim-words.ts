import type { Phrase } from '../quantity/index.js';
import { amount, capital, metres, phrase } from '../quantity/index.js';
import { SCHOOLS } from '../order/index.js';
import type { Creases, Left, PegMove } from '../trim/index.js';
import { WAYS, liesFlat } from '../trim/index.js';

/** Where the cloth has too much of itself, and what takes it out. */
export function creaseWords({ now, moves }: Creases): Phrase {
  const share = now.area / now.of;
  if (liesFlat(now)) return phrase`It lies flat: no crease that an eye would see.`;
  const where = phrase`Creases take up ${amount(share, 'share')} of the cloth, most of it near the ${now.near}.`;
  return moves.length === 0
    ? phrase`${where} No peg moved by itself takes them out: haul in turn again, or look at the ridge.`
    : phrase`${where} Best: ${moveWords(moves[0]!)}.`;
}

/** A peg moved: which, where to, and what is left of the creases then. @param of the creases now */
export const moveWords = (m: PegMove): Phrase => phrase`the peg of the ${m.name} ${WAYS[m.way]} by ${metres(m.by)}`;

/** Two schools nearer than this leave the same, share. */
const ALIKE = 0.1;

/** What the two schools of order leave of the same guys. */
export function schoolWords(left: readonly Left[]): Phrase {
  const [a, b] = [...left].sort((x, y) => x.creases.area - y.creases.area);
  if (a === undefined || b === undefined) return phrase``;
  if (left.some((l) => !l.settled)) return phrase`One of them finds no rest: nothing is to be told of them.`;
  const flat =
    liesFlat(b.creases) || b.creases.area - a.creases.area < ALIKE * b.creases.area
      ? phrase`Both leave the cloth as flat.`
      : phrase`${capital(SCHOOLS[a.school])} leaves the cloth flatter: ${amount(a.creases.area / a.creases.of, 'share')} in creases, not ${amount(b.creases.area / b.creases.of, 'share')}.`;
  const [even, uneven] = [...left].sort((x, y) => x.uneven - y.uneven);
  return uneven!.uneven - even!.uneven < ALIKE * uneven!.uneven
    ? phrase`${flat} Their guys are as even.`
    : phrase`${flat} ${capital(SCHOOLS[even!.school])} leaves its guys more even.`;
}
