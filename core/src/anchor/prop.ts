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

/**
 * Push at which a round pole loaded off its middle reaches its strength at half height, N (secant formula; Timoshenko
 * and Gere, Theory of Elastic Stability, 2nd ed. 1961, 1.12):  f = N / A + N e c / I sec(pi / 2 sqrt(N / N_cr)).
 * @param strength  f, Pa
 * @param offCentre e, m; 0 gives the lesser of buckling and crushing
 */
export function eccentricLoad(
  modulus: number,
  strength: number,
  diameter: number,
  length: number,
  offCentre: number,
): number {
  const euler = bucklingLoad(modulus, diameter, length);
  const area = (Math.PI * diameter ** 2) / 4;
  const inertia = (Math.PI * diameter ** 4) / 64;
  const stress = (N: number): number =>
    N / area + (N * offCentre * diameter) / 2 / inertia / Math.cos((Math.PI / 2) * Math.sqrt(N / euler));
  let [a, b] = [0, Math.min(euler, strength * area)];
  for (let k = 0; k < 80; k++) {
    const N = 0.5 * (a + b);
    if (stress(N) < strength) a = N;
    else b = N;
  }
  return 0.5 * (a + b);
}
