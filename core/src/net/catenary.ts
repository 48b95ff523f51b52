import type { Vec3 } from '../quantity/index.js';
import type { TensionCurve } from './curve.js';
import { pieceOf } from './curve.js';

const { abs, asinh, log, max, sqrt } = Math;

/**
 * One stretch of line between two loaded points, exact: the elastic catenary (Irvine, Cable Structures,
 * 1981, ch. 1) generalised to a load per unstressed metre of any fixed direction and to a piecewise
 * linear tension curve. The tension vector at unstressed distance s is t - q s, so on every piece of the
 * curve, where strain = a + T / k, the end-to-end vector
 *   r = integral of (t(s) / T(s)) (1 + strain(T(s))) ds
 * has a closed form. r is the gradient of a convex function of t, so dr/dt is symmetric and positive.
 */
export interface Segment {
  /** End minus start, m. */
  readonly r: [number, number, number];
  /** dr/dt, m/N, row by row: xx, xy, xz, yy, yz, zz. */
  readonly flexibility: [number, number, number, number, number, number];
  /** Stretched length, m. */
  length: number;
  /** Complementary energy, N m: the convex function of t whose gradient is r. */
  complementary: number;
}

export function newSegment(): Segment {
  return { r: [0, 0, 0], flexibility: [0, 0, 0, 0, 0, 0], length: 0, complementary: 0 };
}

const cuts = new Float64Array(256);

/**
 * @param out    written in place
 * @param t      tension vector at the start, N (what the rest of the line pulls the start with)
 * @param q      load per unstressed metre, N/m (gravity: [0, 0, -w])
 * @param length unstressed length, m, > 0
 * @param curve  tension curve of the cord as it is now; at most 120 knots
 */
export function segment(out: Segment, t: Vec3, q: Vec3, length: number, curve: TensionCurve): void {
  const { r, flexibility: f } = out;
  r[0] = r[1] = r[2] = 0;
  f.fill(0);
  out.length = 0;
  out.complementary = 0;
  const t0 = sqrt(t[0] * t[0] + t[1] * t[1] + t[2] * t[2]);
  const w = sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2]);
  if (w * length <= 1e-13 * t0) {
    constantTension(out, t, t0, length, curve);
    return;
  }
  // n points against the load; v is the tension's part along n and grows by w per metre
  const n0 = -q[0] / w;
  const n1 = -q[1] / w;
  const n2 = -q[2] / w;
  const v0 = t[0] * n0 + t[1] * n1 + t[2] * n2;
  const p0 = t[0] - v0 * n0;
  const p1 = t[1] - v0 * n1;
  const p2 = t[2] - v0 * n2;
  const h = sqrt(p0 * p0 + p1 * p1 + p2 * p2);
  const v1 = v0 + w * length;

  // cut where the tension passes a knot of the curve, and at the lowest tension
  let count = 0;
  cuts[count++] = v0;
  const knots = curve.tension.length;
  if (v0 < 0 && v1 > 0) cuts[count++] = 0;
  for (let k = 1; k < knots; k++) {
    const tk = curve.tension[k] as number;
    if (tk <= h) continue;
    const v = sqrt((tk - h) * (tk + h));
    if (v > v0 && v < v1) cuts[count++] = v;
    if (-v > v0 && -v < v1) cuts[count++] = -v;
  }
  cuts[count++] = v1;
  if (count > 2) cuts.subarray(0, count).sort();

  // sums along the line: A of (1+e)/T, B of v (1+e)/T, and of the flexibility's parts
  let sumA = 0;
  let sumB = 0;
  let fIso = 0;
  let fPP = 0;
  let fPN = 0;
  let fNN = 0;
  for (let c = 1; c < count; c++) {
    const va = cuts[c - 1] as number;
    const vb = cuts[c] as number;
    const dv = vb - va;
    if (!(dv > 0)) continue;
    const ta = sqrt(h * h + va * va);
    const tb = sqrt(h * h + vb * vb);
    const k = pieceOf(curve, sqrt(h * h + 0.25 * (va + vb) * (va + vb)));
    const slope = curve.slope[k] as number;
    const knot = curve.tension[k] as number;
    const a1 = 1 + (curve.strain[k] as number) - knot / slope;
    const ash = asinhDifference(va, vb, ta, tb, dv, h);
    const dT = ((vb + va) * dv) / (ta + tb);
    sumA += (a1 * ash + dv / slope) / w;
    sumB += (a1 * dT + (0.5 * (vb + va) * dv) / slope) / w;
    out.length += (a1 * dv + (0.5 * (vb * tb - va * ta + h * h * ash)) / slope) / w;
    // complementary energy per metre: c0 + a1 T + T^2 / (2 slope), continuous from piece to piece
    const c0 =
      (1 + (curve.strain[k] as number)) * knot - (curve.stored[k] as number) - a1 * knot - (0.5 * knot * knot) / slope;
    const cubes = dv * (h * h + (va * va + va * vb + vb * vb) / 3);
    out.complementary += (c0 * dv + 0.5 * a1 * (vb * tb - va * ta + h * h * ash) + (0.5 * cubes) / slope) / w;
    fIso += (a1 * ash + dv / slope) / w;
    let i0: number; // integrals of 1/T^3, v/T^3, v^2/T^3 over v
    let i1: number;
    let i2: number;
    if (dv < 0.02 * max(ta, tb)) {
      i0 = i1 = i2 = 0;
      for (const g of GAUSS) {
        const v = va + dv * g;
        const T = sqrt(h * h + v * v);
        const weight = (0.5 * dv) / (T * T * T);
        i0 += weight;
        i1 += weight * v;
        i2 += weight * v * v;
      }
    } else {
      i0 = h > 0 ? (vb / tb - va / ta) / (h * h) : 0;
      i1 = 1 / ta - 1 / tb;
      i2 = ash - (vb / tb - va / ta);
    }
    fPP += (a1 * i0) / w;
    fPN += (a1 * i1) / w;
    fNN += (a1 * i2) / w;
  }
  r[0] = p0 * sumA + n0 * sumB;
  r[1] = p1 * sumA + n1 * sumB;
  r[2] = p2 * sumA + n2 * sumB;
  f[0] = fIso - (fPP * p0 * p0 + 2 * fPN * p0 * n0 + fNN * n0 * n0);
  f[1] = -(fPP * p0 * p1 + fPN * (p0 * n1 + n0 * p1) + fNN * n0 * n1);
  f[2] = -(fPP * p0 * p2 + fPN * (p0 * n2 + n0 * p2) + fNN * n0 * n2);
  f[3] = fIso - (fPP * p1 * p1 + 2 * fPN * p1 * n1 + fNN * n1 * n1);
  f[4] = -(fPP * p1 * p2 + fPN * (p1 * n2 + n1 * p2) + fNN * n1 * n2);
  f[5] = fIso - (fPP * p2 * p2 + 2 * fPN * p2 * n2 + fNN * n2 * n2);
}

