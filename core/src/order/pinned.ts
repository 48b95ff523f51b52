import type { Termination } from '../catalogue/index.js';
import type { RidgeRig } from '../rig/index.js';
import { USUAL_WORK } from '../rig/index.js';

/** Wind in which a slipped hitch is flogged loose in one night, Beaufort. Judgement: 5 to 7. */
const FLOGS = 6;

/** Whether a slipped end gets a stick through its bight: where it stays for days, or the wind flogs it. */
export const isPinned = (rig: RidgeRig, { quick }: Pick<Termination, 'quick'>): boolean =>
  quick && ((rig.work ?? USUAL_WORK).nights > 1 || rig.wind.beaufort >= FLOGS);
