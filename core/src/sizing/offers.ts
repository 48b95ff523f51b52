import { cordOf, cutLength, onHand } from '../cordage/index.js';
import { HITCHES, TERMINATIONS } from '../catalogue/index.js';
import type { Cord, HitchType, Termination } from '../catalogue/index.js';
import { offAxis } from '../hitch/index.js';
import { cutOf, heldWith, ratiosOf } from '../pitch/index.js';
import type { CaseReading, Evaluated, Member, PitchModel } from '../pitch/index.js';
import type { Guy, KitCord, RigContext, RidgeRig, RoofHitch } from '../rig/index.js';
import { PITCH_LIMITS, isBrought } from '../rig/index.js';
import type { GuyAnchor } from '../support/index.js';
import { pegOf, supportOf } from '../support/index.js';
import type { Assignment, Offer } from './assign.js';
import { assign, undominated } from './assign.js';

/** What a rig is sized for. */
export const SIZE_AIMS = ['cut', 'mass', 'items'] as const;
export type SizeAim = (typeof SIZE_AIMS)[number];

/** What a rig takes: cord to cut, m; mass of cord and pegs, kg; pegs and kinds of cord to bring. */
export interface Bill {
  readonly cut: number;
  readonly mass: number;
  readonly pegs: number;
  readonly kinds: number;
}

/** A change must save at least this much to be worth retying. Judgement: an arm of cord, a coin’s weight, a tenth of a peg. */
export const WORTH: Readonly<Record<SizeAim, number>> = { cut: 0.3, mass: 0.005, items: 0.1 };
/** A metre of cord, and a kilogram, beside the aim: only to choose between equals. */
const BESIDE = 1e-3;
/** What a shortfall of one e-fold costs: more than all cord in a camp. */
const SHORT = 1e4;
/** Pulls move a little when cords change: offers are to have this much over. Judgement. */
const SPARE = 1.03;
/** Most that one link counts when it holds nothing at all. */
const HOPELESS = 10;

/** Cost of a part of a rig for an aim, with the changes it asks for. */
function costOf(aim: SizeAim, bill: Omit<Bill, 'kinds'>, changes: number, shortfall: number): number {
  const own =
    aim === 'cut'
      ? bill.cut + BESIDE * bill.mass
      : aim === 'mass'
        ? bill.mass + BESIDE * BESIDE * bill.cut
        : bill.pegs + BESIDE * bill.cut;
  return own + WORTH[aim] * changes + SHORT * shortfall;
}

/** An offer, and the rig that takes it. */
export interface LineOffer extends Offer {
  readonly shortfall: number;
  readonly bill: Omit<Bill, 'kinds'>;
  readonly set: (rig: RidgeRig) => RidgeRig;
}

const massOf = (cord: Cord, length: number): number => cord.massPerMetre.typical * length;
const cordStock = (id: string): string => `cord ${id}`;
const pegStock = (id: string): string => `pegs ${id}`;

/** How far places are from what is asked, in e-folds of what is missing; 0 where all hold with something over. */
function shortOf(ratios: readonly number[]): number {
  let sum = 0;
  for (const ratio of ratios) if (ratio < SPARE) sum += Math.min(HOPELESS, -Math.log(Math.max(1e-9, ratio / SPARE)));
  return sum;
}

/** A cord of the kit with its traits; null where the catalogue has lost it. */
interface Cordage {
  readonly kitCord: KitCord;
  readonly cord: Cord;
}

/** What is asked: a rig whose pulls are known, what to choose from, and for what. */
interface Ask {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly known: Evaluated;
  readonly model: PitchModel;
  readonly aim: SizeAim;
  readonly cords: readonly Cordage[];
}

const lengthOf = ({ known, model }: Ask, m: Member): number =>
  known.tied.tied[model.members.findIndex((x) => x.id === m.id)]!;

