import { BODY_PARTS, SITTING_WIDE } from '../catalogue/index.js';

/** Weight spread evenly over a piece of the cloth. Places along the unstressed cloth from its first end, m. */
export interface LoadPiece {
  readonly from: number;
  readonly to: number;
  /** N. */
  readonly force: number;
}

/** Where a person's weight acts along them, share of stature from the top of the head. */
export const CENTRE_OF_MASS: number = (() => {
  let before = 0;
  let sum = 0;
  for (const p of BODY_PARTS) {
    sum += (p.mass * (before + p.to)) / 2;
    before = p.to;
  }
  return sum;
})();

/**
 * Where someone lies on the cloth: top of the head and soles, m along it, their weight over its middle.
 * @param length of the cloth, m
 * @param head   which end the head is at
 */
export function lyingPlace(
  length: number,
  stature: number,
  head: 0 | 1,
): { readonly head: number; readonly feet: number } {
  const away = head === 0 ? -1 : 1;
  const top = length / 2 + away * CENTRE_OF_MASS * stature;
  return { head: top, feet: top - away * stature };
}

/** Weight of someone lying: parts of the body in turn along the cloth. @param weight N */
export function lyingLoad(length: number, stature: number, head: 0 | 1, weight: number): LoadPiece[] {
  const place = lyingPlace(length, stature, head);
  const along = Math.sign(place.feet - place.head);
  let before = 0;
  return BODY_PARTS.map((p) => {
    const a = place.head + along * before * stature;
    const b = place.head + along * p.to * stature;
    before = p.to;
    return { from: Math.min(a, b), to: Math.max(a, b), force: p.mass * weight };
  });
}

/** Weight of someone sitting across the cloth. @param at place along it, m */
export function sittingLoad(at: number, weight: number): LoadPiece[] {
  return [{ from: at - SITTING_WIDE / 2, to: at + SITTING_WIDE / 2, force: weight }];
}

/**
 * Shares the pieces out to nodes evenly spaced along the cloth, each bearing what lies nearest: sum and moment are kept.
 * What reaches past an end counts there.
 * @param parts number of pieces of cloth between the nodes
 * @returns     N, parts + 1 of them
 */
export function shareOut(pieces: readonly LoadPiece[], length: number, parts: number): Float64Array {
  const out = new Float64Array(parts + 1);
  const step = length / parts;
  for (const p of pieces) {
    const density = p.force / (p.to - p.from);
    for (let k = 0; k < parts; k++) {
      const a = Math.max(p.from, k * step);
      const b = Math.min(p.to, (k + 1) * step);
      if (!(b > a)) continue;
      const force = density * (b - a);
      const right = (0.5 * (a + b) - k * step) / step;
      out[k]! += force * (1 - right);
      out[k + 1]! += force * right;
    }
    out[0]! += density * Math.max(0, Math.min(p.to, 0) - p.from);
    out[parts]! += density * Math.max(0, p.to - Math.max(p.from, length));
  }
  return out;
}
