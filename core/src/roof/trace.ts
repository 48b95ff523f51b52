import type { Vec3 } from '../quantity/index.js';
import type { Mesh } from './mesh.js';

/** Flatter than this water stands instead of running, m per m. Judgement. */
const FLAT = 0.005;
/** A panel that stands this upright has no way down in plan, m² of shadow. */
const UPRIGHT = 1e-6;
/** Panels that one run crosses at most: it cannot run in a circle, but a fold may turn it back and forth. */
const MOST = 200;

/** Nodes and panels of a cloth. */
type Sheet = Pick<Mesh, 'flat' | 'corners'>;

/** Which panels meet at each side, by its two nodes, and which at each node. */
interface Sides {
  readonly across: ReadonlyMap<number, readonly number[]>;
  readonly at: readonly (readonly number[])[];
}

/** A place of a run and where it lies. */
interface Step {
  readonly p: Vec3;
  readonly on: On;
}

/** A mesh's sides, worked out once. */
function sidesOf({ corners, flat }: Sheet): Sides {
  const nodes = flat.length / 2;
  const across = new Map<number, number[]>();
  const at: number[][] = Array.from({ length: nodes }, () => []);
  for (let t = 0; t < corners.length / 3; t++)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [corners[3 * t + k]!, corners[3 * t + ((k + 1) % 3)]!];
      at[a]!.push(t);
      const side = sideOf(a, b, nodes);
      across.set(side, [...(across.get(side) ?? []), t]);
    }
  return { across, at };
}
const sideOf = (a: number, b: number, nodes: number): number => Math.min(a, b) * nodes + Math.max(a, b);

/** Where a run stands: inside a panel, on a side of it, or on a node. */
type On =
  | { readonly panel: number }
  | { readonly side: readonly [number, number]; readonly from: number }
  | { readonly node: number };

/**
 * Ways of rain over a cloth as it stands: down the steepest line of each panel, along a valley where two panels lean together, to
 * where it drips from the edge or stands. One begins in the middle of every panel named.
 * @param at     places of the cloth's nodes, 3 each, m
 * @param panels where they begin
 * @returns places of each run, m, from where it falls
 */
export function runsDown(mesh: Sheet, at: ArrayLike<number>, panels: readonly number[]): Vec3[][] {
  const sides = sidesOf(mesh);
  return panels.map((panel) => runFrom(mesh, sides, at, panel));
}

