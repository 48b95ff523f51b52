import { tensionAt } from './curve.js';
import { C0, C1, ENERGY, K, STRETCH, T0, T1, hanging, straight } from './stretch.js';
import { pairStiffness } from './struts.js';
import type { Sink, State } from './state.js';
import { GRIP, GRIP_RATIO, LOCKED, RING } from './structure.js';

const { abs, atan2, exp, max, min, sign, sqrt } = Math;

/**
 * Lines, with the rings they run through and the hitches tied on them. A line of m such nodes is m + 1 stretches
 * whose unstressed lengths share the line's. At each node the slip settles by itself for given places: it sticks
 * where it sat unless the tensions on either side differ by more than ring or hitch can hold, and then slides just
 * until they do not. Each slip eases its own difference and worsens its neighbours', so the answer is unique.
 */

const MOST_ROUNDS = 40;
/** Cost of one catenary and of one straight stretch, in block operations. */
const HANGING = 14;
const STRAIGHT = 10;
/** Per node on the line: +1 slid toward the end, -1 toward the start, 0 stuck. */
let status = new Int8Array(8);
let law = new Float64Array(8);
let gradient = new Float64Array(8 * 6);
let matrix = new Float64Array(64);
let right = new Float64Array(8 * 31);
let ke = new Float64Array(900);
let before = new Float64Array(8);

function room(passes: number): void {
  if (status.length >= passes) return;
  status = new Int8Array(passes);
  law = new Float64Array(passes);
  gradient = new Float64Array(6 * passes);
  matrix = new Float64Array(passes * passes);
  right = new Float64Array(passes * (3 * (passes + 2) + 1));
  ke = new Float64Array(9 * (passes + 2) * (passes + 2));
  before = new Float64Array(passes);
}

/** Evaluates stretch k of line i at an unstressed length. */
function evaluate(state: State, i: number, k: number, rest: number): void {
  const { structure: s, x } = state;
  const a = 3 * (s.stretchFrom[k] as number);
  const b = 3 * (s.stretchTo[k] as number);
  const rx = (x[b] as number) - (x[a] as number);
  const ry = (x[b + 1] as number) - (x[a + 1] as number);
  const rz = (x[b + 2] as number) - (x[a + 2] as number);
  const weight = s.weight[i] as number;
  const curve = s.curve[i]!;
  if (weight > 0)
    state.effort += HANGING * hanging(state.stretch, k * STRETCH, rx, ry, rz, rest, curve, weight, state.hang, 2 * k);
  else {
    straight(state.stretch, k * STRETCH, rx, ry, rz, rest, curve);
    state.effort += STRAIGHT;
  }
}

/** Unstressed length of stretch k of line i. */
export function stretchRest(state: State, i: number, k: number): number {
  const { structure: s, slip } = state;
  const first = s.passStart[i] as number;
  const j = k - i; // the pass at the stretch's end
  const end = j < (s.passStart[i + 1] as number) ? (slip[j] as number) : (s.rest[i] as number);
  const start = j > first ? (slip[j - 1] as number) : 0;
  return end - start;
}

function evaluateAll(state: State, i: number): void {
  const { structure: s } = state;
  const last = i + (s.passStart[i + 1] as number);
  for (let k = i + (s.passStart[i] as number); k <= last; k++) evaluate(state, i, k, stretchRest(state, i, k));
}

const size3 = (v: Float64Array, o: number): number =>
  sqrt((v[o] as number) ** 2 + (v[o + 1] as number) ** 2 + (v[o + 2] as number) ** 2);

/**
 * By how much the tensions at pass j exceed what it holds, sliding toward the end (+1) or the start (-1), N; its
 * gradient against the tension vectors before and after goes to `gradient` at 6 g.
 */
