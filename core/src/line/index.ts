export { linearCurve, scaledCurve, strainAt, tensionAt, tensionCurve } from '../net/index.js';
export type { TensionCurve } from '../net/index.js';
export * from './span.js';
export * from './inverse.js';
export * from './tensioning.js';
export * from './relaxing.js';
