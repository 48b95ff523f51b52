import type { TreeAgainst } from '../anchor/index.js';
import type { Leavable } from '../cases/index.js';
import type { HitchAdvice } from '../hitch/index.js';
import type { Judged } from '../strength/index.js';

/** What was found about a rig, by its code: what it carries with it. Numbers SI. */
export interface Facts {
  /** A sign rules a tree out, or it is too thin for a person. */
  readonly tree: TreeAgainst;
  /** What lies beneath a bed forbids it. */
  readonly 'beneath-forbids': { readonly beneath: 'water' | 'road' | 'bed' };
  /** More is to lie in it, or hang on it, than its maker allows, kg. */
  readonly overloaded: { readonly name: string; readonly part: BedPart; readonly limit: number; readonly mass: number };
  /** The bed comes to the ground in a case, and how much higher its straps must go, m. */
  readonly 'bed-grounded': { readonly said: string; readonly raise: number };
  readonly 'bed-unsettled': { readonly name: string; readonly said: string; readonly reason: string | null };
  /** A link has less than is asked of it; the gust in which it lets go, m/s, 0 without wind, where that is known. */
  readonly short: { readonly judged: Judged; readonly said: string; readonly gust: number | null };
  readonly 'pole-falls': Record<never, never>;
  readonly 'pool-grows': Record<never, never>;
  /** Cloth finds no rest in a gust: near which tie-out, and in how many gusts more. */
  readonly flaps: { readonly name: string; readonly said: string; readonly near: string | null; readonly more: number };
  /** Ground that cloth hangs high enough over to lie beneath, m²: as pitched, or in its worst case. */
  readonly 'no-room': { readonly lying: number };
  readonly 'comes-down': { readonly said: string; readonly lying: number };
  /** Sag and the most that was asked for, m: of a line alone, or under its roof. */
  readonly sags: { readonly under: 'line' | 'roof'; readonly sag: number; readonly limit: number };
  readonly 'line-grounded': { readonly said: string };
  /** Cord in all that a hank must give, and what is on hand, m. */
  readonly 'cord-short': { readonly cord: string; readonly wanted: number; readonly have: number };
  /** A guy that lives on the cloth does not reach: by how much, and how far its foot comes in for it, m; null where that does not do. */
  readonly 'guy-short': { readonly guy: string; readonly by: number; readonly inBy: number | null };
  readonly 'pegs-short': { readonly pegs: string; readonly wanted: number; readonly have: number };
  /** Cloth on a line and not one guy, m². */
  readonly unguyed: { readonly area: number };
  /** Bed, sleeper or strap too near the cloth, m, and in which case of the roof. */
  readonly touches: {
    readonly what: 'bed' | 'person' | 'strap';
    readonly distance: number;
    readonly said: string;
    /** Whether in weather rather than just lain in. */
    readonly weather: boolean;
  };
  /** Water runs in along a line and ends in the bed: where a tail belongs, m from its outer end. */
  readonly 'drips-in': { readonly line: string; readonly tailAt: number; readonly from: 'trunk' | 'tie' };
  /** Water runs in along a line and drips on who or what lies there: where a drip line belongs, m from its tree. */
  readonly 'drips-on': { readonly line: string; readonly on: readonly string[]; readonly tailAt: number };
  /** Share of the bed that rain reaches, and its slant from upright, rad. */
  readonly 'rain-reaches': { readonly share: number; readonly slant: number };

  /** Share of a sleeper on the ground, or of a pack, that rain reaches. */
  readonly 'sleeper-wet': { readonly name: string; readonly share: number };
  readonly 'pack-wet': { readonly name: string; readonly share: number };
  /** Kinds of weather that a roof was judged without. */
  readonly 'left-out': { readonly kinds: readonly Leavable[] };

