import type { LoadCase } from '../cases/index.js';
import { AIR_DENSITY, FIBRE_TRAITS, GUST_FACTOR, SHELTERS, looked } from '../catalogue/index.js';
import type { Constant } from '../catalogue/index.js';
import type { CaseReading, Member, PitchModel, RoofCheck } from '../pitch/index.js';
import { HAUL_SPREAD, leftIn } from '../pitch/index.js';
import { Z95 } from '../quantity/index.js';
import type { Range } from '../quantity/index.js';
import type { BedKey } from '../shelter/index.js';
import { windBySigns } from '../weather/index.js';
import type { Figure } from '../working/index.js';

/** What sort of thing is not known well, and so by what it would be known better. */
export type UnknownKind =
  | 'span'
  | 'ridge-pull'
  | 'ridge-cord'
  | 'trees'
  | 'haul'
  | 'relaxing'
  | 'soaking'
  | 'wind'
  | 'shelter'
  | 'gusts'
  | 'air'
  | 'ground'
  | 'tie-outs'
  | 'cord'
  | 'grip'
  | 'cloth'
  | 'stick'
  | 'tie-heights'
  | 'edge-heights'
  | 'feet'
  | 'hung'
  | 'bed-heights'
  | 'straps'
  | 'mass'
  | 'bed-cloth'
  | 'own';

/** What of a pitched rig is measured where it stands: how high something is, or how far out the foot of a guy was set. */
export type ShapedBy = 'tie0' | 'tie1' | 'edges' | 'prop' | FootOf;
export interface FootOf {
  /** The guy's tie-out. */
  readonly key: string;
  /** Outward on the plan, of length 1. */
  readonly out: readonly [number, number];
}

/** Where an unknown takes effect. */
type Acts =
  /** On a number of the ridge, by its key: under a roof one that decides its unstressed length. */
  | { readonly on: 'ridge'; readonly key: string }
  /** On the pull of every guy, or of one member. */
  | { readonly on: 'haul'; readonly member: number | null }
  /** On what cord of a fibre loses in time, or gains when soaked; on what the cloth gains. */
  | { readonly on: 'relaxation' | 'wetGrowth'; readonly fibre: string }
  | { readonly on: 'clothGrowth' }
  /** On how high something stands. */
  | { readonly on: 'shape'; readonly what: ShapedBy }
  /** On a number of the bed. */
  | { readonly on: 'bed'; readonly key: BedKey }
  /** On the wind's pressure, by this power of its factor. */
  | { readonly on: 'pressure'; readonly power: 1 | 2 }
  /** On what some checks hold, with this share of their spread. */
  | { readonly on: 'strength'; readonly checks: readonly number[]; readonly share: number };

/** One thing that is not known well. */
export interface Unknown {
  readonly id: string;
  /** "span", "hauls by feel". */
  readonly name: string;
  readonly kind: UnknownKind;
  readonly acts: Acts;
  /** Its value, or its factor where the value is 1, and the range of that, 5 to 95 %. */
  readonly value: number;
  readonly range: Range;
}

/** Share of the variance of hauls that is a person's own, the same in all of them. Judgement, a third to two thirds. */
const OWN_HAND = 0.5;
/** Share of the variance of what things hold that all of one make or one ground have together. Judgement, 0.5 to 0.9. */
const TOGETHER = 0.7;

export const RIDGE_KINDS: Readonly<Record<string, UnknownKind>> = {
  span: 'span',
  E0: 'trees',
  E1: 'trees',
  stretch: 'ridge-cord',
  metre: 'ridge-cord',
  k: 'relaxing',
  onset: 'relaxing',
  wetStretch: 'soaking',
  wetGrowth: 'soaking',
  uptake: 'soaking',
  hung: 'hung',
  cloth: 'hung',
  area: 'hung',
  rho: 'air',
  beaufort: 'wind',
  gust: 'gusts',
  shelter: 'shelter',
  drag: 'wind',
  reach: 'wind',
  sway: 'trees',
};

