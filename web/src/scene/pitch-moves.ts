import type { GuyReport } from '@rough-bight/core/pitch';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import type { Guy, RidgeRig } from '@rough-bight/core/rig';
import { PITCH_LIMITS, guyOf, lineFoot, measuredSpan, treeAt, treesOf } from '@rough-bight/core/rig';
import type { TreeId } from '@rough-bight/core/support';
import { TIED_AT, guyTree, isShared } from '@rough-bight/core/support';

/** What can be taken hold of on a pitched rig. */
export type PitchGrip =
  | { readonly kind: 'roof' }
  | { readonly kind: 'hitch'; readonly index: 0 | 1 }
  | { readonly kind: 'edge'; readonly index: 0 | 1 }
  | { readonly kind: 'foot'; readonly key: string }
  /** A tie-out raised on a stick, by how high it is as the hand takes it, m. */
  | { readonly kind: 'stick'; readonly key: string; readonly height: number }
  | { readonly kind: 'wind' }
  /** North on the ring round the rig: turning it swings the rig the other way. */
  | { readonly kind: 'north' };

/** What a key turns the wind or the rig by, rad. */
export const TURN_STEP = Math.PI / 36;
/** A tie-out lifted less than this stays on its guy; a stick shorter than the other is taken away, m. */
const LIFTS = 0.04;
const SHORTEST_STICK = 0.15;

const clamp = (x: number, min: number, max: number): number => Math.min(max, Math.max(min, x));
/** To the centimetre, so that a hand does not make false precision. */
const centimetre = (x: number): number => Math.round(x * 100) / 100;

/** The rig with one guy changed. */
export function withGuy(rig: RidgeRig, key: string, part: Partial<Guy>): RidgeRig {
  const pitch = rig.pitch!;
  return { ...rig, pitch: { ...pitch, own: { ...pitch.own, [key]: { ...pitch.own[key], ...part } } } };
}

/** The rig with a guy as all are again. */
export function withoutOwn(rig: RidgeRig, key: string): RidgeRig {
  const pitch = rig.pitch!;
  const own = Object.fromEntries(Object.entries(pitch.own).filter(([k]) => k !== key));
  return { ...rig, pitch: { ...pitch, own } };
}

/** A foot put this near a tree of the rig is tied to it, m. Judgement. */
const CATCHES = 0.25;

/** The rig with a guy's foot put somewhere: on a tree of the rig it is tied to that, taken off one, or off what holds another line, it is pegged as the others are. */
function footPut(rig: RidgeRig, key: string, to: readonly [number, number], body: BodyMeasures): RidgeRig {
  const pitch = rig.pitch!;
  const from = guyOf(pitch, key).anchor;
  const away = (id: TreeId): number => {
    const at = treeAt(rig, body, id);
    return at === null ? Number.POSITIVE_INFINITY : Math.hypot(at[0] - to[0], at[1] - to[1]);
  };
  // what it is tied to lets go of it at once
  if (from.kind === 'tree' && away(from.tree) < LIFTS) return rig;
  const near = treesOf(rig)
    .filter((t) => t.id !== guyTree(key) && !(from.kind === 'tree' && t.id === from.tree) && away(t.id) < CATCHES)
    .sort((a, b) => away(a.id) - away(b.id))[0];
  if (near !== undefined)
    return withGuy(rig, key, {
      anchor: { kind: 'tree', tree: near.id, height: TIED_AT },
      foot: treeAt(rig, body, near.id),
    });
  if (!isShared(from)) return withGuy(rig, key, { foot: to });
  const own = Object.fromEntries(Object.entries(pitch.own[key] ?? {}).filter(([k]) => k !== 'anchor'));
  return { ...rig, pitch: { ...pitch, own: { ...pitch.own, [key]: { ...own, foot: to } } } };
}

/** Where a guy's foot is in the rig in hand: on its tree, where the hand put it, or where it was judged to be. */
export function footNow(rig: RidgeRig, body: BodyMeasures, guy: GuyReport): GuyReport['foot'] {
  const { anchor, foot } = guyOf(rig.pitch!, guy.key);
  const at =
    anchor.kind === 'tree'
      ? treeAt(rig, body, anchor.tree)
      : anchor.kind === 'same'
        ? lineFoot(rig, body, anchor.line)
        : foot;
  return at === null ? guy.foot : [at[0], at[1], guy.foot[2]];
}

/** A bearing between 0 and a full turn, to half a degree or so. */
const bearing = (rad: number): number => {
  const round = 2 * Math.PI;
  return Math.min(Math.round((((rad % round) + round) % round) * 100) / 100, round);
};

/** Bearing of a direction in the rig's plan, rad clockwise from north. */
export const bearingInRig = (rig: RidgeRig, x: number, y: number): number =>
  bearing(rig.pitch!.bearing - Math.atan2(y, x));

/**
 * The rig after a grip has moved by (dx, dy, dz) metres from where it was in `rig`.
 * @param guys where the feet are, as judged last
 * @param to   for the wind and north: where the hand is from the middle of the roof, m
 */
export function movedPitch(
  rig: RidgeRig,
  grip: PitchGrip,
  [dx, dy, dz]: readonly [number, number, number],
  guys: readonly GuyReport[],
  body: BodyMeasures,
  to: readonly [number, number] = [0, 0],
): RidgeRig {
  const pitch = rig.pitch!;
  switch (grip.kind) {
    case 'roof': {
      const span = measuredSpan(rig, body);
      return { ...rig, pitch: { ...pitch, middle: centimetre(clamp(pitch.middle + dx, 0.1, span - 0.1)) } };
    }
    case 'hitch': {
      const { min, max } = PITCH_LIMITS.slid;
      const hitches = pitch.hitches.map((h, i) =>
        i === grip.index ? { ...h, slid: Math.round(clamp(h.slid + (i === 0 ? -dx : dx), min, max) * 1000) / 1000 } : h,
      ) as unknown as typeof pitch.hitches;
      return { ...rig, pitch: { ...pitch, hitches } };
    }
    case 'edge': {
      const { min, max } = PITCH_LIMITS.edge;
      const edges = pitch.shape.edges.map((e, i) =>
        i === grip.index ? centimetre(clamp(e + dz, min, max)) : e,
      ) as unknown as typeof pitch.shape.edges;
      return { ...rig, pitch: { ...pitch, shape: { ...pitch.shape, edges } } };
    }
    case 'foot': {
      const at = guys.find((g) => g.key === grip.key);
      if (at === undefined) return rig;
      return footPut(rig, grip.key, [centimetre(at.foot[0] + dx), centimetre(at.foot[1] + dy)], body);
    }
    case 'stick': {
      const stands = (pitch.own[grip.key]?.stick ?? 0) > 0;
      const stick = centimetre(clamp(grip.height + dz, 0, PITCH_LIMITS.guyStick.max));
      if (!stands && dz < LIFTS) return rig;
      return withGuy(rig, grip.key, stick < SHORTEST_STICK ? { stick: 0 } : { stick });
    }
    case 'wind':
      return { ...rig, pitch: { ...pitch, windFrom: bearingInRig(rig, to[0], to[1]) } };
    case 'north':
      return { ...rig, pitch: { ...pitch, bearing: bearing(Math.atan2(to[1], to[0])) } };
  }
}
