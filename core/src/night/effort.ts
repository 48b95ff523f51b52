import { HAND_TIMES } from '../catalogue/index.js';
import { layoutOf, reachName } from '../pitch/index.js';
import type { PitchLayout, Reach, Stick } from '../pitch/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import { measuredSpan } from '../rig/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import type { FormPlan } from '../roof/index.js';
import type { SupportKind } from '../support/index.js';

/** What of a rig is touched in changing it. */
export type Handed =
  | { readonly what: 'foot' | 'buried' | 'brought' | 'knot' | 'haul' | 'put-on' | 'take-off'; readonly name: string }
  | { readonly what: 'ridge-tie'; readonly end: 0 | 1 }
  | { readonly what: 'ridge-haul' | 'hitches' | 'turn' | 'prop' | 'flick' | 'all'; readonly name: null };

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
    alone: !touched.some((t) => t.what === 'ridge-tie' || t.what === 'turn' || t.what === 'all'),
  };
}

/** Whether two rigs hang between the same trees, so that one can be made of the other. */
export const betweenTheSame = (a: RidgeRig, b: RidgeRig, body: BodyMeasures): boolean =>
  !far(measuredSpan(a, body), measuredSpan(b, body)) &&
  ([0, 1] as const).every((i) => a.trunks[i].name === b.trunks[i].name);

function touchedIn(before: RidgeRig, after: RidgeRig, context: RigContext): Handed[] {
  const [p, q] = [before.pitch!, after.pitch!];
  const anew: Handed[] = [{ what: 'all', name: null }];
  if (p.roof !== q.roof || before.cord !== after.cord || p.line !== q.line) return anew;
  const [a, b] = [layoutOf(before, context), layoutOf(after, context)];
  const stays = p.form === q.form ? 'as it hangs' : onItsLine(a.plan, b.plan);
  if (stays === null) return anew;
  const out: Handed[] = stays === 'turned' ? [{ what: 'turn', name: null }] : [];
  for (const end of [0, 1] as const)
    if (
      far(before.trunks[end].tieHeight, after.trunks[end].tieHeight) ||
      before.ends[end].termination !== after.ends[end].termination
    )
      out.push({ what: 'ridge-tie', end });
  const tied = out.some((t) => t.what === 'ridge-tie');
  if (JSON.stringify(before.tensioning) !== JSON.stringify(after.tensioning) && !tied)
    out.push({ what: 'ridge-haul', name: null });
  if (stays !== 'as it hangs' || JSON.stringify(p.hitches) !== JSON.stringify(q.hitches) || far(p.middle, q.middle))
    out.push({ what: 'hitches', name: null });
  out.push(...guysTouched(a, b));
  const stood = (of: PitchLayout, s: Stick): boolean => of.sticks.some((o) => apart(o.key.at, s.key.at) <= MOVED);
  out.push(...b.sticks.flatMap((s): Handed[] => (stood(a, s) ? [] : [{ what: 'prop', name: null }])));
  // what is set elsewhere was taken away for it
  const fewer = a.sticks.length - b.sticks.length;
  for (let k = 0; k < fewer; k++) out.push({ what: 'flick', name: null });
  return out;
}

/** Of a cloth on its ridgeline that is pitched in another form: it hangs as it did, is slid along the line, or turns on its middle, which stays on the line; null where it comes off. */
function onItsLine(a: FormPlan, b: FormPlan): 'as it hangs' | 'slid' | 'turned' | null {
  if (a.ridge === null || b.ridge === null) return null;
  const [[p, q], [r, s]] = [a.ridge, b.ridge];
  const same = (x: Flat, y: Flat): boolean => Math.hypot(x[0] - y[0], x[1] - y[1]) < MOVED;
  if ((same(p, r) && same(q, s)) || (same(p, s) && same(q, r))) return 'as it hangs';
  if (!crossesMiddle(p, q) || !crossesMiddle(r, s)) return null;
  const turn = (q[0] - p[0]) * (s[1] - r[1]) - (q[1] - p[1]) * (s[0] - r[0]);
  return Math.abs(turn) < MOVED ? 'slid' : 'turned';
}

type Flat = readonly [number, number];
/** Whether the cloth's middle lies on a line of it, between its ends. */
function crossesMiddle([ax, ay]: Flat, [bx, by]: Flat): boolean {
  const off = Math.abs(ax * by - ay * bx) / (Math.hypot(bx - ax, by - ay) || 1);
  return off < MOVED && ax * bx + ay * by < 0;
}

/** A guy lives at its place of the cloth, whatever a form calls that. */
const placeOf = ({ key: { flat } }: Reach): string => flat.map((x) => x.toFixed(2)).join();

function guysTouched(a: PitchLayout, b: PitchLayout): Handed[] {
  const now = new Map(b.reaches.map((r) => [placeOf(r), r]));
  const was = new Set(a.reaches.map(placeOf));
  return [
    ...a.reaches.flatMap((r): Handed[] => {
      const next = now.get(placeOf(r));
      return next === undefined ? [{ what: 'take-off', name: reachName(r) }] : oneTouched(r, next);
    }),
    ...b.reaches.filter((r) => !was.has(placeOf(r))).map((r): Handed => ({ what: 'put-on', name: reachName(r) })),
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
