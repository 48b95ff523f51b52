export * from './station.js';
export * from './wind.js';
