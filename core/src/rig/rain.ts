import { SHELTERS } from '../catalogue/index.js';
import { rainSlant } from '../roof/index.js';
import { beaufortSpeed, windToward } from '../weather/index.js';
import type { Roofed } from '../under/index.js';
import type { RidgeRig } from './rig-document.js';

/** Mean wind at the roof, m/s: drops are carried by it, not by its gusts. */
export const meanWind = (rig: RidgeRig): number =>
  beaufortSpeed(rig.wind.beaufort) * SHELTERS[rig.wind.shelter].typical;

/** Slant of the rain over a pitched rig, level way for every metre of fall. */
export function slantOver(rig: RidgeRig): readonly [number, number] {
  const pitch = rig.pitch!;
  return rainSlant(meanWind(rig), windToward(pitch.windFrom, pitch.bearing));
}

/** A pitched roof as it stands over whoever lies under it, in the rain and wind of its rig, with the walls round it. */
export function roofedIn(rig: RidgeRig, stands: Pick<Roofed, 'corners' | 'at' | 'ground'>): Roofed {
  const { windFrom, bearing } = rig.pitch!;
  const [wx, wy] = windToward(windFrom, bearing);
  return { ...stands, slant: slantOver(rig), upwind: meanWind(rig) > 0 ? [-wx, -wy] : null, walls: rig.walls ?? [] };
}