function runFrom(mesh: Sheet, sides: Sides, at: ArrayLike<number>, begin: number): Vec3[] {
  const nodes = mesh.flat.length / 2;
  const place = (n: number): Vec3 => [at[3 * n]!, at[3 * n + 1]!, at[3 * n + 2]!];
  const cornersOf = (t: number): readonly [number, number, number] => [
    mesh.corners[3 * t]!,
    mesh.corners[3 * t + 1]!,
    mesh.corners[3 * t + 2]!,
  ];
  const three = cornersOf(begin).map(place);
  let p: Vec3 = [0, 1, 2].map((c) => three.reduce((sum, q) => sum + q[c]! / 3, 0)) as unknown as Vec3;
  let on: On = { panel: begin };
  const out: Vec3[] = [p];
  for (let step = 0; step < MOST; step++) {
    const next = advance(on, p);
    if (next === null || !(next.p[2] < p[2] + 1e-9)) break;
    if (Math.hypot(next.p[0] - p[0], next.p[1] - p[1], next.p[2] - p[2]) > 1e-9) out.push(next.p);
    p = next.p;
    on = next.on;
  }
  return out;

  /** One panel farther down; null where it drips or stands. */
  function advance(now: On, start: Vec3): Step | null {
    if ('panel' in now) return acrossPanel(now.panel, null, start);
    if ('node' in now) return fromNode(now.node);
    const other = sides.across.get(sideOf(...now.side, nodes))!.find((t) => t !== now.from);
    // over the hem it drips
    return other === undefined ? null : (acrossPanel(other, now.side, start) ?? alongSide(now.side, start));
  }

  /** Down a panel to its far side; null where it is flat, or leads back over the side it was entered by. */
  function acrossPanel(t: number, entered: readonly [number, number] | null, start: Vec3): Step | null {
    const down = steepest(t);
    if (down === null) return null;
    const ids = cornersOf(t);
    let best: { along: number; a: number; b: number; f: number } | null = null;
    for (let k = 0; k < 3; k++) {
      const [a, b] = [ids[k]!, ids[(k + 1) % 3]!];
      if (entered !== null && sideOf(a, b, nodes) === sideOf(...entered, nodes)) continue;
      const [u, v] = [place(a), place(b)];
      const [ex, ey] = [v[0] - u[0], v[1] - u[1]];
      const cross = down[0] * ey - down[1] * ex;
      if (Math.abs(cross) < 1e-12) continue;
      const along = ((u[0] - start[0]) * ey - (u[1] - start[1]) * ex) / cross;
      const f = ((u[0] - start[0]) * down[1] - (u[1] - start[1]) * down[0]) / cross;
      if (along > 1e-9 && f >= -1e-9 && f <= 1 + 1e-9 && (best === null || along < best.along))
        best = { along, a, b, f };
    }
    if (best === null) return null;
    const { a, b } = best;
    const f = Math.min(1, Math.max(0, best.f));
    const [u, v] = [place(a), place(b)];
    const to: Vec3 = [u[0] + f * (v[0] - u[0]), u[1] + f * (v[1] - u[1]), u[2] + f * (v[2] - u[2])];
    if (f < 1e-6 || f > 1 - 1e-6) return { p: f < 0.5 ? u : v, on: { node: f < 0.5 ? a : b } };
    return { p: to, on: { side: [a, b], from: t } };
  }

  /** Along a valley to its lower end. */
  function alongSide([a, b]: readonly [number, number], start: Vec3): Step | null {
    const low = place(a)[2] < place(b)[2] ? a : b;
    const to = place(low);
    const run = Math.hypot(to[0] - start[0], to[1] - start[1]);
    return start[2] - to[2] > FLAT * run ? { p: to, on: { node: low } } : null;
  }

  /** From a node down the steepest of its panels and sides. */
  function fromNode(n: number): Step | null {
    const start = place(n);
    let best: { fall: number; go: Step } | null = null;
    for (const t of sides.at[n]!) {
      const ids = cornersOf(t);
      for (const m of ids) {
        // along the hem it drips
        if (m === n || sides.across.get(sideOf(n, m, nodes))!.length < 2) continue;
        const to = place(m);
        const fall = (start[2] - to[2]) / Math.max(1e-9, Math.hypot(to[0] - start[0], to[1] - start[1]));
        if (fall > FLAT && (best === null || fall > best.fall)) best = { fall, go: { p: to, on: { node: m } } };
      }
      const down = steepest(t);
      const far = ids.filter((m) => m !== n) as [number, number];
      const go = down === null ? null : acrossPanel(t, null, start);
      // a line that leaves by the far side, or by one of its ends, runs inside the panel
      const inside =
        go !== null &&
        ('side' in go.on
          ? sideOf(...go.on.side, nodes) === sideOf(...far, nodes)
          : 'node' in go.on && far.includes(go.on.node));
      if (inside && (best === null || down![2] > best.fall - 1e-9)) best = { fall: down![2], go: go! };
    }
    return best?.go ?? null;
  }

  /** Unit direction down a panel in plan, and how steep it is, m per m; null where it is flat or stands upright. */
  function steepest(t: number): readonly [x: number, y: number, fall: number] | null {
    const [a, b, c] = cornersOf(t).map(place) as [Vec3, Vec3, Vec3];
    const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
    const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
    const det = ux * vy - uy * vx;
    if (Math.abs(det) < UPRIGHT) return null;
    const gx = (uz * vy - vz * uy) / det;
    const gy = (ux * vz - vx * uz) / det;
    const fall = Math.hypot(gx, gy);
    return fall > FLAT ? [-gx / fall, -gy / fall, fall] : null;
  }
}
