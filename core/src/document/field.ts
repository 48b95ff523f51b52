import { z } from 'zod';
import type { Limit, Phrase } from '../quantity/index.js';
import { idOf, keyOf, part, whole, within, words, yesNo } from './fields.js';

/*
 * Fields that a form shows. One entry gives what a field is called, what it may hold, what it has at first, and how it is asked for; a
 * table of them gives the type, the check and the published schema of what has these fields.
 */

/** How a field is asked for. */
export type Ask =
  | { readonly as: 'number'; readonly limit: Limit; readonly step: number; readonly whole?: true }
  | { readonly as: 'yes-no' }
  | { readonly as: 'words'; readonly most: number }
  | { readonly as: 'choice'; readonly options: readonly Option[] }
  /** Something of the kit, and a tree of the rig: by their ids. */
  | { readonly as: 'kit'; readonly list: 'pegs' }
  | { readonly as: 'tree' }
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
  readonly check: z.ZodType<T>;
  /** What a new one has. */
  readonly usual: T;
  readonly ask: Ask;
}
export type Fields = Readonly<Record<string, Field>>;
/** What has these fields. */
export type Fielded<F extends Fields> = { readonly [K in keyof F]: F[K] extends Field<infer T> ? T : never };

const hinted = (hint: Phrase | string | undefined) =>
  hint === undefined ? {} : { hint: typeof hint === 'string' ? [hint] : hint };

/** A number within a limit. @param usual SI */
export const numberField = (
  label: string,
  limit: Limit,
  step: number,
  usual: number,
  hint?: Phrase | string,
): Field<number> => ({ label, ...hinted(hint), check: within(limit), usual, ask: { as: 'number', limit, step } });

/** The same, whole. */
export const countField = (label: string, limit: Limit, usual: number, hint?: Phrase | string): Field<number> => ({
  label,
  ...hinted(hint),
  check: whole(limit),
  usual,
  ask: { as: 'number', limit, step: 1, whole: true },
});

/** One of a catalogue's list. @param what as a message calls it */
export function listField(label: string, what: string, list: readonly Listed[], usual: string): Field<string> {
  const options = list.map(({ id, name, feel }) => ({ id, name, ...(feel === undefined ? {} : { hint: feel }) }));
  return { label, check: idOf(what, list), usual, ask: { as: 'choice', options } };
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
  check: keyOf(what, table) as unknown as z.ZodType<K>,
  usual,
  ask: { as: 'choice', options: Object.entries<string>(table).map(([id, name]) => ({ id, name })) },
});

/** @param what begins the sentence of a message */
export const yesNoField = (label: string, what: string, usual: boolean): Field<boolean> => ({
  label,
  check: yesNo(what),
  usual,
  ask: { as: 'yes-no' },
});

/** A name of at most 60 characters. */
export const nameField = (what: string, usual: string): Field<string> => ({
  label: 'Name',
  check: words(what, 1, 60),
  usual,
  ask: { as: 'words', most: 60 },
});

/** What every field of a table has at first. */
export const usualOf = <F extends Fields>(fields: F): Fielded<F> =>
  Object.fromEntries(Object.entries(fields).map(([key, f]) => [key, f.usual])) as Fielded<F>;

/** The description of one of several kinds: its kind, what all of them have, and its fields. */
export const kindPart = <const K extends string, F extends Fields, B extends z.ZodRawShape = Record<never, never>>(
  kind: K,
  fields: F,
  base: B = {} as B,
) =>
  part({
    kind: z.literal(kind),
    ...base,
    ...(Object.fromEntries(Object.entries(fields).map(([key, f]) => [key, f.check])) as {
      [P in keyof F]: F[P]['check'];
    }),
  });
