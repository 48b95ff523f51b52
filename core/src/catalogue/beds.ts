import type { Constant } from './evidence.js';
import { FIBRE_TRAITS } from './cords.js';
import type { Cord } from './cords.js';

type Three = readonly [low: number, typical: number, high: number];
const of = (symbol: string, title: string, quantity: Constant['quantity'], [low, typical, high]: Three, citation: string, kind: Constant['kind'] = 'judgement'): Constant => ({ symbol, title, quantity, low, typical, high, kind, citation });

/** Cloth that is lain in, gathered at its ends. */
export interface BedCloth {
  readonly id: string;
  readonly name: string;
  /** kg/m^2. */
  readonly mass: Constant;
  /** Stiffness of a strip along the bed, N/m. */
  readonly stiffness: Constant;
  /** Breaking strength of a strip along the bed, N/m. */
  readonly strength: Constant;
  /** Length it gains for good in the first nights, share. */
  readonly settles: Constant;
  /** Length gained when soaked, share. */
  readonly wetGrowth: Constant;
}

const bedCloth = (id: string, name: string, grams: Three, stiffness: Three, kN: Three, settles: Three, wetGrowth: Three): BedCloth => ({
  id,
  name,
  mass: of('m_A', `mass of ${name} by area`, 'ratio', [grams[0] / 1000, grams[1] / 1000, grams[2] / 1000], 'Judgement from cloth lists; weigh the bed to replace it.'),
  stiffness: of('E_c', `stiffness of ${name} along the bed`, 'lineWeight', stiffness, 'Judgement: from the few per cent such cloth gives under a person; a tape along the bed, empty and lain in, replaces it.'),
  strength: of('f_c', `strength of ${name} along the bed`, 'lineWeight', [kN[0] * 1000, kN[1] * 1000, kN[2] * 1000], 'Judgement from strip tests of like cloth; the maker’s limit comes first.'),
  settles: of('s_c', `length ${name} gains for good`, 'share', settles, 'Judgement: new cloth settles most in its first night.'),
  wetGrowth: of('g_c', `length ${name} gains when soaked`, 'share', wetGrowth, 'Judgement: nylon lengthens, cotton shrinks.'),
});

export const BED_CLOTHS: readonly BedCloth[] = [
  bedCloth('nylon', 'soft woven nylon', [50, 65, 90], [7_000, 12_000, 20_000], [8, 13, 18], [0.003, 0.01, 0.02], [0.004, 0.012, 0.025]),
  bedCloth('polyester', 'woven polyester', [60, 80, 110], [14_000, 25_000, 40_000], [10, 16, 22], [0.001, 0.004, 0.01], [0, 0.001, 0.003]),
  bedCloth('cotton', 'cotton canvas', [220, 280, 350], [12_000, 22_000, 36_000], [10, 16, 24], [0.005, 0.015, 0.03], [-0.03, -0.015, 0]),
  bedCloth('string', 'knotted string net', [150, 220, 320], [3_000, 6_000, 12_000], [4, 8, 14], [0.01, 0.02, 0.05], [-0.01, 0.005, 0.02]),
];
export function findBedCloth(id: string): BedCloth | undefined {
  return BED_CLOTHS.find((c) => c.id === id);
}

/** Gathered cloth is not tight over its whole width. */
export const GATHERED: Constant = of('w_e', 'share of the width that carries in gathered cloth', 'share', [0.4, 0.6, 0.8], 'Judgement: the middle of the cloth carries, its sides hang loose.');

/** How bed cloth creeps and soaks. */
export const CLOTH_CREEP: Constant = of('k_c', 'pull that bed cloth loses per tenfold time', 'share', [0.02, 0.04, 0.08], 'Judgement: as cords of the same fibres do.');
export const BED_SOAKS: Constant = of('u_b', 'water in a soaked bed over its dry mass', 'share', [0.3, 0.5, 1], 'Judgement; weigh a soaked one to replace it.');
/** Half up on an elbow, the trunk's weight comes this far toward the head, m. */
export const LEANS_UP: Constant = of('s_l', 'way of the trunk toward the head in leaning out', 'length', [0.1, 0.15, 0.25], 'Judgement: half a forearm.');

/** Webbing of straps: a cord that is flat. */
export interface Webbing extends Cord {
  readonly width: number;
}

const webbing = (id: string, name: string, fibre: Cord['fibre'], mm: number, thick: number, grams: Three, kN: Three, strain: Three): Webbing => ({
  id,
  name,
  fibre,
  width: mm / 1000,
  diameter: thick / 1000,
  massPerMetre: of('m', `mass per metre of ${name}`, 'mass', [grams[0] / 1000, grams[1] / 1000, grams[2] / 1000], 'Judgement from webbing lists; weigh a known length to replace it.'),
  strength: of('MBS', `minimum breaking strength of ${name}`, 'force', [kN[0] * 1000, kN[1] * 1000, kN[2] * 1000], 'Judgement from the range of light to heavy webbing; use the label of your own strap.'),
  breakStrain: of('e_b', `stretch of ${name} at break`, 'strain', strain, `Judgement: ${FIBRE_TRAITS[fibre].name} webbing, woven.`),
  bears: true,
  known: true,
});

