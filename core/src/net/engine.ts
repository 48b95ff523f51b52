import type { Balance } from './balance.js';
import { evaluate, hasFriction, nodeStiffness } from './balance.js';
import type { Net } from './document.js';
import { foresee } from './foresight.js';
import type { Ending } from './newton.js';
import { BALANCED, GOAL, march, newton, settleLoose } from './newton.js';
import { relax } from './relaxation.js';
import type { Members, State } from './state.js';
import { membersOf, newState } from './state.js';
import type { Stiffness } from './stiffness.js';
import { newStiffness } from './stiffness.js';
import type { Structure } from './structure.js';
import { RING, structureOf } from './structure.js';

/**
 * A structure with everything its solves share: order and shape of the stiffness, places, scratch. One engine serves
 * any number of load cases on its topology; it keeps its last places as the next solve's start.
 */
export interface Engine {
  readonly structure: Structure;
  readonly state: State;
  readonly members: Members;
  /** null when the factors would be too large: such a net is relaxed. */
  readonly stiffness: Stiffness | null;
  /** Largest extent of the net as given, m. */
  readonly size: number;
  /** Scratch, 3 numbers a node each. */
  readonly direction: Float64Array;
  readonly before: Float64Array;
  readonly correction: Float64Array;
  readonly scratch: Float64Array;
  /** Cost of one evaluation of the forces but for the lines, which count their own, in block operations. */
  readonly evaluation: number;
  /** Block operations that this solve may still spend: what bounds its time, the same on every machine. */
  allowance: number;
  iterations: number;
  /** Residual at which this solve stops, as a share of the largest tension; rounding may stop it earlier. */
  goal: number;
  /** Places of the held nodes at the last solve, for the next one's first guess. */
  solved: boolean;
  /** Told the energy (N m, where there is one) and residual (N) after every Newton step. */
  onStep: ((energy: number, residual: number) => void) | undefined;
}

/** Where a solve ended. The places themselves are in `engine.state`. */
export interface Outcome {
  readonly converged: boolean;
  /** Largest out-of-balance force, N. */
  readonly residual: number;
  readonly iterations: number;
  readonly ending: Ending;
  /** Node with the largest out-of-balance force; -1 when none. */
  readonly worst: number;
  /** As asked for. */
  readonly method: 'newton' | 'relaxation';
}

export interface SolveOptions {
  /** `newton` falls back on relaxation and returns to Newton; `relaxation` is relaxation alone. */
  readonly method?: 'newton' | 'relaxation';
  /** Start from the engine's last places (default) or from the net as given. */
  readonly from?: 'last' | 'given';
  /** Block operations allowed: some 25 ns each. Set `engine.allowance` to 0 between steps to stop at once. */
  readonly allowance?: number;
  /** Residual to stop at, as a share of the largest tension; 1e-11 by default. */
  readonly goal?: number;
  readonly onStep?: (energy: number, residual: number) => void;
}

/** About four seconds on one core. */
const ALLOWANCE = 1.5e8;
/** So near balance, as a share of the largest tension, what is left is looseness. */
const NEARLY = 1e-2;

/**
 * Prepares a net for solving.
 * @param net checked by `readNet`, or made by code that keeps its rules
 */
export function prepare(net: Net): Engine {
  return prepareStructure(structureOf(net));
}

export function prepareStructure(structure: Structure): Engine {
  const members = membersOf(structure);
  const { at, nodes } = structure;
  let size = 0;
  for (let c = 0; c < 3; c++) {
    let low = Number.POSITIVE_INFINITY;
    let high = Number.NEGATIVE_INFINITY;
    for (let i = c; i < at.length; i += 3) {
      low = Math.min(low, at[i] as number);
      high = Math.max(high, at[i] as number);
    }
    size = Math.max(size, high - low);
  }
  for (const l of structure.rest) size = Math.max(size, l);
  return {
    structure,
    state: newState(structure),
    members,
    stiffness: newStiffness(structure, members),
    size: size > 0 ? size : 1,
    direction: new Float64Array(3 * nodes),
    before: new Float64Array(3 * nodes),
    correction: new Float64Array(3 * nodes),
    scratch: new Float64Array(3 * nodes),
    evaluation: 12 * nodes + 16 * (members.start.length - 1 - structure.rest.length),
    allowance: 0,
    iterations: 0,
    goal: GOAL,
    solved: false,
    onStep: undefined,
  };
}

/** Takes from the allowance; false when it is used up. */
export function spend(engine: Engine, work: number): boolean {
  engine.allowance -= work + engine.state.effort;
  engine.state.effort = 0;
  engine.state.effortLimit = Math.max(engine.allowance, 0);
  return engine.allowance > 0;
}

/** Puts the net back as given, forgetting every slip. */
export function reset(engine: Engine): void {
  const { state, structure } = engine;
  state.x.set(structure.at);
  state.slip.set(structure.passAt);
  state.push.fill(0);
  state.contactBound.fill(0);
  state.hang.fill(0);
  engine.solved = false;
}

