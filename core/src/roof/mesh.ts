/**
 * A cloth cut into triangles, flat as it lies unstressed. Coordinates along (s) and across (t) from the middle, m; every
 * triangle turns from s to t, so that its right-hand normal points up when the cloth lies face up.
 */
export interface Mesh {
  /** 2 a node. */
  readonly flat: Float64Array;
  /** 3 nodes a triangle. */
  readonly corners: Int32Array;
  readonly columns: number;
  readonly rows: number;
  /** The node at a spot of the cloth as it was before its edges were hollowed, or -1. */
  readonly nodeAt: (s: number, t: number) => number;
}

/** Spots closer than this share one line of the grid, m. */
const SAME = 0.02;

/** Lines of the grid through all wanted places, and between them so that no gap is wider than `step`. */
function lines(half: number, wanted: readonly number[], step: number): number[] {
  const fixed: number[] = [-half];
  for (const w of [...wanted].sort((a, b) => a - b)) if (w > fixed.at(-1)! + SAME && w < half - SAME) fixed.push(w);
  fixed.push(half);
  const out: number[] = [-half];
  for (let i = 1; i < fixed.length; i++) {
    const from = fixed[i - 1]!;
    const gap = fixed[i]! - from;
    const parts = Math.max(1, Math.ceil(gap / step - 1e-6));
    for (let k = 1; k <= parts; k++) out.push(from + (gap * k) / parts);
  }
  return out;
}

/**
 * Meshes a rectangle of cloth.
 * @param spots    places that must be nodes: tie-outs, ends of folds, m
 * @param parts    squares wanted along each side
 * @param diagonal true lays every cell's diagonal along the cloth's own, from the first corner to the last, and cuts
 *                 both sides into the same shares: for a fold from corner to corner
 * @param hollow   how far the middle of each edge is cut inward, m
 */
export function meshCloth(
  length: number,
  width: number,
  spots: readonly (readonly [number, number])[],
  parts: number,
  diagonal: boolean,
  hollow = 0,
): Mesh {
  // the axes are always lines of the grid: what is symmetric stays so
  const wanted: readonly (readonly [number, number])[] = [...spots, [0, 0]];
  const share = [...wanted.map(([s]) => s / length), ...wanted.map(([, t]) => t / width)];
  const ss = diagonal
    ? lines(0.5, share, 1 / parts).map((x) => x * length)
    : lines(
        length / 2,
        wanted.map(([s]) => s),
        length / parts,
      );
  const ts = diagonal
    ? lines(0.5, share, 1 / parts).map((x) => x * width)
    : lines(
        width / 2,
        wanted.map(([, t]) => t),
        width / parts,
      );
  const columns = ss.length - 1;
  const rows = ts.length - 1;
  const flat = new Float64Array(2 * ss.length * ts.length);
  const at = (i: number, j: number): number => j * ss.length + i;
  for (let j = 0; j <= rows; j++)
    for (let i = 0; i <= columns; i++) {
      const [s, t] = [ss[i]!, ts[j]!];
      // hollow edges draw the grid in smoothly, most at the middle of each edge and nothing on the axes
      const p = (2 * s) / length;
      const q = (2 * t) / width;
      flat[2 * at(i, j)] = s - hollow * p * Math.abs(p) * (1 - q * q);
      flat[2 * at(i, j) + 1] = t - hollow * q * Math.abs(q) * (1 - p * p);
    }
  const corners = new Int32Array(6 * columns * rows);
  let k = 0;
  for (let j = 0; j < rows; j++)
    for (let i = 0; i < columns; i++) {
      const [a, b, c, d] = [at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j + 1)];
      // mirrored in both axes, so that what is symmetric stays so
      const rising = diagonal || (ss[i]! + ss[i + 1]!) * (ts[j]! + ts[j + 1]!) > 0;
      corners.set(rising ? [a, b, c, a, c, d] : [a, b, d, b, c, d], k);
      k += 6;
    }
  return {
    flat,
    corners,
    columns,
    rows,
    nodeAt: (s, t) => {
      const i = ss.findIndex((x) => Math.abs(x - s) <= 1.5 * SAME);
      const j = ts.findIndex((x) => Math.abs(x - t) <= 1.5 * SAME);
      return i < 0 || j < 0 ? -1 : at(i, j);
    },
  };
}

/** Sides that belong to one panel only, as pairs of nodes: the hem. @param corners 3 nodes a panel */
export function hemOf(corners: ArrayLike<number>): (readonly [number, number])[] {
  const sides = new Map<string, readonly [number, number, number]>();
  for (let t = 0; t < corners.length; t += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [corners[t + k]!, corners[t + ((k + 1) % 3)]!];
      const key = a < b ? `${a} ${b}` : `${b} ${a}`;
      sides.set(key, [a, b, (sides.get(key)?.[2] ?? 0) + 1]);
    }
  return [...sides.values()].flatMap(([a, b, times]) => (times === 1 ? [[a, b] as const] : []));
}
