import type { Phrase, UnitChoice } from '../quantity/index.js';
import { tell } from '../quantity/index.js';

/** One field that cannot be as it is: where, and a sentence that says why and what to do. */
export interface Problem {
  /** Path of the field, as in `roof.at.1`; empty for the whole. */
  readonly field: string;
  /** In the units of files and the API. */
  readonly message: string;
  /** The same with its numbers still to be said in the reader's units, where it has any. */
  readonly said?: Phrase;
}

/** A problem whose sentence has numbers. */
export const problem = (field: string, said: Phrase): Problem => ({ field, message: tell(said), said });

/** A problem in its reader's units. */
export const tellProblem = ({ message, said }: Pick<Problem, 'message' | 'said'>, units: UnitChoice): string =>
  said === undefined ? message : tell(said, units);

/** A path one step down. */
export const under = (path: string, field: string): string =>
  path === '' ? field : field === '' ? path : `${path}.${field}`;
