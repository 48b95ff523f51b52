export * from './figure.js';
