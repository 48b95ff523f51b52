import { describe, expect, test } from '@jest/globals';
import { strapSets } from '../../src/bed/index.js';
import { bedProblems, bedStem, withBedOf } from '../../src/rig/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import {
  bedModel,
  evaluateBed,
  holds,
  judgeRig,
  groundedIn,
  headEndUp,
  heightsFor,
  hangIt,
  lowestOf,
  middleOf,
  proposeHang,
  roofAdvice,
  strapAngle,
  tooNear,
  wishOff,
  wishedMiddle,
} from '../../src/shelter/index.js';
import { ONE_TREE, UNDER_FLY, UNITS, bedded, demo, kitted } from './helper.js';

const fly = demo(UNDER_FLY);
const ridgeAt = (rig: RidgeRig, height: number): RidgeRig => ({
  ...rig,
  trunks: [
    { ...rig.trunks[0], tieHeight: height },
    { ...rig.trunks[1], tieHeight: height },
  ],
});

describe('a bed begun on a rig', () => {
  const bare: RidgeRig = { ...fly.rig };
  delete (bare as { bed?: unknown }).bed;
  const far = (span: number): RidgeRig => ({ ...bare, span: { ...bare.span, how: 'tape', tape: span } });
  const [long] = fly.context.straps.filter((s) => s.id === 'long-straps');
  const context = {
    ...fly.context,
    straps: [
      long!,
      { ...long!, id: 'short', name: 'short wide straps', webbing: 'polyester-50', length: 2, count: 10 },
    ],
  };
  const on = (span: number): RidgeRig => withBedOf(far(span), 'river-bed', context);
  test('takes the strongest straps that reach; where none do, the strongest, and says what is wrong', () => {
    expect([on(4), on(7), on(12)].map((r) => r.bed!.straps)).toEqual(['short', 'long-straps', 'short']);
    for (const r of [on(4), on(7)]) expect(bedProblems(r, context)).toEqual([]);
    expect(bedProblems(on(12), context)[0]!.field).toMatch(/^bed/);
  });
  test('straps left at home are not taken, and a bed that is not in the kit hangs nowhere', () => {
    expect(withBedOf({ ...far(4), home: ['short'] }, 'river-bed', context).bed!.straps).toBe('long-straps');
    expect(withBedOf(far(5), 'none', context)).toEqual(far(5));
  });
  test('where its own straps do not reach, others of the kit are proposed', () => {
    const begun = on(7);
    const { offers, whole } = proposeHang({ ...begun, bed: { ...begun.bed!, straps: 'short' } }, context, UNITS);
    expect(whole!.straps).toBe('long-straps');
    expect(offers.length).toBeGreaterThan(0);
    for (const o of offers) expect(o.rig.bed!.straps).toBe('long-straps');
  });
});

