import type { Footprint } from './form.js';

/** Plan width of a flank whose lower edge comes near the ground, m. */
export function flank(cloth: number, ridgeHeight: number): number {
  const drop = Math.max(0, ridgeHeight - 0.25);
  return Math.sqrt(Math.max((0.35 * cloth) ** 2, cloth * cloth - drop * drop));
}

export const CORNERS = [
  [-1, -1],
  [-1, 1],
  [1, -1],
  [1, 1],
] as const;
export const SIX = [...CORNERS, [0, -1], [0, 1]] as const;

/** Two flanks alike over a ridge as long as the cloth. */
export const twoFlanks = (guys: Footprint['guys']): Footprint => ({
  ridge: (r) => r.length,
  covers: (r, h) => [flank(r.width / 2, h), flank(r.width / 2, h)],
  guys,
});
/** Nearly flat cloth on a high line. */
export const flat = (guys: Footprint['guys']): Footprint => ({
  ridge: (r) => r.length,
  covers: (r) => [r.width / 2, r.width / 2],
  guys,
});
/** A square on its diagonal, its other corners out to the sides by so much of half of it. */
export const onDiagonal = (share: number): Footprint => {
  const side = (r: { readonly length: number; readonly width: number }, h: number): number =>
    share * flank(Math.hypot(r.length, r.width) / 2, h);
  return {
    ridge: (r) => Math.hypot(r.length, r.width),
    covers: (r, h) => [side(r, h), side(r, h)],
    guys: [
      [0, -1],
      [0, 1],
    ],
  };
};
