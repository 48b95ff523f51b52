import { describe, expect, test } from '@jest/globals';
import type { PitchResult, PitchShape } from '@rough-bight/core/pitch';
import fc from 'fast-check';
import { PerspectiveCamera, Vector3 } from 'three';
import { lookUpright } from '../src/scene/depth/upright.js';
import { boundsOf, clothCorners, gridSegments, shadowCorners } from '../src/scene/depth/shapes.js';

// two panels of a square metre of cloth, one corner raised
const shape = { at: Float64Array.from([0, 0, 1, 1, 0, 1, 1, 1, 1.5, 0, 1, 1]) } as unknown as PitchShape;
const result = {
  topology: { clothNodes: 4, corners: Int32Array.from([0, 1, 2, 0, 2, 3]) },
  guys: [{ foot: [-2, 0, 0] }],
} as unknown as PitchResult;

describe('what stands upright', () => {
  /** Where a place of the rig comes to lie in the picture, -1 to 1 each way. */
  const seen = (camera: PerspectiveCamera, at: readonly [number, number, number]): Vector3 => {
    camera.updateMatrixWorld();
    return new Vector3(...at).project(camera);
  };
  const from = (x: number, y: number, z: number): PerspectiveCamera => {
    const camera = new PerspectiveCamera(26, 1.3, 0.1, 200);
    camera.up.set(0, 0, 1);
    camera.position.set(x, y, z);
    return camera;
  };
  test('is drawn upright, from wherever it is looked at no steeper than a person looks down; its middle is in the middle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.28, noNaN: true }),
        fc.double({ min: -0.05, max: 0.65, noNaN: true }),
        fc.double({ min: 6, max: 30, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (turn, down, away, x) => {
          const level = away * Math.cos(down);
          const camera = from(2 + level * Math.cos(turn), 1 + level * Math.sin(turn), 1.2 + away * Math.sin(down));
          lookUpright(camera, new Vector3(2, 1, 1.2));
          const middle = seen(camera, [2, 1, 1.2]);
          expect(Math.hypot(middle.x, middle.y)).toBeLessThan(1e-9);
          const [foot, head] = [seen(camera, [2 + x, 1 - x / 2, 0]), seen(camera, [2 + x, 1 - x / 2, 3])];
          expect(foot.x).toBeCloseTo(head.x, 9);
          expect(head.y).toBeGreaterThan(foot.y);
        },
      ),
    );
  });
  test('from straight above it is looked at as it is', () => {
    const camera = from(2, 1 - 1e-4, 12);
    lookUpright(camera, new Vector3(2, 1, 1));
    expect(Math.hypot(seen(camera, [2, 1, 1]).x, seen(camera, [2, 1, 1]).y)).toBeLessThan(1e-6);
    for (const at of [
      [4, 1, 0],
      [0, 2, 0],
    ] as const)
      expect(Number.isFinite(seen(camera, at).x)).toBe(true);
  });
});

describe('what the view in depth draws', () => {
  test('every panel by its own three corners, in the panels’ order', () => {
    const corners = clothCorners(result, shape);
    expect(corners).toHaveLength(18);
    expect([...corners.slice(0, 9)]).toEqual([0, 0, 1, 1, 0, 1, 1, 1, 1.5]);
    expect([...corners.slice(15)]).toEqual([0, 1, 1]);
  });
  test('what it covers lies under it, on ground that slopes', () => {
    const cloth = clothCorners(result, shape);
    const covered = shadowCorners(cloth, (x, y) => 0.1 * x - 0.2 * y);
    for (let i = 0; i < cloth.length; i += 3) {
      expect([covered[i], covered[i + 1]]).toEqual([cloth[i], cloth[i + 1]]);
      expect(covered[i + 2]).toBeCloseTo(0.1 * cloth[i]! - 0.2 * cloth[i + 1]! + 0.01, 6);
    }
    expect(cloth[2]).toBe(1);
  });
  test('a grid a metre apart round the middle, on the ground', () => {
    const grid = gridSegments(3.4, 2, (x) => 0.5 * x);
    expect(grid).toHaveLength(5 * 4 * 3);
    for (let i = 0; i < grid.length; i += 3) {
      expect(grid[i]).toBeCloseTo(Math.round(grid[i]!), 6);
      expect(grid[i + 2]).toBeCloseTo(0.5 * grid[i]! + 0.004, 5);
    }
  });
  test('all of it is in the picture: cloth and feet', () => {
    const { middle, reach } = boundsOf(result, shape);
    expect(middle).toEqual([-0.5, 0.5, 0.75]);
    expect(reach).toBe(1.5);
  });
});
