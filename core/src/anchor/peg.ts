import type { Soil } from '../catalogue/index.js';
import { ADHESION, PEG_FRICTION, looked } from '../catalogue/index.js';
import type { Constant } from '../catalogue/index.js';
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

/** Strengths of a soil to reckon with, at one end of their ranges or between. */
export interface SoilNumbers {
  readonly cohesion?: number;
  readonly friction?: number;
  readonly weight: number;
  /** Share of the cohesion that clings; angle of friction on the peg over the soil's. */
  readonly adhesion: number;
  readonly pegFriction: number;
}

/**
 * Force along itself that draws a peg out, N: what clings to its surface, alpha c_u, or earth pressure at rest times
 * friction over its length, K gamma L / 2 tan(delta) with K = 1 - sin(phi) (Jaky 1944), times its girth and length.
 */
export function pullOut(soil: SoilNumbers, peg: Pick<DrivenPeg, 'width' | 'depth'>): number {
  const skin = Math.PI * peg.width * peg.depth;
  if (soil.cohesion !== undefined) return soil.adhesion * soil.cohesion * skin;
  const phi = soil.friction ?? 0;
  // driving presses the soil aside: at least half of its full weight stands against the sides
  const k = Math.max(0.5, 1 - Math.sin(phi));
  return k * 0.5 * soil.weight * peg.depth * Math.tan(soil.pegFriction * phi) * skin;
}

/** Force square to itself that turns a peg over, N: a short rigid pile (Broms 1964), its depth counted upright. */
export function pushOver(soil: SoilNumbers, peg: DrivenPeg): number {
  const upright = peg.depth * Math.cos(peg.lean);
  const along = shortPile(
    {
      ...(soil.cohesion === undefined ? {} : { cohesion: soil.cohesion }),
      ...(soil.friction === undefined ? {} : { friction: soil.friction }),
      weight: soil.weight,
    },
    peg.width,
    soil.cohesion === undefined ? upright : peg.depth,
    peg.arm,
  );
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

/** Soil numbers at one end of every range. */
export function soilNumbers(soil: Soil, end: 'low' | 'typical' | 'high'): SoilNumbers {
  return {
    ...(soil.cohesion === undefined ? {} : { cohesion: soil.cohesion[end] }),
    ...(soil.friction === undefined ? {} : { friction: soil.friction[end] }),
    weight: soil.weight[end],
    adhesion: ADHESION[end],
    pegFriction: PEG_FRICTION[end],
  };
}

/** Pegs behind one another on one guy: the second holds half as well, the third a third. Judgement. */
export function ganged(count: number): number {
  let sum = 0;
  for (let k = 1; k <= count; k++) sum += 1 / k;
  return sum;
}

/** What a peg holds of a guy's pull, with its working and range. */
export function pegFigure(soil: Soil, peg: DrivenPeg, rise: number, count: number, bends: Constant): Figure {
  const strength = soil.cohesion ?? soil.friction!;
  const measured = (symbol: string, title: string, quantity: Figure['quantity'], value: number): Figure =>
    given({ symbol, title, quantity }, value, { kind: 'measured', text: 'as set' });
  return derive(
    {
      symbol: 'R',
      title: `what the peg holds in ${soil.name}`,
      quantity: 'force',
      formula: '(R cos(β − λ) / H)² + (R sin(β − λ) / Z)² = 1',
      notes: [
        `H: a short rigid pile (Broms 1964) of the peg’s width, depth L and arm e. Z: ${soil.cohesion === undefined ? 'K γ L tan(δ φ) / 2' : 'α c_u'} on its surface π b L. The peg’s own bending M_p counts too.`,
        ...(count > 1 ? [`${count} pegs behind one another, the second counted as a half, the third as a third.`] : []),
        'Soil by feel is good to a factor of two. Pull-test a peg: heel on the guy, look whether it moves.',
      ],
    },
    [
      looked(strength),
      looked(soil.weight),
      looked(soil.cohesion === undefined ? PEG_FRICTION : ADHESION),
      measured('L', 'in the ground', 'length', peg.depth),
      measured('b', 'width across the pull', 'length', peg.width),
      measured('e', 'cord over the ground', 'length', peg.arm),
      measured('β', 'guy above level', 'angle', rise),
      measured('λ', 'lean away from the pull', 'angle', peg.lean),
      looked(bends),
    ],
    (s, weight, skin, depth, width, arm, b, lean, moment) => {
      const numbers: SoilNumbers = {
        ...(soil.cohesion === undefined ? { friction: s! } : { cohesion: s! }),
        weight: weight!,
        adhesion: skin!,
        pegFriction: skin!,
      };
      const p = { width: width!, depth: depth!, arm: arm!, lean: lean! };
      return Math.min(pegHold(numbers, p, b!), bentBy(p, moment!, b!)) * ganged(count);
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
  const sides =
    soil.cohesion !== undefined
      ? 2 * 0.5 * soil.cohesion * length * depth
      : soil.weight * depth * depth * length * Math.tan(soil.friction ?? 0) * 0.5;
  const up = prism + sides;
  const phi = soil.friction ?? 0;
  const passive = Math.tan(Math.PI / 4 + phi / 2) ** 2;
  const level =
    soil.cohesion !== undefined
      ? 2 * soil.cohesion * length * depth
      : 0.5 * soil.weight * depth * depth * length * passive;
  return 1 / Math.hypot(Math.sin(rise) / up, Math.cos(rise) / level);
}