function excess(state: State, j: number, k: number, way: number, g: number): number {
  const { structure: s, stretch } = state;
  const p = k * STRETCH + T1;
  const q = (k + 1) * STRETCH + T0;
  const P = size3(stretch, p);
  const Q = size3(stretch, q);
  const kind = s.passKind[j] as number;
  const value = s.passValue[j] as number;
  const o = 6 * g;
  // directions; a slack side has none
  const ip = P > 0 ? 1 / P : 0;
  const iq = Q > 0 ? 1 / Q : 0;
  if (kind === RING) {
    let cos = 0;
    for (let c = 0; c < 3; c++) cos += (stretch[p + c] as number) * (stretch[q + c] as number) * ip * iq;
    cos = max(-1, min(1, cos));
    const sin = sqrt(1 - cos * cos);
    const angle = value > 0 ? atan2(sin, cos) : 0;
    const hold = exp(value * angle);
    // d angle = -(dcos) / sin; at a straight pass the turn has a kink and no slope is taken
    const bend = value > 0 && sin > 1e-9 ? -value / sin : 0;
    const low = way > 0 ? Q : P;
    for (let c = 0; c < 3; c++) {
      const up = (stretch[p + c] as number) * ip;
      const uq = (stretch[q + c] as number) * iq;
      const turnP = bend * hold * low * (uq - cos * up) * ip;
      const turnQ = bend * hold * low * (up - cos * uq) * iq;
      gradient[o + c] = (way > 0 ? up : -hold * up) - turnP;
      gradient[o + 3 + c] = (way > 0 ? -hold * uq : uq) - turnQ;
    }
    return way > 0 ? P - hold * Q : Q - hold * P;
  }
  let whole = 0;
  if (kind === GRIP_RATIO) {
    for (let c = 0; c < 3; c++) whole += ((stretch[q + c] as number) - (stretch[p + c] as number)) ** 2;
    whole = sqrt(whole);
  }
  const iw = whole > 0 ? value / whole : 0;
  for (let c = 0; c < 3; c++) {
    const pull = kind === GRIP_RATIO ? ((stretch[q + c] as number) - (stretch[p + c] as number)) * iw : 0;
    gradient[o + c] = way * (stretch[p + c] as number) * ip + pull;
    gradient[o + 3 + c] = -way * (stretch[q + c] as number) * iq - pull;
  }
  return way * (P - Q) - (kind === GRIP ? value : value * whole);
}

/** Whether pass j cannot slide at all. */
const holds = (state: State, j: number): boolean => {
  const { passKind, passValue } = state.structure;
  const kind = passKind[j] as number;
  return kind === LOCKED || (state.held && !runsFree(kind, passValue[j] as number));
};

/** A ring without friction holds nothing and is always sliding. */
const runsFree = (kind: number, value: number): boolean => kind === RING && value === 0;

/**
 * Lets the slips of line i settle for the present places. Returns what is left of the worst excess, as a share of
 * the largest tension on the line.
 */
