import type { Described } from '../document/index.js';
import { id, keyOf, part, whole, within, words } from '../document/index.js';
import { limit } from '../quantity/index.js';
import type { Cut } from './cut.js';

export const BINDING_LIMITS = {
  girth: limit('girth of the bundle', 'length', 0.03, 3),
  pole: limit('thickness of a pole', 'diameter', 0.01, 0.4),
  turns: limit('turns round both', 'count', 1, 30),
  between: limit('turns between them', 'count', 0, 10),
  count: limit('number of such bindings', 'count', 1, 100),
} as const;
/** Bindings of one camp, at most. */
export const MOST_BINDINGS = 60;

/** Knots that finish a binding, and the cord that each takes, in cord diameters, tails beside. Judgement, a third either way. */
export const BINDING_KNOTS = {
  reef: { name: 'reef knot', diameters: 25 },
  clove: { name: 'clove hitch and half hitch', diameters: 30 },
  constrictor: { name: 'constrictor knot', diameters: 30 },
} as const;
export type BindingKnot = keyof typeof BINDING_KNOTS;

/** What is bound, and the cord that one turn round it and one between its poles takes, m. */
export const BINDINGS = {
  bundle: {
    name: 'a bundle',
    turn: ({ girth }: Sizes, d: number): number => girth + Math.PI * d,
    between: (): number => 0,
  },
  crossed: {
    name: 'two poles that cross, as at a bench’s leg',
    // half round each pole in front and half round each behind
    turn: ({ poles: [a, b] }: Sizes, d: number): number => Math.PI * (a + b + 2 * d),
    // drawn tight between them: half as far
    between: ({ poles: [a, b] }: Sizes, d: number): number => (Math.PI * (a + b)) / 2 + 4 * d,
  },
  beside: {
    name: 'two poles side by side, as a seat’s slats or an A',
    // the hull of two rounds that touch
    turn: ({ poles: [a, b] }: Sizes, d: number): number => {
      const [p, q] = [a + d, b + d];
      return (Math.PI * (p + q)) / 2 + 2 * Math.sqrt(p * q) + (p - q) * Math.asin((p - q) / (p + q));
    },
    between: ({ poles: [a, b] }: Sizes, d: number): number => a + b + 12 * d,
  },
} as const;
export type BindingKind = keyof typeof BINDINGS;

interface Sizes {
  readonly girth: number;
  readonly poles: readonly [number, number];
}

const L = BINDING_LIMITS;
/** Something that is bound with cord: a bundle, or the poles of a bench. */
export const bindingDocument = part({
  id: id('binding'),
  name: words('name of what is bound', 1, 60),
  kind: keyOf('binding', BINDINGS),
  /** Round a bundle, m. */
  girth: within(L.girth),
  /** Thickness of the poles, m. */
  first: within(L.pole),
  second: within(L.pole),
  turns: whole(L.turns),
  between: whole(L.between),
  knot: keyOf('knot that finishes it', BINDING_KNOTS),
  /** How many of them alike. */
  count: whole(L.count),
  /** Id of a hank. */
  cord: id('cord'),
});
export type Binding = Described<typeof bindingDocument>;

/** Both ends to draw it tight by, m. Judgement: 0.2 to 0.5. */
const ENDS = 0.3;

/** Cord that one such binding takes. @param diameter of the cord, m */
export function cutOfBinding(
  { kind, girth, first, second, turns, between, knot, cord }: Binding,
  diameter: number,
): Cut {
  const of = BINDINGS[kind];
  const sizes: Sizes = { girth, poles: [first, second] };
  return {
    hank: cord,
    between: 0,
    wraps: turns * of.turn(sizes, diameter) + between * of.between(sizes, diameter),
    knots: BINDING_KNOTS[knot].diameters * diameter,
    tails: ENDS,
    travel: 0,
    over: 0,
  };
}

/** One to begin with: a bench's leg. */
export const freshBinding = (newId: string, cord: string): Binding => ({
  id: newId,
  name: 'bench',
  kind: 'crossed',
  girth: 0.4,
  first: 0.06,
  second: 0.06,
  turns: 4,
  between: 2,
  knot: 'clove',
  count: 4,
  cord,
});
