import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { onDiagonal } from './footprint.js';
import type { Form, FormPlan, Setting } from './form.js';
import { FormProblem } from './form.js';
import { meet } from './meet.js';

export const wedge: Form = {
  name: 'wedge',
  words: 'One high corner, three on the ground: sheds wind from behind.',
  laid: 'One corner to the tree, the opposite one to windward, the other two pegged out and down.',
  reads: [],
  hangs: 'first',
  usual: {},
  open: 'first',
  wind: 'along',
  windWords: 'its low point into it',
  footprint: onDiagonal(0.6),
  plan: oneHighCorner,
};

function oneHighCorner(g: Setting): FormPlan {
  const [l, w] = [g.length / 2, g.width / 2];
  const tie = g.ties[0];
  // a hand's room for the cord between trunk and cloth
  const x0 = tie[0] + 0.3;
  const low = g.ground(x0 + Math.hypot(g.length, g.width) * 0.8, 0);
  const h = tie[2] - low;
  const short = Math.min(g.length, g.width);
  const tooHigh = (): FormProblem =>
    new FormProblem(
      'trunks.0.tieHeight',
      phrase`The high corner cannot be tied over ${metres(short * 0.95)}, or the cloth’s shorter side does not reach the ground. Tie it lower.`,
    );
  if (!(h > 0.2 && h < 0.95 * short)) throw tooHigh();
  const far = Math.sqrt(g.length ** 2 + g.width ** 2 - h * h);
  const left = meet([0, 0], Math.sqrt(g.width ** 2 - h * h), [far, 0], g.length, tooHigh);
  const right = meet([0, 0], Math.sqrt(g.length ** 2 - h * h), [far, 0], g.width, tooHigh);
  const place = (x: number, y: number): Vec3 => [x0 + x, y, g.ground(x0 + x, y)];
  return {
    keys: [
      { id: 'a', name: 'high corner', flat: [-l, -w], at: [x0, 0, tie[2]], role: { to: 'trunk', end: 0 } },
      { id: 'c', name: 'low corner', flat: [l, w], at: place(far, 0), role: { to: 'peg' } },
      { id: 'b', name: 'left corner', flat: [-l, w], at: place(left[0], left[1]), role: { to: 'peg' } },
      { id: 'd', name: 'right corner', flat: [l, -w], at: place(right[0], -right[1]), role: { to: 'peg' } },
    ],
    facets: [
      ['a', 'c', 'b'],
      ['a', 'c', 'd'],
    ],
    ridge: null,
    diagonal: true,
  };
}
