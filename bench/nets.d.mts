import type { Net } from '../core/src/net/index.js';
/** See nets.mjs. */
export function roofNet(columns: number, rows: number, pressure?: number): Net;
