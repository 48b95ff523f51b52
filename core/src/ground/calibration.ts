import type { BodyMeasures, Limit } from '../quantity/index.js';
import { Z95, limit } from '../quantity/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';

/** Body measures that are calibrated against a tape, and how well they are known before that. */
export const UNITS_OF_BODY = {
  pace: { name: 'pace', walked: true, share: 0.03, min: 0.3, max: 1.5 },
  foot: { name: 'foot, heel to toe', walked: true, share: 0.015, min: 0.15, max: 0.45 },
  handSpan: { name: 'hand span', walked: true, share: 0.03, min: 0.1, max: 0.35 },
  armSpan: { name: 'arm span', walked: true, share: 0.02, min: 0.8, max: 2.6 },
  waist: { name: 'waist', walked: false, share: 0.015, min: 0.4, max: 1.6 },
  elbow: { name: 'elbow', walked: false, share: 0.015, min: 0.4, max: 1.7 },
  chest: { name: 'chest', walked: false, share: 0.015, min: 0.5, max: 1.9 },
  shoulder: { name: 'shoulder', walked: false, share: 0.015, min: 0.6, max: 2 },
  brow: { name: 'brow', walked: false, share: 0.015, min: 0.7, max: 2.3 },
  reach: { name: 'full reach', walked: false, share: 0.02, min: 0.9, max: 3 },
} as const satisfies Record<
  string,
  {
    readonly name: string;
    readonly walked: boolean;
    readonly share: number;
    readonly min: number;
    readonly max: number;
  }
>;
export type BodyUnit = keyof typeof UNITS_OF_BODY;
export const BODY_UNITS = Object.keys(UNITS_OF_BODY) as BodyUnit[];

const bodyLimit = (unit: BodyUnit): Limit => {
  const { name, min, max } = UNITS_OF_BODY[unit];
  return limit(name, 'length', min, max);
};
/** What a person's measures may be. */
export const BODY_LIMITS = {
  ...(Object.fromEntries(BODY_UNITS.map((unit) => [unit, bodyLimit(unit)])) as Record<BodyUnit, Limit>),
  paceSpread: limit('spread of the pace', 'share', 0.002, 0.3),
} as const satisfies Record<keyof BodyMeasures, Limit>;

/** One repeat: so many of the unit along a taped length; a height is one of itself. */
export interface Repeat {
  readonly taped: number;
  readonly count: number;
}
export type Calibrations = Readonly<Partial<Record<BodyUnit, readonly Repeat[]>>>;
export const MOST_REPEATS = 12;

/** What repeats say of a unit. */
export interface Calibration {
  /** Length of one, m. */
  readonly mean: number;
  /** Standard deviation of one measuring, as a share of what is measured. */
  readonly share: number;
  /** Standard error of the mean, as a share: the same mistake in everything measured with this unit. */
  readonly scale: number;
  readonly repeats: number;
}

/** Weight of what is believed before the first repeat, as so many repeats' worth of spread. Judgement, 2 to 6. */
const PRIOR_FREEDOM = 4;

/**
 * Mean and spread of a body unit from a few repeats. The mean is that of the repeats (total taped over total count).
 * The spread joins them with what is believed beforehand, as the scaled inverse chi-square does for a normal sample
 * (Gelman et al., Bayesian Data Analysis, 3rd ed. 2013, ch. 3):  s^2 = (nu0 s0^2 + (n - 1) s_n^2) / (nu0 + n - 1),
 * widened from Student's t to the normal by sqrt(nu / (nu - 2)): two lucky repeats do not make a perfect pace.
 * @param believed spread before any repeat, as a share
 * @throws RangeError for no repeats, or one that is not a positive finite length and count
 */
export function calibrate(repeats: readonly Repeat[], believed: number): Calibration {
  if (repeats.length === 0) throw new RangeError('repeats: none; at least one is needed');
  for (const r of repeats)
    if (!(r.taped > 0 && r.count > 0 && Number.isFinite(r.taped) && Number.isFinite(r.count)))
      throw new RangeError(`repeats: ${r.taped} m in ${r.count}; both must be above zero`);
  const n = repeats.length;
  const mean = repeats.reduce((s, r) => s + r.taped, 0) / repeats.reduce((s, r) => s + r.count, 0);
  const squares = repeats.reduce((s, r) => s + (r.taped / r.count / mean - 1) ** 2, 0);
  const freedom = PRIOR_FREEDOM + n - 1;
  const variance = (PRIOR_FREEDOM * believed * believed + squares) / freedom;
  const share = Math.sqrt((variance * freedom) / (freedom - 2));
  return { mean, share, scale: share / Math.sqrt(n), repeats: n };
}

/** The mean of a calibrated unit with its working, each repeat an input. */
export function calibrationFigure(unit: BodyUnit, repeats: readonly Repeat[]): Figure {
  const { name, walked, share: believed } = UNITS_OF_BODY[unit];
  const { mean, share, scale } = calibrate(repeats, believed);
  const inputs = repeats.map((r, i) =>
    given(
      {
        symbol: `u_${i + 1}`,
        title: walked ? `repeat ${i + 1}: ${r.count} along the tape` : `repeat ${i + 1}`,
        quantity: 'length',
      },
      r.taped / r.count,
      { kind: 'measured', text: `by tape${walked ? `, in ${r.count}` : ''}` },
    ),
  );
  const figure = derive(
    {
      symbol: 'u',
      title: `one ${name}`,
      quantity: 'length',
      formula: 'u = Σ taped / Σ count;  s² = (ν₀ s₀² + Σ (u_i / u - 1)²) / (ν₀ + n - 1)',
      notes: [
        `One measuring scatters by ${(share * 100).toFixed(1)} % (one standard deviation), from these repeats and the ${(believed * 100).toFixed(1)} % believed beforehand. The length itself is known to ${(scale * 100).toFixed(1)} %.`,
      ],
    },
    inputs,
    () => mean,
  );
  return { ...figure, range: [mean * (1 - Z95 * scale), mean * (1 + Z95 * scale)] };
}

/** A body with every calibrated unit at the mean of its repeats, and the pace's spread from them. */
export function calibratedBody(body: BodyMeasures, calibrations: Calibrations): BodyMeasures {
  const out: { -readonly [K in keyof BodyMeasures]: BodyMeasures[K] } = { ...body };
  for (const unit of BODY_UNITS) {
    const repeats = calibrations[unit];
    if (repeats === undefined || repeats.length === 0) continue;
    const { mean, share } = calibrate(repeats, UNITS_OF_BODY[unit].share);
    out[unit] = mean;
    if (unit === 'pace') out.paceSpread = share;
  }
  return out;
}