  readonly 'elastic-ridge': Record<never, never>;
  readonly 'carries-person': Record<never, never>;
  readonly gale: Record<never, never>;
  readonly 'cord-worn': { readonly cord: string };
  /** No stem: asked for so much level pull, N. */
  readonly 'no-stem': { readonly what: string; readonly level: number };
  readonly termination: { readonly id: string };
  /** Pressure on bark, Pa, by a cord or a strap. */
  readonly bark: { readonly tree: string; readonly by: 'cord' | 'strap'; readonly pressure: number };
  readonly 'passes-slip': { readonly passes: number; readonly holds: number };
  readonly 'loop-runs-out': { readonly needed: number; readonly has: number };
  readonly 'cannot-haul': { readonly tree: string; readonly termination: string };
  /** Two lines held by one thing, each told as if it were alone. */
  readonly 'held-twice': {
    readonly lines: readonly [string, string];
    readonly by: string;
    /** What to tell the second with instead: the tree that it is, or the first line. */
    readonly shared: 'tree' | 'line';
  };
  readonly 'hitch-slides': { readonly hitch: string; readonly by: number };
  readonly hitch: { readonly hitch: string; readonly advice: HitchAdvice };
  readonly 'no-tie-out': { readonly at: string };
  /** A line of two cords: by what bend, where along it and how much cord it takes, m. */
  readonly joined: {
    readonly bend: string;
    readonly at: number;
    readonly takes: number;
  };
  /** A line goes over a branch: how much that gives under it, m, and what it bears, N. */
  readonly branch: { readonly name: string; readonly gives: number; readonly pull: number };
  /** Lines whose elastic is drawn out to its end as pitched. */
  readonly 'elastic-out': { readonly lines: readonly string[] };
  /** Lines drawn bare through a fabric tie-out. */
  readonly 'tab-sawn': { readonly lines: readonly string[] };
  /** Something slides along its line to where that is lowest: by how many wraps it hangs, 0 hooked on. */
  readonly 'hung-slides': { readonly name: string; readonly wraps: number };
  /** Things told to hang on a ridgeline that the roof does not have, and whether a cord is told to be joined to it. */
  readonly 'no-line': { readonly things: readonly string[]; readonly joined: boolean };
  /** A form without the ridgeline that it could have: cord saved, m, and the most that its cloth bears along the ridge, N. */
  readonly 'end-tied': { readonly saves: number; readonly carries: number; readonly said: string };
  /** Water that stands before it runs over, m³. */
  readonly pool: { readonly volume: number };
  readonly 'guys-trip': { readonly guys: readonly string[]; readonly of: number };
  readonly 'opens-to-wind': Record<never, never>;
  readonly 'no-flame': Record<never, never>;
  /** Height of a bed someone lies in, m, and whether a fall from there breaks bones. */
  readonly fall: { readonly height: number; readonly breaks: boolean };
  readonly 'beneath-hurts': { readonly beneath: 'hard' | 'steep'; readonly height: number };
  readonly 'strap-flat': { readonly end: 0 | 1; readonly angle: number; readonly pull: number };
  readonly 'thin-tree': { readonly tree: string; readonly diameter: number };
  readonly 'limit-unknown': { readonly name: string; readonly part: BedPart };
  /** A cord, or straps, of which nobody knows how strong they are, and someone would hang from. */
  readonly 'guessed-under-someone': { readonly name: string; readonly many: boolean };
  readonly guessed: { readonly name: string };
  readonly 'head-belongs': { readonly end: string; readonly because: HeadBelongs };
  readonly 'ends-unlevel': { readonly by: number };
  readonly 'pole-sways': { readonly by: number };
  readonly 'pole-gives': { readonly comesIn: number; readonly comesDown: number; readonly haulIn: number };
  readonly 'head-meets-cloth': Record<never, never>;
  /** How far the roof reaches beyond an end of the bed, m; negative leaves it open. */
  readonly overhang: { readonly end: 0 | 1; readonly by: number };
  readonly comfort: { readonly what: Comfort };
  /** Cloth over where a sleeper sits up, m over the ground. */
  readonly 'sleeper-low': { readonly name: string; readonly headroom: number };
  /** Slope under a sleeper, rad; across the body, so that it rolls, or along it. */
  readonly 'sleeper-slides': { readonly name: string; readonly by: number; readonly rolls: boolean };
  /** Share of the wind that comes in to a sleeper. */
  readonly 'sleeper-in-wind': { readonly name: string; readonly share: number };

  /** A fire under cloth; one to windward of it, so far off, m; one nearer than it belongs, m. */
  readonly 'fire-under': Record<never, never>;
  readonly 'fire-windward': { readonly distance: number };
  readonly 'fire-near': { readonly of: 'cloth' | 'brush'; readonly distance: number; readonly least: number };
  readonly fire: Record<never, never>;
}

/** A part of a bed with a maker's limit of its own. */
export type BedPart = 'bed' | 'straps';
/** Why the head belongs at an end: the bed is higher there, it is away from the wind, or either end will do. */
export type HeadBelongs = 'higher' | 'lee' | 'level';
/** Warmth and air as far as height and wind tell. */
export type Comfort = 'wind-below' | 'air-below' | 'low' | 'high' | 'middling' | 'drop-windward' | 'leaves';

