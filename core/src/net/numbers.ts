import type { Engine, Outcome } from './engine.js';
import { solveSteps } from './engine.js';
import type { SolveOptions } from './engine.js';
import { panelStress } from './panels.js';
import { groundPushes } from './contact.js';
import { reasonOf, reactionsOf } from './report.js';
import { STRETCH, T0, T1 } from './stretch.js';
import { strutForce } from './struts.js';

/** What an engine found, as flat arrays in the order of the net's lists: what a worker hands over without copying. */
export interface NetNumbers {
  readonly converged: boolean;
  readonly residual: number;
  readonly iterations: number;
  readonly reason: string | null;
  /** 3 a node, m, in the net's own axes. */
  readonly at: Float64Array;
  /** 3 a node, N: force of the support on the net. */
  readonly reaction: Float64Array;
  /** Largest tension of each line, N. */
  readonly tension: Float64Array;
  /** 6 a stretch of line, in the structure's order: tension vectors at its first and its second node, along the line, N. */
  readonly pull: Float64Array;
  /** Unstressed distance from the line's start of each node a line runs through, m. */
  readonly slip: Float64Array;
  /** Force of each strut, N, tension positive. */
  readonly strutForce: Float64Array;
  /** Force of the ground on each node, 3 a node, N. */
  readonly ground: Float64Array;
  /** Pressure on each panel along its right-hand normal, Pa. */
  readonly pressure: Float64Array;
  /** 2 a panel, N/m, largest first. */
  readonly stress: Float64Array;
  /** Each panel: 2 taut, 1 wrinkled, 0 slack. */
  readonly panelState: Uint8Array;
}

/** Copies what the engine found last into arrays of their own. */
export function numbersOf(engine: Engine, outcome: Outcome): NetNumbers {
  const { structure: s, state } = engine;
  const at = state.x.slice();
  for (let i = 0; i < at.length; i++) at[i]! += s.origin[i % 3]!;
  const pull = new Float64Array(6 * s.stretchFrom.length);
  for (let k = 0; k < s.stretchFrom.length; k++)
    for (let c = 0; c < 3; c++) {
      pull[6 * k + c] = state.stretch[k * STRETCH + T0 + c]!;
      pull[6 * k + 3 + c] = state.stretch[k * STRETCH + T1 + c]!;
    }
  const stress = new Float64Array(2 * s.area.length);
  const panelState = new Uint8Array(s.area.length);
  const one = new Float64Array(3);
  const ground = new Float64Array(at.length);
  groundPushes(state, ground);
  for (let i = 0; i < s.area.length; i++) {
    panelStress(state, i, one);
    stress[2 * i] = one[0]!;
    stress[2 * i + 1] = one[1]!;
    panelState[i] = one[2]!;
  }
  return {
    converged: outcome.converged,
    residual: outcome.residual,
    iterations: outcome.iterations,
    reason: outcome.converged ? null : reasonOf(engine, outcome),
    at,
    reaction: reactionsOf(engine),
    tension: tensionOf(engine),
    pull,
    slip: state.slip.slice(),
    strutForce: Float64Array.from(s.strutId, (_, i) => strutForce(state, i)),
    ground,
    pressure: state.panelPressure.slice(),
    stress,
    panelState,
  };
}

/** Largest tension of each line as the engine stands, N. */
export function tensionOf({ structure: s, state: { stretch } }: Engine): Float64Array {
  const out = new Float64Array(s.rest.length);
  for (let i = 0; i < out.length; i++)
    for (let k = i + s.passStart[i]!; k <= i + s.passStart[i + 1]!; k++)
      for (const o of [k * STRETCH + T0, k * STRETCH + T1])
        out[i] = Math.max(out[i]!, Math.hypot(stretch[o]!, stretch[o + 1]!, stretch[o + 2]!));
  return out;
}

/** The memory of the numbers, to be handed over. */
export function buffersOf(numbers: NetNumbers): ArrayBuffer[] {
  const { at, reaction, tension, pull, slip, strutForce: force, ground, pressure, stress, panelState } = numbers;
  return [at, reaction, tension, pull, slip, force, ground, pressure, stress, panelState].map(
    (a) => a.buffer as ArrayBuffer,
  );
}

/**
 * Solves a slice of time at once, and between slices lets its thread hear whether to stop.
 * @param breathe  resolves when waiting messages have been heard
 * @param stopped  whether someone has said stop
 * @param progress told the iterations so far, once a slice
 * @param slice    ms of work between breaths
 * @returns null when it was stopped; the engine may be used again
 */
export async function solveInSlices(
  engine: Engine,
  options: SolveOptions,
  breathe: () => Promise<void>,
  stopped: () => boolean,
  progress: (iterations: number) => void = () => undefined,
  slice = 12,
): Promise<Outcome | null> {
  const steps = solveSteps(engine, options);
  let until = performance.now() + slice;
  for (;;) {
    const next = steps.next();
    if (next.done === true) return next.value;
    if (performance.now() < until) continue;
    progress(engine.iterations);
    await breathe();
    if (stopped()) {
      steps.return(undefined as never);
      engine.solved = false;
      return null;
    }
    until = performance.now() + slice;
  }
}
