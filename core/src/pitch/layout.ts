import { diameterOf } from '../anchor/index.js';
import { findSoil, findWood } from '../catalogue/index.js';
import type { Hold } from '../catalogue/index.js';
import type { BodyMeasures, Vec3 } from '../quantity/index.js';
import { metres, norm, phrase, sub } from '../quantity/index.js';
import { RigProblem, USUAL_PROPS, anchorOf, guyOf, lineFoot, measuredSpan, tiedTo, treeAt } from '../rig/index.js';
import type { Guy, Pitch, RigContext, RidgeRig } from '../rig/index.js';
import { FormProblem, planForm, tieOutAt } from '../roof/index.js';
import type { FormPlan, Key, KitRoof, Setting } from '../roof/index.js';
import type { GuyAnchor } from '../support/index.js';
import { tiedByEnds } from './end-tied.js';
import { placesOf } from './place.js';
import { keyOfGuyTree, keyOfLine, supportOf } from '../support/index.js';

/** A cord from the cloth to something beyond it, where it is meant to go. */
export interface Reach {
  readonly key: Key;
  /** `peg`: no more than a loop; `guy`: a cord; `tie`: to a trunk. */
  readonly kind: 'peg' | 'guy' | 'tie';
  /** Trunk of a tie. */
  readonly end: 0 | 1;
  readonly guy: Guy;
  /** Where its far end is, m. */
  readonly foot: Vec3;
  /** How the tie-out is held in the cloth. */
  readonly hold: Hold;
  /** Height of a stick under the tie-out, m; 0 without one. */
  readonly stick: number;
}

/** A stick: its head at a key, its foot on the ground. */
export interface Stick {
  readonly id: string;
  readonly name: string;
  readonly key: Key;
  readonly foot: Vec3;
  /** m; null where it is as long as the form has its head over its foot. */
  readonly length: number | null;
  /** m thick; as all sticks of the rig where it is left out. */
  readonly thick?: number;
  /** Of its wood, Pa; of the usual stick where it is left out. */
  readonly modulus?: number;
}

/** Where everything of a pitched rig is meant to be, before anything pulls. */
export interface PitchLayout {
  readonly plan: FormPlan;
  /** Tie-outs along the edges that have no guy and could take one. */
  readonly spare: readonly Key[];
  /** The cloth's middle where it could be drawn up or propped; null where the form holds it itself. */
  readonly up: Key | null;
  readonly setting: Setting;
  readonly roof: KitRoof;
  readonly reaches: readonly Reach[];
  readonly sticks: readonly Stick[];
  /** How the cloth is held at its two ends on the ridge. */
  readonly hitchHolds: readonly [Hold, Hold];
  /** Keys that the form must gather because the roof has no tie-out there. */
  readonly gathered: readonly string[];
}

/** A guy flatter than this needs a stick under its tie-out, rad; and the steepest it then comes down at. Judgement. */
const FLATTEST = 0.35;
const FROM_STICK = Math.PI / 4;
/** A guy steeper than this is set farther out, rad. Judgement: steeper ones draw pegs. */
const STEEPEST = 1.05;
/** Loop from a pegged tie-out to its peg, m. */
const PEG_LOOP = 0.1;
const GUY_NAME = { peg: 'peg', guy: 'guy', tie: 'tie' } as const;
export const reachName = ({ kind, key }: Pick<Reach, 'kind' | 'key'>): string =>
  isStay({ key }) ? key.name : `${key.name} ${GUY_NAME[kind]}`;

/** Key of the cloth's middle, drawn up. */
const UP = 'up';
/** Least that what the middle is drawn up to is over it, m. Judgement. */
const ROOM_ABOVE = 0.3;

/** A stick that stands under a point of the cloth. @param asked its length, m; -1 as long as the form has it */
const stickUnder = (key: Key, asked: number, ground: (x: number, y: number) => number): Stick => ({
  id: `s${key.id}`,
  name: `stick ${key.role.to === 'up' ? 'under' : 'at'} the ${key.name}`,
  key,
  foot: [key.at[0], key.at[1], ground(key.at[0], key.at[1])],
  length: asked > 0 ? asked : null,
});

