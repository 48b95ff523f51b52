export * from './drill.js';
export { SAID_LIMITS, drillOf } from './make.js';
export type { DrillSource } from './make.js';
export * from './score.js';
export * from './progress.js';
export * from './spacing.js';
export { chanceOf } from './chance.js';
