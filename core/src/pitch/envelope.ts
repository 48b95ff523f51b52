import { canopyPressures, sheetPressures, windToward } from '../weather/index.js';
import type { PitchCase } from './cases.js';
import { gustPressure } from './gust.js';
import { solveCase } from './solve.js';
import type { PitchState, TiedRig } from './solve.js';

/** Pressures this near, as a share of the largest, are the same. */
const SAME = 1e-9;

/** After so many cases without rest the rig flaps: what comes after is no longer coaxed. */
const MOST_FLAPPING = 4;

/** A shape that was found, and the pressure it stands under, Pa on each panel. */
interface Known {
  readonly at: Float64Array;
  readonly under: Float64Array;
  /** The gust it was found in; null where it was none. */
  readonly state: PitchState | null;
}

/** A gust still to be solved, with what is nearest to it of all that is known. */
interface Waiting {
  readonly index: number;
  readonly c: PitchCase;
  /** Its pressure wherever the cloth is, Pa; null where that goes with the shape. */
  readonly given: Float64Array | null;
  nearest: Known | null;
  /** Difference of their pressures over the cloth, N. */
  apart: number;
}

/**
 * Every case of a rig, in the order they are given. Gusts are solved in the order of their likeness: the next is always the one whose
 * pressure is nearest to that of a shape already found, and it begins from there (Prim's order of a least spanning tree). A canopy's
 * pressure often does not depend on where the wind comes from: such gusts stand for each other.
 */
export function solveCases(
  rig: TiedRig,
  cases: readonly PitchCase[],
  options: { readonly slip?: boolean } = {},
): PitchState[] {
  const out = new Array<PitchState>(cases.length);
  const calm: { readonly wet: boolean; readonly known: Known }[] = [];
  const still = new Float64Array(rig.dry.area.length);
  cases.forEach((c, i) => {
    if (c.wind !== null) return;
    const state = c.id === 'pitched' ? rig.pitched : solveCase(rig, c, options);
    out[i] = state;
    if (state.stood !== null && c.sway === 0 && c.snow === 0)
      calm.push({ wet: c.wet, known: { at: state.stood, under: still, state: null } });
  });
  let flapping = 0;
  for (const wet of [false, true]) {
    const waiting = cases.flatMap((c, index): Waiting[] =>
      c.wind === null || c.wet !== wet
        ? []
        : [{ index, c, given: givenPressure(rig, c), nearest: null, apart: Number.POSITIVE_INFINITY }],
    );
    const learn = (known: Known): void => {
      for (const w of waiting) {
        const apart = apartFrom(rig, w, known);
        if (apart < w.apart) [w.apart, w.nearest] = [apart, known];
      }
    };
    for (const k of calm) if (k.wet === wet) learn(k.known);
    if (waiting.some((w) => w.nearest === null) && rig.stood.held !== null)
      learn({ at: rig.stood.held, under: still, state: null });
    while (waiting.length > 0) {
      const { index, c, given, nearest, apart } = waiting.splice(leastApart(waiting), 1)[0]!;
      const like = given !== null && nearest?.state?.case.wind?.law !== 'plate' ? nearest?.state : null;
      if (like && apart <= SAME * largest(rig, given!)) {
        out[index] = { ...like, case: c };
        continue;
      }
      const state = solveCase(rig, c, {
        ...options,
        patient: flapping < MOST_FLAPPING,
        ...(nearest === null ? {} : { from: nearest.at }),
      });
      out[index] = state;
      if (state.luffing || !state.numbers.converged) flapping++;
      else if (state.stood !== null) learn({ at: state.stood, under: state.numbers.pressure, state });
    }
  }
  return out;
}

function leastApart(waiting: readonly Waiting[]): number {
  let best = 0;
  for (let k = 1; k < waiting.length; k++) if (waiting[k]!.apart < waiting[best]!.apart) best = k;
  return best;
}

/** Pressure of a gust that does not go with the cloth's own facing, Pa on each panel; null where it does. */
function givenPressure(rig: TiedRig, { wind }: PitchCase): Float64Array | null {
  if (wind === null || wind.law === 'plate') return null;
  return canopyPressures(wind.law, rig.roof, towardOf(rig, wind.from), gustPressure(wind));
}

const towardOf = (rig: TiedRig, from: number) => windToward(from, rig.model.rig.pitch!.bearing);

/** How far the pressure that a gust would lay on a known shape is from what it stands under, over the cloth, N. */
function apartFrom(rig: TiedRig, { c, given }: Waiting, { at, under }: Known): number {
  const { area } = rig.dry;
  let p = given;
  if (p === null) {
    p = new Float64Array(area.length);
    sheetPressures(rig.engine.structure.corner, at, towardOf(rig, c.wind!.from), gustPressure(c.wind!), p);
  }
  let apart = 0;
  for (let i = 0; i < p.length; i++) apart += area[i]! * Math.abs(p[i]! - under[i]!);
  return apart;
}

/** The largest of the pressures over all of the cloth, N. */
function largest(rig: TiedRig, given: Float64Array): number {
  let [most, whole] = [0, 0];
  for (let i = 0; i < given.length; i++) {
    most = Math.max(most, Math.abs(given[i]!));
    whole += rig.dry.area[i]!;
  }
  return most * whole;
}
