import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { apart, writtenAt } from '../src/scene/flat/written.js';

const place = fc.record({
  x: fc.integer({ min: 0, max: 800 }),
  baseline: fc.integer({ min: 0, max: 600 }),
  text: fc.string({ minLength: 1, maxLength: 20 }),
});

describe('what is written in a scene', () => {
  test('takes the same room wherever it is anchored, to the right of a start and to the left of an end', () => {
    fc.assert(
      fc.property(place, ({ x, baseline, text }) => {
        const [start, middle, end] = (['start', 'middle', 'end'] as const).map((a) => writtenAt(x, baseline, text, a));
        expect(start!.x - start!.half).toBeCloseTo(x, 9);
        expect(end!.x + end!.half).toBeCloseTo(x, 9);
        expect(middle!.x).toBe(x);
        expect(new Set([start, middle, end].map((w) => `${w!.half} ${w!.tall} ${w!.y}`)).size).toBe(1);
      }),
    );
  });
  test('two are apart as one sees it: neither way round differs, none is apart from itself, and far ones are', () => {
    fc.assert(
      fc.property(place, place, (a, b) => {
        const [one, other] = [a, b].map(({ x, baseline, text }) => writtenAt(x, baseline, text, 'middle'));
        expect(apart(one!, other!)).toBe(apart(other!, one!));
        expect(apart(one!, one!)).toBe(false);
        expect(apart(one!, { ...one!, x: one!.x + 2 * one!.half })).toBe(true);
        expect(apart(one!, { ...one!, y: one!.y + 2 * one!.tall })).toBe(true);
      }),
    );
  });
});
