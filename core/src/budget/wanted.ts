import { acrossOf } from '../catalogue/index.js';
import { cordOf, cutLength, cutOfBinding } from '../cordage/index.js';
import type { Binding, KitCord } from '../cordage/index.js';
import { isBrought } from '../rig/index.js';
import type { RigContext, RidgeRig, Row } from '../rig/index.js';
import type { Need, NeedRole } from './need.js';
import { toMeasure } from './need.js';
import { doesFor } from './stock.js';

/** A rig whose cord is planned, and what it is judged with. */
export interface Planned {
  readonly id: string;
  readonly name: string;
  readonly rig: RidgeRig;
  readonly context: RigContext;
}

/** Every length of cord that a rig wants, by the rows of its judgement. */
export function needsOf({ id, rig, context }: Planned, rows: readonly Row[]): Need[] {
  return rows.flatMap((row): Need[] => {
    if (row.cut === null || !(cutLength(row.cut) > 0)) return [];
    const named = context.kit.find((k) => k.id === row.cut!.hank);
    if (named === undefined) return [];
    const may = (k: KitCord): boolean => k.id === named.id || (doesFor(named, k) && isBrought(rig, 'cords', k.id));
    return [
      {
        id: `${id}/${row.id}`,
        of: id,
        name: row.name,
        role: row.role as NeedRole,
        cut: row.cut,
        length: toMeasure(row.cut),
        roof: rig.pitch?.roof ?? null,
        from: new Set(context.kit.filter(may).map((k) => k.id)),
      },
    ];
  });
}

/** Every length of cord that a camp binds with. What is bound is bound with any such cord, however worn. */
export const bindingsOf = (bindings: readonly Binding[], cords: readonly KitCord[]): Need[] =>
  bindings.flatMap((binding): Need[] => {
    const named = cords.find((k) => k.id === binding.cord);
    const cord = named === undefined ? undefined : cordOf(named);
    if (named === undefined || cord === undefined) return [];
    const cut = cutOfBinding(binding, acrossOf(cord));
    return Array.from({ length: binding.count }, (_, i) => ({
      id: `binding ${binding.id}/${i}`,
      of: binding.id,
      name: binding.name,
      role: 'binding' as const,
      cut,
      length: toMeasure(cut),
      roof: null,
      from: new Set(cords.filter((k) => k.cord === named.cord).map((k) => k.id)),
    }));
  });
