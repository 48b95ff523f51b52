export * from './units.js';
export * from './limit.js';
export * from './body.js';
export * from './spread.js';
export * from './vector.js';
export * from './words.js';
export * from './typed.js';
export * from './phrase.js';
