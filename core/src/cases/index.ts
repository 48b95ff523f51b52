export * from './load-case.js';
export * from './kinds.js';
