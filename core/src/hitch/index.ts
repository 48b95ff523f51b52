export * from './grip.js';
export * from './loop.js';
