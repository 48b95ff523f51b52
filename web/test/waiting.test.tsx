import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, renderHook, screen } from '@testing-library/react';
import { freshRig } from '@rough-bight/core/rig';
import type { Camp, Person, StoredRig } from '../src/data/types.js';
import { device, keptHere } from './device.js';
import { render } from './render.js';

jest.unstable_mockModule('../src/data/kept.js', keptHere);
const { outbox } = await import('../src/data/outbox.js');
const { documentNow, useCamp, useCampActions } = await import('../src/data/camp.js');
const { asChanged, changed, keptWhereSame, logAsWritten, peopleAsChanged } = await import('../src/data/as-changed.js');
const { Refused, Waiting } = await import('../src/app/waiting.js');

type Reply = { readonly status: number; readonly body: unknown } | 'away';
let reply: (method: string, path: string, body: unknown) => Reply;
let sent: { method: string; path: string; key: string | undefined }[];

const rig = (id: string, version = 1): StoredRig => ({
  id,
  campId: 'camp',
  name: `Rig ${id}`,
  note: '',
  document: freshRig('cord'),
  version,
  updatedAt: '',
});
const camp = { id: 'camp', name: 'Camp', about: '', away: false, tonight: null, bindings: [] } as unknown as Camp;
const whole = (rigs: readonly StoredRig[]): Camp => ({
  ...camp,
  kit: [],
  roofs: [],
  pegs: [],
  beds: [],
  straps: [],
  rigs,
  places: [],
  verdicts: [],
});
const gone = { code: 'not-found', message: 'There is no rig of that name.', fields: [] };

/** A server that has two rigs and takes everything. */
const there = (method: string, path: string): Reply => ({
  status: 200,
  body: method !== 'GET' ? {} : path === '/api/camps' ? [camp] : whole([rig('a'), rig('b')]),
});
beforeEach(() => {
  sent = [];
  reply = () => 'away';
  globalThis.fetch = ((path: string, init: RequestInit) => {
    const { 'idempotency-key': key } = (init.headers ?? {}) as Record<string, string>;
    if (init.method !== 'GET') sent.push({ method: init.method!, path, key });
    const answer = reply(init.method!, path, init.body === undefined ? undefined : JSON.parse(init.body as string));
    if (answer === 'away') return Promise.reject(new TypeError('no network'));
    const { status, body } = answer;
    return Promise.resolve({ status, ok: status < 300, json: () => Promise.resolve(body) });
  }) as unknown as typeof fetch;
});
afterEach(async () => {
  cleanup();
  reply = there;
  await act(async () => {
    await outbox.send();
    await outbox.letGo();
  });
  device.clear();
  localStorage.clear();
});
const settle = (): Promise<void> => act(() => new Promise<void>((done) => setTimeout(done, 30)));

