import { describe, expect, test } from '@jest/globals';
import { ofCode } from '../../src/findings/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { Guy, RigContext, RidgeRig } from '../../src/rig/index.js';
import { ratioOf, usedBy } from '../../src/rig/index.js';
import { roofSaid, toldOf } from '../said.js';
import {
  billOf,
  priceOf,
  shortfallOf,
  sizeCords,
  sizeRig,
  strongestWind,
  takeChanges,
} from '../../src/sizing/index.js';
import type { SizedRig } from '../../src/sizing/index.js';
import { unmetOf } from '../../src/sizing/remedies.js';
import { contextFor, rigOf, squareRoof } from '../pitch/helper.js';

const square = squareRoof(2);
const context = contextFor(square);
const units = { length: 'm', force: 'N' } as const;
const size = (rig: RidgeRig, a: RigContext = context, aim: 'cut' | 'mass' | 'items' = 'cut'): SizedRig =>
  sizeRig(rig, a, aim, units)!;
const judged = (rig: RidgeRig, a: RigContext = context) => evaluatePitch(rig, a, { full: true, spreads: false }).result;
const withTension = (rig: RidgeRig, tension: number): RidgeRig => ({
  ...rig,
  tensioning: { ...rig.tensioning, how: 'tension', tension },
});
const withGuys = (rig: RidgeRig, guy: Partial<Guy>, own: Readonly<Record<string, Partial<Guy>>> = {}): RidgeRig => ({
  ...rig,
  pitch: { ...rig.pitch!, guy: { ...rig.pitch!.guy, ...guy }, own },
});

/** One tie and three pegs in sand: few enough to try everything. */
const wedge = withGuys(
  withTension(rigOf('wedge', square, { soil: 'silty-sand' }, { wind: { beaufort: 0, shelter: 'edge' } }), 60),
  { haul: 15 },
);

