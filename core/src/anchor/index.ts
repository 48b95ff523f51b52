export * from './tree.js';
