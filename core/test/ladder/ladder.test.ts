import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { ladderOf } from '../../src/ladder/index.js';
import type { Fall, Ladder } from '../../src/ladder/index.js';
import { SNOWS } from '../../src/catalogue/index.js';
import type { SnowFeel } from '../../src/catalogue/index.js';
import { SI, tell } from '../../src/quantity/index.js';
import { firmerThan } from '../../src/sizing/index.js';
import { fallWords, ladderWords } from '../../src/words/index.js';
import { judgeRig } from '../../src/shelter/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import type { RigContext, RidgeRig } from '../../src/rig/index.js';
import { BEAUFORT } from '../../src/weather/index.js';

const load = (name: string): { readonly rig: RidgeRig; readonly context: RigContext } => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file) };
};
const climb = ({ rig, context }: ReturnType<typeof load>, from: number, wet = false): Ladder =>
  ladderOf(rig, context, { of: 'wind', from, wet })!;

describe('the wind turned up', () => {
  const gable = load('gravel-spit-gable');
  // the judgement finds what gives first another way: from every bearing, following logarithms between solves
  const { result } = evaluatePitch(gable.rig, gable.context, { full: true, spreads: false });
  const first = result.letsGo.find((l) => l.gust !== null && l.gust > 0)!;
  const all = [...new Set(result.rose.map((r) => r.from))];
  // the side from which it has least, and three others
  const hardest = result.rose.reduce((a, b) => (b.left < a.left ? b : a)).from;
  const bearings = [hardest, ...all.filter((from) => from !== hardest).filter((_, k) => k % 5 === 0)];
  const ladders = bearings.map((from) => climb(gable, from));

  test('from its worst side, what gives first is what the judgement says, in the gust it says', () => {
    const wet = bearings.map((from) => climb(gable, from, true));
    const falls = [...ladders, ...wet].flatMap((l) => l.rungs.flatMap((r) => r.falls).slice(0, 1));
    const soonest = falls.reduce((a, b) => (b.at < a.at ? b : a));
    expect(Math.abs(soonest.at - first.gust!) / first.gust!).toBeLessThan(0.05);
  });
  test('nothing gives in less wind than what gave before it, and what has given is never what holds least', () => {
    for (const { rungs, at, end } of ladders) {
      const falls = rungs.flatMap((r) => r.falls);
      falls.forEach((f, i) => i > 0 && expect(f.at).toBeGreaterThanOrEqual(falls[i - 1]!.at - 1e-9));
      expect(new Set(falls.map((f) => f.link)).size).toBe(falls.length);
      const given = new Set<string>();
      for (const r of rungs) {
        for (const f of r.falls) given.add(f.link);
        if (r !== rungs.at(-1) && r.least !== null) {
          expect(given.has(r.least.link)).toBe(false);
          expect(r.least.left).toBeGreaterThanOrEqual(1);
        }
      }
      if (end !== 'stands') expect(at).toBeGreaterThan(0);
    }
  });
  test('what follows follows in the same gust, and a line that hangs free pulls nothing', () => {
    const falls = ladders.flatMap((l) => l.rungs.flatMap((r) => r.falls));
    expect(falls.some((f) => f.follows)).toBe(true);
    for (const l of ladders)
      l.rungs.forEach((r) => r.falls.forEach((f, i) => f.follows && expect(f.at).toBe(r.falls[i - 1]!.at)));
    const lines = result.topology.lines;
    let seen = 0;
    for (const l of ladders) {
      const free = new Set<string>();
      for (const r of l.rungs) {
        for (const f of r.falls) if (f.lines.length > 0) free.add(f.link.split(':')[0]!);
        for (const line of lines.filter((x) => free.has(x.row))) {
          seen++;
          expect(r.shape!.tension[line.line]!).toBeLessThan(0.5);
        }
      }
    }
    expect(seen).toBeGreaterThan(4);
  });
  test('rungs are the Beaufort numbers in turn, each gust stronger than the one before', () => {
    for (const { rungs, end } of ladders) {
      rungs.forEach((r, i) => expect(r.beaufort).toBe(i));
      rungs.forEach((r, i) => i > 0 && expect(r.level).toBeGreaterThan(rungs[i - 1]!.level));
      if (end === 'stands') expect(rungs).toHaveLength(BEAUFORT.length);
    }
  });
  test('stopped, it is none', () => {
    expect(
      ladderOf(gable.rig, gable.context, { of: 'wind', from: 0, wet: false }, { progress: (done) => done < 0.2 }),
    ).toBeNull();
  });
});

describe('what a roof hangs on', () => {
  test('an end tied straight to its tree lets the roof down when it gives', () => {
    const cape = load('cape-end-tied');
    const { rungs, end } = climb(cape, cape.rig.pitch!.windFrom);
    const last = rungs.flatMap((r) => r.falls).at(-1)!;
    expect(end).toBe('down');
    expect(last).toMatchObject({ gives: 'down', name: 'eyelet at the first end' });
  });
});

