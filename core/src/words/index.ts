export * from './finding-words.js';
export * from './verdict.js';
