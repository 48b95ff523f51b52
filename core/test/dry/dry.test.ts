import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { areaOf, dryGround, dryNight } from '../../src/dry/index.js';
import type { Footprint } from '../../src/dry/index.js';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { tell } from '../../src/quantity/index.js';
import type { RigContext, RidgeRig } from '../../src/rig/index.js';
import { clothOver } from '../../src/roof/index.js';
import { SHELTERS } from '../../src/catalogue/index.js';
import type { WeatherReading } from '../../src/weather/index.js';
import { cordWords, dryWords, lowerWords } from '../../src/words/index.js';

const load = (name: string): { readonly rig: RidgeRig; readonly context: RigContext } => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file) };
};
const level = (): number => 0;
const hour = (wind: number, rain: number, from = 0): WeatherReading => ({
  ...{ time: 0, wind, gust: wind * 1.5, from, rain, temperature: 9, pressure: 1e5 },
});
const inRing = (ring: readonly (readonly [number, number])[], x: number, y: number): boolean => {
  let inside = false;
  for (let i = 0; i + 1 < ring.length; i++) {
    const [[x0, y0], [x1, y1]] = [ring[i]!, ring[i + 1]!];
    if (y0 > y !== y1 > y && x < x0 + ((y - y0) * (x1 - x0)) / (y1 - y0)) inside = !inside;
  }
  return inside;
};
const inside = (f: Footprint, x: number, y: number): boolean =>
  f.some((polygon) => polygon.reduce((odd, ring) => (inRing(ring, x, y) ? !odd : odd), false));

/** A level square of cloth of two panels, so high. */
const square = (size: number, height: number): { corners: Int32Array; at: number[] } => ({
  corners: Int32Array.from([0, 1, 2, 0, 2, 3]),
  at: [0, 0, height, size, 0, height, size, size, height, 0, size, height],
});

describe('dry ground', () => {
  test('a level roof keeps its own area dry, moved along by the slant times its height', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        fc.double({ min: 0.2, max: 3, noNaN: true }),
        fc.tuple(fc.double({ min: -2, max: 2, noNaN: true }), fc.double({ min: -2, max: 2, noNaN: true })),
        (size, height, slant) => {
          const { corners, at } = square(size, height);
          const f = dryGround(corners, at, slant, level);
          expect(Math.abs(areaOf(f) - size * size)).toBeLessThan(2e-3 * size);
          const xs = f[0]![0]!.map((p) => p[0]);
          expect(Math.abs(Math.min(...xs) - slant[0] * height)).toBeLessThan(1e-3);
        },
      ),
    );
  });
  test('on sloping ground the drops fall farther downhill', () => {
    const { corners, at } = square(2, 1);
    const slope = (x: number): number => 0.2 * x;
    const f = dryGround(corners, at, [-0.5, 0], (x) => slope(x));
    // the corner at 0, 0, 1: falls t with 1 - t = 0.2 (0 - 0.5 t)
    const t = 1 / 0.9;
    expect(Math.min(...f[0]![0]!.map((p) => p[0]))).toBeCloseTo(-0.5 * t, 3);
  });
  test('two sheets over each other count once, and a sheet on edge keeps nothing off', () => {
    const one = square(2, 1);
    const two = { corners: Int32Array.from([...one.corners, 4, 5, 6, 4, 6, 7]), at: [...one.at, ...square(2, 2).at] };
    expect(areaOf(dryGround(two.corners, two.at, [0, 0], level))).toBeCloseTo(4, 3);
    const edge = [0, 0, 1, 0, 0, 2, 0, 2, 1];
    expect(dryGround(Int32Array.from([0, 1, 2]), edge, [0, 0], level)).toEqual([]);
  });
  test('it is where following drops back upward meets cloth', () => {
    const { rig, context } = load('storm-side-down');
    const { hours } = dryNight(rig, context, null, [hour(9, 3, 1), hour(2, 1, 4)]);
    expect(hours[0]!.area).not.toBeCloseTo(hours[1]!.area, 1);
    // the same by the other way, over a raster
    for (const h of hours) {
      const xs = h.footprint.flatMap((p) => p[0]!.map((q) => q[0]));
      const ys = h.footprint.flatMap((p) => p[0]!.map((q) => q[1]));
      let [n, all] = [0, 0];
      for (let x = Math.min(...xs); x < Math.max(...xs); x += 0.05)
        for (let y = Math.min(...ys); y < Math.max(...ys); y += 0.05) {
          all++;
          if (inside(h.footprint, x, y)) n++;
        }
      expect(all).toBeGreaterThan(400);
      expect(Math.abs(n * 0.05 * 0.05 - h.area)).toBeLessThan(0.03 * h.area);
    }
  });
  test('rings agree with the cloth over each place', () => {
    const { corners, at } = square(3, 1.5);
    const slant: [number, number] = [0.6, -0.3];
    const f = dryGround(corners, at, slant, level);
    const over = clothOver(corners, at, slant);
    for (let k = 0; k < 400; k++) {
      const [x, y] = [-1 + 0.37 * (k % 20), -1.04 + 0.29 * Math.floor(k / 20)];
      expect(inside(f, x, y)).toBe(over(x, y, 0) !== null);
    }
  });
});

