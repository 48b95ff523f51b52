import { chanceOf, drillOf } from '@rough-bight/core/drill';
import type { Asking, Drill, DrillKind, DrillSource, Said } from '@rough-bight/core/drill';
import type { Picture } from '@rough-bight/core/picture';
import type { UnitChoice } from '@rough-bight/core/quantity';
import type { LiveDrill } from '@rough-bight/core/teach';
import { expose } from 'comlink';
import type { Answer } from './answer.js';
import { answer } from './answer.js';

/** A rig of a camp that is asked about, with the place it may be asked of. */
export interface DrillRig extends DrillSource {
  readonly id: string;
  readonly name: string;
}
/** What a drill is made of. */
export interface DrillAsked {
  readonly rigs: readonly DrillRig[];
  readonly kind: DrillKind;
  readonly seed: number;
  readonly hard: number;
  readonly units: UnitChoice;
}
/** A drill, and the rig of the camp that it is made from. */
export interface AskedDrill {
  readonly drill: Drill;
  readonly of: string;
  readonly name: string;
}

/** What was asked last: it can be seen how it moves to what is true. */
let last: Asking | null = null;

/** A drill of a kind from one of the rigs, the first by chance that has something to ask; null where none has. */
function made({
  rigs,
  kind,
  seed,
  hard,
}: Omit<DrillAsked, 'units'>): (AskedDrill & { readonly asking: Asking }) | null {
  for (const one of chanceOf(seed).shuffled(rigs)) {
    const asking = drillOf(kind, one, seed, hard);
    if (asking !== null) return { asking, drill: asking.drill, of: one.id, name: one.name };
  }
  return null;
}

const service = {
  ask: ({ units, ...of }: DrillAsked): Answer<AskedDrill | null> =>
    answer(units, () => {
      const found = made(of);
      last = found?.asking ?? null;
      return found === null ? null : { drill: found.drill, of: found.of, name: found.name };
    }),
  /** A drill for many: with the picture of what is true, and without the rig and the working that it is made of. */
  live: ({ units, ...of }: DrillAsked): Answer<Omit<LiveDrill, 'camp'> | null> =>
    answer(units, () => {
      const found = made(of);
      if (found === null) return null;
      const { kind, seed, facts, truths, asked, shown } = found.drill;
      const after = found.asking.seen(null).at(-1) ?? null;
      return { kind, seed, facts, truths, asked, shown, after, rig: found.of, name: found.name };
    }),
  /** How what was asked last moves from what was said, or from what is shown, to what is true. */
  see: (said: Said | null, units: UnitChoice): Answer<readonly Picture[]> =>
    answer(units, () => last?.seen(said) ?? []),
  /** Many drills at once, each of a kind and a seed; those that no rig has are left out. */
  sheet: (
    rigs: readonly DrillRig[],
    wanted: readonly Pick<DrillAsked, 'kind' | 'seed' | 'hard'>[],
    progress: (done: number) => void,
  ): readonly AskedDrill[] =>
    wanted.flatMap((one, k) => {
      const found = made({ rigs, ...one });
      progress((k + 1) / wanted.length);
      return found === null ? [] : [{ drill: found.drill, of: found.of, name: found.name }];
    }),
};

export type DrillService = typeof service;
expose(service);
