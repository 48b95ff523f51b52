import type { Observation } from './measures.js';
import { CholeskyDecomposition, EVD, Matrix } from 'ml-matrix';
import type { At } from './thing/index.js';

/** A point's place and how surely it is known. */
export interface AdjustedPoint {
  readonly id: string;
  readonly at: At;
  /** Half axes of the 90 % ellipse, m, and the bearing of the longer, rad; relative to the middle of the others of its group. */
  readonly major: number;
  readonly minor: number;
  readonly bearing: number;
  /** Which group of connected points it belongs to. */
  readonly group: number;
  /** True where the measures leave it free to move. */
  readonly free: boolean;
  /** True where it could as well stand on the other side of those it was measured from. */
  readonly mirrored: boolean;
}

/** What a measure says against what all together say. */
export interface Residual {
  readonly id: string;
  /** m or rad: measured, and computed from the adjusted places. */
  readonly measured: number;
  readonly computed: number;
  /** Residual over its own standard deviation; over 3.3 is a blunder (Baarda, 1 in 1000). Zero where nothing checks it. */
  readonly standardised: number;
  /** Share of an error in it that the others would show, 0 to 1. */
  readonly checked: number;
}

export interface Adjustment {
  readonly points: readonly AdjustedPoint[];
  readonly residuals: readonly Residual[];
  /** Factor on each unit of measuring, found with the rest, and its standard deviation. */
  readonly scales: readonly { readonly unit: string; readonly factor: number; readonly sd: number }[];
  readonly redundancy: number;
  /** Weighted squares over redundancy; near one when the scatter is as believed. */
  readonly variance: number;
  readonly groups: number;
  readonly converged: boolean;
  readonly iterations: number;
  /** Standard deviation of the distance between two points, m, or null where no measures join them. */
  readonly spreadBetween: (a: string, b: string) => number | null;
}

/** Most points that are adjusted at once: eigenvalues of twice as many unknowns take seconds. */
export const MOST_ADJUSTED = 150;
/** Half axis of a 90 % ellipse over the standard deviation: sqrt(-2 ln 0.1), two dimensions. */
const ELLIPSE_90 = Math.sqrt(-2 * Math.log(0.1));
const NOTHING = 1e-10;
/** Of what moves most, how much a point must move against the rest to be called free; below it is rounding. */
const FREE = 0.02;

interface Network {
  readonly ids: readonly string[];
  readonly index: ReadonlyMap<string, number>;
  readonly observations: readonly Observation[];
  readonly from: readonly number[];
  readonly to: readonly number[];
  /** Shared scale factors: which unknown each observation's unit is, and what is believed of it. */
  readonly units: readonly string[];
  readonly believed: readonly number[];
}

const unknowns = (n: Network): number => 2 * n.ids.length + n.units.length;

/** Into (-pi, pi]. */
function turned(angle: number): number {
  return angle - 2 * Math.PI * Math.round(angle / (2 * Math.PI));
}

/** Weighted misses and their derivatives at x; the last rows hold the scale factors to what is believed. */
function linearise(
  net: Network,
  x: Float64Array,
): { readonly misses: Float64Array; readonly rows: readonly (readonly [number, number][])[] } {
  const m = net.observations.length;
  const misses = new Float64Array(m + net.units.length);
  const rows: [number, number][][] = [];
  const n2 = 2 * net.ids.length;
  net.observations.forEach((o, k) => {
    const i = 2 * net.from[k]!;
    const j = 2 * net.to[k]!;
    let e = x[j]! - x[i]!;
    let n = x[j + 1]! - x[i + 1]!;
    let d = Math.hypot(e, n);
    if (d < 1e-6) {
      // drawn on one spot: any direction will do to part them
      e = 1e-6 * (1 + k);
      n = 1e-6;
      d = Math.hypot(e, n);
    }
    const w = 1 / o.sd;
    if (o.kind === 'distance') {
      const u = o.unit === null ? -1 : net.units.indexOf(o.unit);
      const factor = u < 0 ? 1 : 1 + x[n2 + u]!;
      misses[k] = (o.value * factor - d) * w;
      const row: [number, number][] = [
        [i, (-e / d) * w],
        [i + 1, (-n / d) * w],
        [j, (e / d) * w],
        [j + 1, (n / d) * w],
      ];
      if (u >= 0) row.push([n2 + u, -o.value * w]);
      rows.push(row);
    } else {
      misses[k] = turned(o.value - Math.atan2(e, n)) * w;
      const q = w / (d * d);
      rows.push([
        [i, -n * q],
        [i + 1, e * q],
        [j, n * q],
        [j + 1, -e * q],
      ]);
    }
  });
  net.units.forEach((_, u) => {
    misses[m + u] = -x[n2 + u]! / net.believed[u]!;
    rows.push([[n2 + u, 1 / net.believed[u]!]]);
  });
  return { misses, rows };
}

