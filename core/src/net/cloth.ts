const { PI, abs, cos, sin, sqrt } = Math;

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

/** Directions tried, half way round: between two of them a weave's reach has at most one peak. Cosines and sines of twice and four times their angle. */
const SCAN = 12;
const scanC2 = Float64Array.from({ length: SCAN }, (_, i) => cos((2 * PI * i) / SCAN));
const scanS2 = Float64Array.from({ length: SCAN }, (_, i) => sin((2 * PI * i) / SCAN));
const scanC4 = Float64Array.from({ length: SCAN }, (_, i) => cos((4 * PI * i) / SCAN));
const scanS4 = Float64Array.from({ length: SCAN }, (_, i) => sin((4 * PI * i) / SCAN));
/** Cosine and sine of twice the angle between two of them. */
const NEXT_C = cos((2 * PI) / SCAN);
const NEXT_S = sin((2 * PI) / SCAN);

/**
 * Woven cloth: the wrinkles' direction maximises e(n)^2 / (2 compliance(n)) over directions n, found by a scan and a
 * safeguarded Newton iteration. A direction is its double angle on the unit circle (C, S), in which strain and compliance are
 * short Fourier sums and a turn by t is rational: no angle is ever needed.
 * @param s compliances 11, 22, 12, 66, 16, 26, m/N, from `at`
 */
export function wovenCloth(out: ClothState, e11: number, e22: number, e12: number, s: Float64Array, at: number): void {
  const gamma = 2 * e12;
  const mean = 0.5 * (e11 + e22);
  const half = 0.5 * (e11 - e22);
  const radius = sqrt(half * half + e12 * e12);
  if (!(mean + radius > 0)) {
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
  const inverse = 1 / (s11 * m00 + s12 * m01 + s16 * m02);
  d[0] = m00 * inverse;
  d[1] = m01 * inverse;
  d[2] = m02 * inverse;
  d[3] = (s11 * s66 - s16 * s16) * inverse;
  d[4] = (s12 * s16 - s11 * s26) * inverse;
  d[5] = (s11 * s22 - s12 * s12) * inverse;
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
  // compliance along a direction of double angle (C, S): k0 + kc C + ks S + kc4 C4 + ks4 S4
  const mixed = 2 * s12 + s66;
  const k0 = 0.375 * (s11 + s22) + 0.125 * mixed;
  const kc = 0.5 * (s11 - s22);
  const ks = 0.5 * (s16 + s26);
  const kc4 = 0.125 * (s11 + s22 - mixed);
  const ks4 = 0.25 * (s16 - s26);
  // the best of directions all round, and of the first principal strain's, then Newton within a step of it
  let C = radius > 0 ? half / radius : 1;
  let S = radius > 0 ? e12 / radius : 0;
  let bestE = (mean + radius) * (mean + radius);
  let bestK = k0 + kc * C + ks * S + kc4 * (C * C - S * S) + ks4 * 2 * C * S;
  for (let i = 0; i < SCAN; i++) {
    const c2 = scanC2[i] as number;
    const s2 = scanS2[i] as number;
    const along = mean + half * c2 + e12 * s2;
    if (along <= 0) continue;
    const stiff = k0 + kc * c2 + ks * s2 + kc4 * (scanC4[i] as number) + ks4 * (scanS4[i] as number);
    if (along * along * bestK <= bestE * stiff) continue;
    bestE = along * along;
    bestK = stiff;
    C = c2;
    S = s2;
  }
  let lowC = C * NEXT_C + S * NEXT_S;
  let lowS = S * NEXT_C - C * NEXT_S;
  let highC = C * NEXT_C - S * NEXT_S;
  let highS = S * NEXT_C + C * NEXT_S;
  let de = 0;
  let dk = 0;
  let curvature = -1;
  for (let i = 0; i < 40; i++) {
    const C4 = C * C - S * S;
    const S4 = 2 * C * S;
    // by the double angle
    const turning = half * C + e12 * S;
    const e = mean + turning;
    de = e12 * C - half * S;
    const plain = kc * C + ks * S;
    const twice = kc4 * C4 + ks4 * S4;
    const k = k0 + plain + twice;
    dk = ks * C - kc * S + 2 * (ks4 * C4 - kc4 * S4);
    // w = e^2 / 2k: its slope and curvature by the double angle
    const f = e / k;
    const slope = f * (de - 0.5 * f * dk);
    const turn = de - f * dk;
    curvature = (turn * turn) / k - f * (turning - 0.5 * f * (plain + 4 * twice));
    if (slope > 0) {
      lowC = C;
      lowS = S;
    } else {
      highC = C;
      highS = S;
    }
    // a turn by 2 atan(t), t half of Newton's step
    const t = curvature < 0 ? (-0.5 * slope) / curvature : Number.NaN;
    const q = 1 / (1 + t * t);
    let toC = q * ((1 - t * t) * C - 2 * t * S);
    let toS = q * ((1 - t * t) * S + 2 * t * C);
    // Newton doubles its digits: what is left is rounding
    const close = abs(t) < 3e-9;
    if (!close && !(abs(t) < 0.5 && lowC * toS > lowS * toC && toC * highS > toS * highC)) {
      const long = 1 / sqrt((lowC + highC) * (lowC + highC) + (lowS + highS) * (lowS + highS));
      toC = (lowC + highC) * long;
      toS = (lowS + highS) * long;
      // nothing between them any more
      if (abs(toC * S - toS * C) < 1e-8) break;
    }
    C = toC;
    S = toS;
    if (close) break;
  }
  const cc = 0.5 * (1 + C);
  const nn = 0.5 * (1 - C);
  const cn = 0.5 * S;
  const e = mean + half * C + e12 * S;
  const k = k0 + kc * C + ks * S + kc4 * (C * C - S * S) + ks4 * 2 * C * S;
  const stress = e / k;
  out.state = WRINKLED;
  out.s11 = stress * cc;
  out.s22 = stress * nn;
  out.s12 = stress * cn;
  out.energy = 0.5 * stress * e;
  // envelope theorem: d2W/dE2 = n n / k - (dS/dangle)(dS/dangle) / curvature, by the angle itself
  const turn = (2 * (de - stress * dk)) / k;
  const v0 = turn * cc - 2 * stress * cn;
  const v1 = turn * nn + 2 * stress * cn;
  const v2 = turn * cn + stress * (cc - nn);
  const q = curvature < 0 ? -0.25 / curvature : 0;
  d[0] = (cc * cc) / k + q * v0 * v0;
  d[1] = (cc * nn) / k + q * v0 * v1;
  d[2] = (cc * cn) / k + q * v0 * v2;
  d[3] = (nn * nn) / k + q * v1 * v1;
  d[4] = (nn * cn) / k + q * v1 * v2;
  d[5] = (cc * nn) / k + q * v2 * v2;
}
