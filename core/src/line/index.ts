export * from './curve.js';
export * from './span.js';
export * from './inverse.js';
export * from './tensioning.js';
export * from './relaxing.js';
