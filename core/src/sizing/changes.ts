import { findHitch, findTermination } from '../catalogue/index.js';
import { cutLength } from '../cordage/index.js';
import type { Evaluated } from '../pitch/index.js';
import { calledIn } from '../pitch/index.js';
import { asSubject, capital, say, tell } from '../quantity/index.js';
import type { UnitChoice } from '../quantity/index.js';
import type { Guy, RigContext, RidgeRig, Row } from '../rig/index.js';
import { GUY_HITCHES, guyOf, treeOf } from '../rig/index.js';
import type { Judged } from '../strength/index.js';
import type { GuyAnchor } from '../support/index.js';
import { supportOf } from '../support/index.js';
import { marginWords } from '../words/index.js';
import type { SizeAim } from './offers.js';
import { sameAnchor, withGuy, withHitch } from './offers.js';

/** One thing to do otherwise, with why and what comes of it. */
export interface SizeChange {
  readonly id: string;
  /** "Left middle guy: two long pegs behind one another". */
  readonly what: string;
  /** What it is now. */
  readonly was: string;
  readonly reason: string;
  readonly effect: string;
  /** Whether something was short without it. */
  readonly mends: boolean;
  /** Parts of the rig it changes; `takeChanges` knows them. */
  readonly parts: readonly string[];
}

interface Side {
  readonly rig: RidgeRig;
  readonly known: Evaluated;
}

/** A part of a rig that sizing may change. */
interface Part {
  readonly id: string;
  /** Those with the same group and the same words are said together. */
  readonly group: string;
  readonly subject: string;
  readonly words: (rig: RidgeRig) => string;
  readonly same: (a: RidgeRig, b: RidgeRig) => boolean;
  /** Which links it decides, of which rows. */
  readonly row: (row: Row) => boolean;
  readonly link: (j: Judged) => boolean;
}

function guyParts(key: string, name: string, tied: Evaluated['tied'], units: UnitChoice): Part[] {
  const { context } = tied.model;
  const at = (rig: RidgeRig): Guy => guyOf(rig.pitch!, key);
  const row = (r: Row): boolean => r.id === `guy ${key}` || r.id === `peg ${key}`;
  const isAnchor = (j: Judged): boolean => j.link.id.endsWith(':anchor');
  const cordName = (id: string): string => context.kit.find((k) => k.id === id)?.name ?? id;
  const part = (group: string, own: Omit<Part, 'id' | 'group' | 'subject' | 'row'>): Part => ({
    id: `${group} ${key}`,
    group,
    subject: name,
    row,
    ...own,
  });
  return [
    part('guy-cord', {
      words: (r) => `${cordName(at(r).cord)}, ${madeFast(at(r))}`,
      same: (a, b) => at(a).cord === at(b).cord && at(a).hitch === at(b).hitch && at(a).wraps === at(b).wraps,
      link: (j) => !isAnchor(j) && j.link.kind !== 'tie-out',
    }),
    part('guy-anchor', {
      words: (r) => anchorWords(r, at(r).anchor, tied, units),
      same: (a, b) => sameAnchor(at(a).anchor, at(b).anchor),
      link: isAnchor,
    }),
    part('guy-foot', {
      words: (r) => {
        const { foot } = at(r);
        return foot === null ? 'foot where the cloth’s line meets the ground' : 'foot farther out';
      },
      same: (a, b) => JSON.stringify(at(a).foot) === JSON.stringify(at(b).foot),
      link: isAnchor,
    }),
    part('guy-haul', {
      words: (r) => `hauled with ${say(at(r).haul, 'force', units)}`,
      same: (a, b) => at(a).haul === at(b).haul,
      link: () => true,
    }),
  ];
}

const madeFast = (guy: Guy): string =>
  guy.hitch === 'knot' || guy.hitch === 'wraps'
    ? GUY_HITCHES[guy.hitch]
    : `${GUY_HITCHES[guy.hitch]} of ${guy.wraps} wraps`;

/** What holds a guy, in words. */
const anchorWords = (rig: RidgeRig, anchor: GuyAnchor, { model }: Evaluated['tied'], units: UnitChoice): string =>
  tell(
    supportOf(anchor).called(anchor, {
      pegs: model.context.pegs,
      tree: (id) => treeOf(rig, id)?.name,
      line: calledIn(model),
    }),
    units,
  );

