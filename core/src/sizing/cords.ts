import { cordOf, inOne } from '../cordage/index.js';
import { treeSentence } from '../anchor/index.js';
import { ofCode } from '../findings/index.js';
import { asSubject, capital, say, tell } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { NoSuchLine } from '../line/index.js';
import { RigProblem, evaluateRidge, haulLimits, hauledTo, isBrought } from '../rig/index.js';
import type { KitCord, RidgeRig, LineContext } from '../rig/index.js';

/** One cord of the kit, judged for this ridgeline. */
export interface SizedCord {
  readonly kitCord: KitCord;
  readonly holds: boolean;
  /** Why it fails, or what it is like; a sentence. */
  readonly reason: string;
  /** The rig with this cord at the haul recommended. */
  readonly rig: RidgeRig;
  /** Haul recommended, N, and the window in which everything holds; null where there is none. */
  readonly haul: number;
  readonly window: readonly [number, number] | null;
  readonly margin: number;
  readonly ratio: number;
  readonly sag: number;
  /** Strain at the haul, straight and bare. */
  readonly stretch: number;
  /** Of the length needed, kg. */
  readonly mass: number;
  readonly needed: number;
  readonly governs: string;
}

/** Slackens least over an evening: the haul recommended is this much over the least that is tight. Judgement, 1.1 to 1.4. */
const OVER_LEAST = 1.2;

/** Round up to what a hand can tell apart: 10 N. */
const handful = (t: number): number => Math.ceil(t / 10) * 10;

/**
 * Judges one cord: the window of hauls at which the line is tight enough and every link holds, and the
 * haul to use within it.
 */
export function sizeCord(rig: RidgeRig, context: LineContext, kitCord: KitCord, units: UnitChoice): SizedCord {
  const own: RidgeRig = { ...rig, cord: kitCord.id };
  const { tightFrom, holdsTo } = haulLimits(own, context);
  const window =
    tightFrom !== null && holdsTo !== null && tightFrom <= holdsTo ? ([tightFrom, holdsTo] as const) : null;
  const haul =
    window === null
      ? handful(tightFrom ?? 1500)
      : Math.max(window[0], Math.min(handful(window[0] * OVER_LEAST), Math.floor(window[1])));
  const hauled = hauledTo(own, haul);
  const result = evaluateRidge(hauled, context);
  const cord = cordOf(kitCord)!;
  const weakest = result.ledger[0]!;
  const long = result.cordNeeded.value <= inOne(kitCord);
  const [tree] = ofCode(result.findings, 'tree');
  const holds = window !== null && long && cord.bears && tree === undefined && weakest.judgement.ratio >= 1;
  return {
    kitCord,
    holds,
    reason: reasonFor(),
    rig: hauled,
    haul,
    window,
    margin: weakest.link.margin.value,
    ratio: weakest.judgement.ratio,
    sag: result.sag.value,
    stretch: result.distance / result.unstressed.value - 1,
    mass: result.cordMass,
    needed: result.cordNeeded.value,
    governs: weakest.link.name,
  };

  function reasonFor(): string {
    if (!cord.bears) return 'Elastic cord is never counted as strength.';
    if (tree !== undefined) return tell(treeSentence(tree.facts), units);
    if (!long)
      return `Too short: ${say(result.cordNeeded.value, 'length', units)} wanted, ${say(inOne(kitCord), 'length', units)} on hand.`;
    if (holdsTo === null) return `${capital(asSubject(weakest.link.name))} is too weak even when hardly hauled.`;
    if (tightFrom === null) return 'Stays too slack at any pull a person can make.';
    if (window === null)
      return `To be tight enough it wants ${say(tightFrom, 'force', units)}, but ${asSubject(weakest.link.name)} bears no more than ${say(holdsTo, 'force', units)} of haul.`;
    const most = say(window[1], 'force', units);
    const range = window[0] > 1 ? `Haul between ${say(window[0], 'force', units)} and ${most}.` : `Haul up to ${most}.`;
    return `${range} ${capital(asSubject(weakest.link.name))} gives first.`;
  }
}

export const SIZE_ORDERS = ['margin', 'sag', 'mass'] as const;
export type SizeOrder = (typeof SIZE_ORDERS)[number];

/** Those that hold first, then by the wish: most left, least sag, or least weight. */
export function rankCords(cords: readonly SizedCord[], by: SizeOrder): SizedCord[] {
  const cost = (c: SizedCord): number => (by === 'margin' ? -c.ratio : by === 'sag' ? c.sag : c.mass);
  return [...cords].sort(
    (a, b) => Number(b.holds) - Number(a.holds) || cost(a) - cost(b) || a.kitCord.name.localeCompare(b.kitCord.name),
  );
}

/**
 * Every cord of the kit judged for this ridgeline.
 * @param progress called after each cord with the share done; return false to stop early
 * @throws RigProblem when the rig itself cannot be computed
 */
export function sizeCords(
  rig: RidgeRig,
  context: LineContext,
  units: UnitChoice,
  progress?: (done: number) => boolean,
): SizedCord[] {
  const out: SizedCord[] = [];
  const cords = context.kit.filter((c) => isBrought(rig, 'cords', c.id));
  for (const [i, kitCord] of cords.entries()) {
    try {
      out.push(sizeCord(rig, context, kitCord, units));
    } catch (error) {
      if (!(error instanceof NoSuchLine || (error instanceof RigProblem && error.field === 'tensioning'))) throw error;
    }
    if (progress?.((i + 1) / cords.length) === false) break;
  }
  return out;
}
