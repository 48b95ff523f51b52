import { SHOCK_SHARE } from '../catalogue/index.js';
import { Z95, normalCdf } from '../quantity/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { Required } from './document.js';
import type { Rule, Use } from './rules.js';
import { REQUIRED_LIMITS } from './limits.js';
import { TRUNK_FACTOR, USE_NAMES } from './rules.js';

/** Where a link sits: in a cord, its end, under a hitch; a hitch's own hold; a tie-out; an anchor in the ground; a stem; cloth; a stick, and the foot it stands on. */
export type LinkKind = 'line' | 'end' | 'grip' | 'hitch' | 'tie-out' | 'anchor' | 'trunk' | 'cloth' | 'stick' | 'foot';

/** Whether a place slides rather than breaks: its share counts, and not how hard it is pulled. */
export const slides = (kind: LinkKind): boolean => kind === 'hitch' || kind === 'foot';

/** One place that can let go, under its worst case. */
export interface Link {
  readonly id: string;
  readonly kind: LinkKind;
  /** "pulley-style hitch at the downstream alder". */
  readonly name: string;
  readonly caseId: string;
  readonly demand: Figure;
  /** What the link holds, with every reduction as an input. */
  readonly available: Figure;
  readonly margin: Figure;
  readonly share: Figure;
  readonly chance: Figure;
}

export type Word = 'plenty' | 'enough' | 'just' | 'short';

/** A link judged by one school. */
export interface Judgement {
  readonly rule: Rule;
  readonly figure: Figure;
  readonly required: number;
  /** What is asked, and why. */
  readonly asked: Figure;
  /** Over 1 holds. Infinite when nothing pulls. */
  readonly ratio: number;
  readonly word: Word;
}

/** Spread of the logarithm that a 5-95 % range stands for; 0 without a range. */
function logSpread(f: Figure): number {
  if (f.range === undefined || !(f.range[0] > 0)) return 0;
  return Math.log(f.range[1] / f.range[0]) / (2 * Z95);
}

/** Least spread of either side: nobody knows a pull or a strength to better than this (judgement, 3 %). */
const LEAST_SPREAD = 0.03;

/**
 * Chance that demand passes strength, both lognormal:  P = Phi(-ln(R / S) / sqrt(sR^2 + sS^2))
 * (Melchers and Beck, Structural Reliability, 3rd ed. 2018, ch. 1). With a lower end at or below zero
 * the spread of that side is taken from the upper end.
 */
export function failureChance(strength: Figure, demand: Figure): number {
  if (!(demand.value > 0)) return 0;
  if (!(strength.value > 0)) return 1;
  const side = (f: Figure): number => {
    const both = logSpread(f);
    if (both > 0 || f.range === undefined) return both;
    return Math.log(f.range[1] / f.value) / Z95;
  };
  const spread = Math.hypot(Math.max(side(strength), LEAST_SPREAD), Math.max(side(demand), LEAST_SPREAD));
  return normalCdf(-Math.log(strength.value / demand.value) / spread);
}

/** The low end of what a link holds; never under a twentieth. */
const lowEnd = (available: Figure): number => Math.max(available.range?.[0] ?? available.value, available.value * 0.05);

/** Puts demand against strength under the three schools. */
export function link(
  id: string,
  kind: LinkKind,
  name: string,
  caseId: string,
  demand: Figure,
  available: Figure,
): Link {
  const margin = derive(
    {
      symbol: 'n',
      title: `margin of ${name}`,
      quantity: 'ratio',
      formula: `n = ${available.symbol} / ${demand.symbol}`,
    },
    [available, demand],
    (r, s) => (s! > 0 ? r! / s! : Number.POSITIVE_INFINITY),
  );
  const low = lowEnd(available);
  const share = derive(
    {
      symbol: 'u',
      title: `share of ${name} in use`,
      quantity: 'share',
      formula: `u = ${demand.symbol} / ${available.symbol}_low`,
    },
    [
      demand,
      {
        ...available,
        symbol: `${available.symbol}_low`,
        title: `${available.title}, low end`,
        value: low,
        range: [low, low],
      },
    ],
    (s, r) => s! / r!,
  );
  const chance: Figure = {
    symbol: 'P',
    title: `chance that ${name} fails`,
    quantity: 'chance',
    value: failureChance(available, demand),
    formula: `P = Φ(−ln(${available.symbol} / ${demand.symbol}) / √(σ_${available.symbol}² + σ_${demand.symbol}²)), both lognormal, σ from the ranges`,
    inputs: [available, demand],
    notes: ['For the worst of the cases, taken as happening once this night.'],
  };
  return { id, kind, name, caseId, demand, available, margin, share, chance };
}