const squares = (v: Float64Array): number => v.reduce((s, a) => s + a * a, 0);

function normal(
  net: Network,
  x: Float64Array,
): {
  readonly N: Matrix;
  readonly g: Float64Array;
  readonly cost: number;
  readonly rows: readonly (readonly [number, number][])[];
  readonly misses: Float64Array;
} {
  const { misses, rows } = linearise(net, x);
  const size = unknowns(net);
  const N = Matrix.zeros(size, size);
  const g = new Float64Array(size);
  rows.forEach((row, k) => {
    for (const [a, va] of row) {
      g[a]! += va * misses[k]!;
      for (const [b, vb] of row) N.set(a, b, N.get(a, b) + va * vb);
    }
  });
  return { N, g, cost: squares(misses), rows, misses };
}

/** Levenberg and Marquardt's damped least squares from x. */
function descend(
  net: Network,
  start: Float64Array,
): { readonly x: Float64Array; readonly cost: number; readonly converged: boolean; readonly iterations: number } {
  let x = start;
  let damping = 1e-3;
  let { N, g, cost } = normal(net, x);
  for (let iterations = 1; iterations <= 200; iterations++) {
    const size = g.length;
    const damped = N.clone();
    for (let i = 0; i < size; i++) damped.set(i, i, N.get(i, i) * (1 + damping) + 1e-9);
    const factor = new CholeskyDecomposition(damped);
    const step = factor.isPositiveDefinite() ? factor.solve(Matrix.columnVector(Array.from(g))).to1DArray() : null;
    const next = step === null ? x : x.map((v, i) => v + step[i]!);
    const then = step === null ? null : normal(net, next);
    if (then !== null && then.cost <= cost) {
      const moved = step!.reduce((m, s) => Math.max(m, Math.abs(s)), 0);
      const gained = cost - then.cost;
      x = next;
      ({ N, g, cost } = then);
      damping = Math.max(damping / 8, 1e-12);
      if (moved < 1e-9 || (gained <= 1e-14 * (1 + cost) && moved < 1e-6))
        return { x, cost, converged: true, iterations };
    } else {
      damping *= 10;
      if (damping > 1e12) return { x, cost, converged: Math.max(...g.map(Math.abs)) < 1e-5 * (1 + cost), iterations };
    }
  }
  return { x, cost, converged: false, iterations: 200 };
}

/** Groups of points joined by measures, as a number for each point. */
function groupsOf(net: Network): number[] {
  const group = net.ids.map((_, i) => i);
  const find = (i: number): number => (group[i] === i ? i : (group[i] = find(group[i]!)));
  net.observations.forEach((_, k) => (group[find(net.from[k]!)] = find(net.to[k]!)));
  const roots = new Map<number, number>();
  return net.ids.map((_, i) => {
    const r = find(i);
    if (!roots.has(r)) roots.set(r, roots.size);
    return roots.get(r)!;
  });
}

/**
 * A start that owes nothing to how the points were drawn: classical scaling of shortest measured ways (Torgerson 1952),
 * laid onto the drawing with the mirror that fits it better.
 */
