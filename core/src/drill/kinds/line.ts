import { diameterOf } from '../../anchor/index.js';
import { frameOf } from '../../picture/index.js';
import type { Frame, Picture, Point, Stroke } from '../../picture/index.js';
import { evaluateRidge, hauledTo, measuredSpan } from '../../rig/index.js';
import type { RidgeResult, RidgeRig } from '../../rig/index.js';
import type { Chance } from '../chance.js';
import type { ByHand, Shown } from '../drill.js';
import type { DrillSource, Maker } from '../maker.js';
import { SAID_LIMITS, SIZE, bare, lastOf, number, rounded, shares, within } from '../maker.js';

/** In the first drills a line is hauled as it mostly is, N; in the hardest from slack to what hardly holds. */
const HAULS = { easy: [100, 300], hard: [25, 900] } as const;
/** What hangs in the middle of it, kg. */
const HUNG = { easy: [0.5, 2], hard: [0.3, 12] } as const;
/** How many times over its own span it goes. */
const SPANS = { easy: [0.9, 1.1], hard: [0.6, 1.5] } as const;

interface Line {
  readonly rig: RidgeRig;
  readonly result: RidgeResult;
  readonly span: number;
  readonly hung: number;
  readonly hauled: number;
}

/** A rig's line by itself over another span, hauled to something else, with something else hung in its middle. */
function lineOf({ rig, context }: DrillSource, chance: Chance, hard: number): Line {
  const times = chance.scaled(...within(SPANS, hard));
  const span = rounded(measuredSpan(rig, context.body) * times, 2);
  const hauled = rounded(chance.scaled(...within(HAULS, hard)), 2);
  const mass = rounded(chance.scaled(...within(HUNG, hard)), 2);
  const line: RidgeRig = {
    ...hauledTo({ ...bare(rig), span: { ...rig.span, how: 'tape', tape: span } }, hauled),
    hung: [{ id: 'load', name: 'a pot', mass, wetMass: mass, area: 0, at: rounded(span / 2, 3) }],
  };
  return { rig: line, result: evaluateRidge(line, context), span, hung: mass, hauled };
}

/** What is upright is drawn so many times as large: a true sag is a hair. */
const UPRIGHT = 3;
/** A pot and how far its bail hangs under the line, m. */
const POT = { wide: 0.22, high: 0.18, under: 0.1 } as const;
/** Pictures are at least so high. */
const LOW = 170;
/** Trunks above their ties, and how much of them is seen below, m. */
const TRUNK = [0.6, 0.9] as const;

/** Draws a line with what hangs from it, sagging so many times as far as it truly does. */
function drawsOf({ rig, result, span }: Line): { readonly frame: Frame; readonly draw: (times: number) => Picture } {
  const { points, ends, loads } = result.shapes[0]!;
  const deep = UPRIGHT;
  const at = (x: number, z: number): Point => [x, deep * z];
  const chord = (x: number): number => ends[0][2] + ((ends[1][2] - ends[0][2]) * x) / span;
  const lowest = Math.max(1.6 * result.sag.value, TRUNK[1] / deep);
  const corners = [at(-0.4, TRUNK[0] / deep + Math.max(0, result.rise)), at(span + 0.4, -lowest - POT.high / deep)];
  // as wide as pictures are, and only as high as it takes
  const high = (SIZE[0] * (corners[0]![1] - corners[1]![1])) / (span + 0.8);
  const frame = frameOf(corners, [SIZE[0], Math.min(SIZE[1], Math.max(LOW, high + 40))]);
  const trunk = (x: number, i: 0 | 1): Point[] => {
    const half = Math.max(0.05, diameterOf(rig.trunks[i].girth) / 2);
    const up = deep * ends[i][2] + TRUNK[0];
    const down = -deep * lowest - 2;
    return [
      [x - half, down],
      [x - half, up],
      [x + half, up],
      [x + half, down],
    ];
  };
  const draw = (times: number): Picture => {
    const line: Point[] = [];
    for (let k = 0; k < points.length; k += 4) {
      const x = points[k]!;
      line.push(at(x, chord(x) + times * (points[k + 2]! - chord(x))));
    }
    const [x, , z] = loads[0]!;
    const hook = deep * (chord(x) + times * (z - chord(x)));
    const pot: Point[] = [
      [x - POT.wide / 2, hook - POT.under],
      [x + POT.wide / 2, hook - POT.under],
      [x + POT.wide / 2, hook - POT.under - POT.high],
      [x - POT.wide / 2, hook - POT.under - POT.high],
    ];
    const strokes: Stroke[] = [
      { pen: 'trunk', rings: [trunk(0, 0), trunk(span, 1)], closed: true },
      { pen: 'guide', rings: [[at(0, ends[0][2]), at(span, ends[1][2])]], closed: false },
      { pen: 'line', rings: [line], closed: false },
      { pen: 'line', rings: [[pot[0]!, [x, hook], pot[1]!]], closed: false },
      { pen: 'body', rings: [pot], closed: true },
    ];
    return {
      width: frame.width,
      height: frame.height,
      strokes: strokes.map((s) => ({ ...s, rings: s.rings.map((r) => r.map(frame.put)) })),
    };
  };
  return { frame, draw };
}

