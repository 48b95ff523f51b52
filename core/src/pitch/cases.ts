import { GUST_FACTOR, SHELTERS } from '../catalogue/index.js';
import { beaufortSpeed } from '../weather/index.js';
import type { RidgeRig } from '../rig/index.js';
import { HOUR } from '../rig/index.js';

/** Wind on a rig: speed at the roof in the gust, m/s, and the bearing it comes from, rad. */
export interface CaseWind {
  readonly speed: number;
  readonly from: number;
}

/** A state of weather and clock in which a pitched rig must hold. */
export interface PitchCase {
  readonly id: string;
  readonly name: string;
  /** As the end of a sentence: "lets go first in a gust". */
  readonly said: string;
  readonly when: string;
  readonly wet: boolean;
  /** Since tying off, s. */
  readonly after: number;
  readonly wind: CaseWind | null;
  /** Whether rain has filled what can hold it. */
  readonly ponding: boolean;
  /** How far the trunks sway apart, m. */
  readonly sway: number;
}

const at = (id: string, name: string, said: string, when: string, traits: Partial<PitchCase> = {}): PitchCase => ({
  id,
  name,
  said,
  when,
  wet: false,
  after: 0,
  wind: null,
  ponding: false,
  sway: 0,
  ...traits,
});

/** Without weather, in the order of the night: what relaxing and a wetting do. */
export const PITCHED = at('pitched', 'as pitched', 'as pitched', 'just tied off, dry');
export const QUIET: readonly PitchCase[] = [
  PITCHED,
  at('settled', 'after twenty minutes', 'after twenty minutes', 'dry, relaxed a little', { after: 1200 }),
  at('evening', 'at bedtime', 'by bedtime', 'four hours on, dry', { after: 4 * HOUR }),
  at('wet', 'wet night', 'on a wet night', 'ten hours on, soaked, low spots full', {
    after: 10 * HOUR,
    wet: true,
    ponding: true,
  }),
];

/** The gust at the roof: Beaufort's mean, less the shelter, times the gust factor, m/s. */
export function gustSpeed(rig: RidgeRig): number {
  return beaufortSpeed(rig.wind.beaufort) * SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical;
}

/**
 * Every case a pitched rig is judged under.
 * @param wind instead of the rig's own: a gust at the roof; null for still air
 */
export function pitchCases(rig: RidgeRig, wind?: CaseWind | null): PitchCase[] {
  const gust: CaseWind | null =
    wind !== undefined
      ? wind
      : rig.wind.beaufort > 0
        ? { speed: gustSpeed(rig), from: rig.pitch?.windFrom ?? 0 }
        : null;
  const out = [
    ...QUIET,
    at('rain', 'downpour', 'in a downpour', 'on the rig as pitched, low spots full', { ponding: true }),
  ];
  if (gust !== null) {
    out.push(at('gust', 'gust, dry', 'in a gust', 'a gust on the tight dry rig', { wind: gust }));
    out.push(
      at('wet-gust', 'gust, soaked', 'in a gust, soaked', 'a gust on the soaked rig', {
        wind: gust,
        wet: true,
        after: 10 * HOUR,
      }),
    );
  }
  if (rig.sway > 0)
    out.push(at('sway', 'trunks swaying apart', 'when the trunks sway', 'on the tight dry rig', { sway: rig.sway }));
  return out;
}