describe('snow laid on', () => {
  const sail = load('shade-sail');
  const under = (feel: SnowFeel): Ladder => ladderOf(sail.rig, sail.context, { of: 'snow', feel })!;
  const [light, heavy] = [under('fresh'), under('wet')];
  const first = (l: Ladder): Fall => l.rungs.flatMap((r) => r.falls)[0]!;
  test('the same weight of it does the same, however deep it lies', () => {
    expect(first(light).link).toBe(first(heavy).link);
    const [dense, thin] = [SNOWS.wet.density.typical, SNOWS.fresh.density.typical];
    expect((first(light).at * thin) / (first(heavy).at * dense)).toBeCloseTo(1, 1);
    expect(first(light).mean).toBeNull();
  });
  test('what is left falls with its depth, and the first depth is none', () => {
    expect(light.rungs[0]!.level).toBe(0);
    expect(light.rungs.every((r) => r.beaufort === null)).toBe(true);
    const left = light.rungs
      .slice(
        0,
        light.rungs.findIndex((r) => r.falls.length > 0),
      )
      .map((r) => r.least!.left);
    left.forEach((x, i) => i > 0 && expect(x).toBeLessThanOrEqual(left[i - 1]! * 1.001));
  });
});

describe('rain on it', () => {
  const gable = load('gravel-spit-gable');
  const { pitch } = gable.rig;
  // as flat as its ridge lets it be, and hardly hauled
  const flat: RidgeRig = {
    ...gable.rig,
    pitch: { ...pitch!, shape: { ...pitch!.shape, edges: [1.6, 1.6] }, guy: { ...pitch!.guy, haul: 5 }, own: {} },
  };
  const wet = (rig: RidgeRig): Ladder => ladderOf(rig, gable.context, { of: 'rain' })!;
  test('a steep roof sheds it all', () => {
    const shed = wet(gable.rig);
    expect(shed.end).toBe('stands');
    expect(shed.rungs.every((r) => r.water === 0)).toBe(true);
    expect(tell(ladderWords(shed).sentence)).toBe('Rain runs off it: nothing stands on it after 60 mm of rain.');
  });
  test('a slack flat one gathers it: more on every rung, no more than fell, until its pegs go', () => {
    const pooled = wet(flat);
    expect(pooled.end).not.toBe('stands');
    const falls = pooled.rungs.flatMap((r) => r.falls);
    expect(falls[0]!.name).toMatch(/^peg/);
    const before = pooled.rungs.slice(0, pooled.rungs.findIndex((r) => r.falls.length > 0) + 1);
    before.forEach((r, i) => i > 0 && expect(r.water).toBeGreaterThan(before[i - 1]!.water));
    const { roof } = evaluateRoof(gable);
    for (const r of before) expect(r.water).toBeLessThanOrEqual(r.level * roof * 1.02);
    expect(tell(ladderWords(pooled).sentence)).toMatch(/gives first, under \d+ mm of rain\.$/);
    expect(tell(ladderWords(pooled).sentence, { length: 'ft', force: 'lbf' })).toMatch(/under 0\.\d in of rain\.$/);
  });
});

/** Area of a rig's cloth, m². */
function evaluateRoof({ rig, context }: ReturnType<typeof load>): { readonly roof: number } {
  const { length, width } = context.roofs.find((r) => r.id === rig.pitch!.roof)!;
  return { roof: length * width };
}

describe('heavier and heavier in the bed', () => {
  const drum = load('drum-tight-bed');
  const ladder = ladderOf(drum.rig, drum.context, { of: 'people' })!;
  const fall = ladder.rungs.flatMap((r) => r.falls)[0]!;
  test('what gives first has just what it needs with so much in it, by a judgement of its own', () => {
    const laden = { ...drum.rig, bed: { ...drum.rig.bed!, mass: fall.at } };
    const { rows } = judgeRig(laden, drum.context, { full: true, spreads: false, wind: null }).report;
    const margins = rows.flatMap((r) => r.links.map(({ link }) => ({ id: link.id, left: link.margin.value })));
    expect(margins.find((m) => m.id === fall.link)!.left).toBeCloseTo(1, 1);
    for (const m of margins) expect(m.left).toBeGreaterThan(0.97);
  });
  test('the more lies in it the less is left, and it ends with the first that gives', () => {
    const left = ladder.rungs.map((r) => r.least!.left);
    left.forEach((x, i) => i > 0 && expect(x).toBeLessThan(left[i - 1]!));
    expect(ladder.end).toBe('down');
    expect(ladder.rungs.at(-1)!.falls).toHaveLength(1);
    expect(fallWords(fall)).toMatch(/gives, and whoever lies in it falls$/);
    expect(tell(ladderWords(ladder).sentence)).toMatch(/gives first, with 84 kg in the bed\.$/);
    // the heavier, the deeper it hangs
    const low = ladder.rungs.map((r) => Math.min(...r.bed!.line.map((p) => p[2])));
    low.forEach((z, i) => i > 0 && expect(z).toBeLessThan(low[i - 1]!));
  });
  test('what would bear it is said, with what it holds and what is asked', () => {
    const change = firmerThan(drum.rig, drum.context, { of: 'people' }, fall, SI)!;
    expect(change.remedy).toMatch(/^What holds \d+ N there would do\.$/);
    expect(change.sentence).toMatch(/hitch of the first strap is short/);
  });
  test('without a roof too, and where it comes down on the ground that is said', () => {
    const alder = load('bed-on-one-alder');
    const alone = ladderOf(alder.rig, alder.context, { of: 'people' })!;
    expect(alone.rungs.every((r) => r.shape === null && r.bed !== null)).toBe(true);
    expect(tell(ladderWords(alone).detail)).toMatch(/^With \d+ kg in the bed it comes down on the ground\./);
  });
});

