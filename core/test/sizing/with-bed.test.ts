import { describe, expect, test } from '@jest/globals';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { Evaluated } from '../../src/pitch/index.js';
import { bedHolds, hangIt, tooNear } from '../../src/shelter/index.js';
import type { BedResult } from '../../src/shelter/index.js';
import { bedUnder, bedUnmet } from '../../src/sizing/bed-unmet.js';
import { sizeRig, strongestWind } from '../../src/sizing/index.js';
import { ratioOf, rigProblems } from '../../src/rig/index.js';
import type { Bed, RidgeRig, Trunk } from '../../src/rig/index.js';
import { UNDER_FLY, UNITS, bedded, demo, ended } from '../shelter/helper.js';

const { rig, context } = demo(UNDER_FLY);
const sized = (r: RidgeRig) => sizeRig(r, context, 'cut', UNITS)!;
/** The bed hung as wished by what works that out. */
const hung = (r: RidgeRig, part: Partial<Bed>, wish: Partial<Bed['wish']>): RidgeRig =>
  hangIt(bedded(r, { ...part, wish: { ...r.bed!.wish, ...wish } }), context, UNITS).offers[0]!.rig;
const onto = (r: RidgeRig, trunk: Partial<Trunk>): RidgeRig => ({
  ...r,
  trunks: [{ ...r.trunks[0], ...trunk }, r.trunks[1]],
});
/** A willow so thin that it bears the roof with ease, not with someone hung on it as well. */
const THIN = { wood: 'willow', girth: 0.52 };
const thin = hung(onto(rig, THIN), { drop: 0.1 }, { angle: 0.42 });
const under = (r: RidgeRig): { readonly roof: Evaluated; readonly bed: BedResult } => {
  const roof = evaluatePitch(r, context, { full: true, spreads: false });
  return { roof, bed: bedUnder(r, context, roof)! };
};

describe('a rig with a bed, sized', () => {
  test('is met only where trunks hold under roof and bed together', () => {
    expect(sized(rig).met).toBe(true);
    const { roof } = under(thin);
    expect(ratioOf(roof.result.rows.find((r) => r.id === 'trunk0')!)).toBeGreaterThan(1);
    const { met, unmet } = sized(thin);
    expect(met).toBe(false);
    expect(unmet.filter((u) => u.id === 'trunk0')).toMatchObject([
      { sentence: expect.stringMatching(/^The foot of the upstream alder is short as pitched, dropping in/) },
    ]);
  });
  test('hung deeper where that mends it: taken, it holds, and the cloth is no nearer than may be', () => {
    const flat = hung(rig, { mass: 80, drop: 0.1 }, { angle: 0.3, height: 0.5 });
    const { met, unmet } = sized(flat);
    expect(met).toBe(false);
    // hung so flat it comes near the cloth as well: the verdict says so, and so does sizing
    expect(unmet.map((u) => u.id)).toEqual(['trunk1', 'touches']);
    expect(unmet[0]!.remedy).toMatch(/^Hung deeper it bears it: straps \d/);
    const { bed } = under(unmet[0]!.rig!);
    expect(bedHolds(bed)).toBe(true);
    expect(tooNear(bed.over!)).toEqual([]);
    expect(bed.lying.angles[0].value).toBeGreaterThan(under(flat).bed.lying.angles[0].value);
  });
  test('where no hanging does, how thick the trunk must be; so thick it bears', () => {
    const heavy = hung(onto(rig, { wood: 'willow', girth: 0.5 }), { mass: 100, drop: 0.05 }, { angle: 0.35 });
    const { roof, bed } = under(heavy);
    const unmet = bedUnmet(heavy, context, roof, bed, UNITS).find((u) => u.id === 'trunk0')!;
    const told = /A trunk (\d+\.\d+) m round would bear it/.exec(unmet.remedy);
    // hung as wished again: round a thicker trunk the straps leave less free
    const girth = Number(told![1]) + 0.005;
    const again = under(hung(onto(rig, { wood: 'willow', girth }), { mass: 100, drop: 0.05 }, { angle: 0.35 })).bed;
    expect(ratioOf(again.rows.find((r) => r.id === 'trunk0')!)).toBeGreaterThanOrEqual(1);
  });
  test('both straps short alike are said once', () => {
    const { unmet } = sized(hung(rig, { mass: 85, drop: 0.3 }, { angle: 0.35, height: 0.6 }));
    const straps = unmet.filter((u) => u.id.startsWith('strap'));
    expect(straps).toHaveLength(1);
    expect(straps[0]!.sentence).toMatch(/So is one other line\.$/);
    expect(straps[0]!.remedy).toMatch(/^What holds \d+ N there would do/);
  });
  test('what must not be is told, not sized away', () => {
    const { met, unmet } = sized(bedded(rig, { beneath: 'water' }));
    expect(met).toBe(false);
    expect(unmet[0]).toMatchObject({ sentence: expect.stringMatching(/^Not over water/), rig: null });
  });
  test('a bed on the ground is tied higher, by so much, and then clears it', () => {
    const lower = (r: RidgeRig, i: 0 | 1): RidgeRig => ended(r, i, { height: r.bed!.ends[i].height - 0.4 });
    const low = lower(lower(rig, 0), 1);
    const { met, unmet } = sized(low);
    expect(met).toBe(false);
    expect(unmet[0]).toMatchObject({
      sentence: expect.stringMatching(/^The bed comes down on the ground/),
      remedy: expect.stringMatching(/^Tie both straps 0\.\d+ m higher/),
    });
    expect(under(unmet[0]!.rig!).bed.cases.every((c) => c.height > 0.02)).toBe(true);
  });
  test('the strongest wind is none where the bed is short in still air', () => {
    expect(strongestWind(thin, context)).toBeNull();
  });
});

test('a setting that closes only by stretching is passed over, not an error', () => {
  const heavy = bedded(onto(rig, { wood: 'unknown', girth: 0.6 }), {
    mass: 120,
    wish: { ...rig.bed!.wish, angle: 0.42 },
  });
  for (const { rig: found } of hangIt(heavy, context, UNITS).offers) expect(rigProblems(found, context)).toEqual([]);
});
