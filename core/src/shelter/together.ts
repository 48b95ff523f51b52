import type { TreeTie } from '../assembly/index.js';
import { tiesOf } from '../assembly/index.js';
import type { HangState } from '../bed/index.js';
import { bedIn, bedNet, bedStateOf, setBed } from '../bed/index.js';
import type { LoadCase } from '../cases/index.js';
import { PITCHED } from '../cases/index.js';
import type { Engine, Net } from '../net/index.js';
import { numbersOf, prepareStructure, solve, structureOf } from '../net/index.js';
import { solveCase } from '../pitch/index.js';
import type { PitchState, TiedRig } from '../pitch/index.js';
import type { Vec3 } from '../quantity/index.js';
import type { RidgeModel } from '../rig/index.js';
import { lineNet, measuredSpan, ridgeModel, ridgeTies, treeOf } from '../rig/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import type { BedModel, Moved } from './bed-model.js';
import { UNMOVED, bedModel } from './bed-model.js';
import { stayTree, strapTree } from './bed-pulls.js';

/** A bed with someone in it, and what else is tied to its trees, at rest together. */
export interface Together {
  readonly bed: HangState;
  readonly moved: Moved;
}

/** Names of the bed's parts in a net that holds more. */
const BED = 'bed ';

/** The bed's own state when somebody lies in it, as the weather is. */
export const lainBed = (model: BedModel, wet: boolean): LoadCase =>
  model.cases.find((c) => c.kind === (wet ? 'soaked' : 'lying'))!;

/** Where the bed is tied to trees of the rig, by the names it has beside the roof. */
function bedTies(model: BedModel, c: LoadCase): TreeTie[] {
  const { rig } = model;
  const h = model.hangOf(c);
  return ([0, 1] as const).flatMap((i): TreeTie[] => {
    const end = rig.bed!.ends[i];
    const tree = strapTree(rig, i);
    if (tree !== null)
      return [{ node: `${BED}tie${i}`, at: h.ends[i].at, tree: treeOf(rig, tree)!, height: end.height }];
    const stays = stayTree(rig, i);
    if (stays === null) return [];
    const stem = treeOf(rig, stays.tree)!;
    return h.ends[i].pole!.stays.map(({ foot }, k) => ({
      node: `${BED}stay${i}${k}`,
      at: foot,
      tree: stem,
      height: stays.height,
    }));
  });
}

/** A net with the bed's beside it, joined by the trees that bear both. */
function joined(model: BedModel, c: LoadCase, net: Net, ties: readonly TreeTie[]): Net {
  const own = bedNet(model.hangOf(c));
  const trees = tiesOf([...ties, ...bedTies(model, c)]);
  const onTree = new Map(trees.nodes.map((n) => [n.id, n]));
  const name = (id: string): string => `${BED}${id}`;
  return {
    ...net,
    nodes: [
      ...net.nodes.map((n) => onTree.get(n.id) ?? n),
      // as it hangs, whatever is beneath
      ...own.nodes.map(({ overGround: _, ...n }) => onTree.get(name(n.id)) ?? { ...n, id: name(n.id) }),
    ],
    lines: [
      ...(net.lines ?? []),
      ...(own.lines ?? []).map((l) => ({ ...l, id: name(l.id), from: name(l.from), to: name(l.to) })),
    ],
    struts: [
      ...(net.struts ?? []),
      ...(own.struts ?? []).map((s) => ({ ...s, id: name(s.id), from: name(s.from), to: name(s.to) })),
    ],
    stems: trees.stems,
  };
}

/** Puts the bed of a joined net where it hangs alone. */
function startBed(model: BedModel, c: LoadCase, { structure: s, state }: Engine): void {
  const alone = model.stateOf(c);
  const put = (id: string, at: Vec3): void => {
    const n = 3 * s.nodeIndex.get(`${BED}${id}`)!;
    for (let d = 0; d < 3; d++) state.x[n + d] = at[d]! - s.origin[d]!;
  };
  alone.line.forEach((at, k) => put(`b${k}`, at));
  alone.ties.forEach((at, i) => put(`tie${i}`, at));
}

