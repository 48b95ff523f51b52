import type { Soil } from '../catalogue/index.js';
import type { Field, Fields } from '../document/index.js';
import type { Phrase } from '../quantity/index.js';
import type { Figure } from '../working/index.js';
import type { KitPegs, PegPull } from './document.js';
import type { LineId } from './line-id.js';
import type { TreeId } from './tree-id.js';

/** What a support is judged with: the soil it stands in, the pegs of the kit, and which of them were pulled in that soil. */
export interface Ground {
  readonly soil: Soil;
  readonly pulls: readonly PegPull[];
}

/** A place that holds a cord's far end. */
export interface Hold {
  readonly name: string;
  /** What it holds of a pull at this angle above level, rad, in dry ground or after a wet night; null where nothing is known against it. */
  readonly holds: (rise: number, wet: boolean) => Figure | null;
  /** The same as no more than a number, N. */
  readonly held: (rise: number, wet: boolean) => number | null;
}

/** A round body where a cord is held: from so far below the tie to so far above it, and how thick, m. */
export interface Solid {
  readonly below: number;
  readonly above: number;
  readonly thick: number;
}

/** How a support is drawn where a line comes to it. Paths go round (0, 0), mm of paper, y down. */
export interface Mark {
  readonly ink: 'outline' | 'dashed' | 'filled';
  /** From above, and from the side. @param thick as thick as it is to scale, mm @param metre a metre to scale, mm */
  readonly above: (thick: number, metre: number) => string;
  readonly side: (thick: number, metre: number) => string;
}

/**
 * Everything about one kind of support: whatever holds the far end of a guy or of a back-stay.
 * @typeParam S its document: a kind, and what its fields say
 */
export interface Support<S> {
  /** In a list to choose from. */
  readonly name: string;
  readonly fields: Readonly<Record<Exclude<keyof S, 'kind'>, Field>> & Fields;
  /** How it is called in a sentence. */
  readonly called: (
    s: S,
    by: {
      readonly pegs: readonly KitPegs[];
      readonly tree: (id: TreeId) => string | undefined;
      readonly line: (id: LineId) => string | undefined;
    },
  ) => Phrase;
  /** Whether it stands where it stands: a guy cannot be taken farther out. */
  readonly rooted: boolean;
  /** What a second line to one and the same of them must be told with: the tree it is, or the line that it holds already; null where it does not matter. */
  readonly shared: 'tree' | 'line' | null;
  /** Whether it holds from above: what comes down then comes down on whoever is beneath. */
  readonly overhead: boolean;
  /** How far it gives where the cord is held for the cord's own pull, m/N; null where it stands as a fixed point. A tree bends by itself. */
  readonly gives: (s: S) => number | null;
  /** Cord that goes on past where it is held to where it is made fast, m. */
  readonly runsOn: (s: S) => number;
  /** Height over the ground at which the cord is held, m. */
  readonly tieHeight: (s: S) => number;
  /** The tree of the rig that it is; null where it is none. @param key of the guy that has it */
  readonly tree: (s: S, key: string) => TreeId | null;
  /** What it holds; null of a tree, which is judged at its foot under all that is tied to it, and of what is told with another line. @param where which one, in words */
  readonly hold: ((s: S, ground: Ground, pegs: readonly KitPegs[], where: string) => Hold) | null;
  /** Pegs of the kit that it takes. */
  readonly takes: (s: S) => { readonly pegs: string; readonly count: number } | null;
  /** The rise of the cord, rad, at which it holds a tie-out raised on a stick best, steeper than `least`; null where it makes no odds. */
  readonly bestRise: (s: S, soil: Soil, pegs: readonly KitPegs[], least: number, most: number) => number | null;
  /** What its fields allow but the kit does not: a field and what to do. */
  readonly problems: (
    s: S,
    pegs: readonly KitPegs[],
  ) => readonly { readonly field: string; readonly message: string }[];
  readonly mark: Mark;
  /** In space; null where something else of the rig draws it. */
  readonly solid: (s: S) => Solid | null;
}

/** What most kinds have in common. */
export const PLAIN = {
  rooted: false,
  shared: null,
  overhead: false,
  gives: () => null,
  runsOn: () => 0,
  tieHeight: () => 0.03,
  tree: () => null,
  takes: () => null,
  bestRise: () => null,
  problems: () => [],
} as const;
