import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pullFigure, pullOn, riseOn, slideHold } from '../../src/anchor/index.js';
import type { TiePull } from '../../src/anchor/index.js';
import { ON_GROUND } from '../../src/catalogue/index.js';
import { ofCode } from '../../src/findings/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import { holdsOf, pegsOfBed, rigProblems } from '../../src/rig/index.js';
import type { BedPole, Guy, RidgeRig } from '../../src/rig/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { unmetOf } from '../../src/sizing/remedies.js';
import type { GuyAnchor, LineId } from '../../src/support/index.js';
import { misfit } from '../../src/document/index.js';
import { rigDocument } from '../../src/rig/index.js';
import { ONE_TREE, UNDER_FLY, UNITS, bedded, demo, ended, namedWind } from './helper.js';

const as = (line: LineId): GuyAnchor => ({ kind: 'same', line });
const log = (mass = 120): GuyAnchor => ({ kind: 'weight', name: 'the grey log', mass });
const guyed = (rig: RidgeRig, own: Readonly<Record<string, Partial<Guy>>>): RidgeRig => ({
  ...rig,
  pitch: { ...rig.pitch!, own: { ...rig.pitch!.own, ...own } },
});
const judged = (rig: RidgeRig, context = fly.context) =>
  judgeRig(rig, context, { full: true, spreads: false, rising: false, ...namedWind(rig) });

const fly = demo(UNDER_FLY);
const keys = evaluatePitch(fly.rig, fly.context, { full: false }).result.guys.map((g) => g.key);
const [first, second] = [keys[0]!, keys[1]!];

describe('two guys on one log', () => {
  const rig = guyed(fly.rig, { [first]: { anchor: log() }, [second]: { anchor: as(`guy ${first}`) } });
  const { roof, report } = judged(rig);
  const { result, readings, tied } = roof!;
  const guy = (key: string) => result.guys.find((g) => g.key === key)!;
  const row = report.rows.find((r) => r.id === `hold guy ${first}`)!;

  test('come to the ground at one place, and the log is a row of its own', () => {
    expect(misfit(rigDocument, rig)).toBeNull();
    expect(rigProblems(rig, fly.context)).toEqual([]);
    expect(guy(second).foot).toEqual(guy(first).foot);
    expect(row).toMatchObject({ role: 'hold', name: 'the grey log', what: 'log, boulder or bag' });
    for (const key of [first, second])
      expect(report.rows.find((r) => r.id === guy(key).id)!.links.filter((l) => l.link.kind === 'anchor')).toEqual([]);
  });
  test('pull at it together: the vector sum of what they do at their feet, in the worst of all cases', () => {
    let worst = Number.POSITIVE_INFINITY;
    for (const r of readings) {
      const { reaction } = r.state.numbers;
      const sum = [0, 0, 0];
      for (const key of [first, second]) {
        const n = 3 * tied.engine.structure.nodeIndex.get(`foot ${key}`)!;
        for (let d = 0; d < 3; d++) sum[d]! -= reaction[n + d]! * r.state.flutter;
      }
      const level = Math.hypot(sum[0]!, sum[1]!);
      const rise = Math.max(0, Math.atan2(sum[2]!, level));
      const holds = slideHold(120, ON_GROUND.typical, rise) / Math.cos(rise);
      worst = Math.min(worst, holds / Math.hypot(level, sum[2]!));
    }
    expect(row.links[0]!.link.margin.value).toBeCloseTo(worst, 6);
  });
  test('leave it less than either would alone', () => {
    const alone = judged(guyed(fly.rig, { [first]: { anchor: log() } })).report.rows.find(
      (r) => r.id === guy(first).id,
    )!;
    const own = alone.links.find((l) => l.link.kind === 'anchor')!;
    expect(row.links[0]!.link.margin.value).toBeLessThan(0.8 * own.link.margin.value);
  });
  test('too light, it is told with what it would have to weigh for both', () => {
    const light = guyed(fly.rig, { [first]: { anchor: log(8) }, [second]: { anchor: as(`guy ${first}`) } });
    const known = judged(light).roof!;
    const lacking = unmetOf(light, fly.context, known, UNITS).find((u) => u.id === `hold guy ${first}`)!;
    expect(lacking.remedy).toMatch(/^The grey log would have to weigh \d+ kg\.$/);
    const mass = Number(/\d+/.exec(lacking.remedy)![0]);
    const held = (m: number): number =>
      judged(guyed(light, { [first]: { anchor: log(m) } })).report.rows.find((r) => r.id === `hold guy ${first}`)!
        .links[0]!.judgement.ratio;
    expect(held(mass)).toBeGreaterThanOrEqual(1);
    expect(held(mass - 20)).toBeLessThan(1.03);
  });
  test('told as two logs at one place, a remedy says what to tell', () => {
    const twice = guyed(rig, { [second]: { anchor: log(), foot: [guy(first).foot[0], guy(first).foot[1]] } });
    const placed = guyed(twice, { [first]: { anchor: log(), foot: [guy(first).foot[0], guy(first).foot[1]] } });
    expect(ofCode(judged(placed).report.findings, 'held-twice').map((f) => f.facts.shared)).toEqual(['line']);
    expect(ofCode(report.findings, 'held-twice')).toEqual([]);
  });
});