function settle(state: State, i: number): number {
  const { structure: s, slip, stretch } = state;
  const first = s.passStart[i] as number;
  const m = (s.passStart[i + 1] as number) - first;
  room(m);
  evaluateAll(state, i);
  for (let g = 0; g < m; g++) {
    const j = first + g;
    const slid = (slip[j] as number) - (s.passAt[j] as number);
    status[g] = runsFree(s.passKind[j] as number, s.passValue[j] as number) ? 1 : sign(slid);
  }
  let left = 0;
  for (let round = 0; round < MOST_ROUNDS && state.effort <= state.effortLimit; round++) {
    let most = 0;
    for (let k = 0; k <= m; k++)
      most = max(most, size3(stretch, (i + first + k) * STRETCH + T1), size3(stretch, (i + first + k) * STRETCH + T0));
    left = 0;
    let worst = -1;
    for (let g = 0; g < m; g++) {
      const j = first + g;
      const k = i + j;
      law[g] = 0;
      if (holds(state, j)) continue;
      if (status[g] === 0) {
        // stuck: does either way exceed?
        for (let way = 1; way >= -1 && status[g] === 0; way -= 2)
          if (excess(state, j, k, way, g) > 1e-13 * most) status[g] = way;
        if (status[g] === 0) continue;
      }
      law[g] = excess(state, j, k, status[g] as number, g);
      if (abs(law[g] as number) > left) {
        left = abs(law[g] as number);
        worst = g;
      }
    }
    if (worst < 0 || left <= 2e-14 * most) return most > 0 ? left / most : 0;
    left /= most;

    slipMatrix(state, i, m);
    for (let g = 0; g < m; g++) right[g] = status[g] === 0 ? 0 : -(law[g] as number);
    if (!eliminate(m, 1)) return left;
    // no stretch may lose more than most of its line in one round
    let share = 1;
    for (let k = 0; k <= m; k++) {
      const lose = (k > 0 ? (right[k - 1] as number) : 0) - (k < m ? (right[k] as number) : 0);
      const rest = stretchRest(state, i, i + first + k);
      if (lose > 0.7 * rest) share = min(share, (0.7 * rest) / lose);
    }
    for (let g = 0; g < m; g++) before[g] = slip[first + g] as number;
    for (let halving = 0; ; halving++) {
      for (let g = 0; g < m; g++) {
        const j = first + g;
        let to = (before[g] as number) + share * (right[g] as number);
        const home = s.passAt[j] as number;
        if (!runsFree(s.passKind[j] as number, s.passValue[j] as number)) {
          if (status[g] === 1 && to < home) to = home;
          if (status[g] === -1 && to > home) to = home;
        }
        slip[j] = to;
      }
      if (!keepsLine(state, i, m)) {
        // coming home crossed a neighbour
        share *= 0.5;
        if (halving < 40) continue;
        for (let g = 0; g < m; g++) slip[first + g] = before[g] as number;
      }
      evaluateAll(state, i);
      if (halving >= 12) break;
      let now = 0;
      let moved = false;
      for (let g = 0; g < m; g++) {
        const j = first + g;
        if (slip[j] !== before[g]) moved = true;
        if (status[g] === 0) continue;
        if (slip[j] === s.passAt[j] && before[g] !== slip[j]) continue; // came to rest where it sat: judged anew
        now = max(now, abs(excess(state, j, i + j, status[g] as number, g)));
      }
      if (!moved) return left;
      if (now <= (1 - 0.05 * share) * left * most || now <= 1e-13 * most) break;
      share *= 0.5;
    }
    for (let g = 0; g < m; g++) {
      const j = first + g;
      if (slip[j] === s.passAt[j] && !runsFree(s.passKind[j] as number, s.passValue[j] as number)) status[g] = 0;
    }
  }
  return left;
}

/** Whether every stretch keeps a fifth of the line it had before this round. */
function keepsLine(state: State, i: number, m: number): boolean {
  const { structure: s, slip } = state;
  const first = s.passStart[i] as number;
  const rest = s.rest[i] as number;
  for (let k = 0; k <= m; k++) {
    const now = (k < m ? (slip[first + k] as number) : rest) - (k > 0 ? (slip[first + k - 1] as number) : 0);
    const was = (k < m ? (before[k] as number) : rest) - (k > 0 ? (before[k - 1] as number) : 0);
    if (!(now >= 0.2 * was)) return false;
  }
  return true;
}

/** d(excess)/d(slip) into `matrix`, m x m; identity rows for what is stuck. `gradient` holds the laws' gradients. */
function slipMatrix(state: State, i: number, m: number): void {
  const { structure: s, stretch } = state;
  const first = i + (s.passStart[i] as number);
  matrix.fill(0, 0, m * m);
  for (let g = 0; g < m; g++) {
    if (status[g] === 0) {
      matrix[g * m + g] = 1;
      continue;
    }
    const incoming = (first + g) * STRETCH + C1;
    const outgoing = (first + g + 1) * STRETCH + C0;
    let a = 0;
    let b = 0;
    for (let c = 0; c < 3; c++) {
      a += (gradient[6 * g + c] as number) * (stretch[incoming + c] as number);
      b += (gradient[6 * g + 3 + c] as number) * (stretch[outgoing + c] as number);
    }
    matrix[g * m + g] = a - b;
    if (g > 0) matrix[g * m + g - 1] = -a;
    if (g + 1 < m) matrix[g * m + g + 1] = b;
    if (a - b === 0) matrix[g * m + g] = 1; // slack on both sides: nothing to slide for
  }
}

