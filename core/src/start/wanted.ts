import type { BodyMeasures } from '../quantity/index.js';
import { withBedOf } from '../rig/index.js';
import type { Pitch, RigContext, RidgeRig } from '../rig/index.js';
import type { PitchForm } from '../roof/index.js';

/** Who the roof is for. */
export type Who =
  | { readonly kind: 'ground'; readonly people: number; readonly packs: number }
  | { readonly kind: 'hammock'; readonly bed: string; readonly mass: number }
  /** A class that stands and sits at its meal. */
  | { readonly kind: 'class'; readonly people: number };

/** What a rig is wanted for, as one says it on arriving: what roof, for whom, where, and in what weather. */
export interface Wanted {
  /** A roof of the kit; null for whichever of it suits. */
  readonly roof: string | null;
  /** A form to pitch it in; whichever suits where it is left out. */
  readonly form?: PitchForm | undefined;
  readonly who: Who;
  /** The bare line between the two trunks, as far as they are known, and the wind by its signs. */
  readonly base: RidgeRig;
  /** How the span lies, where the wind comes from, the soil and the fall across it. */
  readonly lie: Pick<Pitch, 'bearing' | 'windFrom' | 'soil' | 'crossRise'>;
}

/** Heights the ridge is tied at for each, by one's own body: low keeps heat and sheds wind, high gives room. */
export const TIED_AT: Readonly<
  Record<Who['kind'], readonly (keyof BodyMeasures & ('waist' | 'chest' | 'brow' | 'reach'))[]>
> = {
  ground: ['waist', 'chest', 'brow'],
  hammock: ['reach'],
  class: ['reach'],
};

/** Ground a person wants under a roof, m²: lying with a pack, standing at a meal. Judgement: 1.4 to 2, 0.6 to 1. */
const LIES_ON = 1.6;
const STANDS_ON = 0.8;

/** Ground that a roof should cover, m². */
export const groundWanted = (who: Who): number =>
  who.kind === 'ground' ? who.people * LIES_ON : who.kind === 'class' ? who.people * STANDS_ON : 2.5;

/** The rig with the bed that is wanted on it, to be hung; as it is without one. */
export function withBed(rig: RidgeRig, who: Who, context: RigContext): RidgeRig {
  if (who.kind !== 'hammock') return rig;
  const hung = withBedOf(rig, who.bed, context);
  return hung.bed === undefined ? rig : { ...hung, bed: { ...hung.bed, mass: who.mass } };
}
