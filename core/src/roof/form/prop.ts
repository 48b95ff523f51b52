import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { flat } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem } from './form.js';
import { meet } from './meet.js';
import { SIDE } from './over-ridge.js';

export const prop: Form = {
  name: 'single prop with a beak',
  words: 'Stands on one stick a third of the way from the front, without trees.',
  laid: 'Back edge pegged, to windward; the stick under the tie-out a third of the length from the front; sides, front corners, then the beak.',
  reads: ['prop'],
  hangs: 'alone',
  usual: { prop: 1.2 },
  open: 'second',
  wind: 'along',
  windWords: 'its back into it',
  footprint: flat([
    [-1, -1],
    [-1, 1],
    [1, 0],
  ]),
  plan: onOneProp,
};

/** One prop under the cloth a third of its length from the front; back edge and corners pegged, the front a beak. */
function onOneProp(g: Setting): FormPlan {
  const half = g.length / 2;
  const w = g.width / 2;
  const h = g.shape.prop;
  const toBack = (2 * g.length) / 3;
  const toFront = g.length / 3;
  const say = (): FormProblem =>
    new FormProblem(
      'shape.prop',
      phrase`A prop of ${metres(h)} is too high for this cloth: at most ${metres(0.93 * Math.min(w, toBack))}.`,
    );
  if (!(h > 0.2 && h < 0.95 * Math.min(w, toBack))) throw say();
  const s = half - toFront;
  const place = (x: number, y: number): Vec3 => [g.middle + s + x, y, g.ground(g.middle + s + x, y)];
  const back = -Math.sqrt(toBack * toBack - h * h);
  // feet of the sides: as far from the back corner as in the cloth, as far from the prop as a side's slope allows
  const outer = (p: [number, number], a: number, q: [number, number], b: number): [number, number] => {
    const [one, two] = [meet(p, a, q, b, say), meet(q, b, p, a, say)];
    return one[0] > two[0] ? one : two;
  };
  const [sx, sy] = outer([0, 0], Math.sqrt(w * w - h * h), [back, w], toBack);
  const frontPlan = Math.sqrt(toFront ** 2 + w * w - h * h);
  const [fx, fy] = outer([sx, sy], toFront, [0, 0], frontPlan);
  const apex = place(0, 0);
  const peak: Vec3 = [apex[0], apex[1], apex[2] + h];
  // the beak: in the middle plane, a third of the length from the prop and half a width from each corner
  const r2 = w * w - fy * fy;
  let beak: Vec3 = [peak[0] + toFront * 0.9, 0, peak[2] - toFront * Math.sqrt(1 - 0.81)];
  if (r2 > 0) {
    const d = Math.hypot(fx, h);
    const r = Math.sqrt(r2);
    const along = (toFront ** 2 - r * r + d * d) / (2 * d);
    const off = toFront ** 2 - along * along;
    if (off > 0) {
      const [ux, uz] = [fx / d, -h / d];
      const k = Math.sqrt(off);
      beak = [peak[0] + along * ux - k * uz * 0.98, 0, peak[2] + along * uz + k * ux * 0.98];
    }
  }
  const keys: Key[] = [
    { id: 'p', name: 'top of the prop', flat: [s, 0], at: peak, role: { to: 'prop', sticks: 1 } },
    { id: 'bm', name: 'back middle', flat: [-half, 0], at: place(back, 0), role: { to: 'peg' }, optional: true },
    { id: 'fm', name: 'beak', flat: [half, 0], at: beak, role: { to: 'guy', from: 'p' } },
  ];
  const facets: [string, string, string][] = [];
  for (const k of [0, 1] as const) {
    const y = k === 0 ? 1 : -1;
    keys.push(
      {
        id: `${k}b`,
        name: `back ${SIDE[k]} corner`,
        flat: [-half, y * w],
        at: place(back, y * w),
        role: { to: 'peg' },
      },
      { id: `${k}s`, name: `${SIDE[k]} side`, flat: [s, y * w], at: place(sx, y * sy), role: { to: 'peg' } },
      { id: `${k}f`, name: `front ${SIDE[k]} corner`, flat: [half, y * w], at: place(fx, y * fy), role: { to: 'peg' } },
    );
    facets.push(['p', 'bm', `${k}b`], ['p', `${k}b`, `${k}s`], ['p', `${k}s`, `${k}f`], ['p', `${k}f`, 'fm']);
  }
  return { keys, facets, ridge: null, diagonal: false };
}
