import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { At, Observation } from '../../src/ground/index.js';
import {
  MOST_ADJUSTED,
  adjust,
  apart,
  bearingOf,
  impossibleTriangles,
  normalFrom,
  offDrawing,
  placedByMeasures,
  randomFrom,
  survey,
} from '../../src/ground/index.js';
import { landing, place, tree, units, who } from './helper.js';

type Points = Readonly<Record<string, At>>;
const distance = (
  points: Points,
  from: string,
  to: string,
  sd = 0.05,
  off = 0,
  unit: Observation['unit'] = null,
): Observation => ({
  id: `${from}${to}`,
  kind: 'distance',
  from,
  to,
  value: apart(points[from]!, points[to]!) + off,
  sd,
  unit,
});
const bearing = (points: Points, from: string, to: string, sd = 0.05): Observation => ({
  id: `b${from}${to}`,
  kind: 'bearing',
  from,
  to,
  value: bearingOf(points[from]!, points[to]!),
  sd,
  unit: null,
});
const drawn = (points: Points, by: (at: At, i: number) => At = (at) => at): { id: string; at: At }[] =>
  Object.entries(points).map(([id, at], i) => ({ id, at: by(at, i) }));
/** All distances between points. */
const net = (points: Points, sd = 0.05): Observation[] => {
  const ids = Object.keys(points);
  return ids.flatMap((a, i) => ids.slice(i + 1).map((b) => distance(points, a, b, sd)));
};
const five: Points = { a: [0, 0], b: [8, 1], c: [5, 7], d: [-2, 6], e: [3, 3] };

describe('placing by distances', () => {
  test('a triangle of exact distances comes out exactly, whatever was drawn', () => {
    const tri: Points = { a: [0, 0], b: [4, 0], c: [1, 3] };
    const { points, converged, redundancy } = adjust(
      drawn(tri, (at, i) => [at[0] + i, at[1] - 0.7 * i]),
      net(tri),
      {},
    );
    expect(converged).toBe(true);
    expect(redundancy).toBe(0);
    const at = Object.fromEntries(points.map((p) => [p.id, p.at]));
    expect(apart(at['a']!, at['b']!)).toBeCloseTo(4, 8);
    expect(apart(at['a']!, at['c']!)).toBeCloseTo(Math.sqrt(10), 8);
    expect(apart(at['b']!, at['c']!)).toBeCloseTo(Math.sqrt(18), 8);
  });
  test('the shape is found again from rough drawings, turned and shifted as little as can be', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const random = randomFrom(seed);
        const rough = drawn(five, (at) => [at[0] + (random() - 0.5) * 4, at[1] + (random() - 0.5) * 4]);
        const { points } = adjust(rough, net(five), {});
        const at = Object.fromEntries(points.map((p) => [p.id, p.at]));
        for (const o of net(five)) expect(apart(at[o.from]!, at[o.to]!)).toBeCloseTo(o.value, 5);
        const mean = (list: readonly { at: At }[], k: 0 | 1): number =>
          list.reduce((s, p) => s + p.at[k], 0) / list.length;
        for (const k of [0, 1] as const) expect(mean(points, k)).toBeCloseTo(mean(rough, k), 9);
      }),
      { numRuns: 40 },
    );
  });
  test('a drawing with two points on the wrong sides is put right', () => {
    const wrong = drawn(five, (at, i) => (i === 2 ? [4, -7] : i === 3 ? [9, -4] : at));
    const { points, residuals } = adjust(wrong, net(five), {});
    expect(Math.max(...residuals.map((r) => Math.abs(r.computed - r.measured)))).toBeLessThan(1e-4);
    expect(points.every((p) => !p.free && !p.mirrored)).toBe(true);
  });
  test('everything drawn on one spot is no hindrance', () => {
    const { residuals } = adjust(
      drawn(five, () => [1, 1]),
      net(five),
      {},
    );
    expect(Math.max(...residuals.map((r) => Math.abs(r.computed - r.measured)))).toBeLessThan(1e-4);
  });
  test('turning and shifting all turns and shifts the ellipses with it', () => {
    const turn = 0.8;
    const turned = (at: At): At => [
      at[0] * Math.cos(turn) + at[1] * Math.sin(turn) + 5,
      -at[0] * Math.sin(turn) + at[1] * Math.cos(turn) - 3,
    ];
    const moved = Object.fromEntries(Object.entries(five).map(([id, at]) => [id, turned(at)]));
    const some = (p: Points): Observation[] => net(p).filter((o) => o.id !== 'ad' && o.id !== 'be');
    const one = adjust(drawn(five), some(five), {});
    const two = adjust(drawn(moved), some(moved), {});
    one.points.forEach((p, i) => {
      const q = two.points[i]!;
      expect(q.major).toBeCloseTo(p.major, 6);
      expect(q.minor).toBeCloseTo(p.minor, 6);
      const off = (((q.bearing - p.bearing - turn) % Math.PI) + Math.PI) % Math.PI;
      expect(Math.min(off, Math.PI - off)).toBeLessThan(1e-4);
    });
  });
  test('the order of points and measures does not matter', () => {
    const one = adjust(drawn(five), net(five), {});
    const two = adjust(drawn(five).reverse(), net(five).reverse(), {});
    for (const p of one.points) {
      const q = two.points.find((x) => x.id === p.id)!;
      expect(q.at[0]).toBeCloseTo(p.at[0], 6);
      expect(q.major).toBeCloseTo(p.major, 6);
    }
  });
  test('a bearing settles how the whole lies', () => {
    const askew = drawn(five, ([e, n]) => [
      e * Math.cos(0.4) - n * Math.sin(0.4),
      e * Math.sin(0.4) + n * Math.cos(0.4),
    ]);
    const { points } = adjust(askew, [...net(five), bearing(five, 'a', 'c')], {});
    const at = Object.fromEntries(points.map((p) => [p.id, p.at]));
    expect(bearingOf(at['a']!, at['c']!)).toBeCloseTo(bearingOf(five['a']!, five['c']!), 6);
  });
});

