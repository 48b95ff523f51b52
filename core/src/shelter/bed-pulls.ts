import type { LoadCase } from '../cases/index.js';
import type { TiePull } from '../anchor/index.js';
import type { HangState } from '../bed/index.js';
import type { Vec3 } from '../quantity/index.js';
import { bedStem, holdOfLine, holdsOf, treeOf } from '../rig/index.js';
import type { BearerId, RidgeRig } from '../rig/index.js';
import type { HoldId, TreeId } from '../support/index.js';
import { isHold } from '../support/index.js';
import type { Figure } from '../working/index.js';
import type { BedModel } from './bed-model.js';

/** Level pull of a bed's end on its stem in a case, N. */
export const levelPull = (model: BedModel, c: LoadCase, i: 0 | 1): Figure =>
  model.figure(
    { symbol: 'H_b', title: `level pull of the bed on ${bedStem(model.rig, i).name}`, quantity: 'force' },
    c,
    (s) => Math.hypot(s.pull[i][0], s.pull[i][1]),
  );
/** Weight a bed's end hangs on its stem with, N. */
export const downPull = (model: BedModel, c: LoadCase, i: 0 | 1): Figure =>
  model.figure(
    { symbol: 'V_b', title: `weight of the bed on ${bedStem(model.rig, i).name}`, quantity: 'force' },
    c,
    (s) => -s.pull[i][2],
  );

/** From the foot of a stay to the pole's head it holds, m. */
function stayWay(s: HangState, model: BedModel, i: 0 | 1, k: number): Vec3 {
  const { head } = s.poles[i]!;
  const { foot } = model.hangOf(model.cases[0]!).ends[i].pole!.stays[k]!;
  return [head[0] - foot[0], head[1] - foot[1], head[2] - foot[2]];
}

/** Angle of a stay above level at its anchor, rad. */
export function stayRise(s: HangState, model: BedModel, i: 0 | 1, k: number): number {
  const [x, y, z] = stayWay(s, model, i, k);
  return Math.max(0, Math.atan2(z, Math.hypot(x, y)));
}

/** What a back-stay pulls at the stem it is tied to. @param height of that tie, m */
export function stayPull(
  model: BedModel,
  c: LoadCase,
  i: 0 | 1,
  k: number,
  stem: { readonly name: string; readonly height: number },
): TiePull {
  const state = model.stateOf(c);
  const [x, y] = stayWay(state, model, i, k);
  const level = (s: HangState): number => s.poles[i]!.stays[k]! * Math.cos(stayRise(s, model, i, k));
  const what =
    model.hangOf(c).ends[i].pole!.stays.length === 1 ? 'the back-stay' : `the ${k === 0 ? 'left' : 'right'} back-stay`;
  return {
    level: level(state),
    down: -state.poles[i]!.stays[k]! * Math.sin(stayRise(state, model, i, k)),
    toward: Math.atan2(y, x),
    height: stem.height,
    what,
    figure: () =>
      model.figure({ symbol: 'H', title: `level pull of ${what} on ${stem.name}`, quantity: 'force' }, c, level),
  };
}

/** The tree that an end's strap goes round; null for a pole. */
export function strapTree(rig: RidgeRig, i: 0 | 1): TreeId | null {
  const { kind } = rig.bed!.ends[i].anchor;
  return kind === 'pole' ? null : `${kind === 'trunk' ? 'trunk' : 'bed-stem'}${i}`;
}

/** The tree of the rig that an end's back-stays are tied to, and how high; null where they are not. */
export function stayTree(rig: RidgeRig, i: 0 | 1): { readonly tree: TreeId; readonly height: number } | null {
  const { anchor } = rig.bed!.ends[i];
  return anchor.kind === 'pole' && anchor.anchor.kind === 'tree' ? anchor.anchor : null;
}

/** What holds an end's back-stays and other lines, or both stays together; null where each has one of its own, or a tree. */
export function stayHold(rig: RidgeRig, i: 0 | 1): HoldId | null {
  const { anchor } = rig.bed!.ends[i];
  return anchor.kind === 'pole' ? holdOfLine(holdsOf(rig), `stays${i}`, anchor.anchor) : null;
}

/** Trees that bear something of the bed, by a strap or a back-stay, and what else holds its stays with other lines. */
export function bearersUnderBed(rig: RidgeRig): BearerId[] {
  const ids = ([0, 1] as const).map((i) => strapTree(rig, i) ?? stayTree(rig, i)?.tree ?? stayHold(rig, i));
  return [...new Set(ids)].filter((id): id is BearerId => id !== null && (isHold(id) || treeOf(rig, id) !== null));
}

/** Everything of the bed that pulls at a tree, or at what else holds more than one line, in a case. */
export function bedPullsOn(model: BedModel, id: BearerId, c: LoadCase): TiePull[] {
  const { rig } = model;
  const name = isHold(id) ? 'what holds it' : treeOf(rig, id)!.name;
  const state = model.stateOf(c);
  return ([0, 1] as const).flatMap((i): TiePull[] => {
    if (strapTree(rig, i) === id) {
      const [x, y, z] = state.pull[i];
      return [
        {
          level: Math.hypot(x, y),
          down: -z,
          toward: Math.atan2(y, x),
          height: rig.bed!.ends[i].height,
          what: 'the bed',
          figure: () => levelPull(model, c, i),
        },
      ];
    }
    const tied = stayTree(rig, i);
    if ((tied?.tree ?? stayHold(rig, i)) !== id) return [];
    return state.poles[i]!.stays.map((_, k) => stayPull(model, c, i, k, { name, height: tied?.height ?? 0 }));
  });
}
