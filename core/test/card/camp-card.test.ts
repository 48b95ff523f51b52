import { describe, expect, test } from '@jest/globals';
import { XMLValidator } from 'fast-xml-parser';
import { budgetOf, cuttingsOf } from '../../src/budget/index.js';
import type { Bag, Budget } from '../../src/budget/index.js';
import { campCardOf, cardHtml, cardSvg, codeOf } from '../../src/card/index.js';
import type { Card, CardLine, RigOnCard } from '../../src/card/index.js';
import type { RidgeRig, Work } from '../../src/rig/index.js';
import { USUAL_WORK } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { verdictOf } from '../../src/words/index.js';
import { solve } from '../budget/helper.js';
import { UNITS, ofCamp } from '../shelter/helper.js';

const TONIGHT = ['Bed on one alder', 'Hammock fly', 'Mess roof'];
const bagOf = (): Bag => {
  const { kit, ...gear } = ofCamp('Hammock fly').context;
  return { ...gear, cords: kit, bindings: [] };
};
const onCard = (name: string, work: Partial<Work> = {}, change: (rig: RidgeRig) => RidgeRig = (r) => r): RigOnCard => {
  const { rig: was, context } = ofCamp(name);
  const rig = { ...change(was), work: { ...USUAL_WORK, ...work } };
  const { report } = judgeRig(rig, context, { full: true, spreads: false, rising: false });
  return { id: name, name, note: '', rig, context, report, units: UNITS, timed: [], address: null };
};
const made = (rigs: readonly RigOnCard[], bag: Bag, left: readonly string[] = []): { card: Card; budget: Budget } => {
  const budget = budgetOf(rigs, bag, solve)!;
  const named = (id: string): string => [...rigs, ...bag.cords].find((x) => x.id === id)?.name ?? id;
  const { body } = rigs[0]!.context;
  const card = campCardOf({
    id: 'camp',
    name: 'Sallow Ait',
    about: 'Three nights.',
    rigs,
    left,
    budget,
    nameOf: named,
    hankOf: named,
    body,
    units: UNITS,
    address: null,
  });
  return { card, budget };
};
const lines = (card: Card, title: RegExp): readonly CardLine[] =>
  card.sections.flatMap((s) => (title.test(s.title) && 'lines' in s ? s.lines : []));

describe('the card of a night', () => {
  const rigs = TONIGHT.map((n) => onCard(n));
  const { card, budget } = made(rigs, bagOf());

  test('names every rig with the code it is found by, in their order', () => {
    const order = lines(card, /^In this order$/);
    expect(order.map((l) => l.what)).toEqual(TONIGHT.map((n) => `${n}, code ${codeOf(n)}`));
    for (const l of order) expect(l.number).toMatch(/min|h/);
  });
  test('holds every cut of the plan once, under the hank it comes from, and nothing else', () => {
    const cuts = cuttingsOf(budget.plan, (id) => id);
    expect(cuts.reduce((sum, c) => sum + c.cuts.length, 0)).toBe(budget.plan.cuts);
    expect(lines(card, /^Cut from /)).toHaveLength(budget.plan.cuts);
    for (const { hank, cuts: of } of cuts) {
      if (of.length === 0) continue;
      const { name } = bagOf().cords.find((c) => c.id === hank)!;
      expect(lines(card, new RegExp(`^Cut from ${name.replace('#', '#')}$`))).toHaveLength(of.length);
    }
    const uncut = budget.plan.taken.flatMap((t) => t.parts.filter((p) => p.uncut));
    expect(lines(card, /^Taken whole$/)).toHaveLength(uncut.length);
    expect(lines(card, /^Without cord$/)).toHaveLength(budget.plan.unmet.length);
  });
  test('counts pegs once, and says what the night asks of each roof', () => {
    const [pegs] = budget.things.filter((t) => t.list === 'pegs');
    if (pegs !== undefined)
      expect(lines(card, /^Comes along$/).find((l) => l.what.toLowerCase() === pegs.name.toLowerCase())?.number).toBe(
        `${pegs.wanted} of ${pegs.have}`,
      );
    // each round is told once, with every roof that is hauled in it
    const night = card.sections.find((s) => s.title === 'In the night')!;
    const words = 'words' in night ? night.words : [];
    expect(words.length).toBeGreaterThan(1);
    expect(new Set(words.map((w) => w.split(':')[0])).size).toBe(words.length);
    for (const n of ['Hammock fly', 'Mess roof']) expect(words.some((w) => w.includes(`${n} (ridgeline`))).toBe(true);
  });
  test('is whole as a page and as SVG', () => {
    expect(JSON.stringify({ ...card, modules: '' })).not.toMatch(/undefined|NaN|null,|\[object/);
    const html = cardHtml('Tonight', [card]);
    expect(html).not.toMatch(/<script|src=|href=|url\(|@import|https?:\/\/|class="pictures"/);
    expect(XMLValidator.validate(cardSvg(card))).toBe(true);
  });
  test('says that all hold only where all do and all have cord', () => {
    const long = { ...bagOf(), cords: bagOf().cords.map((c) => ({ ...c, length: 60 })) };
    const roomy = made(rigs.slice(0, 2), long);
    expect(roomy.budget.plan.unmet).toEqual([]);
    expect(roomy.budget.things.every((t) => t.wanted <= t.have)).toBe(true);
    expect(roomy.card).toMatchObject({
      holds: true,
      verdict: expect.stringMatching(/^Two rigs stand tonight, and each holds/),
    });
    // the mess roof does not hold in its own wind, however much cord there is
    expect(verdictOf(rigs[2]!.report, rigs[2]!.context.body).holds).toBe(false);
    expect(made(rigs, long).card).toMatchObject({
      holds: false,
      verdict: expect.stringMatching(/^Does not hold: Mess roof\./),
    });
    const short = made(rigs, { ...bagOf(), cords: bagOf().cords.map((c) => ({ ...c, length: 1, pieces: [] })) });
    expect(short.card.holds).toBe(false);
    expect(lines(short.card, /^Without cord$/)).toHaveLength(short.budget.plan.unmet.length);
    expect(short.budget.plan.unmet.length).toBeGreaterThan(0);
    expect(short.card.verdict).toMatch(/no cord/);
  });
  test('a rig that cannot be worked out is named, and nothing holds then', () => {
    const { card: lacking } = made(rigs, bagOf(), ['Broken one']);
    expect(lacking.holds).toBe(false);
    expect(lacking.verdict).toMatch(/Not worked out: Broken one\./);
    expect(lacking.verdict).not.toMatch(/each holds/);
  });
  test('one that does not hold is named first', () => {
    const blown = onCard('Hammock fly', {}, (r) => ({ ...r, wind: { ...r.wind, beaufort: 11 } }));
    const { card: weak } = made([rigs[0]!, blown], bagOf());
    expect(weak.holds).toBe(false);
    expect(weak.verdict).toMatch(/^Does not hold: .*Hammock fly/);
  });
});

test('in rain what keeps it off goes up before what hangs under it', () => {
  const { card } = made([onCard('Bed on one alder', { rain: true }), onCard('Hammock fly')], bagOf());
  expect(lines(card, /^In this order: roofs first/).map((l) => l.what.split(',')[0])).toEqual([
    'Hammock fly',
    'Bed on one alder',
  ]);
});