/** The whole rig chosen anew: least cost within the stocks, shortfalls counting before all else. */
export function chooseAll(
  rig: RidgeRig,
  context: RigContext,
  known: Evaluated,
  aim: SizeAim,
): { readonly rig: RidgeRig; readonly shortfall: number; readonly proven: boolean } {
  const cords = context.kit.flatMap((kitCord): Cordage[] => {
    if (!isBrought(rig, 'cords', kitCord.id)) return [];
    const cord = cordOf(kitCord);
    return cord === undefined ? [] : [{ kitCord, cord }];
  });
  const { model } = known.tied;
  const ask: Ask = { rig, context, known, model, aim, cords };
  const guys = model.members.filter((m) => m.role === 'guy' || m.role === 'peg').map((m) => guyOffers(ask, m));
  const stocks = new Map<string, number>();
  for (const { kitCord } of cords) stocks.set(cordStock(kitCord.id), onHand(kitCord));
  for (const p of context.pegs) if (isBrought(rig, 'pegs', p.id)) stocks.set(pegStock(p.id), p.count);
  const onTrees = model.members.some((m) => m.role === 'ridge' || m.role === 'tie');
  const hosts = onTrees ? cords.filter((c) => c.cord.bears || c.kitCord.id === rig.cord) : [model.ridge];
  const memo = new Map<string, LineOffer[][]>();
  const hitchesOn = (host: Cordage): LineOffer[][] => {
    const known0 = memo.get(host.kitCord.id) ?? model.hitches.map((_, i) => hitchOffers(ask, i, host));
    memo.set(host.kitCord.id, known0);
    return known0;
  };
  const ridges = hosts
    .map((host) => ({ host, ridge: onTrees ? [ridgeOffers(ask, host)] : [] }))
    .sort((p, q) => cheapest(p.ridge) - cheapest(q.ridge));
  const least = (within: ReadonlyMap<string, number>): { lines: LineOffer[][]; found: Assignment } | null => {
    let best: { lines: LineOffer[][]; found: Assignment } | null = null;
    const hopeless = (atLeast: number): boolean => best !== null && atLeast >= best.found.cost;
    for (const { host, ridge } of ridges) {
      if (hopeless(cheapest(ridge) + cheapest(guys))) continue;
      const all = [...ridge, ...hitchesOn(host), ...guys];
      for (const among of subsets(ask, host)) {
        const lines = among === null ? all : all.map((l) => l.filter((o) => isAmong(o, among)));
        // the sets come in the order of their size: a smaller one that would do has been tried
        if (lines.some((l) => l.length === 0) || hopeless(cheapest(lines) + (among?.size ?? 0))) continue;
        const found = assign(lines, within);
        if (found === null) continue;
        const cost = found.cost + (aim === 'items' ? kindsOf(lines, found) : 0);
        if (best === null || cost < best.found.cost) best = { lines, found: { ...found, cost } };
      }
    }
    return best;
  };
  // where the stocks do not suffice for anything, it may take as much as the rig does now
  const best = least(stocks) ?? least(asMuchAs(known, stocks)) ?? least(new Map());
  if (best === null) return { rig, shortfall: Number.POSITIVE_INFINITY, proven: true };
  let sized = rig;
  let shortfall = 0;
  const { lines, found } = best;
  lines.forEach((offers, i) => {
    const offer = offers[found.taken[i]!]!;
    sized = offer.set(sized);
    shortfall += offer.shortfall;
  });
  return { rig: sized, shortfall, proven: found.proven };
}

/** What lines cost if each could have its cheapest offer. */
const cheapest = (lines: readonly (readonly LineOffer[])[]): number =>
  lines.reduce((sum, l) => sum + l.reduce((least, o) => Math.min(least, o.cost), Number.POSITIVE_INFINITY), 0);

/** How many kinds of cord a choice needs. */
const kindsOf = (lines: readonly LineOffer[][], found: Assignment): number =>
  new Set(lines.flatMap((offers, i) => [...offers[found.taken[i]!]!.uses.keys()].filter(isCord))).size;

/** Stocks, and where the rig takes more than there is, that. */
function asMuchAs({ result }: Evaluated, stocks: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  const out = new Map(stocks);
  const taken = (stock: string, wanted: number): unknown => out.set(stock, Math.max(wanted, out.get(stock) ?? 0));
  for (const c of result.cords) taken(cordStock(c.id), c.wanted);
  for (const p of result.pegs) taken(pegStock(p.id), p.wanted);
  return out;
}

/** Sets of cords to make do with: for fewest items the host with none, one or two others, and whatever there is. */
function subsets({ cords, aim }: Ask, host: Pick<Cordage, 'kitCord'>): (ReadonlySet<string> | null)[] {
  if (aim !== 'items') return [null];
  const others = cords.map((c) => c.kitCord.id).filter((id) => id !== host.kitCord.id);
  const pairs = others.flatMap((a, i) => others.slice(i + 1).map((b) => [a, b]));
  return [[], ...others.map((a) => [a]), ...pairs]
    .map((more): ReadonlySet<string> | null => new Set([host.kitCord.id, ...more]))
    .concat(null);
}
const isCord = (stock: string): boolean => stock.startsWith('cord ');
function isAmong(o: LineOffer, among: ReadonlySet<string>): boolean {
  return [...o.uses.keys()].every((k) => !isCord(k) || among.has(k.slice(5)));
}

