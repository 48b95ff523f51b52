import type { ProblemBody } from './types.js';

/** An answer of the server that is not what was asked for. */
export class ApiError extends Error {
  override readonly name = 'ApiError';
  constructor(
    readonly status: number,
    readonly problem: ProblemBody,
  ) {
    super(problem.message);
  }
}

/** The server could not be reached at all. */
export class Unreachable extends Error {
  override readonly name = 'Unreachable';
  override readonly message = 'The server does not answer. Nothing was changed: try again when it is back.';
}

/** How a request is sent besides: so that it outlives the page, and under which id what is new is made. */
export interface Sending {
  readonly keepalive?: boolean;
  readonly key?: string;
}

/** Calls the server; JSON both ways. @throws ApiError or Unreachable */
export async function call<T>(
  method: 'GET' | 'POST' | 'PUT' | 'DELETE',
  path: string,
  body?: unknown,
  { keepalive = false, key }: Sending = {},
): Promise<T> {
  return answered<T>(path, {
    method,
    keepalive,
    headers: {
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      ...(key === undefined ? {} : { 'idempotency-key': key }),
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
}

/** Sends a packed file as it is. @throws ApiError or Unreachable */
export const sendFile = <T>(path: string, file: Blob): Promise<T> =>
  answered<T>(path, { method: 'POST', body: file, headers: { 'content-type': 'application/zip' } });

async function answered<T>(path: string, request: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, request);
  } catch {
    throw new Unreachable();
  }
  if (response.status === 204) return undefined as T;
  const answer = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return answer as T;
  const problem = answer as ProblemBody | null;
  throw new ApiError(
    response.status,
    problem ?? { code: 'failed', message: `The server answered ${response.status} and nothing else.`, fields: [] },
  );
}

export const get = <T>(path: string): Promise<T> => call<T>('GET', path);
