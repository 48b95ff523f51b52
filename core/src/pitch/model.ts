import { USUAL_ELASTIC, cordOf } from '../cordage/index.js';
import type { Elastic } from '../cordage/index.js';
import { bucklingLoad } from '../anchor/index.js';
import type { TreeTie } from '../assembly/index.js';
import { tiesOf } from '../assembly/index.js';
import type { Cloth, Cord, HitchType } from '../catalogue/index.js';
import {
  CLOTH_ON_GROUND,
  CORD_ON_CLOTH,
  cordWeight,
  dryCurve,
  findCloth,
  findHitch,
  wetCurve,
} from '../catalogue/index.js';
import type { TiedHitch } from '../hitch/index.js';
import { strainAt } from '../line/index.js';
import type { TensionCurve } from '../line/index.js';
import { tensionCurve } from '../net/index.js';
import type { Net, NetLine, NetNode, NetPanel, NetPass, NetRest, NetStrut } from '../net/index.js';
import { GRAVITY, metres, phrase } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import type { KitCord, RigContext, RidgeModel, RidgeRig, RoofHitch } from '../rig/index.js';
import {
  RigProblem,
  cordAlong,
  inSeries,
  holdProblems,
  holdsOf,
  measuredSpan,
  pitchProblems,
  ridgeModel,
  tiedTo,
  treeOf,
  treeProblems,
  trunkTie,
} from '../rig/index.js';
import type { FormPlan, Key, Mesh, Neighbours } from '../roof/index.js';
import { meshCloth, neighboursOf, roofMass } from '../roof/index.js';
import type { HoldId } from '../support/index.js';
import { supportOf } from '../support/index.js';
import { inPiece, keysOf, placesOf } from './place.js';
import type { PitchLayout, Reach } from './layout.js';
import { layoutOf, reachName, upFrom } from './layout.js';

/** One line of a pitched rig and what it is. */
export interface Member {
  readonly id: string;
  readonly role: 'ridge' | 'loop' | 'guy' | 'peg' | 'tie';
  readonly name: string;
  readonly kitCord: KitCord;
  readonly cord: Cord;
  /** Cords side by side. */
  readonly legs: 1 | 2;
  /** Pull it is hauled with when the rig is tightened, N. */
  readonly haul: number;
  /** Far end, cloth end: nodes. */
  readonly reach: Reach | null;
  readonly end: 0 | 1;
  /** Which node stands for its far end, whose reaction the anchor bears. */
  readonly foot: string;
}

/** A roof pitched on its ridge as a net, and the names of everything in it. */
export interface PitchModel {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly layout: PitchLayout;
  readonly ridge: RidgeModel;
  readonly cloth: Cloth;
  readonly mesh: Mesh;
  /** The same without what lies on the ground as a floor: what is over somebody, what rain falls on. */
  readonly overhead: Mesh;
  /** Of what is overhead. */
  readonly neighbours: Neighbours;
  /** The cloth's nodes come first in the net, in the mesh's order. */
  readonly net: Net;
  readonly members: readonly Member[];
  readonly hitches: readonly (TiedHitch & {
    readonly end: 0 | 1;
    readonly node: string;
    readonly set: RoofHitch;
    readonly kitCord: KitCord;
  })[];
  /** Where it is tied to trees of the rig. */
  readonly ties: readonly TreeTie[];
  /** What on the ground holds more than one line. */
  readonly holds: readonly HoldId[];
  /** Whether the rig has a ridgeline at all. */
  readonly hasRidge: boolean;
  /** Force that buckles each stick, N, by strut id. */
  readonly buckling: ReadonlyMap<string, number>;
  /** Dry and wet curve of a member. */
  readonly curveOf: (m: Member, wet: boolean) => TensionCurve;
}

/** Nodes that may come down to the ground: cloth, and what sits or hangs on the ridgeline. */
const MAY_LIE = /^(c|on|hitch|hung )/;

/** Squares along each side of a roof: 128 panels show every fold and solve in a hand's blink. */
export const PARTS = 8;
/** How the lines of a net are called by which cloth hangs on a line that runs through its loops. */
export const THROUGH = 'loop ';
/** Loops by which cloth hangs on a line that runs through them, m. */
const LOOP = 0.03;
/** Push of a line on cloth that lies on it, for each metre that it gives under one node, N/m: cord and cloth are soft. Judgement. */
const LINE_STIFFNESS = 5e4;
/** Stiffness of a stick along itself, N: green wood; a straight stick hardly shortens. */
const STICK_MODULUS = 8e9;