/** What the bed came to, and how far its ties were moved by all but itself. */
function readBed(model: BedModel, c: LoadCase, engine: Engine, numbers: ReturnType<typeof numbersOf>): Together {
  const h = model.hangOf(c);
  const bed = bedStateOf(bedIn(engine, BED), h, numbers);
  const moved = ([0, 1] as const).map((i) => {
    const { at, give, pole } = h.ends[i];
    const by = (d: 0 | 1): number => (pole === null ? bed.ties[i][d] - at[d] - give * bed.pull[i][d] : 0);
    return [by(0), by(1)] as const;
  }) as unknown as Moved;
  return { bed, moved };
}

/**
 * A roof with someone in the bed beneath it, solved as one net: cloth, cords, straps, bed and the trees that bear them all.
 * @param c a roof's case in which somebody lies in the bed
 */
export function roofTogether(model: BedModel, tied: TiedRig, c: LoadCase): Together & { readonly roof: PitchState } {
  const bedCase = lainBed(model, c.environment.wet);
  const net = joined(model, bedCase, tied.model.net, tied.model.ties);
  const engine = prepareStructure(structureOf(net, tied.engine.structure.origin));
  const { stood } = tied.pitched;
  if (stood !== null) engine.state.x.set(stood);
  startBed(model, bedCase, engine);
  setBed(bedIn(engine, BED), model.hangOf(bedCase));
  const held = engine.state.x.slice();
  const roof = solveCase({ ...tied, engine, stood: { held } }, c, { from: held });
  return { roof, ...readBed(model, bedCase, engine, roof.numbers) };
}

/** A bare ridgeline over a bed with someone in it, as one net. */
export function lineTogether(model: BedModel, line: RidgeModel): Together & { readonly tension: number } {
  const bedCase = lainBed(model, false);
  const { rig, ground } = model;
  const span = measuredSpan(rig, model.context.body);
  const tie = (i: 0 | 1): Vec3 => [i * span, 0, ground(i * span, 0) + rig.trunks[i].tieHeight];
  const ties = [tie(0), tie(1)] as const;
  const engine = prepareStructure(
    structureOf(joined(model, bedCase, lineNet(line, PITCHED, ties), ridgeTies(rig, ties))),
  );
  startBed(model, bedCase, engine);
  setBed(bedIn(engine, BED), model.hangOf(bedCase));
  engine.solved = true;
  const numbers = numbersOf(engine, solve(engine));
  return {
    tension: numbers.tension[engine.structure.lineId.indexOf('ridge')]!,
    ...readBed(model, bedCase, engine, numbers),
  };
}

/** A bed with what else its rig has, worked out once a case. */
export interface Joint {
  /** The roof in one of its cases in which somebody lies in the bed. */
  readonly lainIn: (tied: TiedRig, c: LoadCase) => PitchState;
  /** Largest tension of the bare ridgeline then, N; null where it comes to no rest. */
  readonly line: () => number | null;
  /** How far the rest has moved the bed's ties, as far as it was worked out; not at all where it came to no rest. */
  readonly moved: (wet: boolean) => Moved;
  /** Whether everything that was worked out came to rest. */
  readonly rests: () => boolean;
}

export function jointOf(rig: RidgeRig, context: RigContext): Joint {
  const model = bedModel(rig, context, { ranges: false });
  const found = new Map<boolean, Together & { readonly tied?: TiedRig; readonly roof?: PitchState }>();
  return {
    lainIn: (tied, c) => {
      const { wet } = c.environment;
      const known = found.get(wet);
      if (known?.tied === tied) return known.roof!;
      const now = roofTogether(model, tied, c);
      found.set(wet, { ...now, tied });
      return now.roof;
    },
    line: () => {
      const now = lineTogether(model, ridgeModel(rig, context, { ranges: false }));
      found.set(false, now);
      return now.bed.converged ? now.tension : null;
    },
    moved: (wet) => {
      const at = found.get(wet) ?? found.get(false);
      return at?.bed.converged === true ? at.moved : UNMOVED;
    },
    rests: () => [...found.values()].every((t) => t.bed.converged),
  };
}
