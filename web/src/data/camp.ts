import type { Gear, GearList, KitCord } from '@rough-bight/core/rig';
import useSWR, { useSWRConfig } from 'swr';
import { call, get } from './api.js';
import { inTurn } from './in-turn.js';
import type { Camp, CampSummary, StoredPlace, StoredRig } from './types.js';

export function useCamps() {
  return useSWR<readonly CampSummary[]>('/api/camps', get);
}

export function useCamp(id: string | undefined) {
  return useSWR<Camp>(id === undefined ? null : `/api/camps/${encodeURIComponent(id)}`, get);
}

/** Lists of the kit, by their names in a camp and in an address. */
type List = 'kit' | GearList;

/** Changes to a camp's kit and list of rigs, each refreshing what is shown. */
export function useCampActions(campId: string) {
  const { mutate } = useSWRConfig();
  const path = `/api/camps/${encodeURIComponent(campId)}`;
  const then = async <T>(work: Promise<T>): Promise<T> => {
    const done = await work;
    await mutate(path);
    return done;
  };
  /** A changed thing of the kit is shown at once, so that the next change to it begins from this one. */
  const change = async (list: List, thing: Camp[List][number]): Promise<void> => {
    const { id, ...body } = thing;
    await mutate<Camp>(
      path,
      inTurn(() => call<Camp>('PUT', `${path}/${list}/${encodeURIComponent(id)}`, body)),
      {
        optimisticData: (_, shown) => ({
          ...shown!,
          [list]: shown![list].map((x) => (x.id === id ? thing : x)),
        }),
        populateCache: false,
        rollbackOnError: true,
      },
    );
  };
  return {
    addCord: (cord: Omit<KitCord, 'id'>) => then(call<KitCord>('POST', `${path}/kit`, cord)),
    changeCord: (cord: KitCord) => change('kit', cord),
    removeCord: (id: string) => then(call<undefined>('DELETE', `${path}/kit/${encodeURIComponent(id)}`)),
    addGear: <L extends GearList>(list: L, thing: Omit<Gear[L][number], 'id'>) =>
      then(call<Gear[L][number]>('POST', `${path}/${list}`, thing)),
    changeGear: <L extends GearList>(list: L, thing: Gear[L][number]) => change(list, thing as Camp[List][number]),
    removeGear: (list: GearList, id: string) =>
      then(call<undefined>('DELETE', `${path}/${list}/${encodeURIComponent(id)}`)),
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
