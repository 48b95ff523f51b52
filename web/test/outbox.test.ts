import { describe, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import type { KitCord } from '@rough-bight/core/rig';
import type { Camp } from '../src/data/types.js';
import { conflict, device, keptHere } from './device.js';

jest.unstable_mockModule('../src/data/kept.js', keptHere);
const { outbox } = await import('../src/data/outbox.js');
const { asChanged, changed } = await import('../src/data/as-changed.js');
type Parcel = Parameters<typeof outbox.ask>[0];

const hank = (id: string, length: number): KitCord =>
  ({ id, name: `hank ${id}`, cord: 'seine-36', length, sun: 'new', wear: 'sound' }) as KitCord;
const camp = (kit: readonly KitCord[]): Camp => ({ id: 'camp', kit, rigs: [], places: [] }) as unknown as Camp;

/** A server of one list that takes each request as ours does, that can be away, and whose answer can be lost. */
function serverOf(kit: KitCord[]) {
  const gone = new Map<string, KitCord>();
  const state = { now: 'there' as 'away' | 'deaf' | 'there' };
  const take = (path: string, method: string, key: string, body: Omit<KitCord, 'id'>): number => {
    const [, id = key, back] = /\/kit(?:\/([^/]+))?(\/back)?$/.exec(path)!;
    const at = kit.findIndex((c) => c.id === id);
    if (method === 'POST' && back !== undefined) {
      if (!gone.has(id)) return 404;
      kit.push(gone.get(id)!);
      gone.delete(id);
    } else if (method === 'POST') {
      if (at < 0) kit.push({ ...body, id });
    } else if (at < 0) return 404;
    else if (method === 'PUT') kit[at] = { ...body, id };
    else gone.set(id, kit.splice(at, 1)[0]!);
    return 200;
  };
  globalThis.fetch = ((path: string, { method, headers, body }: RequestInit) => {
    if (state.now === 'away') return Promise.reject(new Error('no network'));
    const key = (headers as Record<string, string>)['idempotency-key']!;
    const status = take(path, method!, key, JSON.parse((body as string | undefined) ?? '{}') as KitCord);
    if (state.now === 'deaf') return Promise.reject(new Error('cut off'));
    const problem = { code: 'not-found', message: 'It is not there.', fields: [] };
    return Promise.resolve({ ok: status === 200, status, json: () => Promise.resolve(status === 200 ? {} : problem) });
  }) as unknown as typeof fetch;
  return { state, kit };
}

const thing = (
  method: Parcel['method'],
  id: string,
  to: KitCord | null,
  { back = false, key = crypto.randomUUID() as string } = {},
): Parcel => ({
  id: key,
  method,
  path: `/api/camps/camp/kit${key === id ? '' : `/${id}`}${back ? '/back' : ''}`,
  ...(to === null || back ? {} : { body: { ...to, id: undefined } }),
  what: `hank ${id}`,
  change: { kind: 'thing', camp: 'camp', list: 'cords', id, to },
});
const inOrder = (kit: readonly KitCord[]): KitCord[] => [...kit].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('what is changed while the server comes and goes', () => {
  const step = fc.oneof(
    fc.constantFrom({ server: 'away' as const }, { server: 'deaf' as const }, { server: 'there' as const }),
    fc.record({ deed: fc.constantFrom('add', 'change', 'take', 'back'), which: fc.nat(9), length: fc.nat(30) }),
  );
  test('is shown as changed at every moment, and in the end the server has each change once and in order', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 4, maxLength: 24 }), async (steps) => {
        const server = serverOf([hank('a', 10), hank('b', 20)]);
        let known: Camp = camp([...server.kit]);
        let wanted: Camp = known;
        const taken: KitCord[] = [];
        for (const s of steps) {
          if ('server' in s) {
            server.state.now = s.server;
            continue;
          }
          const { kit } = wanted;
          const one = kit[s.which % Math.max(1, kit.length)];
          const key = crypto.randomUUID();
          let parcel: Parcel | undefined;
          if (s.deed === 'add') parcel = thing('POST', key, hank(key, s.length), { key });
          else if (s.deed === 'back') {
            const last = taken.pop();
            if (last !== undefined) parcel = thing('POST', last.id, last, { back: true });
          } else if (one !== undefined && s.deed === 'change') parcel = thing('PUT', one.id, hank(one.id, s.length));
          else if (one !== undefined) {
            taken.push(one);
            parcel = thing('DELETE', one.id, null);
          }
          if (parcel === undefined) continue;
          wanted = changed(wanted, parcel.change);
          await outbox.ask(parcel, null);
          if (outbox.read().parcels.length === 0) known = camp([...server.kit]);
          expect(inOrder(asChanged(known, outbox.read().parcels).kit)).toEqual(inOrder(wanted.kit));
        }
        server.state.now = 'there';
        await outbox.send();
        expect(outbox.read().parcels).toEqual([]);
        expect(inOrder(server.kit)).toEqual(inOrder(wanted.kit));
      }),
      { numRuns: 150 },
    );
  });

  test('and what the server will not take is told, kept, tried again or let go; what stands behind it goes on', async () => {
    const server = serverOf([hank('a', 10)]);
    server.state.now = 'away';
    await outbox.ask(thing('PUT', 'nowhere', hank('nowhere', 3)), null);
    await outbox.ask(thing('PUT', 'a', hank('a', 7)), null);
    expect(outbox.read().away).toBe(true);
    server.state.now = 'there';
    await outbox.send();
    expect(server.kit).toEqual([hank('a', 7)]);
    expect(outbox.read()).toMatchObject({
      away: false,
      parcels: [{ what: 'hank nowhere', refused: 'It is not there.' }],
    });
    // it stands on the device too, and shows nothing as changed that is not
    expect(device.get('outbox')).toMatchObject([{ refused: 'It is not there.' }]);
    expect(asChanged(camp(server.kit), outbox.read().parcels).kit).toEqual(server.kit);
    server.kit.push(hank('nowhere', 1));
    await outbox.again();
    await outbox.send();
    expect(server.kit[1]).toEqual(hank('nowhere', 3));
    expect(outbox.read().parcels).toEqual([]);
    server.state.now = 'away';
    await outbox.ask(thing('PUT', 'nothing', hank('nothing', 3)), null);
    server.state.now = 'there';
    await outbox.send();
    await outbox.letGo();
    expect(outbox.read().parcels).toEqual([]);
    expect(device.get('outbox')).toEqual([]);
  });

  test('refused at once where the server is there', async () => {
    serverOf([]);
    await expect(outbox.ask(thing('PUT', 'nowhere', hank('nowhere', 3)), null)).rejects.toThrow('It is not there.');
    expect(outbox.read().parcels).toEqual([]);
  });
});

describe('a save of a version whose answer was lost', () => {
  const parcel: Parcel = {
    id: crypto.randomUUID(),
    method: 'PUT',
    path: '/api/rigs/r',
    body: { name: 'New name', note: '', document: { span: 4 }, version: 3 },
    what: 'New name',
    change: { kind: 'rig', camp: 'camp', id: 'r', to: null },
  };
  const waits = async (current: unknown): Promise<void> => {
    globalThis.fetch = (() => Promise.reject(new Error('cut off'))) as unknown as typeof fetch;
    await outbox.ask(parcel, null);
    conflict(current);
    await outbox.send();
  };
  test('arrived where the stored one holds all that was sent', async () => {
    await waits({ id: 'r', name: 'New name', note: '', document: { span: 4 }, version: 4 });
    expect(outbox.read().parcels).toEqual([]);
  });
  test('and is told where it holds something else', async () => {
    await waits({ id: 'r', name: 'Their name', note: '', document: { span: 4 }, version: 4 });
    expect(outbox.read().parcels).toMatchObject([{ refused: 'Changed since.' }]);
    await outbox.letGo();
  });
});
