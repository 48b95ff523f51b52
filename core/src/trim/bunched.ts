import type { PitchModel, PitchState } from '../pitch/index.js';

/** How much cloth is gathered in creases and slack: as an area, m², of all that there is, and where most of it is. */
export interface Bunched {
  readonly area: number;
  readonly of: number;
  /** The tie-out nearest to the worst of it. */
  readonly near: string;
}

/**
 * Cloth that a roof has too much of, piece by piece: by how much each panel is narrower in space than it is cut, from the two
 * principal stretches of its places. Nothing of the solver's own stresses or states is asked.
 */
export function bunchedIn(
  { mesh, layout }: Pick<PitchModel, 'mesh' | 'layout'>,
  { numbers: { at } }: PitchState,
): Bunched {
  const { corners, flat } = mesh;
  let [area, of, most] = [0, 0, 0];
  let where: readonly [number, number] = [0, 0];
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [corners[t]!, corners[t + 1]!, corners[t + 2]!];
    const d = (n: number, m: number, k: 0 | 1): number => flat[2 * m + k]! - flat[2 * n + k]!;
    const e = (n: number, m: number, k: number): number => at[3 * m + k]! - at[3 * n + k]!;
    const [u0, u1, v0, v1] = [d(a, b, 0), d(a, b, 1), d(a, c, 0), d(a, c, 1)];
    const twice = u0 * v1 - u1 * v0;
    // columns of the gradient of places by places on the flat cloth
    const col = (k: number): readonly [number, number] => [
      (e(a, b, k) * v1 - e(a, c, k) * u1) / twice,
      (-e(a, b, k) * v0 + e(a, c, k) * u0) / twice,
    ];
    const [x, y, z] = [col(0), col(1), col(2)];
    const g = (i: 0 | 1, j: 0 | 1): number => x[i] * x[j] + y[i] * y[j] + z[i] * z[j];
    const [p, q, r] = [g(0, 0), g(1, 1), g(0, 1)];
    const spread = Math.hypot((p - q) / 2, r);
    const narrow = (square: number): number => Math.max(0, 1 - Math.sqrt(Math.max(0, square)));
    const panel = Math.abs(twice) / 2;
    const lost = panel * (narrow((p + q) / 2 - spread) + narrow((p + q) / 2 + spread));
    area += lost;
    of += panel;
    if (lost / panel > most) {
      most = lost / panel;
      where = [
        (flat[2 * a]! + flat[2 * b]! + flat[2 * c]!) / 3,
        (flat[2 * a + 1]! + flat[2 * b + 1]! + flat[2 * c + 1]!) / 3,
      ];
    }
  }
  const away = (f: readonly [number, number]): number => Math.hypot(f[0] - where[0], f[1] - where[1]);
  const near = layout.plan.keys.reduce((m, k) => (away(k.flat) < away(m.flat) ? k : m)).name;
  return { area, of, near };
}
