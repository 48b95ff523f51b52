export * from './wanted.js';
export { shortlist } from './shortlist.js';
export type { Candidate, Serves } from './shortlist.js';
export { bestFirst, firstLook, isReady, ready, rehearse } from './ready.js';
export type { Looked, Ready } from './ready.js';
export { readyWords } from './ready-words.js';