/** Solves matrix x = right in place, `columns` right sides; false when singular. */
function eliminate(m: number, columns: number): boolean {
  for (let k = 0; k < m; k++) {
    let pivot = k;
    for (let r = k + 1; r < m; r++)
      if (abs(matrix[r * m + k] as number) > abs(matrix[pivot * m + k] as number)) pivot = r;
    const p = matrix[pivot * m + k] as number;
    if (!(abs(p) > 0)) return false;
    if (pivot !== k) {
      for (let c = 0; c < m; c++) {
        const t = matrix[k * m + c] as number;
        matrix[k * m + c] = matrix[pivot * m + c] as number;
        matrix[pivot * m + c] = t;
      }
      for (let c = 0; c < columns; c++) {
        const t = right[k * columns + c] as number;
        right[k * columns + c] = right[pivot * columns + c] as number;
        right[pivot * columns + c] = t;
      }
    }
    for (let r = k + 1; r < m; r++) {
      const factor = (matrix[r * m + k] as number) / p;
      if (factor === 0) continue;
      for (let c = k; c < m; c++) matrix[r * m + c]! -= factor * (matrix[k * m + c] as number);
      for (let c = 0; c < columns; c++) right[r * columns + c]! -= factor * (right[k * columns + c] as number);
    }
  }
  for (let k = m - 1; k >= 0; k--)
    for (let c = 0; c < columns; c++) {
      let sum = right[k * columns + c] as number;
      for (let j = k + 1; j < m; j++) sum -= (matrix[k * m + j] as number) * (right[j * columns + c] as number);
      right[k * columns + c] = sum / (matrix[k * m + k] as number);
    }
  return true;
}

/** Adds the lines' pulls, energy and largest tension. Returns the worst unsettled share of a slip. */
export function lineForces(state: State): number {
  const { structure: s, x, force, stretch } = state;
  let unsettled = 0;
  for (let i = 0; i < s.rest.length; i++) {
    const first = i + (s.passStart[i] as number);
    const last = i + (s.passStart[i + 1] as number);
    if (first === last) evaluate(state, i, first, s.rest[i] as number);
    else unsettled = max(unsettled, settle(state, i));
    const weight = s.weight[i] as number;
    for (let k = first; k <= last; k++) {
      const o = k * STRETCH;
      const a = 3 * (s.stretchFrom[k] as number);
      const b = 3 * (s.stretchTo[k] as number);
      for (let c = 0; c < 3; c++) {
        force[a + c]! += stretch[o + T0 + c] as number;
        force[b + c]! -= stretch[o + T1 + c] as number;
      }
      state.energy += stretch[o + ENERGY] as number;
      if (weight > 0) state.energy += weight * stretchRest(state, i, k) * (x[b + 2] as number);
      const tension = max(size3(stretch, o + T0), size3(stretch, o + T1));
      if (tension > state.scale) state.scale = tension;
    }
  }
  return unsettled;
}

/** Gives the lines' stiffness to the sink, from what the last evaluation of the forces left. */
export function lineTangents(state: State, sink: Sink): void {
  const { structure: s, stretch } = state;
  for (let i = 0; i < s.rest.length; i++) {
    const first = i + (s.passStart[i] as number);
    const m = (s.passStart[i + 1] as number) - (s.passStart[i] as number);
    if (m === 0) {
      if (state.foreseeing && !((s.weight[i] as number) > 0)) retension(state, first);
      pairStiffness(ke, stretch, first * STRETCH + K);
      sink.add(i, ke, 6);
    } else runTangent(state, i, m, sink);
  }
}

/** Puts the foreseen tension into the geometric stiffness of a straight stretch. */
function retension(state: State, k: number): void {
  const { structure: s, x, stretch } = state;
  const o = k * STRETCH;
  const tension = size3(stretch, o + T0);
  if (!(tension > 0)) return;
  const a = 3 * (s.stretchFrom[k] as number);
  const b = 3 * (s.stretchTo[k] as number);
  const length = sqrt(
    ((x[b] as number) - (x[a] as number)) ** 2 +
      ((x[b + 1] as number) - (x[a + 1] as number)) ** 2 +
      ((x[b + 2] as number) - (x[a + 2] as number)) ** 2,
  );
  const more = ((state.foreseenTension[k] as number) - tension) / length;
  const n0 = (stretch[o + T0] as number) / tension;
  const n1 = (stretch[o + T0 + 1] as number) / tension;
  const n2 = (stretch[o + T0 + 2] as number) / tension;
  stretch[o + K]! += more * (1 - n0 * n0);
  stretch[o + K + 1]! -= more * n0 * n1;
  stretch[o + K + 2]! -= more * n0 * n2;
  stretch[o + K + 3]! += more * (1 - n1 * n1);
  stretch[o + K + 4]! -= more * n1 * n2;
  stretch[o + K + 5]! += more * (1 - n2 * n2);
}

