import type { At, Place } from '@rough-bight/core/ground';
import { isArea } from '@rough-bight/core/ground';

/** A view from above to one scale, north up. */
export interface PlanView {
  readonly width: number;
  readonly height: number;
  /** Pixels a metre. */
  readonly scale: number;
  /** What stands in the middle, m. */
  readonly middle: At;
}
export const SCALES = { least: 2, most: 160 } as const;

export const planX = (v: PlanView, east: number): number => v.width / 2 + (east - v.middle[0]) * v.scale;
export const planY = (v: PlanView, north: number): number => v.height / 2 - (north - v.middle[1]) * v.scale;
export const planAt = (v: PlanView, x: number, y: number): At => [
  v.middle[0] + (x - v.width / 2) / v.scale,
  v.middle[1] - (y - v.height / 2) / v.scale,
];

/** Room for the scale and its buttons, px. */
const FOOT = 66;

/** Everything of a place, or ten metres round its zero where nothing is drawn. */
export function fitPlan(place: Place, width: number, height: number): PlanView {
  let [west, east, south, north] = [Infinity, -Infinity, Infinity, -Infinity];
  const take = (e: number, n: number): void => {
    west = Math.min(west, e);
    east = Math.max(east, e);
    south = Math.min(south, n);
    north = Math.max(north, n);
  };
  for (const t of place.things) {
    take(t.at[0], t.at[1]);
    if (isArea(t)) for (const p of t.outline) take(t.at[0] + p[0], t.at[1] + p[1]);
  }
  if (place.things.length === 0) [west, east, south, north] = [-8, 8, -6, 6];
  const room = 46;
  const scale = Math.min(
    60,
    (width - 2 * room) / Math.max(6, east - west),
    (height - room - FOOT) / Math.max(5, north - south),
  );
  const held = Math.max(SCALES.least, scale);
  return { width, height, scale: held, middle: [(west + east) / 2, (south + north) / 2 - (FOOT - room) / 2 / held] };
}

/** The view that a picture of another is when it is moved and made larger: x becomes k x + x0, y becomes k y + y0, px. */
export function movedView(
  v: PlanView,
  { k, x, y }: { readonly k: number; readonly x: number; readonly y: number },
): PlanView {
  const scale = v.scale * k;
  return {
    ...v,
    scale,
    middle: [v.middle[0] - (((k - 1) * v.width) / 2 + x) / scale, v.middle[1] + (((k - 1) * v.height) / 2 + y) / scale],
  };
}

/** Distance between grid lines, m: one, two, five, ten … of the unit, at least 26 pixels apart. */
export function gridStep(v: PlanView, unit: number): number {
  for (let power = 1; ; power *= 10)
    for (const k of [1, 2, 5]) if (k * power * unit * v.scale >= 26) return k * power * unit;
}

/** Through points of the ground. */
export function planPath(v: PlanView, points: readonly At[], closed = false): string {
  return (
    points.map((p, i) => `${i === 0 ? 'M' : 'L'}${planX(v, p[0]).toFixed(1)} ${planY(v, p[1]).toFixed(1)}`).join('') +
    (closed ? 'Z' : '')
  );
}