describe('how surely', () => {
  test('a point between two tapes at right angles is known by each of them', () => {
    // two far points hold it; the ellipse along each tape is that tape's own spread
    const p: Points = { o: [0, 0], e: [50, 0], n: [0, 50], w: [-50, 0], s: [0, -50] };
    const obs = [
      ...net({ e: p['e']!, n: p['n']!, w: p['w']!, s: p['s']! }, 0.001),
      distance(p, 'o', 'e', 0.3),
      distance(p, 'o', 'n', 0.1),
    ];
    const o = adjust(drawn(p), obs, {}).points.find((x) => x.id === 'o')!;
    expect(o.major / 2.146).toBeCloseTo(0.3, 2);
    expect(o.minor / 2.146).toBeCloseTo(0.1, 2);
    expect(o.bearing).toBeCloseTo(Math.PI / 2, 2);
  });
  test('ellipses hold what a thousand measurings scatter', () => {
    const random = randomFrom(11);
    const truth = net(five, 0.2).filter((o) => o.id !== 'ab');
    const { points } = adjust(drawn(five), truth, {});
    const predicted = points.find((p) => p.id === 'd')!;
    const [c, s] = [Math.cos(predicted.bearing), Math.sin(predicted.bearing)];
    let inside = 0;
    const runs = 600;
    for (let k = 0; k < runs; k++) {
      const noisy = truth.map((o) => ({ ...o, value: o.value + o.sd * normalFrom(random) }));
      const { points: found } = adjust(drawn(five), noisy, {});
      const d = found.find((p) => p.id === 'd')!;
      const rest = found.filter((p) => p.id !== 'd');
      // against the middle of the others, which the ellipse is drawn from
      const off = (k: 0 | 1): number =>
        d.at[k] - five['d']![k] - rest.reduce((s, p) => s + p.at[k] - five[p.id]![k], 0) / rest.length;
      const [e, n] = [off(0), off(1)];
      if (((e * s + n * c) / predicted.major) ** 2 + ((e * c - n * s) / predicted.minor) ** 2 <= 1) inside++;
    }
    expect(inside / runs).toBeGreaterThan(0.86);
    expect(inside / runs).toBeLessThan(0.94);
  });
  test('twice the spread of every measure doubles every ellipse', () => {
    const one = adjust(drawn(five), net(five, 0.1), {});
    const two = adjust(drawn(five), net(five, 0.2), {});
    one.points.forEach((p, i) => expect(two.points[i]!.major / p.major).toBeCloseTo(2, 5));
  });
  test('a mistaken pace is one mistake: paced shapes are known better than their size', () => {
    const paced = net(five, 0.02).map((o) => ({ ...o, unit: 'paces' as const }));
    const found = adjust(drawn(five), paced, { paces: 0.05 });
    const size = found.spreadBetween('a', 'b')! / apart(five['a']!, five['b']!);
    expect(size).toBeGreaterThan(0.045);
    // with one taped side the paces are calibrated on the spot
    const taped = adjust(drawn(five), [...paced, { ...distance(five, 'a', 'b', 0.01), id: 'tape' }], { paces: 0.05 });
    expect(taped.spreadBetween('a', 'c')! / apart(five['a']!, five['c']!)).toBeLessThan(0.006);
    expect(taped.scales[0]!.sd).toBeLessThan(0.006);
  });
  test('short paces are found out by a tape', () => {
    const paced = net(five, 0.02).map((o) => ({ ...o, value: o.value * 1.06, unit: 'paces' as const }));
    const { scales } = adjust(
      drawn(five),
      [...paced, { ...distance(five, 'a', 'b', 0.005), id: 't1' }, { ...distance(five, 'c', 'd', 0.005), id: 't2' }],
      { paces: 0.05 },
    );
    expect(scales[0]!.factor).toBeCloseTo(1 / 1.06, 2);
  });
});

