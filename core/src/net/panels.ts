import type { ClothState } from './cloth.js';
import { SLACK, TAUT, WRINKLED, isotropicCloth, newClothState, wovenCloth } from './cloth.js';
import type { Sink, State } from './state.js';
import type { Structure } from './structure.js';
import type { SheetWind } from './wind.js';

const { abs, max, sqrt } = Math;

/** Constant-strain triangles: Green strain from the corners' places, cloth law, follower pressure and weight. */

const law: ClothState = newClothState();
const ke = new Float64Array(81);

/**
 * Written by `deform`, 3 numbers each: first and second column of the deformation gradient, sides a-b and a-c as they
 * are. (In an array, because a number of a module's own is made anew at every writing.)
 */
const now = new Float64Array(12);
const P = 0;
const Q = 3;
const U = 6;
const V = 9;

function deform(s: Structure, x: Float64Array, i: number): void {
  const a = 3 * (s.corner[3 * i] as number);
  const b = 3 * (s.corner[3 * i + 1] as number);
  const c = 3 * (s.corner[3 * i + 2] as number);
  const g0 = s.gradient[3 * i] as number;
  const g1 = s.gradient[3 * i + 1] as number;
  const g2 = s.gradient[3 * i + 2] as number;
  for (let k = 0; k < 3; k++) {
    const from = x[a + k] as number;
    const u = (x[b + k] as number) - from;
    const v = (x[c + k] as number) - from;
    now[P + k] = u * g0;
    now[Q + k] = u * g1 + v * g2;
    now[U + k] = u;
    now[V + k] = v;
  }
}

/** Inner product of two of the vectors in `now`. */
const dotNow = (a: number, b: number): number =>
  (now[a] as number) * (now[b] as number) +
  (now[a + 1] as number) * (now[b + 1] as number) +
  (now[a + 2] as number) * (now[b + 2] as number);

/** The cloth law at the present strain of panel i, into `law`; `deform` first. */
function respond(s: Structure, i: number): void {
  apply(s, i, 0.5 * (dotNow(P, P) - 1), 0.5 * (dotNow(Q, Q) - 1), 0.5 * dotNow(P, Q));
}

function apply(s: Structure, i: number, e11: number, e22: number, e12: number): void {
  const stiffness = s.isotropic[2 * i] as number;
  if (stiffness > 0) isotropicCloth(law, e11, e22, e12, stiffness, s.isotropic[2 * i + 1] as number);
  else wovenCloth(law, e11, e22, e12, s.compliance, 6 * i);
}

/** What the law said of panel i at the last evaluation, LAW numbers each, for the tangents at the same places. */
const LAW = 10;
function keep({ law: kept }: State, i: number): void {
  const o = LAW * i;
  kept[o] = law.state;
  kept[o + 1] = law.s11;
  kept[o + 2] = law.s22;
  kept[o + 3] = law.s12;
  for (let k = 0; k < 6; k++) kept[o + 4 + k] = law.tangent[k] as number;
}
function recall({ law: kept }: State, i: number): void {
  const o = LAW * i;
  law.state = kept[o] as number;
  law.s11 = kept[o + 1] as number;
  law.s22 = kept[o + 2] as number;
  law.s12 = kept[o + 3] as number;
  for (let k = 0; k < 6; k++) law.tangent[k] = kept[o + 4 + k] as number;
}

