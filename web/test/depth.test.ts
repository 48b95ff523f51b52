import { describe, expect, test } from '@jest/globals';
import type { PitchResult, PitchShape } from '@rough-bight/core/pitch';
import { boundsOf, clothCorners, gridSegments, shadowCorners } from '../src/scene/depth/shapes.js';

// two panels of a square metre of cloth, one corner raised
const shape = { at: Float64Array.from([0, 0, 1, 1, 0, 1, 1, 1, 1.5, 0, 1, 1]) } as unknown as PitchShape;
const result = {
  topology: { clothNodes: 4, corners: Int32Array.from([0, 1, 2, 0, 2, 3]) },
  guys: [{ foot: [-2, 0, 0] }],
} as unknown as PitchResult;

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
