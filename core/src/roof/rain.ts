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

/** Height of the lowest cloth that keeps rain off a place, m; null where none does. */
export type ClothOver = (x: number, y: number, z: number) => number | null;

/** Panels in a cell of the raster that are looked through, about: fewer cells than that are not worth making. */
const IN_A_CELL = 4;
const MOST_CELLS = 24;

/**
 * The cloth over places, for many of them: seen along the falling drops everything is moved level by its height, and only the
 * panels over a place's own cell of a raster are looked through.
 * @param slant level way for every metre of fall; [0, 0] straight down
 */
export function clothOver(corners: Int32Array, at: ArrayLike<number>, slant: readonly [number, number]): ClothOver {
  const count = corners.length / 3;
  // of each panel: first corner, two sides over twice the area, height and its rise along both sides
  const panel = new Float64Array(9 * count);
  const box = new Float64Array(4 * count);
  let [west, east, south, north] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let t = 0; t < count; t++) {
    const [a, b, c] = [3 * corners[3 * t]!, 3 * corners[3 * t + 1]!, 3 * corners[3 * t + 2]!];
    const [ax, ay] = [at[a]! + at[a + 2]! * slant[0], at[a + 1]! + at[a + 2]! * slant[1]];
    const [bx, by] = [at[b]! + at[b + 2]! * slant[0], at[b + 1]! + at[b + 2]! * slant[1]];
    const [cx, cy] = [at[c]! + at[c + 2]! * slant[0], at[c + 1]! + at[c + 2]! * slant[1]];
    const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    // on edge to the drops it keeps nothing off
    const edgeOn = Math.abs(twice) < 1e-12;
    const over = edgeOn ? 0 : 1 / twice;
    panel.set(
      [
        ax,
        ay,
        (bx - ax) * over,
        (by - ay) * over,
        (cx - ax) * over,
        (cy - ay) * over,
        at[a + 2]!,
        at[b + 2]! - at[a + 2]!,
        at[c + 2]! - at[a + 2]!,
      ],
      9 * t,
    );
    const [w, e, s, n] = [Math.min(ax, bx, cx), Math.max(ax, bx, cx), Math.min(ay, by, cy), Math.max(ay, by, cy)];
    box.set(edgeOn ? [Infinity, -Infinity, Infinity, -Infinity] : [w, e, s, n], 4 * t);
    if (edgeOn) continue;
    west = Math.min(west, w);
    east = Math.max(east, e);
    south = Math.min(south, s);
    north = Math.max(north, n);
  }
  const across = Math.max(1, Math.min(MOST_CELLS, Math.floor(Math.sqrt(count / IN_A_CELL))));
  const cell = (v: number, low: number, high: number): number =>
    Math.max(0, Math.min(across - 1, Math.floor(((v - low) / (high - low || 1)) * across)));
  const cells: number[][] = Array.from({ length: across * across }, () => []);
  for (let t = 0; t < count; t++) {
    const [w, e, s, n] = [box[4 * t]!, box[4 * t + 1]!, box[4 * t + 2]!, box[4 * t + 3]!];
    if (w > e) continue;
    for (let i = cell(w - EDGE, west, east); i <= cell(e + EDGE, west, east); i++)
      for (let j = cell(s - EDGE, south, north); j <= cell(n + EDGE, south, north); j++) cells[i * across + j]!.push(t);
  }
  return (px, py, pz) => {
    const x = px + pz * slant[0];
    const y = py + pz * slant[1];
    if (x < west - EDGE || x > east + EDGE || y < south - EDGE || y > north + EDGE) return null;
    let found = Infinity;
    for (const t of cells[cell(x, west, east) * across + cell(y, south, north)]!) {
      const k = 9 * t;
      const dx = x - panel[k]!;
      const dy = y - panel[k + 1]!;
      const v = dx * panel[k + 5]! - dy * panel[k + 4]!;
      const w = dy * panel[k + 2]! - dx * panel[k + 3]!;
      if (v < -1e-9 || w < -1e-9 || v + w > 1 + 1e-9) continue;
      const z = panel[k + 6]! + v * panel[k + 7]! + w * panel[k + 8]!;
      if (z >= pz && z < found) found = z;
    }
    return found === Infinity ? null : found;
  };
}
/** A panel's own edge still keeps rain off, to this, m. */
const EDGE = 1e-6;

/** The cloth over one place; see `clothOver`. */
export const clothAbove = (
  p: Vec3,
  corners: Int32Array,
  at: ArrayLike<number>,
  slant: readonly [number, number],
): number | null => clothOver(corners, at, slant)(p[0], p[1], p[2]);

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
  const over = clothOver(corners, at, slant);
  const covered = (d: number): boolean => over(p[0] + way[0] * d, p[1] + way[1] * d, p[2]) !== null;
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
