import { solveDrawn } from '@rough-bight/core/doubt';
import type { DoubtAsked, Drawn } from '@rough-bight/core/doubt';
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
  /** Some of the rigs that a rig may be; null where it cannot be computed, which the worker that asks finds as well. */
  drawn(rig: RidgeRig, context: RigContext, asked: DoubtAsked, parts: readonly number[]): Drawn | null {
    try {
      return solveDrawn(rig, context, asked, parts);
    } catch {
      return null;
    }
  },
};

export type HalfService = typeof service;
expose(service);
