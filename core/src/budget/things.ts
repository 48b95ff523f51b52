import { GEAR_LISTS, pegsBare, togglesOf, usedBy } from '../rig/index.js';
import type { Gear, GearList } from '../rig/index.js';
import { pegsWanted } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import type { Planned } from './wanted.js';

/** A thing of the kit that is no cord, and how many rigs want it. */
export interface Thing {
  readonly list: GearList;
  readonly id: string;
  readonly name: string;
  readonly wanted: number;
  readonly have: number;
  /** By rig. */
  readonly by: readonly { readonly of: string; readonly wants: number }[];
}

/** Sticks to find or cut: toggles by how thick they are, props, and those under tie-outs. */
export interface Sticks {
  readonly of: string;
  /** Thickness of each toggle, m. */
  readonly toggles: readonly number[];
  /** Props and sticks that the roof stands on. */
  readonly props: number;
}

/** What of a kit rigs want together, besides cord. */
export function thingsOf(planned: readonly Planned[], reports: ReadonlyMap<string, RigReport>, gear: Gear): Thing[] {
  return GEAR_LISTS.flatMap((list) =>
    (gear[list] as readonly { readonly id: string; readonly name: string; readonly count?: number }[]).flatMap(
      (thing): Thing[] => {
        const by = planned.flatMap(({ id, rig }) => {
          const report = reports.get(id);
          const wants =
            list === 'pegs'
              ? ((report === undefined ? pegsBare(rig) : pegsWanted(report)).get(thing.id) ?? 0)
              : Number(usedBy(rig)[list].has(thing.id));
          return wants > 0 ? [{ of: id, wants }] : [];
        });
        if (by.length === 0) return [];
        const wanted = by.reduce((sum, b) => sum + b.wants, 0);
        return [{ list, id: thing.id, name: thing.name, wanted, have: list === 'pegs' ? (thing.count ?? 0) : 1, by }];
      },
    ),
  );
}

export const sticksOf = ({ id, rig }: Planned, report: RigReport | undefined): Sticks => ({
  of: id,
  toggles: togglesOf(rig),
  props: report?.roof?.topology.sticks.length ?? 0,
});
