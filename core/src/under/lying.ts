import type { Wall } from '../around/index.js';
import { windPast, withWalls } from '../around/index.js';
import { SITTING_TALL } from '../catalogue/index.js';
import type { Finding } from '../findings/index.js';
import { finding } from '../findings/index.js';
import type { Vec3 } from '../quantity/index.js';
import { clothOver } from '../roof/index.js';
import type { ClothOver } from '../roof/index.js';
import type { Lying, LyingKind } from './document.js';

/** What each takes up, m: half its length and half its width, and how high it stands. A tall person in a bag; a full pack. Judgement. */
export const SIZES: Readonly<
  Record<LyingKind, { readonly long: number; readonly wide: number; readonly high: number }>
> = {
  sleeper: { long: 0.98, wide: 0.32, high: 0.25 },
  pack: { long: 0.32, wide: 0.2, high: 0.4 },
};
/** Where a sleeper sits up, from the middle of the body toward the feet, m: over the hips. Judgement. */
const SEAT = 0.05;
/** Dry enough, as share of what lies there. Judgement. */
export const DRY = 0.98;
/** From here on a sleeper slides down, or rolls, rad: 4 and 3 degrees. Judgement: 3 to 6. */
const SLIDES = 0.07;
const ROLLS = 0.05;
/** Wind is felt by who lies there where more than this of it comes in. Judgement. */
const OPEN = 0.5;
/** Rays that look for cloth to windward: half the fan, rad, and how many. */
const FAN = Math.PI / 6;
const RAYS = 7;

/** A roof as it stands, what stands round it, and the ground and weather under it. */
export interface Roofed {
  readonly corners: Int32Array;
  /** Places of its nodes, 3 each, m. */
  readonly at: ArrayLike<number>;
  /** Height of the ground, m. */
  readonly ground: (x: number, y: number) => number;
  /** Level way of rain for each metre of fall. */
  readonly slant: readonly [number, number];
  /** Toward where the wind comes from, a unit vector of the plan; null in a calm. */
  readonly upwind: readonly [number, number] | null;
  readonly walls: readonly Wall[];
}

/** How one thing lies. */
export interface LyingResult {
  readonly lying: Lying;
  /** Share of it that rain does not reach, neither driven by this wind nor straight between its gusts. */
  readonly dry: number;
  /** Height of the cloth over the ground where a sleeper sits up, m; null where none is, and for a pack. */
  readonly headroom: number | null;
  /** Whether a sleeper can sit up without meeting the cloth. */
  readonly sits: boolean;
  /** Slope along it, rad, more than nothing where the head is lower; and across it. */
  readonly headDown: number;
  readonly across: number;
  /** Share of the wind that comes in to it, past cloth and walls; 0 in a calm. */
  readonly open: number;
}

/** Every thing that lies under a roof, in the order it was put there. */
export interface UnderResult {
  readonly things: readonly LyingResult[];
  readonly findings: readonly Finding[];
}

/** How each thing lies under a roof. */
export function underRoof(lying: readonly Lying[], roof: Roofed): UnderResult {
  const { lies } = lyingUnder(roof);
  const things = lying.map((thing) => lies(thing));
  return { things, findings: things.flatMap(findingsOf) };
}

/** Asks of one roof how things lie under it. */
export interface UnderRoof {
  /** Share of a thing that rain does not reach, driven by this wind or straight. */
  readonly dry: (lying: Lying) => number;
  readonly lies: (lying: Lying, dry?: number) => LyingResult;
}

/** What one asks of a roof, made ready for many things. */
export function lyingUnder(roof: Roofed): UnderRoof {
  const over = clothOver(roof.corners, roof.at, [0, 0]);
  const kept = withWalls(roof, roof.walls, roof.ground);
  const inRain = clothOver(kept.corners, kept.at, roof.slant);
  // between gusts rain falls straight: what lies beyond the cloth is wet then, however far it is driven in them
  const dry = (lying: Lying): number =>
    dryOf(lying, roof, (x, y, z) => (over(x, y, z) === null ? null : inRain(x, y, z)));
  return { dry, lies: (lying, known) => lies(lying, known ?? dry(lying), roof, over) };
}

/** A place of a thing, u toward its head and v to the left of that, m. */
function placeOn({ at, toward }: Lying): (u: number, v: number) => readonly [number, number] {
  const [c, s] = [Math.cos(toward), Math.sin(toward)];
  return (u, v) => [at[0] + u * c - v * s, at[1] + u * s + v * c];
}

/** Whether a place of the plan is over a thing, or so near that it gets wet there, m. */
export function liesAt({ at, toward, kind }: Lying, x: number, y: number, near: number): boolean {
  const [c, s] = [Math.cos(toward), Math.sin(toward)];
  const [dx, dy] = [x - at[0], y - at[1]];
  const { long, wide } = SIZES[kind];
  return Math.abs(dx * c + dy * s) < long + near && Math.abs(dy * c - dx * s) < wide + near;
}

