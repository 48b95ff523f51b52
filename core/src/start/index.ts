export * from './wanted.js';
export { shortlist } from './shortlist.js';
export type { Candidate, Serves } from './shortlist.js';
export { bestFirst, ready } from './ready.js';
export type { Ready } from './ready.js';
export { readyWords } from './ready-words.js';
