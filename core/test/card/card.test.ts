import { describe, expect, test } from '@jest/globals';
import { XMLValidator } from 'fast-xml-parser';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { cardHtml, cardOf, cardSvg, codeOf, modulesOf } from '../../src/card/index.js';
import type { Card } from '../../src/card/index.js';
import { picturesOf } from '../../src/picture/index.js';
import type { Picture } from '../../src/picture/index.js';
import { measuredSpan } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { demo } from '../shelter/helper.js';

const RIGS = readdirSync(join(process.cwd(), 'examples/rigs')).map((f) => f.replace('.rig.json', ''));
const cardIn = (name: string, length: 'm' | 'ft' = 'm', title = name): Card => {
  const { rig, context } = demo(name);
  const { report } = judgeRig(rig, context, { full: false });
  return cardOf({
    id: name,
    name: title,
    note: '',
    rig,
    context,
    report,
    units: { length, force: 'N' },
    timed: [],
    address: `http://192.168.4.1:4717/rigs/${name}`,
  });
};

/** Nothing in it is none, and every section says something. */
function wholeCard(card: Card): void {
  expect(JSON.stringify({ ...card, pictures: '', modules: '' })).not.toMatch(/undefined|NaN|null,|\[object/);
  for (const s of card.sections) expect('lines' in s ? s.lines.length : s.words.length).toBeGreaterThan(0);
  expect(new Set(card.sections.map((s) => s.title)).size).toBe(card.sections.length);
}

describe.each(RIGS)('the card of %s', (name) => {
  const card = cardIn(name);
  test('is whole: no number that is none, nothing empty', () => {
    wholeCard(card);
    const lines = (title: RegExp): number => {
      const found = card.sections.find((s) => title.test(s.title));
      return found === undefined ? 0 : 'lines' in found ? found.lines.length : found.words.length;
    };
    expect(lines(/^Pitch it, /)).toBeGreaterThan(4);
    expect(lines(/^Take it down, /)).toBeGreaterThan(3);
    expect(lines(/^Beware$/)).toBeGreaterThanOrEqual(3);
    expect(card.pictures).toHaveLength(2);
    for (const { picture: p } of card.pictures)
      for (const { rings } of p.strokes)
        for (const [x, y] of rings.flat()) {
          expect(x).toBeGreaterThan(-p.width * 0.2);
          expect(x).toBeLessThan(p.width * 1.2);
          expect(Number.isFinite(y)).toBe(true);
        }
  });
  test('is drawn to scale: its span by the trunks, both views alike', () => {
    const { rig, context } = demo(name);
    const { report } = judgeRig(rig, context, { full: false });
    const across = (p: Picture): number | null => {
      const trunks = p.strokes.find((s) => s.pen === 'trunk')?.rings ?? [];
      if (trunks.length < 2) return null;
      const middle = (ring: readonly (readonly [number, number])[]): number => {
        const xs = ring.map((q) => q[0]);
        return (Math.min(...xs) + Math.max(...xs)) / 2;
      };
      return Math.abs(middle(trunks[1]!) - middle(trunks[0]!));
    };
    const wide = picturesOf(report, context.body, 'side', [3000, 3000])();
    const twice = picturesOf(report, context.body, 'side', [6000, 6000])();
    const [a, b] = [across(wide), across(twice)];
    if (a === null || b === null) return;
    expect(b / a).toBeCloseTo(2, 6);
    // a metre is as long upright as along: the trunk's height against the span
    const trunk = wide.strokes.find((s) => s.pen === 'trunk')!.rings[0]!;
    const ys = trunk.map((q) => q[1]);
    const metre = a / measuredSpan(rig, context.body);
    // a stem goes on over its tie, a pole ends there
    const over = rig.trunks[0].stand?.kind === 'pole' ? 0.1 : 0.35;
    expect((Math.max(...ys) - Math.min(...ys)) / metre).toBeCloseTo(rig.trunks[0].tieHeight + over, 1);
  });
  test('as a page it stands by itself, as SVG it is well-formed', () => {
    const html = cardHtml('Tonight', [card, card]);
    // nothing is fetched and nothing runs
    expect(html).not.toMatch(/<script|src=|href=|url\(|@import|https?:\/\//);
    expect(html).toContain(card.code);
    const svg = cardSvg(card);
    expect(XMLValidator.validate(svg)).toBe(true);
    expect(svg).not.toMatch(/NaN|undefined/);
  });
});

test('what a person typed stays what it was typed as', () => {
  const nasty = cardIn('cape-end-tied', 'm', '</h1><script>alert("&")</script>');
  expect(cardHtml('x', [nasty])).not.toContain('<script');
  expect(XMLValidator.validate(cardSvg(nasty))).toBe(true);
});
test('in feet it says no metres in its numbers', () => {
  const numbers = cardIn('gravel-spit-gable', 'ft').sections.find((s) => s.title === 'Numbers')!;
  expect('lines' in numbers && numbers.lines.length).toBeGreaterThan(2);
  if ('lines' in numbers) for (const l of numbers.lines) expect(l.number).not.toMatch(/\d m\b/);
});

describe('the code of a rig', () => {
  test('is the same for the same id, of signs that are not taken for each other', () => {
    expect(codeOf('landing-gable')).toBe(codeOf('landing-gable'));
    for (const name of RIGS) expect(codeOf(name)).toMatch(/^[2-9A-HJ-NP-Z]{5}$/);
  });
  test('tells some hundred rigs apart', () => {
    const codes = new Set(Array.from({ length: 300 }, (_, i) => codeOf(`rig-${i}`)));
    expect(codes.size).toBe(300);
  });
  test('a camera finds its three corners', () => {
    const modules = modulesOf('http://192.168.4.1:4717/rigs/landing-gable');
    const n = modules.length;
    for (const [x, y] of [
      [0, 0],
      [n - 7, 0],
      [0, n - 7],
    ] as const)
      for (let k = 0; k < 7; k++) {
        expect(modules[y]![x + k]).toBe(true);
        expect(modules[y + k]![x]).toBe(true);
      }
  });
});
