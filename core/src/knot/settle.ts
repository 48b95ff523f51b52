import type { Vec3 } from '../quantity/index.js';
import type { Bar, Path } from './rope.js';
import { SAME_BEND } from './rope.js';

/**
 * Nodes of ropes moved by two rules in turn, again and again: each goes toward the middle of its neighbours, as rope that is drawn on
 * does; and where two are nearer than they are thick, both give way (position-based dynamics: Müller et al., J. Vis. Commun. 18, 2007).
 * No step is so long that one rope could pass another. Ends stay.
 */
export class Settling {
  /** Three a node, ropes after each other; 64 bits, since steps get small. */
  private readonly at: Float64Array;
  private readonly was: Float64Array;
  /** First node of each rope, and one past the last of all. */
  private readonly first: readonly number[];
  private readonly fixed: Uint8Array;
  /** Lengths of each rope up to its nodes, as it lay when neighbours were looked for. */
  private readonly along: Float64Array;
  /** Two nodes a pair; there is room for as many as are found. */
  private pairs: number[] = [];

  constructor(
    ropes: readonly Path[],
    private readonly bars: readonly Bar[],
    /** Which of them are loops: their ends meet. */
    private readonly closed: readonly boolean[] = ropes.map(() => false),
  ) {
    const first = [0];
    for (const r of ropes) first.push(first.at(-1)! + r.length);
    this.first = first;
    this.at = Float64Array.from(ropes.flat().flat());
    this.was = new Float64Array(this.at.length);
    this.along = new Float64Array(this.at.length / 3);
    this.fixed = new Uint8Array(this.at.length / 3);
    for (let r = 0; r + 1 < first.length; r++) this.fixed[first[r]!] = this.fixed[first[r + 1]! - 1] = 1;
  }

  /** As they lie now. */
  ropes(): Path[] {
    const { at, first } = this;
    return first.slice(0, -1).map((from, r) =>
      Array.from({ length: first[r + 1]! - from }, (_, k): Vec3 => {
        const i = 3 * (from + k);
        return [at[i]!, at[i + 1]!, at[i + 2]!];
      }),
    );
  }

  /** Pairs of nodes that may come to touch before they are looked for again. */
  private look(within: number): void {
    const { at, first, along } = this;
    const pairs: number[] = [];
    for (let r = 0; r + 1 < first.length; r++) {
      let s = 0;
      for (let m = first[r]!; m < first[r + 1]!; m++) {
        if (m > first[r]!) s += this.apart(m - 1, m);
        along[m] = s;
      }
    }
    for (let r = 0; r + 1 < first.length; r++)
      for (let m = first[r]!; m < first[r + 1]!; m++) {
        const [x, y, z] = [at[3 * m]!, at[3 * m + 1]!, at[3 * m + 2]!];
        for (let n = m + 1; n < along.length; n++) {
          if (Math.abs(at[3 * n]! - x) > within) continue;
          if (Math.abs(at[3 * n + 1]! - y) > within || Math.abs(at[3 * n + 2]! - z) > within) continue;
          if (n < first[r + 1]!) {
            const s = along[n]! - along[m]!;
            if (s < SAME_BEND || (this.closed[r] === true && along[first[r + 1]! - 1]! - s < SAME_BEND)) continue;
          }
          pairs.push(m, n);
        }
      }
    this.pairs = pairs;
  }

  private apart(m: number, n: number): number {
    const { at } = this;
    return Math.hypot(at[3 * m]! - at[3 * n]!, at[3 * m + 1]! - at[3 * n + 1]!, at[3 * m + 2]! - at[3 * n + 2]!);
  }

  /** Gives way where it is nearer than so much. */
  private part(thick: number): void {
    const { at, pairs, fixed, bars } = this;
    for (let k = 0; k < pairs.length; k += 2) {
      const [m, n] = [3 * pairs[k]!, 3 * pairs[k + 1]!];
      const [dx, dy, dz] = [at[m]! - at[n]!, at[m + 1]! - at[n + 1]!, at[m + 2]! - at[n + 2]!];
      const d2 = dx * dx + dy * dy + dz * dz;
      if (d2 >= thick * thick || d2 < 1e-18) continue;
      const d = Math.sqrt(d2);
      const by = Math.min(MOST, (thick - d) / 2) / d;
      if (fixed[pairs[k]!] === 0) {
        at[m]! += by * dx;
        at[m + 1]! += by * dy;
        at[m + 2]! += by * dz;
      }
      if (fixed[pairs[k + 1]!] === 0) {
        at[n]! -= by * dx;
        at[n + 1]! -= by * dy;
        at[n + 2]! -= by * dz;
      }
    }
    for (const { from, to, radius } of bars) {
      const [ax, ay, az] = [to[0] - from[0], to[1] - from[1], to[2] - from[2]];
      const l2 = ax * ax + ay * ay + az * az;
      const least = radius + thick / 2;
      for (let m = 0; m < fixed.length; m++) {
        if (fixed[m] === 1) continue;
        const i = 3 * m;
        const [x, y, z] = [at[i]! - from[0], at[i + 1]! - from[1], at[i + 2]! - from[2]];
        const t = Math.min(1, Math.max(0, (x * ax + y * ay + z * az) / l2));
        const [dx, dy, dz] = [x - t * ax, y - t * ay, z - t * az];
        const d2 = dx * dx + dy * dy + dz * dz;
        if (d2 >= least * least || d2 < 1e-18) continue;
        const d = Math.sqrt(d2);
        const by = Math.min(MOST, least - d) / d;
        at[i]! += by * dx;
        at[i + 1]! += by * dy;
        at[i + 2]! += by * dz;
      }
    }
  }

  private draw(share: number): void {
    const { at, was, fixed } = this;
    was.set(at);
    for (let m = 0; m < fixed.length; m++) {
      if (fixed[m] === 1) continue;
      for (let i = 3 * m; i < 3 * m + 3; i++) at[i]! += share * ((was[i - 3]! + was[i + 3]!) / 2 - was[i]!);
    }
  }

  /**
   * @param rounds how often
   * @param thick  distance that is kept
   * @param share  of the way to the middle that a node goes each time; 0 only parts what is too near
   */
  run(rounds: number, thick: number, share: number): void {
    for (let k = 0; k < rounds; k++) {
      if (k % LOOKED === 0) this.look(thick + LOOKED * 2 * MOST);
      if (share > 0) this.draw(share);
      for (let n = 0; n < PARTED; n++) this.part(thick);
    }
  }
}

/** Farthest that a node gives way at once: less than half of what keeps two apart. */
const MOST = 0.12;
/** Rounds after which neighbours are looked for anew, and how often each round parts them. */
const LOOKED = 5;
const PARTED = 3;
