import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  calibrate,
  calibratedBody,
  calibrationFigure,
  normalFrom,
  observe,
  randomFrom,
  unitError,
} from '../../src/ground/index.js';
import { landing, who } from './helper.js';

describe('calibrating a body unit', () => {
  test('the mean is all that was taped over all that was counted', () => {
    const { mean } = calibrate(
      [
        { taped: 20, count: 26 },
        { taped: 30, count: 40 },
      ],
      0.03,
    );
    expect(mean).toBeCloseTo(50 / 66, 12);
  });
  test('one repeat keeps what was believed, widened; many repeats show their own spread', () => {
    const one = calibrate([{ taped: 20, count: 26 }], 0.03);
    expect(one.share).toBeCloseTo(0.03 * Math.sqrt(4 / 2), 12);
    const random = randomFrom(5);
    const many = calibrate(
      Array.from({ length: 4000 }, () => ({ taped: 20, count: 20 / (0.8 * (1 + 0.06 * normalFrom(random))) })),
      0.03,
    );
    expect(many.share).toBeCloseTo(0.06, 2);
    expect(many.scale).toBeCloseTo(many.share / Math.sqrt(4000), 12);
  });
  test('two lucky repeats do not make a perfect pace', () => {
    const lucky = calibrate(
      [
        { taped: 20, count: 26 },
        { taped: 20, count: 26 },
      ],
      0.03,
    );
    expect(lucky.share).toBeGreaterThan(0.02);
    expect(lucky.share).toBeLessThan(calibrate([{ taped: 20, count: 26 }], 0.03).share);
  });
  test('the unit scales with the tape and the spread does not', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ taped: fc.double({ min: 5, max: 50, noNaN: true }), count: fc.integer({ min: 10, max: 60 }) }),
          { minLength: 1, maxLength: 8 },
        ),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (repeats, k) => {
          const a = calibrate(repeats, 0.03);
          const b = calibrate(
            repeats.map((r) => ({ ...r, taped: r.taped * k })),
            0.03,
          );
          expect(b.mean / a.mean).toBeCloseTo(k, 9);
          expect(b.share).toBeCloseTo(a.share, 9);
        },
      ),
    );
  });
  test('what cannot be a repeat is refused by name', () => {
    expect(() => calibrate([], 0.03)).toThrow(/repeats: none/);
    expect(() => calibrate([{ taped: 20, count: 0 }], 0.03)).toThrow(/20 m in 0/);
    expect(() => calibrate([{ taped: Number.NaN, count: 1 }], 0.03)).toThrow(RangeError);
  });
  test('its working shows the repeats, and its range is that of the mean', () => {
    const repeats = [
      { taped: 20, count: 26 },
      { taped: 20, count: 27 },
    ];
    const figure = calibrationFigure('pace', repeats);
    expect(figure.inputs).toHaveLength(2);
    expect(figure.value).toBeCloseTo(40 / 53, 12);
    expect((figure.range![1] - figure.range![0]) / 2 / figure.value).toBeCloseTo(
      1.6449 * calibrate(repeats, 0.03).scale,
      4,
    );
  });
  test('a body takes the means of what was calibrated and keeps the rest', () => {
    const body = calibratedBody(who.body, { reach: [{ taped: 2.2, count: 1 }] });
    expect(body.reach).toBe(2.2);
    expect(body.pace).toBe(who.body.pace);
  });
});

describe('measures in metres', () => {
  const measure = (how: Parameters<typeof observe>[0]['how'], value: number) =>
    observe({ id: 'm', from: 'a', to: 'b', how, value }, landing, who);
  test('each way goes by its own unit', () => {
    expect(measure('tape', 5).value).toBe(5);
    expect(measure('paces', 10).value).toBeCloseTo(10 * who.body.pace, 9);
    expect(measure('feet', 10).value).toBeCloseTo(10 * who.body.foot, 9);
    expect(measure('spans', 3).value).toBeCloseTo(3 * who.body.armSpan, 9);
    expect(measure('line', 1.5).value).toBeCloseTo(1.5 * landing.measuringLine, 9);
    expect(measure('compass', 1)).toMatchObject({ kind: 'bearing', value: 1, unit: null });
  });
  test('a tape knows more than a line, a line more than paces', () => {
    const sd = (how: Parameters<typeof observe>[0]['how'], value: number): number => measure(how, value).sd;
    expect(sd('tape', 9.5)).toBeLessThan(sd('line', 1));
    expect(sd('line', 1)).toBeLessThan(sd('paces', 12.5));
  });
  test('what is measured along a slope is brought to the level, never to nothing', () => {
    expect(observe({ id: 'm', from: 'a', to: 'b', how: 'tape', value: 5 }, landing, who, 3).value).toBeCloseTo(4, 12);
    expect(observe({ id: 'm', from: 'a', to: 'b', how: 'tape', value: 5 }, landing, who, 6).value).toBeCloseTo(1, 12);
  });
  test('an uncalibrated unit is known as badly as one walk with it', () => {
    const { share, scale } = unitError('paces', landing, { body: who.body, calibrations: {} });
    expect(scale).toBe(share);
    expect(share).toBe(who.body.paceSpread);
  });
});
