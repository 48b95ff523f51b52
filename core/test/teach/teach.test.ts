import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import Papa from 'papaparse';
import { DRILL_KINDS } from '../../src/drill/index.js';
import type { Guessed } from '../../src/drill/index.js';
import type { LogEntry } from '../../src/log/index.js';
import { KNOTS } from '../../src/knot/index.js';
import { misfit } from '../../src/document/index.js';
import { entryDocument } from '../../src/log/index.js';
import {
  PITCH_FAULTS,
  PITCH_FAULT_IDS,
  SPLITS,
  byWeek,
  faultsSeen,
  lessonOf,
  liveDrillDocument,
  liveGuessDocument,
  progressCsv,
  progressFile,
  questionOf,
  splitsOf,
  standingOf,
  timesOf,
  troubleOf,
  weekOf,
} from '../../src/teach/index.js';
import type { LiveDrill, Pitched } from '../../src/teach/index.js';
import { lessonWords, timesWords, watchWords } from '../../src/words/index.js';
import { drillOf } from '../../src/drill/index.js';
import { source } from '../drill/helper.js';

const day = (n: number): string => new Date(Date.UTC(2026, 2, 2 + n, 18)).toISOString();
const guess = (kind: Guessed['kind'], n: number, near: boolean, error: number | null = near ? 0.1 : 1.2): Guessed => ({
  kind,
  at: day(n),
  error,
  near,
  grade: near ? 3 : 1,
  sure: 0.7,
});
const pitch = (n: number, total: number, faults: Pitched['faults'] = []): Pitched => ({
  at: day(n),
  of: 'roof',
  total,
  splits: [],
  faults,
});

describe('times', () => {
  test('the best is the least, the middle one is between, and eight in ten lie in the range of a log-normal sample', () => {
    // quantiles of it at equal steps: by the definition of the quantile four fifths lie between its tenth and its ninetieth
    const all = Array.from({ length: 199 }, (_, i) => {
      const p = (i + 1) / 200;
      // inverse of the normal distribution by bisection of its own function
      let [low, high] = [-6, 6];
      for (let k = 0; k < 60; k++) {
        const m = (low + high) / 2;
        let sum = 0;
        const steps = 400;
        for (let s = 0; s < steps; s++) {
          const x = -8 + ((m + 8) * (s + 0.5)) / steps;
          sum += Math.exp((-x * x) / 2) * ((m + 8) / steps);
        }
        if (sum / Math.sqrt(2 * Math.PI) < p) low = m;
        else high = m;
      }
      return pitch(i, 300 * Math.exp(0.25 * low));
    });
    const times = timesOf(all)!;
    expect(times.best).toBe(Math.min(...all.map((p) => p.total)));
    const inside = all.filter((p) => p.total >= times.range[0] && p.total <= times.range[1]).length;
    expect(inside / all.length).toBeGreaterThan(0.77);
    expect(inside / all.length).toBeLessThan(0.83);
    expect(times.middle).toBeCloseTo(300, 0);
  });
  test('of none there are none; of two the middle is between them', () => {
    expect(timesOf([])).toBeNull();
    expect(timesOf([pitch(0, 200), pitch(1, 300)])!.middle).toBe(250);
    expect(timesWords(timesOf([pitch(0, 247)])!)).toBe('4:07 at best, of one');
    expect(watchWords(59.6)).toBe('1:00');
  });
  test('a week begins on Monday, wherever in it a day is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4000 }), (n) => {
        const monday = weekOf(day(n));
        expect(new Date(monday).getUTCDay()).toBe(1);
        const days = (Date.parse(day(n)) - Date.parse(monday)) / 86_400_000;
        expect(days).toBeGreaterThanOrEqual(0);
        expect(days).toBeLessThan(7);
      }),
    );
    expect([...byWeek([pitch(8, 1), pitch(0, 2), pitch(6, 3)]).values()].map((w) => w.length)).toEqual([2, 1]);
  });
  test('faults are counted once a pitch, the most frequent first', () => {
    const seen = faultsSeen([pitch(0, 1, ['slack-ridge']), pitch(1, 1, ['slack-ridge', 'no-look-up']), pitch(2, 1)]);
    expect(seen).toEqual([
      { fault: 'slack-ridge', count: 2 },
      { fault: 'no-look-up', count: 1 },
    ]);
  });
  test('every split has its name, and a bed only where one is hung; every fault that names a knot names one that is taught', () => {
    expect(splitsOf('roof')).not.toContain('bed');
    for (const s of splitsOf('both')) expect(SPLITS[s]).toBeTruthy();
    for (const f of PITCH_FAULT_IDS) {
      const { knot } = PITCH_FAULTS[f];
      if (knot !== null) expect(KNOTS.map((k) => k.id)).toContain(knot);
    }
  });
});

