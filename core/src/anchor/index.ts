export * from './pile.js';
export * from './tree.js';
export * from './weight.js';
