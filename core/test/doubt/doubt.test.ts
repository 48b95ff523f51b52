import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { BLOCK, PARTS, betterOf, doubtOf, solveDrawn } from '../../src/doubt/index.js';
import type { Doubt, DoubtAsked, Drawn } from '../../src/doubt/index.js';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { PITCHED, QUIET, gustCase } from '../../src/cases/index.js';
import { FIBRE_TRAITS } from '../../src/catalogue/index.js';
import { valueAt } from '../../src/doubt/unknown.js';
import { evaluatePitch, pitchModel, restsIn, solveCase, tieOff } from '../../src/pitch/index.js';
import type { Ageing } from '../../src/pitch/index.js';
import { tell } from '../../src/quantity/index.js';
import { doubtWords, oftenWords } from '../../src/words/index.js';
import type { RigContext, RidgeRig } from '../../src/rig/index.js';

const load = (name: string): { readonly rig: RidgeRig; readonly context: RigContext } => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file) };
};
/** All designs of a rig, or some. */
const drawn = (
  { rig, context }: ReturnType<typeof load>,
  asked: Partial<DoubtAsked>,
  parts: readonly number[] = [...Array(PARTS).keys()],
): Drawn => solveDrawn(rig, context, { cases: [], seed: 5, ...asked }, parts)!;

const gable = load('gravel-spit-gable');
const judged = evaluatePitch(gable.rig, gable.context, { full: true, spreads: true, rising: false }).result;
const cases = [...new Set(judged.rows.map((r) => r.links[0]!.link.caseId))].slice(0, 3);

describe('a rig sampled within what is not known of it', () => {
  const halves = [
    [0, 1],
    [2, 3],
  ].map((parts) => drawn(gable, { cases }, parts));
  const doubt = doubtOf(halves, 2000);
  const lineOf = (d: Doubt, id: string): Doubt['lines'][number] => d.lines.find((l) => l.id === id)!;

  test('two workers with half of the designs each find what one finds with all; another seed finds something else', () => {
    const few = (parts: readonly Drawn[]): Doubt => doubtOf(parts, BLOCK);
    const again = [0, 1].map((part) => drawn(gable, { cases }, [part]));
    expect(few(again)).toEqual(few([halves[0]!]));
    expect(few([drawn(gable, { cases, seed: 6 }, [0])]).least).not.toEqual(few([again[0]!]).least);
  });
  test('what is worth finding out is the ground first, and what a person can do there', () => {
    const [first] = betterOf(doubt);
    expect(first).toMatchObject({ kind: 'ground' });
    expect(first!.spares).toBeGreaterThan(0.1);
    expect(first!.spares).toBeLessThan(1 - Math.sqrt(1 - first!.share) + 1e-9);
  });
  test('its middle is the rig as it is believed to be', () => {
    const tied = tieOff(pitchModel(gable.rig, gable.context));
    tied.model.members.forEach((m, k) => {
      const now = tied.pitched.numbers.tension[tied.line[k]!]!;
      if (now > 20) expect(lineOf(doubt, m.id).pitched.mid / now).toBeCloseTo(1, 0);
    });
    expect(doubt.sag!.low).toBeLessThan(judged.sag!);
    expect(doubt.sag!.high).toBeGreaterThan(judged.sag!);
  });
  test('chances are shares of the samples: every one is the first for something, none more often than it gives', () => {
    const firsts = doubt.links.reduce((sum, l) => sum + l.first, 0);
    expect(firsts + doubt.unsettled / doubt.samples).toBeCloseTo(doubt.gives.value, 9);
    for (const l of doubt.links) expect(l.first).toBeLessThanOrEqual(l.gives.value + 1e-12);
    expect(doubt.gives.value).toBeGreaterThan(0.5);
    expect(doubt.gives.sd).toBeGreaterThanOrEqual(0);
  });
  test('what is judged weakest is what gives most often', () => {
    const weakest = judged.rows[0]!.links[0]!.link;
    expect(doubt.links[0]!.id).toBe(weakest.id);
  });
  test('on the pegs of a gravel spit it is the ground and the wind that nobody knows', () => {
    expect(doubt.unknowns.slice(0, 3).map((u) => u.kind)).toEqual(expect.arrayContaining(['ground']));
    expect(doubt.unknowns.every((u) => u.share >= 0 && u.share <= 1)).toBe(true);
  });
  test('it is told how it comes to rest with more samples', () => {
    expect(doubt.converged.map((c) => c.samples)).toEqual([250, 500, 1000, 2000]);
    const [, , half, all] = doubt.converged;
    expect(Math.abs(half!.least.mid / all!.least.mid - 1)).toBeLessThan(0.1);
    expect(doubt.converged.at(-1)!.gives).toBeCloseTo(doubt.gives.value, 12);
  });
  test('with the ground known, the doubt shrinks by the share that was its', () => {
    const ground = doubt.unknowns.find((u) => u.kind === 'ground')!;
    const known = doubtOf([drawn(gable, { cases, known: new Set([ground.id]) })], 2000);
    const wide = (d: Doubt): number => Math.log(d.least.high / d.least.low);
    const share = 1 - (wide(known) / wide(doubt)) ** 2;
    expect(Math.abs(share - ground.share)).toBeLessThan(0.12);
    expect(known.unknowns.some((u) => u.id === ground.id)).toBe(false);
  });
  test('stopped, it is none', () => {
    expect(solveDrawn(gable.rig, gable.context, { cases, seed: 5 }, [0], (done) => done < 0.1)).toBeNull();
  });
});