/** Height of the ground under a rig: along the span between the trunks' feet, and across it. */
export function groundOf(rig: RidgeRig, span: number): (x: number, y: number) => number {
  const along = rig.groundRise / span;
  const across = rig.pitch?.crossRise ?? 0;
  return (x, y) => along * x + across * y;
}

/** Direction out of the ground of a plane through the first trunk's foot. */
export const upFrom = (ground: (x: number, y: number) => number): Vec3 => [-ground(1, 0), -ground(0, 1), 1];

/**
 * Lays a rig's roof out in its form: where each point of the cloth goes, which ones are held and by what, and where the
 * guys' feet are when they follow the cloth.
 * @throws RigProblem naming the field to change
 */
export function layoutOf(rig: RidgeRig, context: RigContext): PitchLayout {
  const pitch = rig.pitch!;
  const roof = context.roofs.find((r) => r.id === pitch.roof)!;
  const span = measuredSpan(rig, context.body);
  const ground = groundOf(rig, span);
  const tie = (i: 0 | 1): Vec3 => {
    const x = i === 0 ? 0 : span;
    return [x, 0, ground(x, 0) + rig.trunks[i].tieHeight];
  };
  const setting: Setting = {
    length: roof.length,
    width: roof.width,
    ties: [tie(0), tie(1)],
    middle: pitch.middle,
    ground,
    shape: pitch.shape,
  };
  let formed: Pick<PitchLayout, 'plan' | 'spare' | 'up'>;
  try {
    const plan = planForm(pitch.form, setting);
    formed = withTieOuts(pitch.line === 'none' ? tiedByEnds(plan) : plan, roof, pitch.own);
  } catch (error) {
    if (error instanceof FormProblem)
      throw new RigProblem(error.field.startsWith('shape') ? `pitch.${error.field}` : error.field, error.said);
    throw error;
  }
  const { plan } = formed;
  const props = pitch.props ?? USUAL_PROPS;
  const byId = new Map(plan.keys.map((k) => [k.id, k]));
  const centre = middleOf(plan);
  const gathered: string[] = [];
  const reaches: Reach[] = [];
  const sticks: Stick[] = [];
  const hitchHolds: [Hold, Hold] = ['gathered', 'gathered'];
  for (const key of plan.keys) {
    const { role } = key;
    if (role.to === 'fold' || role.to === 'stay') continue;
    const tieOut = tieOutAt(roof, key.flat[0], key.flat[1]);
    if (tieOut === undefined && key.optional === true) continue;
    const hold = tieOut?.hold ?? 'gathered';
    if (tieOut === undefined && role.to !== 'prop') gathered.push(key.name);
    if (role.to === 'prop') {
      const spread = role.sticks === 2 ? 0.3 : 0;
      for (const side of role.sticks === 2 ? [1, -1] : [0]) {
        // a raked prop leans its head away from the cloth, its foot under it
        const inward = Math.hypot(centre[0] - key.at[0], centre[1] - key.at[1]);
        const back = inward < 1e-6 ? 0 : ((key.at[2] - ground(key.at[0], key.at[1])) * Math.tan(props.rake)) / inward;
        const foot: [number, number] = [
          key.at[0] + back * (centre[0] - key.at[0]),
          key.at[1] + back * (centre[1] - key.at[1]) + side * spread,
        ];
        sticks.push({
          id: `${key.id}${side === -1 ? '-' : ''}`,
          name: role.sticks === 2 ? `${side === 1 ? 'left' : 'right'} stick of the A` : 'prop',
          key,
          foot: [foot[0], foot[1], ground(...foot)],
          length: null,
        });
      }
      continue;
    }
    if (role.to === 'hitch') {
      hitchHolds[role.end] = hold;
      continue;
    }
    const guy = guyOf(pitch, key.id);
    if (role.to === 'up' && guy.stick > 0) {
      sticks.push(stickUnder(key, guy.stick, ground));
      continue;
    }
    if (role.to === 'up') {
      const up = supportOf(guy.anchor).tieHeight(guy.anchor);
      const [x, y] = key.at;
      if (up < key.at[2] - ground(x, y) + ROOM_ABOVE)
        throw new RigProblem(
          `pitch.own.${key.id}.anchor`,
          phrase`The middle hangs at ${metres(key.at[2] - ground(x, y))} and is drawn up to something over it: a branch, or a tree tied to higher up. Choose one, or put a stick under it.`,
        );
    }
    if (guy.off && role.to !== 'trunk') continue;
    if (role.to === 'trunk') {
      reaches.push({ key, kind: 'tie', end: role.end, guy, hold, foot: tie(role.end), stick: 0 });
      continue;
    }
    if (role.to === 'up') {
      const [x, y] = guy.foot ?? key.at;
      const foot: Vec3 = [x, y, ground(x, y) + supportOf(guy.anchor).tieHeight(guy.anchor)];
      reaches.push({ key, kind: 'guy', end: 0, guy, hold, foot, stick: 0 });
      continue;
    }
    const from =
      role.to === 'guy' ? byId.get(role.from)!.at : role.from === undefined ? centre : byId.get(role.from)!.at;
    const { foot, stick } = footOf(key, from, role.to, guy, ground, () => bestFor(guy, context, pitch.soil));
    reaches.push({ key, kind: role.to, end: 0, guy, hold, foot, stick });
    if (stick > 0) sticks.push(stickUnder(key, guy.stick, ground));
  }
  const poles = polesOf(rig, setting, plan.ridge !== null, reaches);
  reaches.push(...poles.flatMap((p) => p.stays));
  sticks.push(...poles.map((p) => p.stick));
  return { ...formed, setting, roof, reaches: toShared(rig, context, reaches, ground), sticks, hitchHolds, gathered };
}

