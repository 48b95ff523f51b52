import type { Cord } from '../catalogue/index.js';
import { CORDS, findCord, worn } from '../catalogue/index.js';
import type { Described, Problem } from '../document/index.js';
import { atMost, id, idOf, moment, part, within, words } from '../document/index.js';
import { CORD_LIMITS, MOST_CUTS, MOST_PIECES } from './limits.js';
import { OWN, ownCord, ownDocument, ownProblems } from './own.js';

/** A length that was cut from a hank and is still on hand. */
const piece = part({
  id: id('piece'),
  length: within(CORD_LIMITS.piece),
  /** What it was cut for, or is known by. */
  name: words('name of the piece', 0, 60),
  /** Id of the roof of the kit that it lives on. */
  on: id('roof').optional(),
});
export type CordPiece = Described<typeof piece>;

/** Something that was done with a hank. */
const deed = part({
  /** When, as ISO 8601 tells it. */
  at: moment('time of the cut'),
  /** m. */
  length: within(CORD_LIMITS.piece),
  /** What for. */
  name: words('name of what it was cut for', 0, 120),
});
export type CordCut = Described<typeof deed>;

/** A hank of cord the person owns, and what was cut from it. */
export const cordDocument = part({
  id: id('cord'),
  name: words('name of the cord', 1, 60),
  /** One of the catalogue's, or the person's own, which `own` tells. */
  cord: idOf('cord', [...CORDS, { id: OWN }]),
  own: ownDocument.optional(),
  /** Of what is left in one length, m; 0 where all of it was cut. */
  length: within(CORD_LIMITS.length),
  /** Lengths that were cut from it and are still on hand. */
  pieces: atMost(piece, MOST_PIECES, `At most ${MOST_PIECES} pieces of a hank can be kept.`)
    .refine((list) => new Set(list.map((p) => p.id)).size === list.length, {
      error: 'Each piece needs an id of its own.',
    })
    .optional(),
  /** What was cut from it, oldest first. */
  cuts: atMost(deed, MOST_CUTS, `At most ${MOST_CUTS} cuts of a hank can be kept.`).optional(),
  ...worn,
});
export type KitCord = Described<typeof cordDocument>;

/** All of a hank that is on hand, m. */
export const onHand = ({ length, pieces = [] }: Pick<KitCord, 'length' | 'pieces'>): number =>
  pieces.reduce((sum, p) => sum + p.length, length);

/** The longest that it has in one, m. */
export const inOne = ({ length, pieces = [] }: Pick<KitCord, 'length' | 'pieces'>): number =>
  Math.max(length, ...pieces.map((p) => p.length));

/** What a hank is made of; undefined where the catalogue does not know it. */
export const cordOf = ({ cord, own }: Pick<KitCord, 'cord' | 'own'>): Cord | undefined =>
  own !== undefined && cord === OWN ? ownCord(own) : findCord(cord);

/** What the fields of a hank allow but the whole does not. */
export function cordProblems(hank: Pick<KitCord, 'cord' | 'own' | 'length' | 'pieces'>): Problem[] {
  if (onHand(hank) < CORD_LIMITS.piece.min)
    return [
      { field: 'length', message: 'Nothing is left of this hank. Say how long it is, or take it out of the kit.' },
    ];
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
