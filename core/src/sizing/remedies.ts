import { DOWNPOUR } from '../cases/index.js';
import { CLOTHS, CORDS, HITCHES, HOLDS, PEGS } from '../catalogue/index.js';
import type { Cord } from '../catalogue/index.js';
import { against, ofCode } from '../findings/index.js';
import type { FindingCode } from '../findings/index.js';
import { calledIn, evaluatePitch, linksOf, pitchModel, pullsOn, solveCase, tieOff } from '../pitch/index.js';
import type { Evaluated, Member } from '../pitch/index.js';
import { asSubject, capital, say, tell } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { KitCord, RigContext, RidgeRig, Row } from '../rig/index.js';
import {
  PITCH_LIMITS,
  RIDGE_LIMITS,
  RigProblem,
  USUAL_PROPS,
  bearerOf,
  guyOf,
  ratioOf,
  tiedTo,
  treeOf,
} from '../rig/index.js';
import { holds, judgeRig } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import type { Judged } from '../strength/index.js';
import { judgedBy, link } from '../strength/index.js';
import type { GuyAnchor, KitPegs, TreeId } from '../support/index.js';
import { SUPPORT_LIMITS, guyTree, isHold, keyOfLine, lineOfHold } from '../support/index.js';
import { marginWords, sentenceOf, wordsOf } from '../words/index.js';
import { withGuy } from './offers.js';

/** A requirement that nothing in the kit meets. */
export interface Unmet {
  readonly id: string;
  /** What is short and by how much. */
  readonly sentence: string;
  /** The smallest change that would meet it, from beyond the kit or in the rig; worked out by itself, the rest as it is. */
  readonly remedy: string;
  /** The rig so changed, where it is a change of the rig. */
  readonly rig: RidgeRig | null;
}

const UNKNOWN = 'Nothing that is known would; take another place or another day.';
/** A remedy is to have this much over: pulls move a little. Judgement. */
export const SPARE = 1.03;

interface Ask {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly known: Evaluated;
  readonly units: UnitChoice;
  readonly judged: ReturnType<typeof judgedBy>;
}
type Remedy = Pick<Unmet, 'remedy' | 'rig'>;

/** What a link would have to hold so that it is met, with what is kept to spare. */
export const wouldDo = ({ link, judgement }: Judged): number =>
  (link.available.value * SPARE) / Math.max(1e-9, judgement.ratio);

/**
 * What is short and by how much, in words.
 * @param said the case, as the end of a sentence
 * @param more other lines that are short as well
 */
export function shortWords(first: Judged, said: string, units: UnitChoice, more: number): string {
  const { link } = first;
  const has = say(link.available.value, link.available.quantity, units);
  const pull = say(link.demand.value, link.demand.quantity, units);
  const would = say(wouldDo(first), link.available.quantity, units);
  const others = more === 0 ? '' : ` So ${more === 1 ? 'is one other line' : `are ${more} other lines`}.`;
  return `${capital(asSubject(link.name))} is short ${said}: ${tell(marginWords(first), units)}. It holds ${has} and gets ${pull}; ${would} would do.${others}`;
}

