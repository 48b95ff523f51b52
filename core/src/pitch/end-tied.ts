import { acrossOf } from '../catalogue/index.js';
import { cordOf, cutBetween, cutLength } from '../cordage/index.js';
import { loopCut } from '../hitch/index.js';
import { haulTravel, trunkEnd } from '../rig/index.js';
import { formOf } from '../roof/index.js';
import type { FormPlan } from '../roof/index.js';
import { cutOf } from './cut.js';
import type { CaseReading } from './reading.js';
import type { TiedRig } from './solve.js';

/** A form without its ridgeline: what would hang on a hitch is tied straight to the trunk beyond, and the cloth is the ridge. */
export const tiedByEnds = (plan: FormPlan): FormPlan => ({
  ...plan,
  ridge: null,
  keys: plan.keys.map((k) => (k.role.to === 'hitch' ? { ...k, role: { to: 'trunk', end: k.role.end } } : k)),
});

/** What a roof is without the ridgeline that its form could have. */
export interface EndTied {
  /** Cord that the ridgeline and its two hitches would take, less that of the ties, m. */
  readonly saves: number;
  /** The most that comes along the cloth from a tie, N, and the case in which it does. */
  readonly carries: number;
  readonly caseId: string;
}

/**
 * What is saved by a form's ends tied without a ridgeline, and what the cloth then bears along its ridge.
 * @returns null for a roof with a ridgeline, and for a form that has none
 */
export function endTiedOf({ model, tied }: TiedRig, readings: readonly CaseReading[]): EndTied | null {
  const { rig, context, ridge, members } = model;
  const pitch = rig.pitch!;
  const ties = members.map((m, k) => ({ m, length: tied[k]! })).filter(({ m }) => m.role === 'tie');
  if (model.hasRidge || formOf(pitch.form).hangs !== 'ridge' || ties.length === 0) return null;
  const { cord, kitCord } = ridge;
  const ends = ([0, 1] as const).map((i) => trunkEnd(rig, ridge.terminations, i));
  const line = cutBetween(kitCord.id, ridge.unstressed.value, ends, acrossOf(cord), haulTravel(rig));
  const thick = (id: string): number => {
    const hank = context.kit.find((k) => k.id === id);
    const of = hank === undefined ? undefined : cordOf(hank);
    return of === undefined ? 0 : acrossOf(of);
  };
  const hitches = pitch.hitches.map((h) => loopCut(h.cord, h.loop, h.wraps, thick(h.cord), cord.diameter));
  const spent = ties.reduce((sum, { m, length }) => sum + cutLength(cutOf(model, m, length)), 0);
  const most = (r: CaseReading): number => Math.max(...ties.map(({ m }) => r.tension(m.id).value));
  const worst = readings.reduce((a, b) => (most(b) > most(a) ? b : a));
  return {
    saves: [line, ...hitches].reduce((sum, cut) => sum + cutLength(cut), 0) - spent,
    carries: most(worst),
    caseId: worst.state.case.id,
  };
}