describe('hang it for me', () => {
  test('what it offers lies as wished when it is hung so, to the centimetre of a strap', () => {
    const wish = { height: 0.5, angle: 0.5, headUp: 0.1 };
    const { offers, problem, tried } = hangIt(bedded(fly.rig, { wish }), fly.context, UNITS);
    expect(problem).toBeNull();
    expect(tried).toBeGreaterThan(1000);
    expect(offers).toHaveLength(3);
    for (const o of offers) {
      const model = bedModel(o.rig, fly.context, { ranges: false });
      const s = model.stateOf(model.cases.find((c) => c.id === 'lying')!);
      expect(lowestOf(model, s)).toBeCloseTo(0.5, 1);
      expect(Math.abs(lowestOf(model, s) - 0.5)).toBeLessThan(0.011);
      expect(Math.abs(headEndUp(o.rig, s) - 0.1)).toBeLessThan(0.015);
      expect(Math.abs((strapAngle(s, 0) + strapAngle(s, 1)) / 2 - 0.5)).toBeLessThan(0.06);
      for (const e of o.rig.bed!.ends) expect(e.height).toBeLessThanOrEqual(fly.context.body.reach);
    }
  });
  test('against every way tried whole: none lies nearer to the wish', () => {
    // few loops, so that each pair can be solved
    const context = kitted(fly.context, {}, { first: 1.2, spacing: 0.45, count: 5, length: 3.6 });
    const rig = bedded(fly.rig, {
      wish: { height: 0.4, angle: 0.52, headUp: 0 },
      ends: [
        { ...fly.rig.bed!.ends[0], loop: 5, wraps: 1 },
        { ...fly.rig.bed!.ends[1], loop: 5, wraps: 1 },
      ],
    });
    const best = hangIt(rig, context, UNITS).offers[0]!;
    const straps = context.straps[0]!;
    let least = Number.POSITIVE_INFINITY;
    const span = rig.span.tape;
    for (const a of strapSets(straps, bedStem(rig, 0).girth))
      for (const b of strapSets(straps, bedStem(rig, 1).girth)) {
        if (a.free + b.free + 2.5 <= span) continue;
        const found = heightsFor(rig, context, [a, b], [1.8, 1.8]);
        if (found === null || Math.abs(found.lies.low - 0.4) > 0.01 || Math.abs(found.lies.headUp) > 0.01) continue;
        const { ends } = found.rig.bed!;
        if (ends.some((e) => e.height > context.body.reach)) continue;
        const angles = [strapAngle(found.lies.state, 0), strapAngle(found.lies.state, 1)] as const;
        least = Math.min(
          least,
          wishOff(rig.bed!.wish, angles, middleOf(found.lies.state) - wishedMiddle(rig, span), [a, b]),
        );
      }
    expect(Number.isFinite(least)).toBe(true);
    const off = wishOff(
      rig.bed!.wish,
      best.angles,
      (() => {
        const model = bedModel(best.rig, context, { ranges: false });
        return middleOf(model.stateOf(model.cases.find((c) => c.id === 'lying')!)) - wishedMiddle(rig, span);
      })(),
      best.ends,
    );
    expect(off).toBeLessThanOrEqual(least + 0.02);
  });
  test('on a slope and between unequal trunks the straps make up for it', () => {
    const [first, second] = fly.rig.trunks;
    const rig = { ...fly.rig, groundRise: 0.35, trunks: [{ ...first, girth: 1.1 }, second] as const };
    const [o] = hangIt(rig, fly.context, UNITS).offers;
    expect(o!.height).toBeCloseTo(0.45, 2);
    expect(o!.ends[0].height - o!.ends[1].height).toBeGreaterThan(0.2);
  });
  test('the one-tree rig is hung too, pole and stays and all', () => {
    const one = demo(ONE_TREE);
    const [o] = hangIt(one.rig, one.context, UNITS).offers;
    expect(o!.height).toBeCloseTo(0.45, 2);
  });
  test.each([
    [
      'a span too wide',
      (d: typeof fly) => ({ ...d, rig: { ...d.rig, span: { ...d.rig.span, tape: 9 } } }),
      /does not reach: .* 9\.00 m apart/,
    ],
    [
      'a trunk too thick',
      (d: typeof fly) => ({
        ...d,
        rig: { ...d.rig, trunks: [{ ...d.rig.trunks[0], girth: 7 }, d.rig.trunks[1]] as const },
      }),
      /do not go round/,
    ],
    [
      'a wish too high',
      (d: typeof fly) => ({ ...d, rig: bedded(d.rig, { wish: { height: 1.4, angle: 0.6, headUp: 0 } }) }),
      /above my reach of 2\.15 m/,
    ],
  ])('%s: says so and what would help', (_, make, words) => {
    const { rig, context } = make(fly);
    const answer = hangIt(rig, context, UNITS);
    expect(answer.offers).toEqual([]);
    expect(answer.problem).toMatch(words);
  });
});

