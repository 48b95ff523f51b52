import type { FootState } from './document.js';
import type { Sink, State } from './state.js';

const { abs, max, sqrt } = Math;

/** Loads, springs to the ground, and feet that stick, slide or lift. */

const ke = new Float64Array(9);
const r = new Float64Array(3); // trial push of the ground
const push = new Float64Array(3);

export function loadAndSpringForces(state: State): void {
  const { structure: s, x, force } = state;
  for (let i = 0; i < force.length; i++) {
    const load = s.load[i] as number;
    const k = s.spring[i] as number;
    const moved = (x[i] as number) - (s.at[i] as number);
    force[i]! += load - k * moved;
    state.energy += (0.5 * k * moved - load) * moved;
    const size = max(abs(load), abs(k * moved));
    if (size > state.scale) state.scale = size;
  }
}

/** Tethers to where the nodes stood, while a loose net is settled. */
export function tetherForces(state: State): void {
  const { x, force, tether, tetherStiffness: k } = state;
  if (k === 0) return;
  for (let i = 0; i < force.length; i++) {
    const moved = (x[i] as number) - (tether[i] as number);
    force[i]! -= k * moved;
    state.energy += 0.5 * k * moved * moved;
  }
}

export function springTangents(state: State, sink: Sink): void {
  const { spring } = state.structure;
  const k = state.tetherStiffness;
  for (let n = 0; n < state.structure.nodes; n++) {
    const kx = (spring[3 * n] as number) + k;
    const ky = (spring[3 * n + 1] as number) + k;
    const kz = (spring[3 * n + 2] as number) + k;
    if (kx > 0 || ky > 0 || kz > 0) sink.ground(n, kx, ky, kz);
  }
}

/**
 * The ground's push on foot f, into `push`: the multiplier less stiffness times movement, brought back to Coulomb's
 * cone (augmented Lagrangian: Alart & Curnier, Comput. Methods Appl. Mech. Eng. 92, 1991). Refining the multiplier
 * leaves a stuck foot exactly where it stood.
 */
function ground(state: State, f: number): FootState {
  const { structure: s, x, footStiffness } = state;
  const n = 3 * (s.footNode[f] as number);
  const n0 = s.footNormal[3 * f] as number;
  const n1 = s.footNormal[3 * f + 1] as number;
  const n2 = s.footNormal[3 * f + 2] as number;
  for (let c = 0; c < 3; c++)
    r[c] = (state.push[3 * f + c] as number) - footStiffness * ((x[n + c] as number) - (s.at[n + c] as number));
  if (state.held) {
    push.set(r);
    return 'stuck';
  }
  const pressure = (r[0] as number) * n0 + (r[1] as number) * n1 + (r[2] as number) * n2;
  if (!(pressure > 0)) {
    push.fill(0);
    return 'lifted';
  }
  const t0 = (r[0] as number) - pressure * n0;
  const t1 = (r[1] as number) - pressure * n1;
  const t2 = (r[2] as number) - pressure * n2;
  const sideways = sqrt(t0 * t0 + t1 * t1 + t2 * t2);
  const most = (s.footFriction[f] as number) * pressure;
  if (sideways <= most) {
    push.set(r);
    return 'stuck';
  }
  const k = most / sideways;
  push[0] = pressure * n0 + k * t0;
  push[1] = pressure * n1 + k * t1;
  push[2] = pressure * n2 + k * t2;
  return 'slid';
}

export function footForces(state: State): void {
  const { structure: s, x, force } = state;
  for (let f = 0; f < s.footNode.length; f++) {
    ground(state, f);
    const n = 3 * (s.footNode[f] as number);
    for (let c = 0; c < 3; c++) {
      const p = push[c] as number;
      if (state.held) {
        const moved = (x[n + c] as number) - (s.at[n + c] as number);
        state.energy += (0.5 * state.footStiffness * moved - (state.push[3 * f + c] as number)) * moved;
      }
      force[n + c]! += p;
      if (abs(p) > state.scale) state.scale = abs(p);
    }
  }
}

export function footTangents(state: State, sink: Sink, firstElement: number): void {
  const { structure: s, x, footStiffness, firmness } = state;
  const k = firmness * footStiffness;
  for (let f = 0; f < s.footNode.length; f++) {
    const how = ground(state, f);
    ke.fill(0);
    if (how === 'stuck') ke[0] = ke[4] = ke[8] = k;
    else if (how === 'slid') {
      const normal = s.footNormal.subarray(3 * f, 3 * f + 3);
      const friction = s.footFriction[f] as number;
      let pressure = 0;
      for (let c = 0; c < 3; c++) pressure += (r[c] as number) * (normal[c] as number);
      let sideways = 0;
      for (let c = 0; c < 3; c++) sideways += ((r[c] as number) - pressure * (normal[c] as number)) ** 2;
      sideways = sqrt(sideways);
      // the sideways push is the multiplier's and the slide's together, along one line
      const n = 3 * (s.footNode[f] as number);
      let into = 0;
      for (let c = 0; c < 3; c++) into += ((x[n + c] as number) - (s.at[n + c] as number)) * (normal[c] as number);
      let slide = 0;
      for (let c = 0; c < 3; c++)
        slide += ((x[n + c] as number) - (s.at[n + c] as number) - into * (normal[c] as number)) ** 2;
      const turn = (friction * pressure) / (sideways + (firmness - 1) * footStiffness * sqrt(slide));
      for (let i = 0; i < 3; i++) {
        const ni = normal[i] as number;
        const ti = ((r[i] as number) - pressure * ni) / sideways;
        for (let j = 0; j < 3; j++) {
          const nj = normal[j] as number;
          const tj = ((r[j] as number) - pressure * nj) / sideways;
          ke[3 * i + j] = k * ((ni + friction * ti) * nj + turn * ((i === j ? 1 : 0) - ni * nj - ti * tj));
        }
      }
    }
    sink.add(firstElement + f, ke, 3);
  }
}

/** Takes the present pushes as multipliers. Returns the largest change of a push, N. */
export function refineFeet(state: State): number {
  let change = 0;
  for (let f = 0; f < state.structure.footNode.length; f++) {
    ground(state, f);
    for (let c = 0; c < 3; c++) {
      change = max(change, abs((push[c] as number) - (state.push[3 * f + c] as number)));
      state.push[3 * f + c] = push[c] as number;
    }
  }
  return change;
}

/** Push of the ground on foot f, N, added to `out`; tells how it stands. */
export function footPush(state: State, f: number, out: Float64Array): FootState {
  const how = ground(state, f);
  for (let c = 0; c < 3; c++) out[c]! += push[c] as number;
  return how;
}
