/** @jest-environment jsdom */
/// <reference lib="dom" />
/// <reference lib="dom.iterable" />
import { describe, expect, test } from '@jest/globals';
import { rigSvg } from '../../src/formats/index.js';
import type { Sheet } from '../../src/formats/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { PitchResult } from '../../src/pitch/index.js';
import type { PitchForm } from '../../src/roof/index.js';
import { judgeRig, reportOf } from '../../src/shelter/index.js';
import type { RigReport } from '../../src/shelter/index.js';
import { bareRig } from '../shelter/bare.js';
import { contextFor, rigOf, roofFor } from '../pitch/helper.js';

function drawn(form: PitchForm): Sheet & { readonly report: RigReport & { readonly roof: PitchResult } } {
  const roof = roofFor(form);
  const rig = rigOf(form, roof);
  const context = contextFor(roof);
  const { result } = evaluatePitch(rig, context, { full: false });
  return {
    report: { ...reportOf(rig, context, false, { line: null, roof: result, bed: null }), roof: result },
    name: 'By the <alder> & the post',
    body: context.body,
    units: { length: 'm', force: 'N' },
  };
}
const parse = (svg: string): Document => new DOMParser().parseFromString(svg, 'image/svg+xml');
const scaleOf = (doc: Document): number => Number(/1 : (\d+)/.exec(doc.querySelector('title')!.textContent)![1]);
/** Where a path is put, mm. */
const placeOf = (p: Element): readonly [number, number] => {
  const at = /^translate\((-?[\d.]+) (-?[\d.]+)\)/.exec(p.getAttribute('transform') ?? '');
  return at === null ? [0, 0] : [Number(at[1]), Number(at[2])];
};
/** Every pair of numbers of every path and text, mm. */
const numbers = (doc: Document): number[][] => [
  ...[...doc.querySelectorAll('path')].flatMap((p) => {
    const [dx, dy] = placeOf(p);
    return [...(p.getAttribute('d') ?? '').matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map((m) => [
      Number(m[1]) + dx,
      Number(m[2]) + dy,
    ]);
  }),
  ...[...doc.querySelectorAll('text')].map((t) => [Number(t.getAttribute('x')), Number(t.getAttribute('y'))]),
];

describe('a drawing to scale', () => {
  const gable = drawn('gable');
  test.each(['plan', 'side'] as const)('the %s is well-formed, names what it is and keeps to its sheet', (view) => {
    const doc = parse(rigSvg(view, gable));
    expect(doc.querySelector('parsererror')).toBeNull();
    expect(doc.querySelector('title')!.textContent).toMatch(/^By the <alder> & the post, (plan|side view), 1 : \d+$/);
    expect(doc.documentElement.getAttribute('width')).toBe('297mm');
    for (const [x, y] of numbers(doc)) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x).toBeLessThanOrEqual(297);
      expect(y).toBeGreaterThanOrEqual(0);
      expect(y).toBeLessThanOrEqual(210);
    }
  });
  test('a ruler on the plan measures the span and where each foot is', () => {
    const doc = parse(rigSvg('plan', gable));
    const scale = scaleOf(doc);
    const [a, b] = [...doc.querySelectorAll('circle.trunk')].map((c) => [
      Number(c.getAttribute('cx')),
      Number(c.getAttribute('cy')),
    ]);
    expect(((b![0]! - a![0]!) * scale) / 1000).toBeCloseTo(gable.report.rig.span.tape, 2);
    expect(b![1]).toBeCloseTo(a![1]!, 6);
    const feet = gable.report.roof.guys.map((g) => g.foot);
    const marks = [...doc.querySelectorAll('[data-holds=peg]')].map(placeOf);
    expect(marks).toHaveLength(feet.length);
    feet.forEach((f, i) => {
      expect(((marks[i]![0]! - a![0]!) * scale) / 1000).toBeCloseTo(f[0], 1);
      expect(((a![1]! - marks[i]![1]!) * scale) / 1000).toBeCloseTo(f[1], 1);
    });
    expect(doc.documentElement.textContent).toContain('7.00 m');
  });
  test('what holds a guy is drawn as what it is', () => {
    const held = ['weight', 'buried', 'root', 'stem', 'peg', 'tree'] as const;
    const guys = gable.report.roof.guys.map((g, i) => ({ ...g, held: held[i]! }));
    const doc = parse(rigSvg('plan', { ...gable, report: { ...gable.report, roof: { ...gable.report.roof, guys } } }));
    const count = (what: string): number => doc.querySelectorAll(what).length;
    expect(guys).toHaveLength(held.length);
    // a tree of the rig has its own mark already
    expect(held.map((kind) => count(`[data-holds=${kind}]`))).toEqual([1, 1, 1, 1, 1, 0]);
    expect(new Set([...doc.querySelectorAll('[data-holds]')].map((p) => p.getAttribute('d'))).size).toBe(5);
  });
  test('the side view dimensions the ties and the headroom, in the unit chosen', () => {
    const said = (units: Sheet['units']): string =>
      parse(rigSvg('side', { ...gable, units })).documentElement.textContent;
    expect(said({ length: 'm', force: 'N' })).toContain('1.70 m');
    expect(said({ length: 'ft', force: 'lbf' })).toMatch(/5\.\d+ ft/);
  });
  test('every form can be drawn from both sides', () => {
    for (const form of ['wedge', 'prop', 'low', 'diagonal'] as const)
      for (const view of ['plan', 'side'] as const) {
        const doc = parse(rigSvg(view, drawn(form)));
        expect(doc.querySelector('parsererror')).toBeNull();
        expect(doc.querySelectorAll('path.line').length).toBeGreaterThan(2);
        expect(numbers(doc).flat().every(Number.isFinite)).toBe(true);
      }
  });
  test.each(['plan', 'side'] as const)('a bare ridgeline is drawn too: the %s, with what hangs on it', (view) => {
    const { rig, context } = bareRig();
    const { report } = judgeRig(rig, context, { full: false });
    const doc = parse(rigSvg(view, { ...gable, report, body: context.body }));
    expect(doc.querySelector('parsererror')).toBeNull();
    // a stretch to each thing hung and one more, end on end
    expect(doc.querySelectorAll('path.ridge')).toHaveLength(rig.hung.length + 1);
    expect(doc.querySelectorAll('path.hung')).toHaveLength(rig.hung.length);
    for (const h of rig.hung) expect(doc.documentElement.textContent).toContain(h.name);
    const scale = scaleOf(doc);
    const points = [...doc.querySelectorAll('path.ridge')].flatMap((p) =>
      [...p.getAttribute('d')!.matchAll(/[ML](-?[\d.]+) /g)].map((m) => Number(m[1])),
    );
    expect(((Math.max(...points) - Math.min(...points)) * scale) / 1000).toBeCloseTo(rig.span.tape, 1);
  });
});
