import { SUN, WEAR } from '../catalogue/index.js';
import type { KitCord } from '../cordage/index.js';
import type { Need } from './need.js';
import { livesOnRoof } from './need.js';

/** A length on hand: what is left of a hank, or a piece that was cut from it before. */
export interface Stock {
  readonly id: string;
  /** Id of the hank. */
  readonly hank: string;
  /** Id of the piece; null for the hank itself. */
  readonly piece: string | null;
  readonly length: number;
  /** Id of the roof that it lives on; null where it is free. */
  readonly on: string | null;
}

/** All lengths of a kit's cords, hank by hank. */
export const stocksOf = (cords: readonly KitCord[]): Stock[] =>
  cords.flatMap((hank) => [
    ...(hank.length > 0 ? [{ id: hank.id, hank: hank.id, piece: null, length: hank.length, on: null }] : []),
    ...(hank.pieces ?? []).map((p) => ({
      id: `${hank.id}/${p.id}`,
      hank: hank.id,
      piece: p.id,
      length: p.length,
      on: p.on ?? null,
    })),
  ]);

/** What lives on a roof stays on it. */
export const mayTake = (need: Need, stock: Stock): boolean =>
  need.from.has(stock.hank) &&
  stock.length >= need.length - 1e-9 &&
  (stock.on === null || (stock.on === need.roof && livesOnRoof(need)));

const rank = (table: object, key: string): number => Object.keys(table).indexOf(key);

/** Whether one hank does for what was judged with another: the same cord, no older and no more worn. */
export const doesFor = (named: KitCord, other: KitCord): boolean =>
  other.cord === named.cord &&
  JSON.stringify(other.own ?? null) === JSON.stringify(named.own ?? null) &&
  rank(SUN, other.sun) <= rank(SUN, named.sun) &&
  rank(WEAR, other.wear) <= rank(WEAR, named.wear);
