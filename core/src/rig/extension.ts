import type { Bend, Cord } from '../catalogue/index.js';
import { BENDS, BEND_TAILS, WRONG_BEND, safeBends } from '../catalogue/index.js';
import type { EndLength, KitCord } from '../cordage/index.js';
import { cordOf } from '../cordage/index.js';
import type { Described, Problem } from '../document/index.js';
import { id, idOf, part, within } from '../document/index.js';
import type { TensionCurve } from '../line/index.js';
import { strainAt, tensionCurve } from '../line/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import { RIDGE_LIMITS } from './limits.js';

/** A line too short, made longer: from so far along the straight bare line on it is another cord, joined to it by a bend. */
export const joinedDocument = part({
  cord: id('cord'),
  bend: idOf('bend', BENDS),
  /** Where the bend is, from the first tie, m. */
  at: within(RIDGE_LIMITS.at),
});
export type Joined = Described<typeof joinedDocument>;

/** The cord that a line goes on in. */
export interface Extension {
  readonly kitCord: KitCord;
  readonly cord: Cord;
  readonly bend: Bend;
  /** m from the first tie. */
  readonly at: number;
  /** Share of the line that it is. */
  readonly share: number;
}

/** A line's extension; null where it has none, or its cord is unknown. @param distance between the ties, m */
export function extensionOf(joined: Joined | undefined, kit: readonly KitCord[], distance: number): Extension | null {
  if (joined === undefined) return null;
  const kitCord = kit.find((k) => k.id === joined.cord);
  const cord = kitCord === undefined ? undefined : cordOf(kitCord);
  const bend = BENDS.find((b) => b.id === joined.bend);
  if (kitCord === undefined || cord === undefined || bend === undefined) return null;
  return { kitCord, cord, bend, at: joined.at, share: Math.min(1, Math.max(0, 1 - joined.at / distance)) };
}

/** Why a line cannot be joined as it is told: each with the field and the remedy. @param bearsPerson whether a person hangs from it */
export function joinedProblems(joined: Joined | undefined, kit: readonly KitCord[], bearsPerson: boolean): Problem[] {
  if (joined === undefined) return [];
  const out: Problem[] = [];
  if (!kit.some((k) => k.id === joined.cord))
    out.push({ field: 'joined.cord', message: 'The cord that it goes on in is no longer in the kit. Choose another.' });
  if (joined.bend === WRONG_BEND.id)
    out.push({
      field: 'joined.bend',
      message: `${WRONG_BEND.refused!} Take a ${safeBends()[0]!.name} instead: it holds, and is undone by hand.`,
    });
  if (bearsPerson)
    out.push({
      field: 'joined',
      message: 'Nobody hangs from a line that was joined. Take one length, or a closer pair of trees.',
    });
  return out;
}

/** What a bend takes of either cord. */
export const bendEnd = ({ cordInDiameters }: Bend): EndLength => ({
  wraps: 0,
  girth: 0,
  knotDiameters: cordInDiameters / 2,
  tail: BEND_TAILS / 2,
});

/** Two cords one after the other: the same pull goes through both, and each stretches by its own curve over its own part. */
export function inSeries(first: TensionCurve, then: TensionCurve, share: number): TensionCurve {
  const pulls = [...new Set([...first.tension, ...then.tension])].sort((a, b) => a - b);
  const points: [number, number][] = [];
  for (const pull of pulls) {
    const strain = (1 - share) * strainAt(first, pull) + share * strainAt(then, pull);
    const last = points.at(-1);
    // points nearer than a curve tells apart are one
    if (last === undefined || (strain > last[0] + 1e-12 && pull > last[1] + 1e-9)) points.push([strain, pull]);
  }
  return tensionCurve(points);
}

/** A number of two cords, by how much of the line each is. */
export const ofBoth = (first: Figure, then: Figure, share: number): Figure =>
  derive(
    {
      symbol: first.symbol,
      title: `${first.title} and ${then.title}`,
      quantity: first.quantity,
      formula: '(1 − s) a + s b',
    },
    [
      { ...first, symbol: 'a' },
      { ...then, symbol: 'b' },
      given({ symbol: 's', title: 'share of the line that is the second', quantity: 'share' }, share, {
        kind: 'measured',
        text: 'where it is joined',
      }),
    ],
    (a, b, s) => (1 - s!) * a! + s! * b!,
  );

/** Cord that an end of a line and its half of a bend take at the least, m. Judgement: a wrap, a knot and a tail. */
const TAKEN = 1.2;
/** Nearer to an end than this no bend is tied, m. Judgement. */
const CLEAR = 0.4;

/**
 * A line joined as it first comes to hand: as far as the first cord reaches, by the bend that is easiest to undo.
 * @param first    longest length of the first cord, m @param distance between the ties, m
 */
export function freshJoined(cord: string, first: number, distance: number): Joined {
  const reaches = first - TAKEN < distance - CLEAR ? first - TAKEN : distance / 2;
  const at = Math.min(distance - CLEAR, Math.max(CLEAR, reaches));
  return { cord, bend: safeBends()[0]!.id, at: Math.round(20 * at) / 20 };
}
