import { signsDocument } from '../../anchor/index.js';
import { atMost, kindsDocument, pair, within, words } from '../../document/index.js';
import { MOST_CORNERS, PLACE_LIMITS } from '../limits.js';
import { leastCorners } from './base.js';
import type { Thing } from './kinds.js';
import { THINGS } from './kinds.js';

const L = PLACE_LIMITS;
const spot = pair(within(L.at));

/** A thing of any kind, with exactly its fields. */
export const thingDocument = kindsDocument<Thing>(
  THINGS,
  {
    signs: () => signsDocument,
    outline: ({ closed }) =>
      atMost(spot, MOST_CORNERS, `An outline has at most ${MOST_CORNERS} corners.`).min(leastCorners(closed), {
        error: `This needs at least ${leastCorners(closed)} corners.`,
      }),
  },
  { id: words('id', 1, 60), name: words('name', 1, 60), at: spot, foot: within(L.foot) },
);
