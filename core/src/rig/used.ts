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
export function pegsOfBed({ bed }: Pick<RidgeRig, 'bed'>): ReadonlyMap<string, number> {
  const held: (readonly [GuyAnchor, number])[] = (bed?.ends ?? []).flatMap(({ anchor }) =>
    anchor.kind === 'pole' ? [[anchor.anchor, anchor.together === true ? 1 : anchor.stays] as const] : [],
  );
  if (bed?.sideStay) held.push([bed.sideStay.anchor, 1]);
  return pegsFor(held);
}

/** Pegs that a rig without a roof takes: those of its bed, and of the stays of poles that its line is tied to. */
export function pegsBare({ bed, trunks }: Pick<RidgeRig, 'bed' | 'trunks'>): ReadonlyMap<string, number> {
  const stays = trunks.flatMap(({ stand }) => (stand?.kind === 'pole' ? [[stand.anchor, 2] as const] : []));
  return pegsFor(stays, pegsOfBed({ bed }));
}

/** Pegs that so many of each anchor take, by kind of peg, with those taken already. */
export function pegsFor(
  held: readonly (readonly [anchor: GuyAnchor, times: number])[],
  taken: ReadonlyMap<string, number> = new Map(),
): ReadonlyMap<string, number> {
  const wanted = new Map(taken);
  for (const [anchor, times] of held) {
    const of = supportOf(anchor).takes(anchor);
    if (of !== null) wanted.set(of.pegs, (wanted.get(of.pegs) ?? 0) + times * of.count);
  }
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
