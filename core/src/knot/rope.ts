import type { Vec3 } from '../quantity/index.js';

/** Lengths in a knot are thicknesses of its rope: x to the tier's right, y up, z toward the tier. */
export type Path = readonly Vec3[];

/** Something round that rope goes about, from end to end: a trunk, a ridgeline, a stick, a peg, a fitting's bar. */
export interface Bar {
  readonly is: 'trunk' | 'line' | 'stick' | 'peg' | 'fitting';
  readonly from: Vec3;
  readonly to: Vec3;
  /** Half of how thick it is. */
  readonly radius: number;
}

/** Distance between the nodes of a rope as it is first laid. */
export const NODE = 0.5;

export const apart = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
export const mix = (a: Vec3, b: Vec3, t: number): Vec3 => [
  a[0] + t * (b[0] - a[0]),
  a[1] + t * (b[1] - a[1]),
  a[2] + t * (b[2] - a[2]),
];
export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const unit = ([x, y, z]: Vec3): Vec3 => {
  const l = Math.hypot(x, y, z) || 1;
  return [x / l, y / l, z / l];
};

/**
 * A smooth curve through control points (centripetal Catmull and Rom; Barry and Goldman 1988), as evenly spaced nodes.
 * @returns the nodes, and for each control point the node nearest to it
 */
export function splined(points: Path): { readonly nodes: Vec3[]; readonly at: number[] } {
  const fine: Vec3[] = [];
  const marks: number[] = [];
  const PARTS = 24;
  const end = (a: Vec3, b: Vec3): Vec3 => [2 * a[0] - b[0], 2 * a[1] - b[1], 2 * a[2] - b[2]];
  for (let i = 0; i < points.length - 1; i++) {
    const [p1, p2] = [points[i]!, points[i + 1]!];
    const p0 = points[i - 1] ?? end(p1, p2);
    const p3 = points[i + 2] ?? end(p2, p1);
    const knot = (a: Vec3, b: Vec3): number => Math.max(1e-6, Math.sqrt(apart(a, b)));
    const [t1, t2] = [knot(p0, p1), knot(p0, p1) + knot(p1, p2)];
    const t3 = t2 + knot(p2, p3);
    marks.push(fine.length);
    for (let k = 0; k < PARTS; k++) {
      const t = t1 + ((t2 - t1) * k) / PARTS;
      const a1 = mix(p0, p1, t / t1);
      const a2 = mix(p1, p2, (t - t1) / (t2 - t1));
      const a3 = mix(p2, p3, (t - t2) / (t3 - t2));
      const b1 = mix(a1, a2, t / t2);
      const b2 = mix(a2, a3, (t - t1) / (t3 - t1));
      fine.push(mix(b1, b2, (t - t1) / (t2 - t1)));
    }
  }
  marks.push(fine.length);
  fine.push(points.at(-1)!);
  const along = lengths(fine);
  const whole = along.at(-1)!;
  const count = Math.max(2, Math.round(whole / NODE));
  const nodes: Vec3[] = [];
  let k = 0;
  for (let n = 0; n <= count; n++) {
    const s = (whole * n) / count;
    while (k < fine.length - 2 && along[k + 1]! < s) k++;
    const step = along[k + 1]! - along[k]!;
    nodes.push(mix(fine[k]!, fine[k + 1]!, step > 0 ? (s - along[k]!) / step : 0));
  }
  return { nodes, at: marks.map((m) => Math.round((along[m]! / whole) * count)) };
}

/** Length of a curve up to each of its nodes. */
export function lengths(nodes: Path): number[] {
  const out = [0];
  for (let i = 1; i < nodes.length; i++) out.push(out[i - 1]! + apart(nodes[i - 1]!, nodes[i]!));
  return out;
}

/** Place on a bar's axis that is nearest to a point. */
export function nearestOn({ from, to }: Pick<Bar, 'from' | 'to'>, p: Vec3): Vec3 {
  const d: Vec3 = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
  const l = d[0] ** 2 + d[1] ** 2 + d[2] ** 2;
  const t = l === 0 ? 0 : ((p[0] - from[0]) * d[0] + (p[1] - from[1]) * d[1] + (p[2] - from[2]) * d[2]) / l;
  return mix(from, to, Math.min(1, Math.max(0, t)));
}

/** Shortest distance between two straight pieces (Ericson, Real-Time Collision Detection, 2005, ch. 5.1.9). */
export function piecesApart(p1: Vec3, q1: Vec3, p2: Vec3, q2: Vec3): number {
  const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
  const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
  const [d1, d2, r] = [sub(q1, p1), sub(q2, p2), sub(p1, p2)];
  const [a, e, f, c, b] = [dot(d1, d1), dot(d2, d2), dot(d2, r), dot(d1, r), dot(d1, d2)];
  const clamp = (x: number): number => Math.min(1, Math.max(0, x));
  const denom = a * e - b * b;
  let s = denom > 1e-12 ? clamp((b * f - c * e) / denom) : 0;
  let t = e > 1e-12 ? (b * s + f) / e : 0;
  if (t < 0) {
    t = 0;
    s = a > 1e-12 ? clamp(-c / a) : 0;
  } else if (t > 1) {
    t = 1;
    s = a > 1e-12 ? clamp((b - c) / a) : 0;
  }
  return apart(mix(p1, q1, s), mix(p2, q2, t));
}

/** Pieces of one rope nearer along it than this are the same bend of it: half a turn as tight as rope can be laid, and a little. */
export const SAME_BEND = 2;

/**
 * How near ropes come to themselves, to each other and to bars: centre line to centre line, and to a bar as if it were as thick as the rope.
 * @param closed which of them are loops: their ends meet
 */
export function clearance(
  ropes: readonly Path[],
  bars: readonly Bar[],
  closed: readonly boolean[] = ropes.map(() => false),
): number {
  // farther than this nothing is near
  let least = 2;
  const along = ropes.map(lengths);
  /** Along a rope from one node to another, the shorter way where it is a loop. */
  const between = (i: number, m: number, n: number): number => {
    const s = along[i]![n]! - along[i]![m]!;
    const whole = along[i]!.at(-1)! + apart(ropes[i]![0]!, ropes[i]!.at(-1)!);
    return closed[i] === true ? Math.min(s, whole - s) : s;
  };
  // what is farther than the least found so far and both pieces' lengths is passed over
  const reach = Math.max(...along.flatMap((s) => s.slice(1).map((v, k) => v - s[k]!)));
  ropes.forEach((a, i) => {
    for (let m = 0; m + 1 < a.length; m++) {
      const p = a[m]!;
      for (let j = i; j < ropes.length; j++) {
        const b = ropes[j]!;
        for (let n = i === j ? m + 1 : 0; n + 1 < b.length; n++) {
          const q = b[n]!;
          const far = least + 2 * reach;
          const [dx, dy, dz] = [p[0] - q[0], p[1] - q[1], p[2] - q[2]];
          if (dx > far || dx < -far || dy > far || dy < -far || dz > far || dz < -far) continue;
          if (i === j && (between(i, m + 1, n) < SAME_BEND || between(i, m, n + 1) < SAME_BEND)) continue;
          least = Math.min(least, piecesApart(p, a[m + 1]!, q, b[n + 1]!));
        }
      }
      for (const bar of bars) least = Math.min(least, apart(p, nearestOn(bar, p)) - bar.radius + 0.5);
    }
  });
  return least;
}
