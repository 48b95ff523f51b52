import { BRANCH_SOUND, looked } from '../catalogue/index.js';
import type { Wood } from '../catalogue/index.js';
import type { Described } from '../document/index.js';
import { part, within } from '../document/index.js';
import { limit } from '../quantity/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { trunkGive } from './tree.js';

export const BRANCH_LIMITS = {
  thickness: limit('thickness of the branch', 'length', 0.03, 0.5),
  out: limit('way out along the branch', 'length', 0.05, 4),
  height: limit('height of the branch', 'length', 1, 12),
} as const;

/** A branch that a line goes over: how thick it is where it leaves the stem, and how far out the line lies, m. */
export const branchDocument = part({ thickness: within(BRANCH_LIMITS.thickness), out: within(BRANCH_LIMITS.out) });
export type Branch = Described<typeof branchDocument>;

/** Pull square to it at which a branch breaks at its foot, N: a cantilever, f_b π d³ / 32 a, less what nobody sees. */
export const branchHolds = ({ thickness, out }: Branch, strength: number, sound: number): number =>
  (sound * strength * Math.PI * thickness ** 3) / (32 * out);

/** How far a branch gives where the line lies, m/N: the same cantilever. */
export const branchGive = ({ thickness, out }: Branch, modulus: number): number => trunkGive(out, thickness, modulus);

/**
 * Pull of a line that a branch holds, with its working.
 * @param over what the line's way over it makes of its pull: two legs that hang down 2, one level and one down √2
 */
export const branchFigure = (name: string, { thickness, out }: Branch, wood: Wood, over: number): Figure =>
  derive(
    {
      symbol: 'R',
      title: `pull of a line over ${name} that it holds`,
      quantity: 'force',
      formula: 'R = k_b f_b π d³ / (32 a c)',
      notes: [
        'Low confidence: a branch can break without a sign. Weigh it down with all your weight on the line first, from the side.',
      ],
    },
    [
      looked(BRANCH_SOUND),
      looked(wood.strength),
      fromBelow('d', 'thickness of the branch at the stem', thickness, 0.2),
      fromBelow('a', 'way out from the stem to the line', out, 0.15),
      given({ symbol: 'c', title: 'what the way over it makes of the pull', quantity: 'ratio' }, over, {
        kind: 'derived',
        text: over === 2 ? 'up and down again: both legs pull' : 'one leg level, one down: √2, without friction',
      }),
    ],
    (k, f, d, a, c) => branchHolds({ thickness: d!, out: a! }, f!, k!) / c!,
  );

/** A line that comes level and goes down again over a branch pulls on it by √2 of its own pull. */
export const OVER_AND_DOWN = Math.SQRT2;

/** A length of a branch by eye from below, m, true to so much of it either way. */
const fromBelow = (symbol: string, title: string, length: number, share: number): Figure =>
  given({ symbol, title, quantity: 'length' }, length, { kind: 'measured', text: 'by eye from below' }, [
    (1 - share) * length,
    (1 + share) * length,
  ]);
