import type { Measurer, Reader } from './measurer.js';
import { UNIT_OF, byBody, measurerOf } from './measurer.js';
import { UNITS_OF_BODY, calibrate } from './calibration.js';
import type { Measure, Place } from './place-document.js';
import type { MeasureHow } from './place.js';

/** How a way of measuring errs. All sd are one standard deviation. */
export interface UnitError {
  /** Length of one, m. */
  readonly one: number;
  /** Scatter of one measuring, as a share, and as a part of one unit that is guessed at the end. */
  readonly share: number;
  readonly part: number;
  /** The mistake shared by everything measured so, as a share. */
  readonly scale: number;
}

/** Judgement, each with a factor of two: tapes sag and slant, a line stretches, a foot is set askew. */
const LAST_PART = 0.12;
const TAPE = { fixed: 0.01, share: 0.002 };
const RANGEFINDER = { fixed: 0.12, share: 0.002 };
/** A hand compass in a wood, rad: 3 degrees (2 to 5). */
export const COMPASS_SD = 0.052;

/** Length and error of the unit of a way of measuring. */
export function unitError(how: MeasureHow, place: Pick<Place, 'measuringLine'>, who: Measurer): UnitError {
  const unit = UNIT_OF[how];
  if (unit !== undefined) {
    const believed = unit === 'pace' ? who.body.paceSpread : UNITS_OF_BODY[unit].share;
    const repeats = who.calibrations[unit];
    const one = who.body[unit];
    if (repeats === undefined || repeats.length === 0)
      return { one, share: believed, part: LAST_PART, scale: believed };
    const { share, scale } = calibrate(repeats, UNITS_OF_BODY[unit].share);
    return { one, share, part: LAST_PART, scale };
  }
  if (how === 'line') return { one: place.measuringLine, share: 0.005, part: 0.02, scale: 0.005 };
  return {
    one: 1,
    share: how === 'tape' ? TAPE.share : RANGEFINDER.share,
    part: how === 'tape' ? TAPE.fixed : RANGEFINDER.fixed,
    scale: 0,
  };
}

/** A distance or bearing as the adjustment takes it. */
export interface Observation {
  readonly id: string;
  readonly kind: 'distance' | 'bearing';
  readonly from: string;
  readonly to: string;
  /** m or rad. */
  readonly value: number;
  readonly sd: number;
  /** Whose shared mistake it carries, as `unitKey` says it; null for none. */
  readonly unit: string | null;
}

/** One person's paces are wrong together; another's are wrong in their own way. */
export const unitKey = ({ how, by }: Pick<Measure, 'how' | 'by'>): string =>
  by === undefined || !byBody(how) ? how : `${how} of ${by}`;

/**
 * A measure in metres and radians with its scatter.
 * @param rise how much higher one end's foot is, m: what is measured along a slope is brought to the level
 */
export function observe(
  measure: Measure,
  place: Pick<Place, 'measuringLine' | 'measurers'>,
  reader: Reader,
  rise = 0,
): Observation {
  const { id, from, to, how } = measure;
  if (how === 'compass') return { id, kind: 'bearing', from, to, value: measure.value, sd: COMPASS_SD, unit: null };
  const { one, share, part, scale } = unitError(how, place, measurerOf(measure.by, place, reader));
  const slant = measure.value * one;
  const value = Math.sqrt(Math.max(slant * slant - rise * rise, (0.2 * slant) ** 2));
  return {
    id,
    kind: 'distance',
    from,
    to,
    value,
    sd: Math.hypot(share * value, part * one),
    unit: scale > 0 ? unitKey(measure) : null,
  };
}
