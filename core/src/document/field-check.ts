import { z } from 'zod';
import type { Ask, Fields } from './field.js';
import { id, oneOf, part, whole, within, words, yesNo } from './fields.js';

/** Checks of what a folder alone knows: trees and lines of a rig, signs of a look-up, corners of ground. */
export type OwnChecks = {
  readonly [A in 'tree' | 'line' | 'signs' | 'outline']?: (ask: Extract<Ask, { as: A }>) => z.ZodType;
};

/** The check of a field by how it is asked for. */
function checkOf(ask: Ask, own: OwnChecks): z.ZodType {
  switch (ask.as) {
    case 'number':
      return ask.whole === true ? whole(ask.limit) : within(ask.limit);
    case 'girth':
      return within(ask.limit);
    case 'yes-no':
      return yesNo(ask.what);
    case 'words':
      return words(ask.what, 1, ask.most);
    case 'choice':
      return oneOf(
        ask.what,
        ask.options.map((o) => o.id),
      );
    case 'kit':
      return id(ask.list);
    case 'tree':
    case 'line':
    case 'signs':
    case 'outline':
      return (own[ask.as] as (ask: Ask) => z.ZodType)(ask);
  }
}

/**
 * The description of one of several kinds: its kind, what all of them have, and its fields.
 * @param own checks of what the caller's folder alone knows; one that a field asks for must be there
 */
export const kindPart = (kind: string, fields: Fields, own: OwnChecks, base: z.ZodRawShape = {}) =>
  part({
    kind: z.literal(kind),
    ...base,
    ...Object.fromEntries(Object.entries(fields).map(([key, f]) => [key, checkOf(f.ask, own)])),
  });

/** The description of all kinds of a table. @typeParam T what it describes */
export function kindsDocument<T extends { readonly kind: string }>(
  kinds: { readonly [K in T['kind']]: { readonly fields: Fields } },
  own: OwnChecks,
  base: z.ZodRawShape = {},
): z.ZodType<T> {
  const names = Object.keys(kinds) as T['kind'][];
  const [first, ...others] = names.map((k) => kindPart(k, kinds[k].fields, own, base));
  return z.discriminatedUnion('kind', [first!, ...others], {
    error: `The kind must be one of ${names.join(', ')}.`,
  }) as unknown as z.ZodType<T>;
}
