export * from './limits.js';
export * from './rules.js';
export * from './link.js';
export * from './cord.js';
export * from './document.js';
export * from './judged.js';
export * from './check.js';
export * from './toggle.js';
