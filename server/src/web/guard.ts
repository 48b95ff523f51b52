import type { NextFunction, Request, Response } from 'express';
import type { Problem } from '../errors/problem.js';

const OWN_HOST = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/i;

/** Whether a request comes from the address bar that it should come from. */
interface Door {
  /** Whether a Host is one that is served. */
  readonly serves: (host: string) => boolean;
  /** Said where it is not. */
  readonly otherwise: string;
  /** Whether what changes something must say which page it comes from, as browsers do. */
  readonly namesPage: boolean;
}

/**
 * Refuses a Host that is not served (a name that was pointed here) and an Origin that is not exactly that server's (another page).
 */
const door =
  ({ serves, otherwise, namesPage }: Door) =>
  (request: Request, response: Response, next: NextFunction): void => {
    const host = (request.headers.host ?? '').toLowerCase();
    const origin = request.headers.origin?.toLowerCase();
    const refuse = (message: string): void => {
      response.status(403).json({ code: 'forbidden', message, fields: [] } satisfies Problem);
    };
    const changes = request.method !== 'GET' && request.method !== 'HEAD';
    if (!serves(host)) refuse(otherwise);
    else if (origin === undefined ? namesPage && changes : origin !== `http://${host}`)
      refuse('Rough Bight answers only its own pages.');
    else next();
  };

/** What does not come from this machine's own address bar is refused. */
export const ownOnly = door({
  serves: (host) => OWN_HOST.test(host),
  otherwise: 'Rough Bight answers only on this machine: use http://127.0.0.1 with its port.',
  namesPage: false,
});

/** What does not come from one of the addresses that a class is served on is refused. @param hosts with their port */
export const classOnly = (hosts: ReadonlySet<string>): ReturnType<typeof door> =>
  door({
    serves: (host) => hosts.has(host),
    otherwise: 'This class answers only at the address on the instructor’s screen.',
    namesPage: true,
  });
