const { PI, abs, atan2, cos, sin, sqrt } = Math;

/**
 * The law of cloth that cannot be compressed: St. Venant-Kirchhoff in plane stress, relaxed by tension field theory
 * (Pipkin, IMA J. Appl. Math. 36, 1986; Steigmann, Proc. R. Soc. A 429, 1990). The relaxed energy is
 *   W(E) = max over tensile stresses S of  S:E - S:compliance:S / 2,
 * convex in the strain and rising with it, so the energy of a weighted net of cloth and cord is convex in the nodes'
 * places (Pipkin, Q. J. Mech. Appl. Math. 47, 1994): one minimum, found by descent from anywhere.
 */
export const TAUT = 2;
export const WRINKLED = 1;
export const SLACK = 0;

/** What the law says of one strain. Components along side a-b, across, and both; stresses N/m. */
export interface ClothState {
  state: number;
  s11: number;
  s22: number;
  s12: number;
  /** Per unstressed area, N/m. */
  energy: number;
  /** Tangent dS/dE against (e11, e22, 2 e12): 11, 12, 16, 22, 26, 66. */
  readonly tangent: Float64Array;
}

export function newClothState(): ClothState {
  return { state: SLACK, s11: 0, s22: 0, s12: 0, energy: 0, tangent: new Float64Array(6) };
}

function slack(out: ClothState): void {
  out.state = SLACK;
  out.s11 = out.s22 = out.s12 = out.energy = 0;
  out.tangent.fill(0);
}

/**
 * Cloth alike in all directions: the projection has a closed form.
 * @param e11,e22,e12 Green strain
 * @param stiffness   N/m, thickness-integrated
 * @param poisson     -1 < poisson < 1
 */
export function isotropicCloth(
  out: ClothState,
  e11: number,
  e22: number,
  e12: number,
  stiffness: number,
  poisson: number,
): void {
  const mean = 0.5 * (e11 + e22);
  const half = 0.5 * (e11 - e22);
  const radius = sqrt(half * half + e12 * e12);
  const first = mean + radius;
  const second = mean - radius;
  const d = out.tangent;
  if (!(first > 0)) {
    slack(out);
    return;
  }
  if (second + poisson * first > 0) {
    const k = stiffness / (1 - poisson * poisson);
    out.state = TAUT;
    out.s11 = k * (e11 + poisson * e22);
    out.s22 = k * (e22 + poisson * e11);
    out.s12 = k * (1 - poisson) * e12;
    out.energy = 0.5 * (out.s11 * e11 + out.s22 * e22) + out.s12 * e12;
    d[0] = d[3] = k;
    d[1] = k * poisson;
    d[2] = d[4] = 0;
    d[5] = 0.5 * k * (1 - poisson);
    return;
  }
  // n along the first principal strain; n n = (c2, s2, cs)
  const cos2 = half / radius;
  const sin2 = e12 / radius;
  const c2 = 0.5 * (1 + cos2);
  const s2 = 0.5 * (1 - cos2);
  const cs = 0.5 * sin2;
  const stress = stiffness * first;
  out.state = WRINKLED;
  out.s11 = stress * c2;
  out.s22 = stress * s2;
  out.s12 = stress * cs;
  out.energy = 0.5 * stress * first;
  // along n: the stiffness itself; turning n: stress over the difference of principal strains
  const turn = stress / (2 * (first - second));
  d[0] = stiffness * c2 * c2 + turn * sin2 * sin2;
  d[1] = stiffness * c2 * s2 - turn * sin2 * sin2;
  d[2] = stiffness * c2 * cs - turn * sin2 * cos2;
  d[3] = stiffness * s2 * s2 + turn * sin2 * sin2;
  d[4] = stiffness * s2 * cs + turn * sin2 * cos2;
  d[5] = stiffness * cs * cs + turn * cos2 * cos2;
}

/** Directions tried, half way round: between two of them a weave's reach has at most one peak. */
const SCAN = 12;
const scanCC = Float64Array.from({ length: SCAN }, (_, i) => cos((PI * i) / SCAN) ** 2);
const scanNN = Float64Array.from({ length: SCAN }, (_, i) => sin((PI * i) / SCAN) ** 2);
const scanCN = Float64Array.from({ length: SCAN }, (_, i) => cos((PI * i) / SCAN) * sin((PI * i) / SCAN));

/**
 * Woven cloth: the wrinkles' direction maximises e(n)^2 / (2 compliance(n)) over directions n, found by a scan and a
 * safeguarded Newton iteration.
 * @param s compliances 11, 22, 12, 66, 16, 26, m/N, from `at`
 */
