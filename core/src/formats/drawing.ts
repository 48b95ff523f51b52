import { escaped } from '../document/index.js';
import { groundOf } from '../pitch/index.js';
import { say } from '../quantity/index.js';
import type { BodyMeasures, UnitChoice, Vec3 } from '../quantity/index.js';
import { measuredSpan, trunksUsed, uprightOf } from '../rig/index.js';
import type { Pitch } from '../rig/index.js';
import { drawingOf } from '../shelter/index.js';
import type { BedShape, Drawing, DrawnShape, RigReport } from '../shelter/index.js';
import { hemOf } from '../roof/index.js';
import type { Mark } from '../support/index.js';
import { SUPPORTS } from '../support/index.js';
import { compassPoint, windToward } from '../weather/index.js';

/** Which way a drawing looks: down on the plan, or level at the side, along y. */
export const DRAWN = { plan: 'plan', side: 'side view' } as const;
export type Drawn = keyof typeof DRAWN;

/** What is drawn, and how it is called and measured. */
export interface Sheet {
  readonly name: string;
  readonly report: RigReport;
  readonly body: BodyMeasures;
  readonly units: UnitChoice;
  /** A bed hung under it, as drawn. */
  readonly bed?: BedShape;
  /** Case that is drawn; as pitched when left out. */
  readonly caseId?: string;
}

type Point = readonly [x: number, y: number];

/** Paper lying on its side, and its margins, mm (ISO 216, A4). */
const SHEET = { width: 297, height: 210, margin: 14, title: 16 } as const;
/** Room for dimensions round the rig, mm. */
const AROUND = 24;
/** Scales that a ruler has, one to so many. */
const SCALES = [10, 20, 25, 40, 50, 75, 100, 150, 200, 250, 300, 400, 500];

const n = (v: number): string => Number(v.toFixed(2)).toString();

/** Pens for the marks of supports. */
const PENS: Readonly<Record<Mark['ink'], string>> = { outline: 'peg', dashed: 'buried', filled: 'weight' };

/**
 * A view of a rig to a ruler's scale on an A4 sheet, with dimensions, as SVG: a millimetre of the drawing is a millimetre of
 * the paper.
 * @returns a whole SVG document
 */