/** Value of an unknown so many standard deviations off: lognormal on either side of its value, straight where its range passes zero. */
export function valueAt({ value, range: [low, high] }: Pick<Unknown, 'value' | 'range'>, z: number): number {
  const s = z / Z95;
  if (low > 0 && value > 0) return value * (z >= 0 ? Math.max(1, high / value) ** s : Math.max(1, value / low) ** s);
  return value + s * (z >= 0 ? Math.max(0, high - value) : Math.max(0, value - low));
}

/** A range with only a share of its variance. */
const partOf = ([low, high]: Range, share: number): Range => [low ** Math.sqrt(share), high ** Math.sqrt(share)];

const factorOf = (f: Figure): Pick<Unknown, 'value' | 'range'> => ({
  value: 1,
  range: f.range === undefined ? [1, 1] : [f.range[0] / f.value, f.range[1] / f.value],
});

/** What is not known of the pulls: the ridge's length, the hauls, the wind. @param model with its ranges */
export function unknownPulls(model: PitchModel, windy: boolean, givenWind: boolean): Unknown[] {
  const out: Unknown[] = [];
  if (model.hasRidge)
    for (const f of model.ridge.lengthBy.figures)
      if (f.range !== undefined && f.range[1] > f.range[0])
        out.push({
          id: `ridge:${f.key}`,
          name: f.title,
          kind: RIDGE_KINDS[f.key] ?? 'ridge-pull',
          acts: { on: 'ridge', key: f.key },
          value: f.value,
          range: f.range,
        });
  const hauled = model.members.flatMap((m, k) => (m.role === 'ridge' ? [] : [k]));
  const haul = (id: string, name: string, share: number, member: number | null): Unknown => ({
    id,
    name,
    kind: 'haul',
    acts: { on: 'haul', member },
    value: 1,
    range: partOf(HAUL_SPREAD, share),
  });
  if (hauled.length > 0) out.push(haul('haul', 'hauls by feel', OWN_HAND, null));
  for (const k of hauled)
    out.push(haul(`haul:${model.members[k]!.id}`, `haul of the ${model.members[k]!.name}`, 1 - OWN_HAND, k));
  if (!windy) return out;
  const blows = (id: string, name: string, kind: UnknownKind, power: 1 | 2, f: Figure): void => {
    const { value, range } = factorOf(f);
    if (range[1] > range[0]) out.push({ id, name, kind, acts: { on: 'pressure', power }, value, range });
  };
  const { wind } = model.rig;
  if (givenWind) {
    const law: Figure = { symbol: 'c', title: '', quantity: 'ratio', value: 1, range: [0.8, 1.25] };
    blows('law', 'how wind presses on cloth', 'wind', 1, law);
  } else {
    blows('wind', 'the wind by its signs', 'wind', 2, windBySigns(wind.beaufort));
    blows('shelter', 'shelter of the place', 'shelter', 2, looked(SHELTERS[wind.shelter]));
    blows('gusts', 'gusts over the mean wind', 'gusts', 2, looked(GUST_FACTOR));
    blows('air', 'density of the air', 'air', 1, looked(AIR_DENSITY));
  }
  return out;
}

/**
 * What is not known of how cord and cloth change: what each fibre loses in time, and gains when soaked.
 * @param cases in which it is solved: what comes in none of them is no matter
 */
export function unknownAgeing(model: PitchModel, cases: readonly LoadCase[]): Unknown[] {
  const [ages, soaks] = [cases.some((c) => c.since > 0), cases.some((c) => c.environment.wet)];
  const out: Unknown[] = [];
  const add = (id: string, name: string, kind: UnknownKind, acts: Acts, { low, typical, high }: Constant): void => {
    if (high > low) out.push({ id, name, kind, acts, value: typical, range: [low, high] });
  };
  for (const fibre of new Set(model.members.map((m) => m.cord.fibre))) {
    const { name, relaxation, wetGrowth } = FIBRE_TRAITS[fibre];
    if (ages) add(`relax:${fibre}`, `how far ${name} relaxes`, 'relaxing', { on: 'relaxation', fibre }, relaxation);
    if (soaks) add(`soak:${fibre}`, `what ${name} does when soaked`, 'soaking', { on: 'wetGrowth', fibre }, wetGrowth);
  }
  if (soaks)
    add('soak:cloth', 'what the cloth does when soaked', 'soaking', { on: 'clothGrowth' }, model.cloth.wetGrowth);
  return out;
}

