import { FIRE_FROM_CLOTH } from '../../src/around/index.js';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { solveSpan, unstressedFromPretension } from '../../src/line/index.js';
import { treeHolds } from '../../src/anchor/index.js';
import { CORDS, cordWeight, dryCurve, findWood } from '../../src/catalogue/index.js';
import type { JudgedSpan, Place, Ranking } from '../../src/ground/index.js';
import {
  CRITERIA,
  DEFAULT_WEIGHTS,
  FORMS,
  apart,
  bearingOf,
  fallingOf,
  fireSpot,
  fitOf,
  inPaces,
  insideReach,
  loadedTension,
  mayHold,
  mayHoldFigure,
  prepareGround,
  rankSpans,
  reasonsFor,
  soilAt,
  spanById,
  spanSummary,
  spanTitle,
  strapHeight,
  total,
  usualOf,
  within,
} from '../../src/ground/index.js';
import { cord, landing, place, prepared, thing, tree, units, who } from './helper.js';

const rank = (p: Place): Ranking => rankSpans(prepared(p));
const pair = (p: Place, id: string): JudgedSpan => spanById(rank(p), id)!;
/** Two oaks six metres apart, east and west. */
const two = [tree('a', [-3.2, 0]), tree('b', [3.2, 0])];
const text = (p: Place, id: string, criterion: string): string => {
  const r = rank(p);
  return reasonsFor(r.ground, spanById(r, id)!, units).find((x) => x.criterion === criterion)!.text;
};

describe('the pull to expect', () => {
  test('satisfies its cubic, whatever goes in', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 100, max: 1e6, noNaN: true }),
        fc.double({ min: 0, max: 3000, noNaN: true }),
        (T0, EA, F) => {
          const T = loadedTension(T0, EA, F);
          expect(T).toBeGreaterThanOrEqual(T0 * (1 - 1e-12));
          expect(T ** 3 - T0 * T * T).toBeCloseTo((EA * F * F) / 24, -Math.floor(Math.log10(T ** 3)) + 8);
        },
      ),
    );
    expect(loadedTension(200, 1e5, 0)).toBeCloseTo(200, 9);
  });
  test('agrees with the exact line under an even load, within some per cent', () => {
    const c = CORDS[0]!;
    const curve = dryCurve(c);
    const span = {
      chord: [7, 0, 0] as const,
      curve,
      perMetre: [0, 0, -cordWeight(c, false)] as const,
      loads: [],
      give: [
        [0, 0, 0],
        [0, 0, 0],
      ] as const,
    };
    const l0 = unstressedFromPretension(span, 300);
    const loaded = { ...span, perMetre: [0, 120 / l0, 0] as const };
    const exact = solveSpan(loaded, l0).tension;
    // the cord's own stiffness there
    const e = 300;
    const EA = (e * 0.2) / (solveStrain(curve, e * 1.1) - solveStrain(curve, e * 0.9));
    expect(loadedTension(300, EA, 120) / exact).toBeGreaterThan(0.93);
    expect(loadedTension(300, EA, 120) / exact).toBeLessThan(1.07);
  });
});
function solveStrain(curve: ReturnType<typeof dryCurve>, T: number): number {
  const l = unstressedFromPretension(
    {
      chord: [1, 0, 0],
      curve,
      perMetre: [0, 0, 0],
      loads: [],
      give: [
        [0, 0, 0],
        [0, 0, 0],
      ],
    },
    T,
  );
  return 1 / l - 1;
}

describe('will it fit', () => {
  test('the shortest is the cloth, its hitches and room to haul', () => {
    const fit = fitOf(place([]).wish, cord, 0.6, who.body);
    expect(fit.least).toBeCloseTo(3 + 2 * 0.2 + 0.6, 12);
    expect(fit.shortest[0]!.figure.inputs).toHaveLength(3);
  });
  test('a metre more of cord is a metre more of span', () => {
    const a = fitOf(place([]).wish, cord, 0.6, who.body);
    const b = fitOf(place([]).wish, { ...cord, length: 16 }, 0.6, who.body);
    expect(b.most - a.most).toBeCloseTo(1, 9);
    expect(fitOf(place([]).wish, cord, 0.9, who.body).most).toBeCloseTo(a.most - 0.6, 9);
  });
  test('a hammock wants its chord, its straps and a strap one can reach', () => {
    const fit = fitOf({ ...place([]).wish, form: 'none', bed: 'hammock' }, cord, 0.6, who.body);
    expect(fit.shortest.map((b) => b.what)).toEqual(['bed']);
    expect(fit.longest.map((b) => b.what)).toEqual(['bed', 'reach']);
    const reach = fit.longest.find((b) => b.what === 'reach')!.figure.value;
    expect(strapHeight(reach)).toBeCloseTo(who.body.reach, 9);
  });
  test('is said in paces', () => expect(inPaces(7.6, who.body)).toBe('10 of my paces'));
});

