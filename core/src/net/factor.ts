import type { Ordering } from './ordering.js';

const { abs } = Math;

/**
 * Shape of a sparse matrix of 3 x 3 blocks and of its factors, worked out once per topology. Columns hold the
 * diagonal block first, then the rows below it, rising. The upper half has the same shape, transposed.
 */
export interface Shape {
  /** Block columns. */
  readonly size: number;
  /** Column of each node, in elimination order. */
  readonly place: Int32Array;
  /** First block of each column; one more than `size` entries. */
  readonly start: Int32Array;
  /** Row of each block. */
  readonly row: Int32Array;
  /** Block operations of one factorisation. */
  readonly work: number;
}

export function shapeOf(ordering: Ordering): Shape {
  const size = ordering.order.length;
  const place = new Int32Array(size);
  ordering.order.forEach((v, k) => (place[v] = k));
  const start = new Int32Array(size + 1);
  ordering.columns.forEach((c, k) => (start[k + 1] = (start[k] as number) + c.length + 1));
  const row = new Int32Array(start[size] as number);
  ordering.columns.forEach((column, k) => {
    const s = start[k] as number;
    row[s] = k;
    for (let i = 0; i < column.length; i++) row[s + 1 + i] = place[column[i] as number] as number;
    row.subarray(s + 1, start[k + 1]).sort();
  });
  return { size, place, start, row, work: ordering.work };
}

/** Index of the block (row, column), row >= column; -1 where there is none. */
export function blockAt(shape: Shape, row: number, column: number): number {
  let low = shape.start[column] as number;
  let high = (shape.start[column + 1] as number) - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const r = shape.row[middle] as number;
    if (r === row) return middle;
    if (r < row) low = middle + 1;
    else high = middle - 1;
  }
  return -1;
}

/** Factors of one matrix, A = L P⁻¹ U with block-diagonal P, and the scratch to make them. */
export interface Factors {
  readonly shape: Shape;
  /** Below the diagonal, 9 numbers a block, row by row. */
  readonly lower: Float64Array;
  /** Above the diagonal: block (j, i), transposed, at the place of (i, j); empty when the matrix is symmetric. */
  readonly upper: Float64Array;
  /** Inverse of each pivot block. */
  readonly pivot: Float64Array;
  /** Pivots that were not positive. */
  negative: number;
  /** Unknowns (3 x node place + component) without stiffness, found when `floor` was given. */
  readonly free: Int32Array;
  freeCount: number;
  readonly head: Int32Array;
  readonly next: Int32Array;
  readonly at: Int32Array;
  readonly where: Int32Array;
}

/** @param symmetric without an upper half of its own */
export function newFactors(shape: Shape, symmetric: boolean): Factors {
  const blocks = shape.row.length;
  return {
    shape,
    lower: new Float64Array(9 * blocks),
    upper: new Float64Array(symmetric ? 0 : 9 * blocks),
    pivot: new Float64Array(9 * shape.size),
    negative: 0,
    free: new Int32Array(3 * shape.size),
    freeCount: 0,
    head: new Int32Array(shape.size),
    next: new Int32Array(shape.size),
    at: new Int32Array(shape.size),
    where: new Int32Array(shape.size),
  };
}

/**
 * For every block of a column's part [from, end): target -= block M, with the rows' targets in `where` and
 * M = pivot bᵀ (pivotᵀ bᵀ where `transposed`), b the block `first` of the other half. Written out: it runs more often
 * than anything else.
 */
