import type { Constant } from './evidence.js';

/** When an end lets go: by a pull on its tail with the load on; eased off turn by turn while its turns bear; only once it is slack. */
export type Release = 'loaded' | 'eased' | 'slack';
/** What is left in the cord once it is off: nothing; a loop that lives in it; a knot that is picked out. */
export type Leaves = 'nothing' | 'loop' | 'knot';
/** What keeps it for a stay of days: nothing more, a stick through its bight, its own stick tied in, its mouth tied shut, its tail tied off. */
export type Keeper = 'none' | 'bight' | 'stick' | 'mouth' | 'tail';

/** How an end is held at its trunk. */
export interface Termination {
  readonly id: string;
  readonly name: string;
  /** Share of the cord's strength that is left in it. */
  readonly efficiency: Constant;
  /** Cord it takes beyond the wraps, in cord diameters. */
  readonly cordInDiameters: number;
  /** True for ends by which the line can be hauled. */
  readonly hauls: boolean;
  readonly release: Release;
  readonly leaves: Leaves;
  readonly keeper: Keeper;
  /** True where a stick through its loop holds it. */
  readonly toggled: boolean;
  /** Pull at which the fitting that holds it slips or opens, N; undefined where cord alone does. */
  readonly fitting?: Constant;
  readonly caution?: string;
}

const KNOT_TESTS =
  'Judgement, within the ranges that published knot tests report: Warner, "Studies on the behaviour of knots", in Turner and van de Griend (eds.), History and Science of Knots, 1996; cave-rescue and cordage-maker test tables. Cord, dressing and loading differ; test your own.';

/** Share of a cord's strength that is left in a knot. @param citation where no knot test of it is known */
export const strengthKept = (
  symbol: string,
  name: string,
  low: number,
  typical: number,
  high: number,
  citation: string = KNOT_TESTS,
): Constant => ({
  symbol,
  title: `strength kept in a ${name}`,
  quantity: 'share',
  low,
  typical,
  high,
  kind: 'judgement',
  citation,
});

const termination = (
  id: string,
  name: string,
  low: number,
  typical: number,
  high: number,
  cordInDiameters: number,
  traits: {
    hauls?: boolean;
    release?: Release;
    leaves?: Leaves;
    keeper?: Keeper;
    toggled?: boolean;
    untested?: string;
    caution?: string;
    fitting?: Constant;
  } = {},
): Termination => ({
  id,
  name,
  efficiency: strengthKept('f_knot', name, low, typical, high, traits.untested),
  cordInDiameters,
  hauls: traits.hauls ?? false,
  release: traits.release ?? 'slack',
  leaves: traits.leaves ?? 'nothing',
  keeper: traits.keeper ?? 'none',
  toggled: traits.toggled ?? false,
  ...(traits.fitting === undefined ? {} : { fitting: traits.fitting }),
  ...(traits.caution === undefined ? {} : { caution: traits.caution }),
});

const FITTED = 'Judgement: cord is bent hard and pinched where a fitting holds it.';
const fitting = (title: string, low: number, typical: number, high: number): Constant => ({
  symbol: 'R_k',
  title: `pull at which ${title} opens or lets cord slide`,
  quantity: 'force',
  low,
  typical,
  high,
  kind: 'judgement',
  citation: 'Judgement: small fittings differ widely; the number on yours comes first.',
});
const BOUNDED = 'Judgement: no test is known of this hitch round a trunk; bounded by similar knots.';

const BENT_BY_STICK = 'Judgement: as a round turn, with the cord bent over a stick as thick as a thumb.';

