import type { TiePull } from '../anchor/index.js';
import { nameOf } from '../cases/index.js';
import {
  FEET,
  GRIPPED,
  GUY_ENDS,
  HEADS,
  HOLDS,
  JOINS,
  LOOP_JOIN,
  SUN,
  TABS,
  WEAR,
  acrossOf,
  findSoil,
  findTermination,
  looked,
} from '../catalogue/index.js';
import type { Foot, Tab } from '../catalogue/index.js';
import { cordOf } from '../cordage/index.js';
import { gripFigure, isLoop, offAxis, ownGripFigure } from '../hitch/index.js';
import type { Guy } from '../rig/index.js';
import type { BearerId } from '../rig/index.js';
import {
  EXTENSION,
  USUAL_PROPS,
  branchCheck,
  cordAlong,
  cordAtEnd,
  polePush,
  tiedTo,
  tipsFigure,
  treeOf,
} from '../rig/index.js';
import type { Check, Link } from '../strength/index.js';
import {
  bendKept,
  cordStrength,
  fittingOf,
  knotKept,
  link,
  ratioFor,
  tieOutWide,
  toggleHolds,
  USUAL_TOGGLE,
} from '../strength/index.js';
import { holdOf } from '../support/index.js';
import { tieOutAt } from '../roof/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { Stick } from './layout.js';
import { isStay } from './layout.js';
import { THROUGH } from './model.js';
import type { Member, PitchModel } from './model.js';
import type { CaseReading } from './reading.js';
import { SOLVED, solved } from './reading.js';
import type { HitchState } from './solve.js';
import { bearerIn, heldWith, pullsOn, shared } from './pulls-on.js';

/** The links of one line, stick or anchor: each under the case that leaves it least. */
export interface Chain {
  readonly id: string;
  readonly name: string;
  /** What it is made of: the cord, the roof, the trunk. */
  readonly what: string;
  readonly role: Member['role'] | 'extension' | 'trunk' | 'hold' | 'cloth' | 'stick';
  /** Largest pull in any case. */
  readonly demand: Figure;
  readonly links: readonly Link[];
}

/** A check that can let go: what a case asks of it and what it holds. */
export interface RoofCheck extends Check<CaseReading> {
  /** Its two figures as no more than numbers, for looking through hundreds of cases. */
  readonly asks: (r: CaseReading) => number;
  /** Whether they are shares of a pull rather than pulls. */
  readonly ratio?: true;
  /** Of the cord that the ridgeline goes on in. */
  readonly on?: true;
  readonly holds: (r: CaseReading) => number | null;
}

/** Pulls under this are the solve's own rounding of a slack line, N. */
const IDLE = 0.2;

/** How many times over a check holds what a case asks; infinite where nothing pulls, null where nothing is known against it. */
export function leftIn(check: RoofCheck, r: CaseReading): number | null {
  const holds = check.holds(r);
  if (holds === null) return null;
  const asks = check.asks(r);
  return asks > (check.ratio ? 0 : IDLE) ? holds / asks : Number.POSITIVE_INFINITY;
}

/** The case that leaves a check least; null where nothing is known against it. */
function worstReading(check: RoofCheck, readings: readonly CaseReading[]): CaseReading | null {
  let found: CaseReading | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const r of readings) {
    const left = leftIn(check, r);
    if (left === null || (found !== null && !(left < least))) continue;
    found = r;
    least = left;
  }
  return found;
}

/** A check under the case that leaves it least; null where nothing is known against it. */
function worst(
  check: RoofCheck,
  readings: readonly CaseReading[],
): { readonly r: CaseReading; readonly demand: Figure; readonly available: Figure } | null {
  const r = worstReading(check, readings);
  const available = r === null ? null : check.available(r);
  return r === null || available === null ? null : { r, demand: check.demand(r), available };
}

/** The worst case of a check, as a link. */
function worstLink(check: RoofCheck, readings: readonly CaseReading[]): Link | null {
  const found = worst(check, readings);
  return found === null
    ? null
    : link(check.id, check.kind, check.name, found.r.state.case.id, found.demand, found.available);
}

const idle = (pull: number): number => (pull > IDLE ? pull : 0);

