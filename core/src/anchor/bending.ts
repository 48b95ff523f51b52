import { ROOT_PLATE, WET_ROOTS, looked, rootsIn } from '../catalogue/index.js';
import type { Wood } from '../catalogue/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { footMoment } from './tree.js';

/** One of the pulls that a stem, or what else holds more than one line, bears at once. */
export interface TiePull {
  /** Its level part, N. */
  readonly level: number;
  /** Its downward part, N; negative lifts. */
  readonly down: number;
  /** The level part with its working. */
  readonly figure: () => Figure;
  /** Where it pulls to on the plan, rad from along the span to its left. */
  readonly toward: number;
  /** Height of its tie over the stem's foot, m. */
  readonly height: number;
  /** Whose tie that is: "the ridgeline". */
  readonly what: string;
}

const SMALL = ['₁', '₂', '₃', '₄', '₅', '₆', '₇', '₈', '₉'];

/** Length of what level vectors come to together. @param share of each pull that counts */
function together(pulls: readonly TiePull[], share: (p: TiePull) => number): number {
  let [x, y] = [0, 0];
  for (const p of pulls) {
    x += share(p) * Math.cos(p.toward);
    y += share(p) * Math.sin(p.toward);
  }
  return Math.hypot(x, y);
}

/** Level pull of everything on a stem, by their directions, N. */
export const levelOn = (pulls: readonly TiePull[]): number => together(pulls, (p) => p.level);

/** Bending moment at a stem's foot under everything tied to it, each at its own height, N m. */
export const momentOn = (pulls: readonly TiePull[]): number => together(pulls, (p) => footMoment(p.level, p.height));

/** Height of a tie, measured by body mark or tape. */
const tieHeightFigure = (height: number, symbol = 'h', title = 'tie height'): Figure =>
  given({ symbol, title, quantity: 'length' }, height, { kind: 'measured', text: 'by body mark or tape' }, [
    height * 0.97,
    height * 1.03,
  ]);

/** Thickness of a stem from its girth. */
const diameterFigure = (diameter: number): Figure =>
  given(
    { symbol: 'd', title: 'trunk diameter, girth / π', quantity: 'length' },
    diameter,
    { kind: 'measured', text: 'girth by a cord round the trunk; bark counted' },
    [diameter * 0.93, diameter * 1.02],
  );

/** Pulls with the working of each, and where it pulls to, numbered where there are more. */
function numbered(pulls: readonly TiePull[]): readonly (readonly [pull: Figure, toward: Figure])[] {
  return pulls.map((p, k) => [
    { ...p.figure(), symbol: `H${SMALL[k] ?? k + 1}` },
    given(
      { symbol: `φ${SMALL[k] ?? k + 1}`, title: `where ${p.what} pulls to, from along the span`, quantity: 'angle' },
      p.toward,
      { kind: 'derived', text: 'from where it comes' },
    ),
  ]);
}

/** The same pulls with other numbers in place of theirs, taken `each` at a time from the values of a figure's inputs. */
const withValues = (pulls: readonly TiePull[], v: readonly number[], each: number): TiePull[] =>
  pulls.map((p, k) => ({
    ...p,
    level: v[each * k]!,
    toward: v[each * k + 1]!,
    height: each > 2 ? v[each * k + 2]! : p.height,
  }));

/** How much it all lifts, N; negative presses down. */
const liftOn = (pulls: readonly TiePull[]): number => pulls.reduce((sum, p) => sum - p.down, 0);
/** Whole pull of everything on what holds it at one place, by directions and lift, N. */
export const pullOn = (pulls: readonly TiePull[]): number => Math.hypot(levelOn(pulls), liftOn(pulls));
/** Angle of that pull above level, rad; 0 where it presses down. */
export const riseOn = (pulls: readonly TiePull[]): number => Math.max(0, Math.atan2(liftOn(pulls), levelOn(pulls)));

