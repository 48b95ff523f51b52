import type { Balance } from './balance.js';
import { evaluate, nodeStiffness } from './balance.js';
import type { Engine } from './engine.js';
import { spend } from './engine.js';
import type { Ending } from './newton.js';
import { refineContacts } from './contact.js';
import { refineFeet } from './supports.js';

const { abs, max } = Math;

/**
 * Dynamic relaxation with kinetic damping (Day, The Engineer 219, 1965; Cundall 1976; Barnes, Int. J. Space Struct. 14,
 * 1999): the nodes move as masses under the out-of-balance force and are stopped at every peak of kinetic energy. The
 * masses are as large as the stiffness each node can meet, so the time step of one is stable. Needs no matrix, forgives
 * any start, and is slow.
 * @param goal residual to stop at, as a share of the largest tension
 * @param most steps
 */
export function* relax(engine: Engine, balance: Balance, goal: number, most: number): Generator<void, Ending> {
  const { state, structure: s, direction: v, before: mass } = engine;
  const { x, force } = state;
  const { fixed } = s;
  const stiffness = engine.scratch;
  const limit = 1e3 * engine.size;
  let kinetic = 0;
  let refinements = 0;
  let softest = 1;
  v.fill(0);
  const weigh = (): void => {
    nodeStiffness(state, stiffness);
    let largest = 0;
    for (let n = 0; n < s.nodes; n++) largest = max(largest, stiffness[n] as number);
    softest = largest > 0 ? 1e-9 * largest : 1;
    for (let n = 0; n < s.nodes; n++) mass[n] = 1.2 * max(stiffness[n] as number, softest);
  };
  weigh();
  evaluate(state, balance);
  for (let step = 0; step < most; step++) {
    if (balance.residual <= goal * state.scale) {
      if (s.footNode.length + s.contactNode.length === 0 || refinements >= 400) return null;
      refinements++;
      if (max(refineFeet(state), refineContacts(state)) <= 10 * goal * state.scale) return null;
      evaluate(state, balance);
    }
    engine.iterations++;
    if (!spend(engine, 1.3 * engine.evaluation)) return 'work';
    if (step % 16 === 0) yield;
    let now = 0;
    for (let n = 0; n < s.nodes; n++) {
      const m = mass[n] as number;
      for (let i = 3 * n; i < 3 * n + 3; i++) {
        if (fixed[i]) continue;
        const speed = (v[i] as number) + (force[i] as number) / m;
        v[i] = speed;
        x[i]! += speed;
        now += m * speed * speed;
        if (!(abs(x[i] as number) < limit)) return 'astray';
      }
    }
    evaluate(state, balance);
    if (now < kinetic) {
      // past the peak: back to about where it was, at rest
      for (let i = 0; i < x.length; i++) if (!fixed[i]) x[i]! -= v[i] as number;
      v.fill(0);
      weigh();
      evaluate(state, balance);
      now = 0;
    }
    kinetic = now;
  }
  return balance.residual <= goal * state.scale ? null : 'steps';
}
