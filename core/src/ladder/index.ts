export { ladderOf } from './ladder.js';
export type { Fall, Ladder, LadderEnd, LadderOptions, Rung } from './ladder.js';
export type { Gives } from './fall.js';
export { casesAt } from './turned.js';
export type { Load, OnRoof, Turned } from './turned.js';