describe('a camp without a server', () => {
  const open = async () => {
    reply = (method, path) =>
      method === 'GET' && path === '/api/camps/camp' ? { status: 200, body: whole([rig('a'), rig('b')]) } : 'away';
    const { result } = renderHook(() => ({ camp: useCamp('camp').data, act: useCampActions('camp') }));
    await settle();
    const names = (): string[] => result.current.camp!.rigs.map((r) => r.name);
    expect(names()).toEqual(['Rig a', 'Rig b']);
    return { result, names };
  };

  test('a new rig stands there at once, under the id it will have, and is opened from this device', async () => {
    const { result, names } = await open();
    let made: StoredRig | undefined;
    await act(async () => {
      made = await result.current.act.addRig({ name: 'Mine', note: '', document: freshRig('cord') });
    });
    expect(names()).toEqual(['Rig a', 'Rig b', 'Mine']);
    expect(made).toMatchObject({ campId: 'camp', version: 1 });
    expect(await documentNow('rig', made!.id)).toEqual(made);
    expect(sent.at(-1)).toEqual({ method: 'POST', path: '/api/camps/camp/rigs', key: made!.id });
  });

  test('what is deleted is gone, is put back, and in the end the server is asked for both in that order', async () => {
    const { result, names } = await open();
    await act(() => result.current.act.removeRig(rig('a')));
    expect(names()).toEqual(['Rig b']);
    const { deedsOf } = await import('../src/data/deeds.js');
    await act(() => deedsOf('camp').read().undo!());
    expect(names().sort()).toEqual(['Rig a', 'Rig b']);
    sent = [];
    reply = there;
    await act(() => outbox.send());
    expect(sent.map((s) => `${s.method} ${s.path}`)).toEqual(['DELETE /api/rigs/a', 'POST /api/rigs/a/back']);
    expect(outbox.read().parcels).toEqual([]);
  });

  test('a rig named anew twice is told in both, each made from the one before', async () => {
    const { result, names } = await open();
    await act(async () => {
      const first = await result.current.act.changeRig(rig('b', 4), { ...rig('b', 4), name: 'Once' });
      await result.current.act.changeRig(first, { ...first, name: 'Twice' });
    });
    expect(names()).toEqual(['Rig a', 'Twice']);
    expect(outbox.read().parcels.map((p) => (p.body as { version: number }).version)).toEqual([4, 5]);
  });

  test('one that was never opened here is found in its camp; one that is nowhere is told', async () => {
    await open();
    expect(await documentNow('rig', 'b')).toMatchObject({ name: 'Rig b' });
    await expect(documentNow('rig', 'nowhere')).rejects.toThrow('The server does not answer.');
    reply = () => ({ status: 404, body: gone });
    await expect(documentNow('rig', 'b')).rejects.toThrow('There is no rig of that name.');
  });

  test('what stands tonight and the order of rigs are changed at once', async () => {
    const { result, names } = await open();
    await act(() => result.current.act.standTonight(['b']));
    expect(result.current.camp!.tonight).toEqual(['b']);
    await act(() => result.current.act.orderRigs(['b', 'a']));
    expect(names()).toEqual(['Rig b', 'Rig a']);
    expect(outbox.read().parcels.map((p) => p.what)).toEqual(['Camp', 'the order of the rigs']);
  });
});

