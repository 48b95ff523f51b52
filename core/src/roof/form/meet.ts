import type { FormProblem } from './form.js';

/** Both points at distances `a` from p and `b` from q in the plane z = 0; the one to the left of p-q. */
export function meet(
  p: readonly [number, number],
  a: number,
  q: readonly [number, number],
  b: number,
  say: () => FormProblem,
): [number, number] {
  const d = Math.hypot(q[0] - p[0], q[1] - p[1]);
  const along = (a * a - b * b + d * d) / (2 * d);
  const off = a * a - along * along;
  if (!(off > 1e-9)) throw say();
  const [ux, uy] = [(q[0] - p[0]) / d, (q[1] - p[1]) / d];
  const h = Math.sqrt(off);
  return [p[0] + along * ux - h * uy, p[1] + along * uy + h * ux];
}
