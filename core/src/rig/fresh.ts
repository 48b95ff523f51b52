import { RIDGE_FORMAT } from './choices.js';
import type { RidgeRig } from './rig-document.js';

/** A plain ridge to begin from: two trees nobody has looked at yet, as far apart as a small roof wants. */
export function freshRig(cord: string): RidgeRig {
  return {
    format: RIDGE_FORMAT,
    span: { how: 'tape', tape: 6, paces: 8 },
    groundRise: 0,
    trunks: [
      { name: 'the left tree', wood: 'unknown', girth: 0.6, tieHeight: 1.6, signs: [] },
      { name: 'the right tree', wood: 'unknown', girth: 0.6, tieHeight: 1.6, signs: [] },
    ],
    cord,
    ends: [
      { termination: 'bowline', wraps: 1 },
      { termination: 'pulley', wraps: 1 },
    ],
    tensioning: {
      how: 'pulley',
      tension: 150,
      sag: 0.15,
      dip: { mass: 2, at: 3, drop: 0.15 },
      passes: { count: 3, takeUp: 0.06 },
      pulley: { pull: 'one-hand', loopOut: 0.8, setBack: 0.02 },
    },
    hung: [],
    wind: { beaufort: 3, shelter: 'edge' },
    sway: 0,
    tightness: 0.04,
    use: 'ridge',
    designRule: 'factor',
  };
}
