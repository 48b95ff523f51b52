import { bestRise, ganged, pegFigure, pegHolds, soilNumbers } from '../anchor/index.js';
import type { PegShape, Soil } from '../catalogue/index.js';
import { PULL_SPREAD, findPeg } from '../catalogue/index.js';
import type { Field, Kinded, Problem } from '../document/index.js';
import { countField, numberField, problem } from '../document/index.js';
import { amount, metres, phrase } from '../quantity/index.js';
import { given } from '../working/index.js';
import type { KitPegs, PegPull } from './document.js';
import { SUPPORT_LIMITS } from './limits.js';
import type { Hold, Support } from './support.js';
import { PLAIN } from './support.js';

/** Height of the cord on a peg, and of what stands out above it, m. */
export const PEG_ARM = 0.03;
const HEAD = 0.02;

const pegs: Field<string> = { label: 'Pegs', usual: '', ask: { as: 'kit', list: 'pegs' } };
const fields = {
  pegs,
  inLine: countField('In line', SUPPORT_LIMITS.inLine, 1, 'behind one another'),
  lean: numberField('Leans', SUPPORT_LIMITS.lean, 0.087, 0.35, 'away from the pull'),
};
export type Peg = Kinded<'peg', typeof fields>;

/** One peg, or some behind one another, driven into the ground. */
export const peg: Support<Peg> = {
  ...PLAIN,
  name: 'peg',
  fields,
  called: ({ pegs: of, inLine, lean }, kit) => {
    const many = ['no', 'one', 'two', 'three', 'four'][inLine] ?? String(inLine);
    const name = kit.pegs.find((p) => p.id === of)?.name ?? of;
    return phrase`${many} of ${name}${inLine > 1 ? ' behind one another' : ''}, leaning ${amount(lean, 'angle')}`;
  },
  tieHeight: () => PEG_ARM,
  hold: (s, { soil, pulls }, kit, where) => {
    const shape = pegOf(kit.find((p) => p.id === s.pegs)!)!;
    const pulled = pulls.find((p) => p.pegs === s.pegs && p.soil === soil.id);
    const driven = { width: shape.width, depth: shape.length - PEG_ARM - HEAD, arm: PEG_ARM, lean: s.lean };
    return {
      name: `${s.inLine > 1 ? `${s.inLine} pegs` : 'peg'} in ${soil.name}, ${where}`,
      ...(pulled === undefined
        ? {
            holds: (rise, wet) => pegFigure(soil, driven, rise, s.inLine, shape, wet),
            held: (rise, wet) => pegHolds(soil, driven, rise, s.inLine, shape, wet),
          }
        : pulledHold(pulled, soil, s.inLine)),
    };
  },
  takes: (s) => ({ pegs: s.pegs, count: s.inLine }),
  bestRise: (s, soil, kit, least, most) => {
    const these = kit.find((p) => p.id === s.pegs);
    const shape = these === undefined ? undefined : pegOf(these);
    if (shape === undefined) return null;
    const driven = { width: shape.width, depth: shape.length - PEG_ARM - HEAD, arm: PEG_ARM };
    const met = { surface: shape.surface, wet: false, depth: driven.depth };
    return bestRise(soilNumbers(soil, 'typical', met), driven, least, most);
  },
  problems: (s, kit) => {
    const these = kit.find((p) => p.id === s.pegs);
    if (these === undefined) return [{ field: 'pegs', message: 'These pegs are no longer in the kit. Choose others.' }];
    return pegOf(these) === undefined
      ? [
          {
            field: 'pegs',
            message: `The catalogue has no peg “${these.shape}”. Choose another shape in the kit.`,
          },
        ]
      : [];
  },
  mark: {
    ink: 'outline',
    above: () => 'M-1 -1L1 1M-1 1L1 -1',
    side: () => 'M-0.8 -1.6L0.8 2.9',
  },
  solid: () => ({ below: 0.2, above: 0.05, thick: 0.025 }),
};

/** What pegs of the kit are, by their own size where it was measured; undefined where the catalogue does not know their shape. */
export function pegOf({ shape: id, size }: Pick<KitPegs, 'shape' | 'size'>): PegShape | undefined {
  const shape = findPeg(id);
  if (shape === undefined || size === undefined) return shape;
  const wider = size.width / shape.width;
  // solid round ones bend by the cube of their thickness, thin-walled and flat ones by the square
  const bears = wider ** (shape.section === 'round' ? 3 : 2);
  const { moment } = shape;
  return {
    ...shape,
    ...size,
    mass: shape.mass * (size.length / shape.length) * (shape.section === 'round' ? wider ** 2 : wider),
    moment: { ...moment, low: moment.low * bears, typical: moment.typical * bears, high: moment.high * bears },
  };
}

/** What the fields of pegs allow but the whole does not. */
export function pegsProblems(pegs: Pick<KitPegs, 'shape' | 'size'>): Problem[] {
  const { size } = pegs;
  if (size !== undefined && size.length < 4 * size.width)
    return [problem('size.length', phrase`A peg is longer than four times its width, ${metres(4 * size.width)}.`)];
  return [];
}

/** What a peg holds that was pulled there: it replaces the model of that peg in that soil. */
function pulledHold(pulled: PegPull, soil: Soil, inLine: number): Omit<Hold, 'name'> {
  const spread = PULL_SPREAD[pulled.moved ? 'moved' : 'held'];
  // a pull in dry ground says nothing of wet ground but by the soil's own loss
  const kept = (wet: boolean): number => (wet && !pulled.wet ? soil.wet.typical : 1);
  const held = (_rise: number, wet: boolean): number => pulled.force * spread.typical * kept(wet) * ganged(inLine);
  return {
    held,
    holds: (rise, wet) => {
      const value = held(rise, wet);
      return given(
        { symbol: 'R', title: `what the peg holds, pulled in ${soil.name}`, quantity: 'force' },
        value,
        {
          kind: 'measured',
          text: `pulled by hand, ${pulled.moved ? 'where it moved' : 'and it held'}${kept(wet) < 1 ? '; less what a wet night takes' : ''}`,
          citation: spread.citation,
        },
        [(value * spread.low) / spread.typical, (value * spread.high) / spread.typical],
      );
    },
  };
}
