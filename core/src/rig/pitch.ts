import type { Sign } from '../anchor/index.js';
import type { SnowFeel } from '../catalogue/index.js';
import { findCord, findHitch, findPeg, findSoil, findWood } from '../catalogue/index.js';
import type { KitRoof, PitchForm, Shape } from '../roof/index.js';
import { PITCH_FORMS, PITCH_TRAITS } from '../roof/index.js';
import type { Gear } from './gear.js';
import type { Limit, Problem, RidgeRig, Surroundings } from './ridge.js';
import { limit } from './ridge.js';

/** Pegs of one shape that a person has. */
export interface KitPegs {
  readonly id: string;
  readonly name: string;
  /** Id of a shape of the catalogue. */
  readonly shape: string;
  readonly count: number;
}

/** A peg that a person pulled, by heel or spring balance: replaces the model for that peg in that soil. */
export interface PegPull {
  /** Ids of the pegs in the kit and of the soil. */
  readonly pegs: string;
  readonly soil: string;
  /** Along the guy, N. */
  readonly force: number;
  /** Whether it moved at that pull, or held. */
  readonly moved: boolean;
  /** Whether the ground was soaked. */
  readonly wet: boolean;
}

/** A tree of the rig: one of its trunks, that of one of the bed's ends, or `guy-tree` and the key of a guy on a tree of its own. */
export type TreeId = 'trunk0' | 'trunk1' | 'bed-stem0' | 'bed-stem1' | `guy-tree ${string}`;

/** What holds the end of a guy: `stem`: a tree of its own; `tree`: one that something else of the rig is tied to as well. */
export type GuyAnchor =
  | { readonly kind: 'peg'; readonly pegs: string; readonly inLine: number; readonly lean: number }
  | {
      readonly kind: 'stem';
      readonly name: string;
      readonly wood: string;
      readonly girth: number;
      readonly height: number;
      readonly signs: readonly Sign[];
    }
  | { readonly kind: 'tree'; readonly tree: TreeId; readonly height: number }
  | { readonly kind: 'weight'; readonly name: string; readonly mass: number }
  | { readonly kind: 'buried'; readonly length: number; readonly width: number; readonly depth: number }
  | { readonly kind: 'root'; readonly name: string };
export const GUY_ANCHOR_NAMES: Readonly<Record<GuyAnchor['kind'], string>> = {
  peg: 'peg',
  stem: 'tree or sapling',
  tree: 'a tree of this rig',
  weight: 'log, boulder or bag',
  buried: 'buried bag or log',
  root: 'root',
};

/** How a guy is made fast. */
export const GUY_HITCHES = {
  adjustable: 'adjustable hitch',
  wraps: 'plain wraps',
  knot: 'fixed knot',
  elastic: 'adjustable hitch and elastic',
} as const;
export type GuyHitch = keyof typeof GUY_HITCHES;

export interface Guy {
  /** Id of a cord in the kit. */
  readonly cord: string;
  /** Pull it is hauled with, N. */
  readonly haul: number;
  readonly hitch: GuyHitch;
  readonly wraps: number;
  readonly anchor: GuyAnchor;
  /** Its foot on the plan, m; null follows the cloth. */
  readonly foot: readonly [x: number, y: number] | null;
  /** Stick under the tie-out, m: 0 none, -1 where the form needs one. */
  readonly stick: number;
  /** Left off altogether. */
  readonly off: boolean;
}

/** A friction hitch that carries an end of the roof. */
export interface RoofHitch {
  readonly type: string;
  readonly cord: string;
  readonly wraps: number;
  readonly crossed: boolean;
  /** Length of its loop, m. */
  readonly loop: number;
  /** How far it is slid out beyond where it was tied, m; negative is slid in. */
  readonly slid: number;
}

export const LINE_PLACES = {
  under: 'line under the cloth',
  over: 'line over the cloth',
  through: 'line through its loops',
} as const;
export type LinePlace = keyof typeof LINE_PLACES;

/** Snow as hand and eye tell it. */
export interface Snow {
  /** Id of how it feels. */
  readonly feel: SnowFeel;
  /** Depth that falls on level ground, m. */
  readonly depth: number;
}

/** A roof pitched on the ridge: everything about it that a person decides. SI; x along the span from the first tie. */
export interface Pitch {
  /** Id of a roof in the kit. */
  readonly roof: string;
  readonly form: PitchForm;
  readonly shape: Shape;
  /** Bearing from the first tie to the second, rad clockwise from north. */
  readonly bearing: number;
  /** Bearing the wind comes from, rad clockwise from north. */
  readonly windFrom: number;
  /** Rise of the ground to the left of the span, m per m. */
  readonly crossRise: number;
  readonly soil: string;
  /** Pegs pulled there; none when left out. */
  readonly pulls?: readonly PegPull[];
  /** Snow to lie on it; none when left out. */
  readonly snow?: Snow | undefined;
  /** Place of the roof's middle along the level span, m. */
  readonly middle: number;
  readonly line: LinePlace;
  readonly hitches: readonly [RoofHitch, RoofHitch];
  /** Pull with which the roof is slid out along the ridge, N. */
  readonly spread: number;
  /** What every guy is, unless it says otherwise in `own`, by the key of its tie-out. */
  readonly guy: Guy;
  readonly own: Readonly<Record<string, Partial<Guy>>>;
  /** Keys in the order in which guys are hauled tight; those not named follow, opposite ones in turn. */
  readonly order: readonly string[];
  /** Sticks that prop: m thick. */
  readonly stick: number;
}

