import type { PitchShape, PitchTopology } from '@rough-bight/core/pitch';
import type { Vec3 } from '@rough-bight/core/quantity';
import { runsDown } from '@rough-bight/core/roof';

/** One panel in so many has the way of its rain drawn. */
const EVERY = 5;

/** Ways of the rain over the cloth worth drawing, each as places from where it falls, m. */
export function runsOf({ flat, corners }: PitchTopology, { at }: PitchShape): readonly (readonly Vec3[])[] {
  const panels = Array.from({ length: Math.floor(corners.length / 3 / EVERY) }, (_, k) => EVERY * k + 2);
  return runsDown({ flat, corners }, at, panels).filter((run) => run.length > 1);
}
