export * from './bending.js';
export * from './branch.js';
export * from './peg.js';
export * from './pile.js';
export * from './prop.js';
export * from './tree.js';
export * from './weight.js';
export * from './document.js';
