import type { Learner } from '@rough-bight/core/teach';
import type { Binding } from '@rough-bight/core/cordage';
import type { Calibrations, Place } from '@rough-bight/core/ground';
import type { BodyMeasures, UnitChoice } from '@rough-bight/core/quantity';
import type { Gear, KitCord, RidgeRig } from '@rough-bight/core/rig';
import type { Required } from '@rough-bight/core/strength';
import type { Verdict } from '@rough-bight/core/words';

/** A named document of a camp as the server holds it. */
export interface Stored<D> {
  readonly id: string;
  readonly campId: string;
  readonly name: string;
  readonly note: string;
  readonly document: D;
  readonly version: number;
  readonly updatedAt: string;
}
export type StoredRig = Stored<RidgeRig>;
export type StoredPlace = Stored<Place>;

export interface CampSummary {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  /** Put away: kept, and not among those in use. */
  readonly away: boolean;
  /** Ids of the rigs that stand tonight; null where nobody said: then all of them. */
  readonly tonight: readonly string[] | null;
  /** What is bound with cord there, besides rigs. */
  readonly bindings: readonly Binding[];
  /** Who learns there. */
  readonly learners: readonly Learner[];
}

/** What was last made of a rig, and of what. */
export interface KeptVerdict {
  readonly rigId: string;
  readonly of: string;
  readonly verdict: Verdict;
  readonly madeAt: string;
}

export interface Camp extends CampSummary, Gear {
  readonly kit: readonly KitCord[];
  readonly rigs: readonly StoredRig[];
  readonly places: readonly StoredPlace[];
  readonly verdicts: readonly KeptVerdict[];
}

/** Somebody who measures and ties here. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly body: BodyMeasures;
  readonly units: UnitChoice;
  readonly required: Required;
  readonly calibrations: Calibrations;
  readonly version: number;
}

export interface ProblemBody {
  readonly code: string;
  readonly message: string;
  readonly fields: readonly { readonly field: string; readonly message: string }[];
  readonly current?: unknown;
}
