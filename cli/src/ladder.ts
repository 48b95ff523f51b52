import type { RigFile } from '@rough-bight/core/formats';
import { contextOf } from '@rough-bight/core/formats';
import { ladderOf } from '@rough-bight/core/ladder';
import type { Fall, Ladder, Turned } from '@rough-bight/core/ladder';
import { SNOWS } from '@rough-bight/core/catalogue';
import { SI, say as show } from '@rough-bight/core/quantity';
import { BEAUFORT, compassPoint } from '@rough-bight/core/weather';
import { LEVELS, lastRung } from '@rough-bight/core/words';

const round = (x: number, places = 2): number => Number(x.toFixed(places));

/** Something turned up over a rig. */
export const climb = (file: RigFile, turned: Turned): Ladder => ladderOf(file.rig, contextOf(file), turned)!;

const fallJson = ({ link, name, lines, gives, at, mean, follows }: Fall) => ({
  link,
  name,
  lines,
  gives,
  at: round(at, 3),
  mean: mean === null ? null : round(mean),
  follows,
});

/**
 * A ladder as numbers: gusts at the roof and the mean wind in the open that brings them, m/s; depths of snow or rain, m, with the water
 * that then stands on the roof, m³; masses in the bed, kg. */
export const ladderJson = ({ turned, rungs, end, at }: Ladder) => ({
  of: turned.of,
  ...(turned.of === 'wind'
    ? { from: round((turned.from * 180) / Math.PI, 1), wet: turned.wet }
    : turned.of === 'snow'
      ? { feel: turned.feel }
      : {}),
  rungs: rungs.map((r) => ({
    beaufort: r.beaufort,
    level: round(r.level, 3),
    stoodAt: round(r.stoodAt, 3),
    ...(turned.of === 'rain' ? { water: round(r.water, 4) } : {}),
    falls: r.falls.map(fallJson),
    least: r.least === null ? null : { ...r.least, left: round(r.least.left) },
  })),
  end,
  at: at === null ? null : round(at, 3),
});

const GIVES: Readonly<Record<Fall['gives'], string>> = {
  frees: 'hangs free',
  slides: 'slides along the ridge',
  down: 'and with it the roof comes down',
  drops: 'whoever lies in it falls',
};
const ENDS: Readonly<Record<Ladder['end'], string>> = {
  stands: 'It is up at the top of the ladder. Leave long before.',
  unsettled: 'From here on no rest is found. Count it as down, and leave before.',
  down: 'It is down. Leave before.',
};

function titleOf(turned: Turned): string {
  switch (turned.of) {
    case 'wind':
      return `wind turned up from the ${compassPoint(turned.from, 16)}, ${turned.wet ? 'soaked' : 'dry'}; gusts at the roof`;
    case 'snow':
      return `${SNOWS[turned.feel].name} laid on, relaxed a night; depth on level ground`;
    case 'rain':
      return 'rain on the soaked rig, ten hours on; what has fallen at once';
    case 'people':
      return 'who lies in the bed, in still air; each with clothes and bedding';
  }
}

/** The same as lines to read. */
export function ladderText({ turned, rungs, end, at }: Ladder): string[] {
  const say = (level: number): string => show(level, LEVELS[turned.of], SI);
  const last = lastRung(turned.of);
  return [
    '',
    titleOf(turned),
    ...rungs.flatMap(({ beaufort, level, falls, least }) => [
      ...falls.map(
        (f) =>
          `      ${f.follows ? 'then' : `at ${say(f.at)}`} ${f.name} gives: ${f.lines.length > 0 ? `${f.lines.join(', ')} ` : ''}${GIVES[f.gives]}`,
      ),
      `${beaufort === null ? '' : `${String(beaufort).padStart(2)}  ${BEAUFORT[beaufort]!.name.padEnd(16)}`}${say(level).padStart(10)}${least === null ? '' : `  ${least.left.toFixed(1)} times left at the ${least.name}`}`,
    ]),
    `${at === null ? '' : `${say(at)}: `}${ENDS[end]}`,
    `${last.name}, ${last.said}.`,
  ];
}
