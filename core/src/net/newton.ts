import type { Balance } from './balance.js';
import { collectTangents, evaluate, isConservative } from './balance.js';
import type { Engine } from './engine.js';
import { spend } from './engine.js';
import type { Factors } from './factor.js';
import type { Stiffness } from './stiffness.js';
import { foreseeTensions } from './lines.js';
import { foreseeStresses } from './panels.js';
import { solveOn } from './stiffness.js';
import { refineContacts } from './contact.js';
import { refineFeet } from './supports.js';

const { abs, max, min, sin, sqrt } = Math;

/** The residual to stop at, as a share of the largest tension; rounding may stop earlier. */
export const GOAL = 1e-11;
/** Friction of what nodes lie on is set anew from this residual on, a share of the largest tension, and agrees when it changes by no more than so many times the goal. */
const REFINE_FROM = 1e-2;
const AGREED = 10;
/** What counts as balanced when rounding allows no better. */
export const BALANCED = 5e-7;
const MOST_STEPS = 120;
const MOST_TRIALS = 14;
/** After so many steps a search that took less than this share of its step is followed by a leap of at most LEAP foreseen steps. */
const STUBBORN = 12;
const POOR = 0.7;
const LEAP = 12;
/** rad. */
const TURN = 0.4;

/** How a solver ended: balanced, or why not. */
export type Ending = null | 'stuck' | 'steps' | 'work' | 'astray';

/**
 * Newton's method on the out-of-balance force, with the consistent tangent.
 *
 * The step solves (K + shift) d = f. The shift is in proportion to the residual (Li, Fukushima, Qi & Yamashita,
 * Comput. Optim. Appl. 28, 2004): slack cloth and lines leave K singular, and a shift that goes with the residual keeps
 * each step shorter than a share of the net, yet lets the last steps converge quadratically. Along the step the search
 * looks for where the force no longer pulls on (the slope of the energy along the step vanishes), so with a convex
 * energy every step lowers it: no luck is needed.
 *
 * Yields once an iteration, so that a caller may stop.
 */
