import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { flank } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem, upTo } from './form.js';
import { END, hung, lineAt, onHitch } from './over-ridge.js';

export const threesided: Form = {
  name: 'three-sided',
  words:
    'Back pegged with a strip of cloth as floor, front corners folded in, the front’s middle drawn out to a triangle.',
  laid: 'The short edges’ tie-outs nearest the front on the line; the back edge pegged a strip in, front corners folded in and down, the middle of the front drawn out.',
  reads: ['flap'],
  hangs: 'ridge',
  usual: { flap: 0.3 },
  open: 'left',
  wind: 'across',
  windWords: 'its back to it',
  footprint: {
    ridge: (r) => r.length,
    covers: (r, h) => [flank(0.35 * r.width, h), flank(0.55 * r.width, h)],
    guys: [
      [0, -1],
      [-1, 1],
      [1, 1],
    ],
  },
  plan: threeSides,
};

/** How far the front corners of the three-sided form are turned in from straight out, rad. Judgement: a high front, walls not too loose. */
const FOLD_IN = 1.05;

/** Back to the ground with a strip inside, front corners folded down beside the ends, the front's middle drawn out. */
function threeSides(g: Setting): FormPlan {
  const half = g.length / 2;
  const flap = Math.min(g.shape.flap, 0.2 * g.width);
  const x = [g.middle - half, g.middle + half] as const;
  const top = Math.max(lineAt(g, x[0]) - g.ground(x[0], 0), lineAt(g, x[1]) - g.ground(x[1], 0));
  // what is left is shared so that the front corners just reach the ground at a slant
  const front = top * 1.15;
  const back = g.width - flap - front;
  const field = 'trunks.0.tieHeight';
  if (!(back > top * 1.02))
    throw new FormProblem(
      field,
      phrase`The cloth is too narrow to fold three sides from ${metres(top)}. Lower the ridge to ${upTo((g.width - flap) / 2.2)} or less.`,
    );
  const ridgeT = g.width / 2 - front;
  const y = hung(g, g.middle, -1, back, 0, field)[1];
  const keys: Key[] = [];
  const facets: [string, string, string][] = [];
  for (const end of [0, 1] as const) {
    const s = end === 0 ? -half : half;
    const foot = hung(g, x[end], -1, back, 0, field);
    const inside: Vec3 = [x[end], foot[1] + flap, g.ground(x[end], foot[1] + flap)];
    // the front corner is folded in toward the middle, which lets the front's middle rise
    const room = Math.sqrt(Math.max(0, front * front - (lineAt(g, x[end]) - g.ground(x[end], 0)) ** 2));
    const cx = x[end] + (end === 0 ? 1 : -1) * Math.sin(FOLD_IN) * room;
    const cy = Math.cos(FOLD_IN) * room;
    keys.push(
      {
        id: `r${end}`,
        name: `${END[end]} end of the ridge`,
        flat: [s, ridgeT],
        at: [x[end], 0, lineAt(g, x[end])],
        role: onHitch(end),
      },
      { id: `b${end}`, name: `${END[end]} back corner`, flat: [s, -g.width / 2 + flap], at: foot, role: { to: 'peg' } },
      {
        id: `f${end}`,
        name: `${END[end]} front corner`,
        flat: [s, g.width / 2],
        at: [cx, cy, g.ground(cx, cy)],
        role: { to: 'peg' },
      },
    );
    if (flap > 0.03)
      keys.push({
        id: `i${end}`,
        name: `${END[end]} corner of the floor strip`,
        flat: [s, -g.width / 2],
        at: inside,
        role: { to: 'peg', from: 'bm' },
      });
  }
  // the middle of the front: drawn forward, as high as its edges let it
  const corner = keys.find((k) => k.id === 'f1')!.at;
  const mid = lineAt(g, g.middle);
  let beak: Vec3 = [g.middle, front, mid];
  for (let tilt = 0; tilt <= 45; tilt++) {
    const a = (tilt * Math.PI) / 90;
    beak = [g.middle, front * Math.cos(a), mid - front * Math.sin(a)];
    if (Math.hypot(beak[0] - corner[0], beak[1] - corner[1], beak[2] - corner[2]) <= half) break;
  }
  keys.push(
    { id: 'rm', name: 'ridge middle', flat: [0, ridgeT], at: [g.middle, 0, mid], role: { to: 'fold' } },
    { id: 'fm', name: 'front triangle', flat: [0, g.width / 2], at: beak, role: { to: 'guy', from: 'rm' } },
    {
      id: 'bm',
      name: 'back middle',
      flat: [0, -g.width / 2 + flap],
      at: [g.middle, y, g.ground(g.middle, y)],
      role: { to: 'peg' },
      optional: true,
    },
  );
  facets.push(['r0', 'rm', 'f0'], ['rm', 'fm', 'f0'], ['rm', 'r1', 'f1'], ['rm', 'f1', 'fm']);
  facets.push(['r0', 'b0', 'rm'], ['rm', 'b0', 'bm'], ['rm', 'bm', 'b1'], ['rm', 'b1', 'r1']);
  const floor: [string, string, string][] =
    flap > 0.03
      ? [
          ['b0', 'i0', 'bm'],
          ['bm', 'i0', 'i1'],
          ['bm', 'i1', 'b1'],
        ]
      : [];
  return {
    keys,
    facets: [...facets, ...floor],
    floor,
    ridge: [
      [-half, ridgeT],
      [half, ridgeT],
    ],
    diagonal: false,
  };
}
