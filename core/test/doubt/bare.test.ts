import { describe, expect, test } from '@jest/globals';
import { betterOf, doubtOf, solveDrawn } from '../../src/doubt/index.js';
import type { Doubt } from '../../src/doubt/index.js';
import { evaluateRidge } from '../../src/rig/index.js';
import type { RidgeRig, RigContext } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { tell } from '../../src/quantity/index.js';
import { doubtWords } from '../../src/words/index.js';
import { demo, ofCamp } from '../shelter/helper.js';

const PARTS = [0, 1, 2, 3];
const casesOf = (rig: RidgeRig, context: RigContext): string[] =>
  judgeRig(rig, context, { full: true, spreads: false }).report.rows.flatMap((r) =>
    r.links.slice(0, 1).map((l) => l.link.caseId),
  );
function doubt(rig: RidgeRig, context: RigContext, known?: ReadonlySet<string>): Doubt {
  const asked = { cases: casesOf(rig, context), seed: 3, ...(known === undefined ? {} : { known }) };
  return doubtOf([solveDrawn(rig, context, asked, PARTS)!], 2000);
}

describe('a line without a roof', () => {
  const { rig, context } = ofCamp('Bank-top ridge, dip tested');
  const sampled = doubt(rig, context);
  const told = evaluateRidge(rig, context);

  test('its tension and sag have the bands that first order gives them', () => {
    const [line] = sampled.lines;
    expect(sampled.lines).toHaveLength(1);
    expect(sampled.unsettled).toBe(0);
    for (const [band, figure] of [
      [line!.pitched, told.tension],
      [sampled.sag!, told.sag],
    ] as const) {
      expect(Math.abs(band.mid / figure.value - 1)).toBeLessThan(0.03);
      const [low, high] = figure.range!;
      expect(Math.abs((band.high - band.low) / (high - low) - 1)).toBeLessThan(0.12);
    }
  });
  test('every link that is judged is sampled, and holds about what the judgement says', () => {
    const links = told.rows.flatMap((r) => r.links.map((l) => l.link));
    expect(new Set(sampled.links.map((l) => l.id))).toEqual(new Set(links.map((l) => l.id)));
    for (const { id, demand, available } of links) {
      const { mid } = sampled.links.find((l) => l.id === id)!.left;
      expect(Math.abs(mid / Math.min(50, available.value / demand.value) - 1)).toBeLessThan(0.12);
    }
  });
  test('what was measured of it is what is not known; what to find out follows from that', () => {
    const kinds = new Set(sampled.unknowns.map((u) => u.kind));
    for (const kind of ['span', 'ridge-pull', 'ridge-cord', 'tie-heights', 'cord'] as const)
      expect(kinds).toContain(kind);
    expect(betterOf(sampled).length).toBeGreaterThan(0);
    // one that is known takes its share of the doubt with it
    const [most] = sampled.unknowns;
    const spared = doubt(rig, context, new Set([most!.id]));
    expect(spared.unknowns.map((u) => u.id)).not.toContain(most!.id);
    expect(Math.log(spared.least.high / spared.least.low)).toBeLessThan(
      Math.log(sampled.least.high / sampled.least.low),
    );
  });
  test('two workers find what one alone finds', () => {
    const asked = { cases: [], seed: 3 };
    const apart = [
      [0, 1],
      [2, 3],
    ].map((parts) => solveDrawn(rig, context, asked, parts)!);
    expect(doubtOf(apart, 500)).toEqual(doubtOf([solveDrawn(rig, context, asked, PARTS)!], 500));
  });
});

test('a number of a line that is otherwise gives what a line gives that was measured so', () => {
  const { rig, context } = ofCamp('Drying line, twine');
  const taped = (tape: number): RidgeRig => ({ ...rig, span: { ...rig.span, how: 'tape', tape } });
  const otherwise = evaluateRidge(taped(6), context, { ranges: false, as: { span: 6.3 } });
  const measured = evaluateRidge(taped(6.3), context, { ranges: false });
  expect(otherwise.tension.value).toBeCloseTo(measured.tension.value, 9);
  expect(otherwise.rows.map((r) => [r.id, r.demand.value])).toEqual(
    measured.rows.map((r) => [r.id, expect.closeTo(r.demand.value, 9)]),
  );
});

describe('a bed without a roof', () => {
  const { rig, context } = demo('bed-on-one-alder');
  const sampled = doubt(rig, context);
  const { report } = judgeRig(rig, context, { full: true, spreads: false });

  test('every part that bears it is sampled once, and holds about what the judgement says', () => {
    const judged = new Map(report.rows.flatMap((r) => r.links.map(({ link }) => [link.id, link] as const)));
    expect(sampled.unsettled).toBe(0);
    const straps = sampled.links.filter((l) => l.id.startsWith('strap'));
    expect(straps.length).toBeGreaterThan(3);
    for (const { id, left } of straps) {
      const { demand, available } = judged.get(id)!;
      expect(Math.abs(left.mid / Math.min(50, available.value / demand.value) - 1)).toBeLessThan(0.12);
    }
    expect(new Set(sampled.links.map((l) => l.id)).size).toBe(sampled.links.length);
    for (const b of report.bed!.bears) expect(sampled.links.map((l) => l.id)).toContain(b.id);
  });
  test('what holds both stays alike is told with the stay it holds, and read as it would be said', () => {
    const logs = sampled.links.filter((l) => l.name.startsWith('a drift log that slides')).map((l) => l.name);
    expect(logs).toHaveLength(2);
    expect(new Set(logs).size).toBe(2);
    const first = { ...sampled.links.find((l) => l.name === logs[0])!, first: 1 };
    const { sentence } = doubtWords({ ...sampled, links: [first], gives: { value: 0.2, sd: 0 } });
    expect(tell(sentence)).toContain('most often a drift log that slides, ');
  });
  test('who lies in it is not known to the kilogram, nor how high its straps are', () => {
    const kinds = sampled.unknowns.map((u) => u.kind);
    expect(kinds).toEqual(expect.arrayContaining(['mass', 'bed-heights', 'straps']));
    expect(sampled.lines.map((l) => l.id)).toEqual(expect.arrayContaining(['strap0', 'strap1']));
  });
});
