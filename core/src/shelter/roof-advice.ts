import { evaluatePitch } from '../pitch/index.js';
import { say } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import type { PitchForm } from '../roof/index.js';
import { evaluateBed } from './evaluate.js';
import type { RoofOver } from './over.js';
import { tooNear } from './over.js';
import { groundedIn } from './bed-report.js';
import { DRY } from './findings.js';

/** A change of roof or bed that would help, worked out; no rig where it only tells. */
export interface RoofAdvice {
  readonly id: string;
  readonly text: string;
  /** What it comes to. */
  readonly effect: string;
  readonly rig: RidgeRig | null;
}

/** Ridge and bed are tried so far up and down, in such steps, m. */
export const STEP = 0.05;
export const MOST = 0.6;

/** How the roof lies over the bed of a rig, as pitched and lain in; null where it cannot be pitched so. */
export function overOf(rig: RidgeRig, context: RigContext): RoofOver | null {
  try {
    const roof = evaluatePitch(rig, context, { full: false });
    return evaluateBed(rig, context, { full: false, roof }).over;
  } catch {
    // a form or height that cannot be is no advice
    return null;
  }
}

export const tight = (over: RoofOver): boolean => tooNear(over).length > 0;

/** The rig with its ridge higher by so much; negative lowers it. */
export const ridgeBy = (rig: RidgeRig, by: number): RidgeRig => {
  const to = (h: number): number => Math.round((h + by) * 100) / 100;
  return {
    ...rig,
    trunks: [
      { ...rig.trunks[0], tieHeight: to(rig.trunks[0].tieHeight) },
      { ...rig.trunks[1], tieHeight: to(rig.trunks[1].tieHeight) },
    ],
  };
};
const bedBy = (rig: RidgeRig, by: number): RidgeRig => {
  const bed = rig.bed!;
  const to = (h: number): number => Math.round((h + by) * 100) / 100;
  return {
    ...rig,
    bed: {
      ...bed,
      ends: [
        { ...bed.ends[0], height: to(bed.ends[0].height) },
        { ...bed.ends[1], height: to(bed.ends[1].height) },
      ],
    },
  };
};
/** Forms that are each other's: the same roof square to its ridge or on its diagonal. */
export const OTHER: Partial<Record<PitchForm, PitchForm>> = { gable: 'diagonal', diagonal: 'gable' };
const FORM_WORD: Partial<Record<PitchForm, string>> = { gable: 'Square', diagonal: 'On its diagonal' };

/**
 * What to lower, raise or turn so that the bed lies dry and touches nothing, each tried by pitching it so; and whether
 * square or diagonal covers this bed better in this rain.
 */
export function roofAdvice(rig: RidgeRig, context: RigContext, units: UnitChoice): RoofAdvice[] {
  if (rig.pitch === undefined || rig.bed === undefined) return [];
  const now = overOf(rig, context);
  if (now === null) return [];
  const out: RoofAdvice[] = [];
  const m = (x: number): string => say(x, 'length', units);
  const share = (x: number): string => say(x, 'share', units);
  const tell = (over: RoofOver): string =>
    `${share(over.dryInRain)} of the bed dry in this rain, ${over.above === null ? 'no cloth over its middle' : `roof ${m(over.above)} above its ends`}`;
  if (tight(now)) {
    for (let k = 1; k * STEP <= MOST; k++) {
      const raised = ridgeBy(rig, k * STEP);
      const over = raised.trunks.every((t) => t.tieHeight <= context.body.reach + 1e-6)
        ? overOf(raised, context)
        : null;
      if (over === null || tight(over)) continue;
      out.push({ id: 'raise', text: `Raise the ridge by ${m(k * STEP)}.`, effect: tell(over), rig: raised });
      break;
    }
    const height = evaluateBed(rig, context, { full: false }).lying.height.value;
    for (let k = 1; k * STEP <= Math.min(MOST, height - 0.3); k++) {
      const lowered = bedBy(rig, -k * STEP);
      const over = overOf(lowered, context);
      if (over === null || tight(over)) continue;
      // so low that it comes to the ground is no advice
      if (groundedIn(evaluateBed(lowered, context, { full: true, spreads: false })) !== null) break;
      out.push({ id: 'lower-bed', text: `Hang the bed ${m(k * STEP)} lower.`, effect: tell(over), rig: lowered });
      break;
    }
  } else if (now.dryInRain < DRY || (now.above !== null && now.above > now.wished + 0.1)) {
    let best: { by: number; over: RoofOver; rig: RidgeRig } | null = null;
    for (let k = 1; k * STEP <= MOST; k++) {
      const lowered = ridgeBy(rig, -k * STEP);
      const over = overOf(lowered, context);
      if (over === null || tight(over)) break;
      if (best === null || over.dryInRain > best.over.dryInRain + 1e-3) best = { by: k * STEP, over, rig: lowered };
      if (over.dryInRain >= DRY && (over.above === null || over.above <= over.wished + 0.1)) {
        best = { by: k * STEP, over, rig: lowered };
        break;
      }
    }
    if (best !== null && (best.over.dryInRain > now.dryInRain + 1e-3 || now.dryInRain >= DRY))
      out.push({
        id: 'lower',
        text: `Lower the ridge by ${m(best.by)}.`,
        effect: tell(best.over),
        rig: best.rig,
      });
  }
  const { form } = rig.pitch;
  const other = OTHER[form];
  if (other !== undefined) {
    const turned: RidgeRig = { ...rig, pitch: { ...rig.pitch, form: other, own: {}, order: [] } };
    const over = overOf(turned, context);
    const words = (f: PitchForm, o: RoofOver): string =>
      `${(FORM_WORD[f] ?? f).toLowerCase()} ${share(o.dryInRain)} of the bed is dry in this rain, reaching ${m(Math.min(...o.overhangInRain))} beyond its nearer end`;
    if (over === null)
      out.push({
        id: 'turn',
        text: `${FORM_WORD[form]!} it stays: ${FORM_WORD[other]!.toLowerCase()} the roof does not fit this span or height.`,
        effect: tell(now),
        rig: null,
      });
    else {
      const better =
        over.dryInRain > now.dryInRain + 0.01 ||
        (Math.abs(over.dryInRain - now.dryInRain) <= 0.01 &&
          Math.min(...over.overhangInRain) > Math.min(...now.overhangInRain) + 0.05);
      out.push({
        id: 'turn',
        text: better
          ? `${FORM_WORD[other]!} it covers this bed better.`
          : `${FORM_WORD[form]!} it covers this bed ${over.dryInRain < now.dryInRain - 0.01 ? 'better' : 'as well or better'}.`,
        effect: `${words(form, now)}; ${words(other, over)}`,
        rig: better ? turned : null,
      });
    }
  }
  return out;
}
