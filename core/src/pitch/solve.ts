import type { LoadCase } from '../cases/index.js';
import { PITCHED } from '../cases/index.js';
import type { Fibre } from '../catalogue/index.js';
import { FIBRE_TRAITS, RELAX_ONSET, SHEET_DRAG, SNOW_SLIDES } from '../catalogue/index.js';
import { gripFigure, offAxis } from '../hitch/index.js';
import { relaxedTension, strainAt, unstressedWhenRelaxed } from '../line/index.js';
import type { Engine, NetNumbers, Outcome, Structure } from '../net/index.js';
import {
  GRIP_RATIO,
  LOCKED,
  linearCurve,
  numbersOf,
  prepareStructure,
  solve,
  structureOf,
  tensionAt,
  tensionCurve,
} from '../net/index.js';
import { GRAVITY, dot, norm } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import { filledBy, runOff } from '../roof/index.js';
import type { Pond } from '../roof/index.js';
import { flutterFactor, normalOf, roofForWind, windToward } from '../weather/index.js';
import type { RoofForWind } from '../weather/index.js';
import type { GustOutcome } from './gust.js';
import { BOUNDED, gustPressure, restInWind } from './gust.js';
import type { Reach } from './layout.js';
import { isStay } from './layout.js';
import type { Member, PitchModel } from './model.js';

const WATER = 1000;

/** A hitch's state in one case. */
export interface HitchState {
  readonly end: 0 | 1;
  /** Tension of the host on the trunk's side and on the roof's, N. */
  readonly outside: number;
  readonly inside: number;
  /** Pull of its loop, N, and the angle between that pull and the host, rad. */
  readonly pull: number;
  readonly angle: number;
  /** Slip along the host since it was tied, toward the second trunk, m. */
  readonly slid: number;
}

/** What a rig does in one case. */
export interface PitchState {
  readonly case: LoadCase;
  readonly numbers: NetNumbers;
  readonly hitches: readonly HitchState[];
  /** The same with every hitch held where it was tied: what it is asked to hold before it slips. */
  readonly held: readonly HitchState[];
  /** Tension of the ridgeline at each trunk, N. */
  readonly ridgeEnds: readonly [number, number];
  /** Unstressed length of each member, m, in the members' order. */
  readonly rest: readonly number[];
  /** What flutter adds to its pulls, as a factor. */
  readonly flutter: number;
  /** Whether it finds no rest in the wind: cloth that flaps. Nothing that luffs is passed. */
  readonly luffing: boolean;
  /** Shapes it goes through then: every line takes the worst of them. */
  readonly cycle: readonly PitchState[];
  readonly ponds: readonly Pond[];
  /** Litres standing; more where water keeps coming as the cloth gives. */
  readonly litres: number;
  readonly runsAway: boolean;
  /**
   * Where it stood with every hitch held, m from the structure's origin, before water or snow came on it: where a like case may begin.
   * Null where it found no rest.
   */
  readonly stood: Float64Array | null;
}

/** How far one thing of a rig ages and wets otherwise than its like: shares, by fibre, and of the cloth. */
export interface Ageing {
  readonly relaxation: ReadonlyMap<string, number>;
  readonly wetGrowth: ReadonlyMap<string, number>;
  readonly clothGrowth: number | null;
}

/** A rig tied off: its engine and the unstressed lengths it was tied to. */
export interface TiedRig {
  readonly model: PitchModel;
  readonly engine: Engine;
  /** The solve as pitched. */
  readonly pitched: PitchState;
  /** Unstressed length of each member as tied, and the tension it was tied off at. */
  readonly tied: Float64Array;
  readonly tension: Float64Array;
  /** How far along its line each ring and hitch sat when it was tied, as a share of the line's unstressed length. */
  readonly seats: Float64Array;
  readonly dry: { readonly gradient: Float64Array; readonly area: Float64Array; readonly weight: number };
  /** Loads without water, N, 3 a node. */
  readonly load: Float64Array;
  /** x of the second tie in the engine's axes, m. */
  readonly farTie: number;
  /** The roof as laid out, as wind meets it. */
  readonly roof: RoofForWind;
  /** Line of the net of each member. */
  readonly line: readonly number[];
  /** Where it stood last with every hitch held where it was tied: what every search begins from, whatever slid before. */
  readonly stood: { held: Float64Array | null };
  /** Members and sticks that have let go: lines hang free and pull nothing any more, sticks do not push. None where nothing is said. */
  readonly gone?: ReadonlySet<string>;
  /** What cords and cloth do in time and wet, where that is not the usual. */
  readonly ageing?: Ageing;
  /** Where it stood after each haul, from the first light pull on, m in the engine's axes: where a like rig's hauls begin. */
  readonly hauls: readonly Float64Array[];
}

