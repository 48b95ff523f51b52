/**
 * Load that buckles a stick standing free between two points, N (Euler): pi^2 E I / L^2.
 * @param modulus  green stiffness, Pa
 * @param diameter m
 * @param length   m
 */
export function bucklingLoad(modulus: number, diameter: number, length: number): number {
  return (Math.PI ** 3 * modulus * diameter ** 4) / (64 * length * length);
}

/**
 * Steepest tilt from upright at which a stick's foot stays where it stands, rad: atan(mu).
 * @param friction of the foot on the ground
 */
export function footHolds(friction: number): number {
  return Math.atan(friction);
}
