import { BLOCK, hypercube } from './design.js';
import { firstOrder } from './share.js';
import { effectAt, restsAt } from './shape.js';
import { FARTHEST, PARTS } from './drawn.js';
import type { Drawn } from './drawn.js';
import { valueAt } from './unknown.js';
import type { Unknown, UnknownKind } from './unknown.js';

/** 5, 50 and 95 %. */
export interface Band {
  readonly low: number;
  readonly mid: number;
  readonly high: number;
}

/** Share of the samples, and one standard deviation of it from designs that know nothing of each other. */
export interface Chance {
  readonly value: number;
  readonly sd: number;
}

export interface Doubt {
  readonly samples: number;
  /** Rigs that were solved: samples are these, each several times with other strengths. */
  readonly solved: number;
  /** Samples in which no rest was found: counted as giving. Where that is all of them nothing is known of lines and links. */
  readonly unsettled: number;
  /** As pitched, and the most in any case, N. */
  readonly lines: readonly {
    readonly id: string;
    readonly name: string;
    readonly pitched: Band;
    readonly worst: Band;
  }[];
  /** m; null without a ridge. */
  readonly sag: Band | null;
  /** What can give, likeliest first: how many times over it holds, how often it gives, and how often it is the first. */
  readonly links: readonly {
    readonly id: string;
    readonly name: string;
    readonly left: Band;
    readonly gives: Chance;
    readonly first: number;
  }[];
  /** How often anything gives. */
  readonly gives: Chance;
  /** How many times over what is nearest to giving still holds. */
  readonly least: Band;
  /** What is not known, by the share of the doubt in `least` that it makes by itself. */
  readonly unknowns: readonly {
    readonly id: string;
    readonly name: string;
    readonly kind: UnknownKind;
    readonly share: number;
  }[];
  /** The same numbers from the first so many samples: how they come to rest. */
  readonly converged: readonly { readonly samples: number; readonly least: Band; readonly gives: number }[];
}

/** Over this a margin is plenty, however large. */
const PLENTY = 50;

/**
 * What rigs as this one may be come to: every sample is one of the rigs that were solved, with strengths of its own drawn for it; each
 * solved rig is taken equally often. Heights are drawn with the strengths: what each alone does to a place multiplies with the rest.
 * @param parts   solved of one rig and seed, in order, the first of them among them
 * @param samples rounded up to whole designs of {@link BLOCK}
 * @throws RangeError without the first part
 */
export function doubtOf(parts: readonly Drawn[], samples: number): Doubt {
  const shapes = parts.find((p) => p.shapes !== null)?.shapes;
  if (shapes === undefined || shapes === null) throw new RangeError('parts: the first is not among them');
  const solved = joined(parts);
  const { checks, members, unknowns, rigs } = solved;
  const strengths = unknowns.filter((u) => u.acts.on === 'strength');
  /** Unknowns that are drawn anew for every sample, after those that rigs are solved with. */
  const drawn = strengths.length + shapes.length;
  const d = unknowns.length - drawn;
  const holding = holdingOf(strengths, checks.length);
  const blocks = Math.ceil(samples / BLOCK);
  const n = blocks * BLOCK;
  const rigOf = (s: number): number => s % rigs;
  const z = new Float64Array(n * drawn);
  const left = new Float64Array(n * checks.length);
  const least = new Float64Array(n);
  for (let b = 0; b < blocks; b++) {
    const block = hypercube(drawn, BLOCK, solved.seed, PARTS + b);
    z.set(
      block.map((x) => Math.min(FARTHEST, Math.max(-FARTHEST, x))),
      b * BLOCK * drawn,
    );
  }
  const shapeOf = (s: number, i: number): number => z[s * drawn + strengths.length + i]!;
  const rests = (s: number): boolean =>
    solved.settled[rigOf(s)] === 1 && shapes.every((e, i) => restsAt(e, shapeOf(s, i)));
  const settledAt = Array.from({ length: n }, (_, s) => s).filter(rests);
  for (const s of settledAt) {
    let most = Number.POSITIVE_INFINITY;
    for (let j = 0; j < checks.length; j++) {
      let off = 0;
      for (const [index, share] of holding[j]!) off += Math.sqrt(share) * z[s * drawn + index]!;
      let holds = solved.left[rigOf(s) * checks.length + j]! * valueAt({ value: 1, range: solved.spread[j]! }, off);
      shapes.forEach((e, i) => (holds *= Math.exp(effectAt(e, j, shapeOf(s, i)))));
      left[s * checks.length + j] = Math.min(PLENTY, holds);
      most = Math.min(most, left[s * checks.length + j]!);
    }
    least[s] = most;
  }
  const column = (list: Float64Array, width: number, j: number): number[] => settledAt.map((s) => list[s * width + j]!);
  const solvedColumn = (list: Float64Array, width: number, j: number): number[] =>
    Array.from({ length: rigs }, (_, r) => r)
      .filter((r) => solved.settled[r] === 1)
      .map((r) => list[r * width + j]!);
  const known = settledAt.length > 0;
  const links = (known ? checks : [])
    .map(({ id, name }, j) => {
      const has = (s: number): number => left[s * checks.length + j]!;
      return {
        id,
        name,
        left: bandOf(column(left, checks.length, j)),
        gives: chanceOf(n, (s) => rests(s) && has(s) < 1),
        first: countOf(n, (s) => rests(s) && least[s]! < 1 && has(s) === least[s]) / n,
      };
    })
    .sort((a, b) => b.gives.value - a.gives.value || a.left.low - b.left.low);
  const result = Float64Array.from(settledAt, (s) => Math.log(least[s]!));
  const xOf = (j: number): number[] =>
    j < d ? settledAt.map((s) => solved.z[rigOf(s) * d + j]!) : column(z, drawn, j - d);
  return {
    samples: n,
    solved: rigs,
    unsettled: n - settledAt.length,
    lines: (known ? members : []).map(({ id, name }, j) => ({
      id,
      name,
      pitched: bandOf(solvedColumn(solved.pitched, members.length, j)),
      worst: bandOf(solvedColumn(solved.worst, members.length, j)),
    })),
    sag: known && solved.sag.length > 0 ? bandOf(solvedColumn(solved.sag, 1, 0)) : null,
    links,
    gives: chanceOf(n, (s) => !(least[s]! >= 1)),
    least: bandOf(least),
    unknowns: unknowns
      .map(({ id, name, kind }, j) => ({ id, name, kind, share: shareOf(xOf(j), result) }))
      .sort((a, b) => b.share - a.share),
    converged: stages(n).map((first) => ({
      samples: first,
      least: bandOf(least.slice(0, first)),
      gives: countOf(first, (s) => !(least[s]! >= 1)) / first,
    })),
  };
}