function subtractTimes(
  target: Float64Array,
  where: Int32Array,
  row: Int32Array,
  from: number,
  end: number,
  a: Float64Array,
  pivot: Float64Array,
  q: number,
  transposed: boolean,
  b: Float64Array,
  first: number,
): void {
  const p0 = pivot[q] as number;
  const p1 = pivot[transposed ? q + 3 : q + 1] as number;
  const p2 = pivot[transposed ? q + 6 : q + 2] as number;
  const p3 = pivot[transposed ? q + 1 : q + 3] as number;
  const p4 = pivot[q + 4] as number;
  const p5 = pivot[transposed ? q + 7 : q + 5] as number;
  const p6 = pivot[transposed ? q + 2 : q + 6] as number;
  const p7 = pivot[transposed ? q + 5 : q + 7] as number;
  const p8 = pivot[q + 8] as number;
  const f = 9 * first;
  const b0 = b[f] as number;
  const b1 = b[f + 1] as number;
  const b2 = b[f + 2] as number;
  const b3 = b[f + 3] as number;
  const b4 = b[f + 4] as number;
  const b5 = b[f + 5] as number;
  const b6 = b[f + 6] as number;
  const b7 = b[f + 7] as number;
  const b8 = b[f + 8] as number;
  const m0 = p0 * b0 + p1 * b1 + p2 * b2;
  const m1 = p0 * b3 + p1 * b4 + p2 * b5;
  const m2 = p0 * b6 + p1 * b7 + p2 * b8;
  const m3 = p3 * b0 + p4 * b1 + p5 * b2;
  const m4 = p3 * b3 + p4 * b4 + p5 * b5;
  const m5 = p3 * b6 + p4 * b7 + p5 * b8;
  const m6 = p6 * b0 + p7 * b1 + p8 * b2;
  const m7 = p6 * b3 + p7 * b4 + p8 * b5;
  const m8 = p6 * b6 + p7 * b7 + p8 * b8;
  for (let p = from; p < end; p++) {
    const c = where[row[p] as number] as number;
    const i = 9 * p;
    const a0 = a[i] as number;
    const a1 = a[i + 1] as number;
    const a2 = a[i + 2] as number;
    const a3 = a[i + 3] as number;
    const a4 = a[i + 4] as number;
    const a5 = a[i + 5] as number;
    const a6 = a[i + 6] as number;
    const a7 = a[i + 7] as number;
    const a8 = a[i + 8] as number;
    target[c] = (target[c] as number) - (a0 * m0 + a1 * m3 + a2 * m6);
    target[c + 1] = (target[c + 1] as number) - (a0 * m1 + a1 * m4 + a2 * m7);
    target[c + 2] = (target[c + 2] as number) - (a0 * m2 + a1 * m5 + a2 * m8);
    target[c + 3] = (target[c + 3] as number) - (a3 * m0 + a4 * m3 + a5 * m6);
    target[c + 4] = (target[c + 4] as number) - (a3 * m1 + a4 * m4 + a5 * m7);
    target[c + 5] = (target[c + 5] as number) - (a3 * m2 + a4 * m5 + a5 * m8);
    target[c + 6] = (target[c + 6] as number) - (a6 * m0 + a7 * m3 + a8 * m6);
    target[c + 7] = (target[c + 7] as number) - (a6 * m1 + a7 * m4 + a8 * m7);
    target[c + 8] = (target[c + 8] as number) - (a6 * m2 + a7 * m5 + a8 * m8);
  }
}

/**
 * Factorises in place, left-looking, without exchanging pivots (George & Liu, Computer Solution of Large Sparse
 * Positive Definite Systems, 1981): equilibrium under tension is positive definite, and a matrix that is not is told
 * by its pivots. `lower` (and `upper`, when not symmetric) hold the matrix before and the factors after.
 * @param floor  when given, size of each unknown's diagonal: a pivot below 1e-12 of it counts as an unknown without
 *               stiffness, is listed in `free` and held fixed
 */
export function factorise(f: Factors, floor?: Float64Array): void {
  const { shape, lower, upper, pivot, head, next, at, where } = f;
  const { size, start, row } = shape;
  const symmetric = upper.length === 0;
  const second = symmetric ? lower : upper;
  head.fill(-1);
  f.negative = 0;
  f.freeCount = 0;
  for (let j = 0; j < size; j++) {
    const s = start[j] as number;
    const e = start[j + 1] as number;
    for (let p = s; p < e; p++) where[row[p] as number] = 9 * p;
    for (let k = head[j] as number; k >= 0;) {
      const following = next[k] as number;
      const from = at[k] as number;
      const end = start[k + 1] as number;
      if (!symmetric) subtractTimes(upper, where, row, from + 1, end, upper, pivot, 9 * k, true, lower, from);
      subtractTimes(lower, where, row, from, end, lower, pivot, 9 * k, false, second, from);
      if (from + 1 < end) {
        at[k] = from + 1;
        const r = row[from + 1] as number;
        next[k] = head[r] as number;
        head[r] = k;
      }
      k = following;
    }
    invertPivot(f, j, 9 * s, floor);
    if (s + 1 < e) {
      at[j] = s + 1;
      const r = row[s + 1] as number;
      next[j] = head[r] as number;
      head[r] = j;
    }
  }
}