function partsOf(known: Evaluated, context: RigContext, units: UnitChoice): Part[] {
  const { model } = known.tied;
  const cordName = (id: string): string => context.kit.find((k) => k.id === id)?.name ?? id;
  const onRidge = (r: Row): boolean => r.role === 'ridge' || r.role === 'tie';
  const every = (): boolean => true;
  const out: Part[] = [
    {
      id: 'ridge-cord',
      group: 'ridge-cord',
      subject: model.hasRidge ? 'ridgeline' : 'ties to the trunks',
      words: (r) => cordName(r.cord),
      same: (a, b) => a.cord === b.cord,
      row: onRidge,
      link: (j) => j.link.kind !== 'tie-out',
    },
    {
      id: 'ridge-haul',
      group: 'ridge-haul',
      subject: model.hasRidge ? 'ridgeline' : 'ties to the trunks',
      words: (r) =>
        r.tensioning.how === 'tension' ? `hauled to ${say(r.tensioning.tension, 'force', units)}` : `hauled as now`,
      same: (a, b) => JSON.stringify(a.tensioning) === JSON.stringify(b.tensioning),
      row: (r) => onRidge(r) || r.role === 'trunk',
      link: every,
    },
    {
      id: 'spread',
      group: 'spread',
      subject: 'roof along the ridge',
      words: (r) => `slid out with ${say(r.pitch!.spread, 'force', units)}`,
      same: (a, b) => a.pitch!.spread === b.pitch!.spread,
      row: (r) => r.role === 'loop',
      link: (j) => j.link.kind !== 'hitch',
    },
  ];
  for (const i of [0, 1] as const) {
    out.push({
      id: `end${i}`,
      group: 'end',
      subject: `end at ${model.rig.trunks[i].name}`,
      words: (r) => findTermination(r.ends[i].termination)?.name ?? r.ends[i].termination,
      same: (a, b) => a.ends[i].termination === b.ends[i].termination,
      row: onRidge,
      link: (j) => j.link.id.endsWith(`:end${i}`),
    });
    if (!model.hitches.some((h) => h.end === i)) continue;
    out.push({
      id: `hitch${i}`,
      group: 'hitch',
      subject: i === 0 ? 'first hitch' : 'second hitch',
      words: (r) => {
        const h = r.pitch!.hitches[i];
        return `${findHitch(h.type)?.name ?? h.type} of ${cordName(h.cord)}, ${h.wraps} ${h.wraps === 1 ? 'wrap' : 'wraps'}${h.crossed ? ', a turn crossed' : ''}`;
      },
      same: (a, b) => JSON.stringify(a.pitch!.hitches[i]) === JSON.stringify(b.pitch!.hitches[i]),
      row: (r) => r.id === `loop${i}`,
      link: (j) => j.link.kind !== 'tie-out',
    });
  }
  for (const m of model.members)
    if (m.role === 'guy' || m.role === 'peg') out.push(...guyParts(m.reach!.key.id, m.name, known.tied, units));
  return out;
}

const listed = (names: readonly string[]): string =>
  names.length === 1 ? names[0]! : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;

/** The weakest of the links that some parts decide. */
function weakest(rows: readonly Row[], parts: readonly Part[]): Judged | null {
  let worst: Judged | null = null;
  for (const row of rows)
    for (const p of parts)
      if (p.row(row))
        for (const j of row.links)
          if (p.link(j) && (worst === null || j.judgement.ratio < worst.judgement.ratio)) worst = j;
  return worst;
}

