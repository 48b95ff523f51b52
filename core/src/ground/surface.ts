import { findSoil, looked } from '../catalogue/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { Place } from './place-document.js';
import { along } from './place.js';
import type { At, Hollow } from './thing/index.js';
import { isArea } from './thing/index.js';

/** The ground as an even slope with dips in it: height over the place's zero, m. */
export function heightAt(place: Place, at: At): number {
  return heightOf(
    place.slope,
    place.things.filter((t) => t.kind === 'hollow'),
    at,
  );
}

/** The same from the slope and its hollows. */
export function heightOf(slope: Place['slope'], hollows: readonly Hollow[], at: At): number {
  const [e, n] = along(slope.toward);
  let z = -slope.fall * (at[0] * e + at[1] * n);
  for (const t of hollows) {
    const r2 = ((at[0] - t.at[0]) ** 2 + (at[1] - t.at[1]) ** 2) / (t.radius * t.radius);
    if (r2 < 1) z -= t.depth * (1 - r2);
  }
  return z;
}

/** Steepest fall at a spot: rise per metre east and north (the gradient). */
export function gradientAt(place: Place, at: At): At {
  return gradientOf(
    place.slope,
    place.things.filter((t) => t.kind === 'hollow'),
    at,
  );
}

function gradientOf(slope: Place['slope'], hollows: readonly Hollow[], at: At): At {
  const [e, n] = along(slope.toward);
  let ge = -slope.fall * e;
  let gn = -slope.fall * n;
  for (const t of hollows) {
    const de = at[0] - t.at[0];
    const dn = at[1] - t.at[1];
    if (de * de + dn * dn >= t.radius * t.radius) continue;
    ge += (2 * t.depth * de) / (t.radius * t.radius);
    gn += (2 * t.depth * dn) / (t.radius * t.radius);
  }
  return [ge, gn];
}

/** Slope below which water stands rather than runs, as a share. Judgement: 0.003 to 0.01. */
const STANDS = 0.005;
const STEP = 0.2;

/**
 * The way water runs from a spot: steepest descent until it stands, pools, or has run `reach` metres.
 * @returns points 0.2 m apart, the first where it began
 */
export function fallLine(place: Pick<Place, 'slope' | 'things'>, from: At, reach: number): At[] {
  const out: At[] = [from];
  const hollows = place.things.filter((t) => t.kind === 'hollow');
  let at = from;
  for (let step = Math.round(reach / STEP); step > 0; step--) {
    const [e, n] = gradientOf(place.slope, hollows, at);
    const steep = Math.hypot(e, n);
    if (steep < STANDS) break;
    const half: At = [at[0] - (e / steep) * STEP * 0.5, at[1] - (n / steep) * STEP * 0.5];
    const [he, hn] = gradientOf(place.slope, hollows, half);
    const hs = Math.hypot(he, hn);
    if (hs < STANDS || he * e + hn * n < 0) break;
    at = [at[0] - (he / hs) * STEP, at[1] - (hn / hs) * STEP];
    out.push(at);
  }
  return out;
}

/** What stands in a hollow when it is full. */
export interface Pond {
  readonly hollow: Hollow;
  /** Middle and radius of the water, m; radius 0 where the slope empties the dip. */
  readonly at: At;
  readonly radius: number;
  readonly depth: number;
  /** m^3. */
  readonly volume: number;
  /** Where it runs over. */
  readonly spill: At;
}

/**
 * The pond of a round dip D (1 - r^2 / R^2) on a slope s. With k = s R / (2 D), water stands (k < 1) to a depth of
 * D (1 - k)^2 in a circle of radius R (1 - k) whose middle lies k R down the slope; its volume is half depth times
 * circle. Exact for this surface: the rim is lowest straight down the slope.
 */
export function pondOf(hollow: Hollow, fall: number, toward: number): Pond {
  const k = (fall * hollow.radius) / (2 * hollow.depth);
  const [e, n] = along(toward);
  const left = Math.max(0, 1 - k);
  const shift = Math.min(1, k) * hollow.radius;
  const depth = hollow.depth * left * left;
  const radius = hollow.radius * left;
  return {
    hollow,
    at: [hollow.at[0] + e * shift, hollow.at[1] + n * shift],
    radius,
    depth,
    volume: 0.5 * Math.PI * radius * radius * depth,
    spill: [hollow.at[0] + e * hollow.radius, hollow.at[1] + n * hollow.radius],
  };
}

