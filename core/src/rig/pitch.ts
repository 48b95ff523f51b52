import { cordOf } from '../cordage/index.js';
import type { KitCord } from '../cordage/index.js';
import { findHitch, findSoil } from '../catalogue/index.js';
import type { Problem } from '../document/index.js';
import type { Form, KitRoof, PitchForm } from '../roof/index.js';
import { PITCH_FORMS, PITCH_TRAITS } from '../roof/index.js';
import { supportOf } from '../support/index.js';
import type { Gear } from './gear.js';
import { MOST_GUYS } from './limits.js';
import type { LeadId } from './choices.js';
import type { Guy, Pitch, RoofHitch } from './pitch-document.js';
import type { LineContext } from './ridge.js';
import type { RidgeRig } from './rig-document.js';

/** What a pitched rig is judged with. */
export interface RigContext extends Omit<LineContext, 'pegs'>, Gear {}

/** The guy at a key as it is: the common one with what is its own. */
export function guyOf(pitch: Pitch, key: string): Guy {
  return { ...pitch.guy, ...pitch.own[key] };
}

/** What a roof hangs by: its form's ridgeline, unless it is tied by its ends instead. */
export function hangsBy({ form, line }: Pick<Pitch, 'form' | 'line'>): Form['hangs'] {
  const { hangs } = PITCH_TRAITS[form];
  return hangs === 'ridge' && line === 'none' ? 'ends' : hangs;
}

/** Whether a line has a drip line tied on; over a bed the bed tells of the ridgeline's. */
export const hasDrip = ({ pitch, bed }: Pick<RidgeRig, 'pitch' | 'bed'>, id: LeadId): boolean =>
  pitch?.drips?.includes(id) === true ||
  (id === 'ridge0' && bed?.ridgeDrip[0] === true) ||
  (id === 'ridge1' && bed?.ridgeDrip[1] === true);

/** A pitch to begin with, in a form's usual shape. */
export function freshPitch(
  form: PitchForm,
  roof: KitRoof,
  kit: { readonly guyCord: string; readonly hitchCord: string; readonly pegs: string },
  middle: number,
): Pitch {
  const hitch: RoofHitch = { type: 'loop', cord: kit.hitchCord, wraps: 3, crossed: false, loop: 0.12, slid: 0 };
  return {
    roof: roof.id,
    form,
    shape: { edges: [0.5, 0.5], awning: 0.25, prop: 1.2, lift: 0.1, flap: 0.3, ...PITCH_TRAITS[form].usual },
    bearing: Math.PI / 2,
    windFrom: 0,
    crossRise: 0,
    soil: 'turf',
    middle,
    line: 'under',
    hitches: [hitch, hitch],
    spread: 40,
    guy: {
      cord: kit.guyCord,
      haul: 40,
      hitch: 'adjustable',
      wraps: 3,
      anchor: { kind: 'peg', pegs: kit.pegs, inLine: 1, lean: 0.35 },
      foot: null,
      stick: -1,
      off: false,
    },
    own: {},
    order: [],
    stick: 0.03,
  };
}

/** Guys are cord at least this thick, m: thinner cuts hands and tangles. Judgement. */
const GUY_CORD = 0.0025;

/** Cords and pegs of a kit that suit a fresh pitch on a ridgeline: the thinnest that do, the most pegs; null where it has none. */
export function freshKit(
  kit: readonly KitCord[],
  pegs: readonly { readonly id: string; readonly count: number }[],
  ridge: string,
): { readonly guyCord: string; readonly hitchCord: string; readonly pegs: string } | null {
  const thickness = (hank: KitCord): number => cordOf(hank)?.diameter ?? 0;
  const cords = kit.filter((k) => cordOf(k)?.bears === true).sort((a, b) => thickness(a) - thickness(b));
  const peg = [...pegs].sort((a, b) => b.count - a.count)[0];
  if (cords.length === 0 || peg === undefined) return null;
  // a hitch wants cord of half the ridge's thickness
  const ridgeCord = kit.find((k) => k.id === ridge);
  const wanted = ridgeCord === undefined ? 0 : thickness(ridgeCord) / 2;
  const hitch = [...cords].sort((a, b) => Math.abs(thickness(a) - wanted) - Math.abs(thickness(b) - wanted))[0]!;
  const guy = cords.find((c) => thickness(c) >= GUY_CORD) ?? cords[0]!;
  return { guyCord: guy.id, hitchCord: hitch.id, pegs: peg.id };
}

/** What the fields allow but the whole does not: each with the field and the remedy. */
export function pitchProblems(rig: RidgeRig, context: RigContext): Problem[] {
  const { pitch } = rig;
  if (pitch === undefined) return [];
  const out: Problem[] = [];
  const say = (field: string, message: string): number => out.push({ field: `pitch.${field}`, message });
  const cord = (field: string, id: string, what: string): void => {
    if (!context.kit.some((k) => k.id === id))
      say(field, `The cord of ${what} is no longer in the kit. Choose another.`);
  };
  if (!context.roofs.some((r) => r.id === pitch.roof))
    say('roof', 'This roof is no longer in the kit. Choose another.');
  if (!PITCH_FORMS.includes(pitch.form)) say('form', `The form must be one of ${PITCH_FORMS.join(', ')}.`);
  if (findSoil(pitch.soil) === undefined) say('soil', `The catalogue has no soil “${pitch.soil}”. Choose another.`);
  pitch.hitches.forEach((h, i) => {
    cord(`hitches.${i}.cord`, h.cord, 'a hitch');
    if (findHitch(h.type) === undefined)
      say(`hitches.${i}.type`, `The catalogue has no hitch “${h.type}”. Choose another.`);
  });
  const guys: readonly (readonly [string, Guy])[] = [
    ['guy', pitch.guy],
    ...Object.keys(pitch.own).map((key): [string, Guy] => [`own.${key}`, guyOf(pitch, key)]),
  ];
  if (guys.length > MOST_GUYS + 1) say('own', `At most ${MOST_GUYS} guys can differ from the rest.`);
  for (const [field, guy] of guys) {
    cord(`${field}.cord`, guy.cord, 'a guy');
    const { anchor } = guy;
    for (const p of supportOf(anchor).problems(anchor, context.pegs)) say(`${field}.anchor.${p.field}`, p.message);
  }
  return out;
}
