import { ADHESION, BY_FEEL, PEG_FRICTION, PEG_PRESSURE, WET_DEPTH, looked } from '../catalogue/index.js';
import type { Constant, PegShape, PegSurface, Soil } from '../catalogue/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { shortPile } from './pile.js';

/** A peg in the ground. */
export interface DrivenPeg {
  /** Across the pull, m. */
  readonly width: number;
  /** In the ground, along the peg, m. */
  readonly depth: number;
  /** Height of the cord over the ground, m. */
  readonly arm: number;
  /** Lean from upright, away from the pull, rad; negative leans toward it. */
  readonly lean: number;
}

/** Strengths of a soil to reckon with, at one end of their ranges or between, as it is now. */
export interface SoilNumbers {
  readonly cohesion?: number;
  readonly friction?: number;
  /** What damp grains stick by, Pa. */
  readonly apparent?: number;
  readonly weight: number;
  /** Share of the cohesion that clings; angle of friction on the peg over the soil's; side pressure over the soil's weight. */
  readonly adhesion: number;
  readonly pegFriction: number;
  readonly pressure: number;
}

/**
 * Force along itself that draws a peg out, N: what clings to its surface, alpha c_u; in grains side pressure times friction
 * over its length, K gamma L / 2 tan(delta) (Broms 1966), and what damp makes cling.
 */
export function pullOut(soil: SoilNumbers, peg: Pick<DrivenPeg, 'width' | 'depth'>): number {
  const skin = Math.PI * peg.width * peg.depth;
  if (soil.cohesion !== undefined) return soil.adhesion * soil.cohesion * skin;
  const rub = soil.pressure * 0.5 * soil.weight * peg.depth * Math.tan(soil.pegFriction * (soil.friction ?? 0));
  return (rub + soil.adhesion * (soil.apparent ?? 0)) * skin;
}

/** Force square to itself that turns a peg over, N: a short rigid pile (Broms 1964), its depth counted upright. */
export function pushOver(soil: SoilNumbers, peg: DrivenPeg): number {
  const upright = peg.depth * Math.cos(peg.lean);
  const along = shortPile(soil, peg.width, soil.cohesion === undefined ? upright : peg.depth, peg.arm);
  // a peg that leans toward the pull has a wedge of soil before it that is cut short
  return peg.lean < 0 ? along * Math.max(0.2, Math.cos(2 * peg.lean)) : along;
}

/**
 * What a peg holds of a guy's pull, N, with the pull split along and across it:
 *   (T cos(b - l) / across)^2 + (T sin(b - l) / along)^2 = 1 where it draws; a push along it counts nothing.
 * @param rise b, angle of the guy above level, rad, 0 <= b < pi / 2
 */
export function pegHold(soil: SoilNumbers, peg: DrivenPeg, rise: number): number {
  const across = Math.cos(rise - peg.lean) / pushOver(soil, peg);
  const draw = Math.max(0, Math.sin(rise - peg.lean)) / pullOut(soil, peg);
  const both = Math.hypot(across, draw);
  return both > 0 && Number.isFinite(both) ? 1 / both : 0;
}

/** How a soil is met. */
export interface SoilMet {
  readonly surface: PegSurface;
  /** Whether a wet night has softened it. */
  readonly wet: boolean;
  /** How deep it is met, m: a wet night softens the upper third of a metre. */
  readonly depth: number;
}

/** Share of what sticks that is left over a depth. */
function keptWhenWet(soil: Soil, end: End, { wet, depth }: SoilMet): number {
  if (!wet) return 1;
  const soft = Math.min(1, WET_DEPTH / depth);
  return soft * soil.wet[end] + (1 - soft);
}

type End = 'low' | 'typical' | 'high';

/** Soil numbers at one end of every range. */
export function soilNumbers(soil: Soil, end: End, met: SoilMet): SoilNumbers {
  const kept = keptWhenWet(soil, end, met);
  return {
    ...(soil.cohesion === undefined ? {} : { cohesion: soil.cohesion[end] * kept }),
    ...(soil.friction === undefined ? {} : { friction: soil.friction[end] }),
    ...(soil.apparent === undefined ? {} : { apparent: soil.apparent[end] * kept }),
    weight: soil.weight[end],
    adhesion: ADHESION[end],
    pegFriction: PEG_FRICTION[met.surface][end],
    pressure: PEG_PRESSURE[met.surface][end],
  };
}

/** What a post, pole or peg of this soil holds level at a height, N, before it turns over. */
export function pileIn(soil: Soil, end: End, diameter: number, depth: number, arm: number, wet = false): number {
  return shortPile(soilNumbers(soil, end, { surface: 'wood', wet, depth }), diameter, depth, arm);
}

/** Pegs behind one another on one guy: the second holds half as well, the third a third. Judgement. */
export function ganged(count: number): number {
  let sum = 0;
  for (let k = 1; k <= count; k++) sum += 1 / k;
  return sum;
}

/** What a peg of a shape holds of a guy's pull in a soil as it is, N: the ground's hold, or the peg's own bending. */
export function pegHolds(
  soil: Soil,
  peg: DrivenPeg,
  rise: number,
  count: number,
  shape: PegShape,
  wet: boolean,
): number {
  const numbers = soilNumbers(soil, 'typical', { surface: shape.surface, wet, depth: peg.depth });
  return Math.min(pegHold(numbers, peg, rise), bentBy(peg, shape.moment.typical, rise)) * ganged(count);
}

