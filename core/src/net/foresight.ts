import { collectTangents, evaluate, isConservative } from './balance.js';
import type { Engine } from './engine.js';
import { solveOn } from './stiffness.js';

/** Supports that have moved farther than this share of the net are followed from where they stand. */
const FAR = 0.2;

/**
 * Moves the free nodes of a solved net to where the tangent of the last solution says its moved supports take them, to
 * first order: what makes dragging a peg a matter of a few steps.
 */
export function foresee(engine: Engine): void {
  const { structure: s, state, stiffness, members, direction, scratch, size } = engine;
  if (stiffness === null) return;
  let far = 0;
  for (let i = 0; i < direction.length; i++) {
    direction[i] = s.fixed[i] ? (s.at[i] as number) - (state.x[i] as number) : 0;
    far = Math.max(far, Math.abs(direction[i] as number));
  }
  if (far === 0 || far > FAR * size) return;
  const moved = engine.correction;
  moved.set(direction);
  const balance = { residual: 0, worst: -1, unsettled: 0 };
  evaluate(state, balance);
  const scale = state.scale;
  const symmetric = isConservative(state);
  stiffness.begin(symmetric);
  // the force on free nodes that the supports' motion makes, on the way to the matrix
  const pull = engine.before;
  pull.fill(0);
  const { start, node } = members;
  collectTangents(state, members, {
    add(element, k, stride) {
      const first = start[element] as number;
      const count = (start[element + 1] as number) - first;
      for (let b = 0; b < count; b++) {
        const from = 3 * (node[first + b] as number);
        for (let d = 0; d < 3; d++) {
          const by = moved[from + d] as number;
          if (by === 0) continue;
          for (let a = 0; a < 3 * count; a++)
            pull[3 * (node[first + Math.floor(a / 3)] as number) + (a % 3)]! -=
              (k[a * stride + 3 * b + d] as number) * by;
        }
      }
      stiffness.add(element, k, stride);
    },
    ground: (n, kx, ky, kz) => stiffness.ground(n, kx, ky, kz),
  });
  const factors = stiffness.factors((1e-6 * scale) / size);
  if (symmetric && factors.negative > 0) return;
  direction.set(pull);
  solveOn(stiffness, s.fixed, factors, direction, scratch);
  let longest = 0;
  for (const v of direction) longest = Math.max(longest, Math.abs(v));
  if (!(longest <= 4 * far)) return; // a loose node would be flung
  for (let i = 0; i < direction.length; i++) if (!s.fixed[i]) state.x[i]! += direction[i] as number;
}
