import type { Engine, Net, NetLine, NetNode, NetNumbers, TensionCurve } from '../net/index.js';
import { numbersOf, prepare, solve, storedAt } from '../net/index.js';
import { add, dot, norm, scale, sub } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import type { LoadPiece } from './body.js';
import { shareOut } from './body.js';

/** Pieces of cloth between the ends of a bed: its shape is then right to a millimetre. */
export const BED_PARTS = 24;

/** A pole that stands on its foot and is held back by stays. */
export interface HangPole {
  readonly foot: Vec3;
  /** Unstressed, m, and EA, N. */
  readonly length: number;
  readonly stiffness: number;
  readonly stays: readonly { readonly foot: Vec3; readonly length: number; readonly curve: TensionCurve }[];
  /** Push on its head, on the plan, N. */
  readonly push: readonly [x: number, y: number];
}

/** What one end of a bed hangs from. */
export interface HangEnd {
  /** Where the strap leaves its trunk, or where the pole's head is meant to be, m. */
  readonly at: Vec3;
  /** How far a trunk gives level per newton, m/N. */
  readonly give: number;
  readonly pole: HangPole | null;
  /** Unstressed strap, m. */
  readonly free: number;
}

/** A cord that pulls the middle of a bed aside. */
export interface HangSideStay {
  readonly foot: Vec3;
  /** Unstressed, m. */
  readonly length: number;
  readonly curve: TensionCurve;
}

/** A bed as a cable between two ends, with everything it depends on. SI, z up. */
export interface Hang {
  readonly ends: readonly [HangEnd, HangEnd];
  readonly strap: TensionCurve;
  /** Unstressed, m. */
  readonly length: number;
  readonly cloth: TensionCurve;
  /** Weight of the cloth with its cords, N. */
  readonly weight: number;
  readonly ridge: { readonly length: number; readonly curve: TensionCurve } | null;
  readonly sideStay: HangSideStay | null;
  readonly loads: readonly LoadPiece[];
  /** Level push across the bed, N, shared out as its loads are. */
  readonly push: Vec3;
  /** The ground beneath, which only pushes: a place on it and the way out of it, of length one; null as if there were none. */
  readonly ground: { readonly at: Vec3; readonly normal: Vec3 } | null;
}

/** A bed at rest. */
export interface HangState {
  readonly converged: boolean;
  readonly reason: string | null;
  readonly residual: number;
  readonly iterations: number;
  /** Where the straps begin and end, m. */
  readonly ties: readonly [Vec3, Vec3];
  readonly links: readonly [Vec3, Vec3];
  /** The cloth from its first end, m: BED_PARTS + 1 places. */
  readonly line: readonly Vec3[];
  /** Tension of each strap, of the cloth at most, of the ridge-cord and of the side stay, N. */
  readonly straps: readonly [number, number];
  readonly cloth: number;
  readonly ridge: number;
  readonly sideStay: number;
  /** Pull on what each strap is tied to, N: along x, across and down (negative z). */
  readonly pull: readonly [Vec3, Vec3];
  /** Poles, by end: push along it, what its foot presses on the ground with, tension of its stays, N. */
  readonly poles: readonly [PoleState | null, PoleState | null];
  /** Energy stored in everything that stretches or bends, N m. */
  readonly stored: number;
  /** Places of the loads: how far what lies in it has come down, weighted by its weight, as a height, m; 0 with nothing in it. */
  readonly height: number;
  /** Height of the cloth's own weight, as energy, N m. */
  readonly lifted: number;
  /** What the ground bears of it, N. */
  readonly borne: number;
}
export interface PoleState {
  readonly head: Vec3;
  readonly push: number;
  readonly foot: Vec3;
  readonly stays: readonly number[];
}

const END = ['0', '1'] as const;
/** So deep that nothing comes down to it, m. */
const NO_GROUND = -1e6;

