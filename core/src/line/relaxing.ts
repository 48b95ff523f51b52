import { strainAt } from '../net/index.js';
import type { TensionCurve } from '../net/index.js';

/**
 * Tension that is left in a cord held at fixed length.
 *   T(t) = T0 (1 - k log10(1 + t / t0)), never below 0
 * @param tension T0 at tying off, N
 * @param perDecade k, share lost per tenfold time
 * @param time  since tying off, s, >= 0
 * @param onset t0, s, > 0
 */
export function relaxedTension(tension: number, perDecade: number, time: number, onset: number): number {
  return tension * Math.max(0, 1 - perDecade * Math.log10(1 + time / onset));
}

/**
 * Unstressed length after the cord has relaxed: the length that, at the same stretched length, gives the
 * relaxed tension. A line that was slack does not relax.
 * @param unstressed length at tying off, m
 * @param tension    T0 at tying off, N
 * @param left       relaxed tension, N, <= tension
 */
export function unstressedWhenRelaxed(unstressed: number, tension: number, left: number, curve: TensionCurve): number {
  if (!(tension > 0)) return unstressed;
  const stretched = unstressed * (1 + strainAt(curve, tension));
  return stretched / (1 + strainAt(curve, left));
}
