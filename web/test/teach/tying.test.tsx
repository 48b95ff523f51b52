import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { KNOTS, KNOT_GROUPS, stepsOf, tie } from '@rough-bight/core/knot';
import type { Tied } from '@rough-bight/core/knot';
import { capital } from '@rough-bight/core/quantity';
import { device, keptHere } from '../device.js';
import { press } from '../press.js';
import { serving, show } from './served.js';

jest.unstable_mockModule('../../src/data/kept.js', keptHere);
/** Tied in a worker; here at once, the same each time; not yet where the test says so. */
const tied = new Map<string, Tied>();
let late = false;
jest.unstable_mockModule('../../src/workers/use-tied.js', () => ({
  useTied: (id: string, wrong: string | null = null) => {
    if (late) return null;
    const key = `${id} ${wrong ?? ''}`;
    const knot = KNOTS.find((k) => k.id === id)!;
    const lay = wrong === null ? knot.lay : knot.wrong.find((w) => w.id === wrong)!.lay;
    if (!tied.has(key)) tied.set(key, tie(lay));
    return tied.get(key)!;
  },
}));
const { default: TyingView } = await import('../../src/views/tying/tying.js');
const { default: KnotView } = await import('../../src/views/tying/knot.js');

const clove = KNOTS.find((k) => k.id === 'clove')!;
const open = (id = 'clove'): Promise<void> => show(<KnotView />, '/tying/:knotId', `/tying/${id}`);
/** Back to the line as it comes. */
async function back(): Promise<void> {
  const button = (): HTMLButtonElement => screen.getByRole('button', { name: /Back/ });
  while (!button().disabled) await press(button());
}
const picture = (): string =>
  [...screen.getByRole('img', { name: new RegExp(`^${capital(clove.name)}, step`) }).querySelectorAll('path')]
    .map((p) => p.getAttribute('d'))
    .join(' ');
const xs = (d: string): number[] => [...d.matchAll(/(-?[\d.]+) -?[\d.]+/g)].map((m) => Number(m[1]));

beforeEach(() => {
  late = false;
  device.clear();
  localStorage.clear();
  serving();
  // nothing moves by itself: each press is at its end at once
  window.matchMedia = ((query: string) => ({ matches: true, media: query })) as never;
});
afterEach(cleanup);

describe('everything that is tied', () => {
  test('stands in its group, by its name, a touch away from its steps', async () => {
    await show(<TyingView />, '/tying', '/tying');
    for (const { name, knots } of KNOT_GROUPS) {
      const group = within(screen.getByRole('region', { name }));
      for (const k of knots)
        expect(group.getByRole('link', { name: capital(k.name) }).getAttribute('href')).toBe(`/tying/${k.id}`);
    }
    expect(screen.getAllByRole('link')).toHaveLength(KNOTS.length);
  });
  test('names stand there before their ropes are tied', async () => {
    late = true;
    await show(<TyingView />, '/tying', '/tying');
    expect(screen.getAllByRole('link')).toHaveLength(KNOTS.length);
    expect(document.querySelector('svg path')).toBeNull();
  });
});

describe('one knot', () => {
  test('is shown drawn up; from the line as it comes each press says and draws the next step; then it begins anew', async () => {
    await open();
    expect(screen.getByText('Dressed and drawn up.')).toBeTruthy();
    await back();
    const steps = stepsOf(tie(clove.lay));
    expect(screen.getByText('The line as it comes.')).toBeTruthy();
    const seen = new Set([picture()]);
    for (let k = 0; k < steps; k++) {
      await press(screen.getByRole('button', { name: /Next step/ }));
      expect(screen.getByText(k === steps - 1 ? 'Dressed and drawn up.' : clove.lay.steps[k]!.says)).toBeTruthy();
      seen.add(picture());
    }
    expect(seen.size).toBe(steps + 1);
    await press(screen.getByRole('button', { name: /From the beginning/ }));
    expect(screen.getByText(clove.lay.steps[0]!.says)).toBeTruthy();
  });
  test('goes back by the same way', async () => {
    await open();
    await back();
    await press(screen.getByRole('button', { name: /Next step/ }));
    const first = picture();
    await press(screen.getByRole('button', { name: /Next step/ }));
    await press(screen.getByRole('button', { name: /Back/ }));
    expect(picture()).toBe(first);
  });
  test('is turned by the arrow keys and comes back to the tier’s own side', async () => {
    await open();
    const own = picture();
    const rope = screen.getByRole('application');
    await act(async () => {
      for (let i = 0; i < 4; i++) fireEvent.keyDown(rope, { key: 'ArrowRight' });
      await Promise.resolve();
    });
    expect(picture()).not.toBe(own);
    await press(screen.getByRole('button', { name: /My side/ }));
    expect(picture()).toBe(own);
  });
  test('for the left hand it is the mirror image, and the hand is remembered', async () => {
    await open();
    const right = picture();
    fireEvent.click(screen.getByRole('radio', { name: 'left hand' }));
    await act(() => Promise.resolve());
    const left = picture();
    const [r, l] = [xs(right), xs(left)];
    expect(l).toHaveLength(r.length);
    // what was as far to the right is as far to the left
    expect(Math.max(...l)).toBeCloseTo(640 - Math.min(...r), 0);
    cleanup();
    await open();
    expect((screen.getByRole('radio', { name: 'left hand' }) as HTMLInputElement).checked).toBe(true);
  });
  test('tied wrong stands beside it, named, with what it does, and can be put away', async () => {
    await open();
    const [wrong] = clove.wrong;
    expect(screen.getByRole('img', { name: `Tied wrong: ${wrong!.name}` })).toBeTruthy();
    expect(screen.getByText(wrong!.does)).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox', { name: /tied wrong/ }), { target: { value: '' } });
    await act(() => Promise.resolve());
    expect(screen.queryByText(wrong!.does)).toBeNull();
  });
  test('says when, how it fails, how it is let go and what strength is kept', async () => {
    for (const k of KNOTS.slice(0, 6)) {
      await open(k.id);
      for (const words of [k.when, k.fails, k.release]) expect(screen.getByText(words)).toBeTruthy();
      expect(screen.getByText(/\d+ to \d+ %|\d+ % to \d+ %|\d.* to .*, mostly /)).toBeTruthy();
    }
  });
  test('what is not tied is said to be not there', async () => {
    await open('no-such-knot');
    expect(screen.getByText('Nothing is tied by that name')).toBeTruthy();
  });
  test('while its rope is not tied yet, that is said', async () => {
    late = true;
    await open();
    expect(screen.getByText(/the rope/)).toBeTruthy();
    expect(screen.queryByRole('application')).toBeNull();
  });
});