describe('holding', () => {
  test('a stem may hold what bends it to a quarter of its strength', () => {
    const p = place([tree('a', [0, 0], { wood: 'alder', girth: Math.PI * 0.2 })]);
    // a quarter of what bends the stem or turns its roots over in wet ground
    const ground = { soil: p.soil, wet: true };
    expect(mayHold(p, p.things[0]!, 1.5)).toBeCloseTo(treeHolds(0.2, findWood('alder')!, ground) / 4 / 1.5, 6);
    expect(mayHoldFigure(p, p.things[0]!, 1.5)!.value).toBeCloseTo(mayHold(p, p.things[0]!, 1.5), 6);
  });
  test('a post set shallow in silty sand is worth little, set deep in clay much', () => {
    const at = (depth: number, soil: string): number => {
      const p = place([thing('post', 'p', [0, 0], { depth, girth: 0.6, wood: 'oak' })], { soil });
      return mayHold(p, p.things[0]!, 1.6);
    };
    expect(at(0.35, 'silty-sand')).toBeLessThan(90);
    expect(at(1.2, 'firm-clay')).toBeGreaterThan(600);
  });
  test('weights hold by friction, what is fixed without limit, roots no ridge at all', () => {
    const p = place([
      thing('log', 'l', [0, 0], { mass: 400 }),
      thing('boulder', 'f', [0, 0], { fixed: true }),
      thing('root', 'r', [0, 0]),
    ]);
    expect(mayHold(p, p.things[0]!, 1)).toBeCloseTo((0.3 * 400 * 9.80665) / 2, 6);
    expect(mayHold(p, p.things[1]!, 1)).toBe(Number.POSITIVE_INFINITY);
    expect(mayHold(p, p.things[2]!, 1)).toBe(0);
  });
  test('a patch of soil counts inside its outline only', () => {
    const p = place([
      thing('soil', 's', [5, 5], {
        soil: 'gravel',
        outline: [
          [-1, -1],
          [1, -1],
          [1, 1],
          [-1, 1],
        ],
      }),
    ]);
    expect(soilAt(p, [5.5, 4.5])).toBe('gravel');
    expect(soilAt(p, [6.5, 5])).toBe('turf');
    expect(
      within(
        [0, 0.99],
        [0, 0],
        [
          [-1, -1],
          [1, -1],
          [1, 1],
          [-1, 1],
        ],
      ),
    ).toBe(true);
  });
});

