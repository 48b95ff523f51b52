import type { Mesh } from './mesh.js';
import type { Neighbours } from './water.js';

/** What a pitched cloth covers. */
export interface Cover {
  /** Ground under cloth, m^2. */
  readonly ground: number;
  /** Between cloth and ground, m^3. */
  readonly volume: number;
  /** Greatest height of the cloth over the ground, m, and where. */
  readonly headroom: number;
  readonly headroomAt: readonly [number, number];
  /** Ground over which one can sit upright, 1 m, and stand, 1.8 m, m^2. */
  readonly sitting: number;
  readonly standing: number;
  /** Lowest place of the edge over the ground, m. */
  readonly lowestEdge: number;
  /** Open share of the sides: gap under the edge over the height of the cloth. */
  readonly openness: number;
}

/** Cell of the raster on the ground, m: small against a roof, and a body. */
const CELL = 0.08;

/**
 * Cover of a cloth over ground.
 * @param at     places of the cloth's nodes, 3 each, m
 * @param ground height of the ground, m
 */
export function coverOf(
  mesh: Mesh,
  context: Neighbours,
  at: ArrayLike<number>,
  ground: (x: number, y: number) => number,
): Cover {
  const count = mesh.flat.length / 2;
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let n = 0; n < count; n++) {
    x0 = Math.min(x0, at[3 * n]!);
    x1 = Math.max(x1, at[3 * n]!);
    y0 = Math.min(y0, at[3 * n + 1]!);
    y1 = Math.max(y1, at[3 * n + 1]!);
  }
  const wide = Math.max(1, Math.ceil((x1 - x0) / CELL));
  const deep = Math.max(1, Math.ceil((y1 - y0) / CELL));
  // lowest cloth over each cell: what a head would touch
  const under = new Float64Array(wide * deep).fill(Number.POSITIVE_INFINITY);
  for (let t = 0; t < mesh.corners.length; t += 3) shade(mesh, at, t, { x0, y0, wide, deep, under });
  let [covered, volume, sitting, standing, headroom] = [0, 0, 0, 0, 0];
  let headroomAt: readonly [number, number] = [x0, y0];
  for (let j = 0; j < deep; j++)
    for (let i = 0; i < wide; i++) {
      const z = under[j * wide + i]!;
      if (!Number.isFinite(z)) continue;
      const [x, y] = [x0 + (i + 0.5) * CELL, y0 + (j + 0.5) * CELL];
      const h = Math.max(0, z - ground(x, y));
      covered += CELL * CELL;
      volume += h * CELL * CELL;
      if (h >= 1) sitting += CELL * CELL;
      if (h >= 1.8) standing += CELL * CELL;
      if (h > headroom) {
        headroom = h;
        headroomAt = [x, y];
      }
    }
  let lowestEdge = Number.POSITIVE_INFINITY;
  let [gap, whole] = [0, 0];
  for (let n = 0; n < count; n++) {
    if (context.edge[n] === 0) continue;
    const h = Math.max(0, at[3 * n + 2]! - ground(at[3 * n]!, at[3 * n + 1]!));
    lowestEdge = Math.min(lowestEdge, h);
    gap += h;
    whole += Math.max(headroom, h);
  }
  return {
    ground: covered,
    volume,
    headroom,
    headroomAt,
    sitting,
    standing,
    lowestEdge,
    openness: whole > 0 ? gap / whole : 0,
  };
}

interface Raster {
  readonly x0: number;
  readonly y0: number;
  readonly wide: number;
  readonly deep: number;
  readonly under: Float64Array;
}

/** Puts a triangle's height into the cells whose middles lie under it. */
function shade(mesh: Mesh, at: ArrayLike<number>, t: number, r: Raster): void {
  const [a, b, c] = [3 * mesh.corners[t]!, 3 * mesh.corners[t + 1]!, 3 * mesh.corners[t + 2]!];
  const [ax, ay, bx, by, cx, cy] = [at[a]!, at[a + 1]!, at[b]!, at[b + 1]!, at[c]!, at[c + 1]!];
  const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
  if (Math.abs(twice) < 1e-12) return;
  const from = (v: number, o: number): number => Math.max(0, Math.floor((v - o) / CELL - 0.5));
  const to = (v: number, o: number, most: number): number => Math.min(most - 1, Math.ceil((v - o) / CELL - 0.5));
  for (let j = from(Math.min(ay, by, cy), r.y0); j <= to(Math.max(ay, by, cy), r.y0, r.deep); j++)
    for (let i = from(Math.min(ax, bx, cx), r.x0); i <= to(Math.max(ax, bx, cx), r.x0, r.wide); i++) {
      const [x, y] = [r.x0 + (i + 0.5) * CELL, r.y0 + (j + 0.5) * CELL];
      const v = ((x - ax) * (cy - ay) - (cx - ax) * (y - ay)) / twice;
      const w = ((bx - ax) * (y - ay) - (x - ax) * (by - ay)) / twice;
      if (v < -1e-9 || w < -1e-9 || v + w > 1 + 1e-9) continue;
      const z = at[a + 2]! + v * (at[b + 2]! - at[a + 2]!) + w * (at[c + 2]! - at[a + 2]!);
      const cell = j * r.wide + i;
      if (z < r.under[cell]!) r.under[cell] = z;
    }
}