describe('where no rest is found', () => {
  const fly = load('hammock-fly');
  const found = climb(fly, fly.rig.pitch!.windFrom);
  test('it ends there, and nothing is read of what found none', () => {
    expect(found.end).toBe('unsettled');
    const last = found.rungs.at(-1)!;
    for (const r of found.rungs) if (r.least !== null) expect(r.shape!.converged && !r.shape!.luffing).toBe(true);
    expect(last.stoodAt).toBeLessThanOrEqual(found.at!);
    expect(tell(ladderWords(found).detail)).toMatch(/no rest is found: .*Count it as down\.$/);
  });
});

describe('a stick that buckles', () => {
  const propped = load('prop-on-the-spit');
  const thin: RidgeRig = { ...propped.rig, pitch: { ...propped.rig.pitch!, stick: 0.009 } };
  const { rungs } = ladderOf(thin, propped.context, { of: 'wind', from: thin.pitch!.windFrom, wet: false })!;
  test('lies down, frees no line and pushes no more', () => {
    const k = rungs.findIndex((r) => r.falls.some((f) => /stick|prop/.test(f.name)));
    const fall = rungs[k]!.falls.find((f) => /stick|prop/.test(f.name))!;
    expect(fall.lines).toEqual([]);
    const pushes = (push: ArrayLike<number>): number => Array.from(push).filter((n) => Math.abs(n) > 0.5).length;
    expect(pushes(rungs[k]!.shape!.push)).toBeLessThan(rungs[0]!.shape!.push.length);
    expect(fallWords(fall)).toMatch(/gives: it lies down$/);
  });
});

describe('what is said of it, and what would make it firmer', () => {
  const gable = load('gravel-spit-gable');
  const turned = { of: 'wind', from: gable.rig.pitch!.windFrom, wet: false } as const;
  const ladder = ladderOf(gable.rig, gable.context, turned)!;
  const fall = ladder.rungs.flatMap((r) => r.falls)[0]!;
  test('the first to give and its gust, in the reader’s units', () => {
    const { sentence } = ladderWords(ladder);
    expect(tell(sentence)).toContain(`${fall.at.toFixed(1)} m/s at the roof`);
    expect(tell(sentence, { length: 'ft', force: 'lbf' })).toMatch(/gust of \d+ mph at the roof/);
    expect(fallWords(fall)).toMatch(/^Peg in silty sand, right middle gives: right middle guy hangs free$/);
  });
  test('where no single change is enough, what would be is said and nothing is changed', () => {
    const change = firmerThan(gable.rig, gable.context, turned, fall, SI)!;
    expect(change).toMatchObject({ id: fall.link, rig: null });
    expect(change.remedy.length).toBeGreaterThan(10);
  });
  test('with the change that is offered, what gave first gives in more wind, in the same weather', () => {
    const propped = load('prop-on-the-spit');
    const thin: RidgeRig = { ...propped.rig, pitch: { ...propped.rig.pitch!, stick: 0.009 } };
    const blown = { of: 'wind', from: thin.pitch!.windFrom, wet: false } as const;
    const falls = (rig: RidgeRig): readonly Fall[] =>
      ladderOf(rig, propped.context, blown)!.rungs.flatMap((r) => r.falls);
    const stick = falls(thin).find((f) => /stick|prop/.test(f.name))!;
    const change = firmerThan(thin, propped.context, blown, stick, SI)!;
    expect(change).toMatchObject({ id: stick.link, rig: expect.anything() });
    const again = falls(change.rig!).find((f) => f.link === stick.link);
    expect(again === undefined || again.at > 1.05 * stick.at).toBe(true);
    expect(change.rig!.wind).toEqual(thin.wind);
    expect(change.rig!.pitch!.snow).toEqual(thin.pitch!.snow);
  });
});
