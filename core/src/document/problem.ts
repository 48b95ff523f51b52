/** One field that cannot be as it is: where, and a sentence that says why and what to do. */
export interface Problem {
  /** Path of the field, as in `roof.at.1`; empty for the whole. */
  readonly field: string;
  readonly message: string;
}

/** A path one step down. */
export const under = (path: string, field: string): string =>
  path === '' ? field : field === '' ? path : `${path}.${field}`;
