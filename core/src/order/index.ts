export * from './step.js';
export { countOf, pitchingOf } from './pitching.js';
export * from './striking.js';
export * from './schedule.js';
export * from './learnt.js';
export * from './marks.js';
export * from './school.js';