/** The tensions that a step foresees to first order, for straight stretches of lines without rings and hitches. */
export function foreseeTensions(state: State, d: Float64Array, share: number): void {
  const { structure: s, x } = state;
  for (let i = 0; i < s.rest.length; i++) {
    const k = i + (s.passStart[i] as number);
    if (s.passStart[i] !== s.passStart[i + 1]) continue;
    const a = 3 * (s.stretchFrom[k] as number);
    const b = 3 * (s.stretchTo[k] as number);
    let square = 0;
    let along = 0;
    for (let c = 0; c < 3; c++) {
      const r = (x[b + c] as number) - (x[a + c] as number);
      square += r * r;
      along += r * ((d[b + c] as number) - (d[a + c] as number));
    }
    const length = sqrt(square);
    const strain = (length + (share * along) / (length > 0 ? length : 1)) / (s.rest[i] as number) - 1;
    state.foreseenTension[k] = tensionAt(s.curve[i]!, strain);
  }
}

/** Stiffness of a line with rings or hitches, the slips following the places: dslip = -M⁻¹ N dx. */
function runTangent(state: State, i: number, m: number, sink: Sink): void {
  const { structure: s, stretch } = state;
  room(m);
  const width = 3 * (m + 2);
  state.effort += (width * width * (m + 2)) / 40;
  const firstStretch = i + (s.passStart[i] as number);
  ke.fill(0, 0, width * width);
  for (let k = 0; k <= m; k++) {
    const o = (firstStretch + k) * STRETCH + K;
    for (let r = 0; r < 3; r++)
      for (let c = 0; c < 3; c++) {
        const v = stretch[o + SYMMETRIC[3 * r + c]!] as number;
        const row = 3 * k + r;
        const column = 3 * k + c;
        ke[row * width + column]! += v;
        ke[row * width + column + 3]! -= v;
        ke[(row + 3) * width + column]! -= v;
        ke[(row + 3) * width + column + 3]! += v;
      }
  }
  if (slipResponse(state, i, m, width)) addSlips(state, i, m, width);
  sink.add(i, ke, width);
}

/** Where xx .. zz stand in the six numbers of a symmetric 3 x 3. */
const SYMMETRIC = [0, 1, 2, 1, 3, 4, 2, 4, 5] as const;

/**
 * M⁻¹ N into `right`, m rows of width + 1: the slips' answer to the nodes' places and, last, to the line's unstressed
 * length, with its sign reversed. False when nothing slides.
 */
function slipResponse(state: State, i: number, m: number, width: number): boolean {
  const { structure: s, stretch, slip } = state;
  const firstPass = s.passStart[i] as number;
  const columns = width + 1;
  let any = false;
  right.fill(0, 0, m * columns);
  for (let g = 0; g < m; g++) {
    const j = firstPass + g;
    const k = i + j;
    const free = runsFree(s.passKind[j] as number, s.passValue[j] as number);
    status[g] = free ? 1 : sign((slip[j] as number) - (s.passAt[j] as number));
    if (status[g] === 0) continue;
    any = true;
    excess(state, j, k, status[g] as number, g);
    const incoming = k * STRETCH + K;
    const outgoing = (k + 1) * STRETCH + K;
    for (let c = 0; c < 3; c++) {
      let p = 0;
      let q = 0;
      for (let r = 0; r < 3; r++) {
        p += (gradient[6 * g + r] as number) * (stretch[incoming + SYMMETRIC[3 * r + c]!] as number);
        q += (gradient[6 * g + 3 + r] as number) * (stretch[outgoing + SYMMETRIC[3 * r + c]!] as number);
      }
      right[g * columns + 3 * g + c]! -= p;
      right[g * columns + 3 * g + 3 + c]! += p - q;
      right[g * columns + 3 * g + 6 + c]! += q;
      if (g === m - 1)
        right[g * columns + width]! +=
          (gradient[6 * g + 3 + c] as number) * (stretch[(k + 1) * STRETCH + C0 + c] as number);
    }
  }
  if (!any) return false;
  slipMatrix(state, i, m);
  return eliminate(m, columns);
}

