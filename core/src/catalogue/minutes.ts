import type { Constant } from './evidence.js';

const minutes = (title: string, typical: number, low = typical / 2, high = typical * 3): Constant => ({
  symbol: 't',
  title,
  quantity: 'time',
  low: 60 * low,
  typical: 60 * typical,
  high: 60 * high,
  kind: 'judgement',
  citation: 'Judgement: practised hands by day, cold fingers left out. Your own times replace it.',
});

/** Time that practised hands take for one thing, s. */
export const HAND_TIMES = {
  // what is touched in changing a rig as much as in pitching it
  foot: minutes('a peg driven', 2),
  buried: minutes('a log or bag dug in', 30),
  brought: minutes('a weight brought', 8),
  knot: minutes('a knot', 1),
  haul: minutes('a haul', 0.5),
  'put-on': minutes('a guy put on', 3),
  'take-off': minutes('a guy taken off', 1),
  'ridge-tie': minutes('an end of the ridge tied', 4),
  'ridge-haul': minutes('the ridge hauled', 3),
  hitches: minutes('both hitches', 3),
  turn: minutes('a cloth turned on its middle', 3),
  prop: minutes('a prop stood up', 3),
  flick: minutes('a stick flicked away', 0.2),
  all: minutes('a roof pitched anew', 25),
  // and what belongs to pitching alone
  look: minutes('looked up, pushed and walked round', 4),
  'peg-cut': minutes('a peg cut', 4),
  lay: minutes('laid out and counted', 3),
  raise: minutes('an end raised', 2),
  cloth: minutes('the cloth hung', 2),
  spread: minutes('the roof drawn out along the ridge', 1),
  strap: minutes('a strap put round', 2),
  bed: minutes('a bed hooked in and settled', 3),
  pole: minutes('a pole dug in and stayed', 12),
  tail: minutes('a tail tied', 0.5),
  mark: minutes('a line marked', 0.5),
  pin: minutes('a hitch pinned', 0.3),
  check: minutes('walked round and looked over', 2),
  hank: minutes('a guy hanked', 0.7),
  stow: minutes('a cloth stowed', 2),
  count: minutes('counted in', 1),
} as const satisfies Record<string, Constant>;
export type HandTime = keyof typeof HAND_TIMES;
