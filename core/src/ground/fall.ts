import type { Constant } from '../catalogue/index.js';
import { looked } from '../catalogue/index.js';
import type { Figure } from '../working/index.js';
import { derive, given } from '../working/index.js';
import type { Place } from './place-document.js';
import { along } from './place.js';
import type { At, Thing } from './thing/index.js';
import { kindOf } from './thing/index.js';

const judgement = (
  symbol: string,
  title: string,
  low: number,
  typical: number,
  high: number,
  citation: string,
): Constant => ({
  symbol,
  title,
  quantity: 'ratio',
  low,
  typical,
  high,
  kind: 'judgement',
  citation,
});
/** A falling stem breaks, and its pieces fly on. */
export const FALL_MARGIN = judgement(
  'm',
  'reach of a falling stem over its height',
  1.1,
  1.25,
  1.5,
  'Judgement. Felling practice keeps people two lengths away from a tree that is being felled; this one nobody is watching.',
);
/** Pieces slide and roll on downhill. */
export const FALL_RUN = judgement('r', 'further run downhill, heights for each unit of fall', 0.5, 1, 2, 'Judgement.');
/** A hung branch drops nearly straight, swings and bounces. */
export const BRANCH_REACH = judgement(
  'b',
  'reach of a hung branch over its height',
  0.2,
  0.35,
  0.5,
  'Judgement; never less than a tall person lying.',
);
const LEAST_BRANCH = 2;

/** Something that can fall, and on whom. */
export interface Falling {
  readonly thing: Thing;
  /** "The dead poplar". */
  readonly name: string;
  readonly at: At;
  readonly height: number;
  readonly whole: boolean;
  /** Reach on the level, and how much more straight downhill, m. */
  readonly level: number;
  readonly downhill: number;
  readonly toward: number;
  /** The unit vector straight downhill. */
  readonly down: At;
}

/** Everything overhead: hazards as marked, and trees whose signs say so. */
export function fallingOf(place: Place): Falling[] {
  const out: Falling[] = [];
  for (const t of place.things) {
    const falls = kindOf(t).falls(t);
    if (falls === null) continue;
    const { height, whole } = falls;
    out.push({
      thing: t,
      name: t.name,
      at: t.at,
      height,
      whole,
      level: whole ? height * FALL_MARGIN.typical : Math.max(LEAST_BRANCH, height * BRANCH_REACH.typical),
      downhill: whole ? height * FALL_RUN.typical * place.slope.fall : 0,
      toward: place.slope.toward,
      down: along(place.slope.toward),
    });
  }
  return out;
}

/** Reach toward a bearing, over plan, m: the level reach, and downhill the run of the pieces. */
export function reachToward(f: Falling, bearing: number): number {
  return f.level + f.downhill * Math.max(0, Math.cos(bearing - f.toward));
}

/** By how far a spot lies inside the reach, m; negative is clear by as much. */
export function insideReach(f: Falling, spot: At): number {
  return insideReachAt(f, spot[0] - f.at[0], spot[1] - f.at[1]);
}

/** The same for a spot given from the foot, m east and north. */
export function insideReachAt(f: Falling, east: number, north: number): number {
  const away = Math.sqrt(east * east + north * north);
  const down = east * f.down[0] + north * f.down[1];
  return f.level + (away > 0 && down > 0 ? (f.downhill * down) / away : 0) - away;
}

/** The reach straight downhill, with its working. */
export function fallFigure(f: Falling, fall: number): Figure {
  const height = given(
    { symbol: 'h', title: `height of ${f.name}`, quantity: 'length' },
    f.height,
    { kind: 'measured', text: 'by eye, or a stick held at arm’s length' },
    [f.height * 0.85, f.height * 1.15],
  );
  if (!f.whole)
    return derive(
      { symbol: 'R', title: `reach of what hangs in ${f.name}`, quantity: 'length', formula: 'R = max(R₀, b h)' },
      [
        given({ symbol: 'R₀', title: 'least that is kept from what hangs', quantity: 'length' }, LEAST_BRANCH, {
          kind: 'judgement',
          text: 'whatever the height',
        }),
        height,
        looked(BRANCH_REACH),
      ],
      (least, h, b) => Math.max(least!, h! * b!),
    );
  return derive(
    { symbol: 'R', title: `reach of ${f.name} straight downhill`, quantity: 'length', formula: 'R = h (m + r s)' },
    [
      height,
      looked(FALL_MARGIN),
      looked(FALL_RUN),
      given({ symbol: 's', title: 'fall of the slope', quantity: 'share' }, fall, {
        kind: 'measured',
        text: 'as given for the place',
      }),
    ],
    (h, m, r, s) => h! * (m! + r! * s!),
  );
}
