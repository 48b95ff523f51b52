export * from './evidence.js';
export * from './cords.js';
export * from './knots.js';
export * from './woods.js';
export * from './practice.js';