/** A pull that hardly changes however far it hauls, N. */
export function haulCurve(pull: number) {
  const T = Math.max(pull, 0.5);
  return tensionCurve([
    [0, 0],
    [0.5, 0.9 * T],
    [3, T],
    [12, 1.1 * T],
  ]);
}

/**
 * Cords to the ground and to trunks in the order in which they are put on and hauled: as asked, the rest across the roof and back,
 * each the farthest from the one before.
 * @param asked keys of tie-outs
 */
export function inHaulOrder<T extends { readonly reach: Reach | null }>(
  all: readonly T[],
  asked: readonly string[],
): T[] {
  const rank = (m: T): number => {
    const k = asked.indexOf(m.reach!.key.id);
    return k < 0 ? asked.length : k;
  };
  const sorted = [...all].sort((a, b) => rank(a) - rank(b));
  const out = sorted.filter((m) => rank(m) < asked.length);
  const rest = sorted.filter((m) => rank(m) === asked.length);
  while (rest.length > 0) {
    const last = out.at(-1)?.reach?.key.flat ?? [0, 0];
    let best = 0;
    for (let k = 1; k < rest.length; k++) {
      const far = (m: T): number => Math.hypot(m.reach!.key.flat[0] - last[0], m.reach!.key.flat[1] - last[1]);
      if (far(rest[k]!) > far(rest[best]!) + 1e-9) best = k;
    }
    out.push(...rest.splice(best, 1));
  }
  return out;
}

/** The order of hauling of a rig's own lines; stays of poles are fast before. */
export const haulOrder = (model: PitchModel): Member[] =>
  inHaulOrder(
    model.members.filter((m) => m.role !== 'ridge' && m.role !== 'loop' && !isStay(m.reach!)),
    model.rig.pitch!.order,
  );

/** What counts as balanced between two hauls, as a share of the largest tension: a hand's pull is known far less well. */
const HAULED = 1e-4;
/** Share of the haul with which everything is put on before anything is hauled tight. Judgement. */
const FIRST_PULL = 0.4;

/**
 * Whether a line is tied at its length rather than hauled: what a stick stands by, without a ridge or a tree to steady it, since no
 * stick stands between pulls that give; and the stays of a pole, which are made fast before the line is hauled.
 */
const tiedAtLength = ({ hasRidge, layout }: PitchModel, { role, reach }: Member): boolean =>
  role === 'guy' && (isStay(reach!) || (!hasRidge && layout.sticks.length > 1 && reach!.stick > 0));

/**
 * Ties a rig as people do: everything is put on with a light pull, then each guy is hauled in turn and tied off at its
 * length, which the next ones change again.
 * @param options.from the rig as it was a moment ago: every haul begins from where that one ended, and ends the same
 * @param options.slip false holds every hitch where it is tied, however hard it is asked
 * @param options.atOnce as if as many hands as guys hauled together: no order leaves its mark
 */
