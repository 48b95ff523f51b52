import { GRAVITY } from '../quantity/index.js';
import type { TensionCurve } from '../line/index.js';
import { scaledCurve, tensionCurve } from '../line/index.js';
import type { Constant } from './evidence.js';

export const FIBRES = [
  'nylon',
  'polyester',
  'polypropylene',
  'uhmwpe',
  'manila',
  'sisal',
  'elastic',
  'unknown',
] as const;
export type Fibre = (typeof FIBRES)[number];

/** What a fibre does, whatever the cord. */
export interface FibreTraits {
  readonly name: string;
  /** Share of strength kept when wet. */
  readonly wetStrength: Constant;
  /** Stretch of the wet cord over that of the dry one at the same tension. */
  readonly wetStretch: Constant;
  /** Change of unstressed length on wetting, share; negative shrinks. */
  readonly wetGrowth: Constant;
  /** Water held, share of dry mass. */
  readonly uptake: Constant;
  /** Tension lost per tenfold time at fixed length, share. */
  readonly relaxation: Constant;
  /** Part of the curve that is linear: load share = s x + (1 - s) x^2, x = strain over breaking strain. */
  readonly softness: number;
  /** Multiplies the efficiency of every knot. */
  readonly knotFactor: number;
}

type Kind = Constant['kind'];
const share = (
  symbol: string,
  title: string,
  low: number,
  typical: number,
  high: number,
  citation: string,
  kind: Kind = 'judgement',
): Constant => ({ symbol, title, quantity: 'share', low, typical, high, kind, citation });

const traits = (
  name: string,
  softness: number,
  knotFactor: number,
  wetStrength: [number, number, number, string, Kind?],
  wetStretch: [number, number, number],
  wetGrowth: [number, number, number],
  uptake: [number, number, number],
  relaxation: [number, number, number],
): FibreTraits => ({
  name,
  softness,
  knotFactor,
  wetStrength: share('f_wet', `strength kept by wet ${name}`, wetStrength[0], wetStrength[1], wetStrength[2], wetStrength[3], wetStrength[4]),
  wetStretch: {
    ...share('s_wet', `stretch of wet ${name} over dry`, ...wetStretch, 'Judgement; water softens nylon, hardly polyester or UHMWPE.'),
    quantity: 'ratio',
  },
  wetGrowth: share('g_wet', `length gained by ${name} on wetting`, ...wetGrowth, 'Judgement; nylon lengthens under load, plant fibre swells and shortens. Measure your own cord.'),
  uptake: share('m_wet', `water held by ${name} cord, of its dry mass`, ...uptake, 'Judgement; weigh a soaked hank to replace it.'),
  relaxation: share('k', `tension ${name} loses per tenfold time`, ...relaxation, 'Judgement from stress-relaxation curves of textile fibres (Morton and Hearle, Physical Properties of Textile Fibres, 4th ed. 2008, ch. 16).'),
});

const FIBRE_WET = 'Morton and Hearle, Physical Properties of Textile Fibres, 4th ed. 2008, ch. 13: wet over dry tenacity of yarn.';