/** What a rig still lacks, weakest first, each with the smallest change that would do. */
export function unmetOf(rig: RidgeRig, context: RigContext, known: Evaluated, units: UnitChoice): Unmet[] {
  const ask: Ask = { rig, context, known, units, judged: judgedBy(rig, context.required) };
  const { result } = known;
  const out: Unmet[] = [];
  const byWords = new Map<string, { readonly rows: Row[]; readonly remedy: Remedy; readonly first: Judged }>();
  for (const row of result.rows) {
    if (ratioOf(row) >= 1) break;
    const first = row.links[0]!;
    const remedy = remedyFor(ask, row, first);
    const same = byWords.get(`${first.link.kind}${remedy.remedy}`);
    if (same !== undefined && remedy.rig === null) same.rows.push(row);
    else
      byWords.set(`${first.link.kind}${remedy.remedy}${remedy.rig === null ? '' : row.id}`, {
        rows: [row],
        remedy,
        first,
      });
  }
  for (const { rows, remedy, first } of byWords.values()) {
    out.push({
      id: first.link.id,
      sentence: shortWords(first, result.cases.find((c) => c.id === first.link.caseId)!.said, units, rows.length - 1),
      ...remedy,
    });
  }
  for (const f of ofCode(result.findings, 'tree'))
    out.push({
      id: 'tree',
      sentence: tell(sentenceOf(f), units),
      remedy: 'Tie to another tree: no change of line mends this one.',
      rig: null,
    });
  for (const c of result.cords)
    if (c.wanted > c.have)
      out.push({
        id: `cord ${c.id}`,
        sentence: `${capital(c.name)} is ${say(c.wanted - c.have, 'length', units)} too short for its lines.`,
        remedy: `Bring ${say(c.wanted - c.have, 'length', units)} more of it.`,
        rig: null,
      });
  for (const f of ofCode(result.findings, 'guy-short')) {
    const { says, remedy } = wordsOf(f);
    const { key, nearer } = result.kept.find((k) => k.id === f.about)!;
    out.push({
      id: `kept ${f.about}`,
      sentence: tell(says, units),
      remedy: tell(remedy!, units),
      rig: nearer === null ? null : withGuy(rig, key, { foot: [...nearer] }),
    });
  }
  for (const p of result.pegs)
    if (p.wanted > p.have)
      out.push({
        id: `pegs ${p.id}`,
        sentence: `${p.wanted - p.have} of ${p.name} are missing: ${p.wanted} wanted, ${p.have} in the kit.`,
        remedy: `Bring or cut ${p.wanted - p.have} more, or give as many guys to what grows there.`,
        rig: null,
      });
  if (result.sag !== null && result.sag > result.sagLimit)
    out.push({
      id: 'sag',
      sentence: `The ridge sags ${say(result.sag, 'length', units)}; ${say(result.sagLimit, 'length', units)} is the most you asked for.`,
      remedy: `Allow a sag of ${say(result.sag, 'length', units)}, or tie the roof's weight closer to the trunks.`,
      rig: {
        ...rig,
        tightness: Math.min(
          RIDGE_LIMITS.tightness.max,
          Math.ceil((1000 * result.sag) / known.tied.model.ridge.distance) / 1000,
        ),
      },
    });
  const pool = result.cases.find((c) => c.runsAway);
  if (pool !== undefined)
    out.push({ id: 'pond', sentence: `Rain pools on it ${pool.said} and the pool grows.`, ...drained(ask) });
  for (const f of ofCode(result.findings, 'flaps')) {
    const { says, remedy } = wordsOf(f);
    out.push({ id: 'loose', sentence: tell(says, units), remedy: tell(remedy!, units), rig: null });
  }
  return out;
}

/** What no cord, peg or pull decides: told with what to do about it. */
const OTHERWISE: ReadonlySet<FindingCode> = new Set<FindingCode>([
  'pole-falls',
  'no-room',
  'comes-down',
  'touches',
  'drips-in',
  'rain-reaches',
]);

/** What else keeps a sized rig from holding. */
export const otherwise = (report: RigReport, units: UnitChoice): Unmet[] =>
  against(report.findings).flatMap((f): Unmet[] => {
    if (!OTHERWISE.has(f.code)) return [];
    const { says, remedy } = wordsOf(f);
    return [
      { id: f.code, sentence: tell(says, units), remedy: remedy === null ? UNKNOWN : tell(remedy, units), rig: null },
    ];
  });

/** Every guy on a tree tied so many times lower. */
function tiedLower({ rig, known, units }: Ask, tree: TreeId, short: number): Remedy {
  const { name } = treeOf(rig, tree)!;
  const heights: number[] = [];
  let next = rig;
  for (const { reach } of known.tied.model.members) {
    if (reach === null || reach.kind === 'tie') continue;
    const { anchor } = reach.guy;
    if ((anchor.kind !== 'stem' && anchor.kind !== 'tree') || tiedTo(anchor, reach.key.id)!.tree !== tree) continue;
    const height = Math.max(0.02, Math.floor((100 * anchor.height) / short) / 100);
    heights.push(height);
    next = withGuy(next, reach.key.id, { anchor: { ...anchor, height } });
  }
  if (heights.length === 0) return { remedy: UNKNOWN, rig: null };
  const at = [...new Set(heights)].map((h) => say(h, 'length', units)).join(' and ');
  return { remedy: `Tie ${heights.length === 1 ? 'it' : 'them'} at ${at} on ${name}.`, rig: next };
}

