import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { LEAVABLE, casesFor } from '../src/cases/index.js';
import type { Leavable } from '../src/cases/index.js';
import { against } from '../src/findings/index.js';
import { contextOf, readRigFile, writeRigFile } from '../src/formats/index.js';
import { tell } from '../src/quantity/index.js';
import { gustOf, inWeather } from '../src/rig/index.js';
import type { RidgeRig } from '../src/rig/index.js';
import { holds, judgeRig } from '../src/shelter/index.js';
import { verdictOf } from '../src/words/index.js';

const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/hammock-fly.rig.json'), 'utf8'));
const context = contextOf(file);
const without = (...kinds: Leavable[]): RidgeRig => ({
  ...file.rig,
  pitch: { ...file.rig.pitch!, ...(kinds.length === 0 ? {} : { without: kinds }) },
});
const judged = (rig: RidgeRig) => judgeRig(rig, context, { full: true, spreads: false }).report;

describe('a rig in another’s weather', () => {
  test('takes wind, snow, sway and what counts, and nothing else', () => {
    const weather = {
      wind: { beaufort: 7, shelter: 'open' as const },
      sway: 0.04,
      windFrom: 1.1,
      snow: { feel: 'wet' as const, depth: 0.1 },
      without: ['rain' as const],
    };
    const there = inWeather(file.rig, weather);
    const { windFrom, snow, without: left } = there.pitch!;
    expect({ wind: there.wind, sway: there.sway, windFrom, snow, without: left }).toEqual(weather);
    const own = file.rig.pitch!;
    expect(there.pitch).toEqual({ ...own, windFrom, snow, without: left });
    expect(inWeather(there, { wind: file.rig.wind, sway: file.rig.sway }).pitch!.windFrom).toBe(1.1);
    const bare = inWeather({ ...file.rig, pitch: undefined }, weather);
    expect(bare.pitch).toBeUndefined();
    expect(bare.wind).toBe(weather.wind);
  });
});

describe('kinds of weather that are left out', () => {
  test('are not among the cases, and the others are', () => {
    for (const kind of LEAVABLE) {
      const all = casesFor('roof', without(), gustOf(without()));
      const left = casesFor('roof', without(kind), gustOf(without()));
      expect(all.some((c) => c.kind === kind)).toBe(true);
      expect(left).toEqual(all.filter((c) => c.kind !== kind));
    }
  });
  test('a rig that holds is not said to hold any more, and what is left out is said first', () => {
    const whole = judged(without());
    expect(holds(whole)).toBe(true);
    const part = judged(without('gust', 'wet-gust'));
    expect(holds(part)).toBe(false);
    expect(against(part.findings).map((f) => f.code)).toEqual(['left-out']);
    expect(part.roof!.cases.every((c) => c.wind === null)).toBe(true);
    const { holds: said, sentence, detail } = verdictOf(part, context.body);
    expect(said).toBe(false);
    expect(tell(sentence)).toBe(
      'Not judged for gusts on the dry rig, gusts on the soaked rig: nobody knows whether it holds then.',
    );
    expect(tell(detail)).toContain('has least to spare');
  });
  test('goes with the rig as a file, and what is no such kind is refused at its place', () => {
    const text = writeRigFile({ ...file, rig: without('rain') });
    expect(readRigFile(text).rig.pitch!.without).toEqual(['rain']);
    expect(() => readRigFile(text.replace('"rain"', '"hail"'))).toThrow(/pitch\.without/);
  });
});
