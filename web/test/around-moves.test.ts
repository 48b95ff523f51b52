import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { AROUND_LIMITS, endsOf } from '@rough-bight/core/around';
import type { Wall } from '@rough-bight/core/around';
import type { RidgeRig } from '@rough-bight/core/rig';
import { freshRig } from '@rough-bight/core/rig';
import { movedAround } from '../src/scene/around-moves.js';
import { fitFrame } from '../src/scene/flat/frame.js';

const wall: Wall = { id: 'w', kind: 'brush', at: [2, 3], toward: 0, length: 4, height: 1 };
const rig: RidgeRig = { ...freshRig('cord'), walls: [wall, { ...wall, id: 'v', kind: 'bank' }], fire: { at: [1, -5] } };

describe('what stands round a roof, moved by hand', () => {
  test('a wall goes with the hand, to the centimetre, and no other does', () => {
    const next = movedAround(rig, { kind: 'wall', key: 'w' }, [0.504, -1.2, 0]);
    expect(next.walls![0]!.at).toEqual([2.5, 1.8]);
    expect(next.walls![1]).toBe(rig.walls![1]);
  });
  test('by its end it is turned to where the hand is, to five degrees, and keeps its length and place', () => {
    const next = movedAround(rig, { kind: 'wall-end', key: 'w' }, [-2, 2.1, 0]);
    expect(next.walls![0]!.toward).toBeCloseTo(Math.PI / 2, 9);
    expect(next.walls![0]).toMatchObject({ at: wall.at, length: wall.length });
    const [, end] = endsOf(next.walls![0]!);
    expect(end[0]).toBeCloseTo(2, 9);
    expect(end[1]).toBeCloseTo(5, 9);
  });
  test('the fire goes with the hand; without one nothing does', () => {
    expect(movedAround(rig, { kind: 'fire' }, [1, 1, 0]).fire).toEqual({ at: [2, -4] });
    const { fire, ...none } = rig;
    void fire;
    expect(movedAround(none, { kind: 'fire' }, [1, 1, 0])).toBe(none);
  });
  test('however far it is moved it stays where a document lets it be, and in the picture', () => {
    const far = fc.double({ min: -200, max: 200, noNaN: true });
    fc.assert(
      fc.property(far, far, (dx, dy) => {
        const next = movedAround(movedAround(rig, { kind: 'fire' }, [dx, dy, 0]), { kind: 'wall', key: 'w' }, [
          dy,
          dx,
          0,
        ]);
        for (const x of [...next.fire!.at, ...next.walls![0]!.at]) {
          expect(x).toBeGreaterThanOrEqual(AROUND_LIMITS.at.min);
          expect(x).toBeLessThanOrEqual(AROUND_LIMITS.at.max);
        }
        const frame = fitFrame('above', [740, 500], next, 6, [null], null);
        const row = frame.y0 - next.fire!.at[1] * frame.scale;
        if (frame.scale > 8) {
          expect(row).toBeGreaterThan(60);
          expect(row).toBeLessThan(450);
        }
      }),
      { seed: 3, numRuns: 60 },
    );
  });
});
