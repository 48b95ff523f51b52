import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rootFigure, rootHeld, rootHolds } from '../src/anchor/index.js';

describe('a root that a cord is passed under', () => {
  test('by hand: 3 cm, 30 cm free and 20 MPa make a beam of 1.4 kN, of which half is counted', () => {
    expect(rootHolds(0.03, 0.3, 20e6, 1)).toBeCloseTo((8 * 20e6 * Math.PI * 0.03 ** 3) / 32 / 0.3, 6);
    expect(rootHolds(0.03, 0.3, 20e6, 1)).toBeCloseTo(1413.7, 1);
    expect(rootHeld(0.03, 0.3, false)).toBeCloseTo(706.9, 1);
    expect(rootHeld(0.03, 0.3, true) / rootHeld(0.03, 0.3, false)).toBeCloseTo(0.7, 12);
  });
  test('the figure has its number, and is honest: a factor of nine from one end of its range to the other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 0.3, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        fc.boolean(),
        (thickness, free, wet) => {
          const figure = rootFigure('it', thickness, free, wet);
          expect(figure.value / rootHeld(thickness, free, wet)).toBeCloseTo(1, 9);
          expect(figure.range![1] / figure.range![0]).toBeGreaterThan(9);
          expect(rootHeld(2 * thickness, free, wet) / figure.value).toBeCloseTo(8, 6);
          expect(rootHeld(thickness, 2 * free, wet) / figure.value).toBeCloseTo(0.5, 6);
        },
      ),
    );
  });
});