function kitCordOf(context: RigContext, id: string, field: string): { kitCord: KitCord; cord: Cord } {
  const kitCord = context.kit.find((k) => k.id === id);
  const cord = kitCord === undefined ? undefined : cordOf(kitCord);
  if (kitCord === undefined || cord === undefined)
    throw new RigProblem(field, 'This cord is no longer in the kit. Choose another.');
  return { kitCord, cord };
}

/** Elastic let into a member; null without. */
export function elasticOf(
  { rig }: Pick<PitchModel, 'rig'>,
  { role, reach, end }: Pick<Member, 'role' | 'reach' | 'end'>,
): Elastic | null {
  if (role === 'loop') return rig.pitch!.hitches[end].elastic ?? null;
  return role === 'guy' && reach!.guy.hitch === 'elastic' ? (reach!.guy.elastic ?? USUAL_ELASTIC) : null;
}

/** `legs` cords side by side, with an elastic let in where there is one. @param length that its draw is counted over, m */
function memberCurve(cord: Cord, legs: number, wet: boolean, elastic: Elastic | null, length: number): TensionCurve {
  const curve = wet ? wetCurve(cord) : dryCurve(cord);
  const points: [number, number][] = Array.from(curve.strain, (e, i) => [e, curve.tension[i]! * legs]);
  if (elastic === null) return tensionCurve(points);
  // the elastic takes up to its pull, then the cord beside it is straight
  const { draw, pull } = elastic;
  const drawn = draw / length;
  const atEnd = strainAt(curve, pull / legs);
  return tensionCurve([
    [0, 0],
    [drawn + atEnd, pull],
    ...points.filter(([, t]) => t > pull * 1.01).map(([e, t]): [number, number] => [e + drawn, t]),
  ]);
}

/**
 * Readies a pitched rig: lays its form out, meshes the cloth along tie-outs and folds, and makes the net.
 * @throws RigProblem naming field and remedy; NoSuchLine for a ridge tension no length gives
 */
