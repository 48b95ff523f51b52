import type { Range } from '../quantity/index.js';
import type { GivenWind } from '../rig/index.js';
import { hypercube } from './design.js';
import type { ShapeEffect } from './shape.js';
import type { Unknown } from './unknown.js';

/** What is asked of a rig that is not known well. */
export interface DoubtAsked {
  /** Ids of the cases that leave its links least, as a judgement found them; the rig as pitched is always one. */
  readonly cases: readonly string[];
  readonly seed: number;
  /** A gust at the roof instead of the rig's own wind. */
  readonly wind?: GivenWind;
  /** Unknowns by id that are taken as known: what that would spare. */
  readonly known?: ReadonlySet<string>;
}

/** Rigs that are solved come in so many designs of so many, which may be solved apart. */
export const PARTS = 4;
export const PART = 75;
/** Standard deviations beyond which nothing is drawn: what is measured is looked at. */
export const FARTHEST = 3;
/** Rigs as this one may be, solved. Lists go rig by rig. */
export interface Drawn {
  readonly rigs: number;
  readonly seed: number;
  readonly unknowns: readonly Unknown[];
  readonly members: readonly { readonly id: string; readonly name: string }[];
  readonly checks: readonly { readonly id: string; readonly name: string }[];
  /** What each check may hold, 5 to 95 %, as factors. */
  readonly spread: readonly Range[];
  /** Standard normal numbers of the unknowns, by rig. */
  readonly z: Float64Array;
  /** How many times over each check holds in the case that leaves it least, by rig. */
  readonly left: Float64Array;
  /** What pulls at each member, N, by rig: as pitched, and the most in any case with what flutter adds. */
  readonly pitched: Float64Array;
  readonly worst: Float64Array;
  /** As pitched, m, by rig; empty without a ridge. */
  readonly sag: Float64Array;
  /** 1 where every case came to rest. */
  readonly settled: Uint8Array;
  /** What it comes to where it stands a little otherwise; null where another part has worked that out. */
  readonly shapes: readonly ShapeEffect[] | null;
}

/** Rigs to be drawn, with nothing of them known yet. @param of how many, with how many unknowns each, and whether they have a line that sags */
export function toDraw(
  { members, checks, ...known }: Pick<Drawn, 'seed' | 'unknowns' | 'members' | 'checks' | 'spread' | 'shapes'>,
  of: { readonly rigs: number; readonly drawn: number; readonly sag: boolean },
): Drawn {
  const numbers = (each: number): Float64Array => new Float64Array(of.rigs * each);
  const named = (list: Drawn['members']): Drawn['members'] => list.map(({ id, name }) => ({ id, name }));
  return {
    ...known,
    rigs: of.rigs,
    members: named(members),
    checks: named(checks),
    z: numbers(of.drawn),
    left: numbers(checks.length),
    pitched: numbers(members.length),
    worst: numbers(members.length),
    sag: numbers(of.sag ? 1 : 0),
    settled: new Uint8Array(of.rigs),
  };
}

/**
 * Draws and solves them one by one.
 * @param solveOne writes down what came of a rig so many standard deviations off; false where it finds no rest
 * @returns null when it was stopped
 */
export function drawEach(
  out: Drawn,
  drawn: number,
  parts: readonly number[],
  progress: (done: number) => boolean,
  solveOne: (z: Float64Array, rig: number) => boolean,
): Drawn | null {
  for (const [b, part] of parts.entries()) {
    const z = hypercube(drawn, PART, out.seed, part).map((x) => Math.min(FARTHEST, Math.max(-FARTHEST, x)));
    out.z.set(z, b * PART * drawn);
    for (let i = 0; i < PART; i++) {
      const s = b * PART + i;
      if (!progress(s / out.rigs)) return null;
      out.settled[s] = solveOne(z.subarray(i * drawn, (i + 1) * drawn), s) ? 1 : 0;
    }
  }
  progress(1);
  return out;
}
