import { CONNECTORS } from '../catalogue/index.js';
import type { HangState } from '../bed/index.js';
import { HANGS } from '../pitch/index.js';
import type { PitchResult, PitchShape } from '../pitch/index.js';
import { hasDrip } from '../rig/index.js';
import { norm, sub } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import { INSIDE, RUNS, entry } from '../roof/index.js';
import type { BedModel } from './bed-model.js';

/** Water on a line that comes in under the roof. */
export interface Drip {
  readonly id: string;
  readonly of: 'strap' | 'ridge';
  readonly name: string;
  /** Where the line passes under the roof's edge: m along it from its outer end, and the place. */
  readonly edge: number;
  readonly at: Vec3;
  /** Slope of the line there, rad, going in: negative runs down inward. */
  readonly slope: number;
  readonly runsIn: boolean;
  /** What lets the water off before it does harm. */
  readonly breaks: 'tail' | 'connector' | null;
  /** Where a tail belongs, m along the line from its outer end. */
  readonly tailAt: number;
  /** Whether water ends on who lies there. */
  readonly wets: boolean;
}

/** Every line that comes in under a roof over a bed: whether water runs in along it, and where it drips. */
export function dripsOf(model: BedModel, lying: HangState, roof: PitchResult, lain: PitchShape): Drip[] {
  const { rig, kit } = model;
  const bed = rig.bed!;
  const { corners, lines } = roof.topology;
  const out: Drip[] = [];
  for (const i of [0, 1] as const) {
    const found = entry([lying.ties[i], lying.links[i]], corners, lain);
    if (found === null) continue;
    const long = norm(sub(lying.links[i], lying.ties[i]));
    const tail = bed.ends[i].drip;
    const tailWorks = tail !== null && tail >= found.edge && tail <= long + 0.05;
    const breaks = tailWorks ? 'tail' : CONNECTORS[kit.connector].drips ? 'connector' : null;
    const runsIn = found.slope < -RUNS;
    out.push({
      id: `strap${i}`,
      of: 'strap',
      name: `${i === 0 ? 'first' : 'second'} strap`,
      ...found,
      runsIn,
      breaks,
      tailAt: Math.min(long, found.edge + INSIDE),
      wets: runsIn && breaks === null,
    });
  }
  for (const lead of roof.leads) {
    if (lead.of !== 'tie') continue;
    const { id, name, edge, slope, runsIn, breaks, tailAt, drips } = lead;
    out.push({
      id,
      of: 'ridge',
      name,
      edge,
      at: drips,
      slope,
      runsIn,
      breaks: breaks === null ? null : 'tail',
      tailAt,
      wets: runsIn && breaks === null && overBed(drips, lying),
    });
  }
  const ridge = lines.find((l) => l.role === 'ridge');
  if (ridge === undefined || rig.pitch!.line === 'over') return out;
  const places = ridge.nodes.map((n): Vec3 => [lain.at[3 * n]!, lain.at[3 * n + 1]!, lain.at[3 * n + 2]!]);
  for (const i of [0, 1] as const) {
    const walk = i === 0 ? places : [...places].reverse();
    // the line lies under the cloth by no more than its straps: looked for just below it
    const found = entry(
      walk.map((p): Vec3 => [p[0], p[1], p[2] - 0.06]),
      corners,
      lain,
    );
    if (found === null) continue;
    const runsIn = found.slope < -RUNS;
    const breaks = hasDrip(rig, `ridge${i}`) || (rig.pitch!.hitches[i].tail ?? 0) >= HANGS ? 'tail' : null;
    out.push({
      id: `ridge${i}`,
      of: 'ridge',
      name: `ridgeline from ${rig.trunks[i].name}`,
      ...found,
      runsIn,
      breaks,
      tailAt: found.edge + INSIDE,
      wets: runsIn && breaks === null && overBed(lowest(places), lying),
    });
  }
  return out;
}

const lowest = (line: readonly Vec3[]): Vec3 => line.reduce((a, b) => (b[2] < a[2] ? b : a));

/** Whether what falls from a place lands on the bed. */
function overBed(p: Vec3, s: HangState): boolean {
  const [a, b] = s.links;
  const way = sub(b, a);
  const level = Math.hypot(way[0], way[1]) || 1;
  const along = ((p[0] - a[0]) * way[0] + (p[1] - a[1]) * way[1]) / level;
  const off = Math.abs((p[0] - a[0]) * way[1] - (p[1] - a[1]) * way[0]) / level;
  return along > 0 && along < level && off < 0.5;
}
