export * from './net.js';
export { FileProblem } from './place-file.js';
export type { TakenIn } from './place-file.js';
export * from './geodetic.js';
export * from './geojson.js';
export * from './gpx.js';
export * from './distances.js';
export * from './rig-file.js';
export { RIG_FORMAT } from './rig-schema.js';
