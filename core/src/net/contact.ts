import type { Sink, State } from './state.js';

const { abs, max, sqrt } = Math;

/**
 * Nodes that something stops: the ground's plane, or a node they lie on. It only pushes: k times how deep a node stands in
 * it. Sideways it holds a node where it was laid (`at`) by a spring up to friction times the push (Coulomb's cone by the
 * method of Tresca's bound, refined: Licht, Pratt & Raous, Int. Ser. Numer. Math. 101, 1991): while a bound stands the
 * energy stays convex, and the bound is set anew from the push found until both agree. Where there is no energy to keep, in wind,
 * the bound goes with the push at once, and the tangent with it.
 */

const ke = new Float64Array(36);

/** Share of the normal stiffness that holds a node sideways until it slides. */
const SIDEWAYS = 0.1;
/** Given stiffness of the ground under one node, N/m: a hand's push of 100 N sinks a millimetre. */
export const GROUND_STIFFNESS = 1e5;

/**
 * Written by `measure`: movement sideways since it was laid, less what it has slid, how deep the node stands, and how far it has moved sideways,
 * m. (In an array, because a number of a module's own is made anew at every writing.)
 */
const along = new Float64Array(5);
const DEEP = 3;
const FAR = 4;
function measure(state: State, c: number): void {
  const { structure: s, x } = state;
  const n = 3 * (s.contactNode[c] as number);
  const host = 3 * (s.contactHost[c] as number);
  const o = 3 * c;
  const n0 = s.contactNormal[o] as number;
  const n1 = s.contactNormal[o + 1] as number;
  const n2 = s.contactNormal[o + 2] as number;
  let m0 = (x[n] as number) - (s.at[n] as number);
  let m1 = (x[n + 1] as number) - (s.at[n + 1] as number);
  let m2 = (x[n + 2] as number) - (s.at[n + 2] as number);
  let gap: number;
  if (host < 0) gap = n0 * (x[n] as number) + n1 * (x[n + 1] as number) + n2 * (x[n + 2] as number) - s.groundLevel;
  else {
    gap =
      n0 * ((x[n] as number) - (x[host] as number)) +
      n1 * ((x[n + 1] as number) - (x[host + 1] as number)) +
      n2 * ((x[n + 2] as number) - (x[host + 2] as number));
    m0 -= (x[host] as number) - (s.at[host] as number);
    m1 -= (x[host + 1] as number) - (s.at[host + 1] as number);
    m2 -= (x[host + 2] as number) - (s.at[host + 2] as number);
  }
  m0 -= state.contactSlid[o] as number;
  m1 -= state.contactSlid[o + 1] as number;
  m2 -= state.contactSlid[o + 2] as number;
  const up = m0 * n0 + m1 * n1 + m2 * n2;
  m0 -= up * n0;
  m1 -= up * n1;
  m2 -= up * n2;
  along[0] = m0;
  along[1] = m1;
  along[2] = m2;
  along[DEEP] = -gap;
  along[FAR] = sqrt(m0 * m0 + m1 * m1 + m2 * m2);
}

/** What holds against a metre sideways, N/m, with friction's bound, N; `measure` first. */
function hold(state: State, c: number): number {
  const bound = state.contactBound[c] as number;
  if (bound === 0) return 0;
  const far = along[FAR] as number;
  const stick = SIDEWAYS * (state.structure.contactStiffness[c] as number);
  return stick * far > bound ? bound / far : stick;
}

