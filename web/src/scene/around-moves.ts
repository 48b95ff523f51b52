import type { Wall } from '@rough-bight/core/around';
import type { Vec3 } from '@rough-bight/core/quantity';
import type { RidgeRig } from '@rough-bight/core/rig';
import { onPlan, turnedTo } from './under-moves.js';

/** What stands round a roof, taken hold of: a wall by its middle or one end, the fire. */
export type AroundGrip = { readonly kind: 'wall' | 'wall-end'; readonly key: string } | { readonly kind: 'fire' };

/** The rig with one of its walls changed. */
export const withWall = (rig: RidgeRig, id: string, change: (w: Wall) => Wall): RidgeRig => ({
  ...rig,
  walls: (rig.walls ?? []).map((w) => (w.id === id ? change(w) : w)),
});

/** The rig after a wall or the fire was moved by so much, m, or a wall turned toward where the hand is. */
export function movedAround(rig: RidgeRig, grip: AroundGrip, [dx, dy]: Vec3): RidgeRig {
  if (grip.kind === 'fire') {
    const { fire } = rig;
    return fire === undefined ? rig : { ...rig, fire: { at: [onPlan(fire.at[0] + dx), onPlan(fire.at[1] + dy)] } };
  }
  return withWall(rig, grip.key, (w) => {
    if (grip.kind === 'wall') return { ...w, at: [onPlan(w.at[0] + dx), onPlan(w.at[1] + dy)] };
    const [x, y] = [(w.length / 2) * Math.cos(w.toward) + dx, (w.length / 2) * Math.sin(w.toward) + dy];
    return Math.hypot(x, y) < 1e-6 ? w : { ...w, toward: turnedTo(Math.atan2(y, x)) };
  });
}
