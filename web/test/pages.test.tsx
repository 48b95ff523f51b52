import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { MemoryRouter } from 'react-router';
import { SWRConfig } from 'swr';
import { ChakraProvider } from '@chakra-ui/react';
import type { ReactElement } from 'react';
import { DEFAULT_REQUIRED } from '@rough-bight/core/strength';
import { system } from '../src/app/theme/index.js';
import { ApiError, Unreachable, call } from '../src/data/api.js';
import KitView from '../src/views/kit/kit.js';
import MeView from '../src/views/me/me.js';

const file = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as {
  person: { name: string; body: object };
  kit: { id: string }[];
};
const me = {
  id: 'me',
  name: 'Instructor',
  body: file.person.body,
  units: { length: 'm', force: 'N' },
  required: DEFAULT_REQUIRED,
  calibrations: {},
  version: 1,
};
const camp = {
  id: 'c',
  name: 'Sallow Ait',
  about: '',
  kit: file.kit,
  roofs: [],
  pegs: [],
  beds: [],
  straps: [],
  rigs: [],
  places: [],
};

let sent: { method: string; path: string; body: unknown }[];
let answer: (method: string, path: string, body: unknown) => { status: number; body: unknown } | 'lost';

beforeEach(() => {
  sent = [];
  answer = (method, path, body) =>
    method === 'GET'
      ? { status: 200, body: path === '/api/camps' ? [camp] : path === '/api/people' ? [me] : camp }
      : { status: 200, body: path === '/api/people/me' ? { ...(body as object), id: 'me', version: 2 } : body };
  globalThis.fetch = ((path: string, init: { method: string; body?: string }) => {
    const body = init.body === undefined ? undefined : (JSON.parse(init.body) as unknown);
    if (init.method !== 'GET') sent.push({ method: init.method, path, body });
    const reply = answer(init.method, path, body);
    if (reply === 'lost') return Promise.reject(new TypeError('no network'));
    return Promise.resolve({ status: reply.status, ok: reply.status < 300, json: () => Promise.resolve(reply.body) });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  cleanup();
  localStorage.clear();
});

function show(page: ReactElement): void {
  render(
    <ChakraProvider value={system}>
      <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
        <MemoryRouter>{page}</MemoryRouter>
      </SWRConfig>
    </ChakraProvider>,
  );
}

describe('the kit', () => {
  test('every hank is there; a change is sent whole, with only that changed', async () => {
    show(<KitView />);
    const cords = within(await screen.findByRole('list', { name: 'Cord' }));
    expect(cords.getAllByRole('listitem')).toHaveLength(file.kit.length);
    fireEvent.click(cords.getByRole('button', { name: /^green 550, long hank/ }));
    fireEvent.change(cords.getByRole('combobox', { name: 'Wear' }), { target: { value: 'cut' } });
    await waitFor(() => expect(sent).toHaveLength(1));
    const { id, ...hank } = file.kit[0]!;
    expect(sent[0]).toEqual({ method: 'PUT', path: `/api/camps/c/kit/${id}`, body: { ...hank, wear: 'cut' } });
  });

  test('a refusal is said on the page', async () => {
    const plain = answer;
    answer = (method, path, body) =>
      method === 'DELETE'
        ? { status: 409, body: { code: 'conflict', message: 'This cord is in “Landing gable”.', fields: [] } }
        : plain(method, path, body);
    show(<KitView />);
    fireEvent.click(await screen.findByRole('button', { name: /^green 550, long hank/ }));
    fireEvent.click(await screen.findByRole('button', { name: 'Take green 550, long hank out of the kit' }));
    expect((await screen.findByRole('alert')).textContent).toBe('This cord is in “Landing gable”.');
  });

  test('no server: what is wrong, and the way back', async () => {
    answer = () => 'lost';
    show(<KitView />);
    expect((await screen.findByRole('alert')).textContent).toMatch(/The server does not answer/);
  });
});

describe('me', () => {
  test('a measure is sent with its version; a wild one is not', async () => {
    show(<MeView />);
    const pace = await screen.findByRole('textbox', { name: 'Pace' });
    fireEvent.change(pace, { target: { value: '7' } });
    fireEvent.keyDown(pace, { key: 'Enter' });
    expect(screen.getByRole('alert').textContent).toBe('Pace can be from 0.3 to 1.5 m.');
    expect(sent).toEqual([]);
    fireEvent.change(pace, { target: { value: '0.8' } });
    fireEvent.keyDown(pace, { key: 'Enter' });
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ method: 'PUT', path: '/api/people/me', body: { version: 1, body: { pace: 0.8 } } });
  });

  test('repeats against a tape give the unit its length and its spread; one that cannot be is refused', async () => {
    show(<MeView />);
    const section = within(await screen.findByRole('region', { name: 'Against a tape' }));
    const set = (name: string, value: string): void => {
      fireEvent.change(section.getByRole('textbox', { name }), { target: { value } });
      fireEvent.keyDown(section.getByRole('textbox', { name }), { key: 'Enter' });
    };
    set('Counted', '200');
    fireEvent.click(section.getByRole('button', { name: 'Add this repeat' }));
    expect(section.getByText('Not added: mend the number first.')).toBeTruthy();
    expect(await section.findByText(/makes one pace 0\.10 m; it can be from 0\.30 m to 1\.50 m/)).toBeTruthy();
    expect(sent).toEqual([]);
    set('Counted', '25');
    fireEvent.click(section.getByRole('button', { name: 'Add this repeat' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body).toMatchObject({ body: { pace: 0.8 }, calibrations: { pace: [{ taped: 20, count: 25 }] } });
    // the last one gone, the pace strays by what is believed without any
    fireEvent.click(await section.findByRole('button', { name: 'Delete repeat 1 of pace' }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]!.body).toMatchObject({ body: { pace: 0.8, paceSpread: 0.03 }, calibrations: { pace: [] } });
    fireEvent.change(section.getByRole('combobox', { name: 'What' }), { target: { value: 'reach' } });
    expect(section.queryByRole('textbox', { name: 'Counted' })).toBeNull();
  });

  test('somebody else is added, holds the device from then on, and is measured apart', async () => {
    const added: unknown[] = [];
    const before = answer;
    answer = (method, path, body) => {
      if (method === 'POST' && path === '/api/people') {
        added.push({ ...(body as object), id: 'second', version: 1 });
        return { status: 201, body: added[0] };
      }
      if (method === 'GET' && path === '/api/people') return { status: 200, body: [me, ...added] };
      return before(method, path, body);
    };
    show(<MeView />);
    expect(screen.queryByRole('combobox', { name: 'This device is held by' })).toBeNull();
    fireEvent.click(await screen.findByRole('button', { name: 'Add somebody' }));
    const holder = (): HTMLSelectElement => screen.getByRole('combobox', { name: 'This device is held by' });
    await waitFor(() => expect(holder().value).toBe('second'));
    // nothing of theirs is measured yet, and that is said
    expect(sent[0]!.body).toMatchObject({ name: 'Assistant', body: { paceSpread: 0.1 }, calibrations: {} });
    expect(screen.getByText(/not measured yet/)).toBeTruthy();
    fireEvent.change(holder(), { target: { value: 'me' } });
    await waitFor(() => expect(screen.queryByText(/not measured yet/)).toBeNull());
    expect(screen.getByRole('button', { name: 'Delete Instructor' })).toBeTruthy();
  });

  test('each rule’s margins are its own, within its bounds', async () => {
    show(<MeView />);
    const share = within(await screen.findByRole('group', { name: 'working share' }));
    const ridge = share.getByRole('textbox', { name: 'A ridge or guy' });
    fireEvent.change(ridge, { target: { value: '90' } });
    fireEvent.keyDown(ridge, { key: 'Enter' });
    expect(share.getByRole('alert').textContent).toBe('A ridge or guy can be from 5 to 80 %.');
  });
});

describe('calling the server', () => {
  test('a problem carries its fields; a lost server and a mute one are told apart', async () => {
    answer = () => ({ status: 422, body: { code: 'invalid', message: 'no', fields: [{ field: 'a', message: 'b' }] } });
    await expect(call('PUT', '/x', {})).rejects.toMatchObject({ status: 422, problem: { fields: [{ field: 'a' }] } });
    answer = () => 'lost';
    await expect(call('GET', '/x')).rejects.toBeInstanceOf(Unreachable);
    answer = () => ({ status: 502, body: null });
    await expect(call('GET', '/x')).rejects.toBeInstanceOf(ApiError);
    answer = () => ({ status: 204, body: null });
    await expect(call('DELETE', '/x')).resolves.toBeUndefined();
  });
});
