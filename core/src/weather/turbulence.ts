import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Wind along its mean direction, as it gusts at one place. */
export interface Turbulence {
  /** Mean, m/s. */
  readonly mean: number;
  /** Standard deviation, m/s. */
  readonly deviation: number;
  /** Length scale, m. */
  readonly length: number;
}

/** Wind against time, evenly spaced. */
export interface WindSeries {
  /** Where it is from, in words. */
  readonly name: string;
  /** s. */
  readonly every: number;
  /** m/s. */
  readonly speed: Float64Array;
}

/**
 * Length scale of gusts near the ground, m: EN 1991-1-4:2005, B.1, at 2 m over grass, 300 (2/200)^0.52. Range 15 to 60: it is made for
 * masts and bridges, and woods break gusts up.
 */
export const GUST_LENGTH = 27;
/** Peak of the gust a building is judged by, in standard deviations of the wind: EN 1991-1-4:2005, 4.5, note 4. */
export const PEAK = 3.5;

/**
 * Power of gusts at a frequency, m2/s2 a hertz, one-sided: von Karman's spectrum (Proc. Natl. Acad. Sci. 34, 1948, 530; in this form
 * ESDU 85020): S = 4 s² (L/U) / (1 + 70.8 (f L/U)²)^(5/6).
 * @param f Hz
 */
export function gustSpectrum(f: number, { mean, deviation, length }: Turbulence): number {
  const t = length / mean;
  return (4 * deviation * deviation * t) / (1 + 70.8 * (f * t) ** 2) ** (5 / 6);
}

/**
 * Gusting wind made from its spectrum: cosines of every frequency with chance phases (Shinozuka and Deodatis, Appl. Mech. Rev. 44, 1991,
 * 191). It never blows backward.
 * @param samples how many, evenly spaced
 * @param every   s
 * @param seed    whole number; the same gives the same wind
 */
export function gustSeries(turbulence: Turbulence, samples: number, every: number, seed: number): Float64Array {
  const source = xoroshiro128plus(Math.imul(seed | 0, 0x9e3779b1) ^ 0x2545f491);
  const out = new Float64Array(samples).fill(turbulence.mean);
  if (!(turbulence.mean > 0)) return out;
  const apart = 1 / (samples * every);
  const waves = Math.floor(samples / 2);
  for (let k = 0; k < waves; k++) {
    const f = (k + 0.5) * apart;
    const size = Math.sqrt(2 * gustSpectrum(f, turbulence) * apart);
    const phase = 2 * Math.PI * uniformFloat64(source);
    // cos((n + 1) a + p) = 2 cos a cos(n a + p) - cos((n - 1) a + p)
    const turn = 2 * Math.PI * f * every;
    const twice = 2 * Math.cos(turn);
    let [before, now] = [Math.cos(phase - turn), Math.cos(phase)];
    for (let n = 0; n < samples; n++) {
      out[n]! += size * now;
      [before, now] = [now, twice * now - before];
    }
  }
  for (let n = 0; n < samples; n++) out[n] = Math.max(0, out[n]!);
  return out;
}

/** Samples a second of a made series: faster gusts than half of that are smaller than a roof. */
const RATE = 10;
/** A minute is taken out of ten: the one round their strongest gust. */
const RECORD = 600;

/**
 * The gustiest minute of ten, as the station's stand-in makes it up.
 * @param mean   at the roof, m/s
 * @param factor gust over mean: so much is the spread that a gust of {@link PEAK} deviations is by that over the mean
 */
export function gustyMinute(mean: number, factor: number, seed: number): WindSeries {
  const deviation = ((factor - 1) * mean) / PEAK;
  const whole = gustSeries({ mean, deviation, length: GUST_LENGTH }, RECORD * RATE, 1 / RATE, seed);
  let at = 0;
  for (let n = 1; n < whole.length; n++) if (whole[n]! > whole[at]!) at = n;
  const minute = 60 * RATE;
  const start = Math.min(Math.max(0, at - minute / 2), whole.length - minute - 1);
  return { name: 'Landing mast, made up', every: 1 / RATE, speed: whole.slice(start, start + minute + 1) };
}

/** How long a series is, s. */
export const lengthOf = ({ speed, every }: WindSeries): number => (speed.length - 1) * every;

/** Wind at a moment, m/s, straight between its samples, its ends beyond them. @param time s */
export function windAt({ speed, every }: WindSeries, time: number): number {
  const t = Math.min(Math.max(0, time / every), speed.length - 1);
  const i = Math.min(Math.floor(t), speed.length - 2);
  return speed[i]! + (t - i) * (speed[i + 1]! - speed[i]!);
}
