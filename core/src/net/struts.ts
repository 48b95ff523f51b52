import type { Sink, State } from './state.js';
import { K, STRETCH, T0, axial } from './stretch.js';

const { abs, sqrt } = Math;

/** Bars that push and pull alike: T = EA (length - rest) / rest. */

const out = new Float64Array(STRETCH);
const ke = new Float64Array(36);

/** Writes the bar as it is to `out`; returns its force, N, tension positive. Ends in one place have no direction. */
function bar(state: State, i: number): number {
  const { structure: s, x } = state;
  const a = 3 * (s.strutFrom[i] as number);
  const b = 3 * (s.strutTo[i] as number);
  const rx = (x[b] as number) - (x[a] as number);
  const ry = (x[b + 1] as number) - (x[a + 1] as number);
  const rz = (x[b + 2] as number) - (x[a + 2] as number);
  const length = sqrt(rx * rx + ry * ry + rz * rz);
  const rest = s.strutRest[i] as number;
  const stiffness = s.strutStiffness[i] as number;
  const force = (stiffness * (length - rest)) / rest;
  if (length > 0) axial(out, 0, rx, ry, rz, rest, length, force, stiffness);
  else out.fill(0);
  return force;
}

export function strutForces(state: State): void {
  const { structure: s, force } = state;
  for (let i = 0; i < s.strutFrom.length; i++) {
    const tension = bar(state, i);
    const a = 3 * (s.strutFrom[i] as number);
    const b = 3 * (s.strutTo[i] as number);
    for (let c = 0; c < 3; c++) {
      force[a + c]! += out[T0 + c] as number;
      force[b + c]! -= out[T0 + c] as number;
    }
    const size = abs(tension);
    state.energy += (0.5 * tension * tension * (s.strutRest[i] as number)) / (s.strutStiffness[i] as number);
    if (size > state.scale) state.scale = size;
  }
}

export function strutTangents(state: State, sink: Sink, firstElement: number): void {
  const count = state.structure.strutFrom.length;
  for (let i = 0; i < count; i++) {
    bar(state, i);
    pairStiffness(ke, out, K);
    sink.add(firstElement + i, ke, 6);
  }
}

export function strutForce(state: State, i: number): number {
  return bar(state, i);
}

/** Stiffness of an element of two nodes from its 3 x 3 (xx, xy, xz, yy, yz, zz at k[o]). */
export function pairStiffness(e: Float64Array, k: Float64Array, o: number): void {
  const xx = k[o] as number;
  const xy = k[o + 1] as number;
  const xz = k[o + 2] as number;
  const yy = k[o + 3] as number;
  const yz = k[o + 4] as number;
  const zz = k[o + 5] as number;
  for (let row = 0; row < 2; row++)
    for (let column = 0; column < 2; column++) {
      const sign = row === column ? 1 : -1;
      const r = 18 * row + 3 * column;
      e[r] = sign * xx;
      e[r + 1] = e[r + 6] = sign * xy;
      e[r + 2] = e[r + 12] = sign * xz;
      e[r + 7] = sign * yy;
      e[r + 8] = e[r + 13] = sign * yz;
      e[r + 14] = sign * zz;
    }
}
