import type { Vec3 } from '../quantity/index.js';

/**
 * Net normal-force coefficient of a flat sheet against the angle between wind and sheet, degrees (Hoerner, Fluid-Dynamic
 * Drag, 1965, ch. 3; ESDU 70015): flutter of either sign at grazing, a peak before the stall at 40, then that of a plate
 * across the flow.
 */
const COEFFICIENT: readonly (readonly [degrees: number, c: number])[] = [
  [0, 0.3],
  [10, 0.4],
  [20, 0.8],
  [30, 1.15],
  [40, 1.45],
  [50, 1.2],
  [90, 1.2],
];

/** @param incidence between wind and sheet, rad, 0 to pi/2 */
export function sheetCoefficient(incidence: number): number {
  const degrees = (Math.min(Math.abs(incidence), Math.PI / 2) * 180) / Math.PI;
  for (let i = 1; i < COEFFICIENT.length; i++) {
    const [d1, c1] = COEFFICIENT[i]!;
    const [d0, c0] = COEFFICIENT[i - 1]!;
    if (degrees <= d1) return c0 + ((c1 - c0) * (degrees - d0)) / (d1 - d0);
  }
  return COEFFICIENT.at(-1)![1];
}

/**
 * Net pressure on each triangle along its right-hand normal, Pa, quasi-static: q C(incidence), pushing downwind.
 * @param corners 3 nodes a triangle
 * @param at      places, 3 numbers a node, m
 * @param toward  unit vector the wind blows toward
 * @param q       velocity pressure, Pa
 * @param out     one number a triangle
 */
export function sheetPressures(
  corners: Int32Array,
  at: Float64Array,
  toward: Vec3,
  q: number,
  out: Float64Array,
): void {
  for (let i = 0; i < out.length; i++) {
    const [a, b, c] = [3 * corners[3 * i]!, 3 * corners[3 * i + 1]!, 3 * corners[3 * i + 2]!];
    const [ux, uy, uz] = [at[b]! - at[a]!, at[b + 1]! - at[a + 1]!, at[b + 2]! - at[a + 2]!];
    const [vx, vy, vz] = [at[c]! - at[a]!, at[c + 1]! - at[a + 1]!, at[c + 2]! - at[a + 2]!];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const size = Math.hypot(nx, ny, nz);
    if (!(size > 0)) {
      out[i] = 0;
      continue;
    }
    const facing = (nx * toward[0] + ny * toward[1] + nz * toward[2]) / size;
    // at grazing the sheet flutters both ways: lifting is what hurts
    const sign = Math.abs(facing) < 1e-6 ? Math.sign(nz) : Math.sign(facing);
    out[i] = sign * q * sheetCoefficient(Math.asin(Math.min(1, Math.abs(facing))));
  }
}

/** Unit vector of wind from a bearing, in a rig's axes: x toward `axis`, y to its left. Bearings clockwise, rad. */
export function windToward(from: number, axis: number): Vec3 {
  const toward = from + Math.PI - axis;
  return [Math.cos(toward), -Math.sin(toward), 0];
}
