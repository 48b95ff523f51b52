export * from './rules.js';
export * from './link.js';
export * from './cord.js';