export const WEBBINGS: readonly Webbing[] = [
  webbing('polyester-25', 'polyester webbing, 25 mm', 'polyester', 25, 1.2, [22, 32, 45], [7, 10, 14], [0.08, 0.11, 0.15]),
  webbing('polyester-50', 'polyester webbing, 50 mm', 'polyester', 50, 1.4, [50, 70, 95], [15, 22, 30], [0.08, 0.11, 0.15]),
  webbing('nylon-25', 'nylon webbing, 25 mm', 'nylon', 25, 1.6, [28, 40, 52], [8, 12, 17], [0.18, 0.24, 0.32]),
  webbing('uhmwpe-20', 'UHMWPE webbing, 20 mm', 'uhmwpe', 20, 1, [9, 13, 18], [7, 10, 14], [0.03, 0.038, 0.045]),
];
export function findWebbing(id: string): Webbing | undefined {
  return WEBBINGS.find((w) => w.id === id);
}

/** How a strap is made longer or shorter, and what that leaves of it. */
export const ADJUSTMENTS = {
  loops: {
    name: 'sewn loops',
    one: 'loop',
    efficiency: of('f_loop', 'strength kept in a sewn loop', 'share', [0.65, 0.8, 0.95], 'Judgement: a good bartacked loop keeps most of its webbing.'),
  },
  knots: {
    name: 'knots at intervals',
    one: 'knot',
    efficiency: of('f_loop', 'strength kept in a knotted loop', 'share', [0.45, 0.55, 0.68], 'Judgement: an overhand loop in webbing, within the range of published tests of cord.'),
  },
  hitch: {
    name: 'a hitch anywhere',
    one: 'hitch',
    efficiency: of('f_loop', 'strength kept in a slipped hitch of webbing', 'share', [0.4, 0.55, 0.7], 'Judgement: no test is known; bounded by similar knots.'),
  },
} as const;
export type Adjustment = keyof typeof ADJUSTMENTS;

/** The strap's own eye, through which it is passed round the trunk. */
export const STRAP_EYE: Constant = of('f_eye', 'strength kept where the strap passes through its own eye', 'share', [0.6, 0.75, 0.9], 'Judgement: the eye is bent hard; further wraps relieve it.');

/** What joins bed and strap. */
export const CONNECTORS = {
  hook: {
    name: 'closed metal hook',
    drips: true,
    strength: of('R_k', 'strength of a closed metal hook', 'force', [8_000, 12_000, 20_000], 'Judgement: one marked for loads on people; an unmarked one is unknown and is not hung from.'),
  },
  soft: {
    name: 'soft loop of slick braid',
    drips: false,
    strength: of('R_k', 'strength of a soft loop with its button knot', 'force', [4_000, 6_500, 10_000], 'Judgement: doubled 3 mm braid in a button knot.'),
  },
  toggle: {
    name: 'toggle through a loop',
    drips: false,
    strength: of('R_k', 'strength of a green stick as a toggle', 'force', [800, 2_000, 4_000], 'Judgement: a green hardwood stick as thick as a thumb, short between the loops; wet or dead ones snap.'),
  },
  knot: {
    name: 'slipped hitch of its own cord',
    drips: false,
    strength: of('R_k', 'strength of doubled 4 mm cord in its hitch', 'force', [2_500, 3_600, 5_000], 'Judgement: doubled cord, less its knot.'),
  },
} as const satisfies Record<string, { name: string; drips: boolean; strength: Constant }>;
export type Connector = keyof typeof CONNECTORS;

/**
 * A person along their length: end of each part from the top of the head, share of stature, and its share of the mass
 * (Winter, Biomechanics and Motor Control of Human Movement, 4th ed. 2009, table 4.1 and figure 4.1; both sides together).
 */
export const BODY_PARTS = [
  { name: 'head and neck', to: 0.182, mass: 0.081 },
  { name: 'trunk and arms', to: 0.47, mass: 0.597 },
  { name: 'thighs', to: 0.715, mass: 0.2 },
  { name: 'shanks and feet', to: 1, mass: 0.122 },
] as const;
/** Height of the eyes over stature (the same, figure 4.1). */
export const BROW_OF_STATURE = 0.936;
/** A person seen from the side. All judgement, m. */
export const LYING_DEEP = 0.24;
export const SITTING_WIDE = 0.4;
export const SITTING_TALL = 0.9;

/** What the first loading takes out of each end: wraps that close up, knots and hitches that draw tight. */
export const BED_SETTLING: Constant = of('b', 'length each end gives on first loading', 'length', [0.01, 0.025, 0.05], 'Judgement.');
/** What a dug-in pole's foot sinks, and its back-stay's anchor comes, on first loading. */
export const FOOT_SINKS: Constant = of('u_f', 'sinking of the pole’s foot on first loading', 'length', [0.005, 0.02, 0.05], 'Judgement: least on a stone or a board.');
export const STAY_COMES: Constant = of('u_a', 'give of the back-stay’s anchor on first loading', 'length', [0.005, 0.02, 0.05], 'Judgement: soil packs before it holds.');

/** Angle of straps that lies well. */
export const STRAP_ANGLE: Constant = of('α', 'angle of the straps below level', 'angle', [0.42, Math.PI / 6, 0.7], 'Judgement: 24 to 40 degrees; flatter multiplies the pull, steeper folds the sleeper.');
/** A fall from here onto soft ground is one people are willing to take; higher is not hung. */
export const FALL_WARN = 0.7;
export const FALL_MOST = 1.3;
/** Share of the steady factor that is still asked of a shock that is computed: the rest of it is for shocks that are not. Judgement: 0.4 to 0.6. */
export const SHOCK_SHARE = 0.5;
/** Gap to be left to the cloth, m. Judgement: a hand's width for bed and sleeper, a finger or two for straps, which chafe. */
export const LEAST_GAP = { bed: 0.1, person: 0.1, strap: 0.03 } as const;
/** Roof above the bed's ends, from driving rain to fair weather, m. Judgement: a forearm to an arm's reach. */
export const ROOF_ABOVE = [0.45, 0.75] as const;
