export { ladderOf } from './ladder.js';
export type { Fall, Gives, Ladder, LadderEnd, LadderWind, Rung } from './ladder.js';
