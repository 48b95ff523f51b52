import { NoSuchLine } from '@rough-bight/core/line';
import { tell } from '@rough-bight/core/quantity';
import type { UnitChoice } from '@rough-bight/core/quantity';
import { RigProblem } from '@rough-bight/core/rig';

/** What a worker answers: what was asked for, or which field cannot be so, why, and what to do. */
export type Answer<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly field: string; readonly message: string };

/** Work that may find a rig that cannot be as described. Anything else that is thrown is a failure of the program. @param units of whoever reads the answer */
export function answer<T>(units: UnitChoice, work: () => T): Answer<T> {
  try {
    return { ok: true, value: work() };
  } catch (error) {
    if (error instanceof RigProblem) return { ok: false, field: error.field, message: tell(error.said, units) };
    if (error instanceof NoSuchLine)
      return { ok: false, field: 'tensioning', message: `That cannot be: ${tell(error.said, units)}.` };
    throw error;
  }
}
