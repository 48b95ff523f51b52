import type { LoadCase } from '../cases/index.js';
import { PITCHED, QUIET, gustCase, snowCase } from '../cases/index.js';
import { GUST_FACTOR, SHELTERS, SNOWS } from '../catalogue/index.js';
import type { SnowFeel } from '../catalogue/index.js';
import type { RidgeRig } from '../rig/index.js';
import { BEAUFORT, WIND_LAW_IDS, beaufortSpeed } from '../weather/index.js';

/** What is turned up over a rig: wind from one side, rad, dry or soaked; or snow of one feel, which lies on it. */
export type Turned =
  | { readonly of: 'wind'; readonly from: number; readonly wet: boolean }
  | { readonly of: 'snow'; readonly feel: SnowFeel };

/** One load of a climb: what it is, and how it is laid on the rig. */
export interface Load {
  /** Gust at the roof, m/s, or depth of snow on level ground, m. */
  readonly level: number;
  /** Beaufort number of the mean wind in the open; null for snow. */
  readonly beaufort: number | null;
}

/** Depths of snow on the way up, m: what an evening brings, and what a night may. */
const DEPTHS = [0, 0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4, 0.5] as const;

/** Loads in turn, from none to one nobody stays under. */
export const loadsOf = (rig: RidgeRig, { of }: Turned): readonly Load[] =>
  of === 'snow'
    ? DEPTHS.map((level) => ({ level, beaufort: null }))
    : BEAUFORT.map((_, beaufort) => ({
        level: beaufortSpeed(beaufort) * SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical,
        beaufort,
      }));

/** Cases of a level: a gust under every law; where there is no wind or snow, the rig as it then is. */
export function casesAt(level: number, turned: Turned): readonly LoadCase[] {
  if (turned.of === 'snow') return [snowCase(SNOWS[turned.feel].density.typical * level)];
  const { from, wet } = turned;
  if (level > 0) return WIND_LAW_IDS.map((law) => gustCase({ speed: level, from, law }, wet));
  const soaked = QUIET.find((c) => c.kind === 'wet')!;
  return [wet ? { ...soaked, environment: { ...soaked.environment, standing: false } } : PITCHED];
}

/** Pulls grow with this power of the level where nothing pulled before. */
export const powerOf = ({ of }: Turned): 1 | 2 => (of === 'wind' ? 2 : 1);
