export type { At } from './base.js';
export type { HoldName, Kind, MayHold } from './kind.js';
export { SOIL_FACTOR } from './hold.js';
export { poleHold } from './pole.js';
export * from './kinds.js';
export { thingDocument } from './document.js';
