import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { flank } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem, upTo } from './form.js';
import { END, lineAt, onHitch } from './over-ridge.js';

export const diamond: Form = {
  name: 'three-sided, laid as a diamond',
  words:
    'Ridge and back at the middles of its edges, outer corners forward as sides, the low triangle in as a floor for kit.',
  laid: 'Counted from the top corner, the second tie-outs on either side on the line; from the bottom corner the second ones pegged as the back; its left and right corners forward.',
  reads: ['awning'],
  either: { of: 'awning', label: 'Its top', none: 'thrown back and tied behind', some: 'drawn out as an awning' },
  hangs: 'ridge',
  usual: { awning: 0.25 },
  open: 'left',
  wind: 'across',
  windWords: 'its back to it',
  footprint: {
    ridge: (r) => Math.hypot(r.length, r.width) / 2,
    covers: (r, h) => [0.3 * r.width, flank(Math.hypot(r.length, r.width) / 2, h)],
    guys: [
      [0, -1],
      [-1, 1],
      [1, 1],
    ],
  },
  plan: asDiamond,
};

/** Sides may differ by so much and the folds still meet, share. Judgement. */
const NEARLY_SQUARE = 0.06;
/** How far an awning hangs below level, rad; steeper sheds water sooner and shuts the view. Judgement: 0.1 to 0.4. */
const DROOP = 0.2;
/** Cloth thrown back lies so far over the back wall, m. */
const OVER = 0.02;

const FLOOR = [
  ['b0', 'bm', 'im'],
  ['bm', 'b1', 'im'],
] as const;

/**
 * The ridge takes the second tie-outs from the top corner on either side, the back is pegged at the second ones from the bottom corner:
 * middles of the edges. Between them is a wall as high as it is wide; what is left and right of it are its sides, folded forward.
 */
function asDiamond(g: Setting): FormPlan {
  const [l, w] = [g.length / 2, g.width / 2];
  if (Math.abs(l - w) > NEARLY_SQUARE * Math.max(l, w))
    throw new FormProblem(
      'pitch.roof',
      phrase`Laid as a diamond it wants a square cloth. Choose a square roof, or another form.`,
    );
  // half of the ridge, and the wall's own height: the cloth from ridge to back
  const r = Math.hypot(l, w) / 2;
  const wall = 2 * r;
  const x = [g.middle - r, g.middle + r] as const;
  const height = (px: number): number => lineAt(g, px) - g.ground(px, 0);
  const top = Math.max(height(x[0]), height(x[1]));
  const most = wall * Math.SQRT1_2;
  if (!(top > 0.3 && top < 0.99 * most))
    throw new FormProblem(
      'trunks.0.tieHeight',
      phrase`From ${metres(top)} its sides do not reach the ground. Lower the ridge to ${upTo(0.98 * most)} or less.`,
    );
  const place = (px: number, y: number): Vec3 => [px, y, g.ground(px, y)];
  const keys: Key[] = [];
  for (const end of [0, 1] as const) {
    const h = height(x[end]);
    const b = Math.sqrt(wall * wall - h * h);
    // as far from the ridge's end as from the back peg: the edge of the cloth from each to the corner
    const edge2 = (wall * wall) / 2;
    const y = (h * h - b * b) / (2 * b);
    const out = Math.sqrt(Math.max(0, edge2 - (y + b) ** 2));
    const way = end === 0 ? -1 : 1;
    keys.push(
      {
        id: `r${end}`,
        name: `${END[end]} end of the ridge`,
        flat: end === 0 ? [0, -w] : [l, 0],
        at: [x[end], 0, lineAt(g, x[end])],
        role: onHitch(end),
      },
      {
        id: `b${end}`,
        name: `${END[end]} back peg`,
        flat: end === 0 ? [-l, 0] : [0, w],
        at: place(x[end], -b),
        role: { to: 'peg', from: 'rm' },
      },
      {
        id: `s${end}`,
        name: `${END[end]} side corner`,
        flat: end === 0 ? [-l, -w] : [l, w],
        at: place(x[end] + way * out, y),
        role: { to: 'peg', from: 'bm' },
      },
    );
  }
  const middle = lineAt(g, g.middle);
  const h = height(g.middle);
  const b = Math.sqrt(wall * wall - h * h);
  const back = place(g.middle, -b);
  const thrown = g.shape.awning <= 0;
  const tip: Vec3 = thrown
    ? [g.middle, -r * (b / wall) - OVER, middle - r * (h / wall) + OVER]
    : [g.middle, r * Math.cos(DROOP), middle - r * Math.sin(DROOP)];
  keys.push(
    { id: 'rm', name: 'ridge middle', flat: [l / 2, -w / 2], at: [g.middle, 0, middle], role: { to: 'fold' } },
    { id: 'bm', name: 'back middle', flat: [-l / 2, w / 2], at: back, role: { to: 'fold' } },
    {
      id: 'fm',
      name: thrown ? 'top corner, thrown back' : 'awning',
      flat: [l, -w],
      at: tip,
      role: { to: 'guy', from: 'rm' },
    },
    {
      id: 'im',
      name: 'corner of the floor',
      flat: [-l, w],
      at: place(g.middle, back[1] + r),
      role: { to: 'peg', from: 'bm' },
    },
  );
  return {
    keys,
    facets: [
      ['r0', 'rm', 'fm'],
      ['rm', 'r1', 'fm'],
      ['r0', 'rm', 'b0'],
      ['rm', 'bm', 'b0'],
      ['rm', 'b1', 'bm'],
      ['rm', 'r1', 'b1'],
      ['r0', 'b0', 's0'],
      ['r1', 's1', 'b1'],
      ...FLOOR,
    ],
    floor: FLOOR,
    ridge: [
      [0, -w],
      [l, 0],
    ],
    diagonal: true,
  };
}
