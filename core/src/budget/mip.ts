/** One number that a plan is made of, by name, with the factor that it has in a sum. */
export type Term = readonly [factor: number, name: string];

/** A mixed-integer program: the least of a sum, under conditions. */
export interface Mip {
  readonly least: readonly Term[];
  readonly where: readonly Condition[];
  /** Most of each number that is counted, by name; a number that is no count is 0 or more. */
  readonly counts: ReadonlyMap<string, number>;
}
export interface Condition {
  readonly sum: readonly Term[];
  readonly is: '<=' | '=' | '>=';
  readonly than: number;
}

/** What was found of one. */
export interface MipAnswer {
  readonly values: ReadonlyMap<string, number>;
  readonly least: number;
  /** What it cannot be less than; the same where it is proven to be the least. */
  readonly bound: number;
}

/**
 * Solves a program.
 * @param within s, after which the best that was found is taken
 * @param from  a way to meet all conditions, to begin with; a number that is left out is 0
 * @returns null where nothing that meets the conditions was found
 */
export type SolveMip = (mip: Mip, within: number, from: MipAnswer['values']) => MipAnswer | null;
