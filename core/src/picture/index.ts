export * from './picture.js';
export * from './rig-picture.js';
export * from './pens.js';
