import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile, writeRigFile } from '../../src/formats/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import { inWeather } from '../../src/rig/index.js';
import type { OwnGust, RidgeRig } from '../../src/rig/index.js';
import { holds, judgeRig } from '../../src/shelter/index.js';
import { WIND_LAW_IDS } from '../../src/weather/index.js';
import { saidOf } from '../said.js';

const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/mess-roof.rig.json'), 'utf8'));
const context = contextOf(file);
const calm: RidgeRig = { ...file.rig, wind: { ...file.rig.wind, beaufort: 0 } };
const withGusts = (...gusts: OwnGust[]): RidgeRig => ({ ...calm, pitch: { ...calm.pitch!, gusts } });
const squall = (part: Partial<OwnGust> = {}): OwnGust => ({
  id: 'a',
  name: 'squall',
  speed: 14,
  from: calm.pitch!.windFrom,
  wet: false,
  ...part,
});
const quick = { full: true, spreads: false } as const;

describe('a gust of one’s own', () => {
  const hard = judgeRig(withGusts(squall()), context, quick).report;
  test('counts in the verdict, by its name, where the rig’s own wind would not', () => {
    expect(holds(judgeRig(calm, context, quick).report)).toBe(true);
    expect(holds(hard)).toBe(false);
    expect(saidOf(hard, context.body).sentence).toContain('in “squall”');
  });
  test('is solved under every law, and pulls what the same gust pulls that is given', () => {
    const own = hard.roof!.cases.filter((c) => c.group === 'own-gust');
    expect(own.map((c) => c.wind!.law)).toEqual([...WIND_LAW_IDS]);
    const given = evaluatePitch(calm, context, {
      ...quick,
      wind: { speed: 14, from: calm.pitch!.windFrom },
    }).result;
    for (const c of own) {
      const same = given.cases.find((g) => g.group === 'gust' && g.wind!.law === c.wind!.law)!;
      expect(c.tension / same.tension).toBeCloseTo(1, 1);
    }
  });
  test('changes neither the rose of the rig’s wind, nor the gust it is judged in, nor where links let go in it', () => {
    const blown: RidgeRig = { ...file.rig, pitch: { ...file.rig.pitch!, gusts: [squall({ speed: 20 })] } };
    const [plain, own] = [file.rig, blown].map((r) => evaluatePitch(r, context, quick).result);
    expect(own!.gust).toBe(plain!.gust);
    expect(own!.rose.map((r) => r.caseId)).toEqual(plain!.rose.map((r) => r.caseId));
    own!.letsGo.forEach(({ id, gust }) => {
      const before = plain!.letsGo.find((l) => l.id === id)!.gust;
      if (gust === null || before === null) expect(gust).toBe(before);
      else expect(gust).toBeCloseTo(before, 1);
    });
  });
  test('the harder, the more it pulls; in a wind that is given it is left out', () => {
    const most = (speed: number): number =>
      Math.max(
        ...evaluatePitch(withGusts(squall({ speed })), context, { ...quick, rising: false })
          .result.cases.filter((c) => c.group === 'own-gust')
          .map((c) => c.tension),
      );
    expect(most(12)).toBeGreaterThan(most(6));
    const still = evaluatePitch(withGusts(squall()), context, { ...quick, wind: null }).result;
    expect(still.cases.some((c) => c.group === 'own-gust')).toBe(false);
  });
  test('goes into the file and out, is of the weather when two rigs are compared, and two need ids of their own', () => {
    const rig = withGusts(squall(), squall({ id: 'b', name: 'gap', wet: true }));
    expect(readRigFile(writeRigFile({ ...file, rig })).rig).toEqual(rig);
    const { wind, sway } = rig;
    expect(inWeather(file.rig, { wind, sway, gusts: rig.pitch!.gusts }).pitch!.gusts).toEqual(rig.pitch!.gusts);
    const twice = { ...file, rig: withGusts(squall(), squall()) };
    expect(() => readRigFile(JSON.stringify({ ...JSON.parse(writeRigFile(file)), rig: twice.rig }))).toThrow(/id/);
  });
});
