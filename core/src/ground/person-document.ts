import { z } from 'zod';
import type { Described } from '../document/index.js';
import { atMost, oneOf, part, saidIssue, within, words } from '../document/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import { FORCE_UNITS, LENGTH_UNITS, limit, metres, phrase } from '../quantity/index.js';
import { requiredDocument } from '../strength/index.js';
import { BODY_LIMITS, BODY_UNITS, MOST_REPEATS, UNITS_OF_BODY } from './calibration.js';

const B = BODY_LIMITS;

/** A person's own measures, m. */
export const bodyDocument = part({
  pace: within(B.pace),
  paceSpread: within(B.paceSpread),
  foot: within(B.foot),
  handSpan: within(B.handSpan),
  armSpan: within(B.armSpan),
  waist: within(B.waist),
  elbow: within(B.elbow),
  chest: within(B.chest),
  shoulder: within(B.shoulder),
  brow: within(B.brow),
  reach: within(B.reach),
}) satisfies z.ZodType<BodyMeasures>;

/** One repeat of a calibration: so many of the unit along a taped length; a height is one of itself. */
const repeat = part({
  taped: within(limit('taped length', 'length', 0.001, 500)),
  count: within(limit('count', 'count', 0.001, 10_000)),
});

/** Repeats by body unit, each of a length and a count that could be a person's. */
export const calibrationsDocument = z
  .partialRecord(
    oneOf('body unit', BODY_UNITS),
    atMost(repeat, MOST_REPEATS, `Of one unit at most ${MOST_REPEATS} repeats are kept.`),
    { error: 'The calibrations must be a table.' },
  )
  .superRefine((table, out) => {
    for (const unit of BODY_UNITS) {
      const { name, min, max } = UNITS_OF_BODY[unit];
      table[unit]?.forEach(({ taped, count }, i) => {
        const one = taped / count;
        if (one < min || one > max)
          out.addIssue(
            saidIssue(
              [unit, i],
              phrase`Repeat ${i + 1} makes one ${name} ${metres(one)}; it can be from ${metres(min)} to ${metres(max)}. Check the count and the tape.`,
            ),
          );
      });
    }
  });

/** Whose measures, units and margins a camp is worked with. */
export const personDocument = part({
  name: words('name', 1, 60),
  body: bodyDocument,
  units: part({ length: oneOf('unit of length', LENGTH_UNITS), force: oneOf('unit of force', FORCE_UNITS) }),
  required: requiredDocument,
  calibrations: calibrationsDocument,
});
export type PersonDocument = Described<typeof personDocument>;