describe('with one thing alone unknown, bands are what its ends give', () => {
  // how a given wind presses on cloth, a fifth less to a quarter more
  const from = gable.rig.pitch!.windFrom;
  const wind = { speed: 7, from };
  const c = gustCase({ speed: 7, from, law: 'push' }, false);
  const all = drawn(gable, { cases: [c.id], wind }, [0]).unknowns.map((u) => u.id);
  const known = new Set(all.filter((id) => id !== 'law'));
  const doubt = doubtOf([drawn(gable, { cases: [c.id], wind, known })], 2000);
  const tied = tieOff(pitchModel(gable.rig, gable.context));
  const pullAt = (pressure: number): readonly number[] => {
    const { numbers, flutter } = solveCase(tied, c, { pressure, from: tied.pitched.stood });
    return tied.line.map((i, k) =>
      Math.max(numbers.tension[i]! * flutter, tied.pitched.numbers.tension[tied.line[k]!]!),
    );
  };
  const [low, mid, more, high] = [0.8, 1, 1.01, 1.25].map(pullAt);
  test('sampled, solved at the ends, and by the tangent', () => {
    let seen = 0;
    tied.model.members.forEach((m, k) => {
      // those that the wind pulls on
      if (!(mid![k]! > 30 && high![k]! > 1.05 * mid![k]!)) return;
      seen++;
      const { worst } = doubt.lines.find((l) => l.id === m.id)!;
      expect(worst.mid / mid![k]!).toBeCloseTo(1, 1.5);
      expect(worst.high / high![k]!).toBeCloseTo(1, 1.5);
      const tangent = mid![k]! + 0.25 * ((more![k]! - mid![k]!) / 0.01);
      expect(Math.abs(worst.high / tangent - 1)).toBeLessThan(0.06);
      if (low![k]! > 1.05 * tied.pitched.numbers.tension[tied.line[k]!]!)
        expect(worst.low / low![k]!).toBeCloseTo(1, 1.5);
    });
    expect(seen).toBeGreaterThan(1);
  });
  test('and it makes all of the doubt', () => {
    expect(doubt.unknowns.map((u) => u.id)).toEqual(['law']);
    expect(doubt.unknowns[0]!.share).toBeGreaterThan(0.95);
  });
});