/** Ends of a line, gentlest on the cord first within each kind. */
export const TERMINATIONS: readonly Termination[] = [
  termination('round-turn', 'round turn and two half hitches', 0.6, 0.67, 0.75, 40, { release: 'eased' }),
  termination('figure-eight', 'figure-eight loop', 0.66, 0.73, 0.8, 60, { leaves: 'knot' }),
  termination('bowline', 'releasable bowline', 0.6, 0.67, 0.75, 45, { release: 'loaded', keeper: 'bight' }),
  termination('overhand-loop', 'overhand loop and toggle', 0.55, 0.61, 0.68, 45, {
    release: 'loaded',
    leaves: 'loop',
    keeper: 'stick',
    toggled: true,
    caution: 'The stick must be thicker than it looks: wet sticks snap.',
  }),
  termination('kept-loop', 'line through its own kept loop', 0.5, 0.58, 0.66, 70, {
    leaves: 'loop',
    untested: 'Judgement: the loop’s own knot, and the line bent once round cord of its own kind.',
    caution: 'It draws tight on the trunk and comes off only slack: nobody frees it in a hurry.',
  }),
  termination('girth', 'girth hitch of a sewn or tied loop', 0.55, 0.62, 0.7, 30, { leaves: 'loop' }),
  termination('clove', 'clove hitch and half hitch', 0.55, 0.65, 0.75, 30, {
    release: 'eased',
    caution: 'A clove hitch alone rolls on a smooth trunk.',
  }),
  termination('slipped-timber', 'slipped timber-style hitch', 0.45, 0.57, 0.7, 50, {
    release: 'loaded',
    keeper: 'bight',
    untested: BOUNDED,
  }),
  termination('jammed', 'loop jammed in its own slot', 0.45, 0.55, 0.65, 40, {
    release: 'loaded',
    keeper: 'bight',
    untested: BOUNDED,
    caution: 'Only its own pull jams it: on a line that goes slack it falls out.',
  }),
  termination('cranked', 'loop cranked tight by a stick', 0.5, 0.6, 0.7, 50, {
    release: 'eased',
    keeper: 'stick',
    toggled: true,
    untested: BENT_BY_STICK,
    caution: 'A cranked stick whips round when it is let go: hold it, and untwist it by hand, head aside.',
  }),
  termination('metal-hook', 'metal hook on a loop', 0.5, 0.6, 0.7, 60, {
    leaves: 'loop',
    keeper: 'mouth',
    untested: FITTED,
    fitting: fitting('a metal hook', 500, 1000, 2500),
    caution: 'An unmarked hook is not hung from: it opens before cord breaks, and rides off a line that goes slack.',
  }),
  termination('pulley', 'pulley-style hitch', 0.4, 0.5, 0.6, 90, {
    hauls: true,
    release: 'loaded',
    keeper: 'bight',
  }),
  termination('passes', 'passes round the trunk, slipped half hitches', 0.6, 0.7, 0.8, 40, {
    hauls: true,
    release: 'loaded',
    keeper: 'bight',
    untested: BOUNDED,
  }),
  termination('loop-toggle', 'loop-and-toggle tensioner', 0.45, 0.55, 0.65, 80, {
    hauls: true,
    release: 'loaded',
    keeper: 'bight',
    toggled: true,
    untested: BOUNDED,
  }),
  termination('hook', 'hook tensioner', 0.5, 0.65, 0.8, 30, {
    hauls: true,
    release: 'loaded',
    keeper: 'tail',
    untested: FITTED,
    fitting: fitting('a hook tensioner', 1000, 2000, 4000),
    caution: 'An unmarked hook is not hung from, and it opens before cord breaks.',
  }),
  termination('cleat', 'cleat tensioner', 0.5, 0.65, 0.8, 20, {
    hauls: true,
    release: 'loaded',
    keeper: 'tail',
    untested: FITTED,
    fitting: fitting('a cleat tensioner', 300, 600, 1200),
    caution: 'Cord thinner or slicker than the cleat is made for slides through it. Tie the tail off.',
  }),
];

/** The termination with this id, or undefined. */
export function findTermination(id: string): Termination | undefined {
  return TERMINATIONS.find((t) => t.id === id);
}

/** What a friction hitch leaves of the line it grips, where it grips. */
export const GRIPPED: Constant = {
  symbol: 'f_grip',
  title: 'strength kept where a friction hitch grips the line',
  quantity: 'share',
  low: 0.8,
  typical: 0.9,
  high: 1,
  kind: 'judgement',
  citation:
    'Judgement; gripping turns press the cord but hardly bend it. Sliding under load glazes and cuts nylon: then retire it.',
};

/** How a guy is tied to the cloth, and how it is made fast: knots of both its ends. */
export const GUY_ENDS = {
  cloth: termination('bowline', 'bowline at the tie-out', 0.6, 0.67, 0.75, 45),
  adjustable: termination('adjustable', 'adjustable hitch', 0.5, 0.62, 0.75, 60, {
    hauls: true,
    release: 'eased',
    untested: BOUNDED,
  }),
  wraps: termination('wraps', 'wraps and half hitches', 0.6, 0.7, 0.8, 40, {
    hauls: true,
    release: 'eased',
    untested: BOUNDED,
  }),
  cleat: termination('cleat', 'cleat runner', 0.5, 0.65, 0.8, 20, {
    hauls: true,
    release: 'loaded',
    keeper: 'tail',
    untested: FITTED,
    fitting: fitting('a cleat runner', 120, 220, 400),
  }),
  knot: termination('round-turn', 'round turn and two half hitches', 0.6, 0.67, 0.75, 40),
} as const;
/** Way between the legs of a tie-out's loop, which bend a toggle through it, m. */
export const TOGGLE_SPAN: Constant = {
  symbol: 'w',
  title: 'way between the legs of the tie-out’s loop',
  quantity: 'length',
  low: 0.015,
  typical: 0.025,
  high: 0.04,
  kind: 'judgement',
  citation: 'Judgement: a sewn loop of 15 to 25 mm webbing, and the cord beside it.',
};
/** The join of a hitch's loop. */
export const LOOP_JOIN: Termination = termination('double-fisherman', 'double fisherman’s join', 0.65, 0.72, 0.8, 40);
