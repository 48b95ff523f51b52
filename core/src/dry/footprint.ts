import polygonClipping from 'polygon-clipping';
import type { MultiPolygon, Polygon } from 'polygon-clipping';

/** Ground that falling rain does not reach, on the plan, m: rings of places, each outline first and then what is open in it. */
export type Footprint = MultiPolygon;

/** Places are taken to a tenth of a millimetre: triangles that share an edge then share it wholly. */
const GRID = 1e4;

/**
 * The dry ground under a roof: every panel thrown on the ground along the rain, and all of them together.
 * @param corners 3 nodes a panel
 * @param at      places of the nodes, 3 each, m
 * @param slant   level way of rain for each metre of fall
 * @param ground  height of the ground, m: a plane
 */
export function dryGround(
  corners: Int32Array,
  at: ArrayLike<number>,
  slant: readonly [number, number],
  ground: (x: number, y: number) => number,
): Footprint {
  const base = ground(0, 0);
  const [gx, gy] = [ground(1, 0) - base, ground(0, 1) - base];
  const nearer = 1 + gx * slant[0] + gy * slant[1];
  const thrown = (n: number): [number, number] => {
    const [x, y, z] = [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
    const fall = Math.max(0, z - ground(x, y)) / nearer;
    return [Math.round((x + slant[0] * fall) * GRID) / GRID, Math.round((y + slant[1] * fall) * GRID) / GRID];
  };
  const panels: Polygon[] = [];
  for (let t = 0; t < corners.length; t += 3) {
    const ring = [thrown(corners[t]!), thrown(corners[t + 1]!), thrown(corners[t + 2]!)];
    // seen on edge it keeps nothing off
    if (Math.abs(ringArea(ring)) > 1e-6) panels.push([[...ring, ring[0]!]]);
  }
  return panels.length === 0 ? [] : polygonClipping.union(panels[0]!, ...panels.slice(1));
}

/** Area of a ring, m2, positive counterclockwise. */
function ringArea(ring: readonly (readonly [number, number])[]): number {
  let twice = 0;
  ring.forEach(([x, y], i) => {
    const [x1, y1] = ring[(i + 1) % ring.length]!;
    twice += x * y1 - x1 * y;
  });
  return twice / 2;
}

/** Area of a footprint, m2. */
export const areaOf = (footprint: Footprint): number =>
  footprint.reduce(
    (sum, polygon) => sum + polygon.reduce((s, ring, k) => s + (k === 0 ? 1 : -1) * Math.abs(ringArea(ring)), 0),
    0,
  );
