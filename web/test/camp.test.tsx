import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { ChakraProvider } from '@chakra-ui/react';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { SWRConfig } from 'swr';
import type { ReactElement } from 'react';
import type { Place } from '@rough-bight/core/ground';
import { checkPlace } from '@rough-bight/core/ground';
import type { RidgeRig } from '@rough-bight/core/rig';
import { phrase } from '@rough-bight/core/quantity';
import type { Verdict } from '@rough-bight/core/words';
import { rigProblems } from '@rough-bight/core/rig';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';
import { system } from '../src/app/theme/index.js';
import type { Camp, Person, StoredRig } from '../src/data/types.js';
import type { RigQuestion } from '../src/workers/rig.worker.js';
import { press } from './press.js';

/** The rig is judged in a worker; what the list shows of it is the test's own. */
let verdictOf: (rig: RidgeRig) => Verdict | null = () => null;
jest.unstable_mockModule('../src/workers/verdicts.js', () => ({
  useVerdict: (q: RigQuestion) => {
    const verdict = verdictOf(q.rig);
    return verdict === null ? null : { verdict, madeAt: new Date().toISOString(), old: false };
  },
}));
const { Shell } = await import('../src/app/shell.js');
const { CampView } = await import('../src/views/camp/camp.js');
const { FirstCamp } = await import('../src/views/camp/first.js');
const { WindControls, WindQuick } = await import('../src/views/ground/wind-controls.js');

const seed = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8'));
const stored = (list: readonly { name: string; note: string }[], key: 'rig' | 'place') =>
  list.map((x) => ({
    id: x.name.toLowerCase().replaceAll(/[^a-z]+/g, '-'),
    campId: 'c',
    name: x.name,
    note: x.note,
    document: (x as unknown as Record<string, unknown>)[key],
    version: 1,
    updatedAt: '2026-11-25T08:00:00Z',
  }));
const base = {
  id: 'c',
  name: 'Sallow Ait',
  about: 'An island of willows.',
  away: false,
  verdicts: [],
  kit: seed.kit,
  roofs: seed.roofs ?? [],
  pegs: seed.pegs ?? [],
  beds: seed.beds ?? [],
  straps: seed.straps ?? [],
  rigs: stored(seed.rigs, 'rig'),
  places: stored(seed.places, 'place'),
} as unknown as Camp;
const me: Person = {
  id: 'me',
  name: 'Instructor',
  body: seed.person.body,
  units: { length: 'm', force: 'N' },
  required: DEFAULT_REQUIRED,
  calibrations: {},
  version: 1,
};

let camp: Camp;
let sent: { method: string; path: string; body: unknown }[];
let refuse: { status: number; body: object } | null;
beforeEach(() => {
  camp = base;
  sent = [];
  refuse = null;
  verdictOf = () => null;
  globalThis.fetch = ((path: string, init: { method: string; body?: string }) => {
    const body = init.body === undefined ? undefined : (JSON.parse(init.body) as unknown);
    const reply = (status: number, value: unknown) =>
      Promise.resolve({ status, ok: status < 300, json: () => Promise.resolve(value) });
    const one = /^\/api\/rigs\/([^/]+)$/.exec(path);
    if (init.method === 'GET' && one !== null)
      return reply(
        200,
        camp.rigs.find((r) => r.id === one[1]),
      );
    if (init.method === 'GET')
      return reply(
        200,
        path === '/api/camps' ? [camp] : path === '/api/people' ? [me] : path === '/api/camps/c' ? camp : weather(path),
      );
    sent.push({ method: init.method, path, body });
    if (refuse !== null) return reply(refuse.status, refuse.body);
    if (init.method === 'DELETE') {
      const id = path.split('/').at(-1);
      camp = {
        ...camp,
        rigs: camp.rigs.filter((r) => r.id !== id),
        places: camp.places.filter((p) => p.id !== id),
      };
      return reply(204, undefined);
    }
    const back = /^\/api\/rigs\/(.*)\/back$/.exec(path);
    if (back !== null) camp = { ...camp, rigs: [...camp.rigs, base.rigs.find((r) => r.id === back[1])!] };
    if (init.method === 'PUT' && path.startsWith('/api/rigs/')) {
      const id = path.split('/').at(-1);
      const put = body as StoredRig;
      const saved = { ...camp.rigs.find((r) => r.id === id)!, ...put, version: put.version + 1 };
      camp = { ...camp, rigs: camp.rigs.map((r) => (r.id === id ? saved : r)) };
      return reply(200, saved);
    }
    return reply(201, { ...(body as object), id: 'made', campId: 'c', version: 1, updatedAt: '' });
  }) as unknown as typeof fetch;
});
afterEach(cleanup);

const HOUR = 3_600_000;
const START = Date.UTC(2026, 10, 25, 8);
const reading = (i: number) => ({
  time: START + i * HOUR,
  wind: i === 5 ? 15.2 : 3,
  gust: i === 5 ? 22 : 5,
  from: 4.7123,
  rain: i === 5 ? 6 : 0,
});
function weather(path: string): unknown {
  if (path === '/api/weather/now') return { name: 'The post at the landing', simulated: true, reading: reading(0) };
  return { name: 'The forecast', simulated: true, readings: Array.from({ length: 12 }, (_, i) => reading(i)) };
}

