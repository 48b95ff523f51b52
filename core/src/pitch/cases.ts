import { GUST_FACTOR, SHELTERS, SNOWS } from '../catalogue/index.js';
import { WIND_LAWS, WIND_LAW_IDS, beaufortSpeed, compassPoint } from '../weather/index.js';
import type { WindLaw } from '../weather/index.js';
import type { RidgeRig } from '../rig/index.js';
import { HOUR } from '../rig/index.js';

/** Wind on a rig: speed at the roof in the gust, m/s, the bearing it comes from, rad, and how it is laid on the cloth. */
export interface CaseWind {
  readonly speed: number;
  readonly from: number;
  readonly law: WindLaw;
}

/** A gust to judge under instead of the rig's own: from one bearing, rad, or (null) from all sixteen. */
export interface GivenWind {
  readonly speed: number;
  readonly from: number | null;
}

/** What goes together: the cases of one group differ in the wind's bearing and law alone. */
export type CaseGroup =
  'pitched' | 'settled' | 'evening' | 'wet' | 'rain' | 'snow' | 'gust' | 'wet-gust' | 'sway' | 'lain';

/** A state of weather and clock in which a pitched rig must hold. */
export interface PitchCase {
  readonly id: string;
  readonly group: CaseGroup;
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
  /** Snow that has fallen on it, kg/m² on level ground. */
  readonly snow: number;
}

const at = (
  group: CaseGroup,
  name: string,
  said: string,
  when: string,
  traits: Partial<PitchCase> = {},
): PitchCase => ({
  id: group,
  group,
  name,
  said,
  when,
  wet: false,
  after: 0,
  wind: null,
  ponding: false,
  sway: 0,
  snow: 0,
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

/** As it stands when someone in a bed has drawn the trunks together. @param by m */
export const lainCase = (by: number): PitchCase =>
  at('lain', 'with someone in the bed', 'with someone in the bed', 'lain in, dry', { sway: -by });

/** The gust at the roof: Beaufort's mean, less the shelter, times the gust factor, m/s. */
export function gustSpeed(rig: RidgeRig): number {
  return beaufortSpeed(rig.wind.beaufort) * SHELTERS[rig.wind.shelter].typical * GUST_FACTOR.typical;
}

/** Bearings a gust is judged from: the named one and fifteen more round the compass. */
export const BEARINGS = 16;

/** Bearings of a gust, rad, the named one first. */
export function bearingsOf(named: number): number[] {
  return Array.from({ length: BEARINGS }, (_, k) => (named + (2 * Math.PI * k) / BEARINGS) % (2 * Math.PI));
}

/** A gust from one bearing under one law, dry or soaked. */
export function gustCase(wind: CaseWind, wet: boolean): PitchCase {
  const group = wet ? 'wet-gust' : 'gust';
  const from = compassPoint(wind.from, 16);
  const law = WIND_LAWS[wind.law].said;
  return at(
    group,
    `gust from the ${from}, ${wet ? 'soaked, ' : ''}${law}`,
    `in a gust from the ${from}${wet ? ', soaked' : ''}`,
    `on the ${wet ? 'soaked' : 'tight dry'} rig`,
    {
      id: `${group} ${((wind.from * 180) / Math.PI).toFixed(1)} ${wind.law}`,
      wind,
      wet,
      after: wet ? 10 * HOUR : 0,
    },
  );
}

/** The gust a rig is judged under: its own, or one given; null for still air. */
export function gustOf(
  rig: RidgeRig,
  given?: GivenWind | null,
): { readonly speed: number; readonly bearings: readonly number[] } | null {
  if (given === null) return null;
  const named = rig.pitch?.windFrom ?? 0;
  if (given !== undefined)
    return given.speed > 0
      ? { speed: given.speed, bearings: given.from === null ? bearingsOf(named) : [given.from] }
      : null;
  return rig.wind.beaufort > 0 ? { speed: gustSpeed(rig), bearings: bearingsOf(named) } : null;
}

/**
 * Every case a pitched rig is judged under: the quiet ones, and a gust from every bearing by every law, dry and soaked.
 * @param wind instead of the rig's own: a gust at the roof; null for still air
 */
export function pitchCases(rig: RidgeRig, wind?: GivenWind | null): PitchCase[] {
  const out = [
    ...QUIET,
    at('rain', 'downpour', 'in a downpour', 'on the rig as pitched, low spots full', { ponding: true }),
  ];
  if (rig.sway > 0)
    out.push(at('sway', 'trunks swaying apart', 'when the trunks sway', 'on the tight dry rig', { sway: rig.sway }));
  const { snow } = rig.pitch!;
  if (snow !== undefined && snow.depth > 0)
    out.push(
      at('snow', 'under snow', 'under the snow', `${SNOWS[snow.feel].name}, relaxed a night`, {
        after: 10 * HOUR,
        snow: SNOWS[snow.feel].density.typical * snow.depth,
      }),
    );
  const gust = gustOf(rig, wind);
  if (gust !== null)
    for (const wet of [false, true])
      for (const law of WIND_LAW_IDS)
        for (const from of gust.bearings) out.push(gustCase({ speed: gust.speed, from, law }, wet));
  return out;
}
