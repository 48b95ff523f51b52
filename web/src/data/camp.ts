import type { Gear, GearList, KitCord } from '@rough-bight/core/rig';
import useSWR, { useSWRConfig } from 'swr';
import { call, get } from './api.js';
import type { Camp, CampSummary, Person, StoredPlace, StoredRig } from './types.js';

export function useCamps() {
  return useSWR<readonly CampSummary[]>('/api/camps', get);
}

export function useCamp(id: string | undefined) {
  return useSWR<Camp>(id === undefined ? null : `/api/camps/${encodeURIComponent(id)}`, get);
}

/** Lists of the kit, by their names in a camp and in an address. */
type List = 'kit' | GearList;

/** Changes to the kit go one after another: the later one is the one that stays. */
let lastChange: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const next = lastChange.then(work, work);
  lastChange = next.catch(() => undefined);
  return next;
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

/** Version of the person that this window saved last. */
let ownVersion = 0;

/** The person whose measures and rules are used, and how to change them. */
export function useMe() {
  const swr = useSWR<Person>('/api/me', get, { revalidateOnFocus: false });
  const change = async (next: Person): Promise<void> => {
    await swr.mutate(
      inTurn(async () => {
        const saved = await call<Person>('PUT', '/api/me', {
          name: next.name,
          body: next.body,
          units: next.units,
          required: next.required,
          calibrations: next.calibrations,
          // made from what was shown, which holds this window's own change before it, saved meanwhile
          version: Math.max(next.version, ownVersion),
        });
        ownVersion = saved.version;
        return saved;
      }),
      { optimisticData: next, rollbackOnError: true, revalidate: false },
    );
  };
  return { ...swr, change };
}
