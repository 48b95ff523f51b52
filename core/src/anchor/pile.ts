import type { Soil } from '../catalogue/index.js';

/**
 * What a short rigid peg or post holds sideways before it turns over in the ground, N (Broms 1964, free head):
 * soils that stick, from H (e + 1.5 b + f / 2) = 9/4 c_u b g^2 with f = H / (9 c_u b) and L = 1.5 b + f + g;
 * soils that run, H = gamma b L^3 K_p / (2 (e + L)).
 * @param soil      strengths to use: `cohesion` (Pa), or `friction` (rad) and `weight` (N/m^3)
 * @param diameter  b, m
 * @param depth     L in the ground, m
 * @param arm       e, height of the pull over the ground, m
 * @returns         N; 0 where the peg is no deeper than the soil's loose top, 1.5 b
 */
export function shortPile(
  soil: { readonly cohesion?: number; readonly friction?: number; readonly weight: number },
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
  return (0.5 * soil.weight * diameter * depth ** 3 * passive) / (arm + depth);
}

/** The same at the low, typical or high end of a soil of the catalogue. */
export function shortPileIn(
  soil: Soil,
  end: 'low' | 'typical' | 'high',
  diameter: number,
  depth: number,
  arm: number,
): number {
  return shortPile(
    {
      ...(soil.cohesion === undefined ? {} : { cohesion: soil.cohesion[end] }),
      ...(soil.friction === undefined ? {} : { friction: soil.friction[end] }),
      weight: soil.weight[end],
    },
    diameter,
    depth,
    arm,
  );
}

/** A cut wooden peg as most camps have them, m. Judgement: 15 to 30 mm thick, 0.2 to 0.35 in the ground. */
export const COMMON_PEG = { diameter: 0.02, depth: 0.27, arm: 0.03 } as const;
