export * from './problem.js';
export * from './fields.js';
export * from './field.js';
export { kindsDocument } from './field-check.js';
export * from './check.js';
export * from './versions.js';
export * from './markup.js';
