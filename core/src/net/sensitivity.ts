import { collectTangents, evaluate, isConservative } from './balance.js';
import type { Engine } from './engine.js';
import { lineAnswer } from './lines.js';
import { tensionOf } from './numbers.js';
import { panelStress } from './panels.js';
import type { Sink } from './state.js';
import { solveOn } from './stiffness.js';
import { STRETCH, T0, T1 } from './stretch.js';
import { strutForce } from './struts.js';

/** What may be asked about: a line's largest tension, a strut's force, or one component of a node's reaction. */
export type Quantity =
  | { readonly line: string }
  | { readonly strut: string }
  /** component: 0 x, 1 y, 2 z */
  | { readonly reaction: string; readonly component: 0 | 1 | 2 };

/** How one tension, force or reaction answers everything that may be changed about the net, to first order. */
export interface Sensitivity {
  /** The quantity itself, N. */
  readonly value: number;
  /** By load, 3 a node, N/N. */
  readonly load: Float64Array;
  /** By each line's unstressed length, N/m. */
  readonly restLength: Float64Array;
  /** By the place of each support (held component, spring or foot), 3 a node, N/m; unstressed panels keep their shape. */
  readonly support: Float64Array;
}

/** A stuck foot answers as if held: its stiffness is raised this much, which leaves an error of one part in as many. */
const FIRM = 1e4;

/**
 * Adjoint: with K x' = f' for any change, q' = q_p + lambda . f_p where Kᵀ lambda = q_x. One solve with the factors
 * answers for every load, length and support at once.
 * @throws RangeError when the net has no such line, strut or node, or no factors (too large)
 */
export function sensitivityOf(engine: Engine, of: Quantity): Sensitivity {
  const { structure: s, state, stiffness, members } = engine;
  if (stiffness === null) throw new RangeError('net: too large for sensitivities');
  state.firmness = FIRM;
  evaluate(state, { residual: 0, worst: -1, unsettled: 0 });
  const size = 3 * s.nodes;
  const byPlace = new Float64Array(size);
  const byRest = new Float64Array(s.rest.length);
  const load = new Float64Array(size);
  const support = new Float64Array(size);
  const value = ask(engine, of, byPlace, byRest, load, support);

  stiffness.begin(isConservative(state));
  collectTangents(state, members, stiffness);
  const factors = stiffness.factors(0, true);
  const lambda = byPlace.slice();
  solveOn(stiffness, s.fixed, factors, lambda, engine.scratch, true);

  // q_x - Kᵀ lambda at held components; springs and feet move the ground under a free node
  const push = new Float64Array(size);
  collectTangents(state, members, transposedProduct(engine, lambda, push, false));
  const ground = new Float64Array(size);
  collectTangents(state, members, transposedProduct(engine, lambda, ground, true));
  for (let i = 0; i < size; i++) {
    if (s.fixed[i]) support[i]! += byPlace[i]! - push[i]!;
    else {
      load[i]! += lambda[i]!;
      support[i]! += ground[i]!;
    }
  }
  for (let i = 0; i < s.rest.length; i++) {
    const { forceByRest } = lineAnswer(state, i, 0, 'first');
    const first = members.start[i]!;
    for (let n = 0; n < forceByRest.length; n++)
      byRest[i]! += lambda[3 * members.node[first + Math.floor(n / 3)]! + (n % 3)]! * forceByRest[n]!;
  }
  state.firmness = 1;
  return { value, load, restLength: byRest, support };
}

/** How lines, struts and cloth answer a change, to first order, N and N/m. */
export interface Answer {
  /** By line. */
  readonly tension: Float64Array;
  /** By strut, tension positive. */
  readonly strutForce: Float64Array;
  /** Largest stress anywhere in the cloth. */
  readonly stress: number;
  /** What the whole change, gone that way, leaves out of balance, as a share of the largest force. */
  readonly bends: number;
}

/** Share of a change by which it is tried: small against what bends, large against rounding. */
const TRIED = 1e-4;

/**
 * How everything answers changes of the net's numbers, each by itself, from where the engine stands at rest: K x' = f', and what lines,
 * struts and cloth then bear, by difference along that way. One factorisation for all of them. Leaves the engine as it was.
 * @param changes each puts the net's numbers so much of it away from what they are: 0 as they are, 1 all of it
 * @throws RangeError when the net has no factors (too large)
 */
export function answersTo(engine: Engine, changes: readonly ((share: number) => void)[]): Answer[] {
  const { structure: s, state, stiffness, members } = engine;
  if (stiffness === null) throw new RangeError('net: too large for sensitivities');
  const balance = { residual: 0, worst: -1, unsettled: 0 };
  const [x, slip] = [state.x.slice(), state.slip.slice()];
  const at = (change: (share: number) => void, share: number, way: Float64Array | null): void => {
    state.slip.set(slip);
    for (let i = 0; i < x.length; i++) state.x[i] = x[i]! + (way === null || s.fixed[i] ? 0 : share * way[i]!);
    change(share);
    evaluate(state, balance);
  };
  const asIs = (): void => undefined;
  state.firmness = FIRM;
  at(asIs, 0, null);
  const force = state.force.slice();
  stiffness.begin(isConservative(state));
  collectTangents(state, members, stiffness);
  const factors = stiffness.factors(0, true);
  const ways = changes.map((change) => {
    at(change, TRIED, null);
    const way = state.force.map((f, i) => (f - force[i]!) / TRIED);
    change(0);
    solveOn(stiffness, s.fixed, factors, way, engine.scratch);
    return way;
  });
  state.firmness = 1;
  at(asIs, 0, null);
  const was = born(engine);
  const by = (a: Float64Array, b: Float64Array): Float64Array => a.map((v, i) => (b[i]! - v) / TRIED);
  const out = changes.map((change, c): Answer => {
    at(change, TRIED, ways[c]!);
    const is = born(engine);
    at(change, 1, ways[c]!);
    const bends = balance.residual / state.scale;
    change(0);
    return {
      tension: by(was.tension, is.tension),
      strutForce: by(was.strutForce, is.strutForce),
      stress: (is.stress - was.stress) / TRIED,
      bends,
    };
  });
  at(asIs, 0, null);
  return out;
}

