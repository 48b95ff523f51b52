import type { Balance } from './balance.js';
import { evaluate, nodeStiffness } from './balance.js';
import { slideContacts } from './contact.js';
import type { Engine } from './engine.js';
import { STRETCH, T0, T1 } from './stretch.js';
import { LOCKED, RING } from './structure.js';
import type { Structure } from './structure.js';

const { abs, ceil, hypot, max, min, sqrt } = Math;

/** Share of the longest stable step that is taken: stiffness is bounded for everything taut, masses are not. */
const SAFE = 0.9;
/** Where a node has come beyond so many times the net's size, it has no place any more. */
const LOST = 20;

export interface MotionOptions {
  /** Damping that goes with mass, 1/s: a motion of circular frequency w is damped by drag / (2 w) of critical. */
  readonly drag?: number;
  /** Damping that goes with stiffness, s: by w inner / 2 of critical. What is slack is not damped by it. */
  readonly inner?: number;
  /** Longest step, s. */
  readonly longest?: number;
  /** Where stability would ask for a shorter step than this, s, nodes are made heavier until it does not. */
  readonly shortest?: number;
}

/** A net that moves: from where its engine stands, at rest to begin with. */
export interface Motion {
  readonly engine: Engine;
  /** As it moves, kg a node. */
  readonly mass: Float64Array;
  /** Share of the net's free mass that was added for the step's sake. */
  readonly raised: number;
  /** Of half a step ago, 3 a node, m/s. */
  readonly velocity: Float64Array;
  readonly drag: number;
  readonly inner: number;
  /** Longest step that is stable, s: 2 / w (sqrt(1 + z²) - z), w the highest circular frequency and z its damping by `inner`. */
  readonly step: number;
  /** s. */
  time: number;
  /** Largest tension of each line since it was cleared last, N. */
  readonly peak: Float64Array;
  /** What damping that goes with mass has taken, J. */
  dragged: number;
}

/** Mass of a net's own parts, kg a node: lines, cloth, and what hangs in it, by their weights. @param gravity m/s2 */
export function massOf(s: Structure, gravity: number): Float64Array {
  const out = new Float64Array(s.nodes);
  for (let n = 0; n < s.nodes; n++) out[n] = max(0, -(s.load[3 * n + 2] as number)) / gravity;
  for (let i = 0; i < s.rest.length; i++) {
    const [first, last] = [s.passStart[i]!, s.passStart[i + 1]!];
    for (let j = first; j <= last; j++) {
      const start = j > first ? s.passAt[j - 1]! : 0;
      const end = j < last ? s.passAt[j]! : s.rest[i]!;
      const half = (0.5 * s.weight[i]! * (end - start)) / gravity;
      out[s.stretchFrom[i + j]!]! += half;
      out[s.stretchTo[i + j]!]! += half;
    }
  }
  for (let i = 0; i < s.area.length; i++)
    for (let c = 0; c < 3; c++) out[s.corner[3 * i + c]!]! += (s.area[i]! * s.panelWeight[i]!) / (3 * gravity);
  return out;
}

/**
 * Readies a net to move from where it stands.
 * @param mass kg a node; may be 0 at held nodes
 * @throws RangeError for a free node without mass, and for feet, whose ground is solved and not moved
 */
export function motionOf(engine: Engine, mass: Float64Array, options: MotionOptions = {}): Motion {
  const { structure: s, state } = engine;
  const { drag = 0, inner = 0, longest = 1 / 240, shortest = 0 } = options;
  if (s.footNode.length > 0) throw new RangeError('feet on the ground are solved, not moved');
  state.effortLimit = Number.POSITIVE_INFINITY;
  state.held = false;
  const stiffness = engine.scratch;
  nodeStiffness(state, stiffness);
  state.contactSlid.fill(0);
  const moving = Float64Array.from(mass);
  let [own, raised, quickest] = [0, 0, 0];
  // no frequency is above that of the node with most stiffness for its mass against neighbours that move as far the other way
  const most = shortest > 0 ? highest(shortest / SAFE, inner) ** 2 : Number.POSITIVE_INFINITY;
  for (let n = 0; n < s.nodes; n++) {
    if (s.fixed[3 * n] && s.fixed[3 * n + 1] && s.fixed[3 * n + 2]) continue;
    const twice = 2 * (stiffness[n] as number);
    own += moving[n] as number;
    const least = twice / most;
    if ((moving[n] as number) < least) {
      raised += least - (moving[n] as number);
      moving[n] = least;
    }
    if (!((moving[n] as number) > 0)) throw new RangeError(`node "${s.nodeId[n]!}" is free and has no mass`);
    quickest = max(quickest, twice / (moving[n] as number));
  }
  const w = sqrt(quickest);
  const z = 0.5 * inner * w;
  return {
    engine,
    mass: moving,
    raised: own > 0 ? raised / own : 0,
    velocity: new Float64Array(3 * s.nodes),
    drag,
    inner,
    step: min(longest, w > 0 ? ((SAFE * 2) / w) * (sqrt(1 + z * z) - z) : longest),
    time: 0,
    peak: new Float64Array(s.rest.length),
    dragged: 0,
  };
}