function scaledStart(net: Network, group: readonly number[], drawn: Float64Array): Float64Array {
  const out = drawn.slice();
  for (const g of new Set(group)) {
    const members = net.ids.map((_, i) => i).filter((i) => group[i] === g);
    const size = members.length;
    if (size < 3) continue;
    const at = new Map(members.map((i, k) => [i, k]));
    const D = Matrix.zeros(size, size).fill(Number.POSITIVE_INFINITY);
    for (let i = 0; i < size; i++) D.set(i, i, 0);
    net.observations.forEach((o, k) => {
      const a = at.get(net.from[k]!);
      const b = at.get(net.to[k]!);
      if (a === undefined || b === undefined) return;
      const d =
        o.kind === 'distance'
          ? o.value
          : Math.hypot(
              drawn[2 * net.from[k]!]! - drawn[2 * net.to[k]!]!,
              drawn[2 * net.from[k]! + 1]! - drawn[2 * net.to[k]! + 1]!,
            );
      const least = Math.min(D.get(a, b), d);
      D.set(a, b, least);
      D.set(b, a, least);
    });
    for (let k = 0; k < size; k++)
      for (let i = 0; i < size; i++)
        for (let j = 0; j < size; j++)
          if (D.get(i, k) + D.get(k, j) < D.get(i, j)) D.set(i, j, D.get(i, k) + D.get(k, j));
    const B = Matrix.zeros(size, size);
    const mean = members.map((_, i) => D.getRow(i).reduce((s, d) => s + d * d, 0) / size);
    const all = mean.reduce((s, m) => s + m, 0) / size;
    for (let i = 0; i < size; i++)
      for (let j = 0; j < size; j++) B.set(i, j, -0.5 * (D.get(i, j) ** 2 - mean[i]! - mean[j]! + all));
    const { realEigenvalues, eigenvectorMatrix } = new EVD(B, { assumeSymmetric: true });
    const order = realEigenvalues.map((_, i) => i).sort((a, b) => realEigenvalues[b]! - realEigenvalues[a]!);
    const flat = members.map((_, i) =>
      [0, 1].map((k) => eigenvectorMatrix.get(i, order[k]!) * Math.sqrt(Math.max(0, realEigenvalues[order[k]!]!))),
    );
    // laid on: the turn and mirror that come nearest to the drawing
    const ce = members.reduce((s, i) => s + drawn[2 * i]!, 0) / size;
    const cn = members.reduce((s, i) => s + drawn[2 * i + 1]!, 0) / size;
    let best: { fit: number; turn: number; mirror: number } | null = null;
    for (const mirror of [1, -1]) {
      let c = 0;
      let s = 0;
      members.forEach((i, k) => {
        const [p, q] = [flat[k]![0]!, flat[k]![1]! * mirror];
        const [e, n] = [drawn[2 * i]! - ce, drawn[2 * i + 1]! - cn];
        c += p * e + q * n;
        s += p * n - q * e;
      });
      const fit = Math.hypot(c, s);
      if (best === null || fit > best.fit) best = { fit, turn: Math.atan2(s, c), mirror };
    }
    const { turn, mirror } = best!;
    members.forEach((i, k) => {
      const [p, q] = [flat[k]![0]!, flat[k]![1]! * mirror];
      out[2 * i] = ce + p * Math.cos(turn) - q * Math.sin(turn);
      out[2 * i + 1] = cn + p * Math.sin(turn) + q * Math.cos(turn);
    });
  }
  return out;
}

/** Neighbours of a point by distance, and whether a bearing holds it. */
function heldBy(net: Network, i: number): { readonly neighbours: readonly number[]; readonly bearing: boolean } {
  const neighbours = new Set<number>();
  let bearing = false;
  net.observations.forEach((o, k) => {
    if (net.from[k] !== i && net.to[k] !== i) return;
    if (o.kind === 'bearing') bearing = true;
    else neighbours.add(net.from[k] === i ? net.to[k]! : net.from[k]!);
  });
  return { neighbours: [...neighbours], bearing };
}

