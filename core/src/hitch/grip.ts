import type { Constant, Cord } from '../catalogue/index.js';
import {
  CLAMP_EQUAL,
  CLAMP_THIN,
  CROSSED,
  DOGLEG,
  FIBRE_FRICTION,
  JOINS,
  LAID,
  OFF_AXIS,
  looked,
} from '../catalogue/index.js';
import type { HitchType, Join, Laid } from '../catalogue/index.js';
import type { Phrase } from '../quantity/index.js';
import { amount, phrase } from '../quantity/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';

/**
 * How well wraps press on their host: straight between cord half as thick as the host and as thick, flat below and
 * falling on above, never under a tenth.
 * @param ratio cord diameter over host diameter, > 0
 */
export function clamping(ratio: number, thin: number, equal: number): number {
  if (ratio <= 0.5) return thin;
  return Math.max(0.1, thin + ((equal - thin) * (ratio - 0.5)) / 0.5);
}

/**
 * Grip ratio of a loop hitch: the largest pull along the host it holds, over the pull itself,
 *   G = 2 pi n mu eta, of n wraps (2 n turns).
 * It locks itself: G does not depend on the load (background: Bayman, Am. J. Phys. 45, 1977; Maddocks and Keller, SIAM
 * J. Appl. Math. 47, 1987). A screening model.
 */
export function gripRatio(wraps: number, friction: number, clamp: number): number {
  return 2 * Math.PI * wraps * friction * clamp;
}

/** What is left of the grip when the pull leaves the host's line by `angle`, rad: one leg is loaded, turns open. */
export function offAxis(angle: number): number {
  return 1 - OFF_AXIS * Math.sin(Math.min(Math.abs(angle), Math.PI / 2));
}

/** A friction hitch as tied. */
export interface TiedHitch {
  readonly type: HitchType;
  readonly cord: Cord;
  readonly host: Cord;
  readonly wraps: number;
  /** Whether a turn crosses another. */
  readonly crossed: boolean;
  /** Where the join of its loop sits; off the turns where it is left out. */
  readonly join?: Join | undefined;
  /** Which way a tail is wrapped; toward the roof where it is left out. */
  readonly laid?: Laid | undefined;
}

/** Whether a hitch is a loop, which has a join, or a tail, which has a way to be wrapped. */
export const isLoop = ({ legs }: Pick<HitchType, 'legs'>): boolean => legs === 2;

/** What its dressing leaves of a hitch's grip: one figure for each thing that is not as it should be. */
const dressing = ({ crossed, type, join = 'clear', laid = 'toward' }: TiedHitch): Figure[] =>
  [crossed ? CROSSED : null, isLoop(type) ? JOINS[join].grip : LAID[laid].grip].flatMap((c) =>
    c === null ? [] : [looked(c)],
  );

const friction = (a: Cord, b: Cord, wet: boolean): Figure[] => {
  const of = (c: Cord): Constant => FIBRE_FRICTION[c.fibre][wet ? 'wet' : 'dry'];
  return a.fibre === b.fibre ? [looked(of(a))] : [looked(of(a)), looked(of(b))];
};

/** Grip ratio of a tied hitch with its working and range. */
export function gripFigure(hitch: TiedHitch, wet: boolean): Figure {
  const { cord, host, wraps, type } = hitch;
  const undone = dressing(hitch);
  const mu = friction(cord, host, wet);
  const inputs = [
    given({ symbol: 'n', title: 'wraps', quantity: 'count' }, wraps, { kind: 'chosen', text: 'as tied' }),
    looked(type.grip),
    looked(CLAMP_THIN),
    looked(CLAMP_EQUAL),
    given({ symbol: 'd', title: 'diameter of the hitch cord', quantity: 'diameter' }, cord.diameter, {
      kind: 'derived',
      text: 'catalogue',
    }),
    given({ symbol: 'D', title: 'diameter of the host line', quantity: 'diameter' }, host.diameter, {
      kind: 'derived',
      text: 'catalogue',
    }),
    ...mu,
    ...undone,
  ];
  return derive(
    {
      symbol: 'G',
      title: `grip ratio, ${wet ? 'wet' : 'dry'}`,
      quantity: 'ratio',
      formula: `G = 2 π n ${mu.length === 2 ? '√(μ₁ μ₂)' : 'μ'} η(d / D) k${undone.map((f) => ` ${f.symbol}`).join('')}`,
      notes: ['A screening model: slide-test the hitch by hand before you trust it.'],
    },
    inputs,
    (n, k, thin, equal, d, D, ...rest) => {
      const m = mu.length === 2 ? Math.sqrt(rest[0]! * rest[1]!) : rest[0]!;
      const x = rest.slice(mu.length).reduce((a, b) => a * b, 1);
      return gripRatio(n!, m, clamping(d! / D!, thin!, equal!)) * k! * x;
    },
  );
}

