import { ofCode } from '../findings/index.js';
import { allSolved } from '../pitch/index.js';
import type { PitchResult } from '../pitch/index.js';
import { ratioOf } from '../rig/index.js';

/** How far a judged rig is from all that is asked, in e-folds of what is missing; 0 where everything holds. */
export function shortfallOf(result: PitchResult): number {
  let sum = 0;
  const missing = (wanted: number, have: number): void => {
    if (wanted > have) sum += Math.min(10, Math.log(wanted / Math.max(have, 1e-6 * wanted)));
  };
  for (const row of result.rows) missing(1, ratioOf(row));
  for (const c of result.cords) missing(c.wanted, c.have);
  for (const p of result.pegs) missing(p.wanted, p.have);
  if (result.sag !== null) missing(result.sag, result.sagLimit);
  if (ofCode(result.findings, 'tree').length > 0) sum += 10;
  for (const c of result.cases) sum += c.runsAway ? 1 : 0;
  if (!allSolved(result)) sum += 0.5;
  return sum;
}