/** Which unknowns a check's strength goes with, and by what share of its variance. */
function holdingOf(unknowns: readonly Unknown[], checks: number): readonly (readonly [number, number])[][] {
  const out = Array.from({ length: checks }, (): [number, number][] => []);
  unknowns.forEach(({ acts }, index) => {
    if (acts.on === 'strength') for (const j of acts.checks) out[j]!.push([index, acts.share]);
  });
  return out;
}

const shareOf = (x: readonly number[], y: Float64Array): number => (x.length < BLOCK ? 0 : firstOrder(x, y));

/** Samples in a row of designs, doubling. */
function stages(n: number): number[] {
  const out: number[] = [];
  for (let k = BLOCK; k < n; k *= 2) out.push(k);
  return [...out, n];
}

function countOf(n: number, has: (s: number) => boolean): number {
  let count = 0;
  for (let s = 0; s < n; s++) if (has(s)) count++;
  return count;
}

/** How often something is so, with the scatter of that from design to design. */
function chanceOf(n: number, has: (s: number) => boolean): Chance {
  const value = countOf(n, has) / n;
  const blocks = Math.floor(n / BLOCK);
  if (blocks < 2) return { value, sd: Math.sqrt((value * (1 - value)) / n) };
  let spread = 0;
  for (let b = 0; b < blocks; b++)
    spread += (countOf(BLOCK, (i) => has(b * BLOCK + i)) / BLOCK - value) ** 2 / (blocks - 1);
  return { value, sd: Math.sqrt(spread / blocks) };
}

/** 5, 50 and 95 % of a list, straight between its members. */
function bandOf(values: ArrayLike<number>): Band {
  const sorted = Float64Array.from(values).sort();
  const at = (p: number): number => {
    if (sorted.length === 0) return Number.NaN;
    const x = p * (sorted.length - 1);
    const i = Math.floor(x);
    const j = Math.min(sorted.length - 1, i + 1);
    return sorted[i] === sorted[j] ? sorted[i]! : sorted[i]! + (x - i) * (sorted[j]! - sorted[i]!);
  };
  return { low: at(0.05), mid: at(0.5), high: at(0.95) };
}

/** Parts of one rig and seed as one. */
function joined(parts: readonly Drawn[]): Drawn {
  const [first] = parts;
  if (parts.length === 1) return first!;
  const put = (of: (p: Drawn) => Float64Array): Float64Array => {
    const out = new Float64Array(parts.reduce((n, p) => n + of(p).length, 0));
    let at = 0;
    for (const p of parts) {
      out.set(of(p), at);
      at += of(p).length;
    }
    return out;
  };
  return {
    ...first!,
    rigs: parts.reduce((n, p) => n + p.rigs, 0),
    z: put((p) => p.z),
    left: put((p) => p.left),
    pitched: put((p) => p.pitched),
    worst: put((p) => p.worst),
    sag: put((p) => p.sag),
    settled: Uint8Array.from(parts.flatMap((p) => [...p.settled])),
  };
}