export function pitchModel(
  rig: RidgeRig,
  context: RigContext,
  options: { readonly ranges: boolean } = { ranges: true },
): PitchModel {
  const pitch = rig.pitch!;
  const problem = [...pitchProblems(rig, context), ...treeProblems(rig), ...holdProblems(rig)][0];
  if (problem !== undefined) throw new RigProblem(problem.field, problem.said ?? problem.message);
  const ridge = ridgeModel(rig, context, options);
  const layout = layoutOf(rig, context);
  const { plan, roof, setting } = layout;
  const cloth = findCloth(roof.cloth);
  if (cloth === undefined)
    throw new RigProblem('pitch.roof', `The catalogue has no cloth “${roof.cloth}”. Choose another in the kit.`);
  const mesh = meshCloth(
    roof.length,
    roof.width,
    plan.keys.map((k) => k.flat),
    PARTS,
    plan.diagonal,
    roof.hollow,
  );
  const nodeOf = (k: Key): string =>
    k.role.to === 'stay' ? `trunk${k.role.end}` : `c${mesh.nodeAt(k.flat[0], k.flat[1])}`;
  const nodes: NetNode[] = placeCloth(layout, mesh);
  const lines: NetLine[] = [];
  const struts: NetStrut[] = [];
  const rests: NetRest[] = [];
  const members: Member[] = [];
  const buckling = new Map<string, number>();

  const span = measuredSpan(rig, context.body);
  const hasRidge = plan.ridge !== null;
  const trunkUsed = (i: 0 | 1): boolean => hasRidge || layout.reaches.some((r) => r.kind === 'tie' && r.end === i);
  const ties: TreeTie[] = [];
  for (const i of [0, 1] as const) {
    if (!trunkUsed(i)) continue;
    // a pole's head is free to move between what holds it
    if (rig.trunks[i].stand?.kind === 'pole') nodes.push({ id: `trunk${i}`, at: setting.ties[i] });
    else ties.push(trunkTie(rig, i, setting.ties[i]));
  }
  const feet: NetNode[] = [];
  for (const r of layout.reaches) {
    if (r.kind === 'tie') continue;
    const node = `foot ${r.key.id}`;
    const tied = tiedTo(r.guy.anchor, r.key.id);
    const give = supportOf(r.guy.anchor).gives(r.guy.anchor);
    if (give !== null) feet.push({ id: node, at: r.foot, spring: [1 / give, 1 / give, 1 / give] });
    else if (tied === null) feet.push({ id: node, at: r.foot, fixed: true });
    else ties.push({ node, at: r.foot, tree: treeOf(rig, tied.tree)!, height: tied.height });
  }
  const trees = tiesOf(ties);
  nodes.push(...trees.nodes, ...feet);
  for (const s of layout.sticks) {
    nodes.push({ id: `stick ${s.id}`, at: s.foot, fixed: true });
    const length = s.length ?? Math.hypot(...([0, 1, 2] as const).map((c) => s.key.at[c] - s.foot[c]!));
    const { thick = pitch.stick, modulus = STICK_MODULUS } = s;
    const section = (Math.PI * thick ** 2) / 4;
    struts.push({
      id: s.id,
      from: `stick ${s.id}`,
      to: nodeOf(s.key),
      restLength: length,
      axialStiffness: modulus * section,
    });
    buckling.set(s.id, bucklingLoad(modulus, thick, length));
  }

  // the ridgeline with all that sits on it
  const hitches: PitchModel['hitches'][number][] = [];
  const { kitCord, cord } = ridge;
  if (hasRidge) {
    const [a, b] = setting.ties;
    const along = (x: number): Vec3 => [x, 0, a[2] + ((b[2] - a[2]) * x) / span];
    const passes: { x: number; pass: NetPass }[] = [];
    for (const k of plan.keys) {
      if (k.role.to !== 'hitch') continue;
      const { end } = k.role;
      const set = pitch.hitches[end];
      const tied = kitCordOf(context, set.cord, `pitch.hitches.${end}.cord`);
      const type: HitchType | undefined = findHitch(set.type);
      if (type === undefined)
        throw new RigProblem(`pitch.hitches.${end}.type`, 'The catalogue has no such hitch. Choose another.');
      const x = k.at[0] + (end === 0 ? -set.loop : set.loop);
      const room = 0.02;
      if (!(x > room && x < span - room))
        throw new RigProblem(
          'pitch.middle',
          phrase`The roof’s ${end === 0 ? 'first' : 'second'} hitch would be at ${metres(x)}, off a line of ${metres(span)}. Move the roof, shorten the loop or widen the span.`,
        );
      const node = `hitch${end}`;
      nodes.push({ id: node, at: along(x) });
      passes.push({ x, pass: { node, friction: 'locked' } });
      hitches.push({
        type,
        cord: tied.cord,
        kitCord: tied.kitCord,
        host: cordAlong(ridge, x).cord,
        wraps: set.wraps,
        crossed: set.crossed,
        join: set.join,
        laid: set.laid,
        end,
        node,
        set,
      });
      const legs = type.legs;
      const length = Math.hypot(x - k.at[0], along(x)[2] - k.at[2]);
      members.push({
        id: `loop${end}`,
        role: 'loop',
        name: `${end === 0 ? 'first' : 'second'} hitch`,
        ...tied,
        legs,
        haul: pitch.spread,
        reach: null,
        end,
        foot: node,
      });
      lines.push({
        id: `loop${end}`,
        from: node,
        to: nodeOf(k),
        restLength: length,
        curve: [
          [0, 0],
          [1, 1],
        ],
      });
    }
    const [[s0, t0], [s1, t1]] = plan.ridge!;
    const reach = Math.hypot(s1 - s0, t1 - t0);
    for (let n = 0; n < mesh.flat.length / 2 && pitch.line !== 'over'; n++) {
      const [s, t] = [mesh.flat[2 * n]!, mesh.flat[2 * n + 1]!];
      const u = ((s - s0) * (s1 - s0) + (t - t0) * (t1 - t0)) / reach;
      const off = Math.abs((s - s0) * (t1 - t0) - (t - t0) * (s1 - s0)) / reach;
      // its ends are held by their hitches, which may slide
      if (off > 1e-6 || u < 1e-6 || u > reach - 1e-6) continue;
      // through loops the line meets the cloth at its tie-outs only
      if (pitch.line === 'through' && !roof.tieOuts.some((o) => Math.hypot(o.at[0] - s, o.at[1] - t) < 0.03)) continue;
      const at = nodes[n]!.at;
      const on = `on${n}`;
      if (pitch.line === 'through') {
        // hung in its loops by short straps
        nodes[n] = { id: `c${n}`, at: [at[0], at[1], at[2] - LOOP] };
        lines.push({ id: `${THROUGH}${on}`, from: on, to: `c${n}`, restLength: LOOP, axialStiffness: 2000 });
      } else rests.push({ node: `c${n}`, on, friction: CORD_ON_CLOTH.typical, stiffness: LINE_STIFFNESS });
      nodes.push({ id: on, at: along(at[0]) });
      passes.push({ x: at[0], pass: { node: on, friction: 'locked' } });
    }
    for (const h of rig.hung) {
      nodes.push({ id: `hung ${h.id}`, at: along(h.at), load: [0, 0, -h.mass * GRAVITY] });
      passes.push({ x: h.at, pass: { node: `hung ${h.id}`, friction: 'locked' } });
    }
    passes.sort((p, q) => p.x - q.x);
    lumpWeight(nodes, passes, span, cordWeight(cord, false));
    members.push({
      id: 'ridge',
      role: 'ridge',
      name: 'ridgeline',
      kitCord,
      cord,
      legs: 1,
      haul: 0,
      reach: null,
      end: 0,
      foot: 'trunk0',
    });
    lines.push({
      id: 'ridge',
      from: 'trunk0',
      to: 'trunk1',
      restLength: ridge.unstressed.value,
      curve: [
        [0, 0],
        [1, 1],
      ],
      through: passes.map((p) => p.pass),
    });
  }
  // two ends are hauled against each other as a ridgeline is; one corner at a tree against the pegs that draw it out
  const bothTied = layout.reaches.filter((r) => r.kind === 'tie').length > 1;
  for (const r of layout.reaches) {
    const tie = r.kind === 'tie';
    const own = tie ? { kitCord, cord } : kitCordOf(context, r.guy.cord, `pitch.guy.cord`);
    const foot = tie ? `trunk${r.end}` : `foot ${r.key.id}`;
    const length = Math.hypot(...([0, 1, 2] as const).map((c) => r.key.at[c] - r.foot[c]!));
    if (tie && length < 0.1)
      throw new RigProblem('pitch.middle', 'The roof reaches past its trunk. Move it, or choose a wider span.');
    const id = `${r.kind} ${r.key.id}`;
    members.push({
      id,
      role: r.kind,
      name: reachName(r),
      ...own,
      legs: 1,
      haul: tie && bothTied ? ridge.pretension.value : (stayPull(r, ridge.pretension.value) ?? r.guy.haul),
      reach: r,
      end: r.end,
      foot,
    });
    lines.push({
      id,
      from: foot,
      to: nodeOf(r.key),
      restLength: length,
      curve: [
        [0, 0],
        [1, 1],
      ],
    });
  }
  // cloth and all that hangs on the line may come down to the ground, and rest on it
  const stopped = nodes.map((n): NetNode => (MAY_LIE.test(n.id) ? { ...n, overGround: true } : n));
  const panels = panelsOf(mesh, cloth, (roofMass(roof) * GRAVITY) / clothArea(mesh));
  const overhead = withoutFloor(mesh, plan);
  const model: PitchModel = {
    rig,
    context,
    layout,
    ridge,
    cloth,
    mesh,
    overhead,
    neighbours: neighboursOf(overhead),
    net: {
      format: 'rough-bight/net@1',
      nodes: stopped,
      lines,
      struts,
      panels,
      rests,
      stems: trees.stems,
      ground: { at: [0, 0, 0], normal: upFrom(layout.setting.ground), friction: CLOTH_ON_GROUND.typical },
    },
    members,
    hitches,
    ties,
    holds: holdsOf(rig),
    hasRidge,
    buckling,
    curveOf: (m, wet) => {
      const length = m.reach === null ? pitch.hitches[m.end].loop : lengthOf(m.reach);
      const { extension } = ridge;
      const own = memberCurve(m.cord, m.legs, wet, elasticOf({ rig }, m), length);
      return m.role === 'ridge' && extension !== null
        ? inSeries(own, wet ? wetCurve(extension.cord) : dryCurve(extension.cord), extension.share)
        : own;
    },
  };
  return model;
}

