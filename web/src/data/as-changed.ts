import type { LogEntry } from '@rough-bight/core/log';
import type { KitList } from '@rough-bight/core/rig';
import type { Change, Parcel } from './outbox.js';
import type { Camp, Person, Stored } from './types.js';

/** What a list of the kit is called in a camp and in an address. */
export const nameOf = (list: KitList) => (list === 'cords' ? ('kit' as const) : list);

/** A list with one of its things as it will be: changed at its place, new at the end, or gone. */
function withThing<T extends { readonly id: string }>(list: readonly T[], id: string, to: T | null): readonly T[] {
  if (to === null) return list.filter((x) => x.id !== id);
  return list.some((x) => x.id === id) ? list.map((x) => (x.id === id ? to : x)) : [...list, to];
}

/** A camp with one change made to it; made a second time it changes nothing. */
export function changed(camp: Camp, change: Change): Camp {
  if (change.kind === 'person' || change.kind === 'log' || change.camp !== camp.id) return camp;
  switch (change.kind) {
    case 'thing': {
      const name = nameOf(change.list);
      const things = camp[name] as readonly { readonly id: string }[];
      return { ...camp, [name]: withThing(things, change.id, change.to) };
    }
    case 'rig':
    case 'place': {
      const name = `${change.kind}s` as const;
      const all = camp[name] as readonly Stored<unknown>[];
      const there = all.find((x) => x.id === change.id);
      // what is stored is newer
      if (change.to !== null && there !== undefined && there.version > change.to.version) return camp;
      return { ...camp, [name]: withThing(all, change.id, change.to) };
    }
    case 'camp':
      return { ...camp, ...change.part };
    case 'order': {
      const listed = change.ids.flatMap((id) => camp.rigs.find((r) => r.id === id) ?? []);
      return { ...camp, rigs: [...listed, ...camp.rigs.filter((r) => !change.ids.includes(r.id))] };
    }
  }
}

/** What waits and was not refused. */
const waiting = (parcels: readonly Parcel[]): readonly Change[] =>
  parcels.flatMap((p) => (p.refused === undefined ? [p.change] : []));

/** A camp as it will be when all that waits has arrived. */
export const asChanged = (camp: Camp, parcels: readonly Parcel[]): Camp => waiting(parcels).reduce(changed, camp);

/** Everyone as they will be. */
export const peopleAsChanged = (people: readonly Person[], parcels: readonly Parcel[]): readonly Person[] =>
  waiting(parcels).reduce<readonly Person[]>(
    (all, c) =>
      c.kind === 'person'
        ? all.map((p) => (p.id === c.person.id && p.version <= c.person.version ? c.person : p))
        : all,
    people,
  );

/** A camp's log with what waits behind it, each once. */
export function logAsWritten(
  entries: readonly LogEntry[],
  campId: string,
  parcels: readonly Parcel[],
): readonly LogEntry[] {
  const there = new Set(entries.map((e) => e.id));
  const own = waiting(parcels).flatMap((c) => (c.kind === 'log' && c.camp === campId ? [c.entry] : []));
  return [...entries, ...own.filter((e) => !there.has(e.id))];
}

/** A rig or a place as the last change that waits leaves it; undefined where none is of it. */
export function documentAsChanged<D>(
  kind: 'rig' | 'place',
  id: string,
  parcels: readonly Parcel[],
): Stored<D> | null | undefined {
  const last = waiting(parcels).findLast((c) => c.kind === kind && c.id === id);
  return last?.kind === kind ? (last.to as Stored<D> | null) : undefined;
}

/** The same value where it says the same. */
const sameAs = <T>(was: T, now: T): T => (was === now || JSON.stringify(was) === JSON.stringify(now) ? was : now);

/**
 * A camp read anew with everything of it that says the same kept as it was: what is made of its kit is not made again because one of
 * its rigs was saved.
 */
export function keptWhereSame(was: Camp | undefined, now: Camp): Camp {
  if (was === undefined || was === now || was.id !== now.id) return now;
  const old = was as unknown as Readonly<Record<string, unknown>>;
  const parts = Object.entries(now).map(([key, value]: [string, unknown]) => {
    const before = old[key];
    if (!Array.isArray(before) || !Array.isArray(value)) return [key, sameAs(before, value)];
    const list = value.map((x: unknown, i) => sameAs((before as unknown[])[i], x));
    return [key, list.length === before.length && list.every((x, i) => x === before[i]) ? before : list];
  });
  return Object.fromEntries(parts) as unknown as Camp;
}
