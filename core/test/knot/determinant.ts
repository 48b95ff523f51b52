import type { Vec3 } from '../../src/quantity/index.js';

/** A crossing of a closed curve with itself as seen along z: which pieces, how far along each, and which lies over. */
interface Crossing {
  readonly over: number;
  readonly under: number;
}

/**
 * Determinant of the knot that a closed curve is, by colouring the arcs of its diagram (Livingston, Knot Theory, 1993, ch. 3): 1 for
 * what comes apart, 3 for a trefoil, 5 for a figure eight.
 * @param curve its corners in order; the last is joined to the first
 */
export function determinant(curve: readonly Vec3[]): number {
  // seen along a way that lies along nothing
  const [a, b] = [0.1234, 0.0717];
  const turned = curve.map(([x, y, z]): Vec3 => [x + a * z, y + b * z, z - a * x - b * y]);
  const n = turned.length;
  const found: Crossing[] = [];
  for (let i = 0; i < n; i++)
    for (let j = i + 2; j < n; j++) {
      if (i === 0 && j === n - 1) continue;
      const [p, q, r, s] = [turned[i]!, turned[(i + 1) % n]!, turned[j]!, turned[(j + 1) % n]!];
      const d = (q[0] - p[0]) * (s[1] - r[1]) - (q[1] - p[1]) * (s[0] - r[0]);
      if (Math.abs(d) < 1e-12) continue;
      const t = ((r[0] - p[0]) * (s[1] - r[1]) - (r[1] - p[1]) * (s[0] - r[0])) / d;
      const u = ((r[0] - p[0]) * (q[1] - p[1]) - (r[1] - p[1]) * (q[0] - p[0])) / d;
      if (t < 0 || t >= 1 || u < 0 || u >= 1) continue;
      const [zp, zr] = [p[2] + t * (q[2] - p[2]), r[2] + u * (s[2] - r[2])];
      found.push(zp > zr ? { over: i + t, under: j + u } : { over: j + u, under: i + t });
    }
  const m = found.length;
  if (m < 3) return 1;
  const unders = found.map((c) => c.under).sort((x, y) => x - y);
  /** Arc on which a place lies: from one undercrossing to the next. */
  const arc = (at: number): number => {
    const k = unders.findIndex((u) => u > at);
    return k < 0 ? 0 : k;
  };
  const rows = found.map((c) => {
    const row = new Array<number>(m).fill(0);
    const k = unders.indexOf(c.under);
    row[arc(c.over)]! += 2;
    row[k]! -= 1;
    row[(k + 1) % m]! -= 1;
    return row;
  });
  // one row and one column left out; eliminated with pivots
  const g = rows.slice(1).map((r) => r.slice(1));
  let det = 1;
  for (let c = 0; c < m - 1; c++) {
    let best = c;
    for (let r = c + 1; r < m - 1; r++) if (Math.abs(g[r]![c]!) > Math.abs(g[best]![c]!)) best = r;
    if (Math.abs(g[best]![c]!) < 1e-9) return 0;
    if (best !== c) [g[c], g[best]] = [g[best]!, g[c]!];
    det *= g[c]![c]!;
    for (let r = c + 1; r < m - 1; r++) {
      const f = g[r]![c]! / g[c]![c]!;
      for (let k = c; k < m - 1; k++) g[r]![k]! -= f * g[c]![k]!;
    }
  }
  return Math.round(Math.abs(det));
}

/** A rope closed far away: from both its ends straight out, and round behind everything. */
export function closedFar(rope: readonly Vec3[]): Vec3[] {
  const out = (p: Vec3, q: Vec3): Vec3 => {
    const l = Math.hypot(p[0] - q[0], p[1] - q[1]) || 1;
    return [p[0] + (60 * (p[0] - q[0])) / l, p[1] + (60 * (p[1] - q[1])) / l, p[2]];
  };
  const [a, b] = [out(rope[0]!, rope[3]!), out(rope.at(-1)!, rope.at(-4)!)];
  return [...rope, b, [b[0], b[1], -300], [a[0], a[1], -300], a];
}
