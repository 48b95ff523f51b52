import { strainAt, tensionAt } from '../net/index.js';
import type { TensionCurve } from '../net/index.js';

/** Tension ratio across a turn of line: low side over high side, exp(-mu angle) (Euler, 1762; Eytelwein). */
export function turnEfficiency(friction: number, angle: number): number {
  return Math.exp(-friction * angle);
}

function inRange(name: string, value: number, fits: boolean, allowed: string): void {
  if (!fits || !Number.isFinite(value)) throw new RangeError(`${name}: ${value}; allowed: ${allowed}`);
}

/**
 * Tension of a straight bare line after hauling in slack.
 * @param length   straight distance between the ends, m
 * @param takeUp   length hauled in since the line was just straight, m, 0 <= takeUp < length
 * @param curve    tension (N) against engineering strain of this cord, as it is now (dry or wet)
 * @returns        tension, N
 * @throws RangeError naming the argument, its value and the allowed range
 */
export function tensionAfterTakeUp(length: number, takeUp: number, curve: TensionCurve): number {
  inRange('length', length, length > 0, 'above 0 m');
  inRange('takeUp', takeUp, takeUp >= 0 && takeUp < length, `0 to less than ${length} m`);
  return tensionAt(curve, length / (length - takeUp) - 1);
}

/**
 * What a pulley-style hitch makes of a pull: a loop in the standing part, the working end round the anchor
 * and back through the loop, hauled toward the anchor. Three strands pull the loop toward the anchor: the
 * hauled one with P, the next with P less the friction in the loop, the last less the friction round the
 * anchor as well:  T = P (1 + eta_loop + eta_loop eta_anchor). Without friction it would be 3.
 * @param loop   efficiency of the turn through the loop, 0..1
 * @param anchor efficiency of the half turn round the anchor, 0..1
 */
export function pulleyHitchGain(loop: number, anchor: number): number {
  return 1 + loop + loop * anchor;
}

/**
 * Tension left when a hauled hitch is tied off and gives back a little: the set-back shortens the stretch.
 * @param hauled  tension before tying off, N
 * @param setBack length lost, m, >= 0
 * @param length  straight distance between the anchors, m, > 0
 */
export function tensionAfterSetBack(hauled: number, setBack: number, length: number, curve: TensionCurve): number {
  const unstressed = length / (1 + strainAt(curve, hauled));
  return tensionAt(curve, length / (unstressed + setBack) - 1);
}

/**
 * Tension that turns round a trunk hold while the tail is held (capstan equation).
 * @param tail     force on the tail, N
 * @param friction cord on bark
 * @param turns    full turns round the trunk, >= 0
 */
export function capstanHold(tail: number, friction: number, turns: number): number {
  return tail / turnEfficiency(friction, 2 * Math.PI * turns);
}

/** Travel a tensioning end must have: the stretch of the line plus what the wraps and knots bed in, m. */
export function travelNeeded(length: number, tension: number, curve: TensionCurve, beddingIn: number): number {
  const e = strainAt(curve, tension);
  return (length * e) / (1 + e) + beddingIn;
}
