import type { Factors, Shape } from './factor.js';
import { blockAt, factorise, newFactors, shapeOf, solveFactored } from './factor.js';
import { minimumDegree } from './ordering.js';
import type { Members, Sink } from './state.js';
import type { Structure } from './structure.js';

const { abs } = Math;

/** Beyond this many block operations a factorisation would take seconds; such a net is relaxed instead. */
const MOST_WORK = 6e7;
/** Beyond this many blocks the factors would not fit. */
const MOST_BLOCKS = 4e6;

/**
 * The tangent stiffness of a net: shape and order once per topology, numbers anew for each tangent. Only nodes with
 * a free component take part. It is a Sink: elements add themselves.
 */
export interface Stiffness extends Sink {
  readonly shape: Shape;
  /** Nodes that take part, and the column of each node (-1: held). */
  readonly active: Int32Array;
  readonly column: Int32Array;
  /** Block operations of one factorisation. */
  costOf(symmetric: boolean): number;
  /** Clears the numbers; `symmetric` says which half is wanted. */
  begin(symmetric: boolean): void;
  /**
   * Factorises the collected matrix + shift on the diagonal.
   * @param find when true, unknowns without stiffness are listed instead of failing
   * @returns the factors; `negative` counts pivots that were not positive
   */
  factors(shift: number, find?: boolean): Factors;
}

/** @returns null when the factors would be too large to make */
export function newStiffness(structure: Structure, members: Members): Stiffness | null {
  const { nodes, fixed } = structure;
  const number = new Int32Array(nodes).fill(-1);
  const activeList: number[] = [];
  for (let n = 0; n < nodes; n++)
    if (!(fixed[3 * n] && fixed[3 * n + 1] && fixed[3 * n + 2])) {
      number[n] = activeList.length;
      activeList.push(n);
    }
  const active = Int32Array.from(activeList);
  const ordering = minimumDegree(active.length, neighbours(active.length, number, members), MOST_WORK);
  if (ordering === null) return null;
  const shape = shapeOf(ordering);
  if (shape.row.length > MOST_BLOCKS) return null;
  const column = number.map((k) => (k < 0 ? -1 : (shape.place[k] as number)));

  // where the blocks of every element go: those below or on the diagonal, and those above, which are kept transposed
  const { start, node } = members;
  const elements = start.length - 1;
  const low = newBlocks();
  const high = newBlocks();
  /** Elements with a node held in some components only. */
  const partly = new Uint8Array(elements);
  for (let e = 0; e < elements; e++) {
    const count = start[e + 1]! - start[e]!;
    for (let a = 0; a < count; a++) {
      const i = column[node[start[e]! + a]!]!;
      if (i < 0) continue;
      const n = node[start[e]! + a]!;
      if (fixed[3 * n]! + fixed[3 * n + 1]! + fixed[3 * n + 2]! > 0) partly[e] = 1;
      for (let b = 0; b < count; b++) {
        const j = column[node[start[e]! + b]!]!;
        if (j < 0) continue;
        if (i >= j) low.list.push(3 * a, 3 * b, 9 * blockAt(shape, i, j));
        else high.list.push(3 * a, 3 * b, 9 * blockAt(shape, j, i));
      }
    }
    low.end.push(low.list.length);
    high.end.push(high.list.length);
  }
  const [below, belowEnd] = [Int32Array.from(low.list), Int32Array.from(low.end)];
  const [above, aboveEnd] = [Int32Array.from(high.list), Int32Array.from(high.end)];

  const lower = new Float64Array(9 * shape.row.length);
  let upper = new Float64Array(0);
  let symmetricFactors: Factors | undefined;
  let generalFactors: Factors | undefined;
  let symmetric = true;
  const size = new Float64Array(3 * shape.size);

  const stiffness: Stiffness = {
    shape,
    active,
    column,
    costOf: (half) => (half ? 1 : 2.2) * shape.work,
    begin(wanted) {
      symmetric = wanted;
      lower.fill(0);
      if (symmetric) return;
      if (upper.length === 0) upper = new Float64Array(lower.length);
      upper.fill(0);
    },
    add(element, k, stride) {
      const first = start[element] as number;
      const count = (start[element + 1] as number) - first;
      if (partly[element]) clearHeld(fixed, node, first, count, k, stride);
      addBlocks(lower, below, belowEnd[element] as number, belowEnd[element + 1] as number, k, stride, stride, 1);
      if (!symmetric)
        addBlocks(upper, above, aboveEnd[element] as number, aboveEnd[element + 1] as number, k, stride, 1, stride);
    },
    ground(n, kx, ky, kz) {
      const c = column[n] as number;
      if (c < 0) return;
      const o = 9 * (shape.start[c] as number);
      if (!fixed[3 * n]) lower[o]! += kx;
      if (!fixed[3 * n + 1]) lower[o + 4]! += ky;
      if (!fixed[3 * n + 2]) lower[o + 8]! += kz;
    },
    factors(shift, find = false) {
      const f = symmetric
        ? (symmetricFactors ??= newFactors(shape, true))
        : (generalFactors ??= newFactors(shape, false));
      f.lower.set(lower);
      if (!symmetric) f.upper.set(upper);
      for (let a = 0; a < active.length; a++) {
        const n = active[a] as number;
        const c = column[n] as number;
        const o = 9 * (shape.start[c] as number);
        const largest = abs(lower[o] as number) + abs(lower[o + 4] as number) + abs(lower[o + 8] as number);
        for (let d = 0; d < 3; d++) {
          if (fixed[3 * n + d]) f.lower[o + 4 * d] = largest > 0 ? largest : 1;
          else f.lower[o + 4 * d]! += shift;
          size[3 * c + d] = fixed[3 * n + d] ? 0 : largest;
        }
      }
      factorise(f, find ? size : undefined);
      return f;
    },
  };
  return stiffness;
}

