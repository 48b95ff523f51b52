import type { Vec3 } from '../quantity/index.js';
import { collectTangents, isConservative } from './balance.js';
import type { Mechanism } from './document.js';
import type { Engine } from './engine.js';
import { freeMotion } from './factor.js';

/** Enough to see what is loose. */
const MOST = 24;

/**
 * Ways in which the net, as it is, can move without resistance: the null space of its tangent, one motion for each
 * unknown that the factorisation found without stiffness, told by the node that moves most.
 */
export function mechanismsOf(engine: Engine): Mechanism[] {
  const { stiffness, state, structure: s, scratch } = engine;
  if (stiffness === null) return [];
  stiffness.begin(isConservative(state));
  collectTangents(state, engine.members, stiffness);
  const factors = stiffness.factors(0, true);
  const nodeOf = new Int32Array(stiffness.shape.size);
  for (const n of stiffness.active) nodeOf[stiffness.column[n]!] = n;
  const found: Mechanism[] = [];
  for (let k = 0; k < Math.min(factors.freeCount, MOST); k++) {
    freeMotion(factors, factors.free[k]!, scratch);
    let most = 0;
    let at = 0;
    for (let c = 0; c < stiffness.shape.size; c++) {
      const size = Math.hypot(scratch[3 * c]!, scratch[3 * c + 1]!, scratch[3 * c + 2]!);
      if (size > most * (1 + 1e-9)) {
        most = size;
        at = c;
      }
    }
    if (!(most > 0) || !Number.isFinite(most)) continue;
    const direction = [0, 1, 2].map((d) => tidy(scratch[3 * at + d]! / most)) as unknown as Vec3;
    found.push({ node: s.nodeId[nodeOf[at]!]!, direction });
  }
  return found;
}

/** A component that rounding alone keeps from zero. */
const tidy = (v: number): number => (Math.abs(v) < 1e-9 ? 0 : v);
