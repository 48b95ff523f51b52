import polygonClipping from 'polygon-clipping';
import type { Polygon } from 'polygon-clipping';
import { groundOf } from '../pitch/index.js';
import type { BodyMeasures, Vec3 } from '../quantity/index.js';
import { measuredSpan, trunksUsed, uprightOf } from '../rig/index.js';
import type { RidgeRig } from '../rig/index.js';
import { hemOf } from '../roof/index.js';
import { drawingOf, fittingsOf } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import type { Frame, Pen, Picture, Point, Stroke } from './picture.js';
import { frameOf } from './picture.js';

/** Draws one rig again and again: what is there of it, and what is drawn boldly. Rows of the ledger; all of them where left out. */
export type Draws = (there?: ReadonlySet<string>, now?: ReadonlySet<string>) => Picture;

/** How far trunks go on over their ties, m. */
const ABOVE_TIE = 0.35;
/** Trunks and feet are seen at least so large, m. */
const LEAST_TRUNK = 0.08;
const FOOT = 0.06;

const NONE: ReadonlySet<string> = new Set();

/** Readies a judged rig to be drawn as pitched, someone lying in its bed: from the side, or from above with the span to the right. */
export const picturesOf = (
  report: RigReport,
  body: BodyMeasures,
  view: 'side' | 'above',
  size: readonly [number, number],
): Draws => drawnFrom(report, body, view, size).draw;

/**
 * The same, with the frame in which it is drawn.
 * @param options.room m beyond the rig that are seen too, all round
 * @param options.at places of its nodes in which it is drawn, instead of as pitched; three a node, m
 * @param options.frame another’s, in which it is seen
 */
export function drawnFrom(
  report: RigReport,
  body: BodyMeasures,
  view: 'side' | 'above',
  size: readonly [number, number],
  {
    room = 0,
    at,
    frame: given,
  }: { readonly room?: number; readonly at?: ArrayLike<number>; readonly frame?: Frame } = {},
): { readonly draw: Draws; readonly frame: Frame } {
  const { rig } = report;
  const { topology, shapes, guys } = drawingOf(report);
  const nodes = at ?? shapes[0]!.at;
  const span = measuredSpan(rig, body);
  const ground = groundOf(rig, span);
  const up = view === 'above' ? 1 : 2;
  const bed = report.bed?.shapes.find((s) => s.caseId === 'lying') ?? null;
  const place = (k: number): Vec3 => [nodes[3 * k]!, nodes[3 * k + 1]!, nodes[3 * k + 2]!];
  const flat = (p: Vec3): Point => [p[0], p[up]];
  const trunks = trunksUsed(rig).map((i) => trunkAt(rig, i, i * span, ground(i * span, 0), view).map(flat));
  const fittings = fittingsOf(report, { at: nodes }, body);
  const cloth = coverOf(topology.corners, (k) => flat(place(k)));
  const hem = hemOf(topology.corners).map(([a, b]) => [flat(place(a)), flat(place(b))]);

  // the whole rig, not what is there of it, decides the scale: nothing jumps from step to step
  const all = [
    ...trunks.flat(),
    ...topology.lines.flatMap((l) => l.nodes.map((k) => flat(place(k)))),
    ...hem.flat(),
    ...guys.map((g) => flat(g.foot)),
    ...(bed?.line.map(flat) ?? []),
    ...(bed?.poles.flatMap((p) => [p.foot, ...p.stays.map((t) => t.foot)]).map(flat) ?? []),
  ];
  const xs = all.map((p) => p[0]);
  const [x0, x1] = [Math.min(...xs), Math.max(...xs)];
  if (view === 'side') all.push([x0, ground(x0, 0)], [x1, ground(x1, 0)]);
  const frame =
    given ??
    frameOf(
      all.flatMap(([x, y]): Point[] => [
        [x - room, y - (view === 'above' ? room : 0)],
        [x + room, y + room],
      ]),
      size,
    );
  const { width, height, put } = frame;

  const draw: Draws = (there, now = NONE) => {
    const isThere = (row: string): boolean => there === undefined || there.has(row) || now.has(row);
    const strokes: Stroke[] = [];
    const stroke = (pen: Pen, rings: readonly (readonly Point[])[], closed = false): void => {
      if (rings.length > 0) strokes.push({ pen, rings: rings.map((ring) => ring.map(put)), closed });
    };
    const line = (pen: Pen, row: string, ...points: readonly Vec3[]): void => {
      if (isThere(row)) stroke(now.has(row) ? 'now' : pen, [points.map(flat)]);
    };
    if (view === 'side') stroke('ground', [[x0 - 0.3, x1 + 0.3].map((x): Point => [x, ground(x, 0)])]);
    stroke('trunk', trunks, true);
    if (topology.clothNodes > 0 && isThere('cloth')) {
      stroke('cloth', cloth, true);
      stroke('hem', hem);
    }
    for (const s of topology.sticks) line('stick', s.id, place(s.from), place(s.to));
    for (const l of topology.lines) {
      // bare it is straight: it takes its shape from the cloth
      const bare = l.role === 'ridge' && !isThere('cloth');
      line('line', l.row, ...(bare ? [l.nodes[0]!, l.nodes.at(-1)!] : l.nodes).map(place));
    }
    for (const f of fittings) {
      if (f.kind === 'branch') stroke('stick', [[f.from, f.to].map(flat)]);
      else if (f.kind === 'bend') line('foot', f.of, ...roundAt(f.at, FOOT));
      else line('guide', f.of, f.from, f.to);
    }
    for (const g of guys)
      if (g.kind !== 'tie' && isThere(g.id))
        stroke(now.has(g.id) ? 'now' : 'foot', [roundAt(g.foot, FOOT).map(flat)], true);
    if (bed !== null) {
      line('bed', 'bed', ...bed.line);
      for (const i of [0, 1] as const)
        line('line', `strap${i}`, bed.ties[i], i === 0 ? bed.line[0]! : bed.line.at(-1)!);
      for (const p of bed.poles) {
        line('stick', `pole${p.end}`, p.foot, p.head);
        for (const [k, t] of p.stays.entries()) line('line', `stay${p.end}${k}`, p.head, t.foot);
      }
    }
    return { width, height, strokes };
  };
  return { draw, frame };
}

