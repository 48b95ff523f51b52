import { describe, expect, test } from '@jest/globals';
import { trunkGive, trunkGiveAt } from '../../src/anchor/index.js';
import { bedProblems, rigProblems } from '../../src/rig/index.js';
import { bedModel, lowestOf } from '../../src/shelter/index.js';
import type { BedResult } from '../../src/shelter/index.js';
import { judgedWhole, toldOf } from '../said.js';
import { swingFactor } from '../../src/bed/index.js';
import { ONE_TREE, UNDER_FLY, WRONG, bedded, demo, ended, kitted, namedWind } from './helper.js';

const judged = ({ rig, context }: ReturnType<typeof demo>, spreads = false) =>
  judgedWhole(rig, context, { full: true, spreads, ...namedWind(rig) });
const bedOf = (d: ReturnType<typeof demo>): BedResult => judged(d).bed!;
const fly = demo(UNDER_FLY);
const whole = judged(fly, true);
const { bed } = whole;

describe('a bed under its roof', () => {
  test('holds, hangs as wished, lies dry; every case finds rest in balance', () => {
    expect(whole.verdict.holds).toBe(true);
    expect(bed!.lying.height.value).toBeCloseTo(fly.rig.bed!.wish.height, 1);
    expect(bed!.over!.dryInRain).toBe(1);
    expect(bed!.cases.every((c) => c.converged)).toBe(true);
    expect(bed!.residual).toBeLessThan(1e-4);
    expect(bed!.drips.every((d) => !d.wets)).toBe(true);
  });
  test('its cases stand in their order: more force, more pull; settled and soaked hang lower', () => {
    const of = (id: string): BedResult['cases'][number] => bed!.cases.find((c) => c.id === id)!;
    const pull = (id: string): number => Math.max(...of(id).straps);
    expect(pull('empty')).toBeLessThan(20);
    expect(pull('lying')).toBeGreaterThan(of('lying').force / 2);
    expect(of('dropping').force).toBeGreaterThan(of('getting-in').force);
    expect(of('getting-in').force).toBeGreaterThan(2 * of('lying').force);
    expect(of('swinging').force / of('lying').force).toBeCloseTo(swingFactor(fly.rig.bed!.swing), 9);
    expect(of('settled').height).toBeLessThan(of('lying').height);
    expect(bed!.settles).toBeCloseTo(of('lying').height - of('settled').height, 9);
  });
  test('pulls at both ends are level alike, and carry the whole weight', () => {
    const [a, b] = bed!.lying.ends;
    expect(a.level.value).toBeCloseTo(b.level.value, 3);
    expect(a.down.value + b.down.value).toBeCloseTo((fly.rig.bed!.mass + 0.62) * 9.80665, 2);
  });
  test('a number carries its working: what it depends on, and a range about it', () => {
    const { height, straps } = bed!.lying;
    expect(height.inputs!.map((f) => f.symbol)).toEqual([
      'L',
      'z₁',
      'z₂',
      's₁',
      's₂',
      'm',
      's',
      'E_c',
      'w_e',
      'E',
      'E',
    ]);
    for (const f of [height, ...straps]) {
      expect(f.range![0]).toBeLessThan(f.value);
      expect(f.range![1]).toBeGreaterThan(f.value);
    }
  });
  test('a heavier person pulls harder and hangs lower; a higher strap lifts it as much', () => {
    const heavy = bedOf({ ...fly, rig: bedded(fly.rig, { mass: 100 }) });
    expect(heavy.lying.straps[0].value).toBeGreaterThan(bed!.lying.straps[0].value);
    expect(heavy.lying.height.value).toBeLessThan(bed!.lying.height.value);
    const raised = ([0, 1] as const).reduce(
      (rig, i) => ended(rig, i, { height: rig.bed!.ends[i].height - 0.1 }),
      fly.rig,
    );
    expect(bedOf({ ...fly, rig: raised }).lying.height.value).toBeCloseTo(bed!.lying.height.value - 0.1, 2);
  });
});

