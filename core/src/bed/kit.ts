import { ADJUSTMENTS, SUN, WEAR, findBedCloth, findCord, findWebbing } from '../catalogue/index.js';
import type { Webbing } from '../catalogue/index.js';
import { OWN, ownCord, ownProblems } from '../cordage/index.js';
import type { Problem } from '../document/index.js';
import { problem } from '../document/index.js';
import { metres, phrase } from '../quantity/index.js';
import type { KitBed, KitStraps } from './document.js';

/** What the fields of a bed allow but the whole does not. */
export function bedKitProblems(bed: KitBed): Problem[] {
  const out: Problem[] = [];
  if (findBedCloth(bed.cloth) === undefined)
    out.push({ field: 'cloth', message: `The catalogue has no bed cloth “${bed.cloth}”. Choose another.` });
  if (bed.ridgeLength > 0 && findCord(bed.ridgeCord) === undefined)
    out.push({ field: 'ridgeCord', message: `The catalogue has no cord “${bed.ridgeCord}”. Choose another.` });
  if (bed.ridgeLength > 0 && !(bed.ridgeLength >= 0.6 * bed.length && bed.ridgeLength <= 0.97 * bed.length))
    out.push(
      problem(
        'ridgeLength',
        phrase`A ridge-cord is 0.6 to 0.97 of its cloth, ${metres(0.6 * bed.length)} to ${metres(0.97 * bed.length)}; 0 is none.`,
      ),
    );
  return out;
}

/** What the fields of straps allow but the whole does not. */
export function strapsProblems(straps: KitStraps): Problem[] {
  const out: Problem[] = [];
  if (webbingOf(straps) === undefined)
    out.push({ field: 'webbing', message: `The catalogue has no webbing “${straps.webbing}”. Choose another.` });
  if (straps.own !== undefined) {
    out.push(...ownProblems(straps.own));
    if (straps.own.width <= 0) out.push({ field: 'own.width', message: 'A strap is flat: measure how wide it is.' });
  }
  if (straps.adjust !== 'hitch' && loopAt(straps, straps.count) > straps.length + 1e-9)
    out.push(
      problem(
        'count',
        phrase`${straps.count} ${ADJUSTMENTS[straps.adjust].one}s reach ${metres(loopAt(straps, straps.count))} along a strap of ${metres(straps.length)}. Lessen their number or their distance.`,
      ),
    );
  return out;
}

/** What straps are made of; undefined where the catalogue does not know it. */
export function webbingOf({ webbing, own }: Pick<KitStraps, 'webbing' | 'own'>): Webbing | undefined {
  return own !== undefined && webbing === OWN ? { ...ownCord(own), width: own.width } : findWebbing(webbing);
}

/** Mass of a bed, kg. */
export function bedMass(bed: KitBed): number {
  return bed.mass > 0 ? bed.mass : (findBedCloth(bed.cloth)?.mass.typical ?? 0.08) * bed.length * bed.width + 0.1;
}

/** Where along its strap loop k is, from the trunk's end, m. @param k 1 is the first */
export const loopAt = (straps: KitStraps, k: number): number => straps.first + (k - 1) * straps.spacing;

/** Cord length that a strap spends on its trunk, m: its wraps, each a little longer than the bark it lies on. */
export function wrapsTake(straps: KitStraps, wraps: number, girth: number): number {
  const thick = webbingOf(straps)?.diameter ?? 0.0015;
  return wraps * (girth + Math.PI * thick);
}

/** Least strap free of the trunk, m: the eye and the connector need room. Judgement. */
export const LEAST_FREE = 0.08;
/** Tail of a strap beyond a hitch, m. */
export const HITCH_TAIL = 0.25;

/** One way of setting a strap at its trunk. */
export interface StrapSet {
  readonly wraps: number;
  /** Loop, counted from the trunk; 0 where a hitch can be anywhere. */
  readonly loop: number;
  /** Strap between bark and bed, unstressed, m. */
  readonly free: number;
}

/** Free length of a strap with these wraps at this loop, m; what is left when nothing is, is negative. */
export function freeAt(straps: KitStraps, wraps: number, loop: number, girth: number): number {
  return loopAt(straps, loop) - wrapsTake(straps, wraps, girth);
}

/** Longest free strap with these wraps, m. */
export function mostFree(straps: KitStraps, wraps: number, girth: number): number {
  const end = straps.adjust === 'hitch' ? straps.length - HITCH_TAIL : loopAt(straps, straps.count);
  return end - wrapsTake(straps, wraps, girth);
}

/** Wraps tried on a trunk. */
export const MOST_WRAPS = 4;
/** A hitch anywhere is set to the nearest so many metres. */
export const HITCH_STEP = 0.02;

/** Every way of setting a strap on a trunk of this girth, shortest free length first. */
export function strapSets(straps: KitStraps, girth: number): StrapSet[] {
  const out: StrapSet[] = [];
  for (let wraps = 1; wraps <= MOST_WRAPS; wraps++) {
    if (straps.adjust === 'hitch') {
      // more wraps are only a shorter strap where it can be tied anywhere
      if (wraps > 1) break;
      const most = mostFree(straps, wraps, girth);
      for (let n = Math.ceil(LEAST_FREE / HITCH_STEP); n * HITCH_STEP <= most + 1e-9; n++)
        out.push({ wraps, loop: 0, free: n * HITCH_STEP });
      continue;
    }
    for (let loop = 1; loop <= straps.count; loop++) {
      const free = freeAt(straps, wraps, loop, girth);
      if (free >= LEAST_FREE) out.push({ wraps, loop, free });
    }
  }
  return out.sort((a, b) => a.free - b.free || a.wraps - b.wraps);
}

/** Strength of a strap at the loop it is held by, N. */
const heldBy = (s: KitStraps): number =>
  (webbingOf(s)?.strength.typical ?? 0) *
  ADJUSTMENTS[s.adjust].efficiency.typical *
  SUN[s.sun].typical *
  WEAR[s.wear].typical;

/** Straps as one takes them for trunks of these girths: those that go round them, or all where none does, the strongest first. */
export function takeStraps(straps: readonly KitStraps[], girths: readonly number[]): readonly KitStraps[] {
  const round = straps.filter((s) => girths.every((girth) => strapSets(s, girth).length > 0));
  return (round.length > 0 ? round : straps).toSorted((a, b) => heldBy(b) - heldBy(a));
}
