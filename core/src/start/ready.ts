import { casesFor } from '../cases/index.js';
import { against } from '../findings/index.js';
import { allSolved, evaluatePitch, solvePitch, solvedIn } from '../pitch/index.js';
import type { Solved } from '../pitch/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { gustOf, roofedIn } from '../rig/index.js';
import type { RigContext, RidgeRig } from '../rig/index.js';
import { holds, judgeRig, proposeHang } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import { sizeWithin } from '../sizing/index.js';
import type { SizedAndSolved } from '../sizing/index.js';
import { DRY, placeUnder } from '../under/index.js';
import type { Candidate, Serves } from './shortlist.js';
import { withBed } from './wanted.js';
import type { Who } from './wanted.js';

/** A rig as it stands before it is sized: solved as pitched, so that it can be seen; whether it holds is not known yet. */
export interface Looked {
  readonly rig: RidgeRig;
  readonly report: RigReport;
  readonly serves: Serves;
  readonly score: number;
}

/** A whole rig that is ready to be tied: solved, sized from the kit, its bed hung, and judged. */
export interface Ready extends Looked {
  readonly holds: boolean;
}

/** Whether all that is asked of it is known. */
export const isReady = (rig: Looked): rig is Ready => 'holds' in rig;

/**
 * A first look at a candidate: it as pitched, with nothing of it sized, in no wind.
 * @throws RigProblem where it cannot be computed
 */
export function firstLook(candidate: Candidate, who: Who, context: RigContext): Looked {
  const { rig, ...known } = lainUnder(candidate.rig, who, context, false);
  const { report } = judgeRig(rig, context, { full: false, ...SPARING, ...known });
  return { rig, report, serves: servedBy(report, candidate.serves), score: candidate.score };
}

/**
 * Makes a candidate ready: sized from the kit with as little to bring as can be, its bed hung where one is wanted, and judged in
 * every wind.
 * @param progress share done; return false to stop
 * @returns null when it was stopped
 * @throws RigProblem where it cannot be computed
 */
export function ready(
  candidate: Candidate,
  who: Who,
  context: RigContext,
  units: UnitChoice,
  progress: (done: number) => boolean = () => true,
): Ready | null {
  const few = fewGusts(candidate.rig);
  const first = sizeWithin(candidate.rig, context, 'items', units, (done) => progress(FIRST * SIZED * done), {
    within: few,
  });
  if (first === null || !progress(FIRST * SIZED)) return null;
  let made = judgedFrom(first);
  // sized for a few gusts; where only others ask more of its lines, it is sized for those too
  const missed = onlyShortIn(made.report).filter((id) => !few.has(id));
  if (missed.length > 0) {
    const { rig } = made.report;
    const again = sizeWithin(rig, context, 'items', units, (done) => progress(FIRST + (1 - FIRST) * SIZED * done), {
      within: new Set([...few, ...missed]),
      like: made.solved,
    });
    if (again === null) return null;
    // where nothing of the kit is better it is as it was judged
    if (again.sized.rig !== rig) made = judgedFrom(again);
  }
  progress(1);
  const { report } = made;
  return {
    rig: report.rig,
    report,
    serves: servedBy(report, candidate.serves),
    holds: holds(report),
    score: candidate.score,
  };

  function judgedFrom({ sized, solved: like }: SizedAndSolved): {
    readonly report: RigReport;
    readonly solved: Solved;
  } {
    const lain = lainUnder(sized.rig, who, context, true);
    const bedded = withBed(lain.rig, who, context);
    const hung = bedded.bed === undefined ? null : proposeHang(bedded, context, units, { like, rising: false }).whole;
    if (hung !== null) return { report: hung.report, solved: like };
    const { rig: own, ...known } = { ...lain, rig: bedded };
    const options = { full: true, ...SPARING, ...known };
    // what falls short where it was sized is told so sooner from there; what holds or flaps has to do so from nothing
    let judged = sized.met ? null : judgeRig(own, context, { ...options, like });
    if (judged === null || holds(judged.report) || !allSolved(judged.report.roof!))
      judged = judgeRig(own, context, options);
    return { report: judged.report, solved: judged.roof === null ? like : solvedIn(judged.roof) };
  }
}

