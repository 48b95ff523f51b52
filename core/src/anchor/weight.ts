import { GRAVITY } from '../quantity/index.js';

/**
 * Level pull at which a log, boulder or filled bag begins to slide, N: mu m g; a pull that also lifts leaves less,
 * mu (m g - T sin b) = T cos b.
 * @param mass  kg
 * @param mu    friction on the ground
 * @param lift  b, angle of the pull above level, rad, 0 <= b < pi/2
 */
export function slideHold(mass: number, mu: number, lift = 0): number {
  return (mu * mass * GRAVITY * Math.cos(lift)) / (Math.cos(lift) + mu * Math.sin(lift));
}