/** Row and column of each block in its element's matrix and where it goes, by element: ends in `list`, from 0. */
const newBlocks = (): { readonly list: number[]; readonly end: number[] } => ({ list: [], end: [0] });

/** Adds some blocks of an element's matrix, `down` from row to row and `across` from column to column of each. */
function addBlocks(
  to: Float64Array,
  blocks: Int32Array,
  from: number,
  end: number,
  k: Float64Array,
  stride: number,
  down: number,
  across: number,
): void {
  for (let p = from; p < end; p += 3) {
    const r = (blocks[p] as number) * stride + (blocks[p + 1] as number);
    const o = blocks[p + 2] as number;
    const second = r + down;
    const third = second + down;
    to[o]! += k[r] as number;
    to[o + 1]! += k[r + across] as number;
    to[o + 2]! += k[r + 2 * across] as number;
    to[o + 3]! += k[second] as number;
    to[o + 4]! += k[second + across] as number;
    to[o + 5]! += k[second + 2 * across] as number;
    to[o + 6]! += k[third] as number;
    to[o + 7]! += k[third + across] as number;
    to[o + 8]! += k[third + 2 * across] as number;
  }
}

/** No force on, and no motion of, a held component. */
function clearHeld(
  fixed: Uint8Array,
  node: Int32Array,
  first: number,
  count: number,
  k: Float64Array,
  stride: number,
): void {
  for (let a = 0; a < count; a++) {
    const n = 3 * (node[first + a] as number);
    for (let d = 0; d < 3; d++) {
      if (!fixed[n + d]) continue;
      const at = 3 * a + d;
      for (let c = 0; c < 3 * count; c++) {
        k[at * stride + c] = 0;
        k[c * stride + at] = 0;
      }
    }
  }
}

/** Which active nodes share an element with each, without repeats. */
function neighbours(count: number, number: Int32Array, members: Members): number[][] {
  const { start, node } = members;
  const lists: number[][] = Array.from({ length: count }, () => []);
  for (let e = 0; e + 1 < start.length; e++)
    for (let a = start[e]!; a < start[e + 1]!; a++)
      for (let b = start[e]!; b < start[e + 1]!; b++) {
        const i = number[node[a]!]!;
        const j = number[node[b]!]!;
        if (i >= 0 && j >= 0 && i !== j) lists[i]!.push(j);
      }
  const seen = new Int32Array(count).fill(-1);
  lists.forEach((list, i) => {
    let kept = 0;
    for (const j of list)
      if (seen[j] !== i) {
        seen[j] = i;
        list[kept++] = j;
      }
    list.length = kept;
  });
  return lists;
}

/**
 * Solves factors x = b over the nodes' components, in place.
 * @param b       3 numbers a node; held components come out zero
 * @param scratch at least 3 numbers a column
 */
export function solveOn(
  s: Stiffness,
  fixed: Uint8Array,
  f: Factors,
  b: Float64Array,
  scratch: Float64Array,
  transposed = false,
): void {
  const { active, column } = s;
  for (let a = 0; a < active.length; a++) {
    const n = 3 * (active[a] as number);
    const c = 3 * (column[active[a] as number] as number);
    for (let d = 0; d < 3; d++) scratch[c + d] = fixed[n + d] ? 0 : (b[n + d] as number);
  }
  solveFactored(f, scratch, transposed);
  b.fill(0);
  for (let a = 0; a < active.length; a++) {
    const n = 3 * (active[a] as number);
    const c = 3 * (column[active[a] as number] as number);
    for (let d = 0; d < 3; d++) if (!fixed[n + d]) b[n + d] = scratch[c + d] as number;
  }
}
