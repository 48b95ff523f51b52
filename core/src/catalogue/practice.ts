import type { Constant } from './evidence.js';

/** Numbers of people, places and habits. */
const number = (
  symbol: string, title: string, quantity: Constant['quantity'], low: number, typical: number, high: number, citation: string, kind: Constant['kind'] = 'judgement',
): Constant => ({ symbol, title, quantity, low, typical, high, kind, citation });

/** Steady pull of a person on a cord with something to grip (gloves, a stick), N. */
export const PULLS = {
  'one-hand': number('P', 'pull of one hand', 'force', 100, 180, 280, 'Judgement, in line with one-handed pull strengths in NASA-STD-3000 and MIL-STD-1472; measure yours with a known mass over a smooth branch.'),
  'two-hands': number('P', 'pull of two hands', 'force', 200, 330, 500, 'Judgement, in line with two-handed pull strengths in MIL-STD-1472.'),
  'body-lean': number('P', 'leaning back with body weight', 'force', 350, 500, 700, 'Judgement: about two thirds of body weight.'),
} as const satisfies Record<string, Constant>;
export type Pull = keyof typeof PULLS;
export const PULL_NAMES: Readonly<Record<Pull, string>> = { 'one-hand': 'one hand', 'two-hands': 'two hands', 'body-lean': 'body weight' };

/** Friction of a turn of cord through a loop of cord: about half the tension is lost in a half turn. */
const CORD_ON_CORD: Constant = number('mu_c', 'friction of cord in a cord loop', 'ratio', 0.15, 0.22, 0.3, 'Judgement: half is kept per half turn, exp(-0.22 pi) = 0.50.');
const SLICK_ON_SLICK: Constant = number('mu_c', 'friction of slick braid in its own loop', 'ratio', 0.05, 0.08, 0.13, 'Judgement: UHMWPE slides on itself; exp(-0.08 pi) = 0.78 is kept per half turn, and its hitches slip.');
/** By fibre. */
export const cordOnCord = (fibre: string): Constant => (fibre === 'uhmwpe' ? SLICK_ON_SLICK : CORD_ON_CORD);
export const CORD_ON_BARK: Constant = number('mu_b', 'friction of cord on bark', 'ratio', 0.2, 0.35, 0.5, 'Judgement: rough bark holds more, wet smooth bark less.');

/** Friction of a log or boulder on the ground. */
export const ON_GROUND: Constant = number('μ', 'friction of a log or boulder on the ground', 'ratio', 0.3, 0.5, 0.7, 'Judgement: least on wet leaves.');

/** What a pulled peg then holds over that pull, by how the test ended. */
export const PULL_SPREAD = {
  moved: number('k', 'hold over the pull at which a peg moved', 'ratio', 0.75, 1, 1.3, 'Judgement: one spot differs from the next.'),
  held: number('k', 'hold over the pull that a peg held', 'ratio', 0.9, 1, 2, 'Judgement: it holds that much at least; how much more was not tried.'),
} as const;
/** A heel on the guy with most of one's weight, N. */
export const HEEL_PULL: Constant = number('P', 'a heel put on the guy', 'force', 200, 300, 450, 'Judgement: about half of body weight.');

/** Snow by feel: what a handful says, kg/m³. */
export const SNOWS = {
  powder: { name: 'dry powder', feel: 'blows from the hand', density: number('ρ', 'density of dry powder snow', 'density', 50, 80, 120, 'Judgement, in line with EN 1991-1-3, annex E: fresh snow 100 kg/m³.') },
  fresh: { name: 'fresh snow', feel: 'makes no ball', density: number('ρ', 'density of fresh snow', 'density', 80, 100, 150, 'EN 1991-1-3:2003, annex E: fresh snow 1.0 kN/m³.', 'standard') },
  settled: { name: 'settled snow', feel: 'makes a firm ball', density: number('ρ', 'density of settled snow', 'density', 150, 200, 280, 'EN 1991-1-3:2003, annex E: settled snow (hours or days) 2.0 kN/m³.', 'standard') },
  wet: { name: 'wet snow', feel: 'a squeezed ball drips', density: number('ρ', 'density of wet snow', 'density', 300, 400, 500, 'EN 1991-1-3:2003, annex E: wet snow 4.0 kN/m³.', 'standard') },
} as const;
export type SnowFeel = keyof typeof SNOWS;
/** Snow slides from cloth steeper than the second, lies on all flatter than the first, rad (EN 1991-1-3, 5.3: 30 and 60 degrees for roofs; coated cloth sheds sooner: judgement). */
export const SNOW_SLIDES = [(25 * Math.PI) / 180, (50 * Math.PI) / 180] as const;