export function tieOff(
  model: PitchModel,
  options: { readonly from?: TiedRig; readonly slip?: boolean; readonly atOnce?: true } = {},
): TiedRig {
  const engine = prepareStructure(structureOf(model.net));
  const { structure: s } = engine;
  const { members } = model;
  const before = options.from !== undefined && isLike(engine, options.from.engine) ? options.from : undefined;
  const hauls: Float64Array[] = [];
  const order = options.atOnce === true ? [] : haulOrder(model);
  const line = members.map((m) => s.lineId.indexOf(m.id));
  const tied = new Float64Array(members.length);
  const soft = (k: number, pull: number, length: number): void => {
    s.rest[line[k]!] = Math.max(0.01, length / 4);
    s.curve[line[k]!] = haulCurve(pull);
  };
  const freeze = (k: number): void => {
    const i = line[k]!;
    const curve = model.curveOf(members[k]!, false);
    const length = lengthOf(engine, i);
    const pull = tensionAt(s.curve[i]!, length / s.rest[i]! - 1);
    tied[k] = s.rest[i] = length / (1 + strainAt(curve, pull));
    s.curve[i] = curve;
  };
  /** Solves the next haul, from where the like rig stood after its own. */
  const haul = (): Outcome => {
    const there = before?.hauls[hauls.length];
    if (there !== undefined) {
      beginAt(engine, before!.engine, there);
      // what this rig was moved by after the haul before, it is moved by again
      const [now, then] = [hauls.at(-1), before!.hauls[hauls.length - 1]];
      if (now !== undefined && then !== undefined) moveOn(engine, before!.engine, now, then);
    }
    const goal = hauls.length === order.length + 1 ? {} : { goal: HAULED };
    let found = solve(engine, hauls.length === 0 && there === undefined ? { ...goal, from: 'given' } : goal);
    // from there nothing was found: as if there were no like rig
    if (!found.converged && there !== undefined) found = solve(engine, { from: 'given' });
    hauls.push(engine.state.x.slice());
    return found;
  };
  members.forEach((m, k) => {
    const i = line[k]!;
    const first = m.haul * (order.includes(m) && m.role !== 'tie' ? FIRST_PULL : 1);
    if (m.role === 'ridge') {
      s.curve[i] = model.curveOf(m, false);
      tied[k] = s.rest[i]!;
    } else if (tiedAtLength(model, m)) {
      s.curve[i] = model.curveOf(m, false);
      tied[k] = s.rest[i] = s.rest[i]! / (1 + strainAt(s.curve[i]!, first));
    } else soft(k, first, s.rest[i]!);
  });
  haul();
  members.forEach((m, k) => m.role !== 'ridge' && freeze(k));
  for (const m of order) {
    const k = members.indexOf(m);
    soft(k, m.haul, lengthOf(engine, line[k]!));
    haul();
    freeze(k);
  }
  // a hitch slid farther out pulls its loop in by as much
  members.forEach((m, k) => {
    if (m.role !== 'loop') return;
    const slid = model.rig.pitch!.hitches[m.end].slid;
    if (slid !== 0) tied[k] = s.rest[line[k]!] = Math.max(0.005, s.rest[line[k]!]! - slid);
  });
  let outcome = haul();
  const far = s.nodeIndex.get('trunk1');
  const rig: Omit<TiedRig, 'pitched' | 'tension'> = {
    model,
    engine,
    tied,
    seats: s.passAt.map((at, j) => at / s.rest[lineOf(s, j)]!),
    line,
    stood: { held: null },
    hauls,
    dry: { gradient: s.gradient.slice(), area: s.area.slice(), weight: s.panelWeight[0] ?? 0 },
    load: s.load.slice(),
    roof: roofForWind(
      s.corner,
      Float64Array.from(s.at, (v, i) => v + s.origin[i % 3]!),
      model.mesh.flat,
      model.layout.setting.ground,
    ),
    farTie: far === undefined ? 0 : s.at[3 * far]!,
  };
  const numbers = numbersOf(engine, outcome);
  const tension = Float64Array.from(line, (i) => numbers.tension[i]!);
  const held = hitchesOf(model, s, numbers);
  const stood = outcome.converged ? engine.state.x.slice() : null;
  rig.stood.held = stood;
  if (options.slip !== false && slips(model, held, false, s)) outcome = solve(engine);
  return { ...rig, tension, pitched: { ...stateOf({ ...rig, tension } as TiedRig, PITCHED, outcome, held), stood } };
}

/** Puts the rig where it stood before any hitch slid; every hitch to its place on its line. */
function asHeld({ engine }: TiedRig, held: Float64Array | null): void {
  engine.state.slip.set(engine.structure.passAt);
  if (held === null) return;
  engine.state.x.set(held);
  engine.solved = true;
}

/** Whether two rigs have the same nodes and lines, so that one may begin where the other stood. */
const isLike = ({ structure: a, state }: Engine, { structure: b, state: other }: Engine): boolean =>
  other.x.length === state.x.length && a.passAt.length === b.passAt.length && a.rest.length === b.rest.length;

/** Where a like rig stood, in a rig's own axes, its fixed nodes where they are, m. @param at places in the like rig's axes, m */
function asStood({ structure: a, state }: Engine, { structure: b }: Engine, at: Float64Array): Float64Array {
  return state.x.map((now, k) => (a.fixed[k] ? now : at[k]! + b.origin[k % 3]! - a.origin[k % 3]!));
}