/** Ground above a hollow that drains into it, m up the slope. Judgement: 10 to 40. */
const CATCHMENT = 20;
const CATCHMENT_RANGE = [10, 40] as const;

/** Rain that fills a hollow to the brim, m (a metre is a thousand millimetres), with its working. */
export function rainToFill(place: Place, hollow: Hollow): Figure {
  const soil = findSoil(place.soil)!;
  return derive(
    {
      symbol: 'P',
      title: `rain that fills ${hollow.name}`,
      quantity: 'diameter',
      formula: 'P = V / (π R² + C · 2 R · U)',
      notes: ['Rain on the hollow stays; of what falls on the strip above it, the share that runs off comes down.'],
    },
    [
      derive(
        {
          symbol: 'V',
          title: 'water it holds',
          quantity: 'volume',
          formula: 'V = π R² D (1 - k)⁴ / 2,  k = s R / (2 D)',
        },
        [
          given(
            { symbol: 'R', title: 'radius of the hollow', quantity: 'length' },
            hollow.radius,
            { kind: 'measured', text: 'as drawn' },
            [hollow.radius * 0.9, hollow.radius * 1.1],
          ),
          given(
            { symbol: 'D', title: 'depth of the hollow', quantity: 'length' },
            hollow.depth,
            { kind: 'measured', text: 'by eye or stick' },
            [hollow.depth * 0.8, hollow.depth * 1.2],
          ),
          given({ symbol: 's', title: 'fall of the slope', quantity: 'share' }, place.slope.fall, {
            kind: 'measured',
            text: 'as given for the place',
          }),
        ],
        (R, D, s) => pondOf({ ...hollow, radius: R!, depth: D! }, s!, 0).volume,
      ),
      given({ symbol: 'R', title: 'radius of the hollow', quantity: 'length' }, hollow.radius, {
        kind: 'measured',
        text: 'as drawn',
      }),
      looked(soil.runOff),
      given(
        { symbol: 'U', title: 'length of slope that drains into it', quantity: 'length' },
        place.slope.fall > STANDS ? CATCHMENT : 0,
        { kind: 'judgement', text: 'on an even slope; none on the level' },
        place.slope.fall > STANDS ? CATCHMENT_RANGE : [0, 0],
      ),
    ],
    (V, R, C, U) => V! / (Math.PI * R! * R! + C! * 2 * R! * U!),
  );
}

/** The same line without the points that its neighbours run straight past. */
function straightened(points: readonly At[]): At[] {
  const out: At[] = [];
  points.forEach((p, i) => {
    const before = out.at(-1);
    const after = points[i + 1];
    if (before === undefined || after === undefined) out.push(p);
    else {
      const bend = (p[0] - before[0]) * (after[1] - p[1]) - (p[1] - before[1]) * (after[0] - p[0]);
      if (Math.abs(bend) > 0.01 * Math.hypot(p[0] - before[0], p[1] - before[1]) * STEP) out.push(p);
    }
  });
  return out;
}

/** Where water runs as drawn: rills, and what spills from each hollow that holds water. */
export function runOffLines(
  place: Pick<Place, 'slope' | 'things'>,
  reach: number,
): { readonly name: string; readonly points: readonly At[] }[] {
  const out: { name: string; points: readonly At[] }[] = [];
  for (const t of place.things) {
    if (isArea(t) && t.kind === 'rill')
      out.push({ name: t.name, points: t.outline.map((p): At => [t.at[0] + p[0], t.at[1] + p[1]]) });
    else if (t.kind === 'hollow') {
      const pond = pondOf(t, place.slope.fall, place.slope.toward);
      const [e, n] = along(place.slope.toward);
      if (pond.depth > 0.005 && place.slope.fall >= STANDS)
        out.push({
          name: `the overflow of ${t.name}`,
          points: straightened(fallLine(place, [pond.spill[0] + e * 0.01, pond.spill[1] + n * 0.01], reach)),
        });
    }
  }
  return out;
}
