import { z } from 'zod';
import type { Phrase } from '../quantity/index.js';
import { tell } from '../quantity/index.js';
import type { Problem } from './problem.js';
import { problem, under } from './problem.js';

/** Everything of a value that does not fit its description, in the order of its fields. */
export function misfits(described: z.ZodType, value: unknown): Problem[] {
  const found = described.safeParse(value, { reportInput: true });
  return found.success ? [] : found.error.issues.map(problemOf);
}

/** The first of them; null where it fits. */
export const misfit = (described: z.ZodType, value: unknown): Problem | null => misfits(described, value)[0] ?? null;

function problemOf(issue: z.core.$ZodIssue): Problem {
  const field = issue.path.map(String).join('.');
  if (issue.code === 'unrecognized_keys')
    return {
      field: under(field, issue.keys[0]!),
      message: 'There is no such field. Take it out, or check its spelling.',
    };
  // a choice between kinds that none of its own words names
  const missing = issue.code === 'invalid_type' && issue.input === undefined;
  if (missing) return { field, message: 'This is missing.' };
  const said = issue.code === 'custom' ? (issue.params?.['said'] as Phrase | undefined) : undefined;
  return said === undefined ? { field, message: issue.message } : problem(field, said);
}

/** An issue that a description's own check finds, its numbers still to be said. */
export const saidIssue = (path: readonly (string | number)[], said: Phrase) => ({
  code: 'custom' as const,
  path: [...path],
  message: tell(said),
  params: { said },
});

/** The JSON Schema of a description (draft 2020-12). */
export const jsonSchemaOf = (described: z.ZodType): object =>
  z.toJSONSchema(described, { target: 'draft-2020-12', reused: 'ref' });

/** The same as the API's own page shows it. */
export const openApiOf = (described: z.ZodType): object => z.toJSONSchema(described, { target: 'openapi-3.0' });
