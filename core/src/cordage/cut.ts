import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';

/** Cord that one line takes of a hank, by what takes it, m. */
export interface Cut {
  /** Id of the hank that the rig names for it. */
  readonly hank: string;
  /** Between its ends, unstressed; both legs of a loop. */
  readonly between: number;
  /** Round trunks, poles and the line a hitch sits on. */
  readonly wraps: number;
  readonly knots: number;
  /** Left to grip and to slip. */
  readonly tails: number;
  /** Hauled past what it is made fast to. */
  readonly travel: number;
  /** Beyond what it wants: hanked and hung up. */
  readonly over: number;
}

const PARTS = {
  between: { symbol: 'L₀', title: 'between its ends, unstressed' },
  wraps: { symbol: 'w', title: 'round what it is tied to' },
  knots: { symbol: 'k', title: 'in its knots' },
  tails: { symbol: 't', title: 'tails to grip and to slip' },
  travel: { symbol: 'r', title: 'hauled past its tension end' },
  over: { symbol: 'o', title: 'over, hanked and hung up' },
} as const;
const NAMES = Object.keys(PARTS) as readonly (keyof typeof PARTS)[];

/** All of it, m. */
export const cutLength = (cut: Cut): number => NAMES.reduce((sum, part) => sum + cut[part], 0);

/** All of it with its working. @param name of the line, as in "cord for the ridgeline" */
export const cutFigure = (cut: Cut, name: string): Figure =>
  derive(
    {
      symbol: 'ℓ',
      title: `cord for the ${name}`,
      quantity: 'length',
      formula: `ℓ = ${NAMES.map((part) => PARTS[part].symbol).join(' + ')}`,
    },
    NAMES.map((part) =>
      given({ ...PARTS[part], quantity: 'length' }, cut[part], {
        kind: 'derived',
        text: part === 'between' ? 'from the rig as it is tied' : 'from its wraps, knots and thickness; judgement',
      }),
    ),
    (...parts) => parts.reduce((a, b) => a + b, 0),
  );
