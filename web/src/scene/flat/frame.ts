import { endsOf } from '@rough-bight/core/around';
import type { RidgeRig } from '@rough-bight/core/rig';
import type { BedShape, Drawing } from '@rough-bight/core/shelter';

/** The flat views of a rig. */
export type FlatView = 'side' | 'above';

/** Metres to pixels of one view: across the picture and up it. */
export interface Frame {
  readonly view: FlatView;
  readonly width: number;
  readonly height: number;
  /** Pixels a metre. */
  readonly scale: number;
  /** Pixel column and row of the first trunk's foot. */
  readonly x0: number;
  readonly y0: number;
}
/** A place on the picture, px. */
export type Point = readonly [number, number];

/** Room at the edges, clear of the buttons of the views: left, top, right, bottom, px. */
const ROOM = { side: [64, 40, 64, 96], above: [56, 72, 56, 60] } as const;

/** Fits everything the rig has, and one beside it, into a picture. */
export function fitFrame(
  view: FlatView,
  [width, height]: Point,
  rig: RidgeRig,
  span: number,
  drawings: readonly (Drawing | null)[],
  bed: BedShape | null,
  room: readonly [left: number, top: number, right: number, bottom: number] = ROOM[view],
): Frame {
  let [x0, x1, y0, y1] = [0, span, 0, 0];
  const take = (x: number, y: number): void => {
    x0 = Math.min(x0, x);
    x1 = Math.max(x1, x);
    y0 = Math.min(y0, y);
    y1 = Math.max(y1, y);
  };
  if (view === 'side') {
    take(span, rig.groundRise);
    take(0, Math.max(rig.trunks[0].tieHeight, rig.groundRise + rig.trunks[1].tieHeight) + 0.5);
  } else if (rig.pitch === undefined) for (const y of [-1.5, 1.5]) take(0, y);
  for (const end of (rig.walls ?? []).flatMap(endsOf)) take(end[0], view === 'side' ? 0 : end[1]);
  if (rig.fire !== undefined) take(rig.fire.at[0], view === 'side' ? 0 : rig.fire.at[1]);
  // a pole's stays reach beyond the span
  for (const pole of bed?.poles ?? [])
    for (const { foot } of pole.stays) take(foot[0], view === 'side' ? foot[2] : foot[1]);
  if (drawings[0] === null) take(span, view === 'side' ? 2 : 1.5);
  for (const one of drawings) {
    if (one === null) continue;
    const { at } = one.shapes[0]!;
    for (let n = 0; n < one.topology.clothNodes; n++) take(at[3 * n]!, at[3 * n + (view === 'side' ? 2 : 1)]!);
    for (const g of one.guys) take(g.foot[0], view === 'side' ? g.foot[2] : g.foot[1]);
  }
  const [left, top, right, bottom] = room;
  const scale = Math.max(8, Math.min((width - left - right) / (x1 - x0), (height - top - bottom) / (y1 - y0)));
  return {
    view,
    width,
    height,
    scale,
    x0: left + (width - left - right - (x1 - x0) * scale) / 2 - x0 * scale,
    y0:
      view === 'side'
        ? height - bottom + y0 * scale
        : top + (height - top - bottom - (y1 - y0) * scale) / 2 + y1 * scale,
  };
}

export const across = (f: Frame, x: number): number => f.x0 + x * f.scale;
export const upward = (f: Frame, y: number): number => f.y0 - y * f.scale;
/** Where a node of the net is on the picture. */
export const place = (f: Frame, at: ArrayLike<number>, n: number): Point => [
  across(f, at[3 * n]!),
  upward(f, at[3 * n + (f.view === 'side' ? 2 : 1)]!),
];
export const svg = ([x, y]: Point): string => `${x.toFixed(1)} ${y.toFixed(1)}`;
/** A path through nodes of the net. */
export const through = (f: Frame, at: ArrayLike<number>, nodes: readonly number[]): string =>
  `M${nodes.map((n) => svg(place(f, at, n))).join('L')}`;
