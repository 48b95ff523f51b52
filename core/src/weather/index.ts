export * from './station.js';
export * from './canopy.js';
export * from './pressure.js';
export * from './wind.js';
export * from './turbulence.js';
