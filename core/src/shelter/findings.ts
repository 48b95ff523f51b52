import { diameterOf, screenTree } from '../anchor/index.js';
import { windPast } from '../around/index.js';
import { BARK_PRESSURE, FALL_MOST, FALL_WARN } from '../catalogue/index.js';
import type { Comfort, Finding, FindingCode } from '../findings/index.js';
import { against, finding } from '../findings/index.js';
import type { PitchResult } from '../pitch/index.js';
import type { Vec3 } from '../quantity/index.js';
import { bedStem, meanWind, pegsOfBed, ratioOf, treeOf } from '../rig/index.js';
import { isHold } from '../support/index.js';
import { windToward } from '../weather/index.js';
import { bearersUnderBed, strapTree } from './bed-pulls.js';
import type { BedModel } from './bed-model.js';
import { groundedIn, raiseOver } from './bed-report.js';
import type { BedResult } from './evaluate.js';
import { tooNear } from './over.js';

/** Dry enough: what is left is the ends of the cloth. Judgement. */
export const DRY = 0.98;
/** Flatter than this a strap is too flat, rad; nearer than this to the cloth a sitting head meets it, m. Judgement. */
const FLAT = 0.3;
const HEAD_ROOM = 0.05;
/** Thinner than this round, a tree that may carry a person is said to be thin, m. Judgement. */
const THIN = 0.6;
const UNLEVEL = 0.25;
const LEAST_OVERHANG = 0.15;
/** A pole's head may go so far sideways, come in and let the bed down so far, m, before it is told. Judgement. */
const SWAYS = 0.1;
const COMES_IN = 0.02;
const COMES_DOWN = 0.03;

/** How a case of roof, bed or both is said at the end of a sentence. */
export function saidTogether(id: string, roof: PitchResult | null, bed: Pick<BedResult, 'cases' | 'bears'>): string {
  return (
    bed.cases.find((c) => c.id === id)?.said ??
    roof?.cases.find((c) => c.id === id)?.said ??
    bed.bears.flatMap((t) => t.loads).find((l) => l.caseId === id)?.said ??
    id
  );
}

/** What concerns the roof over a bed rather than whether the bed bears who lies in it. */
export const OF_THE_ROOF: ReadonlySet<FindingCode> = new Set<FindingCode>(['touches', 'drips-in', 'rain-reaches']);

/** Whether everything of a bed bears what is asked of it, off the ground, and nothing rules it out. */
export const bedHolds = (bed: Pick<BedResult, 'findings'>): boolean =>
  against(bed.findings).every((f) => OF_THE_ROOF.has(f.code));

/** What is found about a bed. @param saidOf a case at the end of a sentence, by its id */
export function findingsOf(
  model: BedModel,
  r: Omit<BedResult, 'findings'>,
  saidOf: (caseId: string) => string,
): Finding[] {
  const { rig } = model;
  const { height } = r.lying;
  const bed = rig.bed!;
  const out: Finding[] = [...forbidding(model), ...pegsLacking(model)];
  const deepest = groundedIn(r);
  if (deepest !== null)
    out.push(finding('bed-grounded', { said: deepest.said, raise: raiseOver(deepest) }, deepest.id));
  for (const { id, name, said, reason, converged } of r.cases)
    if (!converged) out.push(finding('bed-unsettled', { name, said, reason }, id));
  if (!r.together)
    out.push(
      finding('bed-unsettled', {
        name: 'together',
        said: 'with all that is tied to its trees',
        reason: 'something on its trees keeps moving them',
      }),
    );
  for (const row of r.rows)
    if (ratioOf(row) < 1) {
      const judged = row.links[0]!;
      out.push(finding('short', { judged, said: saidOf(judged.link.caseId), gust: null }, judged.link.id));
    }
  if (height.value > FALL_WARN) out.push(finding('fall', { height: height.value, breaks: height.value > FALL_MOST }));
  if (bed.beneath === 'hard' || bed.beneath === 'steep')
    out.push(finding('beneath-hurts', { beneath: bed.beneath, height: height.value }));
  for (const i of [0, 1] as const) {
    const angle = r.lying.angles[i].value;
    if (angle < FLAT) out.push(finding('strap-flat', { end: i, angle, pull: r.lying.straps[i].value }, `strap${i}`));
    const { name, girth } = bedStem(rig, i);
    const pressure = r.bark[i]?.value ?? 0;
    if (pressure > BARK_PRESSURE.typical) out.push(finding('bark', { tree: name, by: 'strap', pressure }));
    if (bed.ends[i].anchor.kind !== 'pole' && girth < THIN && girth >= 0.5)
      out.push(finding('thin-tree', { tree: name, diameter: diameterOf(girth) }));
  }
  if (model.kit.limit === 0) out.push(finding('limit-unknown', { name: model.kit.name, part: 'bed' }));
  if (model.straps.limit === 0) out.push(finding('limit-unknown', { name: model.straps.name, part: 'straps' }));
  const { end, because } = r.headAt;
  if (bed.head !== end) out.push(finding('head-belongs', { end: bedStem(rig, end).name, because }));
  const unlevel = Math.abs(r.lying.endUp.value);
  if (unlevel > UNLEVEL) out.push(finding('ends-unlevel', { by: unlevel }));
  for (const { sideways, comesIn, comesDown, haulIn } of r.poles) {
    if (sideways === null) out.push(finding('pole-falls', {}));
    else if (sideways > SWAYS) out.push(finding('pole-sways', { by: sideways }));
    if (comesIn > COMES_IN || comesDown > COMES_DOWN) out.push(finding('pole-gives', { comesIn, comesDown, haulIn }));
  }
  return [...out, ...underRoof(r, saidOf), ...comfortOf(model, height.value, bedMiddle(r))];
}

