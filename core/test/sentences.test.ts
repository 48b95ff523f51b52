import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { evaluateRidge } from '../src/rig/index.js';
import type { KitCord, RidgeRig, LineContext } from '../src/rig/index.js';
import { DEFAULT_REQUIRED } from '../src/strength/index.js';
import { tell } from '../src/quantity/index.js';
import type { BodyMeasures } from '../src/quantity/index.js';
import { marginWords } from '../src/words/index.js';
import { lineSaid, toldOf } from './said.js';

const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8')) as {
  person: { body: BodyMeasures };
  kit: KitCord[];
  rigs: { rig: RidgeRig }[];
};
const context: LineContext = { kit: camp.kit, body: camp.person.body, required: DEFAULT_REQUIRED };
const [gable, , drying] = camp.rigs.map((r) => r.rig) as [RidgeRig, RidgeRig, RidgeRig];
const judged = (rig: RidgeRig, place: LineContext = context) => evaluateRidge(rig, place);
const verdict = (rig: RidgeRig, place: LineContext = context) => lineSaid(rig, judged(rig, place), context.body);
const tensioned = (rig: RidgeRig, part: Partial<RidgeRig['tensioning']>): RidgeRig => ({
  ...rig,
  tensioning: { ...rig.tensioning, ...part },
});

describe('the verdict says what gives first', () => {
  test('in the words of the rule it is judged by', () => {
    expect(verdict(gable).detail).toMatch(/[Ii]t holds 3\.6 times the worst pull; 2 times is asked\./);
    expect(verdict({ ...gable, designRule: 'share' }).detail).toMatch(
      /35 % of its low-end strength is in use; 50 % is allowed\./,
    );
    expect(verdict({ ...gable, designRule: 'chance' }).detail).toMatch(
      /[Ii]t fails with a chance of .*; 1 in 100 is allowed\./,
    );
  });

  test('too slack, though strong enough', () => {
    const v = verdict(tensioned(gable, { how: 'tension', tension: 8 }));
    expect(v).toMatchObject({ holds: false, sentence: 'Strong enough, but too slack for a roof.' });
    expect(v.detail).toMatch(/is the most you asked for/);
  });

  test('too short a cord', () => {
    const v = verdict({ ...tensioned(gable, { how: 'tension', tension: 60 }), cord: 'short-guy' });
    expect(v.sentence).toMatch(/^.* is too short: .* wanted, 5\.00 m on hand\.$/);
  });

  test('too weak, and in which case', () => {
    expect(verdict(drying)).toMatchObject({
      holds: false,
      sentence: 'The pulley-style hitch at the split willow has too little to spare as pitched.',
    });
  });

  test('a trunk ruled out comes before every number', () => {
    const trunks: RidgeRig['trunks'] = [{ ...gable.trunks[0], signs: ['rocking'] }, gable.trunks[1]];
    expect(verdict({ ...gable, trunks }).sentence).toMatch(/^The upstream alder is ruled out: rocks at the root/);
  });

  test('a stricter rule turns the same rig', () => {
    const strict = { ...DEFAULT_REQUIRED, factor: { ...DEFAULT_REQUIRED.factor, ridge: 4 } };
    expect(verdict(gable, { ...context, required: strict }).holds).toBe(false);
    expect(verdict({ ...gable, use: 'person' }).holds).toBe(false);
  });
});

describe('cautions stand where the risk is', () => {
  const warns = (rig: RidgeRig, place?: LineContext): string => toldOf(judged(rig, place).findings).join('\n');
  const passes = tensioned(gable, { how: 'passes', passes: { count: 0, takeUp: 0.06 } });

  test.each<[string, RidgeRig, RegExp]>([
    ['a gale', { ...gable, wind: { ...gable.wind, beaufort: 8 } }, /people leave the trees, whatever the numbers say/],
    ['a person on it', { ...gable, use: 'person' }, /no higher than a safe fall, sit before you lie/],
    ['thin cord on living bark', tensioned(gable, { how: 'tension', tension: 600 }), /enough to bruise it\. Pad it/],
    [
      'no turns to hold with',
      { ...tensioned(passes, { passes: { count: 1, takeUp: 0.29 } }), cord: 'slick' },
      /passes hold only .* Take another turn/,
    ],
    [
      'a loop too near the trunk',
      tensioned(gable, { pulley: { ...gable.tensioning.pulley, loopOut: 0.1 } }),
      /runs out of travel/,
    ],
    [
      'an end that cannot be hauled',
      { ...gable, ends: [gable.ends[0], { termination: 'bowline', wraps: 1 }] },
      /cannot be hauled with a releasable bowline/,
    ],
    [
      'a rolling hitch',
      { ...gable, ends: [{ termination: 'clove', wraps: 1 }, gable.ends[1]] },
      /rolls on a smooth trunk/,
    ],
    [
      'a trunk too thin for a person',
      { ...gable, use: 'person', trunks: [{ ...gable.trunks[0], girth: 0.4 }, gable.trunks[1]] },
      /too thin to carry a person/,
    ],
  ])('%s', (_, rig, sentence) => {
    expect(warns(rig)).toMatch(sentence);
  });

  test('a damaged cord', () => {
    const kit = camp.kit.map((k) => (k.id === 'green-550' ? { ...k, wear: 'cut' as const } : k));
    expect(warns(gable, { ...context, kit })).toMatch(/green 550, long hank is nicked, glazed or stiff: retire it/);
  });

  test('and nowhere else: the demo gable warns of its bark alone', () => {
    for (const f of judged(gable).findings) expect(f.code === 'bark' || f.code === 'unguyed').toBe(true);
  });
});

test('a margin is said with the digits that tell on which side of what is asked it is', () => {
  const said = (value: number, required: number): string =>
    tell(
      marginWords({ judgement: { rule: 'factor', figure: { value }, required } } as unknown as Parameters<
        typeof marginWords
      >[0]),
    );
  expect(said(3.98, 4)).toBe('it holds 3.98 times the worst pull; 4 times is asked');
  expect(said(3.9996, 4)).toMatch(/^it holds 3\.9996 times/);
  expect(said(2.6, 4)).toMatch(/^it holds 2\.6 times/);
  expect(said(4.02, 4)).toMatch(/^it holds 4\.0 times/);
});
