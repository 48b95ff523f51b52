import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import { fallingOf, felledOf, freshThing } from '@rough-bight/core/ground';
import type { Place } from '@rough-bight/core/ground';
import { PlanFelled } from '../src/scene/plan-felled.js';
import { fitPlan, planX, planY } from '../src/scene/plan-view.js';
import { freshPlace } from '../src/views/ground/fresh-place.js';

afterEach(cleanup);

const UNITS = { length: 'm', force: 'N' } as const;
const dead = freshThing('hazard', 'dead', 'dead stub', [0, 0]);
const shown = (part: Partial<Place>) => {
  const place: Place = { ...freshPlace('c'), things: [dead], slope: { fall: 0, toward: 0 }, ...part };
  const view = fitPlan(place, 900, 900);
  const [falling] = fallingOf(place);
  const { container } = render(
    <svg>
      <PlanFelled falling={falling!} place={place} view={view} units={UNITS} />
    </svg>,
  );
  const ends = [...container.querySelectorAll('path')].map((p) => {
    const [, x, y] = /L(-?[\d.]+) (-?[\d.]+)/.exec(p.getAttribute('d')!)!;
    return [Number(x) - planX(view, 0), planY(view, 0) - Number(y)] as const;
  });
  return { place, falling: falling!, view, ends, circle: container.querySelector('circle')! };
};

describe('a stem to be brought down, on the plan', () => {
  test('falls down the slope, and who does it goes back up and to the sides', () => {
    const { ends, circle, falling, view, place } = shown({ slope: { fall: 0.2, toward: Math.PI / 2 } });
    const [, falls, ...back] = ends;
    // east is down: it falls to the right of the plan, as long as it is high
    expect(falls![0]).toBeCloseTo(falling.height * view.scale, 0);
    expect(falls![1]).toBeCloseTo(0, 0);
    expect(back).toHaveLength(2);
    for (const [east] of back) expect(east).toBeLessThan(0);
    expect(Math.sign(back[0]![1])).toBe(-Math.sign(back[1]![1]));
    expect(Number(circle.getAttribute('r'))).toBeCloseTo(felledOf(falling, place).clear * view.scale, 6);
  });
  test('where nobody can tell only how far everybody keeps away is drawn', () => {
    const { ends, circle } = shown({ wind: { ...freshPlace('c').wind, beaufort: 1 } });
    expect(ends).toEqual([]);
    expect(Number(circle.getAttribute('r'))).toBeGreaterThan(0);
    expect(screen.queryByText('way back')).toBeNull();
  });
});
