import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { linearCurve } from '../../src/net/index.js';
import { dryCurve, findCord } from '../../src/catalogue/index.js';
import { FINGER, goesAside, pullFromPress, wavesOf } from '../../src/trim/index.js';

describe('a line pressed in its middle', () => {
  test('a taut one goes aside by F L / 4 T', () => {
    // as soft as it is taut: the press takes next to nothing of its pull
    expect(goesAside(4, 400, 4, linearCurve(400)) / ((4 * 4) / (4 * 400))).toBeCloseTo(1, 3);
  });
  test('a slack one by what its stretch lets it: F = EA (d / l)^3 of its halves', () => {
    const [EA, half, F] = [20_000, 2, 10];
    const by = goesAside(2 * half, 0, F, linearCurve(EA));
    expect(EA * (by / half) ** 3).toBeCloseTo(F, 1);
  });
  test('the pull is found again from where the finger went, whatever the cord', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('nylon-550-4', 'polyester-3', 'uhmwpe-1.75', 'manila-6'),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 2, max: 400, noNaN: true }),
        (id, length, pull) => {
          const cord = findCord(id);
          if (cord === undefined) return;
          const curve = dryCurve(cord);
          const by = goesAside(length, pull, FINGER, curve);
          expect(pullFromPress(length, by, FINGER, curve) / pull).toBeCloseTo(1, 4);
          // tauter goes less far, longer goes farther
          expect(goesAside(length, 1.2 * pull, FINGER, curve)).toBeLessThan(by);
          expect(goesAside(1.2 * length, pull, FINGER, curve)).toBeGreaterThan(by);
        },
      ),
    );
  });
  test('a struck string: 2 m of 6 g/m under 96 N comes back 31.6 times a second, and at four times the pull twice as often', () => {
    expect(wavesOf(2, 96, 0.006)).toBeCloseTo(Math.sqrt(16000) / 4, 9);
    expect(wavesOf(2, 384, 0.006) / wavesOf(2, 96, 0.006)).toBeCloseTo(2, 12);
  });
});
