import type { Constant } from './evidence.js';

/** How the ground holds a peg or a post. Exactly one of the two strengths is given. */
export interface Soil {
  readonly id: string;
  readonly name: string;
  /** What hand and heel find. */
  readonly feel: string;
  /** Undrained shear strength, Pa: soils that stick together. */
  readonly cohesion?: Constant;
  /** Angle of friction, rad: soils that run through the fingers. */
  readonly friction?: Constant;
  /** Apparent cohesion of damp grains, Pa: gone when flooded or dry. Soils that run only. */
  readonly apparent?: Constant;
  /** Share of what sticks (strength or apparent cohesion) that a wet night leaves near the surface. */
  readonly wet: Constant;
  /** Weight, N/m^3. */
  readonly weight: Constant;
  /** Share of rain that runs off rather than in. */
  readonly runOff: Constant;
}

const THUMB =
  'Thumb test after ASTM D2488 (consistency) with strengths of Terzaghi, Peck and Mesri, Soil Mechanics in Engineering Practice, 3rd ed. 1996, ch. 2; a factor of two each way by judgement.';
const HEEL =
  'Terzaghi, Peck and Mesri, 1996, ch. 4, angles of loose to dense sand and gravel, and some degrees more at the small stresses round a peg (dilation: Bolton, Géotechnique 36, 1986); which is which by heel is judgement.';
const WEIGHT =
  'Usual range of moist soil in handbooks (Terzaghi, Peck and Mesri, 1996, table 6.3); by feel, judgement.';
const RUN = 'Judgement, in line with rational-method coefficients for woodland and lawns (0.05 to 0.35).';

const degrees = (a: number): number => (a * Math.PI) / 180;
const WET =
  'Judgement: saturated turf and clay lose up to half in the upper third of a metre, roots keep some; flooded sand loses what damp gave it.';
const wetOf = (name: string, [low, typical, high]: readonly [number, number, number]): Constant => ({
  symbol: 'w',
  title: `share of its hold that a wet night leaves ${name}`,
  quantity: 'share',
  low,
  typical,
  high,
  kind: 'judgement',
  citation: WET,
});
const cohesive = (
  id: string,
  name: string,
  feel: string,
  kPa: number,
  wet: readonly [number, number, number],
  runOff: [number, number, number],
): Soil => ({
  id,
  name,
  feel,
  cohesion: {
    symbol: 'c_u',
    title: `undrained strength of ${name}`,
    quantity: 'stress',
    low: kPa * 500,
    typical: kPa * 1000,
    high: kPa * 2000,
    kind: 'judgement',
    citation: THUMB,
  },
  wet: wetOf(name, wet),
  weight: {
    symbol: 'γ',
    title: `weight of ${name}`,
    quantity: 'unitWeight',
    low: 16_000,
    typical: 18_000,
    high: 20_000,
    kind: 'handbook',
    citation: WEIGHT,
  },
  runOff: {
    symbol: 'C',
    title: `share of rain that runs off ${name}`,
    quantity: 'share',
    low: runOff[0],
    typical: runOff[1],
    high: runOff[2],
    kind: 'judgement',
    citation: RUN,
  },
});
const granular = (
  id: string,
  name: string,
  feel: string,
  angle: [number, number, number],
  damp: readonly [number, number, number],
  kN: number,
  runOff: [number, number, number],
): Soil => ({
  id,
  name,
  feel,
  friction: {
    symbol: 'φ',
    title: `friction angle of ${name}`,
    quantity: 'angle',
    low: degrees(angle[0]),
    typical: degrees(angle[1]),
    high: degrees(angle[2]),
    kind: 'judgement',
    citation: HEEL,
  },
  apparent: {
    symbol: 'c_a',
    title: `apparent cohesion of ${name} while damp`,
    quantity: 'stress',
    low: damp[0],
    typical: damp[1],
    high: damp[2],
    kind: 'judgement',
    citation:
      'Judgement: suction in damp sand, 1 to 3 kPa in textbooks of soil physics; nothing in clean dry or flooded grains.',
  },
  wet: wetOf(name, [0, 0, 0.3]),
  weight: {
    symbol: 'γ',
    title: `weight of ${name}`,
    quantity: 'unitWeight',
    low: kN * 900,
    typical: kN * 1000,
    high: kN * 1100,
    kind: 'handbook',
    citation: WEIGHT,
  },
  runOff: {
    symbol: 'C',
    title: `share of rain that runs off ${name}`,
    quantity: 'share',
    low: runOff[0],
    typical: runOff[1],
    high: runOff[2],
    kind: 'judgement',
    citation: RUN,
  },
});

/** Soils by feel, from what holds worst of each sort. */
export const SOILS: readonly Soil[] = [
  cohesive('soft-clay', 'soft clay or mud', 'the thumb goes in easily', 18, [0.4, 0.55, 0.8], [0.2, 0.35, 0.5]),
  cohesive('firm-clay', 'firm clay or loam', 'the thumb goes in with effort', 38, [0.45, 0.6, 0.85], [0.15, 0.3, 0.45]),
  cohesive('stiff-clay', 'stiff clay', 'the thumb only dents it', 75, [0.6, 0.75, 0.95], [0.25, 0.4, 0.55]),
  cohesive('turf', 'rooted turf', 'a heel bounces, roots hold it together', 30, [0.5, 0.7, 0.9], [0.1, 0.2, 0.35]),
  granular(
    'silty-sand',
    'silty sand',
    'runs through the fingers, stains them; a peg pushes in by hand',
    [28, 33, 38],
    [700, 1500, 3000],
    16,
    [0.05, 0.15, 0.3],
  ),
  granular(
    'sand',
    'clean sand',
    'runs through the fingers and leaves them clean',
    [30, 36, 42],
    [500, 1000, 2000],
    16,
    [0.02, 0.05, 0.15],
  ),
  granular(
    'gravel',
    'gravel',
    'stones with sand between; a thick peg stops on them',
    [34, 40, 46],
    [0, 300, 1000],
    18,
    [0.02, 0.08, 0.2],
  ),
  granular(
    'litter',
    'deep leaf litter over soil',
    'the heel sinks; scrape it away before pegging',
    [22, 28, 34],
    [200, 500, 1000],
    9,
    [0.02, 0.08, 0.15],
  ),
];

export function findSoil(id: string): Soil | undefined {
  return SOILS.find((s) => s.id === id);
}