/** How grave a finding is: what must not be, what does not hold, what to beware of, what is good to know. */
export type Severity = 'refuses' | 'fails' | 'warns' | 'notes';
export type FindingCode = keyof Facts;

/** How grave each finding is, in the order in which they are told: the first of them makes the verdict. */
const SEVERITIES = {
  'beneath-forbids': 'refuses',
  overloaded: 'refuses',
  'guessed-under-someone': 'refuses',
  'fire-under': 'refuses',
  tree: 'refuses',
  'bed-grounded': 'fails',
  'bed-unsettled': 'fails',
  short: 'fails',
  'pole-falls': 'fails',
  'pool-grows': 'fails',
  flaps: 'fails',
  'no-room': 'fails',
  'comes-down': 'fails',
  'line-grounded': 'fails',
  'cord-short': 'fails',
  'guy-short': 'fails',
  'pegs-short': 'fails',

  sags: 'fails',
  unguyed: 'fails',
  touches: 'fails',
  'drips-in': 'fails',
  'rain-reaches': 'fails',
  'sleeper-wet': 'fails',
  'left-out': 'fails',
  'fire-windward': 'warns',
  'fire-near': 'warns',
  fire: 'warns',
  'elastic-ridge': 'warns',
  'carries-person': 'warns',
  gale: 'warns',
  'cord-worn': 'warns',
  'no-stem': 'warns',
  termination: 'warns',
  bark: 'warns',
  'passes-slip': 'warns',
  'loop-runs-out': 'warns',
  'cannot-haul': 'warns',
  'held-twice': 'warns',
  'hitch-slides': 'warns',
  hitch: 'warns',
  'drips-on': 'warns',
  branch: 'warns',
  'end-tied': 'warns',
  joined: 'warns',
  'elastic-out': 'warns',
  'tab-sawn': 'warns',
  'hung-slides': 'warns',
  'no-line': 'warns',
  'no-tie-out': 'warns',
  pool: 'warns',
  'guys-trip': 'warns',
  'opens-to-wind': 'warns',
  'no-flame': 'warns',
  fall: 'warns',
  'beneath-hurts': 'warns',
  'strap-flat': 'warns',
  'thin-tree': 'warns',
  'limit-unknown': 'warns',
  guessed: 'warns',
  'head-belongs': 'warns',
  'ends-unlevel': 'warns',
  'pole-sways': 'warns',
  'pole-gives': 'warns',
  'head-meets-cloth': 'warns',
  overhang: 'warns',
  'pack-wet': 'warns',
  'sleeper-in-wind': 'warns',
  'sleeper-slides': 'warns',
  'sleeper-low': 'warns',
  comfort: 'notes',
} as const satisfies Record<FindingCode, Severity>;
const ORDER = Object.keys(SEVERITIES) as FindingCode[];
/** Codes of what keeps a rig from holding. */
export type AgainstCode = {
  [C in FindingCode]: (typeof SEVERITIES)[C] extends 'refuses' | 'fails' ? C : never;
}[FindingCode];

/** Something found about a rig. */
export type Finding = {
  readonly [C in FindingCode]: {
    readonly code: C;
    readonly severity: Severity;
    /** What it is about: a line, tree, strap or case by its id; null for the whole. */
    readonly about: string | null;
    readonly facts: Facts[C];
  };
}[FindingCode];
/** A finding of one code. */
export type FindingOf<C extends FindingCode> = Extract<Finding, { readonly code: C }>;

/** A finding with its severity. @param about id of what it is about */
export const finding = <C extends FindingCode>(code: C, facts: Facts[C], about: string | null = null): Finding =>
  ({ code, severity: SEVERITIES[code], about, facts }) as Finding;

/** Findings in the order in which they are told; of one code as they came. */
export const inOrder = (found: readonly Finding[]): Finding[] =>
  [...found].sort((a, b) => ORDER.indexOf(a.code) - ORDER.indexOf(b.code));

/** What keeps a rig from holding, gravest first; a rig with none of these holds. */
export const against = (found: readonly Finding[]): Finding[] =>
  inOrder(found.filter((f) => f.severity === 'refuses' || f.severity === 'fails'));

/** The findings of one code. */
export const ofCode = <C extends FindingCode>(found: readonly Finding[], code: C): FindingOf<C>[] =>
  found.filter((f): f is FindingOf<C> => f.code === code);
