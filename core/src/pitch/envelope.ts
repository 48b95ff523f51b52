import { canopyPressures, sheetPressures, windToward } from '../weather/index.js';
import type { LoadCase } from '../cases/index.js';
import { gustPressure } from './gust.js';
import { solveCase } from './solve.js';
import type { PitchState, TiedRig } from './solve.js';

/** Pressures this near, as a share of the largest, are the same. */
const SAME = 1e-5;

/** A like rig's shape is as far as one of this rig's under a pressure that differs by this share of the whole. */
const FOREIGN = 0.1;

/** After so many cases without rest the rig flaps: what comes after is no longer coaxed. */
const MOST_FLAPPING = 4;

/** A shape that was found, and the pressure it stands under, Pa on each panel. */
interface Known {
  readonly at: Float64Array;
  readonly under: Float64Array;
  /** The gust it was found in; null where it was none. */
  readonly state: PitchState | null;
  /** A like rig's. */
  readonly foreign?: true;
}

/** A gust still to be solved, with what is nearest to it of all that is known. */
interface Waiting {
  readonly c: LoadCase;
  /** Its pressure wherever the cloth is, Pa; null where that goes with the shape. */
  readonly given: Float64Array | null;
  /** The largest of it over all of the cloth, N. */
  readonly largest: number;
  nearest: Known | null;
  /** Difference of their pressures over the cloth, N. */
  apart: number;
}

/** Half of a rig's cases, as much work as the other half. */
export type Half = 0 | 1;

/** Cases that are solved together, each from what is like it, and the half they belong to: groups know nothing of each other. */
const TOGETHER: readonly { readonly half: Half; readonly has: (c: LoadCase) => boolean }[] = [
  { half: 0, has: (c) => !c.environment.wet },
  { half: 1, has: (c) => c.environment.wet && !lifted(c) },
  { half: 0, has: (c) => c.environment.wet && lifted(c) },
];
const lifted = ({ environment: { wind } }: LoadCase): boolean => wind?.law === 'lift' || wind?.law === 'blocked';

/** Whether a case belongs to a half: two threads may have one each, and find what one alone would have found. */
export const isIn = (half: Half, c: LoadCase): boolean => TOGETHER.some((t) => t.half === half && t.has(c));

/**
 * Every case of a rig, in the order they are given. Gusts are solved in the order of their likeness: the next is always the one whose
 * pressure is nearest to that of a shape already found, and it begins from there (Prim's order of a least spanning tree). A canopy's
 * pressure often does not depend on where the wind comes from: such gusts stand for each other.
 * @param options.known states found already, which are not solved again
 * @param options.like  states of a rig like it, in this one's axes, from which its gusts may begin too
 */
export function solveCases(
  rig: TiedRig,
  cases: readonly LoadCase[],
  options: {
    readonly slip?: boolean;
    readonly known?: readonly PitchState[];
    readonly like?: readonly PitchState[];
  } = {},
): PitchState[] {
  const found = new Map((options.known ?? []).map((s) => [s.case.id, s]));
  for (const { has } of TOGETHER) {
    const these = cases.filter((c) => has(c) && !found.has(c.id));
    if (these.length === 0) continue;
    const like = options.like?.filter((s) => has(s.case)) ?? [];
    const known = options.known?.filter((s) => has(s.case)) ?? [];
    for (const s of solveTogether(rig, these, { ...options, known, like })) found.set(s.case.id, s);
  }
  return cases.map((c) => found.get(c.id)!);
}

