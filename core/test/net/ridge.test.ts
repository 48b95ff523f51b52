import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { solveSpan, tensionCurve } from '../../src/line/index.js';
import type { Span } from '../../src/line/index.js';
import type { Vec3 } from '../../src/quantity/index.js';
import type { NetLine, NetNode } from '../../src/net/index.js';
import { near, solved } from './helper.js';

const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const points: [number, number][] = [
  [0, 0],
  [0.02, 60],
  [0.08, 400],
  [0.3, 2600],
];

/** The span as a net: springs for trunks, a knot at every load. */
function asNet(span: Span, unstressed: number): { nodes: NetNode[]; lines: NetLine[] } {
  const stops = [0, ...span.loads.map((l) => l.at), 1];
  const end = (give: Vec3, at: Vec3, id: string): NetNode => ({
    id,
    at,
    fixed: give.map((g) => g === 0) as [boolean, boolean, boolean],
    spring: give.map((g) => (g === 0 ? 0 : 1 / g)) as unknown as Vec3,
  });
  const nodes: NetNode[] = [
    end(span.give[0], [0, 0, 0], 'n0'),
    ...span.loads.map((l, i) => ({
      id: `n${i + 1}`,
      at: span.chord.map((c) => c * l.at) as unknown as Vec3,
      load: l.force,
    })),
    end(span.give[1], span.chord, `n${span.loads.length + 1}`),
  ];
  const lines = stops.slice(1).map((stop, i) => ({
    id: `l${i}`,
    from: `n${i}`,
    to: `n${i + 1}`,
    restLength: (stop - stops[i]!) * unstressed,
    curve: points,
    weightPerMetre: -span.perMetre[2],
  }));
  return { nodes, lines };
}

test('the ridge’s own solver and the engine are one truth: tensions, pulls on the trunks, places', () => {
  fc.assert(
    fc.property(
      fc.tuple(real(3, 12), real(-1.5, 1.5)),
      real(0.93, 1.08),
      real(0.01, 1.5),
      fc.array(fc.tuple(real(0.05, 0.95), real(-5, 5), real(-8, 8), real(0.5, 60)), { maxLength: 4 }),
      fc.tuple(real(1e-8, 1e-4), real(1e-8, 1e-4), fc.boolean()),
      ([width, rise], ratio, weight, loads, [ga, gb, stiff]) => {
        const sorted = [...loads].sort((p, q) => p[0] - q[0]);
        fc.pre(sorted.every((l, i) => i === 0 || l[0] - sorted[i - 1]![0] > 0.02));
        const span: Span = {
          chord: [width, 0, rise],
          curve: tensionCurve(points),
          perMetre: [0, 0, -weight],
          loads: sorted.map(([at, x, y, w]) => ({ at, force: [x, y, -w] as const })),
          give: stiff
            ? [
                [0, 0, 0],
                [0, 0, 0],
              ]
            : [
                [ga, ga, 0],
                [gb, gb, 0],
              ],
        };
        const unstressed = ratio * Math.hypot(width, rise);
        const state = solveSpan(span, unstressed);
        expect(state.converged).toBe(true);
        const { result } = solved(asNet(span, unstressed));
        const last = sorted.length;
        const tension = Math.max(...Object.values(result.lines).map((l) => l.tension));
        near(tension, state.tension, 1e-7);
        near(result.lines['l0']!.tensionFrom, state.endTension[0], 1e-7);
        near(result.lines[`l${last}`]!.tensionTo, state.endTension[1], 1e-7);
        for (let c = 0; c < 3; c++) {
          near(result.nodes['n0']!.reaction[c]!, -state.pull[0][c]!, 1e-6, 1e-6 * tension);
          near(result.nodes[`n${last + 1}`]!.reaction[c]!, -state.pull[1][c]!, 1e-6, 1e-6 * tension);
          for (let i = 0; i < last; i++) near(result.nodes[`n${i + 1}`]!.at[c]!, state.loadPlace[i]![c]!, 0, 1e-6);
        }
        near(
          Object.values(result.lines).reduce((s, l) => s + l.length, 0),
          state.length,
          1e-8,
        );
      },
    ),
    { numRuns: 150 },
  );
});
