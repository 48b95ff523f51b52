/**
 * What a short rigid peg or post holds sideways before it turns over in the ground, N (Broms 1964, free head):
 * soils that stick, from H (e + 1.5 b + f / 2) = 9/4 c_u b g^2 with f = H / (9 c_u b) and L = 1.5 b + f + g;
 * soils that run, H = gamma b L^3 K_p / (2 (e + L)).
 * and of damp grains that stick a little (apparent cohesion c_a), besides: 3 b L^2 c_a sqrt(K_p) / (e + L), three times the
 * passive pressure 2 c sqrt(K_p) as Broms takes three times K_p.
 * @param soil      strengths to use: `cohesion` (Pa), or `friction` (rad), `weight` (N/m^3) and `apparent` (Pa)
 * @param diameter  b, m
 * @param depth     L in the ground, m
 * @param arm       e, height of the pull over the ground, m
 * @returns         N; 0 where the peg is no deeper than the soil's loose top, 1.5 b
 */
export function shortPile(
  soil: {
    readonly cohesion?: number;
    readonly friction?: number;
    readonly apparent?: number;
    readonly weight: number;
  },
  diameter: number,
  depth: number,
  arm: number,
): number {
  if (soil.cohesion !== undefined) {
    const free = depth - 1.5 * diameter;
    if (free <= 0) return 0;
    // with f the only unknown: 9 f (e + 1.5 b + f / 2) = 2.25 (free - f)^2
    const p = 9 * (arm + 1.5 * diameter) + 4.5 * free;
    const a = 4.5 - 2.25;
    const f = (-p + Math.sqrt(p * p + 4 * a * 2.25 * free * free)) / (2 * a);
    return 9 * soil.cohesion * diameter * f;
  }
  const passive = Math.tan(Math.PI / 4 + (soil.friction ?? 0) / 2) ** 2;
  const sticks = 3 * diameter * depth ** 2 * (soil.apparent ?? 0) * Math.sqrt(passive);
  return (0.5 * soil.weight * diameter * depth ** 3 * passive + sticks) / (arm + depth);
}

/** A cut wooden peg as most camps have them, m. Judgement: 15 to 30 mm thick, 0.2 to 0.35 in the ground. */
export const COMMON_PEG = { diameter: 0.02, depth: 0.27, arm: 0.03 } as const;
