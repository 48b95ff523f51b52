import type { BodyMeasures, UnitChoice } from '../quantity/index.js';
import { capital, say, saySmall } from '../quantity/index.js';
import type { Judged, RidgeResult } from './evaluate.js';

/** What the rig amounts to: whether it holds, and the sentence that says so. */
export interface Verdict {
  readonly holds: boolean;
  readonly sentence: string;
  /** The line beneath: the second thing to know. */
  readonly detail: string;
  /** Set while only part was worked out: neither passed nor failed yet. */
  readonly pending?: true;
}

const RATIO_WORDS: Readonly<Record<Judged['judgement']['rule'], (j: Judged, units: UnitChoice) => string>> = {
  factor: (j) =>
    `it holds ${j.judgement.figure.value.toFixed(1)} times the worst pull; ${j.judgement.required} times is asked`,
  share: (j, u) =>
    `${say(j.judgement.figure.value, 'share', u)} of its low-end strength is in use; ${say(j.judgement.required, 'share', u)} is allowed`,
  chance: (j, u) =>
    `it fails with a chance of ${say(j.judgement.figure.value, 'chance', u)}; ${say(j.judgement.required, 'chance', u)} is allowed`,
};

/** What a link has left by its rule, in words. */
export const marginWords = (j: Judged, units: UnitChoice): string => RATIO_WORDS[j.judgement.rule](j, units);

/** One sentence on what gives first, and one on what else matters. */
export function verdictOf(r: RidgeResult, body: BodyMeasures, units: UnitChoice): Verdict {
  const first = r.ledger[0]!;
  const worst = r.cases.find((c) => c.id === first.link.caseId)!;
  const against = r.trunks.flatMap((t) => t.against)[0];
  const sag = `It sags ${saySmall(r.sag.value, body)} (${say(r.sag.value, 'length', units)})`;
  const tightness = r.tight
    ? `${sag}, tight enough.`
    : `${sag}; ${say(r.sagLimit, 'length', units)} is the most you asked for.`;
  if (against !== undefined) return { holds: false, sentence: against, detail: tightness };
  const name = capital(first.link.name);
  const numbers = marginWords(first, units);
  if (!Number.isFinite(first.judgement.ratio))
    return {
      holds: r.tight,
      sentence: 'Nothing pulls on this line yet.',
      detail: 'Give it a tension, or hang something on it.',
    };
  if (first.judgement.ratio < 1)
    return {
      holds: false,
      sentence: `${name} is too weak, ${worst.name}.`,
      detail: `${capital(numbers)}. ${tightness}`,
    };
  if (r.clearance <= 0)
    return {
      holds: false,
      sentence: `It sags to the ground, ${r.lowest.name}.`,
      detail: `Haul it tighter or tie it higher. ${tightness}`,
    };
  if (r.cordNeeded.value > r.cordOnHand)
    return {
      holds: false,
      sentence: 'The cord is too short for these trunks and wraps.',
      detail: `${say(r.cordNeeded.value, 'length', units)} wanted, ${say(r.cordOnHand, 'length', units)} on hand.`,
    };
  if (!r.tight)
    return {
      holds: false,
      sentence: 'Strong enough, but too slack for the roof.',
      detail: `${tightness} ${name} gives first: ${numbers}.`,
    };
  if (r.unguyed > 0)
    return {
      holds: false,
      sentence: 'The line holds; the cloth on it is not guyed.',
      detail: `${say(r.unguyed, 'area', units)} of cloth and not one guy: wind throws it over the line. Pitch a roof under Hang. ${name} gives first: ${numbers}.`,
    };
  return { holds: true, sentence: `Holds. ${name} gives first.`, detail: `${capital(numbers)}. ${tightness}` };
}
