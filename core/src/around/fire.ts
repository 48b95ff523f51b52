import type { Finding } from '../findings/index.js';
import { finding } from '../findings/index.js';
import type { Fire, Wall } from './document.js';
import type { Sheet } from './walls.js';
import { endsOf } from './walls.js';

/** Least distance of a fire from cloth, m. Judgement, 3 to 5: sparks carry farther in wind. */
export const FIRE_FROM_CLOTH = 3;
/** What every Beaufort number adds to that, m, up to so many of them. Judgement. */
const FIRE_IN_WIND = 0.25;
const MOST_WIND = 6;
/** Least distance of a fire from brush that would burn, m. Judgement, 2 to 4. */
const FIRE_FROM_BRUSH = 2;
/** Sparks fly so far before they are out, m, and so wide of the wind, rad. Judgement: 5 to 15; 15 to 30 degrees. */
const SPARKS = 10;
const SPREAD = Math.PI / 8;

export const FIRE_CAUTION =
  'Local fire rules and the land manager come first; in a dry spell, none. Never under cloth: carbon monoxide. Clear the litter down to soil, water beside it, cold before you leave.';

/** How far from cloth a fire belongs in a wind, m. @param beaufort of the mean wind in the open */
export const fireFrom = (beaufort: number): number => FIRE_FROM_CLOTH + FIRE_IN_WIND * Math.min(MOST_WIND, beaufort);

/** A fire by a roof. */
export interface FireResult {
  /** From the nearest cloth as it lies on the plan, m: nothing under it. */
  readonly fromCloth: number;
  /** How far off it belongs in this wind, m. */
  readonly least: number;
  /** Whether smoke and sparks blow onto the cloth. */
  readonly windward: boolean;
  /** From the nearest wall of brush, m; null without one. */
  readonly fromBrush: number | null;
}

type Plan = readonly [number, number];

/** Distance of a place from a straight piece of the plan, m. */
function fromPiece([x, y]: Plan, [ax, ay]: Plan, [bx, by]: Plan): number {
  const [ex, ey] = [bx - ax, by - ay];
  const long = ex * ex + ey * ey;
  const f = long === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * ex + (y - ay) * ey) / long));
  return Math.hypot(x - ax - f * ex, y - ay - f * ey);
}

/** Distance of a place from the shadow of a cloth straight below it, m; nothing under it. */
export function fromSheet(place: Plan, { corners, at }: Sheet): number {
  let least = Number.POSITIVE_INFINITY;
  for (let t = 0; t < corners.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k): Plan => [at[3 * corners[t + k]!]!, at[3 * corners[t + k]! + 1]!]) as [
      Plan,
      Plan,
      Plan,
    ];
    const turn = (p: Plan, q: Plan): number => (q[0] - p[0]) * (place[1] - p[1]) - (q[1] - p[1]) * (place[0] - p[0]);
    const [u, v, w] = [turn(a, b), turn(b, c), turn(c, a)];
    if ((u > 0 && v > 0 && w > 0) || (u < 0 && v < 0 && w < 0)) return 0;
    least = Math.min(least, fromPiece(place, a, b), fromPiece(place, b, c), fromPiece(place, c, a));
  }
  return least;
}

/**
 * How a fire stands to a roof.
 * @param upwind   toward where the wind comes from, a unit vector of the plan; null in a calm
 * @param beaufort of the mean wind in the open
 */
export function fireBy(
  fire: Fire,
  walls: readonly Wall[],
  cloth: Sheet,
  upwind: Plan | null,
  beaufort: number,
): FireResult {
  const brush = walls.filter((w) => w.kind === 'brush').map((w) => fromPiece(fire.at, ...endsOf(w)));
  return {
    fromCloth: fromSheet(fire.at, cloth),
    least: fireFrom(beaufort),
    windward: upwind !== null && blowsOnto(fire, cloth, upwind),
    fromBrush: brush.length === 0 ? null : Math.min(...brush),
  };
}

/** Whether cloth lies where sparks are carried to. */
function blowsOnto({ at: [x, y] }: Fire, { at, corners }: Sheet, [ux, uy]: Plan): boolean {
  for (const n of corners) {
    const [dx, dy] = [at[3 * n]! - x, at[3 * n + 1]! - y];
    const away = Math.hypot(dx, dy);
    if (away < SPARKS && -(dx * ux + dy * uy) > away * Math.cos(SPREAD)) return true;
  }
  return false;
}

/** What is found about a fire, gravest first. */
export function fireFindings({ fromCloth, least, windward, fromBrush }: FireResult): Finding[] {
  const out: Finding[] = [];
  if (fromCloth === 0) out.push(finding('fire-under', {}));
  else {
    if (windward) out.push(finding('fire-windward', { distance: fromCloth }));
    if (fromCloth < least) out.push(finding('fire-near', { of: 'cloth', distance: fromCloth, least }));
  }
  if (fromBrush !== null && fromBrush < FIRE_FROM_BRUSH)
    out.push(finding('fire-near', { of: 'brush', distance: fromBrush, least: FIRE_FROM_BRUSH }));
  out.push(finding('fire', {}));
  return out;
}
