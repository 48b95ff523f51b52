import type { Finding } from '../findings/index.js';
import { against, inOrder } from '../findings/index.js';
import { evaluatePitch } from '../pitch/index.js';
import type { Evaluated, PitchResult, Solved, TiedRig } from '../pitch/index.js';
import { evaluateRidge, pegsBare, rowsTogether } from '../rig/index.js';
import type { GivenWind, RigContext, RidgeResult, RidgeRig, Row } from '../rig/index.js';
import type { BedResult } from './evaluate.js';
import { evaluateBed } from './evaluate.js';
import { guessedOf } from './guessed.js';
import { jointOf } from './together.js';

/** A whole rig judged: what was worked out of its line alone or its roof, of its bed, and what was found of all of it. */
export interface RigReport {
  readonly rig: RidgeRig;
  /** false where only the rig as pitched and lain in was worked out: then nothing is passed. */
  readonly full: boolean;
  /** The line alone; null under a roof. */
  readonly line: RidgeResult | null;
  readonly roof: PitchResult | null;
  readonly bed: BedResult | null;
  /** Every member of it, weakest first. */
  readonly rows: readonly Row[];
  /** What keeps it from holding and what to beware of, in the order in which they are told. */
  readonly findings: readonly Finding[];
}

/** A judged rig, and its roof as tied off for whoever goes on with it; null without one. */
export interface Shelter {
  readonly report: RigReport;
  readonly roof: Evaluated | null;
}

/** Whether a rig holds: the one place where that is decided. */
export const holds = (r: Pick<RigReport, 'full' | 'findings'>): boolean => r.full && against(r.findings).length === 0;

/**
 * Judges a whole rig.
 * @param options.full    false: as pitched and lain in only, without ranges: what follows a hand
 * @param options.spreads false leaves out the ranges of a full judgement
 * @throws RigProblem naming field and remedy; NoSuchLine
 */
export function judgeRig(
  rig: RidgeRig,
  context: RigContext,
  options: {
    readonly full: boolean;
    readonly spreads?: boolean;
    /** false leaves out in which wind each link lets go. */
    readonly rising?: boolean;
    readonly from?: TiedRig;
    /** A gust at the roof instead of the rig's own wind; null for still air. */
    readonly wind?: GivenWind | null;
    /** What was solved of this very rig already. */
    readonly solved?: Solved;
    /** A rig like it and what it did: where its hauls and gusts may begin. */
    readonly like?: Solved;
  },
): Shelter {
  const { full, from, wind, solved, like } = options;
  const spreads = options.spreads ?? true;
  const rising = options.rising ?? true;
  const joint = rig.bed === undefined ? null : jointOf(rig, context);
  const roof =
    rig.pitch === undefined
      ? null
      : evaluatePitch(rig, context, {
          full,
          spreads,
          rising,
          ...(from === undefined ? {} : { from }),
          ...(wind === undefined ? {} : { wind }),
          ...(solved === undefined ? {} : { solved }),
          ...(like === undefined ? {} : { like }),
          ...(joint === null ? {} : { lainIn: joint.lainIn }),
        });
  const line = roof !== null ? null : evaluateRidge(rig, context, { ranges: full && spreads });
  const bed =
    rig.bed === undefined
      ? null
      : evaluateBed(rig, context, {
          full,
          spreads,
          joint: joint!,
          ...(roof === null ? {} : { roof }),
          ...(line === null ? {} : { ridge: line }),
        });
  return { report: reportOf(rig, context, full, { line, roof: roof?.result ?? null, bed }), roof };
}

/** What the parts of a judged rig come to together. */
export function reportOf(
  rig: RidgeRig,
  context: Pick<RigContext, 'kit' | 'straps'>,
  full: boolean,
  parts: Pick<RigReport, 'line' | 'roof' | 'bed'>,
): RigReport {
  const { line, roof, bed } = parts;
  const own = roof ?? line!;
  const guessed = guessedOf(rig, context);
  if (bed === null) return { rig, full, ...parts, rows: own.rows, findings: inOrder([...own.findings, ...guessed]) };
  // a tree that bears the bed as well, or what holds a stay of it, is told with all that it bears
  const both = new Set(bed.bears.map((t) => t.id as string));
  const told = (f: Finding): boolean => !(f.code === 'short' && both.has(treeIn(f.facts.judged.link.id)));
  const trees = new Set(bed.findings.flatMap((f) => (f.code === 'tree' ? [f.about] : [])));
  const others = own.findings.filter((f) => told(f) && !(f.code === 'tree' && trees.has(f.about)));
  return {
    rig,
    full,
    ...parts,
    rows: rowsTogether(own.rows, bed.rows),
    findings: inOrder([...bed.findings, ...others, ...guessed]),
  };
}

/** Id of the tree that a link of a bare line is the foot of; of a roof's it is its own. */
const treeIn = (link: string): string => (link.startsWith('trunk-') ? link.replace('-', '') : link);

/** Pegs that a rig takes, by their id in the kit: of its roof with its bed's stays, or of those alone. */
export const pegsWanted = ({ rig, roof }: Pick<RigReport, 'rig' | 'roof'>): ReadonlyMap<string, number> =>
  roof === null ? pegsBare(rig) : new Map(roof.pegs.map((p) => [p.id, p.wanted]));
