import { useEffect, useState, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import { get } from './api.js';
import { RigStore } from './rig-store.js';
import type { RigSnapshot } from './rig-store.js';
import type { StoredRig } from './types.js';

/** Opens a rig for working on. */
export function useRigStore(id: string): { readonly store: RigStore | null; readonly error: Error | undefined } {
  const { data, error } = useSWR<StoredRig, Error>(`/api/rigs/${encodeURIComponent(id)}`, get, {
    dedupingInterval: 500,
  });
  const [store, setStore] = useState<RigStore | null>(null);
  if (data !== undefined && data.id === id && store?.id !== id) setStore(new RigStore(data));
  const open = store?.id === id ? store : null;
  useEffect(() => {
    if (open !== null && data !== undefined && data.id === id) open.seen(data);
  }, [open, data, id]);
  useEffect(() => {
    if (open === null) return undefined;
    const flush = (): void => void open.send(true);
    addEventListener('pagehide', flush);
    return () => {
      removeEventListener('pagehide', flush);
      void open.send(true);
    };
  }, [open]);
  return { store: open, error };
}

export function useRigSnapshot(store: RigStore): RigSnapshot {
  return useSyncExternalStore(store.subscribe, store.read);
}
