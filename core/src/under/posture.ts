import { SITTING_TALL } from '../catalogue/index.js';
import type { BodyMeasures } from '../quantity/index.js';

/** What somebody does under the highest place of a roof. */
export const POSTURES = { lie: 'room to lie only', sit: 'room to sit up', stand: 'room to stand' } as const;
export type Posture = keyof typeof POSTURES;

/** A head ends so far above the brow, m. Judgement, 0.1 to 0.16. */
const CROWN = 0.13;

/** How far up somebody gets under so much headroom, m. */
export const postureUnder = (headroom: number, { brow }: Pick<BodyMeasures, 'brow'>): Posture =>
  headroom < SITTING_TALL ? 'lie' : headroom < brow + CROWN ? 'sit' : 'stand';
