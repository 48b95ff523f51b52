import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import { onDiagonal } from './footprint.js';
import type { Form, FormPlan, Key, Setting } from './form.js';
import { FormProblem } from './form.js';
import { lineAt, onHitch } from './over-ridge.js';

export const lifted: Form = {
  name: 'wedge on a ridgeline',
  words:
    'One corner at a hitch near the tree, the middle lifted by a second one over whoever lies there, the far corner down.',
  laid: 'One corner at the first hitch, the middle tie-out at the second; the opposite corner pegged, to windward, the others pegged at the sides, then the edge middles out.',
  reads: [],
  hangs: 'ridge',
  usual: {},
  open: 'first',
  wind: 'along',
  windWords: 'its low point into it',
  footprint: onDiagonal(0.8),
  plan: liftedMiddle,
};

/** The diagonal up to the middle lies along the line, the other half comes down to the ground; side corners pegged, edges out by guys. */
function liftedMiddle(g: Setting): FormPlan {
  const [l, w] = [g.length / 2, g.width / 2];
  const half = Math.hypot(l, w);
  const tooHigh = (): FormProblem =>
    new FormProblem(
      'trunks.0.tieHeight',
      phrase`Over ${metres(0.85 * Math.min(half, Math.min(g.length, g.width)))} the cloth’s corners do not reach the ground. Lower the ridge.`,
    );
  const xa = g.middle - half / 2;
  const xm = g.middle + half / 2;
  const [ha, hm] = [lineAt(g, xa) - g.ground(xa, 0), lineAt(g, xm) - g.ground(xm, 0)];
  const top = Math.max(ha, hm);
  if (!(top > 0.3 && top < 0.9 * Math.min(half, g.length, g.width))) throw tooHigh();
  const place = (x: number, y: number): Vec3 => [x, y, g.ground(x, y)];
  const xc = xm + Math.sqrt(half * half - hm * hm);
  // a side corner: as far from the high corner and from the middle as the cloth lets it be
  const corner = (edge: number): readonly [number, number] => {
    const [a2, m2] = [edge * edge - ha * ha, half * half - hm * hm];
    const d = xm - xa;
    const u = (a2 - m2 + d * d) / (2 * d);
    const off = a2 - u * u;
    if (!(off > 0)) throw tooHigh();
    return [xa + u, Math.sqrt(off)];
  };
  const [left, right] = [corner(g.width), corner(g.length)];
  const between = (a: Vec3, b: Vec3): Vec3 => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  const [a, m, c] = [[xa, 0, lineAt(g, xa)], [xm, 0, lineAt(g, xm)], place(xc, 0)] as [Vec3, Vec3, Vec3];
  const [b, d] = [place(left[0], left[1]), place(right[0], -right[1])];
  const side = (id: string, name: string, flat: [number, number], at: Vec3): Key => ({
    id,
    name,
    flat,
    at,
    role: { to: 'guy', from: 'm' },
    optional: true,
  });
  return {
    keys: [
      { id: 'a', name: 'high corner', flat: [-l, -w], at: a, role: onHitch(0) },
      { id: 'm', name: 'middle', flat: [0, 0], at: m, role: onHitch(1) },
      { id: 'c', name: 'low corner', flat: [l, w], at: c, role: { to: 'peg', from: 'm' } },
      { id: 'b', name: 'left corner', flat: [-l, w], at: b, role: { to: 'peg', from: 'm' } },
      { id: 'd', name: 'right corner', flat: [l, -w], at: d, role: { to: 'peg', from: 'm' } },
      { ...side('ab', 'left front side', [-l, 0], between(a, b)), spare: true },
      { ...side('ad', 'right front side', [0, -w], between(a, d)), spare: true },
      side('bc', 'left side', [0, w], between(b, c)),
      side('dc', 'right side', [l, 0], between(d, c)),
    ],
    facets: [
      ['a', 'm', 'b'],
      ['m', 'c', 'b'],
      ['a', 'm', 'd'],
      ['m', 'c', 'd'],
    ],
    ridge: [
      [-l, -w],
      [0, 0],
    ],
    diagonal: true,
  };
}