describe('what rules a span out', () => {
  const ruled = (p: Place, id = 'a|b'): readonly string[] => pair(p, id).ruled;
  test('nothing, between two sound oaks on clear level ground', () => {
    expect(ruled(place(two))).toEqual([]);
    expect(text(place(two), 'a|b', 'ground')).toMatch(/Level enough to lie on, dry and clear/);
    expect(text(place(two), 'a|b', 'overhead')).toMatch(/Look up all the same/);
  });
  test('unlevel feet are said in a sentence of their own', () => {
    const p = place([tree('a', [-2.2, 0]), tree('b', [2.2, 0], { foot: 0.3 })], {
      wish: { form: 'none', bed: 'hammock' },
    });
    expect(text(p, 'a|b', 'ground')).toBe('B stands 0.30 m higher: tie that end lower. Dry and clear as far as drawn.');
  });
  test('too short and too long, each saying what wants how much', () => {
    expect(ruled(place([tree('a', [0, 0]), tree('b', [4, 0])]))).toContain('short');
    expect(text(place([tree('a', [0, 0]), tree('b', [4, 0])]), 'a|b', 'length')).toMatch(
      /too short: the roof wants 4\.00 m/,
    );
    expect(ruled(place([tree('a', [0, 0]), tree('b', [13, 0])]))).toContain('cord');
    const far = place([tree('a', [0, 0]), tree('b', [5.9, 0])], { wish: { form: 'none', bed: 'hammock' } });
    expect(ruled(far)).toContain('long');
    expect(text(far, 'a|b', 'length')).toMatch(/too long: the straps/);
  });
  test('any sign at a stem, whatever its girth', () => {
    for (const sign of [
      'dead-top',
      'hung-branch',
      'leaning',
      'rocking',
      'hollow',
      'fungus',
      'shallow-root',
      'loose-bark',
    ]) {
      const p = place([tree('a', [-3.2, 0], { girth: 3, signs: [sign] }), two[1]!]);
      expect(ruled(p)).toContain('sign');
      expect(text(p, 'a|b', 'anchors')).toMatch(/ruled out/);
    }
  });
  test('a stem too thin for the pull, and for a person any thin stem', () => {
    expect(ruled(place([tree('a', [-3.2, 0], { girth: 0.16, wood: 'willow' }), two[1]!]))).toContain('weak');
    expect(
      ruled(
        place([tree('a', [-2.2, 0], { girth: 0.45 }), tree('b', [2.2, 0])], { wish: { form: 'none', bed: 'hammock' } }),
      ),
    ).toContain('sign');
  });
  test('water standing where they lie, and run-off through it, on the ground only', () => {
    const pond = place([...two, thing('hollow', 'h', [0, 0], { radius: 1.2, depth: 0.2 })]);
    expect(ruled(pond)).toContain('pond');
    expect(text(pond, 'a|b', 'ground')).toMatch(/Water stands 0\.20 m deep in h/);
    const rill = place([
      ...two,
      thing('rill', 'r', [0, 0], {
        outline: [
          [-1, -8],
          [1, 8],
        ],
      }),
    ]);
    expect(ruled(rill)).toContain('run-off');
    const hung = place([tree('a', [-2.2, 0]), tree('b', [2.2, 0]), thing('hollow', 'h', [0, 0])], {
      wish: { form: 'none', bed: 'hammock' },
    });
    expect(ruled(hung)).toEqual([]);
  });
  test('the overflow of a hollow up the slope', () => {
    const p = place([...two, thing('hollow', 'bog', [0, 6], { radius: 1, depth: 0.2 })], {
      slope: { fall: 0.04, toward: Math.PI },
    });
    expect(ruled(p)).toContain('run-off');
    expect(text(p, 'a|b', 'ground')).toMatch(/The overflow of bog runs through/i);
  });
  test('a stem in the line, ground to keep off, and what may fall into it', () => {
    expect(ruled(place([...two, tree('c', [0.3, 0])]))).toContain('trees');
    expect(ruled(place([...two, thing('keep', 'k', [1, 1])]))).toContain('keep');
    const stub = place([...two, thing('hazard', 'stub', [0, 9], { height: 8 })]);
    expect(ruled(stub)).toContain('overhead');
    expect(text(stub, 'a|b', 'overhead')).toMatch(/Stub can reach .* into it\. Nobody sleeps there/);
    expect(ruled(place([...two, thing('hazard', 'stub', [0, 20], { height: 8 })]))).toEqual([]);
  });
  test('clear by less than an eye can tell is not clear', () => {
    // reach 10 m; the cloth comes to about 1.2 m of the ridge
    const stub = (north: number): Place => place([...two, thing('hazard', 'stub', [0, north], { height: 8 })]);
    const edge = -pair(stub(30), 'a|b').reachIn + 10;
    const clear = (by: number): JudgedSpan => pair(stub(30 - edge + 10 + by), 'a|b');
    expect(clear(0.5).reachIn).toBeCloseTo(-0.5, 6);
    expect(clear(0.5).ruled).toContain('overhead');
    expect(clear(1.1).ruled).toEqual([]);
    // of two, the one that is too near for its size, not the one that is nearest
    const limb = thing('hazard', 'limb', [0, -3.8], { what: 'hung branch', height: 2 });
    const both = pair(place([...two, limb, thing('hazard', 'stub', [0, 30 - edge + 10.6], { height: 8 })]), 'a|b');
    expect(both.ruled).toContain('overhead');
    expect(both.overhead?.name).toBe('stub');
    expect(text(stub(30 - edge + 10.5), 'a|b', 'overhead')).toMatch(
      /to within 0\.50 m of it, and heights are told by eye/,
    );
  });
  test('nothing dangerous is ever let through by its weight', () => {
    const zero = Object.fromEntries(CRITERIA.map((c) => [c, 0])) as unknown as typeof DEFAULT_WEIGHTS;
    const p = place([...two, thing('hazard', 'stub', [0, 5], { height: 8 })], { wish: { weights: zero } });
    expect(rank(p).good.filter((s) => s.id === 'a|b')).toEqual([]);
  });
  test('every point of the cloth of a good span is clear of every reach', () => {
    const r = rankSpans(prepared(landing));
    for (const s of r.good)
      for (const f of fallingOf(landing)) {
        const [e, n] = [Math.sin(s.bearing), Math.cos(s.bearing)];
        for (let u = -s.half; u <= s.half + 1e-9; u += s.half / 5)
          for (let v = -s.left; v <= s.right + 1e-9; v += (s.left + s.right) / 6)
            expect(insideReach(f, [s.middle[0] + u * e + v * n, s.middle[1] + u * n - v * e])).toBeLessThanOrEqual(
              0.05,
            );
      }
  });
});