/** A point reflected in the line that its neighbours lie on; null where they lie on none. */
function reflected(x: Float64Array, i: number, neighbours: readonly number[], within: number): At | null {
  if (neighbours.length < 2) return null;
  const ce = neighbours.reduce((s, k) => s + x[2 * k]!, 0) / neighbours.length;
  const cn = neighbours.reduce((s, k) => s + x[2 * k + 1]!, 0) / neighbours.length;
  let ee = 0;
  let en = 0;
  let nn = 0;
  for (const k of neighbours) {
    const [e, n] = [x[2 * k]! - ce, x[2 * k + 1]! - cn];
    ee += e * e;
    en += e * n;
    nn += n * n;
  }
  const turn = 0.5 * Math.atan2(2 * en, ee - nn);
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const off = Math.sqrt(
    neighbours.reduce((sum, k) => sum + ((x[2 * k + 1]! - cn) * c - (x[2 * k]! - ce) * s) ** 2, 0) / neighbours.length,
  );
  const long = Math.sqrt(ee * c * c + 2 * en * c * s + nn * s * s);
  if (long === 0 || off > within * long) return null;
  const [e, n] = [x[2 * i]! - ce, x[2 * i + 1]! - cn];
  const across = n * c - e * s;
  return [x[2 * i]! + 2 * across * s, x[2 * i + 1]! - 2 * across * c];
}

/**
 * Points that a movement which no measure notices moves against the rest: what is left of it after the shift and turn that
 * most of the group shares (least sum of lengths, by reweighting: Weiszfeld's method).
 * @param v displacement of every unknown
 * @returns length left over at each point of the group, over the largest displacement
 */
function againstTheRest(v: readonly number[], members: readonly number[], x: Float64Array): Map<number, number> {
  const ce = members.reduce((s, i) => s + x[2 * i]!, 0) / members.length;
  const cn = members.reduce((s, i) => s + x[2 * i + 1]!, 0) / members.length;
  const largest = Math.max(1e-300, ...members.map((i) => Math.hypot(v[2 * i]!, v[2 * i + 1]!)));
  let left = members.map(() => 1);
  for (let k = 0; k < 60; k++) {
    // weighted least squares of shift (e, n) and turn t
    const M = Matrix.zeros(3, 3);
    const y = [0, 0, 0];
    members.forEach((i, at) => {
      const w = 1 / (left[at]! + 1e-9);
      const [p, q] = [x[2 * i]! - ce, x[2 * i + 1]! - cn];
      for (const [row, value] of [
        [[1, 0, -q], v[2 * i]! / largest],
        [[0, 1, p], v[2 * i + 1]! / largest],
      ] as const)
        for (let a = 0; a < 3; a++) {
          y[a]! += w * row[a]! * value;
          for (let b = 0; b < 3; b++) M.set(a, b, M.get(a, b) + w * row[a]! * row[b]!);
        }
    });
    for (let a = 0; a < 3; a++) M.set(a, a, M.get(a, a) * (1 + 1e-12) + 1e-12);
    const factor = new CholeskyDecomposition(M);
    if (!factor.isPositiveDefinite()) break;
    const [e, n, t] = factor.solve(Matrix.columnVector(y)).to1DArray() as [number, number, number];
    left = members.map((i) =>
      Math.hypot(
        v[2 * i]! / largest - e + t * (x[2 * i + 1]! - cn),
        v[2 * i + 1]! / largest - n - t * (x[2 * i]! - ce),
      ),
    );
  }
  return new Map(members.map((i, at) => [i, left[at]!]));
}

/**
 * Places points by least squares from any distances and bearings between them (a free network: Koch, Parameter Estimation
 * and Hypothesis Testing in Linear Models, 2nd ed. 1999, ch. 3; Caspary, Concepts of Network and Deformation Analysis,
 * 1987). Each unit of measuring has a factor of its own, known as well as it was calibrated, so that one long stride does
 * not pass for many independent errors. Nothing fixes the whole on the ground: it is left as near to the drawing as can
 * be, and ellipses are relative to the middle of the others of each group.
 * @param drawn        every point that is measured, where it was drawn, m
 * @param observations their ends must be among `drawn`
 * @param scales       how well each unit is known, one standard deviation as a share
 * @throws RangeError for too many points or an end that is not drawn
 */
