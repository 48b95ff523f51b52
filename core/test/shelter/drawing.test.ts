import { describe, expect, test } from '@jest/globals';
import { drawingOf, judgeRig } from '../../src/shelter/index.js';
import { bareRig } from './bare.js';
import { UNDER_FLY, demo } from './helper.js';

describe('what is drawn of a bare ridgeline', () => {
  const { rig, context } = bareRig();
  const { report } = judgeRig(rig, context, { full: true, spreads: false });
  const { topology, shapes } = drawingOf(report);
  const place = (at: Float64Array, n: number): number[] => [...at.subarray(3 * n, 3 * n + 3)];

  test('its stretches run from tie to tie over what hangs on it, in the order along the line', () => {
    const ends = topology.lines.map((l) => [l.nodes[0]!, l.nodes.at(-1)!]);
    expect(ends[0]![0]).toBe(0);
    expect(ends.slice(1).map(([from]) => from)).toEqual(ends.slice(0, -1).map(([, to]) => to));
    const [coats, pack] = topology.hung;
    expect([pack!.node, coats!.node]).toEqual([ends[0]![1], ends[1]![1]]);
    for (const { at } of shapes) {
      expect(at).toHaveLength(3 * (ends.at(-1)![1]! + 1));
      // its trunks give by millimetres
      for (const [n, x, z] of [
        [0, 0, rig.trunks[0].tieHeight],
        [ends.at(-1)![1]!, rig.span.tape, 0.4 + rig.trunks[1].tieHeight],
      ] as const) {
        expect(Math.abs(place(at, n)[0]! - x)).toBeLessThan(0.02);
        expect(place(at, n)[2]).toBeCloseTo(z, 9);
      }
    }
  });

  test('each case is where the line was solved, what hangs on it where it hangs, each stretch at its tightest', () => {
    expect(shapes.map((s) => s.caseId)).toEqual(report.line!.shapes.map((s) => s.caseId));
    report.line!.shapes.forEach(({ points, loads }, i) => {
      const { at, tension } = shapes[i]!;
      topology.hung.forEach((h, k) => {
        const [x, y, z] = loads[k]!;
        const [px, py, pz] = place(at, h.node);
        expect(px).toBeCloseTo(x, 6);
        expect(py).toBeCloseTo(y, 6);
        expect(pz).toBeCloseTo(z + rig.trunks[0].tieHeight, 6);
      });
      const pulls = points.filter((_, c) => c % 4 === 3);
      expect(Math.max(...tension)).toBeCloseTo(Math.max(...pulls), 9);
      expect(Math.min(...tension)).toBeGreaterThanOrEqual(Math.min(...pulls));
    });
  });

  test('a slack line is drawn from tie to tie', () => {
    const loose = bareRig({ sway: -0.3, hung: [] });
    const { report: slack } = judgeRig(loose.rig, loose.context, { full: true, spreads: false });
    const { topology: one, shapes: all } = drawingOf(slack);
    expect(one.lines).toHaveLength(1);
    for (const { at, tension } of all) {
      expect([...at].every(Number.isFinite)).toBe(true);
      expect(tension[0]!).toBeGreaterThanOrEqual(0);
    }
  });
});

test('what is drawn of a roof is what was judged of it', () => {
  const fly = demo(UNDER_FLY);
  const { report } = judgeRig(fly.rig, fly.context, { full: false });
  expect(drawingOf(report)).toBe(report.roof);
});
