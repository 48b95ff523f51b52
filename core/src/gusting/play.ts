import { gustCase } from '../cases/index.js';
import type { Outcome } from '../net/index.js';
import { numbersOf } from '../net/index.js';
import type { CaseReading, PitchShape, RoofCheck } from '../pitch/index.js';
import { allChecks, leastOf, leftIn, pitchModel, readingOf, solveCase, tieOff } from '../pitch/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { WIND_LAW_IDS, lengthOf } from '../weather/index.js';
import type { WindLaw, WindSeries } from '../weather/index.js';
import { easedBy } from './eased.js';
import type { Easing } from './eased.js';
import { FRAMES, RISE, gustingOf } from './gusting.js';

/** What is played over a rig. */
export interface GustAsked {
  /** Side it comes from, rad clockwise from north. */
  readonly from: number;
  readonly wet: boolean;
  readonly series: WindSeries;
  readonly easing: Easing;
  /** How it is laid on the cloth; as leaves least in its strongest gust where it is left out. */
  readonly law?: WindLaw;
}

/** A line in gusts, beside what a gust that stays would make of it. */
export interface GustLine {
  readonly id: string;
  readonly name: string;
  /** Line of the net. */
  readonly line: number;
  /** In the series' strongest gust if it stayed, with what flutter adds, as a verdict counts it, N; null where the rig finds no rest in it. */
  readonly steady: number | null;
  /** What it bears before the weakest on it gives, N, and what that is; null where it is not known. */
  readonly bears: number | null;
  readonly weakest: string | null;
}

/** What is known before a gust is played. */
export interface GustHead {
  readonly lines: readonly GustLine[];
  readonly law: WindLaw;
  readonly frames: number;
  /** Numbers a frame: places, lines of the net, sticks, panels. */
  readonly places: number;
  readonly netLines: number;
  readonly sticks: number;
  readonly panels: number;
  /** Strongest of the series, m/s. */
  readonly top: number;
  /** Share of the mass added so that steps need not be shorter. */
  readonly raised: number;
}

/** Some frames after each other: flat arrays, frame by frame, in single precision, since they are looked at. */
export interface GustFrames {
  readonly first: number;
  readonly count: number;
  /** m/s. */
  readonly speed: Float32Array;
  /** Largest in the frame, of every line of the net, N. */
  readonly tension: Float32Array;
  readonly at: Float32Array;
  readonly push: Float32Array;
  readonly pressure: Float32Array;
  readonly stress: Float32Array;
  readonly state: Uint8Array;
}

/** The energy's account, J: what the wind did, what damping took, and what is there beyond that, which must never be more than nothing. */
export interface GustAudit {
  readonly done: number;
  readonly dragged: number;
  readonly made: number;
  /** Largest of either: what `made` is to be seen against. */
  readonly scale: number;
}

/** A rig played in gusts, frame after frame. */
export interface GustPlay {
  readonly head: GustHead;
  /** The next frames, at most so many; null at the end, or where the rig was lost. */
  next(count: number): GustFrames | null;
  audit(): GustAudit;
  /** Whether it went on to the end of the series. */
  readonly lost: () => boolean;
}

/** What moves is out of balance all the time. */
const MOVING: Outcome = { converged: true, residual: 0, iterations: 0, ending: null, worst: -1, method: 'newton' };

/**
 * Readies a rig to be played in a series of wind: what a steady gust would make of it first, under the law that leaves it least.
 * @throws RigProblem where the rig cannot be computed
 */
export function playGusts(rig: RidgeRig, context: RigContext, asked: GustAsked): GustPlay {
  const plain = pitchModel(rig, context, { ranges: false });
  const model = asked.easing === 'none' ? plain : pitchModel(easedBy(plain, asked.easing), context, { ranges: false });
  const tied = tieOff(model);
  const { engine } = tied;
  const { structure: s } = engine;
  const top = Math.max(...asked.series.speed);
  const checks = allChecks(model);
  const steady = WIND_LAW_IDS.map((law) => {
    const state = solveCase(tied, gustCase({ speed: top, from: asked.from, law }, asked.wet), {
      from: tied.pitched.stood,
      patient: false,
    });
    const rests = state.numbers.converged && !state.luffing;
    const reading = rests ? readingOf(tied, state, null) : null;
    const left = reading === null ? 0 : Math.min(...checks.map((p) => leastOf(p, [reading])));
    return { law, reading, left };
  });
  // what finds no rest leaves least: it is for such that one looks
  const worst = steady.find((r) => r.law === asked.law) ?? steady.reduce((a, b) => (b.left < a.left ? b : a));
  const readings = [readingOf(tied, tied.pitched, null), ...steady.flatMap((r) => r.reading ?? [])];
  const play = gustingOf(tied, { from: asked.from, law: worst.law }, asked.wet, asked.series);
  const head: GustHead = {
    lines: model.members.map((m, k) => ({
      id: m.id,
      name: m.name,
      line: tied.line[k]!,
      steady: worst.reading?.tension(m.id).value ?? null,
      ...bears(
        m.id,
        checks.filter((p) => p.id === m.id || p.id.startsWith(`${m.id}:`)),
        readings,
      ),
    })),
    law: worst.law,
    frames: Math.floor(lengthOf(asked.series) * FRAMES),
    places: engine.state.x.length,
    netLines: s.rest.length,
    sticks: s.strutId.length,
    panels: s.area.length,
    top,
    raised: play.motion.raised,
  };
  const start = play.energy();
  let [frame, lost, made, scale] = [0, false, 0, 0];
  for (let k = 0; k < RISE * FRAMES && !lost; k++) lost = !play.next();
  const account = (): number => {
    const now = play.energy();
    scale = Math.max(scale, Math.abs(play.done()), now.kinetic);
    return now.kinetic + now.stored - start.kinetic - start.stored - play.done() + play.motion.dragged;
  };
  return {
    head,
    next(count) {
      const left = Math.min(count, head.frames - frame);
      if (lost || left <= 0) return null;
      const out = framesFor(head, frame, left);
      for (let k = 0; k < left; k++) {
        lost = !play.next();
        if (lost) return k === 0 ? null : { ...cut(head, out, k) };
        const now = numbersOf(engine, MOVING);
        out.speed[k] = play.speed();
        out.tension.set(play.pulls, k * head.netLines);
        out.at.set(now.at, k * head.places);
        out.push.set(now.strutForce, k * head.sticks);
        out.pressure.set(s.pressure, k * head.panels);
        out.stress.set(now.stress, 2 * k * head.panels);
        out.state.set(now.panelState, k * head.panels);
        frame++;
      }
      made = Math.max(made, account());
      return out;
    },
    audit: () => ({ done: play.done(), dragged: play.motion.dragged, made, scale }),
    lost: () => lost,
  };
}

