export * from './kit.js';
export * from './body.js';
export * from './hang.js';
export * from './shock.js';
export * from './choose.js';
export * from './limits.js';
export * from './document.js';
