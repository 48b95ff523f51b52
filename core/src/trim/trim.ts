import { HOUR } from '../cases/index.js';
import type { LoadCase } from '../cases/index.js';
import { PITCHED } from '../cases/index.js';
import { pitchModel, retension, tieOff } from '../pitch/index.js';
import type { Retension, TiedRig } from '../pitch/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import { creasesIn } from './crease.js';
import type { Creases } from './crease.js';
import { feltIn } from './felt.js';
import type { Felt } from './felt.js';
import { schoolsOf } from './schools.js';
import type { Left } from './schools.js';

/** Hours after tying off at which it may be asked, and whether all is soaked. */
export interface AtHour {
  readonly hours: number;
  readonly wet: boolean;
}
/** Hours that a rig may be asked about. */
export const TRIM_HOURS = [0.25, 72] as const;

/** What hands do to a rig that stands: how it feels, where it creases, and what either school would have left. */
export interface Trim {
  readonly felt: readonly Felt[];
  readonly creases: Creases;
  readonly schools: readonly Left[];
}

/** A roof tied off as hands do. @throws RigProblem naming field and remedy; NoSuchLine where no ridgeline is as it is told */
export const tiedFor = (rig: RidgeRig, context: RigContext): TiedRig => tieOff(pitchModel(rig, context));

/** The hour as a case: dry or soaked, in still air, nothing on it. */
const hourCase = ({ hours, wet }: AtHour): LoadCase => ({
  ...PITCHED,
  id: `hour ${hours}${wet ? ' wet' : ''}`,
  kind: wet ? 'wet' : 'evening',
  since: hours * HOUR,
  environment: { ...PITCHED.environment, wet },
});

/** What every line wants at an hour. */
export const retensionAt = (tied: TiedRig, at: AtHour): Retension => retension(tied, hourCase(at));

/** Everything that can be told by hand about a roof that stands. @returns null where it was cancelled */
export function trimOf(tied: TiedRig, progress: (done: number) => boolean = () => true): Trim | null {
  const { rig, context } = tied.model;
  const felt = feltIn(tied);
  const schools = schoolsOf(rig, context);
  if (!progress(0.2)) return null;
  const creases = creasesIn(tied, (done) => progress(0.2 + 0.8 * done));
  return creases === null ? null : { felt, creases, schools };
}