describe('what waits is told', () => {
  const wait = (id: string): Promise<unknown> =>
    outbox.ask(
      {
        id,
        method: 'DELETE',
        path: `/api/rigs/${id}`,
        what: `Rig ${id}`,
        change: { kind: 'rig', camp: 'camp', id, to: null },
      },
      undefined,
    );
  test('only while the server is away, by how many', async () => {
    render(<Waiting />);
    expect(screen.queryByRole('status')).toBeNull();
    await act(() => wait('a'));
    expect(screen.getByRole('status').textContent).toBe('1 change waits');
    await act(() => wait('b'));
    expect(screen.getByRole('status').textContent).toBe('2 changes wait');
    reply = there;
    await act(() => outbox.send());
    expect(screen.queryByRole('status')).toBeNull();
  });
  test('and what was refused, by name and why, until it is tried again or let go', async () => {
    render(<Refused />);
    expect(screen.queryByRole('alert')).toBeNull();
    await act(() => wait('a'));
    const used = { code: 'conflict', message: 'It is in “Mess roof”. Choose another there first.', fields: [] };
    reply = () => ({ status: 409, body: used });
    await act(() => outbox.send());
    expect(screen.getByRole('alert').textContent).toMatch(/Rig a: It is in “Mess roof”\. Choose another there first\./);
    // still refused
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await settle();
    expect(screen.getByRole('alert')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Let it go' }));
    await settle();
    expect(screen.queryByRole('alert')).toBeNull();
    expect(device.get('outbox')).toEqual([]);
  });
});

describe('a change shown before it arrived', () => {
  test('leaves other camps alone, and what the server has newer', () => {
    const there = whole([rig('a', 7)]);
    expect(changed(there, { kind: 'camp', camp: 'other', part: { name: 'No' } })).toBe(there);
    expect(changed(there, { kind: 'rig', camp: 'camp', id: 'a', to: { ...rig('a', 6), name: 'Older' } })).toBe(there);
    expect(
      changed(there, { kind: 'rig', camp: 'camp', id: 'a', to: { ...rig('a', 8), name: 'Newer' } }).rigs[0]!.name,
    ).toBe('Newer');
  });
  test('made twice is made once', () => {
    const there = whole([rig('a')]);
    const add = { kind: 'rig', camp: 'camp', id: 'n', to: rig('n') } as const;
    const order = { kind: 'order', camp: 'camp', ids: ['n', 'a'] } as const;
    for (const change of [add, order, { ...add, id: 'a', to: null }]) {
      const once = changed(there, change);
      expect(changed(once, change)).toEqual(once);
    }
    // a rig that the order does not know stays, at the end
    expect(changed(changed(there, add), { ...order, ids: ['a'] }).rigs.map((r) => r.id)).toEqual(['a', 'n']);
  });
  test('read anew, what says the same stays the very same, and only that', () => {
    const was = { ...whole([rig('a'), rig('b')]), kit: [{ id: 'k' }], pegs: [{ id: 'p' }] } as unknown as Camp;
    const read = (camp: Camp): Camp => JSON.parse(JSON.stringify(camp)) as Camp;
    const same = keptWhereSame(was, read(was));
    for (const key of ['kit', 'pegs', 'rigs', 'places'] as const) expect(same[key]).toBe(was[key]);
    // one of its rigs was saved: its kit is the same, so nothing is judged again for it
    const saved = keptWhereSame(was, read({ ...was, rigs: [rig('a', 2), rig('b')] }));
    expect(saved.kit).toBe(was.kit);
    expect(saved.rigs).not.toBe(was.rigs);
    expect(saved.rigs[0]).toEqual(rig('a', 2));
    expect(saved.rigs[1]).toBe(was.rigs[1]);
    expect(keptWhereSame(was, read({ ...was, rigs: [rig('a')] })).rigs).toHaveLength(1);
    expect(keptWhereSame(undefined, was)).toBe(was);
    const other = { ...was, id: 'other' };
    expect(keptWhereSame(was, other)).toBe(other);
  });
  test('what was refused is not shown', () => {
    const there = whole([rig('a')]);
    const parcel = {
      id: 'x',
      method: 'DELETE',
      path: '',
      what: '',
      change: { kind: 'rig', camp: 'camp', id: 'a', to: null },
    } as const;
    expect(asChanged(there, [parcel]).rigs).toEqual([]);
    expect(asChanged(there, [{ ...parcel, refused: 'No.' }])).toEqual(there);
  });
  test('a person is as they changed themselves last, unless the server knows better; an entry stands once', () => {
    const me = { id: 'me', name: 'A', version: 3 } as unknown as Person;
    const as = (version: number, name: string) =>
      ({
        id: name,
        method: 'PUT',
        path: '',
        what: '',
        change: { kind: 'person', person: { ...me, version, name } },
      }) as const;
    expect(peopleAsChanged([me], [as(4, 'B'), as(5, 'C')])[0]!.name).toBe('C');
    expect(peopleAsChanged([{ ...me, version: 6 }], [as(4, 'B')])[0]!.name).toBe('A');
    const entry = { id: 'e', at: '', by: 'me', rig: null, what: { kind: 'note', words: 'x' } } as const;
    const write = {
      id: 'e',
      method: 'POST',
      path: '',
      what: '',
      change: { kind: 'log', camp: 'camp', entry },
    } as const;
    expect(logAsWritten([], 'camp', [write])).toEqual([entry]);
    expect(logAsWritten([entry], 'camp', [write])).toEqual([entry]);
    expect(logAsWritten([], 'other', [write])).toEqual([]);
  });
});
