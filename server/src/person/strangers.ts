import { randomUUID } from 'node:crypto';
import { measuredFirst } from '@rough-bight/core/ground';
import type { Person, Place } from '@rough-bight/core/ground';
import { pacedFirst } from '@rough-bight/core/rig';
import type { RidgeRig } from '@rough-bight/core/rig';

/** Who someone is elsewhere, and their pace there. */
interface Theirs {
  readonly id: string;
  readonly name: string;
  readonly pace: number;
}

/**
 * Takes in what was measured elsewhere: whoever is known here by id, name and pace keeps the id; another gets a new one, since
 * “me” is somebody in every house.
 * @param people who is known here
 * @param maker  who measured what says nothing of it
 */
export function takingIn(people: readonly Person[], maker: Person) {
  const given = new Map<string, string>();
  const idOf = ({ id, name, pace }: Theirs): string => {
    const key = `${id} ${name} ${pace}`;
    const own =
      given.get(key) ??
      (people.some((p) => p.id === id && p.name === name && p.body.pace === pace) || people.every((p) => p.id !== id)
        ? id
        : randomUUID());
    given.set(key, own);
    return own;
  };
  return {
    rig: (taken: RidgeRig): RidgeRig => {
      const rig = pacedFirst(taken, maker);
      const { by } = rig.span;
      return by === undefined ? rig : { ...rig, span: { ...rig.span, by: { ...by, id: idOf(by) } } };
    },
    place: (taken: Place): Place => {
      const place = measuredFirst(taken, maker);
      if (place.measurers === undefined) return place;
      const ids = new Map(place.measurers.map((m) => [m.id, idOf({ id: m.id, name: m.name, pace: m.body.pace })]));
      return {
        ...place,
        measurers: place.measurers.map((m) => ({ ...m, id: ids.get(m.id)! })),
        measures: place.measures.map((m) => (m.by === undefined ? m : { ...m, by: ids.get(m.by)! })),
      };
    },
  };
}
