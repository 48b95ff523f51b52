import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render } from '@testing-library/react';
import type { Fitting } from '@rough-bight/core/shelter';
import { FittingMarks } from '../src/scene/flat/fitting-marks.js';
import type { FlatView, Frame } from '../src/scene/flat/frame.js';
import { across, upward } from '../src/scene/flat/frame.js';

afterEach(cleanup);

const FITTINGS: readonly Fitting[] = [
  { kind: 'elastic', of: 'guy 01', from: [3, 1, 1], to: [3, 1.5, 0.5] },
  { kind: 'drip', of: 'ridge0', from: [2, 0, 1.5], to: [2, 0, 1.3] },
  { kind: 'bend', of: 'ridge', at: [1, 0, 1.6] },
  { kind: 'branch', of: 'trunk0', from: [0, 0.6, 2], to: [0, -0.4, 2], thick: 0.2, down: [0, 0.6, 1.2] },
];
const shown = (view: FlatView) => {
  const frame: Frame = { view, width: 700, height: 500, scale: 100, x0: 50, y0: 400 };
  const { container } = render(
    <svg>
      <FittingMarks fittings={FITTINGS} frame={frame} />
    </svg>,
  );
  return {
    frame,
    of: (kind: string) => container.querySelector(`[data-thing="${kind}"]`)!,
    path: (kind: string) => container.querySelector(`[data-thing="${kind}"] path`)!.getAttribute('d')!,
  };
};
const starts = (d: string): number[] => /^M(-?[\d.]+) (-?[\d.]+)/.exec(d)!.slice(1).map(Number);

describe('what is on the lines, in the flat views', () => {
  test.each(['side', 'above'] as const)('%s: each is drawn where it is', (view) => {
    const { frame, of, path } = shown(view);
    const up = view === 'side' ? 2 : 1;
    for (const kind of ['elastic', 'drip'] as const) {
      const f = FITTINGS.find((x) => x.kind === kind) as Extract<Fitting, { readonly kind: typeof kind }>;
      const [x, y] = starts(path(kind));
      expect(x).toBeCloseTo(across(frame, f.from[0]), 1);
      expect(y).toBeCloseTo(upward(frame, f.from[up]), 1);
    }
    expect(starts(path('bend'))[0]).toBeCloseTo(across(frame, 1) - 5, 1);
    // end on from the side, along itself from above
    const branch = of('branch');
    expect(branch.querySelectorAll('circle')).toHaveLength(view === 'side' ? 1 : 0);
    expect(branch.querySelectorAll('path')).toHaveLength(view === 'side' ? 1 : 2);
  });
  test('elastic turns to either side of its line and ends on it', () => {
    const { frame, path } = shown('above');
    const points = [...path('elastic').matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]);
    const x = across(frame, 3);
    const aside = points.slice(1, -1).map((p) => Math.sign(p[0]! - x));
    expect(new Set(aside)).toEqual(new Set([1, -1]));
    expect(points.at(-1)).toEqual([x, upward(frame, 1.5)]);
  });
});