function remedyFor(ask: Ask, row: Row, { link, judgement }: Judged): Remedy {
  const { rig, known, units } = ask;
  const { model } = known.tied;
  const m = model.members.find((x) => x.id === row.id);
  const none: Remedy = { remedy: UNKNOWN, rig: null };
  const short = SPARE / Math.max(1e-6, judgement.ratio);
  switch (link.kind) {
    case 'anchor':
      return anchorRemedy(ask, m === undefined ? holdAsked(ask, row.id) : guyAsked(ask, m)) ?? none;
    case 'line':
    case 'end':
    case 'grip':
      return m === undefined ? none : (cordRemedy(ask, m) ?? none);
    case 'hitch':
      return m === undefined ? none : (gripRemedy(ask, m) ?? none);
    case 'tie-out': {
      const hold = m?.role === 'loop' ? model.layout.hitchHolds[m.end] : m?.reach?.hold;
      const better = Object.values(HOLDS)
        .filter((h) => hold !== undefined && h.strength.typical >= HOLDS[hold].strength.typical * short)
        .sort((a, b) => a.strength.typical - b.strength.typical)[0];
      return {
        remedy:
          better !== undefined
            ? `A ${better.name} there would hold.`
            : `No tie-out of the catalogue holds that; ${Math.ceil(short)} guys side by side on neighbouring tie-outs would share it, or a smaller roof.`,
        rig: null,
      };
    }
    case 'trunk': {
      const tree = (m === undefined ? row.id : guyTree(m.reach!.key.id)) as TreeId;
      if (tree !== 'trunk0' && tree !== 'trunk1') return tiedLower(ask, tree, short);
      const i = tree === 'trunk1' ? 1 : 0;
      const lower = Math.floor((100 * rig.trunks[i].tieHeight) / short) / 100;
      const girth = rig.trunks[i].girth * Math.cbrt(short);
      if (lower < 0.3) return { remedy: `A trunk ${say(girth, 'length', units)} round would bear it.`, rig: null };
      // lower, the line runs otherwise: it is solved again before it is said
      for (const height of [lower, Math.floor(lower * 85) / 100]) {
        const tied = { ...rig.trunks[i], tieHeight: height };
        const next: RidgeRig = { ...rig, trunks: i === 0 ? [tied, rig.trunks[1]] : [rig.trunks[0], tied] };
        if (bearsAt(ask, next, row.id))
          return {
            remedy: `Tie at ${say(height, 'length', units)} there, or to a trunk ${say(girth, 'length', units)} round.`,
            rig: next,
          };
      }
      return { remedy: `A trunk ${say(girth, 'length', units)} round would bear it.`, rig: null };
    }
    case 'stick': {
      const thick = Math.ceil(1000 * rig.pitch!.stick * short ** 0.25) / 1000;
      if (thick > PITCH_LIMITS.stick.max) return none;
      return {
        remedy: `A stick ${say(thick, 'diameter', units)} thick would bear it.`,
        rig: { ...rig, pitch: { ...rig.pitch!, stick: thick } },
      };
    }
    case 'foot': {
      const props = rig.pitch!.props ?? USUAL_PROPS;
      return props.foot === 'pushed'
        ? { remedy: 'Set its foot nearer to under its head, or against a root or a peg.', rig: null }
        : {
            remedy: 'Push its foot a hand deep into the ground.',
            rig: { ...rig, pitch: { ...rig.pitch!, props: { ...props, foot: 'pushed' } } },
          };
    }
    case 'cloth': {
      const props = rig.pitch!.props ?? USUAL_PROPS;
      if (row.role === 'stick' && !props.padded)
        return {
          remedy: 'Pad its head as large as a fist.',
          rig: { ...rig, pitch: { ...rig.pitch!, props: { ...props, padded: true } } },
        };
      const own = model.cloth.strength.typical;
      const better = CLOTHS.filter((c) => c.strength.typical >= own * short).sort(
        (a, b) => a.strength.typical - b.strength.typical,
      )[0];
      return {
        remedy:
          better === undefined
            ? 'No cloth of the catalogue bears that; a smaller roof would.'
            : `A roof of ${better.name} would bear it.`,
        rig: null,
      };
    }
  }
}

/** Whether a row holds in a rig that is solved anew. */
function bearsAt({ context, known }: Ask, rig: RidgeRig, row: string): boolean {
  try {
    const { result } = evaluatePitch(rig, context, {
      full: true,
      spreads: rig.designRule === 'chance',
      rising: false,
      slip: false,
      among: new Set(known.result.rows.flatMap((r) => r.links.map((l) => l.link.caseId))),
    });
    return result.rows.some((r) => r.id === row && ratioOf(r) >= 1);
  } catch (error) {
    if (error instanceof RigProblem) return false;
    throw error;
  }
}

/** Whether every link of a line that a change touches then holds. */
function bears(
  { judged, known }: Ask,
  changed: Parameters<typeof linksOf>[0],
  m: Member,
  kind: (k: string) => boolean,
): boolean {
  return linksOf(changed, m, known.readings, (p) => kind(p.kind)).every((l) => judged(l).judgement.ratio >= SPARE);
}