export function* newton(engine: Engine, balance: Balance): Generator<void, Ending> {
  const { state, stiffness, structure: s, direction } = engine;
  if (stiffness === null) return 'work';
  const { fixed } = s;
  const symmetric = isConservative(state);
  let damping = 1e-4;
  let last = Number.POSITIVE_INFINITY;
  let rest = 0;
  let patience = 1;
  let refinements = 0;
  let kicks = 0;
  /** Rounding allows no better. */
  let floored = false;
  /** Last change of friction's bounds, N. */
  let unsure = s.contactNode.length > 0 && symmetric ? Number.POSITIVE_INFINITY : 0;
  const done = (): boolean =>
    unsure <= AGREED * engine.goal * state.scale &&
    (floored ||
      balance.residual <= engine.goal * state.scale ||
      (last <= 2 * balance.residual && balance.residual <= 1e-9 * state.scale));
  evaluate(state, balance);
  for (let step = 0; step < MOST_STEPS; step++) {
    if (unsure > 0 && balance.residual <= REFINE_FROM * state.scale) {
      unsure = refineContacts(state);
      // however little they changed: what is searched along is the energy of the new bounds
      if (unsure > 0) evaluate(state, balance);
      if (unsure > AGREED * engine.goal * state.scale) {
        last = Number.POSITIVE_INFINITY;
        floored = false;
      }
    }
    if (done() && refinements < 40) {
      refinements++;
      if (refineFeet(state) > 1e-10 * state.scale) {
        evaluate(state, balance);
        last = Number.POSITIVE_INFINITY;
        floored = false;
      }
    }
    if (done()) {
      if (!symmetric || kicks >= 3 || !unstable(engine)) return null;
      kicks++;
      floored = false;
      kick(engine);
      evaluate(state, balance);
    }
    last = balance.residual;
    engine.iterations++;
    if (!spend(engine, stiffness.costOf(symmetric) + 2 * engine.evaluation)) return 'work';
    yield;

    stiffness.begin(symmetric);
    collectTangents(state, engine.members, stiffness);
    let shift = (damping * balance.residual) / engine.size;
    let factors = stiffness.factors(shift);
    let slope: number;
    for (let raised = 0; ; raised++) {
      slope = !symmetric || factors.negative === 0 ? aim(engine, stiffness, factors) : 0;
      if (slope > 0 && slope < Number.POSITIVE_INFINITY) break;
      if (raised === 40) return 'stuck';
      if (!spend(engine, stiffness.costOf(symmetric))) return 'work';
      shift = max(10 * shift, (1e-8 * state.scale) / engine.size, 1e-12);
      factors = stiffness.factors(shift);
    }
    const residual0 = balance.residual;
    const longest = longestOf(direction);
    const first = min(1, (0.5 * engine.size) / longest);
    const taken = search(engine, balance, slope, first, symmetric);
    if (taken === 0) {
      if (residual0 <= BALANCED * state.scale) {
        polish(stiffness);
        floored = true;
        continue;
      }
      if (damping > 1e6) return 'stuck';
      damping *= 100;
      continue;
    }
    if (symmetric && step >= STUBBORN && taken < POOR * first && rest-- <= 0) rest = leap(first) ? 0 : patience++;
    if (engine.allowance <= 0) return 'work';
    engine.onStep?.(state.energy, balance.residual);
    if (taken < 0.2 * first) damping = min(4 * damping, 1e4);
    else if (taken >= 0.9 * first) damping = max(0.2 * damping, 1e-6);
    if (astray(engine)) return 'astray';
  }
  return balance.residual <= BALANCED * state.scale ? null : 'steps';

  /** Near balance energies differ by no more than rounding: whole steps, as long as the residual falls. */
  function polish(k: Stiffness): void {
    for (let step = 0; step < 8 && balance.residual > engine.goal * state.scale; step++) {
      const before = balance.residual;
      if (!spend(engine, k.costOf(symmetric) + 3 * engine.evaluation)) return;
      k.begin(symmetric);
      collectTangents(state, engine.members, k);
      const factors = k.factors((1e-6 * before) / engine.size);
      if (!(aim(engine, k, factors) > 0)) return;
      engine.before.set(state.x);
      for (let i = 0; i < direction.length; i++) state.x[i]! += direction[i] as number;
      evaluate(state, balance);
      if (balance.residual <= 0.7 * before) continue;
      state.x.set(engine.before);
      evaluate(state, balance);
      return;
    }
  }

  /**
   * After a poor search: the whole step, as far as it turns nothing too much, and then foreseen steps, until the energy
   * is below the search's. False, and the state as the search left it, when it does not get there.
   */
  function leap(first: number): boolean {
    const { before, correction: searched } = engine;
    if (stiffness === null) return false;
    const { x } = state;
    searched.set(x);
    const energy = state.energy;
    x.set(before);
    stride(engine, first);
    for (let k = 0; k < LEAP; k++) {
      evaluate(state, balance);
      if (!Number.isFinite(balance.residual)) break;
      if (state.energy < energy) return true;
      if (!foreseenStep(engine, stiffness, balance, symmetric)) break;
    }
    x.set(searched);
    evaluate(state, balance);
    return false;
  }

  /** Solves for the direction; returns the force's pull along it. */
  function aim(e: Engine, k: Stiffness, factors: Factors): number {
    direction.set(state.force);
    solveOn(k, fixed, factors, direction, e.scratch);
    return dotFree(state.force, direction, fixed);
  }
}

/**
 * Settles a net that is loose in part, where cloth is on the verge of slack over an area and many shapes all but
 * balance: every node is tethered by a spring to where it stood, the tethered net is solved, and the tethers are moved
 * up and weakened (the proximal point method: Rockafellar, SIAM J. Control Optim. 14, 1976). Ends balanced without.
 */
export function* settleLoose(engine: Engine, balance: Balance): Generator<void, Ending> {
  const { state } = engine;
  evaluate(state, balance);
  const stiffness = state.scale / engine.size;
  let ending: Ending = 'steps';
  for (let k = 1e-2; k > 1e-8; k /= 10) {
    state.tether.set(state.x);
    state.tetherStiffness = k * stiffness;
    ending = yield* newton(engine, balance);
    state.tetherStiffness = 0;
    evaluate(state, balance);
    if (balance.residual <= BALANCED * state.scale) return null;
    if (ending === 'work' || ending === 'astray') return ending;
  }
  return ending ?? 'steps';
}