describe('what orders the rest', () => {
  const score = (p: Place, criterion: (typeof CRITERIA)[number], id = 'a|b'): number => pair(p, id).scores[criterion];
  test('a gable wants the wind on its flank, a wedge in its line; in calm it does not matter', () => {
    const south = { beaufort: 5, from: Math.PI, shelter: 'open' as const };
    const west = { ...south, from: (3 * Math.PI) / 2 };
    expect(score(place(two, { wind: south }), 'wind')).toBeGreaterThan(score(place(two, { wind: west }), 'wind') + 0.5);
    expect(score(place(two, { wind: west, wish: { form: 'wedge' } }), 'wind')).toBeGreaterThan(
      score(place(two, { wind: south, wish: { form: 'wedge' } }), 'wind') + 0.5,
    );
    expect(score(place(two, { wind: { ...west, beaufort: 0 } }), 'wind')).toBe(1);
  });
  test('a hedge to windward halves what the wind counts', () => {
    const wind = { beaufort: 6, from: (3 * Math.PI) / 2, shelter: 'open' as const };
    const hedge = thing('shelter', 'hedge', [-9, 0], {
      outline: [
        [0, -6],
        [0, 6],
      ],
      height: 2,
    });
    const bare = score(place(two, { wind }), 'wind');
    expect(score(place([...two, hedge], { wind }), 'wind') - bare).toBeCloseTo((1 - bare) / 2, 9);
    expect(text(place([...two, hedge], { wind }), 'a|b', 'wind')).toMatch(/In the lee of hedge/);
    const far = thing('shelter', 'hedge', [-30, 0], {
      outline: [
        [0, -6],
        [0, 6],
      ],
      height: 2,
    });
    expect(score(place([...two, far], { wind }), 'wind')).toBe(bare);
  });
  test('stronger stems, nearer to the packs, on leveller ground are better', () => {
    expect(score(place([tree('a', [-3.2, 0], { girth: 0.32, wood: 'willow' }), two[1]!]), 'anchors')).toBeLessThan(
      score(place(two), 'anchors'),
    );
    const packs = (at: readonly [number, number]): Place => place([...two, thing('sleep', 's', at)]);
    expect(score(packs([0, 0.5]), 'near')).toBe(1);
    expect(score(packs([0, 8]), 'near')).toBeLessThan(0.5);
    expect(score(place(two, { slope: { fall: 0.15, toward: 0 } }), 'ground')).toBeLessThan(score(place(two), 'ground'));
  });
  test('pegs in firm clay beat pegs in silty sand; a sapling where the guy goes beats both', () => {
    const windy = { beaufort: 6, from: Math.PI, shelter: 'open' as const };
    const clay = score(place(two, { soil: 'firm-clay', wind: windy }), 'guys');
    const sand = score(place(two, { soil: 'silty-sand', wind: windy }), 'guys');
    expect(clay).toBeGreaterThan(sand + 0.4);
    const saplings = [-1, 1].flatMap((x) =>
      [-1, 1].map((y) => thing('sapling', `s${x}${y}`, [x * 2.1, y * 1.6], { girth: 0.2 })),
    );
    expect(score(place([...two, ...saplings], { soil: 'silty-sand', wind: windy }), 'guys')).toBeGreaterThan(
      sand + 0.3,
    );
  });
  test('a span known badly is believed less', () => {
    const p = place([tree('a', [-2.4, 0]), tree('b', [2.4, 0])]);
    const known = (sd: number): number => rankSpans(prepareGround(p, who, cord, () => sd)).good[0]!.scores.length;
    expect(known(0.5)).toBeLessThan(known(0.05) - 0.05);
  });
  test('turning the whole place, wind, slope and all, changes nothing', () => {
    const base = rankSpans(prepared(landing));
    const turn = 1.1;
    const context = (at: readonly [number, number]): readonly [number, number] => [
      at[0] * Math.cos(turn) + at[1] * Math.sin(turn),
      -at[0] * Math.sin(turn) + at[1] * Math.cos(turn),
    ];
    const bearing = (b: number): number => (b + turn) % (2 * Math.PI);
    const turned = {
      ...landing,
      slope: { ...landing.slope, toward: bearing(landing.slope.toward) },
      wind: { ...landing.wind, from: bearing(landing.wind.from) },
      things: landing.things.map((t) => ({
        ...t,
        at: context(t.at),
        ...('outline' in t ? { outline: t.outline.map(context) } : {}),
      })),
    } as Place;
    const after = rankSpans(prepared(turned));
    const scores = (r: Ranking): [string, number][] =>
      r.good
        .filter((s) => !s.newPole)
        .map((s): [string, number] => [s.id, s.score])
        .sort(([p], [q]) => (p < q ? -1 : 1));
    expect(scores(after).map(([id]) => id)).toEqual(scores(base).map(([id]) => id));
    scores(after).forEach(([, v], i) => expect(v).toBeCloseTo(scores(base)[i]![1], 6));
  });
  test('the order of things in the file does not matter', () => {
    const reversed = rankSpans(prepared({ ...landing, things: [...landing.things].reverse() }));
    const base = rankSpans(prepared(landing));
    const key = (s: JudgedSpan): string => (s.newPole ? s.id : [s.from.id, s.to.id].sort().join());
    const scores = (r: Ranking): Map<string, number> =>
      new Map(r.good.filter((s) => !s.newPole).map((s) => [key(s), s.score]));
    expect([...scores(reversed).keys()].sort()).toEqual([...scores(base).keys()].sort());
    for (const [k, v] of scores(reversed)) expect(v).toBeCloseTo(scores(base).get(k)!, 9);
  });
  test('weights decide, and a plain mean stands where all are nought', () => {
    const s = pair(place(two), 'a|b');
    expect(total(s.scores, { ...DEFAULT_WEIGHTS })).toBeCloseTo(s.score, 12);
    const only = Object.fromEntries(
      CRITERIA.map((c) => [c, c === 'wind' ? 1 : 0]),
    ) as unknown as typeof DEFAULT_WEIGHTS;
    expect(total(s.scores, only)).toBe(s.scores.wind);
    const none = Object.fromEntries(CRITERIA.map((c) => [c, 0])) as unknown as typeof DEFAULT_WEIGHTS;
    expect(total(s.scores, none)).toBeCloseTo(CRITERIA.reduce((sum, c) => sum + s.scores[c], 0) / CRITERIA.length, 12);
  });
  test.each(FORMS)('%s with each bed is judged without a number missing', (form) => {
    for (const bed of ['ground', 'hammock', 'none'] as const) {
      const r = rank({ ...landing, wish: { ...landing.wish, form, bed } });
      for (const s of [...r.good, ...r.out]) {
        for (const c of CRITERIA) {
          expect(s.scores[c]).toBeGreaterThanOrEqual(0);
          expect(s.scores[c]).toBeLessThanOrEqual(1);
        }
        const reasons = reasonsFor(r.ground, s, units);
        expect(reasons.some((x) => x.rules)).toBe(s.ruled.length > 0);
        for (const x of reasons) expect(x.text).not.toMatch(/NaN|undefined|Infinity/);
      }
    }
  });
});

