import { AIR_DENSITY } from '../catalogue/index.js';
import type { Engine, Outcome } from '../net/index.js';
import { solve, tensionOf } from '../net/index.js';
import type { Vec3 } from '../quantity/index.js';
import { SHEET_LAW, canopyPressures, sheetPressures, windPressure, windToward } from '../weather/index.js';
import type { RoofForWind } from '../weather/index.js';
import type { CaseWind } from '../cases/index.js';
import type { PitchModel } from './model.js';

/** Work for one solve in wind, and what counts as balanced: cloth that needs more has no rest to find, or another way to it. */
export const BOUNDED = { allowance: 8e6, goal: 1e-7 } as const;
/** Shares of the wind by which a rig is led to where it stands in the whole of it. */
const RAMP = [0.25, 0.55, 0.8, 1] as const;
/** Pressure and shape agree within this, area-weighted, and so does every line from one round to the next. */
const AGREES = 0.02;

/** Rounds of pressure on the shape it makes, share of the new pressure that each takes, and the first that counts to a cycle. */
const ROUNDS = 14;
const BLEND = 0.5;
const SETTLED_BY = 5;
/** Rounds without a balance after which none will come. */
const MOST_LOST = 1;

/** Share of the work for one solve after which it is given up where nobody is patient. */
const HASTY = 0.3;

/** What wind on a rig has to work with. */
export interface InWind {
  readonly model: PitchModel;
  readonly engine: Engine;
  /** The roof as laid out. */
  readonly roof: RoofForWind;
  /** Loads without wind, N, 3 a node. */
  readonly load: Float64Array;
}

/** What a rig came to in a gust. */
export interface GustOutcome {
  readonly outcome: Outcome;
  /** Whether it stands still, every condition checked on what is returned. */
  readonly stands: boolean;
  /** Area-weighted share by which the pressure of the law on the returned shape differs from the one it stands under. */
  readonly off: number;
}

/**
 * Finds where a rig comes to rest in a gust, from where it stands. The wind's pressure is part of the balance; where that
 * finds no rest, pressure and shape are made in turn, half of each change at a time, until they agree or go round.
 * @param q    velocity pressure, Pa
 * @param patient false gives up at once where the balance is not found, a share of the work so much sooner
 * @param seen told each round of a shape that may belong to a cycle, before the engine goes on
 */
export function restInWind(
  rig: InWind,
  wind: CaseWind,
  q: number,
  patient: boolean | number,
  seen: (outcome: Outcome) => void,
): GustOutcome {
  const { model, engine } = rig;
  const toward = windToward(wind.from, model.rig.pitch!.bearing);
  const still = engine.state.x.slice();
  const slip = engine.state.slip.slice();
  const back = (): void => {
    engine.state.x.set(still);
    engine.state.slip.set(slip);
    engine.solved = true;
  };
  let found = together(rig, wind, toward, q, patient === true ? 1 : patient === false ? HASTY : patient);
  if (found.stands || patient !== true) return found;
  if (wind.law === 'plate') {
    back();
    for (const share of RAMP) {
      found = together(rig, wind, toward, share * q);
      if (!found.outcome.converged) break;
    }
    if (found.stands) return found;
  }
  back();
  return inTurn(rig, wind, toward, q, seen);
}

/** Pressure and shape in one balance. */
function together(rig: InWind, wind: CaseWind, toward: Vec3, q: number, work = 1): GustOutcome {
  const { engine, roof } = rig;
  const { structure: s } = engine;
  if (wind.law === 'plate') s.wind = { toward, q, law: SHEET_LAW };
  else s.pressure.set(canopyPressures(wind.law, roof, toward, q));
  const outcome = solve(engine, { ...BOUNDED, allowance: work * BOUNDED.allowance });
  const off = outcome.converged
    ? pressureOff(rig, wind, toward, q, engine.state.panelPressure)
    : Number.POSITIVE_INFINITY;
  return { outcome, stands: outcome.converged && off <= AGREES, off };
}

