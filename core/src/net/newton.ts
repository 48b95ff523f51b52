import type { Balance } from './balance.js';
import { collectTangents, evaluate, isConservative } from './balance.js';
import type { Engine } from './engine.js';
import { spend } from './engine.js';
import { solveOn } from './stiffness.js';
import { refineFeet } from './supports.js';

/** The residual to stop at, as a share of the largest tension; rounding may stop earlier. */
const GOAL = 1e-11;
/** What counts as balanced when rounding allows no better. */
export const BALANCED = 1e-7;
const MOST_STEPS = 250;
const MOST_TRIALS = 14;

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
  const { state, stiffness, structure: s, direction: d, before, scratch } = engine;
  if (stiffness === null) return 'work';
  const { x, force } = state;
  const { fixed } = s;
  const symmetric = isConservative(s);
  const reach = 0.5 * engine.size;
  let damping = 0.1;
  let last = Number.POSITIVE_INFINITY;
  let refinements = 0;
  let kicks = 0;
  evaluate(state, balance);
  for (let step = 0; step < MOST_STEPS; step++) {
    const noise = last <= 2 * balance.residual && balance.residual <= 1e-9 * state.scale;
    if (balance.residual <= GOAL * state.scale || noise) {
      if (s.footNode.length > 0 && refinements < 40) {
        refinements++;
        const change = refineFeet(state);
        if (change > 1e-10 * state.scale) {
          evaluate(state, balance);
          last = Number.POSITIVE_INFINITY;
          if (balance.residual <= GOAL * state.scale) continue;
        }
      }
      if (balance.residual <= GOAL * state.scale || noise) {
        if (!symmetric || kicks >= 3 || !(yield* unstable(engine))) return null;
        kicks++;
        kick(engine);
        evaluate(state, balance);
        last = Number.POSITIVE_INFINITY;
      }
    }
    last = balance.residual;
    engine.iterations++;
    if (!spend(engine, stiffness.shape.work + 40 * engine.evaluation)) return 'work';
    yield;

    stiffness.begin(symmetric);
    collectTangents(state, engine.members, stiffness);
    let shift = (damping * balance.residual) / engine.size;
    let slope0 = 0;
    let raised = 0;
    for (; raised < 40; raised++) {
      const factors = stiffness.factors(shift);
      if (!symmetric || factors.negative === 0) {
        d.set(force);
        solveOn(stiffness, fixed, factors, d, scratch);
        slope0 = dotFree(force, d, fixed);
        if (slope0 > 0 && Number.isFinite(slope0)) break;
      }
      if (!spend(engine, stiffness.shape.work)) return 'work';
      shift = Math.max(10 * shift, (1e-8 * state.scale) / engine.size, 1e-12);
    }
    if (!(slope0 > 0)) return 'stuck';
    let longest = 0;
    for (let i = 0; i < d.length; i += 3)
      longest = Math.max(longest, (d[i] as number) ** 2 + (d[i + 1] as number) ** 2 + (d[i + 2] as number) ** 2);
    longest = Math.sqrt(longest);

    // search along the step
    before.set(x);
    const energy0 = state.energy;
    const residual0 = balance.residual;
    let low = 0;
    let lowSlope = slope0;
    let high = Number.POSITIVE_INFINITY;
    let highSlope = 0;
    let take = Math.min(1, reach / longest);
    const first = take;
    let best = 0;
    let bestResidual = Number.POSITIVE_INFINITY;
    let accepted = false;
    for (let trial = 0; trial < MOST_TRIALS; trial++) {
      for (let i = 0; i < x.length; i++) x[i] = (before[i] as number) + take * (d[i] as number);
      evaluate(state, balance);
      if (!spend(engine, engine.evaluation)) return 'work';
      const slope = dotFree(force, d, fixed);
      const finite = Number.isFinite(slope) && Number.isFinite(balance.residual);
      if (finite && balance.residual < bestResidual) {
        best = take;
        bestResidual = balance.residual;
      }
      if (finite && good(slope, slope0, state.energy - energy0, energy0, balance.residual, residual0, symmetric)) {
        accepted = true;
        break;
      }
      // symmetric: a point where the energy has risen lies beyond the minimum even when the slope is not yet negative
      const beyond = !finite || slope < 0 || (symmetric && state.energy > energy0);
      if (beyond) {
        high = take;
        highSlope = finite && slope < 0 ? slope : Number.NEGATIVE_INFINITY;
      } else {
        low = take;
        lowSlope = slope;
      }
      if (high === Number.POSITIVE_INFINITY) take = Math.min(2 * take, 1);
      else if (highSlope === Number.NEGATIVE_INFINITY) take = low + 0.25 * (high - low);
      else {
        const share = lowSlope / (lowSlope - highSlope);
        // three secants, then halves, so that a kink cannot hold the search at one end
        take = trial % 4 === 3 ? 0.5 * (low + high) : low + Math.min(0.9, Math.max(0.05, share)) * (high - low);
      }
      if (low === 1) break;
    }
    if (!accepted) {
      const floor = residual0 <= BALANCED * state.scale;
      if (best > 0 && bestResidual < residual0 && !symmetric) take = best;
      else if (low > 0 && !floor) take = low;
      else {
        x.set(before);
        evaluate(state, balance);
        if (floor) return null;
        if (damping > 1e6) return 'stuck';
        damping *= 100;
        continue;
      }
      for (let i = 0; i < x.length; i++) x[i] = (before[i] as number) + take * (d[i] as number);
      evaluate(state, balance);
    }
    engine.onStep?.(state.energy, balance.residual);
    if (take < 0.2 * first) damping = Math.min(4 * damping, 1e4);
    else if (take >= 0.9 * first) damping = Math.max(0.2 * damping, 1e-4);
    if (astray(engine)) return 'astray';
  }
  return balance.residual <= BALANCED * state.scale ? null : 'steps';
}

/** Whether a trial point may be taken. */
function good(
  slope: number,
  slope0: number,
  change: number,
  energy0: number,
  residual: number,
  residual0: number,
  symmetric: boolean,
): boolean {
  if (symmetric) {
    const rounding = 1e-13 * Math.abs(energy0);
    if (Math.abs(change) <= rounding) return Math.abs(slope) <= 0.7 * slope0 || residual <= 0.5 * residual0;
    return change < 0 && Math.abs(slope) <= 0.7 * slope0;
  }
  return Math.abs(slope) <= 0.7 * slope0 || residual <= 0.5 * residual0;
}

function dotFree(a: Float64Array, b: Float64Array, fixed: Uint8Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) if (!fixed[i]) sum += (a[i] as number) * (b[i] as number);
  return sum;
}

/** A balanced net that would leave its place at a touch: the tangent has a negative pivot. */
function* unstable(engine: Engine): Generator<void, boolean> {
  const { state, stiffness, structure: s } = engine;
  if (stiffness === null || s.strutFrom.length === 0) return false;
  yield;
  stiffness.begin(true);
  collectTangents(state, engine.members, stiffness);
  return stiffness.factors(0, true).negative > 0;
}

/** A touch: a small fixed displacement with no symmetry. */
function kick(engine: Engine): void {
  const { state, structure: s } = engine;
  for (let i = 0; i < state.x.length; i++)
    if (!s.fixed[i]) state.x[i]! += 1e-4 * engine.size * Math.sin(12.9898 * (i + 1) + 4.1414 * (i % 3));
}

/** Whether a node has gone a thousand times the net's own size away. */
function astray(engine: Engine): boolean {
  const limit = 1e3 * engine.size;
  for (const v of engine.state.x) if (!(Math.abs(v) < limit)) return true;
  return false;
}