/** What differs between a rig and the same sized, those that mend something first. */
export function changesOf(
  before: Side,
  after: Side,
  context: RigContext,
  aim: SizeAim,
  units: UnitChoice,
): SizeChange[] {
  const groups = new Map<string, Part[]>();
  for (const p of partsOf(after.known, context, units)) {
    if (p.same(before.rig, after.rig)) continue;
    const key = `${p.group}|${p.words(before.rig)}|${p.words(after.rig)}`;
    groups.set(key, [...(groups.get(key) ?? []), p]);
  }
  const cutOf = (side: Side, parts: readonly Part[]): number =>
    side.known.result.rows.reduce(
      (sum, r) => sum + (parts.some((p) => p.row(r)) ? (r.cut === null ? 0 : cutLength(r.cut)) : 0),
      0,
    );
  const guys = after.known.tied.model.members.filter((m) => m.role === 'guy' || m.role === 'peg').length;
  const subjectsOf = (parts: readonly Part[]): string =>
    parts[0]!.group.startsWith('guy') && parts.length === guys && guys > 2
      ? `all ${guys} guys`
      : listed(parts.map((p) => p.subject));
  const out = [...groups.values()].map((parts): SizeChange => {
    const first = parts[0]!;
    const [was, is] = [weakest(before.known.result.rows, parts), weakest(after.known.result.rows, parts)];
    const mends = was !== null && was.judgement.ratio < 1;
    const saved = cutOf(before, parts) - cutOf(after, parts);
    const holds = (j: Judged | null): string =>
      j === null ? 'Nothing here can give.' : `${capital(j.link.name)}: ${tell(marginWords(j), units)}.`;
    const cord =
      first.group === 'guy-haul' || first.group === 'spread' || Math.abs(saved) < 0.02
        ? ''
        : ` ${say(Math.abs(saved), 'length', units)} ${saved > 0 ? 'less' : 'more'} cord.`;
    return {
      id: parts.map((p) => p.id).join(','),
      what: `${capital(subjectsOf(parts))}: ${first.words(after.rig)}`,
      was: first.words(before.rig),
      reason: mends
        ? `Now ${asSubject(was.link.name)} is short: ${tell(marginWords(was), units)}.`
        : first.group.endsWith('haul') || first.group === 'spread'
          ? 'So that what is short elsewhere bears less.'
          : AIM_REASONS[aim],
      effect: `${holds(is)}${cord}`,
      mends,
      parts: parts.map((p) => p.id),
    };
  });
  return out.sort((a, b) => Number(b.mends) - Number(a.mends));
}

const AIM_REASONS: Readonly<Record<SizeAim, string>> = {
  cut: 'Holds as well, with the least cord of all that do.',
  mass: 'Holds as well, with the least weight of all that do.',
  items: 'Holds as well, with the fewest things to bring.',
};

/** One part of a sized rig taken into another. */
function takePart(into: RidgeRig, from: RidgeRig, part: string): RidgeRig {
  const pitch = into.pitch!;
  const [group, key = ''] = part.split(' ', 2);
  const own = guyOf(from.pitch!, key);
  const end = part.endsWith('1') ? 1 : 0;
  switch (group) {
    case 'ridge-cord':
      return { ...into, cord: from.cord };
    case 'ridge-haul':
      return { ...into, tensioning: from.tensioning };
    case 'spread':
      return { ...into, pitch: { ...pitch, spread: from.pitch!.spread } };
    case 'end0':
    case 'end1': {
      const made = { ...into.ends[end], termination: from.ends[end].termination };
      return { ...into, ends: end === 0 ? [made, into.ends[1]] : [into.ends[0], made] };
    }
    case 'hitch0':
    case 'hitch1':
      return withHitch(into, end, from.pitch!.hitches[end]);
    case 'guy-cord':
      return withGuy(into, key, { cord: own.cord, hitch: own.hitch, wraps: own.wraps });
    case 'guy-anchor':
      return withGuy(into, key, { anchor: own.anchor });
    case 'guy-foot':
      return withGuy(into, key, { foot: own.foot });
    case 'guy-haul':
      return withGuy(into, key, { haul: own.haul });
    default:
      throw new RangeError(`part: ${part}; no part of a rig that sizing changes`);
  }
}

/**
 * Takes some of what sizing changed into a rig.
 * @param sized the sized rig
 * @param parts ids, as the changes name them
 * @throws RangeError for an id that no change has
 */
export function takeChanges(rig: RidgeRig, sized: RidgeRig, parts: readonly string[]): RidgeRig {
  return parts.reduce((into, part) => takePart(into, sized, part), rig);
}
