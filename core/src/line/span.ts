import type { Vec3 } from '../quantity/index.js';
import type { Segment } from '../net/index.js';
import { newSegment, segment } from '../net/index.js';
import type { TensionCurve } from '../net/index.js';
import { tensionAt } from '../net/index.js';

/** Something that pulls at one point of the line. */
export interface PointLoad {
  /** Where on the line, as a share of its unstressed length from the first end, 0 < at < 1. */
  readonly at: number;
  /** N. */
  readonly force: Vec3;
}

/** A line between two supports that may give. */
export interface Span {
  /** From the first support to the second before anything pulls on them, m. */
  readonly chord: Vec3;
  readonly curve: TensionCurve;
  /** Load per unstressed metre, N/m; [0, 0, -weight] in still air. */
  readonly perMetre: Vec3;
  readonly loads: readonly PointLoad[];
  /** How far each support gives per newton, along x, y, z, m/N; [0, 0, 0] is rigid. */
  readonly give: readonly [Vec3, Vec3];
}

/** The line at rest. Vectors in the span's axes; places are measured from the unloaded first support. */
export interface SpanState {
  readonly converged: boolean;
  /** Why not, in plain words. */
  readonly reason: string | null;
  readonly iterations: number;
  /** Distance by which the far end misses its support, m. */
  readonly gap: number;
  /** Unstressed length, m. */
  readonly unstressed: number;
  /** True where the line hangs with no tension at all, and so has no shape of its own. */
  readonly slack: boolean;
  /** Largest tension along the line, N. */
  readonly tension: number;
  /** Force of the line on each support, N. */
  readonly pull: readonly [Vec3, Vec3];
  /** Tension at each end, N. */
  readonly endTension: readonly [number, number];
  /** Largest tension on either side of each load, N, in the order given. */
  readonly loadTension: readonly number[];
  /** Place of each load, m, in the order given. */
  readonly loadPlace: readonly Vec3[];
  /** Where the ends are now, m. */
  readonly ends: readonly [Vec3, Vec3];
  /** Largest vertical drop below the chord of the ends as they are now, m. */
  readonly sag: number;
  /** Horizontal distance of that point from the first end, along the span, m. */
  readonly sagAt: number;
  /** Largest horizontal distance from the chord, m. */
  readonly sideways: number;
  /** Stretched length, m. */
  readonly length: number;
  /** Tension vector at the first end, N: a warm start for a neighbouring problem. */
  readonly start: Vec3;
}

const MOST_STEPS = 120;

/** Joints: the loads in order along the line, with stretches between. */
interface Layout {
  readonly order: readonly number[];
  readonly lengths: readonly number[];
}

function layout(span: Span, unstressed: number): Layout {
  const order = span.loads.map((_, i) => i).sort((a, b) => span.loads[a]!.at - span.loads[b]!.at);
  const stops = [0, ...order.map((i) => span.loads[i]!.at), 1];
  return { order, lengths: stops.slice(1).map((s, i) => (s - stops[i]!) * unstressed) };
}

/** Walks the line from the first end; returns the end vector and its flexibility in `total`, visiting each stretch. */
function walk(
  span: Span,
  parts: Layout,
  start: Vec3,
  part: Segment,
  total: Segment,
  visit?: (t: Vec3, length: number, from: Vec3, part: Segment) => void,
): Vec3 {
  const { r, flexibility: f } = total;
  r[0] = r[1] = r[2] = 0;
  f.fill(0);
  total.length = 0;
  let [tx, ty, tz] = start;
  const q = span.perMetre;
  for (let s = 0; s < parts.lengths.length; s++) {
    const len = parts.lengths[s]!;
    if (len > 0) {
      const t: Vec3 = [tx, ty, tz];
      segment(part, t, q, len, span.curve);
      visit?.(t, len, [r[0], r[1], r[2]], part);
      for (let i = 0; i < 3; i++) r[i]! += part.r[i]!;
      for (let i = 0; i < 6; i++) f[i]! += part.flexibility[i]!;
      total.length += part.length;
      tx -= q[0] * len;
      ty -= q[1] * len;
      tz -= q[2] * len;
    }
    if (s < parts.order.length) {
      const force = span.loads[parts.order[s]!]!.force;
      tx -= force[0];
      ty -= force[1];
      tz -= force[2];
    }
  }
  return [tx, ty, tz];
}

/** Solves the symmetric 3x3 system f x = b by Cholesky with a small shift when it is nearly singular. */
function solveSymmetric(f: readonly number[], b: readonly number[], x: [number, number, number]): void {
  const size = f[0]! + f[3]! + f[5]!;
  const shift = size * 1e-14;
  const l00 = Math.sqrt(Math.max(f[0]! + shift, shift));
  const l10 = f[1]! / l00;
  const l20 = f[2]! / l00;
  const l11 = Math.sqrt(Math.max(f[3]! + shift - l10 * l10, shift));
  const l21 = (f[4]! - l20 * l10) / l11;
  const l22 = Math.sqrt(Math.max(f[5]! + shift - l20 * l20 - l21 * l21, shift));
  const y0 = b[0]! / l00;
  const y1 = (b[1]! - l10 * y0) / l11;
  const y2 = (b[2]! - l20 * y0 - l21 * y1) / l22;
  x[2] = y2 / l22;
  x[1] = (y1 - l21 * x[2]) / l11;
  x[0] = (y0 - l10 * x[1] - l20 * x[2]) / l00;
}

