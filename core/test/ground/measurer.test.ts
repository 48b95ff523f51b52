import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Measure, Person, Place } from '../../src/ground/index.js';
import {
  checkPlace,
  measuredFirst,
  measurerOf,
  observe,
  ownedBy,
  survey,
  unitKey,
  withMeasurer,
} from '../../src/ground/index.js';
import { landing, place, tree, units, who } from './helper.js';

const long: Person = { id: 'long', name: 'Long', ...who };
const short: Person = { ...long, id: 'short', name: 'Short', body: { ...who.body, pace: 0.5 }, calibrations: {} };
const paced = (by?: string, how: Measure['how'] = 'paces', value = 10): Measure => ({
  id: `m-${by}-${how}`,
  from: 'a',
  to: 'b',
  how,
  value,
  ...(by === undefined ? {} : { by }),
});
const ground: Place = place([tree('a', [0, 0]), tree('b', [7.6, 0])]);

describe('whose paces', () => {
  test('a count is of whoever took it: as known now, else as the place keeps them, else the reader’s', () => {
    const kept = { ...ground, measurers: [{ ...short }] };
    const longer = { ...short, body: { ...short.body, pace: 0.6 } };
    expect(observe(paced(), kept, who).value).toBeCloseTo(10 * who.body.pace, 12);
    expect(observe(paced('short'), kept, who).value).toBeCloseTo(5, 12);
    expect(observe(paced('short'), kept, { ...who, people: [long, longer] }).value).toBeCloseTo(6, 12);
    // whoever reads is known best
    expect(observe(paced('short'), kept, { ...longer }).value).toBeCloseTo(6, 12);
    expect(measurerOf('nobody', ground, who)).toBe(who);
  });
  test('a tape is the same in everybody’s hands', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('tape' as const, 'rangefinder' as const, 'line' as const),
        fc.double({ min: 0.5, max: 90, noNaN: true }),
        (how, value) => {
          const mine = observe(paced(undefined, how, value), ground, who);
          expect(observe(paced('short', how, value), { ...ground, measurers: [short] }, who)).toEqual({
            ...mine,
            id: `m-short-${how}`,
          });
        },
      ),
    ));
  test('each one’s paces err together, and not with another’s', () => {
    expect(unitKey(paced('short'))).not.toBe(unitKey(paced('long')));
    expect(unitKey(paced('short', 'tape'))).toBe(unitKey(paced('long', 'tape')));
    const things = [tree('a', [0, 0]), tree('b', [7, 0]), tree('c', [3, 6]), tree('d', [8, 7])];
    const ends: [string, string][] = [['a', 'b'], ['b', 'c'], ['a', 'c'], ['b', 'd'], ['c', 'd'], ['a', 'd']]; // prettier-ignore
    const at = new Map(things.map((t) => [t.id, t.at]));
    const apart = (p: string, q: string): number =>
      Math.hypot(at.get(p)![0] - at.get(q)![0], at.get(p)![1] - at.get(q)![1]);
    // everything taped, and paced by one whose pace is a fifth longer than believed
    const measures = ends.flatMap(([from, to], i): Measure[] => [
      { id: `t${i}`, from, to, how: 'tape', value: apart(from, to) },
      { id: `p${i}`, from, to, how: 'paces', value: apart(from, to) / 0.6, by: 'short' },
      { id: `q${i}`, from, to, how: 'paces', value: apart(from, to) / who.body.pace, by: 'long' },
    ]);
    const unsure = { ...short, body: { ...short.body, paceSpread: 0.1 } };
    const found = survey({ ...place(things), measures, measurers: [unsure, long] }, { ...who, id: 'long' }, units)!;
    const scale = (key: string): number => found.adjustment.scales.find((s) => s.unit === key)!.factor;
    expect(scale(unitKey(paced('short')))).toBeGreaterThan(1.15);
    expect(scale(unitKey(paced('long')))).toBeCloseTo(1, 2);
    expect(found.findings.some((f) => f.text.includes('Short’s paces came out'))).toBe(true);
    expect(found.findings.some((f) => f.text.includes('your paces came out'))).toBe(false);
  });
  test('a place taken in says who measured it, once and for all; one that already does is left alone', () => {
    const marked = measuredFirst(landing, long);
    expect('place' in checkPlace(marked)).toBe(true);
    expect(marked.measures.filter((m) => m.by === 'long')).toHaveLength(
      landing.measures.filter((m) => ['paces', 'feet', 'spans'].includes(m.how)).length,
    );
    expect(measuredFirst(marked, short)).toBe(marked);
    expect(ownedBy('long', marked, who)).toBe('Long’s');
    expect(ownedBy('long', marked, { ...who, id: 'long' })).toBeNull();
    expect(withMeasurer(marked, { ...long, name: 'Longer' })).toHaveLength(1);
  });
  test('a measure by nobody is refused with what to do', () => {
    const bad = checkPlace({ ...ground, measures: [paced('ghost')] });
    expect(bad).toMatchObject({
      problem: { field: 'measures.0.by', message: expect.stringMatching(/Say who measured/) },
    });
  });
});
