import type { Vec3 } from '../../quantity/index.js';
import type { Step } from '../knot.js';
import type { Bar, Path } from '../rope.js';
import { cross, unit } from '../rope.js';

const sin = (degrees: number): number => Math.sin((degrees * Math.PI) / 180);
const cos = (degrees: number): number => Math.cos((degrees * Math.PI) / 180);

/** How far from the middle of a trunk a rope on its bark runs. */
export const ON_BARK = 3.6;
/** A trunk about the upright. */
export const TRUNK: Bar = { is: 'trunk', from: [0, -16, 0], to: [0, 16, 0], radius: 3 };

/** A place about the upright, degrees: 0 toward the tier, 90 to the right, 180 behind, 270 to the left. */
export const at = (degrees: number, y: number, r = ON_BARK): Vec3 => [r * sin(degrees), y, r * cos(degrees)];
/** About the upright from one bearing to another, every 45 degrees, rising or falling. */
export function round(from: number, to: number, y0: number, y1: number, r = ON_BARK): Path {
  const parts = Math.max(1, Math.round(Math.abs(to - from) / 45));
  return Array.from({ length: parts + 1 }, (_, k) =>
    at(from + ((to - from) * k) / parts, y0 + ((y1 - y0) * k) / parts, r),
  );
}
/** About a bar along x, degrees: 0 toward the tier, 90 on top, 180 behind, 270 below. */
export function about(
  from: number,
  to: number,
  x0: number,
  x1: number,
  r: number,
  [y, z]: readonly [number, number] = [0, 0],
): Path {
  const parts = Math.max(1, Math.round(Math.abs(to - from) / 45));
  return Array.from({ length: parts + 1 }, (_, k): Vec3 => {
    const a = from + ((to - from) * k) / parts;
    return [x0 + ((x1 - x0) * k) / parts, y + r * sin(a), z + r * cos(a)];
  });
}
/** A path moved, and made larger about its own zero. */
export const put = (path: Path, [x, y, z]: Vec3, scale = 1): Path =>
  path.map(([a, b, c]): Vec3 => [x + scale * a, y + scale * b, z + c]);
/** The same, half a turn about the way to the eye. */
export const halfTurned = (path: Path): Path => path.map(([x, y, z]): Vec3 => [-x, -y, z]);
/** A path beside another, flat on what is seen. */
export function flatBeside(path: Path, by: number): Path {
  return path.map((p, k): Vec3 => {
    const [a, b] = [path[Math.max(0, k - 1)]!, path[Math.min(path.length - 1, k + 1)]!];
    const n = unit(cross(unit([b[0] - a[0], b[1] - a[1], b[2] - a[2]]), [0, 0, 1]));
    return [p[0] + by * n[0], p[1] + by * n[1], p[2] + by * n[2]];
  });
}

/** Step by which a working end goes on. */
export const thread = (says: string, ...through: Path): Step => ({ says, rope: 0, adds: { how: 'thread', through } });
/** The same of the other rope. */
export const other = (says: string, ...through: Path): Step => ({ says, rope: 1, adds: { how: 'thread', through } });

/**
 * A half hitch about a line along x at a place, from below and in front, its end out through the eye it makes and on in front of itself.
 * @param z of the line
 */
export const halfHitch = (x: number, z: number): Path => [
  ...(
    [
      [-1, -2.2, 1.2],
      [0, 0, 1.4],
      [0.2, 1.4, 0.1],
      [-0.3, 0, -1.4],
      [-1.7, -1.3, -1.2],
      [-2.5, -1.6, 0.4],
      [-1.1, -2.3, 2.6],
      [1, -2.3, 1.9],
    ] as const
  ).map(([a, b, c]): Vec3 => [x + a, b, z + c]),
];
/** The same slipped: a bight goes out through its eye. */
export const slippedHitch = (
  says: readonly [string, string],
  x: number,
  z: number,
  rope: 0 | 1 = 0,
): readonly Step[] => [
  {
    says: says[0],
    rope,
    adds: {
      how: 'thread',
      through: (
        [
          [-1, -2.6, 1.4],
          [0, 0, 1.5],
          [0.2, 1.5, 0.1],
          [-0.3, 0, -1.5],
          [-1.6, -1.3, -1.6],
        ] as const
      ).map(([a, b, c]): Vec3 => [x + a, b, z + c]),
    },
  },
  {
    says: says[1],
    rope,
    adds: {
      how: 'bight',
      beside: [1, 0, 0],
      through: (
        [
          [-2.2, -1.7, 0.2],
          [-1.8, -2.4, 2.6],
          [-1, -3.6, 4.6],
          [-0.4, -4.8, 5.4],
        ] as const
      ).map(([a, b, c]): Vec3 => [x + a, b, z + c]),
      then: (
        [
          [-2.6, -4.6, -2.6],
          [-2.4, -7, -1.6],
        ] as const
      ).map(([a, b, c]): Vec3 => [x + a, b, z + c]),
    },
  },
];

/** An overhand knot flat on what is seen, from the right to the left: over itself, under, through. */
export const OVERHAND: Path = [
  [4, 0, 0],
  [-4, 0, 0],
  [-5, 1.6, 0],
  [-3.4, 3.8, 0],
  [0, 4.1, 0],
  [2.8, 2.9, 0.7],
  [3.1, 0, 1.3],
  [2.6, -2.5, 0.6],
  [0.5, -3.6, -0.4],
  [-1, -1.8, -1],
  [-1.3, 0, -1.3],
  [-1.4, 2, 0.1],
  [-1.8, 4.1, 1.3],
  [-3, 6.2, 0.8],
];
/** A figure eight, the same way. */
export const EIGHT: Path = [
  [4, 0, 0],
  [0, 0, 0],
  [-3, 0, 0],
  [-5, 1.5, 0],
  [-4, 3.5, 0],
  [-1.5, 3.4, 0.5],
  [-0.2, 1.6, 1],
  [0, 0, 1.3],
  [1, -2.8, 0.6],
  [3, -3.5, -0.4],
  [4.1, -1.6, -1],
  [4.2, 0, -1.3],
  [4.5, 3, -0.6],
  [2, 5.2, 0.3],
  [-1.6, 5.4, 1],
  [-3.1, 4.4, 1.4],
  [-3, 2.4, 0.8],
  [-2.3, 0, -1.3],
  [-3, -2.2, -0.7],
  [-6, -3, 0],
];
