import { readFileSync } from 'node:fs';
import { GUST_FACTOR, SHELTERS } from '@rough-bight/core/catalogue';
import type { RigFile } from '@rough-bight/core/formats';
import { FileProblem, contextOf, readWindSeries } from '@rough-bight/core/formats';
import { peaksOf, playGusts } from '@rough-bight/core/gusting';
import type { Easing, GustAudit, GustFrames, GustHead, GustPeak } from '@rough-bight/core/gusting';
import { tell } from '@rough-bight/core/quantity';
import { WIND_LAWS, beaufortSpeed, compassPoint, gustyMinute } from '@rough-bight/core/weather';
import type { WindSeries } from '@rough-bight/core/weather';
import { gustWords } from '@rough-bight/core/words';
import { BadInput } from './options.js';

const round = (x: number, places = 1): number => Number(x.toFixed(places));

/** A minute of gusting wind over a rig, played to its end. */
export interface Gusted {
  readonly series: WindSeries;
  readonly from: number;
  readonly wet: boolean;
  readonly easing: Easing;
  readonly head: GustHead;
  readonly peaks: readonly GustPeak[];
  readonly audit: GustAudit;
  readonly lost: boolean;
}

/**
 * The wind that is played: a file's, or a minute made up about the rig's own mean.
 * @throws BadInput naming the file and what is wrong with it
 */
export function seriesFor({ rig }: RigFile, file: string | undefined, seed: number): WindSeries {
  if (file === undefined)
    return gustyMinute(
      beaufortSpeed(rig.wind.beaufort) * SHELTERS[rig.wind.shelter].typical,
      GUST_FACTOR.typical,
      seed,
    );
  try {
    return readWindSeries(readFileSync(file, 'utf8'), file);
  } catch (error) {
    if (error instanceof FileProblem) throw new BadInput(`--series: ${file}, ${error.message}`);
    throw new BadInput(`--series: ${file} cannot be read: ${(error as Error).message}`);
  }
}

const CHUNK = 60;

export function gusted(
  file: RigFile,
  { series, from, wet, easing }: Pick<Gusted, 'series' | 'from' | 'wet' | 'easing'>,
): Gusted {
  const play = playGusts(file.rig, contextOf(file), { from, wet, series, easing });
  const frames: GustFrames[] = [];
  for (;;) {
    const next = play.next(CHUNK);
    if (next === null) break;
    frames.push(next);
  }
  return {
    ...{ series, from, wet, easing },
    head: play.head,
    peaks: peaksOf(play.head, frames),
    audit: play.audit(),
    lost: play.lost(),
  };
}

/** It as numbers: newtons, seconds, joules. */
export const gustsJson = ({ series, from, wet, easing, head, peaks, audit, lost }: Gusted) => ({
  series: series.name,
  from: round((from * 180) / Math.PI),
  wet,
  easing,
  law: head.law,
  top: round(head.top, 2),
  lines: head.lines.map(({ id, name, steady, bears, weakest }, i) => ({
    id,
    name,
    steady: steady === null ? null : round(steady),
    peak: round(peaks[i]!.pull),
    at: round(peaks[i]!.time, 2),
    slack: round(peaks[i]!.slack, 3),
    bears: bears === null ? null : round(bears),
    weakest,
  })),
  energy: { done: round(audit.done, 2), dragged: round(audit.dragged, 2), made: round(audit.made, 3) },
  raised: round(head.raised, 4),
  lost,
});

/** It as lines to read. */
export function gustsText({ series, from, wet, head, peaks, lost }: Gusted): string[] {
  const { sentence, detail } = gustWords(head, peaks, lost);
  const cell = (x: number | null): string =>
    (x === null ? '-' : x.toPrecision(2).includes('e') ? x.toFixed(0) : String(Number(x.toPrecision(2)))).padStart(8);
  return [
    '',
    `gusts from the ${compassPoint(from, 16)}, ${wet ? 'soaked' : 'dry'}, laid on ${WIND_LAWS[head.law].said}: ${series.name}`,
    tell(sentence),
    tell(detail),
    `${'line'.padEnd(34)}${'if it stayed'.padStart(14)}${'peak'.padStart(8)}${'bears'.padStart(8)}   N`,
    ...head.lines.map(
      ({ name, steady, bears }, i) =>
        `${name.padEnd(34)}${cell(steady).padStart(14)}${cell(peaks[i]!.pull)}${cell(bears)}${peaks[i]!.slack > 0.01 ? `   slack ${(100 * peaks[i]!.slack).toFixed(0)} % of the time` : ''}`,
    ),
  ];
}
