export * from './mode.js';
export { system } from './system.js';