/** What is off together: cords of one hank, stakes in one ground. */
export interface Alike {
  readonly id: string;
  readonly name: string;
  readonly kind: UnknownKind;
}
export const GROUND: Alike = { id: 'ground', name: 'the ground’s hold on what stands in it', kind: 'ground' };
export const alikeCord = (id: string, name: string): Alike => ({
  id: `cord:${id}`,
  name: `strength of the ${name}`,
  kind: 'cord',
});

/** A place that can give, and how well it is known what it holds. */
export interface Held {
  readonly id: string;
  readonly name: string;
  /** In the case that leaves it least; null where nothing asks anything of it. */
  readonly holds: Figure | null;
  /** What else is off together with it; null where it stands by itself. */
  readonly alike: Alike | null;
}

/** What of a roof holds, in the case that leaves it least. */
export const heldOf = (
  model: PitchModel,
  checks: readonly RoofCheck[],
  readings: readonly CaseReading[],
): readonly Held[] =>
  checks.map((p) => ({
    id: p.id,
    name: p.name,
    holds: figureOf(p, readings),
    alike: alikeOf(
      p,
      model.members.find((m) => p.id.startsWith(`${m.id}:`)),
    ),
  }));

/** What is not known of what holds, and the spread of every place, 5 to 95 % as factors. */
export function unknownStrengths(held: readonly Held[]): {
  readonly unknowns: readonly Unknown[];
  readonly spread: readonly Range[];
} {
  const spread = held.map(({ holds: f }): Range => {
    return f === null || f.range === undefined || !(f.value > 0) ? [1, 1] : widthOf(f);
  });
  const groups = new Map<string, Alike & { readonly of: number[] }>();
  const unknowns: Unknown[] = [];
  held.forEach(({ id, name, alike }, i) => {
    if (!(spread[i]![1] > spread[i]![0])) return;
    const share = alike === null ? 1 : 1 - TOGETHER;
    unknowns.push({
      id: `own:${id}`,
      name,
      kind: 'own',
      acts: { on: 'strength', checks: [i], share },
      value: 1,
      range: partOf(spread[i]!, share),
    });
    if (alike === null) return;
    const group = groups.get(alike.id) ?? { ...alike, of: [] };
    group.of.push(i);
    groups.set(alike.id, group);
  });
  for (const { id, name, kind, of } of groups.values()) {
    const widest = of.reduce((a, b) => (spread[b]![1] / spread[b]![0] > spread[a]![1] / spread[a]![0] ? b : a));
    unknowns.push({
      id,
      name,
      kind,
      acts: { on: 'strength', checks: of, share: TOGETHER },
      value: 1,
      range: partOf(spread[widest]!, TOGETHER),
    });
  }
  return { unknowns, spread };
}

/** Range of a strength as factors; what reaches down to nothing is taken from its upper end. */
function widthOf({ value, range }: Figure): Range {
  const high = Math.max(1, range![1] / value);
  return [range![0] > 0 ? Math.min(1, range![0] / value) : 1 / high, high];
}

/** What a check holds in the case that leaves it least. */
function figureOf(p: RoofCheck, readings: readonly CaseReading[]): Figure | null {
  let [least, found]: [number, CaseReading | null] = [Number.POSITIVE_INFINITY, null];
  for (const r of readings) {
    const left = leftIn(p, r);
    if (left !== null && (found === null || left < least)) [least, found] = [left, r];
  }
  return found === null ? null : p.available(found);
}

/** What else is off together with a check of a roof; null where it stands by itself. */
function alikeOf(p: RoofCheck, m: Member | undefined): Alike | null {
  switch (p.kind) {
    case 'anchor':
      return GROUND;
    case 'tie-out':
      return { id: 'tie-outs', name: 'what the roof’s tie-outs hold', kind: 'tie-outs' };
    case 'foot':
      return { id: 'feet', name: 'how feet of sticks hold', kind: 'feet' };
    case 'hitch':
      return { id: 'grip', name: 'grip of hitches', kind: 'grip' };
    case 'line':
    case 'end':
    case 'grip':
      return m === undefined ? null : alikeCord(m.kitCord.id, m.kitCord.name);
    default:
      return null;
  }
}
