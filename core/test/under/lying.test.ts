import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { POSTURES, lyingUnder, placeUnder, postureUnder, underRoof } from '../../src/under/index.js';
import type { Lying, LyingResult, Roofed } from '../../src/under/index.js';

/** A flat sheet of cloth over x0..x1, y0..y1 at a height, as two panels. */
/** How one thing lies under a roof. */
const lies = (lying: Lying, roof: Roofed): LyingResult => lyingUnder(roof).lies(lying);
const sheet = (x0: number, x1: number, y0: number, y1: number, z: (x: number, y: number) => number): Roofed => ({
  corners: Int32Array.from([0, 1, 2, 0, 2, 3]),
  at: [x0, y0, z(x0, y0), x1, y0, z(x1, y0), x1, y1, z(x1, y1), x0, y1, z(x0, y1)],
  ground: () => 0,
  slant: [0, 0],
  upwind: null,
  walls: [],
});
const sleeper = (x: number, y: number, toward = 0): Lying => ({
  id: 's',
  kind: 'sleeper',
  name: 'one',
  at: [x, y],
  toward,
});
const flat = sheet(-2, 2, -1.5, 1.5, () => 1.2);

describe('who lies under a roof', () => {
  test('rain straight down reaches what lies beyond the edge, by its share', () => {
    expect(lies(sleeper(0, 0), flat).dry).toBe(1);
    expect(lies(sleeper(5, 0), flat).dry).toBe(0);
    // half over the edge, by the nine places along the body
    expect(lies(sleeper(2, 0), flat).dry).toBeCloseTo(5 / 9, 9);
  });
  test('slanting rain reaches as far in as its slant times the height it falls under the cloth', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1.5, noNaN: true }), (slant) => {
        const roof = { ...flat, slant: [slant, 0] as const };
        // rain that goes to +x comes in under the edge at -2: it reaches the lower half of a body there to -2 + slant (1.2 - 0.125)
        const wet = -2 + slant * (1.2 - 0.125);
        const inside = lies(sleeper(wet + 0.98 + 0.01, 0), roof);
        const outside = lies(sleeper(wet + 0.97, 0), roof);
        if (wet + 2 < 2) expect(inside.dry).toBe(1);
        expect(outside.dry).toBeLessThan(1);
      }),
    );
  });
  test('to leeward beyond the edge it is dry while the wind blows, and wet between its gusts', () => {
    const driven = { ...flat, slant: [1, 0] as const };
    // in the wind's shadow from end to end, half of it beyond the cloth
    expect(lies(sleeper(2, 0), driven).dry).toBeCloseTo(5 / 9, 9);
    expect(lies(sleeper(2, 0), driven).dry).toBe(lies(sleeper(2, 0), flat).dry);
    fc.assert(
      fc.property(
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (x, slant) => {
          const [calm, now] = [flat, { ...flat, slant: [slant, 0] as const }].map((r) => lies(sleeper(x, 0), r).dry);
          expect(now!).toBeLessThanOrEqual(calm!);
        },
      ),
    );
  });
  test('one sits up where the cloth is higher over the hips than a sitting body is tall', () => {
    for (const [height, sits] of [
      [0.85, false],
      [0.95, true],
    ] as const) {
      const { headroom, sits: can } = lies(
        sleeper(0, 0),
        sheet(-2, 2, -2, 2, () => height),
      );
      expect(headroom).toBeCloseTo(height, 9);
      expect(can).toBe(sits);
    }
    // in the open nothing is in the way
    expect(lies(sleeper(9, 0), flat)).toMatchObject({ headroom: null, sits: true });
  });
  test('under a roof there is room to lie, to sit up or to stand, by the body of who asks', () => {
    const short = { brow: 1.4 };
    const tall = { brow: 1.75 };
    expect([0.5, 0.89, 0.9, 1.5, 1.6, 1.9].map((h) => postureUnder(h, short))).toEqual([
      'lie',
      'lie',
      'sit',
      'sit',
      'stand',
      'stand',
    ]);
    expect(postureUnder(1.6, tall)).toBe('sit');
    // more room never is less of it
    const rank = Object.keys(POSTURES);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 4, noNaN: true }), fc.double({ min: 0, max: 2, noNaN: true }), (h, more) =>
        expect(rank.indexOf(postureUnder(h + more, tall))).toBeGreaterThanOrEqual(rank.indexOf(postureUnder(h, tall))),
      ),
    );
  });
  test('slope along and across the body, whichever way it is turned', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        fc.double({ min: -0.2, max: 0.2, noNaN: true }),
        (toward, gx, gy) => {
          const r = lies(sleeper(0.3, 0.2, toward), { ...flat, ground: (x, y) => gx * x + gy * y });
          const [c, s] = [Math.cos(toward), Math.sin(toward)];
          expect(Math.tan(r.headDown)).toBeCloseTo(-(gx * c + gy * s), 9);
          expect(Math.tan(r.across)).toBeCloseTo(Math.abs(-gx * s + gy * c), 9);
        },
      ),
    );
  });
  test('a wall of cloth to windward keeps the wind out; none lets all of it in; in a calm there is none', () => {
    const wall: Roofed = {
      corners: Int32Array.from([0, 1, 2, 0, 2, 3]),
      at: [-1, -3, 0, -1, 3, 0, -1, 3, 2, -1, -3, 2],
      ground: () => 0,
      slant: [0, 0],
      walls: [],
      upwind: [-1, 0],
    };
    expect(lies(sleeper(0, 0), wall).open).toBe(0);
    expect(lies(sleeper(0, 0), { ...wall, walls: [], upwind: [1, 0] }).open).toBe(1);
    expect(lies(sleeper(0, 0), { ...wall, upwind: null, walls: [] }).open).toBe(0);
    // a wall that ends short lets some of it past
    const short = { ...wall, at: [-1, -0.2, 0, -1, 3, 0, -1, 3, 2, -1, -0.2, 2] };
    expect(lies(sleeper(0, 0), short).open).toBeGreaterThan(0.2);
    expect(lies(sleeper(0, 0), short).open).toBeLessThan(0.8);
  });
  test('what is found: wet, low, on a slope, in the wind; a pack only when it is wet', () => {
    const codes = (lying: Lying, roof: Roofed): string[] => underRoof([lying], roof).findings.map((f) => f.code);
    expect(codes(sleeper(0, 0), flat)).toEqual([]);
    expect(codes(sleeper(5, 0), flat)).toEqual(['sleeper-wet']);
    expect(
      codes(
        sleeper(0, 0),
        sheet(-2, 2, -2, 2, () => 0.6),
      ),
    ).toEqual(['sleeper-low']);
    expect(codes(sleeper(0, 0), { ...flat, ground: (_, y) => 0.08 * y })).toEqual(['sleeper-slides']);
    expect(codes(sleeper(0, 0), { ...flat, walls: [], upwind: [1, 0] })).toEqual(['sleeper-in-wind']);
    expect(codes({ ...sleeper(5, 0), kind: 'pack' }, flat)).toEqual(['pack-wet']);
    expect(codes({ ...sleeper(0, 0), kind: 'pack' }, { ...flat, ground: (_, y) => 0.08 * y })).toEqual([]);
  });
});

