export * from './rules.js';
export * from './link.js';