/** Adds the panels' forces, energy and largest corner force. */
export function panelForces(state: State): void {
  const { structure: s, x, force } = state;
  for (let i = 0; i < s.area.length; i++) {
    const a = 3 * (s.corner[3 * i] as number);
    const b = 3 * (s.corner[3 * i + 1] as number);
    const c = 3 * (s.corner[3 * i + 2] as number);
    deform(s, x, i);
    respond(s, i);
    keep(state, i);
    const area = s.area[i] as number;
    const p0 = now[P] as number;
    const p1 = now[P + 1] as number;
    const p2 = now[P + 2] as number;
    const q0 = now[Q] as number;
    const q1 = now[Q + 1] as number;
    const q2 = now[Q + 2] as number;
    if (law.state !== SLACK) {
      const g0 = area * (s.gradient[3 * i] as number);
      const g1 = area * (s.gradient[3 * i + 1] as number);
      const g2 = area * (s.gradient[3 * i + 2] as number);
      const k11 = g0 * law.s11 + g1 * law.s12;
      const k12 = g0 * law.s12 + g1 * law.s22;
      const b0 = p0 * k11 + q0 * k12;
      const b1 = p1 * k11 + q1 * k12;
      const b2 = p2 * k11 + q2 * k12;
      const c0 = g2 * (p0 * law.s12 + q0 * law.s22);
      const c1 = g2 * (p1 * law.s12 + q1 * law.s22);
      const c2 = g2 * (p2 * law.s12 + q2 * law.s22);
      force[b]! -= b0;
      force[b + 1]! -= b1;
      force[b + 2]! -= b2;
      force[c]! -= c0;
      force[c + 1]! -= c1;
      force[c + 2]! -= c2;
      force[a]! += b0 + c0;
      force[a + 1]! += b1 + c1;
      force[a + 2]! += b2 + c2;
      state.energy += area * law.energy;
      const largest = max(b0 * b0 + b1 * b1 + b2 * b2, c0 * c0 + c1 * c1 + c2 * c2);
      if (largest > state.scale * state.scale) state.scale = sqrt(largest);
    }
    const w = (area * (s.panelWeight[i] as number)) / 3;
    if (w !== 0) {
      force[a + 2]! -= w;
      force[b + 2]! -= w;
      force[c + 2]! -= w;
      state.energy += w * ((x[a + 2] as number) + (x[b + 2] as number) + (x[c + 2] as number));
      if (w > state.scale) state.scale = w;
    }
    const pressure = pressureOn(state, i) / 6;
    if (pressure !== 0) {
      const u0 = now[U] as number;
      const u1 = now[U + 1] as number;
      const u2 = now[U + 2] as number;
      const v0 = now[V] as number;
      const v1 = now[V + 1] as number;
      const v2 = now[V + 2] as number;
      const n0 = pressure * (u1 * v2 - u2 * v1);
      const n1 = pressure * (u2 * v0 - u0 * v2);
      const n2 = pressure * (u0 * v1 - u1 * v0);
      force[a]! += n0;
      force[a + 1]! += n1;
      force[a + 2]! += n2;
      force[b]! += n0;
      force[b + 1]! += n1;
      force[b + 2]! += n2;
      force[c]! += n0;
      force[c + 1]! += n1;
      force[c + 2]! += n2;
      // the pressure's potential as far as it has one: minus the volume of the cone over the panel
      state.energy -= n0 * (x[a] as number) + n1 * (x[a + 1] as number) + n2 * (x[a + 2] as number);
      const size = abs(n0) + abs(n1) + abs(n2);
      if (size > state.scale) state.scale = size;
    }
  }
}

/** Gives the panels' stiffness to the sink. */
export function panelTangents(state: State, sink: Sink, firstElement: number): void {
  const { structure: s, x } = state;
  const d = law.tangent;
  for (let i = 0; i < s.area.length; i++) {
    deform(s, x, i);
    recall(state, i);
    const pressure = (s.wind === null ? (s.pressure[i] as number) : pressureOn(state, i)) / 6;
    if (law.state === SLACK && pressure === 0 && s.wind === null) continue;
    const area = s.area[i] as number;
    const g0 = s.gradient[3 * i] as number;
    const g1 = s.gradient[3 * i + 1] as number;
    const g2 = s.gradient[3 * i + 2] as number;
    if (state.foreseeing) {
      law.s11 = state.foreseenStress[3 * i] as number;
      law.s22 = state.foreseenStress[3 * i + 1] as number;
      law.s12 = state.foreseenStress[3 * i + 2] as number;
    }
    // geometric stiffness of the pairs second-second, second-third, third-third
    const gbb = area * (g0 * g0 * law.s11 + 2 * g0 * g1 * law.s12 + g1 * g1 * law.s22);
    const gbc = area * (g0 * g2 * law.s12 + g1 * g2 * law.s22);
    const gcc = area * g2 * g2 * law.s22;
    // elastic stiffness of a pair of corners: what D gives of the four products of p and q, gradients in front
    const d0 = area * (d[0] as number);
    const d1 = area * (d[1] as number);
    const d2 = area * (d[2] as number);
    const d3 = area * (d[3] as number);
    const d4 = area * (d[4] as number);
    const d5 = area * (d[5] as number);
    const bpp = g0 * (d0 * g0 + 2 * d2 * g1) + d5 * g1 * g1;
    const bpq = g0 * (d2 * g0 + (d1 + d5) * g1) + d4 * g1 * g1;
    const bqq = g0 * (d5 * g0 + 2 * d4 * g1) + d3 * g1 * g1;
    const mpp = g2 * (d2 * g0 + d5 * g1);
    const mpq = g2 * (d1 * g0 + d4 * g1);
    const mqp = g2 * (d5 * g0 + d4 * g1);
    const mqq = g2 * (d4 * g0 + d3 * g1);
    const cpp = g2 * g2 * d5;
    const cpq = g2 * g2 * d4;
    const cqq = g2 * g2 * d3;
    for (let r = 0; r < 3; r++) {
      const pr = now[P + r] as number;
      const qr = now[Q + r] as number;
      const row = 9 * r;
      for (let c = 0; c < 3; c++) {
        const pc = now[P + c] as number;
        const qc = now[Q + c] as number;
        const pp = pr * pc;
        const qq = qr * qc;
        const pq = pr * qc;
        const qp = qr * pc;
        let kbb = bpp * pp + bpq * (pq + qp) + bqq * qq;
        let kcc = cpp * pp + cpq * (pq + qp) + cqq * qq;
        const same = mpp * pp + mqq * qq;
        let kbc = same + mpq * pq + mqp * qp;
        let kcb = same + mpq * qp + mqp * pq;
        if (r === c) {
          kbb += gbb;
          kcc += gcc;
          kbc += gbc;
          kcb += gbc;
        }
        const mid = row + 27 + c;
        const low = row + 54 + c;
        ke[mid + 3] = kbb;
        ke[mid + 6] = kbc;
        ke[low + 3] = kcb;
        ke[low + 6] = kcc;
        ke[mid] = -(kbb + kbc);
        ke[low] = -(kcb + kcc);
        ke[row + 3 + c] = -(kbb + kcb);
        ke[row + 6 + c] = -(kbc + kcc);
        ke[row + c] = kbb + kbc + kcb + kcc;
      }
    }
    if (pressure !== 0) {
      // n = u x v: dn/db = -[v], dn/dc = [u], dn/da = [v] - [u]; stiffness is minus the force's change
      for (let corner = 0; corner < 3; corner++) {
        const r = 27 * corner;
        skew(r, V, -pressure);
        skew(r, U, pressure);
        skew(r + 3, V, pressure);
        skew(r + 6, U, -pressure);
      }
    }
    if (s.wind !== null) turnInWind(s.wind);
    sink.add(firstElement + i, ke, 9);
  }
}

