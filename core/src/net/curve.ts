/**
 * Tension against engineering strain of one cord: piecewise linear, rising, through the origin, its last
 * slope going on for ever. The strain of a given tension is then exact, which the catenary relies on.
 */
export interface TensionCurve {
  /** Strain at each knot, first 0, strictly rising. */
  readonly strain: Float64Array;
  /** Tension at each knot, N, first 0, strictly rising. */
  readonly tension: Float64Array;
  /** Slope dT/de of the piece that starts at each knot, N; the last repeats the one before. */
  readonly slope: Float64Array;
  /** Strain energy per unstressed metre at each knot, N: the area under the curve. */
  readonly stored: Float64Array;
}

/**
 * @param points [strain, tension in N] pairs, first [0, 0], both strictly rising, at least two
 * @throws RangeError naming the first point that breaks this
 */
export function tensionCurve(points: readonly (readonly [number, number])[]): TensionCurve {
  const n = points.length;
  if (n < 2) throw new RangeError(`curve: ${n} points; at least 2 are needed`);
  const strain = new Float64Array(n);
  const tension = new Float64Array(n);
  const slope = new Float64Array(n);
  const stored = new Float64Array(n);
  points.forEach(([e, t], i) => {
    const fits = i === 0 ? e === 0 && t === 0 : e > (strain[i - 1] as number) && t > (tension[i - 1] as number);
    if (!fits || !Number.isFinite(e) || !Number.isFinite(t))
      throw new RangeError(
        `curve: point ${i} [${e}, ${t}] must ${i === 0 ? 'be [0, 0]' : 'rise above the one before'}`,
      );
    strain[i] = e;
    tension[i] = t;
    if (i > 0) {
      const rise = e - (strain[i - 1] as number);
      const before = tension[i - 1] as number;
      slope[i - 1] = (t - before) / rise;
      stored[i] = (stored[i - 1] as number) + 0.5 * rise * (t + before);
    }
  });
  slope[n - 1] = slope[n - 2] as number;
  return { strain, tension, slope, stored };
}

/** Linear elasticity. @param ea axial stiffness, N, > 0 */
export function linearCurve(ea: number): TensionCurve {
  if (!(ea > 0) || !Number.isFinite(ea)) throw new RangeError(`ea: ${ea}; must be finite and above 0 N`);
  return tensionCurve([
    [0, 0],
    [1, ea],
  ]);
}

/** Index of the piece that holds tension `t` (N, >= 0). */
export function pieceOf(curve: TensionCurve, t: number): number {
  const { tension } = curve;
  let k = tension.length - 2;
  while (k > 0 && t < (tension[k] as number)) k--;
  return k;
}

/** Strain at tension `t`, N; 0 for t <= 0. */
export function strainAt(curve: TensionCurve, t: number): number {
  if (!(t > 0)) return 0;
  const k = pieceOf(curve, t);
  return (curve.strain[k] as number) + (t - (curve.tension[k] as number)) / (curve.slope[k] as number);
}

/** Index of the piece that holds strain `e`, >= 0. */
export function pieceAtStrain(curve: TensionCurve, e: number): number {
  const { strain } = curve;
  let k = strain.length - 2;
  while (k > 0 && e < (strain[k] as number)) k--;
  return k;
}

/** Tension at strain `e`, N; 0 when slack. */
export function tensionAt(curve: TensionCurve, e: number): number {
  if (!(e > 0)) return 0;
  const k = pieceAtStrain(curve, e);
  return (curve.tension[k] as number) + (e - (curve.strain[k] as number)) * (curve.slope[k] as number);
}

/** The same cord with every tension multiplied by `strength` and every strain by `stretch`. */
export function scaledCurve(curve: TensionCurve, strength: number, stretch: number): TensionCurve {
  return tensionCurve(
    Array.from(curve.strain, (e, i) => [e * stretch, (curve.tension[i] as number) * strength] as const),
  );
}

/** Strain energy per unstressed metre at strain `e`, N: the area under the curve. */
export function storedAt(curve: TensionCurve, e: number): number {
  if (!(e > 0)) return 0;
  const k = pieceAtStrain(curve, e);
  const over = e - (curve.strain[k] as number);
  return (curve.stored[k] as number) + 0.5 * over * (tensionAt(curve, e) + (curve.tension[k] as number));
}