/** What a pitched rig is judged with. */
export interface PitchSurroundings extends Surroundings, Gear {}

export const PITCH_LIMITS = {
  edge: limit('height of an edge', 'length', 0, 4),
  awning: limit('awning', 'share', 0, 0.5),
  prop: limit('prop', 'length', 0.3, 3),
  lift: limit('lift of the middle', 'length', 0, 0.8),
  flap: limit('strip of floor', 'length', 0, 1.5),
  bearing: limit('bearing', 'angle', 0, 2 * Math.PI),
  crossRise: limit('rise to the left', 'share', -0.6, 0.6),
  middle: limit('middle of the roof', 'length', -30, 60),
  loop: limit('loop', 'length', 0.03, 0.6),
  slid: limit('slide', 'length', -0.3, 0.3),
  hitchWraps: limit('wraps', 'count', 1, 6),
  spread: limit('spread along the ridge', 'force', 0, 600),
  haul: limit('haul of a guy', 'force', 0, 600),
  foot: limit('foot of a guy', 'length', -40, 80),
  guyStick: limit('stick under a tie-out', 'length', -1, 4),
  inLine: limit('pegs in line', 'count', 1, 4),
  lean: limit('lean of a peg', 'angle', -0.8, 0.8),
  girth: limit('girth', 'length', 0.05, 8),
  height: limit('height of a tie', 'length', 0, 3),
  mass: limit('mass', 'mass', 1, 20_000),
  buriedLength: limit('length of what is buried', 'length', 0.1, 3),
  buriedWidth: limit('width of what is buried', 'length', 0.05, 1),
  buriedDepth: limit('depth it is buried', 'length', 0.05, 1.5),
  stick: limit('thickness of the sticks', 'diameter', 0.01, 0.12),
  pegs: limit('number of pegs', 'count', 0, 200),
  pull: limit('pull on a peg', 'force', 10, 5000),
  snow: limit('depth of snow', 'length', 0, 1),
} as const satisfies Record<string, Limit>;
/** Pulled pegs that a rig may keep. */
export const MOST_PULLS = 20;
/** Guys that may differ from the rest, and names in the order of tightening. */
export const MOST_GUYS = 24;

/** The guy at a key as it is: the common one with what is its own. */
export function guyOf(pitch: Pitch, key: string): Guy {
  return { ...pitch.guy, ...pitch.own[key] };
}

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
  kit: readonly { readonly id: string; readonly cord: string }[],
  pegs: readonly { readonly id: string; readonly count: number }[],
  ridge: string,
): { readonly guyCord: string; readonly hitchCord: string; readonly pegs: string } | null {
  const thickness = (id: string): number => findCord(kit.find((c) => c.id === id)?.cord ?? '')?.diameter ?? 0;
  const cords = kit.filter((k) => findCord(k.cord)?.bears === true).sort((a, b) => thickness(a.id) - thickness(b.id));
  const peg = [...pegs].sort((a, b) => b.count - a.count)[0];
  if (cords.length === 0 || peg === undefined) return null;
  // a hitch wants cord of half the ridge's thickness
  const wanted = thickness(ridge) / 2;
  const hitch = [...cords].sort((a, b) => Math.abs(thickness(a.id) - wanted) - Math.abs(thickness(b.id) - wanted))[0]!;
  const guy = cords.find((c) => thickness(c.id) >= GUY_CORD) ?? cords[0]!;
  return { guyCord: guy.id, hitchCord: hitch.id, pegs: peg.id };
}

/** What the fields allow but the whole does not: each with the field and the remedy. */
export function pitchProblems(rig: RidgeRig, around: PitchSurroundings): Problem[] {
  const { pitch } = rig;
  if (pitch === undefined) return [];
  const out: Problem[] = [];
  const say = (field: string, message: string): number => out.push({ field: `pitch.${field}`, message });
  const cord = (field: string, id: string, what: string): void => {
    if (!around.kit.some((k) => k.id === id))
      say(field, `The cord of ${what} is no longer in the kit. Choose another.`);
  };
  if (!around.roofs.some((r) => r.id === pitch.roof)) say('roof', 'This roof is no longer in the kit. Choose another.');
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
    if (anchor.kind === 'peg') {
      const pegs = around.pegs.find((p) => p.id === anchor.pegs);
      if (pegs === undefined) say(`${field}.anchor.pegs`, 'These pegs are no longer in the kit. Choose others.');
      else if (findPeg(pegs.shape) === undefined)
        say(`${field}.anchor.pegs`, `The catalogue has no peg “${pegs.shape}”. Choose another shape in the kit.`);
    }
    if (anchor.kind === 'stem' && findWood(anchor.wood) === undefined)
      say(`${field}.anchor.wood`, `The catalogue has no wood “${anchor.wood}”. Choose another.`);
  }
  return out;
}
