import { NoSuchLine } from '../line/index.js';
import { RigProblem } from '../rig/index.js';
import { chanceOf } from './chance.js';
import type { Asking, Drill, DrillKind } from './drill.js';
import { MAKERS } from './kinds/index.js';
import type { DrillSource } from './maker.js';

/**
 * A drill of one kind from a rig of the camp, and how it is seen to move to what is true; null where that rig has nothing to ask so.
 * @param seed whole number: another one makes another drill
 * @param hard 0 to 1: how far it is from what is often seen, and how alike what is chosen among is
 */
export function drillOf(kind: DrillKind, source: DrillSource, seed: number, hard = 0): Asking | null {
  const chance = chanceOf(seed);
  try {
    const made = MAKERS[kind](source, chance, Math.min(1, Math.max(0, hard)));
    if (made === null) return null;
    const { seen, ...drill } = made;
    return { drill: { ...drill, kind, seed } as Drill, seen };
  } catch (error) {
    // changed as it fell, it can no longer be worked out: another seed may
    if (error instanceof RigProblem || error instanceof NoSuchLine) return null;
    throw error;
  }
}
