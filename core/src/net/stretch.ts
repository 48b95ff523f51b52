import type { Segment } from './catenary.js';
import { newSegment, segment } from './catenary.js';
import type { TensionCurve } from './curve.js';
import { pieceAtStrain, strainAt } from './curve.js';

const { abs, cbrt, cosh, log, max, sinh, sqrt, tanh } = Math;

/**
 * One stretch of line between two nodes, tension only. What a stretch tells is written to `STRETCH` numbers:
 * its pull t0 on the first node, the tension vector t1 at the second (the stretch pulls it with -t1),
 * the stiffness dt/dr, and how both tensions answer a longer unstressed length.
 */
export const T0 = 0; // 3: tension vector at the first node, N
export const T1 = 3; // 3: at the second, N
export const K = 6; // 6: dt/dr, N/m: xx, xy, xz, yy, yz, zz
export const C0 = 12; // 3: dt0/drest, N/m
export const C1 = 15; // 3: dt1/drest, N/m
export const ENERGY = 18; // N m, without the weight's place: add weight x rest x height of the second node
export const LENGTH = 19; // stretched length, m
export const STRETCH = 20;

/**
 * A weightless stretch: straight, or slack without any force.
 * @param out written from `o` on, STRETCH numbers
 * @param rx,ry,rz second node minus first, m
 */
export function straight(
  out: Float64Array,
  o: number,
  rx: number,
  ry: number,
  rz: number,
  rest: number,
  curve: TensionCurve,
): void {
  const length = sqrt(rx * rx + ry * ry + rz * rz);
  const strain = length / rest - 1;
  out.fill(0, o, o + STRETCH);
  out[o + LENGTH] = rest;
  if (!(strain > 0)) return;
  const k = pieceAtStrain(curve, strain);
  const slope = curve.slope[k] as number;
  const over = strain - (curve.strain[k] as number);
  const base = curve.tension[k] as number;
  const tension = base + over * slope;
  axial(out, o, rx, ry, rz, rest, length, tension, slope);
  out[o + ENERGY] = rest * ((curve.stored[k] as number) + over * 0.5 * (base + tension));
}

/**
 * Fills everything but the energy of a straight element.
 * @param length distance of its ends, m, > 0
 * @param slope  dT/dstrain, N
 */
export function axial(
  out: Float64Array,
  o: number,
  rx: number,
  ry: number,
  rz: number,
  rest: number,
  length: number,
  tension: number,
  slope: number,
): void {
  const nx = rx / length;
  const ny = ry / length;
  const nz = rz / length;
  out[o + T0] = out[o + T1] = tension * nx;
  out[o + T0 + 1] = out[o + T1 + 1] = tension * ny;
  out[o + T0 + 2] = out[o + T1 + 2] = tension * nz;
  const across = tension / length;
  const along = slope / rest - across;
  out[o + K] = across + along * nx * nx;
  out[o + K + 1] = along * nx * ny;
  out[o + K + 2] = along * nx * nz;
  out[o + K + 3] = across + along * ny * ny;
  out[o + K + 4] = along * ny * nz;
  out[o + K + 5] = across + along * nz * nz;
  const lose = (-slope * length) / (rest * rest);
  out[o + C0] = out[o + C1] = lose * nx;
  out[o + C0 + 1] = out[o + C1 + 1] = lose * ny;
  out[o + C0 + 2] = out[o + C1 + 2] = lose * nz;
  out[o + LENGTH] = length;
}

const part: Segment = newSegment();
const load: [number, number, number] = [0, 0, 0];
const t: [number, number, number] = [0, 0, 0];
/** A plumb stretch hangs as a hairpin this share of its length wide: its sideways force has no jump at zero. */
const HAIRPIN = 1e-9;
const MOST_STEPS = 80;

/**
 * A stretch with weight: the exact elastic catenary through both nodes. The tension vector at the start is the
 * minimum of a convex function (complementary energy less t . r), found by a damped Newton iteration.
 * @param weight N per unstressed metre, > 0
 * @param warm   horizontal and upward tension at the start, N, of the last answer for this stretch (0, 0: none);
 *               overwritten at `w`
 * @returns how many catenaries were tried
 */