function offer(
  aim: SizeAim,
  bill: Omit<Bill, 'kinds'>,
  changes: number,
  shortfall: number,
  uses: readonly (readonly [string, number])[],
  set: LineOffer['set'],
): LineOffer {
  return { bill, shortfall, cost: costOf(aim, bill, changes, shortfall), uses: new Map(uses), set };
}

/** Links at either end of a line: its knot, the stick or the fitting there. */
const AT_END = /:(?:end|toggle|fitting)([01])$/;

/** The ridgeline, or both ties of a roof without one, of this cord: every pair of ends that hauls as now. */
function ridgeOffers(ask: Ask, { kitCord, cord }: Cordage): LineOffer[] {
  const { model, rig, known, aim } = ask;
  // an end that is hauled by passes or a pulley stays one
  const { how } = rig.tensioning;
  const of = (i: 0 | 1): Termination[] => {
    const now = model.ridge.terminations[i];
    return TERMINATIONS.filter((t) =>
      now.hauls && (how === 'pulley' || how === 'passes')
        ? t.id === now.id
        : // a fitting is taken only where there is one
          t.hauls === now.hauls && (t.fitting === undefined || t.id === now.id),
    );
  };
  const lines = model.members
    .filter((m) => m.role === 'ridge' || m.role === 'tie')
    .map((m) => ({ ...m, kitCord, cord }));
  const hitches = model.hitches.map((h) => ({ ...h, host: cord }));
  const endsOf = (i: 0 | 1) =>
    of(i).map((t) => {
      const terminations =
        i === 0 ? ([t, model.ridge.terminations[1]] as const) : ([model.ridge.terminations[0], t] as const);
      const changed = { ...model, hitches, ridge: { ...model.ridge, kitCord, cord, terminations } };
      const links = lines.flatMap((m) =>
        ratiosOf(changed, m, known.readings, (p) => AT_END.exec(p.id)?.[1] === String(i)),
      );
      return { t, shortfall: shortOf(links) };
    });
  const rest = shortOf(
    lines.flatMap((m) => ratiosOf({ ...model, hitches }, m, known.readings, (p) => !AT_END.test(p.id))),
  );
  const out: LineOffer[] = [];
  for (const a of endsOf(0))
    for (const b of endsOf(1)) {
      const changed = { ...model, ridge: { ...model.ridge, terminations: [a.t, b.t] as const } };
      const cut = lines.reduce((sum, m) => sum + cutLength(cutOf(changed, m, lengthOf(ask, m))), 0);
      const changes =
        Number(kitCord.id !== rig.cord) +
        Number(a.t.id !== rig.ends[0].termination) +
        Number(b.t.id !== rig.ends[1].termination);
      out.push(
        offer(
          aim,
          { cut, mass: massOf(cord, cut), pegs: 0 },
          changes,
          rest + a.shortfall + b.shortfall,
          [[cordStock(kitCord.id), cut]],
          (r) => ({
            ...r,
            cord: kitCord.id,
            ends: [
              { ...r.ends[0], termination: a.t.id },
              { ...r.ends[1], termination: b.t.id },
            ],
          }),
        ),
      );
    }
  return undominated(out).map((i) => out[i]!);
}

/**
 * A hitch on this host: every cord with the wraps it needs, dressed side by side; another type only where its own cannot hold.
 * More wraps than hold only cost more.
 */
