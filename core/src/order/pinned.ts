import type { Termination } from '../catalogue/index.js';
import type { RidgeRig } from '../rig/index.js';
import { USUAL_WORK } from '../rig/index.js';

/** Wind in which a slipped hitch is flogged loose in one night, Beaufort. Judgement: 5 to 7. */
const FLOGS = 6;

/** Whether an end is made sure of, by what keeps it: where it stays for days, or the wind flogs it. */
export const isPinned = (rig: RidgeRig, { keeper }: Pick<Termination, 'keeper'>): boolean =>
  keeper !== 'none' && ((rig.work ?? USUAL_WORK).nights > 1 || rig.wind.beaufort >= FLOGS);
