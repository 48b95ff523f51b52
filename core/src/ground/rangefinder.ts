/** What any rangefinder gives: a distance with its scatter, or a miss and why. */
export type RangeReading =
  | { readonly kind: 'reading'; readonly distance: number; readonly sd: number }
  | { readonly kind: 'miss'; readonly reason: string };

/** A device that measures how far what it is aimed at is. A real one knows its aim by being pointed. */
export interface Rangefinder {
  readonly name: string;
  readonly simulated: boolean;
  /** @param aim names what it is pointed at, for those that must be told */
  range(aim: { readonly from: string; readonly to: string }): Promise<RangeReading>;
}

const SD = 0.12;
const MISSES = 0.12;
const REACH = 120;
const CLOSE = 2;

/** Reproducible pseudo-random numbers from 0 to 1 (mulberry32 by T. Ettinger, public domain). */
export function randomFrom(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (s + 0x6d2b79f5) >>> 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A normal deviate by Box and Muller (1958). */
export function normalFrom(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/**
 * The stand-in: measures a world it is given, to a decimetre or so, and misses now and then.
 * @param trueDistance m between two named things, or null where there is none to see
 */
export function simulatedRangefinder(
  trueDistance: (from: string, to: string) => number | null,
  seed = Date.now(),
): Rangefinder {
  const random = randomFrom(seed);
  return {
    name: 'Simulated rangefinder',
    simulated: true,
    range: ({ from, to }) => {
      const d = trueDistance(from, to);
      if (d === null) return Promise.resolve({ kind: 'miss', reason: 'It sees nothing there. Aim again.' });
      if (d < CLOSE) return Promise.resolve({ kind: 'miss', reason: 'Too close for it; use a tape.' });
      if (d > REACH) return Promise.resolve({ kind: 'miss', reason: 'Farther than it reaches.' });
      if (random() < MISSES)
        return Promise.resolve({
          kind: 'miss',
          reason: 'No return: leaves in the way. Aim at bare bark and try again.',
        });
      return Promise.resolve({
        kind: 'reading',
        distance: Math.round((d + SD * normalFrom(random)) * 10) / 10,
        sd: SD,
      });
    },
  };
}
