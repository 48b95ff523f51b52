import type { PitchResult, PitchShape } from '@rough-bight/core/pitch';
import { hemOf } from '@rough-bight/core/roof';
import { memo, useLayoutEffect, useMemo, useRef } from 'react';
import type { ReactElement } from 'react';
import type { Palette } from '../palette.js';
import type { FlatView, Frame } from './frame.js';
import { place } from './frame.js';

/** Light comes from over the left shoulder of who looks. */
const LIGHT = [-0.35, -0.45, 0.82] as const;
/** Pixels between the strokes that hatch slack cloth. */
const HATCH = 7;

/** 0 in shadow to 1 in the light; the side that faces who looks counts. */
export function shadeOf(at: ArrayLike<number>, a: number, b: number, c: number, view: FlatView): number {
  const u = [0, 1, 2].map((k) => at[3 * b + k]! - at[3 * a + k]!) as [number, number, number];
  const v = [0, 1, 2].map((k) => at[3 * c + k]! - at[3 * a + k]!) as [number, number, number];
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]] as const;
  const size = Math.hypot(...n) || 1;
  const toward = view === 'side' ? -n[1] : n[2];
  const flip = toward < 0 ? -1 : 1;
  const lit = (flip * (n[0] * LIGHT[0] + n[1] * LIGHT[1] + n[2] * LIGHT[2])) / size;
  return Math.min(1, Math.max(0, 0.5 + 0.5 * lit));
}

/** Panels farthest from who looks first, so that the near ones hide them. */
export function farthestFirst(corners: Int32Array, at: ArrayLike<number>, view: FlatView): Uint16Array {
  const [c, sign] = view === 'side' ? [1, -1] : [2, 1];
  const depth = new Float64Array(corners.length / 3);
  for (let t = 0; t < depth.length; t++)
    depth[t] =
      sign * (at[3 * corners[3 * t]! + c]! + at[3 * corners[3 * t + 1]! + c]! + at[3 * corners[3 * t + 2]! + c]!);
  return Uint16Array.from(depth.keys()).sort((a, b) => depth[a]! - depth[b]!);
}

/** The canvas grows and shrinks by so much, px: cloth that only flutters keeps the one it has. */
const PIECE = 64;

/** Room for all panels, in whole pieces, within the picture: left, top, width and height, px. */
function roomFor(
  corners: Int32Array,
  at: ArrayLike<number>,
  frame: Frame,
): readonly [left: number, top: number, wide: number, high: number] {
  const on = [...new Set(corners)].map((node) => place(frame, at, node));
  const room = (k: 0 | 1, size: number): readonly [number, number] => {
    const low = Math.max(0, Math.floor((Math.min(...on.map((p) => p[k])) - 2) / PIECE) * PIECE);
    const high = Math.min(size, Math.ceil((Math.max(...on.map((p) => p[k])) + 2) / PIECE) * PIECE);
    return [low, Math.max(1, Math.ceil(high - low))];
  };
  const [[left, wide], [top, high]] = [room(0, frame.width), room(1, frame.height)];
  return [left, top, wide, high];
}

/** Neighbours in a row that look alike, together: what is drawn at once is drawn faster. */
export function alike(
  row: Iterable<number>,
  look: (t: number) => number,
): readonly { readonly like: number; readonly of: readonly number[] }[] {
  const runs: { like: number; of: number[] }[] = [];
  for (const t of row) {
    const like = look(t);
    const last = runs.at(-1);
    if (last?.like === like) last.of.push(t);
    else runs.push({ like, of: [t] });
  }
  return runs;
}

/** Strokes across a panel, one slant and one distance over the whole picture. */
function hatch(pen: CanvasRenderingContext2D, points: readonly (readonly [number, number])[]): void {
  // along the slant (u) and across it (v): where v is whole, a stroke
  const [cos, sin] = [Math.cos(-0.96), Math.sin(-0.96)];
  const v = points.map(([x, y]) => (-x * sin + y * cos) / HATCH);
  for (let k = Math.ceil(Math.min(...v)); k <= Math.max(...v); k++) {
    const ends: (readonly [number, number])[] = [];
    for (let i = 0; i < 3; i++) {
      const [p, q, vp, vq] = [points[i]!, points[(i + 1) % 3]!, v[i]!, v[(i + 1) % 3]!];
      if (vp < k === vq < k) continue;
      const share = (k - vp) / (vq - vp);
      ends.push([p[0] + (q[0] - p[0]) * share, p[1] + (q[1] - p[1]) * share]);
    }
    if (ends.length < 2) continue;
    pen.moveTo(...(ends[0] as [number, number]));
    pen.lineTo(...(ends[1] as [number, number]));
  }
}

/**
 * The cloth's panels, shaded by how they face the light and hatched where they are slack, drawn at once:
 * a hundred elements moved at every frame would keep the hand waiting.
 */
export const Cloth = memo(function Cloth({
  result,
  shape,
  frame,
  palette,
}: {
  readonly result: PitchResult;
  readonly shape: PitchShape;
  readonly frame: Frame;
  readonly palette: Palette;
}): ReactElement {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { corners } = result.topology;
  const hem = useMemo(() => hemOf(corners), [corners]);
  useLayoutEffect(() => {
    const dense = Math.min(3, devicePixelRatio);
    const { at, state } = shape;
    const [left, top, wide, high] = roomFor(corners, at, frame);
    const c = canvas.current!;
    const pen = c.getContext('2d');
    if (pen === null) return;
    // a new size is a new picture to the browser: only where it is one
    if (c.width !== wide * dense || c.height !== high * dense) [c.width, c.height] = [wide * dense, high * dense];
    Object.assign(c.style, { left: `${left}px`, top: `${top}px`, width: `${wide}px`, height: `${high}px` });
    pen.setTransform(dense, 0, 0, dense, -left * dense, -top * dense);
    pen.clearRect(left, top, wide, high);
    pen.lineJoin = 'round';
    for (const run of alike(farthestFirst(corners, at, frame.view), (t) => {
      const shade = shadeOf(at, corners[3 * t]!, corners[3 * t + 1]!, corners[3 * t + 2]!, frame.view);
      return 2 * Math.round(shade * 6) + (state[t] === 0 ? 1 : 0);
    })) {
      const panels = run.of.map((t) => [0, 1, 2].map((c) => place(frame, at, corners[3 * t + c]!)));
      pen.beginPath();
      for (const points of panels) {
        pen.moveTo(...(points[0] as [number, number]));
        for (const [x, y] of points) pen.lineTo(x, y);
        pen.closePath();
      }
      pen.fillStyle = pen.strokeStyle = palette.panels[run.like >> 1]!;
      pen.lineWidth = 0.7;
      pen.fill();
      pen.stroke();
      if (run.like % 2 === 0) continue;
      pen.beginPath();
      for (const points of panels) hatch(pen, points);
      pen.globalAlpha = 0.55;
      pen.lineWidth = 1;
      pen.strokeStyle = palette.tar;
      pen.stroke();
      pen.globalAlpha = 1;
    }
    pen.beginPath();
    for (const [a, b] of hem) {
      pen.moveTo(...(place(frame, at, a) as [number, number]));
      pen.lineTo(...(place(frame, at, b) as [number, number]));
    }
    pen.lineWidth = 1.2;
    pen.strokeStyle = palette.tar;
    pen.stroke();
  }, [corners, hem, shape, frame, palette]);
  return <canvas ref={canvas} aria-hidden="true" />;
});