/** Highest circular frequency that a step can follow with such inner damping, rad/s: the step's bound the other way round. */
const highest = (step: number, inner: number): number => sqrt(4 / (step * step + 2 * step * inner));

const balance: Balance = { residual: 0, worst: -1, unsettled: 0 };

/**
 * Moves a net on: central differences (leapfrog), explicit, each step no longer than the stable one. Inner damping takes the forces
 * where the net would be a moment later, so that every part of it damps by its own law, slack ones not at all.
 * @param seconds how far
 * @param before  told before each step, with its length, s: sets what acts on the net as it is then
 * @returns       false where a node was lost; the motion cannot go on
 */
export function moveOn(motion: Motion, seconds: number, before: (dt: number) => void = () => undefined): boolean {
  const { engine, mass, velocity: v, drag, inner, peak } = motion;
  const { structure: s, state } = engine;
  const { x, force } = state;
  const { fixed } = s;
  const steps = max(1, ceil(seconds / motion.step - 1e-9));
  const dt = seconds / steps;
  const keeps = (1 - 0.5 * drag * dt) / (1 + 0.5 * drag * dt);
  const gains = dt / (1 + 0.5 * drag * dt);
  const limit = LOST * engine.size;
  // what has slid stays where it came to: from there it is asked anew, and nothing draws it back to where it was tied
  const tied = s.passAt.slice();
  state.moving = true;
  const end = (going: boolean): boolean => {
    state.moving = false;
    s.passAt.set(tied);
    return going;
  };
  for (let k = 0; k < steps; k++) {
    stay(s, state.slip);
    slideContacts(state);
    before(dt);
    if (inner > 0) for (let i = 0; i < x.length; i++) x[i]! += inner * (v[i] as number);
    evaluate(state, balance);
    state.effort = 0;
    if (inner > 0) for (let i = 0; i < x.length; i++) x[i]! -= inner * (v[i] as number);
    for (let n = 0; n < s.nodes; n++) {
      const m = mass[n] as number;
      for (let i = 3 * n; i < 3 * n + 3; i++) {
        if (fixed[i]) continue;
        const was = v[i] as number;
        const now = keeps * was + (gains * (force[i] as number)) / m;
        const mean = 0.5 * (was + now);
        motion.dragged += drag * m * mean * mean * dt;
        v[i] = now;
        x[i]! += dt * now;
        if (!(abs(x[i] as number) < limit)) return end(false);
      }
    }
    motion.time += dt;
    notePeaks(s, state.stretch, peak);
  }
  return end(true);
}

/** Makes the place of every hitch and rough ring, as it is now, the place it is stuck at. */
function stay(s: Structure, slip: Float64Array): void {
  for (let j = 0; j < slip.length; j++) {
    const kind = s.passKind[j] as number;
    if (kind !== LOCKED && !(kind === RING && s.passValue[j] === 0)) s.passAt[j] = slip[j] as number;
  }
}

/** Raises each line's peak to what pulls in it. */
function notePeaks(s: Structure, stretch: Float64Array, peak: Float64Array): void {
  for (let i = 0; i < peak.length; i++)
    for (let k = i + s.passStart[i]!; k <= i + s.passStart[i + 1]!; k++) {
      const o = k * STRETCH;
      const pull = max(
        hypot(stretch[o + T0]!, stretch[o + T0 + 1]!, stretch[o + T0 + 2]!),
        hypot(stretch[o + T1]!, stretch[o + T1 + 1]!, stretch[o + T1 + 2]!),
      );
      if (pull > peak[i]!) peak[i] = pull;
    }
}

/** What a moving net holds, J: in its motion, and in stretch and height, loads as they are; pressure stores nothing. */
export interface Energy {
  readonly kinetic: number;
  readonly stored: number;
}

/**
 * The energy of a net as it is now, from its places and speeds alone.
 * @param dt length of the step that brought it here, s: speeds are those of half of it ago
 */
export function energyOf(motion: Motion, dt: number): Energy {
  const { engine, mass, velocity } = motion;
  const { structure: s, state } = engine;
  const pressure = s.pressure.slice();
  const { wind } = s;
  const tied = s.passAt.slice();
  state.moving = true;
  stay(s, state.slip);
  evaluate(state, balance);
  const force = state.force.slice();
  s.pressure.fill(0);
  s.wind = null;
  evaluate(state, balance);
  state.effort = 0;
  state.moving = false;
  s.passAt.set(tied);
  s.pressure.set(pressure);
  s.wind = wind;
  let kinetic = 0;
  for (let n = 0; n < s.nodes; n++)
    for (let i = 3 * n; i < 3 * n + 3; i++)
      if (!s.fixed[i]) {
        const v = (velocity[i] as number) + (0.5 * dt * (force[i] as number)) / (mass[n] as number);
        kinetic += 0.5 * (mass[n] as number) * v * v;
      }
  return { kinetic, stored: state.energy };
}
