import { cordOf, inOne } from '../cordage/index.js';
import { TERMINATIONS } from '../catalogue/index.js';
import { ofCode } from '../findings/index.js';
import { asSubject, say } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { evaluateRidge, haulLimits, hauledTo } from '../rig/index.js';
import type { RidgeResult, RidgeRig, LineContext } from '../rig/index.js';

/** A change that would help, tried out before it is offered. */
export interface Advice {
  readonly id: string;
  /** Two or three words for a button. */
  readonly label: string;
  /** What it does and what comes of it. */
  readonly sentence: string;
  readonly rig: RidgeRig;
  /** Ratio of what the weakest link would have to what is asked. */
  readonly ratio: number;
  readonly tight: boolean;
}

interface Candidate {
  readonly id: string;
  readonly label: string;
  readonly what: string;
  readonly rig: RidgeRig;
}

/**
 * What would help most: every single change worth trying is computed, and those that help are offered,
 * the one that makes the rig hold with the least fuss first. Empty when the rig holds already, and when a trunk is
 * ruled out: no change of line mends that.
 */
export function adviseRidge(rig: RidgeRig, context: LineContext, result: RidgeResult, units: UnitChoice): Advice[] {
  const now = result.ledger[0]!.judgement.ratio;
  const long = result.cordNeeded.value <= result.cordOnHand;
  if ((now >= 1 && result.tight && long) || ofCode(result.findings, 'tree').length > 0) return [];
  const out: Advice[] = [];
  for (const candidate of candidates(rig, context, result, units)) {
    let r: RidgeResult;
    try {
      r = evaluateRidge(candidate.rig, context, { ranges: rig.designRule === 'chance' });
    } catch {
      continue; // not a rig that can be computed, so nothing to offer
    }
    const ratio = r.ledger[0]!.judgement.ratio;
    const helps =
      (now < 1 && ratio > now * 1.03) ||
      (!result.tight && r.tight && ratio >= Math.min(1, now)) ||
      (!long && r.cordNeeded.value <= r.cordOnHand);
    if (!helps) continue;
    const holds = ratio >= 1 && r.tight && r.cordNeeded.value <= r.cordOnHand;
    out.push({
      id: candidate.id,
      label: candidate.label,
      sentence: `${candidate.what}: ${holds ? 'then it holds' : 'better'}, ${asSubject(r.ledger[0]!.link.name)} has ${r.ledger[0]!.link.margin.value.toFixed(1)} times the pull, sag ${say(r.sag.value, 'length', units)}.`,
      rig: candidate.rig,
      ratio,
      tight: r.tight,
    });
  }
  const worth = (a: Advice): number => (a.ratio >= 1 && a.tight ? 10 : 0) + (a.tight ? 2 : 0) + Math.min(a.ratio, 2);
  return out.sort((a, b) => worth(b) - worth(a)).slice(0, 3);
}

function candidates(rig: RidgeRig, context: LineContext, result: RidgeResult, units: UnitChoice): Candidate[] {
  const out: Candidate[] = [];
  const weakest = result.ledger[0]!;
  const { tightFrom, holdsTo } = haulLimits(rig, context);
  if (holdsTo !== null && weakest.judgement.ratio < 1) {
    const t = Math.floor(holdsTo);
    out.push({
      id: 'slacken',
      label: `Haul to ${say(t, 'force', units)}`,
      what: `Haul only to ${say(t, 'force', units)}`,
      rig: hauledTo(rig, t),
    });
  }
  if (tightFrom !== null && !result.tight) {
    const t = Math.ceil(tightFrom * 1.05);
    out.push({
      id: 'tighten',
      label: `Haul to ${say(t, 'force', units)}`,
      what: `Haul up to ${say(t, 'force', units)}`,
      rig: hauledTo(rig, t),
    });
  }
  for (const i of [0, 1] as const) {
    if (weakest.link.id !== `end-${i}`) continue;
    const own = TERMINATIONS.find((t) => t.id === rig.ends[i].termination)!;
    const better = TERMINATIONS.filter(
      (t) => t.fitting === undefined && t.hauls === own.hauls && t.efficiency.typical > own.efficiency.typical,
    ).sort((a, b) => b.efficiency.typical - a.efficiency.typical)[0];
    if (better !== undefined)
      out.push({
        id: `end-${i}`,
        label: better.hauls ? 'Use passes' : `Tie a ${better.name.split(' ')[0]!}`,
        what: `Hold ${rig.trunks[i].name} by a ${better.name}`,
        rig: {
          ...rig,
          ends:
            i === 0
              ? [{ ...rig.ends[0], termination: better.id }, rig.ends[1]]
              : [rig.ends[0], { ...rig.ends[1], termination: better.id }],
        },
      });
  }
  if (weakest.link.kind === 'trunk') {
    const i = weakest.link.id === 'trunk-0' ? 0 : 1;
    const lower = Math.max(0.3, Math.floor(rig.trunks[i].tieHeight * weakest.judgement.ratio * 0.95 * 10) / 10);
    const both = rig.trunks.map((t) => ({
      ...t,
      tieHeight: Math.min(t.tieHeight, lower),
    })) as unknown as RidgeRig['trunks'];
    out.push({
      id: 'lower',
      label: `Tie at ${say(lower, 'length', units)}`,
      what: `Tie both ends at ${say(lower, 'length', units)}`,
      rig: { ...rig, trunks: both },
    });
  }
  const spare = context.kit
    .filter((k) => k.id !== rig.cord && cordOf(k)?.bears === true && inOne(k) >= result.cordNeeded.value)
    .sort((a, b) => cordOf(a)!.strength.typical - cordOf(b)!.strength.typical);
  for (const k of spare)
    out.push({ id: `cord-${k.id}`, label: `Use ${k.name}`, what: `Use ${k.name}`, rig: { ...rig, cord: k.id } });
  if (rig.ends.some((e) => e.wraps > 1)) {
    const ends = rig.ends.map((e) => ({ ...e, wraps: Math.min(e.wraps, 1) })) as unknown as RidgeRig['ends'];
    out.push({ id: 'wraps', label: 'One wrap each', what: 'Take one wrap at each trunk', rig: { ...rig, ends } });
  }
  return out;
}