/** Poles that the ridge or the ends are tied to, each with its stays hauled until the bare line no longer moves its head. */
function polesOf(
  rig: RidgeRig,
  { ties, ground }: Setting,
  ridged: boolean,
  reaches: readonly Reach[],
): { readonly stick: Stick; readonly stays: readonly Reach[] }[] {
  const pitch = rig.pitch!;
  return ([0, 1] as const).flatMap((end) => {
    const { stand, name, girth, wood } = rig.trunks[end];
    const used = ridged || reaches.some((r) => r.kind === 'tie' && r.end === end);
    if (stand?.kind !== 'pole' || !used) return [];
    const head = ties[end];
    const away = end === 0 ? -1 : 1;
    const key = (side: -1 | 1): Key => ({
      id: `stay${end}${side === -1 ? 'r' : 'l'}`,
      name: `${side === 1 ? 'left' : 'right'} stay of ${name}`,
      flat: [away * FAR, side * FAR],
      at: head,
      role: { to: 'stay', end, side },
    });
    const stays = ([1, -1] as const).map((side): Reach => {
      const k = key(side);
      const { anchor, cord, out, spread } = stand;
      const own: Guy = { ...pitch.guy, anchor, cord, foot: null, ...pitch.own[k.id], stick: 0, off: false };
      const [x, y] = own.foot ?? [head[0] + away * out, head[1] + side * spread];
      const foot: Vec3 = [x, y, ground(x, y) + supportOf(own.anchor).tieHeight(own.anchor)];
      return { key: k, kind: 'guy', end, guy: own, hold: 'loop', foot, stick: 0 };
    });
    const stick: Stick = {
      id: `pole${end}`,
      name,
      key: key(1),
      foot: [head[0], head[1], ground(head[0], head[1])],
      length: null,
      thick: diameterOf(girth),
      ...(findWood(wood) === undefined ? {} : { modulus: findWood(wood)!.modulus.typical }),
    };
    return [{ stick, stays }];
  });
}
/** So far out of the cloth that no point of it is taken for a stay's, m. */
const FAR = 100;

