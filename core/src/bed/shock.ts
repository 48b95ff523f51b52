/** A bed pressed down by a force: how far what presses has come down, m, and the energy taken up since nothing pressed, N m. */
export interface Pressed {
  readonly down: number;
  readonly energy: number;
}

/** Most a fall can multiply a weight by before the answer is that it breaks. */
const MOST_TIMES = 400;

/**
 * Greatest force of someone who comes down on a bed from a height: all the work of the fall and of the give is then
 * stored,  U(P) - U(0) = W (h + s(P)).  On a spring that gives P = W (1 + sqrt(1 + 2 h k / W)).
 * Nothing is lost to friction: the most it can be.
 * @param press  what a force P (N) does; solved at rest
 * @param weight W, N
 * @param fall   h, m, >= 0: before anything takes it up
 * @returns      P, N; infinite where four hundred weights are not enough
 */
export function shockForce(press: (force: number) => Pressed, weight: number, fall: number): number {
  const over = (P: number): number => {
    const { down, energy } = press(P);
    return energy - weight * (fall + down);
  };
  let [a, fa] = [weight, over(weight)];
  if (fa >= 0) return weight;
  let b = 2 * weight;
  let fb = over(b);
  while (fb < 0) {
    if (b > MOST_TIMES * weight) return Number.POSITIVE_INFINITY;
    [a, fa] = [b, fb];
    b *= 1.6;
    fb = over(b);
  }
  // regula falsi, the end that stays halved in weight (Illinois)
  let side = 0;
  for (let k = 0; k < 60 && b - a > 1e-7 * b; k++) {
    const c = (fa * b - fb * a) / (fa - fb);
    const fc = over(c);
    if (Math.abs(fc) < 1e-9 * weight) return c;
    if (fc < 0) {
      [a, fa] = [c, fc];
      if (side === -1) fb /= 2;
      side = -1;
    } else {
      [b, fb] = [c, fc];
      if (side === 1) fa /= 2;
      side = 1;
    }
  }
  return 0.5 * (a + b);
}

/** Pull at the lowest place of a swing over the weight at rest: 3 - 2 cos a. @param angle a, rad, at its farthest */
export function swingFactor(angle: number): number {
  return 3 - 2 * Math.cos(angle);
}