describe('where they lie best', () => {
  test('two and their packs are laid in the dry, none on another, heads uphill', () => {
    const roof = { ...sheet(0, 4, -1.5, 1.5, () => 1.3), ground: (x: number) => 0.03 * x };
    const { lying, results } = placeUnder(2, 2, roof);
    expect(results.filter((r) => r.lying.kind === 'sleeper').map((r) => r.dry)).toEqual([1, 1]);
    const sleepers = lying.filter((l) => l.kind === 'sleeper');
    for (const s of sleepers) expect(Math.cos(s.toward)).toBeGreaterThan(0.99);
    const [a, b] = sleepers;
    expect(Math.hypot(a!.at[0] - b!.at[0], a!.at[1] - b!.at[1])).toBeCloseTo(0.64, 2);
    expect(new Set(lying.map((l) => l.id)).size).toBe(4);
  });
  test('where a roof is highest does not matter to where they lie: as far from either edge on the level', () => {
    // highest at its left end
    const { lying, results } = placeUnder(
      2,
      2,
      sheet(0, 4, -1, 1, (x) => 1.6 - 0.1 * x),
    );
    expect(results.map((r) => r.dry)).toEqual([1, 1, 1, 1]);
    const sleepers = lying.filter((l) => l.kind === 'sleeper');
    expect(Math.abs(sleepers[0]!.at[1] + sleepers[1]!.at[1])).toBeLessThan(0.02);
    for (const { at } of sleepers) expect(Math.abs(at[0] - 2)).toBeLessThan(0.6);
  });
  test('in rain from one side they are laid as far in as it reaches', () => {
    const roof = {
      ...sheet(-2, 2, -1.5, 1.5, () => 1.2),
      slant: [0, 1.6] as const,
      walls: [],
      upwind: [0, -1] as const,
    };
    const { results } = placeUnder(1, 0, roof);
    expect(results[0]!.dry).toBe(1);
    expect(results[0]!.lying.at[1]).toBeGreaterThan(0.5);
  });
});
