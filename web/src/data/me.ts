import type { Reader } from '@rough-bight/core/ground';
import { useMemo, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import { call, get } from './api.js';
import { peopleAsChanged } from './as-changed.js';
import { deedsOf } from './deeds.js';
import { inTurn } from './in-turn.js';
import { outbox, useOutbox } from './outbox.js';
import type { Person } from './types.js';

export const PEOPLE = '/api/people';
/** Where this device keeps who holds it. */
const HOLDER = 'rough-bight-me';
const at = (id: string): string => `${PEOPLE}/${encodeURIComponent(id)}`;

const listeners = new Set<() => void>();
const holder = (): string | null => localStorage.getItem(HOLDER);
const watchHolder = (changed: () => void): (() => void) => {
  listeners.add(changed);
  addEventListener('storage', changed);
  return () => {
    listeners.delete(changed);
    removeEventListener('storage', changed);
  };
};
function holdAs(id: string): void {
  localStorage.setItem(HOLDER, id);
  for (const changed of listeners) changed();
}

/** Version of each person that this window saved last, and how many saves are on their way. */
const ownVersion = new Map<string, number>();
let underway = 0;
/** The latest change, as long as it waits for those before it. */
let waiting: Person | null = null;
/** A change that went out of its turn because the page was left, and its answer. */
let sentLeaving: { readonly person: Person; readonly saved: Promise<Person> } | null = null;

/** It goes through even where the page is left meanwhile. */
async function save({ id, version, ...person }: Person): Promise<Person> {
  // made from what was shown, which holds this window's own changes before it, saved meanwhile or about to be
  const made = Math.max(version, ownVersion.get(id) ?? 0) + underway;
  underway++;
  try {
    const expected = { id, ...person, version: made + 1 };
    const saved = await outbox.ask<Person>(
      {
        what: `the measures of ${person.name}`,
        id: crypto.randomUUID(),
        method: 'PUT',
        path: at(id),
        body: { ...person, version: made },
        change: { kind: 'person', person: expected },
      },
      expected,
      true,
    );
    // what waits is not saved yet
    if (saved !== expected) ownVersion.set(id, saved.version);
    return saved;
  } finally {
    underway--;
  }
}

// what still waits for its turn would never get it
addEventListener('pagehide', () => {
  if (waiting === null) return;
  const saved = save(waiting);
  saved.catch(() => undefined);
  sentLeaving = { person: waiting, saved };
  waiting = null;
});

/** Everyone who measures here, and who of them holds this device. */
export function usePeople() {
  const swr = useSWR<readonly Person[]>(PEOPLE, get, { revalidateOnFocus: false });
  const held = useSyncExternalStore(watchHolder, holder);
  const parcels = useOutbox();
  const { data } = swr;
  const people = useMemo(() => (data === undefined ? undefined : peopleAsChanged(data, parcels)), [data, parcels]);
  const me = people?.find((p) => p.id === held) ?? people?.[0];
  return { ...swr, people, me };
}

/** The person whose measures and rules are used, and how to change them. */
export function useMe() {
  const { people, me, error, mutate } = usePeople();
  const put = (list: readonly Person[] | undefined, person: Person): readonly Person[] =>
    (list ?? []).map((p) => (p.id === person.id ? person : p));
  const send = async (next: Person): Promise<void> => {
    waiting = next;
    let saved: Person | null = null;
    await mutate(
      inTurn(async () => {
        if (sentLeaving?.person === next) saved = await sentLeaving.saved;
        else {
          if (waiting === next) waiting = null;
          saved = await save(next);
        }
        return [];
      }),
      {
        optimisticData: (list) => put(list, next),
        populateCache: (_, list) => put(list, saved!),
        rollbackOnError: true,
        revalidate: false,
      },
    );
  };
  const change = async (next: Person): Promise<void> => {
    const was = people?.find((p) => p.id === next.id);
    await send(next);
    if (was !== undefined)
      deedsOf(mine(next.id)).done({
        what: 'Your measures were changed.',
        back: () => send(was),
        again: () => send(next),
      });
  };
  return { data: me, people, error: error as Error | undefined, change };
}

/** The scope of what a person changes of their own. */
export const mine = (id: string): string => `person ${id}`;

/** Who holds this device, and who else is here. */
export function usePeopleActions() {
  const { mutate } = usePeople();
  return useMemo(
    () => ({
      holdAs,
      /** Adds somebody, who holds the device from then on. */
      add: async (person: Omit<Person, 'id' | 'version'>): Promise<Person> => {
        const added = await call<Person>('POST', PEOPLE, person);
        await mutate((list) => [...(list ?? []), added], { revalidate: false });
        holdAs(added.id);
        return added;
      },
      /** What they measured keeps the pace it was made with. */
      remove: async ({ id, name }: Person): Promise<void> => {
        const take = async (): Promise<void> => {
          await call('DELETE', at(id));
          await mutate();
        };
        await take();
        const back = async (): Promise<void> => {
          await call('POST', `${at(id)}/back`);
          await mutate();
          holdAs(id);
        };
        deedsOf(PEOPLE).done({ what: `${name} was deleted.`, gone: true, back, again: take });
      },
    }),
    [mutate],
  );
}

/** Whoever reads a place, and all whose paces may be in it. */
export function useReader({ id, body, calibrations }: Person): Reader {
  const { people } = usePeople();
  return useMemo(
    () => ({ id, body, calibrations, ...(people === undefined ? {} : { people }) }),
    [id, body, calibrations, people],
  );
}