/** Where a like rig stood in its cases, in this rig's axes; none where the two are not alike. */
export function stoodAlike(
  { engine }: TiedRig,
  like: { readonly tied: TiedRig; readonly states: readonly PitchState[] },
): readonly PitchState[] {
  if (!isLike(engine, like.tied.engine)) return [];
  return like.states.map((s) => (s.stood === null ? s : { ...s, stood: asStood(engine, like.tied.engine, s.stood) }));
}

/** Begins from where a like rig stood. @param at its places, m in its own engine's axes */
function beginAt(engine: Engine, before: Engine, at: Float64Array): void {
  const { structure: a } = engine;
  engine.state.x.set(asStood(engine, before, at));
  engine.state.slip.set(a.passAt);
  engine.solved = true;
}

/** Moves the free nodes by the difference of two shapes. @param now in this engine's axes, m @param then in the other's, m */
function moveOn(
  { structure: a, state }: Engine,
  { structure: b }: Engine,
  now: Float64Array,
  then: Float64Array,
): void {
  for (let i = 0; i < now.length; i++)
    if (!a.fixed[i]) state.x[i]! += now[i]! + a.origin[i % 3]! - then[i]! - b.origin[i % 3]!;
}

function setPass(s: Structure, node: string, kind: number, value: number): void {
  const n = s.nodeIndex.get(node)!;
  for (let j = 0; j < s.passNode.length; j++)
    if (s.passNode[j] === n) {
      s.passKind[j] = kind;
      s.passValue[j] = value;
    }
}

/** Straight length of a member as it stands, m. */
export function lengthOf({ structure: s, state }: Engine, i: number): number {
  const first = i + s.passStart[i]!;
  const a = 3 * s.stretchFrom[first]!;
  const b = 3 * s.stretchTo[i + s.passStart[i + 1]!]!;
  return Math.hypot(state.x[a]! - state.x[b]!, state.x[a + 1]! - state.x[b + 1]!, state.x[a + 2]! - state.x[b + 2]!);
}

/** Loads of a case without water, snow and the wind on the cloth, N, 3 a node: what hangs on the line gets wet and stands in the wind. */
function loadIn({ model, engine, load }: TiedRig, c: LoadCase): Float64Array {
  if (!model.hasRidge || !model.rig.hung.some((h) => h.area > 0 || h.wetMass > h.mass)) return load;
  const out = load.slice();
  const push = c.environment.wind === null ? 0 : gustPressure(c.environment.wind) * SHEET_DRAG.typical;
  const toward = c.environment.wind === null ? null : windToward(c.environment.wind.from, model.rig.pitch!.bearing);
  for (const h of model.rig.hung) {
    const n = 3 * engine.structure.nodeIndex.get(`hung ${h.id}`)!;
    if (toward !== null) for (const k of [0, 1, 2] as const) out[n + k]! += push * h.area * toward[k];
    if (c.environment.wet) out[n + 2]! -= (h.wetMass - h.mass) * GRAVITY;
  }
  return out;
}

/** What a member does in time and wet: as its fibre does, and of two joined cords by how much of it each is. */
function traitsOf(
  { ridge }: PitchModel,
  m: Member,
  ageing: Ageing | undefined,
): { readonly relaxation: number; readonly wetGrowth: number } {
  const of = (fibre: Fibre) => ({
    relaxation: ageing?.relaxation.get(fibre) ?? FIBRE_TRAITS[fibre].relaxation.typical,
    wetGrowth: ageing?.wetGrowth.get(fibre) ?? FIBRE_TRAITS[fibre].wetGrowth.typical,
  });
  const own = of(m.cord.fibre);
  const { extension } = ridge;
  if (m.role !== 'ridge' || extension === null) return own;
  const then = of(extension.cord.fibre);
  const mix = (a: number, b: number): number => (1 - extension.share) * a + extension.share * b;
  return { relaxation: mix(own.relaxation, then.relaxation), wetGrowth: mix(own.wetGrowth, then.wetGrowth) };
}

