import type { WeatherReading } from '@rough-bight/core/weather';
import useSWR from 'swr';
import type { SWRResponse } from 'swr';
import { get } from './api.js';

/** What a forecast says, and whether it is a stand-in. */
export interface Told {
  readonly name: string;
  readonly simulated: boolean;
  readonly readings: readonly WeatherReading[];
}

/** The weather from now on, hour by hour; asked once. */
export const useForecast = (hours: number): SWRResponse<Told, Error> =>
  useSWR<Told, Error>(`/api/weather/ahead?hours=${hours}`, get, { revalidateOnFocus: false });