/** Two-point Gauss abscissae on [0, 1]. */
const GAUSS = [0.5 - 0.5 / sqrt(3), 0.5 + 0.5 / sqrt(3)] as const;

/** asinh(vb/h) - asinh(va/h) without cancellation, h >= 0. */
function asinhDifference(va: number, vb: number, ta: number, tb: number, dv: number, h: number): number {
  if (h === 0) return va > 0 || vb < 0 ? abs(log(abs(vb / va))) : 0;
  if (va >= 0 ? vb >= 0 : vb <= 0) {
    const y = ((vb + va) * dv) / (vb * ta + va * tb);
    return asinh(Number.isFinite(y) ? y : 0);
  }
  return asinh(vb / h) - asinh(va / h);
}

function constantTension(out: Segment, t: Vec3, T: number, length: number, curve: TensionCurve): void {
  if (T === 0) return; // slack: no direction
  const { r, flexibility: f } = out;
  const k = pieceOf(curve, T);
  const slope = curve.slope[k] as number;
  const strain = (curve.strain[k] as number) + (T - (curve.tension[k] as number)) / slope;
  const stretch = 1 + strain;
  const over = strain - (curve.strain[k] as number);
  const stored = (curve.stored[k] as number) + 0.5 * over * (T + (curve.tension[k] as number));
  out.complementary = length * (T * stretch - stored);
  const u0 = t[0] / T;
  const u1 = t[1] / T;
  const u2 = t[2] / T;
  out.length = stretch * length;
  r[0] = u0 * out.length;
  r[1] = u1 * out.length;
  r[2] = u2 * out.length;
  const across = out.length / T;
  const along = length / slope - across;
  f[0] = across + along * u0 * u0;
  f[1] = along * u0 * u1;
  f[2] = along * u0 * u2;
  f[3] = across + along * u1 * u1;
  f[4] = along * u1 * u2;
  f[5] = across + along * u2 * u2;
}
