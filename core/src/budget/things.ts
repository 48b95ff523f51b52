import { findTermination } from '../catalogue/index.js';
import { GEAR_LISTS, pegsOfBed, usedBy } from '../rig/index.js';
import type { Gear, GearList, RidgeRig } from '../rig/index.js';
import type { RigReport } from '../shelter/index.js';
import { USUAL_TOGGLE } from '../strength/index.js';
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
            list === 'pegs' ? (pegsOf(rig, report).get(thing.id) ?? 0) : Number(usedBy(rig)[list].has(thing.id));
          return wants > 0 ? [{ of: id, wants }] : [];
        });
        if (by.length === 0) return [];
        const wanted = by.reduce((sum, b) => sum + b.wants, 0);
        return [{ list, id: thing.id, name: thing.name, wanted, have: list === 'pegs' ? (thing.count ?? 0) : 1, by }];
      },
    ),
  );
}

/** Pegs by their id in the kit; of a rig without a roof those of its bed. */
const pegsOf = (rig: RidgeRig, report: RigReport | undefined): ReadonlyMap<string, number> =>
  report === undefined || report.roof === null
    ? pegsOfBed(rig)
    : new Map(report.roof.pegs.map((p) => [p.id, p.wanted]));

export function sticksOf({ id, rig }: Planned, report: RigReport | undefined): Sticks {
  const ends = rig.ends.flatMap((end) =>
    findTermination(end.termination)?.toggled === true ? [(end.toggle ?? USUAL_TOGGLE).thickness] : [],
  );
  const hitches = rig.pitch?.hitches.flatMap((h) => (h.toggle === undefined ? [] : [h.toggle.thickness])) ?? [];
  return { of: id, toggles: [...ends, ...hitches], props: report?.roof?.topology.sticks.length ?? 0 };
}
