import type { Vec3 } from '@rough-bight/core/quantity';
import type { BedShape, Drawing, DrawnShape } from '@rough-bight/core/shelter';

export type Place = readonly [number, number, number];

export const at = (shape: DrawnShape, node: number): Place => [
  shape.at[3 * node]!,
  shape.at[3 * node + 1]!,
  shape.at[3 * node + 2]!,
];

/** The panels' corners one after another, 9 numbers a panel, m. */
export function clothCorners(
  { topology }: Pick<Drawing, 'topology'>,
  shape: DrawnShape,
  out = new Float32Array(0),
): Float32Array {
  const { corners } = topology;
  const all = out.length === 3 * corners.length ? out : new Float32Array(3 * corners.length);
  for (let i = 0; i < corners.length; i++) for (let c = 0; c < 3; c++) all[3 * i + c] = shape.at[3 * corners[i]! + c]!;
  return all;
}

/** The same let down on the ground, a finger above it: what the roof covers. */
export function shadowCorners(cloth: Float32Array, ground: (x: number, y: number) => number): Float32Array {
  const out = cloth.slice();
  for (let i = 0; i < out.length; i += 3) out[i + 2] = ground(out[i]!, out[i + 1]!) + 0.01;
  return out;
}

/** Ways of the rain over the cloth as pairs of places for line segments, a little above it. */
export function runSegments(runs: readonly (readonly Vec3[])[]): Float32Array {
  const out: number[] = [];
  for (const path of runs)
    for (let k = 1; k < path.length; k++) for (const [x, y, z] of [path[k - 1]!, path[k]!]) out.push(x, y, z + 0.012);
  return new Float32Array(out);
}

/** A grid on the ground, a metre apart, as pairs of places. */
export function gridSegments(middle: number, reach: number, ground: (x: number, y: number) => number): Float32Array {
  const out: number[] = [];
  const far = Math.ceil(reach);
  const c = Math.round(middle);
  const point = (x: number, y: number): number => out.push(x, y, ground(x, y) + 0.004);
  for (let k = -far; k <= far; k++) {
    point(c + k, -far);
    point(c + k, far);
    point(c - far, k);
    point(c + far, k);
  }
  return new Float32Array(out);
}

/** Middle and size of all that is drawn, m. */
export function boundsOf(
  { topology, guys }: Drawing,
  shape: DrawnShape,
): { readonly middle: Place; readonly reach: number } {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  const take = (p: Place): void =>
    p.forEach((v, c) => {
      low[c] = Math.min(low[c]!, v);
      high[c] = Math.max(high[c]!, v);
    });
  for (let n = 0; n < topology.clothNodes; n++) take(at(shape, n));
  // a bare line, and the ground it stands over
  if (topology.clothNodes === 0)
    for (let n = 0; n < shape.at.length / 3; n++)
      for (const z of [0, shape.at[3 * n + 2]!]) take([at(shape, n)[0], at(shape, n)[1], z]);
  for (const g of guys) take(g.foot);
  const middle = [0, 1, 2].map((c) => (low[c]! + high[c]!) / 2) as unknown as Place;
  return { middle, reach: Math.max(...[0, 1, 2].map((c) => high[c]! - low[c]!)) / 2 };
}

/** How wide a bed lies open with someone in it, from its middle, and how high its sides stand, m. */
const OPEN = { wide: 0.36, up: 0.2 } as const;

/** The cloth of a bed as triangles, 9 numbers each: two strips from its middle line to its sides. */
export function bedCorners({ line, body }: Pick<BedShape, 'line' | 'body'>): Float32Array {
  const parts = line.length - 1;
  const [a, b] = [line[0]!, line[parts]!];
  const level = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  const across = [-(b[1] - a[1]) / level, (b[0] - a[0]) / level] as const;
  const open = body.length > 0 ? 1 : 0.35;
  const out: number[] = [];
  const side = (k: number, s: number): Place => {
    const p = line[k]!;
    const full = Math.sin((Math.PI * k) / parts) * open;
    return [p[0] + s * OPEN.wide * full * across[0], p[1] + s * OPEN.wide * full * across[1], p[2] + OPEN.up * full];
  };
  for (let k = 0; k < parts; k++)
    for (const s of [1, -1]) {
      const [p, q, u, v] = [line[k]!, line[k + 1]!, side(k, s), side(k + 1, s)];
      out.push(...p, ...q, ...u, ...q, ...v, ...u);
    }
  return new Float32Array(out);
}
