import type { Vec3 } from '../quantity/index.js';
import type { Wall, WallKind } from './document.js';

/** Cloth, or anything else rain does not fall through: three nodes a panel, and their places, m. */
export interface Sheet {
  readonly corners: Int32Array;
  readonly at: ArrayLike<number>;
}

type Plan = readonly [number, number];

/** Both ends of a wall on the plan, m. */
export function endsOf({ at, toward, length }: Wall): readonly [Plan, Plan] {
  const [u, v] = [(Math.cos(toward) * length) / 2, (Math.sin(toward) * length) / 2];
  return [
    [at[0] - u, at[1] - v],
    [at[0] + u, at[1] + v],
  ];
}

/**
 * Cloth and walls together, as rain meets them: a wall is an upright sheet from the ground to its top. Brush keeps off what drives in
 * as long as one cannot see through it: judgement.
 * @param ground height of the ground, m
 */
export function withWalls(cloth: Sheet, walls: readonly Wall[], ground: (x: number, y: number) => number): Sheet {
  if (walls.length === 0) return cloth;
  const nodes = cloth.at.length / 3;
  const corners = [...cloth.corners];
  const at = Array.from(cloth.at);
  walls.forEach((wall, k) => {
    const n = nodes + 4 * k;
    for (const [x, y] of endsOf(wall)) at.push(x, y, ground(x, y), x, y, ground(x, y) + wall.height);
    corners.push(n, n + 2, n + 3, n, n + 3, n + 1);
  });
  return { corners: Int32Array.from(corners), at: Float64Array.from(at) };
}

/** Wind that is left behind a wall, by its distance in heights of the wall. */
type Lee = readonly (readonly [heights: number, left: number])[];

/**
 * Share of the open wind's speed near the ground behind a long wall, across which it blows. Brush as dense as a good hedge, some half of
 * it open: Heisler and DeWalle, Agriculture, Ecosystems and Environment 22/23, 1988, from many measured breaks, as remembered; a bank
 * lets nothing through, but the wind comes down again sooner behind it. Judgement, give or take 0.15.
 */
export const LEE: Readonly<Record<WallKind, Lee>> = {
  brush: [
    [0, 0.5],
    [2, 0.4],
    [4, 0.35],
    [6, 0.4],
    [10, 0.6],
    [15, 0.75],
    [20, 0.85],
    [30, 1],
  ],
  bank: [
    [0, 0.3],
    [2, 0.2],
    [4, 0.35],
    [7, 0.6],
    [10, 0.75],
    [15, 0.9],
    [20, 1],
  ],
};

/** Share of the wind that is left so many heights behind a wall. */
export function leftBehind(kind: WallKind, heights: number): number {
  const lee = LEE[kind];
  const k = lee.findIndex(([h]) => h >= heights);
  if (k < 0) return 1;
  if (k === 0) return lee[0]![1];
  const [[h0, a], [h1, b]] = [lee[k - 1]!, lee[k]!];
  return a + ((heights - h0) / (h1 - h0)) * (b - a);
}

/**
 * Share of the wind that comes to a place past the walls that stand to windward of it, along one way: 1 where none does.
 * @param from   the place, m
 * @param way    toward where the wind comes from, a unit vector of the plan
 * @param ground height of the ground, m
 */
export function windPast(
  walls: readonly Wall[],
  from: Vec3,
  [dx, dy]: Plan,
  ground: (x: number, y: number) => number,
): number {
  let left = 1;
  for (const wall of walls) {
    const [[ax, ay], [bx, by]] = endsOf(wall);
    const [ex, ey] = [bx - ax, by - ay];
    const across = dx * ey - dy * ex;
    if (Math.abs(across) < 1e-9) continue;
    const [ox, oy] = [ax - from[0], ay - from[1]];
    const away = (ox * ey - oy * ex) / across;
    const along = (ox * dy - oy * dx) / across;
    if (away < 0 || along < 0 || along > 1) continue;
    // it shelters what is lower than its top
    if (from[2] > ground(from[0] + away * dx, from[1] + away * dy) + wall.height) continue;
    left = Math.min(left, leftBehind(wall.kind, away / wall.height));
  }
  return left;
}