/** The arrow is drawn so far over the line. */
const OVER = 22;
/** Pull at the tail of an arrow, N, and how much of the picture is ten times as much: from 10 N to 10 kN it is all in it. */
const LEAST = 10;
const TENFOLD = 170;

function shownOf(line: Line, hand: 'arrow' | 'drop'): Shown & { readonly draw: (times: number) => Picture } {
  const { frame, draw } = drawsOf(line);
  const { ends } = line.result.shapes[0]!;
  const [a, b] = ends.map((e): Point => frame.put([e[0], UPRIGHT * e[2]])) as [Point, Point];
  const middle: Point = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const on: ByHand =
    hand === 'drop'
      ? { form: 'drop', ends: [a, b], middle, metre: UPRIGHT * frame.scale }
      : { form: 'arrow', from: [a[0], a[1] - OVER], toward: [1, 0], least: LEAST, tenfold: TENFOLD };
  // where its sag is asked for it is seen as it was hauled: straight
  return { picture: draw(hand === 'drop' ? 0 : 1), upright: UPRIGHT, hand: on, draw };
}

/** Times the sag that a guess comes to, and those between it and the truth. */
const moved = (draw: (times: number) => Picture, begin: number): readonly Picture[] =>
  shares().map((s) => draw(begin + (1 - begin) * s));
const MOST_TIMES = 2.5;

/** How much is in a line that is seen to sag: by moments about its middle, so much more as it sags less. */
export const pull: Maker<'pull'> = (source, chance, hard) => {
  const line = lineOf(source, chance, hard);
  const { rig, result, span, hung } = line;
  const { tension, sag } = result;
  const { draw, ...shown } = shownOf(line, 'arrow');
  return {
    rig,
    facts: { line: 'ridgeline', span, sag: sag.value, hung },
    truths: null,
    shown,
    asked: number('pull', tension.value),
    figure: tension,
    // with what was said in it, the same pot would hang so deep
    seen: (said) =>
      typeof said === 'number' ? moved(draw, Math.min(MOST_TIMES, tension.value / said)) : lastOf(moved(draw, 1)),
  };
};

/** How far a line sags that is hauled to a tension. */
export const sag: Maker<'sag'> = (source, chance, hard) => {
  const line = lineOf(source, chance, hard);
  const { rig, result, span, hung, hauled } = line;
  if (!(result.sag.value >= SAID_LIMITS.sag.min)) return null;
  const { draw, ...shown } = shownOf(line, 'drop');
  return {
    rig,
    facts: { line: 'ridgeline', span, hauled, hung },
    truths: null,
    shown,
    asked: number('sag', result.sag.value),
    figure: result.sag,
    seen: (said) =>
      typeof said === 'number' ? moved(draw, Math.min(MOST_TIMES, said / result.sag.value)) : lastOf(moved(draw, 1)),
  };
};