/** Keeps the figure of a strength that depends on nothing but wet or dry. */
function byWet(make: (wet: boolean) => Figure): (r: CaseReading) => Figure {
  const known = new Map<boolean, Figure>();
  return (r) => {
    const { wet } = r.state.case.environment;
    let f = known.get(wet);
    if (f === undefined) known.set(wet, (f = make(wet)));
    return f;
  };
}

function tieOutCheck(
  model: PitchModel,
  id: string,
  name: string,
  hold: keyof typeof HOLDS,
  pull: (r: CaseReading) => Figure,
  asks: (r: CaseReading) => number,
  tab: Tab = 'tied',
): RoofCheck {
  const { roof } = model.layout;
  const sawn = TABS[tab].kept;
  const figure = derive(
    {
      symbol: 'R',
      title: `what the ${HOLDS[hold].name} holds`,
      quantity: 'force',
      formula: `R = R_t · c · f_sun · f_wear${sawn === null ? '' : ' · f_saw'}`,
    },
    [
      looked(HOLDS[hold].strength),
      given(
        { symbol: 'c', title: `tie-outs of ${model.cloth.name} over thin nylon’s`, quantity: 'ratio' },
        model.cloth.tieOuts,
        {
          kind: 'judgement',
          text: 'catalogue, judgement',
        },
      ),
      looked(SUN[roof.sun]),
      looked(WEAR[roof.wear]),
      ...(sawn === null ? [] : [looked(sawn)]),
    ],
    (R, c, sun, wear, saw = 1) => R! * c! * sun! * wear! * saw,
  );
  return {
    id,
    kind: 'tie-out',
    name: `${HOLDS[hold].name} at the ${name}`,
    demand: pull,
    available: () => figure,
    asks,
    holds: () => figure.value,
  };
}

/** What holds the far end of a guy; null where nothing is known against it. */
function anchorCheck(model: PitchModel, m: Member): RoofCheck | null {
  const guy: Guy = m.reach!.guy;
  const { anchor } = guy;
  const where = m.reach!.key.name;
  const rise = (r: CaseReading): number => {
    const { level, up } = r.pullOn(m.foot);
    return Math.max(0, Math.atan2(up, level));
  };
  const pull = (r: CaseReading): Figure =>
    solved('T', `pull on the anchor of the ${m.name}`, 'force', r.tension(m.id), r.state);
  const { soil, pulls = [] } = model.rig.pitch!;
  const held = holdOf(anchor, { soil: findSoil(soil)!, pulls }, model.context.pegs, where);
  if (held === null) {
    const check = bearerCheck(model, tiedTo(anchor, m.reach!.key.id)!.tree);
    return check === null ? null : { ...check, id: `${m.id}:anchor` };
  }
  return {
    id: `${m.id}:anchor`,
    kind: 'anchor',
    name: held.name,
    demand: pull,
    available: (r) => held.holds(rise(r), r.state.case.environment.wet),
    asks: (r) => r.tension(m.id).value,
    holds: (r) => held.held(rise(r), r.state.case.environment.wet),
  };
}

/** Tension of the ridgeline at a trunk, with what flutter adds, N. */
const atEnd = (r: CaseReading, i: 0 | 1): number => r.state.ridgeEnds[i] * r.state.flutter;

/** A cord at one place of a line, and whether the line begins in it or goes on in it. */
type CordHere = ReturnType<typeof cordAlong>;
const onOf = ({ half }: CordHere): Pick<RoofCheck, 'on'> => (half === 1 ? { on: true } : {});

/** Where a hitch is tied on the line, m from the first tie. */
function hitchAt({ layout, rig }: PitchModel, end: 0 | 1): number {
  const key = layout.plan.keys.find((k) => k.role.to === 'hitch' && k.role.end === end)!;
  const { loop } = rig.pitch!.hitches[end];
  return key.at[0] + (end === 0 ? -loop : loop);
}