describe('one tree and a pole', () => {
  test('a pole is offered where a log can hold its back-stay, and says so', () => {
    const p = place([tree('a', [0, 0]), thing('log', 'trunk', [8.3, 0], { mass: 800 })], { wish: { bed: 'none' } });
    const r = rank(p);
    const s = r.good.find((x) => x.newPole)!;
    expect(s.from.id).toBe('a');
    expect(s.backstay?.id).toBe('trunk');
    expect(bearingOf([0, 0], s.to.at)).toBeCloseTo(Math.PI / 2, 0);
    expect(spanTitle(s)).toBe('A and a pole');
    expect(reasonsFor(r.ground, s, units).find((x) => x.criterion === 'anchors')!.text).toMatch(
      /back-stay goes to trunk/,
    );
  });
  test('a pole still to be set comes after every pair that stands there and holds, however good its spot', () => {
    const { good } = rankSpans(prepared(landing));
    expect(good.some((s) => s.newPole)).toBe(true);
    const first = good.findIndex((s) => s.newPole);
    expect(first).toBeGreaterThan(0);
    expect(good.slice(first).every((s) => s.newPole)).toBe(true);
  });
  test('in silty sand without anything behind it, a pole is ruled out for its back-stay', () => {
    const p = place([tree('a', [0, 0])], { soil: 'silty-sand', wind: { beaufort: 6, from: 0, shelter: 'open' } });
    const s = rank(p).out.find((x) => x.newPole)!;
    expect(s.ruled).toContain('backstay');
    expect(spanSummary(prepared(p), s, units)).toMatch(/back-stay cannot be held/);
  });
  test('none is offered to a tree that is ruled out', () => {
    const r = rank(place([tree('a', [0, 0], { signs: ['rocking'] })]));
    expect([...r.good, ...r.out]).toEqual([]);
  });
});

