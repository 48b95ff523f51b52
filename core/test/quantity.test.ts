import { describe, expect, test } from '@jest/globals';
import { cordNeeded } from '../src/cordage/index.js';
import { nearestMark, say, sayGiven, sayHaul, shownCatch, sayHeight, saySmall, show } from '../src/quantity/index.js';
import type { BodyMeasures } from '../src/quantity/index.js';
import { beaufortSpeed, windPressure } from '../src/weather/index.js';

const body: BodyMeasures = {
  pace: 0.76,
  paceSpread: 0.03,
  foot: 0.29,
  handSpan: 0.21,
  armSpan: 1.76,
  waist: 1.02,
  elbow: 1.1,
  chest: 1.3,
  shoulder: 1.46,
  brow: 1.64,
  reach: 2.15,
};
const metric = { length: 'm', force: 'N' } as const;

test.each([
  [336.4, 'force', metric, '336 N'],
  [12_400, 'force', metric, '12.4 kN'],
  [9.80665 * 27, 'force', { length: 'm', force: 'kgf' }, '27 kgf'],
  [444.822, 'force', { length: 'ft', force: 'lbf' }, '100 lbf'],
  [6.84, 'length', metric, '6.84 m'],
  [3.048, 'length', { length: 'ft', force: 'lbf' }, '10.0 ft'],
  [0.0559, 'length', { length: 'ft', force: 'lbf' }, '2.2 in'],
  [-0.0559, 'length', { length: 'ft', force: 'lbf' }, '-2.2 in'],
  [0.3045, 'length', { length: 'ft', force: 'lbf' }, '1.00 ft'],
  [0, 'length', { length: 'ft', force: 'lbf' }, '0.00 ft'],
  [0.0559, 'length', metric, '0.06 m'],
  [0.064, 'mass', metric, '64 g'],
  [0.5, 'share', metric, '50 %'],
  [3.61, 'ratio', metric, '3.6'],
  [0.001, 'chance', metric, '1 in 1,000'],
  [45e6, 'stress', metric, '45 MPa'],
  [0.35, 'angle', metric, '20°'],
  [Number.POSITIVE_INFINITY, 'ratio', metric, 'no limit'],
] as const)('%s as %s', (value, quantity, units, text) => {
  expect(say(value, quantity, units)).toBe(text);
});

describe('in feet and pounds', () => {
  const imperial = { length: 'ft', force: 'lbf' } as const;
  // one of each unit, by the definitions of the foot, the inch, the pound, the mile and the gallon
  test.each([
    ['diameter', 0.0254, 'in'],
    ['mass', 0.45359237, 'lb'],
    ['stress', 6894.757293, 'psi'],
    ['moment', 1.355817948, 'lbf ft'],
    ['compliance', 0.0254 / 4448.221615, 'in/1000 lbf'],
    ['stiffness', 4.448221615, 'lbf'],
    ['lineWeight', 14.59390294, 'lbf/ft'],
    ['speed', 0.44704, 'mph'],
    ['area', 0.09290304, 'ft²'],
    ['density', 16.01846337, 'lb/ft³'],
    ['unitWeight', 157.0874638, 'lbf/ft³'],
    ['volume', 0.003785411784, 'gal'],
  ] as const)('%s', (quantity, one, unit) => {
    const shown = show(20 * one, quantity, imperial);
    expect(shown.unit).toBe(unit);
    expect(Number(shown.text)).toBeCloseTo(20, 6);
    expect(show(20 * one, quantity, metric).unit).not.toBe(unit);
  });
  test('what is less than a mark of the rule is told as less, and nothing as nothing', () => {
    const said = (m: number): string[] =>
      (
        [
          { length: 'm', force: 'N' },
          { length: 'ft', force: 'lbf' },
        ] as const
      ).map((u) => say(m, 'length', u));
    expect(said(0.004)).toEqual(['under 0.01 m', '0.2 in']);
    expect(said(-0.001)).toEqual(['under 0.01 m', 'under 0.1 in']);
    expect(said(0.006)[0]).toBe('0.01 m');
    expect(said(0)).toEqual(['0.00 m', '0.00 ft']);
  });
  test('rain caught is told for a tenth of an inch, or a millimetre', () => {
    // 0.00254 m³ from a square metre, a gallon being 0.003785411784
    expect(shownCatch(1, imperial)).toEqual({ water: '0.67 gal', each: '0.1 in' });
    expect(shownCatch(1, metric)).toEqual({ water: '1.0 l', each: 'mm' });
    expect(shownCatch(2.35, metric).water).toBe('2.4 l');
  });
  test('what a hand put in is told without digits nobody gave', () => {
    expect(sayGiven(20, 'length', metric)).toBe('20 m');
    expect(sayGiven(2.4, 'length', metric)).toBe('2.4 m');
    expect(sayGiven(0.1, 'length', metric)).toBe('0.1 m');
    expect(sayGiven(0.0075, 'diameter', metric)).toBe('7.5 mm');
    expect(sayGiven(100, 'length', metric)).toBe('100 m');
    expect(sayGiven(3.048, 'length', imperial)).toBe('10 ft');
  });
  test('what is hauled in by hand is told in half inches, and in whole centimetres', () => {
    expect(sayHaul(0.0254 * 1.5, imperial)).toBe('1.5 in');
    expect(sayHaul(0.0254 * 2.1, imperial)).toBe('2 in');
    expect(sayHaul(0.034, metric)).toBe('3 cm');
  });
});

test('a pound-force moment keeps its unit', () => {
  expect(show(271.16, 'moment', { length: 'ft', force: 'lbf' })).toEqual({ text: '200', unit: 'lbf ft' });
});

describe('in body measures', () => {
  test('heights by the nearest mark', () => {
    expect(nearestMark(1.31, body)).toBe('chest');
    expect(nearestMark(0.3, body)).toBeNull();
    expect(sayHeight(1.3, body, 'm')).toBe('my chest');
    expect(sayHeight(1.75, body, 'm')).toBe('above my brow');
    expect(sayHeight(2.9, body, 'm')).toBe('above my reach');
    expect(sayHeight(0.3, body, 'm')).toBe('0.30 m');
  });
  test('small lengths by hand', () => {
    expect(saySmall(0.004, body)).toBe('less than a finger');
    expect(saySmall(0.055, body)).toBe('3 fingers');
    expect(saySmall(0.12, body)).toBe('a hand’s width');
    expect(saySmall(0.2, body)).toBe('a hand span');
  });
});

test('cord to have in hand, by hand: 6 m, two wraps of 0.6 m, knots, tails, travel', () => {
  const ends = [
    { wraps: 1, girth: 0.6, knotDiameters: 40 },
    { wraps: 1, girth: 0.6, knotDiameters: 90 },
  ];
  expect(cordNeeded(6, ends, 0.004, 0.5)).toBeCloseTo(6 + 2 * (0.6 + Math.PI * 0.004) + 130 * 0.004 + 0.6 + 0.5, 12);
});

test('Beaufort 6 is 12.3 m/s, and presses 94 Pa', () => {
  expect(beaufortSpeed(6)).toBeCloseTo(12.29, 2);
  expect(windPressure(1.25, 12.29)).toBeCloseTo(94.4, 1);
});
