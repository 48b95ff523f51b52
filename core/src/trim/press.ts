import { strainAt } from '../line/index.js';
import type { TensionCurve } from '../line/index.js';
import { tensionAt } from '../net/index.js';

/** Press of a finger that holds still, N. Judgement, 7 to 15: what a litre of water weighs. */
export const FINGER = 10;

/**
 * How far a straight line goes aside where it is pressed in its middle, m: a V of its two halves, its ends held, by its own curve.
 * @param length   between its ends, m
 * @param pull     before it is pressed, N
 * @param press    square to it, N
 */
export function goesAside(length: number, pull: number, press: number, curve: TensionCurve): number {
  const unstressed = length / (1 + strainAt(curve, pull));
  const pushes = (by: number): number => {
    const half = Math.hypot(length / 2, by);
    return (2 * tensionAt(curve, (2 * half) / unstressed - 1) * by) / half;
  };
  let [low, high] = [0, length / 2];
  if (pushes(high) < press) return high;
  for (let k = 0; k < 60; k++) {
    const by = (low + high) / 2;
    if (pushes(by) < press) low = by;
    else high = by;
  }
  return (low + high) / 2;
}

/**
 * The pull of a line before it was pressed, N, by how far it then goes aside: the other way round, exactly.
 * @param by m, > 0 and under half the length
 */
export function pullFromPress(length: number, by: number, press: number, curve: TensionCurve): number {
  const half = Math.hypot(length / 2, by);
  const pressed = (press * half) / (2 * by);
  const unstressed = (2 * half) / (1 + strainAt(curve, pressed));
  return tensionAt(curve, length / unstressed - 1);
}

/**
 * How often a wave runs to and fro on a line that is struck, a second: f = √(T / m) / 2 L of a taut string.
 * @param perMetre kg/m
 */
export const wavesOf = (length: number, pull: number, perMetre: number): number =>
  Math.sqrt(Math.max(0, pull) / perMetre) / (2 * length);
