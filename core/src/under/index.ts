export * from './document.js';
export { DRY, SIZES, liesAt, lyingUnder, openTo, underRoof } from './lying.js';
export type { LyingResult, Roofed, UnderResult } from './lying.js';
export { placeUnder } from './place.js';
export { POSTURES, postureUnder } from './posture.js';
export type { Placed } from './place.js';
