import { poseOf, saidOf, shockOf } from '../cases/index.js';
import type { LoadCase } from '../cases/index.js';
import type { TiePull } from '../anchor/index.js';
import { momentFigure } from '../anchor/index.js';
import { treeOf } from '../rig/index.js';
import type { Bearer, BearerId, Row } from '../rig/index.js';
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
  readonly pulls: readonly TiePull[];
}

/** What something bears of everything at once, in one case of the roof and one of the bed. */
export interface BearerLoad {
  readonly caseId: string;
  readonly said: string;
  /** Pulls of the roof and of the bed, N, and both together: a tree's are level. */
  readonly roof: number;
  readonly bed: number;
  readonly pull: number;
  /** Weight on it, N. */
  readonly down: number;
  /** What is asked of it: moment at a tree's foot, N m; else the pull again. */
  readonly asked: number;
}

/** A tree under roof and bed, or what else holds lines of both: case by case, and where it is worst. */
export interface BearerUnder {
  readonly id: BearerId;
  readonly name: string;
  readonly role: Bearer['role'];
  readonly loads: readonly BearerLoad[];
  /** In the case that leaves it least: pull, what is asked of it, and weight on it, N. */
  readonly worst: { readonly said: string; readonly pull: Figure; readonly asked: Figure; readonly down: number };
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
 * One tree, or what else holds more than one line, under everything: its row, and what it bears case by case.
 * @param others what else pulls at it, in every case of its own
 * @returns null where no case comes to rest, or nothing is known against it
 */
export function bearerUnder(
  model: BedModel,
  bearer: Bearer,
  cases: readonly LoadCase[],
  others: readonly OtherPulls[],
): { readonly row: Row; readonly under: BearerUnder } | null {
  const { rig, context } = model;
  const { id, name } = bearer;
  const wetIn = (pair: Pair): boolean => pair.bed.environment.wet || pair.other?.wet === true;
  const loads = new Map<string, BearerLoad>();
  let worst: { pair: Pair; pulls: readonly TiePull[]; available: Figure; ratio: number } | null = null;
  for (const pair of pairs(cases, others)) {
    const bed = bedPullsOn(model, id, pair.bed);
    const roof = pair.other?.pulls ?? [];
    const pulls = [...roof, ...bed];
    const asked = bearer.asks(pulls);
    const demand: Figure = { symbol: 'S', title: 'what is asked of it', quantity: 'force', value: asked };
    const available = bearer.available(pulls, wetIn(pair));
    if (available === null) continue;
    const { ratio } = ratioFor(
      rig.designRule === 'chance' ? 'factor' : rig.designRule,
      { kind: bearer.link.kind, demand, available },
      context.required,
      'person',
      shockOf(pair.bed) !== null,
    );
    if (model.stateOf(pair.bed).converged && (worst === null || ratio < worst.ratio))
      worst = { pair, pulls, available, ratio };
    const key = `${pair.other?.group ?? ''}+${pair.bed.id}`;
    // of the gusts of one group the hardest is told
    if ((loads.get(key)?.asked ?? -1) >= asked) continue;
    loads.set(key, {
      caseId: idOf(pair),
      said: saidFor(pair),
      roof: bearer.size(roof),
      bed: bearer.size(bed),
      pull: bearer.size(pulls),
      down: pulls.reduce((sum, p) => sum + p.down, 0),
      asked,
    });
  }
  if (worst === null) return null;
  const { pair, pulls, available } = worst;
  const said = `, ${saidFor(pair)}`;
  const { kind, name: place } = bearer.link;
  const asked = bearer.demand(pulls, said);
  const l = link(id, kind, place, idOf(pair), asked, available);
  const pull = bearer.pull(pulls, said);
  return {
    row: {
      id,
      name,
      what: bearer.what,
      role: bearer.role,
      demand: pull,
      pitched: loads.get('pitched+lying')?.pull ?? loads.get('ridge+lying')?.pull ?? pull.value,
      links: [judgedBy({ designRule: rig.designRule, use: 'person' }, context.required, shockOf(pair.bed) !== null)(l)],
      unstressed: null,
      cut: null,
    },
    under: {
      id,
      name,
      role: bearer.role,
      loads: [...loads.values()],
      worst: {
        said: saidFor(pair),
        pull,
        asked,
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

const idOf = (p: Pair): string => (p.other === null ? p.bed.id : `${p.other.caseId}+${p.bed.id}`);
const saidFor = (p: Pair): string => (p.other === null ? saidOf(p.bed) : `${p.other.said}, ${saidOf(p.bed)}`);
