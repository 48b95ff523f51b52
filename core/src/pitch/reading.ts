import type { Figure } from '../working/index.js';
import { given } from '../working/index.js';
import type { PitchState } from './solve.js';

/** How far a number may be off, as factors of its value: from the solves with hauls and wind at the ends of their ranges. */
export type Spread = readonly [low: number, high: number];
export const CERTAIN: Spread = [1, 1];

/** A number that the whole-rig solve gave, in one case. */
export interface FromSolve {
  readonly value: number;
  readonly spread: Spread;
}

/** What a case says of each line, stick and piece of cloth. */
export interface CaseReading {
  readonly state: PitchState;
  /** Index of the spread by line of the net. */
  readonly tension: (line: string) => FromSolve;
  readonly stick: (id: string) => FromSolve;
  /** What pulls at a support: level and upward, N, and where to on the plan, rad from along the span. */
  readonly pullOn: (node: string) => { readonly level: number; readonly toward: number; readonly up: number };
  readonly clothStress: number;
  readonly clothSpread: Spread;
}

export const SOLVED = 'the whole rig solved as a net: cloth, cords, sticks and stems together';

/** A number of the solve in one case as a figure. */
export function solved(
  symbol: string,
  title: string,
  quantity: Figure['quantity'],
  from: FromSolve,
  c: PitchState,
): Figure {
  return given(
    { symbol, title: `${title}, ${c.case.name}`, quantity },
    from.value,
    {
      kind: 'derived',
      text: `${SOLVED}; out of balance by at most ${c.numbers.residual.toExponential(1)} N after ${c.numbers.iterations} steps`,
    },
    [from.value * from.spread[0], from.value * from.spread[1]],
  );
}