/** Pressure as dead load on the shape before, the shape it makes, the pressure on that, and so on. */
function inTurn(rig: InWind, wind: CaseWind, toward: Vec3, q: number, seen: (outcome: Outcome) => void): GustOutcome {
  const { engine } = rig;
  const { structure: s, state } = engine;
  const lines = s.rest.length;
  s.wind = null;
  s.pressure.fill(0);
  const held = new Float64Array(s.area.length);
  const law = new Float64Array(s.area.length);
  let before: Float64Array = new Float64Array(lines);
  let last: GustOutcome | null = null;
  let lost = 0;
  for (let round = 0; round < ROUNDS; round++) {
    lawPressures(rig, wind, toward, q, law);
    const take = round === 0 ? 1 : BLEND;
    for (let i = 0; i < held.length; i++) held[i]! += take * (law[i]! - held[i]!);
    s.load.set(rig.load);
    addPressure(engine, held);
    const outcome = solve(engine, { ...BOUNDED, allowance: BOUNDED.allowance / 2 });
    state.panelPressure.set(held);
    const off = pressureOff(rig, wind, toward, q, held);
    const now = tensionOf(engine);
    const moved = movedBy(before, now);
    before = now;
    last = { outcome, stands: outcome.converged && off <= AGREES && moved <= AGREES, off };
    if (last.stands) return last;
    if (!outcome.converged && ++lost === MOST_LOST) {
      seen(outcome);
      return last;
    }
    if (round >= SETTLED_BY) seen(outcome);
  }
  return last!;
}

/** Largest change of a line's pull, as a share of the largest. */
function movedBy(before: Float64Array, now: Float64Array): number {
  let [most, largest] = [0, 0];
  for (let i = 0; i < now.length; i++) {
    most = Math.max(most, Math.abs(now[i]! - before[i]!));
    largest = Math.max(largest, now[i]!);
  }
  return largest > 0 ? most / largest : 0;
}

/** Adds pressures on the panels as they stand to the nodes' loads. */
function addPressure({ structure: s, state }: Engine, pressure: Float64Array): void {
  const { x } = state;
  for (let i = 0; i < pressure.length; i++) {
    const [a, b, c] = [3 * s.corner[3 * i]!, 3 * s.corner[3 * i + 1]!, 3 * s.corner[3 * i + 2]!];
    const [ux, uy, uz] = [x[b]! - x[a]!, x[b + 1]! - x[a + 1]!, x[b + 2]! - x[a + 2]!];
    const [vx, vy, vz] = [x[c]! - x[a]!, x[c + 1]! - x[a + 1]!, x[c + 2]! - x[a + 2]!];
    const p = pressure[i]! / 6;
    for (const n of [a, b, c]) {
      s.load[n]! += p * (uy * vz - uz * vy);
      s.load[n + 1]! += p * (uz * vx - ux * vz);
      s.load[n + 2]! += p * (ux * vy - uy * vx);
    }
  }
}

/** The law's pressures on the shape as it is. */
function lawPressures({ roof, engine }: InWind, wind: CaseWind, toward: Vec3, q: number, out: Float64Array): void {
  if (wind.law === 'plate') sheetPressures(engine.structure.corner, engine.state.x, toward, q, out);
  else out.set(canopyPressures(wind.law, roof, toward, q));
}

/** The law's pressure on the shape as it is, worked out apart from the engine, against what it stands under, as a share of it. */
function pressureOff(rig: InWind, wind: CaseWind, toward: Vec3, q: number, under: Float64Array): number {
  const { area } = rig.engine.structure;
  const again = new Float64Array(area.length);
  lawPressures(rig, wind, toward, q, again);
  let [apart, whole] = [0, 0];
  for (let i = 0; i < again.length; i++) {
    apart += area[i]! * Math.abs(again[i]! - under[i]!);
    whole += area[i]! * Math.abs(again[i]!);
  }
  return whole > 0 ? apart / whole : 0;
}

/** Velocity pressure of a gust, Pa. @param times factor on it */
export const gustPressure = (wind: CaseWind, times = 1): number =>
  windPressure(AIR_DENSITY.typical, wind.speed) * times;