/**
 * Inverts the pivot block by its own L D U without exchange. Off-diagonal blocks stay unscaled: what multiplies them
 * is the inverse pivot, so L(i,j) = lower(i,j) P_j and U(j,i) = P_j upper(j,i).
 */
function invertPivot(f: Factors, j: number, a: number, floor: Float64Array | undefined): void {
  const { lower, pivot } = f;
  const a00 = lower[a] as number;
  const a01 = lower[a + 1] as number;
  const a02 = lower[a + 2] as number;
  const d0 = checked(f, 3 * j, a00, floor);
  const l10 = d0 === Number.POSITIVE_INFINITY ? 0 : (lower[a + 3] as number) / d0;
  const l20 = d0 === Number.POSITIVE_INFINITY ? 0 : (lower[a + 6] as number) / d0;
  const u01 = d0 === Number.POSITIVE_INFINITY ? 0 : a01 / d0;
  const u02 = d0 === Number.POSITIVE_INFINITY ? 0 : a02 / d0;
  const d1 = checked(f, 3 * j + 1, (lower[a + 4] as number) - l10 * a01, floor);
  const b12 = (lower[a + 5] as number) - l10 * a02;
  const b21 = (lower[a + 7] as number) - l20 * a01;
  const l21 = d1 === Number.POSITIVE_INFINITY ? 0 : b21 / d1;
  const u12 = d1 === Number.POSITIVE_INFINITY ? 0 : b12 / d1;
  const d2 = checked(f, 3 * j + 2, (lower[a + 8] as number) - l20 * a02 - l21 * b12, floor);
  const i0 = 1 / d0;
  const i1 = 1 / d1;
  const i2 = 1 / d2;
  // inverse of unit triangles: Li rows [1], [-l10, 1], [l10 l21 - l20, -l21, 1]; Ui columns likewise
  const m20 = l10 * l21 - l20;
  const w02 = u01 * u12 - u02;
  const p = 9 * j;
  pivot[p] = i0 + u01 * i1 * l10 + w02 * i2 * m20;
  pivot[p + 1] = -u01 * i1 - w02 * i2 * l21;
  pivot[p + 2] = w02 * i2;
  pivot[p + 3] = -i1 * l10 - u12 * i2 * m20;
  pivot[p + 4] = i1 + u12 * i2 * l21;
  pivot[p + 5] = -u12 * i2;
  pivot[p + 6] = i2 * m20;
  pivot[p + 7] = -i2 * l21;
  pivot[p + 8] = i2;
}

/** The pivot itself; infinity (so: no motion) where there is no stiffness and `floor` asks to find that. */
function checked(f: Factors, unknown: number, value: number, floor: Float64Array | undefined): number {
  if (floor !== undefined && abs(value) <= 1e-12 * (floor[unknown] as number)) {
    f.free[f.freeCount++] = unknown;
    return Number.POSITIVE_INFINITY;
  }
  if (!(value > 0)) {
    f.negative++;
    if (value === 0 || Number.isNaN(value)) return 1e-300;
  }
  return value;
}

/**
 * Solves A x = b, or Aᵀ x = b, in place. (Aᵀ has the halves exchanged and its pivots transposed.)
 * @param x 3 numbers a node, in elimination order
 */
