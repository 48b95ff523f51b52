import type { Bed } from '../rig/index.js';
import { HOUR } from '../rig/index.js';

/** What is in a bed: nobody, or someone sitting, lying, or leaning out of it. */
export type Pose = 'empty' | 'sitting' | 'lying' | 'leaning';

/** A state of a bed in which it must hold. */
export interface BedCase {
  readonly id: string;
  readonly name: string;
  /** As the end of a sentence. */
  readonly said: string;
  readonly when: string;
  readonly pose: Pose;
  /** Whether it is the most of something quick, for which less than the steady margin is asked. */
  readonly shock: 'fall' | 'swing' | null;
  /** Height of the fall, m. */
  readonly fall: number;
  /** Whether wraps, knots and cloth have settled. */
  readonly settled: boolean;
  readonly wet: boolean;
}

const at = (
  id: string,
  name: string,
  said: string,
  when: string,
  pose: Pose,
  traits: Partial<BedCase> = {},
): BedCase => ({ id, name, said, when, pose, shock: null, fall: 0, settled: false, wet: false, ...traits });

/** How long a bed is lain in: what creeps does so for this long, s. */
export const NIGHT = 8 * HOUR;

/** Every case of a bed, in the order in which it is used. */
export function bedCases(bed: Bed): BedCase[] {
  return [
    at('empty', 'empty', 'empty', 'hung, nobody in it', 'empty'),
    at('sitting', 'seated', 'seated', 'sitting still in it', 'sitting'),
    at('lying', 'lying', 'lying still', 'just hung', 'lying'),
    at('settled', 'by morning', 'by morning', 'wraps, knots and cloth settled, eight hours lain in', 'lying', {
      settled: true,
    }),
    at('soaked', 'lying, soaked', 'soaked', 'settled, straps and cloth wet', 'lying', { settled: true, wet: true }),
    at('leaning', 'leaning out', 'leaning out of it', 'reaching for the pack', 'leaning'),
    at('getting-in', 'getting in', 'getting in', 'sitting down at once, no hand on the strap', 'sitting', {
      shock: 'fall',
    }),
    ...(bed.drop > 0
      ? [
          at('dropping', 'dropping in', 'dropping in', `falling ${bed.drop.toFixed(2)} m into it`, 'sitting', {
            shock: 'fall',
            fall: bed.drop,
          }),
        ]
      : []),
    ...(bed.swing > 0
      ? [
          at(
            'swinging',
            'swinging',
            'swinging',
            `${((bed.swing * 180) / Math.PI).toFixed(0)}° each way, at its lowest`,
            'lying',
            { shock: 'swing' },
          ),
        ]
      : []),
  ];
}
