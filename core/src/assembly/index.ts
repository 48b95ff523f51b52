export * from './trees.js';