describe('bad geometry is told', () => {
  test('one distance leaves a point free to swing', () => {
    const { points } = adjust(
      drawn({ ...five, f: [12, 12] }),
      [...net(five), distance({ ...five, f: [12, 12] }, 'c', 'f')],
      {},
    );
    expect(points.filter((p) => p.free).map((p) => p.id)).toEqual(['f']);
  });
  test('two distances leave a mirror, a third takes it away', () => {
    const six: Points = { ...five, f: [12, 8] };
    const two = [...net(five), distance(six, 'b', 'f'), distance(six, 'c', 'f')];
    expect(
      adjust(drawn(six), two, {})
        .points.filter((p) => p.mirrored)
        .map((p) => p.id),
    ).toEqual(['f']);
    expect(adjust(drawn(six), [...two, distance(six, 'e', 'f')], {}).points.some((p) => p.mirrored)).toBe(false);
  });
  test('groups without a measure between them are counted, and no distance between them is claimed', () => {
    const two: Points = { ...five, x: [30, 0], y: [34, 1], z: [31, 4] };
    const obs = [...net(five), ...net({ x: two['x']!, y: two['y']!, z: two['z']! })];
    const found = adjust(drawn(two), obs, {});
    expect(found.groups).toBe(2);
    expect(found.spreadBetween('a', 'x')).toBeNull();
    expect(found.spreadBetween('x', 'y')).toBeGreaterThan(0);
    expect(found.points.some((p) => p.free)).toBe(false);
  });
  test('a blunder stands out from measures that check it', () => {
    const wrong = net(five).map((o) => (o.id === 'bd' ? { ...o, value: o.value + 1.2 } : o));
    const { residuals, variance } = adjust(drawn(five), wrong, {});
    const worst = [...residuals].sort((a, b) => Math.abs(b.standardised) - Math.abs(a.standardised))[0]!;
    expect(worst.id).toBe('bd');
    expect(Math.abs(worst.standardised)).toBeGreaterThan(3.29);
    expect(variance).toBeGreaterThan(5);
  });
  test('more points than can be worked, or an end that is not there, is refused', () => {
    expect(() =>
      adjust(
        Array.from({ length: MOST_ADJUSTED + 1 }, (_, i) => ({ id: `p${i}`, at: [i, 0] as const })),
        [],
        {},
      ),
    ).toThrow(/at most/);
    expect(() => adjust(drawn(five), [{ ...distance(five, 'a', 'b'), to: 'q' }], {})).toThrow(/q/);
  });
});

