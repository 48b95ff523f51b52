import type { NextFunction, Request, Response } from 'express';
import type { Problem } from '../errors/problem.js';

const OWN_HOST = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/i;

/**
 * Refuses what does not come from this machine's own address bar: a Host that is not loopback (a name that
 * was pointed here) and an Origin that is not exactly this server's (another page).
 */
export function ownOnly(request: Request, response: Response, next: NextFunction): void {
  const host = request.headers.host ?? '';
  const origin = request.headers.origin;
  const refuse = (message: string): void => {
    response.status(403).json({ code: 'forbidden', message, fields: [] } satisfies Problem);
  };
  if (!OWN_HOST.test(host)) refuse('Rough Bight answers only on this machine: use http://127.0.0.1 with its port.');
  else if (origin !== undefined && origin.toLowerCase() !== `http://${host.toLowerCase()}`)
    refuse('Rough Bight answers only its own pages.');
  else next();
}