/** Grip ratio of an adjustable hitch on its own standing part: the same model with its own turns, two a wrap. */
export function ownGripFigure(cord: Cord, wraps: number, wet: boolean): Figure {
  return derive(
    {
      symbol: 'G',
      title: `grip of the adjustable hitch, ${wet ? 'wet' : 'dry'}`,
      quantity: 'ratio',
      formula: 'G = 2 π n μ η_d',
    },
    [
      given({ symbol: 'n', title: 'wraps', quantity: 'count' }, wraps, { kind: 'chosen', text: 'as tied' }),
      looked(FIBRE_FRICTION[cord.fibre][wet ? 'wet' : 'dry']),
      looked(DOGLEG),
    ],
    (n, mu, eta) => gripRatio(n!, mu!, eta!),
  );
}

/**
 * Margin of a hitch against slipping: what it grips over the pull along the host.
 * @param angle between the pull and the host, rad
 * @param used  the pull's part along the host over the pull; cos(angle) where the host is straight
 */
export function slipMargin(grip: number, angle: number, used = Math.cos(angle)): number {
  return used > 1e-9 ? (grip * offAxis(angle)) / used : Number.POSITIVE_INFINITY;
}

/** What a person should change about a hitch; thicknesses in m. */
export type HitchAdvice =
  | { readonly what: 'crossed' }
  /** Its tail is wrapped away from the roof. */
  | { readonly what: 'laid-away' }
  /** The join of its loop sits among the turns, or where it is pulled. */
  | { readonly what: 'join'; readonly at: 'turns' | 'load' }
  /** Its cord is about as thick as its host, or thicker; half the host's thickness is better. */
  | { readonly what: 'thick'; readonly thicker: boolean; readonly wraps: number; readonly better: number }
  | { readonly what: 'slick' }
  /** Slick, and more wraps gain little. */
  | { readonly what: 'creeps' }
  | { readonly what: 'weak'; readonly wraps: number }
  | { readonly what: 'jams' }
  | { readonly what: 'off-line' };

/** Wraps beyond which more of slick cord gain little. Judgement, 4 to 6. */
const MOST_SLICK_WRAPS = 5;

/** What a person should change about a hitch, most pressing first; empty when nothing. */
export function hitchAdvice(hitch: TiedHitch, grip: Figure, angle: number): HitchAdvice[] {
  const { cord, host, wraps, crossed, type, join = 'clear', laid = 'toward' } = hitch;
  const out: HitchAdvice[] = [];
  const ratio = cord.diameter / host.diameter;
  if (crossed) out.push({ what: 'crossed' });
  if (!isLoop(type) && laid === 'away') out.push({ what: 'laid-away' });
  if (isLoop(type) && join !== 'clear') out.push({ what: 'join', at: join });
  if (ratio > 0.85) out.push({ what: 'thick', thicker: ratio > 1.05, wraps, better: host.diameter / 2 });
  if (cord.fibre === 'uhmwpe' || host.fibre === 'uhmwpe')
    out.push({ what: wraps < MOST_SLICK_WRAPS ? 'slick' : 'creeps' });
  if ((grip.range?.[0] ?? grip.value) < 1.5 && dressing(hitch).length === 0 && ratio <= 0.85)
    out.push({ what: 'weak', wraps });
  if (grip.value > 6) out.push({ what: 'jams' });
  if (angle > 0.6) out.push({ what: 'off-line' });
  return out;
}

/** What to change about a hitch. */
export function hitchWords(a: HitchAdvice): Phrase {
  switch (a.what) {
    case 'crossed':
      return phrase`A turn crosses another and halves the grip. Dress the wraps side by side.`;
    case 'laid-away':
      return phrase`Its tail is wrapped away from the roof, and unrolls under load. Wrap toward the roof, over the pull.`;
    case 'join':
      return a.at === 'turns'
        ? phrase`The join of its loop lies among the turns and lifts them off the line. Turn the loop until the join is in a leg.`
        : phrase`The join of its loop sits where it is pulled, and is bent there. Turn the loop until the join is in a leg.`;
    case 'thick':
      return phrase`Its cord is ${a.thicker ? 'thicker than' : 'as thick as'} the ridgeline: ${
        a.wraps < 3 ? 'two turns of it are at the edge of slipping' : 'three turns of it usually hold'
      }, and slick, stiff or wet cord is worse. ${a.wraps < 3 ? 'Take three wraps, or' : 'Surer is'} cord of half the ridge’s thickness, ${amount(a.better, 'diameter')}.`;
    case 'slick':
      return phrase`Slick cord slips. Take another wrap or two, or a hitch cord that is not slick.`;
    case 'creeps':
      return phrase`Slick cord creeps however many wraps it has. Look at it after a while, or take a hitch cord that is not slick.`;
    case 'weak':
      return phrase`It may creep. Take ${a.wraps + 1} wraps.`;
    case 'jams':
      return phrase`So much grip jams under load. A wrap less slides again when you want it to.`;
    case 'off-line':
      return phrase`The pull leaves the ridge’s line and opens the turns. Move the tie-out’s end in line with the ridge.`;
  }
}
