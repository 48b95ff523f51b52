import { acrossOf } from '../catalogue/index.js';
import { cordNeeded, cutLength } from '../cordage/index.js';
import { trunkEnd, trunksUsed } from '../rig/index.js';
import type { Member, PitchModel } from './model.js';
import type { TiedRig } from './solve.js';
import { cutOf, keptLength } from './cut.js';

/** A guy that lives on the cloth at a length of its own. */
export interface KeptGuy {
  readonly id: string;
  /** Of its tie-out. */
  readonly key: string;
  readonly name: string;
  /** All of it, and what is over beyond what it wants here, m; negative where it is too short. */
  readonly kept: number;
  readonly over: number;
  /** How far its foot comes in so that it reaches, m, in steps of a hand's breadth, and where that is; null where it reaches, or would not even straight down. */
  readonly inBy: number | null;
  readonly nearer: readonly [x: number, y: number] | null;
  /** Whether what is over goes on from its foot to a tree of the rig and from there to the other: a second line. */
  readonly secondLine: boolean;
}

/** Every guy that lives on the cloth, against what it wants where it is pitched. */
export function keptOf({ model, tied }: Pick<TiedRig, 'model' | 'tied'>): KeptGuy[] {
  return model.members.flatMap((m, k): KeptGuy[] => {
    const kept = keptLength(m);
    if (kept === 0) return [];
    const cut = cutOf(model, m, tied[k]!);
    const over = kept - (cutLength(cut) - cut.over);
    return [
      {
        id: m.id,
        key: m.reach!.key.id,
        name: m.name,
        kept,
        over,
        ...(over < 0 ? comesIn(m, -over) : REACHES),
        secondLine: trunksUsed(model.rig).length === 2 && over >= secondLine(model, m),
      },
    ];
  });
}

const REACHES = { inBy: null, nearer: null } as const;
/** Feet are moved in steps of this, m: half a hand's breadth. Judgement. */
const STEP = 0.05;

/** How far a foot comes in toward under its tie-out so that the guy is shorter by so much, m. */
function comesIn({ reach }: Member, by: number): Pick<KeptGuy, 'inBy' | 'nearer'> {
  const { key, foot } = reach!;
  const [x, y] = [foot[0] - key.at[0], foot[1] - key.at[1]];
  const out = Math.hypot(x, y);
  const up = key.at[2] - foot[2];
  const along = Math.hypot(out, up) - by;
  if (!(along > Math.abs(up))) return REACHES;
  const inBy = Math.ceil((out - Math.sqrt(along * along - up * up)) / STEP) * STEP;
  if (inBy >= out) return REACHES;
  const share = (out - inBy) / out;
  return { inBy, nearer: [key.at[0] + share * x, key.at[1] + share * y] };
}

/** Cord for a second line: from the guy's foot to the nearer tree, round it, and on to the other, m. */
function secondLine({ rig, ridge, layout }: PitchModel, m: Member): number {
  const [x, y] = m.reach!.foot;
  const { ties } = layout.setting;
  const near = Math.min(...ties.map((t) => Math.hypot(t[0] - x, t[1] - y, t[2])));
  const ends = ([0, 1] as const).map((i) => trunkEnd(rig, ridge.terminations, i));
  return cordNeeded(near + ridge.distance, ends, acrossOf(m.cord), 0);
}