export function rigSvg(view: Drawn, { name, report, body, units, bed, caseId = 'pitched' }: Sheet): string {
  const { rig, roof, line } = report;
  const drawing = drawingOf(report);
  const { topology, guys } = drawing;
  const shape = drawing.shapes.find((s) => s.caseId === caseId) ?? drawing.shapes[0]!;
  const span = measuredSpan(rig, body);
  const ground = groundOf(rig, span);
  const up = view === 'plan' ? 1 : 2;
  const trunks = trunksUsed(rig);
  const tieOf = (i: 0 | 1): number => ground(i * span, 0) + rig.trunks[i].tieHeight;

  // the rig's own bounds, m
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity];
  const take = (x: number, y: number): void => {
    [x0, x1, y0, y1] = [Math.min(x0, x), Math.max(x1, x), Math.min(y0, y), Math.max(y1, y)];
  };
  for (let k = 0; k < topology.clothNodes; k++) take(shape.at[3 * k]!, shape.at[3 * k + up]!);
  for (const g of guys) take(g.foot[0], g.foot[up]!);
  for (const p of bed?.line ?? []) take(p[0], p[up]);
  for (const p of bed?.poles ?? []) for (const s of [p, ...p.stays]) take(s.foot[0], s.foot[up]);
  for (const i of trunks) {
    take(i * span, up === 1 ? 0 : ground(i * span, 0));
    take(i * span, up === 1 ? 0 : tieOf(i) + 0.3);
  }
  const room: Point = [
    SHEET.width - 2 * SHEET.margin - 2 * AROUND,
    SHEET.height - 2 * SHEET.margin - SHEET.title - 2 * AROUND,
  ];
  const wanted = Math.max(((x1 - x0) * 1000) / room[0], ((y1 - y0) * 1000) / room[1]);
  const scale = SCALES.find((s) => s >= wanted) ?? Math.ceil(wanted / 100) * 100;
  const mm = 1000 / scale;
  const left = SHEET.margin + AROUND + (room[0] - (x1 - x0) * mm) / 2;
  const bottom = SHEET.margin + AROUND + room[1] - (room[1] - (y1 - y0) * mm) / 2;
  const put = (x: number, y: number): Point => [left + (x - x0) * mm, bottom - (y - y0) * mm];
  const node = (k: number): Point => put(shape.at[3 * k]!, shape.at[3 * k + up]!);
  const path = (points: readonly Point[], close = false): string =>
    `M${points.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}${close ? 'Z' : ''}`;
  const text = ([x, y]: Point, words: string, anchor = 'middle', size = 3): string =>
    `<text x="${n(x)}" y="${n(y)}" text-anchor="${anchor}" font-size="${size}">${escaped(words)}</text>`;
  const length = (m: number): string => say(m, 'length', units);

  /** A dimension between two places, drawn `off` mm to the side of the line between them. */
  const dimension = (a: Point, b: Point, off: number, words: string): string => {
    const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (long < 1e-6) return '';
    const [ux, uy] = [(b[0] - a[0]) / long, (b[1] - a[1]) / long];
    const [nx, ny] = [-uy * Math.sign(off), ux * Math.sign(off)];
    const far = Math.abs(off);
    const at = (p: Point, d: number): Point => [p[0] + nx * d, p[1] + ny * d];
    const [p, q] = [at(a, far), at(b, far)];
    const tick = (c: Point): string =>
      path([
        [c[0] - 1.1 * (ux + nx), c[1] - 1.1 * (uy + ny)],
        [c[0] + 1.1 * (ux + nx), c[1] + 1.1 * (uy + ny)],
      ]);
    const middle = at(
      [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2],
      far + (Math.abs(ux) > Math.abs(uy) ? (ny > 0 ? 4 : 1.4) : 1.6),
    );
    const turned = Math.abs(ux) < Math.abs(uy);
    const label = turned ? text(middle, words, nx < 0 ? 'end' : 'start') : text(middle, words);
    return `<g class="dim"><path d="${path([at(a, 1.5), at(a, far + 1.5)])}${path([at(b, 1.5), at(b, far + 1.5)])}${path([p, q])}${tick(p)}${tick(q)}"/>${label}</g>`;
  };

  const out: string[] = [];
  // ground and trunks
  if (view === 'side') {
    const edge = (x: number): Point => put(x, ground(x, 0));
    out.push(`<path class="ground" d="${path([edge(x0 - 0.6), edge(x1 + 0.6)])}"/>`);
  }
  for (const i of trunks) {
    const { wide: d, rises, aside } = uprightOf(rig.trunks[i], 0.3);
    const x = i * span;
    if (view === 'plan') {
      const [cx, cy] = put(x, aside);
      out.push(`<circle class="trunk" cx="${n(cx)}" cy="${n(cy)}" r="${n((d / 2) * mm)}"/>`);
    } else {
      const foot = ground(x, 0);
      const top = foot + rises;
      out.push(
        `<path class="trunk" d="${path([put(x - d / 2, foot), put(x - d / 2, top), put(x + d / 2, top), put(x + d / 2, foot)], true)}"/>`,
      );
    }
  }
  if (topology.clothNodes > 0)
    out.push(
      `<path class="cloth" d="${panels(drawing, node, path)}"/>`,
      `<path class="hem" d="${hemOf(topology.corners)
        .map(([a, b]) => path([node(a), node(b)]))
        .join('')}"/>`,
    );
  for (const s of topology.sticks) out.push(`<path class="stick" d="${path([node(s.from), node(s.to)])}"/>`);
  for (const l of topology.lines)
    out.push(
      `<path class="${l.role === 'ridge' || l.role === 'stretch' ? 'line ridge' : 'line'}" d="${path(l.nodes.map(node))}"/>`,
    );
  for (const h of topology.hung) {
    const [x, y] = node(h.node);
    out.push(
      `<path class="hung" d="M${n(x)} ${n(y)}${view === 'side' ? 'v2m-1.2 0h2.4v3h-2.4z' : 'm-1 -1h2v2h-2z'}"/>`,
      text([x + 2, y + (view === 'side' ? 4.5 : 4)], h.name, 'start', 2.4),
    );
  }
  if (bed !== undefined) {
    const at = (p: Vec3): Point => put(p[0], p[up]);
    out.push(`<path class="bed" d="${path(bed.line.map(at))}"/>`);
    for (const i of [0, 1] as const) {
      const [a, b] = [at(bed.ties[i]), at(i === 0 ? bed.line[0]! : bed.line.at(-1)!)];
      out.push(
        `<path class="line strap" d="${path([a, b])}"/>`,
        text([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + 4], say(bed.straps[i], 'force', units), 'middle', 2.4),
      );
    }
    for (const p of bed.poles) {
      out.push(`<path class="stick" d="${path([at(p.foot), at(p.head)])}"/>`);
      for (const s of p.stays) out.push(`<path class="line" d="${path([at(p.head), at(s.foot)])}"/>`);
    }
    if (view === 'side') {
      const low = bed.line.reduce((a, b) => (b[2] < a[2] ? b : a));
      const floor = ground(low[0], low[1]);
      out.push(dimension(put(low[0], floor), put(low[0], low[2]), 2, length(low[2] - floor)));
    }
  }
  for (const g of guys) {
    const { mark } = SUPPORTS[g.held];
    const drawn = g.kind === 'tie' ? '' : mark[view === 'plan' ? 'above' : 'side'](g.thick * mm, mm);
    const [x, y] = put(g.foot[0], g.foot[up]!);
    if (drawn !== '')
      out.push(
        `<path class="${PENS[mark.ink]}" data-holds="${g.held}" transform="translate(${n(x)} ${n(y)})" d="${drawn}"/>`,
      );
  }
  out.push(...pullWords(drawing, shape, node, text, units));

  // dimensions
  if (trunks.length === 2)
    out.push(
      dimension(
        put(0, view === 'plan' ? y0 : ground(0, 0)),
        put(span, view === 'plan' ? y0 : ground(span, 0)),
        view === 'plan' ? 12 : 9,
        length(span),
      ),
    );
  if (view === 'side') {
    for (const i of trunks)
      out.push(
        dimension(
          put(i * span, ground(i * span, 0)),
          put(i * span, tieOf(i)),
          i === 0 ? -13 : 13,
          length(rig.trunks[i].tieHeight),
        ),
      );
    // how high one can stand under a roof; of a bare line how far it hangs from the ground
    const [x, up] = roof !== null ? [(x0 + x1) / 2, roof.cover.headroom] : lowestOf(shape, ground);
    out.push(dimension(put(x, ground(x, 0)), put(x, ground(x, 0) + up), 2, length(up)));
  } else {
    for (const g of guys) {
      if (g.kind === 'tie') continue;
      const at = put(g.foot[0], g.foot[1]);
      const side = g.foot[1] >= 0 ? -3 : 5;
      out.push(
        text([at[0], at[1] + side], `${length(g.foot[0])} along, ${length(Math.abs(g.foot[1]))} out`, 'middle', 2.4),
      );
    }
    if (rig.pitch !== undefined) out.push(...compass(rig.pitch));
  }
  const metre = units.length === 'ft' ? 0.3048 * 5 : 1;
  const [barX, barY] = [SHEET.margin, SHEET.height - SHEET.margin];
  out.push(
    `<path class="bar" d="M${barX} ${barY - 2}v2h${n(metre * mm)}v-2"/>`,
    text([barX + metre * mm + 2, barY], units.length === 'ft' ? '5 ft' : '1 m', 'start'),
    text([SHEET.margin, SHEET.margin + 3], `${name}: ${roof?.formName ?? 'ridgeline'}, ${DRAWN[view]}`, 'start', 5),
    text(
      [SHEET.margin, SHEET.margin + 9],
      `1 : ${scale} on A4, ${[...(roof?.cases ?? line!.cases)].find((c) => c.id === shape.caseId)?.name ?? shape.caseId}; pulls beside the lines`,
      'start',
    ),
    text(
      [SHEET.width - SHEET.margin, SHEET.height - SHEET.margin],
      'Computed, not measured: check on the ground. Local rules come first.',
      'end',
      2.6,
    ),
  );
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${SHEET.width}mm" height="${SHEET.height}mm" viewBox="0 0 ${SHEET.width} ${SHEET.height}">
<title>${escaped(name)}, ${DRAWN[view]}, 1 : ${scale}</title>
<style>path{fill:none;stroke:#16241E;stroke-width:.25;stroke-linejoin:round}text{font-family:sans-serif;fill:#16241E}.cloth{fill:#C9B88F;fill-opacity:.5;stroke:none}.hem{stroke:#5A4330;stroke-width:.3}.bed{fill:none;stroke:#566539;stroke-width:1.4}.strap{stroke:#5A4330}.line{stroke-width:.45}.ridge{stroke-width:.7}.stick{stroke:#5A4330;stroke-width:.8}.trunk{fill:#DCD0B8;stroke:#5A4330}.ground{stroke:#5A4330;stroke-width:.6}.dim path{stroke:#4A544E;stroke-width:.18}.dim text{fill:#4A544E}.peg{stroke-width:.4}.hung{fill:#DCD0B8;stroke:#5A4330}.weight{fill:#DCD0B8;stroke:#5A4330}.buried{stroke:#5A4330;stroke-dasharray:.6 .4}.wind path{stroke:#2C6072;stroke-width:.4}.wind text{fill:#2C6072}</style>
${out.join('\n')}
</svg>
`;
}

/** The panels, every one turned the same way so that near and far ones fill alike. */
function panels(
  { topology: { corners } }: Drawing,
  node: (k: number) => Point,
  path: (points: readonly Point[], close?: boolean) => string,
): string {
  let out = '';
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [node(corners[t]!), node(corners[t + 1]!), node(corners[t + 2]!)];
    const turn = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
    out += path(turn >= 0 ? [a, b, c] : [a, c, b], true);
  }
  return out;
}

function pullWords(
  { topology }: Drawing,
  shape: DrawnShape,
  node: (k: number) => Point,
  text: (at: Point, words: string, anchor?: string, size?: number) => string,
  units: UnitChoice,
): string[] {
  const taken: Point[] = [];
  return topology.lines.flatMap((l) => {
    if (l.role === 'loop') return [];
    const [a, b] = [node(l.nodes[0]!), node(l.nodes[l.role === 'ridge' ? 1 : l.nodes.length - 1]!)];
    const at: Point = [(a[0] + b[0]) / 2 + 1.5, (a[1] + b[1]) / 2 - 1];
    if (taken.some((t) => Math.hypot(t[0] - at[0], t[1] - at[1]) < 5)) return [];
    taken.push(at);
    return [text(at, say(shape.tension[l.line]!, 'force', units), 'start', 2.6)];
  });
}

/** Where along it a line hangs lowest over the ground, and how high that is, m. */
function lowestOf({ at }: DrawnShape, ground: (x: number, y: number) => number): readonly [number, number] {
  let best: readonly [number, number] = [0, Number.POSITIVE_INFINITY];
  for (let k = 0; k < at.length; k += 3) {
    const up = at[k + 2]! - ground(at[k]!, at[k + 1]!);
    if (up < best[1]) best = [at[k]!, up];
  }
  return best;
}

/** North and the wind, in the plan's corner. */
function compass({ bearing, windFrom }: Pitch): string[] {
  const [x, y] = [SHEET.width - SHEET.margin - 12, SHEET.margin + 14];
  // the span runs to the right: north is turned back from it by its bearing
  const north: Point = [Math.cos(bearing), -Math.sin(bearing)];
  const [wx, wy] = windToward(windFrom, bearing);
  const arrow = (dx: number, dy: number): string =>
    `M${n(x - 7 * dx)} ${n(y - 7 * dy)}L${n(x + 7 * dx)} ${n(y + 7 * dy)}l${n(-2.4 * dx - 1.2 * dy)} ${n(-2.4 * dy + 1.2 * dx)}m${n(2.4 * dx + 1.2 * dy)} ${n(2.4 * dy - 1.2 * dx)}l${n(-2.4 * dx + 1.2 * dy)} ${n(-2.4 * dy - 1.2 * dx)}`;
  return [
    `<path d="${arrow(north[0], north[1])}"/><text x="${n(x + 9 * north[0])}" y="${n(y + 9 * north[1] + 1)}" text-anchor="middle" font-size="3">N</text>`,
    `<g class="wind"><path transform="translate(-26 0)" d="${arrow(wx, -wy)}"/><text x="${n(x - 26)}" y="${n(y + 13)}" text-anchor="middle" font-size="2.8">wind from the ${compassPoint(windFrom)}</text></g>`,
  ];
}