/** Pegs of its stays that the kit has not; those of a roof's guys are counted with them. */
function pegsLacking({ rig, context }: BedModel): Finding[] {
  if (rig.pitch !== undefined) return [];
  return [...pegsOfBed(rig)].flatMap(([id, wanted]) => {
    const { name, count: have } = context.pegs.find((p) => p.id === id)!;
    return wanted > have ? [finding('pegs-short', { pegs: name, wanted, have }, id)] : [];
  });
}

/** What must not be slept in, whatever it bears. */
function forbidding({ rig, kit, straps }: BedModel): Finding[] {
  const bed = rig.bed!;
  const { beneath, mass } = bed;
  const out: Finding[] = [];
  if (beneath === 'water' || beneath === 'road' || beneath === 'bed') out.push(finding('beneath-forbids', { beneath }));
  for (const [{ name, limit }, part] of [
    [kit, 'bed'],
    [straps, 'straps'],
  ] as const)
    if (limit > 0 && mass > limit) out.push(finding('overloaded', { name, part, limit, mass }));
  for (const id of bearersUnderBed(rig)) {
    if (isHold(id)) continue;
    const tree = treeOf(rig, id)!;
    const strapped = ([0, 1] as const).some((i) => strapTree(rig, i) === id);
    // how strong a stay's tree must be is reckoned; a sign rules it out all the same
    if (!tree.standsOnWord) out.push(...screenTree(tree, strapped).map((found) => finding('tree', found, id)));
  }
  for (const { anchor } of bed.ends)
    if (anchor.kind === 'pole' && anchor.anchor.kind === 'stem')
      out.push(...screenTree(anchor.anchor, false).map((found) => finding('tree', found)));
  return out;
}

/** How the roof over it fares. */
function underRoof({ over, drips }: Omit<BedResult, 'findings'>, saidOf: (caseId: string) => string): Finding[] {
  const out: Finding[] = [];
  for (const d of drips)
    if (d.wets) {
      const from = d.of === 'strap' ? 'trunk' : 'tie';
      out.push(finding('drips-in', { line: d.name, tailAt: d.tailAt, from }, d.id));
    }
  if (over === null) return out;
  const gap = tooNear(over)[0];
  if (gap !== undefined) {
    const { what, distance, roofCase, weather } = gap;
    out.push(finding('touches', { what, distance, said: saidOf(roofCase), weather }, roofCase));
  }
  if (over.headRoom !== null && over.headRoom < HEAD_ROOM) out.push(finding('head-meets-cloth', {}));
  for (const i of [0, 1] as const)
    if (over.overhang[i] < LEAST_OVERHANG) out.push(finding('overhang', { end: i, by: over.overhang[i] }));
  if (over.dryInRain < DRY) out.push(finding('rain-reaches', { share: 1 - over.dryInRain, slant: over.slant }));
  return out;
}

/** Lowest place of a bed, lain in, m. */
const bedMiddle = ({ shapes }: Pick<BedResult, 'shapes'>): Vec3 =>
  shapes.find((s) => s.caseId === 'lying')!.line.reduce((low, p) => (p[2] < low[2] ? p : low));

/** Warmth and air as far as height and wind tell, past the walls to windward. @param at lowest place of the bed, lain in, m */
function comfortOf({ rig, ground }: BedModel, height: number, at: Vec3): Finding[] {
  const { walls = [], pitch } = rig;
  // a bed without a roof has no bearing: nobody knows on which side of it a wall stands
  const toward = pitch === undefined ? null : windToward(pitch.windFrom, pitch.bearing);
  const wind = meanWind(rig) * (toward === null ? 1 : windPast(walls, at, [-toward[0], -toward[1]], ground));
  const all: Comfort[] = [
    wind > 2 ? 'wind-below' : 'air-below',
    height < 0.35 ? 'low' : height > 0.7 ? 'high' : 'middling',
  ];
  if (rig.pitch !== undefined && wind > 3) all.push('drop-windward');
  if (rig.bed!.beneath === 'soft' && height < 0.5) all.push('leaves');
  return all.map((what) => finding('comfort', { what }));
}
