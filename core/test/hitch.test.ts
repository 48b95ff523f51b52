import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { CORDS, HITCHES, JOINS, LAID, findCord, findHitch } from '../src/catalogue/index.js';
import { cutLength } from '../src/cordage/index.js';
import {
  clamping,
  gripFigure,
  gripRatio,
  hangGap,
  hitchAdvice,
  hitchWords,
  loopCut,
  offAxis,
  ownGripFigure,
  slipMargin,
} from '../src/hitch/index.js';
import { tell } from '../src/quantity/index.js';
import type { TiedHitch } from '../src/hitch/index.js';

const cord = (id: string) => findCord(id)!;
const hitch = (part: Partial<TiedHitch> = {}): TiedHitch => ({
  type: findHitch('loop')!,
  cord: cord('seine-36'),
  host: cord('nylon-550-4'),
  wraps: 3,
  crossed: false,
  ...part,
});

describe('grip of a friction hitch', () => {
  test('by hand: 2 pi times 3 wraps times 0.22 times 0.85 is 3.52', () => {
    expect(gripRatio(3, 0.22, 0.85)).toBeCloseTo(2 * Math.PI * 3 * 0.22 * 0.85, 12);
    expect(gripRatio(3, 0.22, 0.85)).toBeCloseTo(3.525, 3);
  });
  test('clamping: 0.85 at half the host, 0.35 at the same, straight between, never nothing', () => {
    expect(clamping(0.5, 0.85, 0.35)).toBe(0.85);
    expect(clamping(0.3, 0.85, 0.35)).toBe(0.85);
    expect(clamping(0.75, 0.85, 0.35)).toBeCloseTo(0.6, 12);
    expect(clamping(1, 0.85, 0.35)).toBeCloseTo(0.35, 12);
    expect(clamping(3, 0.85, 0.35)).toBe(0.1);
  });
  test('a thin loop on a thicker ridge holds by the low end of its range, one of the ridge’s own cord does not', () => {
    const thin = gripFigure(hitch({ cord: cord('seine-15') }), false);
    expect(thin.value).toBeGreaterThan(3);
    expect(thin.range![0]).toBeGreaterThan(1.5);
    const same = gripFigure(hitch({ cord: cord('nylon-550-4'), wraps: 2 }), false);
    expect(same.value).toBeLessThan(1.1);
    expect(slipMargin(same.value, 0.1)).toBeLessThan(1.1);
  });
  test('every wrap, every degree and every crossing tells, and the working names what it was made of', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }),
        fc.constantFrom(...CORDS),
        fc.constantFrom(...CORDS),
        (wraps, c, host) => {
          const one = gripFigure(hitch({ wraps, cord: c, host }), false).value;
          const more = gripFigure(hitch({ wraps: wraps + 1, cord: c, host }), false).value;
          const crossed = gripFigure(hitch({ wraps, cord: c, host, crossed: true }), false);
          expect(more).toBeCloseTo((one * (wraps + 1)) / wraps, 9);
          expect(crossed.value).toBeCloseTo(one * 0.5, 9);
          expect(crossed.range![0]).toBeLessThan(crossed.value);
          expect(crossed.inputs!.some((f) => f.symbol === 'n' && f.value === wraps)).toBe(true);
        },
      ),
      { seed: 7, numRuns: 60 },
    );
  });
  test('off the line of the host it holds less, down to six tenths square to it', () => {
    expect(offAxis(0)).toBe(1);
    expect(offAxis(Math.PI / 6)).toBeCloseTo(0.8, 12);
    expect(offAxis(Math.PI / 2)).toBeCloseTo(0.6, 12);
    expect(offAxis(-Math.PI / 6)).toBeCloseTo(0.8, 12);
  });
  test('the pull’s part along the host is what slips it: square to it nothing does', () => {
    expect(slipMargin(2, 0)).toBeCloseTo(2, 12);
    expect(slipMargin(2, Math.PI / 3)).toBeCloseTo((2 * (1 - 0.4 * Math.sin(Math.PI / 3))) / 0.5, 12);
    expect(slipMargin(2, Math.PI / 2)).toBe(Number.POSITIVE_INFINITY);
  });
  test('slick cord grips worse, and on its own standing part too', () => {
    expect(gripFigure(hitch({ host: cord('uhmwpe-1.75') }), false).value).toBeLessThan(
      gripFigure(hitch({ host: cord('polyester-3') }), false).value,
    );
    expect(ownGripFigure(cord('uhmwpe-1.75'), 3, true).value).toBeLessThan(1.1);
    expect(ownGripFigure(cord('nylon-550-4'), 3, true).value).toBeGreaterThan(2);
  });
});

