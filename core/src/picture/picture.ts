export type Point = readonly [x: number, y: number];

/** What a stroke stands for: whoever shows it has a pen for each. */
export type Pen = 'ground' | 'trunk' | 'cloth' | 'hem' | 'line' | 'now' | 'stick' | 'bed' | 'foot' | 'guide' | 'body';

/** What one pen draws of a picture, in the picture's own units, y down. */
export interface Stroke {
  readonly pen: Pen;
  readonly rings: readonly (readonly Point[])[];
  readonly closed: boolean;
}

/** A small true picture of a rig, to scale. */
export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly strokes: readonly Stroke[];
}

/** How metres, y up, lie on a picture. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  /** Units of the picture a metre. */
  readonly scale: number;
  readonly put: (at: Point) => Point;
}

/** Room at the edges, share of the smaller side. */
const EDGE = 0.06;

/** The frame in which all of some places are seen as large as they can be, in the middle. @param all m, y up */
export function frameOf(all: readonly Point[], [width, height]: readonly [number, number]): Frame {
  const [xs, ys] = [all.map((p) => p[0]), all.map((p) => p[1])];
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const edge = EDGE * Math.min(width, height);
  const scale = Math.min((width - 2 * edge) / Math.max(x1 - x0, 0.1), (height - 2 * edge) / Math.max(y1 - y0, 0.1));
  const left = (width - scale * (x1 - x0)) / 2;
  const bottom = height - (height - scale * (y1 - y0)) / 2;
  return { width, height, scale, put: ([x, y]) => [left + scale * (x - x0), bottom - scale * (y - y0)] };
}