export function adjust(
  drawn: readonly { readonly id: string; readonly at: At }[],
  observations: readonly Observation[],
  scales: Readonly<Record<string, number>>,
): Adjustment {
  if (drawn.length > MOST_ADJUSTED)
    throw new RangeError(`points: ${drawn.length}; at most ${MOST_ADJUSTED} can be measured together`);
  const ids = drawn.map((p) => p.id);
  const index = new Map(ids.map((id, i) => [id, i]));
  const end = (id: string): number => {
    const i = index.get(id);
    if (i === undefined) throw new RangeError(`observation: ends at ${id}, which is not among the points`);
    return i;
  };
  const units = [...new Set(observations.flatMap((o) => (o.unit === null ? [] : [o.unit])))];
  const net: Network = {
    ids,
    index,
    observations,
    from: observations.map((o) => end(o.from)),
    to: observations.map((o) => end(o.to)),
    units,
    believed: units.map((u) => scales[u] ?? 0.01),
  };
  const group = groupsOf(net);
  const start = new Float64Array(unknowns(net));
  drawn.forEach((p, i) => {
    start[2 * i] = p.at[0];
    start[2 * i + 1] = p.at[1];
  });
  const best = bestOf(net, group, start);
  const x = laidOn(net, group, best.x, start);
  return report(net, group, x, best);
}

/** The lowest of what the drawing, the scaling, and points thrown to their other side lead to. */
function bestOf(net: Network, group: readonly number[], start: Float64Array): ReturnType<typeof descend> {
  let best = descend(net, start);
  const enough = 2 * (net.observations.length + 1);
  if (best.cost > enough) {
    const other = descend(net, scaledStart(net, group, start));
    if (other.cost < best.cost * 0.9) best = other;
  }
  for (let tries = 0; tries < 3 && best.cost > enough; tries++) {
    let better = false;
    for (let i = 0; i < net.ids.length && best.cost > enough; i++) {
      const { neighbours } = heldBy(net, i);
      const to = reflected(best.x, i, neighbours, Number.POSITIVE_INFINITY);
      if (to === null) continue;
      const thrown = best.x.slice();
      thrown[2 * i] = to[0];
      thrown[2 * i + 1] = to[1];
      const other = descend(net, thrown);
      if (other.cost < best.cost * 0.9) {
        best = other;
        better = true;
      }
    }
    if (!better) break;
  }
  return best;
}

/** Shifts, and where no bearing holds it turns, each group onto the drawing. */
function laidOn(net: Network, group: readonly number[], x: Float64Array, drawn: Float64Array): Float64Array {
  const out = x.slice();
  for (const g of new Set(group)) {
    const members = net.ids.map((_, i) => i).filter((i) => group[i] === g);
    const mean = (v: Float64Array, k: number): number =>
      members.reduce((s, i) => s + v[2 * i + k]!, 0) / members.length;
    const [xe, xn, de, dn] = [mean(x, 0), mean(x, 1), mean(drawn, 0), mean(drawn, 1)];
    const held = net.observations.some((o, k) => o.kind === 'bearing' && group[net.from[k]!] === g);
    let c = 0;
    let s = 0;
    for (const i of members) {
      const [p, q] = [x[2 * i]! - xe, x[2 * i + 1]! - xn];
      const [e, n] = [drawn[2 * i]! - de, drawn[2 * i + 1]! - dn];
      c += p * e + q * n;
      s += p * n - q * e;
    }
    const turn = held || Math.hypot(c, s) < 1e-12 ? 0 : Math.atan2(s, c);
    for (const i of members) {
      const [p, q] = [x[2 * i]! - xe, x[2 * i + 1]! - xn];
      out[2 * i] = de + p * Math.cos(turn) - q * Math.sin(turn);
      out[2 * i + 1] = dn + p * Math.sin(turn) + q * Math.cos(turn);
    }
  }
  return out;
}

