import { evaluatePitch, pitchVerdict } from '../pitch/index.js';
import type { Evaluated, Solved, TiedRig } from '../pitch/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { evaluateRidge, verdictOf } from '../rig/index.js';
import type { GivenWind, PitchSurroundings, RidgeResult, RidgeRig, Verdict } from '../rig/index.js';
import type { BedResult } from './evaluate.js';
import { evaluateBed } from './evaluate.js';
import { shelterVerdict } from './verdict.js';

/** A whole rig judged: its line alone or its pitched roof, its bed where it has one, and what it all comes to. */
export interface Shelter {
  readonly ridge: RidgeResult | null;
  readonly roof: Evaluated | null;
  readonly bed: BedResult | null;
  readonly verdict: Verdict;
}

/**
 * Judges a whole rig.
 * @param options.full    false: as pitched and lain in only, without ranges: what follows a hand
 * @param options.spreads false leaves out the ranges of a full judgement
 * @throws RigProblem naming field and remedy; NoSuchLine
 */
export function evaluateShelter(
  rig: RidgeRig,
  around: PitchSurroundings,
  units: UnitChoice,
  options: {
    readonly full: boolean;
    readonly spreads?: boolean;
    readonly from?: TiedRig;
    /** A gust at the roof instead of the rig's own wind; null for still air. */
    readonly wind?: GivenWind | null;
    /** What was solved of this very rig already. */
    readonly solved?: Solved;
  },
): Shelter {
  const { full, from, wind, solved } = options;
  const spreads = options.spreads ?? true;
  const roof =
    rig.pitch === undefined
      ? null
      : evaluatePitch(rig, around, {
          full,
          spreads,
          ...(from === undefined ? {} : { from }),
          ...(wind === undefined ? {} : { wind }),
          ...(solved === undefined ? {} : { solved }),
        });
  const ridge = roof !== null ? null : evaluateRidge(rig, around, units, { ranges: full && spreads });
  const without =
    roof !== null ? pitchVerdict(rig, roof.result, around.body, units, full) : verdictOf(ridge!, around.body, units);
  if (rig.bed === undefined) return { ridge, roof, bed: null, verdict: without };
  const bed = evaluateBed(rig, around, {
    full,
    spreads,
    ...(roof === null ? {} : { roof }),
    ...(ridge === null ? {} : { ridge }),
  });
  const first = (roof === null ? ridge!.ledger[0] : roof.result.rows[0]?.links[0]) ?? null;
  return {
    ridge,
    roof,
    bed,
    verdict: shelterVerdict({ ...without, first }, roof?.result ?? null, bed, around.body, units, full),
  };
}