describe('a pole’s back-stays', () => {
  const { rig, context } = demo(ONE_TREE);
  const end = rig.bed!.ends.findIndex((e) => e.anchor.kind === 'pole') as 0 | 1;
  const posted = (change: Partial<BedPole>, from = rig): RidgeRig => {
    const ends = from.bed!.ends.map((e, i) =>
      i === end ? { ...e, anchor: { ...e.anchor, ...change } } : e,
    ) as unknown as NonNullable<RidgeRig['bed']>['ends'];
    return bedded(from, { ends });
  };
  test('both on one bag pull at it together', () => {
    const both = posted({ stays: 2, together: true, anchor: log(400) });
    const each = posted({ stays: 2, anchor: log(400) });
    const one = posted({ stays: 1, anchor: log(400) });
    const hold = judged(both, context).report.rows.find((r) => r.role === 'hold')!;
    expect(hold.id).toBe(`hold stays${end}`);
    const single = judged(one, context).report.rows.find((r) => r.id === `stay${end}0`)!;
    const alone = single.links.find((l) => l.link.kind === 'anchor')!;
    // two cords to one place share what one would bear
    const [two, lone] = [hold.links[0]!.link.demand.value, alone.link.demand.value];
    expect(Math.abs(two / lone - 1)).toBeLessThan(0.03);
    expect(judged(each, context).report.rows.filter((r) => r.role === 'hold')).toEqual([]);
    expect([
      pegsOfBed(posted({ stays: 2, anchor: peg })),
      pegsOfBed(posted({ stays: 2, together: true, anchor: peg })),
    ]).toEqual([new Map([['p', 4]]), new Map([['p', 2]])]);
  });
  /** The demo's fly with a pole at the bed's second end, inside the guy's reach. */
  const underFly = (anchor: GuyAnchor): RidgeRig => {
    const pole = rig.bed!.ends[end].anchor as BedPole;
    return ended(fly.rig, 1, {
      anchor: { ...pole, stays: 1, foot: [5, 0], cord: fly.rig.pitch!.guy.cord, anchor },
    });
  };
  const peg: GuyAnchor = { kind: 'peg', pegs: 'p', inLine: 2, lean: 0.3 };

  test('on a guy’s log: roof and bed are summed in every case, and the row says which', () => {
    const key = keys[1]!;
    const shared = guyed(underFly(as(`guy ${key}`)), { [key]: { anchor: log(400), foot: [7.6, 0] } });
    expect(rigProblems(shared, fly.context)).toEqual([]);
    const { report } = judged(shared);
    expect(report.bed!.shapes[0]!.poles[0]!.stays[0]!.foot[0]).toBeCloseTo(7.6, 9);
    const under = report.bed!.bears.find((b) => b.id === `hold guy ${key}`)!;
    expect(under.role).toBe('hold');
    for (const l of under.loads) {
      if (!l.caseId.includes('+')) continue;
      expect(l.pull).toBeLessThanOrEqual(l.roof + l.bed + 1e-6);
      expect(l.pull).toBeGreaterThanOrEqual(Math.abs(l.roof - l.bed) - 1e-6);
      expect(l.roof).toBeGreaterThan(0);
      expect(l.bed).toBeGreaterThan(0);
    }
    const rows = report.rows.filter((r) => r.id === `hold guy ${key}`);
    expect(rows).toHaveLength(1);
    const worst = under.loads.find((l) => l.caseId === rows[0]!.links[0]!.link.caseId)!;
    expect(rows[0]!.links[0]!.link.demand.value).toBeCloseTo(worst.pull, 6);
  });
  test('a guy on a back-stay’s bag ends where that is', () => {
    const key = keys[1]!;
    const shared = guyed(underFly(log(400)), { [key]: { anchor: as(`stays${end}`) } });
    const { report } = judged(shared);
    const stay = report.bed!.shapes[0]!.poles[0]!.stays[0]!.foot;
    const { foot } = report.roof!.guys.find((g) => g.key === key)!;
    expect([foot[0], foot[1]]).toEqual([expect.closeTo(stay[0], 6), expect.closeTo(stay[1], 6)]);
    expect(holdsOf(shared)).toEqual([`hold stays${end}`]);
    expect(report.bed!.bears.map((b) => b.id)).toContain(`hold stays${end}`);
  });
});

