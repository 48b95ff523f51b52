import { PARTS, betterOf, doubtOf, solveDrawn } from '@rough-bight/core/doubt';
import type { Band, Doubt } from '@rough-bight/core/doubt';
import type { RigFile } from '@rough-bight/core/formats';
import { contextOf } from '@rough-bight/core/formats';
import { tell } from '@rough-bight/core/quantity';
import type { GivenWind, Row } from '@rough-bight/core/rig';
import { betterWords, doubtWords, oftenWords } from '@rough-bight/core/words';

/** Samples a rig in the cases that its judgement found to leave its links least. @param samples rounded up to whole designs */
export function doubtIn(
  file: RigFile,
  rows: readonly Row[],
  samples: number,
  seed: number,
  wind: GivenWind | undefined,
): Doubt {
  const cases = rows.flatMap((r) => r.links.slice(0, 1).map((l) => l.link.caseId));
  const asked = { cases, seed, ...(wind === undefined ? {} : { wind }) };
  return doubtOf([solveDrawn(file.rig, contextOf(file), asked, [...Array(PARTS).keys()])!], samples);
}

const round = (x: number): number => Number(x.toPrecision(4));
const band = ({ low, mid, high }: Band): readonly number[] => [low, mid, high].map(round);

/** Bands are 5, 50 and 95 %. N, m, times, shares. */
export const doubtJson = (d: Doubt, seed: number) => ({
  seed,
  samples: d.samples,
  solved: d.solved,
  unsettled: d.unsettled,
  gives: { chance: round(d.gives.value), sd: round(d.gives.sd) },
  least: band(d.least),
  sag: d.sag === null ? null : band(d.sag),
  lines: d.lines.map((l) => ({ ...l, pitched: band(l.pitched), worst: band(l.worst) })),
  links: d.links.map((l) => ({
    ...l,
    left: band(l.left),
    gives: { chance: round(l.gives.value), sd: round(l.gives.sd) },
    first: round(l.first),
  })),
  unknowns: d.unknowns.map((u) => ({ ...u, share: round(u.share) })),
  converged: d.converged.map((c) => ({ ...c, least: band(c.least), gives: round(c.gives) })),
});

/** The same as lines to read. */
export function doubtText(d: Doubt, seed: number): string[] {
  const { sentence, detail } = doubtWords(d);
  const times = ({ low, high }: Band): string => `${low.toPrecision(2)} to ${high.toPrecision(2)} times`;
  return [
    '',
    `${d.samples} rigs as this one may be, of ${d.solved} solved, seed ${seed}`,
    tell(sentence),
    tell(detail),
    ...d.links
      .filter((l) => l.gives.value > 0)
      .slice(0, 8)
      .map((l) => `${oftenWords(l.gives.value, d.samples).padEnd(18)} ${l.name}, holds ${times(l.left)}`),
    ...betterOf(d).map((b) => `${betterWords(b)}.`),
  ];
}
