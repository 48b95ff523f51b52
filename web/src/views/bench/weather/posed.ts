import type { PitchShape } from '@rough-bight/core/pitch';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { BedShape } from '@rough-bight/core/shelter';
import { Telling } from '../../../data/source.js';

/** The id under which a posed shape stands among a rig's cases. */
export const POSED = 'posed';

interface Pose {
  /** The rig it is of: as soon as that is another it is not shown. */
  readonly rig: RidgeRig | null;
  readonly shape: PitchShape | null;
  /** Its bed with someone else in it; null where that is as it is. */
  readonly bed: BedShape | null;
  /** Whether it is played, a shape after the other. */
  readonly moving: boolean;
}

const NO_POSE: Pose = { rig: null, shape: null, bed: null, moving: false };

/** A shape that is drawn instead of the case that is chosen: a rung of a ladder, a moment of a gust. */
export class Posed extends Telling<Pose> {
  constructor() {
    super(NO_POSE);
  }

  pose(
    rig: RidgeRig,
    shape: PitchShape | null,
    { moving = false, bed = null }: { readonly moving?: boolean; readonly bed?: BedShape | null } = {},
  ): void {
    this.show({ rig, shape: shape === null ? null : { ...shape, caseId: POSED }, bed, moving });
  }

  clear(): void {
    this.show(NO_POSE);
  }
}
