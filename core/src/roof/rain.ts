import type { Constant } from '../catalogue/index.js';
import type { Vec3 } from '../quantity/index.js';

/** Speed at which rain falls. */
export const RAIN_FALLS: Constant = {
  symbol: 'v_r',
  title: 'speed at which rain falls',
  quantity: 'speed',
  low: 5,
  typical: 7,
  high: 8.5,
  kind: 'published test',
  citation:
    'Gunn and Kinzer, J. Meteorol. 6, 1949: drops of 2 mm, the usual size of steady rain, fall at 6.5; larger ones faster.',
};

/** How far rain goes level for every metre it falls, along the wind. @param wind m/s @param toward unit vector */
export function rainSlant(wind: number, toward: Vec3): readonly [x: number, y: number] {
  return [(toward[0] * wind) / RAIN_FALLS.typical, (toward[1] * wind) / RAIN_FALLS.typical];
}

/**
 * Height of the lowest cloth that keeps rain off a place, m; null where none does.
 * @param slant level way for every metre of fall; [0, 0] straight down
 */
export function clothAbove(
  p: Vec3,
  corners: Int32Array,
  at: ArrayLike<number>,
  slant: readonly [number, number],
): number | null {
  // seen along the falling drops, everything is moved level by its height
  const x = p[0] + p[2] * slant[0];
  const y = p[1] + p[2] * slant[1];
  let found: number | null = null;
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [3 * corners[t]!, 3 * corners[t + 1]!, 3 * corners[t + 2]!];
    const [ax, ay] = [at[a]! + at[a + 2]! * slant[0], at[a + 1]! + at[a + 2]! * slant[1]];
    const [bx, by] = [at[b]! + at[b + 2]! * slant[0], at[b + 1]! + at[b + 2]! * slant[1]];
    const [cx, cy] = [at[c]! + at[c + 2]! * slant[0], at[c + 1]! + at[c + 2]! * slant[1]];
    const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    if (Math.abs(twice) < 1e-12) continue;
    const v = ((x - ax) * (cy - ay) - (cx - ax) * (y - ay)) / twice;
    const w = ((bx - ax) * (y - ay) - (x - ax) * (by - ay)) / twice;
    if (v < -1e-9 || w < -1e-9 || v + w > 1 + 1e-9) continue;
    const z = at[a + 2]! + v * (at[b + 2]! - at[a + 2]!) + w * (at[c + 2]! - at[a + 2]!);
    if (z >= p[2] && (found === null || z < found)) found = z;
  }
  return found;
}

/**
 * How far the cover reaches from a place along a level direction, m: negative where the place itself lies open, by how
 * much. To a centimetre.
 * @param way  unit vector, outward
 * @param most looked at so far, m
 */
export function coverBeyond(
  p: Vec3,
  way: readonly [number, number],
  corners: Int32Array,
  at: ArrayLike<number>,
  slant: readonly [number, number],
  most = 3,
): number {
  const step = 0.01;
  const covered = (d: number): boolean =>
    clothAbove([p[0] + way[0] * d, p[1] + way[1] * d, p[2]], corners, at, slant) !== null;
  const start = covered(0);
  const sign = start ? 1 : -1;
  // coarse, then fine: edges are farther apart than a hand
  let d = 0;
  for (let k = 1; k * 0.1 <= most; k++) {
    if (covered(sign * k * 0.1) !== start) break;
    d = k * 0.1;
  }
  while (d < most && covered(sign * (d + step)) === start) d += step;
  return sign * d;
}
