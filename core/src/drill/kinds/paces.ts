import { diameterOf } from '../../anchor/index.js';
import { frameOf } from '../../picture/index.js';
import type { Picture, Point, Stroke } from '../../picture/index.js';
import { measuredSpan } from '../../rig/index.js';
import { derive, given } from '../../working/index.js';
import type { Maker } from '../maker.js';
import { SIZE, bare, number, rounded, shares, within } from '../maker.js';

const SPANS = { easy: [0.7, 1.4], hard: [0.5, 3.5] } as const;
/** Who stands there: their height over their brow’s. Drillis and Contini, Body Segment Parameters, 1966: eyes at 0.936 of it. */
const OVER_BROW = 1 / 0.936;

/** How many of one's own paces it is between two trees, beside one of which one stands oneself. */
export const paces: Maker<'paces'> = ({ rig, context }, chance, hard) => {
  const span = rounded(measuredSpan(rig, context.body) * chance.scaled(...within(SPANS, hard)), 3);
  const { pace, brow } = context.body;
  const stature = rounded(brow * OVER_BROW, 3);
  const count = derive(
    { symbol: 'n', title: 'paces between the trees', quantity: 'count', formula: 'n = L / p' },
    [
      given({ symbol: 'L', title: 'span', quantity: 'length' }, span, { kind: 'measured', text: 'as it is drawn' }),
      given({ symbol: 'p', title: 'a pace', quantity: 'length' }, pace, { kind: 'measured', text: 'whose it is' }),
    ],
    (L, p) => L! / p!,
  );
  const halves = rig.trunks.map((t) => diameterOf(t.girth) / 2) as [number, number];
  const draw = (walked: number): Picture => drawn(span, halves, stature, pace, walked);
  return {
    rig: { ...bare(rig), span: { ...rig.span, how: 'tape', tape: span }, hung: [] },
    facts: { pace, stature },
    truths: null,
    shown: { picture: draw(0), upright: 1, hand: null },
    asked: number('paces', count.value),
    figure: count,
    seen: (said) => (said === null ? [draw(1)] : shares().map(draw)),
  };
};

/** Two trees from the side, somebody between them who has walked a share of the way, and a mark for every pace of it. */
function drawn(
  span: number,
  halves: readonly [number, number],
  stature: number,
  pace: number,
  walked: number,
): Picture {
  const tall = 1.5 * stature;
  const frame = frameOf(
    [
      [-0.5, -0.25],
      [span + 0.5, tall],
    ],
    SIZE,
  );
  const trunk = (x: number, half: number): Point[] => [
    [x - half, 0],
    [x - 0.8 * half, tall],
    [x + 0.8 * half, tall],
    [x + half, 0],
  ];
  const at = 0.35 + walked * (span - 0.7);
  const steps = Array.from({ length: Math.floor((walked * span) / pace) }, (_, k): Point[] => {
    const x = (k + 1) * pace;
    return [
      [x, 0],
      [x, -0.16],
    ];
  });
  const strokes: Stroke[] = [
    {
      pen: 'ground',
      rings: [
        [
          [-2, 0],
          [span + 2, 0],
        ],
      ],
      closed: false,
    },
    { pen: 'trunk', rings: [trunk(-halves[0], halves[0]), trunk(span + halves[1], halves[1])], closed: true },
    { pen: 'body', rings: figureAt(at, stature), closed: true },
    ...(steps.length === 0 ? [] : [{ pen: 'now' as const, rings: steps, closed: false }]),
  ];
  return {
    width: frame.width,
    height: frame.height,
    strokes: strokes.map((s) => ({ ...s, rings: s.rings.map((r) => r.map(frame.put)) })),
  };
}

/** Somebody standing, from the side, as shares of their height (Drillis and Contini, 1966: crotch at 0.47, shoulders at 0.82). */
function figureAt(x: number, stature: number): Point[][] {
  const put = ([across, up]: Point): Point => [x + across * stature, up * stature];
  const head = Array.from({ length: 12 }, (_, k): Point => {
    const a = (2 * Math.PI * k) / 12;
    return put([0.055 * Math.cos(a), 0.935 + 0.065 * Math.sin(a)]);
  });
  const body: Point[] = [
    [-0.09, 0.82],
    [0.09, 0.82],
    [0.075, 0.47],
    [0.09, 0],
    [0.02, 0],
    [0, 0.44],
    [-0.02, 0],
    [-0.09, 0],
    [-0.075, 0.47],
  ];
  return [head, body.map(put)];
}
