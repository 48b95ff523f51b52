import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { FileProblem, readWindSeries, writeWindSeries } from '../src/formats/index.js';
import { GUST_LENGTH, PEAK, gustSeries, gustSpectrum, gustyMinute, lengthOf, windAt } from '../src/weather/index.js';

const wind = { mean: 8, deviation: 1.6, length: GUST_LENGTH };

/** Power at a frequency by Goertzel's sum over a window that fits it, m2/s2 a hertz. */
function power(u: ArrayLike<number>, every: number, f: number): number {
  let [re, im] = [0, 0];
  for (let n = 0; n < u.length; n++) {
    re += u[n]! * Math.cos(2 * Math.PI * f * n * every);
    im += u[n]! * Math.sin(2 * Math.PI * f * n * every);
  }
  return (2 * every * (re * re + im * im)) / u.length;
}

describe('gusting wind', () => {
  test('von Karman’s spectrum holds the variance it is made for, and falls with the five-thirds', () => {
    let sum = 0;
    for (let k = 0; k < 400_000; k++) sum += gustSpectrum((k + 0.5) * 1e-3, wind) * 1e-3;
    expect(Math.abs(sum / wind.deviation ** 2 - 1)).toBeLessThan(0.01);
    expect(Math.log(gustSpectrum(80, wind) / gustSpectrum(10, wind)) / Math.log(8)).toBeCloseTo(-5 / 3, 2);
  });

  test('a series has the spectrum it was made from, band by band, over two dozen of them', () => {
    const [samples, every] = [2048, 0.1];
    const all = Array.from({ length: 24 }, (_, seed) => gustSeries(wind, samples, every, seed + 1));
    const apart = 1 / (samples * every);
    for (const [from, to] of [
      [0.03, 0.08],
      [0.1, 0.3],
      [0.4, 1],
      [1.2, 3],
    ] as const) {
      let [seen, meant, count] = [0, 0, 0];
      for (
        let f = (Math.floor(from / apart) + 0.5) * apart;
        f < to;
        f += apart * Math.max(1, Math.floor((to - from) / apart / 8))
      ) {
        for (const u of all)
          seen += power(
            u.map((v) => v - wind.mean),
            every,
            f,
          );
        meant += all.length * gustSpectrum(f, wind);
        count++;
      }
      expect(count).toBeGreaterThan(5);
      expect(Math.abs(seen / meant - 1)).toBeLessThan(0.15);
    }
    const mean = all.reduce((s, u) => s + u.reduce((a, b) => a + b, 0) / u.length, 0) / all.length;
    expect(Math.abs(mean / wind.mean - 1)).toBeLessThan(0.02);
  });

  test('the same seed is the same wind, another is another; it never blows backward', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.double({ min: 0.2, max: 20, noNaN: true }), (seed, mean) => {
        const one = gustyMinute(mean, 1.6, seed);
        expect(one.speed).toEqual(gustyMinute(mean, 1.6, seed).speed);
        expect(one.speed).not.toEqual(gustyMinute(mean, 1.6, seed + 1).speed);
        expect(Math.min(...one.speed)).toBeGreaterThanOrEqual(0);
        expect(lengthOf(one)).toBeCloseTo(60, 9);
      }),
      { numRuns: 5 },
    );
    expect(gustyMinute(0, 1.6, 1).speed.every((v) => v === 0)).toBe(true);
  });

  test('the gustiest minute of ten has about the gust its factor says', () => {
    const tops = Array.from({ length: 30 }, (_, k) => Math.max(...gustyMinute(6, 1.6, k + 1).speed) / 6);
    const mean = tops.reduce((a, b) => a + b, 0) / tops.length;
    // the largest of ten minutes of gusts of a tenth of a second is a little over 3.5 deviations
    expect(mean).toBeGreaterThan(1 + (0.9 * 0.6 * 3.1) / PEAK);
    expect(mean).toBeLessThan(1.75);
  });
});

describe('a series of wind as a file', () => {
  test('comes back as it was written, to what is written', () => {
    const minute = gustyMinute(7, 1.6, 3);
    const back = readWindSeries(writeWindSeries(minute), 'again');
    expect(back.speed).toHaveLength(minute.speed.length);
    back.speed.forEach((v, n) => expect(Math.abs(v - minute.speed[n]!)).toBeLessThan(0.006));
  });
  test('uneven times are read straight between, commas as points', () => {
    const series = readWindSeries('time;speed\n0;2\n4;6\n6;"0,5"\n', 'mine');
    expect(windAt(series, 1)).toBeCloseTo(3, 9);
    expect(windAt(series, 5)).toBeCloseTo(3.25, 9);
    expect(windAt(series, -3)).toBe(2);
    expect(windAt(series, 99)).toBeCloseTo(0.5, 9);
  });
  test.each([
    ['speed\n3\n', 'row 1: has no column “time”; the columns are time, speed'],
    ['time,speed\n0,3\n', 'file: has 1 rows; from 2 to 60000 are read'],
    ['time,speed\n0,3\n9,fast\n', 'row 3: speed “fast” is not a number'],
    ['time,speed\n0,3\n9,61\n', 'row 3: speed 61 must be from 0 to 60 m/s'],
    ['time,speed\n0,3\n9,3\n9,4\n', 'row 4: is not later than the row before'],
    ['time,speed\n0,3\n2,3\n', 'file: lasts 2 s; from 5 to 600 s are read'],
  ])('%j is refused at its place', (text, message) => {
    expect(() => readWindSeries(text, 'x')).toThrow(message);
    expect(() => readWindSeries(text, 'x')).toThrow(FileProblem);
  });
});
