import type { Bend } from '../catalogue/index.js';
import { BEND_TAILS, FIBRE_TRAITS, acrossOf, looked, safeBends } from '../catalogue/index.js';
import { cordOf } from '../cordage/index.js';
import type { RigContext, RidgeRig, Row } from '../rig/index.js';
import { cordStrength, judgedBy, link } from '../strength/index.js';
import type { Judged } from '../strength/index.js';
import { STEP } from './need.js';
import type { NeedRole } from './need.js';

/** Lines that are never joined, whatever the bend would hold: those that bear a sleeper, and those too short for it to sit clear. */
const NEVER: ReadonlySet<NeedRole> = new Set<NeedRole>(['stay', 'loop', 'peg', 'binding', 'extension']);

/** How a line may be joined of two lengths: the bend, and what it leaves of the line; or why not. */
export type Joining =
  | { readonly may: true; readonly bend: Bend; readonly judged: Judged; readonly takes: number }
  | {
      readonly may: false;
      readonly why: 'bears-person' | 'short-line' | 'slips' | 'too-weak' | 'no-strength';
      /** The best there is, where it was judged. */
      readonly judged: Judged | null;
    };

/**
 * Whether a line of a judged rig may be joined, and by which bend: the first that leaves what the rig's rule asks, soaked, under
 * the most that any case pulls.
 * @param row of the line, from a full judgement
 */
export function joiningOf(rig: RidgeRig, context: RigContext, row: Row): Joining {
  const no = (why: Extract<Joining, { may: false }>['why'], judged: Judged | null = null): Joining => ({
    may: false,
    why,
    judged,
  });
  const { role, cut, demand } = row;
  if (rig.use === 'person' || role === 'stay') return no('bears-person');
  if (cut === null || NEVER.has(role as NeedRole)) return no('short-line');
  const hank = context.kit.find((k) => k.id === cut.hank);
  const cord = hank === undefined ? undefined : cordOf(hank);
  if (hank === undefined || cord === undefined || !cord.bears) return no('no-strength');
  // slick and stiff: every bend here creeps in it
  if (FIBRE_TRAITS[cord.fibre].knotFactor < 1) return no('slips');
  let last: Judged | null = null;
  for (const bend of safeBends()) {
    const name = `${bend.name} in the ${row.name}`;
    const available = cordStrength(cord, hank, name, true, [looked(bend.efficiency)]);
    const judged = judgedBy(rig, context.required)(link(`${row.id}:bend`, 'end', name, '', demand, available));
    if (judged.judgement.ratio >= 1) {
      const takes = bend.cordInDiameters * acrossOf(cord) + BEND_TAILS;
      return { may: true, bend, judged, takes: Math.ceil(takes / STEP - 1e-6) * STEP };
    }
    last = judged;
  }
  return no('too-weak', last);
}
