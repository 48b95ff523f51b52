export * from './layout.js';
export * from './model.js';
export * from './cases.js';
export * from './solve.js';
export * from './evaluate.js';
export { linksOf, ratiosOf } from './ledger.js';
export type { CaseReading, Chain } from './ledger.js';
export * from './verdict.js';
