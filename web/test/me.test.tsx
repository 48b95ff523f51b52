import { afterEach, expect, jest, test } from '@jest/globals';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { useMe } from '../src/data/me.js';
import type { Person } from '../src/data/types.js';

afterEach(cleanup);

interface Sent {
  readonly body: Person;
  readonly keepalive: boolean;
  readonly answer: () => void;
}

/** A server that keeps one person and answers when it is told to. */
function server(person: Person): Sent[] {
  const sent: Sent[] = [];
  let now = person;
  globalThis.fetch = jest.fn((_: unknown, init?: RequestInit) => {
    const answered = (value: Person | readonly Person[]): Response =>
      ({ ok: true, status: 200, json: () => Promise.resolve(value) }) as unknown as Response;
    if (init?.method !== 'PUT') return Promise.resolve(answered([now]));
    return new Promise<Response>((resolve) => {
      const body = JSON.parse(init.body as string) as Person;
      now = { ...body, id: person.id, version: body.version + 1 };
      const value = now;
      sent.push({ body, keepalive: init.keepalive === true, answer: () => resolve(answered(value)) });
    });
  }) as unknown as typeof fetch;
  return sent;
}

test('what was changed last goes out even when the page is left while the change before is on its way', async () => {
  const me = { id: 'me', name: 'A', version: 4, units: { length: 'm', force: 'N' } } as unknown as Person;
  const sent = server(me);
  const { result } = renderHook(() => useMe());
  await waitFor(() => expect(result.current.data?.name).toBe('A'));
  let second: Promise<void> = Promise.resolve();
  act(() => {
    void result.current.change({ ...me, name: 'B' });
    second = result.current.change({ ...me, name: 'C' });
  });
  await waitFor(() => expect(sent.map((s) => s.body.name)).toEqual(['B']));
  expect(sent[0]).toMatchObject({ keepalive: true, body: { version: 4 } });
  act(() => void dispatchEvent(new Event('pagehide')));
  // made on top of the one that is on its way
  expect(sent[1]).toMatchObject({ keepalive: true, body: { name: 'C', version: 5 } });
  // leaving twice sends nothing twice, and neither does its turn when it comes after all
  act(() => void dispatchEvent(new Event('pagehide')));
  sent.forEach((s) => s.answer());
  await act(() => second);
  expect(sent).toHaveLength(2);
  expect(result.current.data).toMatchObject({ name: 'C', version: 6 });
});
