import { poseOf, saidOf, shockOf } from '../cases/index.js';
import type { LoadCase } from '../cases/index.js';
import type { StemPull } from '../anchor/index.js';
import { diameterOf, levelFigure, levelOn, momentFigure, momentOn, treeHoldFigure } from '../anchor/index.js';
import { findWood } from '../catalogue/index.js';
import { soilOf, treeOf } from '../rig/index.js';
import type { Row } from '../rig/index.js';
import { judgedBy, link, ratioFor } from '../strength/index.js';
import type { TreeId } from '../support/index.js';
import type { Figure } from '../working/index.js';
import type { BedModel } from './bed-model.js';
import { bedPullsOn } from './bed-pulls.js';

/** What everything but the bed pulls at a tree, in one of its own cases. */
export interface OtherPulls {
  readonly caseId: string;
  /** As the end of a sentence. */
  readonly said: string;
  readonly wet: boolean;
  readonly settled: boolean;
  /** What it is told with: of all gusts of one group the hardest alone. */
  readonly group: string;
  /** Ridge, ties and guys, each at its own height. */
  readonly pulls: readonly StemPull[];
}

/** What a trunk bears of everything at once, in one case of the roof and one of the bed. */
export interface TrunkLoad {
  readonly caseId: string;
  readonly said: string;
  /** Level pulls of the roof and of the bed, N, and both together; weight on it, N; moment at its foot, N m. */
  readonly roof: number;
  readonly bed: number;
  readonly level: number;
  readonly down: number;
  readonly moment: number;
}

/** A tree under roof and bed: case by case, and where it is worst. */
export interface TrunkUnder {
  readonly id: TreeId;
  readonly name: string;
  readonly loads: readonly TrunkLoad[];
  /** In the case that leaves it least: level pull and moment at its foot, and weight on it, N. */
  readonly worst: { readonly said: string; readonly level: Figure; readonly moment: Figure; readonly down: number };
}

interface Pair {
  readonly other: OtherPulls | null;
  readonly bed: LoadCase;
}

const calmest = (others: readonly OtherPulls[]): OtherPulls | null =>
  others.find((o) => !o.wet && !o.settled) ?? others[0] ?? null;

/** Which states of the bed stand with which of the roof's: someone lies in it through all of them, and gets in and out as pitched. */
function pairs(cases: readonly LoadCase[], others: readonly OtherPulls[]): Pair[] {
  const lying = cases.filter((c) => c.occupancy === 'lying');
  const calm = calmest(others);
  const out: Pair[] = cases
    .filter((c) => poseOf(c) !== 'empty')
    .map((bed) => ({ other: (bed.environment.wet ? others.find((o) => o.wet) : undefined) ?? calm, bed }));
  for (const other of others) {
    const bed =
      lying.find((c) => c.environment.wet === other.wet && c.since > 0 === (other.wet || other.settled)) ?? lying[0];
    if (bed !== undefined && !out.some((p) => p.other === other && p.bed === bed)) out.push({ other, bed });
  }
  return out;
}

/**
 * One tree under everything: its row, and what it bears case by case.
 * @param others what else pulls at it, in every case of its own
 * @returns null where it stands on somebody's word, or no case comes to rest
 */
export function trunkUnder(
  model: BedModel,
  id: TreeId,
  cases: readonly LoadCase[],
  others: readonly OtherPulls[],
): { readonly row: Row; readonly under: TrunkUnder } | null {
  const { rig, context } = model;
  const tree = treeOf(rig, id)!;
  if (tree.standsOnWord) return null;
  const { name } = tree;
  const wood = findWood(tree.wood)!;
  const d = diameterOf(tree.girth);
  const soil = soilOf(rig);
  const dry = treeHoldFigure(name, d, wood, { soil, wet: false });
  const soaked = treeHoldFigure(name, d, wood, { soil, wet: true });
  const holds = (pair: Pair): Figure => (pair.bed.environment.wet || pair.other?.wet === true ? soaked : dry);
  const loads = new Map<string, TrunkLoad>();
  let worst: { pair: Pair; pulls: readonly StemPull[]; ratio: number } | null = null;
  for (const pair of pairs(cases, others)) {
    const bed = bedPullsOn(model, id, pair.bed);
    const roof = pair.other?.pulls ?? [];
    const pulls = [...roof, ...bed];
    const moment = momentOn(pulls);
    const demand = plain('M', 'bending at the foot', 'moment', moment);
    const { ratio } = ratioFor(
      rig.designRule === 'chance' ? 'factor' : rig.designRule,
      { kind: 'trunk', demand, available: holds(pair) },
      context.required,
      'person',
      shockOf(pair.bed) !== null,
    );
    if (model.stateOf(pair.bed).converged && (worst === null || ratio < worst.ratio)) worst = { pair, pulls, ratio };
    const key = `${pair.other?.group ?? ''}+${pair.bed.id}`;
    // of the gusts of one group the hardest is told
    if ((loads.get(key)?.moment ?? -1) >= moment) continue;
    loads.set(key, {
      caseId: idOf(pair),
      said: saidFor(pair),
      roof: levelOn(roof),
      bed: levelOn(bed),
      level: levelOn(pulls),
      down: pulls.reduce((sum, p) => sum + p.down, 0),
      moment,
    });
  }
  if (worst === null) return null;
  const { pair, pulls } = worst;
  const said = `, ${saidFor(pair)}`;
  const l = link(id, 'trunk', `foot of ${name}`, idOf(pair), momentFigure(name, pulls, said), holds(pair));
  const level = levelFigure(name, pulls, said);
  return {
    row: {
      id,
      name,
      what: wood.name,
      role: 'trunk',
      demand: level,
      pitched: loads.get('pitched+lying')?.level ?? loads.get('ridge+lying')?.level ?? level.value,
      links: [judgedBy({ designRule: rig.designRule, use: 'person' }, context.required, shockOf(pair.bed) !== null)(l)],
      unstressed: null,
      cut: null,
    },
    under: {
      id,
      name,
      loads: [...loads.values()],
      worst: {
        said: saidFor(pair),
        level,
        moment: momentFigure(name, pulls, said),
        down: pulls.reduce((sum, p) => sum + p.down, 0),
      },
    },
  };
}

/** Bending at the foot of a tree with someone lying in the bed under the roof as pitched; null where nothing of it bends. */
export function lyingMoment(
  model: BedModel,
  id: TreeId | null,
  lying: LoadCase,
  others: readonly OtherPulls[],
): Figure | null {
  const tree = id === null ? null : treeOf(model.rig, id)!;
  if (tree === null || tree.standsOnWord) return null;
  return momentFigure(tree.name, [...(calmest(others)?.pulls ?? []), ...bedPullsOn(model, tree.id, lying)], ', lying');
}

const plain = (symbol: string, title: string, quantity: Figure['quantity'], value: number): Figure => ({
  symbol,
  title,
  quantity,
  value,
});
const idOf = (p: Pair): string => (p.other === null ? p.bed.id : `${p.other.caseId}+${p.bed.id}`);
const saidFor = (p: Pair): string => (p.other === null ? saidOf(p.bed) : `${p.other.said}, ${saidOf(p.bed)}`);