/** ke += F M⁻¹ N, where F = dforce/dslip. */
function addSlips(state: State, i: number, m: number, width: number): void {
  const { structure: s, stretch } = state;
  const firstStretch = i + (s.passStart[i] as number);
  for (let g = 0; g < m; g++) {
    if (status[g] === 0) continue;
    const incoming = (firstStretch + g) * STRETCH;
    const outgoing = incoming + STRETCH;
    for (let r = 0; r < 3; r++) {
      const onBefore = stretch[incoming + C0 + r] as number;
      const onSelf = -(stretch[incoming + C1 + r] as number) - (stretch[outgoing + C0 + r] as number);
      const onAfter = stretch[outgoing + C1 + r] as number;
      for (let c = 0; c < width; c++) {
        const z = right[g * (width + 1) + c] as number;
        ke[(3 * g + r) * width + c]! += onBefore * z;
        ke[(3 * g + 3 + r) * width + c]! += onSelf * z;
        ke[(3 * g + 6 + r) * width + c]! += onAfter * z;
      }
    }
  }
}

/** How line i answers its nodes' places and its unstressed length, slips included. */
export interface LineAnswer {
  /** Nodes of the line, in order. */
  readonly nodes: number;
  /** d(force on each node) / d(unstressed length), 3 a node. */
  readonly forceByRest: Float64Array;
  /** d(tension) / d(places), 3 a node, at the asked end. */
  readonly tensionByPlace: Float64Array;
  tensionByRest: number;
}

/**
 * @param k   stretch, counted from the line's start
 * @param end which end of it the tension is asked for
 */
export function lineAnswer(state: State, i: number, k: number, end: 'first' | 'second'): LineAnswer {
  const { structure: s, stretch } = state;
  const m = (s.passStart[i + 1] as number) - (s.passStart[i] as number);
  const firstStretch = i + (s.passStart[i] as number);
  const width = 3 * (m + 2);
  room(m);
  const slides = m > 0 && slipResponse(state, i, m, width);
  /** d(slip of pass g) / d(place or, at `width`, length). */
  const slipBy = (g: number, column: number): number =>
    slides && status[g] !== 0 ? -(right[g * (width + 1) + column] as number) : 0;
  /** d(unstressed length of stretch q). */
  const restBy = (q: number, column: number): number =>
    (q < m ? slipBy(q, column) : column === width ? 1 : 0) - (q > 0 ? slipBy(q - 1, column) : 0);
  const answer: LineAnswer = {
    nodes: m + 2,
    forceByRest: new Float64Array(width),
    tensionByPlace: new Float64Array(width),
    tensionByRest: 0,
  };
  for (let q = 0; q <= m; q++) {
    const o = (firstStretch + q) * STRETCH;
    const longer = restBy(q, width);
    for (let c = 0; c < 3; c++) {
      answer.forceByRest[3 * q + c]! += (stretch[o + C0 + c] as number) * longer;
      answer.forceByRest[3 * q + 3 + c]! -= (stretch[o + C1 + c] as number) * longer;
    }
  }
  const o = (firstStretch + k) * STRETCH;
  const t = o + (end === 'first' ? T0 : T1);
  const by = o + (end === 'first' ? C0 : C1);
  const tension = size3(stretch, t);
  if (!(tension > 0)) return answer;
  let alongRest = 0;
  for (let c = 0; c < 3; c++) alongRest += ((stretch[t + c] as number) / tension) * (stretch[by + c] as number);
  for (let c = 0; c < 3; c++) {
    let pull = 0;
    for (let r = 0; r < 3; r++)
      pull += ((stretch[t + r] as number) / tension) * (stretch[o + K + SYMMETRIC[3 * r + c]!] as number);
    answer.tensionByPlace[3 * k + c]! -= pull;
    answer.tensionByPlace[3 * k + 3 + c]! += pull;
  }
  for (let column = 0; column < width; column++) answer.tensionByPlace[column]! += alongRest * restBy(k, column);
  answer.tensionByRest = alongRest * restBy(k, width);
  return answer;
}
