import type { Cut } from '../cordage/index.js';
import { cutLength } from '../cordage/index.js';
import type { Role } from '../rig/index.js';

/** What a length of cord is wanted for: a line of a rig, or a binding of the camp. */
export type NeedRole = Extract<Role, 'ridge' | 'extension' | 'tie' | 'loop' | 'guy' | 'peg' | 'stay'> | 'binding';

/** One length of cord that a rig, or the camp itself, wants. */
export interface Need {
  readonly id: string;
  /** Id of its rig; of the binding, where it is none of a rig's. */
  readonly of: string;
  readonly name: string;
  readonly role: NeedRole;
  readonly cut: Cut;
  /** To measure off, m: up to whole steps of the hand. */
  readonly length: number;
  /** Id of the roof that it is tied to. */
  readonly roof: string | null;
  /** Ids of the hanks of the kit that it may come from: as good as the one that the rig names, and brought. */
  readonly from: ReadonlySet<string>;
}

/** Cord is measured off in these steps, m. Judgement: a hand's breadth is 0.1, and what is cut too short is lost. */
export const STEP = 0.05;
/** What is to be measured off for a cut, m. */
export const toMeasure = (cut: Cut): number => Math.ceil(cutLength(cut) / STEP - 1e-6) * STEP;

/**
 * Longest rest that may stay uncut on a line, hanked and hung up, m: a ridgeline is drawn off the hank and the hank hung in a
 * fork, a guy keeps what is over, a loop cannot. Judgement.
 */
const OVER: Readonly<Record<NeedRole, (length: number) => number>> = {
  ridge: () => Number.POSITIVE_INFINITY,
  extension: () => Number.POSITIVE_INFINITY,
  tie: () => Number.POSITIVE_INFINITY,
  guy: (length) => Math.max(3, 2 * length),
  stay: (length) => Math.max(3, 2 * length),
  loop: () => 0.3,
  peg: () => 0.3,
  binding: () => 1,
};
export const mostOver = ({ role, length }: Pick<Need, 'role' | 'length'>): number => OVER[role](length);

/** Of those that hang on a roof and stay there between rigs. */
export const livesOnRoof = ({ role }: Pick<Need, 'role'>): boolean =>
  role === 'guy' || role === 'peg' || role === 'loop';
