import type { RidgeRig } from './rig-document.js';

/** A state of the weather and the clock in which the rig must hold. */
export interface LoadCase {
  readonly id: string;
  readonly name: string;
  /** "four hours on, dry". */
  readonly when: string;
  readonly wet: boolean;
  /** Since tying off, s. */
  readonly after: number;
  readonly gust: boolean;
  readonly sway: boolean;
}

const at = (id: string, name: string, when: string, after: number, traits: Partial<LoadCase> = {}): LoadCase => ({
  id,
  name,
  when,
  after,
  wet: false,
  gust: false,
  sway: false,
  ...traits,
});

export const HOUR = 3600;
const PITCHED = at('pitched', 'as pitched', 'just tied off, dry', 0);
const SETTLED = at('settled', 'after twenty minutes', 'dry, relaxed a little', 1200);
const EVENING = at('evening', 'at bedtime', 'four hours on, dry', 4 * HOUR);
const WET = at('wet', 'wet night', 'ten hours on, soaked', 10 * HOUR, { wet: true });

/** Cases without wind, in the order of the night: what relaxing and a wetting do. */
export const SETTLING: readonly LoadCase[] = [PITCHED, SETTLED, EVENING, WET];

/** Every case this rig is judged under. */
export function casesOf(rig: RidgeRig): LoadCase[] {
  const cases = [...SETTLING];
  if (rig.wind.beaufort > 0 && rig.hung.some((h) => h.area > 0)) {
    cases.push(at('gust', 'gust, dry', 'a gust on the tight dry line', 0, { gust: true }));
    cases.push(at('wet-gust', 'gust, soaked', 'a gust on the soaked line', 10 * HOUR, { gust: true, wet: true }));
  }
  if (rig.sway > 0) cases.push(at('sway', 'trunks swaying apart', 'on the tight dry line', 0, { sway: true }));
  return cases;
}
