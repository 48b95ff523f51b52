import type { Constant } from './evidence.js';

/**
 * Overturning moment of a root plate over the cube of the stem's diameter, N/m². Winching studies give 100 to 170 N m for each
 * kilogram of green stem; a stem 60 diameters tall, of 0.45 of its cylinder and 900 kg/m³, weighs 19 000 d³ kg.
 */
export const ROOT_PLATE: Constant = {
  symbol: 'k_r', title: 'overturning moment of a root plate over d³, firm soil', quantity: 'stress', low: 1.2e6, typical: 2.5e6, high: 4e6,
  kind: 'judgement',
  citation: 'Judgement, in line with winching studies of conifers (Nicoll et al., Can. J. For. Res. 36, 2006: critical turning moment in proportion to stem mass, 100 to 170 N m/kg); broadleaves and single trees differ.',
};
const share = (title: string, low: number, typical: number, high: number, citation: string): Constant => ({
  symbol: 'r', title, quantity: 'share', low, typical, high, kind: 'judgement', citation,
});
const SOIL = 'Judgement: shallow, wet and stony ground carries shallow plates; the same studies find a quarter to a half less there.';
/** What a soil leaves of it. */
const BY_SOIL: Readonly<Record<string, Constant>> = {
  'soft-clay': share('root plate in soft clay or mud over that in firm soil', 0.35, 0.5, 0.7, SOIL),
  'silty-sand': share('root plate in silty sand over that in firm soil', 0.45, 0.65, 0.85, SOIL),
  sand: share('root plate in sand over that in firm soil', 0.5, 0.7, 0.9, SOIL),
  gravel: share('root plate in gravel over that in firm soil', 0.4, 0.55, 0.8, SOIL),
  litter: share('root plate under deep litter over that in firm soil', 0.5, 0.7, 0.9, SOIL),
};
const FIRM = share('root plate in this soil over that in firm soil', 0.8, 1, 1.1, 'By definition; its spread is in the moment itself.');
export const rootsIn = (soil: string): Constant => BY_SOIL[soil] ?? FIRM;
/** What a wet night leaves of it. */
export const WET_ROOTS: Constant = share('share of a root plate’s hold that a wet night leaves', 0.5, 0.7, 0.95, 'Judgement: trees fall in soaked ground in winds they stood in before.');

/** Bending strength of living root wood, and what of the beam that it makes is left where soil lets it lift and peel. */
export const ROOT_WOOD: Constant = {
  symbol: 'f_r', title: 'bending strength of living root wood', quantity: 'stress', low: 8e6, typical: 20e6, high: 40e6,
  kind: 'judgement',
  citation: 'Judgement: softer and wetter than stem wood; tensile tests of roots as thick as a finger report 10 to 40 MPa.',
};
export const ROOT_LIES: Constant = share('what a root holds over a beam built in at both ends', 0.15, 0.5, 1.2, 'Judgement: it lifts, peels out of the soil along its length or slides through it long before it breaks.');
export const WET_LIES: Constant = share('share of a root’s hold that soaked soil leaves', 0.5, 0.7, 0.95, 'Judgement: as of a root plate.');
