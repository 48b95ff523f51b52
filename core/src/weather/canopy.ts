import type { Vec3 } from '../quantity/index.js';
import { normalOf } from './pressure.js';

/**
 * How a gust is laid on a roof. Every gust is judged under all of them: the plate law follows each piece of cloth by its
 * own facing; the others push a roof's slopes down or lift them as a free-standing canopy's, open below or blocked to leeward
 * (a side to the ground, brush, sleepers and packs).
 */
export const WIND_LAWS = {
  plate: { name: 'plate by incidence', said: 'by each sheet’s own facing' },
  push: { name: 'canopy pushed down', said: 'pushing down' },
  lift: { name: 'canopy lifted, open below', said: 'lifting' },
  blocked: { name: 'canopy lifted, blocked to leeward', said: 'lifting, blocked to leeward' },
} as const;
export type WindLaw = keyof typeof WIND_LAWS;
export const WIND_LAW_IDS = Object.keys(WIND_LAWS) as readonly WindLaw[];
type CanopyLaw = Exclude<WindLaw, 'plate'>;

/** Where the coefficients come from: cited by every figure that uses them. */
export const CANOPY_SOURCE =
  'EN 1991-1-4:2005, 7.3, tables 7.6 and 7.7 (free-standing canopies, overall force coefficients), and 7.2 with internal pressure of 7.2.9 for faces over 30 degrees or shut to the ground. Made for rigid roofs: cloth that gives is not one.';

/** One row: slope, degrees; overall coefficient pushing down, lifting, lifting blocked to leeward. Positive pushes on the outer face. */
type Row = readonly [slope: number, push: number, lift: number, blocked: number];

/** EN 1991-1-4, table 7.6: one slope. */
const ONE_SLOPE: readonly Row[] = [
  [0, 0.2, -0.5, -1.3],
  [5, 0.4, -0.7, -1.4],
  [10, 0.5, -0.9, -1.4],
  [15, 0.7, -1.1, -1.4],
  [20, 0.8, -1.3, -1.4],
  [25, 1.0, -1.6, -1.4],
  [30, 1.2, -1.8, -1.4],
];
/** Table 7.7: two slopes from a ridge (positive) or to a trough (negative). */
const TWO_SLOPES: readonly Row[] = [
  [-20, 0.7, -0.7, -1.3],
  [-15, 0.5, -0.6, -1.4],
  [-10, 0.4, -0.6, -1.4],
  [-5, 0.3, -0.5, -1.3],
  [5, 0.3, -0.6, -1.3],
  [10, 0.4, -0.7, -1.3],
  [15, 0.4, -0.8, -1.3],
  [20, 0.6, -0.9, -1.3],
  [25, 0.7, -1.0, -1.3],
  [30, 0.9, -1.0, -1.3],
];

/**
 * External coefficients of 7.2 (tables 7.1 and 7.4a, 7.4b) by a face's slope, the zones taken together by their areas over a
 * roof twice as long as deep: facing the wind at the most and the least, to leeward at the most and the least, along the wind.
 */
type Face = readonly [slope: number, facing: number, facingLeast: number, lee: number, leeLeast: number, along: number];
const FACES: readonly Face[] = [
  [5, 0, -0.8, 0, -0.6, -0.8],
  [15, 0.2, -0.45, 0, -0.55, -0.75],
  [30, 0.5, -0.3, 0, -0.45, -0.75],
  [45, 0.65, 0, 0, -0.25, -0.8],
  [60, 0.7, 0.7, -0.2, -0.2, -0.75],
  [75, 0.8, 0.8, -0.2, -0.2, -0.75],
  [90, 0.8, 0.8, -0.5, -0.5, -0.8],
];
/** Internal pressure that goes with each: what helps the push, what helps the lift, and an opening that faces the wind (0.9 of 0.8). */
const INSIDE: Readonly<Record<CanopyLaw, number>> = { push: -0.3, lift: 0.2, blocked: 0.72 };

/** Steeper than the first the canopy tables end; from the second on a face counts as wall or closed roof alone, degrees. */
const CANOPY_TO = 30;
const FACE_FROM = 45;