/** Whether a cord holds up a pole of the ridgeline, and no part of the cloth. */
export const isStay = ({ key }: Pick<Reach, 'key'>): boolean => key.role.to === 'stay';

/** The same cords with those to a tree of the rig, or to what holds another line, ending where that is. */
function toShared(
  rig: RidgeRig,
  context: RigContext,
  reaches: readonly Reach[],
  ground: (x: number, y: number) => number,
): Reach[] {
  return reaches.map((r) => {
    const { anchor } = r.guy;
    if (r.kind === 'tie') return r;
    const at = sharedPlace(rig, context.body, anchor, `pitch.own.${r.key.id}.anchor`, () => reaches);
    return at === null ? r : { ...r, foot: [...at, ground(...at) + heldAt(rig, anchor)] };
  });
}

/** Height at which a line is held, m, by what it names or by what holds the line that it names. */
function heldAt(rig: RidgeRig, anchor: GuyAnchor): number {
  const own = anchor.kind === 'same' ? (anchorOf(rig, anchor.line) ?? anchor) : anchor;
  return supportOf(own).tieHeight(own);
}

/**
 * Where something stands that more than one line comes to, m on the plan; null for what a line has for itself.
 * @throws RigProblem where no guy of this form has it
 */
function sharedPlace(
  rig: RidgeRig,
  body: BodyMeasures,
  anchor: GuyAnchor,
  field: string,
  reaches: () => readonly Reach[],
): readonly [number, number] | null {
  if (anchor.kind !== 'tree' && anchor.kind !== 'same') return null;
  const [told, key] =
    anchor.kind === 'tree'
      ? [treeAt(rig, body, anchor.tree), keyOfGuyTree(anchor.tree)]
      : [lineFoot(rig, body, anchor.line), keyOfLine(anchor.line)];
  const at = told ?? reaches().find((r) => r.key.id === key)?.foot;
  if (at === undefined)
    throw new RigProblem(
      `${field}.${anchor.kind === 'tree' ? 'tree' : 'line'}`,
      `The guy that has it is not in this form. Choose another ${anchor.kind === 'tree' ? 'tree' : 'line'}, or what else holds it.`,
    );
  return [at[0], at[1]];
}

/** The same for a line that is none of the roof's. @param field of the document that names it */
export const placeOfShared = (
  rig: RidgeRig,
  context: RigContext,
  anchor: GuyAnchor,
  field: string,
): readonly [number, number] | null =>
  sharedPlace(rig, context.body, anchor, field, () => (rig.pitch === undefined ? [] : layoutOf(rig, context).reaches));

/** A form with the tie-outs it uses on this roof, those along its edges that could be guyed besides, and its middle. */
function withTieOuts(plan: FormPlan, roof: KitRoof, own: Pitch['own']): Pick<PitchLayout, 'plan' | 'spare' | 'up'> {
  const there = plan.keys.filter((k) => k.spare !== true || tieOutAt(roof, k.flat[0], k.flat[1]) !== undefined);
  const isOn = (k: Key): boolean => own[k.id]?.off === false;
  const used = (k: Key): boolean => k.spare !== true || isOn(k);
  const keys = there.filter(used);
  const spare = there.filter((k) => !used(k));
  const up = middleUp(plan);
  const held = up === null || !isOn(up) ? keys : [...keys.filter((k) => k.id !== up.id), up];
  return { plan: { ...plan, keys: held }, spare, up };
}

/** Within this of the cloth's middle a point is its middle, m. */
const MIDDLE = 1e-6;

