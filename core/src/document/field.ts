import type { Limit, Phrase } from '../quantity/index.js';

/*
 * Fields that a form shows. One entry gives what a field is called, how it is asked for, how far it may go and what it has at first; a
 * table of them gives the type of what has these fields, and (`field-check.ts`) its check and published schema.
 */

/** How a field is asked for. `what` is its name in a message. */
export type Ask =
  | { readonly as: 'number'; readonly limit: Limit; readonly step: number; readonly whole?: true }
  | { readonly as: 'yes-no'; readonly what: string }
  | { readonly as: 'words'; readonly what: string; readonly most: number }
  | { readonly as: 'choice'; readonly what: string; readonly options: readonly Option[] }
  /** Something of the kit, and a tree or a line of the rig: by their ids. */
  | { readonly as: 'kit'; readonly list: 'pegs' }
  | { readonly as: 'tree' }
  | { readonly as: 'line' }
  /** A stem's girth, which a cord or hand spans tell; what a look-up at it finds. */
  | { readonly as: 'girth'; readonly limit: Limit }
  | { readonly as: 'signs' }
  /** Corners of ground, round it or along a line. */
  | { readonly as: 'outline'; readonly closed: boolean };

/** One of a field's choices; `hint` tells it from the others where its name does not. */
export interface Option {
  readonly id: string;
  readonly name: string;
  readonly hint?: string;
}

export interface Field<T = unknown> {
  readonly label: string;
  readonly hint?: Phrase;
  /** What a new one has. */
  readonly usual: T;
  readonly ask: Ask;
}
export type Fields = Readonly<Record<string, Field>>;
/** What has these fields. */
export type Fielded<F extends Fields> = { readonly [K in keyof F]: F[K] extends Field<infer T> ? T : never };
/** One of several kinds, with its fields. */
export type Kinded<K extends string, F extends Fields> = { readonly kind: K } & Fielded<F>;

const hinted = (hint: Phrase | string | undefined) =>
  hint === undefined ? {} : { hint: typeof hint === 'string' ? [hint] : hint };

/** A number within a limit. @param usual SI */
export const numberField = (
  label: string,
  limit: Limit,
  step: number,
  usual: number,
  hint?: Phrase | string,
): Field<number> => ({ label, ...hinted(hint), usual, ask: { as: 'number', limit, step } });

/** The same, whole. */
export const countField = (label: string, limit: Limit, usual: number, hint?: Phrase | string): Field<number> => ({
  label,
  ...hinted(hint),
  usual,
  ask: { as: 'number', limit, step: 1, whole: true },
});

/** A stem's girth. @param usual m */
export const girthField = (limit: Limit, usual: number): Field<number> => ({
  label: 'Girth',
  usual,
  ask: { as: 'girth', limit },
});

/** One of a catalogue's list. */
export function listField(label: string, what: string, list: readonly Listed[], usual: string): Field<string> {
  const options = list.map(({ id, name, feel }) => ({ id, name, ...(feel === undefined ? {} : { hint: feel }) }));
  return { label, usual, ask: { as: 'choice', what, options } };
}
interface Listed {
  readonly id: string;
  readonly name: string;
  readonly feel?: string;
}

/** One of the keys of a table of names. */
export const keyField = <K extends string>(
  label: string,
  what: string,
  table: Readonly<Record<K, string>>,
  usual: NoInfer<K>,
): Field<K> => ({
  label,
  usual,
  ask: { as: 'choice', what, options: Object.entries<string>(table).map(([id, name]) => ({ id, name })) },
});

/** @param what begins the sentence of a message */
export const yesNoField = (label: string, what: string, usual: boolean): Field<boolean> => ({
  label,
  usual,
  ask: { as: 'yes-no', what },
});

/** A name of at most 60 characters. */
export const nameField = (what: string, usual: string): Field<string> => ({
  label: 'Name',
  usual,
  ask: { as: 'words', what, most: 60 },
});

/** What every field of a table has at first. */
export const usualOf = <F extends Fields>(fields: F): Fielded<F> =>
  Object.fromEntries(Object.entries(fields).map(([key, f]) => [key, f.usual])) as Fielded<F>;