/** Unstressed length of each member in a case, m: relaxed and wet as it then is. */
export const restsIn = (
  { model, tied, tension, ageing }: Pick<TiedRig, 'model' | 'tied' | 'tension' | 'ageing'>,
  c: LoadCase,
): number[] =>
  model.members.map((m, k) => {
    const traits = traitsOf(model, m, ageing);
    let rest = tied[k]!;
    if (c.since > 0) {
      const left = relaxedTension(tension[k]!, traits.relaxation, c.since, RELAX_ONSET.typical);
      rest = unstressedWhenRelaxed(rest, tension[k]!, left, model.curveOf(m, false));
    }
    return c.environment.wet ? rest * (1 + traits.wetGrowth) : rest;
  });

/** A line that has let go gives way as far as it is drawn, N: a thousandth of a newton for its whole length. */
const LET_GO = linearCurve(1e-3);
/** A stick that has buckled, N. */
const LET_GO_STICK = 1e-2;

/** Line of a ring or hitch. */
function lineOf(s: Structure, pass: number): number {
  let i = 0;
  while (pass >= s.passStart[i + 1]!) i++;
  return i;
}

/** Gives a member its unstressed length, m. A cord shrinks and stretches all along: what sits on it goes with its place. */
export function setRest(
  { engine: { structure: s, state }, line, seats }: Pick<TiedRig, 'engine' | 'line' | 'seats'>,
  member: number,
  rest: number,
): void {
  const i = line[member]!;
  s.rest[i] = rest;
  for (let j = s.passStart[i]!; j < s.passStart[i + 1]!; j++) {
    s.passAt[j] = seats[j]! * rest;
    if (s.passKind[j] === LOCKED) state.slip[j] = s.passAt[j]!;
  }
}

/** Sets every number of the engine to a case. */
function setCase(rig: TiedRig, c: LoadCase): void {
  const { model, engine, dry } = rig;
  const { structure: s } = engine;
  const { members, cloth } = model;
  const rests = restsIn(rig, c);
  members.forEach((m, k) => {
    const i = rig.line[k]!;
    setRest(rig, k, rests[k]!);
    s.curve[i] = rig.gone?.has(m.id) === true ? LET_GO : model.curveOf(m, c.environment.wet);
  });
  model.net.struts?.forEach((strut, i) => {
    s.strutStiffness[i] = rig.gone?.has(strut.id) === true ? LET_GO_STICK : strut.axialStiffness;
  });
  const grown = c.environment.wet ? 1 + (rig.ageing?.clothGrowth ?? cloth.wetGrowth.typical) : 1;
  for (let i = 0; i < s.gradient.length; i++) s.gradient[i] = dry.gradient[i]! / grown;
  for (let i = 0; i < s.area.length; i++) s.area[i] = dry.area[i]! * grown * grown;
  s.panelWeight.fill((dry.weight * (c.environment.wet ? 1 + cloth.uptake.typical : 1)) / (grown * grown));
  s.pressure.fill(0);
  s.wind = null;
  s.load.set(loadIn(rig, c));
  for (const h of model.hitches) setPass(s, h.node, LOCKED, 0);
  const far = s.nodeIndex.get('trunk1');
  if (far !== undefined) s.at[3 * far] = rig.farTie + c.environment.sway;
}

/** Rounds of filling, and the growth of the last that still counts as coming to rest. */
const FILL_ROUNDS = 14;
const AT_REST = 0.03;
/** More than this on a roof is a pool that will not stop, litres a square metre. */
const MOST_LITRES = 40;

/** Rounds of snow on the shape it makes: slopes change little by it. */
const SNOW_ROUNDS = 3;

/** Adds snow to the loads: what falls on each panel's plan, less what slides from steep cloth. @param mass kg/m² on level ground */
function snowOn({ structure: s, state }: Engine, mass: number): void {
  for (let i = 0; i < s.area.length; i++) {
    const { normal, area } = normalOf(s.corner, state.x, i);
    const level = Math.abs(normal[2]);
    const [lies, slides] = SNOW_SLIDES;
    const stays = Math.min(1, Math.max(0, (slides - Math.acos(Math.min(1, level))) / (slides - lies)));
    for (let k = 0; k < 3; k++) s.load[3 * s.corner[3 * i + k]! + 2]! -= (stays * mass * GRAVITY * area * level) / 3;
  }
}

/**
 * Sets a rig to a case without solving it, at a place: what moves on from there. Hitches hold by their grip, as the pull on each was
 * as pitched.
 * @param at       m in the engine's axes
 * @returns        loads without the wind on what hangs, and what a gust of the case's speed adds to them, N, 3 a node
 */