function hitchOffers(ask: Ask, k: number, host: Cordage): LineOffer[] {
  const { model, known, aim, cords } = ask;
  const now = model.hitches[k]!;
  const own = model.members.find((m) => m.role === 'loop' && m.end === now.end)!;
  const { max } = PITCH_LIMITS.hitchWraps;
  const readings = hardestOn(known.readings, now.end, own);
  const out: LineOffer[] = [];
  const offerOf = (type: HitchType, { kitCord, cord }: Cordage, wraps: number): number => {
    const set: RoofHitch = { ...now.set, type: type.id, cord: kitCord.id, wraps, crossed: false };
    const hitches = model.hitches.map((h, i) =>
      i === k ? { ...h, type, cord, kitCord, host: host.cord, wraps, crossed: false, set } : { ...h, host: host.cord },
    );
    const changed = { ...model, hitches };
    const m = { ...own, kitCord, cord, legs: type.legs };
    const shortfall = shortOf(ratiosOf(changed, m, readings));
    const cut = cutLength(cutOf(changed, m, 0));
    const changes =
      Number(type.id !== now.set.type) +
      Number(kitCord.id !== now.set.cord) +
      Number(wraps !== now.set.wraps) +
      Number(now.set.crossed);
    const bill = { cut, mass: massOf(cord, cut), pegs: 0 };
    out.push(offer(aim, bill, changes, shortfall, [[cordStock(kitCord.id), cut]], (r) => withHitch(r, now.end, set)));
    return shortfall;
  };
  const typed = (type: HitchType): number => {
    let least = HOPELESS;
    for (const cordage of cords) {
      let before = Number.POSITIVE_INFINITY;
      for (let wraps = 1; wraps <= max; wraps++) {
        const short = offerOf(type, cordage, wraps);
        least = Math.min(least, short);
        // it holds, or what is missing is not grip
        const done = short === 0 || short > before - 1e-9;
        before = short;
        if (done && wraps >= now.set.wraps) break;
      }
    }
    return least;
  };
  if (typed(now.type) > 0) HITCHES.filter((t) => t.id !== now.type.id).forEach(typed);
  return undominated(out).map((i) => out[i]!);
}

/** A guy or a pegged tie-out: cord and hitch on one side, what holds its foot and how far out on the other. */
function guyOffers(ask: Ask, m: Member): LineOffer[] {
  const { model, known, aim, cords } = ask;
  const { guy, key } = m.reach!;
  const { worstDry, worstWet } = worstReadings(known.readings, m);
  const few = worstWet === null ? [worstDry] : [worstDry, worstWet];
  const atAnchor = (p: { readonly id: string }): boolean => p.id === `${m.id}:anchor`;
  const cordPart = cords.flatMap(({ kitCord, cord }) =>
    hitchesFor(m, guy).map((made) => {
      const own: Guy = { ...guy, ...made, cord: kitCord.id };
      const member: Member = { ...m, kitCord, cord, reach: { ...m.reach!, guy: own } };
      return {
        kitCord,
        cord,
        made,
        member,
        shortfall: shortOf(ratiosOf(model, member, few, (p) => !atAnchor(p))),
        changes: Number(kitCord.id !== guy.cord) + Number(made.hitch !== guy.hitch || made.wraps !== guy.wraps),
      };
    }),
  );
  // of each cord and of each kind of peg only what is worth while: the rest never is, whatever else is chosen
  const cordsWorth = worthOfEach(
    cordPart,
    (c) => c.kitCord.id,
    (c) => {
      const cut = cutLength(cutOf(model, c.member, lengthOf(ask, m)));
      return { cost: costOf(aim, { cut, mass: massOf(c.cord, cut), pegs: 0 }, c.changes, c.shortfall), amount: cut };
    },
  );
  const out: LineOffer[] = [];
  for (const times of farther(m, guy)) {
    const { length, foot } = placed(m, times, lengthOf(ask, m));
    const hardest = hardestFor(known.readings, m);
    const readings = times === 1 ? hardest : hardest.map((r) => fartherOut(r, m, times));
    const anchorPart = anchorsFor(ask, guy, known.readings[0]!, m).map((anchor) => ({
      anchor,
      pegs: supportOf(anchor).takes(anchor)?.count ?? 0,
      shortfall: shortOf(
        ratiosOf(model, { ...m, reach: { ...m.reach!, guy: { ...guy, anchor } } }, readings, atAnchor),
      ),
      changes: Number(!sameAnchor(anchor, guy.anchor)),
    }));
    const anchorsWorth = worthOfEach(
      anchorPart,
      (a) => pegsOf(a.anchor) ?? '',
      ({ anchor, pegs, changes, shortfall }) => ({
        cost: costOf(aim, { cut: 0, mass: pegs * pegMass(ask, anchor), pegs }, changes, shortfall),
        amount: pegs,
      }),
    );
    for (const c of cordsWorth)
      for (const a of anchorsWorth) {
        const made = { ...c.member.reach!.guy, anchor: a.anchor };
        const cut = cutLength(cutOf(model, { ...c.member, reach: { ...m.reach!, guy: made } }, length));
        const bill = { cut, mass: massOf(c.cord, cut) + a.pegs * pegMass(ask, a.anchor), pegs: a.pegs };
        const uses: [string, number][] = [[cordStock(c.kitCord.id), cut]];
        const stock = pegsOf(a.anchor);
        if (stock !== undefined) uses.push([pegStock(stock), a.pegs]);
        out.push(
          offer(aim, bill, c.changes + a.changes + Number(times !== 1), c.shortfall + a.shortfall, uses, (r) =>
            withGuy(r, key.id, {
              ...c.made,
              cord: c.kitCord.id,
              anchor: a.anchor,
              ...(times === 1 ? {} : { foot }),
            }),
          ),
        );
      }
    // farther out only costs cord where one peg holds already
    if (anchorPart.some((a) => a.shortfall === 0 && a.pegs <= 1)) break;
  }
  return undominated(out).map((i) => out[i]!);
}

