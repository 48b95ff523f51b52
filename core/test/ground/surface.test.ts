import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { At, Hollow } from '../../src/ground/index.js';
import { along, fallLine, gradientAt, heightAt, pondOf, rainToFill, runOffLines } from '../../src/ground/index.js';
import { place, thing } from './helper.js';

const hollow = (radius: number, depth: number): Hollow => thing('hollow', 'h', [2, -1], { radius, depth }) as Hollow;
const slopes = fc.record({
  fall: fc.double({ min: 0, max: 0.3, noNaN: true }),
  toward: fc.double({ min: 0, max: 6.28, noNaN: true }),
});
const spots = fc.tuple(fc.double({ min: -6, max: 6, noNaN: true }), fc.double({ min: -6, max: 6, noNaN: true }));

describe('the surface', () => {
  test('falls as much as the slope says, toward where it says', () => {
    fc.assert(
      fc.property(slopes, spots, (slope, at) => {
        const p = place([], { slope });
        const [e, n] = along(slope.toward);
        expect(heightAt(p, [at[0] + 3 * e, at[1] + 3 * n]) - heightAt(p, at)).toBeCloseTo(-3 * slope.fall, 9);
        expect(heightAt(p, [at[0] + 3 * n, at[1] - 3 * e])).toBeCloseTo(heightAt(p, at), 9);
      }),
    );
  });
  test('its gradient is that of its heights', () => {
    fc.assert(
      fc.property(slopes, spots, (slope, at) => {
        const p = place([hollow(2, 0.3)], { slope });
        const rim = Math.abs(Math.hypot(at[0] - 2, at[1] + 1) - 2);
        fc.pre(rim > 0.01);
        const h = 1e-5;
        const [ge, gn] = gradientAt(p, at);
        expect(ge).toBeCloseTo((heightAt(p, [at[0] + h, at[1]]) - heightAt(p, [at[0] - h, at[1]])) / (2 * h), 5);
        expect(gn).toBeCloseTo((heightAt(p, [at[0], at[1] + h]) - heightAt(p, [at[0], at[1] - h])) / (2 * h), 5);
      }),
    );
  });
});

describe('fall lines', () => {
  test('on an even slope run straight down it, as far as asked', () => {
    const p = place([], { slope: { fall: 0.05, toward: 2 } });
    const line = fallLine(p, [1, 1], 10);
    const [e, n] = along(2);
    const last = line.at(-1)!;
    expect((last[0] - 1) * e + (last[1] - 1) * n).toBeCloseTo(10, 6);
    expect((last[0] - 1) * n - (last[1] - 1) * e).toBeCloseTo(0, 9);
  });
  test('never climb, and on the level do not run at all', () => {
    fc.assert(
      fc.property(slopes, spots, (slope, at) => {
        const p = place([hollow(2.5, 0.4)], { slope });
        const heights = fallLine(p, at, 15).map((q) => heightAt(p, q));
        heights.slice(1).forEach((z, i) => expect(z).toBeLessThanOrEqual(heights[i]! + 1e-9));
      }),
    );
    expect(fallLine(place([]), [3, 3], 10)).toHaveLength(1);
  });
  test('end in a hollow at its lowest spot', () => {
    const p = place([hollow(2, 0.4)], { slope: { fall: 0.05, toward: 0 } });
    const pond = pondOf(p.things[0] as Hollow, 0.05, 0);
    const last = fallLine(p, [2, 0.5], 20).at(-1)!;
    expect(Math.hypot(last[0] - pond.at[0], last[1] - pond.at[1])).toBeLessThan(0.25);
  });
});

describe('ponds', () => {
  test('hold what summing the surface says they hold', () => {
    for (const [radius, depth, fall] of [
      [1.7, 0.16, 0.03],
      [3, 0.5, 0.1],
      [1, 0.2, 0],
    ] as const) {
      const p = place([hollow(radius, depth)], { slope: { fall, toward: 0.7 } });
      const pond = pondOf(p.things[0] as Hollow, fall, 0.7);
      const brim = heightAt(p, pond.spill) + 1e-12;
      const step = radius / 150;
      let volume = 0;
      let deepest = 0;
      for (let e = -radius; e < radius; e += step)
        for (let n = -radius; n < radius; n += step) {
          if (Math.hypot(e, n) >= radius) continue;
          const under = brim - heightAt(p, [2 + e, -1 + n]);
          if (under > 0) volume += under * step * step;
          deepest = Math.max(deepest, under);
        }
      expect(pond.volume / volume).toBeCloseTo(1, 2);
      expect(pond.depth).toBeCloseTo(deepest, 3);
    }
  });
  test('on the level fill the whole dip: half depth times its circle', () => {
    const pond = pondOf(hollow(2, 0.3), 0, 0);
    expect(pond.volume).toBeCloseTo(0.5 * 0.3 * Math.PI * 4, 12);
    expect(pond.radius).toBe(2);
  });
  test('are gone where the slope empties the dip, and shrink with every steeper slope', () => {
    expect(pondOf(hollow(2, 0.1), 0.1, 0).depth).toBe(0);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.double({ min: 0.001, max: 0.1, noNaN: true }),
        (fall, more) => {
          expect(pondOf(hollow(1.5, 0.2), fall + more, 1).volume).toBeLessThanOrEqual(
            pondOf(hollow(1.5, 0.2), fall, 1).volume,
          );
        },
      ),
    );
  });
  test('fill after the rain that brings their water', () => {
    const p = place([hollow(1.5, 0.12)]);
    const figure = rainToFill(p, p.things[0] as Hollow);
    // on the level nothing runs in: depth of rain is the mean depth
    expect(figure.value).toBeCloseTo(0.06, 9);
    const sloped = place([hollow(1.5, 0.12)], { slope: { fall: 0.02, toward: 0 } });
    expect(rainToFill(sloped, sloped.things[0] as Hollow).value).toBeLessThan(0.05);
    expect(figure.range![0]).toBeLessThan(figure.value);
  });
  test('spill straight down the slope', () => {
    const p = place([hollow(1.5, 0.3)], { slope: { fall: 0.05, toward: Math.PI / 2 } });
    const [line] = runOffLines(p, 12);
    expect(line!.name).toBe('the overflow of h');
    expect(line!.points[0]![0]).toBeCloseTo(3.51, 6);
    expect(line!.points.at(-1)![0]).toBeCloseTo(15.51, 1);
    expect(line!.points.every((q: At) => Math.abs(q[1] + 1) < 1e-6)).toBe(true);
  });
});