/** Share of it that rain does not reach, by places all over it. */
function dryOf(lying: Lying, { ground }: Roofed, inRain: ClothOver): number {
  const { long, wide, high } = SIZES[lying.kind];
  const on = placeOn(lying);
  let [dry, all] = [0, 0];
  for (let i = -4; i <= 4; i++)
    for (let j = -2; j <= 2; j++) {
      const [x, y] = on((i / 4) * long, (j / 2) * wide);
      all++;
      if (inRain(x, y, ground(x, y) + high / 2) !== null) dry++;
    }
  return dry / all;
}

/** How one thing lies under a roof. @param over straight above it */
function lies(lying: Lying, dry: number, roof: Roofed, over: ClothOver): LyingResult {
  const { ground } = roof;
  const { long, wide, high } = SIZES[lying.kind];
  const on = placeOn(lying);
  const seat = on(-SEAT, 0);
  const above = over(...seat, ground(...seat));
  const headroom = lying.kind === 'pack' || above === null ? null : above - ground(...seat);
  const slope = (a: readonly [number, number], b: readonly [number, number], apart: number): number =>
    Math.atan2(ground(...b) - ground(...a), apart);
  return {
    lying,
    dry,
    headroom,
    sits: headroom === null || headroom >= SITTING_TALL,
    headDown: slope(on(long, 0), on(-long, 0), 2 * long),
    across: Math.abs(slope(on(0, -wide), on(0, wide), 2 * wide)),
    open: openTo([...lying.at, ground(...lying.at) + high], roof),
  };
}

/**
 * Share of the wind that reaches a place under a roof: of a fan of level rays to windward those that meet no cloth, each with what walls
 * to windward leave of it; 0 in a calm.
 */
export function openTo(from: Vec3, { corners, at, upwind, walls, ground }: Roofed): number {
  if (upwind === null) return 0;
  const way = Math.atan2(upwind[1], upwind[0]);
  let open = 0;
  for (let k = 0; k < RAYS; k++) {
    const a = way + FAN * ((2 * k) / (RAYS - 1) - 1);
    const ray = [Math.cos(a), Math.sin(a)] as const;
    if (!meets(from, ray, corners, at)) open += windPast(walls, from, ray, ground);
  }
  return open / RAYS;
}

/** Whether a level ray meets cloth. */
function meets(from: Vec3, [dx, dy]: readonly [number, number], corners: Int32Array, at: ArrayLike<number>): boolean {
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [3 * corners[t]!, 3 * corners[t + 1]!, 3 * corners[t + 2]!];
    const [ux, uy, uz] = [at[b]! - at[a]!, at[b + 1]! - at[a + 1]!, at[b + 2]! - at[a + 2]!];
    const [vx, vy, vz] = [at[c]! - at[a]!, at[c + 1]! - at[a + 1]!, at[c + 2]! - at[a + 2]!];
    // the ray's way crossed with v
    const [px, py, pz] = [dy * vz, -dx * vz, dx * vy - dy * vx];
    const volume = ux * px + uy * py + uz * pz;
    if (Math.abs(volume) < 1e-12) continue;
    const [ox, oy, oz] = [from[0] - at[a]!, from[1] - at[a + 1]!, from[2] - at[a + 2]!];
    const p = (ox * px + oy * py + oz * pz) / volume;
    const [qx, qy, qz] = [oy * uz - oz * uy, oz * ux - ox * uz, ox * uy - oy * ux];
    const q = (dx * qx + dy * qy) / volume;
    if (p < 0 || q < 0 || p + q > 1) continue;
    if ((vx * qx + vy * qy + vz * qz) / volume > 0) return true;
  }
  return false;
}

/** What is found about one thing that lies under a roof. */
function findingsOf({ lying, dry, sits, headroom, headDown, across, open }: LyingResult): Finding[] {
  const { id, name, kind } = lying;
  const out: Finding[] = [];
  if (dry < DRY) out.push(finding(kind === 'sleeper' ? 'sleeper-wet' : 'pack-wet', { name, share: 1 - dry }, id));
  if (kind === 'pack') return out;
  if (!sits) out.push(finding('sleeper-low', { name, headroom: headroom! }, id));
  // heads down is felt sooner than feet down
  if (headDown > ROLLS || -headDown > SLIDES || across > ROLLS)
    out.push(finding('sleeper-slides', { name, by: Math.max(Math.abs(headDown), across), rolls: across > ROLLS }, id));
  if (open > OPEN && dry >= DRY) out.push(finding('sleeper-in-wind', { name, share: open }, id));
  return out;
}
