import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { DocumentStore } from '../src/data/document-store.js';
import type { StoredRig } from '../src/data/types.js';
import { freshRig } from '@rough-bight/core/rig';

const stored: StoredRig = {
  id: 'r',
  campId: 'c',
  name: 'Rig',
  note: '',
  document: freshRig('cord'),
  version: 4,
  updatedAt: '',
};
const draft = (name: string): { name: string; note: string; document: StoredRig['document'] } => ({
  name,
  note: '',
  document: stored.document,
});

type Reply = { status: number; body: unknown } | 'lost';
let replies: Reply[];
let sent: { name: string; version: number }[];

beforeEach(() => {
  jest.useFakeTimers();
  replies = [];
  sent = [];
  globalThis.fetch = ((_path: string, init: { body: string }) => {
    const body = JSON.parse(init.body) as { name: string; version: number };
    sent.push(body);
    const reply = replies.shift() ?? { status: 200, body: { ...stored, ...body, version: body.version + 1 } };
    if (reply === 'lost') return Promise.reject(new Error('no network'));
    return Promise.resolve({ status: reply.status, ok: reply.status < 300, json: () => Promise.resolve(reply.body) });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
});
const wait = (ms: number): Promise<void> => jest.advanceTimersByTimeAsync(ms);

describe('a rig being worked on', () => {
  test('edits close together are saved as one, from the version last seen', async () => {
    const store = new DocumentStore('rig', stored);
    store.edit(draft('a'));
    store.edit(draft('b'));
    expect(store.read().save.kind).toBe('saving');
    await wait(500);
    expect(sent).toEqual([expect.objectContaining({ name: 'b', version: 4 })]);
    expect(store.read().save.kind).toBe('saved');
    store.edit(draft('c'));
    await wait(500);
    expect(sent[1]).toMatchObject({ name: 'c', version: 5 });
  });

  test('a drag is one step to undo, and is saved when it ends', async () => {
    const store = new DocumentStore('rig', stored);
    for (const name of ['1', '2', '3']) store.move(draft(name));
    await wait(2000);
    expect(sent).toEqual([]);
    expect(store.read().moving).toBe(true);
    store.endMove();
    await wait(500);
    expect(sent).toHaveLength(1);
    store.undo();
    expect(store.read()).toMatchObject({ draft: { name: 'Rig' }, canUndo: false, canRedo: true });
    store.redo();
    expect(store.read().draft.name).toBe('3');
  });

  test('a lost server is tried again with the newest draft', async () => {
    replies = ['lost', 'lost'];
    const store = new DocumentStore('rig', stored);
    store.edit(draft('a'));
    await wait(500);
    expect(store.read().save).toMatchObject({ kind: 'waiting' });
    store.edit(draft('b'));
    await wait(500);
    await wait(4000);
    expect(store.read().save.kind).toBe('saved');
    expect(sent.at(-1)).toMatchObject({ name: 'b', version: 4 });
  });

  test('a refusal says why and keeps the draft', async () => {
    replies = [{ status: 422, body: { code: 'invalid', message: 'The span must be…', fields: [] } }];
    const store = new DocumentStore('rig', stored);
    store.edit(draft('a'));
    await wait(500);
    expect(store.read()).toMatchObject({
      draft: { name: 'a' },
      save: { kind: 'refused', message: 'The span must be…' },
    });
  });

  test('a conflict stops saving until a person chooses; taking the other keeps one’s own to undo', async () => {
    const theirs = { ...stored, name: 'Theirs', version: 9 };
    replies = [{ status: 409, body: { code: 'conflict', message: 'changed', fields: [], current: theirs } }];
    const store = new DocumentStore('rig', stored);
    store.edit(draft('mine'));
    await wait(500);
    expect(store.read().save).toMatchObject({ kind: 'conflict', theirs: { version: 9 } });
    store.edit(draft('mine still'));
    await wait(5000);
    expect(sent).toHaveLength(1);
    store.adopt(theirs);
    expect(store.read()).toMatchObject({ draft: { name: 'Theirs' }, save: { kind: 'saved' } });
    store.undo();
    expect(store.read().draft.name).toBe('mine still');
    await wait(500);
    expect(sent.at(-1)).toMatchObject({ name: 'mine still', version: 9 });
  });

  test('a newer version seen is taken when nothing is unsaved, and asked about when something is', () => {
    const store = new DocumentStore('rig', stored);
    store.seen({ ...stored, name: 'Newer', version: 5 });
    expect(store.read().draft.name).toBe('Newer');
    store.edit(draft('mine'));
    store.seen({ ...stored, name: 'Newest', version: 6 });
    expect(store.read()).toMatchObject({ draft: { name: 'mine' }, save: { kind: 'conflict' } });
  });
});
