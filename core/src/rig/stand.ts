import { bucklingLoad, diameterOf } from '../anchor/index.js';
import { findWood } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { id, part, within } from '../document/index.js';
import { z } from 'zod';
import { freshSupport, guyAnchorDocument } from '../support/index.js';
import type { KitPegs } from '../support/index.js';
import { RIDGE_LIMITS } from './limits.js';

/** A pole that stands on its foot, held up by two back-stays spread behind it: out beyond it and to either side, m. */
const pole = part({
  kind: z.literal('pole'),
  out: within(RIDGE_LIMITS.stayOut),
  spread: within(RIDGE_LIMITS.staySpread),
  cord: id('cord'),
  /** What holds each of its stays. */
  anchor: guyAnchorDocument,
});
/** A boulder or log that lies there, by its mass, kg. */
const lump = part({ kind: z.literal('lump'), mass: within(RIDGE_LIMITS.lump) });

/** What a line is tied to that is no rooted stem, and is solved with the rest. */
export const standDocument = z.discriminatedUnion('kind', [pole, lump], { error: 'The kind must be pole or lump.' });
export type Stand = Described<typeof standDocument>;
export type PoleStand = Extract<Stand, { readonly kind: 'pole' }>;

/** A pole between two stays of a cord to pegs, as it is usually set. */
export const usualPole = (cord: string, pegs: readonly KitPegs[]): PoleStand => ({
  kind: 'pole',
  out: 2,
  spread: 1.2,
  cord,
  anchor: freshSupport('peg', pegs),
});

/** Length of one back-stay of a pole, m. @param height of its head over its foot */
export const stayLength = ({ out, spread }: PoleStand, height: number): number => Math.hypot(out, spread, height);

/**
 * What a pole's head asks of what holds it, by statics: two stays share a level pull along the span, and the pole takes what presses it
 * down and what the stays draw down.
 * @param level  pull of the line along the span, N, and `down` on the head, N
 */
export function poleBears(
  stand: PoleStand,
  height: number,
  level: number,
  down: number,
): { readonly stay: number; readonly push: number; readonly rise: number } {
  const long = stayLength(stand, height);
  return {
    stay: (level * long) / (2 * stand.out),
    push: down + (level * height) / stand.out,
    rise: Math.atan2(height, Math.hypot(stand.out, stand.spread)),
  };
}

/** Push that buckles a pole, N. @param girth m */
export const poleBuckles = (wood: string, girth: number, height: number): number =>
  bucklingLoad((findWood(wood) ?? findWood('unknown')!).modulus.typical, diameterOf(girth), height);

/** What lies there is taken as stone or wet wood of so many kg/m³, as wide as it is high. */
const LUMP_DENSITY = 2000;
/** How wide a lump lies there, and how high, m. */
export const lumpWide = (mass: number): number => Math.cbrt(mass / LUMP_DENSITY);
/** Level pull that tips a lump over its edge, N: m g b / 2 h. @param height of the line over its foot, m */
export const lumpTips = (mass: number, height: number): number => (mass * 9.80665 * lumpWide(mass)) / (2 * height);
