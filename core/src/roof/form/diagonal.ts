import type { Vec3 } from '../../quantity/index.js';
import { onDiagonal } from './footprint.js';
import type { Form, FormPlan, Key, Role, Setting } from './form.js';
import { hung, lineAt, onHitch } from './over-ridge.js';

export const diagonal: Form = {
  name: 'diagonal fly',
  words: 'The ridge from corner to corner: least cord, over a hammock.',
  laid: 'Two opposite corners on the line, the other two out to the sides.',
  reads: ['edges'],
  hangs: 'ridge',
  usual: { edges: [0.7, 0.7] },
  open: null,
  wind: 'across',
  windWords: 'a low corner to it',
  footprint: onDiagonal(0.7),
  plan: cornerToCorner,
};

function cornerToCorner(g: Setting): FormPlan {
  const [l, w] = [g.length / 2, g.width / 2];
  const long = 2 * Math.hypot(l, w);
  // along and across the diagonal
  const across = (2 * g.length * g.width) / (2 * long);
  const offset = (g.length ** 2 - g.width ** 2) / (2 * long);
  const x = [g.middle - long / 2, g.middle + long / 2] as const;
  const key = (id: string, name: string, flat: [number, number], at: Vec3, role: Role): Key => ({
    id,
    name,
    flat,
    at,
    role,
  });
  const left = hung(g, g.middle - offset, 1, across, g.shape.edges[0], 'shape.edges.0');
  const right = hung(g, g.middle + offset, -1, across, g.shape.edges[1], 'shape.edges.1');
  const side = (k: 0 | 1): Role => (g.shape.edges[k] <= 0.02 ? { to: 'peg' } : { to: 'guy', from: 'rm' });
  return {
    keys: [
      key('r0', 'first end', [-l, -w], [x[0], 0, lineAt(g, x[0])], onHitch(0)),
      key('r1', 'second end', [l, w], [x[1], 0, lineAt(g, x[1])], onHitch(1)),
      key('rm', 'ridge middle', [0, 0], [g.middle, 0, lineAt(g, g.middle)], { to: 'fold' }),
      key('0', 'left corner', [-l, w], left, side(0)),
      key('1', 'right corner', [l, -w], right, side(1)),
    ],
    facets: [
      ['r0', 'rm', '0'],
      ['rm', 'r1', '0'],
      ['r0', 'rm', '1'],
      ['rm', 'r1', '1'],
    ],
    ridge: [
      [-l, -w],
      [l, w],
    ],
    diagonal: true,
  };
}
