import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  BEAUFORT,
  beaufortOf,
  beaufortSpeed,
  compassPoint,
  simulatedForecast,
  simulatedStation,
  simulatedWeather,
  windBySigns,
  worstOf,
} from '../src/weather/index.js';

const HOUR = 3_600_000;

describe('words for wind', () => {
  test('a Beaufort number comes back from its own speed', () => {
    BEAUFORT.forEach((_, b) => expect(beaufortOf(beaufortSpeed(b))).toBe(b));
    expect(beaufortOf(60)).toBe(9);
    expect(beaufortOf(-1)).toBe(0);
  });
  test('told by its signs it strays by half a number either way, and no calm is less than none', () => {
    for (let b = 0; b < BEAUFORT.length; b++) {
      const f = windBySigns(b);
      expect(f.value).toBe(beaufortSpeed(b));
      expect(f.range).toEqual([beaufortSpeed(Math.max(0, b - 0.5)), beaufortSpeed(b + 0.5)]);
      expect(f.source!.text).toBe(`Beaufort ${b} by signs`);
    }
    expect(windBySigns(0).range![0]).toBe(0);
  });
  test('bearings in eighths', () => {
    expect([0, 0.8, Math.PI / 2, Math.PI, 3.93, 6.2].map((b) => compassPoint(b))).toEqual([
      'north',
      'north-east',
      'east',
      'south',
      'south-west',
      'north',
    ]);
  });
});

describe('the stand-in weather', () => {
  test('is the same at the same time, and always weather', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4e12 }), (time) => {
        const w = simulatedWeather(time);
        expect(w).toEqual(simulatedWeather(time));
        expect(w.wind).toBeGreaterThanOrEqual(0);
        expect(w.gust).toBeGreaterThan(w.wind);
        expect(w.from).toBeGreaterThanOrEqual(0);
        expect(w.from).toBeLessThan(2 * Math.PI);
        expect(w.rain).toBeGreaterThanOrEqual(0);
        expect(w.pressure).toBeGreaterThan(95_000);
      }),
    );
  });
  test('changes by the minute only a little', () => {
    for (let k = 0; k < 600; k++) {
      const t = 1.7e12 + k * 7 * 60_000;
      expect(Math.abs(simulatedWeather(t + 60_000).wind - simulatedWeather(t).wind)).toBeLessThan(0.5);
    }
  });
  test('brings a storm within every sixty hours, with falling pressure and rain', async () => {
    for (const start of [0, 13, 29, 44, 59]) {
      const ahead = await simulatedForecast(() => 1.7e12 + start * HOUR).ahead(60);
      const worst = worstOf(ahead);
      expect(beaufortOf(worst.wind)).toBeGreaterThanOrEqual(7);
      expect(worst.rain).toBeGreaterThan(4);
      expect(worst.pressure).toBeLessThan(100_500);
    }
  });
  test('the forecast begins with the next hour and the station reads near the truth', async () => {
    const now = 1.7e12 + 1234;
    const [first] = await simulatedForecast(() => now).ahead(3);
    expect(first!.time).toBe(Math.ceil(now / HOUR) * HOUR);
    const reading = await simulatedStation(() => now).now();
    expect(Math.abs(reading.wind / simulatedWeather(reading.time).wind - 1)).toBeLessThanOrEqual(0.05);
    expect(() => worstOf([])).toThrow(RangeError);
  });
});
