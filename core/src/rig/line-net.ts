import type { TreeTie } from '../assembly/index.js';
import { tiesOf } from '../assembly/index.js';
import type { LoadCase } from '../cases/index.js';
import type { Net, NetNode } from '../net/index.js';
import type { Vec3 } from '../quantity/index.js';
import type { RidgeModel } from './model.js';
import type { RidgeRig } from './rig-document.js';
import { trunkTie } from './trees.js';

/** Two things hung at one place sit so far apart on the line, m. */
const APART = 1e-3;

/** The ties of a ridgeline on its trunks. @param ties where they are, m */
export const ridgeTies = (rig: RidgeRig, ties: readonly [Vec3, Vec3]): readonly TreeTie[] =>
  ([0, 1] as const).map((i) => trunkTie(rig, i, ties[i]));

/**
 * A bare ridgeline with all that hangs on it as a net: one line through its loads, as an exact elastic catenary, on trunks that bend.
 * @param ties where it is tied, m
 */
export function lineNet(model: RidgeModel, c: LoadCase, ties: readonly [Vec3, Vec3]): Net {
  const { curve, perMetre, loads } = model.spanOf(c);
  const rest = model.stateOf(c).unstressed;
  const trees = tiesOf(ridgeTies(model.rig, ties));
  const hung = loads.map(({ at, force }, k): NetNode => {
    const place = [0, 1, 2].map((d) => ties[0][d]! + at * (ties[1][d]! - ties[0][d]!)) as unknown as Vec3;
    return { id: `hung ${model.rig.hung[k]!.id}`, at: place, load: force };
  });
  const passes = loads
    .map(({ at }, k) => ({ node: hung[k]!.id, at: at * rest, friction: 'locked' as const }))
    .sort((a, b) => a.at - b.at);
  passes.forEach((p, k) => (p.at = Math.max(p.at, (passes[k - 1]?.at ?? 0) + APART)));
  return {
    format: 'rough-bight/net@1',
    nodes: [...trees.nodes, ...hung],
    lines: [
      {
        id: 'ridge',
        from: 'trunk0',
        to: 'trunk1',
        restLength: rest,
        curve: Array.from(curve.strain, (e, i): [number, number] => [e, curve.tension[i]!]),
        weightPerMetre: -perMetre[2],
        through: passes,
      },
    ],
    stems: trees.stems,
  };
}
