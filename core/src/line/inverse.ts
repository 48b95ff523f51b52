import { SaidError, amount, metres, norm, phrase } from '../quantity/index.js';
import type { Phrase, Vec3 } from '../quantity/index.js';
import { strainAt, tensionAt } from '../net/index.js';
import type { Span, SpanState } from './span.js';
import { solveSpan } from './span.js';

/** A wish that no length of this line can meet; the message says what is possible. */
export class NoSuchLine extends SaidError {
  override readonly name = 'NoSuchLine';
}

/** The span with nothing hung on it. */
export function bareOf(span: Span): Span {
  return { ...span, loads: [] };
}

/**
 * Straight-line distance between the supports when a weightless line of tension `t` pulls on them, m; 0 when
 * they would meet. Each component shrinks to C d / (d + give t), so d is the one root of
 *   sum (C / (d + give t))^2 = 1,
 * between the unpulled distance less the largest give and the unpulled distance.
 */
function pulledDistance(span: Span, t: number): number {
  const [ga, gb] = span.give;
  const d = norm(span.chord);
  const give = [0, 1, 2].map((i) => (ga[i]! + gb[i]!) * t);
  const largest = Math.max(...give);
  if (largest === 0) return d;
  const excess = (x: number): number => give.reduce((sum, g, i) => sum + (span.chord[i]! / (x + g)) ** 2, -1);
  const least = Math.max(d - largest, 1e-9 * d);
  return excess(least) < 0 && least > d - largest ? 0 : root(excess, least, d, 1e-15);
}

/**
 * Unstressed length of a line hauled to a tension while straight, bare and weightless.
 * @param tension N, >= 0
 * @throws NoSuchLine when the supports would meet first
 */
export function unstressedFromPretension(span: Span, tension: number): number {
  const d = pulledDistance(span, tension);
  const give = span.give[0][0] + span.give[1][0];
  if (!(d > 0) || give * tension > 0.5 * norm(span.chord))
    throw new NoSuchLine(
      phrase`a tension of ${amount(tension, 'force')} would pull the anchors more than half way together`,
    );
  return d / (1 + strainAt(span.curve, tension));
}

/** Tension of the straight, bare, weightless line of this unstressed length, N; 0 when it would be slack. */
export function pretensionOf(span: Span, unstressed: number): number {
  const d = norm(span.chord);
  if (unstressed >= d) return 0;
  const rigid = tensionAt(span.curve, d / unstressed - 1);
  return root((t) => pulledDistance(span, t) - unstressed * (1 + strainAt(span.curve, t)), 0, rigid, 1e-13);
}

/**
 * Root of a continuous function between a and b, where it changes sign: inverse quadratic interpolation
 * where that is safe, bisection where not (Chandrupatla, Advances in Engineering Software 28, 1997).
 * @param relative of the root's place, at which to stop
 * @param flat     size of the function at which to stop
 */
export function root(f: (x: number) => number, a: number, b: number, relative: number, flat = 0): number {
  let [x1, x2] = [b, a];
  let [f1, f2] = [f(b), f(a)];
  if (f1 === 0) return x1;
  if (f2 === 0) return x2;
  if (f1 > 0 === f2 > 0) return Math.abs(f1) < Math.abs(f2) ? x1 : x2; // no change of sign but rounding
  let x3: number;
  let f3: number;
  let t = 0.5;
  for (let i = 0; i < 200; i++) {
    const x = x1 + t * (x2 - x1);
    const fx = f(x);
    if (fx > 0 === f1 > 0) {
      [x3, f3] = [x1, f1];
    } else {
      [x3, f3] = [x2, f2];
      [x2, f2] = [x1, f1];
    }
    [x1, f1] = [x, fx];
    const [best, least] = Math.abs(f2) < Math.abs(f1) ? [x2, f2] : [x1, f1];
    const near = relative * Math.abs(best);
    const share = near / Math.abs(x2 - x1);
    if (share > 0.5 || Math.abs(least) <= flat) return best;
    const xi = (x1 - x2) / (x3 - x2);
    const phi = (f1 - f2) / (f3 - f2);
    t =
      phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi
        ? (f1 / (f2 - f1)) * (f3 / (f2 - f3)) + ((x3 - x1) / (x2 - x1)) * (f1 / (f3 - f1)) * (f2 / (f3 - f2))
        : 0.5;
    t = Number.isNaN(t) ? 0.5 : Math.min(1 - share, Math.max(share, t));
  }
  return x1;
}

const SHORTEST_SHARE = 1e-4;
const LONGEST_SHARE = 1e3;

/**
 * Finds the unstressed length, coming from the tight side, at which a measure that grows with length
 * reaches a wanted value.
 * @throws NoSuchLine with `impossible(reached)` where the measure cannot reach it
 */
function fromTightSide(
  distance: number,
  wanted: number,
  measure: (unstressed: number) => number,
  impossible: (reached: number) => Phrase,
): number {
  const flat = 1e-12 * Math.abs(wanted);
  const f = (l: number): number => measure(l) - wanted;
  let at = distance;
  let value = f(at);
  if (value === 0) return at;
  let gap = 1e-4;
  if (value > 0) {
    for (;;) {
      const tighter = distance * Math.max(1 - gap, SHORTEST_SHARE);
      const v = f(tighter);
      if (v <= 0) return root(f, tighter, at, 1e-15, flat);
      if (tighter <= distance * SHORTEST_SHARE) throw new NoSuchLine(impossible(v + wanted));
      at = tighter;
      gap *= 7;
    }
  }
  // the peak of a measure that falls again when slack may lie on the tight side of straight already
  let before = tighterThan(f, distance);
  let most = value;
  for (;;) {
    const slacker = distance * (1 + gap);
    const v = f(slacker);
    if (v >= 0) return root(f, at, slacker, 1e-15, flat);
    most = Math.max(most, v);
    if (v < value) {
      // a peak lies behind: the wanted value may be on its near side, or beyond the trough that follows
      const peak = highest(f, before, slacker);
      const top = f(peak);
      if (top >= 0) return root(f, before, peak, 1e-15, flat);
      most = Math.max(most, top);
    }
    if (slacker > distance * LONGEST_SHARE) throw new NoSuchLine(impossible(most + wanted));
    before = at;
    at = slacker;
    value = v;
    gap *= 1.8;
  }
}

