/** Weather at one time and place. SI; bearings in rad clockwise from north. */
export interface WeatherReading {
  /** Milliseconds since 1970, UTC. */
  readonly time: number;
  /** Mean wind over ten minutes at ten metres in the open, m/s, and where it comes from. */
  readonly wind: number;
  readonly gust: number;
  readonly from: number;
  /** mm an hour. */
  readonly rain: number;
  /** Degrees Celsius. */
  readonly temperature: number;
  /** Pa. */
  readonly pressure: number;
}

/** What any weather station offers: the newest reading. @throws Error in words when it has none */
export interface WeatherStation {
  readonly name: string;
  readonly simulated: boolean;
  now(): Promise<WeatherReading>;
}

/** What any forecast offers: hour by hour from now. */
export interface Forecast {
  readonly name: string;
  readonly simulated: boolean;
  ahead(hours: number): Promise<readonly WeatherReading[]>;
}

const HOUR = 3_600_000;
/** A storm passes once in so many hours, so that one is always to come. */
const ROUND = 60;
/** Hours from a round's beginning to the storm's height, and how long it lasts. */
const STORM_AT = 38;
const STORM_LENGTH = 7;

/** Reproducible noise from a whole number, -1 to 1: the integer hash of T. Wang. */
function noise(n: number): number {
  let h = (n ^ 61 ^ (n >>> 16)) >>> 0;
  h = Math.imul(h, 9);
  h ^= h >>> 4;
  h = Math.imul(h, 0x27d4eb2d);
  h ^= h >>> 15;
  return ((h >>> 0) / 0xffffffff) * 2 - 1;
}

/** Noise between whole numbers, smoothly. */
function smooth(x: number, seed: number): number {
  const i = Math.floor(x);
  const t = x - i;
  const w = t * t * (3 - 2 * t);
  return noise(i + seed * 1013) * (1 - w) + noise(i + 1 + seed * 1013) * w;
}

/**
 * Made-up weather of an unsettled week of spring at any time: breezes by day, a front and its storm once in sixty
 * hours. A stand-in: no forecast of anywhere.
 */
export function simulatedWeather(time: number): WeatherReading {
  const hour = time / HOUR;
  const inRound = ((hour % ROUND) + ROUND) % ROUND;
  const storm = Math.exp(-(((inRound - STORM_AT) / STORM_LENGTH) ** 2));
  const day = Math.sin(((hour % 24) - 9) * (Math.PI / 12));
  const wind = Math.max(0.3, 3.2 + 1.2 * day + 1.1 * smooth(hour / 2, 1) + 15 * storm);
  const after = 1 / (1 + Math.exp(-(inRound - STORM_AT) / 2));
  const from = ((200 + 25 * smooth(hour / 6, 2) + 70 * after * Math.exp(-(inRound - STORM_AT) / 14)) * Math.PI) / 180;
  return {
    time,
    wind,
    gust: wind * (1.45 + 0.1 * smooth(hour, 3)),
    from: from % (2 * Math.PI),
    rain: Math.max(0, 9 * storm + 1.2 * smooth(hour / 3, 4) - 0.4),
    temperature: 9 + 4 * day - 3 * storm + smooth(hour / 5, 5),
    pressure: 101_300 - 2400 * storm + 350 * smooth(hour / 9, 6),
  };
}

/** The stand-in for a station on the landing: today's made-up weather, read with an instrument's scatter. */
export function simulatedStation(clock: () => number): WeatherStation {
  return {
    name: 'Landing mast',
    simulated: true,
    now: () => {
      const time = Math.floor(clock() / 60_000) * 60_000;
      const true_ = simulatedWeather(time);
      const minute = time / 60_000;
      return Promise.resolve({
        ...true_,
        wind: Math.max(0, true_.wind * (1 + 0.05 * noise(minute))),
        from: (true_.from + 0.09 * noise(minute + 7) + 2 * Math.PI) % (2 * Math.PI),
      });
    },
  };
}

/** The stand-in for a forecast: what will come, less and less surely. */
export function simulatedForecast(clock: () => number): Forecast {
  return {
    name: 'River forecast',
    simulated: true,
    ahead: (hours) => {
      const first = Math.ceil(clock() / HOUR) * HOUR;
      return Promise.resolve(
        Array.from({ length: hours }, (_, i): WeatherReading => {
          const weather = simulatedWeather(first + i * HOUR);
          const doubt = Math.min(0.25, i * 0.004);
          return { ...weather, wind: weather.wind * (1 + doubt * smooth((first / HOUR + i) / 5, 8)) };
        }),
      );
    },
  };
}

/** The hour of strongest wind. @throws RangeError for an empty list */
export function worstOf(readings: readonly WeatherReading[]): WeatherReading {
  const first = readings[0];
  if (first === undefined) throw new RangeError('readings: none; at least one is needed');
  return readings.reduce((worst, r) => (r.wind > worst.wind ? r : worst), first);
}