/** What lies there and holds an end of the ridge: it slides, or it tips. */
function lumpChecks(model: PitchModel, m: Member, i: 0 | 1): RoofCheck[] {
  const { stand, name, tieHeight } = model.rig.trunks[i];
  if (stand?.kind !== 'lump') return [];
  const { soil, pulls = [] } = model.rig.pitch!;
  const held = holdOf({ kind: 'weight', name, mass: stand.mass }, { soil: findSoil(soil)!, pulls }, [], name)!;
  const on = (r: CaseReading): { readonly level: number; readonly up: number } => r.pullOn(`trunk${i}`);
  const level = (r: CaseReading): Figure =>
    solved('H', `level pull on ${name}`, 'force', { value: on(r).level, spread: r.tension(m.id).spread }, r.state);
  const rise = (r: CaseReading): number => Math.max(0, Math.atan2(on(r).up, on(r).level));
  const tips = tipsFigure(name, stand.mass, tieHeight);
  return [
    {
      id: `${m.id}:slides${i}`,
      kind: 'anchor',
      name: held.name,
      demand: level,
      asks: (r) => on(r).level,
      available: (r) => held.holds(rise(r), r.state.case.environment.wet),
      holds: (r) => held.held(rise(r), r.state.case.environment.wet),
    },
    {
      id: `${m.id}:tips${i}`,
      kind: 'anchor',
      name: `${name} that tips`,
      demand: level,
      asks: (r) => on(r).level,
      available: () => tips,
      holds: () => tips.value,
    },
  ];
}

/** A stay is tied to its pole's head as a line to a trunk. */
const STAY_HEAD = findTermination('clove')!;

