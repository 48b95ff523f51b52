import { inHaulOrder, isStay, layoutOf } from '../pitch/index.js';
import type { PitchLayout, Reach } from '../pitch/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';

/** In which order the guys go on: mid-points first set the pitch; corners in turn draw the panels flat. */
export const SCHOOLS = {
  middles: 'mid-points first',
  corners: 'corners in turn',
} as const;
export type School = keyof typeof SCHOOLS;

/** Whether a tie-out is at a corner of its roof: as far out as the cloth goes both ways, within a tenth. */
const atCorner = ({ key }: Reach, { roof }: PitchLayout): boolean =>
  Math.abs(key.flat[0]) > 0.45 * roof.length && Math.abs(key.flat[1]) > 0.45 * roof.width;

/** Keys of a roof's guys and pegs as a school puts them on: those it begins with, opposite ones in turn, then the rest. */
export function orderBySchool(rig: RidgeRig, context: RigContext, school: School): string[] {
  const layout = layoutOf(rig, context);
  const all = layout.reaches.filter((r) => r.kind !== 'tie' && !isStay(r));
  const first = all.filter((r) => atCorner(r, layout) === (school === 'corners'));
  const rest = all.filter((r) => !first.includes(r));
  const alternating = (list: readonly Reach[]): string[] =>
    inHaulOrder(
      list.map((reach) => ({ reach })),
      [],
    ).map((m) => m.reach.key.id);
  return [...alternating(first), ...alternating(rest)];
}

/** The school that a rig's own order is of; null where it is its own. */
export function schoolOf(rig: RidgeRig, context: RigContext): School | null {
  const order = rig.pitch!.order;
  if (order.length === 0) return null;
  const keys = Object.keys(SCHOOLS) as School[];
  return keys.find((s) => orderBySchool(rig, context, s).join() === order.join()) ?? null;
}