describe('how cord and cloth change', () => {
  const { fibre } = pitchModel(gable.rig, gable.context).members.find((m) => m.role === 'guy')!.cord;
  const wet = QUIET.find((c) => c.kind === 'wet')!;
  const tied = tieOff(pitchModel(gable.rig, gable.context));
  const ages = (relaxation: number | null, wetGrowth: number | null): Ageing => ({
    relaxation: new Map(relaxation === null ? [] : [[fibre, relaxation]]),
    wetGrowth: new Map(wetGrowth === null ? [] : [[fibre, wetGrowth]]),
    clothGrowth: null,
  });
  test('soaked, cord is longer by what it gains, and by nothing else', () => {
    const usual = restsIn(tied, wet);
    const { typical } = FIBRE_TRAITS[fibre].wetGrowth;
    restsIn({ ...tied, ageing: ages(null, 0.02) }, wet).forEach((rest, k) => {
      const gains = tied.model.members[k]!.cord.fibre === fibre ? 1.02 / (1 + typical) : 1;
      expect(rest / usual[k]!).toBeCloseTo(gains, 12);
    });
  });
  test('the more it relaxes the longer it comes to be, and as pitched it is no matter', () => {
    const { low, high } = FIBRE_TRAITS[fibre].relaxation;
    const [little, much] = [low, high].map((r) => restsIn({ ...tied, ageing: ages(r, null) }, wet));
    much!.forEach((rest, k) => expect(rest).toBeGreaterThanOrEqual(little![k]! - 1e-12));
    expect(much!.some((rest, k) => rest > little![k]! + 1e-5)).toBe(true);
    expect(restsIn({ ...tied, ageing: ages(high, null) }, PITCHED)).toEqual(restsIn(tied, PITCHED));
  });
  test('every sampled rig is solved as soaked as was drawn for it', () => {
    const id = `soak:${fibre}`;
    const others = drawn(gable, { cases: ['wet'] }, [0]).unknowns.map((u) => u.id);
    expect(others).toEqual(expect.arrayContaining([id, `relax:${fibre}`, 'soak:cloth']));
    const one = drawn(gable, { cases: ['wet'], known: new Set(others.filter((x) => x !== id)) }, [0]);
    expect(one.unknowns.map((u) => u.id)).toEqual([id]);
    for (const s of [0, 7, 40]) {
      const { numbers } = solveCase({ ...tied, ageing: ages(null, valueAt(one.unknowns[0]!, one.z[s]!)) }, wet, {
        from: tied.pitched.stood,
      });
      tied.model.members.forEach((_, k) => {
        const most = Math.max(numbers.tension[tied.line[k]!]!, tied.pitched.numbers.tension[tied.line[k]!]!);
        expect(Math.abs(one.worst[s * tied.model.members.length + k]! - most)).toBeLessThan(0.02 * most + 0.5);
      });
    }
  });
  test('in no case that is wet or late nothing of it is asked', () => {
    const dry = drawn(gable, { cases: [] }, [0]).unknowns;
    expect(dry.some((u) => u.kind === 'soaking' || u.kind === 'relaxing')).toBe(false);
  });
});

describe('said', () => {
  const one = drawn(gable, { cases }, [0]);
  const doubt = doubtOf([one], 500);
  test('how often in a hundred, never more surely than the samples say', () => {
    expect(oftenWords(0, 2000)).toBe('none of 2000');
    expect(oftenWords(0.0005, 2000)).toBe('1 of 2000');
    expect(oftenWords(0.384, 2000)).toBe('38 in a hundred');
    expect(oftenWords(0.9999, 2000)).toBe('99 in a hundred');
    expect(oftenWords(1, 2000)).toBe('every one');
  });
  test('what gives most often, and how much is left', () => {
    const { sentence, detail } = doubtWords(doubt);
    expect(tell(sentence)).toMatch(/loses? something, most often the peg in silty sand, .*[a-z]\.$/);
    expect(tell(detail)).toMatch(/holds 0\.\d+ to 0\.\d+ times over/);
  });
  test('where no rig finds rest, that is all that is said', () => {
    const none = doubtOf([{ ...one, settled: new Uint8Array(one.rigs) }], 500);
    expect(none).toMatchObject({ unsettled: 500, lines: [], links: [], sag: null, gives: { value: 1 } });
    expect(tell(doubtWords(none).sentence)).toMatch(/^No chance can be told: .* every one finds no rest\.$/);
  });
});
