export * from './cut.js';
export * from './forms.js';
export * from './mesh.js';
export * from './water.js';
export * from './cover.js';
export * from './near.js';
export * from './rain.js';
