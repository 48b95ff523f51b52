import type { Vec3 } from '../quantity/index.js';

/**
 * Net normal-force coefficient of a flat sheet against the angle between wind and sheet, degrees (Hoerner, Fluid-Dynamic
 * Drag, 1965, ch. 3; ESDU 70015): nothing along the sheet, a peak before the stall at 40, then that of a plate across the
 * flow. At grazing a sheet flutters by about 0.3 either way: that is no steady pressure and is counted on the pulls.
 */
const COEFFICIENT: readonly (readonly [degrees: number, c: number])[] = [
  [0, 0],
  [10, 0.4],
  [20, 0.8],
  [30, 1.15],
  [40, 1.45],
  [50, 1.2],
  [90, 1.2],
];
/** The law's corners are rounded over so many degrees either side: at most 0.014 from it. */
const ROUND = 1;
const DEGREE = Math.PI / 180;

/** Slope of each straight piece, 1/degree. */
const SLOPE = COEFFICIENT.slice(1).map(([d1, c1], i) => (c1 - COEFFICIENT[i]![1]) / (d1 - COEFFICIENT[i]![0]));
/**
 * The law in pieces, 5 numbers each: where it ends and where it is counted from, degrees; value, slope and half the
 * curvature there. Straight ones alternate with the parabolas that round the corners between them.
 */
const PIECE = 5;
const PIECES = Float64Array.from(
  SLOPE.flatMap((slope, i) => {
    const [d0, c0] = COEFFICIENT[i]!;
    const [d1, c1] = COEFFICIENT[i + 1]!;
    const next = SLOPE[i + 1];
    if (next === undefined) return [Number.POSITIVE_INFINITY, d0, c0, slope, 0];
    return [
      d1 - ROUND,
      d0,
      c0,
      slope,
      0,
      d1 + ROUND,
      d1 - ROUND,
      c1 - ROUND * slope,
      slope,
      (next - slope) / (4 * ROUND),
    ];
  }),
);

/** The piece an angle of 0 to 90 degrees lies in. */
function pieceAt(degrees: number): number {
  let o = 0;
  while (degrees > PIECES[o]!) o += PIECE;
  return o;
}
function coefficientAt(degrees: number): number {
  const o = pieceAt(degrees);
  const d = degrees - PIECES[o + 1]!;
  return PIECES[o + 2]! + d * (PIECES[o + 3]! + d * PIECES[o + 4]!);
}
function slopeAt(degrees: number): number {
  const o = pieceAt(degrees);
  return PIECES[o + 3]! + 2 * (degrees - PIECES[o + 1]!) * PIECES[o + 4]!;
}

/** @param incidence between wind and sheet, rad, 0 to pi/2 */
export function sheetCoefficient(incidence: number): number {
  return coefficientAt(Math.min(Math.abs(incidence), Math.PI / 2) / DEGREE);
}

/** The same as an odd law of the sine of the incidence, with its slope: what a solve follows. */
export const SHEET_LAW = {
  coefficient: (facing: number): number =>
    Math.sign(facing) * coefficientAt(Math.asin(Math.min(1, Math.abs(facing))) / DEGREE),
  slope(facing: number): number {
    const angle = Math.asin(Math.min(1, Math.abs(facing)));
    const slope = slopeAt(angle / DEGREE);
    return slope === 0 ? 0 : slope / DEGREE / Math.cos(angle);
  },
} as const;

/** Right-hand unit normal of triangle i. Zero where it has no area. */
export function normalOf(
  corners: Int32Array,
  at: Float64Array,
  i: number,
): { readonly normal: Vec3; readonly area: number } {
  const [a, b, c] = [3 * corners[3 * i]!, 3 * corners[3 * i + 1]!, 3 * corners[3 * i + 2]!];
  const [ux, uy, uz] = [at[b]! - at[a]!, at[b + 1]! - at[a + 1]!, at[b + 2]! - at[a + 2]!];
  const [vx, vy, vz] = [at[c]! - at[a]!, at[c + 1]! - at[a + 1]!, at[c + 2]! - at[a + 2]!];
  const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const size = Math.hypot(nx, ny, nz);
  return size > 0 ? { normal: [nx / size, ny / size, nz / size], area: size / 2 } : { normal: [0, 0, 0], area: 0 };
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
    const { normal } = normalOf(corners, at, i);
    const facing = normal[0] * toward[0] + normal[1] * toward[1] + normal[2] * toward[2];
    out[i] = Math.sign(facing) * q * sheetCoefficient(Math.asin(Math.min(1, Math.abs(facing))));
  }
}

/** Share by which flutter raises the pulls of cloth that lies along the wind, and the angle at which it is over, rad. */
const FLUTTER = 0.3;
const FLUTTER_OVER = 10 * DEGREE;

/**
 * What flutter adds to the pulls of a sheet in wind, as a factor: 1 plus 0.3 times the share of the cloth that lies along
 * the wind, fading out at ten degrees. Judgement (0.1 to 0.5): a flapping edge snatches at its lines by about the 0.3 of
 * the velocity pressure that it flutters by.
 */
export function flutterFactor(corners: Int32Array, at: Float64Array, toward: Vec3): number {
  let whole = 0;
  let along = 0;
  for (let i = 0; 3 * i < corners.length; i++) {
    const { normal, area } = normalOf(corners, at, i);
    const facing = normal[0] * toward[0] + normal[1] * toward[1] + normal[2] * toward[2];
    whole += area;
    along += area * Math.max(0, 1 - Math.asin(Math.min(1, Math.abs(facing))) / FLUTTER_OVER);
  }
  return whole > 0 ? 1 + (FLUTTER * along) / whole : 1;
}

/** Unit vector of wind from a bearing, in a rig's axes: x toward `axis`, y to its left. Bearings clockwise, rad. */
export function windToward(from: number, axis: number): Vec3 {
  const toward = from + Math.PI - axis;
  return [Math.cos(toward), -Math.sin(toward), 0];
}
