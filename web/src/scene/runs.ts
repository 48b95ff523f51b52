import type { PitchResult } from '@rough-bight/core/pitch';
import { pathFrom } from '@rough-bight/core/roof';

/** Ways of the rain over the cloth worth drawing, each as nodes from where it falls: from the high ones, one in three. */
export function runsOf({ runOff, topology }: PitchResult): readonly (readonly number[])[] {
  const out: (readonly number[])[] = [];
  for (let n = 1; n < topology.clothNodes; n += 3)
    if (runOff.through[n]! < 3 * (runOff.catches / topology.clothNodes)) out.push(pathFrom(runOff, n));
  return out;
}