/**
 * Newton steps with foreseen tensions, none of them tested: what stiff lines far from their place need. Ends balanced,
 * or after `most` steps wherever they led.
 */
export function* march(engine: Engine, balance: Balance, most: number): Generator<void, Ending> {
  const { state, stiffness } = engine;
  if (stiffness === null) return 'work';
  const symmetric = isConservative(state);
  evaluate(state, balance);
  for (let step = 0; step < most; step++) {
    if (balance.residual <= engine.goal * state.scale) return null;
    engine.iterations++;
    yield;
    if (!foreseenStep(engine, stiffness, balance, symmetric)) return engine.allowance > 0 ? 'stuck' : 'work';
    evaluate(state, balance);
    if (!Number.isFinite(balance.residual)) return 'stuck';
    if (astray(engine)) return 'astray';
  }
  return 'steps';
}

/**
 * One Newton step whose geometric stiffness comes from the tensions that the step before foresaw to first order, not
 * from those it caused: turning stretches a stiff line by the square of the turn, and the false tension of that would
 * hold the next step back. (The tension as an unknown of its own, eliminated: the mixed or primal-dual form.)
 * Expects the balance evaluated; leaves the new places unevaluated. False when there is no direction.
 */
function foreseenStep(engine: Engine, stiffness: Stiffness, balance: Balance, symmetric: boolean): boolean {
  const { state, structure: s, direction } = engine;
  stiffness.begin(symmetric);
  state.foreseeing = true;
  collectTangents(state, engine.members, stiffness);
  state.foreseeing = false;
  let shift = (1e-6 * min(state.scale, balance.residual)) / engine.size;
  for (let raised = 0; raised < 12; raised++, shift = max(30 * shift, (1e-8 * state.scale) / engine.size)) {
    if (!spend(engine, stiffness.costOf(symmetric) + 3 * engine.evaluation)) return false;
    const factors = stiffness.factors(shift);
    if (symmetric && factors.negative > 0) continue;
    direction.set(state.force);
    solveOn(stiffness, s.fixed, factors, direction, engine.scratch);
    stride(engine, 1);
    return true;
  }
  return false;
}

/** Takes a share of the direction, at most as much as turns no side by more than TURN, and foresees its tensions. */
function stride(engine: Engine, share: number): void {
  const { state, direction } = engine;
  const take = min(share, TURN / turning(engine, state.x));
  foreseeTensions(state, direction, take);
  foreseeStresses(state, direction, take);
  for (let i = 0; i < state.x.length; i++) state.x[i]! += take * (direction[i] as number);
}

/**
 * Searches along the direction for where the force no longer pulls on, and leaves the state there. Returns the share
 * of the direction taken; 0 when no share is better than none, with the state put back.
 */
