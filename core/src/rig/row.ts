import type { Cut } from '../cordage/index.js';
import type { Judged } from '../strength/index.js';
import type { Figure } from '../working/index.js';

/** What a member of a rig is. */
export type Role =
  | 'ridge'
  | 'extension'
  | 'loop'
  | 'guy'
  | 'peg'
  | 'tie'
  | 'trunk'
  | 'hold'
  | 'cloth'
  | 'stick'
  | 'strap'
  | 'bed'
  | 'pole'
  | 'stay';

/** A member of a rig in its ledger: one line, stem, stick, cloth or part of a bed, and what lets go first in it. */
export interface Row {
  readonly id: string;
  readonly name: string;
  readonly what: string;
  readonly role: Role;
  /** Largest in any case. */
  readonly demand: Figure;
  /** As pitched, N (N/m for the cloth). */
  readonly pitched: number;
  /** Weakest first. Empty where nothing is known that could let go. */
  readonly links: readonly Judged[];
  /** Unstressed length between its ends, m, and the cord that it takes of a hank; null where it is no cord. */
  readonly unstressed: number | null;
  readonly cut: Cut | null;
}

/** How near a row is to letting go by the rig's rule; infinite where nothing can. */
export const ratioOf = (row: Row): number => row.links[0]?.judgement.ratio ?? Number.POSITIVE_INFINITY;

/** Rows of line, roof and bed together, weakest first: a tree that bears more than one of them stands once, under all. */
export function rowsTogether(others: readonly Row[], bed: readonly Row[]): Row[] {
  const own = new Set(bed.map((r) => r.id));
  return [...others.filter((r) => !own.has(r.id)), ...bed].sort((a, b) => ratioOf(a) - ratioOf(b));
}
