export * from './binding.js';
export * from './cut.js';
export * from './length.js';
export * from './elastic.js';
export * from './limits.js';
export * from './document.js';
export * from './own.js';
