import useSWR from 'swr';
import { call, get } from './api.js';
import { inTurn } from './in-turn.js';
import type { Person } from './types.js';

/** Version of the person that this window saved last, and how many saves are on their way. */
let ownVersion = 0;
let underway = 0;
/** The latest change, as long as it waits for those before it. */
let waiting: Person | null = null;
/** A change that went out of its turn because the page was left, and its answer. */
let sentLeaving: { readonly person: Person; readonly saved: Promise<Person> } | null = null;

/** It goes through even where the page is left meanwhile. */
async function save({ name, body, units, required, calibrations, version }: Person): Promise<Person> {
  // made from what was shown, which holds this window's own changes before it, saved meanwhile or about to be
  const made = Math.max(version, ownVersion) + underway;
  underway++;
  try {
    const saved = await call<Person>(
      'PUT',
      '/api/me',
      { name, body, units, required, calibrations, version: made },
      true,
    );
    ownVersion = saved.version;
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

/** The person whose measures and rules are used, and how to change them. */
export function useMe() {
  const swr = useSWR<Person>('/api/me', get, { revalidateOnFocus: false });
  const change = async (next: Person): Promise<void> => {
    waiting = next;
    await swr.mutate(
      inTurn(() => {
        if (sentLeaving?.person === next) return sentLeaving.saved;
        if (waiting === next) waiting = null;
        return save(next);
      }),
      { optimisticData: next, rollbackOnError: true, revalidate: false },
    );
  };
  return { ...swr, change };
}
