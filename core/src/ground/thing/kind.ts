import type { Sign, TreeAgainst } from '../../anchor/index.js';
import type { Field, Fields } from '../../document/index.js';
import type { Phrase } from '../../quantity/index.js';
import type { GuyAnchor } from '../../support/index.js';
import type { Figure } from '../../working/index.js';

/** What every thing has. */
export type BaseKey = 'kind' | 'id' | 'name' | 'at' | 'foot';

/** How a thing may end a ridge or hold a back-stay: the level pull at a height that it may be asked to hold, its factor taken off. */
export interface MayHold<T> {
  /** N; infinite where it is taken as immovable. @param soil id of the soil it stands in */
  readonly pull: (t: T, soil: string, height: number) => number;
  /** The same with its working. @param asked height of the tie, as a figure */
  readonly figure: (t: T, soil: string, asked: Figure, name: HoldName) => Figure;
}
/** What such a figure is called. */
export type HoldName = Pick<Figure, 'symbol' | 'title' | 'quantity'>;

/**
 * Everything about one kind of thing on the ground.
 * @typeParam T a thing of that kind
 */
export interface Kind<T> {
  readonly name: string;
  readonly fields: Readonly<Record<Exclude<keyof T, BaseKey>, Field>> & Fields;
  /** Fields that it has and nobody is asked for. */
  readonly unasked: readonly string[];
  /** How far it reaches from its middle, m: half a stem, half a boulder. */
  readonly half: (t: T) => number;
  /** Whether it stands in the way of what is hung or lain between others, lies there, or neither. */
  readonly bulk: 'stands' | 'lies' | null;
  /** Whether its foot may stand over the slope round it. */
  readonly raised: boolean;
  /** Whether a ridge may end at it. */
  readonly ends: boolean;
  readonly may: MayHold<T> | null;
  /** What a look-up finds against it. @param person whether a person's weight hangs on it */
  readonly against: (t: T, person: boolean) => readonly TreeAgainst[];
  /** As what holds a guy; null where it holds none. */
  readonly support: ((t: T) => GuyAnchor) | null;
  /** As a trunk that a ridge is tied to. */
  readonly trunk: (t: T) => {
    readonly wood: string;
    readonly signs: readonly Sign[];
    readonly onWord: boolean;
    /** How it is held where it is no rooted stem and not taken on one's word: by its mass, kg, or by stays. */
    readonly held?: { readonly by: 'mass'; readonly mass: number } | { readonly by: 'stays' };
  };
  /** What falls of it, of what stands so high, m; null where nothing does. */
  readonly falls: (t: T) => { readonly height: number; readonly whole: boolean } | null;
  /** What is known of it, in short. */
  readonly known: (t: T) => Phrase;
}

/** What most kinds have in common: nothing to hold by. */
export const PLAIN = {
  unasked: [],
  half: () => 0.04,
  bulk: null,
  raised: true,
  ends: false,
  may: null,
  against: () => [],
  support: null,
  trunk: () => ({ wood: 'unknown', signs: [], onWord: true }),
  falls: () => null,
  known: () => [],
} as const;
