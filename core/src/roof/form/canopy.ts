import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { CORNERS, flat } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem } from './form.js';
import { END, SIDE } from './over-ridge.js';

export const canopy: Form = {
  name: 'four corners high',
  words: 'No ridge: four corners up on trees or sticks, one side lower. Over a bench, a bed, a kitchen.',
  laid: 'Its four corners, and nothing else; the lower side to windward, where the water leaves.',
  reads: ['edges', 'lift'],
  hangs: 'alone',
  usual: { edges: [1.9, 1.4], lift: 0 },
  open: null,
  wind: 'any',
  windWords: 'flat cloth takes wind from any side',
  footprint: flat(CORNERS),
  plan: fourHigh,
};

/** Least that one side is lower, share of the width, so that water leaves a roof whose middle is not raised. Judgement: 0.05 to 0.15. */
const RUNS_OFF = 0.08;

/**
 * A tilted sheet between four corners, its middle raised or not. Sides keep their length across; a raised middle draws the corners in
 * along the sheet, by as much as keeps each one's distance from it.
 */
function fourHigh(g: Setting): FormPlan {
  const [l, w] = [g.length / 2, g.width / 2];
  const [left, right] = g.shape.edges;
  const lift = Math.max(0, g.shape.lift);
  if (lift === 0 && Math.abs(left - right) < RUNS_OFF * g.width)
    throw new FormProblem(
      `shape.edges.${left <= right ? 0 : 1}`,
      phrase`Both sides are alike, and its middle would hold water. One side lower by ${metres(RUNS_OFF * g.width)}, or its middle raised.`,
    );
  const tilt = (left - right) / 2;
  if (!(Math.abs(tilt) < 0.9 * w))
    throw new FormProblem(
      'shape.edges.1',
      phrase`A cloth ${metres(g.width)} wide does not reach so far down. Bring its sides nearer.`,
    );
  const y = Math.sqrt(w * w - tilt * tilt);
  const middle = (left + right) / 2 + lift;
  const keys: Key[] = [];
  const at = (x: number, across: number, z: number): Vec3 => [g.middle + x, across, g.ground(g.middle + x, across) + z];
  for (const k of [0, 1] as const) {
    const z = g.shape.edges[k];
    const side = k === 0 ? 1 : -1;
    const square = l * l + w * w - y * y - (middle - z) ** 2;
    if (!(square > (0.3 * l) ** 2))
      throw new FormProblem(
        'shape.lift',
        phrase`The middle cannot be raised by ${metres(lift)} over its corners. Raise it less.`,
      );
    const x = Math.min(l, Math.sqrt(square));
    for (const end of [0, 1] as const)
      keys.push({
        id: `${k}${2 * end}`,
        name: `${END[end]} ${SIDE[k]} corner`,
        flat: [end === 0 ? -l : l, side * w],
        at: at(end === 0 ? -x : x, side * y, z),
        role: z <= 0.02 ? { to: 'peg' } : { to: 'guy', from: 'rm' },
      });
    keys.push({
      id: `${k}1`,
      name: `${SIDE[k]} middle`,
      flat: [0, side * w],
      at: at(0, side * y, z),
      role: { to: 'guy', from: 'rm' },
      optional: true,
      spare: true,
    });
  }
  keys.push({
    id: 'rm',
    name: 'middle',
    flat: [0, 0],
    at: at(0, 0, middle),
    role: lift > 0 ? { to: 'prop', sticks: 1 } : { to: 'fold' },
  });
  return {
    keys,
    facets: [
      ['rm', '00', '02'],
      ['rm', '02', '12'],
      ['rm', '12', '10'],
      ['rm', '10', '00'],
    ],
    ridge: null,
    diagonal: false,
  };
}