/** Linear between rows of a table, its ends beyond them. */
function between<R extends readonly number[]>(rows: readonly R[], x: number, column: number): number {
  let i = 1;
  while (i < rows.length - 1 && x > rows[i]![0]!) i++;
  const [a, b] = [rows[i - 1]!, rows[i]!];
  const t = Math.min(1, Math.max(0, (x - a[0]!) / (b[0]! - a[0]!)));
  return a[column]! + t * (b[column]! - a[column]!);
}

/** What shape a roof has as a whole. */
export type RoofShape = 'one slope' | 'two slopes' | 'trough';

const COLUMN: Readonly<Record<CanopyLaw, number>> = { push: 1, lift: 2, blocked: 3 };

/**
 * Net coefficient of one face of a roof: positive pushes on its outer side.
 * @param slope   from level, degrees, 0 to 90
 * @param upwind  1 where it faces the wind, -1 to leeward, 0 along it
 * @param shut    whether its lower edge is on the ground
 */
export function canopyCoefficient(
  law: CanopyLaw,
  shape: RoofShape,
  slope: number,
  upwind: number,
  shut: boolean,
): number {
  const open =
    shape === 'one slope'
      ? between(ONE_SLOPE, slope, COLUMN[law])
      : between(TWO_SLOPES, (shape === 'trough' ? -1 : 1) * Math.max(5, slope), COLUMN[law]);
  const asFace = shut ? 1 : Math.min(1, Math.max(0, (slope - CANOPY_TO) / (FACE_FROM - CANOPY_TO)));
  if (asFace === 0) return open;
  const facing = between(FACES, slope, law === 'push' ? 1 : 2);
  const lee = between(FACES, slope, law === 'push' ? 3 : 4);
  const along = between(FACES, slope, 5);
  const outside = upwind >= 0 ? along + upwind * (facing - along) : along - upwind * (lee - along);
  return asFace * (outside - INSIDE[law]) + (1 - asFace) * open;
}

/** What a roof's cloth is to the wind as it was laid out: its slopes, not its billows. */
export interface RoofForWind {
  readonly shape: RoofShape;
  /** 3 nodes a panel. */
  readonly corners: Int32Array;
  /** 1 where the outer side of the cloth is on the panel's right-hand normal, else -1. */
  readonly side: 1 | -1;
  /** By panel: slope, degrees; level direction its outer side faces, 2 each; area, m2; middle on the plan, 2 each, m. */
  readonly slope: Float64Array;
  readonly faces: Float64Array;
  readonly area: Float64Array;
  readonly middle: Float64Array;
  /** By panel: 1 where its face is shut to the ground; 1 where it lies on the ground; 1 along the roof's rim. */
  readonly shut: Uint8Array;
  readonly lies: Uint8Array;
  readonly rim: Uint8Array;
}

/** Slopes under this are level: what a tilted fly differs from a flat one by, degrees. */
const LEVEL = 2;
/** Share of the sloped cloth that must slope one way for the roof to count as one slope. */
const ONE_WAY = 0.7;
/** A face reaches the ground where it comes this near, m; so low lying cloth rests on it, m. */
const NEAR_GROUND = 0.15;
const ON_GROUND = 0.06;
/** Neighbours within so many degrees are one face. */
const ONE_FACE = 8;
/** A face is shut where at least so many of its nodes are at the ground. */
const SHUT_NODES = 3;
/** The rim is so much of a roof's length and width; its pressure over that of the middle: judgement, from the zones of tables 7.6 and 7.7 (1.2 to 2.2). */
const RIM = 0.1;
const RIM_HEAVIER = 1.5;

/**
 * Reads a roof as it is laid out.
 * @param corners 3 nodes a panel
 * @param at      places as laid out, 3 a node, m
 * @param flat    places in the flat cloth, 2 a node, m
 * @param ground  height of the ground, m
 */
