import type { Described } from '../document/index.js';
import { keyOf, part, whole, yesNo } from '../document/index.js';
import { limit } from '../quantity/index.js';

/** Whose hands there are. */
export const HANDS = { alone: 'alone', two: 'two of us', class: 'a class in pairs' } as const;
export type Hands = keyof typeof HANDS;

/** When the ridgeline is hauled. */
export const HAULS = { bare: 'bare, then the cloth', hung: 'with the cloth on it' } as const;
export type Hauls = keyof typeof HAULS;

export const WORK_LIMITS = { nights: limit('nights that it stays', 'count', 1, 60) } as const;

/** How a rig is worked: by whom, in what weather, for how long. The order of its guys is its own. */
export const workDocument = part({
  hands: keyOf('number of hands', HANDS),
  hauls: keyOf('way of hauling', HAULS),
  /** Whether it rains while it is pitched. */
  rain: yesNo('Rain'),
  nights: whole(WORK_LIMITS.nights),
});
export type Work = Described<typeof workDocument>;

/** Somebody alone on a dry evening, for one night. */
export const USUAL_WORK: Work = { hands: 'alone', hauls: 'bare', rain: false, nights: 1 };
