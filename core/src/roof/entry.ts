import { norm, sub } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import { clothOver } from './rain.js';

/** Flatter than this, water hangs in drops and does not run, rad. Judgement. */
export const RUNS = 0.01;
/** A tail sits this far inside the edge, m: drops blown in still meet it. */
export const INSIDE = 0.1;

/** Where a line first comes under the cloth, walked from its outer end in steps of a centimetre; null where it never does. */
export function entry(
  line: readonly Vec3[],
  corners: Int32Array,
  shape: { readonly at: ArrayLike<number> },
): { readonly edge: number; readonly at: Vec3; readonly slope: number } | null {
  const over = clothOver(corners, shape.at, [0, 0]);
  let gone = 0;
  for (let k = 0; k + 1 < line.length; k++) {
    const [a, b] = [line[k]!, line[k + 1]!];
    const way = sub(b, a);
    const long = norm(way);
    const steps = Math.max(1, Math.ceil(long / 0.01));
    for (let n = 0; n <= steps; n++) {
      const f = n / steps;
      const p: Vec3 = [a[0] + f * way[0], a[1] + f * way[1], a[2] + f * way[2]];
      if (over(...p) !== null)
        return { edge: gone + f * long, at: p, slope: Math.atan2(way[2], Math.hypot(way[0], way[1])) };
    }
    gone += long;
  }
  return null;
}