export function roofForWind(
  corners: Int32Array,
  at: Float64Array,
  flat: ArrayLike<number>,
  ground: (x: number, y: number) => number,
): RoofForWind {
  const count = corners.length / 3;
  const slope = new Float64Array(count);
  const faces = new Float64Array(2 * count);
  const area = new Float64Array(count);
  const middle = new Float64Array(2 * count);
  const lies = new Uint8Array(count);
  const rim = new Uint8Array(count);
  const normals: Vec3[] = [];
  let up = 0;
  for (let i = 0; i < count; i++) {
    const n = normalOf(corners, at, i);
    normals.push(n.normal);
    area[i] = n.area;
    up += n.area * n.normal[2];
  }
  const side = up >= 0 ? 1 : -1;
  const over = (n: number): number => at[3 * n + 2]! - ground(at[3 * n]!, at[3 * n + 1]!);
  const box = (c: number): readonly [number, number] => {
    let [low, high] = [Infinity, -Infinity];
    for (let n = c; n < flat.length; n += 2) [low, high] = [Math.min(low, flat[n]!), Math.max(high, flat[n]!)];
    return [low, high];
  };
  const [s, t] = [box(0), box(1)];
  for (let i = 0; i < count; i++) {
    const [nx, ny, nz] = normals[i]!;
    slope[i] = (Math.acos(Math.min(1, Math.max(0, side * nz))) * 180) / Math.PI;
    const level = Math.hypot(nx, ny);
    if (level > 1e-9) {
      faces[2 * i] = (side * nx) / level;
      faces[2 * i + 1] = (side * ny) / level;
    }
    const nodes = [0, 1, 2].map((k) => corners[3 * i + k]!);
    const mean = (of: (n: number) => number): number => nodes.reduce((sum, n) => sum + of(n), 0) / 3;
    middle[2 * i] = mean((n) => at[3 * n]!);
    middle[2 * i + 1] = mean((n) => at[3 * n + 1]!);
    lies[i] = nodes.every((n) => over(n) < ON_GROUND) ? 1 : 0;
    const [a, b] = [mean((n) => flat[2 * n]!), mean((n) => flat[2 * n + 1]!)];
    const inside = Math.min(
      (a - s[0]) / (s[1] - s[0]),
      (s[1] - a) / (s[1] - s[0]),
      (b - t[0]) / (t[1] - t[0]),
      (t[1] - b) / (t[1] - t[0]),
    );
    rim[i] = inside < RIM ? 1 : 0;
  }
  return {
    shape: shapeOf(slope, faces, area, middle, lies),
    corners,
    side,
    slope,
    faces,
    area,
    middle,
    shut: shutFaces(corners, normals, over, lies),
    lies,
    rim,
  };
}

function shapeOf(
  slope: Float64Array,
  faces: Float64Array,
  area: Float64Array,
  middle: Float64Array,
  lies: Uint8Array,
): RoofShape {
  let [whole, steep, x, y, cx, cy] = [0, 0, 0, 0, 0, 0];
  const weight = (i: number): number => (lies[i] === 1 ? 0 : area[i]! * Math.sin((slope[i]! * Math.PI) / 180));
  for (let i = 0; i < area.length; i++) {
    if (lies[i] === 1) continue;
    const w = weight(i);
    whole += area[i]!;
    steep += w;
    x += w * faces[2 * i]!;
    y += w * faces[2 * i + 1]!;
    cx += area[i]! * middle[2 * i]!;
    cy += area[i]! * middle[2 * i + 1]!;
  }
  if (steep <= whole * Math.sin((LEVEL * Math.PI) / 180) || Math.hypot(x, y) > ONE_WAY * steep) return 'one slope';
  let outward = 0;
  for (let i = 0; i < area.length; i++)
    outward +=
      weight(i) *
      (faces[2 * i]! * (middle[2 * i]! - cx / whole) + faces[2 * i + 1]! * (middle[2 * i + 1]! - cy / whole));
  return outward >= 0 ? 'two slopes' : 'trough';
}