export function layCase(
  rig: TiedRig,
  c: LoadCase,
  at: Float64Array,
): { readonly still: Float64Array; readonly blown: Float64Array } {
  const { model, engine } = rig;
  setCase(rig, c);
  asHeld(rig, at);
  model.hitches.forEach((h, k) => {
    const { angle } = rig.pitched.held[k]!;
    setPass(engine.structure, h.node, GRIP_RATIO, gripFigure(h, c.environment.wet).value * offAxis(angle));
  });
  const still = loadIn(rig, { ...c, environment: { ...c.environment, wind: null } }).slice();
  const blown = loadIn(rig, c).map((f, i) => f - still[i]!);
  engine.structure.load.set(still);
  return { still, blown };
}

/** The rig in one case, from where it stood last. */
export function solveCase(
  rig: TiedRig,
  c: LoadCase,
  options: {
    /** Factor on the wind's pressure. */
    readonly pressure?: number;
    /** false holds every hitch where it is tied. */
    readonly slip?: boolean;
    /** false gives up on cloth that finds no rest at once; a number after that share of the work for one solve. */
    readonly patient?: boolean | number;
    /** Where to begin: `stood` of a like case; from where it stood last otherwise. */
    readonly from?: Float64Array | null;
  } = {},
): PitchState {
  const { model, engine } = rig;
  const { structure: s } = engine;
  setCase(rig, c);
  asHeld(rig, options.from ?? rig.stood.held);
  const { pressure = 1 } = options;
  let cycle: PitchState[] = [];
  const { wind } = c.environment;
  const blow = (): GustOutcome | null => {
    if (wind === null) return null;
    cycle = [];
    return restInWind(
      { ...rig, load: loadIn(rig, c) },
      wind,
      gustPressure(wind, pressure),
      options.patient ?? true,
      (now) => {
        cycle.push(stateOf(rig, c, now, hitchesOf(model, s, numbersOf(engine, now))));
      },
    );
  };
  let gust = blow();
  let outcome = gust === null ? solve(engine, BOUNDED) : gust.outcome;
  const held = hitchesOf(model, s, numbersOf(engine, outcome));
  const stood = (gust?.stands ?? outcome.converged) ? engine.state.x.slice() : null;
  if (stood !== null) rig.stood.held = stood;
  if (options.slip !== false && slips(model, held, c.environment.wet, s)) {
    gust = blow();
    outcome = gust === null ? solve(engine, BOUNDED) : gust.outcome;
  }
  let ponds: readonly Pond[] = [];
  let litres = 0;
  let runsAway = false;
  if (c.environment.rain > 0) {
    for (let round = 0; round < FILL_ROUNDS; round++) {
      const runs = runOff(model.overhead, model.neighbours, placesOf(engine), model.layout.setting.ground);
      ponds = filledBy(runs, c.environment.rain);
      const now = 1000 * ponds.reduce((sum, p) => sum + p.volume, 0);
      if (now < 0.05 || Math.abs(now - litres) <= AT_REST * now) {
        litres = now;
        break;
      }
      litres = now;
      runsAway = litres > MOST_LITRES * model.layout.roof.length * model.layout.roof.width || round === FILL_ROUNDS - 1;
      if (runsAway) break;
      s.load.set(loadIn(rig, c));
      for (const pond of ponds)
        for (const { node, depth, area } of pond.wet) s.load[3 * node + 2]! -= depth * area * WATER * GRAVITY;
      outcome = solve(engine, BOUNDED);
    }
  }
  for (let round = 0; round < SNOW_ROUNDS && c.environment.snow > 0; round++) {
    s.load.set(loadIn(rig, c));
    snowOn(engine, c.environment.snow);
    outcome = solve(engine, BOUNDED);
  }
  const state = { ...stateOf(rig, c, outcome, held, { ponds, litres, runsAway }), stood };
  if (gust === null || gust.stands) return state;
  return { ...state, luffing: true, cycle };
}

/** Places of the cloth's nodes, m, in the rig's axes. */
function placesOf({ structure: s, state }: Engine): Float64Array {
  const at = state.x.slice();
  for (let i = 0; i < at.length; i++) at[i]! += s.origin[i % 3]!;
  return at;
}

