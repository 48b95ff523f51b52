import { NoSuchLine } from '../line/index.js';
import type { PitchModel } from '../pitch/index.js';
import { RigProblem, guyOf } from '../rig/index.js';
import type { RidgeRig } from '../rig/index.js';
import { PITCH_TRAITS } from '../roof/index.js';
import { Z95 } from '../quantity/index.js';
import type { ShapedBy, Unknown } from './unknown.js';

/** What a rig that stands a little otherwise than it was measured leaves its places, against the rig as believed. */
export interface ShapeEffect {
  /** Id of the unknown. */
  readonly id: string;
  /** At the low and the high end of its range. */
  readonly ends: readonly [ShapeEnd, ShapeEnd];
}
export interface ShapeEnd {
  /** Logarithm of what every place has left over what it has left as believed. */
  readonly left: Float64Array;
  /** false where it comes to no rest. */
  readonly rests: boolean;
}

/**
 * How well heights of ties, and of edges and sticks, are known that a hand reached up to, and how far out a foot is that was set by
 * hand: one in ten is farther off, m. Judgement, 0.03 to 0.08, 0.05 to 0.15 and 0.05 to 0.2.
 */
const TIE_OFF = 0.05;
const EDGE_OFF = 0.1;
const PROP_OFF = 0.05;
const FOOT_OFF = 0.1;
/** An edge no higher than this is pegged to the ground, m. */
const DOWN = 0.02;

const off = (what: ShapedBy, name: string, kind: Unknown['kind'], by: number): Unknown => ({
  id: typeof what === 'string' ? `shape:${what}` : `shape:foot:${what.key}`,
  name,
  kind,
  acts: { on: 'shape', what },
  value: 0,
  range: [-by, by],
});

/** The same of how high a line is tied. */
export const unknownTies = ({ trunks }: Pick<RidgeRig, 'trunks'>): Unknown[] =>
  ([0, 1] as const).map((i) => off(`tie${i}`, `height of the tie at ${trunks[i].name}`, 'tie-heights', TIE_OFF));

/** What is not known of how high things stand and how far out, as how far off that is. */
export function unknownShape({ rig, hasRidge, layout }: PitchModel): Unknown[] {
  const { reads } = PITCH_TRAITS[rig.pitch!.form];
  return [
    ...(hasRidge ? unknownTies(rig) : []),
    ...(reads.includes('edges') && rig.pitch!.shape.edges.some((e) => e > DOWN)
      ? [off('edges', 'how high its edges hang', 'edge-heights', EDGE_OFF)]
      : []),
    ...(reads.includes('prop') ? [off('prop', 'how high its prop is', 'edge-heights', PROP_OFF)] : []),
    ...layout.reaches.flatMap(({ key, kind, guy, foot: [x, y] }) => {
      // a foot that follows the cloth is where that says; one at what bears other lines too is measured there
      if (kind === 'tie' || guy.foot === null || guy.anchor.kind === 'tree' || guy.anchor.kind === 'same') return [];
      const far = Math.hypot(x - key.at[0], y - key.at[1]);
      if (far === 0) return [];
      const out = [(x - key.at[0]) / far, (y - key.at[1]) / far] as const;
      return [off({ key: key.id, out }, `how far out the foot at the ${key.name} is`, 'feet', FOOT_OFF)];
    }),
  ];
}

/** The rig with something so much higher or farther out, m. */
export function shaped(rig: RidgeRig, what: ShapedBy, by: number): RidgeRig {
  const higher = (k: 0 | 1): RidgeRig['trunks'][number] =>
    what === `tie${k}` ? { ...rig.trunks[k], tieHeight: rig.trunks[k].tieHeight + by } : rig.trunks[k];
  if (what === 'tie0' || what === 'tie1') return { ...rig, trunks: [higher(0), higher(1)] };
  const pitch = rig.pitch!;
  const { shape } = pitch;
  if (typeof what === 'object') {
    const guy = guyOf(pitch, what.key);
    const [x, y] = guy.foot!;
    const foot: [number, number] = [x + by * what.out[0], y + by * what.out[1]];
    return { ...rig, pitch: { ...pitch, own: { ...pitch.own, [what.key]: { ...pitch.own[what.key], foot } } } };
  }
  const edge = (e: number): number => (e > DOWN ? Math.max(DOWN + 1e-3, e + by) : e);
  switch (what) {
    case 'edges':
      return { ...rig, pitch: { ...pitch, shape: { ...shape, edges: [edge(shape.edges[0]), edge(shape.edges[1])] } } };
    case 'prop':
      return { ...rig, pitch: { ...pitch, shape: { ...shape, prop: shape.prop + by } } };
  }
}

/**
 * What the ends of each come to.
 * @param leftOf how many times over each place of a rig holds; null where it comes to no rest
 * @param left   that of the rig as believed
 */
export function effectsOf(
  rig: RidgeRig,
  unknowns: readonly Unknown[],
  left: ArrayLike<number>,
  leftOf: (rig: RidgeRig) => ArrayLike<number> | null,
): ShapeEffect[] {
  const none = new Float64Array(left.length);
  const endOf = (what: ShapedBy, by: number): ShapeEnd => {
    try {
      const now = leftOf(shaped(rig, what, by));
      if (now === null) return { left: none, rests: false };
      const ratio = (j: number): number =>
        now[j]! > 0 && left[j]! > 0 && Number.isFinite(now[j]!) && Number.isFinite(left[j]!)
          ? Math.log(now[j]! / left[j]!)
          : 0;
      return { left: none.map((_, j) => ratio(j)), rests: true };
    } catch (error) {
      // so it cannot be pitched: then it does not stand so
      if (error instanceof RigProblem || error instanceof NoSuchLine) return { left: none, rests: true };
      throw error;
    }
  };
  return unknowns.flatMap(({ id, acts, range: [low, high] }) =>
    acts.on === 'shape' ? [{ id, ends: [endOf(acts.what, low), endOf(acts.what, high)] as const }] : [],
  );
}

/** Logarithm of what a place has left so many standard deviations off, straight to either end. */
export const effectAt = ({ ends: [low, high] }: ShapeEffect, place: number, z: number): number =>
  (z >= 0 ? high : low).left[place]! * (Math.abs(z) / Z95);

/** Whether a rig comes to rest so many standard deviations off, as far as its ends say: beyond half-way to one that does not, it does not. */
export const restsAt = ({ ends: [low, high] }: ShapeEffect, z: number): boolean =>
  Math.abs(z) < Z95 / 2 || (z >= 0 ? high : low).rests;
