import type { Sign } from '../anchor/index.js';
import { branchGive, diameterOf, trunkGive } from '../anchor/index.js';
import type { TreeTie } from '../assembly/index.js';
import { findWood } from '../catalogue/index.js';
import type { Problem } from '../document/index.js';
import type { BodyMeasures, Vec3 } from '../quantity/index.js';
import type { PitchForm } from '../roof/index.js';
import { PITCH_TRAITS } from '../roof/index.js';
import type { GuyAnchor, TreeId } from '../support/index.js';
import { guyTree, isGuyTree, keyOfGuyTree, supportOf } from '../support/index.js';
import type { BedAnchor } from './bed-document.js';
import { bedProblems } from './bed.js';
import { holdProblems, toldAnchors } from './holds.js';
import type { RigContext } from './pitch.js';
import { guyOf, pitchProblems } from './pitch.js';
import { measuredSpan, problemsOf } from './ridge.js';
import type { RidgeRig, Trunk } from './rig-document.js';
import { lumpWide } from './stand.js';

/** A tree of the rig, to which more than one thing may be tied. */
export interface RigTree {
  readonly id: TreeId;
  readonly name: string;
  readonly wood: string;
  /** m round. */
  readonly girth: number;
  readonly signs: readonly Sign[];
  /** It is no stem to bend: that it holds is judged on the ground, or with the stays that hold it. */
  readonly standsOnWord: boolean;
}

/** Whether a trunk is a rooted stem, which bends and is judged at its foot. */
export const isStem = ({ standsOnWord, stand }: Pick<Trunk, 'standsOnWord' | 'stand'>): boolean =>
  standsOnWord !== true && stand === undefined;

/** What a line is tied to as a body in space: how far it rises over its foot, how wide it is there, and how far aside of the line it stands, to the left, m. */
export interface Upright {
  readonly as: 'stem' | 'pole' | 'lump';
  readonly rises: number;
  readonly wide: number;
  readonly aside: number;
}

/** A pole ends, and a lump reaches, a hand over what is tied to it, m. */
const OVER_TIE = 0.1;
/** @param shown how far a stem, which goes on, is drawn over its tie, m */
export function uprightOf({ stand, branch, tieHeight, girth }: Trunk, shown: number): Upright {
  // a line over a branch runs past its stem
  const aside = branch?.out ?? 0;
  const rises = tieHeight + OVER_TIE;
  if (stand?.kind === 'lump') {
    const wide = lumpWide(stand.mass);
    return { as: 'lump', rises: Math.max(wide, rises), wide, aside };
  }
  const wide = diameterOf(girth);
  return stand?.kind === 'pole'
    ? { as: 'pole', rises, wide, aside }
    : { as: 'stem', rises: tieHeight + shown, wide, aside };
}

/** How far a trunk gives where the line is tied, m/N: its stem, and the branch that the line goes over. @param modulus of its wood, Pa */
export const giveOfTrunk = (trunk: Trunk, modulus: number): number =>
  (isStem(trunk) ? trunkGive(trunk.tieHeight, diameterOf(trunk.girth), modulus) : 0) + besidesStem(trunk, modulus);

/** What a branch adds to that. */
export const besidesStem = ({ branch }: Pick<Trunk, 'branch'>, modulus: number): number =>
  branch === undefined ? 0 : branchGive(branch, modulus);

/** A trunk's tie as a net has it. @param at m */
export const trunkTie = (rig: RidgeRig, i: 0 | 1, at: Vec3): TreeTie => ({
  node: `trunk${i}`,
  at,
  tree: treeOf(rig, `trunk${i}`)!,
  height: rig.trunks[i].tieHeight,
  besides: besidesStem(rig.trunks[i], findWood(rig.trunks[i].wood)?.modulus.typical ?? Infinity),
});

/** A tree of the rig by its id; null where nothing of the rig is tied to such a one. */
export function treeOf(rig: RidgeRig, id: TreeId): RigTree | null {
  if (id === 'trunk0' || id === 'trunk1') {
    const trunk = rig.trunks[id === 'trunk0' ? 0 : 1];
    const { name, wood, girth, signs } = trunk;
    return { id, name, wood, girth, signs, standsOnWord: !isStem(trunk) };
  }
  const anchor = id === 'bed-stem0' || id === 'bed-stem1' ? bedAnchor(rig, id) : guyAnchor(rig, id);
  if (anchor?.kind !== 'stem') return null;
  const { name, wood, girth, signs } = anchor;
  return { id, name, wood, girth, signs, standsOnWord: false };
}

const bedAnchor = (rig: RidgeRig, id: 'bed-stem0' | 'bed-stem1'): BedAnchor | undefined =>
  rig.bed?.ends[id === 'bed-stem0' ? 0 : 1].anchor;
