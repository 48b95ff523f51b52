export { nightOf } from './plan.js';
export type { Before, Fares, Night, NightHour, NightTask, Retension } from './plan.js';
export { betweenTheSame, effortOf } from './effort.js';
export type { Effort, Handed } from './effort.js';
export { flickedAway, otherPitches } from './pitches.js';
export type { OtherPitch, Repitched } from './pitches.js';
