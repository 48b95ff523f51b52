import { contactForces, contactTangents } from './contact.js';
import { lineForces, lineTangents } from './lines.js';
import { panelForces, panelStiffness, panelTangents } from './panels.js';
import type { Members, Sink, State } from './state.js';
import { stemForces, stemTangents } from './stems.js';
import { strutForces, strutTangents } from './struts.js';
import { footForces, footTangents, loadAndSpringForces, springTangents, tetherForces } from './supports.js';
import { LOCKED, RING } from './structure.js';
import type { Structure } from './structure.js';

const { max, sqrt } = Math;

/** What one evaluation found. */
export interface Balance {
  /** Largest out-of-balance force on a free node, N. */
  residual: number;
  /** That node. */
  worst: number;
  /** Worst difference of tension that a ring or hitch could not settle, as a share of its line's tension. */
  unsettled: number;
}

/** Evaluates forces, energy and scale at the state's places, and measures the balance. */
export function evaluate(state: State, out: Balance): void {
  state.force.fill(0);
  state.energy = 0;
  state.scale = 0;
  state.liveFriction = state.structure.contactNode.length > 0 && (state.moving || !isConservative(state));
  loadAndSpringForces(state);
  tetherForces(state);
  out.unsettled = lineForces(state);
  strutForces(state);
  panelForces(state);
  footForces(state);
  contactForces(state);
  stemForces(state);
  measure(state, out);
}

function measure(state: State, out: Balance): void {
  const { force, structure: s } = state;
  const { fixed } = s;
  let most = 0;
  out.worst = -1;
  for (let n = 0; n < s.nodes; n++) {
    let square = 0;
    for (let i = 3 * n; i < 3 * n + 3; i++) if (!fixed[i]) square += (force[i] as number) * (force[i] as number);
    if (!(square <= most)) {
      most = square;
      out.worst = n;
    }
  }
  out.residual = sqrt(most);
}

/** Gives every element's stiffness to the sink; `evaluate` at the same places first. */
export function collectTangents(state: State, members: Members, sink: Sink): void {
  springTangents(state, sink);
  lineTangents(state, sink);
  strutTangents(state, sink, members.firstStrut);
  panelTangents(state, sink, members.firstPanel);
  footTangents(state, sink, members.firstFoot);
  contactTangents(state, sink, members.firstContact);
  stemTangents(state, sink, members.firstStem);
}

/**
 * Whether the forces have a potential, so that the stiffness is symmetric and the energy means something: no
 * pressure or wind, and nothing that slides with friction unless it is held.
 */
export function isConservative(state: State): boolean {
  const { structure: s } = state;
  if (s.wind !== null) return false;
  for (const p of s.pressure) if (p !== 0) return false;
  return state.held || !hasFriction(s);
}

/** Whether anything may slide against friction. */
export function hasFriction(s: Structure): boolean {
  if (s.footNode.length > 0) return true;
  for (let j = 0; j < s.passKind.length; j++) {
    if (s.passKind[j] === LOCKED) continue;
    if (s.passKind[j] === RING && s.passValue[j] === 0) continue;
    return true;
  }
  return false;
}

/** Whether the energy is convex as well: conservative and nothing that pushes. */
export function isConvex(state: State): boolean {
  return isConservative(state) && state.structure.strutFrom.length === 0;
}

/** Largest stiffness each node can meet, N/m: bounds the tangent's diagonal when everything is taut. */
export function nodeStiffness(state: State, out: Float64Array): void {
  const { structure: s, x } = state;
  out.fill(0);
  const distance = (a: number, b: number): number =>
    sqrt((x[3 * a]! - x[3 * b]!) ** 2 + (x[3 * a + 1]! - x[3 * b + 1]!) ** 2 + (x[3 * a + 2]! - x[3 * b + 2]!) ** 2);
  for (let n = 0; n < s.nodes; n++)
    out[n] = max(s.spring[3 * n] as number, s.spring[3 * n + 1] as number, s.spring[3 * n + 2] as number);
  for (let i = 0; i < s.rest.length; i++) {
    const first = i + (s.passStart[i] as number);
    const last = i + (s.passStart[i + 1] as number);
    const curve = s.curve[i]!;
    let steepest = 0;
    for (const slope of curve.slope) steepest = max(steepest, slope);
    for (let k = first; k <= last; k++) {
      const a = s.stretchFrom[k] as number;
      const b = s.stretchTo[k] as number;
      const start = k > first ? (state.slip[k - i - 1] as number) : 0;
      const end = k < last ? (state.slip[k - i] as number) : (s.rest[i] as number);
      const stiffness = (steepest / (end - start)) * (1 + max(0, distance(a, b) / (end - start) - 1));
      out[a]! += stiffness;
      out[b]! += stiffness;
    }
  }
  for (let i = 0; i < s.strutFrom.length; i++) {
    const stiffness = (s.strutStiffness[i] as number) / (s.strutRest[i] as number);
    out[s.strutFrom[i] as number]! += stiffness;
    out[s.strutTo[i] as number]! += stiffness;
  }
  for (let i = 0; i < s.area.length; i++) {
    const stiffness = panelStiffness(s, x, i);
    for (let c = 0; c < 3; c++) out[s.corner[3 * i + c] as number]! += stiffness;
  }
  for (let i = 0; i + 1 < s.stemStart.length; i++) {
    const m = s.stemStart[i + 1]! - s.stemStart[i]!;
    s.stemStiffness[i]!.forEach((k, e) => (out[s.stemNode[s.stemStart[i]! + Math.floor(e / m)]!]! += Math.abs(k)));
  }
  for (const n of s.footNode) out[n]! += state.footStiffness;
  for (let c = 0; c < s.contactNode.length; c++)
    for (const n of [s.contactNode[c]!, s.contactHost[c]!]) if (n >= 0) out[n]! += s.contactStiffness[c]!;
}
