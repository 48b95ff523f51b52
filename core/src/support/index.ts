export * from './limits.js';
export * from './document.js';
export * from './line-id.js';
export * from './tree-id.js';
export type { Ground, Hold, Mark, Solid, Support } from './support.js';
export { PEG_ARM, pegOf, pegsProblems } from './peg.js';
export { TIED_AT } from './stem.js';
export * from './kinds.js';
