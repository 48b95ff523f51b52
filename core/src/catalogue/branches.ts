import type { Constant } from './evidence.js';

/** What a branch holds that nobody has seen the inside of, over sound green wood of its thickness. */
export const BRANCH_SOUND: Constant = {
  symbol: 'k_b',
  title: 'what a branch holds over sound green wood as thick',
  quantity: 'share',
  low: 0.1,
  typical: 0.35,
  high: 0.9,
  kind: 'judgement',
  citation:
    'Judgement: included bark at its fork, rot and old wounds do not show from below, and branches fall in calm weather too.',
};