describe('how somebody stands', () => {
  const ten = (near: number, kind: Guessed['kind'] = 'pull'): Guessed[] =>
    Array.from({ length: 10 }, (_, i) => guess(kind, i, i < near));
  test('stuck is who is seldom near by all that ten guesses can tell, and nobody by fewer than five', () => {
    const stuck = (guesses: readonly Guessed[]): boolean =>
      standingOf({ id: 'a', name: 'A', guesses, pitches: [] }).stuck.includes('pull');
    expect(stuck(ten(1))).toBe(true);
    expect(stuck(ten(2))).toBe(true);
    expect(stuck(ten(6))).toBe(false);
    expect(stuck(ten(10))).toBe(false);
    expect(stuck(ten(0).slice(0, 4))).toBe(false);
  });
  test('who got better is stuck no longer: the last ten count', () => {
    const guesses = [...ten(0), ...ten(9).map((g, i) => ({ ...g, at: day(20 + i) }))];
    expect(standingOf({ id: 'a', name: 'A', guesses, pitches: [] }).stuck).toEqual([]);
    const worse = [...ten(9), ...ten(0).map((g, i) => ({ ...g, at: day(20 + i) }))];
    expect(standingOf({ id: 'a', name: 'A', guesses: worse, pitches: [] }).stuck).toEqual(['pull']);
  });
  test('a class has most trouble with what most are stuck on, then with what is seldomest near', () => {
    const one = standingOf({ id: 'a', name: 'A', guesses: [...ten(1), ...ten(6, 'sag')], pitches: [] });
    const two = standingOf({ id: 'b', name: 'B', guesses: [...ten(5, 'sag'), ...ten(9, 'paces')], pitches: [] });
    const trouble = troubleOf([one, two]);
    expect(trouble.map((t) => t.kind)).toEqual(['pull', 'sag', 'paces']);
    expect(trouble[0]!.stuck).toEqual(['A']);
    expect(trouble[1]).toMatchObject({ near: 11, of: 20 });
  });
});

describe('a lesson', () => {
  const class_ = [
    standingOf({
      id: 'a',
      name: 'A',
      guesses: DRILL_KINDS.flatMap((k) => Array.from({ length: 6 }, (_, i) => guess(k, i, i % 3 === 0))),
      pitches: [],
    }),
  ];
  const pitches = [pitch(0, 300, ['crossed-turns', 'slack-ridge']), pitch(1, 280, ['crossed-turns'])];
  test('never takes longer than the evening, looks up first and pitches last where there is time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 300 }), (evening) => {
        const parts = lessonOf(class_, pitches, evening);
        expect(parts.reduce((sum, p) => sum + p.minutes, 0)).toBeLessThanOrEqual(evening);
        expect(parts[0]!.do).toBe('look-up');
        if (evening >= 20) expect(parts.at(-1)!.do).toBe('pitch');
        expect(parts.filter((p) => p.do === 'pitch').length).toBeLessThanOrEqual(1);
        for (const p of parts) {
          const { what, why } = lessonWords(p);
          expect(`${what} ${why}`).not.toMatch(/undefined|NaN/);
        }
      }),
    );
  });
  test('drills and faults in turn, what most have trouble with first', () => {
    const parts = lessonOf(class_, pitches, 90);
    expect(parts.slice(1, 5).map((p) => p.do)).toEqual(['drill', 'fault', 'drill', 'fault']);
    const fault = parts.find((p) => p.do === 'fault');
    expect(fault).toMatchObject({ fault: 'crossed-turns', seen: 2, of: 2, knot: 'loop' });
  });
});