/** Of every kind those that none of the same kind beats in cost and in amount. */
function worthOfEach<T>(
  all: readonly T[],
  kind: (t: T) => string,
  of: (t: T) => { readonly cost: number; readonly amount: number },
): T[] {
  const kinds = new Map<string, T[]>();
  for (const t of all) kinds.set(kind(t), [...(kinds.get(kind(t)) ?? []), t]);
  return [...kinds.values()].flatMap((same) => {
    const offers = same.map((t) => {
      const { cost, amount } = of(t);
      return { cost, uses: new Map([['', amount]]) };
    });
    return undominated(offers).map((i) => same[i]!);
  });
}

/** The cases that can be the worst for an anchor: the hardest pulls and the strongest lifts. */
function hardestFor(readings: readonly CaseReading[], m: Member): CaseReading[] {
  // wet ground holds less: the hardest of both
  const by = (of: (r: CaseReading) => number): CaseReading[] =>
    [false, true].flatMap((wet) =>
      readings
        .filter((r) => r.state.case.environment.wet === wet)
        .sort((a, b) => of(b) - of(a))
        .slice(0, 2),
    );
  return [...new Set([...by((r) => r.tension(m.id).value), ...by((r) => r.pullOn(m.foot).up)])];
}

/** The cases that can be the worst for a hitch: hardest pull and most slip, wet and dry. */
function hardestOn(readings: readonly CaseReading[], end: 0 | 1, m: Member): CaseReading[] {
  const slip = (r: CaseReading): number => {
    const h = r.state.held.find((x) => x.end === end)!;
    return h.pull > 0 ? Math.abs(h.outside - h.inside) / (h.pull * offAxis(h.angle)) : 0;
  };
  const out = new Set<CaseReading>();
  for (const wet of [false, true]) {
    const these = readings.filter((r) => r.state.case.environment.wet === wet);
    for (const how of [slip, (r: CaseReading) => r.tension(m.id).value])
      if (these.length > 0) out.add(these.reduce((a, b) => (how(b) > how(a) ? b : a)));
  }
  return [...out];
}

const pegsOf = (anchor: GuyAnchor): string | undefined => supportOf(anchor).takes(anchor)?.pegs;

function pegMass({ context }: Ask, anchor: GuyAnchor): number {
  const these = context.pegs.find((p) => p.id === pegsOf(anchor));
  return (these === undefined ? undefined : pegOf(these))?.mass ?? 0;
}

/** Pegs of the kit, one to three in line, leaning as now or square to the guy; anything else stays what it is. */
function anchorsFor({ rig, context, known }: Ask, guy: Guy, pitched: CaseReading, m: Member): GuyAnchor[] {
  const { anchor } = guy;
  // what holds other lines too is not one guy's to change
  if (anchor.kind !== 'peg' || heldWith(known.tied.model, m) !== null) return [anchor];
  const { level, up } = pitched.pullOn(m.foot);
  const square = LEAN_STEP * Math.round(Math.min(MOST_LEAN, Math.max(0, Math.atan2(up, level))) / LEAN_STEP);
  const leans = Math.abs(square - anchor.lean) < LEAN_STEP / 2 ? [anchor.lean] : [anchor.lean, square];
  const out: GuyAnchor[] = [];
  for (const p of context.pegs.filter(({ id }) => isBrought(rig, 'pegs', id)))
    for (const lean of leans)
      for (const inLine of new Set([1, 2, 3, anchor.inLine])) out.push({ kind: 'peg', pegs: p.id, inLine, lean });
  return out;
}

/** A peg's lean that a hand can set, to so much, rad: five degrees. */
const LEAN_STEP = Math.PI / 36;
/** A peg cannot well be driven leaning more than this, rad. Judgement. */
const MOST_LEAN = Math.PI / 6;
/** A foot is tried so many times as far out; none farther than this, m, nor flatter than this, rad: people fall over it. Judgement. */
const OUT = [1, 1.35, 1.8, 2.4];
const FARTHEST = 6;
const FLATTEST = 0.2;

