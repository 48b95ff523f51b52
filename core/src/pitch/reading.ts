import { nameOf } from '../cases/index.js';
import { CANOPY_SOURCE, WIND_LAWS } from '../weather/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { PitchState } from './solve.js';

/** How far a number may be off, as factors of its value: from the solves with hauls and wind at the ends of their ranges. */
export type Spread = readonly [low: number, high: number];
export const CERTAIN: Spread = [1, 1];

/** A number that the whole-rig solve gave, in one case, with what flutter adds to it. */
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

const PLATE_SOURCE =
  'Flat sheets by incidence: Hoerner, Fluid-Dynamic Drag, 1965, ch. 3; ESDU 70015. Flutter: judgement, 0.3 of what lies along the wind.';

/** What is left out of balance, as a share of the largest pull. */
const shareOf = ({ numbers }: PitchState): number => numbers.residual / Math.max(1, ...numbers.tension);

/** A number of the solve in one case as a figure: how the wind was laid on it, and what flutter adds. */
export function solved(
  symbol: string,
  title: string,
  quantity: Figure['quantity'],
  from: FromSolve,
  c: PitchState,
): Figure {
  const { wind } = c.case.environment;
  const name = { symbol, title: `${title}, ${nameOf(c.case)}`, quantity };
  const bare = from.value / c.flutter;
  const found = given(
    c.flutter > 1 ? { ...name, symbol: `${symbol}_s` } : name,
    bare,
    {
      kind: 'derived',
      text: `${SOLVED}${wind === null ? '' : `; the wind ${WIND_LAWS[wind.law].said}, the law that asks most here`}; balanced to ${shareOf(c).toExponential(0)} of the largest pull after ${c.numbers.iterations} steps`,
      ...(wind === null ? {} : { citation: wind.law === 'plate' ? PLATE_SOURCE : CANOPY_SOURCE }),
    },
    [bare * from.spread[0], bare * from.spread[1]],
  );
  if (!(c.flutter > 1)) return found;
  return derive(
    { ...name, formula: `${symbol} = ${symbol}_s φ` },
    [
      found,
      given({ symbol: 'φ', title: 'what flutter adds', quantity: 'ratio' }, c.flutter, {
        kind: 'judgement',
        text: 'one plus 0.3 times the share of the cloth that lies along the wind',
        citation: PLATE_SOURCE,
      }),
    ],
    (s, f) => s! * f!,
  );
}
