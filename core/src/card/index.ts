export * from './code.js';
export * from './card.js';
export * from './rig-card.js';
export * from './camp-card.js';
export { cardHtml } from './html.js';
export * from './svg.js';
export * from './paper.js';
export * from './modules.js';
