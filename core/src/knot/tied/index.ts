import type { Knot } from '../knot.js';
import { DOUBLE_SHEET, FIGURE_EIGHT_BEND, FISHERMAN, REEF } from './bends.js';
import { CLOVE, GIRTH, PASSES, ROUND_TURN, TIMBER, WRAPS } from './ends.js';
import { ADJUSTABLE, LOOP, SOFT_SHACKLE, TAIL } from './hitches.js';
import { BOWLINE, FIGURE_EIGHT, OVERHAND_LOOP } from './loops.js';
import { CRANKED, JAMMED, KEPT_LOOP, METAL_HOOK } from './trunk-loops.js';
import { CLEAT, HOOK, LOOP_TOGGLE, PULLEY } from './tension.js';

/** Everything that is tied, by what for, in the order in which a rig asks for it. */
export const KNOT_GROUPS: readonly { readonly name: string; readonly knots: readonly Knot[] }[] = [
  {
    name: 'Fixed ends',
    knots: [
      BOWLINE,
      TIMBER,
      ROUND_TURN,
      CLOVE,
      JAMMED,
      CRANKED,
      GIRTH,
      KEPT_LOOP,
      FIGURE_EIGHT,
      OVERHAND_LOOP,
      METAL_HOOK,
    ],
  },
  { name: 'Hauled ends', knots: [PULLEY, PASSES, LOOP_TOGGLE, HOOK, CLEAT] },
  { name: 'Roof to ridge', knots: [LOOP, TAIL, SOFT_SHACKLE] },
  { name: 'Guys', knots: [ADJUSTABLE, WRAPS] },
  { name: 'Joins', knots: [DOUBLE_SHEET, FIGURE_EIGHT_BEND, FISHERMAN, REEF] },
];
export const KNOTS: readonly Knot[] = KNOT_GROUPS.flatMap((g) => g.knots);