describe('distances that cannot be', () => {
  const line: Points = { a: [0, 0], b: [4, 0], c: [9, 0] };
  const of = (ab: number, bc: number, ac: number): Observation[] => [
    { ...distance(line, 'a', 'b'), value: ab },
    { ...distance(line, 'b', 'c'), value: bc },
    { ...distance(line, 'a', 'c'), value: ac },
  ];
  test('the longest is longer than the other two together, by so much', () => {
    const [t] = impossibleTriangles(of(4, 5, 9.8));
    expect(t).toMatchObject({ tooLong: true });
    expect(t!.blamed.id).toBe('ac');
    expect(t!.by).toBeCloseTo(0.8, 12);
  });
  test('scatter passes', () => {
    expect(impossibleTriangles(of(4, 5, 9.1))).toEqual([]);
    expect(impossibleTriangles(net(five))).toEqual([]);
  });
  test('the one that two triangles blame is named, and it can be too short', () => {
    const six: Points = { a: [0, 0], b: [6, 0], c: [12, 0], d: [12, 1] };
    const obs = net(six).map((o) => (o.id === 'ab' ? { ...o, value: 3 } : o));
    const found = impossibleTriangles(obs);
    expect(found.length).toBeGreaterThan(1);
    expect(found[0]!.blamed.id).toBe('ab');
    expect(found[0]!.tooLong).toBe(false);
    expect(found[0]!.by).toBeCloseTo(3, 1);
  });
  test('no three true points ever make one', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.double({ min: -20, max: 20, noNaN: true }), fc.double({ min: -20, max: 20, noNaN: true })),
          { minLength: 3, maxLength: 7 },
        ),
        (at) => {
          const points = Object.fromEntries(at.map((p, i) => [String.fromCharCode(97 + i), p]));
          expect(impossibleTriangles(net(points))).toEqual([]);
        },
      ),
    );
  });
});

describe('the survey of a place', () => {
  test('the landing: the impossible distance is named and left out, the mirror is told', () => {
    const found = survey(landing, who, units)!;
    expect(found.findings[0]!.text).toMatch(/^Ferry alder to path alder is 1\.\d+ m longer than .* allow\./);
    expect([...found.leftOut]).toEqual([found.findings[0]!.measures[0]]);
    expect(found.findings.map((f) => f.text).join(' ')).toMatch(/Smooth poplar could as well stand on the other side/);
  });
  test('things are moved to where the measures put them, to the centimetre; the rest stay', () => {
    const found = survey(landing, who, units)!;
    const next = placedByMeasures(landing, found.adjustment.points);
    const moved = next.things.filter((t, i) => t !== landing.things[i]);
    expect(moved.length).toBeGreaterThan(4);
    const again = survey(next, who, units)!;
    const sure = again.adjustment.points.filter((q) => !q.free);
    const at = (id: string): At => next.things.find((x) => x.id === id)!.at;
    for (const p of sure) for (const q of sure) expect(apart(at(p.id), at(q.id))).toBeCloseTo(apart(p.at, q.at), 1);
  });
  test('a ranking of the drawing knows how far that is from the measures, until the marks are moved', () => {
    const found = survey(landing, who, units)!;
    const off = offDrawing(landing, found.adjustment.points);
    expect(off).toBeGreaterThan(0.1);
    const [a, b] = [landing.measures[0]!.from, landing.measures[0]!.to];
    const at = (id: string): At => found.adjustment.points.find((x) => x.id === id)!.at;
    const drawn = (id: string): At => landing.things.find((x) => x.id === id)!.at;
    expect(off).toBeGreaterThanOrEqual(Math.abs(apart(at(a), at(b)) - apart(drawn(a), drawn(b))) - 1e-12);
    const next = placedByMeasures(landing, found.adjustment.points);
    // to the centimetre each
    expect(offDrawing(next, found.adjustment.points)).toBeLessThan(0.03);
    expect(offDrawing(landing, [])).toBe(0);
  });
  test('nothing measured is no survey; a bad bearing is told in degrees', () => {
    expect(survey(place([tree('a', [0, 0])]), who, units)).toBeNull();
    const things = [tree('a', [0, 0]), tree('b', [8, 0]), tree('c', [4, 6]), tree('d', [9, 7])];
    const tape = things.flatMap((p, i) =>
      things
        .slice(i + 1)
        .map((q) => ({ id: p.id + q.id, from: p.id, to: q.id, how: 'tape' as const, value: apart(p.at, q.at) })),
    );
    const compass = [
      { id: 'c1', from: 'a', to: 'b', how: 'compass' as const, value: Math.PI / 2 },
      { id: 'c2', from: 'a', to: 'c', how: 'compass' as const, value: bearingOf([0, 0], [4, 6]) },
      { id: 'c3', from: 'b', to: 'd', how: 'compass' as const, value: bearingOf([8, 0], [9, 7]) + 0.7 },
    ];
    const found = survey(place(things, { measures: [...tape, ...compass] }), who, units)!;
    expect(found.findings[0]).toMatchObject({ measures: ['c3'] });
    expect(found.findings[0]!.text).toMatch(/bearing b to d .* \d+°/);
  });
});
