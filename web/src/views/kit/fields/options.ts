import { SUN, WEAR } from '@rough-bight/core/catalogue';
import type { Sun, Wear } from '@rough-bight/core/catalogue';

/** Things of a catalogue as choices. */
export const named = <T extends { readonly id: string; readonly name: string }>(list: readonly T[]) =>
  list.map(({ id, name }) => ({ id, name }));

/** A table of the catalogue as choices, by its keys. */
export const keyed = <K extends string>(table: Readonly<Record<K, { readonly name: string }>>) =>
  (Object.keys(table) as K[]).map((id) => ({ id, name: table[id].name }));

export const SUN_OPTIONS = (Object.keys(SUN) as Sun[]).map((id) => ({ id, name: SUN[id].title }));
export const WEAR_OPTIONS = (Object.keys(WEAR) as Wear[]).map((id) => ({ id, name: WEAR[id].title }));
