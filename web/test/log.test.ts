import { beforeEach, expect, jest, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import type { LogEntry } from '@rough-bight/core/log';
import { device, keptHere } from './device.js';

jest.unstable_mockModule('../src/data/kept.js', keptHere);
const { useLog } = await import('../src/data/log.js');
const { outbox } = await import('../src/data/outbox.js');

/** A server that can be away, and can lose its answer. */
const arrived: LogEntry[] = [];
let state: 'away' | 'deaf' | 'there' = 'away';
const answer = (body: unknown): Promise<unknown> =>
  Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(body) });
beforeEach(() => {
  globalThis.fetch = ((_: string, request?: RequestInit) => {
    if (state === 'away') return Promise.reject(new Error('no network'));
    if (request?.method === 'POST') {
      const { entries } = JSON.parse(request.body as string) as { entries: LogEntry[] };
      for (const e of entries) if (!arrived.some((a) => a.id === e.id)) arrived.push(e);
      // it took them, and nobody hears of it
      if (state === 'deaf') return Promise.reject(new Error('cut off'));
      return answer({ added: entries.length });
    }
    return answer([...arrived]);
  }) as unknown as typeof fetch;
});
const settle = (): Promise<void> => act(() => new Promise<void>((done) => setTimeout(done, 60)));

test('what is written without a server waits in its order and arrives once, though an answer is lost', async () => {
  const { result } = renderHook(() => useLog('camp'));
  await settle();
  act(() => {
    for (let i = 0; i < 5; i++)
      result.current.write({ by: 'me', rig: null, what: { kind: 'note', words: `note ${i}` } });
  });
  await settle();
  const words = (list: readonly LogEntry[]): string[] => list.map((e) => (e.what.kind === 'note' ? e.what.words : ''));
  const all = ['note 0', 'note 1', 'note 2', 'note 3', 'note 4'];
  const kept = (): unknown[] => (device.get('outbox') as { change: { entry: unknown } }[]).map((p) => p.change.entry);
  expect(words(result.current.entries)).toEqual(all);
  expect(words(kept() as LogEntry[])).toEqual(all);
  state = 'deaf';
  act(() => void dispatchEvent(new Event('online')));
  await settle();
  expect(words(arrived)).toEqual(all.slice(0, 1));
  // it does not know that the first is there: all are still kept
  expect(outbox.read()).toMatchObject({ away: true });
  expect(kept()).toHaveLength(5);
  state = 'there';
  act(() => void dispatchEvent(new Event('online')));
  await settle();
  expect(words(arrived)).toEqual(all);
  expect(outbox.read()).toEqual({ parcels: [], away: false });
  expect(device.get('outbox')).toEqual([]);
  expect(words(result.current.entries)).toEqual(all);
});