function report(
  net: Network,
  group: readonly number[],
  x: Float64Array,
  found: ReturnType<typeof descend>,
): Adjustment {
  const { N, rows, misses, cost } = normal(net, x);
  const size = unknowns(net);
  const { realEigenvalues: values, eigenvectorMatrix: vectors } = new EVD(N, { assumeSymmetric: true });
  const largest = Math.max(...values.map(Math.abs), 1e-300);
  const still = values.map((v) => v <= NOTHING * largest);
  const rank = still.filter((s) => !s).length;
  // cofactors: the pseudo-inverse, which is the free network's
  const Q = Matrix.zeros(size, size);
  for (let k = 0; k < size; k++) {
    if (still[k]) continue;
    for (let i = 0; i < size; i++) {
      const a = vectors.get(i, k) / values[k]!;
      if (a === 0) continue;
      for (let j = 0; j < size; j++) Q.set(i, j, Q.get(i, j) + a * vectors.get(j, k));
    }
  }
  const redundancy = net.observations.length + net.units.length - rank;
  const variance = redundancy > 0 ? cost / redundancy : 1;
  const spread = Math.max(1, variance);
  // what can move besides the whole of its group
  const freedom = new Float64Array(net.ids.length);
  const countOf = new Map<number, number>();
  for (const g of new Set(group)) {
    const members = net.ids.map((_, i) => i).filter((i) => group[i] === g);
    countOf.set(g, members.length);
    if (members.length < 3) continue;
    for (let k = 0; k < size; k++)
      if (still[k])
        for (const [i, left] of againstTheRest(vectors.getColumn(k), members, x))
          freedom[i] = Math.max(freedom[i]!, left);
  }

  const points = net.ids.map((id, i): AdjustedPoint => {
    const ee = Q.get(2 * i, 2 * i) * spread;
    const nn = Q.get(2 * i + 1, 2 * i + 1) * spread;
    const en = Q.get(2 * i, 2 * i + 1) * spread;
    const half = Math.hypot((ee - nn) / 2, en);
    const middle = (ee + nn) / 2;
    const turn = 0.5 * Math.atan2(2 * en, nn - ee);
    const { neighbours, bearing } = heldBy(net, i);
    const free = freedom[i]! > FREE;
    // a point is part of its group's middle: against the middle of the others it is surer by so much less
    const others = countOf.get(group[i]!)!;
    const axis = ELLIPSE_90 * (others > 1 ? others / (others - 1) : 1);
    return {
      id,
      at: [x[2 * i]!, x[2 * i + 1]!],
      major: axis * Math.sqrt(Math.max(0, middle + half)),
      minor: axis * Math.sqrt(Math.max(0, middle - half)),
      bearing: turn < 0 ? turn + Math.PI : turn,
      group: group[i]!,
      free,
      mirrored:
        !free &&
        !bearing &&
        net.ids.filter((_, k) => group[k] === group[i]).length > 3 &&
        reflected(x, i, neighbours, 0.02) !== null,
    };
  });
  const residuals = net.observations.map((o, k): Residual => {
    const row = rows[k]!;
    let explained = 0;
    for (const [a, va] of row) for (const [b, vb] of row) explained += va * Q.get(a, b) * vb;
    const checked = Math.max(0, 1 - explained);
    const u = o.unit === null ? -1 : net.units.indexOf(o.unit);
    const measured = o.kind === 'distance' && u >= 0 ? o.value * (1 + x[2 * net.ids.length + u]!) : o.value;
    return {
      id: o.id,
      measured: o.value,
      computed: measured - misses[k]! * o.sd,
      standardised: checked > 1e-6 ? misses[k]! / Math.sqrt(checked) : 0,
      checked,
    };
  });
  return {
    points,
    residuals,
    scales: net.units.map((unit, u) => ({
      unit,
      factor: 1 + x[2 * net.ids.length + u]!,
      sd: Math.sqrt(Math.max(0, Q.get(2 * net.ids.length + u, 2 * net.ids.length + u) * spread)),
    })),
    redundancy,
    variance,
    groups: new Set(group).size,
    converged: found.converged,
    iterations: found.iterations,
    spreadBetween: (a, b) => {
      const i = net.index.get(a);
      const j = net.index.get(b);
      if (i === undefined || j === undefined || group[i] !== group[j] || points[i]!.free || points[j]!.free)
        return null;
      const e = x[2 * j]! - x[2 * i]!;
      const n = x[2 * j + 1]! - x[2 * i + 1]!;
      const d = Math.hypot(e, n);
      if (d === 0) return null;
      const g: [number, number][] = [
        [2 * i, -e / d],
        [2 * i + 1, -n / d],
        [2 * j, e / d],
        [2 * j + 1, n / d],
      ];
      let v = 0;
      for (const [p, gp] of g) for (const [q, gq] of g) v += gp * Q.get(p, q) * gq;
      return Math.sqrt(Math.max(0, v * spread));
    },
  };
}
