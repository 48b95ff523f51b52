import type { Binding, KitCord } from '@rough-bight/core/cordage';
import type { Place } from '@rough-bight/core/ground';
import type { GearList, Kit, KitList, RidgeRig } from '@rough-bight/core/rig';
import type { Verdict } from '@rough-bight/core/words';
import useSWR, { useSWRConfig } from 'swr';
import { call, get, sendFile } from './api.js';
import { deedsOf } from './deeds.js';
import { inTurn } from './in-turn.js';
import type { Camp, CampSummary, Stored, StoredPlace, StoredRig } from './types.js';

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

/** Rigs and places: documents with a name, each at its own address. */
type DocumentKind = 'rig' | 'place';
type Drafted<D> = Pick<Stored<D>, 'name' | 'note' | 'document'>;

const draftOf = <D>({ name, note, document }: Drafted<D>): Drafted<D> => ({ name, note, document });

/** Changes to a camp, each refreshing what is shown, and each to be taken back. */
export function useCampActions(campId: string) {
  const { mutate, cache } = useSWRConfig();
  const path = `/api/camps/${encodeURIComponent(campId)}`;
  const deeds = deedsOf(campId);
  const shown = (): Camp => cache.get(path)!.data as Camp;
  const then = async <T>(work: Promise<T>): Promise<T> => {
    const done = await work;
    await mutate(path);
    return done;
  };
  /** Puts a change on its way after those before it, and shows it at once. */
  const atOnce = (call_: () => Promise<unknown>, change: (camp: Camp) => Camp): Promise<unknown> =>
    mutate<Camp>(path, inTurn(call_) as Promise<Camp>, {
      optimisticData: (_, camp) => change(camp!),
      populateCache: false,
      rollbackOnError: true,
    });

  const at = (name: string, id: string): string => `${name}/${encodeURIComponent(id)}`;
  const take = (address: string) => () => then(call<undefined>('DELETE', address));
  const back = (address: string) => () => then(call('POST', `${address}/back`));
  /** Something new, which goes again when it is taken back. */
  const added = <T extends { readonly id: string; readonly name: string }>(
    made: T,
    addressOf: (id: string) => string,
  ): T => {
    const address = addressOf(made.id);
    deeds.done({ what: `${made.name} was added.`, back: take(address), again: back(address) });
    return made;
  };
  const removed = async (what: string, address: string): Promise<void> => {
    await take(address)();
    deeds.done({ what, gone: true, back: back(address), again: take(address) });
  };

  const thingAt = (list: KitList, id: string): string => at(`${path}/${nameOf(list)}`, id);
  const putThing = (list: KitList, thing: Kit[KitList][number]): Promise<unknown> => {
    const { id, ...body } = thing;
    const name = nameOf(list);
    return atOnce(
      () => call('PUT', thingAt(list, id), body),
      (camp) => ({ ...camp, [name]: camp[name].map((x) => (x.id === id ? thing : x)) }),
    );
  };
  const documentAt = (kind: DocumentKind, id: string): string => at(`/api/${kind}s`, id);
  const add = async <D>(kind: DocumentKind, draft: Drafted<D>): Promise<Stored<D>> =>
    added(await then(call<Stored<D>>('POST', `${path}/${kind}s`, draft)), (id) => documentAt(kind, id));
  const put = <D>(kind: DocumentKind, { id, name, note, document, version }: Stored<D>): Promise<Stored<D>> =>
    then(call<Stored<D>>('PUT', documentAt(kind, id), { name, note, document, version }));
  /** Names it anew, or stands it elsewhere. */
  const change = async <D>(kind: DocumentKind, was: Stored<D>, wish: Drafted<D>): Promise<Stored<D>> => {
    const draft = draftOf(wish);
    const made = await put(kind, { ...was, ...draft });
    let { version } = made;
    const to = (wanted: Drafted<D>) => async (): Promise<void> => {
      const now = await get<Stored<D>>(documentAt(kind, was.id));
      const { name, note } = wanted;
      // what was worked on meanwhile is not taken back with its name
      if (draft.document === was.document) version = (await put(kind, { ...now, name, note })).version;
      else if (now.version === version) version = (await put(kind, { ...now, ...wanted })).version;
      else throw new Error(`${now.name} was changed since. Open it: its versions hold it as it was.`);
    };
    deeds.done({ what: `${was.name} was changed.`, back: to(draftOf(was)), again: to(draft) });
    return made;
  };
  const order = (ids: readonly string[]): Promise<unknown> =>
    atOnce(
      () => call('PUT', `${path}/rigs-order`, { ids }),
      (camp) => ({ ...camp, rigs: ids.flatMap((id) => camp.rigs.find((r) => r.id === id) ?? []) }),
    );

  /** Changes something of the camp itself; shown at once. */
  const changeCamp = async (part: Partial<Pick<Camp, 'tonight' | 'bindings'>>, what: string): Promise<void> => {
    const { name, about, away, tonight, bindings } = shown();
    const put = (next: typeof part): Promise<unknown> =>
      atOnce(
        () => call('PUT', path, { name, about, away, ...next }),
        (camp) => ({ ...camp, ...next }),
      );
    await put(part);
    const was = { ...('tonight' in part ? { tonight } : {}), ...('bindings' in part ? { bindings } : {}) };
    deeds.done({ what, back: () => put(was), again: () => put(part) });
  };

  return {
    addThing: async <L extends KitList>(list: L, thing: Omit<Kit[L][number], 'id'>) =>
      added(await then(call<Kit[L][number]>('POST', `${path}/${nameOf(list)}`, thing)), (id) => thingAt(list, id)),
    /** A changed thing of the kit is shown at once, so that the next change to it begins from this one. */
    changeThing: async (list: KitList, thing: Kit[KitList][number]): Promise<void> => {
      const was = kitOf(shown())[list].find((x) => x.id === thing.id);
      await putThing(list, thing);
      if (was !== undefined)
        deeds.done({
          what: `${was.name} was changed.`,
          back: () => putThing(list, was),
          again: () => putThing(list, thing),
        });
    },
    /** Hanks as they are after a plan was cut: one deed. */
    cutHanks: async (hanks: readonly KitCord[]): Promise<void> => {
      const was = shown().kit.filter((c) => hanks.some((h) => h.id === c.id));
      const all = async (list: readonly KitCord[]): Promise<void> => {
        for (const hank of list) await putThing('cords', hank);
      };
      await all(hanks);
      deeds.done({ what: 'Cord was cut as planned.', back: () => all(was), again: () => all(hanks) });
    },
    removeThing: (list: KitList, { id, name }: { readonly id: string; readonly name: string }) =>
      removed(`${name} was taken out of the kit.`, thingAt(list, id)),
    takeInRig: async (file: unknown) =>
      added(await then(call<StoredRig>('POST', `${path}/rig-files`, file)), (id) => documentAt('rig', id)),
    addRig: (rig: Drafted<RidgeRig>) => add('rig', rig),
    changeRig: (was: StoredRig, draft: Drafted<RidgeRig>) => change('rig', was, draft),
    removeRig: ({ id, name }: StoredRig) => removed(`${name} was deleted.`, documentAt('rig', id)),
    addPlace: (place: Drafted<Place>) => add('place', place),
    changePlace: (was: StoredPlace, draft: Drafted<Place>) => change('place', was, draft),
    removePlace: ({ id, name }: StoredPlace) => removed(`${name} was deleted.`, documentAt('place', id)),
    /** Shown in its new order at once. */
    orderRigs: async (ids: readonly string[]): Promise<void> => {
      const was = shown().rigs.map((r) => r.id);
      await order(ids);
      deeds.done({ what: 'The rigs were put in another order.', back: () => order(was), again: () => order(ids) });
    },
    /** Says which rigs stand tonight; shown at once. */
    standTonight: (tonight: readonly string[] | null): Promise<void> =>
      changeCamp({ tonight }, 'Other rigs stand tonight.'),
    /** What is bound with cord, besides rigs. */
    bind: (bindings: readonly Binding[]): Promise<void> => changeCamp({ bindings }, 'What is bound was changed.'),
    /** Kept with the rig; nobody waits for it, and where it cannot be kept it is worked out again. */
    keepVerdict: (rigId: string, of: string, verdict: Verdict): void => {
      const { holds, sentence, detail } = verdict;
      void call('PUT', `${documentAt('rig', rigId)}/verdict`, {
        of,
        verdict: { holds, sentence, detail },
      }).catch(() => undefined);
    },
  };
}
