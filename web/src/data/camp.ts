import type { KitCord, KitPegs } from '@rough-bight/core/rig';
import type { KitRoof } from '@rough-bight/core/roof';
import useSWR, { useSWRConfig } from 'swr';
import { call, get } from './api.js';
import type { Camp, CampSummary, Person, StoredPlace, StoredRig } from './types.js';

export function useCamps() {
  return useSWR<readonly CampSummary[]>('/api/camps', get);
}

export function useCamp(id: string | undefined) {
  return useSWR<Camp>(id === undefined ? null : `/api/camps/${encodeURIComponent(id)}`, get);
}

/** Changes to a camp's kit and list of rigs, each refreshing what is shown. */
export function useCampActions(campId: string) {
  const { mutate } = useSWRConfig();
  const path = `/api/camps/${encodeURIComponent(campId)}`;
  const then = async <T>(work: Promise<T>): Promise<T> => {
    const done = await work;
    await mutate(path);
    return done;
  };
  return {
    addCord: (cord: Omit<KitCord, 'id'>) => then(call<KitCord>('POST', `${path}/kit`, cord)),
    changeCord: ({ id, ...cord }: KitCord) => then(call<KitCord>('PUT', `${path}/kit/${encodeURIComponent(id)}`, cord)),
    removeCord: (id: string) => then(call<undefined>('DELETE', `${path}/kit/${encodeURIComponent(id)}`)),
    addRoof: (roof: Omit<KitRoof, 'id'>) => then(call<KitRoof>('POST', `${path}/roofs`, roof)),
    changeRoof: (roof: KitRoof) => then(call<KitRoof>('PUT', `${path}/roofs/${encodeURIComponent(roof.id)}`, roof)),
    removeRoof: (id: string) => then(call<undefined>('DELETE', `${path}/roofs/${encodeURIComponent(id)}`)),
    addPegs: (pegs: Omit<KitPegs, 'id'>) => then(call<KitPegs>('POST', `${path}/pegs`, pegs)),
    changePegs: (pegs: KitPegs) => then(call<KitPegs>('PUT', `${path}/pegs/${encodeURIComponent(pegs.id)}`, pegs)),
    removePegs: (id: string) => then(call<undefined>('DELETE', `${path}/pegs/${encodeURIComponent(id)}`)),
    takeInRig: (file: unknown) => then(call<StoredRig>('POST', `${path}/rig-files`, file)),
    addRig: (rig: Pick<StoredRig, 'name' | 'note' | 'document'>) => then(call<StoredRig>('POST', `${path}/rigs`, rig)),
    changeRig: ({ id, name, note, document, version }: StoredRig) =>
      then(call<StoredRig>('PUT', `/api/rigs/${encodeURIComponent(id)}`, { name, note, document, version })),
    addPlace: (place: Pick<StoredPlace, 'name' | 'note' | 'document'>) =>
      then(call<StoredPlace>('POST', `${path}/places`, place)),
    removePlace: (id: string) => then(call<undefined>('DELETE', `/api/places/${encodeURIComponent(id)}`)),
    removeRig: (id: string) => then(call<undefined>('DELETE', `/api/rigs/${encodeURIComponent(id)}`)),
  };
}

/** The person whose measures and rules are used, and how to change them. */
export function useMe() {
  const swr = useSWR<Person>('/api/me', get, { revalidateOnFocus: false });
  const change = async (next: Person): Promise<void> => {
    await swr.mutate(
      async () =>
        call<Person>('PUT', '/api/me', {
          name: next.name,
          body: next.body,
          units: next.units,
          required: next.required,
          calibrations: next.calibrations,
          version: next.version,
        }),
      { optimisticData: next, rollbackOnError: true, revalidate: false },
    );
  };
  return { ...swr, change };
}
