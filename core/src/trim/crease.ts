import type { PitchModel, TiedRig } from '../pitch/index.js';
import { pitchModel, tieOff } from '../pitch/index.js';
import { isShared, supportOf } from '../support/index.js';
import { RigProblem } from '../rig/index.js';
import type { RidgeRig } from '../rig/index.js';
import { bunchedIn } from './bunched.js';
import type { Bunched } from './bunched.js';

/** Which way a foot is moved: out along its line, in, or to one side as one looks out along it. */
export const WAYS = { out: 'farther out', in: 'nearer', left: 'to the left', right: 'to the right' } as const;
export type Way = keyof typeof WAYS;

/** A peg moved, and the creases that are left then. */
export interface PegMove {
  /** Key and name of its guy. */
  readonly key: string;
  readonly name: string;
  readonly way: Way;
  /** m. */
  readonly by: number;
  readonly left: Bunched;
  /** The rig with it moved. */
  readonly rig: RidgeRig;
}

/** Where the cloth has too much of itself, and which peg moved takes most of it out. */
export interface Creases {
  readonly now: Bunched;
  /** Best first; only those that help. */
  readonly moves: readonly PegMove[];
}

/** So far a peg is moved to see what it does, m: two foot lengths. */
const TRIED = 0.5;
/** A move that takes less of the creases out is none, share. Judgement. */
const HELPS = 0.05;

/** Share of a cloth that is gathered which an eye does not see. Judgement, 0.1 to 0.5 %. */
const UNSEEN = 0.002;
export const liesFlat = ({ area, of }: Bunched): boolean => area < UNSEEN * of;

/** Tries every peg so far out, in and to either side, and ties the roof off again with each. */
export function creasesIn(rig: TiedRig, progress: (done: number) => boolean = () => true): Creases | null {
  const { model } = rig;
  const now = bunchedIn(model, rig.pitched);
  if (liesFlat(now)) return { now, moves: [] };
  const moves: PegMove[] = [];
  const movable = model.layout.reaches.filter(
    (r) => r.kind === 'guy' && r.key.role.to === 'guy' && !isShared(r.guy.anchor) && !supportOf(r.guy.anchor).rooted,
  );
  for (const [n, r] of movable.entries()) {
    const [dx, dy] = [r.foot[0] - r.key.at[0], r.foot[1] - r.key.at[1]];
    const long = Math.hypot(dx, dy) || 1;
    const [ux, uy] = [dx / long, dy / long];
    for (const [way, along, aside] of [
      ['out', TRIED, 0],
      ['in', -Math.min(TRIED, long / 2), 0],
      ['left', 0, TRIED],
      ['right', 0, -TRIED],
    ] as const) {
      const foot: [number, number] = [
        round(r.foot[0] + ux * along - uy * aside),
        round(r.foot[1] + uy * along + ux * aside),
      ];
      const moved = withFoot(model, r.key.id, foot);
      const left = bunchedOf(moved, model);
      if (left !== null && left.area < now.area * (1 - HELPS))
        moves.push({ key: r.key.id, name: r.key.name, way, by: Math.abs(along) + Math.abs(aside), left, rig: moved });
    }
    if (!progress((n + 1) / movable.length)) return null;
  }
  return { now, moves: moves.sort((a, b) => a.left.area - b.left.area) };
}

const round = (x: number): number => Math.round(x * 100) / 100;

const withFoot = ({ rig }: PitchModel, key: string, foot: readonly [number, number]): RidgeRig => {
  const pitch = rig.pitch!;
  return { ...rig, pitch: { ...pitch, own: { ...pitch.own, [key]: { ...pitch.own[key], foot } } } };
};

/** Creases of a rig; null where it cannot be, or finds no rest. */
function bunchedOf(rig: RidgeRig, { context }: PitchModel): Bunched | null {
  try {
    const model = pitchModel(rig, context, { ranges: false });
    const { pitched } = tieOff(model);
    return pitched.numbers.converged ? bunchedIn(model, pitched) : null;
  } catch (error) {
    if (error instanceof RigProblem) return null;
    throw error;
  }
}
