import type { RigFile } from '@rough-bight/core/formats';
import { contextOf } from '@rough-bight/core/formats';
import { ladderOf } from '@rough-bight/core/ladder';
import type { Fall, Ladder } from '@rough-bight/core/ladder';
import { BEAUFORT, compassPoint } from '@rough-bight/core/weather';

const round = (x: number, places = 2): number => Number(x.toFixed(places));

/** The wind turned up over a rig from one side. @param from bearing, rad; the rig's own wind where left out */
export const climb = (file: RigFile, from: number | null, wet: boolean): Ladder =>
  ladderOf(file.rig, contextOf(file), { from: from ?? file.rig.pitch!.windFrom, wet })!;

const fallJson = ({ link, name, lines, gives, gust, mean, follows }: Fall) => ({
  link,
  name,
  lines,
  gives,
  gust: round(gust),
  mean: round(mean),
  follows,
});

/** A ladder as numbers: gusts at the roof and the mean wind in the open that brings them, m/s. */
export const ladderJson = ({ wind, rungs, end, at }: Ladder) => ({
  from: round((wind.from * 180) / Math.PI, 1),
  wet: wind.wet,
  rungs: rungs.map((r) => ({
    beaufort: r.beaufort,
    gust: round(r.gust),
    falls: r.falls.map(fallJson),
    least: r.least === null ? null : { ...r.least, left: round(r.least.left) },
  })),
  end,
  at: at === null ? null : round(at),
});

const GIVES: Readonly<Record<Fall['gives'], string>> = {
  frees: 'hangs free',
  slides: 'slides along the ridge',
  down: 'and with it the roof comes down',
};
const ENDS: Readonly<Record<Ladder['end'], string>> = {
  stands: 'It is up at the top of the ladder; nobody should be under it there. Leave long before.',
  flaps: 'The cloth finds no rest from here on: it flaps itself loose. Leave before.',
  down: 'The roof is down. Leave before.',
};

/** The same as lines to read. */
export function ladderText({ wind, rungs, end }: Ladder): string[] {
  return [
    '',
    `wind turned up from the ${compassPoint(wind.from, 16)}, ${wind.wet ? 'soaked' : 'dry'}; gusts at the roof`,
    ...rungs.flatMap(({ beaufort, gust, falls, least }) => [
      ...falls.map(
        (f) =>
          `      ${f.follows ? 'then' : `at ${f.gust.toFixed(1)} m/s`} ${f.name} gives: ${f.lines.length > 0 ? `${f.lines.join(', ')} ` : ''}${GIVES[f.gives]}`,
      ),
      `${String(beaufort).padStart(2)}  ${BEAUFORT[beaufort]!.name.padEnd(16)}${gust.toFixed(1).padStart(6)} m/s${least === null ? '' : `  ${least.left.toFixed(1)} times left at the ${least.name}`}`,
    ]),
    ENDS[end],
  ];
}
