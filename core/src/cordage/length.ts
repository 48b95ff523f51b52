import type { Cut } from './cut.js';
import { cutLength } from './cut.js';

/** Cord one end takes beyond the clear span: wraps round the trunk, the knot and a tail, m. */
export interface EndLength {
  readonly wraps: number;
  readonly girth: number;
  readonly knotDiameters: number;
  /** Left beyond the knot, m; a hand's grip where it is left out. */
  readonly tail?: number;
  /** Goes on past where it is held to where it is made fast, m: over a branch and down. */
  readonly runsOn?: number;
}

/** Tail left to grip and to slip, m. Judgement: 0.2 to 0.5. */
const TAIL = 0.3;
/** The two tails of a loop that is joined round a tie-out and a peg, m. Judgement: 0.05 to 0.2. */
export const PEG_TAILS = 0.1;
/** Round a peg, a root or a log's stub, m. Judgement: 0.1 to 0.3. */
export const ROUND_ANCHOR = 0.15;
/** Of a guy that is hauled: from its anchor back up to the hitch on its own standing part, m. Judgement: 0.3 to 0.6. */
export const GUY_TRAVEL = 0.4;
/** A cord over a branch is made fast at this height, m: where hands are. Judgement. */
export const IN_HAND = 1.2;
/** Hauled past the tension end of a line to have something to grip, m. Judgement: 0.3 to 0.8. */
export const HAULED = 0.5;

/**
 * Cord that a line between two ends takes, part by part.
 * @param unstressed m
 * @param diameter of the cord, m
 * @param travel   m, what is hauled past the tension end
 */
export const cutBetween = (
  hank: string,
  unstressed: number,
  ends: readonly EndLength[],
  diameter: number,
  travel: number,
): Cut => ({
  hank,
  between: unstressed,
  wraps: ends.reduce((sum, e) => sum + e.wraps * (e.girth + Math.PI * diameter), 0),
  knots: ends.reduce((sum, e) => sum + e.knotDiameters * diameter, 0),
  tails: ends.reduce((sum, e) => sum + (e.tail ?? TAIL), 0),
  travel: ends.reduce((sum, e) => sum + (e.runsOn ?? 0), travel),
  over: 0,
});

/** Length of cord to have in hand, m: unstressed span + wraps + knots + tails + tensioning travel. */
export const cordNeeded = (unstressed: number, ends: readonly EndLength[], diameter: number, travel: number): number =>
  cutLength(cutBetween('', unstressed, ends, diameter, travel));
