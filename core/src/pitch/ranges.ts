import { AIR_DENSITY, GUST_FACTOR, SHELTERS, looked } from '../catalogue/index.js';
import { strainAt } from '../line/index.js';
import { answersTo } from '../net/index.js';
import type { RidgeRig } from '../rig/index.js';
import { windBySigns, windPressure } from '../weather/index.js';
import { derive } from '../working/index.js';
import { CERTAIN } from './reading.js';
import type { Spread } from './reading.js';
import type { PitchState, TiedRig } from './solve.js';
import { restsIn, setRest, solveCase } from './solve.js';

/** By feel, a haul is off by so much either way. Judgement. */
export const HAUL_SPREAD = [0.65, 1.5] as const;
/**
 * What a first-order answer may leave out of balance, as a share of the largest force, and still stand for the rig solved anew. Measured
 * over the example rigs (a test): such answers are within 4 % of what is solved.
 */
const STRAIGHT = 0.01;

/** Range of the wind's pressure in a gust, as factors, from the ranges of what makes it. */
export function windSpread(rig: RidgeRig, given0: boolean): Spread {
  const q = derive(
    { symbol: 'q', title: 'gust pressure', quantity: 'stress', formula: 'q = ½ ρ (V S G)²' },
    [looked(AIR_DENSITY), windBySigns(rig.wind.beaufort), looked(SHELTERS[rig.wind.shelter]), looked(GUST_FACTOR)],
    (rho, V, S, G) => windPressure(rho!, V! * S! * G!),
  );
  // a wind that was given is taken as it is but for the coefficients
  if (given0 || q.range === undefined || !(q.value > 0)) return [0.8, 1.25];
  return [Math.max(0.2, q.range[0] / q.value), q.range[1] / q.value];
}

/** What a pull, a push and the cloth's stress of one case come to with something off. */
interface Born {
  /** By line and by stick of the net, N. */
  readonly tension: Float64Array;
  readonly push: Float64Array;
  /** N/m. */
  readonly stress: number;
}

/** How far every pull of a case may be off, as factors: by line and by stick of the net, and in the cloth. */
export interface Spreads {
  readonly line: readonly Spread[];
  readonly stick: readonly Spread[];
  readonly cloth: Spread;
}

/** Something that is not known well: what one end of its range makes of the rig. */
interface End {
  /** Unstressed length of each member as tied, m. */
  readonly tied: Float64Array;
  /** Factor on the wind's pressure. */
  readonly pressure: number;
}

/** Both ends of the range of every thing that is not known well: the hauls, the ridge's length, the wind. */
export function endsOf(rig: TiedRig, windy: boolean, wind: Spread): (readonly [End, End])[] {
  const { model, tied, tension } = rig;
  const pair = <T>(range: readonly [T, T], end: (at: T) => End): readonly [End, End] => [end(range[0]), end(range[1])];
  const { unstressed } = model.ridge;
  const hauled = pair(HAUL_SPREAD, (factor) => ({
    pressure: 1,
    tied: tied.map((length, k) => {
      const m = model.members[k]!;
      if (m.role === 'ridge') return length;
      const curve = model.curveOf(m, false);
      return (length * (1 + strainAt(curve, tension[k]!))) / (1 + strainAt(curve, tension[k]! * factor));
    }),
  }));
  const out = [hauled];
  if (model.hasRidge && unstressed.range !== undefined)
    out.push(
      pair(unstressed.range, (l) => ({
        pressure: 1,
        tied: tied.map((length, k) => (model.members[k]!.role === 'ridge' ? l : length)),
      })),
    );
  if (windy) out.push(pair(wind, (pressure) => ({ pressure, tied })));
  return out;
}

/** How far every pull of a case moves when hauls, the ridge and the wind are at the ends of their ranges. */
export function spreadsOf(rig: TiedRig, base: PitchState, wind: Spread): Spreads {
  const pairs = endsOf(rig, base.case.environment.wind !== null, wind);
  const straight = answers(rig, base, pairs.flat());
  const solved = pairs.map((both, k) => both.map((end, i) => straight[2 * k + i] ?? solvedAt(rig, base, end)));
  const of = (value: number, at: (b: Born) => number): Spread => {
    if (!(value > 0)) return CERTAIN;
    let [low, high] = [0, 0];
    for (const both of solved) {
      const ends = both.map(at);
      low += (value - Math.min(value, ...ends)) ** 2;
      high += (Math.max(value, ...ends) - value) ** 2;
    }
    return [Math.max(0.05, 1 - Math.sqrt(low) / value), 1 + Math.sqrt(high) / value];
  };
  const now = bornIn(base);
  return {
    line: Array.from(now.tension, (t, i) => of(t, (b) => b.tension[i]!)),
    stick: Array.from(now.push, (f, i) => of(f, (b) => b.push[i]!)),
    cloth: of(now.stress, (b) => b.stress),
  };
}

/** The rig solved anew with something off. */
export function solvedAt(rig: TiedRig, base: PitchState, { tied, pressure }: End): Born {
  const before = rig.tied.slice();
  rig.tied.set(tied);
  const state = solveCase(rig, base.case, { pressure, from: base.stood });
  rig.tied.set(before);
  return bornIn(state);
}

/**
 * What the tangent says that each end comes to, all from the rig at rest in that case; null for one where a hitch has slid, nothing
 * stands, or it bends too much on the way there.
 */
export function answers(rig: TiedRig, base: PitchState, ends: readonly End[]): (Born | null)[] {
  const none = ends.map(() => null);
  if (base.stood === null || base.luffing || rig.engine.stiffness === null) return none;
  const { structure: s } = rig.engine;
  const now = solveCase(rig, base.case, { from: base.stood });
  if (!now.numbers.converged || now.luffing || now.hitches.some((h) => h.slid !== 0)) return none;
  const was = bornIn(now);
  const lengths = s.rest.slice();
  const [wind, given] = [s.wind, s.pressure.slice()];
  const changes = ends.map(({ tied, pressure }) => {
    const changed = restsIn({ ...rig, tied }, base.case);
    return (share: number): void => {
      rig.line.forEach((i, k) => setRest(rig, k, lengths[i]! + share * (changed[k]! - lengths[i]!)));
      const blows = 1 + share * (pressure - 1);
      if (wind === null) for (let i = 0; i < given.length; i++) s.pressure[i] = given[i]! * blows;
      else s.wind = { ...wind, q: wind.q * blows };
    };
  });
  return answersTo(rig.engine, changes).map(({ bends, ...by }): Born | null => {
    const tension = was.tension.map((t, i) => t + by.tension[i]!);
    // no cord pushes: one that would is slack by then
    if (!(bends <= STRAIGHT) || tension.some((t) => t < 0)) return null;
    const push = was.push.map((f, i) => Math.max(0, f - by.strutForce[i]!));
    return { tension, push, stress: was.stress + by.stress };
  });
}

const bornIn = (s: PitchState): Born => ({
  tension: s.numbers.tension,
  push: s.numbers.strutForce.map((f) => Math.max(0, -f)),
  stress: stressOf(s),
});

/** Largest stress in the cloth, N/m. */
export function stressOf(s: PitchState): number {
  let most = 0;
  for (let i = 0; i < s.numbers.stress.length; i += 2) most = Math.max(most, s.numbers.stress[i]!);
  return most;
}
