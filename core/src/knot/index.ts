export * from './rope.js';
export * from './knot.js';
export * from './tie.js';
export * from './drawn.js';
export { KNOTS, KNOT_GROUPS } from './tied/index.js';
export * from './strength.js';
