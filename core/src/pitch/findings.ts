import { fireFindings } from '../around/index.js';
import { screenTree } from '../anchor/index.js';
import type { Finding } from '../findings/index.js';
import { finding } from '../findings/index.js';
import type { Judged } from '../strength/index.js';
import {
  GALE,
  branchFindings,
  cordAlong,
  joinedFinding,
  slidingFindings,
  loopRunsOut,
  ratioOf,
  travelOf,
  treeOf,
} from '../rig/index.js';
import { formOf, openSide, opensIntoWind } from '../roof/index.js';
import { supportOf } from '../support/index.js';
import type { PitchResult } from './evaluate.js';
import { givesFirst } from './gives-first.js';
import { LYING_ROOM, ONE_SLEEPER } from './room.js';
import { isOut } from './elastic.js';
import { wetting } from './leads.js';
import type { PitchModel } from './model.js';
import { besideHung } from './solve.js';
import type { PitchState, TiedRig } from './solve.js';
import { bearing, heldTwice } from './pulls-on.js';

/** A hitch slides when it goes farther than this, m: under it the solve's own rounding. */
const SLIDES = 0.005;
/** Less water than this on a roof runs off by itself, l. */
const POOL = 0.5;
/** Under cloth that hangs lower than this no flame burns safely, m. Judgement. */
const FLAME_ROOM = 1.2;

/** What is found about a pitched roof. @param still where it stands without wind, as pitched first @param saidOf a case at the end of a sentence, by its id */
export function findingsOf(
  tied: TiedRig,
  r: Omit<PitchResult, 'findings'>,
  still: readonly PitchState[],
  saidOf: (caseId: string) => string,
): Finding[] {
  const { model } = tied;
  const { rig } = model;
  const out: Finding[] = bearing(model).flatMap(({ tree, ridge }) => {
    const t = treeOf(rig, tree)!;
    return t.standsOnWord
      ? []
      : screenTree(t, ridge && rig.use === 'person').map((found) => finding('tree', found, tree));
  });
  for (const i of [0, 1] as const) {
    const trunk = rig.trunks[i];
    const level = Math.max(0, ...r.anchors.filter((a) => a.id === `trunk${i}`).map((a) => a.horizontal));
    if (trunk.standsOnWord === true && trunk.stand === undefined && level > 0)
      out.push(finding('no-stem', { what: trunk.name, level }, `trunk${i}`));
  }
  for (const judged of short(r))
    out.push(
      finding(
        'short',
        {
          judged,
          said: saidOf(judged.link.caseId),
          gust: r.letsGo.find((l) => l.id === judged.link.id)?.gust ?? null,
        },
        judged.link.id,
      ),
    );
  const rain = r.cases.reduce((a, b) => (b.litres > a.litres ? b : a));
  if (r.cases.some((c) => c.runsAway)) out.push(finding('pool-grows', {}));
  else if (rain.litres > POOL) out.push(finding('pool', { volume: rain.litres / 1000 }));
  const loose = r.cases.filter((c) => c.luffing || !c.converged);
  if (loose.length > 0) {
    const { id, name, said, flaps } = loose[0]!;
    out.push(finding('flaps', { name, said, near: flaps, more: loose.length - 1 }, id));
  }
  const { pitched, least } = r.room;
  if (pitched.lying < ONE_SLEEPER) out.push(finding('no-room', { lying: pitched.lying }));
  else if (least.lying < ONE_SLEEPER)
    out.push(finding('comes-down', { said: saidOf(least.caseId), lying: least.lying }, least.caseId));
  if (r.sag !== null && r.sag > r.sagLimit && r.sag > LYING_ROOM)
    out.push(finding('sags', { under: 'roof', sag: r.sag, limit: r.sagLimit }));
  for (const { id, name, wanted, have } of r.cords)
    if (wanted > have) out.push(finding('cord-short', { cord: name, wanted, have }, id));
  for (const { id, name, over, inBy } of r.kept)
    if (over < 0) out.push(finding('guy-short', { guy: name, by: -over, inBy }, id));
  for (const { id, name, wanted, have } of r.pegs)
    if (wanted > have) out.push(finding('pegs-short', { pegs: name, wanted, have }, id));
  out.push(...heldTwice(model));
  if (model.hasRidge) out.push(...loopRunsOut(rig, travelOf(model.ridge)));
  for (const h of r.hitches) {
    if (Math.abs(h.slid) > SLIDES)
      out.push(finding('hitch-slides', { hitch: h.name, by: Math.abs(h.slid) }, `loop${h.end}`));
    for (const advice of h.advice) out.push(finding('hitch', { hitch: h.name, advice }, `loop${h.end}`));
  }
  if (model.hasRidge) out.push(...sliding(tied, still));
  else {
    const facts = { things: rig.hung.map((h) => h.name), joined: rig.joined !== undefined };
    if (facts.things.length > 0 || facts.joined) out.push(finding('no-line', facts));
  }
  if (r.endTied !== null) {
    const { saves, carries, caseId } = r.endTied;
    out.push(finding('end-tied', { saves, carries, said: saidOf(caseId) }));
  }
  out.push(...branchesOf(tied, r));
  if (model.hasRidge && model.ridge.extension !== null) out.push(joinedFinding(model.ridge));
  for (const { id, name, on, tailAt } of wetting(r.leads))
    out.push(finding('drips-on', { line: name, on, tailAt }, id));
  const drawn = r.elastics.filter((e) => isOut(e, e.pitched));
  if (drawn.length > 0) out.push(finding('elastic-out', { lines: drawn.map((e) => e.name) }));
  const sawn = sawnBy(model);
  if (sawn.length > 0) out.push(finding('tab-sawn', { lines: sawn }));
  for (const at of model.layout.gathered) out.push(finding('no-tie-out', { at }));
  const trips = r.guys.filter((g) => g.trips);
  if (trips.length > 0) out.push(finding('guys-trip', { guys: trips.map((g) => g.name), of: r.guys.length }));
  const { bearing: along, windFrom, form, shape } = rig.pitch!;
  if (rig.wind.beaufort > 0 && opensIntoWind({ open: openSide(formOf(form), shape) }, along, windFrom))
    out.push(finding('opens-to-wind', {}));
  const { without = [] } = rig.pitch!;
  if (without.length > 0) out.push(finding('left-out', { kinds: without }));
  out.push(...(r.under?.findings ?? []));
  if (r.fire !== null) out.push(...fireFindings(r.fire));
  if (rig.wind.beaufort >= GALE) out.push(finding('gale', {}));
  if (form === 'low' || r.cover.headroom < FLAME_ROOM) out.push(finding('no-flame', {}));
  return out;
}

