import { solvePitch } from '@rough-bight/core/pitch';
import type { PitchState } from '@rough-bight/core/pitch';
import type { RigContext, RidgeRig } from '@rough-bight/core/rig';
import { expose } from 'comlink';

const service = {
  /**
   * Half of a rig's cases, while the worker that asks solves the others; null where the rig cannot be pitched, which that
   * worker then finds as well and says.
   */
  solve(rig: RidgeRig, context: RigContext): readonly PitchState[] | null {
    try {
      return solvePitch(rig, context, { full: true }, 1).states;
    } catch {
      return null;
    }
  },
};

export type HalfService = typeof service;
expose(service);