/** Share of the work after which most are ready, and share of it after which a rig is sized. */
const FIRST = 0.7;
const SIZED = 0.5;

/** Cases in which lines have too little to spare; none where anything else is against it as well. */
function onlyShortIn({ findings }: RigReport): string[] {
  const all = against(findings).map((f) => (f.code === 'short' ? f.facts.judged.link.caseId : null));
  return all.every((id) => id !== null) ? all : [];
}

/** What a roof does for those it is for as it then hangs, which is not quite as it was meant to. */
function servedBy({ roof }: RigReport, meant: Serves): Serves {
  if (roof === null) return meant;
  const sleepers = (roof.under?.things ?? []).filter((t) => t.lying.kind === 'sleeper');
  const { headroom, ground } = roof.cover;
  const hangs = { ...meant, headroom, covers: ground };
  return sleepers.length === 0
    ? hangs
    : {
        ...hangs,
        dry: sleepers.filter((t) => t.dry >= DRY).length,
        upright: sleepers.filter((t) => t.sits).length,
        open: sleepers.reduce((sum, t) => sum + t.open, 0) / sleepers.length,
      };
}

/** Sizes a candidate in one gust and lets go of it: what is done often runs faster, and an answer need not wait for that. */
export function rehearse({ rig }: Candidate, context: RigContext, units: UnitChoice): void {
  const [gust] = fewGusts(rig);
  sizeWithin(rig, context, 'items', units, () => true, { within: new Set(gust === undefined ? [] : [gust]) });
}

/** Every so manieth bearing of the wind is looked at while it is sized, soaked, when lines have least to spare; all are judged. */
const EVERY = 4;

/** A few gusts that stand for all while a rig is sized. */
function fewGusts(rig: RidgeRig): ReadonlySet<string> {
  const gusts = casesFor('roof', rig, gustOf(rig)).filter((c) => c.environment.wind !== null);
  const bearings = [...new Set(gusts.map((c) => c.environment.wind!.from))].filter((_, k) => k % EVERY === 0);
  const few = gusts.filter((c) => c.environment.wet && bearings.includes(c.environment.wind!.from));
  return new Set(few.map((c) => c.id));
}

/** What is left out of judging several rigs of which one is taken. */
const SPARING = { spreads: false, rising: false } as const;

/**
 * The rig with its sleepers where they lie best under the cloth as it hangs, and what was solved of it to know that: who lies
 * beneath changes nothing of it.
 */
function lainUnder(
  rig: RidgeRig,
  who: Who,
  context: RigContext,
  full: boolean,
): { readonly rig: RidgeRig; readonly solved?: Solved } {
  if (who.kind !== 'ground') return { rig };
  const options = { full, ...SPARING, among: NO_GUSTS };
  const solved = solvePitch(rig, context, options);
  const { tied, result } = evaluatePitch(rig, context, { ...options, solved });
  const { lying } = placeUnder(
    who.people,
    who.packs,
    roofedIn(rig, {
      corners: result.topology.corners,
      at: result.shapes[0]!.at,
      ground: tied.model.layout.setting.ground,
    }),
  );
  return { rig: { ...rig, under: [...lying] }, solved };
}
const NO_GUSTS: ReadonlySet<string> = new Set();

/** Rigs in the order they are offered: what holds first, what is not known yet after it, then what serves best. */
export const bestFirst = <R extends Looked>(rigs: readonly R[]): readonly R[] => {
  const rank = (r: Looked): number => (!isReady(r) ? 1 : r.holds ? 2 : 0);
  return [...rigs].sort((a, b) => rank(b) - rank(a) || b.score - a.score);
};