export function wovenCloth(out: ClothState, e11: number, e22: number, e12: number, s: Float64Array, at: number): void {
  const gamma = 2 * e12;
  const radius = sqrt(0.25 * (e11 - e22) * (e11 - e22) + e12 * e12);
  if (!(0.5 * (e11 + e22) + radius > 0)) {
    slack(out);
    return;
  }
  const s11 = s[at] as number;
  const s22 = s[at + 1] as number;
  const s12 = s[at + 2] as number;
  const s66 = s[at + 3] as number;
  const s16 = s[at + 4] as number;
  const s26 = s[at + 5] as number;
  const d = out.tangent;
  // stiffness = inverse of the compliance
  const m00 = s22 * s66 - s26 * s26;
  const m01 = s16 * s26 - s12 * s66;
  const m02 = s12 * s26 - s22 * s16;
  const determinant = s11 * m00 + s12 * m01 + s16 * m02;
  d[0] = m00 / determinant;
  d[1] = m01 / determinant;
  d[2] = m02 / determinant;
  d[3] = (s11 * s66 - s16 * s16) / determinant;
  d[4] = (s12 * s16 - s11 * s26) / determinant;
  d[5] = (s11 * s22 - s12 * s12) / determinant;
  const t11 = d[0] * e11 + d[1] * e22 + d[2] * gamma;
  const t22 = d[1] * e11 + d[3] * e22 + d[4] * gamma;
  const t12 = d[2] * e11 + d[4] * e22 + d[5] * gamma;
  if (t11 + t22 > 0 && t11 * t22 > t12 * t12) {
    out.state = TAUT;
    out.s11 = t11;
    out.s22 = t22;
    out.s12 = t12;
    out.energy = 0.5 * (t11 * e11 + t22 * e22 + t12 * gamma);
    return;
  }
  // the best of directions all round, and of the first principal strain's, then Newton within a step of it
  const mixed = 2 * s12 + s66;
  const cos2 = radius > 0 ? (0.5 * (e11 - e22)) / radius : 1;
  const sin2 = radius > 0 ? e12 / radius : 0;
  const pc = 0.5 * (1 + cos2);
  const ps = 0.5 * (1 - cos2);
  const pcs = 0.5 * sin2;
  const first = 0.5 * (e11 + e22) + radius;
  let bestE = first * first;
  let bestK = s11 * pc * pc + s22 * ps * ps + mixed * pc * ps + 2 * (s16 * pc + s26 * ps) * pcs;
  let best = -1;
  for (let i = 0; i < SCAN; i++) {
    const cc = scanCC[i] as number;
    const nn = scanNN[i] as number;
    const cn = scanCN[i] as number;
    const along = e11 * cc + e22 * nn + gamma * cn;
    if (along <= 0) continue;
    const stiff = s11 * cc * cc + s22 * nn * nn + mixed * cc * nn + 2 * (s16 * cc + s26 * nn) * cn;
    if (along * along * bestK <= bestE * stiff) continue;
    bestE = along * along;
    bestK = stiff;
    best = i;
  }
  let angle = best < 0 ? 0.5 * atan2(sin2, cos2) : (PI * best) / SCAN;
  let low = angle - PI / SCAN;
  let high = angle + PI / SCAN;
  let de = 0;
  let dk = 0;
  let curvature = -1;
  for (let i = 0; i < 40; i++) {
    const c = cos(angle);
    const n = sin(angle);
    const cc = c * c;
    const nn = n * n;
    const cn = c * n;
    const c2 = cc - nn;
    const e = e11 * cc + e22 * nn + gamma * cn;
    de = 2 * (e22 - e11) * cn + gamma * c2;
    const dde = 2 * (e22 - e11) * c2 - 4 * gamma * cn;
    const k = s11 * cc * cc + s22 * nn * nn + mixed * cc * nn + 2 * (s16 * cc + s26 * nn) * cn;
    dk =
      -4 * s11 * cc * cn +
      4 * s22 * nn * cn +
      2 * mixed * cn * c2 +
      2 * s16 * (cc * cc - 3 * cc * nn) +
      2 * s26 * (3 * cc * nn - nn * nn);
    const ddk =
      -4 * s11 * (cc * cc - 3 * cc * nn) +
      4 * s22 * (3 * cc * nn - nn * nn) +
      2 * mixed * (c2 * c2 - 4 * cn * cn) -
      2 * s16 * cn * (10 * cc - 6 * nn) -
      2 * s26 * cn * (10 * nn - 6 * cc);
    // w = e^2 / 2k: its slope and curvature
    const slope = (e * de) / k - (0.5 * e * e * dk) / (k * k);
    curvature =
      (de * de + e * dde) / k -
      (2 * e * de * dk) / (k * k) -
      (0.5 * e * e * ddk) / (k * k) +
      (e * e * dk * dk) / (k * k * k);
    if (slope > 0) low = angle;
    else high = angle;
    const step = curvature < 0 ? -slope / curvature : Number.NaN;
    let to = angle + step;
    if (!(to > low && to < high)) to = 0.5 * (low + high);
    const moved = abs(to - angle);
    angle = to;
    // Newton doubles its digits: what is left is rounding
    if (moved < 1e-8) break;
  }
  const c = cos(angle);
  const n = sin(angle);
  const e = e11 * c * c + e22 * n * n + gamma * c * n;
  const k = s11 * c ** 4 + s22 * n ** 4 + mixed * c * c * n * n + 2 * (s16 * c * c + s26 * n * n) * c * n;
  const stress = e / k;
  out.state = WRINKLED;
  out.s11 = stress * c * c;
  out.s22 = stress * n * n;
  out.s12 = stress * c * n;
  out.energy = 0.5 * stress * e;
  // envelope theorem: d2W/dE2 = n n / k - (dS/dangle)(dS/dangle) / curvature
  const turn = de / k - (e * dk) / (k * k);
  const v0 = turn * c * c - 2 * stress * c * n;
  const v1 = turn * n * n + 2 * stress * c * n;
  const v2 = turn * c * n + stress * (c * c - n * n);
  const q = curvature < 0 ? -1 / curvature : 0;
  d[0] = (c * c * c * c) / k + q * v0 * v0;
  d[1] = (c * c * n * n) / k + q * v0 * v1;
  d[2] = (c * c * c * n) / k + q * v0 * v2;
  d[3] = (n * n * n * n) / k + q * v1 * v1;
  d[4] = (c * n * n * n) / k + q * v1 * v2;
  d[5] = (c * c * n * n) / k + q * v2 * v2;
}
