import type { Vec3 } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { UNDER_LIMITS } from '@rough-bight/core/under';
import type { Lying } from '@rough-bight/core/under';

/** Who or what lies under a roof, taken hold of by its middle, or a sleeper by the head. */
export type LyingGrip = { readonly kind: 'lying' | 'head'; readonly key: string };

const { min, max } = UNDER_LIMITS.at;
/** A place a hand put something at: to the centimetre, where it may be. */
export const onPlan = (x: number): number => Math.round(100 * Math.min(max, Math.max(min, x))) / 100;
/** Ways a body is turned by: to 5 degrees, as one can see. */
const TURN = Math.PI / 36;

/** The rig with one thing that lies under it changed. */
export const withLying = (rig: RidgeRig, id: string, change: (l: Lying) => Lying): RidgeRig => ({
  ...rig,
  under: (rig.under ?? []).map((l) => (l.id === id ? change(l) : l)),
});

/** A bearing from 0 up to a full turn. */
export const turnedTo = (toward: number): number => {
  const full = 2 * Math.PI;
  const to = TURN * Math.round((((toward % full) + full) % full) / TURN);
  return to >= full - 1e-9 ? 0 : to;
};

/**
 * The rig after something that lies there was moved by so much, m, or a head turned toward where the hand is.
 * @param long from the middle of a body to where its head is taken hold of, m
 */
export function movedLying(rig: RidgeRig, grip: LyingGrip, [dx, dy]: Vec3, long: number): RidgeRig {
  return withLying(rig, grip.key, (l) => {
    if (grip.kind === 'lying') return { ...l, at: [onPlan(l.at[0] + dx), onPlan(l.at[1] + dy)] };
    const [x, y] = [long * Math.cos(l.toward) + dx, long * Math.sin(l.toward) + dy];
    return Math.hypot(x, y) < 1e-6 ? l : { ...l, toward: turnedTo(Math.atan2(y, x)) };
  });
}
