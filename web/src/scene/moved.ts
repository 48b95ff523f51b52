import type { KitStraps } from '@rough-bight/core/bed';
import type { GuyReport } from '@rough-bight/core/pitch';
import type { BodyMeasures, Vec3 } from '@rough-bight/core/quantity';
import { SIZES } from '@rough-bight/core/under';
import type { KitCord, RidgeRig } from '@rough-bight/core/rig';
import type { AroundGrip } from './around-moves.js';
import { movedAround } from './around-moves.js';
import type { BedGrip } from './bed-moves.js';
import { movedBed } from './bed-moves.js';
import type { LineGrip } from './moves.js';
import { movedLine } from './moves.js';
import type { PitchGrip } from './pitch-moves.js';
import { movedPitch } from './pitch-moves.js';
import type { LyingGrip } from './under-moves.js';
import { movedLying } from './under-moves.js';

/** What can be taken hold of in the scene of a rig. */
export type RigGrip = LineGrip | PitchGrip | BedGrip | LyingGrip | AroundGrip;

/** What a move goes by besides the rig. */
export interface Around {
  readonly kit: readonly KitCord[];
  readonly body: BodyMeasures;
  readonly straps: KitStraps | null;
  /** Sag of the bare line as judged last, m. */
  readonly sag: number;
  /** Where the feet of guys are. */
  readonly guys: readonly GuyReport[];
}

/**
 * The rig after a grip has moved by so much from where it was in `rig`, m.
 * @param to for the wind and north: where the hand is from the middle of the roof, m
 */
export function movedBy(
  rig: RidgeRig,
  grip: RigGrip,
  by: Vec3,
  { kit, body, straps, sag, guys }: Around,
  to: readonly [number, number] = [0, 0],
): RidgeRig {
  switch (grip.kind) {
    case 'trunk':
    case 'tie':
    case 'hung':
    case 'sag':
      return movedLine(rig, grip, by[0], by[2], { kit, body }, sag);
    case 'strap':
    case 'loop':
      return straps === null ? rig : movedBed(rig, straps, grip, by[0], by[2]);
    case 'lying':
    case 'head':
      return movedLying(rig, grip, by, SIZES.sleeper.long);
    case 'wall':
    case 'wall-end':
    case 'fire':
      return movedAround(rig, grip, by);
    default:
      return movedPitch(rig, grip, by, guys, body, to);
  }
}