/** Length that wraps and knots give up as they bed in at both ends, m. */
export const BEDDING_IN: Constant = number('b', 'bedding-in of wraps and knots, both ends', 'length', 0.02, 0.05, 0.1, 'Judgement.');
/** Onset time of the relaxation law, s. */
export const RELAX_ONSET: Constant = number('t_0', 'onset of relaxation', 'time', 30, 60, 120, 'Judgement: most cords lose noticeably in the first minutes.');

export const AIR_DENSITY: Constant = number('rho', 'density of air', 'density', 1.19, 1.25, 1.29, 'EN 1991-1-4:2005, 4.5, recommended value 1.25 kg/m³.', 'standard');
export const GUST_FACTOR: Constant = number('G', 'gust over mean wind', 'ratio', 1.4, 1.6, 2, 'Judgement for rough ground near trees; about 1.5 on open land.');
/** Green stems and sticks with their sap. */
export const WOOD_DENSITY: Constant = number('rho', 'density of green wood', 'density', 600, 800, 1050, 'Judgement, in line with green weights of the USDA Wood Handbook, ch. 4: light alder and willow to heavy oak.');
/** Force on a sheet that faces the wind. */
export const SHEET_DRAG: Constant = number('C', 'force coefficient of a sheet', 'ratio', 1, 1.2, 1.45, 'Hoerner, Fluid-Dynamic Drag, 1965, ch. 3: flat plate across the flow 1.17, up to 1.45 inclined.', 'handbook');
export const RIDGE_SHARE: Constant = number('r', "share of the roof's wind load that reaches the ridgeline", 'share', 0.3, 0.5, 0.7, 'Judgement: guys and windward pegs take the rest. The whole-rig solve replaces it.');

export const SHELTERS = {
  open: number('S', 'open shore or field', 'ratio', 0.9, 1, 1.1, 'Judgement.'),
  edge: number('S', 'edge of the trees', 'ratio', 0.6, 0.8, 1, 'Judgement.'),
  wood: number('S', 'inside the wood', 'ratio', 0.35, 0.5, 0.65, 'Judgement.'),
} as const satisfies Record<string, Constant>;
export type Shelter = keyof typeof SHELTERS;

/** What age and hard use leave of a cord. */
export const SUN = {
  new: number('f_sun', 'hardly any sun', 'share', 0.97, 1, 1.0001, 'Judgement.'),
  season: number('f_sun', 'a season of sun', 'share', 0.8, 0.88, 0.95, 'Judgement; nylon and UHMWPE lose faster than polyester.'),
  years: number('f_sun', 'years of sun', 'share', 0.5, 0.65, 0.8, 'Judgement: stiff, faded cord. Retire it from anything that matters.'),
} as const satisfies Record<string, Constant>;
export type Sun = keyof typeof SUN;

export const WEAR = {
  sound: number('f_wear', 'smooth, no wear to see', 'share', 0.97, 1, 1.0001, 'Judgement.'),
  fuzzy: number('f_wear', 'fuzzy all over', 'share', 0.75, 0.85, 0.95, 'Judgement.'),
  cut: number('f_wear', 'nicked, glazed or stiff in places', 'share', 0.35, 0.5, 0.7, 'Judgement: retire it, or cut the bad place out.'),
} as const satisfies Record<string, Constant>;
export type Wear = keyof typeof WEAR;

/** Pressure of a band on living bark above which it is likely to bruise, Pa. */
export const BARK_PRESSURE: Constant = number('p_bark', 'pressure that bruises living bark', 'stress', 0.3e6, 0.7e6, 1.5e6, 'Judgement: thin-barked trees in spring least. Wide straps, or padding.');

/** Least girth for a trunk that carries a person, m. */
export const PERSON_GIRTH = 0.5;
