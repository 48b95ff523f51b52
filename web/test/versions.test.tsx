import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { SWRConfig } from 'swr';
import type { RidgeRig } from '@rough-bight/core/rig';
import { Versions } from '../src/views/bench/versions.js';
import { render } from './render.js';

interface Kept {
  version: number;
  name: string;
  called: string;
  savedAt: string;
}
let kept: Kept[];
let sent: { method: string; path: string; body: unknown }[];
let failing: string | null;
beforeEach(() => {
  kept = [4, 3, 2, 1].map((version) => ({
    version,
    name: 'Gable',
    called: version === 2 ? 'before the storm' : '',
    savedAt: '2026-11-25T08:00:00Z',
  }));
  sent = [];
  failing = null;
  globalThis.fetch = ((path: string, init: { method: string; body?: string }) => {
    const body = init.body === undefined ? undefined : (JSON.parse(init.body) as { called: string });
    if (init.method !== 'GET') sent.push({ method: init.method, path, body });
    const reply = (status: number, value: unknown) =>
      Promise.resolve({ status, ok: status < 300, json: () => Promise.resolve(value) });
    if (failing !== null) return reply(500, { code: 'failed', message: failing, fields: [] });
    const one = /revisions\/(\d+)$/.exec(path);
    const version = kept.find((v) => v.version === Number(one?.[1]));
    if (init.method === 'PUT') {
      kept = kept.map((v) => (v === version ? { ...v, called: body!.called } : v));
      return reply(204, undefined);
    }
    return reply(200, one === null ? kept : { ...version, document: { made: one[1] } });
  }) as unknown as typeof fetch;
});
afterEach(cleanup);

const backed: RidgeRig[] = [];
const beside: number[] = [];
function show(saved: number | null = 4, compares = true): void {
  backed.length = beside.length = 0;
  render(
    <SWRConfig value={{ provider: () => new Map(), dedupingInterval: 0 }}>
      <Versions
        rigId="gable"
        saved={saved}
        onBeside={compares ? (v) => beside.push(v) : null}
        onBack={(rig) => backed.push(rig)}
        onClose={() => undefined}
      />
    </SWRConfig>,
  );
}
const rows = async (list: string) => within(await screen.findByRole('list', { name: list })).getAllByRole('listitem');

describe('the versions of a rig', () => {
  test('named ones stand first; the one of now is not among those before', async () => {
    show();
    expect((await rows('Named versions')).map((r) => r.textContent)).toEqual([
      expect.stringMatching(/^before the storm, /),
    ]);
    expect(await rows('Earlier versions')).toHaveLength(2);
  });
  test('one is brought back whole, or laid beside by its number', async () => {
    show();
    const [named] = await rows('Named versions');
    fireEvent.click(within(named!).getByRole('button', { name: 'Lay it beside' }));
    expect(beside).toEqual([2]);
    fireEvent.click(within(named!).getByRole('button', { name: 'Bring it back' }));
    await waitFor(() => expect(backed).toEqual([{ made: '2' }]));
  });
  test('the rig as it is now is named once it is saved, and another anew', async () => {
    show();
    const field = await screen.findByRole('textbox', { name: 'Name it as it is now' });
    fireEvent.change(field, { target: { value: 'as taught' } });
    fireEvent.keyDown(field, { key: 'Enter' });
    await waitFor(() =>
      expect(sent).toEqual([{ method: 'PUT', path: '/api/rigs/gable/revisions/4', body: { called: 'as taught' } }]),
    );
    expect(await screen.findByText(/as it is now/)).toBeTruthy();
    const [, old] = await rows('Named versions');
    fireEvent.click(within(old!).getByRole('button', { name: 'Name it anew' }));
    const name = within(old!).getByRole('textbox', { name: 'Name' });
    expect((name as HTMLInputElement).value).toBe('before the storm');
    fireEvent.change(name, { target: { value: '' } });
    fireEvent.keyDown(name, { key: 'Enter' });
    await waitFor(() => expect(kept.find((v) => v.version === 2)!.called).toBe(''));
  });
  test('while a change is not saved nothing is named; where rigs cannot be compared nothing is laid beside', async () => {
    show(null, false);
    await screen.findByText('It can be named once it is saved.');
    expect(screen.queryByRole('textbox', { name: 'Name it as it is now' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Lay it beside' })).toBeNull();
  });
  test('what the server refuses is said', async () => {
    failing = 'The store is closed.';
    show();
    expect((await screen.findByRole('alert')).textContent).toBe('The store is closed.');
  });
});
