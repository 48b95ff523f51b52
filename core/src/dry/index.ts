export * from './dry.js';
export { areaOf, dryGround } from './footprint.js';
export type { Footprint } from './footprint.js';
