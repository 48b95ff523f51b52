import type { Constant } from './evidence.js';

/** A standing tree's wood, green. */
export interface Wood {
  readonly id: string;
  readonly name: string;
  /** Bending strength (modulus of rupture), Pa. */
  readonly strength: Constant;
  /** Modulus of elasticity, Pa. */
  readonly modulus: Constant;
}

const WOOD_HANDBOOK =
  'USDA Forest Products Laboratory, Wood Handbook, 2010, table 5-3a (green, clear wood); 20 % spread by its table 5-6 and for standing stems by judgement.';

const wood = (
  id: string,
  name: string,
  mpa: number,
  gpa: number,
  citation = WOOD_HANDBOOK,
  kind: Constant['kind'] = 'handbook',
): Wood => ({
  id,
  name,
  strength: {
    symbol: 'f_b',
    title: `green bending strength of ${name}`,
    quantity: 'stress',
    low: mpa * 0.67e6,
    typical: mpa * 1e6,
    high: mpa * 1.33e6,
    kind,
    citation,
  },
  modulus: {
    symbol: 'E',
    title: `green stiffness of ${name}`,
    quantity: 'stress',
    low: gpa * 0.67e9,
    typical: gpa * 1e9,
    high: gpa * 1.33e9,
    kind,
    citation,
  },
});

/** Ranges are 5 % to 95 %: 1.645 times a 20 % spread. */
export const WOODS: readonly Wood[] = [
  wood('alder', 'alder', 45, 8.1),
  wood('willow', 'willow', 33, 5.4),
  wood('poplar', 'poplar', 37, 7),
  wood('aspen', 'aspen', 35, 5.9),
  wood('birch', 'birch', 44, 8.1),
  wood('beech', 'beech', 59, 9.5),
  wood('ash', 'ash', 66, 9.9),
  wood('oak', 'oak', 57, 8.6),
  wood('pine', 'soft pine', 34, 6.8),
  wood('fir', 'Douglas-fir', 53, 10.8),
  wood('larch', 'larch', 50, 8.5),
  wood(
    'unknown',
    'a tree you cannot name',
    26,
    4.4,
    'Judgement: below the weakest of the handbook’s table (balsam poplar 27 MPa and 5.2 GPa, northern white-cedar 29 and 4.4), so that not knowing never helps.',
    'judgement',
  ),
];

export function findWood(id: string): Wood | undefined {
  return WOODS.find((w) => w.id === id);
}