function Where(): ReactElement {
  return <output aria-label="address">{useLocation().pathname}</output>;
}
function show(path = '/camps/c'): void {
  render(
    <ChakraProvider value={system}>
      <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
        <MemoryRouter initialEntries={[path]}>
          <Routes>
            <Route element={<Shell />}>
              <Route path="/" element={<FirstCamp />} />
              <Route path="/camps/:campId" element={<CampView />} />
              <Route path="*" element={<p>elsewhere</p>} />
            </Route>
          </Routes>
          <Where />
        </MemoryRouter>
      </SWRConfig>
    </ChakraProvider>,
  );
}
const address = (): string => screen.getByLabelText('address').textContent!;
const rowOf = (name: string): HTMLElement => screen.getByRole('link', { name }).closest('li')!;

describe('a camp', () => {
  test('the address alone opens the first one', async () => {
    show('/');
    await screen.findByRole('heading', { level: 1, name: 'Sallow Ait' });
    expect(address()).toBe('/camps/c');
  });
  test('every rig leads where its work is: the bed, the guys, or the ridge', async () => {
    show();
    await screen.findByRole('heading', { name: 'Rigs' });
    for (const rig of base.rigs) {
      const to = rig.document.bed !== undefined ? 'bed' : rig.document.pitch === undefined ? 'ridge' : 'guy';
      expect(screen.getByRole('link', { name: rig.name }).getAttribute('href')).toBe(`/rigs/${rig.id}/${to}`);
    }
    expect(screen.getAllByText('Judging…')).toHaveLength(base.rigs.length);
  });
  test('what each comes to is said first, and marked', async () => {
    const [bad, good] = base.rigs;
    verdictOf = (rig) =>
      rig === bad!.document
        ? { holds: false, sentence: phrase`A peg lets go first.`, detail: phrase`In a gust.` }
        : { holds: true, sentence: phrase`Holds.`, detail: phrase`` };
    show();
    await screen.findByText('A peg lets go first.');
    expect(rowOf(bad!.name).textContent).toContain('In a gust.');
    expect(rowOf(good!.name).textContent).toContain('Holds.');
    expect(rowOf(bad!.name).querySelector('svg')!.outerHTML).not.toBe(
      rowOf(good!.name).querySelector('svg')!.outerHTML,
    );
  });
  test('a new ridgeline is one that can be judged, of a cord of the kit', async () => {
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'A bare line' }));
    await waitFor(() => expect(address()).toBe('/rigs/made/ridge'));
    const { document } = sent[0]!.body as { document: RidgeRig };
    expect(sent[0]).toMatchObject({ method: 'POST', path: '/api/camps/c/rigs' });
    expect(rigProblems(document, { ...base, body: me.body, required: me.required })).toEqual([]);
  });
  test('a new place is a whole one', async () => {
    show();
    fireEvent.click(await screen.findByRole('button', { name: 'New place' }));
    await waitFor(() => expect(address()).toBe('/places/made/look'));
    expect(checkPlace((sent[0]!.body as { document: Place }).document)).not.toHaveProperty('problem');
  });
  test('a rig taken down can be put back as it was', async () => {
    const [rig] = base.rigs;
    show();
    fireEvent.click(await screen.findByRole('button', { name: `Delete ${rig!.name}` }));
    await screen.findByText(`${rig!.name} was deleted.`);
    expect(screen.queryByRole('link', { name: rig!.name })).toBeNull();
    fireEvent.click(await screen.findByRole('button', { name: 'Put it back' }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]).toMatchObject({ method: 'POST', path: `/api/rigs/${rig!.id}/back` });
    await screen.findByRole('link', { name: rig!.name });
    expect(screen.queryByText(`${rig!.name} was deleted.`)).toBeNull();
    // and taken down once more by the bar
    fireEvent.click(screen.getByRole('button', { name: /^Redo/ }));
    await waitFor(() => expect(sent.at(-1)).toMatchObject({ method: 'DELETE', path: `/api/rigs/${rig!.id}` }));
  });
  test('another name is taken back, and what was worked on meanwhile stays', async () => {
    const [rig] = base.rigs;
    show();
    await screen.findByRole('link', { name: rig!.name });
    fireEvent.click(screen.getByRole('button', { name: `Rename ${rig!.name}` }));
    fireEvent.change(await screen.findByRole('textbox', { name: 'Name' }), { target: { value: 'Other name' } });
    fireEvent.keyDown(screen.getByRole('textbox', { name: 'Name' }), { key: 'Enter' });
    await screen.findByRole('link', { name: 'Other name' });
    const worked = { ...rig!.document, groundRise: 0.3 };
    camp = { ...camp, rigs: camp.rigs.map((r) => (r.id === rig!.id ? { ...r, version: 7, document: worked } : r)) };
    fireEvent.click(screen.getByRole('button', { name: /^Undo/ }));
    await screen.findByRole('link', { name: rig!.name });
    expect(sent.at(-1)).toMatchObject({ method: 'PUT', body: { name: rig!.name, version: 7, document: worked } });
  });
  test('a place that rigs stand on tells how many; one that may not go says why', async () => {
    refuse = {
      status: 409,
      body: { code: 'in-use', message: 'Rigs stand on The landing. Take them down first.', fields: [] },
    };
    show();
    const [place] = base.places;
    const standing = base.rigs.filter((r) => r.document.site?.place === place!.id).length;
    await screen.findByRole('heading', { name: 'Ground' });
    expect(rowOf(place!.name).textContent).toMatch(
      standing === 0
        ? /no rig stands here/
        : standing === 1
          ? /one rig stands here/
          : new RegExp(`${standing} rigs stand here`),
    );
    fireEvent.click(screen.getByRole('button', { name: `Delete ${place!.name}` }));
    expect((await screen.findByRole('alert')).textContent).toBe('Rigs stand on The landing. Take them down first.');
    expect(screen.getByRole('link', { name: place!.name })).toBeTruthy();
  });
  test('a copy is named as one, short enough to be kept', async () => {
    const long = { ...base.rigs[0]!, name: 'x'.repeat(80) };
    camp = { ...base, rigs: [long] };
    show();
    fireEvent.click(await screen.findByRole('button', { name: `Copy ${long.name}` }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect((sent[0]!.body as { name: string }).name).toHaveLength(80);
  });
  test('a file that is none is named, and nothing is sent; one that is goes whole', async () => {
    show();
    const chooser = await screen.findByLabelText('Take in a rig file');
    const file = (name: string, text: string): File =>
      Object.assign(new File([text], name), { text: () => Promise.resolve(text) });
    fireEvent.change(chooser, { target: { files: [file('notes.txt', 'no')] } });
    expect((await screen.findByRole('alert')).textContent).toMatch(/^notes\.txt is not a rig file: it is not JSON/);
    expect(sent).toEqual([]);
    fireEvent.change(chooser, { target: { files: [file('fly.rig.json', '{"format":"rough-bight/rig@4"}')] } });
    await waitFor(() => expect(address()).toBe('/rigs/made/hang'));
    expect(sent[0]).toMatchObject({ path: '/api/camps/c/rig-files', body: { format: 'rough-bight/rig@4' } });
  });
  test('empty, it says how to begin; without cord, what is missing', async () => {
    camp = { ...base, rigs: [], places: [], kit: [] };
    show();
    await screen.findByText(/No rig stands here yet/);
    expect(screen.getByText(/No place is drawn yet/)).toBeTruthy();
    expect((screen.getByRole('button', { name: 'A bare line' }) as HTMLButtonElement).disabled).toBe(true);
    expect(screen.getByRole('link', { name: /put a hank into the kit/ }).getAttribute('href')).toBe('/kit');
  });
});