/** Pull of a pole's stay that the line alone asks of it, N; null for any other cord. @param line pull of the line along the span, N */
function stayPull(r: Reach, line: number): number | null {
  if (r.key.role.to !== 'stay') return null;
  return (line * lengthOf(r)) / (2 * Math.abs(r.foot[0] - r.key.at[0]));
}

/** The line's own weight, small beside the cloth's, on the nodes it runs through: each bears half of what lies on either side. */
function lumpWeight(
  nodes: NetNode[],
  passes: readonly { x: number; pass: NetPass }[],
  span: number,
  perMetre: number,
): void {
  passes.forEach(({ pass }, k) => {
    const share = ((passes[k + 1]?.x ?? span) - (passes[k - 1]?.x ?? 0)) / 2;
    const i = nodes.findIndex((n) => n.id === pass.node);
    const { load = [0, 0, 0] } = nodes[i]!;
    nodes[i] = { ...nodes[i]!, load: [load[0], load[1], load[2] - perMetre * share] };
  });
}

const lengthOf = (r: Reach): number => Math.hypot(...([0, 1, 2] as const).map((c) => r.key.at[c] - r.foot[c]!));

/** A mesh without the panels whose middles lie in the form's floor. */
function withoutFloor(mesh: Mesh, { keys, floor = [] }: FormPlan): Mesh {
  if (floor.length === 0) return mesh;
  const byId = new Map(keys.map((k) => [k.id, k]));
  const pieces = floor.map((f) => keysOf(f, byId));
  const corners: number[] = [];
  for (let t = 0; t < mesh.corners.length; t += 3) {
    const of = [0, 1, 2].map((k) => mesh.corners[t + k]!);
    const [s, u] = [0, 1].map((c) => of.reduce((sum, n) => sum + mesh.flat[2 * n + c]!, 0) / 3) as [number, number];
    const lies = pieces.some((p) => {
      const [v, w] = inPiece(p, s, u);
      return Math.min(v, w, 1 - v - w) > -1e-9;
    });
    if (!lies) corners.push(...of);
  }
  return { ...mesh, corners: Int32Array.from(corners) };
}