/** The cloth's middle as a point to draw up or to prop; null where the form holds it, lays it on its ridge or on the ground. */
function middleUp(plan: FormPlan): Key | null {
  const here = plan.keys.find((k) => Math.hypot(...k.flat) < MIDDLE);
  if (here !== undefined && here.role.to !== 'fold') return null;
  if (plan.ridge !== null) {
    const [[s0, t0], [s1, t1]] = plan.ridge;
    if (Math.abs(s0 * t1 - s1 * t0) / Math.hypot(s1 - s0, t1 - t0) < MIDDLE) return null;
  }
  const at = here?.at ?? placesOf(plan)(0, 0);
  return { id: here?.id ?? UP, name: 'middle', flat: [0, 0], at, role: { to: 'up' }, spare: true };
}

function middleOf(plan: FormPlan): Vec3 {
  const mean = (c: 0 | 1 | 2): number => plan.keys.reduce((sum, k) => sum + k.at[c], 0) / plan.keys.length;
  return [mean(0), mean(1), mean(2)];
}

/** The angle at which what holds a guy from a stick asks least of itself, rad: for pegs by their soil, else what is usual. */
function bestFor(guy: Guy, context: RigContext, soilId: string): number {
  const { anchor } = guy;
  const soil = findSoil(soilId);
  const best = soil === undefined ? null : supportOf(anchor).bestRise(anchor, soil, context.pegs, FLATTEST, FROM_STICK);
  return best ?? FROM_STICK;
}

/** The foot of a guy that follows the cloth: on the extension of the line from `from` through the tie-out. */
function footOf(
  key: Key,
  from: Vec3,
  to: 'guy' | 'peg',
  guy: Guy,
  ground: (x: number, y: number) => number,
  best: () => number,
): { readonly foot: Vec3; readonly stick: number } {
  const level = (x: number, y: number, raise: number): Vec3 => [x, y, ground(x, y) + raise];
  const tied = tiedTo(guy.anchor, key.id);
  const raise = supportOf(guy.anchor).tieHeight(guy.anchor);
  const away = Math.hypot(key.at[0] - from[0], key.at[1] - from[1]) || 1;
  const [ux, uy] = [(key.at[0] - from[0]) / away, (key.at[1] - from[1]) / away];
  const height = key.at[2] - ground(key.at[0], key.at[1]);
  const slope = Math.atan2(from[2] - key.at[2], away);
  const propped = key.role.to === 'guy' && (key.role.stick === true || slope < FLATTEST);
  const wanted = guy.stick < 0 ? (propped && tied === null ? height : 0) : guy.stick;
  const stick = height > 0.15 ? wanted : 0;
  if (guy.foot !== null) return { foot: level(guy.foot[0], guy.foot[1], raise), stick };
  if (to === 'peg') return { foot: level(key.at[0] + ux * PEG_LOOP, key.at[1] + uy * PEG_LOOP, raise), stick: 0 };
  const rise = stick > 0 ? best() : Math.min(STEEPEST, Math.max(slope, FLATTEST));
  // the ground may rise or fall on the way out
  let run = height / Math.tan(rise);
  for (let k = 0; k < 6; k++)
    run = Math.max(0.25, (key.at[2] - ground(key.at[0] + ux * run, key.at[1] + uy * run) - raise) / Math.tan(rise));
  return { foot: level(key.at[0] + ux * run, key.at[1] + uy * run, raise), stick };
}

/** How far the form's flat pieces are from keeping their lengths: largest stretch of a side between keys, share; slack is negative. */
export function closure(plan: FormPlan): { readonly stretched: number; readonly slack: number } {
  const byId = new Map(plan.keys.map((k) => [k.id, k]));
  let [stretched, slack] = [0, 0];
  for (const facet of plan.facets)
    for (let i = 0; i < 3; i++) {
      const [a, b] = [byId.get(facet[i]!)!, byId.get(facet[(i + 1) % 3]!)!];
      const flat = Math.hypot(a.flat[0] - b.flat[0], a.flat[1] - b.flat[1]);
      const e = norm(sub(a.at, b.at)) / flat - 1;
      stretched = Math.max(stretched, e);
      slack = Math.min(slack, e);
    }
  return { stretched, slack };
}
