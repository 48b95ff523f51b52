import type { LogEntry } from '@rough-bight/core/log';
import { useMemo } from 'react';
import useSWR from 'swr';
import { get } from './api.js';
import { logAsWritten } from './as-changed.js';
import { outbox, useOutbox } from './outbox.js';

const NOTHING: readonly LogEntry[] = [];

/** A camp's log: what the server has and what still waits here, in the order in which it was written. */
export function useLog(campId: string): {
  readonly entries: readonly LogEntry[];
  readonly write: (entry: Omit<LogEntry, 'id' | 'at'>) => void;
} {
  const address = `/api/camps/${encodeURIComponent(campId)}/log`;
  const { data = NOTHING } = useSWR<readonly LogEntry[]>(address, get);
  const parcels = useOutbox();
  // the same until something is written or arrives: much is made of it
  const entries = useMemo(() => logAsWritten(data, campId, parcels), [data, campId, parcels]);
  return {
    entries,
    write: (written) => {
      const entry: LogEntry = { id: crypto.randomUUID(), at: new Date().toISOString(), ...written };
      void outbox.post({
        id: entry.id,
        method: 'POST',
        path: address,
        body: { entries: [entry] },
        what: 'the camp’s log',
        change: { kind: 'log', camp: campId, entry },
      });
    },
  };
}
