export * from './length.js';
