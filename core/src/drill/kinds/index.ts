import type { DrillKind } from '../drill.js';
import type { Maker } from '../maker.js';
import { fault } from './fault.js';
import { foot } from './foot.js';
import { length } from './length.js';
import { pull, sag } from './line.js';
import { paces } from './paces.js';
import { pair } from './pair.js';
import { strap } from './strap.js';
import { first, wind } from './wind.js';
import { wraps } from './wraps.js';

/** How a drill of each kind is made. */
export const MAKERS: { readonly [K in DrillKind]: Maker<K> } = {
  pull,
  sag,
  angle: strap,
  wraps,
  first,
  wind,
  length,
  foot,
  pair,
  fault,
  paces,
};
