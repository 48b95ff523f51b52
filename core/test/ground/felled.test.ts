import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { clearFigure, felledOf, felledWords } from '../../src/ground/index.js';
import { tell } from '../../src/quantity/index.js';

const wind = { beaufort: 2, from: 0, shelter: 'wood' } as const;
const flat = { slope: { fall: 0, toward: 0 }, wind };
const stem = { height: 9, whole: true };

describe('a stem that is brought down', () => {
  test('on a slope goes downhill, in wind with it, else any way; the slope counts before the wind', () => {
    expect(felledOf(stem, flat).goes).toBeNull();
    expect(felledOf(stem, { ...flat, slope: { fall: 0.2, toward: 1 } }).goes).toEqual({ toward: 1, by: 'slope' });
    const windy = { ...flat, wind: { ...wind, beaufort: 5, from: Math.PI / 2 } };
    expect(felledOf(stem, windy).goes).toEqual({ toward: 1.5 * Math.PI, by: 'wind' });
    expect(felledOf(stem, { ...windy, slope: { fall: 0.2, toward: 1 } }).goes!.by).toBe('slope');
    // what hangs in a crown drops, it does not fall over
    expect(felledOf({ ...stem, whole: false }, windy).goes).toBeNull();
  });
  test('nobody stands within two of its heights, and the ways back lie behind it, out of where it may stray', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 2 * Math.PI, noNaN: true, maxExcluded: true }),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        (height, toward, fall) => {
          const f = felledOf({ height, whole: true }, { slope: { fall, toward }, wind });
          expect(f.clear).toBeCloseTo(2 * height, 9);
          for (const way of f.ways) {
            const off = Math.abs(((way - toward + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
            expect(off).toBeGreaterThan(Math.PI / 2);
            expect(off).toBeGreaterThan(f.strays);
            expect(way).toBeGreaterThanOrEqual(0);
            expect(way).toBeLessThan(2 * Math.PI);
          }
          expect(clearFigure({ name: 'it', height }).value).toBeCloseTo(f.clear, 9);
        },
      ),
    );
  });
  test('is told with who keeps away, and that a rotten one comes back', () => {
    const told = tell(felledWords(felledOf(stem, { ...flat, slope: { fall: 0.2, toward: Math.PI } })));
    expect(told).toContain('toward the south');
    expect(told).toContain('18.0 m');
    expect(told).toContain('comes back on who pushes');
    expect(tell(felledWords(felledOf(stem, flat)))).toContain('any way');
  });
});