describe('trunks under roof and bed', () => {
  test('moments add: the row tells the stress of both, worse than either', () => {
    for (const t of bed!.bears) {
      const i = t.id === 'trunk0' ? 0 : 1;
      const trunk = fly.rig.trunks[i];
      const lying = t.loads.find((l) => l.caseId === 'pitched+lying')!;
      // both pull along the span
      expect(lying.asked).toBeCloseTo(lying.roof * trunk.tieHeight + lying.bed * fly.rig.bed!.ends[i].height, -1);
      expect(lying.pull).toBeCloseTo(lying.roof + lying.bed, 0);
      const row = bed!.rows.find((r) => r.id === t.id)!;
      const worst = t.loads.find((l) => l.caseId === row.links[0]!.link.caseId)!;
      expect(row.links[0]!.link.demand.value).toBeCloseTo(worst.asked, 6);
      // wet ground holds a tree less: the worst is the most of its own sort
      const wet = worst.caseId.includes('wet') || worst.caseId.includes('soaked');
      const alike = t.loads.filter((l) => (l.caseId.includes('wet') || l.caseId.includes('soaked')) === wet);
      expect(worst.asked).toBe(Math.max(...alike.map((l) => l.asked)));
    }
  });
  test('at their feet, lying: ridge and bed together, with the working; the worst is told too', () => {
    for (const i of [0, 1] as const) {
      const foot = bed!.lying.feet[i]!;
      const under = bed!.bears[i]!;
      const lying = under.loads.find((l) => l.caseId === 'pitched+lying')!;
      expect(foot.value).toBeCloseTo(lying.asked, 6);
      expect(foot.inputs!.map((f) => f.symbol)).toEqual(['H₁', 'φ₁', 'h₁', 'H₂', 'φ₂', 'h₂']);
      expect(foot.range![1]).toBeGreaterThan(foot.value);
      const worst = under.loads.find((l) => l.said === under.worst.said)!;
      expect(under.worst.asked.value).toBeCloseTo(worst.asked, 6);
      expect(under.worst.pull.value).toBeCloseTo(worst.pull, 6);
      expect(under.worst.down).toBeCloseTo(worst.down, 9);
      expect(worst.asked).toBeGreaterThanOrEqual(lying.asked);
    }
    const { lying } = judged(demo(ONE_TREE)).bed!;
    expect(lying.feet[0]).not.toBeNull();
    expect(lying.feet[1]).toBeNull();
  });
  test('every case of the roof has someone lying in it', () => {
    // of the gusts of one group the hardest is told
    const { cases } = whole.roof!;
    const told = bed!.bears[0]!.loads.map((l) => cases.find((c) => l.caseId.startsWith(`${c.id}+`))?.group);
    for (const c of cases) expect(told).toContain(c.group);
  });
  test('a stem bends as a cantilever does, alike from either end', () => {
    expect(trunkGiveAt(1.5, 1.5, 0.2, 8e9)).toBeCloseTo(trunkGive(1.5, 0.2, 8e9), 15);
    expect(trunkGiveAt(2, 1.2, 0.2, 8e9)).toBe(trunkGiveAt(1.2, 2, 0.2, 8e9));
    // far up the pull moves it by the slope at its height and what that carries on
    expect(trunkGiveAt(2, 1, 0.2, 8e9) / trunkGive(1, 0.2, 8e9)).toBeCloseTo(2.5, 9);
  });
  test('someone in the bed draws the ridge’s ends together and eases it', () => {
    expect(bed!.draws!.by).toBeGreaterThan(0.001);
    expect(bed!.draws!.after).toBeLessThan(bed!.draws!.before);
  });
});

describe('rain and water', () => {
  test('without its tails the ridgeline under the cloth drips on the sleeper; over the cloth it cannot', () => {
    const bare = bedOf({ ...fly, rig: bedded(fly.rig, { ridgeDrip: [false, false] }) });
    expect(bare.drips.filter((d) => d.id.startsWith('ridge')).map((d) => d.wets)).toEqual([true, true]);
    const pitch = { ...fly.rig.pitch!, line: 'over' as const };
    const over = bedOf({ ...fly, rig: { ...bedded(fly.rig, { ridgeDrip: [false, false] }), pitch } });
    expect(over.drips.filter((d) => d.id.startsWith('ridge'))).toEqual([]);
  });
  test('a strap falls toward the bed: soft joins let the water in, a tail inside the edge lets it off', () => {
    const soft = kitted(fly.context, { connector: 'soft' });
    const wet = bedOf({ ...fly, context: soft });
    const strap = wet.drips.find((d) => d.id === 'strap0')!;
    expect(strap.slope).toBeLessThan(-0.3);
    expect(strap.wets).toBe(true);
    expect(strap.tailAt).toBeGreaterThan(strap.edge);
    const tied = bedOf({ context: soft, rig: ended(fly.rig, 0, { drip: strap.tailAt }) });
    expect(tied.drips.find((d) => d.id === 'strap0')).toMatchObject({ breaks: 'tail', wets: false });
    // outside the edge it does nothing
    const outside = bedOf({ context: soft, rig: ended(fly.rig, 0, { drip: strap.edge / 2 }) });
    expect(outside.drips.find((d) => d.id === 'strap0')!.wets).toBe(true);
  });
  test('driven rain reaches farther in than rain straight down', () => {
    const windy = { ...fly.rig, wind: { beaufort: 7, shelter: 'open' as const } };
    const { over } = bedOf({ ...fly, rig: windy });
    expect(over!.slant).toBeGreaterThan(0.9);
    expect(over!.dryInRain).toBeLessThan(over!.dry);
    for (const i of [0, 1]) expect(over!.overhangInRain[i]!).toBeLessThanOrEqual(over!.overhang[i]! + 0.02);
    expect(over!.wished).toBeLessThan(bed!.over!.wished);
  });
  test('a roof moved along uncovers one end as far as it leaves it', () => {
    const moved = { ...fly.rig, pitch: { ...fly.rig.pitch!, middle: fly.rig.pitch!.middle + 0.2 } };
    const { over } = bedOf({ ...fly, rig: moved });
    expect(over!.overhang[0]).toBeCloseTo(bed!.over!.overhang[0] - 0.2, 1);
    expect(over!.overhang[1]).toBeCloseTo(bed!.over!.overhang[1] + 0.2, 1);
  });
});

