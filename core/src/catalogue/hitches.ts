import type { Constant } from './evidence.js';
import type { Fibre } from './cords.js';

const judged = (symbol: string, title: string, low: number, typical: number, high: number, citation: string): Constant => ({
  symbol, title, quantity: 'ratio', low, typical, high, kind: 'judgement', citation,
});

const PAIR = 'Judgement, in line with yarn-on-yarn friction in Morton and Hearle, Physical Properties of Textile Fibres, 4th ed. 2008, ch. 25. Log slip tests of your own cords to narrow it.';
/** Friction of a fibre on its own kind. Two kinds together: the root of the product. */
export const FIBRE_FRICTION: Readonly<Record<Fibre, { readonly dry: Constant; readonly wet: Constant }>> = {
  nylon: { dry: judged('mu', 'friction of nylon cord', 0.15, 0.22, 0.32, PAIR), wet: judged('mu', 'friction of wet nylon cord', 0.14, 0.21, 0.32, PAIR) },
  polyester: { dry: judged('mu', 'friction of polyester cord', 0.13, 0.19, 0.28, PAIR), wet: judged('mu', 'friction of wet polyester cord', 0.11, 0.17, 0.26, PAIR) },
  uhmwpe: { dry: judged('mu', 'friction of UHMWPE cord', 0.05, 0.08, 0.12, PAIR), wet: judged('mu', 'friction of wet UHMWPE cord', 0.04, 0.07, 0.11, PAIR) },
  polypropylene: { dry: judged('mu', 'friction of polypropylene cord', 0.12, 0.18, 0.27, PAIR), wet: judged('mu', 'friction of wet polypropylene cord', 0.11, 0.17, 0.26, PAIR) },
  unknown: { dry: judged('mu', 'friction of cord of unknown fibre', 0.05, 0.08, 0.3, PAIR), wet: judged('mu', 'friction of wet cord of unknown fibre', 0.04, 0.07, 0.3, PAIR) },
  manila: { dry: judged('mu', 'friction of manila', 0.25, 0.35, 0.5, PAIR), wet: judged('mu', 'friction of wet manila', 0.25, 0.38, 0.55, PAIR) },
  sisal: { dry: judged('mu', 'friction of sisal', 0.25, 0.35, 0.5, PAIR), wet: judged('mu', 'friction of wet sisal', 0.25, 0.38, 0.55, PAIR) },
  elastic: { dry: judged('mu', 'friction of sheathed elastic', 0.12, 0.2, 0.3, PAIR), wet: judged('mu', 'friction of wet sheathed elastic', 0.1, 0.18, 0.28, PAIR) },
};

/** What a friction hitch of each kind does with its turns. */
export interface HitchType {
  readonly id: string;
  readonly name: string;
  /** Over the grip of the plain loop hitch of as many wraps. */
  readonly grip: Constant;
  /** Where it holds: on a ridge it hangs from, or on a guy's own standing part. */
  readonly on: 'ridge' | 'itself';
  /** Knot efficiency of the hitch cord: two legs share in a loop. */
  readonly legs: 1 | 2;
  readonly words: string;
}

export const HITCHES: readonly HitchType[] = [
  { id: 'loop', name: 'loop friction hitch', on: 'ridge', legs: 2, grip: judged('k', 'grip of a loop hitch over its model', 0.9, 1, 1.05, 'By definition of the model; its spread is in the friction and in the clamping.'), words: 'Slides when pushed, grips when pulled along the line.' },
  { id: 'tail', name: 'adjustable hitch from a tail', on: 'ridge', legs: 1, grip: judged('k', 'grip of an adjustable hitch over a loop hitch', 0.6, 0.8, 1, 'Judgement: one leg presses the wraps less evenly.'), words: 'Wraps toward the roof, slipped.' },
  { id: 'soft-shackle', name: 'soft shackle on a hitch', on: 'ridge', legs: 2, grip: judged('k', 'grip of a hitch under a soft shackle over a loop hitch', 0.8, 0.95, 1.05, 'Judgement: the shackle keeps the pull centred but is slick.'), words: 'Takes the roof off without untying.' },
];
export function findHitch(id: string): HitchType | undefined {
  return HITCHES.find((h) => h.id === id);
}

/** Clamping of the wraps by cord over host diameter 0.5: share of the ideal. */
export const CLAMP_THIN: Constant = judged('eta', 'clamping of wraps half as thick as their host', 0.7, 0.85, 0.95, 'Judgement: screening model after Bayman, Am. J. Phys. 45 (1977) and Maddocks and Keller, SIAM J. Appl. Math. 47 (1987).');
/** The same where both are as thick. */
export const CLAMP_EQUAL: Constant = judged('eta', 'clamping of wraps as thick as their host', 0.2, 0.35, 0.5, 'Judgement: cord as thick as its host bites less. With it two turns are about at the edge of slipping, three usually hold, as those who use loops of the ridge’s own cord find; slick, stiff or wet cord is worse.');
/** What is left when turns cross. */
export const CROSSED: Constant = judged('x', 'grip left when a turn crosses another', 0.3, 0.5, 0.7, 'Judgement: a crossed turn lifts its neighbours off the host.');
/** Grip lost when the pull is square to the host. */
export const OFF_AXIS = 0.4;
/** What the bend through an adjustable guy hitch adds to the clamping of cord on its own like. */
export const DOGLEG: Constant = judged('eta_d', 'clamping in an adjustable hitch on its own standing part', 0.45, 0.65, 0.85, 'Judgement: the standing part is bent through the hitch, so that turns of the same cord bite.');

/** Where the join of a loop sits when it is loaded. */
export const JOINS = {
  clear: { name: 'in a leg, off the turns', grip: null, kept: null },
  turns: { name: 'among the turns', grip: judged('x_j', 'grip left when the join lies among the turns', 0.4, 0.65, 0.85, 'Judgement: the knot is thicker than the cord and lifts the turns beside it off the host.'), kept: null },
  load: { name: 'where it is pulled', grip: null, kept: judged('f_j', 'strength left when the join sits where the loop is pulled', 0.6, 0.75, 0.9, 'Judgement: the knot is bent over what pulls on it, besides being a knot.') },
} as const satisfies Record<string, { name: string; grip: Constant | null; kept: Constant | null }>;
export type Join = keyof typeof JOINS;

/** Which way the wraps of a hitch from a tail lie. */
export const LAID = {
  toward: { name: 'wraps toward the roof', grip: null },
  away: { name: 'wraps away from the roof', grip: judged('x_w', 'grip left when a tail is wrapped the wrong way', 0.1, 0.3, 0.5, 'Judgement: pulled from their open side the turns unroll; what holds is the friction of the last one.') },
} as const satisfies Record<string, { name: string; grip: Constant | null }>;
export type Laid = keyof typeof LAID;

/** How a cord takes hold of a fabric tie-out. */
export const TABS = {
  tied: { name: 'tied to it', kept: null, strength: null },
  bare: { name: 'drawn through it', kept: judged('f_saw', 'strength left in a tie-out that a line is drawn through', 0.3, 0.55, 0.8, 'Judgement: cord that runs under load melts and cuts the weave within a few hauls; slick thin cord soonest.'), strength: null },
  connector: { name: 'through a small connector', kept: null, strength: { symbol: 'R_k', title: 'strength of a small connector at a tie-out', quantity: 'force', low: 300, typical: 800, high: 2000, kind: 'judgement', citation: 'Judgement: small hooks, rings and links without a number on them differ widely.' } satisfies Constant },
} as const satisfies Record<string, { name: string; kept: Constant | null; strength: Constant | null }>;
export type Tab = keyof typeof TABS;
