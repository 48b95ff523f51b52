import { HITCHES } from '../../catalogue/index.js';
import type { Cord } from '../../catalogue/index.js';
import { cordOf } from '../../cordage/index.js';
import { gripFigure, slipMargin } from '../../hitch/index.js';
import { frameOf } from '../../picture/index.js';
import type { Picture, Point, Stroke } from '../../picture/index.js';
import type { RidgeRig } from '../../rig/index.js';
import type { Chance } from '../chance.js';
import type { Made, Maker } from '../maker.js';
import { SAID_LIMITS, SIZE, number, shares } from '../maker.js';

/** How many times over a hitch is to hold what pulls. */
const TIMES = 2;
/** The farthest off the line a pull goes in the first drills and in the hardest, rad; the nearest always. */
const OFF = { least: 0.1, easy: 0.3, hard: 0.9 } as const;

/** How many wraps of a friction hitch hold: grip grows with each, and every bit off the line takes of it. */
export const wraps: Maker<'wraps'> = ({ rig, context }, chance, hard) => {
  const cords = context.kit.flatMap((k) => cordOf(k) ?? []);
  const hosts = cords.filter((c) => c.bears);
  const loops = cords.filter((c) => c.fibre !== 'uhmwpe');
  if (hosts.length === 0 || loops.length === 0) return null;
  for (let k = 0; k < TRIES; k++) {
    const made = hitchOf(rig, hosts, loops, chance, hard);
    if (made !== null) return made;
  }
  return null;
};

/** Cords of the kit are tried together so often: thick ones on thin ones hold by no number of wraps. */
const TRIES = 20;

function hitchOf(
  rig: RidgeRig,
  hosts: readonly Cord[],
  loops: readonly Cord[],
  chance: Chance,
  hard: number,
): Made<'wraps'> | null {
  const host = chance.one(hosts);
  const thinner = loops.filter((c) => c.diameter <= host.diameter);
  const cord = chance.one(thinner.length > 0 ? thinner : loops);
  const type = chance.one(HITCHES);
  const off = chance.between(OFF.least, (1 - hard) * OFF.easy + hard * OFF.hard);
  const grip = (n: number) => gripFigure({ type, cord, host, wraps: n, crossed: false }, true);
  const { min, max } = SAID_LIMITS.wraps;
  let least = min;
  while (least <= max && slipMargin(grip(least).value, off) < TIMES) least++;
  // where none hold there is nothing to count
  if (least > max) return null;
  const drawn = (n: number, share = 1): Picture => hitchOn(host.diameter, cord.diameter, off, n, share);
  return {
    rig,
    facts: {
      hitch: type.name,
      cord: cord.name,
      thick: cord.diameter,
      host: host.name,
      hostThick: host.diameter,
      off,
      times: TIMES,
    },
    truths: null,
    shown: { picture: drawn(0), upright: 1, hand: null },
    asked: number('wraps', least, true),
    figure: grip(least),
    // laid on one after another
    seen: (said) => (said === null ? [drawn(least)] : shares().map((s) => drawn(least, s))),
  };
}

/** A line from the side with so many turns about it, and the cord going off to what pulls; to scale. */
function hitchOn(host: number, thick: number, off: number, turns: number, share: number): Picture {
  const long = 14 * Math.max(host, 2 * thick);
  const high = long / 2;
  const frame = frameOf(
    [
      [-long / 2, host + 0.15 * high],
      [long / 2, -0.85 * high],
    ],
    [SIZE[0], 0.75 * SIZE[1]],
  );
  const band: Point[] = [
    [-long, host / 2],
    [long, host / 2],
    [long, -host / 2],
    [-long, -host / 2],
  ];
  /** A turn as it crosses the side that is seen, leaning by half its own thickness. */
  const turn = (k: number): Point[] => {
    const x = (k - (turns - 1) / 2) * 1.05 * thick;
    const up = host / 2 + thick * 0.8;
    return [
      [x - 0.75 * thick, up],
      [x + 0.25 * thick, up],
      [x + 0.75 * thick, -up],
      [x - 0.25 * thick, -up],
    ];
  };
  const laid = Array.from({ length: turns }, (_, k) => k).filter((k) => k < Math.round(share * turns));
  const way: Point = [Math.cos(off), -Math.sin(off)];
  const from: Point = [0, -host / 2 - thick];
  const far = Math.min(0.62 * long, (0.7 * high) / Math.max(0.05, Math.sin(off)));
  const to: Point = [from[0] + far * way[0], from[1] + far * way[1]];
  const head = 0.05 * long;
  const barb = (turned: number): Point => [
    to[0] - head * Math.cos(-off + turned),
    to[1] - head * Math.sin(-off + turned),
  ];
  const strokes: Stroke[] = [
    { pen: 'cloth', rings: [band], closed: true },
    {
      pen: 'hem',
      rings: [
        [band[0]!, band[1]!],
        [band[2]!, band[3]!],
      ],
      closed: false,
    },
    { pen: 'guide', rings: [[from, [from[0] + far, from[1]]]], closed: false },
    {
      pen: 'bed',
      rings: [
        [from, to],
        [barb(0.45), to, barb(-0.45)],
      ],
      closed: false,
    },
    { pen: 'body', rings: laid.map(turn), closed: true },
  ];
  return {
    width: frame.width,
    height: frame.height,
    strokes: strokes.map((s) => ({ ...s, rings: s.rings.map((r) => r.map(frame.put)) })),
  };
}
