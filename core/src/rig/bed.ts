import type { KitBed, KitStraps } from '../bed/index.js';
import { LEAST_FREE, freeAt, mostFree, strapSets, takeStraps } from '../bed/index.js';
import { ADJUSTMENTS, BROW_OF_STATURE, findWood } from '../catalogue/index.js';
import type { Problem } from '../document/index.js';
import { problem } from '../document/index.js';
import type { BodyMeasures, Phrase } from '../quantity/index.js';
import { metres, phrase } from '../quantity/index.js';
import { holdsOnGround, isShared, supportOf } from '../support/index.js';
import type { Bed, BedAnchor, BedEnd } from './bed-document.js';
import type { RigContext } from './pitch.js';
import { measuredSpan } from './ridge.js';
import type { RidgeRig } from './rig-document.js';
import { isBrought } from './used.js';

export const BED_ANCHOR_NAMES: Readonly<Record<BedAnchor['kind'], string>> = {
  trunk: 'the rig’s own trunk',
  stem: 'another tree',
  pole: 'a pole with a back-stay',
};

/** Soil under the bed: the pitch's where there is one. */
export const soilOf = (rig: RidgeRig): string => rig.pitch?.soil ?? rig.bed?.soil ?? COMMON_SOIL;
/** Where neither roof nor bed says. */
const COMMON_SOIL = 'turf';

/** Where a bed's end stands on the plan, m: the trunk's or stem's place, or the pole's foot. */
export function bedFoot(rig: RidgeRig, body: BodyMeasures, i: 0 | 1): readonly [number, number] {
  const { anchor } = rig.bed!.ends[i];
  return anchor.kind === 'trunk'
    ? [i === 0 ? 0 : measuredSpan(rig, body), 0]
    : anchor.kind === 'stem'
      ? anchor.at
      : anchor.foot;
}

/** Name and girth of what a strap goes round. */
export function bedStem(rig: RidgeRig, i: 0 | 1): { readonly name: string; readonly girth: number } {
  const { anchor } = rig.bed!.ends[i];
  if (anchor.kind === 'trunk') return rig.trunks[i];
  if (anchor.kind === 'stem') return anchor;
  return { name: 'the pole', girth: Math.PI * anchor.thickness };
}

/** Free strap at an end, unstressed, m. */
export function freeStrap(rig: RidgeRig, straps: KitStraps, i: 0 | 1): number {
  const end = rig.bed!.ends[i];
  return straps.adjust === 'hitch' ? end.free : freeAt(straps, end.wraps, end.loop, bedStem(rig, i).girth);
}

/**
 * How far one falls who sits down without a hand on anything, m: hips stand at 0.53 of the stature (Drillis and Contini 1966), some
 * 0.9 m, and a bed lain in at 0.45 m has its empty edge at 0.7 to 0.85. Judgement, 0.05 to 0.3; whoever throws themselves in falls further.
 */
const DROP = 0.15;

/** A bed to begin with, on the rig's own trunks. */
export function freshBed(kit: { readonly bed: KitBed; readonly straps: KitStraps }, body: BodyMeasures): Bed {
  const end: BedEnd = { anchor: { kind: 'trunk' }, height: 1.5, wraps: 1, loop: 1, free: 0.6, drip: null };
  return {
    bed: kit.bed.id,
    straps: kit.straps.id,
    ends: [end, end],
    mass: 80,
    stature: Math.round((body.brow / BROW_OF_STATURE) * 100) / 100,
    people: 1,
    head: 0,
    ridgeCord: kit.bed.ridgeLength > 0,
    sitAt: 0.5,
    drop: DROP,
    swing: 0.35,
    reach: 0.3,
    sideStay: null,
    beneath: 'soft',
    soil: 'turf',
    wish: { height: 0.45, angle: Math.PI / 6, headUp: 0 },
    ridgeDrip: [false, false],
  };
}

/** A strap leaves the bed this much longer than the level way it covers: about thirty degrees. */
const SLOPED = 1.16;