describe('what to change of the roof over a bed', () => {
  test('a roof too high in driven rain is lowered until the bed lies dry, square and diagonal are set against each other', () => {
    const rig = {
      ...fly.rig,
      wind: { beaufort: 6, shelter: 'open' as const },
      pitch: { ...fly.rig.pitch!, windFrom: fly.rig.pitch!.bearing },
    };
    const advice = roofAdvice(rig, fly.context, UNITS);
    expect(advice.map((a) => a.id)).toContain('turn');
    expect(advice.find((a) => a.id === 'turn')!.effect).toMatch(/% of the bed is dry in this rain|dry in this rain/);
    const lower = advice.find((a) => a.id === 'lower');
    if (lower !== undefined) expect(lower.rig!.trunks[0].tieHeight).toBeLessThan(rig.trunks[0].tieHeight);
  });
  test('a bed that touches the cloth: raise the one or lower the other, each tried', () => {
    const low = {
      ...fly.rig,
      trunks: [
        { ...fly.rig.trunks[0], tieHeight: 1.5 },
        { ...fly.rig.trunks[1], tieHeight: 1.5 },
      ] as const,
    };
    const advice = roofAdvice(low, fly.context, UNITS);
    const raise = advice.find((a) => a.id === 'raise');
    expect(raise).toBeDefined();
    expect(raise!.rig!.trunks[0].tieHeight).toBeGreaterThan(1.5);
  });
});

describe('bed, straps and ridge in one proposal', () => {
  test('where it hangs right by itself nothing else is moved, and the whole is judged', () => {
    const { whole, offers } = proposeHang(fly.rig, fly.context, UNITS);
    expect(whole).toMatchObject({ ridgeBy: 0, turned: null, straps: null, steeper: 0, higher: 0, forbids: [] });
    expect(holds(whole!.report)).toBe(true);
    expect(whole!.offer.ends).toEqual(offers[0]!.ends);
  });
  test('under a ridge too low the ridge goes up, so that what is proposed touches nothing in any wind', () => {
    const low = ridgeAt(fly.rig, 1.55);
    const before = judgeRig(low, fly.context, { full: true, spreads: false }).report;
    expect(tooNear(before.bed!.over!).length).toBeGreaterThan(0);
    const { whole } = proposeHang(low, fly.context, UNITS);
    expect(whole!.ridgeBy).toBeGreaterThan(0);
    expect(whole!.forbids).not.toContain('touches');
    const after = judgeRig(whole!.rig, fly.context, { full: true, spreads: false }).report;
    expect(tooNear(after.bed!.over!)).toEqual([]);
    expect(after.findings.map((f) => f.code)).toEqual(whole!.report.findings.map((f) => f.code));
    for (const t of whole!.rig.trunks) expect(t.tieHeight).toBeLessThanOrEqual(fly.context.body.reach + 1e-6);
  });
  test('wished so low that dropping in would meet the ground, it is hung higher and says by how much', () => {
    const asked = bedded(fly.rig, { wish: { ...fly.rig.bed!.wish, height: 0.12 }, drop: 0.3 });
    const { whole } = proposeHang(asked, fly.context, UNITS);
    expect(whole!.higher).toBeGreaterThan(0);
    expect(whole!.forbids).not.toContain('ground');
    expect(groundedIn(evaluateBed(whole!.rig, fly.context, { full: true, spreads: false }))).toBeNull();
  });
  test('straps that cannot bear it give way to others of the kit', () => {
    const [own] = fly.context.straps;
    const weak = { ...own!, id: 'weak', name: 'light straps', limit: 60 };
    const asked = bedded(fly.rig, { straps: 'weak' });
    const alone = proposeHang(asked, { ...fly.context, straps: [weak] }, UNITS).whole!;
    expect(alone.forbids).toContain('bears');
    expect(alone.straps).toBeNull();
    const both = proposeHang(asked, { ...fly.context, straps: [weak, own!] }, UNITS).whole!;
    expect(both.straps).toBe(own!.id);
    expect(both.rig.bed!.straps).toBe(own!.id);
    expect(both.forbids).toEqual([]);
  });
});
