import { PERSON_GIRTH } from '../catalogue/index.js';
import type { Phrase } from '../quantity/index.js';
import { capital, metres, phrase } from '../quantity/index.js';

/** What a short look-up at a tree can find. Any of them rules it out; none of them passes it. */
export const SIGNS = {
  dead: 'dead',
  'dead-top': 'dead top',
  'hung-branch': 'hung branch',
  leaning: 'leaning badly',
  rocking: 'rocks at the root',
  hollow: 'sounds hollow',
  fungus: 'fungus on stem or foot',
  'shallow-root': 'shallow or lifted roots',
  'loose-bark': 'loose bark',
} as const;
export type Sign = keyof typeof SIGNS;

/** Diameter of a round trunk, m. @param girth m */
export function diameterOf(girth: number): number {
  return girth / Math.PI;
}

/** Bending moment at the foot, N m, of a horizontal pull H (N) at height h (m). */
export function footMoment(horizontal: number, height: number): number {
  return horizontal * height;
}

/** Bending stress at the foot of a solid round trunk: 32 M / (pi d^3), Pa. */
export function footStress(moment: number, diameter: number): number {
  return (32 * moment) / (Math.PI * diameter ** 3);
}

/** How far the trunk gives at height h per newton there: h^3 / (3 E I), I = pi d^4 / 64, m/N. Ground taken as firm. */
export function trunkGive(height: number, diameter: number, modulus: number): number {
  return (64 * height ** 3) / (3 * Math.PI * modulus * diameter ** 4);
}

/** Pressure of cord on bark: tension over radius and the width that lies on it, Pa. */
export function barkPressure(tension: number, diameter: number, width: number): number {
  return tension / (0.5 * diameter * width);
}

/** Why a tree is not to be used: its signs, or that it is too thin to carry a person, m round. */
export type TreeAgainst =
  | { readonly why: 'signs'; readonly tree: string; readonly signs: readonly Sign[] }
  | { readonly why: 'thin'; readonly tree: string; readonly girth: number };

/**
 * Reasons not to use a trunk; none means only that nothing was found.
 * @param person whether a person's weight will hang on it
 */
export function screenTree(
  tree: { readonly name: string; readonly girth: number; readonly signs: readonly Sign[] },
  person: boolean,
): TreeAgainst[] {
  const { name, girth, signs } = tree;
  return [
    ...(signs.length > 0 ? [{ why: 'signs', tree: name, signs } as const] : []),
    ...(person && girth < PERSON_GIRTH ? [{ why: 'thin', tree: name, girth } as const] : []),
  ];
}

/** Why a tree is not to be used. */
export function treeWords(found: TreeAgainst): { readonly says: Phrase; readonly remedy: Phrase | null } {
  const name = capital(found.tree);
  return found.why === 'signs'
    ? {
        says: phrase`${name} is ruled out: ${found.signs.map((s) => SIGNS[s]).join(', ')}.`,
        remedy: phrase`Choose another, or ask an arborist.`,
      }
    : {
        says: phrase`${name} is too thin to carry a person: ${metres(found.girth)} round, at least ${metres(PERSON_GIRTH)} wanted.`,
        remedy: null,
      };
}

/** The same in one breath. */
export function treeSentence(found: TreeAgainst): Phrase {
  const { says, remedy } = treeWords(found);
  return remedy === null ? says : phrase`${says} ${remedy}`;
}

/** How far the trunk moves at one height per newton at another, m/N: the same cantilever. */
export function trunkGiveAt(height: number, pulledAt: number, diameter: number, modulus: number): number {
  const [low, high] = [Math.min(height, pulledAt), Math.max(height, pulledAt)];
  return (32 * low * low * (3 * high - low)) / (3 * Math.PI * modulus * diameter ** 4);
}
