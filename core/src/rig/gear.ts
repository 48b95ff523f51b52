import type { KitBed, KitStraps } from '../bed/index.js';
import type { KitRoof } from '../roof/index.js';
import type { KitPegs } from '../support/index.js';

/** What of a kit is no cord, list by list. */
export interface Gear {
  readonly roofs: readonly KitRoof[];
  readonly pegs: readonly KitPegs[];
  readonly beds: readonly KitBed[];
  readonly straps: readonly KitStraps[];
}
export type GearList = keyof Gear;
/** The lists, with what one entry of each is called. */
export const GEAR_NAMES: Readonly<Record<GearList, { readonly one: string; readonly these: string }>> = {
  roofs: { one: 'roof', these: 'This roof is' },
  pegs: { one: 'pegs', these: 'These pegs are' },
  beds: { one: 'bed', these: 'This bed is' },
  straps: { one: 'straps', these: 'These straps are' },
};
export const GEAR_LISTS = Object.keys(GEAR_NAMES) as readonly GearList[];