describe('a bed hung wrong', () => {
  test('says what lets go first, when, and everything else against it', () => {
    const { verdict, bed: wrong } = judged(demo(WRONG));
    const told = toldOf(wrong!.findings).join(' ');
    expect(verdict).toMatchObject({ holds: false, sentence: expect.stringMatching(/lets go first dropping in/) });
    expect(told).toMatch(/Roots, stones or stumps lie beneath/);
    expect(told).toMatch(/Water runs in along the first strap/);
    expect(told).toMatch(/touches the cloth, or nearly: 0\.\d+ m are left/);
    expect(told).toMatch(/limit of plain thin straps is not known/);
  });
  test.each([
    [{ beneath: 'water' as const }, /^Not over water/],
    [{ beneath: 'road' as const }, /^Not over a road/],
    [{ beneath: 'bed' as const }, /^Never one bed above another/],
    [{ mass: 151 }, /is made for 150 kg at most; 151 kg/],
  ])('is refused in plain words: %j', (part, words) => {
    const { verdict, bed: refused } = judged({ ...fly, rig: bedded(fly.rig, part) });
    expect(refused!.findings[0]!.severity).toBe('refuses');
    expect(verdict).toMatchObject({ holds: false, sentence: expect.stringMatching(words) });
  });
  test('thin, rotten or leaning trees are ruled out, never passed', () => {
    const [first, second] = fly.rig.trunks;
    const thin = judged({ ...fly, rig: { ...fly.rig, trunks: [{ ...first, girth: 0.4 }, second] } });
    expect(thin.verdict.sentence).toMatch(/too thin to carry a person/);
    const rotten = judged({ ...fly, rig: { ...fly.rig, trunks: [first, { ...second, signs: ['fungus'] }] } });
    expect(rotten.verdict.sentence).toMatch(/is ruled out/);
  });
  test.each([
    [{ people: 2 }, 'bed.people', /is made for one\. Two double the pull/],
    [{ stature: 2.15 }, null, null],
    [{ straps: 'gone' }, 'bed.straps', /no longer in the kit/],
  ])('what cannot be is named at its field with the remedy: %j', (part, field, words) => {
    const found = rigProblems(bedded(fly.rig, part), fly.context);
    if (field === null) expect(found).toEqual([]);
    else {
      expect(found[0]!.field).toBe(field);
      expect(found[0]!.message).toMatch(words!);
      expect(() => bedModel(bedded(fly.rig, part), fly.context)).toThrow(words!);
    }
  });
  test('wraps that cover the loop, loops that are not there, straps that do not reach', () => {
    const at = (part: Parameters<typeof ended>[2]): string[] =>
      bedProblems(ended(fly.rig, 1, part), fly.context).map((p) => `${p.field}: ${p.message}`);
    expect(at({ wraps: 3, loop: 1 })[0]).toMatch(
      /^bed\.ends\.1\.loop: 3 wraps round .* cover loop 1\. Hook to loop \d+ or farther/,
    );
    expect(at({ loop: 40 })[0]).toMatch(/has 26 loops, the 40th is asked/);
    expect(bedProblems(ended(ended(fly.rig, 0, { loop: 1 }), 1, { loop: 1 }), fly.context)[0]!.message).toMatch(
      /^The bed does not reach: straps and bed come to \d\.\d\d m, the anchors stand 5\.40 m apart/,
    );
    expect(bedProblems(fly.rig, kitted(fly.context, { length: 2.2, ridgeLength: 0 }))[0]!.message).toMatch(
      /too short for someone/,
    );
  });
});