/** A trunk's outline from the side, or its ring from above. */
function trunkAt(rig: RidgeRig, i: 0 | 1, x: number, foot: number, view: 'side' | 'above'): Vec3[] {
  const { as, rises, wide, aside } = uprightOf(rig.trunks[i], ABOVE_TIE);
  const half = wide / 2;
  if (view === 'above') return roundAt([x, aside, 0], Math.max(half, LEAST_TRUNK));
  const top = foot + rises;
  const taper = as === 'pole' ? half : 0.8 * half;
  return [
    [x - half, 0, foot],
    [x - taper, 0, top],
    [x + taper, 0, top],
    [x + half, 0, foot],
  ];
}

/** What a cloth covers of the picture: all of its panels as one. */
function coverOf(corners: ArrayLike<number>, at: (k: number) => Point): Point[][] {
  const panels: Polygon[] = [];
  for (let t = 0; t < corners.length; t += 3) {
    const ring = [0, 1, 2].map((k) => at(corners[t + k]!).map((v) => Math.round(v * 1e4) / 1e4) as [number, number]);
    const [[ax, ay], [bx, by], [cx, cy]] = ring as [[number, number], [number, number], [number, number]];
    // a panel seen along itself covers nothing
    if (Math.abs((bx - ax) * (cy - ay) - (by - ay) * (cx - ax)) > 1e-6) panels.push([[...ring, ring[0]!]]);
  }
  const [first, ...rest] = panels;
  if (first === undefined) return [];
  return polygonClipping
    .union(first, ...rest)
    .flatMap((polygon) => polygon.map((ring) => ring.slice(0, -1) as Point[]));
}

const SIDES = 12;
/** A ring on the plan and, as seen from the side, upright. */
const roundAt = ([x, y, z]: Vec3, r: number): Vec3[] =>
  Array.from({ length: SIDES }, (_, i): Vec3 => {
    const a = (2 * Math.PI * i) / SIDES;
    return [x + r * Math.cos(a), y + r * Math.sin(a), z + r * Math.sin(a)];
  });