/** What of each short row governs it, first what lets go first where something would break. */
function short(r: Omit<PitchResult, 'findings'>): Judged[] {
  const links = r.rows.filter((row) => ratioOf(row) < 1).map((row) => row.links[0]!);
  const first = givesFirst(r)?.judged;
  const breaks = links.some((j) => j.link.margin.value < 1);
  return first !== undefined && breaks && first.judgement.ratio < 1
    ? [first, ...links.filter((j) => j !== first)]
    : links;
}

/** Things on the line that slide, in the first state without wind in which any does: as pitched, or soaked. */
function sliding(tied: TiedRig, still: readonly PitchState[]): Finding[] {
  const { rig, ridge } = tied.model;
  for (const s of still) {
    const found = slidingFindings(
      rig.hung,
      besideHung(tied, s),
      (at) => cordAlong(ridge, at).cord,
      s.case.environment.wet,
    );
    if (found.length > 0) return found;
  }
  return [];
}

/** Lines that are drawn bare through a fabric tie-out. */
const sawnBy = ({ members, rig }: PitchModel): string[] =>
  members.flatMap(({ role, reach, end, name }) => {
    const hitch = role === 'loop' ? rig.pitch!.hitches[end] : undefined;
    const tab = hitch === undefined ? reach?.guy.tab : hitch.toggle === undefined ? hitch.tab : 'tied';
    return tab === 'bare' && role !== 'tie' ? [name] : [];
  });

/** Every branch that something of the roof goes over, and the most that pulls on it in any case. */
function branchesOf({ model }: TiedRig, { anchors }: Pick<PitchResult, 'anchors'>): Finding[] {
  const most = (id: string): number =>
    Math.max(0, ...anchors.filter((a) => a.id === id).map((a) => Math.hypot(a.horizontal, a.vertical, a.uplift)));
  return [
    ...branchFindings(model.ridge, [most('trunk0'), most('trunk1')]),
    ...model.layout.reaches.flatMap(({ guy: { anchor }, key }) => {
      const support = supportOf(anchor);
      const give = support.gives(anchor);
      if (!support.overhead || give === null || !('name' in anchor)) return [];
      const pull = most(`foot ${key.id}`);
      // up over it and down again: both legs pull
      return [finding('branch', { name: anchor.name, gives: give * pull, pull: 2 * pull }, `guy ${key.id}`)];
    }),
  ];
}
