import type { Vec3 } from '../quantity/index.js';
import type { Moment, Tied } from './tie.js';

/** From where it is looked at: turned about the upright, and tipped, rad. 0, 0 is the tier's own eye. */
export interface Look {
  readonly turn: number;
  readonly tip: number;
  /** Seen by who ties with the left hand. */
  readonly left: boolean;
}

/** A stroke of a picture of rope: a short piece, far ones first. */
export interface RopeStroke {
  readonly is: 'rope' | 'other' | 'moved' | 'trunk' | 'line' | 'stick' | 'peg' | 'fitting';
  readonly points: readonly (readonly [x: number, y: number])[];
  readonly wide: number;
}
export interface RopePicture {
  readonly width: number;
  readonly height: number;
  readonly strokes: readonly RopeStroke[];
}

/** Nodes a stroke: short enough that near and far never change along it. */
const PIECE = 3;

/** Turns space as it is looked at: x to the right, y up, z to the eye. */
export function seenFrom({ turn, tip, left }: Look): (p: Vec3) => Vec3 {
  const [ct, st, cp, sp] = [Math.cos(turn), Math.sin(turn), Math.cos(tip), Math.sin(tip)];
  return ([x0, y, z]) => {
    const x = left ? -x0 : x0;
    const [x1, z1] = [ct * x + st * z, ct * z - st * x];
    return [x1, cp * y - sp * z1, sp * y + cp * z1];
  };
}

/** A moment of the tying drawn flat, what is near over what is far. Its frame is that of the whole knot: nothing jumps from step to step. */
export function drawnAt(
  tied: Tied,
  moment: Moment,
  look: Look,
  [width, height]: readonly [number, number],
): RopePicture {
  const see = seenFrom(look);
  const all = tied.loose.flat().map(see);
  const [x0, x1] = [Math.min(...all.map((p) => p[0])) - 1, Math.max(...all.map((p) => p[0])) + 1];
  const [y0, y1] = [Math.min(...all.map((p) => p[1])) - 1, Math.max(...all.map((p) => p[1])) + 1];
  const scale = Math.min(width / (x1 - x0), height / (y1 - y0));
  const put = (p: Vec3): readonly [number, number] => [
    width / 2 + scale * (p[0] - (x0 + x1) / 2),
    height / 2 - scale * (p[1] - (y0 + y1) / 2),
  ];
  const pieces: (RopeStroke & { readonly near: number })[] = [];
  const add = (is: RopeStroke['is'], points: readonly Vec3[], wide: number): void => {
    const near = points.reduce((sum, p) => sum + p[2], 0) / points.length;
    pieces.push({ is, points: points.map(put), wide: scale * wide, near });
  };
  for (const bar of tied.bars) {
    const parts = Math.max(1, Math.round(Math.hypot(...([0, 1, 2] as const).map((c) => bar.to[c] - bar.from[c]))));
    const at = (k: number): Vec3 =>
      see([0, 1, 2].map((c) => bar.from[c]! + ((bar.to[c]! - bar.from[c]!) * k) / parts) as unknown as Vec3);
    for (let k = 0; k < parts; k++) add(bar.is, [at(k), at(k + 1)], 2 * bar.radius);
  }
  moment.ropes.forEach((rope, r) => {
    const seen = rope.map(see);
    const moved = moment.moved[r] ?? [];
    for (let k = 0; k + 1 < seen.length; k += PIECE) {
      const now = moved.some(([from, to]) => k >= from && k <= to);
      const is = now ? 'moved' : r === 0 ? 'rope' : 'other';
      add(is, seen.slice(k, k + PIECE + 1), 1);
    }
  });
  pieces.sort((a, b) => a.near - b.near);
  return { width, height, strokes: pieces.map(({ is, points, wide }) => ({ is, points, wide })) };
}