function farther(m: Member, guy: Guy): number[] {
  if (m.role !== 'guy' || supportOf(guy.anchor).rooted) return [1];
  const { key, foot } = m.reach!;
  const run = Math.hypot(foot[0] - key.at[0], foot[1] - key.at[1]);
  const height = Math.max(0, key.at[2] - foot[2]);
  return OUT.filter((f) => f === 1 || (run * f <= FARTHEST && Math.atan2(height, run * f) >= FLATTEST));
}

/** Where a foot so many times as far out is, and how long the guy then is, m. */
function placed(
  m: Member,
  f: number,
  length: number,
): { readonly length: number; readonly foot: readonly [number, number] } {
  const { key, foot } = m.reach!;
  const [dx, dy, dz] = [foot[0] - key.at[0], foot[1] - key.at[1], foot[2] - key.at[2]];
  const was = Math.hypot(dx, dy, dz);
  const hand = (v: number): number => Math.round(v * 100) / 100;
  return {
    length: (length * Math.hypot(dx * f, dy * f, dz)) / was,
    foot: [hand(key.at[0] + dx * f), hand(key.at[1] + dy * f)],
  };
}

/** What a case would say of a guy set farther out: the cloth pulls as level as before, the guy comes down flatter. */
function fartherOut(r: CaseReading, m: Member, f: number): CaseReading {
  const { level, up, toward } = r.pullOn(m.foot);
  const less = Math.hypot(level, up / f) / Math.max(1e-9, Math.hypot(level, up));
  return {
    ...r,
    tension: (id) => {
      const t = r.tension(id);
      return id === m.id ? { ...t, value: t.value * less } : t;
    },
    pullOn: (node) => (node === m.foot ? { level, toward, up: up / f } : r.pullOn(node)),
  };
}

/** A cord's strength knows only wet and dry: the hardest pull of each will do. */
function worstReadings(
  readings: readonly CaseReading[],
  m: Member,
): { readonly worstDry: CaseReading; readonly worstWet: CaseReading | null } {
  const worst = (wet: boolean): CaseReading | null =>
    readings
      .filter((r) => r.state.case.environment.wet === wet)
      .reduce<CaseReading | null>(
        (a, b) => (a === null || b.tension(m.id).value > a.tension(m.id).value ? b : a),
        null,
      );
  return { worstDry: worst(false)!, worstWet: worst(true) };
}

/** How a guy can be made fast: in its own way with more or fewer wraps, or by a fixed knot where it need not slide. */
function hitchesFor(m: Member, guy: Guy): Pick<Guy, 'hitch' | 'wraps'>[] {
  if (m.role === 'peg' || guy.hitch === 'knot' || guy.hitch === 'wraps')
    return [{ hitch: guy.hitch, wraps: guy.wraps }];
  const out: Pick<Guy, 'hitch' | 'wraps'>[] = [];
  for (let wraps = 2; wraps <= PITCH_LIMITS.hitchWraps.max; wraps++) out.push({ hitch: guy.hitch, wraps });
  if (guy.hitch === 'adjustable') out.push({ hitch: 'wraps', wraps: guy.wraps });
  return out;
}

export function sameAnchor(a: GuyAnchor, b: GuyAnchor): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

export function withHitch(rig: RidgeRig, end: 0 | 1, set: RoofHitch): RidgeRig {
  const pitch = rig.pitch!;
  return { ...rig, pitch: { ...pitch, hitches: end === 0 ? [set, pitch.hitches[1]] : [pitch.hitches[0], set] } };
}

/** One guy as it is to be; what it has in common with the rest is not said twice, but that it is there at all is. */
export function withGuy(rig: RidgeRig, key: string, set: Partial<Guy>): RidgeRig {
  const pitch = rig.pitch!;
  const all = { ...pitch.own[key], ...set };
  const different = Object.fromEntries(
    Object.entries(all).filter(
      ([k, v]) => k === 'off' || JSON.stringify(v) !== JSON.stringify(pitch.guy[k as keyof Guy]),
    ),
  ) as Partial<Guy>;
  const others = Object.fromEntries(Object.entries(pitch.own).filter(([k]) => k !== key));
  return {
    ...rig,
    pitch: { ...pitch, own: Object.keys(different).length === 0 ? others : { ...others, [key]: different } },
  };
}
