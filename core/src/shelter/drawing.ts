import type { PitchResult } from '../pitch/index.js';
import type { RidgeResult, RidgeRig, Shape } from '../rig/index.js';
import type { RigReport } from './whole.js';

/** What is drawn of any rig: its lines, sticks and things hung by the nodes they join, where those are in each case, and its guys. */
export type Drawing = Pick<PitchResult, 'topology' | 'shapes' | 'guys'>;
export type DrawnShape = Drawing['shapes'][number];

/** What is drawn of a judged rig. */
export const drawingOf = ({ rig, line, roof }: Pick<RigReport, 'rig' | 'line' | 'roof'>): Drawing =>
  roof ?? lineDrawing(rig, line!);

/** Parts of each stretch of a bare line: no kink shows. */
const PARTS = 24;

/** A bare line as its stretches from the first tie over each thing hung to the second. */
function lineDrawing(rig: RidgeRig, { shapes }: RidgeResult): Drawing {
  const stretches = rig.hung.length + 1;
  const order = rig.hung.map((_, i) => i).sort((a, b) => rig.hung[a]!.at - rig.hung[b]!.at);
  const nodeOf = (stop: number): number => stop * PARTS;
  const nodes = Array.from({ length: stretches }, (_, k) => Array.from({ length: PARTS + 1 }, (_, i) => nodeOf(k) + i));
  return {
    topology: {
      clothNodes: 0,
      corners: new Int32Array(0),
      flat: new Float64Array(0),
      lines: nodes.map((of, k) => ({ id: `ridge ${k}`, row: 'ridge', role: 'stretch', nodes: of, line: k })),
      sticks: [],
      keys: [],
      hung: rig.hung.map(({ id, name }, i) => ({ id, name, node: nodeOf(order.indexOf(i) + 1) })),
      spare: [],
      middle: null,
    },
    shapes: shapes.map((s) => drawnShape(s, order, rig.trunks[0].tieHeight)),
    guys: [],
  };
}

const NONE = new Float64Array(0);

/** @param order of the things hung along the line @param up height of the first tie, m */
function drawnShape({ caseId, points, ends, loads }: Shape, order: readonly number[], up: number): DrawnShape {
  const stops = [ends[0][0], ...order.map((i) => loads[i]![0]), ends[1][0]];
  const at = new Float64Array(3 * ((stops.length - 1) * PARTS + 1));
  const tension = new Float64Array(stops.length - 1);
  for (let n = 0; n < at.length / 3; n++) {
    // a point where something hangs is the end of the stretch before it
    const k = Math.max(0, Math.ceil(n / PARTS) - 1);
    const x = stops[k]! + ((n - k * PARTS) / PARTS) * (stops[k + 1]! - stops[k]!);
    const [y, z, pull] = onLine(points, x);
    at.set([x, y, z + up], 3 * n);
    tension[k] = Math.max(tension[k]!, pull);
  }
  return {
    caseId,
    converged: true,
    luffing: false,
    at,
    tension,
    push: NONE,
    pressure: NONE,
    ground: NONE,
    stress: NONE,
    state: new Uint8Array(0),
  };
}

/** Aside and height from the first tie, m, and tension, N, of a line of points (4 numbers each) at a place along it. */
function onLine(points: readonly number[], x: number): readonly [number, number, number] {
  let k = 4;
  while (k + 4 < points.length && points[k]! < x) k += 4;
  const [from, to] = [points[k - 4]!, points[k]!];
  const share = to > from ? Math.min(1, Math.max(0, (x - from) / (to - from))) : 1;
  const between = (c: number): number => points[k - 4 + c]! + share * (points[k + c]! - points[k - 4 + c]!);
  return [between(1), between(2), between(3)];
}
