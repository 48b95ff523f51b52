import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DEFAULT_WEIGHTS, KINDS, checkPlace, freshThing } from '@rough-bight/core/ground';
import type { Place } from '@rough-bight/core/ground';
import { movedOnPlan, withoutThing } from '../src/scene/plan-moves.js';
import type { PlanGrip } from '../src/scene/plan-moves.js';
import { fitPlan, gridStep, movedView, planAt, planX, planY } from '../src/scene/plan-view.js';
import { freshPlace } from '../src/views/ground/fresh-place.js';
import { groundMarks } from '../src/views/ground/steps.js';
import { nextName } from '../src/views/ground/thing-controls.js';

const everything: Place = {
  ...freshPlace('c'),
  things: KINDS.map((kind, i) => freshThing(kind, kind, `a ${kind}`, [i * 3 - 20, (i % 4) * 5])),
  measures: [
    { id: 'm1', from: 'tree', to: 'post', how: 'tape', value: 6 },
    { id: 'm2', from: 'log', to: 'boulder', how: 'paces', value: 6 },
  ],
};
const metres = fc.double({ min: -80, max: 80, noNaN: true });

describe('the view from above', () => {
  const view = fitPlan(everything, 740, 460);
  test('what is drawn lies inside it, with room for the scale at its foot', () => {
    for (const t of everything.things) {
      expect(planX(view, t.at[0])).toBeGreaterThan(30);
      expect(planX(view, t.at[0])).toBeLessThan(710);
      expect(planY(view, t.at[1])).toBeGreaterThan(30);
      expect(planY(view, t.at[1])).toBeLessThan(410);
    }
  });
  test('pixels and metres undo one another; north is up', () => {
    fc.assert(
      fc.property(metres, metres, (e, n) => {
        const [e2, n2] = planAt(view, planX(view, e), planY(view, n));
        expect(e2).toBeCloseTo(e, 6);
        expect(n2).toBeCloseTo(n, 6);
      }),
    );
    expect(planY(view, 5)).toBeLessThan(planY(view, 0));
  });
  test('moved and made larger, every spot lies where the picture of it was moved to', () => {
    const offset = fc.double({ min: -900, max: 900, noNaN: true });
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 3, noNaN: true }), offset, offset, metres, metres, (k, x, y, e, n) => {
        const moved = movedView(view, { k, x, y });
        expect(planX(moved, e)).toBeCloseTo(k * planX(view, e) + x, 6);
        expect(planY(moved, n)).toBeCloseTo(k * planY(view, n) + y, 6);
      }),
    );
  });
  test('grid lines are one, two or five of the unit, never crowded, never far apart', () => {
    for (const unit of [1, 0.3048, 0.76])
      for (const scale of [2, 7, 30, 160]) {
        const step = gridStep({ ...view, scale }, unit);
        expect(step * scale).toBeGreaterThanOrEqual(26);
        expect(step * scale === unit * scale || step * scale < 26 * 2.6).toBe(true);
        const first = Number((step / unit / 10 ** Math.floor(Math.log10(step / unit) + 1e-9)).toFixed(6));
        expect([1, 2, 5]).toContain(first);
      }
  });
  test('an empty place has a view too', () => {
    expect(fitPlan(freshPlace('c'), 390, 380).scale).toBeGreaterThan(10);
  });
});

describe('moving things by hand', () => {
  const grips: PlanGrip[] = [
    ...KINDS.map((id): PlanGrip => ({ kind: 'thing', id })),
    { kind: 'corner', id: 'keep', index: 2 },
    { kind: 'turn', id: 'sleep' },
    { kind: 'radius', id: 'hollow' },
  ];
  test('whatever is moved, however far, the place can still be stored', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...grips),
        fc.double({ min: -2000, max: 2000, noNaN: true }),
        fc.double({ min: -2000, max: 2000, noNaN: true }),
        (grip, e, n) => {
          expect(checkPlace(movedOnPlan(everything, grip, [e, n]))).toHaveProperty('place');
        },
      ),
    );
  });
  test('only what is taken hold of moves, to the centimetre', () => {
    const next = movedOnPlan(everything, { kind: 'thing', id: 'tree' }, [1.2345, -0.5]);
    expect(next.things.filter((t, i) => t !== everything.things[i]).map((t) => t.id)).toEqual(['tree']);
    expect(next.things[0]!.at[0]).toBeCloseTo(everything.things[0]!.at[0] + 1.23, 9);
  });
  test('the head turns toward the hand', () => {
    const at = everything.things.find((t) => t.id === 'sleep')!;
    const next = movedOnPlan(everything, { kind: 'turn', id: 'sleep' }, [5, -1]);
    expect(next.things.find((t) => t.id === 'sleep')).toMatchObject({ at: at.at, bearing: 1.57 });
  });
  test('what is taken off takes its measures with it', () => {
    const next = withoutThing(everything, 'tree');
    expect(next.measures.map((m) => m.id)).toEqual(['m2']);
    expect(checkPlace(next)).toHaveProperty('place');
  });
});

test('new things get names that nothing has', () => {
  const named = { ...everything, things: [...everything.things, freshThing('tree', 't2', 'tree 2', [0, 0])] };
  expect(nextName(everything, 'tree')).toBe('tree 2');
  expect(nextName(named, 'tree')).toBe('tree 3');
});

describe('the tape of the ground', () => {
  test('an empty place has nothing yet; a gale wants attention', () => {
    const marks = groundMarks(freshPlace('c'), null);
    expect(marks.map((m) => [m.step, m.state])).toEqual([
      ['look', 'none'],
      ['measure', 'none'],
      ['wind', 'holds'],
      ['choose', 'none'],
    ]);
    expect(groundMarks({ ...everything, wind: { ...everything.wind, beaufort: 8 } }, null)[2]).toMatchObject({
      state: 'fails',
      text: expect.stringMatching(/gale/),
    });
  });
  test('a fresh place fits its own checks', () => {
    expect(checkPlace(freshPlace('green-550'))).toHaveProperty('place');
    expect(freshPlace('x').wish.weights).toBe(DEFAULT_WEIGHTS);
  });
});
