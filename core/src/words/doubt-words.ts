import type { Better, Doubt, UnknownKind } from '../doubt/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, phrase } from '../quantity/index.js';

/** "38 in a hundred"; what never happened in the samples may still happen. */
export function oftenWords(chance: number, samples: number): string {
  if (chance <= 0) return `none of ${samples}`;
  if (chance >= 1) return 'every one';
  if (chance < 0.005) return `${Math.round(chance * samples)} of ${samples}`;
  return `${Math.max(1, Math.min(99, Math.round(100 * chance)))} in a hundred`;
}

/** With how many it goes: one loses, several lose. */
const verb = (often: string, one: string, many: string): string => (/^(every one|1 )/.test(often) ? one : many);

/** What sampled rigs come to: how often something gives, and what; then how much what is nearest to giving has left. */
export function doubtWords({ gives, links, least, samples, unsettled }: Doubt): {
  readonly sentence: Phrase;
  readonly detail: Phrase;
} {
  const first = links.reduce<Doubt['links'][number] | null>((a, b) => (b.first > (a?.first ?? 0) ? b : a), null);
  const often = oftenWords(gives.value, samples);
  const what = first === null ? '' : `, most often ${/^an? /.test(first.name) ? '' : 'the '}${first.name}`;
  const restless = unsettled / samples;
  const flaps =
    unsettled === 0 ? phrase`` : phrase` In ${oftenWords(restless, samples)} no rest was found; they count as giving.`;
  if (restless > TOO_MANY)
    return {
      sentence: phrase`No chance can be told: of the rigs that this one may be, ${oftenWords(restless, samples)} ${verb(oftenWords(restless, samples), 'finds', 'find')} no rest.`,
      detail: phrase`Cloth that flaps is not passed. Tighten it, pitch it lower or turn it, and ask again.`,
    };
  return {
    sentence:
      gives.value <= 0
        ? phrase`In none of ${samples} rigs as this one may be does anything give.`
        : phrase`Of the rigs that this one may be, ${often} ${verb(often, 'loses', 'lose')} something${what}.`,
    detail: phrase`What is nearest to giving holds ${amount(least.low, 'ratio')} to ${amount(least.high, 'ratio')} times over, in the middle ${amount(least.mid, 'ratio')}.${flaps}`,
  };
}

/** With a larger share of samples that find no rest nothing is said of chances. Judgement. */
const TOO_MANY = 0.2;

/** What a person can do to know something better. */
const DO: Readonly<Partial<Record<UnknownKind, string>>> = {
  span: 'Tape the span',
  'ridge-pull': 'Hang a known weight on the ridge and measure the dip',
  'ridge-cord': 'Hang-test the ridge cord for its stretch',
  haul: 'Haul once with a spring balance, and learn how your hand pulls',
  relaxing: 'Haul again after twenty minutes and see how much comes in',
  soaking: 'Wet a length of the cord and of the cloth and measure both',
  wind: 'Watch the wind’s signs again for ten minutes',
  shelter: 'Watch the same signs where the roof stands',
  gusts: 'Count how much the gusts go over the mean for ten minutes',
  ground: 'Pull one peg and log what it took',
  'tie-outs': 'Hang a known weight on one tie-out',
  cord: 'Take cord of a known rating, or break a piece off its end',
  grip: 'Load the hitch by hand until it slides',
  'tie-heights': 'Tape how high both ends of the ridge are tied',
  'edge-heights': 'Tape how high its edges hang, or its prop stands',
  feet: 'Tape how far out the feet are that were set by hand',
  hung: 'Weigh what hangs on the line',
  'bed-heights': 'Tape how high both straps are',
  straps: 'Tape the free straps, and again with someone in the bed',
  mass: 'Weigh who lies in it, dressed and with the bedding',
  'bed-cloth': 'Lie in the bed and have someone tape how far it comes down',
};

/** "Pull one peg and log what it took: a third less doubt". */
export function betterWords({ kind, spares }: Better): string {
  const less =
    spares >= 0.45
      ? 'halves the doubt'
      : spares >= 0.29
        ? 'a third less doubt'
        : spares >= 0.21
          ? 'a quarter less doubt'
          : spares >= 0.08
            ? `${spares >= 0.125 ? 'a seventh' : 'a tenth'} less doubt`
            : 'a little less doubt';
  return `${DO[kind] ?? ''}: ${less}`;
}
