import { SHELTERS } from '../catalogue/index.js';
import type { At, Form, JudgedSpan, Place, Thing } from '../ground/index.js';
import { bearingOf, kindOf, roundOf, soilAt } from '../ground/index.js';
import type { KitRoof } from '../roof/index.js';
import { formOf, opensIntoWind } from '../roof/index.js';
import type { KitPegs } from '../support/index.js';
import { PITCH_LIMITS, RIDGE_LIMITS } from './limits.js';
import type { Pitch } from './pitch-document.js';
import { freshKit, freshPitch } from './pitch.js';
import type { KitCord } from './ridge.js';
import { END_ROOM } from './ridge.js';
import type { RidgeRig, Trunk } from './rig-document.js';
import type { PoleStand } from './stand.js';
import { usualPole } from './stand.js';

const clamp = (v: number, min: number, max: number): number => Math.min(max, Math.max(min, v));
const centimetre = (v: number): number => Math.round(v * 100) / 100;

/** A thing of the ground as a trunk that a ridge is tied to. @param pole stays of one that is to be set; taken on one's word without */
function trunkOf(t: Thing, tieHeight: number, pole: PoleStand | null): Trunk {
  const { girth, lump } = RIDGE_LIMITS;
  const { wood, signs, onWord, held } = kindOf(t).trunk(t);
  const stand =
    held?.by === 'mass' ? { kind: 'lump' as const, mass: clamp(held.mass, lump.min, lump.max) } : held && pole;
  return {
    name: inSentence(t.name),
    wood,
    girth: clamp(roundOf(t), girth.min, girth.max),
    tieHeight,
    signs,
    ...(stand ? { stand } : onWord ? { standsOnWord: true } : {}),
  };
}

/** How a thing is called in the middle of a sentence: "the upstream alder", "tree 2", "my post". */
function inSentence(name: string): string {
  const small = `${name.charAt(0).toLowerCase()}${name.slice(1)}`;
  if (/^(the|a|an|my|our) /i.test(name)) return name;
  // a number is name enough
  return /\d$/.test(name) ? small : `the ${small}`;
}

/** How a roof lies on a span of a place: which way it runs, the wind, the soil and the fall across it. */
export function lieAt(place: Place, from: At, to: At): Pick<Pitch, 'bearing' | 'windFrom' | 'soil' | 'crossRise'> {
  const bearing = bearingOf(from, to);
  const middle: At = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const { fall, toward } = place.slope;
  const rise = -fall * Math.cos(toward - (bearing - Math.PI / 2));
  const { min, max } = PITCH_LIMITS.crossRise;
  return {
    bearing,
    windFrom: place.wind.from,
    soil: soilAt(place, middle),
    crossRise: clamp(Math.round(rise * 1000) / 1000 + 0, min, max),
  };
}

/** A pitched roof turned onto a span: centred, in this place's wind, slope and soil; its guys follow the cloth again. */
function pitchAt(pitch: Pitch, place: Place, from: At, to: At, span: number): Pitch {
  return {
    ...pitch,
    ...lieAt(place, from, to),
    middle: centimetre(span / 2),
    own: Object.fromEntries(Object.entries(pitch.own).map(([key, guy]) => [key, { ...guy, foot: null }])),
  };
}

/**
 * A span told from the end from which a form does not open into the wind of the place: first tie and second change places where they
 * must. A pole still to be set stays the second.
 */
export function leeward(place: Place, span: JudgedSpan, form: Form): JudgedSpan {
  if (form === 'none' || span.newPole) return span;
  return opensIntoWind(formOf(form), bearingOf(span.from.at, span.to.at), place.wind.from)
    ? { ...span, from: span.to, to: span.from, rise: -span.rise }
    : span;
}

/** Cloth this near to the wished size is the wished one, m. */
const SAME_CLOTH = 0.15;

/**
 * The roof a place wishes for, pitched on a rig that stands there: its form, on the cloth of the kit that has the wished size.
 * @returns the rig as it is where none is wished for, or the kit has none such or no pegs
 */
export function pitchedAsWished(
  place: Place,
  span: JudgedSpan,
  rig: RidgeRig,
  kit: { readonly cords: readonly KitCord[]; readonly roofs: readonly KitRoof[]; readonly pegs: readonly KitPegs[] },
): RidgeRig {
  const { form, roof: wished } = place.wish;
  const fresh = freshKit(kit.cords, kit.pegs, rig.cord);
  const off = (r: KitRoof): number =>
    Math.min(
      Math.hypot(r.length - wished.length, r.width - wished.width),
      Math.hypot(r.width - wished.length, r.length - wished.width),
    );
  const roof = [...kit.roofs].sort((a, b) => off(a) - off(b))[0];
  if (form === 'none' || fresh === null || roof === undefined || off(roof) > SAME_CLOTH) return rig;
  const pitch = freshPitch(form, roof, fresh, rig.span.tape / 2);
  return {
    ...rig,
    pitch: pitchAt(pitch, place, span.from.at, span.to.at, rig.span.tape),
  };
}

/**
 * A rig moved to a span of the ground: its trunks, their distance and rise, the wind; the roof keeps its length and is
 * centred. Walls and fire stay where they were; everything else is as it was tied.
 * @param pegs of the kit: what holds the stays of a pole that is to be set
 */
export function rigAt(
  place: Place,
  placeId: string,
  span: JudgedSpan,
  rig: RidgeRig,
  pegs: readonly KitPegs[],
): RidgeRig {
  // what stood round it where it was stays there
  const { walls, fire, ...moved } = rig;
  void [walls, fire];
  const { wish, wind } = place;
  const tie = (i: 0 | 1): number => {
    // level ends over unlevel feet, as one ties them
    const own =
      wish.form === 'none' ? rig.trunks[i].tieHeight : wish.ridgeHeight + (i === 0 ? span.rise : -span.rise) / 2;
    return centimetre(clamp(own, RIDGE_LIMITS.tieHeight.min, RIDGE_LIMITS.tieHeight.max));
  };
  const pole = pegs.length === 0 ? null : usualPole(rig.pitch?.guy.cord ?? rig.cord, pegs);
  const tape = centimetre(clamp(span.span, RIDGE_LIMITS.span.min, RIDGE_LIMITS.span.max));
  return {
    ...moved,
    span: { ...rig.span, how: 'tape', tape, sd: Math.round(span.sd * 1000) / 1000 },
    groundRise: centimetre(clamp(span.rise, RIDGE_LIMITS.groundRise.min, RIDGE_LIMITS.groundRise.max)),
    trunks: [trunkOf(span.from, tie(0), pole), trunkOf(span.to, tie(1), pole)],
    hung: rig.hung.map((h) => ({ ...h, at: centimetre(clamp(h.at, END_ROOM, tape - END_ROOM)) })),
    tensioning: { ...rig.tensioning, dip: { ...rig.tensioning.dip, at: centimetre(tape / 2) } },
    wind: { beaufort: wind.beaufort, shelter: wind.shelter in SHELTERS ? wind.shelter : rig.wind.shelter },
    ...(rig.pitch === undefined ? {} : { pitch: pitchAt(rig.pitch, place, span.from.at, span.to.at, tape) }),
    site: { place: placeId, from: span.from.id, to: span.newPole ? '' : span.to.id },
  };
}
