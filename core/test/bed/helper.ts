import type { Hang } from '../../src/bed/index.js';
import { linearCurve } from '../../src/net/index.js';

/** A bed of three metres between rigid posts, some numbers changed. */
export const hang = (
  part: Partial<Hang> = {},
  free: readonly [number, number] = [1, 1],
  rise = 0,
  span = 4.2,
): Hang => ({
  ends: [
    { at: [0, 0, 1.5], give: 0, pole: null, free: free[0] },
    { at: [span, 0, 1.5 + rise], give: 0, pole: null, free: free[1] },
  ],
  strap: linearCurve(1e5),
  length: 3,
  cloth: linearCurve(1.2e4),
  weight: 6,
  ridge: null,
  sideStay: null,
  loads: [],
  push: [0, 0, 0],
  ground: null,
  ...part,
});