/** Finds the equilibrium. Bounded in work; never throws on a checked net, never leaves a number that is not finite. */
export function solve(engine: Engine, options: SolveOptions = {}): Outcome {
  const steps = solveSteps(engine, options);
  for (;;) {
    const next = steps.next();
    if (next.done === true) return next.value;
  }
}

/** The same, pausing once an iteration: for callers that may be told to stop. */
export function* solveSteps(engine: Engine, options: SolveOptions = {}): Generator<void, Outcome> {
  const { state, structure } = engine;
  engine.allowance = options.allowance ?? ALLOWANCE;
  state.effort = 0;
  state.effortLimit = engine.allowance;
  state.contactSlid.fill(0);
  engine.iterations = 0;
  engine.goal = options.goal ?? GOAL;
  engine.onStep = options.onStep;
  // a solve that was stopped may have left these
  state.tetherStiffness = 0;
  state.held = false;
  state.foreseeing = false;
  if (options.from === 'given' || !engine.solved) reset(engine);
  else foresee(engine);
  keepOnLine(engine);
  // held components are where the structure says
  for (let i = 0; i < state.x.length; i++) if (structure.fixed[i]) state.x[i] = structure.at[i] as number;
  if (structure.footNode.length > 0) {
    state.footStiffness = 0;
    nodeStiffness(state, engine.scratch);
    let largest = 0;
    for (let n = 0; n < structure.nodes; n++) largest = Math.max(largest, engine.scratch[n] as number);
    state.footStiffness = largest > 0 ? 30 * largest : 1e4;
  }
  const balance: Balance = { residual: 0, worst: -1, unsettled: 0 };
  const method = options.method ?? 'newton';
  // as it is rigged nothing has slid yet: what holds there holds, and only what does not is let go
  let ending: Ending = null;
  if (hasFriction(structure) && nothingSlid(engine)) {
    state.held = true;
    ending = yield* findBalance(engine, balance, method);
    state.held = false;
  }
  if (ending !== 'astray') ending = yield* findBalance(engine, balance, method);
  if (!finite(state.x)) reset(engine);
  state.effort = 0;
  state.effortLimit = ALLOWANCE / 4;
  evaluate(state, balance);
  state.effortLimit = Number.POSITIVE_INFINITY;
  const settled = balance.unsettled <= 1e-8;
  const converged = (ending === null || balance.residual <= BALANCED * state.scale) && settled && finite(state.x);
  engine.solved = converged;
  return {
    converged,
    residual: balance.residual,
    iterations: engine.iterations,
    ending: converged ? null : (ending ?? 'stuck'),
    worst: balance.worst,
    method,
  };
}

/** Goes for balance by one method; Newton calls on the others where it fails, and has the last word. */
function* findBalance(engine: Engine, balance: Balance, method: Outcome['method']): Generator<void, Ending> {
  const { state } = engine;
  if (method === 'relaxation') return yield* relax(engine, balance, 1e-9, 400_000);
  let ending = yield* newton(engine, balance);
  const failed = (): boolean => ending !== null && ending !== 'astray' && engine.allowance > 0;
  if (failed() && engine.stiffness !== null) {
    if (!finite(state.x)) reset(engine);
    if (!(balance.residual <= NEARLY * state.scale)) {
      ending = yield* march(engine, balance, 150);
      if (ending === 'astray' || !finite(state.x)) reset(engine);
      ending = yield* newton(engine, balance);
    }
    if (failed()) ending = yield* settleLoose(engine, balance);
  }
  if (failed()) {
    if (!finite(state.x)) reset(engine);
    ending = yield* relax(engine, balance, engine.stiffness === null ? 1e-8 : 1e-4, 20_000);
    if (engine.stiffness !== null && engine.allowance > 0) ending = yield* newton(engine, balance);
  }
  return ending;
}

/**
 * Puts slips that a changed unstressed length has left behind back where they were rigged.
 * @throws RangeError when a line has become shorter than where its rings and hitches sit
 */
function keepOnLine({ structure: s, state }: Engine): void {
  for (let i = 0; i < s.rest.length; i++) {
    const first = s.passStart[i]!;
    const end = s.passStart[i + 1]!;
    if (first === end || state.slip[end - 1]! < s.rest[i]!) continue;
    if (!(s.passAt[end - 1]! < s.rest[i]!))
      throw new RangeError(
        `line "${s.lineId[i]!}": restLength ${s.rest[i]!} m; must be above ${s.passAt[end - 1]!} m, where its last ring or hitch sits`,
      );
    for (let j = first; j < end; j++) state.slip[j] = s.passAt[j]!;
  }
}

/** Whether every foot, hitch and rough ring is where it was rigged. */
function nothingSlid({ structure: s, state, size }: Engine): boolean {
  for (let j = 0; j < s.passKind.length; j++)
    if (!(s.passKind[j] === RING && s.passValue[j] === 0) && state.slip[j] !== s.passAt[j]) return false;
  for (const n of s.footNode)
    for (let i = 3 * n; i < 3 * n + 3; i++) if (Math.abs(state.x[i]! - s.at[i]!) > 1e-6 * size) return false;
  return true;
}

function finite(x: Float64Array): boolean {
  for (const v of x) if (!Number.isFinite(v)) return false;
  return true;
}
