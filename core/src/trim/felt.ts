import type { TiedRig } from '../pitch/index.js';
import { norm, sub } from '../quantity/index.js';
import type { Vec3 } from '../quantity/index.js';
import { FINGER, goesAside, wavesOf } from './press.js';

/** How a line feels as pitched, that hands can tell its pull by. */
export interface Felt {
  /** Row of the ledger. */
  readonly row: string;
  readonly name: string;
  /** N, and the length that is free to be pressed, m. */
  readonly pull: number;
  readonly length: number;
  /** How far a finger puts it aside in its middle, m. */
  readonly aside: number;
  /** How often a wave on it comes back when it is struck, a second. */
  readonly waves: number;
}

/** Shorter lines cannot be pressed apart from their knots, m. Judgement. */
const SHORTEST = 0.4;

/** How every guy and tie of a rig feels as pitched. */
export function feltIn({ model, engine, line, pitched }: TiedRig): Felt[] {
  const { structure: s } = engine;
  const { at, tension } = pitched.numbers;
  const point = (n: number): Vec3 => [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
  return model.members.flatMap((m, k): Felt[] => {
    if (m.role !== 'guy' && m.role !== 'tie') return [];
    const first = line[k]! + s.passStart[line[k]!]!;
    const length = norm(sub(point(s.stretchFrom[first]!), point(s.stretchTo[first]!)));
    const pull = tension[line[k]!]!;
    if (length < SHORTEST || pull < 1) return [];
    return [
      {
        row: m.id,
        name: m.name,
        pull,
        length,
        aside: goesAside(length, pull, FINGER, model.curveOf(m, false)),
        waves: wavesOf(length, pull, m.cord.massPerMetre.typical),
      },
    ];
  });
}
