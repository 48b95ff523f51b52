import type { Constant } from './evidence.js';

/** A shape of peg. Widths across the pull. */
export interface PegShape {
  readonly id: string;
  readonly name: string;
  /** m across the pull, and its usual length, m. */
  readonly width: number;
  readonly length: number;
  /** Usual mass, kg. */
  readonly mass: number;
  /** Bending moment it bears, N m, at its usual width. */
  readonly moment: Constant;
  /** Whether a person cuts it there: weighs nothing in the pack. */
  readonly cut: boolean;
}

const BENDING = 'Derived: section modulus times green bending strength of alder (45 MPa, Wood Handbook, table 5-3a) or the yield of mild steel (250 MPa) or a common light alloy (150 MPa).';
const peg = (id: string, name: string, width: number, length: number, mass: number, moment: readonly [number, number, number], cut = false): PegShape => ({
  id,
  name,
  width,
  length,
  mass,
  cut,
  moment: { symbol: 'M_p', title: `bending a ${name} bears`, quantity: 'moment', low: moment[0], typical: moment[1], high: moment[2], kind: 'derived', citation: BENDING },
});

export const PEGS: readonly PegShape[] = [
  peg('cut-wood', 'cut wooden peg', 0.025, 0.35, 0, [40, 69, 95], true),
  peg('stout-wood', 'stout cut wooden peg', 0.04, 0.5, 0, [170, 280, 390], true),
  peg('wire', 'thin wire peg', 0.006, 0.18, 0.014, [4, 5.3, 7]),
  peg('section', 'angled alloy peg', 0.02, 0.23, 0.016, [18, 25, 35]),
  peg('long', 'long stout steel peg', 0.012, 0.4, 0.21, [32, 42, 60]),
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
/** Friction on a peg over that within the soil. */
export const PEG_FRICTION: Constant = {
  symbol: 'delta', title: 'friction angle on a peg over that in the soil', quantity: 'ratio', low: 0.5, typical: 0.7, high: 0.9,
  kind: 'handbook', citation: 'Two thirds to nine tenths of the soil’s own (Tomlinson and Woodward, 2014, ch. 4); smooth metal less.',
};
