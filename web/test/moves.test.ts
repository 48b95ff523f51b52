import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { measuredSpan, problemsOf } from '@rough-bight/core/rig';
import type { BodyMeasures } from '@rough-bight/core/quantity';
import { across, fitFrame, upward } from '../src/scene/flat/frame.js';
import { movedLine } from '../src/scene/moves.js';
import type { LineGrip } from '../src/scene/moves.js';
import { freshRig } from '@rough-bight/core/rig';

const body = { pace: 0.75, paceSpread: 0.03 } as BodyMeasures;
const context = {
  kit: [{ id: 'cord', name: 'cord', cord: 'polyester-3', length: 10, sun: 'new', wear: 'sound' } as const],
  body,
};
const rig = { ...freshRig('cord'), hung: [{ id: 'a', name: 'lantern', mass: 0.4, wetMass: 0.4, area: 0, at: 3 }] };

describe('moving things by hand', () => {
  test('the second trunk widens the span; paced spans stay in paces', () => {
    expect(measuredSpan(movedLine(rig, { kind: 'trunk', index: 1 }, 0.5, 0, context, 0.1), body)).toBeCloseTo(6.5, 9);
    const paced = movedLine(
      { ...rig, span: { ...rig.span, how: 'paces' } },
      { kind: 'trunk', index: 1 },
      0.6,
      0,
      context,
      0.1,
    );
    expect(paced.span).toMatchObject({ how: 'paces', paces: 8.8, tape: 6 });
  });

  test('the first trunk leaves what hangs where it is over the ground', () => {
    const next = movedLine(rig, { kind: 'trunk', index: 0 }, -0.5, 0, context, 0.1);
    expect(next.hung[0]!.at).toBe(3.5);
  });

  test('hauling the line up sets the sag', () => {
    expect(movedLine(rig, { kind: 'sag' }, 0, 0.03, context, 0.1).tensioning).toMatchObject({ how: 'sag', sag: 0.07 });
  });

  test('no movement of any grip makes a rig that does not fit together', () => {
    const grips: LineGrip[] = [
      { kind: 'trunk', index: 0 },
      { kind: 'trunk', index: 1 },
      { kind: 'tie', index: 0 },
      { kind: 'tie', index: 1 },
      { kind: 'hung', index: 0 },
      { kind: 'sag' },
    ];
    const far = fc.double({ min: -80, max: 80, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...grips), far, far, (grip, dx, dz) => {
        expect(problemsOf(movedLine(rig, grip, dx, dz, context, 0.1), context)).toEqual([]);
      }),
      { numRuns: 400, seed: 8 },
    );
  });
});

test('the picture is to one scale and keeps a bare line inside', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 320, max: 2000 }),
      fc.integer({ min: 300, max: 1200 }),
      fc.double({ min: 0.5, max: 25, noNaN: true }),
      fc.double({ min: 0.5, max: 4, noNaN: true }),
      fc.double({ min: -2, max: 2, noNaN: true }),
      (w, h, span, high, groundRise) => {
        const trunks = rig.trunks.map((t) => ({ ...t, tieHeight: high })) as unknown as typeof rig.trunks;
        const f = fitFrame('side', [w, h], { ...rig, trunks, groundRise }, span, [null], null);
        expect(across(f, span) - across(f, 0)).toBeCloseTo(span * f.scale, 6);
        expect(upward(f, 0) - upward(f, high)).toBeCloseTo(high * f.scale, 6);
        if (f.scale === 8) return;
        for (const z of [0, high, groundRise, groundRise + high]) {
          expect(upward(f, z)).toBeGreaterThan(30);
          expect(upward(f, z)).toBeLessThanOrEqual(h - 90);
        }
        for (const x of [0, span]) {
          expect(across(f, x)).toBeGreaterThan(60);
          expect(across(f, x)).toBeLessThan(w - 60);
        }
      },
    ),
  );
});
