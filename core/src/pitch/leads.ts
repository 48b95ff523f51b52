import type { Vec3 } from '../quantity/index.js';
import { norm, sub } from '../quantity/index.js';
import type { RidgeRig } from '../rig/index.js';
import { hasDrip } from '../rig/index.js';
import { INSIDE, RUNS, entry } from '../roof/index.js';
import { liesAt } from '../under/index.js';
import type { LeadId } from '../rig/index.js';
import type { TiedRig } from './solve.js';

/** A line along which water could come in under a roof. */
export interface Lead {
  readonly id: LeadId;
  readonly of: 'ridge' | 'tie';
  readonly name: string;
  /** Where it comes under cover, m along it from its tree, and its slope there going in, rad: negative runs down inward. */
  readonly edge: number;
  readonly slope: number;
  readonly runsIn: boolean;
  /** What lets the water off before it does harm: a drip line, or the tails of the hitch that hang there. */
  readonly breaks: 'drip' | 'hitch' | null;
  /** Where a drip line belongs, m along it from its tree. */
  readonly tailAt: number;
  /** Where it drips otherwise, and names of who and what lies there. */
  readonly drips: Vec3;
  readonly on: readonly string[];
}

/** Tails of a hitch that hang as far as this let water off, m. Judgement, 3 to 10 cm. */
export const HANGS = 0.05;
/** A drop lands within this of where it falls from, m. Judgement. */
const SPLASH = 0.1;

/** Every line of a roof along which water could come in, as the roof stands. @param under who and what lies beneath */
export function leadsOf({ model, engine, line, pitched }: TiedRig, under: RidgeRig['under'] = []): Lead[] {
  const { rig, members, mesh, layout } = model;
  const pitch = rig.pitch!;
  const { structure: s } = engine;
  const { at } = pitched.numbers;
  const place = (n: number): Vec3 => [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
  const below = (places: readonly Vec3[]): string[] =>
    under
      .filter((l) => places.some((p) => liesAt(l, p[0], p[1], SPLASH)))
      .map((l) => (l.name === '' ? l.kind : l.name));
  const out: Lead[] = [];
  members.forEach((m, k) => {
    if (m.role !== 'ridge' || pitch.line === 'over') return;
    const i = line[k]!;
    const [first, last] = [i + s.passStart[i]!, i + s.passStart[i + 1]!];
    const nodes = [place(s.stretchFrom[first]!)];
    for (let j = first; j <= last; j++) nodes.push(place(s.stretchTo[j]!));
    const low = lowestOf(nodes);
    for (const end of [0, 1] as const) {
      const walk = end === 0 ? nodes : [...nodes].reverse();
      // the line lies under the cloth by no more than its straps: looked for just below it
      const found = entry(
        walk.map((p): Vec3 => [p[0], p[1], p[2] - 0.06]),
        model.overhead.corners,
        { at },
      );
      if (found === null) continue;
      const id: LeadId = `ridge${end}`;
      const hangs =
        (pitch.hitches[end].tail ?? 0) >= HANGS &&
        layout.plan.keys.some((q) => q.role.to === 'hitch' && q.role.end === end);
      out.push({
        id,
        of: 'ridge',
        name: `ridgeline from ${rig.trunks[end].name}`,
        edge: found.edge,
        slope: found.slope,
        runsIn: found.slope < -RUNS,
        breaks: hasDrip(rig, id) ? 'drip' : hangs ? 'hitch' : null,
        tailAt: found.edge + INSIDE,
        drips: middleOf(low),
        on: below(low),
      });
    }
  });
  const ties = members.filter((m) => m.role === 'tie');
  for (const m of ties) {
    const key = m.reach!.key;
    const head = place(mesh.nodeAt(key.flat[0], key.flat[1]));
    const way = sub(head, m.reach!.foot);
    const long = norm(way);
    const slope = Math.atan2(way[2], Math.hypot(way[0], way[1]));
    const other = ties.find((x) => x !== m)?.reach!.key;
    const low = other === undefined ? [head] : lowestOf(foldBetween(model, key.flat, other.flat, place));
    const id: LeadId = `tie${m.end}`;
    out.push({
      id,
      of: 'tie',
      name: `cord that ties the ${key.name} to ${rig.trunks[m.end].name}`,
      edge: long,
      slope,
      runsIn: slope < -RUNS,
      breaks: hasDrip(rig, id) ? 'drip' : null,
      tailAt: Math.max(0, long - INSIDE),
      drips: middleOf(low),
      on: below(low),
    });
  }
  return out;
}

/** Lower by less than this water drips from all of it, m: nobody could tell which. Judgement. */
const LEVEL = 0.01;

/** Where water leaves a line or a fold: all of it that is as low as its lowest place. */
function lowestOf(places: readonly Vec3[]): Vec3[] {
  const lowest = Math.min(...places.map((p) => p[2]));
  return places.filter((p) => p[2] < lowest + LEVEL);
}

function middleOf(places: readonly Vec3[]): Vec3 {
  const mean = (c: 0 | 1 | 2): number => places.reduce((sum, p) => sum + p[c], 0) / places.length;
  return [mean(0), mean(1), mean(2)];
}

/** Nodes on the straight fold of the cloth between two of its points: water runs along its underside. */
function foldBetween(
  { mesh }: TiedRig['model'],
  a: readonly [number, number],
  b: readonly [number, number],
  place: (n: number) => Vec3,
): Vec3[] {
  const way = [b[0] - a[0], b[1] - a[1]] as const;
  const long = Math.hypot(...way);
  const out: Vec3[] = [];
  for (let n = 0; n < mesh.flat.length / 2; n++) {
    const [s, t] = [mesh.flat[2 * n]! - a[0], mesh.flat[2 * n + 1]! - a[1]];
    if (Math.abs(s * way[1] - t * way[0]) / long < 1e-6) out.push(place(n));
  }
  return out;
}

/** Leads that let water in onto somebody, or onto what should stay dry. */
export const wetting = (leads: readonly Lead[]): Lead[] =>
  leads.filter((l) => l.runsIn && l.breaks === null && l.on.length > 0);

/** The same rig with a drip line on a lead, or without. */
export function withDrip(rig: RidgeRig, id: LeadId, on: boolean): RidgeRig {
  const pitch = rig.pitch!;
  const drips = (pitch.drips ?? []).filter((x) => x !== id);
  const { drips: _drips, ...bare } = pitch;
  void _drips;
  const next = on ? [...drips, id] : drips;
  const bedAt = id === 'ridge0' ? 0 : id === 'ridge1' ? 1 : null;
  const bed =
    rig.bed === undefined || bedAt === null
      ? {}
      : {
          bed: {
            ...rig.bed,
            ridgeDrip: rig.bed.ridgeDrip.map((x, k) => (k === bedAt ? on : x)) as unknown as readonly [
              boolean,
              boolean,
            ],
          },
        };
  return { ...rig, ...bed, pitch: next.length === 0 ? bare : { ...pitch, drips: next } };
}
