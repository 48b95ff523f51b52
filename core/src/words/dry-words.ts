import type { CordWater, DryNight, Lowered } from '../dry/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, asSubject, capital, metres, phrase } from '../quantity/index.js';

const many = (n: number, one: string): string => (n === 1 ? `an ${one}` : `${n} ${one}s`);

/** Who stays dry in a night of rain, and who does not. */
export function dryWords({ hours, wet }: DryNight): { readonly sentence: Phrase; readonly detail: Phrase } {
  const rainy = hours.filter((h) => h.rain >= 0.1);
  if (rainy.length === 0)
    return {
      sentence: phrase`No rain is forecast for these ${hours.length} hours.`,
      detail: phrase`The ground shown is what would stay dry in the wind of each hour.`,
    };
  const least = Math.min(...rainy.map((h) => h.area));
  const detail = phrase`It rains in ${rainy.length} of these ${hours.length} hours. ${amount(least, 'area')} of ground stay dry in the worst of them.`;
  const [first] = [...wet].sort((a, b) => a.worst.dry - b.worst.dry);
  if (first === undefined)
    return {
      sentence:
        hours[0]!.things.length === 0
          ? phrase`Nobody is put under this roof yet.`
          : phrase`All that lies under it stays dry, if the forecast is right.`,
      detail,
    };
  const more = wet.length - 1;
  return {
    sentence: phrase`${capital(asSubject(first.thing.name))} gets wet: rain reaches ${amount(1 - first.worst.dry, 'share')} of it at the worst, in ${many(first.hours, 'hour')}.`,
    detail: phrase`${more === 0 ? '' : more === 1 ? 'So does one more thing. ' : `So do ${more} more. `}${detail}`,
  };
}

/** The side that is to come down, and how far. */
export const lowerWords = ({ side, to }: Lowered): Phrase =>
  side === 'both'
    ? phrase`Lower both edges, to ${metres(to[0])} on the left and ${metres(to[1])} on the right: then nothing gets wet.`
    : phrase`Lower the ${side} edge to ${metres(to[side === 'left' ? 0 : 1])}: then nothing gets wet.`;

/** Where water is to be let off a cord. */
export const cordWords = ({ name, at }: CordWater): Phrase =>
  at === null
    ? phrase`${capital(name)}: water runs in along it, and it is too short for a drip line.`
    : phrase`${capital(name)}: water runs in along it. Tie a drip line ${metres(at)} from the tree, just outside the cloth.`;
