import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { CORNERS, twoFlanks } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem, upTo } from './form.js';
import { SIDE, hung, lineAt, onHitch } from './over-ridge.js';

export const closed: Form = {
  name: 'gable, one end closed',
  words: 'A gable whose first end comes down to the ground: low, for cold wind along the ridge.',
  laid: 'The second hitch takes the middle of its short edge; the first one a tie-out in the cloth, in from the other end, which comes down with its corners.',
  reads: [],
  hangs: 'ridge',
  usual: { edges: [0, 0] },
  open: 'second',
  wind: 'along',
  windWords: 'its closed end into it',
  footprint: twoFlanks(CORNERS),
  plan: closedEnd,
};

/** The gable whose first end comes down to the ground as a hip: the hitch sits in from the end, the rest folds down. */
function closedEnd(g: Setting): FormPlan {
  const half = g.length / 2;
  const w = g.width / 2;
  const field = 'trunks.0.tieHeight';
  const height = lineAt(g, g.middle) - g.ground(g.middle, 0);
  const inset = 1.2 * height;
  if (inset > 0.55 * g.length)
    throw new FormProblem(
      field,
      phrase`The cloth is too short to close an end from ${metres(height)}. Lower the ridge to ${upTo(0.45 * g.length)} or less.`,
    );
  // the roof's middle stays over the middle of the whole
  const x = (s: number): number => g.middle + s;
  const xe = x(-half + inset);
  const top = (px: number): Vec3 => [px, 0, lineAt(g, px)];
  const tip = xe - Math.sqrt(inset * inset - (lineAt(g, xe) - g.ground(xe, 0)) ** 2);
  const keys: Key[] = [
    { id: 'r0', name: 'first end of the ridge', flat: [-half + inset, 0], at: top(xe), role: onHitch(0) },
    { id: 'r1', name: 'second end', flat: [half, 0], at: top(x(half)), role: onHitch(1) },
    { id: 'rt', name: 'foot of the closed end', flat: [-half, 0], at: [tip, 0, g.ground(tip, 0)], role: { to: 'peg' } },
  ];
  const facets: [string, string, string][] = [];
  for (const k of [0, 1] as const) {
    const side = k === 0 ? 1 : -1;
    const fold = hung(g, xe, side, w, 0, field);
    const corner: Vec3 = [xe - inset, fold[1], g.ground(xe - inset, fold[1])];
    keys.push(
      { id: `${k}0`, name: `first ${SIDE[k]} corner`, flat: [-half, side * w], at: corner, role: { to: 'peg' } },
      {
        id: `${k}f`,
        name: `${SIDE[k]} side at the fold`,
        flat: [-half + inset, side * w],
        at: fold,
        role: { to: 'peg' },
        optional: true,
      },
      {
        id: `${k}2`,
        name: `second ${SIDE[k]} corner`,
        flat: [half, side * w],
        at: hung(g, x(half), side, w, 0, field),
        role: { to: 'peg' },
      },
    );
    facets.push(['r0', 'rt', `${k}0`], ['r0', `${k}f`, `${k}0`], ['r0', `${k}f`, `${k}2`], ['r0', 'r1', `${k}2`]);
  }
  return {
    keys,
    facets,
    ridge: [
      [-half + inset, 0],
      [half, 0],
    ],
    diagonal: false,
  };
}