/** The net of a bed: the same nodes and lines for every number it can have. Its ties are `tie0` and `tie1`. */
export function bedNet(h: Hang): Net {
  const nodes: NetNode[] = [];
  const lines: NetLine[] = [];
  const struts: NonNullable<Net['struts']>[number][] = [];
  const line = (id: string, from: string, to: string, restLength: number): number =>
    lines.push({
      id,
      from,
      to,
      restLength,
      curve: [
        [0, 0],
        [1, 1],
      ],
    });
  const chord = sub(h.ends[1].at, h.ends[0].at);
  const span = norm(chord);
  const along = (s: number): Vec3 => add(h.ends[0].at, scale(chord, s));
  // a bed hung in a shallow bow to begin with
  const slack = h.ends[0].free + h.length + h.ends[1].free;
  const sag = Math.sqrt(Math.max(0.01, (slack * slack - span * span) / 4));
  const bow = (s: number): Vec3 => add(along(s), [0, 0, -sag * (1 - Math.abs(2 * s - 1))]);
  for (const i of [0, 1] as const) {
    const { at, give, pole } = h.ends[i];
    nodes.push(
      pole !== null
        ? { id: `tie${END[i]}`, at }
        : give > 0
          ? { id: `tie${END[i]}`, at, fixed: [false, false, true], spring: [1 / give, 1 / give, 0] }
          : { id: `tie${END[i]}`, at, fixed: true },
    );
  }
  const place = (k: number): number => (h.ends[0].free + (k * h.length) / BED_PARTS) / slack;
  for (let k = 0; k <= BED_PARTS; k++) nodes.push({ id: `b${k}`, at: bow(place(k)), overGround: true });
  line('strap0', 'tie0', 'b0', h.ends[0].free);
  line('strap1', `b${BED_PARTS}`, 'tie1', h.ends[1].free);
  for (let k = 0; k < BED_PARTS; k++) line(`cloth${k}`, `b${k}`, `b${k + 1}`, h.length / BED_PARTS);
  if (h.ridge !== null) line('ridge', 'b0', `b${BED_PARTS}`, h.ridge.length);
  if (h.sideStay !== null) {
    nodes.push({ id: 'sideStay', at: h.sideStay.foot, fixed: true });
    line('sideStay', `b${BED_PARTS / 2}`, 'sideStay', h.sideStay.length);
  }
  for (const i of [0, 1] as const) {
    const { pole } = h.ends[i];
    if (pole === null) continue;
    nodes.push({ id: `foot${END[i]}`, at: pole.foot, fixed: true });
    struts.push({
      id: `pole${END[i]}`,
      from: `foot${END[i]}`,
      to: `tie${END[i]}`,
      restLength: pole.length,
      axialStiffness: pole.stiffness,
    });
    pole.stays.forEach((s, k) => {
      nodes.push({ id: `stay${END[i]}${k}`, at: s.foot, fixed: true });
      line(`stay${END[i]}${k}`, `tie${END[i]}`, `stay${END[i]}${k}`, s.length);
    });
  }
  // without friction: where it first came down is not known
  const ground = { at: h.ground?.at ?? [0, 0, NO_GROUND], normal: h.ground?.normal ?? [0, 0, 1], friction: 0 } as const;
  return { format: 'rough-bight/net@1', nodes, lines, struts, ground };
}

/** A bed made ready: one engine serves any numbers on what hangs where. */
export interface BedEngine {
  readonly engine: Engine;
  readonly line: ReadonlyMap<string, number>;
  readonly node: ReadonlyMap<string, number>;
  readonly strut: ReadonlyMap<string, number>;
}

export const prepareBed = (h: Hang): BedEngine => bedIn(prepare(bedNet(h)), '');

/** The bed of an engine that may hold more: its parts by their names in its own net. @param prefix before those names there */
export function bedIn(engine: Engine, prefix: string): BedEngine {
  const named = (ids: readonly string[]): Map<string, number> =>
    new Map(ids.flatMap((id, i) => (id.startsWith(prefix) ? [[id.slice(prefix.length), i] as const] : [])));
  const { nodeId, lineId, strutId } = engine.structure;
  return { engine, node: named(nodeId), line: named(lineId), strut: named(strutId) };
}

/** Sets every number of the bed; what its ties give is the net's own. */
export function setBed({ engine, line, node, strut }: BedEngine, h: Hang): void {
  const { structure: s } = engine;
  const put = (id: string, at: Vec3): void => {
    const n = node.get(id)!;
    for (let c = 0; c < 3; c++) s.at[3 * n + c] = at[c]! - s.origin[c]!;
  };
  const cord = (id: string, rest: number, curve: TensionCurve): void => {
    const i = line.get(id)!;
    s.rest[i] = rest;
    s.curve[i] = curve;
  };
  const shares = shareOut(h.loads, h.length, BED_PARTS);
  let whole = 0;
  for (const f of shares) whole += f;
  for (let k = 0; k <= BED_PARTS; k++) {
    const n = 3 * node.get(`b${k}`)!;
    const own = (h.weight / BED_PARTS) * (k === 0 || k === BED_PARTS ? 0.5 : 1);
    s.load[n + 2] = -own - shares[k]!;
    const part = whole > 0 ? shares[k]! / whole : 0;
    s.load[n] = h.push[0] * part;
    s.load[n + 1] = h.push[1] * part;
    s.load[n + 2]! += h.push[2] * part;
    if (k < BED_PARTS) cord(`cloth${k}`, h.length / BED_PARTS, h.cloth);
  }
  for (const i of [0, 1] as const) {
    const { at, pole, free } = h.ends[i];
    cord(`strap${END[i]}`, free, h.strap);
    if (pole === null) {
      put(`tie${END[i]}`, at);
      continue;
    }
    put(`foot${END[i]}`, pole.foot);
    const k = strut.get(`pole${END[i]}`)!;
    s.strutRest[k] = pole.length;
    s.strutStiffness[k] = pole.stiffness;
    const head = 3 * node.get(`tie${END[i]}`)!;
    [s.load[head], s.load[head + 1]] = pole.push;
    pole.stays.forEach((stay, n) => {
      put(`stay${END[i]}${n}`, stay.foot);
      cord(`stay${END[i]}${n}`, stay.length, stay.curve);
    });
  }
  if (h.ridge !== null) cord('ridge', h.ridge.length, h.ridge.curve);
  if (h.sideStay !== null) {
    put('sideStay', h.sideStay.foot);
    cord('sideStay', h.sideStay.length, h.sideStay.curve);
  }
}