describe('a bed on one tree', () => {
  const one = demo(ONE_TREE);
  const { bed: poled, verdict } = judged(one);
  test('stands: pole, foot and stays in the ledger, each with its margin', () => {
    expect(verdict.holds).toBe(true);
    const links = poled!.rows.flatMap((r) => r.links.map((l) => l.link.id));
    for (const id of ['pole1:buckling', 'pole1:foot', 'stay10:head', 'stay10:foot', 'stay10:anchor', 'stay11:anchor'])
      expect(links).toContain(id);
  });
  test('level thrusts at tree, foot and anchors cancel', () => {
    const model = bedModel(one.rig, one.context, { ranges: false });
    const s = model.stateOf(model.cases.find((c) => c.id === 'lying')!);
    const pole = s.poles[1]!;
    const hang = model.hangOf(model.cases.find((c) => c.id === 'lying')!);
    const back = pole.stays.reduce((sum, T, k) => {
      const foot = hang.ends[1].pole!.stays[k]!.foot;
      const way = [0, 1, 2].map((c) => foot[c]! - pole.head[c]!);
      return sum + (T * way[0]!) / Math.hypot(...way);
    }, 0);
    // the tree pulls the bed one way, the stays the other, the foot takes the rest
    expect(s.pull[0][0] + pole.foot[0] - back).toBeCloseTo(0, 1);
  });
  test('with one stay straight behind it the head goes farther sideways than with two spread', () => {
    const end = one.rig.bed!.ends[1];
    const anchor = end.anchor as Extract<typeof end.anchor, { kind: 'pole' }>;
    const single = bedOf({ ...one, rig: ended(one.rig, 1, { anchor: { ...anchor, stays: 1 } }) });
    const [two, alone] = [poled!.poles[0]!.sideways!, single.poles[0]!.sideways ?? Number.POSITIVE_INFINITY];
    expect(alone).toBeGreaterThan(2 * two);
  });
  test('what tries its head goes across the bed’s own line, wherever the bed points', () => {
    const end = one.rig.bed!.ends[1];
    const anchor = end.anchor as Extract<typeof end.anchor, { kind: 'pole' }>;
    const far = Math.hypot(...anchor.foot);
    const along = (a: number): number => {
      const foot: readonly [number, number] = [far * Math.cos(a), far * Math.sin(a)];
      const level = { ...one.rig, groundRise: 0 };
      return bedOf({ ...one, rig: ended(level, 1, { anchor: { ...anchor, foot } }) }).poles[0]!.sideways!;
    };
    const straight = along(0);
    for (const a of [0.6, Math.PI / 2, 2.5]) expect(along(a) / straight).toBeCloseTo(1, 2);
  });
  test('the first loading brings the head in and the bed down, and says what to haul', () => {
    const p = poled!.poles[0]!;
    expect(p.comesIn).toBeGreaterThan(0.02);
    expect(p.comesDown).toBeGreaterThan(0.05);
    expect(toldOf(poled!.findings).join(' ')).toMatch(/haul the back-stay in by 0\.04 m/);
  });
  test('a thin pole bows out, lines off its middle sooner', () => {
    const end = one.rig.bed!.ends[1];
    const anchor = end.anchor as Extract<typeof end.anchor, { kind: 'pole' }>;
    const margin = (part: Partial<typeof anchor>): number =>
      bedOf({ ...one, rig: ended(one.rig, 1, { anchor: { ...anchor, ...part } }) })
        .rows.find((r) => r.id === 'pole1')!
        .links.find((l) => l.link.id === 'pole1:buckling')!.link.margin.value;
    const stout = margin({});
    expect(margin({ thickness: 0.032 })).toBeLessThan(1);
    expect(margin({ offCentre: 0.05 })).toBeLessThan(0.6 * stout);
  });
});

test('what follows a hand is the same bed, in three cases', () => {
  const quick = judgedWhole(fly.rig, fly.context, { full: false });
  expect(quick.bed!.cases.map((c) => c.id)).toEqual(['empty', 'sitting', 'lying']);
  expect(quick.bed!.lying.height.value).toBeCloseTo(bed!.lying.height.value, 6);
  const model = bedModel(fly.rig, fly.context, { ranges: false });
  // the ridge draws its trees together: without it the bed hangs a hair higher
  const alone = lowestOf(model, model.stateOf(model.cases[2]!));
  expect(alone).toBeGreaterThan(bed!.lying.height.value);
  expect(alone - bed!.lying.height.value).toBeLessThan(0.005);
});
