export * from './curve.js';
export { newSegment, segment } from './catenary.js';
export type { Segment } from './catenary.js';
export type * from './document.js';
export { prepare, prepareStructure, reset, solve, solveSteps } from './engine.js';
export type { Engine, Outcome, SolveOptions } from './engine.js';
export { structureOf } from './structure.js';
export type { Structure } from './structure.js';
export { reactionsOf, resultOf } from './report.js';
