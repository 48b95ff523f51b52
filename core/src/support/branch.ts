import { BRANCH_LIMITS, branchFigure, branchGive, branchHolds } from '../anchor/index.js';
import { BRANCH_SOUND, WOODS, findWood } from '../catalogue/index.js';
import { IN_HAND } from '../cordage/index.js';
import type { Kinded } from '../document/index.js';
import { listField, nameField, numberField } from '../document/index.js';
import type { Support } from './support.js';
import { PLAIN } from './support.js';

const fields = {
  name: nameField('name of the branch', 'the branch'),
  wood: listField('Wood', 'wood', WOODS, 'unknown'),
  thickness: numberField('Thick', BRANCH_LIMITS.thickness, 0.01, 0.12, 'where it leaves the stem'),
  out: numberField('Out', BRANCH_LIMITS.out, 0.1, 0.8, 'from the stem to the line'),
  height: numberField('Height', BRANCH_LIMITS.height, 0.1, 3.5, 'over the ground'),
};
export type OverBranch = Kinded<'branch', typeof fields>;

/** A cord goes up over a branch and down again to be made fast: both legs pull on it. */
const BOTH_LEGS = 2;
const woodOf = (s: OverBranch) => findWood(s.wood) ?? findWood('unknown')!;

/** A branch that a cord is thrown over. */
export const branch: Support<OverBranch> = {
  ...PLAIN,
  name: 'branch overhead',
  fields,
  called: (s) => [s.name],
  rooted: true,
  overhead: true,
  tieHeight: (s) => s.height,
  gives: (s) => BOTH_LEGS * branchGive(s, woodOf(s).modulus.typical),
  runsOn: (s) => s.height - IN_HAND,
  hold: (s) => {
    const held = branchHolds(s, woodOf(s).strength.typical, BRANCH_SOUND.typical) / BOTH_LEGS;
    return { name: s.name, held: () => held, holds: () => branchFigure(s.name, s, woodOf(s), BOTH_LEGS) };
  },
  problems: (s) =>
    findWood(s.wood) === undefined
      ? [{ field: 'wood', message: `The catalogue has no wood “${s.wood}”. Choose another.` }]
      : [],
  mark: {
    ink: 'outline',
    above: (_, metre) => `M${-0.5 * metre} 0H${0.5 * metre}`,
    side: (_, metre) => `M${-0.5 * metre} 0H${0.5 * metre}M${-0.3 * metre} 0L${-0.42 * metre} ${-0.14 * metre}`,
  },
  solid: (s) => ({ below: s.thickness / 2, above: s.thickness / 2, thick: 0.3 }),
};
