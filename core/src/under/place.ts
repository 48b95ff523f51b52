import type { Lying } from './document.js';
import type { LyingResult, Roofed } from './lying.js';
import { SIZES, lyingUnder } from './lying.js';

/** Room a sleeper wants across, and a pack, m. */
const BESIDE = 2 * SIZES.sleeper.wide;
const PACK_WIDE = 2 * SIZES.pack.wide + 0.05;
/** Places tried: so far apart, so many each way, m; then half as far about the best, until a hand's width. */
const STEP = 0.5;
const REACH = 2;
const FINEST = 0.1;

/** How sleepers and packs could lie under a roof, and how well. */
export interface Placed {
  readonly lying: readonly Lying[];
  readonly results: readonly LyingResult[];
}

/**
 * Lays sleepers side by side and their packs at their feet where this rain reaches least of them: along the ridge or across it,
 * heads uphill, or out of the wind on the level.
 */
export function placeUnder(people: number, packs: number, roof: Roofed): Placed {
  const middle = middleOf(roof);
  const rising = Math.atan2(roof.ground(0, 1) - roof.ground(0, 0), roof.ground(1, 0) - roof.ground(0, 0));
  const steep = Math.hypot(roof.ground(1, 0) - roof.ground(0, 0), roof.ground(0, 1) - roof.ground(0, 0)) > 0.01;
  /** Heads uphill; where it is level, away from the wind. */
  const toward = (along: number): number => {
    const up = steep
      ? Math.cos(along - rising)
      : roof.upwind === null
        ? 1
        : -(Math.cos(along) * roof.upwind[0] + Math.sin(along) * roof.upwind[1]);
    return up >= 0 ? along : along + Math.PI;
  };
  const under = lyingUnder(roof);
  let best = null as Try | null;
  const attempt = (along: number, at: readonly [number, number]): void => {
    const lying = group(people, packs, at, toward(along));
    const dry = lying.map(under.dry);
    const off = (along === 0 ? 0.05 : 0) - 0.3 * Math.hypot(at[0] - middle[0], at[1] - middle[1]);
    // no more could come of it than if all sat up out of the wind
    if (
      best !== null &&
      off + scoreOf(lying.map((l, k) => ({ lying: l, dry: dry[k]!, sits: true, open: 0 }))) <= best.score
    )
      return;
    const results = lying.map((l, k) => under.lies(l, dry[k]));
    const score = off + scoreOf(results);
    if (best === null || score > best.score) best = { along, at, score, placed: { lying, results } };
  };
  const around = (along: number, [x, y]: readonly [number, number], step: number, reach: number): void => {
    for (let i = -reach; i <= reach; i++)
      for (let j = -reach; j <= reach; j++) attempt(along, [x + i * step, y + j * step]);
  };
  around(0, middle, STEP, REACH);
  around(Math.PI / 2, middle, STEP, REACH);
  for (let step = STEP / 2; step >= FINEST; step /= 2) around(best!.along, best!.at, step, 1);
  return best!.placed;
}

/** Middle of the cloth on the plan, m. */
function middleOf({ corners, at }: Roofed): readonly [number, number] {
  const between = (c: 0 | 1): number => {
    let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (const n of corners) {
      low = Math.min(low, at[3 * n + c]!);
      high = Math.max(high, at[3 * n + c]!);
    }
    return (low + high) / 2;
  };
  return [between(0), between(1)];
}

/** How well they lie: dry before all else, then sitting up, then out of the wind; a pack is worth a fifth of who carries it. */
const scoreOf = (results: readonly Pick<LyingResult, 'lying' | 'dry' | 'sits' | 'open'>[]): number =>
  results.reduce(
    (sum, r) => sum + (r.lying.kind === 'pack' ? 4 * r.dry : 20 * r.dry + 2 * Number(r.sits) + (1 - r.open)),
    0,
  );

interface Try {
  readonly along: number;
  readonly at: readonly [number, number];
  readonly score: number;
  readonly placed: Placed;
}

/** Sleepers side by side about a place, their packs at their feet. */
function group(people: number, packs: number, [x, y]: readonly [number, number], toward: number): Lying[] {
  const [c, s] = [Math.cos(toward), Math.sin(toward)];
  const turned = ((toward % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
  const to = (v: number): number => Math.round(100 * v) / 100;
  const lay = (kind: Lying['kind'], k: number, u: number, v: number): Lying => ({
    id: `${kind}-${k + 1}`,
    kind,
    name: `${kind} ${k + 1}`,
    at: [to(x + u * c - v * s), to(y + u * s + v * c)],
    toward: turned,
  });
  const beside = (k: number, of: number, wide: number): number => (k - (of - 1) / 2) * wide;
  const foot = -SIZES.sleeper.long - SIZES.pack.wide - 0.05;
  return [
    ...Array.from({ length: people }, (_, k) => lay('sleeper', k, 0, beside(k, people, BESIDE))),
    ...Array.from({ length: packs }, (_, k) => ({
      ...lay('pack', k, foot, beside(k, packs, Math.max(PACK_WIDE, (people * BESIDE) / Math.max(1, packs)))),
      toward: (turned + Math.PI / 2) % (2 * Math.PI),
    })),
  ];
}
