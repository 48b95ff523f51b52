import type { NextFunction, Request, Response } from 'express';
import type { Problem } from './problem.js';

/** Parts within parts of a body; nothing that is sent here has a quarter as many. */
const DEEPEST = 60;
/** Text that no database keeps: a zero character, or half of a character. */
// eslint-disable-next-line no-control-regex
const BROKEN = /\u0000|\p{Cs}/u;

/** The first place of a body that is nested too deep or holds broken text: its path, and why; null where there is none. */
function fault(body: unknown): { readonly field: string; readonly message: string } | null {
  const waiting: { readonly value: unknown; readonly path: readonly string[] }[] = [{ value: body, path: [] }];
  for (let at = waiting.pop(); at !== undefined; at = waiting.pop()) {
    const { value, path } = at;
    const field = path.slice(0, 8).join('.');
    if (typeof value === 'string' && BROKEN.test(value))
      return { field, message: 'This text holds a character that cannot be kept. Type it again.' };
    if (typeof value !== 'object' || value === null) continue;
    if (path.length >= DEEPEST)
      return { field, message: `This is nested more than ${DEEPEST} deep. Nothing that can be sent here is.` };
    for (const [key, part] of Object.entries(value)) {
      if (BROKEN.test(key)) return { field, message: 'A name in this holds a character that cannot be kept.' };
      waiting.push({ value: part, path: [...path, key] });
    }
  }
  return null;
}

/** Refuses, before anything is looked at, an address or a body that no database keeps and no program should walk. */
export function wellFormed(request: Request, response: Response, next: NextFunction): void {
  const refuse = (field: string, message: string): void => {
    response.status(422).json({ code: 'invalid', message, fields: [{ field, message }] } satisfies Problem);
  };
  let address: string;
  try {
    address = decodeURIComponent(request.originalUrl);
  } catch {
    refuse('address', 'This address holds a broken character. Go back to the camp.');
    return;
  }
  // eslint-disable-next-line no-control-regex
  if (/[\u0000-\u001f\u007f]|\p{Cs}/u.test(address)) {
    refuse('address', 'This address holds a character that no id has. Go back to the camp.');
    return;
  }
  // what is packed is looked at when it is unpacked
  const found = Buffer.isBuffer(request.body) ? null : fault(request.body);
  if (found === null) next();
  else refuse(found.field === '' ? 'body' : found.field, found.message);
}
