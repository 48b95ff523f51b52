import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup } from '@testing-library/react';
import fc from 'fast-check';
import { loopAt } from '@rough-bight/core/bed';
import type { KitBed, KitStraps } from '@rough-bight/core/bed';
import { BED_SCALE, BedDrawn, StrapsDrawn } from '../src/views/kit/drawn/bed-drawn.js';
import { HANK_SCALE, HankDrawn, PIECE_SCALE, PieceDrawn } from '../src/views/kit/drawn/cord-drawn.js';
import { render } from './render.js';

afterEach(cleanup);
const svg = (what: Parameters<typeof render>[0]): SVGSVGElement => {
  cleanup();
  return render(what).container.querySelector('svg')!;
};
const bed: KitBed = {
  id: 'b',
  name: 'bed',
  cloth: 'nylon-sheet',
  length: 3,
  width: 1.4,
  ridgeLength: 2.5,
  ridgeCord: 'nylon-550-4',
  connector: 'own',
  mass: 0,
  limit: 150,
  people: 1,
  sun: 'new',
  wear: 'sound',
} as unknown as KitBed;
const straps = {
  id: 's',
  name: 'straps',
  webbing: 'polyester-25',
  length: 3,
  adjust: 'loops',
  first: 1,
  spacing: 0.1,
  count: 12,
  limit: 0,
  sun: 'new',
  wear: 'sound',
} as unknown as KitStraps;

describe('things of the kit are drawn to their scales', () => {
  test('a longer hank has more turns, a thicker cord lies wider; sun takes of its colour', () => {
    const turns = (length: number): number =>
      svg(<HankDrawn length={length} thickness={0.004} sun="new" />).querySelectorAll('g')[0]!.children.length;
    expect(turns(30)).toBeGreaterThan(turns(8));
    const wide = (thickness: number): number =>
      Number(svg(<HankDrawn length={15} thickness={thickness} sun="new" />).getAttribute('width'));
    expect(wide(0.006)).toBeGreaterThan(wide(0.002));
    const tall = Number(svg(<HankDrawn length={15} thickness={0.004} sun="new" />).getAttribute('height'));
    expect(tall).toBeCloseTo(0.4 * HANK_SCALE + 8, 9);
    const colour = (sun: 'new' | 'years'): number =>
      Number(
        svg(<HankDrawn length={15} thickness={0.004} sun={sun} />)
          .querySelector('g')!
          .getAttribute('opacity'),
      );
    expect(colour('years')).toBeLessThan(colour('new'));
  });
  test('a piece is as high as its cord is thick, and its wear is seen', () => {
    const piece = (thickness: number, wear: 'sound' | 'fuzzy' | 'cut') =>
      svg(<PieceDrawn thickness={thickness} sun="new" wear={wear} />);
    expect(Number(piece(0.006, 'sound').querySelector('rect')!.getAttribute('height'))).toBeCloseTo(
      0.006 * PIECE_SCALE,
    );
    const marks = (wear: 'sound' | 'fuzzy' | 'cut'): number => piece(0.006, wear).querySelectorAll('path').length;
    expect(marks('fuzzy')).toBeGreaterThan(marks('sound'));
    expect(marks('cut')).toBeGreaterThan(marks('fuzzy'));
  });
  test('a bed hangs as long as its cloth is: the curve’s length is the cloth’s', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 2.4, max: 3.6, noNaN: true }),
        fc.double({ min: 0.78, max: 0.9, noNaN: true }),
        (length, share) => {
          const ridgeLength = share * length;
          const d = svg(<BedDrawn bed={{ ...bed, length, ridgeLength }} />)
            .querySelector('path')!
            .getAttribute('d')!;
          const [w, twice] = /^M0 0Q\S+ (\S+) (\S+) 0/.exec(d)!.slice(1).map(Number).toReversed() as [number, number];
          expect(w).toBeCloseTo(ridgeLength * BED_SCALE, 6);
          const sag = twice / 2;
          // along a quadratic curve from gather to gather
          let along = 0;
          for (let k = 0; k < 400; k++) {
            const at = (t: number): readonly [number, number] => [w * t, 4 * sag * t * (1 - t)];
            const [p, q] = [at(k / 400), at((k + 1) / 400)];
            along += Math.hypot(q[0] - p[0], q[1] - p[1]);
          }
          // a flat parabola's first term: within 4 % as deep as beds hang
          expect(Math.abs(along / BED_SCALE / length - 1)).toBeLessThan(0.04);
        },
      ),
      { numRuns: 25 },
    ));
  test('straps show each loop where it is', () => {
    const marks = [
      ...svg(<StrapsDrawn straps={straps} />)
        .querySelectorAll('g')[0]!
        .querySelectorAll('path'),
    ].slice(1);
    expect(marks).toHaveLength(12);
    marks.forEach((m, k) =>
      expect(Number(/^M([\d.]+)/.exec(m.getAttribute('d')!)![1])).toBeCloseTo(loopAt(straps, k + 1) * BED_SCALE, 6),
    );
    expect(svg(<StrapsDrawn straps={{ ...straps, adjust: 'hitch' }} />).querySelectorAll('path')).toHaveLength(2);
  });
});