/**
 * A bed with its straps set about as long as this span leaves them, each end on the nearest loop or length: something to
 * begin with, where a bed is hung or its rig moved to other trunks.
 */
export function strapsFor(
  rig: RidgeRig,
  bed: Bed,
  kit: { readonly bed: KitBed; readonly straps: KitStraps },
  body: BodyMeasures,
): Bed {
  const hung = { ...rig, bed };
  const [a, b] = [bedFoot(hung, body, 0), bedFoot(hung, body, 1)];
  const chord = bed.ridgeCord && kit.bed.ridgeLength > 0 ? kit.bed.ridgeLength : 0.83 * kit.bed.length;
  const wanted = Math.max(2 * LEAST_FREE, ((Math.hypot(a[0] - b[0], a[1] - b[1]) - chord) / 2) * SLOPED);
  const end = (i: 0 | 1): BedEnd => {
    const sets = strapSets(kit.straps, bedStem(hung, i).girth);
    const set = sets.find((s) => s.free >= wanted) ?? sets.at(-1);
    return set === undefined
      ? bed.ends[i]
      : { ...bed.ends[i], wraps: set.wraps, ...(set.loop > 0 ? { loop: set.loop } : { free: set.free }) };
  };
  return { ...bed, ends: [end(0), end(1)] };
}

/**
 * The rig with a bed of the kit as one begins to hang it: by the strongest straps at hand that reach, or the strongest where none
 * do; as it is where bed or straps are missing.
 */
export function withBedOf(rig: RidgeRig, bedId: string, context: RigContext): RidgeRig {
  const bed = context.beds.find((b) => b.id === bedId);
  if (bed === undefined) return rig;
  const hung = takeStraps(
    context.straps.filter((s) => isBrought(rig, 'straps', s.id)),
    rig.trunks.map((t) => t.girth),
  ).map((straps) => ({
    ...rig,
    bed: strapsFor(rig, freshBed({ bed, straps }, context.body), { bed, straps }, context.body),
  }));
  return hung.find((r) => bedProblems(r, context).length === 0) ?? hung[0] ?? rig;
}

/** The rig with its bed hung anew on the trunks it has now; without a bed, or with its kit gone, as it is. */
export function rehung(rig: RidgeRig, context: RigContext): RidgeRig {
  const bed = context.beds.find((b) => b.id === rig.bed?.bed);
  const straps = context.straps.find((s) => s.id === rig.bed?.straps);
  return rig.bed === undefined || bed === undefined || straps === undefined
    ? rig
    : { ...rig, bed: strapsFor(rig, rig.bed, { bed, straps }, context.body) };
}

/** Room that the cloth must have beyond a person's length, m. Judgement: 0.6 to 0.9. */
const LIE_ROOM = 0.6;

