import type { Constant } from './evidence.js';

export type PegSurface = 'wood' | 'metal';

/** A shape of peg. Widths across the pull. */
export interface PegShape {
  readonly id: string;
  readonly name: string;
  /** m across the pull, and its usual length, m. */
  readonly width: number;
  readonly length: number;
  /** Usual mass, kg. */
  readonly mass: number;
  readonly section: 'round' | 'thin';
  /** Bending moment it bears, N m, at its usual width. */
  readonly moment: Constant;
  /** Whether a person cuts it there: weighs nothing in the pack. */
  readonly cut: boolean;
  /** What its surface is: driven wood presses the soil aside and is rough, metal slides. */
  readonly surface: PegSurface;
}

const BENDING = 'Derived: section modulus times green bending strength of alder (45 MPa, Wood Handbook, table 5-3a) or the yield of mild steel (250 MPa) or a common light alloy (150 MPa): first yield typical, full plastic moment high. A wire of 4 mm bears a third of one of 6 mm: 1.6 N m.';
const peg = (id: string, name: string, width: number, length: number, mass: number, moment: readonly [number, number, number], cut = false): PegShape => ({
  id,
  name,
  width,
  length,
  mass,
  cut,
  surface: id.endsWith('wood') ? 'wood' : 'metal',
  section: id === 'section' || id === 'broad' ? 'thin' : 'round',
  moment: { symbol: 'M_p', title: `bending a ${name} bears`, quantity: 'moment', low: moment[0], typical: moment[1], high: moment[2], kind: 'derived', citation: BENDING },
});

export const PEGS: readonly PegShape[] = [
  peg('cut-wood', 'cut wooden peg', 0.025, 0.35, 0, [40, 69, 95], true),
  peg('stout-wood', 'stout cut wooden peg', 0.04, 0.5, 0, [170, 280, 390], true),
  peg('wire', 'thin wire peg', 0.006, 0.18, 0.04, [4.2, 5.3, 9]),
  peg('section', 'angled alloy peg', 0.02, 0.23, 0.016, [18, 25, 35]),
  peg('long', 'long stout steel peg', 0.012, 0.4, 0.355, [34, 42, 72]),
  peg('broad', 'broad sand peg', 0.05, 0.35, 0.09, [45, 65, 90]),
];
export function findPeg(id: string): PegShape | undefined {
  return PEGS.find((p) => p.id === id);
}

/** Share of a soil's undrained strength that clings to a peg drawn along itself. */
export const ADHESION: Constant = {
  symbol: 'alpha', title: 'share of the soil’s strength that clings to a peg', quantity: 'share', low: 0.3, typical: 0.5, high: 0.8,
  kind: 'handbook', citation: 'Adhesion factors of short piles, 0.3 to 1 (Tomlinson and Woodward, Pile Design and Construction Practice, 6th ed. 2014, ch. 4); smooth wobbled pegs at the low end.',
};
const BROMS = 'Broms, “Methods of calculating the ultimate bearing capacity of piles”, Sols-Soils 18-19, 1966: driven wood K 1.5 (loose) to 4 (dense) and two thirds of the soil’s own angle; smooth steel K 0.5 to 1 and 20 degrees, near six tenths of it. For piles of metres; judgement for pegs.';
/** Friction angle on a peg over that within the soil. */
export const PEG_FRICTION: Readonly<Record<PegSurface, Constant>> = {
  wood: { symbol: 'δ', title: 'friction angle on driven wood over that in the soil', quantity: 'ratio', low: 0.55, typical: 0.67, high: 0.8, kind: 'handbook', citation: BROMS },
  metal: { symbol: 'δ', title: 'friction angle on smooth metal over that in the soil', quantity: 'ratio', low: 0.45, typical: 0.58, high: 0.7, kind: 'handbook', citation: BROMS },
};
/** Earth pressure on a driven peg's sides over the weight of soil above. */
export const PEG_PRESSURE: Readonly<Record<PegSurface, Constant>> = {
  wood: { symbol: 'K', title: 'side pressure on driven wood over the soil’s weight', quantity: 'ratio', low: 1.5, typical: 2, high: 4, kind: 'handbook', citation: BROMS },
  metal: { symbol: 'K', title: 'side pressure on driven metal over the soil’s weight', quantity: 'ratio', low: 0.5, typical: 0.7, high: 1, kind: 'handbook', citation: BROMS },
};
/** How deep a wet night softens the ground, m. */
export const WET_DEPTH = 0.33;
/** What soil by feel, and every model of a peg in it, is good to: a factor of two each way. */
export const BY_FEEL: Constant = {
  symbol: 'k', title: 'soil by feel and the model of a peg in it', quantity: 'ratio', low: 0.5, typical: 1, high: 2,
  kind: 'judgement', citation: 'Judgement: a factor of two each way, stones and roots besides. A pull test of your own peg replaces it.',
};
