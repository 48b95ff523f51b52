import type { TiePull } from '../anchor/index.js';
import {
  diameterOf,
  levelFigure,
  levelOn,
  momentFigure,
  momentOn,
  pullFigure,
  pullOn,
  riseOn,
  treeHoldFigure,
  treeHolds,
} from '../anchor/index.js';
import { findSoil, findWood } from '../catalogue/index.js';
import type { Link } from '../strength/index.js';
import type { HoldId, KitPegs, LineId, TreeId } from '../support/index.js';
import { holdOf, isHold, lineOfHold, supportOf } from '../support/index.js';
import type { Figure } from '../working/index.js';
import { soilOf } from './bed.js';
import { anchorOf } from './holds.js';
import type { RidgeRig } from './rig-document.js';
import type { Role } from './row.js';
import { treeOf } from './trees.js';

/** A tree of the rig, or what else holds more than one of its lines. */
export type BearerId = TreeId | HoldId;

/** What bears all that is tied to it at once, in whatever part of the rig that is. Pulls in N, moments in N m. */
export interface Bearer {
  readonly id: BearerId;
  readonly name: string;
  /** What it is: the wood, the kind. */
  readonly what: string;
  readonly role: Extract<Role, 'trunk' | 'hold'>;
  /** Where it gives. */
  readonly link: Pick<Link, 'kind' | 'name'>;
  /** What is asked of it there: a moment at a tree's foot, else the pull. @param said the case, as the end of a title */
  readonly asks: (pulls: readonly TiePull[]) => number;
  readonly demand: (pulls: readonly TiePull[], said?: string) => Figure;
  /** Its pull as its row tells it: a tree's level, else the whole. */
  readonly size: (pulls: readonly TiePull[]) => number;
  readonly pull: (pulls: readonly TiePull[], said?: string) => Figure;
  /** What it holds of these; null where nothing is known against it. */
  readonly holds: (pulls: readonly TiePull[], wet: boolean) => number | null;
  readonly available: (pulls: readonly TiePull[], wet: boolean) => Figure | null;
}

/**
 * @param called what a line is called in a sentence
 * @returns null for a tree that stands on somebody's word
 */
export const bearerOf = (
  rig: RidgeRig,
  pegs: readonly KitPegs[],
  id: BearerId,
  called: (line: LineId) => string,
): Bearer | null => (isHold(id) ? holdBearer(rig, pegs, id, called(lineOfHold(id))) : treeBearer(rig, id));

function treeBearer(rig: RidgeRig, id: TreeId): Bearer | null {
  const { standsOnWord, name, wood: woodId, girth } = treeOf(rig, id)!;
  if (standsOnWord) return null;
  const wood = findWood(woodId)!;
  const d = diameterOf(girth);
  const soil = soilOf(rig);
  const figures = new Map<boolean, Figure>();
  return {
    id,
    name,
    what: wood.name,
    role: 'trunk',
    link: { kind: 'trunk', name: `foot of ${name}` },
    asks: momentOn,
    demand: (pulls, said) => momentFigure(name, pulls, said),
    size: levelOn,
    pull: (pulls, said) => levelFigure(name, pulls, said),
    holds: (_, wet) => treeHolds(d, wood, { soil, wet }),
    available: (_, wet) => {
      if (!figures.has(wet)) figures.set(wet, treeHoldFigure(name, d, wood, { soil, wet }));
      return figures.get(wet)!;
    },
  };
}

function holdBearer(rig: RidgeRig, pegs: readonly KitPegs[], id: HoldId, line: string): Bearer {
  const anchor = anchorOf(rig, lineOfHold(id))!;
  const kind = supportOf(anchor).name;
  const held = holdOf(anchor, { soil: findSoil(soilOf(rig))!, pulls: rig.pitch?.pulls ?? [] }, pegs, `with ${line}`)!;
  const name = 'name' in anchor ? anchor.name : `the ${kind} of ${line}`;
  return {
    id,
    name,
    what: kind,
    role: 'hold',
    link: { kind: 'anchor', name: held.name },
    asks: pullOn,
    demand: (pulls, said) => pullFigure(name, pulls, said),
    size: pullOn,
    pull: (pulls, said) => pullFigure(name, pulls, said),
    holds: (pulls, wet) => held.held(riseOn(pulls), wet),
    available: (pulls, wet) => held.holds(riseOn(pulls), wet),
  };
}
