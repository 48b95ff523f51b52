import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { evaluatePitch, pullSpans, worstSpoke } from '../../src/pitch/index.js';
import type { RoseCase } from '../../src/pitch/index.js';

const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/gravel-spit-gable.rig.json'), 'utf8'));
const { result } = evaluatePitch(file.rig, contextOf(file), { full: true, spreads: false, rising: false });

describe('what pulls at each line over all cases', () => {
  const spans = pullSpans(result);
  test('from its slackest to its hardest, as pitched between, the hardest first', () => {
    expect(spans.map((s) => s.row)).toEqual(expect.arrayContaining(['ridge', 'loop0', 'loop1']));
    spans.forEach((s, i) => {
      expect(s.least).toBeLessThanOrEqual(s.pitched);
      expect(s.pitched).toBeLessThanOrEqual(s.most);
      if (i > 0) expect(s.most).toBeLessThanOrEqual(spans[i - 1]!.most);
    });
  });
  test('its hardest case is one that rests, and is that hard', () => {
    for (const s of spans) {
      const shape = result.shapes.find((x) => x.caseId === s.caseId)!;
      expect(shape.converged && !shape.luffing).toBe(true);
      const own = result.topology.lines.filter((l) => l.row === s.row);
      expect(Math.max(...own.map((l) => shape.tension[l.line]!))).toBe(s.most);
    }
  });
  test('cases that find no rest are not among them; without the rig as pitched there are none', () => {
    const [first] = spans;
    const luffing = {
      ...result,
      cases: result.cases.map((c) => (c.id === first!.caseId ? { ...c, luffing: true } : c)),
    };
    expect(pullSpans(luffing).some((s) => s.caseId === first!.caseId)).toBe(false);
    expect(pullSpans({ ...result, cases: result.cases.filter((c) => c.id !== 'pitched') })).toEqual([]);
  });
});

test('of all sides that from which no rest is found asks most, then that which leaves least', () => {
  const spoke = (from: number, left: number, solved = true): RoseCase => ({
    group: 'gust',
    from,
    caseId: `c${from}`,
    left,
    solved,
  });
  expect(worstSpoke([spoke(0, 2), spoke(1, 1.5), spoke(2, 3)]).from).toBe(1);
  expect(worstSpoke([spoke(0, 2), spoke(1, 1.5), spoke(2, 3, false)]).from).toBe(2);
});
