import type { Mesh } from '../roof/index.js';
import type { PitchState } from './solve.js';

/** Room under the cloth in one case. */
export interface Room {
  readonly caseId: string;
  /** Ground under cloth that hangs high enough to lie beneath, m². */
  readonly lying: number;
  /** Highest place of the cloth over the ground, m. */
  readonly headroom: number;
  /** How far the lowest place of the cloth lies under the ground, m: the ground gives by millimetres. */
  readonly sunk: number;
}

/** Cloth this high over the ground leaves room to lie beneath and turn over, m; ground that one sleeper takes, m². Judgement: 0.3 to 0.5; 0.9 to 1.4. */
export const LYING_ROOM = 0.35;
export const ONE_SLEEPER = 1;

/** Room that a case leaves under the cloth. */
export function roomIn(mesh: Mesh, s: PitchState, ground: (x: number, y: number) => number): Room {
  const { at } = s.numbers;
  const over = (n: number): number => at[3 * n + 2]! - ground(at[3 * n]!, at[3 * n + 1]!);
  let [lying, headroom, lowest] = [0, 0, Number.POSITIVE_INFINITY];
  for (let n = 0; n < mesh.flat.length / 2; n++) {
    headroom = Math.max(headroom, over(n));
    lowest = Math.min(lowest, over(n));
  }
  for (let t = 0; t < mesh.corners.length; t += 3) {
    const [a, b, c] = [mesh.corners[t]!, mesh.corners[t + 1]!, mesh.corners[t + 2]!];
    if ((over(a) + over(b) + over(c)) / 3 < LYING_ROOM) continue;
    const [ux, uy] = [at[3 * b]! - at[3 * a]!, at[3 * b + 1]! - at[3 * a + 1]!];
    const [vx, vy] = [at[3 * c]! - at[3 * a]!, at[3 * c + 1]! - at[3 * a + 1]!];
    lying += Math.abs(ux * vy - uy * vx) / 2;
  }
  return { caseId: s.case.id, lying, headroom, sunk: Math.max(0, -lowest) };
}
