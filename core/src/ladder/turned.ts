import type { LoadCase } from '../cases/index.js';
import { PITCHED, gustCase, rainCase, snowCase } from '../cases/index.js';
import { GUST_FACTOR, SHELTERS, SNOWS } from '../catalogue/index.js';
import type { SnowFeel } from '../catalogue/index.js';
import type { RidgeRig } from '../rig/index.js';
import { BEAUFORT, WIND_LAW_IDS, beaufortSpeed } from '../weather/index.js';

/** What is turned up over a rig: wind from one side, rad, dry or soaked; snow of one feel, which lies on it; rain, which stands where it can; or the mass of who lies in the bed. */
export type Turned =
  | { readonly of: 'wind'; readonly from: number; readonly wet: boolean }
  | { readonly of: 'snow'; readonly feel: SnowFeel }
  | { readonly of: 'rain' }
  | { readonly of: 'people' };

/** What is laid on the roof itself. */
export type OnRoof = Exclude<Turned, { readonly of: 'people' }>;

/** One load of a climb: what it is, and how it is laid on the rig. */
export interface Load {
  /** Gust at the roof, m/s; depth of snow on level ground, m; rain that has fallen at once, m; or the mass of who lies in the bed, kg. */
  readonly level: number;
  /** Beaufort number of the mean wind in the open; null for anything else. */
  readonly beaufort: number | null;
}

/** Depths of snow on the way up, m: what an evening brings, and what a night may. */
const DEPTHS = [0, 0.02, 0.05, 0.1, 0.15, 0.2, 0.3, 0.4, 0.5] as const;

/** Rain that falls in a cloudburst or stays from a night of it where nobody lets it off, m: to 60 mm, an hour of the heaviest. */
const FALLEN = [0, 0.002, 0.005, 0.01, 0.015, 0.02, 0.03, 0.04, 0.06] as const;

/** Loads in turn, from none to one nobody stays under. */
export const loadsOf = (rig: RidgeRig, { of }: OnRoof): readonly Load[] =>
  of !== 'wind'
    ? (of === 'snow' ? DEPTHS : FALLEN).map((level) => ({ level, beaufort: null }))
    : BEAUFORT.map((_, beaufort) => ({
        level: beaufortSpeed(beaufort) * SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical,
        beaufort,
      }));

/** Cases of a level: a gust under every law; where there is no wind or snow, the rig as it then is. */
export function casesAt(level: number, turned: OnRoof): readonly LoadCase[] {
  if (turned.of === 'snow') return [snowCase(SNOWS[turned.feel].density.typical * level)];
  if (turned.of === 'rain') return [rainCase(level)];
  const { from, wet } = turned;
  if (level > 0) return WIND_LAW_IDS.map((law) => gustCase({ speed: level, from, law }, wet));
  return [wet ? rainCase(0) : PITCHED];
}

/** Pulls grow with this power of the level where nothing pulled before. */
export const powerOf = ({ of }: OnRoof): 1 | 2 => (of === 'wind' ? 2 : 1);