/** What a line bears before the weakest on it gives: what each of its links would hold, by the case in which it is asked most. */
function bears(
  line: string,
  checks: readonly RoofCheck[],
  readings: readonly CaseReading[],
): Pick<GustLine, 'bears' | 'weakest'> {
  let found: Pick<GustLine, 'bears' | 'weakest'> = { bears: null, weakest: null };
  for (const check of checks) {
    let most: number | null = null;
    let pull = 0;
    for (const r of readings) {
      const left = check.ratio ? null : leftIn(check, r);
      const now = r.tension(line).value;
      if (left === null || !Number.isFinite(left) || now <= pull) continue;
      pull = now;
      most = left * now;
    }
    if (most !== null && (found.bears === null || most < found.bears)) found = { bears: most, weakest: check.name };
  }
  return found;
}

const framesFor = ({ places, netLines, sticks, panels }: GustHead, first: number, count: number): GustFrames => ({
  first,
  count,
  speed: new Float32Array(count),
  tension: new Float32Array(count * netLines),
  at: new Float32Array(count * places),
  push: new Float32Array(count * sticks),
  pressure: new Float32Array(count * panels),
  stress: new Float32Array(2 * count * panels),
  state: new Uint8Array(count * panels),
});

const cut = ({ places, netLines, sticks, panels }: GustHead, f: GustFrames, count: number): GustFrames => ({
  first: f.first,
  count,
  speed: f.speed.slice(0, count),
  tension: f.tension.slice(0, count * netLines),
  at: f.at.slice(0, count * places),
  push: f.push.slice(0, count * sticks),
  pressure: f.pressure.slice(0, count * panels),
  stress: f.stress.slice(0, 2 * count * panels),
  state: f.state.slice(0, count * panels),
});

/** One frame as a shape to draw. @param k which of the frames */
export function shapeAt({ places, netLines, sticks, panels }: GustHead, f: GustFrames, k: number): PitchShape {
  const part = (a: Float32Array, size: number): Float64Array => Float64Array.from(a.subarray(k * size, (k + 1) * size));
  return {
    caseId: 'gust',
    converged: true,
    luffing: false,
    at: part(f.at, places),
    tension: part(f.tension, netLines),
    push: part(f.push, sticks),
    pressure: part(f.pressure, panels),
    ground: new Float64Array(places),
    stress: part(f.stress, 2 * panels),
    state: f.state.slice(k * panels, (k + 1) * panels),
  };
}

/** The memory of frames, to be handed over. */
export const framesBuffers = ({ speed, tension, at, push, pressure, stress, state }: GustFrames): ArrayBuffer[] =>
  [speed, tension, at, push, pressure, stress, state].map((a) => a.buffer as ArrayBuffer);

/** The most a line has pulled, and when. */
export interface GustPeak {
  /** N. */
  readonly pull: number;
  /** s. */
  readonly time: number;
  /** Share of the time in which it hung slack. */
  readonly slack: number;
}

/** Under this a line hangs slack, N: a finger holds it. */
const SLACK = 1;

/** What every line of a play came to in frames so far. */
export function peaksOf({ lines, netLines }: GustHead, all: readonly GustFrames[]): readonly GustPeak[] {
  return lines.map(({ line }) => {
    let [pull, at, slack, count] = [0, 0, 0, 0];
    for (const f of all)
      for (let k = 0; k < f.count; k++) {
        const now = f.tension[k * netLines + line]!;
        if (now > pull) [pull, at] = [now, f.first + k];
        if (now < SLACK) slack++;
        count++;
      }
    return { pull, time: at / FRAMES, slack: count > 0 ? slack / count : 0 };
  });
}
