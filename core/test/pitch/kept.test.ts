import { describe, expect, test } from '@jest/globals';
import { cutLength } from '../../src/cordage/index.js';
import { ofCode } from '../../src/findings/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { KeptGuy, PitchResult } from '../../src/pitch/index.js';
import { pitchingOf } from '../../src/order/index.js';
import type { StepOf } from '../../src/order/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { unmetOf } from '../../src/sizing/remedies.js';
import { sayOver, stepWords } from '../../src/words/index.js';
import { tell } from '../../src/quantity/index.js';
import type { Pitch } from '../../src/rig/index.js';
import { demo } from '../shelter/helper.js';
import { contextFor, rigOf, squareRoof } from './helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const gable = rigOf('gable', roof);
const UNITS = { length: 'm', force: 'N' } as const;
const withKept = (kept: number, own: Readonly<Record<string, { kept: number }>> = {}) => ({
  ...gable,
  pitch: { ...gable.pitch!, guy: { ...gable.pitch!.guy, kept }, own },
});
const judged = (kept: number, own = {}): PitchResult =>
  evaluatePitch(withKept(kept, own), context, { full: false }).result;
const guyCut = (r: PitchResult, id: string): number => cutLength(r.rows.find((x) => x.id === id)!.cut!);

describe('guys that live on the cloth', () => {
  const bare = judged(0);
  const guys = bare.guys.filter((g) => g.kind === 'guy');
  test('cut to what they want, none has a length of its own', () => {
    expect(bare.kept).toEqual([]);
    expect(guys.length).toBeGreaterThan(3);
  });
  test('what is over is the whole length without what the same guy takes when it is cut to it', () => {
    const long = judged(5);
    expect(long.kept.map((k) => k.id).sort()).toEqual(guys.map((g) => g.id).sort());
    for (const k of long.kept) {
      expect(k.over).toBeCloseTo(5 - guyCut(bare, k.id), 9);
      expect(guyCut(long, k.id)).toBeCloseTo(5, 9);
      expect(k.inBy).toBeNull();
    }
    expect(ofCode(long.findings, 'guy-short')).toEqual([]);
    // what it bears is none of what is over
    for (const g of guys)
      expect(long.guys.find((x) => x.id === g.id)!.tension).toBeCloseTo(
        bare.guys.find((x) => x.id === g.id)!.tension,
        9,
      );
  });
  test('too short, it does not hold, and its foot brought in as far as is told makes it reach', () => {
    const id = guys[0]!.id;
    const { key, foot } = bare.guys.find((g) => g.id === id)!;
    const kept = guyCut(bare, id) - 0.2;
    const short = judged(0, { [key]: { kept } });
    const [found] = short.kept as [KeptGuy];
    expect(found.over).toBeCloseTo(-0.2, 9);
    expect(ofCode(short.findings, 'guy-short').map((f) => f.severity)).toEqual(['fails']);
    // as far in as a hand sets it, and no more than a hand's breadth over then
    expect((found.inBy! * 100) % 5).toBeCloseTo(0, 6);
    const rig = withKept(0, { [key]: { kept } });
    const [unmet] = unmetOf(rig, context, evaluatePitch(rig, context), UNITS).filter((u) => u.id === `kept ${id}`);
    expect(unmet!.remedy).toContain('Bring its foot in by');
    const nearer = evaluatePitch(unmet!.rig!, context).result;
    expect(ofCode(nearer.findings, 'guy-short')).toEqual([]);
    expect(nearer.kept[0]!.over).toBeGreaterThanOrEqual(0);
    expect(nearer.kept[0]!.over).toBeLessThan(0.1);
    const moved = nearer.guys.find((g) => g.id === id)!.foot;
    expect(Math.hypot(moved[0] - foot[0], moved[1] - foot[1])).toBeCloseTo(found.inBy!, 6);
  });
  test('by so much that not even straight down reaches: only a piece joined on, or another guy', () => {
    const [key, id] = [guys[0]!.key, guys[0]!.id];
    const short = judged(0, { [key]: { kept: 1 } });
    // the edge alone is half a metre up, and knots and hauling take most of a metre
    expect(guyCut(bare, id)).toBeGreaterThan(1.5);
    expect(short.kept[0]!.inBy).toBeNull();
    const rig = withKept(0, { [key]: { kept: 1 } });
    const unmet = unmetOf(rig, context, evaluatePitch(rig, context, { full: false }), UNITS);
    expect(unmet.find((u) => u.id === `kept ${id}`)).toMatchObject({ rig: null });
  });
  test.each([
    'gravel-spit-gable',
    'mess-roof',
    'hammock-fly',
    'shade-sail',
    'fire-side-lean-to',
    'shade-between-two-poles',
  ])('%s: every foot brought in as far as is told makes its guy reach, as it is solved then', (name) => {
    const { rig, context: kit } = demo(name);
    const put = (own: Pitch['own']): PitchResult =>
      evaluatePitch({ ...rig, pitch: { ...rig.pitch!, own } }, kit, { full: false }).result;
    const { own } = rig.pitch!;
    const now = put(own);
    let tried = 0;
    for (const g of now.guys.filter((x) => x.kind === 'guy')) {
      const kept = guyCut(now, g.id) - 0.2;
      const [found] = put({ ...own, [g.key]: { ...own[g.key], kept } }).kept;
      // stays of poles and what goes over a branch live on no cloth
      expect(found === undefined).toBe(g.holds !== 'cloth');
      const foot = found?.nearer ?? null;
      if (foot === null) continue;
      tried++;
      const nearer = put({ ...own, [g.key]: { ...own[g.key], kept, foot: [...foot] } }).kept[0]!;
      expect(nearer.over).toBeGreaterThanOrEqual(0);
      expect(nearer.over).toBeLessThan(0.12);
    }
    if (name === 'mess-roof') expect(tried).toBeGreaterThan(3);
  });
  test('without two trees that carry it there is nothing to run a second line between', () => {
    const fly = rigOf('flying', roof);
    const alone = rigOf('prop', roof);
    const kept = (rig: typeof gable) =>
      evaluatePitch({ ...rig, pitch: { ...rig.pitch!, guy: { ...rig.pitch!.guy, kept: 20 } } }, context, {
        full: false,
      }).result.kept;
    expect(kept(fly).some((k) => k.secondLine)).toBe(true);
    expect(kept(alone).some((k) => k.secondLine)).toBe(false);
  });
  test('three times as long, what is over makes a second line; and the steps say so', () => {
    expect(judged(5).kept.every((k) => k.secondLine)).toBe(false);
    const rig = withKept(20);
    const { report } = judgeRig(rig, context, { full: false });
    expect(report.roof!.kept.every((k) => k.secondLine)).toBe(true);
    const steps = pitchingOf(rig, context, report).filter((s): s is StepOf<'guy'> => s.code === 'guy');
    for (const s of steps.filter((x) => x.facts.kind === 'guy')) {
      expect(s.facts.over).toBeGreaterThan(10);
      const said = stepWords(s, { body: context.body, units: { length: 'm', force: 'N' } });
      expect(said.how).toContain(tell(sayOver(s.facts.over, true)).trim());
    }
    expect(tell(sayOver(0.1, false))).toBe('');
    expect(tell(sayOver(2, false))).toContain('fork');
  });
});