describe('the landing', () => {
  const r = rankSpans(prepared(landing));
  test('has its alders first, and its traps out with reasons', () => {
    expect(r.good[0]!.id).toBe('upstream-alder|downstream-alder');
    const trap = (id: string): JudgedSpan => r.out.find((s) => s.from.id === id || s.to.id === id)!;
    expect(trap('loose-mooring').ruled).toContain('weak');
    expect(
      r.good.some((s) =>
        [s.from.id, s.to.id].some((id) =>
          ['loose-mooring', 'fair-willow', 'split-willow', 'leaning-willow'].includes(id),
        ),
      ),
    ).toBe(false);
    expect(r.out.find((s) => s.id === 'twin-alder|mid-willow')!.ruled).toContain('pond');
  });
  test('counts every pair once', () => {
    const few = rank({ ...landing, things: landing.things.slice(0, 9) });
    const n = few.ground.anchors.length;
    expect(few.out.length).toBe(few.ruledOut);
    const poles = [...few.good, ...few.out].filter((s) => s.newPole).length;
    expect(few.good.length + few.ruledOut + few.tooClose + few.tooFar - poles).toBe((n * (n - 1)) / 2);
  });
  test('tells of each what the others have not', () => {
    const usual = usualOf(r.good);
    const summaries = r.good.slice(0, 6).map((s) => spanSummary(r.ground, s, units, usual));
    expect(new Set(summaries).size).toBeGreaterThan(2);
    expect(
      r.good.some((s) => spanSummary(r.ground, s, units, usual) === 'As good as the others in what counts here.'),
    ).toBe(true);
  });
  test('every span that can be shown opens into a sum that is computed', () => {
    for (const s of r.good.slice(0, 8))
      for (const reason of reasonsFor(r.ground, s, units))
        for (const f of reason.figures) expect(Number.isFinite(f.value)).toBe(true);
  });
});

describe('a fire', () => {
  test('lies to the lee, off the cloth, out of every reach', () => {
    for (const from of [0, 1, 2.5, 4, 5.5]) {
      const p = { ...landing, wind: { ...landing.wind, from } };
      const ground = prepared(p);
      const s = rankSpans(ground).good[0]!;
      const spot = fireSpot(ground, s, units);
      if (spot.at === null) continue;
      expect(spot.fromCloth).toBeGreaterThanOrEqual(FIRE_FROM_CLOTH);
      const off = Math.abs(
        ((((bearingOf(s.middle, spot.at) - from) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI)) - Math.PI,
      );
      expect(off).toBeLessThan(0.75);
      for (const f of fallingOf(p)) expect(insideReach(f, spot.at)).toBeLessThanOrEqual(0);
      for (const t of p.things) if (t.kind === 'tree') expect(apart(t.at, spot.at)).toBeGreaterThan(1);
    }
  });
  test('is not suggested where all the lee is under a dead stem', () => {
    const p = place([...two, thing('hazard', 'stub', [0, 15], { height: 9.5 })]);
    const ground = prepared(p);
    expect(fireSpot(ground, pair(p, 'a|b'), units)).toMatchObject({ at: null });
  });
});