/** The whole pull of everything on what holds it at one place, with its working. @param said the case, as the end of the title */
export function pullFigure(name: string, pulls: readonly TiePull[], said = ''): Figure {
  return derive(
    {
      symbol: 'T',
      title: `pull on ${name}${said}`,
      quantity: 'force',
      formula: 'T = |Σ Tᵢ|, Tᵢ along φᵢ and βᵢ with Hᵢ level',
      notes: ['All that it holds together, each by its direction.'],
    },
    numbered(pulls).flatMap(([pull, toward], k) => [
      pull,
      toward,
      given(
        { symbol: `β${SMALL[k] ?? k + 1}`, title: `how far above level ${pulls[k]!.what} pulls`, quantity: 'angle' },
        Math.atan2(-pulls[k]!.down, pulls[k]!.level),
        { kind: 'derived', text: 'from the rig at rest' },
      ),
    ]),
    (...v) => pullOn(withValues(pulls, v, 3).map((p, k) => ({ ...p, down: -p.level * Math.tan(v[3 * k + 2]!) }))),
  );
}

/** Level pull on a stem with its working. @param said the case, as the end of the title */
export function levelFigure(name: string, pulls: readonly TiePull[], said = ''): Figure {
  if (pulls.length === 1) return pulls[0]!.figure();
  return derive(
    { symbol: 'H', title: `level pull on ${name}${said}`, quantity: 'force', formula: 'H = |Σ Hᵢ|' },
    numbered(pulls).flat(),
    (...v) => levelOn(withValues(pulls, v, 2)),
  );
}

/** Bending moment at the foot of a stem under everything tied to it, with its working. @param said the case, as the end of the title */
export function momentFigure(name: string, pulls: readonly TiePull[], said = ''): Figure {
  const title = `bending at the foot of ${name}${said}`;
  const [first] = pulls;
  if (first !== undefined && pulls.length === 1)
    return derive(
      { symbol: 'M', title, quantity: 'moment', formula: 'M = H h' },
      [first.figure(), tieHeightFigure(first.height)],
      (H, h) => footMoment(H!, h!),
    );
  return derive(
    {
      symbol: 'M',
      title,
      quantity: 'moment',
      formula: 'M = |Σ Hᵢ hᵢ|',
      notes: ['All that is tied to it together, each by its direction.'],
    },
    numbered(pulls).flatMap(([pull, toward], k) => [
      pull,
      toward,
      tieHeightFigure(pulls[k]!.height, `h${SMALL[k] ?? k + 1}`, `height at which ${pulls[k]!.what} is tied`),
    ]),
    (...v) => momentOn(withValues(pulls, v, 3)),
  );
}

/** The ground a stem stands in, as it is now. */
export interface Rooted {
  /** Id of the soil. */
  readonly soil: string;
  readonly wet: boolean;
}

/** Moment at its foot that bends a stem at its green strength, and that which turns its root plate over, N m. */
export function stemHolds(diameter: number, strength: number): number {
  return (strength * Math.PI * diameter ** 3) / 32;
}
export function rootsHold(diameter: number, { soil, wet }: Rooted): number {
  return ROOT_PLATE.typical * rootsIn(soil).typical * (wet ? WET_ROOTS.typical : 1) * diameter ** 3;
}
/** The lesser of the two. */
export const treeHolds = (diameter: number, wood: Wood, ground: Rooted): number =>
  Math.min(stemHolds(diameter, wood.strength.typical), rootsHold(diameter, ground));

/** Moment at its foot that a tree holds, with the working of both ways in which it gives. */
export function treeHoldFigure(name: string, diameter: number, wood: Wood, ground: Rooted): Figure {
  const d = diameterFigure(diameter);
  const stem = derive(
    {
      symbol: 'M_b',
      title: `moment that bends ${name} at its green strength`,
      quantity: 'moment',
      formula: 'M_b = f_b π d³ / 32',
    },
    [looked(wood.strength), d],
    (f, x) => stemHolds(x!, f!),
  );
  const roots = derive(
    {
      symbol: 'M_r',
      title: `moment that turns the roots of ${name} over${ground.wet ? ' in wet ground' : ''}`,
      quantity: 'moment',
      formula: `M_r = k_r r${ground.wet ? ' w' : ''} d³`,
    },
    [looked(ROOT_PLATE), looked(rootsIn(ground.soil)), d, ...(ground.wet ? [looked(WET_ROOTS)] : [])],
    (k, r, x, w = 1) => k! * r! * w * x! ** 3,
  );
  return derive(
    {
      symbol: 'R',
      title: `moment the foot of ${name} holds${ground.wet ? ', wet ground' : ''}`,
      quantity: 'moment',
      formula: 'R = min(M_b, M_r)',
      notes: ['A sound, solid, round stem: a screen, never a pass. Look up, knock and push.'],
    },
    [stem, roots],
    (b, r) => Math.min(b!, r!),
  );
}