/** A length tight enough that the measure is below the wanted value. */
function tighterThan(f: (unstressed: number) => number, distance: number): number {
  for (let gap = 0.02; ; gap *= 3) {
    const length = distance * Math.max(1 - gap, SHORTEST_SHARE);
    if (f(length) < 0 || length <= distance * SHORTEST_SHARE) return length;
  }
}

/** Where a function with one peak between a and b is highest, by golden section (Kiefer, 1953). */
function highest(f: (x: number) => number, a: number, b: number): number {
  const golden = (Math.sqrt(5) - 1) / 2;
  let x = b - golden * (b - a);
  let y = a + golden * (b - a);
  let fx = f(x);
  let fy = f(y);
  for (let i = 0; i < 60; i++) {
    if (fx > fy) {
      b = y;
      y = x;
      fy = fx;
      x = b - golden * (b - a);
      fx = f(x);
    } else {
      a = x;
      x = y;
      fx = fy;
      y = a + golden * (b - a);
      fy = f(y);
    }
  }
  return 0.5 * (a + b);
}

/** Solves repeatedly, each from the last answer. */
function warmSolver(span: Span): (unstressed: number) => SpanState {
  let warm: Vec3 | undefined;
  return (unstressed) => {
    let state = solveSpan(span, unstressed, warm);
    if (!state.converged) state = solveSpan(span, unstressed);
    if (!state.converged) throw new NoSuchLine(phrase`no equilibrium found for ${metres(unstressed)} of line`);
    warm = state.slack ? undefined : state.start;
    return state;
  };
}

/**
 * Unstressed length at which the line, with its loads on, sags as given.
 * @param sag largest vertical drop below the chord, m, > 0
 * @throws NoSuchLine for a weightless line with nothing on it
 */
export function unstressedFromSag(span: Span, sag: number): number {
  if (span.loads.every((l) => l.force[2] === 0) && span.perMetre[2] === 0)
    throw new NoSuchLine('a weightless line with nothing hung on it has no sag');
  const solve = warmSolver(span);
  return fromTightSide(
    norm(span.chord),
    sag,
    (l) => solve(l).sag,
    (reached) => phrase`the sag cannot be ${metres(sag)}; the nearest this line comes is ${metres(reached)}`,
  );
}

/**
 * Unstressed length at which the line, with its loads on, pulls on one of its supports as given: hauled there with all of it hanging.
 * @param end     which support
 * @param tension of the line at it, N, > 0
 * @throws NoSuchLine naming the nearest pull that this line comes to
 */
export function unstressedFromEndTension(span: Span, end: 0 | 1, tension: number): number {
  const solve = warmSolver(span);
  return fromTightSide(
    norm(span.chord),
    -tension,
    (l) => -solve(l).endTension[end],
    (reached) =>
      phrase`a pull of ${amount(tension, 'force')} does not raise what hangs on it; the nearest this line comes is ${amount(-reached, 'force')}`,
  );
}

/** Vertical drop of point `at` of the bare line when `force` (N) is hung there, beyond its drop without, m. */
export function dipOf(span: Span, unstressed: number, at: number, force: number): number {
  const bare = bareOf(span);
  const hung = solveSpan({ ...bare, loads: [{ at, force: [0, 0, -force] }] }, unstressed);
  const before = solveSpan({ ...bare, loads: [{ at, force: [0, 0, 0] }] }, unstressed);
  if (!hung.converged || !before.converged) throw new NoSuchLine('no equilibrium found under the test mass');
  return before.loadPlace[0]![2] - hung.loadPlace[0]![2];
}

/**
 * Unstressed length found by a dip test: hang a known weight on the bare line, measure how much further
 * that point drops. Very slack heavy lines can give the same dip twice; the tighter one is returned.
 * @param at    where it hangs, share of the length, 0 < at < 1
 * @param force its weight, N, > 0
 * @param dip   the extra drop, m, > 0
 * @throws NoSuchLine naming the largest dip possible
 */
export function unstressedFromDip(span: Span, at: number, force: number, dip: number): number {
  return fromTightSide(
    norm(span.chord),
    dip,
    (l) => dipOf(span, l, at, force),
    (reached) =>
      phrase`a dip of ${metres(dip)} cannot come of this weight on this line; the nearest possible is ${metres(reached)}`,
  );
}

/**
 * Unstressed length at which the largest tension, with the loads on, is as given; the tight one.
 * @param tension N, > 0
 * @throws NoSuchLine naming the least tension the loads allow
 */
export function unstressedFromTension(span: Span, tension: number): number {
  const solve = warmSolver(span);
  return fromTightSide(
    norm(span.chord),
    -tension,
    (l) => -solve(l).tension,
    (reached) =>
      phrase`the tension cannot be ${amount(tension, 'force')}; with these loads the least is ${amount(-reached, 'force')}`,
  );
}
