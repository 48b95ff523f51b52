import { metres, phrase } from '../../quantity/index.js';
import type { Vec3 } from '../../quantity/index.js';
import type { FormPlan, Key, Role, Setting } from './form.js';
import { FormProblem } from './form.js';

export const END = ['first', 'second'] as const;
export const SIDE = ['left', 'right'] as const;

/** Drop of a flank of length `w` from height `h` to an edge at `z`: how far it reaches out, m. */
export function reach(w: number, h: number, z: number, field: string): number {
  const drop = h - z;
  if (!(Math.abs(drop) < w - 1e-9))
    throw new FormProblem(
      field,
      phrase`A flank of ${metres(w)} cannot reach from ${metres(h)} down to ${metres(z)}. Lower the ridge, raise the edge, or take a wider cloth.`,
    );
  return Math.sqrt(w * w - drop * drop);
}

/** Height of the straight line between the ties at x. */
export function lineAt(g: Setting, x: number): number {
  const [a, b] = g.ties;
  return a[2] + ((b[2] - a[2]) * (x - a[0])) / (b[0] - a[0] || 1);
}

/** A point of a flank hung from the line at x: its edge at height `z` over the ground there. */
export function hung(g: Setting, x: number, side: 1 | -1, w: number, z: number, field: string, lift = 0): Vec3 {
  const top = lineAt(g, x) + lift;
  // the ground falls away under the edge: two rounds settle it
  let y = 0;
  for (let k = 0; k < 4; k++) y = side * reach(w, top, g.ground(x, y) + z, field);
  return [x, y, g.ground(x, y) + z];
}

/** Where an edge along the ridge can have tie-outs, as shares of half its length, with what they are called. */
const ALONG_EDGE = [
  { id: '0', name: '', share: -1 },
  { id: 'q', name: 'first quarter', share: -0.5 },
  { id: 't', name: 'first third', share: -1 / 3 },
  { id: '1', name: 'middle', share: 0 },
  { id: 'T', name: 'second third', share: 1 / 3 },
  { id: 'Q', name: 'second quarter', share: 0.5 },
  { id: '2', name: '', share: 1 },
] as const;

/**
 * A roof over a ridge: rectangle or diagonal, with flanks of any two heights. `ridgeT` is where the line crosses the
 * cloth, across it.
 */
export function overRidge(g: Setting, ridgeT: number, role: (end: 0 | 1) => Role, lift = 0): FormPlan {
  const half = g.length / 2;
  // a raised middle draws the ends in
  const level = Math.sqrt(half * half - lift * lift);
  const x = [g.middle - level, g.middle + level] as const;
  const wl = g.width / 2 - ridgeT;
  const wr = g.width / 2 + ridgeT;
  const keys: Key[] = [];
  for (const end of [0, 1] as const)
    keys.push({
      id: `r${end}`,
      name: `${END[end]} end`,
      flat: [end === 0 ? -half : half, ridgeT],
      at: [x[end], 0, lineAt(g, x[end])],
      role: role(end),
    });
  keys.push({
    id: 'rm',
    name: 'ridge middle',
    flat: [0, ridgeT],
    at: [g.middle, 0, lineAt(g, g.middle) + lift],
    role: lift > 0 ? { to: 'prop', sticks: 2 } : { to: 'fold' },
  });
  const facets: [string, string, string][] = [];
  for (const k of [0, 1] as const) {
    const w = k === 0 ? wl : wr;
    if (w < 0.05) continue;
    const side = k === 0 ? 1 : -1;
    const z = g.shape.edges[k];
    // under a raised middle the corners come in, by as much as keeps their distance from it
    const drawn = level - (lift * (lineAt(g, g.middle) - z)) / level;
    for (const { id, name, share } of ALONG_EDGE) {
      const corner = Math.abs(share) === 1;
      const raised = lift * (1 - Math.abs(share));
      keys.push({
        id: `${k}${id}`,
        name: corner ? `${END[share < 0 ? 0 : 1]} ${SIDE[k]} corner` : `${SIDE[k]} ${name}`,
        flat: [share * half, side * (g.width / 2)],
        at: hung(g, g.middle + share * drawn, side, w, z, `shape.edges.${k}`, raised),
        role: z <= 0.02 ? { to: 'peg' } : { to: 'guy', from: 'rm' },
        ...(corner ? {} : { optional: true as const, ...(share === 0 ? {} : { spare: true as const }) }),
      });
    }
    facets.push(['r0', 'rm', `${k}0`], ['rm', `${k}1`, `${k}0`], ['rm', 'r1', `${k}2`], ['rm', `${k}2`, `${k}1`]);
  }
  return {
    keys,
    facets,
    ridge: [
      [-half, ridgeT],
      [half, ridgeT],
    ],
    diagonal: false,
  };
}

export const onHitch = (end: 0 | 1): Role => ({ to: 'hitch', end });