/** Every check of a line at which it can let go. */
function checksOf(model: PitchModel, m: Member): RoofCheck[] {
  const { ridge, rig } = model;
  const pull = (r: CaseReading): Figure => solved('T', `tension of the ${m.name}`, 'force', r.tension(m.id), r.state);
  const first: CordHere = { cord: m.cord, kitCord: m.kitCord, half: 0 };
  const strength = (name: string, here: readonly Figure[], of: CordHere): ((r: CaseReading) => Figure) =>
    byWet((wet) => cordStrength(of.cord, of.kitCord, name, wet, here, m.legs));
  const out: RoofCheck[] = [];
  const asks = (r: CaseReading): number => r.tension(m.id).value;
  const cordAt = (
    id: string,
    kind: Link['kind'],
    name: string,
    here: readonly Figure[],
    demand = pull,
    size = asks,
    of = first,
  ): void => {
    const available = strength(name, here, of);
    out.push({
      id: `${m.id}:${id}`,
      kind,
      name,
      demand,
      available,
      asks: size,
      holds: (r) => available(r).value,
      ...onOf(of),
    });
  };
  const fitted = (id: string, name: string, holds: Figure, demand = pull, size = asks, of = first): void => {
    out.push({
      id: `${m.id}:${id}`,
      kind: 'end',
      name,
      demand,
      available: () => holds,
      asks: size,
      holds: () => holds.value,
      ...onOf(of),
    });
  };
  /** What stands between cord and cloth besides the tie-out. */
  const connected = (tab: Tab | undefined, name: string): void => {
    const { strength: holds } = TABS[tab ?? 'tied'];
    if (holds !== null) fitted('connector', `connector at the ${name}`, looked(holds));
  };
  if (m.role === 'ridge' || m.role === 'tie') {
    for (const i of m.role === 'ridge' ? ([0, 1] as const) : [m.end]) {
      const name = `${ridge.terminations[i].name} at ${rig.trunks[i].name}`;
      const demand = (r: CaseReading): Figure =>
        m.role === 'tie'
          ? pull(r)
          : solved(
              'T',
              `tension at ${rig.trunks[i].name}`,
              'force',
              { value: atEnd(r, i), spread: r.tension(m.id).spread },
              r.state,
            );
      const of = m.role === 'ridge' ? cordAtEnd(ridge, i) : first;
      cordAt(
        `end${i}`,
        'end',
        name,
        [knotKept(ridge.terminations[i], of.cord), bendKept(rig.trunks[i].name, ridge.diameters[i], of.cord)],
        demand,
        m.role === 'tie' ? asks : (r) => atEnd(r, i),
        of,
      );
      const size = m.role === 'tie' ? asks : (r: CaseReading): number => atEnd(r, i);
      const fitting = fittingOf(ridge.terminations[i], rig.ends[i].toggle, of.cord);
      if (fitting !== null)
        fitted(`${fitting.id}${i}`, `${fitting.name} at ${rig.trunks[i].name}`, fitting.holds, demand, size, of);
      out.push(...lumpChecks(model, m, i));
      const branch = branchCheck(rig, ridge.woods, i);
      if (branch !== null) {
        const { holds } = branch;
        out.push({
          id: `${m.id}:${branch.id}`,
          kind: branch.kind,
          name: branch.name,
          demand,
          available: () => holds,
          asks: size,
          holds: () => holds.value,
        });
      }
    }
  }
  if (m.role === 'ridge') {
    cordAt('line', 'line', 'free line', []);
    const { extension } = ridge;
    if (extension !== null) {
      const on: CordHere = { ...extension, half: 1 };
      cordAt('line-on', 'line', `free line of ${on.kitCord.name}`, [], pull, asks, on);
      // in the bend either cord may be the one that goes: the thicker is never left out
      for (const here of [first, on])
        cordAt(
          `bend${here.half}`,
          'end',
          `${extension.bend.name}, its ${here.kitCord.name}`,
          [knotKept(extension.bend, here.cord)],
          pull,
          asks,
          here,
        );
    }
    for (const h of model.hitches) {
      const side = h.end === 0 ? 'first' : 'second';
      const beside = (r: CaseReading): number => {
        const s = r.state.hitches.find((x) => x.end === h.end)!;
        return Math.max(s.outside, s.inside) * r.state.flutter;
      };
      cordAt(
        `grip${h.end}`,
        'grip',
        `ridgeline under the ${side} hitch`,
        [looked(GRIPPED)],
        (r) =>
          solved(
            'T',
            `tension beside the ${side} hitch`,
            'force',
            { value: beside(r), spread: r.tension(m.id).spread },
            r.state,
          ),
        beside,
        cordAlong(ridge, hitchAt(model, h.end)),
      );
    }
    return out;
  }
  if (m.role === 'loop') {
    const h = model.hitches.find((x) => x.end === m.end)!;
    const grip = byWet((wet) => gripFigure(h, wet));
    const at = (r: CaseReading): HitchState => r.state.held.find((x) => x.end === m.end)!;
    const share = (r: CaseReading): number => {
      const s = at(r);
      return s.pull > IDLE ? idle(Math.abs(s.outside - s.inside)) / s.pull : 0;
    };
    out.push({
      id: `${m.id}:slip`,
      kind: 'hitch',
      name: `grip of the ${m.name} on the ridge`,
      // grip goes with the pull that it locks by: their ratio alone decides, whatever the pull
      demand: (r) =>
        given(
          {
            symbol: 'ρ',
            title: `pull of the ${m.name} along the ridge over its whole pull, ${nameOf(r.state.case)}`,
            quantity: 'ratio',
          },
          share(r),
          { kind: 'derived', text: `${SOLVED}; grip locks by the pull itself, so that its size does not count` },
        ),
      available: (r) =>
        derive(
          {
            symbol: 'R',
            title: `share of its pull that the ${m.name} holds along the ridge`,
            quantity: 'ratio',
            formula: 'R = G κ, κ = 1 − 0.4 sin φ',
          },
          [
            grip(r),
            given({ symbol: 'φ', title: 'angle between its pull and the ridge', quantity: 'angle' }, at(r).angle, {
              kind: 'derived',
              text: SOLVED,
            }),
          ],
          (G, angle) => G! * offAxis(angle!),
        ),
      asks: (r) => (share(r) > 0 ? share(r) : 0),
      holds: (r) => grip(r).value * offAxis(at(r).angle),
      ratio: true,
    });
    const bent = isLoop(h.type) ? JOINS[h.set.join ?? 'clear'].kept : null;
    cordAt('join', 'end', `join of the ${m.name}’s loop`, [
      knotKept(LOOP_JOIN, m.cord),
      ...(bent === null ? [] : [looked(bent)]),
    ]);
    const key = model.layout.plan.keys.find((k) => k.role.to === 'hitch' && k.role.end === m.end)!;
    const { toggle, tab } = h.set;
    // a stick through the tie-out bears on it; nothing is drawn through
    const through = toggle === undefined ? tab : 'tied';
    if (toggle !== undefined) fitted('toggle', `toggle at the ${key.name}`, toggleHolds(toggle, tieOutWide()));
    connected(through, key.name);
    out.push(tieOutCheck(model, `${m.id}:tie-out`, key.name, model.layout.hitchHolds[m.end], pull, asks, through));
    return out;
  }
  const { guy, hold, key } = m.reach!;
  const stay = isStay(m.reach!);
  if (m.role === 'guy' || m.role === 'peg') {
    const knot = stay ? STAY_HEAD : GUY_ENDS.cloth;
    cordAt('cloth', 'end', `${knot.name}, ${key.name}`, [knotKept(knot, m.cord)]);
    const made = guy.hitch === 'elastic' ? 'adjustable' : guy.hitch;
    if (m.role === 'guy') {
      cordAt('fast', 'end', `${GUY_ENDS[made].name} of the ${m.name}`, [knotKept(GUY_ENDS[made], m.cord)]);
      const fitting = fittingOf(GUY_ENDS[made], undefined, m.cord);
      if (fitting !== null) fitted(fitting.id, `grip of the ${fitting.name}, ${key.name}`, fitting.holds);
      if (made === 'adjustable') {
        const own = byWet((wet) => ownGripFigure(m.cord, guy.wraps, wet));
        out.push({
          id: `${m.id}:slip`,
          kind: 'hitch',
          name: `grip of the adjustable hitch, ${key.name}`,
          demand: (r) =>
            given(
              { symbol: 'ρ', title: `pull of the ${m.name} over what locks its hitch`, quantity: 'ratio' },
              r.tension(m.id).value > IDLE ? 1 : 0,
              { kind: 'derived', text: 'the hitch locks by the guy’s own pull, so that its size does not count' },
            ),
          available: own,
          asks: (r) => (r.tension(m.id).value > IDLE ? 1 : 0),
          holds: (r) => own(r).value,
          ratio: true,
        });
      }
    }
    // a tree of the rig, and what holds other lines too, has a row of its own with all that comes to it
    const anchor = guy.anchor.kind === 'tree' || heldWith(model, m) !== null ? null : anchorCheck(model, m);
    if (anchor !== null) out.push(anchor);
  }
  if (m.role === 'tie')
    cordAt('cloth', 'end', `${GUY_ENDS.cloth.name}, ${key.name}`, [knotKept(GUY_ENDS.cloth, m.cord)]);
  if (stay) return out;
  const through = m.role === 'tie' ? 'tied' : guy.tab;
  connected(through, key.name);
  out.push(tieOutCheck(model, `${m.id}:tie-out`, key.name, hold, pull, asks, through));
  return out;
}