describe('wind and slope of a place', () => {
  const place = base.places[0]!.document;
  const shown = () => {
    const edit = jest.fn((_: Place): null => null);
    render(
      <ChakraProvider value={system}>
        <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
          <WindQuick place={place} edit={edit} />
          <WindControls place={place} edit={edit} />
        </SWRConfig>
      </ChakraProvider>,
    );
    return edit;
  };
  test('by its signs; from where in degrees, kept in radians', async () => {
    const edit = shown();
    await screen.findByText(/The forecast, simulated/);
    await press(screen.getByRole('radio', { name: /^6 / }));
    expect(edit.mock.calls[0]![0].wind).toEqual({ ...place.wind, beaufort: 6 });
    const from = screen.getByLabelText('Comes from');
    fireEvent.change(from, { target: { value: '270' } });
    fireEvent.keyDown(from, { key: 'Enter' });
    expect(edit.mock.calls[1]![0].wind.from).toBeCloseTo((3 * Math.PI) / 2, 9);
    const falls = screen.getByLabelText('Ground falls');
    fireEvent.change(falls, { target: { value: '12' } });
    fireEvent.keyDown(falls, { key: 'Enter' });
    expect(edit.mock.calls[2]![0].slope.fall).toBeCloseTo(0.12, 12);
  });
  test('an instrument says that it is simulated; the worst of the forecast can be chosen, with its caution', async () => {
    const edit = shown();
    expect((await screen.findByText(/The post at the landing, simulated/)).closest('p')!.textContent).toMatch(
      /from the west/,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Take it' }));
    expect(edit.mock.calls[0]![0].wind).toEqual({ ...place.wind, beaufort: 2, from: 4.71 });
    fireEvent.click(screen.getByRole('button', { name: 'Choose for the worst' }));
    expect(edit.mock.calls[1]![0].wind.beaufort).toBe(7);
    expect(screen.getByText(/A storm is coming/)).toBeTruthy();
    expect(screen.getByRole('img', { name: /^Wind over 12 hours/ })).toBeTruthy();
  });
});
