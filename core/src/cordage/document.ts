import type { Cord } from '../catalogue/index.js';
import { CORDS, findCord, worn } from '../catalogue/index.js';
import type { Described, Problem } from '../document/index.js';
import { id, idOf, part, within, words } from '../document/index.js';
import { CORD_LIMITS } from './limits.js';
import { OWN, ownCord, ownDocument, ownProblems } from './own.js';

/** A length of cord the person owns. */
export const cordDocument = part({
  id: id('cord'),
  name: words('name of the cord', 1, 60),
  /** One of the catalogue's, or the person's own, which `own` tells. */
  cord: idOf('cord', [...CORDS, { id: OWN }]),
  own: ownDocument.optional(),
  length: within(CORD_LIMITS.length),
  ...worn,
});
export type KitCord = Described<typeof cordDocument>;

/** What a hank is made of; undefined where the catalogue does not know it. */
export const cordOf = ({ cord, own }: Pick<KitCord, 'cord' | 'own'>): Cord | undefined =>
  own !== undefined && cord === OWN ? ownCord(own) : findCord(cord);

/** What the fields of a hank allow but the whole does not. */
export function cordProblems(hank: Pick<KitCord, 'cord' | 'own'>): Problem[] {
  if (hank.cord === OWN)
    return hank.own === undefined
      ? [{ field: 'own', message: 'A cord of one’s own needs its numbers under “own”.' }]
      : ownProblems(hank.own);
  if (hank.own !== undefined)
    return [{ field: 'own', message: `A cord of the catalogue has no numbers of its own; its cord must be “${OWN}”.` }];
  return findCord(hank.cord) === undefined
    ? [{ field: 'cord', message: `The catalogue has no cord “${hank.cord}”. Choose another.` }]
    : [];
}
