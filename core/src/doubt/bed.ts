import { casesFor } from '../cases/index.js';
import type { LoadCase } from '../cases/index.js';
import type { Bed, Role, RigContext, RidgeRig, Row } from '../rig/index.js';
import type { BedKey, BedModel, Beside } from '../shelter/index.js';
import { bearersUnderBed, bedLedger, bedModel, jointOf } from '../shelter/index.js';
import type { Link } from '../strength/index.js';
import type { Alike, Held, Unknown, UnknownKind } from './unknown.js';
import { GROUND, alikeCord, valueAt } from './unknown.js';

/** A bed that hangs under a roof or beside a bare line, to be solved as it may be. */
export interface DrawnBed {
  readonly unknowns: readonly Unknown[];
  /** What of it can give: its own parts, and the trees that bear the roof as well. */
  readonly held: readonly Held[];
  readonly lines: readonly { readonly id: string; readonly name: string }[];
  /** Ids of bearers that are judged here with everything that pulls at them. */
  readonly bears: ReadonlySet<string>;
  /** The bed with its unknowns so many standard deviations off; null where it comes to no rest. */
  readonly at: (z: readonly number[], beside: Beside) => BedAsDrawn | null;
}
export interface BedAsDrawn {
  /** How many times over each of `held` holds, in the case that leaves it least. */
  readonly left: readonly number[];
  /** What pulls at each of `lines`, N: with someone lying in it, and the most in any case. */
  readonly lying: readonly number[];
  readonly most: readonly number[];
}

const KINDS: Readonly<Record<BedKey, UnknownKind>> = {
  span: 'span',
  high0: 'bed-heights',
  high1: 'bed-heights',
  free0: 'straps',
  free1: 'straps',
  mass: 'mass',
  stretch: 'straps',
  cloth: 'bed-cloth',
  carries: 'bed-cloth',
  E0: 'trees',
  E1: 'trees',
};
/** What the ridge hangs between as well where both ends of the bed are tied to its trees: one doubt, not two. */
const SHARED: ReadonlySet<BedKey> = new Set(['span', 'E0', 'E1']);

/**
 * The bed of a rig, to be solved as it may be; what else is tied to its trees moves its ties as it does in the rig as it is believed to
 * be. Null without a bed.
 * @param asked  ids of the bed's cases, among others
 * @param beside the roof as it is believed to be, in its own cases, or the bare line
 * @throws RigProblem where it cannot be computed
 */
export function drawnBed(
  rig: RidgeRig,
  context: RigContext,
  asked: ReadonlySet<string>,
  beside: Beside,
): DrawnBed | null {
  if (rig.bed === undefined) return null;
  const joint = jointOf(rig, context);
  if (beside.roof === undefined) joint.line();
  else for (const c of casesFor('roof', rig, null)) if (c.kind === 'lain') joint.lainIn(beside.roof.tied, c);
  const ranged = bedModel(rig, context, { ranges: true });
  const model = bedModel(rig, context, { ranges: false, moved: joint.moved });
  const cases = model.cases.filter((c) => c.kind === 'lying' || asked.has(c.id));
  const shared = rig.bed.ends.every((e) => e.anchor.kind === 'trunk');
  const unknowns = (Object.keys(KINDS) as BedKey[]).flatMap((key): Unknown[] => {
    const { title, value, range } = ranged.figures[key];
    if (range === undefined || !(range[1] > range[0])) return [];
    return [
      {
        id: shared && SHARED.has(key) ? `ridge:${key}` : `bed:${key}`,
        name: title,
        kind: KINDS[key],
        acts: { on: 'bed', key },
        value,
        range,
      },
    ];
  });
  const believed = rowsOf(model, cases, beside);
  const weakest = new Map<string, { readonly row: Row; readonly link: Link }>();
  for (const row of believed)
    for (const { link } of row.links)
      if (leftIn(link) < leftInOr(weakest.get(link.id)?.link)) weakest.set(link.id, { row, link });
  const links = [...weakest.values()];
  const lines = [...new Map(believed.filter((r) => PULLED.has(r.role)).map((r) => [r.id, r])).values()];
  return {
    unknowns,
    held: links.map(({ row, link }) => ({
      id: link.id,
      // both stays may be held alike
      name: links.some((l) => l.link !== link && l.link.name === link.name) ? `${link.name}, ${row.name}` : link.name,
      holds: link.available,
      alike: alikeOf(rig.bed!, row, link),
    })),
    lines: lines.map(({ id, name }) => ({ id, name })),
    bears: new Set<string>(bearersUnderBed(rig)),
    at: (z, beside) => {
      const values = Object.fromEntries(
        unknowns.map((u, j) => [u.acts.on === 'bed' ? u.acts.key : '', valueAt(u, z[j]!)]),
      );
      const now = model.as(values);
      const states = cases.map((c) => now.stateOf(c));
      if (!states.every((s) => s.converged)) return null;
      const least = new Map<string, number>();
      const [lying, most] = [new Map<string, number>(), new Map<string, number>()];
      for (const row of rowsOf(now, cases, beside)) {
        lying.set(row.id, row.pitched);
        most.set(row.id, Math.max(most.get(row.id) ?? 0, row.demand.value));
        for (const { link } of row.links) least.set(link.id, Math.min(least.get(link.id) ?? PLENTY, leftIn(link)));
      }
      return {
        left: links.map(({ link }) => least.get(link.id)!),
        lying: lines.map((r) => lying.get(r.id)!),
        most: lines.map((r) => most.get(r.id)!),
      };
    },
  };
}

const PLENTY = Number.POSITIVE_INFINITY;
/** Rows that tell a pull in newtons along something drawn. */
const PULLED: ReadonlySet<Role> = new Set(['strap', 'stay', 'pole']);

/** Times over that a link holds. */
export const leftIn = ({ demand, available }: Link): number =>
  demand.value > 0 ? available.value / demand.value : PLENTY;
const leftInOr = (link: Link | undefined): number => (link === undefined ? PLENTY : leftIn(link));

/** What of a bed can let go, case by case: a link's worst by a rule is not the one that has least left. */
const rowsOf = (model: BedModel, cases: readonly LoadCase[], beside: Beside): readonly Row[] =>
  cases.flatMap((c) => bedLedger(model, [c], beside).rows);

/** What else is off together with a link of the bed; null where it stands by itself. */
function alikeOf(bed: Bed, row: Row, link: Link): Alike | null {
  if (link.kind === 'anchor') return GROUND;
  if (link.kind !== 'end') return null;
  if (row.role === 'strap' && !link.id.endsWith(':connector'))
    return { id: `straps:${bed.straps}`, name: `strength of the ${row.what}`, kind: 'cord' };
  const end = /^stay([01])/.exec(row.id)?.[1];
  const anchor = end === undefined ? null : bed.ends[Number(end) as 0 | 1].anchor;
  return anchor?.kind === 'pole' ? alikeCord(anchor.cord, row.what) : null;
}