/** Adds the pushes and their energy. */
export function contactForces(state: State): void {
  const { structure: s, force } = state;
  for (let c = 0; c < s.contactNode.length; c++) {
    measure(state, c);
    const deep = along[DEEP] as number;
    const far = along[FAR] as number;
    const k = s.contactStiffness[c] as number;
    const push = deep > 0 ? k * deep : 0;
    if (state.liveFriction) state.contactBound[c] = (s.contactFriction[c] as number) * push;
    const bound = state.contactBound[c] as number;
    if (!(deep > 0) && bound === 0) continue;
    const across = hold(state, c);
    const n = 3 * (s.contactNode[c] as number);
    const host = 3 * (s.contactHost[c] as number);
    for (let d = 0; d < 3; d++) {
      const f = push * (s.contactNormal[3 * c + d] as number) - across * (along[d] as number);
      force[n + d]! += f;
      if (host >= 0) force[host + d]! -= f;
    }
    const stick = SIDEWAYS * k;
    state.energy += 0.5 * push * max(deep, 0);
    if (bound > 0)
      state.energy += stick * far > bound ? bound * far - (0.5 * bound * bound) / stick : 0.5 * stick * far * far;
    if (push > state.scale) state.scale = push;
  }
}

export function contactTangents(state: State, sink: Sink, firstElement: number): void {
  const { structure: s } = state;
  for (let c = 0; c < s.contactNode.length; c++) {
    measure(state, c);
    const deep = along[DEEP] as number;
    const far = along[FAR] as number;
    const bound = state.contactBound[c] as number;
    if (!(deep > 0) && bound === 0) continue;
    const k = s.contactStiffness[c] as number;
    const across = hold(state, c);
    const slides = bound > 0 && SIDEWAYS * k * far > bound;
    const pair = (s.contactHost[c] as number) >= 0;
    const stride = pair ? 6 : 3;
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++) {
        const nn = (s.contactNormal[3 * c + i] as number) * (s.contactNormal[3 * c + j] as number);
        let v = (deep > 0 ? k * nn : 0) + across * ((i === j ? 1 : 0) - nn);
        if (slides) v -= (across * (along[i] as number) * (along[j] as number)) / (far * far);
        // a push that grows holds more
        if (slides && state.liveFriction)
          v -=
            ((s.contactFriction[c] as number) * k * (along[i] as number) * (s.contactNormal[3 * c + j] as number)) /
            far;
        ke[stride * i + j] = v;
        if (!pair) continue;
        ke[stride * i + 3 + j] = -v;
        ke[stride * (3 + i) + j] = -v;
        ke[stride * (3 + i) + 3 + j] = v;
      }
    sink.add(firstElement + c, ke, stride);
  }
}

/**
 * Lets what slides in a moving net stay where it has come to: friction holds it there from now on, by no more than it held it with.
 * What nothing pushes on is held to no place.
 */
export function slideContacts(state: State): void {
  const { structure: s, contactSlid: slid } = state;
  for (let c = 0; c < s.contactNode.length; c++) {
    measure(state, c);
    const far = along[FAR] as number;
    if (far === 0) continue;
    const k = s.contactStiffness[c] as number;
    const most = ((s.contactFriction[c] as number) * max(0, along[DEEP] as number)) / SIDEWAYS;
    if (k > 0 && far <= most) continue;
    const share = 1 - most / far;
    for (let d = 0; d < 3; d++) slid[3 * c + d]! += share * (along[d] as number);
  }
}

/** Sets friction's bounds by the pushes as they are now. Returns the largest change of a bound, N. */
export function refineContacts(state: State): number {
  const { structure: s } = state;
  let change = 0;
  for (let c = 0; c < s.contactNode.length; c++) {
    measure(state, c);
    const bound = (s.contactFriction[c] as number) * (s.contactStiffness[c] as number) * max(0, along[DEEP] as number);
    change = max(change, abs(bound - (state.contactBound[c] as number)));
    state.contactBound[c] = bound;
  }
  return change;
}

/** Force of the ground on every node, 3 numbers a node, N, added to `out`. */
export function groundPushes(state: State, out: Float64Array): void {
  const { structure: s } = state;
  for (let c = 0; c < s.contactNode.length; c++) {
    if ((s.contactHost[c] as number) >= 0) continue;
    measure(state, c);
    const push = (s.contactStiffness[c] as number) * max(0, along[DEEP] as number);
    const across = hold(state, c);
    const n = 3 * (s.contactNode[c] as number);
    for (let d = 0; d < 3; d++)
      out[n + d]! += push * (s.contactNormal[3 * c + d] as number) - across * (along[d] as number);
  }
}