/** Faces (neighbours nearly in one plane) whose edge is on the ground. */
function shutFaces(
  corners: Int32Array,
  normals: readonly Vec3[],
  over: (n: number) => number,
  lies: Uint8Array,
): Uint8Array {
  const count = normals.length;
  const byEdge = new Map<string, number>();
  const face = Array.from({ length: count }, (_, i) => i);
  const root = (i: number): number => (face[i] === i ? i : (face[i] = root(face[i]!)));
  const alike = Math.cos((ONE_FACE * Math.PI) / 180);
  for (let i = 0; i < count; i++)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [corners[3 * i + k]!, corners[3 * i + ((k + 1) % 3)]!];
      const key = `${Math.min(a, b)} ${Math.max(a, b)}`;
      const other = byEdge.get(key);
      byEdge.set(key, i);
      if (other === undefined) continue;
      const [p, q] = [normals[i]!, normals[other]!];
      if (p[0] * q[0] + p[1] * q[1] + p[2] * q[2] > alike) face[root(i)] = root(other);
    }
  const atGround = new Map<number, Set<number>>();
  for (let i = 0; i < count; i++) {
    if (lies[i] === 1) continue;
    const set = atGround.get(root(i)) ?? new Set<number>();
    for (let k = 0; k < 3; k++) if (over(corners[3 * i + k]!) < NEAR_GROUND) set.add(corners[3 * i + k]!);
    atGround.set(root(i), set);
  }
  return Uint8Array.from({ length: count }, (_, i) => ((atGround.get(root(i))?.size ?? 0) >= SHUT_NODES ? 1 : 0));
}

/**
 * A single slope is pushed or lifted mostly at its windward edge: the standard puts the force a quarter of the depth behind
 * it. As a triangle over the first three quarters, whose middle lies there.
 * @param depth 0 at the windward edge to 1
 */
const windwardShare = (depth: number): number => Math.max(0, (8 / 3) * (1 - depth / 0.75));

/**
 * Pressure of a canopy law on each panel along its right-hand normal, Pa. Every slope's whole force is the standard's; the
 * rim bears more of it than the middle, a single slope's windward part more than its lee.
 * @param toward unit vector the wind blows toward
 * @param q      velocity pressure, Pa
 */
export function canopyPressures(law: CanopyLaw, roof: RoofForWind, toward: Vec3, q: number): Float64Array {
  const { area, middle, shape } = roof;
  const count = area.length;
  const out = new Float64Array(count);
  let [near, far] = [Infinity, -Infinity];
  const along = (i: number): number => middle[2 * i]! * toward[0] + middle[2 * i + 1]! * toward[1];
  for (let i = 0; i < count; i++) {
    if (roof.lies[i] === 1) continue;
    [near, far] = [Math.min(near, along(i)), Math.max(far, along(i))];
  }
  const reach = Math.max(far - near, 1e-9);
  let [whole, shared] = [0, 0];
  const share = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    if (roof.lies[i] === 1) continue;
    const wind = shape === 'one slope' && roof.shut[i] === 0 ? windwardShare((along(i) - near) / reach) : 1;
    share[i] = wind * (roof.rim[i] === 1 ? RIM_HEAVIER : 1);
    whole += area[i]!;
    shared += area[i]! * share[i]!;
  }
  for (let i = 0; i < count; i++) {
    if (roof.lies[i] === 1) continue;
    const upwind = -(roof.faces[2 * i]! * toward[0] + roof.faces[2 * i + 1]! * toward[1]);
    const c = canopyCoefficient(law, shape, roof.slope[i]!, upwind, roof.shut[i] === 1);
    out[i] = -roof.side * q * c * share[i]! * (whole / shared);
  }
  return out;
}

/** Force of pressures on a cloth, N: along the wind and up. */
export function windForce(
  corners: Int32Array,
  at: Float64Array,
  pressure: ArrayLike<number>,
  toward: Vec3,
): { readonly drag: number; readonly lift: number } {
  let [drag, lift] = [0, 0];
  for (let i = 0; i < pressure.length; i++) {
    const { normal, area } = normalOf(corners, at, i);
    drag += pressure[i]! * area * (normal[0] * toward[0] + normal[1] * toward[1] + normal[2] * toward[2]);
    lift += pressure[i]! * area * normal[2];
  }
  return { drag, lift };
}
