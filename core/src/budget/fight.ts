import type { SolveMip } from './mip.js';
import type { Need } from './need.js';
import type { Plan } from './plan.js';
import { planCuts } from './plan.js';
import type { Stock } from './stock.js';

/** Rigs that draw on the same lengths and cannot all have them; or one that alone finds too little. */
export interface Fight {
  /** Ids of the hanks that it is about. */
  readonly hanks: readonly string[];
  /** By rig: what it wants of them, m, whether alone it would have all of it, and what it lacks now. */
  readonly rigs: readonly {
    readonly of: string;
    readonly wants: number;
    readonly alone: boolean;
    readonly lacks: readonly Need[];
  }[];
  readonly have: number;
}

/** What a plan leaves unmet, told by the lengths that are fought over. */
export function fightsOf(plan: Plan, needs: readonly Need[], stocks: readonly Stock[], solve: SolveMip): Fight[] {
  const about = new Map<string, Need[]>();
  for (const need of plan.unmet) {
    const key = [...need.from].sort().join(' ');
    about.set(key, [...(about.get(key) ?? []), need]);
  }
  return [...about.values()].map((lacking): Fight => {
    const hanks = [...lacking[0]!.from];
    const here = stocks.filter((s) => lacking[0]!.from.has(s.hank));
    const drawing = needs.filter((n) => [...n.from].some((id) => lacking[0]!.from.has(id)));
    return {
      hanks,
      have: here.reduce((sum, s) => sum + s.length, 0),
      rigs: [...new Set(drawing.map((n) => n.of))].map((of) => {
        const own = drawing.filter((n) => n.of === of);
        return {
          of,
          wants: own.reduce((sum, n) => sum + n.length, 0),
          alone: planCuts(own, stocks, solve).unmet.length === 0,
          lacks: lacking.filter((n) => n.of === of),
        };
      }),
    };
  });
}
