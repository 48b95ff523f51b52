export * from './document.js';
export * from './walls.js';
export * from './fire.js';
export * from './place.js';