describe('a whole rig sized', () => {
  test('holds by the judgement of the whole rig, and costs no more than any choice on a small kit', () => {
    const small: RigContext = {
      ...context,
      kit: context.kit.filter((k) => ['guy', 'tarred', wedge.cord].includes(k.id)),
    };
    const sized = size(wedge, small, 'items');
    expect(sized.met).toBe(true);
    expect(shortfallOf(judged(sized.rig, small))).toBeLessThan(1e-6);
    let best = Number.POSITIVE_INFINITY;
    const keys = ['b', 'c', 'd'];
    for (let code = 0; code < 27; code++) {
      const own = Object.fromEntries(
        keys.map((key, i) => [
          key,
          { anchor: { ...wedge.pitch!.guy.anchor, inLine: 1 + (Math.floor(code / 3 ** i) % 3) } as Guy['anchor'] },
        ]),
      );
      const result = judged(withGuys(wedge, { haul: 15 }, own), small);
      if (shortfallOf(result) < 1e-6) best = Math.min(best, priceOf('items', billOf(result, small)));
    }
    expect(best).toBeLessThan(Number.POSITIVE_INFINITY);
    expect(priceOf('items', sized.after)).toBeLessThanOrEqual(best + 1e-9);
  });
  test('of two cords for each line it takes the lightest that holds, as trying all sixteen shows', () => {
    const two: RigContext = { ...context, kit: context.kit.filter((k) => k.id === 'guy' || k.id === 'tarred') };
    const rig = withGuys({ ...wedge, cord: 'guy', pitch: { ...wedge.pitch!, soil: 'turf' } }, { haul: 15 });
    const sized = size(rig, two, 'mass');
    expect(sized.met).toBe(true);
    let best = Number.POSITIVE_INFINITY;
    for (let code = 0; code < 16; code++) {
      const cord = (bit: number): string => ((code >> bit) & 1 ? 'tarred' : 'guy');
      const own = Object.fromEntries(['b', 'c', 'd'].map((key, i) => [key, { cord: cord(i) }]));
      const result = judged(withGuys({ ...rig, cord: cord(3) }, {}, own), two);
      if (shortfallOf(result) < 1e-6) best = Math.min(best, priceOf('mass', billOf(result, two)));
    }
    // a few grams are not worth a change
    expect(priceOf('mass', sized.after)).toBeLessThanOrEqual(best + 0.02);
  });

  const crossed = rigOf('diagonal', square, {});
  const loops = crossed.pitch!.hitches.map((h) => ({ ...h, wraps: 1, crossed: true }));
  const slipping: RidgeRig = { ...crossed, pitch: { ...crossed.pitch!, hitches: [loops[0]!, loops[1]!] } };
  const mended = size(slipping);
  test('mends hitches that slip, says why and what comes of it, before anything is taken', () => {
    expect(judged(slipping).rows.some((r) => r.role === 'loop' && ratioOf(r) < 1)).toBe(true);
    expect(mended.met).toBe(true);
    const change = mended.changes.find((c) => c.parts.includes('hitch0'))!;
    expect(change.mends).toBe(true);
    expect(change.was).toMatch(/1 wrap, a turn crossed/);
    expect(change.reason).toMatch(/grip of the .* hitch on the ridge is short: it holds .* times/);
    expect(change.effect).toMatch(/Grip of the .* hitch on the ridge: it holds [2-9]/);
    for (const c of mended.changes) expect(c.what.length * c.effect.length * c.parts.length).toBeGreaterThan(0);
    expect(mended.changes[0]!.mends).toBe(true);
  });
  test('all changes taken give the sized rig, none the rig as it was', () => {
    const all = mended.changes.flatMap((c) => c.parts);
    expect(takeChanges(slipping, mended.rig, all)).toEqual(mended.rig);
    expect(takeChanges(slipping, mended.rig, [])).toEqual(slipping);
    const one = takeChanges(slipping, mended.rig, ['hitch1']);
    expect(one.pitch!.hitches).toEqual([slipping.pitch!.hitches[0], mended.rig.pitch!.hitches[1]]);
    expect(() => takeChanges(slipping, mended.rig, ['knitting'])).toThrow(/part: knitting/);
  });
  test('a sized rig is left as it is when it is sized again', () => {
    const again = size(mended.rig);
    expect(again.met).toBe(true);
    expect(again.changes).toEqual([]);
    expect(again.rig).toEqual(mended.rig);
  });
  test('can be stopped, and tells how far it is', () => {
    const seen: number[] = [];
    expect(
      sizeRig(slipping, context, 'cut', units, (done) => {
        seen.push(done);
        return false;
      }),
    ).toBeNull();
    expect(seen).toEqual([0]);
  });

  test('hauls less where its own pull is too much', () => {
    const sheet = { ...square, tieOuts: square.tieOuts.map((t) => ({ ...t, hold: 'eyelet' as const })) };
    const tight = withGuys(
      { ...rigOf('diagonal', square, { spread: 30 }), wind: { beaufort: 0, shelter: 'edge' } },
      { haul: 160 },
    );
    const a = contextFor(sheet);
    expect(judged(tight, a).rows.some((r) => r.links[0]!.link.kind === 'tie-out' && ratioOf(r) < 1)).toBe(true);
    const sized = size(tight, a);
    expect(sized.met).toBe(true);
    expect(sized.rig.pitch!.guy.haul).toBeLessThan(160);
    expect(sized.changes.some((c) => /hauled with/.test(c.what))).toBe(true);
  });
});