/** What lines, struts and cloth bear as the engine stands. */
function born(engine: Engine): Omit<Answer, 'bends'> {
  const { structure: s, state } = engine;
  const one = new Float64Array(3);
  let stress = 0;
  for (let i = 0; i < s.area.length; i++) {
    panelStress(state, i, one);
    stress = Math.max(stress, one[0]!);
  }
  return {
    tension: tensionOf(engine),
    strutForce: Float64Array.from(s.strutId, (_, i) => strutForce(state, i)),
    stress,
  };
}

/** Writes the direct part of the quantity's change; returns its value. */
function ask(
  engine: Engine,
  of: Quantity,
  byPlace: Float64Array,
  byRest: Float64Array,
  load: Float64Array,
  support: Float64Array,
): number {
  const { structure: s, state, members } = engine;
  const { stretch, x } = state;
  if ('line' in of) {
    const i = indexOf(s.lineId, of.line, 'line');
    const first = i + s.passStart[i]!;
    const last = i + s.passStart[i + 1]!;
    let most = -1;
    let at = first;
    let end: 'first' | 'second' = 'first';
    for (let k = first; k <= last; k++)
      for (const side of ['first', 'second'] as const) {
        const o = k * STRETCH + (side === 'first' ? T0 : T1);
        const tension = Math.hypot(stretch[o]!, stretch[o + 1]!, stretch[o + 2]!);
        if (tension > most) {
          most = tension;
          at = k;
          end = side;
        }
      }
    const answer = lineAnswer(state, i, at - first, end);
    for (let n = 0; n < 3 * answer.nodes; n++)
      byPlace[3 * members.node[members.start[i]! + Math.floor(n / 3)]! + (n % 3)]! += answer.tensionByPlace[n]!;
    byRest[i]! += answer.tensionByRest;
    return most;
  }
  if ('strut' in of) {
    const i = indexOf(s.strutId, of.strut, 'strut');
    const a = 3 * s.strutFrom[i]!;
    const b = 3 * s.strutTo[i]!;
    const r = [0, 1, 2].map((c) => x[b + c]! - x[a + c]!);
    const length = Math.hypot(...r);
    const stiffness = s.strutStiffness[i]! / s.strutRest[i]!;
    for (let c = 0; c < 3; c++) {
      byPlace[b + c]! += (stiffness * r[c]!) / length;
      byPlace[a + c]! -= (stiffness * r[c]!) / length;
    }
    return stiffness * (length - s.strutRest[i]!);
  }
  const n = indexOf(s.nodeId, of.reaction, 'node');
  const i = 3 * n + of.component;
  const unit = new Float64Array(3 * s.nodes);
  unit[i] = 1;
  if (s.fixed[i]) {
    // reaction = -force: its change with the places is the stiffness's row
    collectTangents(state, members, transposedProduct(engine, unit, byPlace, false));
    load[i] = -1;
    for (let l = 0; l < s.rest.length; l++) {
      const { forceByRest } = lineAnswer(state, l, 0, 'first');
      for (let k = 0; k < forceByRest.length; k++)
        if (3 * members.node[members.start[l]! + Math.floor(k / 3)]! + (k % 3) === i) byRest[l]! -= forceByRest[k]!;
    }
    return -state.force[i]!;
  }
  // spring or foot: what the ground does to a free node
  const ground = new Float64Array(3 * s.nodes);
  collectTangents(state, members, transposedProduct(engine, unit, ground, true));
  for (let k = 0; k < ground.length; k++) {
    byPlace[k]! -= ground[k]!;
    support[k]! += ground[k]!;
  }
  let value = -s.spring[i]! * (x[i]! - s.at[i]!);
  s.footNode.forEach((foot, f) => {
    if (foot === n) value += state.push[3 * f + of.component]!;
  });
  return value;
}

function indexOf(ids: readonly string[], id: string, kind: string): number {
  const i = ids.indexOf(id);
  if (i < 0) throw new RangeError(`${kind}: there is no ${kind} "${id}"`);
  return i;
}

/**
 * A sink that multiplies instead of collecting: out += kᵀ v over all nodes, held ones too.
 * @param groundOnly springs and feet alone
 */
function transposedProduct(engine: Engine, v: Float64Array, out: Float64Array, groundOnly: boolean): Sink {
  const { members, structure: s } = engine;
  const { start, node } = members;
  return {
    add(element, k, stride) {
      if (groundOnly && element < members.firstFoot) return;
      const first = start[element]!;
      const count = start[element + 1]! - first;
      for (let a = 0; a < 3 * count; a++) {
        const va = v[3 * node[first + Math.floor(a / 3)]! + (a % 3)]!;
        if (va === 0) continue;
        for (let b = 0; b < 3 * count; b++)
          out[3 * node[first + Math.floor(b / 3)]! + (b % 3)]! += k[a * stride + b]! * va;
      }
    },
    ground(n, kx, ky, kz) {
      [kx, ky, kz].forEach((k, c) => {
        if (!s.fixed[3 * n + c]) out[3 * n + c]! += k * v[3 * n + c]!;
      });
    },
  };
}
