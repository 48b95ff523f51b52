import type { Learner } from '@rough-bight/core/teach';
import type { Binding, KitCord } from '@rough-bight/core/cordage';
import type { Place } from '@rough-bight/core/ground';
import type { Kit, KitList, RidgeRig } from '@rough-bight/core/rig';
import type { Verdict } from '@rough-bight/core/words';
import { useMemo } from 'react';
import useSWR, { useSWRConfig } from 'swr';
import { ApiError, Unreachable, call, get, sendFile } from './api.js';
import { asChanged, changed, documentAsChanged, keptWhereSame, nameOf } from './as-changed.js';
import { deedsOf } from './deeds.js';
import { inTurn } from './in-turn.js';
import { outbox, useOutbox } from './outbox.js';
import type { Change, Parcel } from './outbox.js';
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

const campAt = (id: string): string => `${CAMPS}/${encodeURIComponent(id)}`;

/** Each camp as it was shown last. */
const shownLast = new Map<string, Camp>();

/** A camp as it was changed here, whether the server has that already or not. */
export function useCamp(id: string | undefined) {
  const swr = useSWR<Camp>(id === undefined ? null : campAt(id), get, {
    onSuccess: (camp) => localStorage.setItem(LAST, camp.id),
  });
  const parcels = useOutbox();
  const { data } = swr;
  // the same until it changes: much is made of it
  const camp = useMemo(() => {
    if (data === undefined) return undefined;
    const now = keptWhereSame(shownLast.get(data.id), asChanged(data, parcels));
    shownLast.set(data.id, now);
    return now;
  }, [data, parcels]);
  return { ...swr, data: camp };
}

/** A camp's kit, list by list. */
export const kitOf = ({ kit, roofs, pegs, beds, straps }: Camp): Kit => ({ cords: kit, roofs, pegs, beds, straps });
/** Rigs and places: documents with a name, each at its own address. */
type DocumentKind = 'rig' | 'place';
type Drafted<D> = Pick<Stored<D>, 'name' | 'note' | 'document'>;

const draftOf = <D>({ name, note, document }: Drafted<D>): Drafted<D> => ({ name, note, document });

const documentAt = (kind: DocumentKind, id: string): string => `/api/${kind}s/${encodeURIComponent(id)}`;

/**
 * A rig or a place as it is now: as the server has it, as it was changed here meanwhile, and where neither is to be had as it
 * stands in the camp that this device had open.
 * @throws ApiError or Unreachable
 */
export async function documentNow<D>(kind: DocumentKind, id: string): Promise<Stored<D>> {
  await outbox.ready;
  const here = documentAsChanged<D>(kind, id, outbox.read().parcels);
  try {
    const stored = await get<Stored<D>>(documentAt(kind, id));
    return here !== undefined && here !== null && here.version > stored.version ? here : stored;
  } catch (error) {
    const missing = error instanceof ApiError && error.status === 404;
    if (!missing && !(error instanceof Unreachable)) throw error;
    if (here !== undefined && here !== null) return here;
    const last = localStorage.getItem(LAST);
    if (missing || last === null) throw error;
    const camp = await get<Camp>(campAt(last));
    const found = (camp[`${kind}s`] as readonly Stored<unknown>[]).find((x) => x.id === id);
    if (found === undefined) throw error;
    return found as Stored<D>;
  }
}

