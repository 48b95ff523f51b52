import type { Mesh } from './mesh.js';

/** Where rain goes on a pitched cloth. Node numbers are the mesh's. */
export interface RunOff {
  /** The neighbour each node's water runs to, -1 where it stays or drips. */
  readonly next: Int32Array;
  /** Litres per millimetre of rain that pass each node (plan area above it, m^2). */
  readonly through: Float64Array;
  /** Nodes on the edge where water leaves, most first, with the share of the roof's rain. */
  readonly drips: readonly { readonly node: number; readonly perMillimetre: number; readonly share: number }[];
  /** Water that stands on the cloth. */
  readonly ponds: readonly Pond[];
  /** Plan area of the cloth, m^2: litres per millimetre of straight rain. */
  readonly catches: number;
}

export interface Pond {
  /** Lowest node. */
  readonly node: number;
  /** Volume when brimful, m^3; deepest water, m. */
  readonly volume: number;
  readonly depth: number;
  /** Nodes under water: how deep each stands, m, and the plan area that is its own, m^2. */
  readonly wet: readonly { readonly node: number; readonly depth: number; readonly area: number }[];
}

/** Neighbours of each node, and whether it lies on the edge. Depends on the mesh alone. */
export interface Neighbours {
  readonly start: Int32Array;
  readonly list: Int32Array;
  readonly edge: Uint8Array;
}

export function neighboursOf(mesh: Mesh): Neighbours {
  const count = mesh.flat.length / 2;
  const sets = Array.from({ length: count }, () => new Set<number>());
  const sides = new Map<number, number>();
  for (let t = 0; t < mesh.corners.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const a = mesh.corners[t + k]!;
      const b = mesh.corners[t + ((k + 1) % 3)]!;
      sets[a]!.add(b);
      sets[b]!.add(a);
      const side = Math.min(a, b) * count + Math.max(a, b);
      sides.set(side, (sides.get(side) ?? 0) + 1);
    }
  const edge = new Uint8Array(count);
  for (const [side, n] of sides)
    if (n === 1) {
      edge[Math.floor(side / count)] = 1;
      edge[side % count] = 1;
    }
  const start = new Int32Array(count + 1);
  sets.forEach((s, i) => (start[i + 1] = start[i]! + s.size));
  const list = new Int32Array(start[count]!);
  sets.forEach((s, i) =>
    list.set(
      [...s].sort((a, b) => a - b),
      start[i]!,
    ),
  );
  return { start, list, edge };
}

/** Plan area that belongs to each node, m^2: a third of each triangle's shadow. Overhung parts count once, by sign. */
export function nodeAreas(mesh: Mesh, at: ArrayLike<number>): Float64Array {
  const out = new Float64Array(mesh.flat.length / 2);
  for (let t = 0; t < mesh.corners.length; t += 3) {
    const [a, b, c] = [mesh.corners[t]!, mesh.corners[t + 1]!, mesh.corners[t + 2]!];
    const area =
      ((at[3 * b]! - at[3 * a]!) * (at[3 * c + 1]! - at[3 * a + 1]!) -
        (at[3 * c]! - at[3 * a]!) * (at[3 * b + 1]! - at[3 * a + 1]!)) /
      2;
    for (const n of [a, b, c]) out[n]! += Math.abs(area) / 3;
  }
  return out;
}

/** Depths of water under this are wetness, not a pond, m. */
const SHALLOW = 0.002;
/** Cloth this near the ground lets its water go, m. */
const DOWN = 0.05;
/** Least fall along a hem that carries water along instead of letting it drip. Judgement. */
const HEM = 0.05;

/**
 * Run-off by steepest descent from node to node, and the ponds that stand when every low spot is full to its brim
 * (flooding from the edge inward: each node's water stands at the lowest rim on the way out).
 * @param at     places of the cloth's nodes, 3 each, m
 * @param ground height of the ground, m: where cloth comes down to it water leaves
 */
export function runOff(
  mesh: Mesh,
  context: Neighbours,
  at: ArrayLike<number>,
  ground: (x: number, y: number) => number,
): RunOff {
  const count = mesh.flat.length / 2;
  const area = nodeAreas(mesh, at);
  const { start, list } = context;
  const edge = context.edge.slice();
  for (let n = 0; n < count; n++) if (at[3 * n + 2]! - ground(at[3 * n]!, at[3 * n + 1]!) < DOWN) edge[n] = 1;
  const z = (n: number): number => at[3 * n + 2]!;
  // brim: from the edge inward, always over the lowest rim
  const brim = new Float64Array(count).fill(Number.POSITIVE_INFINITY);
  const outlet = new Int32Array(count).fill(-1);
  const rank = new Int32Array(count).fill(count);
  const out: number[] = [];
  for (let n = 0; n < count; n++) if (edge[n] === 1) brim[n] = z(n);
  while (out.length < count) {
    let low = -1;
    for (let n = 0; n < count; n++) if (rank[n] === count && (low < 0 || brim[n]! < brim[low]!)) low = n;
    if (!Number.isFinite(brim[low]!)) break;
    rank[low] = out.length;
    out.push(low);
    for (let i = start[low]!; i < start[low + 1]!; i++) {
      const m = list[i]!;
      const level = Math.max(brim[low]!, z(m));
      if (rank[m] === count && level < brim[m]!) {
        brim[m] = level;
        outlet[m] = low;
      }
    }
  }
  // down the steepest way among those that lie nearer the way out: it cannot run in a circle
  const next = new Int32Array(count).fill(-1);
  for (const n of out) {
    let steepest = edge[n] === 1 ? HEM : 0;
    for (let i = start[n]!; i < start[n + 1]!; i++) {
      const m = list[i]!;
      if (rank[m]! > rank[n]!) continue;
      const run = Math.hypot(at[3 * m]! - at[3 * n]!, at[3 * m + 1]! - at[3 * n + 1]!);
      const fall = (z(n) - z(m)) / Math.max(run, 1e-6);
      if (fall > steepest) {
        steepest = fall;
        next[n] = m;
      }
    }
    // out of a full low spot the water goes on over its rim
    if (next[n] === -1) next[n] = outlet[n]!;
  }
  const through = area.slice();
  for (let k = out.length - 1; k >= 0; k--) {
    const n = out[k]!;
    if (next[n]! >= 0) through[next[n]!]! += through[n]!;
  }
  const catches = area.reduce((s, a) => s + a, 0);
  const drips = out
    .filter((n) => next[n] === -1 && edge[n] === 1 && through[n]! > 0.01 * catches)
    .map((node) => ({ node, perMillimetre: through[node]!, share: through[node]! / (catches || 1) }))
    .sort((a, b) => b.perMillimetre - a.perMillimetre);
  return { next, through, drips, ponds: pondsOf(context, brim, area, z), catches };
}