/** What the fields allow but the whole does not: each with the field and the remedy. Refusals too. */
export function bedProblems(rig: RidgeRig, context: RigContext): Problem[] {
  const { bed } = rig;
  if (bed === undefined) return [];
  const out: Problem[] = [];
  const say = (field: string, said: Phrase | string): number =>
    out.push(problem(`bed.${field}`, typeof said === 'string' ? [said] : said));
  const kit = context.beds.find((b) => b.id === bed.bed);
  const straps = context.straps.find((s) => s.id === bed.straps);
  if (kit === undefined) say('bed', 'This bed is no longer in the kit. Choose another.');
  if (straps === undefined) say('straps', 'These straps are no longer in the kit. Choose others.');
  const cord = (field: string, id: string, what: string): void => {
    if (!context.kit.some((k) => k.id === id))
      say(field, `The cord of ${what} is no longer in the kit. Choose another.`);
  };
  if (bed.sideStay !== null) {
    cord('sideStay.cord', bed.sideStay.cord, 'the side stay');
    const held = bed.sideStay.anchor;
    if (!holdsOnGround(held.kind))
      say(
        'sideStay.anchor.kind',
        'A side stay has something of its own on the ground, not a tree nor what holds another line. Choose what holds it there.',
      );
    for (const p of supportOf(held).problems(held, context.pegs)) say(`sideStay.anchor.${p.field}`, p.message);
  }
  bed.ends.forEach(({ anchor, wraps, loop, free }, n) => {
    const i = n as 0 | 1;
    const which = i === 0 ? 'first' : 'second';
    if (anchor.kind !== 'trunk' && findWood(anchor.wood) === undefined)
      say(`ends.${i}.anchor.wood`, `The catalogue has no wood “${anchor.wood}”. Choose another.`);
    if (anchor.kind === 'pole') {
      cord(`ends.${i}.anchor.cord`, anchor.cord, 'the back-stay');
      const held = anchor.anchor;
      for (const p of supportOf(held).problems(held, context.pegs))
        say(`ends.${i}.anchor.anchor.${p.field}`, p.message);
      if (anchor.stays === 2 && anchor.together !== true && !isShared(held) && anchor.spread < 0.1)
        say(
          `ends.${i}.anchor.spread`,
          phrase`Two stays must stand apart: spread each at least ${metres(0.1)} from the middle.`,
        );
    }
    if (straps === undefined) return;
    const { girth, name } = bedStem(rig, i);
    const most = mostFree(straps, wraps, girth);
    if (straps.adjust === 'hitch') {
      if (free > most + 1e-9)
        say(
          `ends.${i}.free`,
          phrase`The ${which} strap has ${metres(Math.max(0, most))} left after ${wraps} ${wraps === 1 ? 'wrap' : 'wraps'} round ${name}, ${metres(free)} is asked. Take fewer wraps or longer straps.`,
        );
      return;
    }
    if (loop > straps.count)
      say(
        `ends.${i}.loop`,
        `The ${which} strap has ${straps.count} ${ADJUSTMENTS[straps.adjust].one}s, the ${loop}th is asked. Choose one of them.`,
      );
    else if (freeAt(straps, wraps, loop, girth) < LEAST_FREE) {
      let reach = loop;
      while (reach <= straps.count && freeAt(straps, wraps, reach, girth) < LEAST_FREE) reach++;
      say(
        `ends.${i}.loop`,
        `${wraps} ${wraps === 1 ? 'wrap' : 'wraps'} round ${name} cover ${ADJUSTMENTS[straps.adjust].one} ${loop}. ${reach <= straps.count ? `Hook to ${ADJUSTMENTS[straps.adjust].one} ${reach} or farther` : 'Take fewer wraps or longer straps'}.`,
      );
    }
  });
  if (kit === undefined || straps === undefined) return out;
  if (bed.people > kit.people)
    say(
      'people',
      kit.people === 1
        ? `${kit.name} is made for one. Two double the pull on straps and trunks and fall on each other: hang a second bed on anchors of its own.`
        : `${kit.name} is made for ${kit.people}. Hang another bed on anchors of its own.`,
    );
  if (kit.length < bed.stature + LIE_ROOM)
    say(
      'bed',
      phrase`${kit.name} is ${metres(kit.length)} long: too short for someone of ${metres(bed.stature)}, who wants ${metres(bed.stature + LIE_ROOM)}. Take a longer bed.`,
    );
  if (out.length > 0) return out;
  const [a, b] = [bedFoot(rig, context.body, 0), bedFoot(rig, context.body, 1)];
  const apart = Math.hypot(a[0] - b[0], a[1] - b[1]);
  const cloth = bed.ridgeCord && kit.ridgeLength > 0 ? Math.min(kit.length, kit.ridgeLength) : kit.length;
  const reach = freeStrap(rig, straps, 0) + cloth + freeStrap(rig, straps, 1);
  if (reach <= apart)
    say(
      straps.adjust === 'hitch' ? 'ends.1.free' : 'ends.1.loop',
      phrase`The bed does not reach: straps and bed come to ${metres(reach)}, the anchors stand ${metres(apart)} apart. Let out a strap, take a wrap off, or choose nearer anchors.`,
    );
  return out;
}