/** Changes to a camp, each shown at once, kept until the server has it, and to be taken back. */
export function useCampActions(campId: string) {
  const { mutate, cache } = useSWRConfig();
  const path = campAt(campId);
  const deeds = deedsOf(campId);
  const shown = (): Camp => asChanged(cache.get(path)!.data as Camp, outbox.read().parcels);
  const then = async <T>(work: Promise<T>): Promise<T> => {
    const done = await work;
    await mutate(path);
    return done;
  };
  /** Asks for a change, or keeps it until there is a server. @param expected what it will answer */
  const ask = <T>(
    request: Omit<Parcel, 'id' | 'change'>,
    change: Change,
    expected: T,
    id: string = crypto.randomUUID(),
  ): Promise<T> => outbox.ask({ ...request, id, change }, expected);
  /** Puts a change on its way after those before it, and shows it at once. */
  const atOnce = (request: Omit<Parcel, 'id' | 'change' | 'method'>, change: Change): Promise<unknown> =>
    mutate<Camp>(path, inTurn(() => ask({ method: 'PUT', ...request }, change, null)) as Promise<never>, {
      optimisticData: (_, camp) => changed(camp!, change),
      populateCache: false,
      rollbackOnError: true,
    });

  /** What something new is, gone and put back: its address, and what is changed by its coming and going. */
  type Named = { readonly name: string };
  interface Kept<T extends Named> {
    readonly made: T;
    readonly address: string;
    readonly change: (to: T | null) => Change;
  }
  const take =
    <T extends Named>({ made, address, change }: Kept<T>) =>
    () =>
      then(ask({ what: made.name, method: 'DELETE', path: address }, change(null), undefined));
  const back =
    <T extends Named>({ made, address, change }: Kept<T>) =>
    () =>
      then(ask<unknown>({ what: made.name, method: 'POST', path: `${address}/back` }, change(made), made));
  /** Something new, which goes again when it is taken back. */
  const added = <T extends Named>(it: Kept<T>): T => {
    deeds.done({ what: `${it.made.name} was added.`, back: take(it), again: back(it) });
    return it.made;
  };
  const removed = async <T extends Named>(what: string, it: Kept<T>): Promise<void> => {
    await take(it)();
    deeds.done({ what, gone: true, back: back(it), again: take(it) });
  };

  type Thing<L extends KitList> = Kit[L][number];
  const thingAt = (list: KitList, id: string): string => `${path}/${nameOf(list)}/${encodeURIComponent(id)}`;
  const thingOf = <L extends KitList>(list: L, made: Thing<L>): Kept<Thing<L>> => ({
    made,
    address: thingAt(list, made.id),
    change: (to) => ({ kind: 'thing', camp: campId, list, id: made.id, to }),
  });
  const putThing = <L extends KitList>(list: L, thing: Thing<L>): Promise<unknown> => {
    const { id, ...body } = thing;
    return atOnce({ what: thing.name, path: thingAt(list, id), body }, thingOf(list, thing).change(thing));
  };
  const documentOf = <D extends RidgeRig | Place>(kind: DocumentKind, made: Stored<D>): Kept<Stored<D>> => ({
    made,
    address: documentAt(kind, made.id),
    change: (to) => ({ kind, camp: campId, id: made.id, to }),
  });
  const add = async <D extends RidgeRig | Place>(kind: DocumentKind, draft: Drafted<D>): Promise<Stored<D>> => {
    const id = crypto.randomUUID();
    const updatedAt = new Date().toISOString();
    const it = documentOf<D>(kind, { id, campId, ...draftOf(draft), version: 1, updatedAt });
    const request = { what: draft.name, method: 'POST', path: `${path}/${kind}s`, body: draftOf(draft) } as const;
    const made = await then(ask(request, it.change(it.made), it.made, id));
    return added(documentOf(kind, made));
  };
  const put = <D extends RidgeRig | Place>(kind: DocumentKind, was: Stored<D>): Promise<Stored<D>> => {
    const next = { ...was, version: was.version + 1, updatedAt: new Date().toISOString() };
    const { address, change } = documentOf(kind, next);
    const body = { ...draftOf(was), version: was.version };
    return then(ask({ what: was.name, method: 'PUT', path: address, body }, change(next), next));
  };
  /** Names it anew, or stands it elsewhere. */
  const change = async <D extends RidgeRig | Place>(
    kind: DocumentKind,
    was: Stored<D>,
    wish: Drafted<D>,
  ): Promise<Stored<D>> => {
    const draft = draftOf(wish);
    const made = await put(kind, { ...was, ...draft });
    let { version } = made;
    const to = (wanted: Drafted<D>) => async (): Promise<void> => {
      const now = await documentNow<D>(kind, was.id);
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
      { what: 'the order of the rigs', path: `${path}/rigs-order`, body: { ids } },
      { kind: 'order', camp: campId, ids },
    );

  /** Changes something of the camp itself; shown at once. */
  const changeCamp = async (
    part: Partial<Pick<Camp, 'tonight' | 'bindings' | 'learners'>>,
    what: string,
  ): Promise<void> => {
    const now = shown();
    const { name, about, away } = now;
    const put = (next: typeof part): Promise<unknown> =>
      atOnce({ what: name, path, body: { name, about, away, ...next } }, { kind: 'camp', camp: campId, part: next });
    await put(part);
    const was = Object.fromEntries((Object.keys(part) as (keyof typeof part)[]).map((k) => [k, now[k]])) as typeof part;
    deeds.done({ what, back: () => put(was), again: () => put(part) });
  };

  return {
    addThing: async <L extends KitList>(list: L, thing: Omit<Thing<L>, 'id'>): Promise<Thing<L>> => {
      const id = crypto.randomUUID();
      const it = thingOf(list, { ...thing, id } as Thing<L>);
      const request = { what: thing.name, method: 'POST', path: `${path}/${nameOf(list)}`, body: thing } as const;
      return added(thingOf(list, await then(ask(request, it.change(it.made), it.made, id))));
    },
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
    removeThing: <L extends KitList>(list: L, thing: Thing<L>) =>
      removed(`${thing.name} was taken out of the kit.`, thingOf(list, thing)),
    takeInRig: async (file: unknown) =>
      added(documentOf('rig', await then(call<StoredRig>('POST', `${path}/rig-files`, file)))),
    addRig: (rig: Drafted<RidgeRig>) => add('rig', rig),
    changeRig: (was: StoredRig, draft: Drafted<RidgeRig>) => change('rig', was, draft),
    removeRig: (rig: StoredRig) => removed(`${rig.name} was deleted.`, documentOf('rig', rig)),
    addPlace: (place: Drafted<Place>) => add('place', place),
    changePlace: (was: StoredPlace, draft: Drafted<Place>) => change('place', was, draft),
    removePlace: (place: StoredPlace) => removed(`${place.name} was deleted.`, documentOf('place', place)),
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
    /** Who learns there. */
    teach: (learners: readonly Learner[]): Promise<void> => changeCamp({ learners }, 'Who learns here was changed.'),
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
