import type { PitchShape } from '@rough-bight/core/pitch';
import type { RidgeRig } from '@rough-bight/core/rig';
import { Telling } from '../../../data/source.js';

/** The id under which a posed shape stands among a rig's cases. */
export const POSED = 'posed';

interface Pose {
  /** The rig it is of: as soon as that is another it is not shown. */
  readonly rig: RidgeRig | null;
  readonly shape: PitchShape | null;
  /** Whether it is played, a shape after the other. */
  readonly moving: boolean;
}

/** A shape that is drawn instead of the case that is chosen: a rung of a ladder, a moment of a gust. */
export class Posed extends Telling<Pose> {
  constructor() {
    super({ rig: null, shape: null, moving: false });
  }

  pose(rig: RidgeRig, shape: PitchShape, moving = false): void {
    this.show({ rig, shape: { ...shape, caseId: POSED }, moving });
  }

  clear(): void {
    this.show({ rig: null, shape: null, moving: false });
  }
}
