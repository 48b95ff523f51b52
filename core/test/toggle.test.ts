import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { TERMINATIONS, TOGGLE_SPAN, findCord, findTermination, findWood } from '../src/catalogue/index.js';
import { ratioOf } from '../src/rig/index.js';
import { judgeRig } from '../src/shelter/index.js';
import { USUAL_TOGGLE, fittingOf, tieOutWide, toggleHolds } from '../src/strength/index.js';
import { UNDER_FLY, demo } from './shelter/helper.js';
import type { RidgeRig } from '../src/rig/index.js';

const cord = findCord('nylon-550-4')!;

describe('a stick through a loop', () => {
  test('breaks where bending at its middle reaches the wood’s own strength: F w / 4 over π d³ / 32', () => {
    const { typical: f } = findWood('alder')!.strength;
    const w = TOGGLE_SPAN.typical;
    const { value } = toggleHolds({ wood: 'alder', thickness: 0.012 }, tieOutWide());
    const stress = (value * w) / 4 / ((Math.PI * 0.012 ** 3) / 32);
    expect(stress / f).toBeCloseTo(1, 9);
  });
  test('goes by the cube of its thickness, and no range is turned about', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.004, max: 0.025, noNaN: true }), (d) => {
        const one = toggleHolds({ wood: 'willow', thickness: d }, tieOutWide());
        const two = toggleHolds({ wood: 'willow', thickness: 2 * d }, tieOutWide());
        expect(two.value / one.value).toBeCloseTo(8, 6);
        expect(one.range![0]).toBeLessThan(one.value);
        expect(one.range![1]).toBeGreaterThan(one.value);
      }),
    );
  });
});

describe('what stands in an end besides its cord', () => {
  test('a stick where the hitch has one, a fitting where one hauls, else nothing', () => {
    for (const t of TERMINATIONS) {
      const found = fittingOf(t, undefined, cord);
      expect(found === null).toBe(!t.toggled && t.fitting === undefined);
    }
    const usual = fittingOf(findTermination('overhand-loop')!, undefined, cord)!;
    const said = fittingOf(findTermination('overhand-loop')!, USUAL_TOGGLE, cord)!;
    expect(usual.holds.value).toBe(said.holds.value);
    expect(fittingOf(findTermination('cleat')!, undefined, cord)!.holds.value).toBe(600);
  });
  const { rig, context } = demo(UNDER_FLY);
  const roofRows = (changed: RidgeRig) =>
    judgeRig(changed, context, { full: true, spreads: false, rising: false }).report.rows;
  test('is judged with the line: a twig in the loop lets go before its cord, a thumb’s thickness does not', () => {
    const pinned = (thickness: number): RidgeRig => ({
      ...rig,
      ends: [{ ...rig.ends[0], termination: 'overhand-loop', toggle: { wood: 'alder', thickness } }, rig.ends[1]],
    });
    const least = (thickness: number) => roofRows(pinned(thickness)).find((r) => r.id === 'ridge')!;
    expect(least(0.006).links[0]!.link.id).toBe('ridge:toggle0');
    expect(ratioOf(least(0.006))).toBeLessThan(1);
    expect(least(0.02).links[0]!.link.id).not.toBe('ridge:toggle0');
  });
  test('and with a hitch: a twig through loop and tie-out', () => {
    const hitches = rig.pitch!.hitches.map((h) => ({ ...h, toggle: { wood: 'alder', thickness: 0.005 } }));
    const rows = roofRows({ ...rig, pitch: { ...rig.pitch!, hitches: [hitches[0]!, hitches[1]!] } });
    const loop = rows.find((r) => r.links.some((l) => l.link.id.endsWith(':toggle')))!;
    expect(loop.links.find((l) => l.link.id.endsWith(':toggle'))!.judgement.ratio).toBeLessThan(
      ratioOf(rows.find((r) => r.id === 'ridge')!),
    );
  });
  test('a cleat runner on a guy lets cord slide long before the cord parts', () => {
    const rows = roofRows({ ...rig, pitch: { ...rig.pitch!, guy: { ...rig.pitch!.guy, hitch: 'cleat' } } });
    const fitted = rows.flatMap((r) => r.links.filter((l) => l.link.id.endsWith(':fitting')));
    expect(fitted.length).toBeGreaterThan(0);
    for (const l of fitted) expect(l.link.name).toMatch(/^grip of the cleat runner, /);
  });
});
