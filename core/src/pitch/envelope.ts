import { canopyPressures, windToward } from '../weather/index.js';
import type { PitchCase } from './cases.js';
import { gustPressure } from './gust.js';
import { solveCase } from './solve.js';
import type { PitchState, TiedRig } from './solve.js';

/** Pressures this near, as a share of the largest, are the same. */
const SAME = 1e-9;

/** After so many cases without rest the rig flaps: what comes after is no longer coaxed. */
const MOST_FLAPPING = 4;

/**
 * Every case of a rig, each from where the one before stood. A canopy's pressure often does not depend on where the wind
 * comes from: such cases are solved once and stand for each other.
 */
export function solveCases(
  rig: TiedRig,
  cases: readonly PitchCase[],
  options: { readonly slip?: boolean } = {},
): PitchState[] {
  const known: { readonly pressure: Float64Array; readonly state: PitchState }[] = [];
  let flapping = 0;
  const solveOne = (c: PitchCase): PitchState => {
    const state = solveCase(rig, c, { ...options, patient: flapping < MOST_FLAPPING });
    if (state.luffing || !state.numbers.converged) flapping++;
    return state;
  };
  return cases.map((c): PitchState => {
    if (c.id === 'pitched') return rig.pitched;
    const { wind } = c;
    if (wind === null || wind.law === 'plate') return solveOne(c);
    const toward = windToward(wind.from, rig.model.rig.pitch!.bearing);
    const pressure = canopyPressures(wind.law, rig.roof, toward, gustPressure(wind));
    const same = known.find(({ state, pressure: p }) => state.case.wet === c.wet && alike(p, pressure));
    if (same !== undefined) return { ...same.state, case: c };
    const state = solveOne(c);
    known.push({ pressure, state });
    return state;
  });
}

function alike(a: Float64Array, b: Float64Array): boolean {
  let most = 0;
  for (const p of a) most = Math.max(most, Math.abs(p));
  return a.every((p, i) => Math.abs(p - b[i]!) <= SAME * most);
}
