export * from './eased.js';
export { FRAMES, gustingOf } from './gusting.js';
export type { Gusting } from './gusting.js';
export * from './play.js';