/** Right-hand normal of the panel in `now` as unit vector into `normal`; returns twice its area, m2. */
const normal = new Float64Array(3);
function faceOf(): number {
  const u0 = now[U] as number;
  const u1 = now[U + 1] as number;
  const u2 = now[U + 2] as number;
  const v0 = now[V] as number;
  const v1 = now[V + 1] as number;
  const v2 = now[V + 2] as number;
  const n0 = u1 * v2 - u2 * v1;
  const n1 = u2 * v0 - u0 * v2;
  const n2 = u0 * v1 - u1 * v0;
  const size = sqrt(n0 * n0 + n1 * n1 + n2 * n2);
  const k = size > 0 ? 1 / size : 0;
  normal[0] = k * n0;
  normal[1] = k * n1;
  normal[2] = k * n2;
  return size;
}

/** How squarely the normal faces along the wind. */
const facing = ({ toward }: SheetWind): number =>
  (normal[0] as number) * toward[0] + (normal[1] as number) * toward[1] + (normal[2] as number) * toward[2];

/** Given pressure and the wind's on panel i, Pa, kept in the state; `deform` first. */
function pressureOn(state: State, i: number): number {
  const { structure: s } = state;
  let p = s.pressure[i] as number;
  if (s.wind !== null && faceOf() > 0) p += s.wind.q * s.wind.law.coefficient(facing(s.wind));
  state.panelPressure[i] = p;
  return p;
}

/**
 * Adds to `ke` what turning the panel in `now` changes of the wind's pressure. The force on a corner is p M / 6 with
 * M = u x v; dp = q C' g . dM / |M| with g = toward - (toward . m) m, so it changes by q C' m (g . dM) / 6, and g . dM is
 * (v x g) . db, (g x u) . dc and minus their sum for da.
 */
function turnInWind(wind: SheetWind): void {
  if (!(faceOf() > 0)) return;
  const f = facing(wind);
  const k = (wind.q * wind.law.slope(f)) / 6;
  if (k === 0) return;
  const { toward } = wind;
  const m0 = normal[0] as number;
  const m1 = normal[1] as number;
  const m2 = normal[2] as number;
  const g0 = toward[0] - f * m0;
  const g1 = toward[1] - f * m1;
  const g2 = toward[2] - f * m2;
  const u0 = now[U] as number;
  const u1 = now[U + 1] as number;
  const u2 = now[U + 2] as number;
  const v0 = now[V] as number;
  const v1 = now[V + 1] as number;
  const v2 = now[V + 2] as number;
  // columns of the second and the third corner
  row[3] = v1 * g2 - v2 * g1;
  row[4] = v2 * g0 - v0 * g2;
  row[5] = v0 * g1 - v1 * g0;
  row[6] = g1 * u2 - g2 * u1;
  row[7] = g2 * u0 - g0 * u2;
  row[8] = g0 * u1 - g1 * u0;
  for (let c = 0; c < 3; c++) row[c] = -((row[3 + c] as number) + (row[6 + c] as number));
  for (let corner = 0; corner < 3; corner++)
    for (let d = 0; d < 3; d++) {
      const by = -k * (normal[d] as number);
      const to = 9 * (3 * corner + d);
      for (let c = 0; c < 9; c++) ke[to + c]! += by * (row[c] as number);
    }
}
const row = new Float64Array(9);