/** The cloth's nodes where its flat pieces lie in space. */
function placeCloth({ plan }: PitchLayout, { flat }: Mesh): NetNode[] {
  const at = placesOf(plan);
  return Array.from({ length: flat.length / 2 }, (_, n): NetNode => ({
    id: `c${n}`,
    at: at(flat[2 * n]!, flat[2 * n + 1]!),
  }));
}

/** Area of the flat cloth, m². */
function clothArea({ flat, corners }: Mesh): number {
  let area = 0;
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [2 * corners[t]!, 2 * corners[t + 1]!, 2 * corners[t + 2]!];
    area +=
      0.5 *
      Math.abs(
        (flat[b]! - flat[a]!) * (flat[c + 1]! - flat[a + 1]!) - (flat[c]! - flat[a]!) * (flat[b + 1]! - flat[a + 1]!),
      );
  }
  return area;
}

function panelsOf(mesh: Mesh, cloth: Cloth, weight: number): NetPanel[] {
  const out: NetPanel[] = [];
  const { flat, corners } = mesh;
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [corners[t]!, corners[t + 1]!, corners[t + 2]!];
    const side = (p: number, q: number): number =>
      Math.hypot(flat[2 * p]! - flat[2 * q]!, flat[2 * p + 1]! - flat[2 * q + 1]!);
    out.push({
      id: `p${t / 3}`,
      corners: [`c${a}`, `c${b}`, `c${c}`],
      rest: [side(a, b), side(b, c), side(c, a)],
      stiffness: cloth.warp.typical,
      poisson: 0,
      weightPerArea: weight,
      weave: {
        // the warp runs along the length: seen from side a-b, turned back by that side's own angle
        angle: -Math.atan2(flat[2 * b + 1]! - flat[2 * a + 1]!, flat[2 * b]! - flat[2 * a]!),
        weft: cloth.weft.typical,
        shear: cloth.shear.typical,
      },
    });
  }
  return out;
}