/** Cases of one wetness, from the rig as pitched. */
function solveTogether(
  rig: TiedRig,
  cases: readonly LoadCase[],
  {
    slip,
    known,
    like,
  }: { readonly slip?: boolean; readonly known: readonly PitchState[]; readonly like: readonly PitchState[] },
): readonly PitchState[] {
  const options = slip === undefined ? {} : { slip };
  const out: PitchState[] = [];
  const calm: Known[] = [];
  const still = new Float64Array(rig.dry.area.length);
  if (rig.pitched.stood !== null) rig.stood.held = rig.pitched.stood;
  for (const c of cases) {
    if (c.environment.wind !== null) continue;
    out.push(c.kind === 'pitched' ? rig.pitched : solveCase(rig, c, options));
  }
  for (const { case: c, stood } of [...known, ...out])
    if (stood !== null && c.environment.wind === null && c.environment.sway === 0 && c.environment.snow === 0)
      calm.push({ at: stood, under: still, state: null });
  let flapping = 0;
  const waiting = cases.flatMap((c): Waiting[] => {
    if (c.environment.wind === null) return [];
    const given = givenPressure(rig, c);
    return [
      {
        c,
        given,
        largest: given === null ? gustPressure(c.environment.wind) * sum(rig.dry.area) : largest(rig, given),
        nearest: null,
        apart: Number.POSITIVE_INFINITY,
      },
    ];
  });
  const shapes: Known[] = [];
  const learn = (known: Known): void => {
    shapes.push(known);
    for (const w of waiting) {
      const apart = apartFrom(rig, w, known) + (known.foreign ? FOREIGN * w.largest : 0);
      if (apart < w.apart) [w.apart, w.nearest] = [apart, known];
    }
  };
  for (const k of calm) learn(k);
  for (const s of known)
    if (s.stood !== null && s.case.environment.wind !== null && !unsettled(s))
      learn({ at: s.stood, under: s.numbers.pressure, state: s });
  for (const s of like)
    if (s.stood !== null && s.case.environment.wind !== null && !unsettled(s))
      learn({ at: s.stood, under: s.numbers.pressure, state: null, foreign: true });
  if (waiting.some((w) => w.nearest === null) && rig.stood.held !== null)
    learn({ at: rig.stood.held, under: still, state: null });
  while (waiting.length > 0) {
    const next = waiting.splice(leastApart(waiting), 1)[0]!;
    const { c, given, nearest, apart } = next;
    const twin = given !== null && nearest?.state?.case.environment.wind?.law !== 'plate' ? nearest?.state : null;
    if (twin && apart <= SAME * next.largest) {
      out.push({ ...twin, case: c });
      continue;
    }
    const solveFrom = (from: Float64Array | null): PitchState =>
      solveCase(rig, c, { ...options, patient: flapping < MOST_FLAPPING, ...(from === null ? {} : { from }) });
    let state = solveFrom(nearest?.at ?? null);
    // what finds no rest from there may find one from elsewhere
    if (unsettled(state) && flapping < MOST_FLAPPING)
      for (const at of elsewhere(rig, next, shapes)) {
        const again = solveFrom(at);
        if (unsettled(again)) continue;
        state = again;
        break;
      }
    out.push(state);
    if (unsettled(state)) flapping++;
    else if (state.stood !== null) learn({ at: state.stood, under: state.numbers.pressure, state });
  }
  return out;
}

const sum = (a: Float64Array): number => a.reduce((x, y) => x + y, 0);
const unsettled = (s: PitchState): boolean => s.luffing || !s.numbers.converged;

/** Shapes beside the nearest from which a gust is tried. */
const TRIED_ELSEWHERE = 3;

/** Other shapes to begin a gust from: the nearest but one, and so on, and the rig as pitched. */
function elsewhere(rig: TiedRig, w: Waiting, shapes: readonly Known[]): Float64Array[] {
  const others = shapes
    .filter((k) => k !== w.nearest)
    .map((k) => ({ at: k.at, apart: apartFrom(rig, w, k) }))
    .sort((a, b) => a.apart - b.apart)
    .slice(0, TRIED_ELSEWHERE)
    .map((k) => k.at);
  const { stood } = rig.pitched;
  return stood === null || others.includes(stood) ? others : [...others, stood];
}

function leastApart(waiting: readonly Waiting[]): number {
  let best = 0;
  for (let k = 1; k < waiting.length; k++) if (waiting[k]!.apart < waiting[best]!.apart) best = k;
  return best;
}

/** Pressure of a gust that does not go with the cloth's own facing, Pa on each panel; null where it does. */
function givenPressure(rig: TiedRig, { environment: { wind } }: LoadCase): Float64Array | null {
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
    sheetPressures(
      rig.engine.structure.corner,
      at,
      towardOf(rig, c.environment.wind!.from),
      gustPressure(c.environment.wind!),
      p,
    );
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
