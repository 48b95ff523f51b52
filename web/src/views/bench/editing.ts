import { tellProblem } from '@rough-bight/core/document';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import { rigProblems } from '@rough-bight/core/rig';
import type { KitCord, RigContext, RidgeRig } from '@rough-bight/core/rig';
import type { KitPegs } from '@rough-bight/core/support';

/** What every control of the bench needs to show and change the rig. */
export interface Editing {
  readonly rig: RidgeRig;
  readonly kit: readonly KitCord[];
  readonly pegs: readonly KitPegs[];
  readonly body: BodyMeasures;
  /** Whose paces the body’s are, where another paced the span. */
  readonly paces?: string;
  /** Puts a changed rig in place; returns why it does not fit together, or null. */
  readonly edit: (next: RidgeRig) => string | null;
}

export function editing(rig: RidgeRig, context: RigContext, units: UnitChoice, put: (next: RidgeRig) => void): Editing {
  const { kit, pegs, body, paces } = context;
  return {
    rig,
    kit,
    pegs,
    body,
    ...(paces === undefined ? {} : { paces }),
    edit: (next) => {
      // what was wrong before stands where it is; it is no reason against mending something else
      const before = new Set(rigProblems(rig, context).map((p) => p.field));
      const problem = rigProblems(next, context).find((p) => !before.has(p.field));
      if (problem !== undefined) return tellProblem(problem, units);
      put(next);
      return null;
    },
  };
}