function wordFor(ratio: number): Word {
  return ratio >= 1.75 ? 'plenty' : ratio >= 1.25 ? 'enough' : ratio >= 1 ? 'just' : 'short';
}

/** Distance from the mean, in standard deviations, that a chance stands for: bisection on the normal function. */
function reliability(chance: number): number {
  let a = -8;
  let b = 8;
  for (let i = 0; i < 60; i++) {
    const m = 0.5 * (a + b);
    if (normalCdf(-m) > chance) a = m;
    else b = m;
  }
  return 0.5 * (a + b);
}

/** What one school asks of a link. @param quick whether it is the most of something quick that was computed, a fall or a swing */
function askOf(rule: Rule, kind: LinkKind, required: Required, use: Use, quick: boolean): number {
  const asked = required[rule][use];
  if (rule === 'chance') return asked;
  const { min, max } = REQUIRED_LIMITS[rule];
  const eased = !quick
    ? asked
    : rule === 'factor'
      ? Math.max(min, asked * SHOCK_SHARE)
      : Math.min(max, asked / SHOCK_SHARE);
  if (kind !== 'trunk') return eased;
  return rule === 'factor' ? Math.max(TRUNK_FACTOR, eased) : Math.min(1 / TRUNK_FACTOR, eased);
}

const ASKED = {
  factor: { symbol: 'n_a', quantity: 'ratio' },
  share: { symbol: 'u_a', quantity: 'share' },
  chance: { symbol: 'P_a', quantity: 'chance' },
} as const;

/** The same with why: whose margins they are, and what a computed shock or a trunk makes of them. */
function askedFigure(rule: Rule, kind: LinkKind, required: Required, use: Use, quick: boolean): Figure {
  const name = ASKED[rule];
  const own = given({ ...name, title: `asked of ${USE_NAMES[use]}` }, required[rule][use], {
    kind: 'chosen',
    text: 'your margins, under Me',
  });
  const value = askOf(rule, kind, required, use, quick);
  if (value === own.value) return own;
  const notes = [
    ...(quick
      ? [
          `Of the most of a fall or a swing that is computed itself, ${SHOCK_SHARE} of the steady factor is asked: the rest of it stands for shocks that nobody computes. Judgement, 0.4 to 0.6.`,
        ]
      : []),
    ...(kind === 'trunk'
      ? [
          `Green stems and root plates are judged at no less than a factor of ${TRUNK_FACTOR}, whatever hangs on them. Judgement, 3 to 6.`,
        ]
      : []),
  ];
  return derive(
    { ...name, title: `asked here`, formula: `${name.symbol} as the notes say`, notes },
    [own],
    () => value,
  );
}

/**
 * How near a link is to what one school asks: over 1 holds, infinite when nothing pulls. Trunks have their own factor and share; the
 * chance asked is the use's.
 * @param quick whether the demand is the most of something quick that was computed, a fall or a swing
 */
export function ratioFor(
  rule: Rule,
  { kind, demand, available }: Pick<Link, 'kind' | 'demand' | 'available'>,
  required: Required,
  use: Use,
  quick = false,
): { readonly ask: number; readonly ratio: number } {
  const ask = askOf(rule, kind, required, use, quick);
  if (rule === 'chance') {
    const chance = failureChance(available, demand);
    return { ask, ratio: chance <= 0 ? Number.POSITIVE_INFINITY : Math.max(0, reliability(chance) / reliability(ask)) };
  }
  const holds = rule === 'factor' ? available.value : lowEnd(available);
  const ratio = demand.value > 0 ? holds / demand.value : Number.POSITIVE_INFINITY;
  return { ask, ratio: rule === 'factor' ? ratio / ask : ratio * ask };
}

/** Judges a link by one school. @param quick as in {@link ratioFor} */
export function judge(l: Link, rule: Rule, required: Required, use: Use, quick = false): Judgement {
  const { ask, ratio } = ratioFor(rule, l, required, use, quick);
  const figure = rule === 'factor' ? l.margin : rule === 'share' ? l.share : l.chance;
  const asked = askedFigure(rule, l.kind, required, use, quick);
  return { rule, figure, required: ask, asked, ratio, word: wordFor(ratio) };
}

/**
 * Strands out of ten: how many are spent and where the rule's share ends.
 * @returns spent 0..10 and notch 0..10, both unrounded
 */
export function strands(l: Link, judgement: Judgement): { readonly spent: number; readonly notch: number } {
  const used = judgement.rule === 'share' ? l.share.value : l.margin.value > 0 ? 1 / l.margin.value : 1;
  const allowed =
    judgement.rule === 'factor'
      ? 1 / judgement.required
      : judgement.rule === 'share'
        ? judgement.required
        : used * judgement.ratio;
  return { spent: Math.min(10, Math.max(0, used * 10)), notch: Math.min(10, Math.max(0, allowed * 10)) };
}
