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

/** The way water takes from a node to where it leaves the cloth or stands. */
export function pathFrom(runs: RunOff, node: number): number[] {
  const out = [node];
  for (let n = runs.next[node]!; n >= 0 && out.length < runs.next.length; n = runs.next[n]!) out.push(n);
  return out;
}
