export { nightOf } from './plan.js';
export type { Before, Fares, Night, NightHour, NightTask, Retension } from './plan.js';
export { effortOf } from './effort.js';
export type { Effort, Handed } from './effort.js';
export { otherPitches } from './pitches.js';
export type { OtherPitch, Repitched } from './pitches.js';
