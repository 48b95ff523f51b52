import type { NetStem } from './document.js';
import type { Sink, State } from './state.js';
import type { Structure } from './structure.js';

const { abs } = Math;

/**
 * Trees and posts that bend as one: nodes on a stem move level, each by what is pulled at all of them. A stem's stiffness is the
 * inverse of its flexibility, the same both ways, and holds nothing upright.
 */

let ke = new Float64Array(36);

/** Inverse of a symmetric positive definite matrix, row by row (Cholesky). @throws RangeError naming the stem where it is none */
export function stiffnessOf({ id, flexibility }: NetStem): number[] {
  const m = flexibility.length;
  const low: number[][] = Array.from({ length: m }, () => new Array<number>(m).fill(0));
  for (let i = 0; i < m; i++)
    for (let j = 0; j <= i; j++) {
      let v = flexibility[i]![j]!;
      for (let k = 0; k < j; k++) v -= low[i]![k]! * low[j]![k]!;
      if (i === j && !(v > 0)) throw new RangeError(`stem "${id}": its flexibility must be positive definite`);
      low[i]![j] = i === j ? Math.sqrt(v) : v / low[j]![j]!;
    }
  const out = new Array<number>(m * m).fill(0);
  const y = new Array<number>(m).fill(0);
  for (let c = 0; c < m; c++) {
    for (let i = 0; i < m; i++) {
      let v = i === c ? 1 : 0;
      for (let k = 0; k < i; k++) v -= low[i]![k]! * y[k]!;
      y[i] = v / low[i]![i]!;
    }
    for (let i = m - 1; i >= 0; i--) {
      let v = y[i]!;
      for (let k = i + 1; k < m; k++) v -= low[k]![i]! * out[m * k + c]!;
      out[m * i + c] = v / low[i]![i]!;
    }
  }
  return out;
}

/** Force of stem i on its k-th node along x (0) or y (1), N. */
function pushOf({ structure: s, x }: State, i: number, k: number, d: number): number {
  const first = s.stemStart[i] as number;
  const m = (s.stemStart[i + 1] as number) - first;
  let push = 0;
  for (let j = 0; j < m; j++) {
    const n = 3 * (s.stemNode[first + j] as number) + d;
    push -= (s.stemStiffness[i] as Float64Array)[m * k + j]! * ((x[n] as number) - (s.at[n] as number));
  }
  return push;
}

export function stemForces(state: State): void {
  const { structure: s, x, force } = state;
  for (let i = 0; i + 1 < s.stemStart.length; i++)
    for (let k = 0; k < s.stemStart[i + 1]! - s.stemStart[i]!; k++)
      for (let d = 0; d < 2; d++) {
        const push = pushOf(state, i, k, d);
        const n = 3 * (s.stemNode[s.stemStart[i]! + k] as number) + d;
        force[n]! += push;
        state.energy -= 0.5 * push * ((x[n] as number) - (s.at[n] as number));
        if (abs(push) > state.scale) state.scale = abs(push);
      }
}

export function stemTangents({ structure: s }: State, sink: Sink, firstElement: number): void {
  for (let i = 0; i + 1 < s.stemStart.length; i++) {
    const m = s.stemStart[i + 1]! - s.stemStart[i]!;
    const stride = 3 * m;
    if (ke.length < stride * stride) ke = new Float64Array(stride * stride);
    ke.fill(0, 0, stride * stride);
    for (let a = 0; a < m; a++)
      for (let b = 0; b < m; b++)
        for (let d = 0; d < 2; d++) ke[stride * (3 * a + d) + 3 * b + d] = s.stemStiffness[i]![m * a + b]!;
    sink.add(firstElement + i, ke, stride);
  }
}

/** What stems hold their nodes with, added to `out`, 3 numbers a node, N. */
export function stemPushes(state: State, out: Float64Array): void {
  const { structure: s } = state;
  for (let i = 0; i + 1 < s.stemStart.length; i++)
    for (let k = 0; k < s.stemStart[i + 1]! - s.stemStart[i]!; k++)
      for (let d = 0; d < 2; d++) out[3 * s.stemNode[s.stemStart[i]! + k]! + d]! += pushOf(state, i, k, d);
}

/** Nodes and stiffness of every stem, as the structure keeps them. */
export function stemArrays(
  stems: readonly NetStem[],
  find: (id: string, who: string) => number,
): Pick<Structure, 'stemStart' | 'stemNode' | 'stemStiffness'> {
  const stemStart = new Int32Array(stems.length + 1);
  stems.forEach((t, i) => (stemStart[i + 1] = stemStart[i]! + t.nodes.length));
  return {
    stemStart,
    stemNode: Int32Array.from(stems.flatMap((t) => t.nodes.map((n) => find(n, `stem "${t.id}"`)))),
    stemStiffness: stems.map((t) => Float64Array.from(stiffnessOf(t))),
  };
}