/** A first guess: the stretched straight line's tension, or the shallow parabola's where that is slack. */
function guess(span: Span, unstressed: number): Vec3 {
  const [cx, cy, cz] = span.chord;
  const d = Math.hypot(cx, cy, cz);
  let w: Vec3 = [span.perMetre[0] * unstressed, span.perMetre[1] * unstressed, span.perMetre[2] * unstressed];
  for (const load of span.loads) w = [w[0] + load.force[0], w[1] + load.force[1], w[2] + load.force[2]];
  const total = Math.hypot(w[0], w[1], w[2]);
  const slackness = Math.max(unstressed - d, 1e-4 * d);
  const sag = Math.min(Math.sqrt((3 / 8) * d * slackness), unstressed / 2);
  const t = Math.max(tensionAt(span.curve, d / unstressed - 1), (total * d) / (8 * sag), 1e-6);
  return [(t * cx) / d + w[0] / 2, (t * cy) / d + w[1] / 2, (t * cz) / d + w[2] / 2];
}

/**
 * The line at rest, exactly: elastic catenaries between the loads, shot from the first end. The unknown is
 * the tension vector there; the miss at the far end is the gradient of a strictly convex function of it
 * (complementary energy, supports included), so a damped Newton iteration converges from anywhere.
 * @param unstressed unstressed length, m, > 0
 * @param warm       tension vector of a neighbouring solution
 * @returns a state whose `converged` must be read; never throws on finite input, never NaN
 */
export function solveSpan(span: Span, unstressed: number, warm?: Vec3): SpanState {
  const parts = layout(span, unstressed);
  const part = newSegment();
  const total = newSegment();
  const [cx, cy, cz] = span.chord;
  const distance = Math.hypot(cx, cy, cz);
  const bare = span.loads.every((l) => l.force.every((c) => c === 0)) && span.perMetre.every((c) => c === 0);
  if (bare && unstressed >= distance) return slackState(span, unstressed);

  let t: Vec3 = warm ?? guess(span, unstressed);
  const g: [number, number, number] = [0, 0, 0];
  const step: [number, number, number] = [0, 0, 0];
  const miss = (at: Vec3): number => {
    const end = walk(span, parts, at, part, total);
    const [ga, gb] = span.give;
    for (let i = 0; i < 3; i++) g[i] = total.r[i]! + ga[i]! * at[i]! + gb[i]! * end[i]! - span.chord[i]!;
    total.flexibility[0] += ga[0] + gb[0];
    total.flexibility[3] += ga[1] + gb[1];
    total.flexibility[5] += ga[2] + gb[2];
    return Math.hypot(g[0], g[1], g[2]);
  };
  // The far end cannot be placed better than rounding in the force or the length allows.
  const good = 2e-14 * (distance + unstressed);
  let gap = miss(t);
  let iterations = 0;
  while (iterations < MOST_STEPS && gap > good) {
    iterations++;
    solveSymmetric(total.flexibility, g, step);
    // along the step the slope of the convex function only grows: halve until it has not grown past its start
    const slope0 = g[0] * step[0] + g[1] * step[1] + g[2] * step[2];
    let share = 1;
    let next: Vec3 = t;
    let nextGap = gap;
    for (let halving = 0; halving < 50; halving++) {
      next = [t[0] - share * step[0], t[1] - share * step[1], t[2] - share * step[2]];
      nextGap = miss(next);
      const slope = g[0] * step[0] + g[1] * step[1] + g[2] * step[2];
      if (slope >= -0.5 * slope0 && Number.isFinite(nextGap)) break;
      share *= 0.5;
    }
    const stuck = nextGap >= gap && gap <= 1e-10 * (distance + unstressed);
    if (stuck || (next[0] === t[0] && next[1] === t[1] && next[2] === t[2])) {
      gap = miss(t);
      break;
    }
    t = next;
    gap = nextGap;
  }
  const converged = gap <= 1e-10 * (distance + unstressed);
  return describe(span, parts, unstressed, t, gap, iterations, converged);
}

function slackState(span: Span, unstressed: number): SpanState {
  const zero: Vec3 = [0, 0, 0];
  return {
    converged: true,
    reason: null,
    iterations: 0,
    gap: 0,
    unstressed,
    slack: true,
    tension: 0,
    pull: [zero, zero],
    endTension: [0, 0],
    loadTension: span.loads.map(() => 0),
    loadPlace: span.loads.map((l) => [span.chord[0] * l.at, span.chord[1] * l.at, span.chord[2] * l.at] as Vec3),
    ends: [zero, span.chord],
    sag: 0,
    sagAt: 0,
    sideways: 0,
    length: unstressed,
    start: zero,
  };
}

