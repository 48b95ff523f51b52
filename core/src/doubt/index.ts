export { KNOWN_BETTER, betterOf } from './better.js';
export type { Better } from './better.js';
export { BLOCK, hypercube } from './design.js';
export { doubtOf } from './doubt.js';
export type { Band, Chance, Doubt } from './doubt.js';
export { PARTS, solveDrawn } from './solved.js';
export type { DoubtAsked, Drawn } from './solved.js';
export { firstOrder } from './share.js';
export type { Unknown, UnknownKind } from './unknown.js';