function search(engine: Engine, balance: Balance, slope0: number, first: number, symmetric: boolean): number {
  const { state, structure: s, direction: d, before } = engine;
  const { x, force } = state;
  before.set(x);
  const energy0 = state.energy;
  const residual0 = balance.residual;
  const floor = residual0 <= BALANCED * state.scale;
  // the energy is a sum of terms as large as the largest tension times the net
  const rounding = 1e-13 * (abs(energy0) + state.scale * engine.size);
  let low = 0;
  let lowSlope = slope0;
  let high = Number.POSITIVE_INFINITY;
  let highSlope = 0;
  let take = first;
  let best = 0;
  let bestResidual = residual0;
  const go = (share: number): void => {
    for (let i = 0; i < x.length; i++) x[i] = (before[i] as number) + share * (d[i] as number);
    evaluate(state, balance);
  };
  for (let trial = 0; trial < MOST_TRIALS; trial++) {
    go(take);
    spend(engine, engine.evaluation);
    const slope = dotFree(force, d, s.fixed);
    const finite = Number.isFinite(slope) && Number.isFinite(balance.residual);
    if (finite && balance.residual < bestResidual) {
      best = take;
      bestResidual = balance.residual;
    }
    const change = state.energy - energy0;
    if (finite && good(slope, slope0, change, rounding, balance.residual, residual0, symmetric)) return take;
    // a point where the energy has risen lies beyond the minimum even when the slope is not yet against the step
    const beyond = !finite || slope < 0 || (symmetric && change > 0);
    if (beyond) {
      high = take;
      highSlope = finite && slope < 0 ? slope : Number.NEGATIVE_INFINITY;
    } else {
      low = take;
      lowSlope = slope;
      if (low === 1) break;
    }
    if (high === Number.POSITIVE_INFINITY) take = min(2 * take, 1);
    else if (highSlope === Number.NEGATIVE_INFINITY) take = low + 0.25 * (high - low);
    else {
      const share = lowSlope / (lowSlope - highSlope);
      // three secants, then a half, so that a kink cannot hold the search at one end
      take = trial % 4 === 3 ? 0.5 * (low + high) : low + min(0.9, max(0.05, share)) * (high - low);
    }
  }
  const fallback = !symmetric && best > 0 ? best : floor ? 0 : low;
  go(fallback);
  return fallback;
}

/** Whether a trial point may be taken. `rounding`: a change of energy, N m, that says nothing. */
function good(
  slope: number,
  slope0: number,
  change: number,
  rounding: number,
  residual: number,
  residual0: number,
  symmetric: boolean,
): boolean {
  if (symmetric) {
    if (abs(change) <= rounding) return abs(slope) <= 0.3 * slope0 || residual <= 0.5 * residual0;
    return change < 0 && abs(slope) <= 0.3 * slope0;
  }
  return abs(slope) <= 0.5 * slope0 || residual <= 0.5 * residual0;
}

function dotFree(a: Float64Array, b: Float64Array, fixed: Uint8Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) if (!fixed[i]) sum += (a[i] as number) * (b[i] as number);
  return sum;
}

/** A balanced net that would leave its place at a touch: the tangent has a negative pivot. */
function unstable(engine: Engine): boolean {
  const { state, stiffness, structure: s } = engine;
  if (stiffness === null || s.strutFrom.length === 0) return false;
  stiffness.begin(true);
  collectTangents(state, engine.members, stiffness);
  return stiffness.factors(0, true).negative > 0;
}

/** The largest angle, about, by which the direction turns a side of an element, from the places given. */
function turning(engine: Engine, x: Float64Array): number {
  const { direction: d, members } = engine;
  const { start, node } = members;
  let most = 0;
  for (let e = 0; e + 1 < start.length; e++)
    for (let k = (start[e] as number) + 1; k < (start[e + 1] as number); k++) {
      const a = 3 * (node[k - 1] as number);
      const b = 3 * (node[k] as number);
      let far = 0;
      let move = 0;
      for (let c = 0; c < 3; c++) {
        far += ((x[b + c] as number) - (x[a + c] as number)) ** 2;
        move += ((d[b + c] as number) - (d[a + c] as number)) ** 2;
      }
      if (move > most * far) most = move / far;
    }
  return sqrt(most);
}

function longestOf(d: Float64Array): number {
  let longest = 0;
  for (let i = 0; i < d.length; i += 3)
    longest = max(longest, (d[i] as number) ** 2 + (d[i + 1] as number) ** 2 + (d[i + 2] as number) ** 2);
  return sqrt(longest);
}

/** A touch: a small fixed displacement with no symmetry. */
function kick(engine: Engine): void {
  const { state, structure: s } = engine;
  for (let i = 0; i < state.x.length; i++)
    if (!s.fixed[i]) state.x[i]! += 1e-4 * engine.size * sin(12.9898 * (i + 1) + 4.1414 * (i % 3));
}

/** Whether a node has gone a thousand times the net's own size away. */
function astray(engine: Engine): boolean {
  const limit = 1e3 * engine.size;
  for (const v of engine.state.x) if (!(abs(v) < limit)) return true;
  return false;
}
