import type { Constant } from './evidence.js';

const judged = (
  symbol: string,
  title: string,
  quantity: Constant['quantity'],
  [low, typical, high]: readonly [number, number, number],
  citation: string,
): Constant => ({ symbol, title, quantity, low, typical, high, kind: 'judgement', citation });

/** How the foot of a stick stands: what it holds sideways over what presses it down. */
export const FEET = {
  pushed: {
    name: 'pushed in, a hand deep',
    holds: judged(
      'μ_f',
      'what a foot pushed in holds sideways over its push',
      'ratio',
      [0.6, 1, 1.6],
      'Judgement: a point in soil; least in sand, where it ploughs.',
    ),
  },
  bare: {
    name: 'on bare ground',
    holds: judged(
      'μ_f',
      'friction of a stick’s end on the ground',
      'ratio',
      [0.3, 0.5, 0.8],
      'Judgement: least on wet leaves and frozen ground.',
    ),
  },
  stone: {
    name: 'on a stone or a board',
    holds: judged(
      'μ_f',
      'friction of a stick’s end on stone or wood',
      'ratio',
      [0.2, 0.35, 0.6],
      'Judgement: does not sink, and slides when wet.',
    ),
  },
} as const satisfies Record<string, { name: string; holds: Constant }>;
export type Foot = keyof typeof FEET;

/** How large a ring of cloth bears on the head of a stick, by whether it is padded, m: its radius. */
export const HEADS = {
  bare: judged(
    'r',
    'radius of the ring of cloth that bears on a bare stick’s head',
    'length',
    [0.003, 0.008, 0.02],
    'Judgement: cut ends bear on their rim and on knots, not on all of it.',
  ),
  padded: judged(
    'r',
    'radius of the ring of cloth that bears on a padded head',
    'length',
    [0.025, 0.04, 0.06],
    'Judgement: a sock, a ball of moss or a folded glove, as large as a fist.',
  ),
} as const;
