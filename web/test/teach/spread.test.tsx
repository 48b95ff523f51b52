import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, screen, within } from '@testing-library/react';
import fc from 'fast-check';
import type { Asked, Said } from '@rough-bight/core/drill';
import { limit } from '@rough-bight/core/quantity';
import type { AskedOpen } from '@rough-bight/core/teach';
import { Spread } from '../../src/views/class/spread.js';
import { render } from '../render.js';

afterEach(cleanup);
const UNITS = { length: 'm', force: 'N' } as const;
const NUMBER = { form: 'number', limit: limit('pull', 'force', 1, 20_000), whole: false } as const;
const CHOICE: Asked = {
  form: 'choice',
  options: [
    { id: 'a', name: 'the ridge' },
    { id: 'b', name: 'the peg' },
    { id: 'c', name: 'the hitch' },
  ],
  truth: 'b',
};
const spread = (asked: Asked | AskedOpen, all: readonly Said[]): void => {
  cleanup();
  render(<Spread asked={asked} all={all} units={UNITS} />);
};
const dots = (): readonly (readonly [number, number, number])[] =>
  [...document.querySelectorAll('circle')].map((c) => {
    const at = (name: string): number => Number(c.getAttribute(name));
    return [at('cx'), at('cy'), at('r')] as const;
  });

describe('guesses of a number', () => {
  test('twice as much is as far, wherever on the line', () => {
    spread(NUMBER, [100, 200, 400, 800]);
    const x = dots().map(([cx]) => cx);
    const [a, b, c] = [x[1]! - x[0]!, x[2]! - x[1]!, x[3]! - x[2]!];
    expect(b).toBeCloseTo(a, 6);
    expect(c).toBeCloseTo(a, 6);
  });
  test('the truth is not told before it is shown; then it stands where a guess of it would', () => {
    spread(NUMBER, [150, 300, 900]);
    const told = (): string => screen.getByRole('img').getAttribute('aria-label')!;
    expect(told()).toBe('three guesses from 150 N to 900 N, the middle one 300 N');
    spread({ ...NUMBER, truth: 300 }, [150, 300, 900]);
    expect(told()).toContain('; it is 300 N');
    const line = [...document.querySelectorAll('line')].at(-1)!;
    expect(Number(line.getAttribute('x1'))).toBeCloseTo(dots()[1]![0], 6);
  });
  test('all of any class lies within its frame, no dot on another', () => {
    fc.assert(
      fc.property(
        fc.array(fc.oneof(fc.double({ min: 1, max: 20_000, noNaN: true }), fc.constantFrom(300, 310, 500)), {
          minLength: 1,
          maxLength: 60,
        }),
        (all) => {
          spread({ ...NUMBER, truth: 700 }, all);
          const svg = document.querySelector('svg')!;
          const [, , wide, high] = svg.getAttribute('viewBox')!.split(' ').map(Number) as [0, 0, number, number];
          const at = dots();
          expect(at).toHaveLength(all.length);
          for (const [cx, cy, r] of at) {
            expect(cx - r).toBeGreaterThanOrEqual(0);
            expect(cx + r).toBeLessThanOrEqual(wide);
            expect(cy - r).toBeGreaterThanOrEqual(0);
            expect(cy + r).toBeLessThanOrEqual(high);
          }
          for (const [i, p] of at.entries())
            for (const q of at.slice(i + 1))
              expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeGreaterThan(0.99 * Math.min(2 * p[2], 2 * q[2]));
        },
      ),
      { numRuns: 60 },
    );
  });
  test('forty that say the same still lie within it', () => {
    spread(
      { ...NUMBER, truth: 300 },
      Array.from({ length: 40 }, () => 300),
    );
    expect(Math.min(...dots().map(([, cy, r]) => cy - r))).toBeGreaterThanOrEqual(0);
  });
  test('numbers are told in the units of whoever looks', () => {
    cleanup();
    render(<Spread asked={NUMBER} all={[100, 100]} units={{ length: 'm', force: 'kgf' }} />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain('kgf');
  });
});

describe('guesses of another kind', () => {
  test('of a choice each option has its count, and only the true one is marked, once it is shown', () => {
    spread(CHOICE, ['a', 'b', 'b', 'b']);
    const rows = within(screen.getByRole('list', { name: 'What was said' })).getAllByRole('listitem');
    expect(rows.map((r) => r.textContent)).toEqual(['the ridge1', 'the peg: right3', 'the hitch0']);
    const { truth: _, ...open } = CHOICE as Extract<Asked, { form: 'choice' }>;
    void _;
    spread(open as AskedOpen, ['a', 'b']);
    expect(screen.queryByText(/right/)).toBeNull();
  });
  test('of a place they are counted', () => {
    spread({ form: 'place', from: [0, 0], truth: [1, 1] }, [
      [1, 2],
      [2, 2],
    ]);
    expect(screen.getByText('Two feet set.')).toBeTruthy();
  });
  test('nobody having said anything is said', () => {
    spread(NUMBER, []);
    expect(screen.getByText('Nobody has said anything yet.')).toBeTruthy();
  });
});
