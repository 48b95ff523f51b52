import { bedKitProblems, kitBedDocument, strapsDocument, strapsProblems } from '../bed/index.js';
import { cordDocument, cordProblems } from '../cordage/index.js';
import type { KitCord } from '../cordage/index.js';
import type { Problem } from '../document/index.js';
import { atMost, misfits, part } from '../document/index.js';
import { roofDocument, roofProblems } from '../roof/index.js';
import { pegsDocument, pegsProblems } from '../support/index.js';
import type { Gear } from './gear.js';
import { GEAR_LISTS } from './gear.js';
import type { KitList } from './used.js';

/** What one entry of each list of a kit is. */
export const KIT_DOCUMENTS = {
  cords: cordDocument,
  roofs: roofDocument,
  pegs: pegsDocument,
  beds: kitBedDocument,
  straps: strapsDocument,
} as const;

const most = (count: number): string => `A kit holds at most ${count} of these.`;

/** A whole kit, or the part of it that a rig uses. */
export const kitDocument = part({
  cords: atMost(cordDocument, 200, most(200)),
  roofs: atMost(roofDocument, 50, most(50)),
  pegs: atMost(pegsDocument, 50, most(50)),
  beds: atMost(kitBedDocument, 50, most(50)),
  straps: atMost(strapsDocument, 50, most(50)),
});

/** A whole kit, list by list. */
export type Kit = Gear & { readonly cords: readonly KitCord[] };

/** Every list of a kit. */
export const KIT_LISTS: readonly KitList[] = ['cords', ...GEAR_LISTS];

/** What the fields of a thing of the kit allow but the whole does not. */
const FITS: { readonly [L in KitList]: (thing: Kit[L][number]) => readonly Problem[] } = {
  cords: cordProblems,
  roofs: roofProblems,
  pegs: pegsProblems,
  beds: bedKitProblems,
  straps: strapsProblems,
};

/** Everything wrong with a value as a thing of this list of the kit: with its fields, or else with the whole. */
export function problemsInKit(list: KitList, value: unknown): readonly Problem[] {
  const found = misfits(KIT_DOCUMENTS[list], value);
  return found.length > 0 ? found : FITS[list](value as never);
}

/** The first of them; null when nothing is. */
export const wrongInKit = (list: KitList, value: unknown): Problem | null => problemsInKit(list, value)[0] ?? null;

/** The first thing of a kit whose fields are each right and which is not, by the field within the kit; null where there is none. */
export function misfitInKit(kit: Kit): Problem | null {
  for (const list of KIT_LISTS)
    for (const [i, thing] of kit[list].entries()) {
      const bad = FITS[list](thing as never)[0];
      if (bad !== undefined) return { ...bad, field: `${list}.${i}.${bad.field}` };
    }
  return null;
}
