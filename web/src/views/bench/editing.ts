import { tellProblem } from '@rough-bight/core/document';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import { rigProblems } from '@rough-bight/core/rig';
import type { KitCord, RigContext, RidgeRig } from '@rough-bight/core/rig';
import type { DocumentStore } from '../../data/document-store.js';

/** What every control of the bench needs to show and change the rig. */
export interface Editing {
  readonly rig: RidgeRig;
  readonly kit: readonly KitCord[];
  readonly body: BodyMeasures;
  /** Puts a changed rig in place; returns why it does not fit together, or null. */
  readonly edit: (next: RidgeRig) => string | null;
}

export function editing(
  store: DocumentStore<RidgeRig>,
  rig: RidgeRig,
  context: RigContext,
  units: UnitChoice,
): Editing {
  const { kit, body } = context;
  return {
    rig,
    kit,
    body,
    edit: (next) => {
      const problem = rigProblems(next, context)[0];
      if (problem !== undefined) return tellProblem(problem, units);
      store.edit({ ...store.read().draft, document: next });
      return null;
    },
  };
}
