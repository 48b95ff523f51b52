import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readLength, readNumber } from '../src/quantity/index.js';

describe('numbers as people type them', () => {
  test.each<[string, number | null]>([
    ['3', 3],
    [' 3,5 ', 3.5],
    ['.5', 0.5],
    ['-2.', -2],
    ['', null],
    ['1e3', null],
    ['Infinity', null],
    ['0x10', null],
    ['3 m', null],
    ['1.2.3', null],
  ])('“%s” is %p', (text, value) => expect(readNumber(text)).toBe(value));

  test.each<[string, number | null]>([
    [`20' 6"`, 20.5],
    ['20’6”', 20.5],
    ['20 ft 6 in', 20.5],
    ["20'", 20],
    ['6"', 0.5],
    ["5' 3.6", 5.3],
    ["-1' 6", -1.5],
    ['20.5', 20.5],
    ["20' 12", null],
    ["'", null],
    ['', null],
    ["six'", null],
  ])('%s in feet is %p', (text, value) => {
    const read = readLength(text, 'ft');
    if (value === null) expect(read).toBeNull();
    else expect(read).toBeCloseTo(value, 12);
  });
  test('feet are no metres, and any feet and inches come back as they were', () => {
    expect(readLength(`20' 6"`, 'm')).toBeNull();
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 0, max: 11 }), (feet, inches) => {
        expect(readLength(`${feet}' ${inches}"`, 'ft')).toBeCloseTo(feet + inches / 12, 9);
      }),
    );
  });
});
