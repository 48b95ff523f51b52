import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { StoredRig } from '../src/data/types.js';
import { freshRig } from '@rough-bight/core/rig';
import { conflict, device, keptHere } from './device.js';

jest.unstable_mockModule('../src/data/kept.js', keptHere);
const { DocumentStore } = await import('../src/data/document-store.js');

const rig = freshRig('cord');
const stored: StoredRig = { id: 'r', campId: 'c', name: 'Rig', note: '', document: rig, version: 4, updatedAt: '' };
const settle = (): Promise<void> => new Promise((done) => setTimeout(done, 20));
const keep = (document: unknown): void =>
  void device.set('rig-draft:r', { version: 4, draft: { name: 'By hand', note: 'Mine.', document } });

beforeEach(() => {
  device.clear();
  globalThis.fetch = (() => Promise.reject(new Error('no network'))) as unknown as typeof fetch;
});

describe('a draft that never reached the server', () => {
  test('comes back', async () => {
    keep({ ...rig, sway: 0.2 });
    const store = new DocumentStore('rig', stored);
    await settle();
    expect(store.read().draft).toMatchObject({ name: 'By hand', note: 'Mine.', document: { sway: 0.2 } });
  });
  test('is brought up to this version as files are, and its note says what changed', async () => {
    const roof = { on: true, mass: 1, wetMass: 2, at: [1, 4], area: 3 };
    keep({ ...rig, format: 'rough-bight/ridge@1', roof });
    const store = new DocumentStore('rig', stored);
    await settle();
    const { document, note } = store.read().draft;
    expect(document.format).toBe(rig.format);
    expect(document.hung.map((h) => [h.mass, h.wetMass, h.area, h.at])).toEqual([
      [0.5, 1, 1.5, 1],
      [0.5, 1, 1.5, 4],
    ]);
    expect(note).toMatch(/^Mine\.\nThe roof on its bare line/);
  });
  test('of a newer program is set aside, not shown and not written over', async () => {
    const newer = { ...rig, format: 'rough-bight/ridge@9' };
    keep(newer);
    const store = new DocumentStore('rig', stored);
    await settle();
    expect(store.read().draft.name).toBe('Rig');
    store.edit({ name: 'Now', note: '', document: rig });
    await settle();
    expect(device.get('rig-draft:r:newer')).toMatchObject({ draft: { name: 'By hand', document: newer } });
  });
});

describe('a save whose answer was lost', () => {
  test('is no conflict where the server has the very same', async () => {
    const store = new DocumentStore('rig', stored);
    const mine = { name: 'Rig', note: '', document: { ...rig, sway: 0.1 } };
    store.edit(mine);
    conflict({ ...stored, ...mine, version: 5 });
    await store.send();
    expect(store.read().save).toEqual({ kind: 'saved' });
    expect(store.savedVersion).toBe(5);
    expect(device.has('rig-draft:r')).toBe(false);
  });
  test('and stays one where it has something else', async () => {
    const store = new DocumentStore('rig', stored);
    store.edit({ name: 'Rig', note: '', document: { ...rig, sway: 0.1 } });
    conflict({ ...stored, document: { ...rig, sway: 0.3 }, version: 5 });
    await store.send();
    expect(store.read().save.kind).toBe('conflict');
    expect(device.has('rig-draft:r')).toBe(true);
  });
});
