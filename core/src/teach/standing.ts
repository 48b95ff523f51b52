import { DRILL_KINDS, calibration, offBy } from '../drill/index.js';
import type { DrillKind, Guessed, Off } from '../drill/index.js';
import type { Learner } from './learner.js';
import type { Pitched, Times } from './pitched.js';
import { timesOf } from './pitched.js';

/** What of a learner is known. */
export interface Learnt extends Learner {
  readonly guesses: readonly Guessed[];
  readonly pitches: readonly Pitched[];
}

/** How somebody stands with one kind of drill. */
export interface StandsWith {
  readonly kind: DrillKind;
  readonly count: number;
  /** Of the last ten, how many were near. */
  readonly near: number;
  readonly of: number;
  readonly off: Off | null;
  /** Asked often enough to be told, and still seldom near. */
  readonly stuck: boolean;
}
/** How a learner stands. */
export interface Standing extends Learner {
  readonly count: number;
  readonly off: Off | null;
  readonly kinds: readonly StandsWith[];
  readonly stuck: readonly DrillKind[];
  readonly roof: Times | null;
}

/** Guesses that tell how somebody stands now. */
const LAST = 10;
/** Fewer than this tell nothing. */
const LEAST = 5;
/** Whoever is near less often than this, by all that the guesses can tell, is stuck. Drills are made so that three in four are near. */
const SELDOM = 0.5;

/** How a learner stands with every kind they were asked. */
export function standingOf({ id, name, guesses, pitches }: Learnt): Standing {
  const kinds = DRILL_KINDS.flatMap((kind): StandsWith[] => {
    const all = guesses.filter((g) => g.kind === kind).sort((a, b) => (a.at < b.at ? -1 : 1));
    if (all.length === 0) return [];
    const last = all.slice(-LAST);
    const near = last.filter((g) => g.near).length;
    // the range of the share that is near, whatever they said of their sureness
    const { range } = calibration(last.map((g) => ({ ...g, sure: 0 })))[0]!;
    const stuck = last.length >= LEAST && (range[1] < SELDOM || near / last.length < SELDOM / 2);
    return [{ kind, count: all.length, near, of: last.length, off: offBy(last), stuck }];
  });
  return {
    id,
    name,
    count: guesses.length,
    off: offBy([...guesses].sort((a, b) => (a.at < b.at ? -1 : 1)).slice(-3 * LAST)),
    kinds,
    stuck: kinds.filter((k) => k.stuck).map((k) => k.kind),
    roof: timesOf(pitches.filter((p) => p.of === 'roof')),
  };
}

/** What a class has most trouble with: kinds of drill by how many are stuck, then by how seldom they are near. */
export function troubleOf(class_: readonly Standing[]): readonly {
  readonly kind: DrillKind;
  readonly stuck: readonly string[];
  readonly near: number;
  readonly of: number;
}[] {
  return DRILL_KINDS.map((kind) => {
    const with_ = class_.flatMap((s) => s.kinds.filter((k) => k.kind === kind).map((k) => ({ name: s.name, ...k })));
    return {
      kind,
      stuck: with_.filter((k) => k.stuck).map((k) => k.name),
      near: with_.reduce((sum, k) => sum + k.near, 0),
      of: with_.reduce((sum, k) => sum + k.of, 0),
    };
  })
    .filter((t) => t.of > 0)
    .sort((a, b) => b.stuck.length - a.stuck.length || a.near / a.of - b.near / b.of);
}