export const FIBRE_TRAITS: Readonly<Record<Fibre, FibreTraits>> = {
  nylon: traits('nylon', 0.3, 1, [0.82, 0.87, 0.92, FIBRE_WET, 'handbook'], [1.1, 1.25, 1.5], [0, 0.01, 0.03], [0.15, 0.3, 0.5], [0.04, 0.06, 0.09]),
  polyester: traits('polyester', 0.6, 1, [0.98, 1, 1.0001, FIBRE_WET, 'handbook'], [1, 1.02, 1.08], [-0.001, 0, 0.003], [0.1, 0.25, 0.4], [0.02, 0.035, 0.05]),
  uhmwpe: traits('UHMWPE', 0.9, 0.6, [0.98, 1, 1.0001, FIBRE_WET, 'handbook'], [1, 1.0001, 1.05], [-0.001, 0, 0.001], [0.05, 0.15, 0.3], [0.03, 0.045, 0.07]),
  manila: traits('manila', 0.35, 1, [1, 1.03, 1.1, FIBRE_WET, 'handbook'], [0.95, 1.1, 1.3], [-0.05, -0.02, 0], [0.4, 0.6, 0.9], [0.03, 0.05, 0.08]),
  sisal: traits('sisal', 0.35, 1, [0.95, 1.02, 1.1, FIBRE_WET, 'handbook'], [0.95, 1.1, 1.3], [-0.05, -0.02, 0], [0.4, 0.6, 0.9], [0.03, 0.05, 0.08]),
  polypropylene: traits('polypropylene', 0.45, 1, [0.98, 1, 1.0001, FIBRE_WET, 'handbook'], [1, 1.0001, 1.05], [-0.001, 0, 0.002], [0.02, 0.1, 0.3], [0.06, 0.09, 0.14]),
  elastic: traits('elastic', 0.7, 1, [0.9, 1, 1.0001, 'Judgement.'], [1, 1.0001, 1.1], [-0.001, 0, 0.005], [0.1, 0.2, 0.4], [0.03, 0.05, 0.1]),
  // the weaker of what it could be
  unknown: traits('cord of unknown fibre', 0.35, 0.6, [0.82, 0.87, 1, 'Judgement: as the weakest of the fibres it could be.'], [1, 1.25, 1.5], [-0.05, 0, 0.03], [0.05, 0.3, 0.9], [0.03, 0.07, 0.14]),
};

/** A cord of the catalogue. */
export interface Cord {
  readonly id: string;
  readonly name: string;
  readonly fibre: Fibre;
  /** m; a strap's thickness. */
  readonly diameter: number;
  /** Of what is flat, m: what lies on bark, and what a knot takes up. */
  readonly width?: number;
  /** Dry mass per metre, kg/m. */
  readonly massPerMetre: Constant;
  /** Minimum breaking strength, N. */
  readonly strength: Constant;
  /** Strain at break. */
  readonly breakStrain: Constant;
  /** False where it must never be counted as holding anything. */
  readonly bears: boolean;
  /** False where its strength or its fibre is only guessed: it is kept off people. */
  readonly known: boolean;
}

const cord = (
  id: string,
  name: string,
  fibre: Fibre,
  mm: number,
  gramsPerMetre: [number, number, number],
  kN: [number, number, number],
  strengthKind: Kind,
  citation: string,
  strain: [number, number, number],
  bears = true,
  widthMm?: number,
): Cord => ({
  id,
  name,
  fibre,
  diameter: mm / 1000,
  ...(widthMm === undefined ? {} : { width: widthMm / 1000 }),
  massPerMetre: {
    symbol: 'm', title: `mass per metre of ${name}`, quantity: 'mass', kind: 'judgement',
    low: gramsPerMetre[0] / 1000, typical: gramsPerMetre[1] / 1000, high: gramsPerMetre[2] / 1000,
    citation: 'Judgement from diameter and fibre density; weigh a known length to replace it.',
  },
  strength: {
    symbol: 'MBS', title: `minimum breaking strength of ${name}`, quantity: 'force', kind: strengthKind,
    low: kN[0] * 1000, typical: kN[1] * 1000, high: kN[2] * 1000, citation,
  },
  breakStrain: {
    symbol: 'e_b', title: `stretch of ${name} at break`, quantity: 'strain', kind: 'judgement',
    low: strain[0], typical: strain[1], high: strain[2],
    citation: 'Judgement from fibre handbooks; the curve rises softly first. A loaded pull over a tape replaces it.',
  },
  bears,
  known: true,
});

