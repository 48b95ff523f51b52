import type { Pitch, RidgeRig } from '../rig/index.js';
import { guyOf } from '../rig/index.js';
import { freshSupport } from '../support/index.js';
import type { PitchLayout } from './layout.js';

/** What becomes of the middle of a cloth that its form does not hold. */
export const MIDDLES = {
  hangs: 'as it hangs',
  cord: 'drawn up to a branch',
  stick: 'a stick under it',
} as const;
export type Middle = keyof typeof MIDDLES;

/** The middle of a pitched cloth: its key, what is done with it, and how high its form has it over the ground, m. */
export interface MiddleReport {
  readonly key: string;
  readonly how: Middle;
  readonly height: number;
}

/** The middle of a cloth; null where its form holds it itself, or lays it on its ridge. */
export function middleIn({ up, setting }: PitchLayout, pitch: Pitch): MiddleReport | null {
  if (up === null) return null;
  const guy = guyOf(pitch, up.id);
  const on = pitch.own[up.id]?.off === false;
  return {
    key: up.id,
    how: !on ? 'hangs' : guy.stick > 0 ? 'stick' : 'cord',
    height: up.at[2] - setting.ground(up.at[0], up.at[1]),
  };
}

/** A branch or a stick is taken so much over where the middle hangs, m: in steps that hands have. */
const BRANCH_OVER = 1.5;
const STICK_OVER = 0.25;
const STEP = 0.05;
const inSteps = (height: number): number => Math.round(height / STEP) * STEP;

/** The same pitch with something else done with its middle. */
export function withMiddle(pitch: Pitch, { key, height }: MiddleReport, how: Middle): Pitch {
  const rest = Object.fromEntries(Object.entries(pitch.own).filter(([k]) => k !== key));
  if (how === 'hangs') return { ...pitch, own: rest };
  const branch = { ...freshSupport('branch', []), height: inSteps(height + BRANCH_OVER) };
  return {
    ...pitch,
    own: {
      ...rest,
      [key]:
        how === 'cord'
          ? { off: false, stick: 0, foot: null, anchor: branch as Pitch['guy']['anchor'] }
          : { off: false, stick: inSteps(height + STICK_OVER) },
    },
  };
}

/** The same pitch with the middle of the roof over whoever lies on the ground there; null where nobody is said to. */
export function overSleepers({ pitch, under = [] }: Pick<RidgeRig, 'pitch' | 'under'>): Pitch | null {
  const sleepers = under.filter((l) => l.kind === 'sleeper');
  if (pitch === undefined || sleepers.length === 0) return null;
  const mean = sleepers.reduce((sum, l) => sum + l.at[0], 0) / sleepers.length;
  return { ...pitch, middle: inSteps(mean) };
}
