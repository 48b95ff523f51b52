import type { Pitch } from './pitch-document.js';
import type { RidgeRig } from './rig-document.js';

/** The weather of a rig, as a person says it: wind, swaying trees, snow, and which kinds of it are left out. */
export type RigWeather = Pick<RidgeRig, 'wind' | 'sway'> &
  Partial<Pick<Pitch, 'windFrom' | 'snow' | 'without' | 'gusts'>>;

/** A rig in some weather. A roof keeps its own side of the wind where none is said. */
export function inWeather(rig: RidgeRig, { wind, sway, windFrom, snow, without, gusts }: RigWeather): RidgeRig {
  const { pitch } = rig;
  if (pitch === undefined) return { ...rig, wind, sway };
  return { ...rig, wind, sway, pitch: { ...pitch, windFrom: windFrom ?? pitch.windFrom, snow, without, gusts } };
}