/** Finds the bed's rest, from where it was last; and from its own beginning where that leads nowhere. */
export function solveBed(bed: BedEngine, h: Hang): HangState {
  setBed(bed, h);
  const { engine, node } = bed;
  const { structure: s } = engine;
  s.groundLevel = h.ground === null ? NO_GROUND : dot(h.ground.normal, sub(h.ground.at, s.origin));
  for (const i of [0, 1] as const) {
    const { give, pole } = h.ends[i];
    const n = 3 * node.get(`tie${END[i]}`)!;
    if (pole === null && give > 0) s.spring[n] = s.spring[n + 1] = 1 / give;
  }
  let outcome = solve(engine);
  if (!outcome.converged) outcome = solve(engine, { from: 'given' });
  return bedStateOf(bed, h, numbersOf(engine, outcome));
}

/** A bed read off the numbers of its engine. */
export function bedStateOf({ engine, line, node, strut }: BedEngine, h: Hang, numbers: NetNumbers): HangState {
  const { structure: s } = engine;
  const at = (id: string): Vec3 => {
    const n = 3 * node.get(id)!;
    return [numbers.at[n]!, numbers.at[n + 1]!, numbers.at[n + 2]!];
  };
  const tension = (id: string): number => numbers.tension[line.get(id)!]!;
  const reaction = (id: string): Vec3 => {
    const n = 3 * node.get(id)!;
    return [-numbers.reaction[n]!, -numbers.reaction[n + 1]!, -numbers.reaction[n + 2]!];
  };
  let stored = 0;
  for (const i of line.values()) {
    const [a, b] = [3 * s.stretchFrom[i + s.passStart[i]!]!, 3 * s.stretchTo[i + s.passStart[i + 1]!]!];
    const length = Math.hypot(
      numbers.at[a]! - numbers.at[b]!,
      numbers.at[a + 1]! - numbers.at[b + 1]!,
      numbers.at[a + 2]! - numbers.at[b + 2]!,
    );
    stored += s.rest[i]! * storedAt(s.curve[i]!, length / s.rest[i]! - 1);
  }
  const pole = (i: 0 | 1): PoleState | null => {
    const p = h.ends[i].pole;
    if (p === null) return null;
    const force = numbers.strutForce[strut.get(`pole${END[i]}`)!]!;
    stored += (0.5 * force * force * p.length) / p.stiffness;
    return {
      head: at(`tie${END[i]}`),
      push: -force,
      foot: reaction(`foot${END[i]}`),
      stays: p.stays.map((_, n) => tension(`stay${END[i]}${n}`)),
    };
  };
  const poles = [pole(0), pole(1)] as const;
  const cable: Vec3[] = [];
  for (let k = 0; k <= BED_PARTS; k++) cable.push(at(`b${k}`));
  /** What a strap pulls its tie with, along itself; its own bending of the stem is stored. */
  const pullOf = (i: 0 | 1): Vec3 => {
    const way = sub(cable[i === 0 ? 0 : BED_PARTS]!, at(`tie${END[i]}`));
    const pull = scale(way, tension(`strap${END[i]}`) / (norm(way) || 1));
    if (h.ends[i].pole === null) stored += 0.5 * h.ends[i].give * (pull[0] ** 2 + pull[1] ** 2);
    return pull;
  };
  const pull = [pullOf(0), pullOf(1)] as const;
  const shares = shareOut(h.loads, h.length, BED_PARTS);
  let [weight, height, lifted] = [0, 0, 0];
  cable.forEach((p, k) => {
    weight += shares[k]!;
    height += shares[k]! * p[2];
    lifted += (h.weight / BED_PARTS) * (k === 0 || k === BED_PARTS ? 0.5 : 1) * p[2];
  });
  let borne = 0;
  for (let k = 0; k <= BED_PARTS; k++) borne += numbers.ground[3 * node.get(`b${k}`)! + 2]!;
  let cloth = 0;
  for (let k = 0; k < BED_PARTS; k++) cloth = Math.max(cloth, tension(`cloth${k}`));
  return {
    converged: numbers.converged,
    reason: numbers.reason,
    residual: numbers.residual,
    iterations: numbers.iterations,
    ties: [at('tie0'), at('tie1')],
    links: [cable[0]!, cable[BED_PARTS]!],
    line: cable,
    straps: [tension('strap0'), tension('strap1')],
    cloth,
    ridge: h.ridge === null ? 0 : tension('ridge'),
    sideStay: h.sideStay === null ? 0 : tension('sideStay'),
    pull,
    poles,
    stored,
    height: weight > 0 ? height / weight : 0,
    lifted,
    borne,
  };
}
