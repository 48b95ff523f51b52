import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { CORNERS } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem, upTo } from './form.js';
import { END, lineAt, onHitch } from './over-ridge.js';

export const tube: Form = {
  name: 'tube with a floor',
  words: 'Both flanks to the ground and the rest of the cloth back under them as a floor: dry below, for one or two.',
  laid: 'The left edge pegged; a flank in from it the ridge, gathered round pebbles where there is no tie-out; a flank on the right fold pegged; the rest in under it.',
  reads: [],
  hangs: 'ridge',
  usual: {},
  open: null,
  wind: 'across',
  windWords: 'a closed flank to it',
  footprint: {
    ridge: (r) => r.length,
    covers: (r, h) => [floorOf(r.width, h) / 2, floorOf(r.width, h) / 2],
    guys: CORNERS,
  },
  plan: withFloor,
};

/** Width of floor that is left under a ridge: two flanks alike and the floor are the cloth, f = (W² − 4 h²) / 2 W. */
const floorOf = (width: number, height: number): number =>
  Math.max(0, (width * width - 4 * height * height) / (2 * width));
/** The narrowest floor that one lies on, m. Judgement: shoulders and a hand’s room. */
const NARROWEST = 0.7;

function withFloor(g: Setting): FormPlan {
  const half = g.length / 2;
  const w = g.width / 2;
  const x = [g.middle - half, g.middle + half] as const;
  const height = (end: 0 | 1): number => lineAt(g, x[end]) - g.ground(x[end], 0);
  const floor = floorOf(g.width, Math.max(height(0), height(1)));
  if (!(floor > NARROWEST))
    throw new FormProblem(
      'trunks.0.tieHeight',
      phrase`From ${metres(Math.max(height(0), height(1)))} no floor is left that one lies on. Lower the ridge to ${upTo(Math.sqrt(w * (w - NARROWEST)))} or less.`,
    );
  const flank = (g.width - floor) / 2;
  const place = (px: number, y: number): Vec3 => [px, y, g.ground(px, y)];
  const keys: Key[] = [];
  // a lower end stands its flanks out a little less than they reach: slack, never stretched
  const half0 = (end: 0 | 1): number => Math.min(floor / 2, Math.sqrt(Math.max(0, flank * flank - height(end) ** 2)));
  for (const end of [0, 1] as const) {
    const s = end === 0 ? -half : half;
    const y = half0(end);
    keys.push(
      {
        id: `r${end}`,
        name: `${END[end]} end`,
        flat: [s, w - flank],
        at: [x[end], 0, lineAt(g, x[end])],
        role: onHitch(end),
      },
      {
        id: `l${end}`,
        name: `${END[end]} left corner`,
        flat: [s, w],
        at: place(x[end], y),
        role: { to: 'peg', from: 'rm' },
      },
      {
        id: `g${end}`,
        name: `${END[end]} right edge of the floor`,
        flat: [s, w - 2 * flank],
        at: place(x[end], -y),
        role: { to: 'peg', from: 'rm' },
      },
      {
        id: `i${end}`,
        name: `${END[end]} left edge of the floor`,
        flat: [s, -w],
        at: place(x[end], y - 0.02),
        role: { to: 'peg', from: 'rm' },
      },
    );
  }
  keys.push({
    id: 'rm',
    name: 'ridge middle',
    flat: [0, w - flank],
    at: [g.middle, 0, lineAt(g, g.middle)],
    role: { to: 'fold' },
  });
  const floorPieces = [
    ['g0', 'i0', 'i1'],
    ['g0', 'i1', 'g1'],
  ] as const;
  const side = Math.min(half0(0), half0(1));
  for (const [id, name, t, y] of [
    ['l1m', 'left middle', w, side],
    ['i1m', 'middle of the floor’s left edge', -w, side - 0.02],
  ] as const)
    keys.push({
      id,
      name,
      flat: [0, t],
      at: place(g.middle, y),
      role: { to: 'peg', from: 'rm' },
      optional: true,
    });
  return {
    keys,
    facets: [
      ['rm', 'r0', 'l0'],
      ['rm', 'l0', 'l1'],
      ['rm', 'l1', 'r1'],
      ['rm', 'r0', 'g0'],
      ['rm', 'g0', 'g1'],
      ['rm', 'g1', 'r1'],
      ...floorPieces,
    ],
    floor: floorPieces,
    ridge: [
      [-half, w - flank],
      [half, w - flank],
    ],
    diagonal: false,
  };
}
