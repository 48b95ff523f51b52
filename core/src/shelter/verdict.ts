import type { PitchResult, PitchRow } from '../pitch/index.js';
import { ratioOf } from '../pitch/index.js';
import { capital, say, saySmall } from '../quantity/index.js';
import type { BodyMeasures, UnitChoice } from '../quantity/index.js';
import { marginWords } from '../rig/index.js';
import type { Judged, Verdict } from '../rig/index.js';
import { groundedIn } from './bed-report.js';
import type { BedResult } from './evaluate.js';
import { tooNear } from './over.js';

/** Dry enough: what is left is the ends of the cloth. Judgement. */
export const DRY = 0.98;

/** Rows of roof and bed together, weakest first: a trunk that bears both stands once. */
export function rowsTogether(roof: readonly PitchRow[], bed: readonly PitchRow[]): PitchRow[] {
  const own = new Set(bed.map((r) => r.id));
  return [...roof.filter((r) => !own.has(r.id)), ...bed].sort((a, b) => ratioOf(a) - ratioOf(b));
}

/** Whether everything of a bed bears what is asked of it, off the ground, and nothing rules it out. */
export function bedHolds(bed: BedResult): boolean {
  return (
    bed.rows.every((r) => ratioOf(r) >= 1) &&
    bed.refusals.length === 0 &&
    bed.cases.every((c) => c.converged) &&
    groundedIn(bed) === null
  );
}

/** How a case of roof, bed or both is said at the end of a sentence. */
export function saidOf(id: string, roof: PitchResult | null, bed: BedResult): string {
  return (
    bed.cases.find((c) => c.id === id)?.said ??
    roof?.cases.find((c) => c.id === id)?.said ??
    bed.trunks.flatMap((t) => t.loads).find((l) => l.caseId === id)?.said ??
    id
  );
}

/**
 * One sentence on the whole, roof and bed: what must not be, what gives first, or that it holds.
 * @param without the verdict on all but the bed, and what gives first there
 * @param full    false where only part was worked out: then nothing is passed
 */
export function shelterVerdict(
  without: Verdict & { readonly first: Judged | null },
  roof: PitchResult | null,
  bed: BedResult,
  body: BodyMeasures,
  units: UnitChoice,
  full: boolean,
): Verdict {
  const { height, angles, straps } = bed.lying;
  const lies = `The bed's lowest place is ${saySmall(height.value, body)} up (${say(height.value, 'length', units)}), its straps ${say(angles[0].value, 'angle', units)} and ${say(angles[1].value, 'angle', units)} below level, pulling ${say(Math.max(straps[0].value, straps[1].value), 'force', units)}.`;
  const refused = bed.refusals[0];
  if (refused !== undefined) return { holds: false, sentence: refused, detail: lies };
  const ground = groundedIn(bed);
  if (ground !== null)
    return { holds: false, sentence: `The bed comes down on the ground ${ground.said}.`, detail: lies };
  const broken = bed.cases.find((c) => !c.converged);
  if (broken !== undefined)
    return {
      holds: false,
      sentence: `The bed finds no rest ${broken.said}.`,
      detail: `${capital(broken.reason ?? '')}. ${lies}`,
    };
  const first = rowsTogether([], bed.rows)[0];
  const governs = first?.links[0];
  if (governs !== undefined && governs.judgement.ratio < 1)
    return {
      holds: false,
      sentence: `${capital(governs.link.name)} ${governs.link.margin.value < 1 ? 'lets go' : 'is too weak'} first ${saidOf(governs.link.caseId, roof, bed)}.`,
      detail: `${capital(marginWords(governs, units))}. ${lies}`,
    };
  const falls = bed.poles.find((p) => p.sideways === null);
  if (falls !== undefined)
    return {
      holds: false,
      sentence: 'The pole falls over sideways when someone leans out.',
      detail: `Spread two back-stays. ${lies}`,
    };
  const rest: Verdict = { holds: without.holds, sentence: without.sentence, detail: `${without.detail} ${lies}` };
  if (!without.holds) return rest;
  const gap = bed.over === null ? undefined : tooNear(bed.over)[0];
  if (gap !== undefined)
    return {
      holds: false,
      sentence: `${gap.what === 'strap' ? 'A strap' : gap.what === 'person' ? 'Who lies in it' : 'The bed'} touches the cloth, or nearly: ${say(Math.max(0, gap.distance), 'length', units)} are left ${saidOf(gap.roofCase, roof, bed)}.`,
      detail: `A hand's width is the least. ${lies}`,
    };
  const drip = bed.drips.find((d) => d.wets);
  if (drip !== undefined)
    return {
      holds: false,
      sentence: `Water runs in along the ${drip.name} and into the bed.`,
      detail: `Tie a tail on it just inside the roof's edge. ${lies}`,
    };
  const open = bed.over;
  if (open !== null && open.dryInRain < DRY)
    return {
      holds: false,
      sentence: `Rain reaches ${say(1 - open.dryInRain, 'share', units)} of the bed.`,
      detail: `It falls ${say(open.slant, 'angle', units)} from upright. ${lies}`,
    };
  if (!full)
    return { holds: true, sentence: 'Lying still it holds.', detail: `The night is being worked out. ${lies}` };
  if (governs !== undefined && !(without.first !== null && without.first.judgement.ratio <= governs.judgement.ratio))
    return {
      holds: true,
      sentence: `Holds. ${capital(governs.link.name)} gives first.`,
      detail: `${capital(marginWords(governs, units))}, ${saidOf(governs.link.caseId, roof, bed)}. ${lies}`,
    };
  return rest;
}
