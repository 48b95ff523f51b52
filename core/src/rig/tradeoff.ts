import { evaluateRidge } from './evaluate.js';
import type { LineContext } from './ridge.js';
import type { RidgeRig } from './rig-document.js';

/** One way this line could be hauled. */
export interface TradeoffPoint {
  /** Tension at tying off, N. */
  readonly pretension: number;
  /** Sag as pitched, m. */
  readonly sag: number;
  /** Largest tension as pitched, N, and in any case. */
  readonly tension: number;
  readonly worst: number;
  /** Smallest ratio of what a link has to what the rule asks; at least 1 holds. */
  readonly ratio: number;
  readonly tight: boolean;
}

/** The same rig hauled to a tension. */
export function hauledTo(rig: RidgeRig, tension: number): RidgeRig {
  return { ...rig, tensioning: { ...rig.tensioning, how: 'tension', tension } };
}

/** The rig hauled to `tension`, N, judged without the spreads of measured numbers. */
export function hauledPoint(rig: RidgeRig, context: LineContext, tension: number): TradeoffPoint {
  const r = evaluateRidge(hauledTo(rig, tension), context, { ranges: rig.designRule === 'chance' });
  return {
    pretension: tension,
    sag: r.sag.value,
    tension: r.tension.value,
    worst: r.worstTension.value,
    ratio: r.ledger[0]!.judgement.ratio,
    tight: r.tight,
  };
}

/** Tension against sag over the hauls a person can make, lightest first; `count` points, spaced as the squares. */
export function tradeoff(rig: RidgeRig, context: LineContext, count: number, most = 900): TradeoffPoint[] {
  const out: TradeoffPoint[] = [];
  for (let i = 0; i < count; i++) out.push(hauledPoint(rig, context, 5 + (most - 5) * (i / (count - 1)) ** 2));
  return out;
}

/**
 * Finds the window of tensions by bisection: sag falls and the pull on every link grows with tension.
 * @param most the most that is tried, N
 * @returns least haul that is tight enough and most that every link bears, N; either may be null
 */
export function haulLimits(
  rig: RidgeRig,
  context: LineContext,
  most = 1500,
): { readonly tightFrom: number | null; readonly holdsTo: number | null } {
  const edge = (holds: (p: TradeoffPoint) => boolean, risingTruth: boolean): number | null => {
    const at = (t: number): boolean => holds(hauledPoint(rig, context, t));
    const atLow = at(1);
    const atHigh = at(most);
    if (risingTruth ? !atHigh : !atLow) return null;
    if (risingTruth ? atLow : atHigh) return risingTruth ? 1 : most;
    let a = 1;
    let b = most;
    while (b - a > Math.max(1, 0.01 * b)) {
      const m = 0.5 * (a + b);
      if (at(m) === atLow) a = m;
      else b = m;
    }
    return risingTruth ? b : a;
  };
  return { tightFrom: edge((p) => p.tight, true), holdsTo: edge((p) => p.ratio >= 1, false) };
}
