import { casesAt } from '../ladder/index.js';
import type { Fall, Turned } from '../ladder/index.js';
import { evaluatePitch } from '../pitch/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { bedUnder, bedUnmet } from './bed-unmet.js';
import type { Unmet } from './remedies.js';
import { unmetOf } from './remedies.js';

/** Beyond where it gave, so that what gave is short there. */
const BEYOND = 1.1;

/**
 * What to change so that what gave first on a ladder gives later: the smallest change by which it has its whole margin in a little
 * more than the load in which it gave. Null where nothing is short there by the rig's own rule, and for a bed without a roof.
 * @throws RigProblem where the rig cannot be computed
 */
export function firmerThan(
  rig: RidgeRig,
  context: RigContext,
  turned: Turned,
  fall: Fall,
  units: UnitChoice,
): Unmet | null {
  if (rig.pitch === undefined) return null;
  const asked = laden(rig, turned, fall.at * BEYOND);
  const speed = fall.at * BEYOND;
  const known = evaluatePitch(asked, context, {
    full: true,
    spreads: rig.designRule === 'chance',
    rising: false,
    ...(turned.of === 'wind' && speed > 0
      ? { wind: { speed, from: turned.from }, among: new Set(casesAt(speed, turned).map((c) => c.id)) }
      : { wind: null }),
  });
  const bed = turned.of === 'people' ? bedUnder(asked, context, known) : null;
  const found = bed === null ? unmetOf(asked, context, known, units) : bedUnmet(asked, context, known, bed, units);
  const best = found.find((u) => u.id === fall.link) ?? found.find((u) => u.rig !== null) ?? found[0];
  if (best === undefined) return null;
  return { ...best, rig: best.rig === null ? null : asIn(rig, best.rig) };
}

/** A rig under so much of what is turned up, where that is its own: snow on it, or who lies in its bed. */
function laden(rig: RidgeRig, turned: Turned, level: number): RidgeRig {
  switch (turned.of) {
    case 'snow':
      return { ...rig, pitch: { ...rig.pitch!, snow: { feel: turned.feel, depth: level } } };
    case 'people':
      return { ...rig, bed: { ...rig.bed!, mass: level } };
    default:
      return rig;
  }
}

/** A changed rig under the weather, and with who lay in it, of the one it was made from. */
function asIn(rig: RidgeRig, changed: RidgeRig): RidgeRig {
  const { pitch, bed } = changed;
  return {
    ...changed,
    ...(pitch === undefined ? {} : { pitch: { ...pitch, snow: rig.pitch?.snow } }),
    ...(bed === undefined ? {} : { bed: { ...bed, mass: rig.bed!.mass } }),
  };
}