/** The same with its working and range: a factor of two each way for the ground, and what the peg itself may bear. */
export function pegFigure(
  soil: Soil,
  peg: DrivenPeg,
  rise: number,
  count: number,
  shape: PegShape,
  wet: boolean,
): Figure {
  const met: SoilMet = { surface: shape.surface, wet, depth: peg.depth };
  const { cohesion, friction, apparent, weight, adhesion, pegFriction, pressure } = soilNumbers(soil, 'typical', met);
  const measured = (symbol: string, title: string, quantity: Figure['quantity'], value: number): Figure =>
    given({ symbol, title, quantity }, value, { kind: 'measured', text: 'as set' });
  const typical = (c: Constant, value = c.typical): Figure =>
    given({ symbol: c.symbol, title: c.title, quantity: c.quantity }, value, {
      kind: c.kind,
      text: value === c.typical ? 'catalogue' : 'catalogue, less what the wet night takes',
      citation: c.citation,
    });
  const strengths =
    cohesion === undefined
      ? [
          typical(soil.friction!, friction),
          typical(soil.apparent!, apparent),
          typical(soil.weight, weight),
          typical(PEG_PRESSURE[shape.surface], pressure),
          typical(PEG_FRICTION[shape.surface], pegFriction),
          typical(ADHESION, adhesion),
        ]
      : [typical(soil.cohesion!, cohesion), typical(ADHESION, adhesion)];
  return derive(
    {
      symbol: 'R',
      title: `what the peg holds in ${soil.name}${wet ? ' after a wet night' : ''}`,
      quantity: 'force',
      formula: 'R = n min(k T, T_p),  (T cos(β − λ) / H)² + (T sin(β − λ) / Z)² = 1',
      notes: [
        `H: a short rigid pile (Broms 1964) of the peg’s width, depth L and arm e. Z: ${cohesion === undefined ? 'K γ L tan(δ φ) / 2 and α c_a' : 'α c_u'} on its surface π b L. T_p bends the peg itself.`,
        ...(count > 1 ? [`${count} pegs behind one another, the second counted as a half, the third as a third.`] : []),
        'Soil by feel is good to a factor of two. Pull-test a peg: heel on the guy, look whether it moves.',
      ],
    },
    [
      looked(BY_FEEL),
      looked(shape.moment),
      measured('L', 'in the ground', 'length', peg.depth),
      measured('b', 'width across the pull', 'length', peg.width),
      measured('e', 'cord over the ground', 'length', peg.arm),
      measured('β', 'guy above level', 'angle', rise),
      measured('λ', 'lean away from the pull', 'angle', peg.lean),
      ...strengths,
    ],
    (k, moment, depth, width, arm, b, lean, ...s) => {
      const numbers: SoilNumbers =
        cohesion === undefined
          ? { friction: s[0]!, apparent: s[1]!, weight: s[2]!, pressure: s[3]!, pegFriction: s[4]!, adhesion: s[5]! }
          : { cohesion: s[0]!, weight, adhesion: s[1]!, pegFriction, pressure };
      const p = { width: width!, depth: depth!, arm: arm!, lean: lean! };
      return Math.min(k! * pegHold(numbers, p, b!), bentBy(p, moment!, b!)) * ganged(count);
    },
  );
}

/** Pull that bends the peg itself, N: the moment grows to about arm plus a third of its depth below ground. Judgement on the third. */
function bentBy(peg: DrivenPeg, moment: number, rise: number): number {
  return moment / ((peg.arm + peg.depth / 3) * Math.max(0.05, Math.cos(rise - peg.lean)));
}

/**
 * Angle of a guy above level at which a peg asks least of itself for the same level pull, rad, within bounds: least of
 * 1 / (hold cos).
 */
export function bestRise(soil: SoilNumbers, peg: Omit<DrivenPeg, 'lean'>, least: number, most: number): number {
  let best = least;
  let worth = -1;
  for (let k = 0; k <= 30; k++) {
    const rise = least + ((most - least) * k) / 30;
    // a peg is set square to its guy as far as it can be driven: up to 30 degrees
    const w = pegHold(soil, { ...peg, lean: Math.min(rise, Math.PI / 6) }, rise) * Math.cos(rise);
    if (w > worth) {
      worth = w;
      best = rise;
    }
  }
  return best;
}

/**
 * Pull that lifts a bag, log or bundle buried flat, N: the soil above it as a prism, and what shears along its two long
 * sides (cohesion, or K tan(phi) of the soil's weight).
 */
export function buriedHold(soil: SoilNumbers, length: number, width: number, depth: number, rise: number): number {
  const prism = soil.weight * length * width * depth;
  const sticks = soil.cohesion ?? soil.apparent ?? 0;
  const sides =
    length * depth * sticks +
    (soil.cohesion === undefined ? soil.weight * depth * depth * length * Math.tan(soil.friction ?? 0) * 0.5 : 0);
  const up = prism + sides;
  const phi = soil.friction ?? 0;
  const passive = Math.tan(Math.PI / 4 + phi / 2) ** 2;
  const level =
    soil.cohesion !== undefined
      ? 2 * soil.cohesion * length * depth
      : 0.5 * soil.weight * depth * depth * length * passive + 2 * sticks * Math.sqrt(passive) * depth * length;
  return 1 / Math.hypot(Math.sin(rise) / up, Math.cos(rise) / level);
}
