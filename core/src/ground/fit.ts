import type { Constant, Cord } from '../catalogue/index.js';
import { acrossOf, looked } from '../catalogue/index.js';
import { cordNeeded } from '../cordage/index.js';
import type { BodyMeasures } from '../quantity/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { wished } from './forms.js';
import type { Wish } from './place-document.js';
import { BED_ANGLE } from './pull.js';

const length = (symbol: string, title: string, low: number, typical: number, high: number): Constant => ({
  symbol,
  title,
  quantity: 'length',
  low,
  typical,
  high,
  kind: 'judgement',
  citation: 'Judgement.',
});
/** Room that knots, loops and tensioning want between cloth and bark. */
export const HITCH_ROOM = length('h', 'room for the loop and its hitch at one end', 0.1, 0.2, 0.3);
export const TENSION_ROOM = length('t', 'room to haul in at the tension end', 0.4, 0.6, 0.9);
/** Cord hauled past the tension end. */
export const TRAVEL = length('r', 'travel of the tension end', 0.3, 0.5, 0.8);
/** A hammock lying: straight distance between its ends over its length. */
export const BED_CHORD: Constant = {
  symbol: 'c',
  title: 'distance between the ends of a hammock over its length',
  quantity: 'ratio',
  low: 0.78,
  typical: 0.83,
  high: 0.88,
  kind: 'judgement',
  citation: 'Judgement: common practice with a ridge-cord hangs it at 0.83.',
};
/** Least strap left free of wraps. */
export const LEAST_STRAP = length('q', 'least free strap at each end', 0.15, 0.25, 0.4);
/** Lowest point of a bed with someone in it. */
export const BED_HEIGHT = length('z', 'height of the lowest point with someone in it', 0.35, 0.45, 0.55);
/** Cord diameters in the knots of both ends, as the bench's first ridge has them. */
export const KNOT_DIAMETERS = [45, 90] as const;

/** One bound on a span, and what sets it. */
export interface Bound {
  readonly what: 'roof' | 'bed' | 'cord' | 'reach';
  readonly figure: Figure;
}

/** The spans that fit, each bound with its working. */
export interface Fit {
  readonly shortest: readonly Bound[];
  readonly longest: readonly Bound[];
  /** m; the tightest of each. */
  readonly least: number;
  readonly most: number;
}

const chosen = (symbol: string, title: string, value: number): Figure =>
  given({ symbol, title, quantity: 'length' }, value, { kind: 'chosen', text: 'as wanted here' });

/**
 * The shortest and longest clear span that this roof, bed and cord take.
 * @param cord  the ridgeline and what there is of it, m
 * @param girth of the trunks to reckon with, m
 */
export function fitOf(
  wish: Wish,
  cord: { readonly cord: Cord; readonly length: number },
  girth: number,
  body: BodyMeasures,
): Fit {
  const shortest: Bound[] = [];
  const longest: Bound[] = [];
  if (wish.form !== 'none') {
    shortest.push({
      what: 'roof',
      figure: derive(
        { symbol: 'L_min', title: 'shortest span for the roof', quantity: 'length', formula: 'L_min = R + 2 h + t' },
        [
          chosen('R', 'cloth along the ridge', wished(wish.form).footprint.ridge(wish.roof)),
          looked(HITCH_ROOM),
          looked(TENSION_ROOM),
        ],
        (R, h, t) => R! + 2 * h! + t!,
      ),
    });
    longest.push({
      what: 'cord',
      figure: derive(
        {
          symbol: 'L_max',
          title: 'longest span for the ridgeline',
          quantity: 'length',
          formula: 'L_max = C - (π D + k d + 0.3) at each end - r',
        },
        [
          given({ symbol: 'C', title: 'cord on hand', quantity: 'length' }, cord.length, {
            kind: 'measured',
            text: 'kit',
          }),
          given({ symbol: 'πD', title: 'girth of the trunks', quantity: 'length' }, girth, {
            kind: 'measured',
            text: 'by a cord round the trunk',
          }),
          looked(TRAVEL),
        ],
        (C, g, r) => C! - cordNeeded(0, endsOf(g!, g!), acrossOf(cord.cord), r!),
      ),
    });
  }
  if (wish.bed === 'hammock') {
    const bed = chosen('B', 'length of the hammock', wish.hammock.length);
    shortest.push({
      what: 'bed',
      figure: derive(
        { symbol: 'L_min', title: 'shortest span for the bed', quantity: 'length', formula: 'L_min = c B + 2 q cos a' },
        [looked(BED_CHORD), bed, looked(LEAST_STRAP), looked(BED_ANGLE)],
        (c, B, q, a) => c! * B! + 2 * q! * Math.cos(a!),
      ),
    });
    longest.push({
      what: 'bed',
      figure: derive(
        {
          symbol: 'L_max',
          title: 'longest span for the straps',
          quantity: 'length',
          formula: 'L_max = c B + 2 (s - πD) cos a',
        },
        [
          looked(BED_CHORD),
          bed,
          chosen('s', 'length of each strap', wish.hammock.strap),
          given({ symbol: 'πD', title: 'girth of the trunks', quantity: 'length' }, girth, {
            kind: 'measured',
            text: 'by a cord round the trunk',
          }),
          looked(BED_ANGLE),
        ],
        (c, B, s, g, a) => c! * B! + 2 * Math.max(0, s! - g!) * Math.cos(a!),
      ),
    });
    longest.push({
      what: 'reach',
      figure: derive(
        {
          symbol: 'L_max',
          title: 'longest span at which I still reach the straps',
          quantity: 'length',
          formula: 'L_max = 2 (h - z) / tan a',
          notes: ['A strap at full reach, falling at its angle to the middle of the bed.'],
        },
        [
          given({ symbol: 'h', title: 'my full reach', quantity: 'length' }, body.reach, {
            kind: 'measured',
            text: 'Me',
          }),
          looked(BED_HEIGHT),
          looked(BED_ANGLE),
        ],
        (h, z, a) => (2 * (h! - z!)) / Math.tan(a!),
      ),
    });
  }
  return {
    shortest,
    longest,
    least: Math.max(0.5, ...shortest.map((b) => b.figure.value)),
    most: Math.min(60, ...longest.map((b) => b.figure.value)),
  };
}

/** What both ends take beyond the clear span. */
export function endsOf(girth0: number, girth1: number): Parameters<typeof cordNeeded>[1] {
  return [
    { wraps: 1, girth: girth0, knotDiameters: KNOT_DIAMETERS[0] },
    { wraps: 1, girth: girth1, knotDiameters: KNOT_DIAMETERS[1] },
  ];
}

/** Height at which a bed's strap meets the trunk over a span, m. */
export function strapHeight(span: number): number {
  return BED_HEIGHT.typical + (span / 2) * Math.tan(BED_ANGLE.typical);
}
