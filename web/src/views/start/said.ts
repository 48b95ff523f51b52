import type { Described } from '@rough-bight/core/document';
import { keyOf, oneOf, pair, part, whole, within, words } from '@rough-bight/core/document';
import { SHELTERS } from '@rough-bight/core/catalogue';
import { limit } from '@rough-bight/core/quantity';
import { RIDGE_LIMITS } from '@rough-bight/core/rig';
import { PITCH_FORMS, ROOF_LIMITS } from '@rough-bight/core/roof';
import type { PitchForm } from '@rough-bight/core/roof';
import { PLACE_LIMITS } from '@rough-bight/core/ground';

/** Any roof that suits; or one by its size that is not in the kit. */
export const ANY = 'any';
export const OWN = 'own';

export const SAID_LIMITS = {
  people: limit('sleepers', 'count', 1, 12),
  packs: limit('packs', 'count', 0, 12),
  pupils: limit('people', 'count', 2, 60),
  mass: limit('weight', 'mass', 20, 180),
  /** A tree in one’s own hand spans. */
  girth: limit('tree in hand spans', 'count', 1.5, 20),
  paces: RIDGE_LIMITS.paces,
  length: ROOF_LIMITS.length,
  width: ROOF_LIMITS.width,
} as const;
const L = SAID_LIMITS;
const id = (what: string) => words(what, 0, 60);

/** What is said of a rig to begin with; everything keeps its own number, so that changing one's mind loses nothing. */
export const saidDocument = part({
  roof: id('roof'),
  form: oneOf<typeof ANY | PitchForm>('form', [ANY, ...PITCH_FORMS]),
  own: part({ length: within(L.length), width: within(L.width) }),
  who: oneOf('who it is for', ['ground', 'hammock', 'class']),
  people: whole(L.people),
  packs: whole(L.packs),
  pupils: whole(L.pupils),
  bed: id('hammock'),
  mass: within(L.mass),
  place: id('place'),
  span: words('span', 0, 200),
  paces: within(L.paces),
  girths: pair(within(L.girth)),
  beaufort: whole(PLACE_LIMITS.beaufort),
  shelter: keyOf('shelter', SHELTERS),
  wind: oneOf('way of the wind', ['across', 'along']),
});
export type Said = Described<typeof saidDocument>;

/** Paces between trees that suit each, to begin with. */
export const PACES: Readonly<Record<Said['who'], number>> = { ground: 8, hammock: 7, class: 10 };

export const freshSaid = (bed: string): Said => ({
  roof: ANY,
  form: ANY,
  own: { length: 3, width: 3 },
  who: 'ground',
  people: 2,
  packs: 2,
  pupils: 12,
  bed,
  mass: 85,
  place: '',
  span: '',
  paces: PACES.ground,
  girths: [3.5, 3.5],
  beaufort: 3,
  shelter: 'wood',
  wind: 'across',
});
