import { add, dot, norm, scale, sub } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';

const clamp01 = (x: number): number => Math.min(1, Math.max(0, x));
const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];

/** Area of a triangle over its sides' squares, below which it has none. */
const FLAT = 1e-9;

/** Distance of two segments p-q and r-s, m (Ericson, Real-Time Collision Detection, 2005, 5.1.9). */
export function segmentsApart(p: Vec3, q: Vec3, r: Vec3, s: Vec3): number {
  const d1 = sub(q, p);
  const d2 = sub(s, r);
  const w = sub(p, r);
  const [a, e, f] = [dot(d1, d1), dot(d2, d2), dot(d2, w)];
  let [t, u] = [0, 0];
  if (a <= 1e-18) u = e > 1e-18 ? clamp01(f / e) : 0;
  else {
    const c = dot(d1, w);
    if (e <= 1e-18) t = clamp01(-c / a);
    else {
      const b = dot(d1, d2);
      const denominator = a * e - b * b;
      t = denominator > 1e-18 * a * e ? clamp01((b * f - c * e) / denominator) : 0;
      u = (b * t + f) / e;
      if (u < 0) {
        u = 0;
        t = clamp01(-c / a);
      } else if (u > 1) {
        u = 1;
        t = clamp01((b - c) / a);
      }
    }
  }
  return norm(sub(add(p, scale(d1, t)), add(r, scale(d2, u))));
}

/** Distance of a point from a triangle, m. */
export function pointOffTriangle(p: Vec3, a: Vec3, b: Vec3, c: Vec3): number {
  const n = cross(sub(b, a), sub(c, a));
  const size = norm(n);
  if (size > FLAT * Math.max(dot(sub(b, a), sub(b, a)), dot(sub(c, a), sub(c, a)))) {
    const inside = [
      [a, b],
      [b, c],
      [c, a],
    ].every(([u, v]) => dot(cross(sub(v!, u!), sub(p, u!)), n) >= 0);
    if (inside) return Math.abs(dot(sub(p, a), n)) / size;
  }
  return Math.min(segmentsApart(p, p, a, b), segmentsApart(p, p, b, c), segmentsApart(p, p, c, a));
}

/** Whether a segment goes through a triangle. */
function pierces(p: Vec3, q: Vec3, a: Vec3, b: Vec3, c: Vec3): boolean {
  const n = cross(sub(b, a), sub(c, a));
  // a triangle without area is only its sides
  if (!(norm(n) > FLAT * Math.max(dot(sub(b, a), sub(b, a)), dot(sub(c, a), sub(c, a))))) return false;
  const [over, under] = [dot(sub(p, a), n), dot(sub(q, a), n)];
  if (over * under > 0 || over === under) return false;
  const x = add(p, scale(sub(q, p), over / (over - under)));
  return [
    [a, b],
    [b, c],
    [c, a],
  ].every(([u, v]) => dot(cross(sub(v!, u!), sub(x, u!)), n) >= 0);
}

/** Distance of a segment from a triangle, m; 0 where it goes through. */
export function segmentOffTriangle(p: Vec3, q: Vec3, a: Vec3, b: Vec3, c: Vec3): number {
  if (pierces(p, q, a, b, c)) return 0;
  return Math.min(
    pointOffTriangle(p, a, b, c),
    pointOffTriangle(q, a, b, c),
    segmentsApart(p, q, a, b),
    segmentsApart(p, q, b, c),
    segmentsApart(p, q, c, a),
  );
}

/**
 * Least distance of a line from a cloth, m, and where on the line.
 * @param line    its places in turn, m
 * @param corners 3 nodes a panel
 * @param at      places of the cloth's nodes, 3 each, m
 */
export function lineOffCloth(
  line: readonly Vec3[],
  corners: Int32Array,
  at: ArrayLike<number>,
): { readonly distance: number; readonly where: Vec3 } {
  const place = (n: number): Vec3 => [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
  let best = Number.POSITIVE_INFINITY;
  let where: Vec3 = line[0]!;
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [place(corners[t]!), place(corners[t + 1]!), place(corners[t + 2]!)];
    // far panels are told by their middle alone
    const middle: Vec3 = [(a[0] + b[0] + c[0]) / 3, (a[1] + b[1] + c[1]) / 3, (a[2] + b[2] + c[2]) / 3];
    const reach = Math.max(norm(sub(a, middle)), norm(sub(b, middle)), norm(sub(c, middle)));
    for (let k = 0; k + 1 < line.length; k++) {
      const [p, q] = [line[k]!, line[k + 1]!];
      if (segmentsApart(p, q, middle, middle) - reach >= best) continue;
      const d = segmentOffTriangle(p, q, a, b, c);
      if (d < best) {
        best = d;
        where = norm(sub(p, middle)) < norm(sub(q, middle)) ? p : q;
      }
    }
  }
  return { distance: best, where };
}
