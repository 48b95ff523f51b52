export * from './budget-words.js';
export * from './night-words.js';
export * from './doubt-words.js';
export * from './finding-words.js';
export * from './ladder-words.js';
export * from './verdict.js';
export { verdictDocument } from './verdict-document.js';
export * from './gust-words.js';
export * from './dry-words.js';
