import type { Sign } from '../anchor/index.js';
import { diameterOf } from '../anchor/index.js';
import { WOODS, findWood } from '../catalogue/index.js';
import type { Field, Kinded } from '../document/index.js';
import { girthField, listField, nameField, numberField } from '../document/index.js';
import { SUPPORT_LIMITS } from './limits.js';
import type { Mark, Support } from './support.js';
import { PLAIN } from './support.js';
import { guyTree } from './tree-id.js';

/** Height at which a guy is tied to a stem, m: low, so that it hardly bends it. Judgement. */
export const TIED_AT = 0.3;
export const tiedAt = (usual: number): Field<number> => numberField('Tied at', SUPPORT_LIMITS.height, 0.05, usual);

const signs: Field<readonly Sign[]> = { label: 'Look up', usual: [], ask: { as: 'signs' } };
const fields = {
  name: nameField('name of the stem', 'the sapling'),
  wood: listField('Wood', 'wood', WOODS, 'unknown'),
  girth: girthField(SUPPORT_LIMITS.girth, 0.25),
  height: tiedAt(0.15),
  signs,
};
export type Stem = Kinded<'stem', typeof fields>;

/** A stem is drawn so far above its tie, m. */
const SHOWN = 0.9;
const round = (thick: number): string => {
  const r = Math.max(1.4, thick / 2);
  return `M${-r} 0A${r} ${r} 0 1 0 ${r} 0A${r} ${r} 0 1 0 ${-r} 0Z`;
};
const mark: Mark = {
  ink: 'filled',
  above: round,
  side: (thick, metre) => {
    const half = Math.max(0.6, thick / 2);
    return `M${-half} ${TIED_AT * metre}V${-SHOWN * metre}H${half}V${TIED_AT * metre}Z`;
  },
};

/** A tree, sapling or post that one guy has for itself. */
export const stem: Support<Stem> = {
  ...PLAIN,
  name: 'tree or sapling',
  fields,
  called: (s) => [s.name],
  rooted: true,
  shared: 'tree',
  tieHeight: (s) => s.height,
  tree: (_, key) => guyTree(key),
  hold: null,
  problems: (s) =>
    findWood(s.wood) === undefined
      ? [{ field: 'wood', message: `The catalogue has no wood “${s.wood}”. Choose another.` }]
      : [],
  mark,
  solid: (s) => ({ below: s.height, above: SHOWN, thick: diameterOf(s.girth) }),
};