describe('as a file', () => {
  const entries: readonly LogEntry[] = [
    {
      id: '5a11077e-0000-4000-8000-000000000002',
      at: day(2),
      by: 'b',
      rig: null,
      what: { kind: 'pitch', of: 'roof', total: 301, splits: [{ of: 'look', took: 31 }], faults: ['no-look-up'] },
    },
    {
      id: '5a11077e-0000-4000-8000-000000000001',
      at: day(1),
      by: 'a',
      rig: 'mess-roof',
      what: { kind: 'guess', drill: 'pull', seed: 9, error: -0.5, near: false, grade: 2, sure: 0.9 },
    },
    {
      id: '5a11077e-0000-4000-8000-000000000003',
      at: day(3),
      by: 'a',
      rig: null,
      what: { kind: 'note', words: 'private' },
    },
  ];
  const people = [
    { id: 'a', name: '=cmd|"x"' },
    { id: 'b', name: 'Bo, "the" reed' },
  ];
  test('entries of a log can be stored, and only guesses and pitches go out, in order', () => {
    for (const e of entries) expect(misfit(entryDocument, e)).toBeNull();
    const file = progressFile('Camp', people, entries);
    expect(file.guesses).toHaveLength(1);
    expect(file.pitches).toHaveLength(1);
    expect(JSON.stringify(file)).not.toContain('private');
  });
  test('CSV is read back as it was, and no name is taken for a formula', () => {
    const { guesses, pitches } = progressCsv(progressFile('Camp', people, entries));
    const [g] = Papa.parse<Record<string, string>>(guesses, { header: true, skipEmptyLines: true }).data;
    expect(g).toMatchObject({ at: day(1), drill: 'pull', seed: '9', error: '-0.5', near: 'no', sure: '0.9' });
    expect(g!['learner']).toMatch(/^'=/);
    const [p] = Papa.parse<Record<string, string>>(pitches, { header: true, skipEmptyLines: true }).data;
    expect(p).toMatchObject({ learner: 'Bo, "the" reed', total: '301', splits: 'look 31', faults: 'no-look-up' });
  });
});

describe('what a class is asked', () => {
  test.each(['pull', 'foot', 'pair', 'fault', 'wraps'] as const)(
    'of %s can be sent, and the question tells nothing of its truth',
    (kind) => {
      const name = kind === 'fault' ? 'river-bed-under-the-fly' : kind === 'pair' ? 'hammock-fly' : 'mess-roof';
      const asking = [1, 2, 3, 4, 5, 6].map((seed) => drillOf(kind, source(name), seed, 0.3)).find((a) => a !== null)!;
      const { rig: _, figure: __, ...drill } = asking.drill;
      void [_, __];
      const live = {
        ...drill,
        camp: 'camp',
        rig: 'rig',
        name: 'Rig',
        after: asking.seen(null).at(-1)!,
      } as unknown as LiveDrill;
      const sent: unknown = JSON.parse(JSON.stringify(live));
      expect(misfit(liveDrillDocument, sent)).toBeNull();
      expect(JSON.stringify(sent).length).toBeLessThan(190_000);
      const question = questionOf(live, 3);
      expect(question).not.toHaveProperty('truths');
      expect(question).not.toHaveProperty('seed');
      expect(question).not.toHaveProperty('after');
      expect(question.asked).not.toHaveProperty('truth');
    },
  );
  test('a guess is a number, a choice or a place, and nothing else', () => {
    for (const said of [12.5, 'guy 00', [1, -2]])
      expect(misfit(liveGuessDocument, { round: 1, said, sure: 0.7 })).toBeNull();
    for (const said of [null, '', [1], { a: 1 }, -3, Number.NaN])
      expect(misfit(liveGuessDocument, { round: 1, said, sure: 0.7 })).not.toBeNull();
  });
});
