import type { Cord, Termination } from '../catalogue/index.js';
import { TOGGLE_SPAN, WOODS, acrossOf, findWood, looked } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { idOf, part, within } from '../document/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { TOGGLE_LIMITS } from './limits.js';

/** A stick through a loop: of green wood, so thick, m. */
export const toggleDocument = part({ wood: idOf('wood', WOODS), thickness: within(TOGGLE_LIMITS.thickness) });
export type Toggle = Described<typeof toggleDocument>;

/** The stick of somebody who said nothing of it: as thick as a thumb, of whatever grew there. */
export const USUAL_TOGGLE: Toggle = { wood: 'unknown', thickness: 0.02 };

/**
 * Pull at which a stick through a loop breaks, N: a beam on the two legs of the loop, pulled at its middle, R = π f_b d³ / 8 w.
 * @param across what the loop's legs stand apart by, m
 */
export function toggleHolds({ wood, thickness }: Toggle, across: Figure): Figure {
  return derive(
    {
      symbol: 'R',
      title: 'what the toggle bears, bent between the loop’s legs',
      quantity: 'force',
      formula: 'R = π f_b d³ / 8 w',
      notes: ['A green, straight stick. Dead ones and knots in it take half and more.'],
    },
    [
      looked((findWood(wood) ?? findWood('unknown')!).strength),
      given({ symbol: 'd', title: 'thickness of the stick', quantity: 'diameter' }, thickness, {
        kind: 'chosen',
        text: 'this rig',
      }),
      across,
    ],
    (f, d, w) => (Math.PI * f! * d! ** 3) / (8 * w!),
  );
}

/** Legs of a tie-out's loop stand apart by its width. */
export const tieOutWide = (): Figure => looked(TOGGLE_SPAN);

/** Something in a line's end that can let go besides its cord. */
export interface Fitting {
  readonly id: 'toggle' | 'fitting';
  readonly name: string;
  readonly holds: Figure;
}

/** What stands in an end besides its cord: the stick that pins its loop, the fitting that hauls it; null where nothing does. */
export function fittingOf(termination: Termination, toggle: Toggle | undefined, cord: Cord): Fitting | null {
  if (termination.fitting !== undefined)
    return { id: 'fitting', name: termination.name, holds: looked(termination.fitting) };
  if (!termination.toggled) return null;
  // the loop bears on it where the standing part leaves it on either side: a few turns of cord apart
  const across = given(
    { symbol: 'w', title: 'way between the cords that bend the stick', quantity: 'length' },
    4 * acrossOf(cord),
    { kind: 'judgement', text: 'four thicknesses of the cord' },
  );
  return { id: 'toggle', name: 'toggle', holds: toggleHolds(toggle ?? USUAL_TOGGLE, across) };
}
