export * from './learner.js';
export * from './pitched.js';
export * from './standing.js';
export * from './lesson.js';
export * from './file.js';
export * from './live.js';