function pondsOf(context: Neighbours, brim: Float64Array, area: Float64Array, z: (n: number) => number): Pond[] {
  const count = brim.length;
  const seen = new Uint8Array(count);
  const out: Pond[] = [];
  const isWet = (n: number): boolean => brim[n]! - z(n) > SHALLOW && Number.isFinite(brim[n]!);
  for (let n = 0; n < count; n++) {
    if (seen[n] === 1 || !isWet(n)) continue;
    const wet: { node: number; depth: number; area: number }[] = [];
    const stack = [n];
    seen[n] = 1;
    while (stack.length > 0) {
      const m = stack.pop()!;
      wet.push({ node: m, depth: brim[m]! - z(m), area: area[m]! });
      for (let i = context.start[m]!; i < context.start[m + 1]!; i++) {
        const k = context.list[i]!;
        if (seen[k] === 0 && isWet(k)) {
          seen[k] = 1;
          stack.push(k);
        }
      }
    }
    const deepest = wet.reduce((a, b) => (b.depth > a.depth ? b : a));
    out.push({
      node: deepest.node,
      depth: deepest.depth,
      volume: wet.reduce((s, w) => s + w.depth * w.area, 0),
      wet,
    });
  }
  return out.sort((a, b) => b.volume - a.volume);
}

/**
 * What stands where it can when so much rain has fallen at once: a low spot that is not full holds what ran into it, one that is hands
 * the rest on over its rim.
 * @param rain m of it; infinite fills every low spot
 */
export function filledBy(runs: RunOff, rain: number): readonly Pond[] {
  const { next, through, ponds } = runs;
  if (!Number.isFinite(rain)) return ponds;
  const pondOf = new Int32Array(next.length).fill(-1);
  ponds.forEach((p, i) => p.wet.forEach(({ node }) => (pondOf[node] = i)));
  /** The first low spot on the way from a node, other than one; -1 where its water leaves. */
  const firstOn = (node: number, but: number): number => {
    for (let n = node; n >= 0; n = next[n]!) if (pondOf[n]! >= 0 && pondOf[n] !== but) return pondOf[n]!;
    return -1;
  };
  const own = through.slice();
  for (let n = 0; n < next.length; n++) if (next[n]! >= 0) own[next[n]!]! -= through[n]!;
  const ran = new Float64Array(ponds.length);
  for (let n = 0; n < next.length; n++) {
    const into = firstOn(n, -1);
    if (into >= 0) ran[into]! += rain * own[n]!;
  }
  const onward = ponds.map((p, i) => firstOn(p.node, i));
  const from = ponds.map((_, i) => onward.flatMap((to, j) => (to === i ? [j] : [])));
  const held = new Map<number, number>();
  /** What has come into a low spot, m³, with what those above it did not hold. */
  const cameInto = (i: number): number => {
    const known = held.get(i);
    if (known !== undefined) return known;
    const sum = from[i]!.reduce((s, j) => s + Math.max(0, cameInto(j) - ponds[j]!.volume), ran[i]!);
    held.set(i, sum);
    return sum;
  };
  return ponds.flatMap((p, i) => filledTo(p, cameInto(i)));
}

/** A low spot with so much water in it, m³; none where that is nothing. */
function filledTo(pond: Pond, water: number): readonly Pond[] {
  if (water >= pond.volume) return [pond];
  // deepest first: the level sinks from the brim past one node after the other
  const wet = [...pond.wet].sort((a, b) => b.depth - a.depth);
  let [area, volume] = [0, 0];
  let level = 0;
  for (const [k, { depth, area: of }] of wet.entries()) {
    area += of;
    const rise = depth - (wet[k + 1]?.depth ?? 0);
    if (volume + area * rise >= water) {
      level = pond.depth - depth + (water - volume) / area;
      break;
    }
    volume += area * rise;
  }
  const below = pond.depth - level;
  const under = wet.flatMap((w) => (w.depth > below ? [{ ...w, depth: w.depth - below }] : []));
  return under.length === 0 ? [] : [{ node: pond.node, depth: under[0]!.depth, volume: water, wet: under }];
}

/** The way water takes from a node to where it leaves the cloth or stands. */
export function pathFrom(runs: RunOff, node: number): number[] {
  const out = [node];
  for (let n = runs.next[node]!; n >= 0 && out.length < runs.next.length; n = runs.next[n]!) out.push(n);
  return out;
}
