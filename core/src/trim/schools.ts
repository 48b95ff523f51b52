import { SCHOOLS, orderBySchool } from '../order/index.js';
import type { School } from '../order/index.js';
import { isStay, pitchModel, tieOff } from '../pitch/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { bunchedIn } from './bunched.js';
import type { Bunched } from './bunched.js';

/** What one order of hauling leaves. */
export interface Left {
  readonly school: School;
  readonly settled: boolean;
  readonly creases: Bunched;
  /** Pull of each guy, tie and ridgeline, N, by row. */
  readonly pulls: readonly { readonly row: string; readonly name: string; readonly pull: number }[];
  /** The hardest over the slackest guy. */
  readonly uneven: number;
  /** How much of what hands put in is left in the guys, share. */
  readonly keeps: number;
}

/** A pull under this counts as this in what is uneven, N. */
const SLACK = 1;

/** The same roof put on by either school, each guy with its own haul: the tensions and the shape that each leaves. */
export function schoolsOf(rig: RidgeRig, context: RigContext): Left[] {
  return (Object.keys(SCHOOLS) as School[]).map((school) => {
    const ordered = { ...rig, pitch: { ...rig.pitch!, order: orderBySchool(rig, context, school) } };
    const model = pitchModel(ordered, context, { ranges: false });
    const tied = tieOff(model);
    const rows = model.members.map((m, k) => ({ m, pull: tied.tension[k]! }));
    const guys = rows.filter(({ m }) => m.role === 'guy' && !isStay(m.reach!));
    const pulls = guys.map(({ pull }) => Math.max(SLACK, pull));
    const sum = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0);
    return {
      school,
      settled: tied.pitched.numbers.converged,
      creases: bunchedIn(model, tied.pitched),
      pulls: rows
        .filter(({ m }) => m.role === 'guy' || m.role === 'ridge' || m.role === 'tie')
        .map(({ m, pull }) => ({ row: m.id, name: m.name, pull })),
      uneven: pulls.length === 0 ? 1 : Math.max(...pulls) / Math.min(...pulls),
      keeps: guys.length === 0 ? 1 : sum(guys.map(({ pull }) => pull)) / sum(guys.map(({ m }) => m.haul)),
    };
  });
}
