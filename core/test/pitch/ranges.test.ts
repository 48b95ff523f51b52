import { describe, expect, test } from '@jest/globals';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { solvePitch } from '../../src/pitch/index.js';
import type { PitchState } from '../../src/pitch/index.js';
import { answers, endsOf, solvedAt } from '../../src/pitch/ranges.js';

const DIR = join(process.cwd(), 'examples/rigs');
const roofs = readdirSync(DIR)
  .map((name) => ({ name, file: readRigFile(readFileSync(join(DIR, name), 'utf8')) }))
  .filter(({ file }) => file.rig.pitch !== undefined);

/** Pulls under this share of the largest are not compared: nothing is decided by them. */
const SMALL = 0.05;

describe('what the tangent says of the ends of a range', () => {
  let [taken, tried] = [0, 0];
  test.each(roofs)('is within 4 %% of the rig solved anew, wherever it is taken: $name', ({ file }) => {
    const { tied, states } = solvePitch(file.rig, contextOf(file), { full: true, wind: { speed: 14, from: 0.6 } });
    const most = (s: PitchState): number => Math.max(...s.numbers.tension);
    const still = states.filter((s) => s.case.environment.wind !== null && s.stood !== null && !s.luffing);
    const gusts = [...still].sort((a, b) => most(b) - most(a));
    for (const base of [tied.pitched, gusts[0], gusts[gusts.length >> 1]]) {
      if (base === undefined) continue;
      const ends = endsOf(tied, base.case.environment.wind !== null, [0.6, 1.6]).flat();
      const straight = answers(tied, base, ends);
      tried += ends.length;
      ends.forEach((end, e) => {
        const by = straight[e]!;
        if (by === null) return;
        taken++;
        const solved = solvedAt(tied, base, end);
        for (const [told, is] of [
          [by.tension, solved.tension],
          [by.push, solved.push],
        ] as const)
          told.forEach((t, i) => {
            const off = Math.abs(t - is[i]!) / Math.max(is[i]!, SMALL * most(base));
            expect(off).toBeLessThan(0.04);
          });
        expect(Math.abs(by.stress / solved.stress - 1)).toBeLessThan(0.04);
      });
    }
  });
  test('it is taken for a good part of them, and not for the ridge’s length, which bends', () => {
    expect(taken / tried).toBeGreaterThan(0.2);
    const gable = roofs.find(({ name }) => name.startsWith('gravel'))!.file;
    const { tied } = solvePitch(gable.rig, contextOf(gable), { full: true, wind: null });
    const found = answers(tied, tied.pitched, endsOf(tied, false, [1, 1]).flat());
    expect(found.map((f) => f !== null)).toEqual([true, true, false, false]);
  });
  test('where a hitch has slid nothing is taken', () => {
    const { file } = roofs.find(({ name }) => name.startsWith('sheet-with-slipping'))!;
    const { tied } = solvePitch(file.rig, contextOf(file), { full: false });
    expect(answers(tied, tied.pitched, endsOf(tied, false, [1, 1]).flat()).every((f) => f === null)).toBe(true);
  });
});
