export * from './wind.js';
