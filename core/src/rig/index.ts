export * from './ridge.js';
export * from './pitch.js';
export * from './cases.js';
export * from './model.js';
export * from './evaluate.js';
export * from './sentences.js';
export * from './tradeoff.js';
export * from './site.js';