export function hanging(
  out: Float64Array,
  o: number,
  rx: number,
  ry: number,
  rz: number,
  rest: number,
  curve: TensionCurve,
  weight: number,
  warm: Float64Array,
  w: number,
): number {
  const flat = sqrt(rx * rx + ry * ry);
  const hair = HAIRPIN * rest;
  const rh = sqrt(flat * flat + hair * hair);
  const share = flat / rh;
  load[2] = -weight;
  const good = 4e-15 * (rest + rh + abs(rz));

  // from the last answer while that is near, else from the closed-form guess
  let H = warm[w] as number;
  let V = warm[w + 1] as number;
  let tries = 2;
  let gap = H !== 0 || V !== 0 ? miss(H, V, rh, rz, rest, curve) : Number.POSITIVE_INFINITY;
  if (!(gap < 0.02 * rest)) {
    guess(rh, rz, rest, curve, weight);
    H = t[0];
    V = t[2];
    gap = miss(H, V, rh, rz, rest, curve);
  }
  for (let step = 0; step < MOST_STEPS && gap > good; step++) {
    const a = part.flexibility[0];
    const b = part.flexibility[2];
    const c = part.flexibility[5];
    const g0 = part.r[0] - rh;
    const g1 = part.r[2] - rz;
    const determinant = max(a * c - b * b, 1e-14 * a * c);
    const d0 = (c * g0 - b * g1) / determinant;
    const d1 = (a * g1 - b * g0) / determinant;
    // along the step the slope of the convex function only grows: halve until it has not grown past its start
    const slope0 = g0 * d0 + g1 * d1;
    let take = 1;
    let nextGap = gap;
    let nH = H;
    let nV = V;
    for (let halving = 0; halving < 40; halving++) {
      nH = H - take * d0;
      nV = V - take * d1;
      nextGap = miss(nH, nV, rh, rz, rest, curve);
      tries++;
      const slope = (part.r[0] - rh) * d0 + (part.r[2] - rz) * d1;
      if (slope >= -0.5 * slope0) break;
      take *= 0.5;
    }
    if ((nH === H && nV === V) || (nextGap >= gap && gap < 1e-11 * (rest + rh))) {
      miss(H, V, rh, rz, rest, curve);
      break;
    }
    H = nH;
    V = nV;
    gap = nextGap;
  }
  warm[w] = H;
  warm[w + 1] = V;

  const ex = flat > 0 ? rx / flat : 1;
  const ey = flat > 0 ? ry / flat : 0;
  const end = V + weight * rest;
  out[o + T0] = H * share * ex;
  out[o + T0 + 1] = H * share * ey;
  out[o + T0 + 2] = V;
  out[o + T1] = out[o + T0] as number;
  out[o + T1 + 1] = out[o + T0 + 1] as number;
  out[o + T1 + 2] = end;
  const f00 = part.flexibility[0];
  const f01 = part.flexibility[2];
  const f11 = part.flexibility[5];
  const determinant = max(f00 * f11 - f01 * f01, 1e-14 * f00 * f11);
  const across = H / rh;
  const hh = (f11 / determinant) * share * share + across * (1 - share * share);
  const hv = (-f01 / determinant) * share;
  out[o + K] = across + (hh - across) * ex * ex;
  out[o + K + 1] = (hh - across) * ex * ey;
  out[o + K + 2] = hv * ex;
  out[o + K + 3] = across + (hh - across) * ey * ey;
  out[o + K + 4] = hv * ey;
  out[o + K + 5] = f00 / determinant;
  // a longer line pushes its far end along itself: dt0/drest = -K dr/drest, and the far end also bears its weight
  const far = sqrt(H * H + end * end);
  const strain = far > 0 ? strainAt(curve, far) : 0;
  const dh = far > 0 ? ((1 + strain) * H) / far : 0;
  const dv = far > 0 ? ((1 + strain) * end) / far : 1;
  const lh = -((f11 / determinant) * dh - (f01 / determinant) * dv) * share;
  const lv = -((f00 / determinant) * dv - (f01 / determinant) * dh);
  out[o + C0] = out[o + C1] = lh * ex;
  out[o + C0 + 1] = out[o + C1 + 1] = lh * ey;
  out[o + C0 + 2] = lv;
  out[o + C1 + 2] = lv + weight;
  out[o + ENERGY] = H * rh + V * rz - part.complementary;
  out[o + LENGTH] = part.length;
  return tries;
}

/** Evaluates the catenary of a start tension into `part`; returns by how much its end misses, m. */
function miss(H: number, V: number, rh: number, rz: number, rest: number, curve: TensionCurve): number {
  t[0] = H;
  t[2] = V;
  segment(part, t, load, rest, curve);
  const gh = part.r[0] - rh;
  const gv = part.r[2] - rz;
  return sqrt(gh * gh + gv * gv);
}

/** Where the point at unstressed distance `at` lies: along and up from the start, m. */
export function pointOn(curve: TensionCurve, H: number, V: number, weight: number, at: number): [number, number] {
  t[0] = H;
  t[2] = V;
  load[2] = -weight;
  segment(part, t, load, at, curve);
  return [part.r[0], part.r[2]];
}

/**
 * Start tension from closed forms, into `t`: the inextensible catenary when well slack, else the shallow elastic
 * parabola, whose length d = L (1 + T/EA) - W^2 L / (24 T^2) gives a cubic with one positive root.
 */
function guess(rh: number, rz: number, rest: number, curve: TensionCurve, weight: number): void {
  const chord = sqrt(rh * rh + rz * rz);
  const total = weight * rest;
  if (chord < 0.97 * rest) {
    const ratio = sqrt(rest * rest - rz * rz) / rh;
    let x = ratio < 3 ? sqrt(6 * (ratio - 1)) : log(2 * ratio) + log(log(2 * ratio));
    for (let i = 0; i < 4; i++) {
      const rise = sinh(x);
      x -= (rise / x - ratio) / ((x * cosh(x) - rise) / (x * x));
    }
    t[0] = (weight * rh) / (2 * x);
    t[2] = 0.5 * weight * (rz / tanh(x) - rest);
    return;
  }
  const strain = chord / rest - 1;
  const k = strain > 0 ? pieceAtStrain(curve, strain) : 0;
  const slope = curve.slope[k] as number;
  const straightTension =
    strain > 0 ? (curve.tension[k] as number) + (strain - (curve.strain[k] as number)) * slope : slope * strain;
  const across = (total * rh) / chord;
  const c = (slope * across * across) / 24;
  let T = max(straightTension, 0) + cbrt(c);
  for (let i = 0; i < 12; i++) {
    const next = T - ((T - straightTension) * T * T - c) / (3 * T * T - 2 * straightTension * T);
    if (!(next > 0) || abs(next - T) <= 1e-9 * T) break;
    T = next;
  }
  t[0] = (T * rh) / chord;
  t[2] = (T * rz) / chord - 0.5 * total;
}
