import { freeAt, strapSets } from '@rough-bight/core/bed';
import type { KitStraps } from '@rough-bight/core/bed';
import { BED_LIMITS, bedStem } from '@rough-bight/core/rig';
import type { BedEnd, RidgeRig } from '@rough-bight/core/rig';

/** What of a bed can be taken hold of: a strap on its trunk, or the bed's end on its strap. */
export interface BedGrip {
  readonly kind: 'strap' | 'loop';
  readonly index: 0 | 1;
}

/** A key goes to the next loop, however near it is. */
export const loopStep = (by: number): number => Math.sign(by) * Math.max(Math.abs(by), 0.11);

/** The rig with one end of its bed changed. */
export function withBedEnd(rig: RidgeRig, i: 0 | 1, part: Partial<BedEnd>): RidgeRig {
  const bed = rig.bed!;
  return {
    ...rig,
    bed: {
      ...bed,
      ends: i === 0 ? [{ ...bed.ends[0], ...part }, bed.ends[1]] : [bed.ends[0], { ...bed.ends[1], ...part }],
    },
  };
}

/**
 * The rig after a grip has moved by (dx, dz) metres from where it was in `rig`: a strap goes up and down its trunk, the
 * bed's end from loop to loop.
 */
export function movedBed(rig: RidgeRig, straps: KitStraps, grip: BedGrip, dx: number, dz: number): RidgeRig {
  const { index } = grip;
  const end = rig.bed!.ends[index];
  if (grip.kind === 'strap') {
    const { min, max } = BED_LIMITS.height;
    return withBedEnd(rig, index, { height: Math.round(Math.min(max, Math.max(min, end.height + dz)) * 100) / 100 });
  }
  const { girth } = bedStem(rig, index);
  const is = straps.adjust === 'hitch' ? end.free : freeAt(straps, end.wraps, end.loop, girth);
  const wanted = is + (index === 0 ? dx : -dx);
  const sets = strapSets(straps, girth).filter((s) => straps.adjust === 'hitch' || s.wraps === end.wraps);
  const nearest = sets.reduce<(typeof sets)[number] | null>(
    (best, s) => (best === null || Math.abs(s.free - wanted) < Math.abs(best.free - wanted) ? s : best),
    null,
  );
  if (nearest === null) return rig;
  return withBedEnd(rig, index, nearest.loop > 0 ? { loop: nearest.loop } : { free: nearest.free });
}
