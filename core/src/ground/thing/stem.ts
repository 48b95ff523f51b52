import type { Sign } from '../../anchor/index.js';
import { SIGNS, diameterOf, screenTree, treeHoldFigure, treeHolds } from '../../anchor/index.js';
import { findWood } from '../../catalogue/index.js';
import { girthField, numberField } from '../../document/index.js';
import { metres, phrase } from '../../quantity/index.js';
import { TRUNK_FACTOR } from '../../strength/index.js';
import { TIED_AT } from '../../support/index.js';
import { derive } from '../../working/index.js';
import { PLACE_LIMITS } from '../limits.js';
import type { ThingOf } from './base.js';
import { signsField, woodField } from './base.js';
import type { Kind, MayHold } from './kind.js';
import { PLAIN } from './kind.js';

const fieldsOf = (girth: number, height: number) => ({
  wood: woodField,
  girth: girthField(PLACE_LIMITS.girth, girth),
  height: numberField('Height', PLACE_LIMITS.height, 0.5, height, 'what could fall'),
  signs: signsField,
});
const treeFields = fieldsOf(0.6, 12);
const saplingFields = fieldsOf(0.2, 4);
export type Tree = ThingOf<'tree', typeof treeFields>;
export type Sapling = ThingOf<'sapling', typeof saplingFields>;
type Stem = Tree | Sapling;

/** Signs by which the whole stem may come down, those by which its top may, as far as it is high, and those by which something above may. */
const STEM_SIGNS: readonly Sign[] = ['dead', 'leaning', 'rocking', 'hollow', 'fungus', 'shallow-root'];
const TOP_SIGNS: readonly Sign[] = ['dead-top'];
const CROWN_SIGNS: readonly Sign[] = ['hung-branch'];

const SCREEN = 'A sound, solid stem on firm roots. It screens out, it never passes: look up, knock and push.';
const may: MayHold<Stem> = {
  pull: (t, soil, height) => {
    const wood = findWood(t.wood);
    return wood === undefined ? 0 : treeHolds(diameterOf(t.girth), wood, { soil, wet: true }) / TRUNK_FACTOR / height;
  },
  figure: (t, soil, at, name) =>
    derive(
      { ...name, formula: `H_may = R / (${TRUNK_FACTOR} h)`, notes: [SCREEN] },
      [treeHoldFigure(t.name, diameterOf(t.girth), findWood(t.wood)!, { soil, wet: true }), at],
      (R, h) => R! / (TRUNK_FACTOR * h!),
    ),
};

const standing = {
  ...PLAIN,
  half: (t: Stem) => t.girth / (2 * Math.PI),
  may,
  against: (t: Stem, person: boolean) => screenTree(t, person),
  support: ({ name, wood, girth, signs }: Stem) =>
    ({ kind: 'stem', name, wood, girth, height: TIED_AT, signs }) as const,
  trunk: ({ wood, signs }: Stem) => ({ wood, signs, onWord: false }),
  falls: ({ height, signs }: Stem) => {
    const any = (of: readonly Sign[]): boolean => signs.some((s) => of.includes(s));
    const whole = any(STEM_SIGNS) || any(TOP_SIGNS);
    return whole || any(CROWN_SIGNS) ? { height, whole } : null;
  },
  known: (t: Stem) => {
    const out = t.signs.length > 0 ? `; ruled out: ${t.signs.map((s) => SIGNS[s]).join(', ')}` : '';
    return phrase`${findWood(t.wood)?.name ?? t.wood}, ${metres(t.girth)} round${out}`;
  },
};

/** Standing wood; `height` is what could fall, `signs` only ever rule it out. */
export const tree: Kind<Tree> = { ...standing, name: 'tree', fields: treeFields, bulk: 'stands', ends: true };
export const sapling: Kind<Sapling> = { ...standing, name: 'sapling', fields: saplingFields, bulk: 'lies' };
