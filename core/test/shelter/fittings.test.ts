import { describe, expect, test } from '@jest/globals';
import { USUAL_ELASTIC } from '../../src/cordage/index.js';
import type { Vec3 } from '../../src/quantity/index.js';
import { norm, sub } from '../../src/quantity/index.js';
import { withDrip } from '../../src/pitch/index.js';
import { measuredSpan } from '../../src/rig/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { drawingOf, fittingsOf, judgeRig } from '../../src/shelter/index.js';
import type { Fitting } from '../../src/shelter/index.js';
import { contextFor, rigOf, squareRoof } from '../pitch/helper.js';
import { demo } from './helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const gable = rigOf('gable', roof);
const of = <K extends Fitting['kind']>(rig: RidgeRig, kind: K, asked = context) => {
  const { report } = judgeRig(rig, asked, { full: false });
  const drawing = drawingOf(report);
  const shape = drawing.shapes[0]!;
  const found = fittingsOf(report, shape, asked.body);
  const place = (n: number): Vec3 => [shape.at[3 * n]!, shape.at[3 * n + 1]!, shape.at[3 * n + 2]!];
  return {
    found: found.filter((f): f is Extract<Fitting, { readonly kind: K }> => f.kind === kind),
    line: (row: string): Vec3[] =>
      drawing.topology.lines.filter((l) => l.row === row).flatMap((l) => l.nodes.map(place)),
  };
};
/** Least distance of a place from a line through places. */
const off = (p: Vec3, line: readonly Vec3[]): number =>
  Math.min(
    ...line.slice(1).map((b, k) => {
      const a = line[k]!;
      const d = sub(b, a);
      const s = Math.min(
        1,
        Math.max(0, (sub(p, a)[0] * d[0] + sub(p, a)[1] * d[1] + sub(p, a)[2] * d[2]) / (norm(d) ** 2 || 1)),
      );
      return norm(sub(p, [a[0] + s * d[0], a[1] + s * d[1], a[2] + s * d[2]]));
    }),
  );

describe('what is on the lines of a rig, in space', () => {
  test('nothing where nothing is told', () => {
    const { report } = judgeRig(gable, context, { full: false });
    expect(fittingsOf(report, drawingOf(report).shapes[0]!, context.body)).toEqual([]);
  });
  test('elastic lies in its line, at the cloth, and over less than half of it', () => {
    const guy = { ...gable.pitch!.guy, hitch: 'elastic' as const, elastic: USUAL_ELASTIC };
    const { found, line } = of({ ...gable, pitch: { ...gable.pitch!, guy } }, 'elastic');
    expect(found.length).toBeGreaterThan(3);
    for (const f of found) {
      const nodes = line(f.of);
      expect(off(f.from, nodes)).toBeLessThan(1e-9);
      expect(off(f.to, nodes)).toBeLessThan(1e-9);
      expect(norm(sub(f.from, f.to))).toBeLessThan(0.41 * norm(sub(nodes[0]!, nodes.at(-1)!)));
      // its foot is the far end
      expect(f.from[2]).toBeGreaterThan(f.to[2]);
    }
  });
  test('a bend sits on the line as far along as it was told, bare or under a roof', () => {
    const { pitch, ...bare } = gable;
    const joined = { cord: 'guy', bend: 'double-sheet', at: 2 } as const;
    for (const rig of [
      { ...gable, joined },
      { ...bare, joined },
    ] as RidgeRig[]) {
      const { found, line } = of(rig, 'bend');
      expect(found).toHaveLength(1);
      expect(found[0]!.at[0]).toBeCloseTo(2, 1);
      expect(
        off(
          found[0]!.at,
          line('ridge').sort((a, b) => a[0] - b[0]),
        ),
      ).toBeLessThan(1e-6);
    }
    expect(pitch).toBeDefined();
  });
  test('a drip line hangs from its line, where water would come in under the cloth', () => {
    const dripped = withDrip(gable, 'ridge1', true);
    const { found, line } = of(dripped, 'drip');
    expect(found.map((f) => f.of)).toEqual(['ridge1']);
    const [{ from, to }] = found as [(typeof found)[0]];
    expect(
      off(
        from,
        line('ridge').sort((a, b) => a[0] - b[0]),
      ),
    ).toBeLessThan(1e-6);
    expect(from[2] - to[2]).toBeCloseTo(0.2, 9);
    // nearer to the second tree, where the cloth begins
    expect(from[0]).toBeGreaterThan(measuredSpan(gable, context.body) / 2 + 0.5);
    const ends = demo('gable-tied-by-its-ends');
    const tied = of(withDrip(ends.rig, 'tie0', true), 'drip', ends.context).found.find((f) => f.of === 'tie0')!;
    expect(tied.from[0]).toBeLessThan(measuredSpan(ends.rig, ends.context.body) / 2);
  });
  test('a line over a branch runs past its stem, and down to where hands are', () => {
    const { pitch, ...bare } = gable;
    expect(pitch).toBeDefined();
    const [first, second] = bare.trunks;
    const high = { ...first, tieHeight: 2.6, branch: { thickness: 0.15, out: 0.6 } };
    const { found, line } = of({ ...bare, trunks: [high, second] }, 'branch');
    expect(found).toHaveLength(1);
    const [{ from, to, down, thick }] = found as [(typeof found)[0]];
    expect([from[1], thick]).toEqual([0.6, 0.15]);
    expect(to[1]).toBeLessThan(0);
    expect(down).toEqual([0, 0.6, 1.2]);
    // its upper side is where the line lies
    const tie = line('ridge').reduce((a, b) => (b[0] < a[0] ? b : a));
    expect(from[2] + thick / 2).toBeCloseTo(tie[2], 6);
  });
});
