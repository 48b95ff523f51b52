export { nightOf } from './plan.js';
export type { Before, Fares, Night, NightHour, NightTask, Retension } from './plan.js';
