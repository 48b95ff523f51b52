import type { GearList, Kit, KitList } from '@rough-bight/core/rig';
import type { Verdict } from '@rough-bight/core/words';
import useSWR, { useSWRConfig } from 'swr';
import { call, get, sendFile } from './api.js';
import { inTurn } from './in-turn.js';
import type { Camp, CampSummary, StoredPlace, StoredRig } from './types.js';

const CAMPS = '/api/camps';
/** Where this device keeps which camp was open last. */
const LAST = 'rough-bight-camp';

export function useCamps() {
  return useSWR<readonly CampSummary[]>(CAMPS, get);
}

/** The camp one is in: the one that was open last on this device, else the first that is not put away. */
export function useCurrentCamp() {
  const { data: camps = [] } = useCamps();
  const last = localStorage.getItem(LAST);
  const current = camps.find((c) => c.id === last && !c.away) ?? camps.find((c) => !c.away) ?? camps[0];
  return useCamp(current?.id);
}

/** What can be done with camps as wholes, each refreshing the list. */
export function useCampsActions() {
  const { mutate } = useSWRConfig();
  const then = async <T>(work: Promise<T>): Promise<T> => {
    const done = await work;
    await mutate(CAMPS);
    return done;
  };
  const at = (id: string): string => `${CAMPS}/${encodeURIComponent(id)}`;
  return {
    make: (name: string, about: string) => then(call<CampSummary>('POST', CAMPS, { name, about })),
    change: async ({ id, name, about, away }: CampSummary) => {
      const changed = await then(call<CampSummary>('PUT', at(id), { name, about, away }));
      await mutate(at(id));
      return changed;
    },
    copy: (id: string) => then(call<CampSummary>('POST', `${at(id)}/copies`)),
    remove: (id: string) => then(call<undefined>('DELETE', at(id))),
    takeIn: (file: Blob) => then(sendFile<CampSummary>(`${CAMPS}/files`, file)),
    /** Where all of it is to be had as one file. */
    fileOf: (id: string) => `${at(id)}/file`,
  };
}

export function useCamp(id: string | undefined) {
  return useSWR<Camp>(id === undefined ? null : `/api/camps/${encodeURIComponent(id)}`, get, {
    onSuccess: (camp) => localStorage.setItem(LAST, camp.id),
  });
}

/** A camp's kit, list by list. */
export const kitOf = ({ kit, roofs, pegs, beds, straps }: Camp): Kit => ({ cords: kit, roofs, pegs, beds, straps });
/** What a list of the kit is called in a camp and in an address. */
const nameOf = (list: KitList): 'kit' | GearList => (list === 'cords' ? 'kit' : list);

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
    addThing: <L extends KitList>(list: L, thing: Omit<Kit[L][number], 'id'>) =>
      then(call<Kit[L][number]>('POST', `${path}/${nameOf(list)}`, thing)),
    /** A changed thing of the kit is shown at once, so that the next change to it begins from this one. */
    changeThing: async (list: KitList, thing: Kit[KitList][number]): Promise<void> => {
      const { id, ...body } = thing;
      const name = nameOf(list);
      await mutate<Camp>(
        path,
        inTurn(() => call<Camp>('PUT', `${path}/${name}/${encodeURIComponent(id)}`, body)),
        {
          optimisticData: (_, shown) => ({
            ...shown!,
            [name]: shown![name].map((x) => (x.id === id ? thing : x)),
          }),
          populateCache: false,
          rollbackOnError: true,
        },
      );
    },
    removeThing: (list: KitList, id: string) =>
      then(call<undefined>('DELETE', `${path}/${nameOf(list)}/${encodeURIComponent(id)}`)),
    takeInRig: (file: unknown) => then(call<StoredRig>('POST', `${path}/rig-files`, file)),
    addRig: (rig: Pick<StoredRig, 'name' | 'note' | 'document'>) => then(call<StoredRig>('POST', `${path}/rigs`, rig)),
    changeRig: ({ id, name, note, document, version }: StoredRig) =>
      then(call<StoredRig>('PUT', `/api/rigs/${encodeURIComponent(id)}`, { name, note, document, version })),
    /** Shown in its new order at once. */
    orderRigs: async (ids: readonly string[]): Promise<void> => {
      await mutate<Camp>(
        path,
        inTurn(() => call<Camp>('PUT', `${path}/rigs-order`, { ids })),
        {
          optimisticData: (_, shown) => ({
            ...shown!,
            rigs: ids.flatMap((id) => shown!.rigs.find((r) => r.id === id) ?? []),
          }),
          populateCache: false,
          rollbackOnError: true,
        },
      );
    },
    changePlace: ({ id, name, note, document, version }: StoredPlace) =>
      then(call<StoredPlace>('PUT', `/api/places/${encodeURIComponent(id)}`, { name, note, document, version })),
    /** Kept with the rig; nobody waits for it, and where it cannot be kept it is worked out again. */
    keepVerdict: (rigId: string, of: string, verdict: Verdict): void => {
      const { holds, sentence, detail } = verdict;
      void call('PUT', `/api/rigs/${encodeURIComponent(rigId)}/verdict`, {
        of,
        verdict: { holds, sentence, detail },
      }).catch(() => undefined);
    },
    addPlace: (place: Pick<StoredPlace, 'name' | 'note' | 'document'>) =>
      then(call<StoredPlace>('POST', `${path}/places`, place)),
    removePlace: (id: string) => then(call<undefined>('DELETE', `/api/places/${encodeURIComponent(id)}`)),
    removeRig: (id: string) => then(call<undefined>('DELETE', `/api/rigs/${encodeURIComponent(id)}`)),
  };
}
