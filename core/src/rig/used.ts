import { findTermination } from '../catalogue/index.js';
import { USUAL_TOGGLE } from '../strength/index.js';
import type { GuyAnchor } from '../support/index.js';
import { supportOf } from '../support/index.js';
import type { GearList } from './gear.js';
import { guyOf } from './pitch.js';
import type { RidgeRig } from './rig-document.js';

/** Ids of everything of the kit that a rig uses. */
export function usedBy(rig: RidgeRig): Readonly<Record<'cords' | GearList, ReadonlySet<string>>> {
  const used = {
    cords: new Set([rig.cord, ...(rig.joined === undefined ? [] : [rig.joined.cord])]),
    roofs: new Set<string>(),
    pegs: new Set<string>(),
    beds: new Set<string>(),
    straps: new Set<string>(),
  };
  const { pitch, bed } = rig;
  const takes = (anchor: GuyAnchor): void => {
    const pegs = supportOf(anchor).takes(anchor)?.pegs;
    if (pegs !== undefined) used.pegs.add(pegs);
  };
  for (const { stand } of rig.trunks)
    if (stand?.kind === 'pole') {
      used.cords.add(stand.cord);
      takes(stand.anchor);
    }
  if (pitch !== undefined) {
    used.roofs.add(pitch.roof);
    for (const h of pitch.hitches) used.cords.add(h.cord);
    for (const p of pitch.pulls ?? []) used.pegs.add(p.pegs);
    for (const guy of [pitch.guy, ...Object.keys(pitch.own).map((key) => guyOf(pitch, key))]) {
      used.cords.add(guy.cord);
      takes(guy.anchor);
    }
  }
  if (bed !== undefined) {
    used.beds.add(bed.bed);
    used.straps.add(bed.straps);
    if (bed.sideStay !== null) {
      used.cords.add(bed.sideStay.cord);
      takes(bed.sideStay.anchor);
    }
    for (const { anchor } of bed.ends)
      if (anchor.kind === 'pole') {
        used.cords.add(anchor.cord);
        takes(anchor.anchor);
      }
  }
  return used;
}

/** Pegs that a bed's stays take, by their id in the kit. */
export function pegsOfBed({ bed }: RidgeRig): ReadonlyMap<string, number> {
  const wanted = new Map<string, number>();
  const take = (anchor: GuyAnchor, times: number): void => {
    const taken = supportOf(anchor).takes(anchor);
    if (taken !== null) wanted.set(taken.pegs, (wanted.get(taken.pegs) ?? 0) + times * taken.count);
  };
  for (const { anchor } of bed?.ends ?? [])
    if (anchor.kind === 'pole') take(anchor.anchor, anchor.together === true ? 1 : anchor.stays);
  if (bed?.sideStay) take(bed.sideStay.anchor, 1);
  return wanted;
}

/** Lists of the kit, cords before the rest. */
export type KitList = 'cords' | GearList;

/** Whether a thing of the kit was brought: not left at home, or tied into the rig already. */
export const isBrought = (rig: RidgeRig, list: KitList, id: string): boolean =>
  rig.home?.includes(id) !== true || usedBy(rig)[list].has(id);

/** Thickness of every toggle that a rig takes, m: of its ends, and of its roof's hitches. */
export const togglesOf = (rig: RidgeRig): number[] => [
  ...rig.ends.flatMap((end) =>
    findTermination(end.termination)?.toggled === true ? [(end.toggle ?? USUAL_TOGGLE).thickness] : [],
  ),
  ...(rig.pitch?.hitches.flatMap((h) => (h.toggle === undefined ? [] : [h.toggle.thickness])) ?? []),
];