/** A tree, or what else holds more than one line, as a check that can give under all of the roof that comes to it; null on somebody's word. */
function bearerCheck(model: PitchModel, id: BearerId): RoofCheck | null {
  const bearer = bearerIn(model, id);
  if (bearer === null) return null;
  const on = (r: CaseReading): TiePull[] => pullsOn(model, id, r);
  return {
    id,
    ...bearer.link,
    demand: (r) => bearer.demand(on(r)),
    available: (r) => bearer.available(on(r), r.state.case.environment.wet),
    asks: (r) => bearer.asks(on(r)),
    holds: (r) => bearer.holds(on(r), r.state.case.environment.wet),
  };
}

/** What an anchor holds in one case: the pull along the guy, or for a stem the level pull that would bend it at its strength. */
export function anchorHolds(
  model: PitchModel,
  m: Member,
  node: string,
  r: CaseReading,
): { readonly name: string; readonly capacity: number | null; readonly margin: number | null } {
  const trunk = node === 'trunk0' || node === 'trunk1' ? node : null;
  const { rig } = model;
  const bearer = trunk ?? heldWith(model, m);
  const check = bearer === null ? anchorCheck(model, m) : bearerCheck(model, bearer);
  if (check === null) {
    const tree = trunk ?? tiedTo(m.reach!.guy.anchor, m.reach!.key.id)!.tree;
    return { name: treeOf(rig, tree)!.name, capacity: null, margin: null };
  }
  const available = check.holds(r);
  if (available === null) return { name: check.name, capacity: null, margin: null };
  const demand = check.asks(r);
  const margin = demand > 0 ? available / demand : null;
  const pull = check.kind === 'trunk' ? r.pullOn(node).level : demand;
  return { name: check.name, capacity: margin === null ? null : margin * pull, margin };
}