/** What holds the guy that a tree is told with; a guy left off holds nothing. */
function guyAnchor(rig: RidgeRig, id: TreeId): GuyAnchor | undefined {
  if (rig.pitch === undefined) return undefined;
  const guy = guyOf(rig.pitch, keyOfGuyTree(id));
  return guy.off ? undefined : guy.anchor;
}

/** Every tree of the rig: its trunks, those of the bed's ends, those that guys have of their own. */
export function treesOf(rig: RidgeRig): RigTree[] {
  const ids: TreeId[] = [
    'trunk0',
    'trunk1',
    'bed-stem0',
    'bed-stem1',
    ...Object.keys(rig.pitch?.own ?? {})
      .filter((key) => rig.pitch!.own[key]!.anchor?.kind === 'stem')
      .map(guyTree),
  ];
  return ids.flatMap((id) => treeOf(rig, id) ?? []);
}

/** Where a tree stands on the plan, m; null for one that a guy has where the cloth leads it. */
export function treeAt(rig: RidgeRig, body: BodyMeasures, id: TreeId): readonly [x: number, y: number] | null {
  if (id === 'trunk0') return [0, 0];
  if (id === 'trunk1') return [measuredSpan(rig, body), 0];
  if (id === 'bed-stem0' || id === 'bed-stem1') {
    const anchor = bedAnchor(rig, id);
    return anchor?.kind === 'stem' ? anchor.at : null;
  }
  return rig.pitch === undefined ? null : guyOf(rig.pitch, keyOfGuyTree(id)).foot;
}

/** The tree that an anchor is on and how high on it, m, by the key of its guy; null where it is on none. */
export function tiedTo(anchor: GuyAnchor, key: string): { readonly tree: TreeId; readonly height: number } | null {
  const kind = supportOf(anchor);
  const tree = kind.tree(anchor, key);
  return tree === null ? null : { tree, height: kind.tieHeight(anchor) };
}

/** Trunks that a form's ridge or ends are tied to. */
export function trunksOfForm(form: PitchForm): readonly (0 | 1)[] {
  const { hangs } = PITCH_TRAITS[form];
  return hangs === 'alone' ? [] : hangs === 'first' ? [0] : [0, 1];
}

/** Trunks that anything of a pitched rig is tied to: its form, its bed, a guy or a back-stay. */
export function trunksUsed(rig: RidgeRig): (0 | 1)[] {
  const { pitch, bed } = rig;
  const told = toldAnchors(rig);
  return ([0, 1] as const).filter(
    (i) =>
      pitch === undefined ||
      trunksOfForm(pitch.form).includes(i) ||
      bed?.ends[i].anchor.kind === 'trunk' ||
      told.some(({ anchor: a }) => a.kind === 'tree' && a.tree === `trunk${i}`),
  );
}

/** A tree that is not there, in words. */
function whose(id: TreeId): string {
  if (isGuyTree(id)) return 'the tree of another guy';
  return `the tree of the bed’s ${id === 'bed-stem0' ? 'first' : 'second'} end`;
}

/** What is tied to a tree that the rig does not have: each with the field and the remedy. */
export function treeProblems(rig: RidgeRig): Problem[] {
  const standing = ([0, 1] as const).filter((i) => rig.trunks[i].stand?.kind === 'pole');
  const onPole = (i: 0 | 1, field: string, what: string): Problem => ({
    field,
    message: `A ${what} is tied to ${rig.trunks[i].name}, a pole that stands by the ridgeline’s own stays. Give it something of its own.`,
  });
  const beds = standing.flatMap((i) =>
    ([0, 1] as const).flatMap((end) =>
      rig.bed?.ends[end].anchor.kind === 'trunk' && end === i ? [onPole(i, `bed.ends.${end}.anchor.kind`, 'bed')] : [],
    ),
  );
  const told = toldAnchors(rig).flatMap(({ field, what, anchor }): Problem[] => {
    const pole = anchor.kind === 'tree' ? standing.find((i) => anchor.tree === `trunk${i}`) : undefined;
    if (pole !== undefined) return [onPole(pole, `${field}.tree`, what)];
    if (anchor.kind !== 'tree' || treeOf(rig, anchor.tree) !== null) return [];
    return [
      {
        field: `${field}.tree`,
        message: `A ${what} is tied to ${whose(anchor.tree)}, which is not there. Choose another tree for it, or what else holds it.`,
      },
    ];
  });
  return [...beds, ...told];
}

/** Everything that does not fit together in a rig, first the line, then its roof, then its bed. */
export function rigProblems(rig: RidgeRig, context: RigContext): Problem[] {
  return [
    ...problemsOf(rig, context),
    ...pitchProblems(rig, context),
    ...bedProblems(rig, context),
    ...treeProblems(rig),
    ...holdProblems(rig),
  ];
}
