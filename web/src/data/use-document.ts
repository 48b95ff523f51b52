import { useEffect, useState, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import { documentNow } from './camp.js';
import { DocumentStore } from './document-store.js';
import type { Snapshot } from './document-store.js';
import type { Stored } from './types.js';

/** Opens a rig or a place for working on. */
export function useDocument<D>(
  kind: 'rig' | 'place',
  id: string,
): { readonly store: DocumentStore<D> | null; readonly error: Error | undefined } {
  const { data, error } = useSWR<Stored<D>, Error>(
    `/api/${kind}s/${encodeURIComponent(id)}`,
    () => documentNow<D>(kind, id),
    { dedupingInterval: 500 },
  );
  const [store, setStore] = useState<DocumentStore<D> | null>(null);
  if (data !== undefined && data.id === id && store?.id !== id) setStore(new DocumentStore(kind, data));
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

export function useSnapshot<D>(store: DocumentStore<D>): Snapshot<D> {
  return useSyncExternalStore(store.subscribe, store.read);
}