describe('a night of rain', () => {
  const { rig, context } = load('gravel-spit-gable');
  const slept = (y: number): RidgeRig => ({
    ...rig,
    under: [{ id: 's', kind: 'sleeper', name: 'sleeper', at: [rig.pitch!.middle, y], toward: 0 }],
  });
  /** From which the roof's left lies to windward. */
  const fromLeft = rig.pitch!.bearing + Math.PI * 1.5;

  test('who lies in the middle stays dry, who lies at the windward edge does not, and the side that comes down is that one', () => {
    const forecast = [hour(3, 0.5, fromLeft), hour(9, 4, fromLeft), hour(9, 0, fromLeft)];
    expect(dryNight(slept(0), context, null, [hour(2, 1, fromLeft)]).wet).toEqual([]);
    const night = dryNight(slept(0.55), context, null, forecast);
    const [wet] = night.wet;
    expect(wet!.thing.name).toBe('sleeper');
    expect(wet!.worst.dry).toBeLessThan(0.98);
    // the dry hour wets nobody
    expect(wet!.hours).toBeLessThanOrEqual(2);
    if (night.lowered !== null) {
      expect(night.lowered.to[0]).toBeLessThan(rig.pitch!.shape.edges[0]);
      expect(dryNight(night.lowered.rig, context, null, forecast).wet).toEqual([]);
      expect(tell(lowerWords(night.lowered))).toMatch(/^Lower .* then nothing gets wet\.$/);
    }
    expect(tell(dryWords(night).sentence)).toMatch(/^The sleeper gets wet: rain reaches \d+ % of it at the worst, in /);
  });

  test('a pail catches what falls on the dry ground, by its share', () => {
    const night = dryNight(rig, context, null, [hour(0, 2), hour(8, 2, 1)]);
    for (const h of night.hours) expect(h.pail).toBeCloseTo(h.area * 2 * night.pail!.share, 9);
    expect(night.hours[0]!.slant).toBe(0);
    const wind = 8 * SHELTERS[rig.wind.shelter].typical;
    expect(night.hours[1]!.slant).toBeCloseTo(Math.atan(wind / 7), 9);
  });

  test('a sagging ridge leads water in from both trees, and a drip line stands outside the cloth', () => {
    const { cords } = dryNight(rig, context, null, [hour(0, 2)]);
    expect(cords.map((c) => c.id)).toEqual(['ridge 0', 'ridge 1']);
    for (const c of cords) {
      expect(c.at!).toBeGreaterThan(0.3);
      expect(c.at!).toBeLessThan(rig.span.tape / 2 - 1);
      expect(tell(cordWords(c))).toMatch(/Tie a drip line .* from the tree, just outside the cloth\.$/);
    }
    const short = dryNight(load('wedge-on-one-willow').rig, load('wedge-on-one-willow').context, null, [hour(0, 1)]);
    expect(short.cords.map((c) => c.at)).toEqual([null]);
    expect(tell(cordWords(short.cords[0]!))).toContain('too short for a drip line');
  });

  test('without rain, without sleepers, without hours', () => {
    expect(tell(dryWords(dryNight(slept(0.9), context, null, [hour(9, 0, fromLeft)])).sentence)).toBe(
      'No rain is forecast for these 1 hours.',
    );
    expect(tell(dryWords(dryNight(rig, context, null, [hour(2, 1)])).sentence)).toBe(
      'Nobody is put under this roof yet.',
    );
    expect(() => dryNight(rig, context, null, [])).toThrow('forecast: no hours; at least one is needed');
  });

  test('a bed under the roof is kept dry or not as well', () => {
    const bed = {
      name: 'hammock',
      line: [0, 1, 2, 3, 4].map((k): [number, number, number] => [2.2 + 0.6 * k, 0.5, 0.5]),
    };
    const still = dryNight(rig, context, bed, [hour(0, 2)]).hours[0]!.things;
    expect(still).toHaveLength(1);
    expect(still[0]!.dry).toBeGreaterThan(0.7);
    // along the ridge it drives in at the open end
    const blown = dryNight(rig, context, bed, [hour(16, 2, rig.pitch!.bearing + Math.PI)]).hours[0]!.things;
    expect(blown[0]!.dry).toBeLessThan(still[0]!.dry);
  });
});