const EN564 = 'EN 564:2014, accessory cord: at least 200 N per mm² of diameter squared.';
/** Bounds low 1 % under the standard's minimum, since real cord that passes lies above it. */
export const CORDS: readonly Cord[] = [
  cord('nylon-550-4', 'nylon 550 cord, 4 mm', 'nylon', 4, [6, 6.6, 7.5], [2.35, 2.45, 2.8], 'standard', 'MIL-C-5040H type III: 550 lbf (2447 N) minimum, 30 % elongation minimum. Copies sold under the name are often weaker.', [0.25, 0.3, 0.38]),
  cord('accessory-4', 'accessory cord, 4 mm', 'nylon', 4, [9, 10.5, 12], [3.1, 3.2, 3.7], 'standard', EN564, [0.15, 0.2, 0.28]),
  cord('accessory-5', 'accessory cord, 5 mm', 'nylon', 5, [15, 17.5, 20], [4.9, 5, 5.8], 'standard', EN564, [0.15, 0.2, 0.28]),
  cord('accessory-6', 'accessory cord, 6 mm', 'nylon', 6, [22, 24.5, 27], [7.1, 7.2, 8.3], 'standard', EN564, [0.15, 0.2, 0.28]),
  cord('seine-15', 'tarred nylon seine twine #15', 'nylon', 1.5, [1.4, 1.8, 2.2], [0.48, 0.6, 0.75], 'judgement', 'Judgement from twine lists; tar and twist vary.', [0.18, 0.24, 0.32]),
  cord('seine-36', 'tarred nylon seine twine #36', 'nylon', 2.4, [3.5, 4.3, 5.2], [1.3, 1.6, 1.9], 'judgement', 'Judgement from twine lists; tar and twist vary.', [0.18, 0.24, 0.32]),
  cord('uhmwpe-1.75', 'UHMWPE hollow braid, 1.75 mm', 'uhmwpe', 1.75, [1.3, 1.6, 2], [1.9, 2.2, 2.5], 'judgement', 'Judgement from cord lists; new braid, spliced ends.', [0.03, 0.038, 0.045]),
  cord('polyester-3', 'polyester guy line, 3 mm', 'polyester', 3, [5.5, 6.5, 8], [1.5, 1.8, 2.1], 'judgement', 'Judgement from cord lists.', [0.09, 0.12, 0.16]),
  cord('manila-6', 'manila, 6 mm', 'manila', 6, [22, 26, 30], [2.1, 2.4, 2.8], 'handbook', 'Rope handbooks give 2.4 to 3.0 kN for new three-strand 6 mm manila (compare ISO 1181); the lower is taken, for fibre that has been outdoors.', [0.09, 0.12, 0.16]),
  cord('sisal-3', 'sisal, 3 mm', 'sisal', 3, [5.5, 7, 9], [0.28, 0.4, 0.5], 'judgement', 'Judgement; scaled by area from 6 mm sisal in rope handbooks.', [0.08, 0.11, 0.15]),
  cord('strap-25', 'polyester strap, 25 mm', 'polyester', 1.3, [25, 35, 45], [7, 10, 14], 'judgement', 'Judgement from the range of light to heavy webbing; use the label of your own strap.', [0.08, 0.11, 0.15], true, 25),
  cord('elastic-5', 'elastic cord, 5 mm', 'elastic', 5, [13, 16, 19], [0.04, 0.05, 0.06], 'judgement', 'Judgement: 50 N at 60 % stretch. Never counted as strength.', [0.5, 0.6, 0.8], false),
];

/** Room that a cord takes in a knot and on bark: its diameter, or a strap's width, m. */
export const acrossOf = (cord: Pick<Cord, 'diameter' | 'width'>): number => cord.width ?? cord.diameter;

/** The cord with this id, or undefined. */
export function findCord(id: string): Cord | undefined {
  return CORDS.find((c) => c.id === id);
}

/** Dry curve: load share = s x + (1 - s) x^2 of the breaking strength, in knots close enough for 0.3 % of strain. */
export function dryCurve(cord: Cord): TensionCurve {
  const s = FIBRE_TRAITS[cord.fibre].softness;
  const shares = [0, 0.02, 0.05, 0.1, 0.16, 0.24, 0.34, 0.46, 0.6, 0.8, 1];
  return tensionCurve(
    shares.map((x) => [x * cord.breakStrain.typical, cord.strength.typical * (s * x + (1 - s) * x * x)] as const),
  );
}

/** Wet curve: the dry one stretched. Its unstressed length also changes by the fibre's wet growth. */
export function wetCurve(cord: Cord): TensionCurve {
  return scaledCurve(dryCurve(cord), 1, FIBRE_TRAITS[cord.fibre].wetStretch.typical);
}

/** Weight per unstressed metre, N/m. */
export function cordWeight(cord: Cord, wet: boolean): number {
  const water = wet ? 1 + FIBRE_TRAITS[cord.fibre].uptake.typical : 1;
  return cord.massPerMetre.typical * water * GRAVITY;
}