type Only = (check: Pick<Link, 'id' | 'kind'>) => boolean;
const ALL: Only = () => true;

/**
 * Every check of one line that can let go, each under the case that leaves it least.
 * @param only which of them, by id and kind; all when left out
 */
export function linksOf(model: PitchModel, m: Member, readings: readonly CaseReading[], only: Only = ALL): Link[] {
  return checksOf(model, m).flatMap((p) => (only(p) ? (worstLink(p, readings) ?? []) : []));
}

/** The same as no more than how near each check is to what the rig's rule asks: over 1 holds. */
export function ratiosOf(model: PitchModel, m: Member, readings: readonly CaseReading[], only: Only = ALL): number[] {
  const { rig, context } = model;
  return checksOf(model, m).flatMap((check) => {
    if (!only(check)) return [];
    const found = worst(check, readings);
    return found === null
      ? []
      : [ratioFor(rig.designRule, { ...found, kind: check.kind }, context.required, rig.use).ratio];
  });
}

/** Every check of a rig that can let go. */
export function allChecks(model: PitchModel): RoofCheck[] {
  return [
    ...model.members.flatMap((m) => checksOf(model, m)),
    ...shared(model).flatMap((id) => bearerCheck(model, id) ?? []),
    clothCheck(model),
    ...throughChecks(model),
    ...model.layout.sticks.flatMap((s) => stickChecks(model, s)),
  ];
}

/** Every line, the stems, the cloth and the sticks, each with all the checks at which it can let go. */
export function chainsOf(model: PitchModel, readings: readonly CaseReading[]): Chain[] {
  const { layout } = model;
  const out: Chain[] = [];
  const largest = (of: (r: CaseReading) => number, make: (r: CaseReading) => Figure): Figure =>
    make(readings.reduce((a, b) => (of(b) > of(a) ? b : a)));
  for (const m of model.members) {
    const checks = checksOf(model, m);
    const links = (on: boolean): Link[] =>
      checks.flatMap((p) => ((p.on === true) === on ? (worstLink(p, readings) ?? []) : []));
    const demand = largest(
      (r) => r.tension(m.id).value,
      (r) => solved('T', `tension of the ${m.name}`, 'force', r.tension(m.id), r.state),
    );
    out.push({ id: m.id, name: m.name, what: m.kitCord.name, role: m.role, demand, links: links(false) });
    const { extension } = model.ridge;
    if (m.role === 'ridge' && extension !== null)
      out.push({
        id: EXTENSION,
        name: `extension of the ${m.name}`,
        what: extension.kitCord.name,
        role: 'extension',
        demand,
        links: links(true),
      });
  }
  for (const id of shared(model)) {
    const bearer = bearerIn(model, id);
    if (bearer === null) continue;
    const found = worstLink(bearerCheck(model, id)!, readings);
    out.push({
      id,
      name: bearer.name,
      what: bearer.what,
      role: bearer.role,
      demand: largest(
        (r) => bearer.size(pullsOn(model, id, r)),
        (r) => bearer.pull(pullsOn(model, id, r)),
      ),
      links: found === null ? [] : [found],
    });
  }
  const cloth = clothCheck(model);
  const tears = worstLink(cloth, readings);
  const hung = throughChecks(model).flatMap((check) => worstLink(check, readings) ?? []);
  if (tears !== null)
    out.push({
      id: 'cloth',
      name: 'cloth',
      what: layout.roof.name,
      role: 'cloth',
      demand: largest(cloth.asks, cloth.demand),
      links: [tears, ...hung],
    });
  for (const s of layout.sticks) {
    const checks = stickChecks(model, s);
    const links = checks.flatMap((check) => worstLink(check, readings) ?? []);
    const [buckles] = checks;
    if (links.length > 0)
      out.push({
        id: s.id,
        name: s.name,
        what: s.key.role.to === 'stay' ? model.ridge.woods[s.key.role.end].name : 'green stick',
        role: 'stick',
        demand: largest(buckles!.asks, buckles!.demand),
        links,
      });
  }
  return out;
}

