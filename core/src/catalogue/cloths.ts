import type { Constant } from './evidence.js';

/** Cloth of a roof, per metre of width and square metre of area. */
export interface Cloth {
  readonly id: string;
  readonly name: string;
  /** kg/m^2. */
  readonly mass: Constant;
  /** Stiffness along warp and weft, N/m; typical of the range is used alike in the solve. */
  readonly warp: Constant;
  readonly weft: Constant;
  /** Between the threads: what the cloth has on the bias, N/m. */
  readonly shear: Constant;
  /** Breaking strength of a strip, N/m. */
  readonly strength: Constant;
  /** Water held when soaked, share of dry mass; change of length on wetting, share. */
  readonly uptake: Constant;
  readonly wetGrowth: Constant;
  /** What its tie-outs hold over those of thin coated nylon. */
  readonly tieOuts: number;
}

type Three = readonly [low: number, typical: number, high: number];
const JUDGED = 'Judgement: from the mass of fibre in each direction, the modulus and tenacity of the fibre (Morton and Hearle, Physical Properties of Textile Fibres, 4th ed. 2008, ch. 13) and half lost to crimp; no test of a sewn roof is known.';
const of = (symbol: string, title: string, quantity: Constant['quantity'], [low, typical, high]: Three, citation = JUDGED): Constant => ({
  symbol, title, quantity, low, typical, high, kind: 'judgement', citation,
});
const cloth = (
  id: string, name: string, gsm: Three, warp: number, weft: number, shear: number, kNperM: Three, uptake: Three, wetGrowth: Three, tieOuts: number,
): Cloth => ({
  id,
  name,
  mass: of('w', `mass of ${name}`, 'mass', [gsm[0] / 1000, gsm[1] / 1000, gsm[2] / 1000], 'Judgement from cloth lists, coating counted; weigh the roof to replace it.'),
  warp: of('E_1', `stiffness of ${name} along the warp`, 'lineWeight', [warp * 0.6, warp, warp * 1.5]),
  weft: of('E_2', `stiffness of ${name} along the weft`, 'lineWeight', [weft * 0.6, weft, weft * 1.5]),
  shear: of('G', `stiffness of ${name} on the bias`, 'lineWeight', [shear * 0.5, shear, shear * 2]),
  strength: of('f_c', `strength of a strip of ${name}`, 'lineWeight', [kNperM[0] * 1000, kNperM[1] * 1000, kNperM[2] * 1000]),
  uptake: of('m_wet', `water held by ${name}, of its dry mass`, 'share', uptake, 'Judgement: a film of water and what the fibre takes; shake it, weigh it.'),
  wetGrowth: of('g_wet', `length gained by ${name} on wetting`, 'share', wetGrowth, 'Judgement: nylon lengthens, cotton shrinks, polyester and sheet hardly change.'),
  tieOuts,
});

export const CLOTHS: readonly Cloth[] = [
  cloth('nylon', 'thin coated nylon', [45, 55, 70], 24_000, 18_000, 2_500, [6, 10, 14], [0.4, 0.7, 1.2], [0.004, 0.012, 0.025], 1),
  cloth('polyester', 'coated polyester', [65, 80, 100], 60_000, 45_000, 4_000, [10, 15, 20], [0.3, 0.5, 0.9], [0, 0.001, 0.003], 1.2),
  cloth('canvas', 'polycotton canvas', [240, 280, 330], 70_000, 40_000, 8_000, [14, 22, 30], [0.35, 0.55, 0.8], [-0.015, -0.006, 0], 1.8),
  cloth('sheet', 'woven plastic sheet', [90, 110, 140], 45_000, 40_000, 5_000, [5, 8, 12], [0.2, 0.4, 0.7], [-0.001, 0, 0.001], 0.7),
];
export function findCloth(id: string): Cloth | undefined {
  return CLOTHS.find((c) => c.id === id);
}

/** How a cord takes hold of the cloth. Strengths in thin coated nylon. */
export const HOLDS = {
  loop: { name: 'sewn loop', strength: of('R_t', 'strength of a sewn loop', 'force', [200, 380, 650], 'Judgement: a reinforced patch and a bartacked loop; pull one with a spring balance.') },
  eyelet: { name: 'eyelet', strength: of('R_t', 'strength of an eyelet', 'force', [80, 180, 350], 'Judgement: pressed eyelets tear out of the hem.') },
  gathered: { name: 'gathered pebble', strength: of('R_t', 'strength of cloth gathered round a pebble', 'force', [120, 250, 450], 'Judgement: cloth spread round a smooth stone under a girth hitch.') },
} as const satisfies Record<string, { name: string; strength: Constant }>;
export type Hold = keyof typeof HOLDS;

/** Friction of cloth and cord lying on the ground. */
export const CLOTH_ON_GROUND: Constant = of('μ_g', 'friction of cloth on the ground', 'ratio', [0.3, 0.5, 0.8], 'Judgement: coated cloth slides on wet leaves and clings to turf.');
export const CORD_ON_CLOTH: Constant = of('mu_c', 'friction of cord on cloth', 'ratio', [0.15, 0.25, 0.35], 'Judgement: coated cloth is slick.');
