import { IN_HAND } from '../cordage/index.js';
import { groundOf } from '../pitch/index.js';
import type { BodyMeasures, Vec3 } from '../quantity/index.js';
import { norm, sub } from '../quantity/index.js';
import { measuredSpan, trunksUsed, uprightOf } from '../rig/index.js';
import { drawingOf } from './drawing.js';
import type { RigReport } from './whole.js';

/** What is on the lines of a rig besides its hitches, where it is in space, m. */
export type Fitting =
  /** Elastic in a line. */
  | { readonly kind: 'elastic'; readonly of: string; readonly from: Vec3; readonly to: Vec3 }
  /** A drip line tied to one, hanging. */
  | { readonly kind: 'drip'; readonly of: string; readonly from: Vec3; readonly to: Vec3 }
  /** Where two cords are joined. */
  | { readonly kind: 'bend'; readonly of: string; readonly at: Vec3 }
  /** A branch that a line goes over, and the line down from it to where it is made fast. */
  | {
      readonly kind: 'branch';
      readonly of: string;
      readonly from: Vec3;
      readonly to: Vec3;
      readonly thick: number;
      readonly down: Vec3;
    };

/** A drip line hangs so far; a branch goes on so far beyond the line, m. Judgement. */
const HANGS = 0.2;
const BEYOND = 0.4;
/** Elastic is drawn so long beyond what it draws out, and never over more than this share of its line. */
const ELASTIC = { least: 0.1, most: 0.4 } as const;

/** All that is on the lines of a judged rig, as they are in a shape of it. */
export function fittingsOf(
  report: Pick<RigReport, 'rig' | 'line' | 'roof'>,
  shape: { readonly at: ArrayLike<number> },
  body: BodyMeasures,
): Fitting[] {
  const { rig, roof } = report;
  const { topology } = drawingOf(report);
  const place = (n: number): Vec3 => [shape.at[3 * n]!, shape.at[3 * n + 1]!, shape.at[3 * n + 2]!];
  const run = (row: string): Vec3[] => topology.lines.filter((l) => l.row === row).flatMap((l) => l.nodes.map(place));
  const ridge = run('ridge').sort((a, b) => a[0] - b[0]);
  const out: Fitting[] = [];
  for (const { id, draw } of roof?.elastics ?? []) {
    const nodes = topology.lines.find((l) => l.row === id)?.nodes ?? [];
    if (nodes.length < 2) continue;
    // from the cloth on
    const along = (nodes[0]! < topology.clothNodes ? nodes : [...nodes].reverse()).map(place);
    const to = alongBy(along, Math.min(draw + ELASTIC.least, ELASTIC.most * lengthOf(along)));
    out.push({ kind: 'elastic', of: id, from: along[0]!, to });
  }
  if (rig.joined !== undefined && ridge.length > 1) {
    const share = Math.min(1, rig.joined.at / measuredSpan(rig, body));
    out.push({ kind: 'bend', of: 'ridge', at: alongBy(ridge, share * lengthOf(ridge)) });
  }
  for (const lead of roof?.leads ?? []) {
    if (lead.breaks !== 'drip') continue;
    const end = lead.id.endsWith('1') ? 1 : 0;
    const tie = topology.lines.filter((l) => l.role === 'tie').map((l) => l.nodes.map(place));
    const line = lead.of === 'ridge' ? ridge : (tie.sort((a, b) => outer(a, end) - outer(b, end))[0] ?? []);
    if (line.length < 2) continue;
    const from = alongBy(inward(line, end), lead.tailAt);
    out.push({ kind: 'drip', of: lead.id, from, to: [from[0], from[1], from[2] - HANGS] });
  }
  const span = measuredSpan(rig, body);
  const ground = groundOf(rig, span);
  for (const i of trunksUsed(rig)) {
    const { branch, tieHeight } = rig.trunks[i];
    if (branch === undefined) continue;
    const x = i * span;
    const { aside } = uprightOf(rig.trunks[i], 0);
    const foot = ground(x, 0);
    const up = foot + tieHeight - branch.thickness / 2;
    out.push({
      kind: 'branch',
      of: `trunk${i}`,
      from: [x, aside, up],
      to: [x, -Math.sign(aside) * BEYOND, up],
      thick: branch.thickness,
      down: [x, aside, foot + Math.min(IN_HAND, tieHeight)],
    });
  }
  return out;
}

const lengthOf = (line: readonly Vec3[]): number =>
  line.slice(1).reduce((sum, p, k) => sum + norm(sub(p, line[k]!)), 0);

/** A line walked from one end of the rig inward. */
const inward = (line: readonly Vec3[], end: 0 | 1): readonly Vec3[] =>
  [...line].sort((a, b) => (end === 0 ? a[0] - b[0] : b[0] - a[0]));
/** How far out toward an end of the rig a line reaches: less is farther. */
const outer = (line: readonly Vec3[], end: 0 | 1): number =>
  end === 0 ? Math.min(...line.map((p) => p[0])) : -Math.max(...line.map((p) => p[0]));

/** The place so far along a line, m; its end where it is shorter. */
function alongBy(line: readonly Vec3[], by: number): Vec3 {
  let left = by;
  for (let k = 1; k < line.length; k++) {
    const [a, b] = [line[k - 1]!, line[k]!];
    const long = norm(sub(b, a));
    if (left <= long && long > 0) {
      const s = left / long;
      return [a[0] + s * (b[0] - a[0]), a[1] + s * (b[1] - a[1]), a[2] + s * (b[2] - a[2])];
    }
    left -= long;
  }
  return line.at(-1)!;
}