/** Loops of the cloth that a line runs through, each by the pull of its strap. */
function throughChecks(model: PitchModel): RoofCheck[] {
  const { layout, mesh, net } = model;
  return (net.lines ?? []).flatMap((l): RoofCheck[] => {
    if (!l.id.startsWith(THROUGH)) return [];
    const n = mesh.flat.length / 2;
    let at = 0;
    while (at < n && `c${at}` !== l.to) at++;
    const [s, t] = [mesh.flat[2 * at]!, mesh.flat[2 * at + 1]!];
    const hold = tieOutAt(layout.roof, s, t)?.hold ?? 'gathered';
    const name = `${s === 0 && t === 0 ? 'middle' : 'ridge'} of the cloth`;
    return [
      tieOutCheck(
        model,
        `cloth:${l.id}`,
        name,
        hold,
        (r) => solved('T', `pull of the line on the loop at the ${name}`, 'force', r.tension(l.id), r.state),
        (r) => r.tension(l.id).value,
      ),
    ];
  });
}

function clothCheck(model: PitchModel): RoofCheck {
  const torn = derive(
    {
      symbol: 'R',
      title: 'what a strip of the cloth holds',
      quantity: 'lineWeight',
      formula: 'R = f_c · f_sun · f_wear',
      notes: [
        'Second Piola-Kirchhoff stress over panels a third of a metre wide: close to a tie-out it is more, and there the tie-out’s own link counts.',
      ],
    },
    [looked(model.cloth.strength), looked(SUN[model.layout.roof.sun]), looked(WEAR[model.layout.roof.wear])],
    (f, sun, wear) => f! * sun! * wear!,
  );
  return {
    id: 'cloth',
    kind: 'cloth',
    name: `cloth of the ${model.layout.roof.name}`,
    demand: (r) =>
      solved(
        'n',
        'largest stress in the cloth',
        'lineWeight',
        { value: r.clothStress, spread: r.clothSpread },
        r.state,
      ),
    asks: (r) => r.clothStress,
    holds: () => torn.value,
    available: () => torn,
  };
}

/** Every way in which a stick fails: it buckles, its foot slips, its head goes through the cloth, the loop of an A gives. */
function stickChecks(model: PitchModel, s: Stick): RoofCheck[] {
  const push = (r: CaseReading): Figure => solved('N', `push in the ${s.name}`, 'force', r.stick(s.id), r.state);
  const asks = (r: CaseReading): number => r.stick(s.id).value;
  const props = model.rig.pitch!.props ?? USUAL_PROPS;
  const buckles: RoofCheck = {
    id: s.id,
    kind: 'stick',
    name: s.name,
    demand: push,
    asks,
    holds: () => model.buckling.get(s.id)!,
    available: () =>
      poleFigure(model, s) ??
      given(
        { symbol: 'R', title: `push that buckles the ${s.name}`, quantity: 'force' },
        model.buckling.get(s.id)!,
        { kind: 'derived', text: 'Euler, π² E I / L², green wood of 8 GPa' },
        [model.buckling.get(s.id)! * 0.6, model.buckling.get(s.id)! * 1.3],
      ),
  };
  const { to } = s.key.role;
  return [
    buckles,
    footCheck(s, props.foot),
    // a tie-out on a stick's point hangs by its eyelet; under the cloth itself the head bears on it
    ...(to === 'prop' || to === 'up' ? [headCheck(model, s, props.padded, push, asks)] : []),
    ...(to === 'prop' && s.key.role.sticks === 2 ? loopChecks(model, s) : []),
  ];
}

/** Push that buckles a pole of the ridgeline; null for any other stick. */
function poleFigure({ rig, ridge }: PitchModel, { key: { role } }: Stick): Figure | null {
  if (role.to !== 'stay') return null;
  const trunk = rig.trunks[role.end];
  return polePush(trunk.name, trunk, ridge.woods[role.end]);
}