test('what cannot be is refused at its field with the remedy', () => {
  const said = (own: Readonly<Record<string, Partial<Guy>>>): readonly [string, string][] =>
    rigProblems(guyed(fly.rig, own), fly.context).map((p) => [p.field, p.message]);
  const field = `pitch.own.${second}.anchor.line`;
  const on = { [second]: { anchor: as(`guy ${first}`) } };
  expect(said({ ...on, [first]: { off: true } })).toEqual([
    [field, expect.stringMatching(/not there\. Choose another/)],
  ]);
  expect(said({ ...on, [first]: { anchor: as('guy zz') } }).map(([f]) => f)).toContain(field);
  expect(said({ [second]: { anchor: as(`guy ${second}`) } })[0]![1]).toMatch(/itself held by what holds another/);
  expect(said({ ...on, [first]: { anchor: { kind: 'tree', tree: 'trunk0', height: 0.3 } } })[0]![1]).toMatch(
    /which is a tree\. Choose a tree of this rig/,
  );
  expect(said({ [second]: { anchor: as('stays0') } })[0]![1]).toMatch(/back-stay, which is not there/);
  // a guy of another form is found where the roof is laid out
  expect(() =>
    evaluatePitch(guyed(fly.rig, { [second]: { anchor: as('guy zz') } }), fly.context, { full: false }),
  ).toThrow(/not in this form/);
});

test('pulls at one place: the working agrees with the numbers, and with the vectors', () => {
  const pull = fc.record({
    level: fc.double({ min: 1, max: 2000, noNaN: true }),
    toward: fc.double({ min: -Math.PI, max: Math.PI, noNaN: true }),
    down: fc.double({ min: -1500, max: 50, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(pull, { minLength: 1, maxLength: 5 }), (some) => {
      const pulls = some.map((p, k): TiePull => ({
        ...p,
        height: 0,
        what: `guy ${k}`,
        figure: () => ({ symbol: 'H', title: 'level pull', quantity: 'force', value: p.level }),
      }));
      const x = some.reduce((sum, p) => sum + p.level * Math.cos(p.toward), 0);
      const y = some.reduce((sum, p) => sum + p.level * Math.sin(p.toward), 0);
      const z = some.reduce((sum, p) => sum - p.down, 0);
      expect(pullOn(pulls)).toBeCloseTo(Math.hypot(x, y, z), 6);
      expect(pullFigure('the log', pulls).value).toBeCloseTo(pullOn(pulls), 4);
      expect(riseOn(pulls)).toBeCloseTo(z > 0 ? Math.atan2(z, Math.hypot(x, y)) : 0, 9);
    }),
  );
});
