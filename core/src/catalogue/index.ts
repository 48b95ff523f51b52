export * from './evidence.js';
export * from './cords.js';
export * from './knots.js';
export * from './woods.js';
export * from './species.js';
export * from './soils.js';
export * from './practice.js';