describe('what is said of a hitch', () => {
  const said = (h: TiedHitch, angle = 0.1) =>
    hitchAdvice(h, gripFigure(h, false), angle)
      .map((a) => tell(hitchWords(a)))
      .join(' ');
  test.each([
    [{ cord: cord('nylon-550-4') }, /as thick as the ridgeline: three turns of it usually hold.*2.0 mm/],
    [{ cord: cord('nylon-550-4'), wraps: 2 }, /two turns of it are at the edge of slipping.*Take three wraps/],
    [{ cord: cord('accessory-6') }, /thicker than the ridgeline/],
    [{ crossed: true }, /A turn crosses another/],
    [{ cord: cord('uhmwpe-1.75') }, /Slick cord slips/],
    [{ wraps: 1 }, /It may creep. Take 2 wraps/],
    [{ wraps: 6, cord: cord('sisal-3') }, /jams/],
  ])('%#', (part, words) => {
    expect(said(hitch(part))).toMatch(words);
  });
  test('loops of the host’s own cord: two turns about at the edge, three usually hold, wet and slick ones worse', () => {
    const own = (wraps: number, id = 'nylon-550-4', wet = false): number =>
      gripFigure(hitch({ cord: cord(id), host: cord(id), wraps }), wet).value;
    expect(own(2)).toBeGreaterThan(0.85);
    expect(own(2)).toBeLessThan(1.15);
    expect(own(3)).toBeGreaterThan(1.3);
    expect(own(3, 'nylon-550-4', true)).toBeLessThan(own(3));
    expect(own(3, 'uhmwpe-1.75')).toBeLessThan(0.7);
  });
  test('a good one gets no advice, a pull off the line some', () => {
    expect(said(hitch({ cord: cord('seine-15') }))).toBe('');
    expect(said(hitch({ cord: cord('seine-15') }), 1)).toMatch(/leaves the ridge’s line/);
  });
  test('every type of hitch has words and a grip not above the plain loop’s', () => {
    for (const h of HITCHES) {
      expect(h.words.length).toBeGreaterThan(10);
      expect(h.grip.typical).toBeLessThanOrEqual(1);
    }
  });
});

describe('loops', () => {
  test('cord to cut: legs, turns, join and tails', () => {
    expect(cutLength(loopCut('twine', 0.12, 3, 0.002, 0.004))).toBeCloseTo(0.24 + 6 * Math.PI * 0.006 + 0.08 + 0.1, 9);
  });
  test('the roof hangs under the ridge by the loop at its angle', () => {
    expect(hangGap(0.2, Math.PI / 6)).toBeCloseTo(0.1, 12);
    expect(hangGap(0.2, -0.3)).toBe(0);
  });
});

describe('how a hitch is dressed', () => {
  test('a join among the turns, a tail laid the wrong way and a crossed turn each leave the share that the catalogue gives', () => {
    const whole = gripFigure(hitch(), false).value;
    expect(gripFigure(hitch({ join: 'turns' }), false).value / whole).toBeCloseTo(JOINS.turns.grip.typical, 12);
    // where it is pulled it weakens the loop, and grips as ever
    expect(gripFigure(hitch({ join: 'load' }), false).value).toBe(whole);
    const tail = (part: Partial<TiedHitch>): number =>
      gripFigure(hitch({ type: findHitch('tail')!, ...part }), false).value;
    expect(tail({ laid: 'away' }) / tail({})).toBeCloseTo(LAID.away.grip.typical, 12);
    expect(tail({ laid: 'away', crossed: true }) / tail({ laid: 'away' })).toBeCloseTo(0.5, 12);
    // a tail has no join, a loop no side to be laid on
    expect(tail({ join: 'turns' })).toBe(tail({}));
    expect(gripFigure(hitch({ laid: 'away' }), false).value).toBe(whole);
  });
  test('what is not as it should be is said, each with what to do', () => {
    const of = (part: Partial<TiedHitch>): string[] => {
      const h = hitch(part);
      return hitchAdvice(h, gripFigure(h, false), 0).map((a) => a.what);
    };
    expect(of({})).not.toContain('join');
    expect(of({ join: 'turns' })).toContain('join');
    expect(of({ join: 'load' })).toContain('join');
    expect(of({ type: findHitch('tail')!, laid: 'away' })).toContain('laid-away');
    expect(of({ laid: 'away' })).not.toContain('laid-away');
  });
});