const NO_WATER = { ponds: [], litres: 0, runsAway: false } as const;

function stateOf(
  rig: TiedRig,
  c: LoadCase,
  outcome: Outcome,
  held: readonly HitchState[],
  water: Pick<PitchState, 'ponds' | 'litres' | 'runsAway'> = NO_WATER,
): PitchState {
  const { model, engine } = rig;
  const { structure: s } = engine;
  const numbers = numbersOf(engine, outcome);
  const vector = (k: number, end: 0 | 1): Vec3 => vectorOf(numbers, k, end);
  const ridge = model.hasRidge ? s.lineId.indexOf('ridge') : -1;
  const first = ridge + (s.passStart[ridge] ?? 0);
  const last = ridge + (s.passStart[ridge + 1] ?? 0);
  return {
    case: c,
    numbers,
    hitches: hitchesOf(model, s, numbers),
    held,
    ridgeEnds: ridge < 0 ? [0, 0] : [norm(vector(first, 0)), norm(vector(last, 1))],
    rest: model.members.map((_, k) => s.rest[rig.line[k]!]!),
    flutter:
      c.environment.wind?.law === 'plate'
        ? flutterFactor(s.corner, numbers.at, windToward(c.environment.wind.from, model.rig.pitch!.bearing))
        : 1,
    luffing: false,
    cycle: [],
    stood: null,
    ...water,
  };
}

function vectorOf(numbers: NetNumbers, k: number, end: 0 | 1): Vec3 {
  const o = 6 * k + 3 * end;
  return [numbers.pull[o]!, numbers.pull[o + 1]!, numbers.pull[o + 2]!];
}

/** What every hitch on the ridge bears. */
function hitchesOf(model: PitchModel, s: Structure, numbers: NetNumbers): HitchState[] {
  const ridge = s.lineId.indexOf('ridge');
  const first = ridge + (s.passStart[ridge] ?? 0);
  return model.hitches.map((h): HitchState => {
    const n = s.nodeIndex.get(h.node)!;
    let j = s.passStart[ridge]!;
    while (s.passNode[j] !== n) j++;
    const before = vectorOf(numbers, first + j - s.passStart[ridge]!, 1);
    const after = vectorOf(numbers, first + j - s.passStart[ridge]! + 1, 0);
    const loop = s.lineId.indexOf(`loop${h.end}`);
    const pull = vectorOf(numbers, loop + s.passStart[loop]!, 0);
    const [outer, inner] = h.end === 0 ? [before, after] : [after, before];
    // the host's line at the hitch, from the tighter side
    const host = norm(outer) > 0 ? outer : inner;
    const size = norm(pull) * norm(host);
    return {
      end: h.end,
      outside: norm(outer),
      inside: norm(inner),
      pull: norm(pull),
      angle: size > 0 ? Math.acos(Math.min(1, Math.abs(dot(pull, host)) / size)) : 0,
      slid: numbers.slip[j]! - s.passAt[j]!,
    };
  });
}

/** Lets go the hitches that are asked for more than they grip; true when there are any. */
function slips(model: PitchModel, held: readonly HitchState[], wet: boolean, s: Structure): boolean {
  let any = false;
  model.hitches.forEach((h, k) => {
    const { outside, inside, pull, angle } = held[k]!;
    const grip = gripFigure(h, wet).value;
    if (Math.abs(outside - inside) <= grip * offAxis(angle) * pull) return;
    any = true;
    setPass(s, h.node, GRIP_RATIO, grip * offAxis(angle));
  });
  return any;
}

/** Tension of the ridgeline on either side of each thing that hangs on it, N, in the order of the things; none without a ridgeline. */
export function besideHung({ model, engine }: TiedRig, { numbers }: PitchState): (readonly [Vec3, Vec3])[] {
  const { structure: s } = engine;
  const ridge = s.lineId.indexOf('ridge');
  if (ridge < 0) return [];
  const first = ridge + s.passStart[ridge]!;
  return model.rig.hung.map(({ id }) => {
    const n = s.nodeIndex.get(`hung ${id}`)!;
    let j = s.passStart[ridge]!;
    while (s.passNode[j] !== n) j++;
    const k = first + j - s.passStart[ridge]!;
    // along the line: before it as that ends there, after it as that begins
    return [vectorOf(numbers, k, 1), vectorOf(numbers, k + 1, 0)] as const;
  });
}
