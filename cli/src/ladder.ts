import type { RigFile } from '@rough-bight/core/formats';
import { contextOf } from '@rough-bight/core/formats';
import { ladderOf } from '@rough-bight/core/ladder';
import type { Fall, Ladder, Turned } from '@rough-bight/core/ladder';
import { SNOWS } from '@rough-bight/core/catalogue';
import { BEAUFORT, compassPoint } from '@rough-bight/core/weather';

const round = (x: number, places = 2): number => Number(x.toFixed(places));

/** Wind or snow turned up over a rig. */
export const climb = (file: RigFile, turned: Turned): Ladder => ladderOf(file.rig, contextOf(file), turned)!;

const fallJson = ({ link, name, lines, gives, at, mean, follows }: Fall) => ({
  link,
  name,
  lines,
  gives,
  at: round(at),
  mean: mean === null ? null : round(mean),
  follows,
});

/** A ladder as numbers: gusts at the roof and the mean wind in the open that brings them, m/s, or depths of snow, m. */
export const ladderJson = ({ turned, rungs, end, at }: Ladder) => ({
  of: turned.of,
  ...(turned.of === 'wind'
    ? { from: round((turned.from * 180) / Math.PI, 1), wet: turned.wet }
    : { feel: turned.feel }),
  rungs: rungs.map((r) => ({
    beaufort: r.beaufort,
    level: round(r.level),
    stoodAt: round(r.stoodAt),
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
  unsettled: 'From here on no rest is found: cloth that flaps shakes itself loose. Count it as down, and leave before.',
  down: 'The roof is down. Leave before.',
};

/** The same as lines to read. */
export function ladderText({ turned, rungs, end, at }: Ladder): string[] {
  const say = (level: number): string =>
    turned.of === 'wind' ? `${level.toFixed(1)} m/s` : `${(100 * level).toFixed(0)} cm`;
  const title =
    turned.of === 'wind'
      ? `wind turned up from the ${compassPoint(turned.from, 16)}, ${turned.wet ? 'soaked' : 'dry'}; gusts at the roof`
      : `${SNOWS[turned.feel].name} laid on, relaxed a night; depth on level ground`;
  return [
    '',
    title,
    ...rungs.flatMap(({ beaufort, level, falls, least }) => [
      ...falls.map(
        (f) =>
          `      ${f.follows ? 'then' : `at ${say(f.at)}`} ${f.name} gives: ${f.lines.length > 0 ? `${f.lines.join(', ')} ` : ''}${GIVES[f.gives]}`,
      ),
      `${beaufort === null ? '' : `${String(beaufort).padStart(2)}  ${BEAUFORT[beaufort]!.name.padEnd(16)}`}${say(level).padStart(10)}${least === null ? '' : `  ${least.left.toFixed(1)} times left at the ${least.name}`}`,
    ]),
    `${at === null ? '' : `${say(at)}: `}${ENDS[end]}`,
  ];
}
