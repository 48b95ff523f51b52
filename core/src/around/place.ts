import type { Fire, Wall, WallKind } from './document.js';
import { AROUND_LIMITS } from './document.js';
import { fireFrom } from './fire.js';
import type { Sheet } from './walls.js';

type Plan = readonly [number, number];

/** Clear of the cloth and its guys' feet, m: there is room to walk. Judgement, 0.5 to 2. */
const CLEAR = 1;
/** Wall beyond the cloth at either end, m: wind comes round. Judgement. */
const BEYOND = 0.5;
/** As high as one heaps brush in an hour, m. Judgement, 0.7 to 1.5. */
const HEAPED = 1;
/** Where no wind blows a thing stands off the left. */
const STILL: Plan = [0, 1];

const centimetre = (x: number): number => Math.round(100 * x) / 100;
const clamp = (x: number, { min, max }: { readonly min: number; readonly max: number }): number =>
  Math.min(max, Math.max(min, x));
const onPlan = ([x, y]: Plan): [number, number] => [
  centimetre(clamp(x, AROUND_LIMITS.at)),
  centimetre(clamp(y, AROUND_LIMITS.at)),
];

/** How far cloth reaches toward a way and across it, from its middle, m. */
function reachOf(
  { at, corners }: Sheet,
  [ux, uy]: Plan,
): { readonly middle: Plan; readonly to: number; readonly half: number } {
  const used = [...new Set(corners)];
  const mean = (k: 0 | 1): number => used.reduce((s, n) => s + at[3 * n + k]!, 0) / used.length;
  const middle: Plan = [mean(0), mean(1)];
  let [to, half] = [0, 0];
  for (const n of used) {
    const [dx, dy] = [at[3 * n]! - middle[0], at[3 * n + 1]! - middle[1]];
    to = Math.max(to, dx * ux + dy * uy);
    half = Math.max(half, Math.abs(dx * uy - dy * ux));
  }
  return { middle, to, half };
}

/** A wall across the wind, to windward of a roof: as long as the roof is wide to the wind. @param upwind null in a calm */
export function wallToWindward(id: string, kind: WallKind, cloth: Sheet, upwind: Plan | null): Wall {
  const way = upwind ?? STILL;
  const { middle, to, half } = reachOf(cloth, way);
  const off = to + CLEAR;
  const full = 2 * Math.PI;
  const toward = (((Math.atan2(way[1], way[0]) + Math.PI / 2) % full) + full) % full;
  return {
    id,
    kind,
    at: onPlan([middle[0] + off * way[0], middle[1] + off * way[1]]),
    toward: Math.round((toward * 36) / Math.PI) * (Math.PI / 36),
    length: centimetre(clamp(2 * (half + BEYOND), AROUND_LIMITS.length)),
    height: HEAPED,
  };
}

/** A fire to leeward of a roof, as far from it as it belongs in this wind. @param upwind null in a calm */
export function fireToLee(cloth: Sheet, upwind: Plan | null, beaufort: number): Fire {
  const [ux, uy] = upwind ?? STILL;
  const { middle, to } = reachOf(cloth, [-ux, -uy]);
  // to the next decimetre
  const off = Math.ceil(10 * (to + fireFrom(beaufort))) / 10;
  return { at: onPlan([middle[0] - off * ux, middle[1] - off * uy]) };
}
