import type { Gust } from '../cases/index.js';
import { GUST_FACTOR, SHELTERS } from '../catalogue/index.js';
import { beaufortSpeed } from '../weather/index.js';
import type { RidgeRig } from './rig-document.js';

/** A gust to judge under instead of the rig's own: from one bearing, rad, or (null) from all sixteen. */
export interface GivenWind {
  readonly speed: number;
  readonly from: number | null;
}

/** The gust at the roof: Beaufort's mean, less the shelter, times the gust factor, m/s. */
export function gustSpeed(rig: RidgeRig): number {
  return beaufortSpeed(rig.wind.beaufort) * SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical;
}

/** Bearings a gust is judged from: the named one and fifteen more round the compass. */
export const BEARINGS = 16;

/** Bearings of a gust, rad, the named one first. */
export function bearingsOf(named: number): number[] {
  return Array.from({ length: BEARINGS }, (_, k) => (named + (2 * Math.PI * k) / BEARINGS) % (2 * Math.PI));
}

/** The gust a rig is judged under: its own, or one given; null for still air. A bare line has no bearing of its own. */
export function gustOf(rig: RidgeRig, given?: GivenWind | null): Gust | null {
  if (given === null) return null;
  const named = rig.pitch?.windFrom ?? null;
  const all = named === null ? null : bearingsOf(named);
  if (given !== undefined)
    return given.speed > 0
      ? { speed: given.speed, bearings: given.from === null || all === null ? all : [given.from] }
      : null;
  return rig.wind.beaufort > 0 ? { speed: gustSpeed(rig), bearings: all } : null;
}