export function solveFactored(f: Factors, x: Float64Array, transposed = false): void {
  const { shape, lower, upper, pivot } = f;
  const { size, start, row } = shape;
  const symmetric = upper.length === 0;
  const forward = transposed && !symmetric ? upper : lower;
  const backward = transposed || symmetric ? lower : upper;
  // where the pivot's entries 01 and 10, 02 and 20, 12 and 21 stand
  const p01 = transposed ? 3 : 1;
  const p10 = transposed ? 1 : 3;
  const p02 = transposed ? 6 : 2;
  const p20 = transposed ? 2 : 6;
  const p12 = transposed ? 7 : 5;
  const p21 = transposed ? 5 : 7;
  for (let j = 0; j < size; j++) {
    const q = 9 * j;
    const b0 = x[3 * j] as number;
    const b1 = x[3 * j + 1] as number;
    const b2 = x[3 * j + 2] as number;
    const z0 = (pivot[q] as number) * b0 + (pivot[q + p01] as number) * b1 + (pivot[q + p02] as number) * b2;
    const z1 = (pivot[q + p10] as number) * b0 + (pivot[q + 4] as number) * b1 + (pivot[q + p12] as number) * b2;
    const z2 = (pivot[q + p20] as number) * b0 + (pivot[q + p21] as number) * b1 + (pivot[q + 8] as number) * b2;
    x[3 * j] = z0;
    x[3 * j + 1] = z1;
    x[3 * j + 2] = z2;
    const end = start[j + 1] as number;
    for (let p = (start[j] as number) + 1; p < end; p++) {
      const i = 3 * (row[p] as number);
      const k = 9 * p;
      x[i] =
        (x[i] as number) -
        ((forward[k] as number) * z0 + (forward[k + 1] as number) * z1 + (forward[k + 2] as number) * z2);
      x[i + 1] =
        (x[i + 1] as number) -
        ((forward[k + 3] as number) * z0 + (forward[k + 4] as number) * z1 + (forward[k + 5] as number) * z2);
      x[i + 2] =
        (x[i + 2] as number) -
        ((forward[k + 6] as number) * z0 + (forward[k + 7] as number) * z1 + (forward[k + 8] as number) * z2);
    }
  }
  for (let j = size - 1; j >= 0; j--) {
    let s0 = 0;
    let s1 = 0;
    let s2 = 0;
    const end = start[j + 1] as number;
    for (let p = (start[j] as number) + 1; p < end; p++) {
      const i = 3 * (row[p] as number);
      const k = 9 * p;
      const x0 = x[i] as number;
      const x1 = x[i + 1] as number;
      const x2 = x[i + 2] as number;
      s0 += (backward[k] as number) * x0 + (backward[k + 3] as number) * x1 + (backward[k + 6] as number) * x2;
      s1 += (backward[k + 1] as number) * x0 + (backward[k + 4] as number) * x1 + (backward[k + 7] as number) * x2;
      s2 += (backward[k + 2] as number) * x0 + (backward[k + 5] as number) * x1 + (backward[k + 8] as number) * x2;
    }
    const q = 9 * j;
    x[3 * j]! -= (pivot[q] as number) * s0 + (pivot[q + p01] as number) * s1 + (pivot[q + p02] as number) * s2;
    x[3 * j + 1]! -= (pivot[q + p10] as number) * s0 + (pivot[q + 4] as number) * s1 + (pivot[q + p12] as number) * s2;
    x[3 * j + 2]! -= (pivot[q + p20] as number) * s0 + (pivot[q + p21] as number) * s1 + (pivot[q + 8] as number) * s2;
  }
}

/**
 * The motion that an unknown without stiffness allows: the vector of the null space with 1 at that unknown.
 * @param f       factors made with `floor`
 * @param unknown an entry of `free`
 * @param x       3 numbers a node, in elimination order; overwritten
 */
export function freeMotion(f: Factors, unknown: number, x: Float64Array): void {
  const { shape, lower, upper, pivot } = f;
  const { start, row } = shape;
  const values = upper.length === 0 ? lower : upper;
  x.fill(0);
  x[unknown] = 1;
  const own = Math.floor(unknown / 3);
  for (let j = own; j >= 0; j--) {
    const s = [0, 0, 0];
    if (j === own) for (let r = 0; r < 3; r++) s[r] = lower[9 * start[j]! + 3 * r + (unknown - 3 * own)] as number;
    else
      for (let p = start[j]! + 1; p < start[j + 1]!; p++)
        for (let r = 0; r < 3; r++)
          for (let c = 0; c < 3; c++) s[r]! += (values[9 * p + 3 * c + r] as number) * (x[3 * row[p]! + c] as number);
    for (let r = 0; r < 3; r++)
      for (let c = 0; c < 3; c++) x[3 * j + r]! -= (pivot[9 * j + 3 * r + c] as number) * s[c]!;
  }
}
