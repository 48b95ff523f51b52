import { ChakraProvider } from '@chakra-ui/react';
import { act, cleanup, render } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MemoryRouter, Route, Routes } from 'react-router';
import { SWRConfig } from 'swr';
import type { ReactElement } from 'react';
import type { LogEntry } from '@rough-bight/core/log';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';
import type { Learner } from '@rough-bight/core/teach';
import { system } from '../../src/app/theme/index.js';
import type { Camp, Person } from '../../src/data/types.js';

const json = (name: string) => JSON.parse(readFileSync(join(process.cwd(), 'examples', name), 'utf8'));
const seed = json('sallow-ait.json');
const spring = json('sallow-ait-class.json') as { learners: Learner[]; log: LogEntry[] };

export const ME: Person = {
  id: 'me',
  name: 'Instructor',
  body: seed.person.body,
  units: { length: 'm', force: 'N' },
  required: DEFAULT_REQUIRED,
  calibrations: {},
  version: 1,
};
export const LEARNERS: readonly Learner[] = spring.learners;
export const SPRING: readonly LogEntry[] = spring.log;
/** The demo camp, with a rig and nobody who learns. */
export const CAMP = {
  id: 'c',
  name: 'Sallow Ait',
  about: '',
  away: false,
  verdicts: [],
  kit: seed.kit,
  roofs: seed.roofs,
  pegs: seed.pegs,
  beds: seed.beds,
  straps: seed.straps,
  learners: [],
  rigs: [
    {
      id: 'landing-gable',
      campId: 'c',
      name: seed.rigs[0].name,
      note: '',
      document: seed.rigs[0].rig,
      version: 1,
      updatedAt: '2026-11-25T08:00:00Z',
    },
  ],
  places: [],
} as unknown as Camp;

/** A server with one camp; what is sent to it is kept in order. It refuses what `refuses` gives a reply for. */
export function serving({
  camp = CAMP,
  log = [],
  answers = {},
  refuses = () => null,
}: {
  camp?: Camp;
  log?: readonly LogEntry[];
  /** What is read at addresses of its own. */
  answers?: Readonly<Record<string, unknown>>;
  refuses?: (method: string, path: string) => { readonly status: number; readonly message: string } | null;
} = {}): { readonly method: string; readonly path: string; readonly body: unknown }[] {
  const sent: { method: string; path: string; body: unknown }[] = [];
  let now = camp;
  globalThis.fetch = ((path: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET';
    const body: unknown = init.body === undefined ? undefined : JSON.parse(init.body as string);
    if (method !== 'GET') sent.push({ method, path, body });
    const reply = (status: number, value: unknown) =>
      Promise.resolve({ status, ok: status < 300, json: () => Promise.resolve(value) });
    const refusal = refuses(method, path);
    if (refusal !== null) return reply(refusal.status, { code: 'no', message: refusal.message, fields: [] });
    if (path in answers && method === 'GET') return reply(200, answers[path]);
    if (path === '/api/people') return reply(200, [ME]);
    if (path.endsWith('/log')) return reply(200, method === 'GET' ? log : { added: 1 });
    if (method === 'PUT' && path === '/api/camps/c') now = { ...now, ...(body as Partial<Camp>) };
    return reply(200, now);
  }) as unknown as typeof fetch;
  return sent;
}

/** Shows a page at an address. */
export async function show(page: ReactElement, route: string, address: string): Promise<void> {
  cleanup();
  render(
    <ChakraProvider value={system}>
      <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
        <MemoryRouter initialEntries={[address]}>
          <Routes>
            <Route path={route} element={page} />
            <Route path="*" element={<p>elsewhere</p>} />
          </Routes>
        </MemoryRouter>
      </SWRConfig>
    </ChakraProvider>,
  );
  await settle();
}

/** Until what was asked for has come. */
export const settle = (): Promise<void> => act(() => new Promise<void>((done) => setTimeout(done, 60)));
