import type { Described } from '../document/index.js';
import { id, part, words } from '../document/index.js';

/** Someone who learns in a camp: no more is kept of them than a name and what they wrote in its log. */
export const learnerDocument = part({ id: id('learner'), name: words('name of a learner', 1, 60) });
export type Learner = Described<typeof learnerDocument>;
/** Learners of one camp at most. */
export const MOST_LEARNERS = 80;
