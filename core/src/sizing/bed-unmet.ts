import { ofCode } from '../findings/index.js';
import type { Evaluated } from '../pitch/index.js';
import { say, tell } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { RigContext, RidgeRig, Row } from '../rig/index.js';
import { ratioOf, treeOf } from '../rig/index.js';
import {
  bedHolds,
  evaluateBed,
  groundedIn,
  hungToBear,
  raiseOver,
  saidTogether,
  tooNear,
  withEnds,
} from '../shelter/index.js';
import type { BedResult } from '../shelter/index.js';
import type { TreeId } from '../support/index.js';
import { sentenceOf, wordsOf } from '../words/index.js';
import type { Unmet } from './remedies.js';
import { SPARE, shortWords, wouldDo } from './remedies.js';

/** The bed of a rig judged under its roof as that stands; null where it has none. */
export function bedUnder(rig: RidgeRig, context: RigContext, roof: Evaluated): BedResult | null {
  return rig.bed === undefined
    ? null
    : evaluateBed(rig, context, { full: true, spreads: rig.designRule === 'chance', roof });
}

const touches = (b: BedResult): number => (b.over === null ? 0 : tooNear(b.over).length);
const shortRows = (bed: BedResult): Row[] => bed.rows.filter((r) => ratioOf(r) < 1);

/** What a bed's row could be mended with from beyond the kit. */
function beyondKit(rig: RidgeRig, row: Row, units: UnitChoice): string {
  const { link, judgement } = row.links[0]!;
  const short = SPARE / Math.max(1e-6, judgement.ratio);
  if (link.kind === 'trunk') {
    const tree = treeOf(rig, row.id as TreeId);
    return tree === null
      ? 'A thicker tree would bear it.'
      : `A trunk ${say(tree.girth * Math.cbrt(short), 'length', units)} round would bear it, or the roof hung on others.`;
  }
  return `What holds ${say(wouldDo(row.links[0]!), link.available.quantity, units)} there would do.`;
}

/** A bed that comes down on the ground, tied higher where that is within reach. */
function lifted(rig: RidgeRig, context: RigContext, roof: Evaluated, bed: BedResult, units: UnitChoice): Unmet {
  const raise = raiseOver(groundedIn(bed)!);
  const { ends } = rig.bed!;
  const [a, b] = ends.map((e) => Math.round(100 * (e.height + raise)) / 100) as [number, number];
  const next = withEnds(rig, [{ height: a }, { height: b }]);
  const reached = Math.max(a, b) <= context.body.reach;
  const clears = reached && groundedIn(evaluateBed(next, context, { full: true, spreads: false, roof })) === null;
  return {
    id: 'bed low',
    sentence: `The bed comes down on the ground ${groundedIn(bed)!.said}.`,
    remedy: clears
      ? `Tie both straps ${say(raise, 'length', units)} higher.`
      : 'Take in a loop at either end, or choose trees nearer to each other: higher straps are out of reach.',
    rig: clears ? next : null,
  };
}

/** What the bed of a sized rig still lacks, weakest first, each with the smallest change that would do. */
export function bedUnmet(
  rig: RidgeRig,
  context: RigContext,
  roof: Evaluated,
  bed: BedResult,
  units: UnitChoice,
): Unmet[] {
  const refused = bed.findings.filter((f) => f.severity === 'refuses');
  const out: Unmet[] = refused.map((f, i) => ({
    id: `bed refused ${i}`,
    sentence: tell(sentenceOf(f), units),
    remedy: 'No change of cord or peg mends this one.',
    rig: null,
  }));
  for (const f of ofCode(bed.findings, 'bed-unsettled')) {
    const { says, remedy } = wordsOf(f);
    out.push({ id: `bed loose ${f.about!}`, sentence: tell(says, units), remedy: tell(remedy!, units), rig: null });
  }
  const low = groundedIn(bed) === null ? [] : [lifted(rig, context, roof, bed, units)];
  const short = shortRows(bed);
  if (short.length === 0) return [...out, ...low];
  const words = (row: Row, more: number): string =>
    shortWords(row.links[0]!, saidTogether(row.links[0]!.link.caseId, roof.result, bed), units, more);
  const hung = out.length > 0 ? null : hungToBear(rig, context, roof, units);
  const mended = hung !== null && bedHolds(hung.bed) && touches(hung.bed) <= touches(bed) ? hung : null;
  if (mended === null) {
    // both straps give alike: said once
    const alike = new Map<string, Row[]>();
    for (const row of short) {
      const kind = row.role === 'trunk' ? row.id : `${row.role} ${row.links[0]!.link.kind}`;
      alike.set(kind, [...(alike.get(kind) ?? []), row]);
    }
    return [
      ...out,
      ...low,
      ...[...alike.values()].map((rows) => ({
        id: rows[0]!.links[0]!.link.id,
        sentence: words(rows[0]!, rows.length - 1),
        remedy: beyondKit(rig, rows[0]!, units),
        rig: null,
      })),
    ];
  }
  const { ends } = mended.offer.rig.bed!;
  const angles = mended.bed.lying.angles.map((a) => say(a.value, 'angle', units)).join(' and ');
  return [
    {
      id: short[0]!.links[0]!.link.id,
      sentence: words(short[0]!, short.length - 1),
      remedy: `${mended.straps === null ? 'Hung deeper' : `On the ${context.straps.find((s) => s.id === mended.straps)!.name}`} it bears it: straps ${angles} below level, tied at ${say(ends[0].height, 'length', units)} and ${say(ends[1].height, 'length', units)}.`,
      rig: mended.offer.rig,
    },
  ];
}
