import { contextOf } from '@rough-bight/core/formats';
import type { RigFile } from '@rough-bight/core/formats';
import type { Retension } from '@rough-bight/core/pitch';
import { tell } from '@rough-bight/core/quantity';
import { retensionAt, tiedFor, trimOf } from '@rough-bight/core/trim';
import type { AtHour, Trim } from '@rough-bight/core/trim';
import { creaseWords, moveWords, schoolWords } from '@rough-bight/core/words';

/** A roof as hands trim it, and what its lines want at an hour. */
export interface Trimmed extends AtHour {
  readonly trim: Trim;
  readonly again: Retension;
}

export function trimmed(file: RigFile, at: AtHour): Trimmed {
  const tied = tiedFor(file.rig, contextOf(file));
  const again = retensionAt(tied, at);
  return { ...at, again, trim: trimOf(tied)! };
}

const round = (x: number): number => Number(x.toPrecision(4));

/** N, m, shares; waves a second. */
export const trimJson = ({ hours, wet, again, trim }: Trimmed) => ({
  again: {
    hours,
    wet,
    settled: again.settled,
    lines: again.lines.map((l) => ({
      ...l,
      tied: round(l.tied),
      left: round(l.left),
      after: round(l.after),
      by: round(l.by),
    })),
  },
  felt: trim.felt.map((f) => ({
    ...f,
    pull: round(f.pull),
    length: round(f.length),
    aside: round(f.aside),
    waves: round(f.waves),
  })),
  creases: {
    share: round(trim.creases.now.area / trim.creases.now.of),
    near: trim.creases.now.near,
    moves: trim.creases.moves.map(({ key, way, by, left }) => ({ key, way, by, share: round(left.area / left.of) })),
  },
  schools: trim.schools.map(({ school, settled, creases, pulls, uneven, keeps }) => ({
    school,
    settled,
    share: round(creases.area / creases.of),
    uneven: round(uneven),
    keeps: round(keeps),
    pulls: Object.fromEntries(pulls.map((p) => [p.row, round(p.pull)])),
  })),
});

/** The same as lines to read. */
export function trimText({ hours, wet, again, trim }: Trimmed): string[] {
  return [
    '',
    `Hauled in again after ${hours} hours, ${wet ? 'soaked' : 'dry'}`,
    ...(again.settled
      ? again.lines.map(
          (l) =>
            `${l.name.padEnd(28)} ${l.left.toFixed(0).padStart(5)} N of ${l.tied.toFixed(0)} N, take in ${(100 * l.by).toFixed(1)} cm`,
        )
      : ['It finds no rest then: nothing is to be told of it.']),
    '',
    ...trim.felt.map(
      (f) =>
        `${f.name.padEnd(28)} ${f.pull.toFixed(0).padStart(5)} N, a finger puts it ${(100 * f.aside).toFixed(0)} cm aside`,
    ),
    tell(creaseWords(trim.creases)),
    ...trim.creases.moves.slice(1, 3).map((m) => `Or ${tell(moveWords(m))}.`),
    tell(schoolWords(trim.schools)),
  ];
}