/** What holds one guy or more, and whether something else in its place would. */
interface AskedHold {
  readonly now: GuyAnchor;
  readonly held: (anchor: GuyAnchor, pegs?: readonly KitPegs[]) => boolean;
  readonly taken: (anchor: GuyAnchor) => RidgeRig;
}

function guyAsked(ask: Ask, m: Member): AskedHold {
  const { rig, context, known } = ask;
  const { guy, key } = m.reach!;
  return {
    now: guy.anchor,
    held: (anchor, pegs = context.pegs) => {
      const own: Member = { ...m, reach: { ...m.reach!, guy: { ...guy, anchor } } };
      const model = { ...known.tied.model, context: { ...context, pegs } };
      return bears(ask, model, own, (k) => k === 'anchor' || k === 'trunk');
    },
    taken: (anchor) => withGuy(rig, key.id, { anchor }),
  };
}

/** The same of what holds more than one guy; null of what is told with a back-stay. */
function holdAsked({ rig, context, known, judged }: Ask, row: string): AskedHold | null {
  const key = isHold(row) ? keyOfLine(lineOfHold(row)) : null;
  if (!isHold(row) || key === null) return null;
  const { model } = known.tied;
  const taken = (anchor: GuyAnchor): RidgeRig => withGuy(rig, key, { anchor });
  return {
    now: guyOf(rig.pitch!, key).anchor,
    held: (anchor, pegs = context.pegs) => {
      const bearer = bearerOf(taken(anchor), pegs, row, calledIn(model))!;
      return known.readings.every((r) => {
        const pulls = pullsOn(model, row, r);
        const available = bearer.available(pulls, r.state.case.environment.wet);
        if (available === null) return true;
        const { kind, name } = bearer.link;
        return judged(link(row, kind, name, r.state.case.id, bearer.demand(pulls), available)).judgement.ratio >= SPARE;
      });
    },
    taken,
  };
}

/** The least that would hold a guy's foot: more pegs in line, pegs to cut or bring, something buried, a log, a tree. */
function anchorRemedy({ units }: Ask, asked: AskedHold | null): Remedy | null {
  if (asked === null) return null;
  const { now, held, taken } = asked;
  if (now.kind === 'weight') {
    for (let mass = Math.ceil(now.mass / 10) * 10; mass <= 2000; mass += mass < 100 ? 10 : 50)
      if (held({ ...now, mass }))
        return { remedy: `${capital(now.name)} would have to weigh ${say(mass, 'mass', units)}.`, rig: null };
    return null;
  }
  const lean = now.kind === 'peg' ? now.lean : Math.PI / 9;
  if (now.kind === 'peg')
    for (let inLine = now.inLine + 1; inLine <= SUPPORT_LIMITS.inLine.max; inLine++) {
      const anchor: GuyAnchor = { ...now, inLine };
      if (held(anchor))
        return {
          remedy: `${inLine} of these pegs behind one another would hold: ${inLine - now.inLine} more.`,
          rig: taken(anchor),
        };
    }
  const shapes = [...PEGS].sort((a, b) => Number(b.cut) - Number(a.cut) || a.length - b.length);
  for (const inLine of [1, 2, 3])
    for (const shape of shapes) {
      const anchor: GuyAnchor = { kind: 'peg', pegs: 'wanted', inLine, lean };
      if (held(anchor, [{ id: 'wanted', name: shape.name, shape: shape.id, count: inLine }]))
        return {
          remedy: `${inLine === 1 ? `A ${shape.name}` : `${['', 'One', 'Two', 'Three'][inLine]!} ${shape.name}s`} of ${say(shape.length, 'length', units)}${inLine === 1 ? '' : ' behind one another'} would hold${shape.cut ? ': cut it there, where that is allowed' : ''}.`,
          rig: null,
        };
    }
  for (const depth of [0.3, 0.4, 0.5, 0.6, 0.8])
    for (const length of [0.5, 1]) {
      const anchor: GuyAnchor = { kind: 'buried', length, width: 0.15, depth };
      if (held(anchor))
        return {
          remedy: `A log or bag ${say(length, 'length', units)} long, buried ${say(depth, 'length', units)} deep, would hold.`,
          rig: taken(anchor),
        };
    }
  for (let mass = 50; mass <= 2000; mass += 50)
    if (held({ kind: 'weight', name: 'log', mass }))
      return { remedy: `A log or boulder of ${say(mass, 'mass', units)} would hold; a tree is less work.`, rig: null };
  return null;
}

