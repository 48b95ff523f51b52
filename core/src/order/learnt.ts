import { HAND_TIMES, looked } from '../catalogue/index.js';
import type { HandTime } from '../catalogue/index.js';
import { Z95 } from '../quantity/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { Step, StepCode } from './step.js';

/** One's own times, s, by kind of step: what was timed, over what it would take by the catalogue. */
export interface Timed {
  readonly code: StepCode;
  /** Measured, s. */
  readonly took: number;
  /** By the catalogue for that very step, s. */
  readonly expected: number;
}

/** How far one and the same step differs from day to day, standard deviation of its logarithm. Judgement, 0.25 to 0.6. */
const DAY_TO_DAY = 0.4;
/** How far a person is from the catalogue's practised hands before any was timed, standard deviation of the logarithm. Judgement, 0.4 to 0.8. */
const PERSON = 0.55;

/** What a step takes by the catalogue, s. */
export const expectedOf = ({ made }: Pick<Step, 'made'>): number =>
  made.reduce((sum, m) => sum + HAND_TIMES[m].typical, 0);

/**
 * A step's time, s: the catalogue's, scaled by one's own times of that kind of step. The scale is lognormal: a prior about 1, each
 * own time an observation of it (normal with known variance; Gelman and others, Bayesian Data Analysis, 3rd ed. 2013, 2.5).
 */
export function timeOf(step: Pick<Step, 'code' | 'made'>, timed: readonly Timed[]): Figure {
  const counts = new Map<HandTime, number>();
  for (const m of step.made) counts.set(m, (counts.get(m) ?? 0) + 1);
  const parts = [...counts];
  const own = timed.filter((t) => t.code === step.code && t.took > 0 && t.expected > 0);
  const precision = 1 / PERSON ** 2 + own.length / DAY_TO_DAY ** 2;
  const mean = own.reduce((sum, t) => sum + Math.log(t.took / t.expected), 0) / DAY_TO_DAY ** 2 / precision;
  const sd = Math.sqrt(1 / precision);
  const scale = given(
    { symbol: 'k', title: 'your hands over practised ones', quantity: 'ratio' },
    Math.exp(mean),
    own.length === 0
      ? { kind: 'judgement', text: 'none of yours was timed yet' }
      : { kind: 'measured', text: `from ${own.length} of your own times` },
    [Math.exp(mean - Z95 * sd), Math.exp(mean + Z95 * sd)],
  );
  // the catalogue's own range is how people differ: with one's own times it is no longer asked
  const inputs = parts.map(([m]) => ({ ...looked(HAND_TIMES[m]), range: undefined })).map(({ range: _, ...f }) => f);
  return derive(
    {
      symbol: 't',
      title: 'time for this step',
      quantity: 'time',
      formula: `t = k (${parts.map(([, n], i) => `${n === 1 ? '' : `${n} `}t${'₁₂₃₄₅₆'[i] ?? ''}`).join(' + ')})`,
    },
    [scale, ...inputs.map((f, i): Figure => ({ ...f, symbol: `t${'₁₂₃₄₅₆'[i] ?? ''}` }))],
    (k, ...times) => k! * times.reduce((sum, t, i) => sum + parts[i]![1] * t, 0),
  );
}
