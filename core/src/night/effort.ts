import { HAND_TIMES } from '../catalogue/index.js';
import { layoutOf, reachName } from '../pitch/index.js';
import type { PitchLayout, Reach } from '../pitch/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import type { SupportKind } from '../support/index.js';

/** What of a rig is touched in changing it. */
export type Handed =
  | { readonly what: 'foot' | 'buried' | 'brought' | 'knot' | 'haul' | 'put-on' | 'take-off'; readonly name: string }
  | { readonly what: 'ridge-tie'; readonly end: 0 | 1 }
  | { readonly what: 'ridge-haul' | 'hitches' | 'prop' | 'all'; readonly name: null };

/** What a change asks of hands. */
export interface Effort {
  readonly touched: readonly Handed[];
  /** By day and by head torch, minutes, as one who has practised takes. */
  readonly minutes: number;
  readonly minutesInDark: number;
  /** Whether one alone does it: not where the whole roof hangs free while it is done. */
  readonly alone: boolean;
}

/** Nearer than this a foot stands where it stood, m; a pull or a length nearer than this share is the same. */
const MOVED = 0.05;
const SAME = 0.02;

/** By head torch, over by day. Judgement, 1.5 to 3. */
const IN_DARK = 2;

/**
 * What it takes to make one rig of another: found by where everything of both is laid out, not by how the change is called.
 * @throws RigProblem where one of them cannot be laid out
 */
export function effortOf(before: RidgeRig, after: RidgeRig, context: RigContext): Effort {
  const touched = touchedIn(before, after, context);
  const minutes = touched.reduce((sum, t) => sum + HAND_TIMES[t.what].typical / 60, 0);
  return {
    touched,
    minutes,
    minutesInDark: IN_DARK * minutes,
    alone: !touched.some((t) => t.what === 'ridge-tie' || t.what === 'all'),
  };
}

function touchedIn(before: RidgeRig, after: RidgeRig, context: RigContext): Handed[] {
  const [p, q] = [before.pitch!, after.pitch!];
  if (p.form !== q.form || p.roof !== q.roof || before.cord !== after.cord) return [{ what: 'all', name: null }];
  const [a, b] = [layoutOf(before, context), layoutOf(after, context)];
  const out: Handed[] = [];
  for (const end of [0, 1] as const)
    if (
      far(before.trunks[end].tieHeight, after.trunks[end].tieHeight) ||
      before.ends[end].termination !== after.ends[end].termination
    )
      out.push({ what: 'ridge-tie', end });
  if (JSON.stringify(before.tensioning) !== JSON.stringify(after.tensioning) && out.length === 0)
    out.push({ what: 'ridge-haul', name: null });
  if (JSON.stringify(p.hitches) !== JSON.stringify(q.hitches) || far(p.middle, q.middle))
    out.push({ what: 'hitches', name: null });
  out.push(...guysTouched(a, b));
  if (a.sticks.length !== b.sticks.length || a.sticks.some((s, k) => apart(s.key.at, b.sticks[k]!.key.at) > MOVED))
    out.push({ what: 'prop', name: null });
  return out;
}

function guysTouched(a: PitchLayout, b: PitchLayout): Handed[] {
  const now = new Map(b.reaches.map((r) => [r.key.id, r]));
  const was = new Set(a.reaches.map((r) => r.key.id));
  return [
    ...a.reaches.flatMap((r): Handed[] => {
      const next = now.get(r.key.id);
      return next === undefined ? [{ what: 'take-off', name: reachName(r) }] : oneTouched(r, next);
    }),
    ...b.reaches.filter((r) => !was.has(r.key.id)).map((r): Handed => ({ what: 'put-on', name: reachName(r) })),
  ];
}

/** What it takes to set a foot, where that is more than a peg or a knot. */
const SETTING: Readonly<Partial<Record<SupportKind, 'buried' | 'brought'>>> = { buried: 'buried', weight: 'brought' };

function oneTouched(r: Reach, next: Reach): Handed[] {
  const name = reachName(next);
  if (r.kind !== next.kind || r.guy.cord !== next.guy.cord) return [{ what: 'put-on', name }];
  const anchor = JSON.stringify(r.guy.anchor) !== JSON.stringify(next.guy.anchor);
  if (anchor || apart(r.foot, next.foot) > MOVED) return [{ what: SETTING[next.guy.anchor.kind] ?? 'foot', name }];
  if (r.guy.hitch !== next.guy.hitch || r.guy.wraps !== next.guy.wraps) return [{ what: 'knot', name }];
  // a tie-out that comes to another height is hauled anew
  const moved = apart(r.key.at, next.key.at) > MOVED;
  return moved || Math.abs(r.guy.haul - next.guy.haul) > SAME * r.guy.haul ? [{ what: 'haul', name }] : [];
}

const far = (a: number, b: number): boolean => Math.abs(a - b) > MOVED;
const apart = (a: readonly number[], b: readonly number[]): number =>
  Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!, a[2]! - b[2]!);
