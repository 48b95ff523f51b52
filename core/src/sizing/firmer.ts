import { casesAt } from '../ladder/index.js';
import type { Fall, Turned } from '../ladder/index.js';
import { evaluatePitch } from '../pitch/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import type { Unmet } from './remedies.js';
import { unmetOf } from './remedies.js';

/** Beyond where it gave, so that what gave is short there. */
const BEYOND = 1.1;

/**
 * What to change so that what gave first on a ladder gives later: the smallest change by which it has its whole margin in a little
 * more than the load in which it gave. Null where nothing is short there by the rig's own rule.
 * @throws RigProblem where the rig cannot be computed
 */
export function firmerThan(
  rig: RidgeRig,
  context: RigContext,
  turned: Turned,
  fall: Fall,
  units: UnitChoice,
): Unmet | null {
  const asked: RidgeRig =
    turned.of === 'snow'
      ? { ...rig, pitch: { ...rig.pitch!, snow: { feel: turned.feel, depth: fall.at * BEYOND } } }
      : rig;
  const speed = fall.at * BEYOND;
  const known = evaluatePitch(asked, context, {
    full: true,
    spreads: rig.designRule === 'chance',
    rising: false,
    ...(turned.of === 'wind' && speed > 0
      ? { wind: { speed, from: turned.from }, among: new Set(casesAt(speed, turned).map((c) => c.id)) }
      : { wind: null }),
  });
  const found = unmetOf(asked, context, known, units);
  const best = found.find((u) => u.id === fall.link) ?? found.find((u) => u.rig !== null) ?? found[0];
  if (best === undefined) return null;
  return { ...best, rig: best.rig === null ? null : asIn(rig, best.rig) };
}

/** A changed rig under the weather of the one it was made from. */
const asIn = (rig: RidgeRig, changed: RidgeRig): RidgeRig =>
  changed.pitch === undefined ? changed : { ...changed, pitch: { ...changed.pitch, snow: rig.pitch?.snow } };
