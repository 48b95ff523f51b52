import type { Place, Reader } from '../ground/index.js';
import type { Picture } from '../picture/index.js';
import { PITCH_LIMITS, RigProblem } from '../rig/index.js';
import type { RidgeRig, RigContext } from '../rig/index.js';
import { limit } from '../quantity/index.js';
import { judgeRig } from '../shelter/index.js';
import type { RigReport } from '../shelter/index.js';
import type { Chance } from './chance.js';
import type { Asked, DrillKind, DrillOf, Said } from './drill.js';

/** A rig of the camp that drills are made from, and a place of it where there is one. */
export interface DrillSource {
  readonly rig: RidgeRig;
  readonly context: RigContext;
  readonly ground: { readonly place: Place; readonly who: Reader } | null;
}

/** What may be said of a pull, a sag, a gust, a length, wraps and paces: the ends that a field takes. */
export const SAID_LIMITS = {
  pull: limit('pull', 'force', 1, 20_000),
  sag: limit('sag', 'length', 0.001, 10),
  gust: limit('gust', 'speed', 0.5, 60),
  length: limit('length', 'length', 0.05, 100),
  wraps: limit('wraps', 'count', PITCH_LIMITS.hitchWraps.min, PITCH_LIMITS.hitchWraps.max),
  paces: limit('paces', 'count', 0.5, 200),
} as const;

/** What a kind makes of a source; null where that has nothing to ask so. */
export type Made<K extends DrillKind> = Omit<DrillOf<K>, 'kind' | 'seed'> & {
  /** How it is seen to move from what was said to what is true; at least the picture of the truth. */
  readonly seen: (said: Said | null) => readonly Picture[];
};
/** @param hard 0 to 1: how far it is from what is often seen, and how alike what is chosen among is */
export type Maker<K extends DrillKind> = (source: DrillSource, chance: Chance, hard: number) => Made<K> | null;

/** Size of every picture of a drill, in its own units. */
export const SIZE = [640, 320] as const;

/** Pictures of a move, without the first. Judgement: enough to be seen as one, few enough to be drawn at once. */
export const FRAMES = 10;
/** Shares of a move, from begun to done, slower at both ends. */
export const shares = (frames = FRAMES): number[] =>
  Array.from({ length: frames + 1 }, (_, k) => (1 - Math.cos((Math.PI * k) / frames)) / 2);

/** A number that is asked for. */
export const number = (
  of: keyof typeof SAID_LIMITS,
  truth: number,
  whole = false,
): Extract<Asked, { readonly form: 'number' }> => ({ form: 'number', limit: SAID_LIMITS[of], whole, truth });

/** To what a hand sets, and what a scale tells. */
export const rounded = (x: number, figures: number): number => Number(x.toPrecision(figures));

/** Between what is often seen and what seldom is, evenly in its logarithm: the ends a drill so hard is chosen within. */
export const within = (
  { easy, hard: far }: { readonly easy: readonly [number, number]; readonly hard: readonly [number, number] },
  hard: number,
): readonly [number, number] => [
  Math.exp((1 - hard) * Math.log(easy[0]) + hard * Math.log(far[0])),
  Math.exp((1 - hard) * Math.log(easy[1]) + hard * Math.log(far[1])),
];

/** A rig's line by itself: nothing pitched on it, lying under it or hung beside it. */
export function bare(rig: RidgeRig): RidgeRig {
  const { pitch, bed, under, walls, fire, ...line } = rig;
  void [pitch, bed, under, walls, fire];
  return line;
}

/** As pitched and lain in, quickly. */
export const judged = (rig: RidgeRig, { context }: Pick<DrillSource, 'context'>): RigReport =>
  judgeRig(rig, context, { full: false }).report;

/** The same; null where it cannot be worked out. */
export function tryJudged(rig: RidgeRig, source: Pick<DrillSource, 'context'>): RigReport | null {
  try {
    return judged(rig, source);
  } catch (error) {
    if (error instanceof RigProblem) return null;
    throw error;
  }
}

/** The last of a move alone, where nothing was said to begin it from. */
export const lastOf = (frames: readonly Picture[]): readonly Picture[] => frames.slice(-1);
