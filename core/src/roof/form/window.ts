import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { SIX, twoFlanks } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem } from './form.js';
import { lineAt, onHitch, overRidge, reach } from './over-ridge.js';

export const window: Form = {
  name: 'gable with a window',
  words:
    'Both flanks down, the middle of one held out by a forked stick: a view, and flicked away when the wind turns.',
  laid: 'As a gable, both long edges pegged; the middle tie-out of the lee one on the stick.',
  reads: ['prop', 'side'],
  either: { of: 'side', label: 'Its window', none: 'in the right flank', some: 'in the left flank' },
  hangs: 'ridge',
  usual: { edges: [0, 0], prop: 0.6 },
  open: 'right',
  wind: 'across',
  windWords: 'its shut flank to it',
  footprint: twoFlanks(SIX),
  plan: withWindow,
};

/**
 * The gable with both flanks down, the middle of one edge swung out and up about the ridge onto a stick. That draws its corners in
 * along the edge until each half of it is as long as it was.
 */
function withWindow(g: Setting): FormPlan {
  const plan = overRidge({ ...g, shape: { ...g.shape, edges: [0, 0] } }, 0, onHitch);
  const left = g.shape.side === 1;
  // the left edge's keys begin with a nought
  const [edge, side] = left ? (['0', 1] as const) : (['1', -1] as const);
  const half = g.length / 2;
  const w = g.width / 2;
  const field = 'shape.prop';
  const height = g.shape.prop;
  const tooHigh = (): FormProblem =>
    new FormProblem(
      field,
      phrase`Over a stick of ${metres(height)} the edge does not reach back to the ground. Take a shorter one.`,
    );
  const top = lineAt(g, g.middle);
  let out = 0;
  for (let k = 0; k < 4; k++) out = reach(w, top, g.ground(g.middle, side * out) + height, field);
  const middle: Vec3 = [g.middle, side * out, g.ground(g.middle, side * out) + height];
  /** Where a corner stands when it is drawn in by so much: its edge to the ridge's end still its own length. */
  const drawnIn = (way: 1 | -1, by: number): Vec3 => {
    const x = g.middle + way * (half - by);
    const drop = lineAt(g, g.middle + way * half) - g.ground(x, 0);
    const level = w * w - by * by - drop * drop;
    if (!(level > 0)) throw tooHigh();
    const y = side * Math.sqrt(level);
    return [x, y, g.ground(x, y)];
  };
  /** How much longer half the edge would have to be than it is. */
  const over = (at: Vec3): number => Math.hypot(at[0] - middle[0], at[1] - middle[1], at[2] - middle[2]) - half;
  const corner = (way: 1 | -1): Vec3 => {
    let [low, high] = [0, half / 2];
    if (over(drawnIn(way, high)) > 0) throw tooHigh();
    for (let k = 0; k < 50; k++) {
      const by = (low + high) / 2;
      if (over(drawnIn(way, by)) > 0) low = by;
      else high = by;
    }
    return drawnIn(way, high);
  };
  const moved = new Map<string, Partial<Key>>([
    [`${edge}0`, { at: corner(-1) }],
    [`${edge}2`, { at: corner(1) }],
    [`${edge}1`, { at: middle, name: 'window', role: { to: 'guy', from: 'rm', stick: true }, optional: true }],
  ]);
  return {
    ...plan,
    // between window and corner the edge lies in two straight pieces, and nothing else holds it
    keys: plan.keys.flatMap((k) => (k.spare === true && k.id.startsWith(edge) ? [] : [{ ...k, ...moved.get(k.id) }])),
  };
}