const fresh = (cord: Cord): KitCord => ({
  id: 'wanted',
  name: cord.name,
  cord: cord.id,
  length: 1e3,
  sun: 'new',
  wear: 'sound',
});

/** The weakest cord of the catalogue that would do, new. */
function cordRemedy(ask: Ask, m: Member): Remedy | null {
  const { known, units } = ask;
  const { model } = known.tied;
  const bearing = CORDS.filter((c) => c.bears).sort((a, b) => a.strength.typical - b.strength.typical);
  for (const cord of bearing) {
    const kitCord = fresh(cord);
    const changed =
      m.role === 'ridge' || m.role === 'tie' ? { ...model, ridge: { ...model.ridge, cord, kitCord } } : model;
    if (bears(ask, changed, { ...m, cord, kitCord }, (k) => k === 'line' || k === 'end' || k === 'grip'))
      return {
        remedy: `New ${cord.name}, ${say(cord.strength.typical, 'force', units)} strong, would hold.`,
        rig: null,
      };
  }
  return null;
}

/** The cord of the catalogue and the fewest wraps that would grip. */
function gripRemedy(ask: Ask, m: Member): Remedy | null {
  const { known } = ask;
  const { model } = known.tied;
  if (m.role !== 'loop')
    return {
      remedy: 'A fixed knot there would hold; it then no longer slides to tighten.',
      rig: withGuy(ask.rig, m.reach!.key.id, { hitch: 'knot' }),
    };
  const own = model.hitches.find((h) => h.end === m.end)!;
  for (let wraps = 2; wraps <= PITCH_LIMITS.hitchWraps.max; wraps++)
    for (const type of HITCHES)
      for (const cord of CORDS.filter((c) => c.bears && c.diameter < own.host.diameter)) {
        const kitCord = fresh(cord);
        const hitches = model.hitches.map((h) =>
          h.end === m.end ? { ...h, type, cord, kitCord, wraps, crossed: false } : h,
        );
        if (
          bears(
            ask,
            { ...model, hitches },
            { ...m, cord, kitCord, legs: type.legs },
            (k) => k === 'hitch' || k === 'end',
          )
        )
          return { remedy: `A ${type.name} of new ${cord.name} with ${wraps} wraps would hold.`, rig: null };
      }
  return null;
}

/** How far one side must come down for rain to run off. */
function drained({ rig, context, units }: Ask): Remedy {
  const pitch = rig.pitch!;
  for (const by of [0.1, 0.2, 0.3, 0.5, 0.8])
    for (const side of [0, 1] as const) {
      const edges: [number, number] = [...pitch.shape.edges];
      edges[side] = Math.max(PITCH_LIMITS.edge.min, edges[side] - by);
      if (edges[side] === pitch.shape.edges[side]) continue;
      const lower: RidgeRig = { ...rig, pitch: { ...pitch, shape: { ...pitch.shape, edges } } };
      try {
        const tied = tieOff(pitchModel(lower, context, { ranges: false }));
        const rain = solveCase(tied, DOWNPOUR);
        if (!rain.runsAway && rain.numbers.converged)
          return {
            remedy: `Lower its ${side === 0 ? 'left' : 'right'} side by ${say(by, 'length', units)}: then it runs off.`,
            rig: lower,
          };
      } catch (error) {
        if (!(error instanceof RigProblem)) throw error;
      }
    }
  return { remedy: 'Drop one corner to the ground so that it runs off.', rig: null };
}

/**
 * The strongest wind, Beaufort, in which every margin of a pitched rig holds; null where it is short in still air.
 * By halving: more wind never helps.
 * @param progress called before each solve; return false to stop, which gives what is known so far
 */
export function strongestWind(rig: RidgeRig, context: RigContext, progress: () => boolean = () => true): number | null {
  const holdsIn = (beaufort: number): boolean => {
    const blown = { ...rig, wind: { ...rig.wind, beaufort } };
    return holds(judgeRig(blown, context, { full: true, spreads: rig.designRule === 'chance', rising: false }).report);
  };
  let [low, high]: [number | null, number] = [null, RIDGE_LIMITS.beaufort.max + 1];
  while (high - (low ?? -1) > 1) {
    if (!progress()) return low;
    const middle: number = low === null ? Math.floor(high / 2) : Math.floor((low + high) / 2);
    if (holdsIn(middle)) low = middle;
    else high = middle;
  }
  return low;
}