describe('what cannot be met', () => {
  const stormy: RidgeRig = { ...wedge, wind: { beaufort: 5, shelter: 'open' } };
  const sized = size(stormy);
  test('is said with how much is missing and the smallest change that would do', () => {
    expect(sized.met).toBe(false);
    expect(sized.unmet.length).toBeGreaterThan(0);
    for (const u of sized.unmet) {
      expect(u.sentence.length).toBeGreaterThan(20);
      expect(u.remedy.length).toBeGreaterThan(10);
    }
  });
  test('pegs and cord that are missing are counted', () => {
    const few: RigContext = { ...context, pegs: [{ ...context.pegs[0]!, count: 1 }] };
    const short = size(wedge, few);
    expect(short.met).toBe(false);
    expect(short.unmet.find((u) => u.id === 'pegs cut')!.sentence).toMatch(/are missing: \d+ wanted, 1 in the kit/);
  });
  test('a remedy of the rig itself, taken, mends its link', () => {
    // one thin stem as a trunk: tied lower it bears
    const low = rigOf('diagonal', square, {}, { wind: { beaufort: 0, shelter: 'edge' } });
    const thin: RidgeRig = { ...low, trunks: [{ ...low.trunks[0], girth: 0.19 }, low.trunks[1]] };
    const was = judged(thin).rows.find((r) => r.id === 'trunk0')!;
    expect(ratioOf(was)).toBeLessThan(1);
    const unmet = size(thin).unmet.find((u) => u.id === 'trunk0');
    if (unmet?.rig === undefined || unmet.rig === null) throw new Error('no remedy');
    expect(unmet.rig.trunks[0].tieHeight).toBeLessThan(thin.trunks[0].tieHeight);
    expect(ratioOf(judged(unmet.rig).rows.find((r) => r.id === 'trunk0')!)).toBeGreaterThanOrEqual(1);
  });
  test('the strongest wind it bears is one it holds in, and the next is too much', () => {
    const grown = { ...wedge, pitch: { ...wedge.pitch!, soil: 'gravel' } };
    const wind = strongestWind(grown, context);
    const holds = (beaufort: number): boolean =>
      shortfallOf(judged({ ...grown, wind: { ...grown.wind, beaufort } })) < 1e-6;
    if (wind === null) expect(holds(0)).toBe(false);
    else {
      expect(holds(wind)).toBe(true);
      expect(holds(wind + 1)).toBe(false);
    }
  });
});

describe('what was brought tonight', () => {
  test('nothing is sized from what was left at home, but what is tied in stays', () => {
    const cordsOf = (r: RidgeRig): readonly string[] => [...usedBy(r).cords];
    const left: RidgeRig = { ...wedge, home: context.kit.map((c) => c.id) };
    const own = cordsOf(wedge);
    expect(cordsOf(size(wedge, context, 'mass').rig).some((id) => !own.includes(id))).toBe(true);
    for (const id of cordsOf(size(left, context, 'mass').rig)) expect(own).toContain(id);
    const bare = { ...left, pitch: undefined } as unknown as RidgeRig;
    expect(sizeCords(bare, context, units).map((c) => c.kitCord.id)).toEqual([wedge.cord]);
  });
});

describe('a tree that nothing may be tied to', () => {
  test.each<[string, Partial<RidgeRig['trunks'][0]>, RegExp]>([
    ['ruled out by a sign', { signs: ['rocking'] }, /is ruled out/],
    ['too thin for a person', { girth: 0.3 }, /too thin to carry a person/],
  ])('%s: verdict, shortfall and what cannot be met agree', (_, part, said) => {
    const rig: RidgeRig = { ...wedge, use: 'person', trunks: [{ ...wedge.trunks[0], ...part }, wedge.trunks[1]] };
    const known = evaluatePitch(rig, context, { full: true, spreads: false, rising: false });
    const [tree] = toldOf(ofCode(known.result.findings, 'tree'));
    expect(tree).toMatch(said);
    const verdict = roofSaid(rig, known.result, context.body);
    expect(verdict.holds).toBe(false);
    expect(tree!.startsWith(verdict.sentence)).toBe(true);
    expect(shortfallOf(known.result)).toBeGreaterThanOrEqual(10);
    expect(unmetOf(rig, context, known, units).find((u) => u.id === 'tree')?.sentence).toBe(tree);
    const sized = size(rig);
    expect(sized.met).toBe(false);
    expect(sized.unmet.map((u) => u.id)).toContain('tree');
  });
});
