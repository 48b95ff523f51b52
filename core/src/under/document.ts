import type { Described } from '../document/index.js';
import { id, oneOf, pair, part, within, words } from '../document/index.js';
import { AROUND_LIMITS } from '../around/index.js';

/** Places under a roof may be as far along and beside its span as those round it, and turned as far. */
export const UNDER_LIMITS = { at: AROUND_LIMITS.at, toward: AROUND_LIMITS.toward } as const;
/** Things that lie under one roof at most. */
export const MOST_UNDER = 24;

export const LYING_KINDS = ['sleeper', 'pack'] as const;
export type LyingKind = (typeof LYING_KINDS)[number];

/** Somebody asleep on the ground, or what somebody carries. */
export const lyingDocument = part({
  id: id('thing under the roof'),
  kind: oneOf('thing under the roof', LYING_KINDS),
  name: words('name', 0, 60),
  /** Its middle on the rig's plan: along the span from the first trunk and to its left, m. */
  at: pair(within(UNDER_LIMITS.at)),
  /** Where a sleeper's head is from there, rad from along the span, to the left. */
  toward: within(UNDER_LIMITS.toward),
});
export type Lying = Described<typeof lyingDocument>;
