import type { HandTime, Keeper, Release } from '../catalogue/index.js';
import type { GuyHitch, LinePlace, Props } from '../rig/index.js';
import type { Phrase } from '../quantity/index.js';
import type { Pull } from '../catalogue/index.js';

/** How a line is brought to its tension. */
export type Hauled =
  | { readonly how: 'tension'; readonly tension: number }
  | { readonly how: 'sag'; readonly sag: number }
  | { readonly how: 'dip'; readonly mass: number; readonly drop: number; readonly at: number }
  | { readonly how: 'passes'; readonly count: number; readonly takeUp: number }
  | { readonly how: 'pulley'; readonly pull: Pull; readonly loopOut: number };

/** An end of a line that is let go, and what holds it. */
export interface LettingGo {
  readonly tree: string;
  readonly hitch: string;
  /** What it holds as it is let go, N; zero where it is slack. */
  readonly tension: number;
  readonly release: Release;
  /** What it is kept by now; none where nothing was done to it. */
  readonly keeper: Keeper;
}

/** What each kind of step says besides its name: numbers in SI, names as the rig has them. */
export interface StepFacts {
  'look-up': { readonly trees: readonly string[] };
  'lay-out': { readonly pegs: number; readonly toggles: number; readonly sleepers: boolean };
  /** Pegs that the kit has not. */
  'cut-pegs': { readonly count: number };
  pole: {
    /** Of a bed, or of the ridgeline. */
    readonly of: 'bed' | 'line';
    readonly at: 0 | 1;
    readonly dug: number;
    readonly lean: number;
    readonly stays: number;
  };
  'fixed-end': {
    readonly tree: string;
    readonly hitch: string;
    readonly wraps: number;
    readonly height: number;
    readonly release: Release;
    /** Above one's reach: with a forked stick. */
    readonly high: boolean;
    /** Over a branch, made fast round the stem. */
    readonly branch: boolean;
  };
  'low-end': { readonly tree: string };
  'tension-end': {
    readonly tree: string;
    readonly hitch: string;
    readonly wraps: number;
    readonly height: number;
    readonly high: boolean;
    readonly branch: boolean;
    readonly hauled: Hauled;
    readonly tension: number;
  };
  'raise-end': {
    readonly tree: string;
    readonly height: number;
    readonly hitch: string;
    readonly wraps: number;
    readonly hauled: Hauled;
    readonly tension: number;
    /** What the same pull would leave more in the line if it were hauled bare, N. */
    readonly lifts: number;
  };
  hitch: {
    readonly end: 0 | 1;
    readonly type: string;
    readonly wraps: number;
    readonly cord: string;
    readonly loop: number;
    /** From the first trunk along the line, m. */
    readonly at: number;
    /** Tails left hanging, m. */
    readonly tail: number;
  };
  hang: {
    readonly roof: string;
    readonly line: LinePlace;
    readonly toggles: number;
    /** How it is laid. */
    readonly laid: string;
    readonly gathered: readonly string[];
  };
  'lay-cloth': { readonly roof: string; readonly laid: string; readonly gathered: readonly string[] };
  'draw-out': { readonly pull: number };
  'tie-end': {
    readonly end: 0 | 1;
    readonly tree: string;
    readonly height: number;
    readonly hitch: string;
    readonly haul: number;
  };
  prop: {
    /** Under the cloth's middle, with everything else on it. */
    readonly middle: boolean;
    readonly props: Props;
    readonly sticks: 1 | 2;
    readonly thick: number;
    readonly height: number;
  };
  guy: {
    readonly name: string;
    /** `up`: to what is over it. */
    readonly kind: 'guy' | 'peg' | 'up';
    /** Height at which it is held, m. */
    readonly height: number;
    /** From under its tie-out to its foot, over the ground, m. */
    readonly out: number;
    readonly held: Phrase;
    readonly pegs: number;
    readonly lean: number | null;
    readonly cord: string;
    readonly hitch: GuyHitch;
    readonly wraps: number;
    readonly stick: number;
    /** What is over where it lives on the cloth, m: 0 where it is cut to what it wants; and whether that makes a second line. */
    readonly over: number;
    readonly secondLine: boolean;
  };
  tighten: { readonly haul: number; readonly names: readonly string[] };
  strap: {
    readonly end: 0 | 1;
    readonly tree: string;
    readonly height: number;
    readonly wraps: number;
    readonly loop: number | null;
    readonly free: number;
  };
  bed: { readonly name: string; readonly headUp: number; readonly height: number; readonly angle: number };
  'sit-in': { readonly comesDown: number };
  tail: { readonly where: readonly string[] };
  mark: { readonly bright: readonly string[]; readonly dull: readonly string[] };
  pin: { readonly ends: readonly { readonly name: string; readonly keeper: Keeper }[] };
  /** Rain that stands on the roof, m³. */
  check: { readonly slack: boolean; readonly pool: number };
  haul: {
    readonly when: 'settled' | 'evening' | 'soaked';
    readonly lines: readonly { readonly name: string; readonly by: number }[];
  };
  // taking it down
  'unhook-bed': { readonly name: string };
  'ease-guys': { readonly guys: number; readonly pegs: number };
  'lower-end': LettingGo;
  unhang: { readonly roof: string; readonly wet: boolean; readonly by: 'hitches' | 'ends' | 'ground' };
  'slip-end': LettingGo;
  'stow-line': { readonly middle: boolean };
  'hank-guys': { readonly count: number };
  'pole-down': { readonly name: string; readonly stays: number };
  'draw-pegs': { readonly pegs: number };
  stow: { readonly roof: string; readonly wet: boolean };
  'count-in': { readonly pegs: number; readonly toggles: number; readonly hanks: number };
  dry: { readonly what: readonly string[] };
  'look-back': { readonly bark: boolean };
}
export type StepCode = keyof StepFacts;
/** All of them, in the order in which they are mostly done. */
export const STEP_CODES = [
  'look-up',
  'lay-out',
  'cut-pegs',
  'pole',
  'fixed-end',
  'low-end',
  'tension-end',
  'raise-end',
  'hitch',
  'hang',
  'lay-cloth',
  'draw-out',
  'tie-end',
  'prop',
  'guy',
  'tighten',
  'strap',
  'bed',
  'sit-in',
  'tail',
  'mark',
  'pin',
  'check',
  'haul',
  'unhook-bed',
  'ease-guys',
  'lower-end',
  'unhang',
  'slip-end',
  'stow-line',
  'hank-guys',
  'pole-down',
  'draw-pegs',
  'stow',
  'count-in',
  'dry',
  'look-back',
] as const satisfies readonly StepCode[];

/** One thing that is done, and what it wants. */
export interface StepOf<C extends StepCode> {
  readonly id: string;
  readonly code: C;
  readonly facts: StepFacts[C];
  /** Rows of the ledger that are drawn boldly with it. */
  readonly lines: readonly string[];
  /** People that it wants at once. */
  readonly hands: 1 | 2;
  /** Ids of steps that come before it. */
  readonly after: readonly string[];
  /** What it is made of, by which its time is known. */
  readonly made: readonly HandTime[];
}
export type Step = { readonly [C in StepCode]: StepOf<C> }[StepCode];
