import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { ladderOf } from '../../src/ladder/index.js';
import type { Ladder } from '../../src/ladder/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { RigContext, RidgeRig } from '../../src/rig/index.js';
import { BEAUFORT } from '../../src/weather/index.js';

const load = (name: string): { readonly rig: RidgeRig; readonly context: RigContext } => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file) };
};
const climb = ({ rig, context }: ReturnType<typeof load>, from: number, wet = false): Ladder =>
  ladderOf(rig, context, { from, wet })!;

describe('the wind turned up', () => {
  const gable = load('gravel-spit-gable');
  // the judgement finds what gives first another way: from every bearing, following logarithms between solves
  const { result } = evaluatePitch(gable.rig, gable.context, { full: true, spreads: false });
  const first = result.letsGo.find((l) => l.gust !== null && l.gust > 0)!;
  const all = [...new Set(result.rose.map((r) => r.from))];
  // the side from which it has least, and three others
  const hardest = result.rose.reduce((a, b) => (b.left < a.left ? b : a)).from;
  const bearings = [hardest, ...all.filter((from) => from !== hardest).filter((_, k) => k % 5 === 0)];
  const ladders = bearings.map((from) => climb(gable, from));

  test('from its worst side, what gives first is what the judgement says, in the gust it says', () => {
    const wet = bearings.map((from) => climb(gable, from, true));
    const falls = [...ladders, ...wet].flatMap((l) => l.rungs.flatMap((r) => r.falls).slice(0, 1));
    const soonest = falls.reduce((a, b) => (b.gust < a.gust ? b : a));
    expect(Math.abs(soonest.gust - first.gust!) / first.gust!).toBeLessThan(0.05);
  });
  test('nothing gives in less wind than what gave before it, and what has given is never what holds least', () => {
    for (const { rungs, at, end } of ladders) {
      const falls = rungs.flatMap((r) => r.falls);
      falls.forEach((f, i) => i > 0 && expect(f.gust).toBeGreaterThanOrEqual(falls[i - 1]!.gust - 1e-9));
      expect(new Set(falls.map((f) => f.link)).size).toBe(falls.length);
      const given = new Set<string>();
      for (const r of rungs) {
        for (const f of r.falls) given.add(f.link);
        if (r !== rungs.at(-1) && r.least !== null) {
          expect(given.has(r.least.link)).toBe(false);
          expect(r.least.left).toBeGreaterThanOrEqual(1);
        }
      }
      if (end !== 'stands') expect(at).toBeGreaterThan(0);
    }
  });
  test('what follows follows in the same gust, and a line that hangs free pulls nothing', () => {
    const falls = ladders.flatMap((l) => l.rungs.flatMap((r) => r.falls));
    expect(falls.some((f) => f.follows)).toBe(true);
    for (const l of ladders)
      l.rungs.forEach((r) => r.falls.forEach((f, i) => f.follows && expect(f.gust).toBe(r.falls[i - 1]!.gust)));
    const lines = result.topology.lines;
    let seen = 0;
    for (const l of ladders) {
      const free = new Set<string>();
      for (const r of l.rungs) {
        for (const f of r.falls) if (f.lines.length > 0) free.add(f.link.split(':')[0]!);
        for (const line of lines.filter((x) => free.has(x.row))) {
          seen++;
          expect(r.shape.tension[line.line]!).toBeLessThan(0.5);
        }
      }
    }
    expect(seen).toBeGreaterThan(4);
  });
  test('rungs are the Beaufort numbers in turn, each gust stronger than the one before', () => {
    for (const { rungs, end } of ladders) {
      rungs.forEach((r, i) => expect(r.beaufort).toBe(i));
      rungs.forEach((r, i) => i > 0 && expect(r.gust).toBeGreaterThan(rungs[i - 1]!.gust));
      if (end === 'stands') expect(rungs).toHaveLength(BEAUFORT.length);
    }
  });
  test('stopped, it is none', () => {
    expect(ladderOf(gable.rig, gable.context, { from: 0, wet: false }, (done) => done < 0.2)).toBeNull();
  });
});

describe('what a roof hangs on', () => {
  test('an end tied straight to its tree lets the roof down when it gives', () => {
    const cape = load('cape-end-tied');
    const { rungs, end } = climb(cape, cape.rig.pitch!.windFrom);
    const last = rungs.flatMap((r) => r.falls).at(-1)!;
    expect(end).toBe('down');
    expect(last).toMatchObject({ gives: 'down', name: 'eyelet at the first end' });
  });
});