/** Whether a stick's foot stays: the level part of its push over what presses it down. */
function footCheck(s: Stick, foot: Foot): RoofCheck {
  const share = (r: CaseReading): number => {
    const { level, up } = r.pullOn(`stick ${s.id}`);
    return -up > IDLE ? level / -up : 0;
  };
  const { holds, name } = FEET[foot];
  return {
    id: `${s.id}:foot`,
    kind: 'foot',
    name: `foot of the ${s.name}, ${name}`,
    demand: (r) =>
      given(
        {
          symbol: 'ρ',
          title: `level over downward push at the foot of the ${s.name}, ${nameOf(r.state.case)}`,
          quantity: 'ratio',
        },
        share(r),
        { kind: 'derived', text: `${SOLVED}; friction goes with the push, so that its size does not count` },
      ),
    available: () => looked(holds),
    asks: share,
    holds: () => holds.typical,
    ratio: true,
  };
}

/** Cloth over a stick's head: its push spread round the ring that bears on it. */
function headCheck(
  model: PitchModel,
  s: Stick,
  padded: boolean,
  push: RoofCheck['demand'],
  asks: RoofCheck['asks'],
): RoofCheck {
  const { roof } = model.layout;
  const ring = HEADS[padded ? 'padded' : 'bare'];
  const figure = derive(
    {
      symbol: 'R',
      title: `push that the cloth bears on the ${padded ? 'padded' : 'bare'} head of the ${s.name}`,
      quantity: 'force',
      formula: 'R = 2 π r f_c f_sun f_wear',
      notes: ['As if the ring pulled evenly; a splinter or a seam beside it takes more.'],
    },
    [looked(ring), looked(model.cloth.strength), looked(SUN[roof.sun]), looked(WEAR[roof.wear])],
    (r, f, sun, wear) => 2 * Math.PI * r! * f! * sun! * wear!,
  );
  return {
    id: `${s.id}:head`,
    kind: 'cloth',
    name: `cloth over the head of the ${s.name}`,
    demand: push,
    asks,
    available: () => figure,
    holds: () => figure.value,
  };
}

/** The doubled loop that two sticks of an A are twisted tight in: its cord, and the stick that twists it. */
function loopChecks(model: PitchModel, s: Stick): RoofCheck[] {
  const { guy } = model.rig.pitch!;
  const kitCord = model.context.kit.find((k) => k.id === guy.cord);
  const cord = kitCord === undefined ? undefined : cordOf(kitCord);
  if (kitCord === undefined || cord === undefined) return [];
  const apart = Math.hypot(s.key.at[0] - s.foot[0], s.key.at[1] - s.foot[1]);
  const lean = Math.atan2(apart, s.key.at[2] - s.foot[2]);
  const spreads = (r: CaseReading): number => r.stick(s.id).value * Math.sin(lean);
  const demand = (r: CaseReading): Figure =>
    derive(
      {
        symbol: 'H',
        title: `what spreads the heads of the A, ${nameOf(r.state.case)}`,
        quantity: 'force',
        formula: 'H = N sin α',
      },
      [
        solved('N', `push in the ${s.name}`, 'force', r.stick(s.id), r.state),
        given({ symbol: 'α', title: 'lean of the stick', quantity: 'angle' }, lean, {
          kind: 'derived',
          text: 'from where its head and foot are',
        }),
      ],
      (N, a) => N! * Math.sin(a!),
    );
  const bears = byWet((wet) =>
    cordStrength(cord, kitCord, `doubled loop of the A`, wet, [knotKept(LOOP_JOIN, cord)], 2),
  );
  const across = given(
    { symbol: 'w', title: 'way between the cords that bend the stick', quantity: 'length' },
    4 * acrossOf(cord),
    { kind: 'judgement', text: 'four thicknesses of the cord' },
  );
  const twists = toggleHolds(USUAL_TOGGLE, across);
  return [
    {
      id: `${s.id}:loop`,
      kind: 'end',
      name: `doubled loop at the ${s.name}`,
      demand,
      asks: spreads,
      available: bears,
      holds: (r) => bears(r).value,
    },
    {
      id: `${s.id}:twist`,
      kind: 'end',
      name: `stick that twists the loop at the ${s.name}`,
      demand,
      asks: spreads,
      available: () => twists,
      holds: () => twists.value,
    },
  ];
}
