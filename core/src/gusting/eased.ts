import type { PitchModel } from '../pitch/index.js';
import type { Guy, Pitch, RidgeRig } from '../rig/index.js';

/** What may ease snatches: the rig as it is, elastic let into every guy, the ridge with half its tension, the guys hauled half as hard. */
export const EASINGS = {
  none: 'As it is',
  elastic: 'Elastic in every guy',
  ridge: 'Ridge half as tight',
  guys: 'Guys hauled half as hard',
} as const;
export type Easing = keyof typeof EASINGS;

/** Half of a pull is not looked for under this, N. */
const LEAST = 10;
const halved = (pull: number): number => Math.max(LEAST, pull / 2);

/** A rig eased: only to compare with, for it may then sag where it should not. */
export function easedBy({ rig, ridge }: Pick<PitchModel, 'rig' | 'ridge'>, easing: Easing): RidgeRig {
  switch (easing) {
    case 'none':
      return rig;
    case 'ridge':
      return { ...rig, tensioning: { ...rig.tensioning, how: 'tension', tension: halved(ridge.pretension.value) } };
    case 'guys':
      return withGuys(rig, (guy) => (guy.haul === undefined ? guy : { ...guy, haul: halved(guy.haul) }));
    case 'elastic':
      return withGuys(rig, (guy) => ({ ...guy, hitch: 'elastic' }));
  }
}

function withGuys(rig: RidgeRig, change: (guy: Partial<Guy>) => Partial<Guy>): RidgeRig {
  const pitch = rig.pitch!;
  const own: Pitch['own'] = Object.fromEntries(Object.entries(pitch.own).map(([key, guy]) => [key, change(guy!)]));
  return { ...rig, pitch: { ...pitch, guy: { ...pitch.guy, ...change(pitch.guy) }, own } };
}