function describe(
  span: Span,
  parts: Layout,
  unstressed: number,
  start: Vec3,
  gap: number,
  iterations: number,
  converged: boolean,
): SpanState {
  const part = newSegment();
  const total = newSegment();
  const piece = newSegment();
  const a: Vec3 = [start[0] * span.give[0][0], start[1] * span.give[0][1], start[2] * span.give[0][2]];
  const joints: Vec3[] = [];
  const before: number[] = [];
  const after: number[] = [];
  const stretches: { t: Vec3; length: number; from: Vec3 }[] = [];
  const end = walk(span, parts, start, part, total, (t, length, from, p) => {
    stretches.push({ t, length, from });
    joints.push([from[0] + p.r[0], from[1] + p.r[1], from[2] + p.r[2]]);
    after.push(Math.hypot(...t));
    before.push(
      Math.hypot(t[0] - span.perMetre[0] * length, t[1] - span.perMetre[1] * length, t[2] - span.perMetre[2] * length),
    );
  });
  const b: Vec3 = [a[0] + total.r[0], a[1] + total.r[1], a[2] + total.r[2]];
  const c: Vec3 = [total.r[0], total.r[1], total.r[2]];
  const run = Math.hypot(c[0], c[1]);
  const hx = run > 0 ? c[0] / run : 1;
  const hy = run > 0 ? c[1] / run : 0;
  const rise = run > 0 ? c[2] / run : 0;

  let sag = 0;
  let sagAt = 0;
  let sideways = 0;
  const consider = (p: Vec3): void => {
    const along = p[0] * hx + p[1] * hy;
    const drop = along * rise - p[2];
    if (drop > sag) {
      sag = drop;
      sagAt = along;
    }
    sideways = Math.max(sideways, Math.abs(p[1] * hx - p[0] * hy));
  };
  const q = span.perMetre;
  for (const s of stretches) {
    // the lowest point below the chord lies where the line runs parallel to it: t(s) - q s is linear
    for (const normal of [
      [-rise * hx, -rise * hy, 1],
      [-hy, hx, 0],
    ] as const) {
      const t0 = s.t[0] * normal[0] + s.t[1] * normal[1] + s.t[2] * normal[2];
      const q0 = q[0] * normal[0] + q[1] * normal[1] + q[2] * normal[2];
      const at = t0 / q0;
      if (at > 0 && at < s.length) {
        segment(piece, s.t, q, at, span.curve);
        consider([s.from[0] + piece.r[0], s.from[1] + piece.r[1], s.from[2] + piece.r[2]]);
      }
    }
  }
  joints.forEach(consider);

  // joints[k] and its tensions belong to the k-th load along the line; stretches of no length are merged
  const loadPlace: Vec3[] = new Array<Vec3>(span.loads.length);
  const loadTension: number[] = new Array<number>(span.loads.length);
  let k = -1;
  parts.order.forEach((load, i) => {
    if (parts.lengths[i]! > 0) k++;
    const p = joints[Math.max(k, 0)] ?? c;
    loadPlace[load] = [a[0] + p[0], a[1] + p[1], a[2] + p[2]];
    loadTension[load] = Math.max(before[Math.max(k, 0)] ?? 0, after[k + 1] ?? 0);
  });
  const tension = Math.max(...before, ...after);
  return {
    converged,
    reason: converged
      ? null
      : `the far end still misses its support by ${gap.toExponential(1)} m after ${iterations} steps`,
    iterations,
    gap,
    unstressed,
    slack: false,
    tension,
    pull: [start, [-end[0], -end[1], -end[2]]],
    endTension: [Math.hypot(...start), Math.hypot(...end)],
    loadTension,
    loadPlace,
    ends: [a, b],
    sag,
    sagAt,
    sideways,
    length: total.length,
    start,
  };
}

/**
 * The line's shape for drawing.
 * @param perStretch points on each stretch between loads, >= 1
 * @returns x, y, z, tension for each point, m and N, flat
 */
export function spanShape(span: Span, state: SpanState, perStretch: number): Float64Array {
  const parts = layout(span, state.unstressed);
  const points: number[] = [];
  const [a] = state.ends;
  if (state.slack) {
    return Float64Array.from([...a, 0, ...state.ends[1], 0]);
  }
  const piece = newSegment();
  points.push(...a, Math.hypot(...state.start));
  walk(span, parts, state.start, newSegment(), newSegment(), (t, length, from) => {
    for (let i = 1; i <= perStretch; i++) {
      const s = (length * i) / perStretch;
      segment(piece, t, span.perMetre, s, span.curve);
      const T = Math.hypot(t[0] - span.perMetre[0] * s, t[1] - span.perMetre[1] * s, t[2] - span.perMetre[2] * s);
      points.push(a[0] + from[0] + piece.r[0], a[1] + from[1] + piece.r[1], a[2] + from[2] + piece.r[2], T);
    }
  });
  return Float64Array.from(points);
}
