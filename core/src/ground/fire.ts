import { fireFrom } from '../around/index.js';
import type { UnitChoice } from '../quantity/index.js';
import { say } from '../quantity/index.js';
import { compassPoint } from '../weather/index.js';
import { insideReach } from './fall.js';
import { within } from './holding.js';
import { along, apart } from './place.js';
import type { JudgedSpan, Prepared } from './spans.js';
import type { At } from './thing/index.js';
import { halfWidth } from './thing/index.js';

/** Bare ground wanted round it, m. */
const BARE = 1.2;
const FARTHEST = 7;

export interface FireSpot {
  readonly at: At;
  readonly fromCloth: number;
  readonly text: string;
}

/** Distance of a spot from the cloth of a span, m. */
export function fromCloth(s: JudgedSpan, spot: At): number {
  const [e, n] = along(s.bearing);
  const u = (spot[0] - s.middle[0]) * e + (spot[1] - s.middle[1]) * n;
  const v = (spot[0] - s.middle[0]) * n - (spot[1] - s.middle[1]) * e;
  return Math.hypot(Math.max(0, Math.abs(u) - s.half), Math.max(0, v - s.right, -s.left - v));
}

/**
 * A spot for a fire: on the lee side, so that smoke and sparks leave the cloth, far enough from it, out from under
 * anything that may fall, off stems, roots, water and ground to keep off. Null with the reason where there is none.
 */
export function fireSpot(
  ground: Prepared,
  s: JudgedSpan,
  units: UnitChoice,
): FireSpot | { readonly at: null; readonly text: string } {
  const { place } = ground;
  const lee = place.wind.from + Math.PI;
  const farther = fireFrom(place.wind.beaufort);
  let best: { at: At; cost: number; away: number } | null = null;
  for (let turn = 0; turn <= 8; turn++)
    for (const side of turn === 0 ? [1] : [-1, 1])
      for (let reach = 1; reach <= s.half + s.left + s.right + FARTHEST; reach += 0.25) {
        const [e, n] = along(lee + (side * turn * Math.PI) / 36);
        const at: At = [s.middle[0] + e * reach, s.middle[1] + n * reach];
        const away = fromCloth(s, at);
        if (away < farther || away > FARTHEST) continue;
        if (ground.keeps.some((k) => within(at, k.middle, k.thing.outline))) continue;
        if (ground.ponds.some((p) => apart(p.at, at) < p.radius + 0.3)) continue;
        if (ground.falling.some((f) => insideReach(f, at) > 0)) continue;
        const bare = ground.lyingThings.reduce((least, t) => Math.min(least, apart(t.at, at) - halfWidth(t)), FARTHEST);
        if (bare < BARE) continue;
        const cost = turn * 0.2 + (away - farther) * 0.3 - Math.min(bare, 3) * 0.15;
        if (best === null || cost < best.cost) best = { at, cost, away };
      }
  if (best === null)
    return {
      at: null,
      text: 'No spot on the lee side is clear of cloth, stems and what may fall. Cook without a fire here.',
    };
  return {
    at: best.at,
    fromCloth: best.away,
    text: `${say(best.away, 'length', units)} from the cloth, to the ${compassPoint(lee)} of it: wind from the ${compassPoint(place.wind.from)} takes smoke and sparks away.`,
  };
}
