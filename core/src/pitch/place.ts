import type { Vec3 } from '../quantity/index.js';
import type { FormPlan, Key } from '../roof/index.js';

/** How a place of the flat cloth lies in one of its pieces: shares of its second and its third corner. */
export function inPiece([a, b, c]: readonly [Key, Key, Key], s: number, t: number): readonly [v: number, w: number] {
  const twice = (b.flat[0] - a.flat[0]) * (c.flat[1] - a.flat[1]) - (c.flat[0] - a.flat[0]) * (b.flat[1] - a.flat[1]);
  return [
    ((s - a.flat[0]) * (c.flat[1] - a.flat[1]) - (c.flat[0] - a.flat[0]) * (t - a.flat[1])) / twice,
    ((b.flat[0] - a.flat[0]) * (t - a.flat[1]) - (s - a.flat[0]) * (b.flat[1] - a.flat[1])) / twice,
  ];
}
export const keysOf = (piece: readonly string[], byId: ReadonlyMap<string, Key>): [Key, Key, Key] =>
  piece.map((id) => byId.get(id)!) as [Key, Key, Key];

/** Where a form has each place of the flat cloth, m: in the flat piece that it lies in. */
export function placesOf({ keys, facets }: Pick<FormPlan, 'keys' | 'facets'>): (s: number, t: number) => Vec3 {
  const byId = new Map(keys.map((k) => [k.id, k]));
  const pieces = facets.map((f) => keysOf(f, byId));
  return (s, t) => {
    let best: Vec3 = [0, 0, 0];
    let inside = Number.NEGATIVE_INFINITY;
    for (const piece of pieces) {
      const [a, b, c] = piece;
      const [v, w] = inPiece(piece, s, t);
      const least = Math.min(v, w, 1 - v - w);
      if (least <= inside + 1e-9) continue;
      inside = least;
      best = [0, 1, 2].map((k) => a.at[k]! + v * (b.at[k]! - a.at[k]!) + w * (c.at[k]! - a.at[k]!)) as unknown as Vec3;
    }
    return best;
  };
}
