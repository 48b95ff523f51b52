export * from './kit.js';
export * from './length.js';
