export * from './problem.js';
export * from './fields.js';
export * from './field.js';
export * from './check.js';
export * from './versions.js';
