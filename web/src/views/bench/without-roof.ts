import type { RidgeRig } from '@rough-bight/core/rig';

/** The same rig without its roof. */
export function withoutRoof(rig: RidgeRig): RidgeRig {
  const { pitch, ...bare } = rig;
  void pitch;
  return bare;
}