/** Adds k [w] (the matrix of w x) to the 3 x 3 block of `ke` at r; w stands in `now` at o. */
function skew(r: number, o: number, k: number): void {
  const w0 = k * (now[o] as number);
  const w1 = k * (now[o + 1] as number);
  const w2 = k * (now[o + 2] as number);
  ke[r + 1]! -= w2;
  ke[r + 2]! += w1;
  ke[r + 9]! += w2;
  ke[r + 11]! -= w0;
  ke[r + 18]! -= w1;
  ke[r + 19]! += w0;
}

/** The stresses that a step foresees to first order: the law at the strain plus its linear change. */
export function foreseeStresses(state: State, d: Float64Array, share: number): void {
  const { structure: s, x, foreseenStress } = state;
  for (let i = 0; i < s.area.length; i++) {
    deform(s, d, i);
    const d0 = now[P] as number;
    const d1 = now[P + 1] as number;
    const d2 = now[P + 2] as number;
    const h0 = now[Q] as number;
    const h1 = now[Q + 1] as number;
    const h2 = now[Q + 2] as number;
    deform(s, x, i);
    const p0 = now[P] as number;
    const p1 = now[P + 1] as number;
    const p2 = now[P + 2] as number;
    const q0 = now[Q] as number;
    const q1 = now[Q + 1] as number;
    const q2 = now[Q + 2] as number;
    const e11 = 0.5 * (dotNow(P, P) - 1) + share * (p0 * d0 + p1 * d1 + p2 * d2);
    const e22 = 0.5 * (dotNow(Q, Q) - 1) + share * (q0 * h0 + q1 * h1 + q2 * h2);
    const e12 = 0.5 * dotNow(P, Q) + 0.5 * share * (p0 * h0 + p1 * h1 + p2 * h2 + q0 * d0 + q1 * d1 + q2 * d2);
    apply(s, i, e11, e22, e12);
    foreseenStress[3 * i] = law.s11;
    foreseenStress[3 * i + 1] = law.s22;
    foreseenStress[3 * i + 2] = law.s12;
  }
}

/** A bound on what a corner of panel i meets when the panel is taut, N/m. */
export function panelStiffness(s: Structure, x: Float64Array, i: number): number {
  deform(s, x, i);
  const s11 = s.compliance[6 * i] as number;
  const s22 = s.compliance[6 * i + 1] as number;
  const s12 = s.compliance[6 * i + 2] as number;
  const elastic = (s11 + s22) / (s11 * s22 - s12 * s12) + 1 / (s.compliance[6 * i + 3] as number);
  const g0 = s.gradient[3 * i] as number;
  const g1 = s.gradient[3 * i + 1] as number;
  const g2 = s.gradient[3 * i + 2] as number;
  const stretch = max(1, 1.5 * (dotNow(P, P) + dotNow(Q, Q)) - 2);
  return elastic * stretch * (s.area[i] as number) * (g0 * g0 + g1 * g1 + g2 * g2);
}

/**
 * Principal stresses and state of panel i as it is now.
 * @param out first and second principal second Piola-Kirchhoff stress, N/m, and the state (TAUT, WRINKLED, SLACK)
 */
export function panelStress(state: State, i: number, out: Float64Array): void {
  deform(state.structure, state.x, i);
  respond(state.structure, i);
  const mean = 0.5 * (law.s11 + law.s22);
  const radius = sqrt(0.25 * (law.s11 - law.s22) ** 2 + law.s12 ** 2);
  // what a strain of rounding's size makes is no stress
  const nothing = ROUNDING / (state.structure.compliance[6 * i] as number);
  const first = mean + radius;
  const second = mean - radius;
  out[0] = first > nothing ? first : 0;
  out[1] = law.state === TAUT && second > nothing ? second : 0;
  out[2] = !(first > nothing) ? SLACK : out[1] > 0 ? TAUT : WRINKLED;
}

/** Strain that a place's last digits may feign. */
const ROUNDING = 1e-12;
