import { z } from 'zod';
import type { Limit } from '../quantity/index.js';
import { limit, limitWords, unitInFiles } from '../quantity/index.js';

/*
 * What documents are described with. A description gives the document's type, the check of a file and of the API, and the JSON Schema
 * that is published; numbers in it are within a limit of a table, which the form's field shows and keeps too.
 */

// no code made at run time: pages forbid it
z.config({ jitless: true });

/** A described value as it is read: nothing of it can be written. */
export type Described<S extends z.ZodType> = Fixed<z.infer<S>>;
type Fixed<T> = T extends object ? { readonly [K in keyof T]: Fixed<T[K]> } : T;

/** A number within a limit, SI. */
export function within(limit: Limit) {
  const error = limitWords(limit);
  return z
    .number({ error })
    .min(limit.min, { error })
    .max(limit.max, { error })
    .meta({ description: `${limit.name}${unitInFiles(limit.quantity)}` });
}

/** The same, whole. */
export const whole = (limit: Limit) => within(limit).int({ error: limitWords(limit, true) });

/** Text on one line that a person reads: no control characters, no half of a character. */
export function words(what: string, least: number, most: number) {
  const error = `The ${what} must be text of ${least} to ${most} characters.`;
  return z
    .string({ error })
    .min(least, { error: `The ${what} cannot be empty.` })
    .max(most, { error })
    .regex(/^[^\p{Cc}\p{Cs}]*$/u, { error: `The ${what} cannot hold control characters.` });
}

/** Text of some lines. */
export function prose(what: string, most: number) {
  const error = `The ${what} must be text of at most ${most} characters.`;
  return z
    .string({ error })
    .max(most, { error })
    .regex(/^(?:[^\p{Cc}\p{Cs}]|[\n\t])*$/u, { error: `The ${what} cannot hold control characters.` });
}

/** The id of something in the kit or the camp. */
export const id = (what: string) => words(`${what}’s id`, 1, 60);

/** One of a list. */
export const oneOf = <const T extends string>(what: string, list: readonly T[]) =>
  z.enum(list as readonly [T, ...T[]], { error: `The ${what} must be one of ${list.join(', ')}.` });

/** The id of one of a catalogue's list. */
export const idOf = (what: string, list: readonly { readonly id: string }[]) =>
  oneOf(
    what,
    list.map((x) => x.id),
  );

/** One of the keys of a table. */
export const keyOf = <T extends object>(what: string, table: T) =>
  oneOf(what, Object.keys(table) as unknown as readonly (keyof T & string)[]);

/** @param what begins the sentence: "The ridge-cord" */
export const yesNo = (what: string) => z.boolean({ error: `${what} must be true or false.` });

/** A list of at most so many. @param said what it says of one too many */
export const atMost = <S extends z.ZodType>(of: S, most: number, said: string) =>
  z.array(of, { error: 'This must be a list.' }).max(most, { error: said });

/** Exactly two alike. */
export const pair = <S extends z.ZodType>(of: S) => z.tuple([of, of], { error: 'This must be a list of two.' });

/** A part with exactly these fields. */
export const part = <S extends z.ZodRawShape>(shape: S) => z.strictObject(shape);

/** A description of a part with fields. */
export type Part = z.ZodObject<Readonly<Record<string, z.ZodType>>>;

/** What is edited as one: a name, a note, and the document itself. */
export const draftDocument = <S extends z.ZodType>(document: S) =>
  part({ name: words('name', 1, 80), note: prose('note', 400), document });

/** What is sent to be saved: it names the version it was made from. */
export const saved = <S extends z.ZodRawShape>({ shape }: { readonly shape: S }) =>
  part({ ...shape, version: whole(limit('version', 'count', 1, 1e9)) });
export const savedDocument = <S extends z.ZodType>(document: S) => saved(draftDocument(document));

/** A moment, as ISO 8601 tells it, in universal time. */
export const moment = (what: string) =>
  z.iso.datetime({ error: `The ${what} must be a date and time as 2026-05-01T18:00:00Z.` });
