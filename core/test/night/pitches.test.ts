import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { casesAt } from '../../src/ladder/index.js';
import { effortOf, flickedAway, nightOf, otherPitches } from '../../src/night/index.js';
import type { Before } from '../../src/night/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import { SI } from '../../src/quantity/index.js';
import { windToward } from '../../src/weather/index.js';
import { pitchWords, taskWords } from '../../src/words/index.js';

const load = (name: string) => {
  const file = readRigFile(readFileSync(join(process.cwd(), `examples/rigs/${name}.rig.json`), 'utf8'));
  return { rig: file.rig, context: contextOf(file) };
};
const fly = load('hammock-fly');
const turned = { of: 'wind', from: fly.rig.pitch!.windFrom, wet: true } as const;
const GUST = 8;

describe('how else a roof is pitched before a bad hour', () => {
  const others = otherPitches(fly.rig, fly.context, turned, GUST);
  test('nothing gives in it then, by a judgement of that gust', () => {
    expect(others.length).toBeGreaterThan(0);
    const among = new Set(casesAt(GUST, turned).map((c) => c.id));
    for (const { rig, bears } of others) {
      if (bears !== null) expect(bears).toBeGreaterThanOrEqual(GUST);
      const { result } = evaluatePitch(rig, fly.context, {
        full: true,
        spreads: false,
        rising: false,
        wind: { speed: GUST, from: turned.from },
        among,
      });
      for (const { link } of result.rows.flatMap((r) => r.links))
        if (among.has(link.caseId)) expect(link.margin.value).toBeGreaterThan(0.97);
    }
  });
  test('least work first, each with what it asks of hands; the weather and the kit stay as they are', () => {
    const minutes = others.map((o) => o.effort.minutes);
    minutes.forEach((m, i) => i > 0 && expect(m).toBeGreaterThanOrEqual(minutes[i - 1]!));
    for (const { rig, effort } of others) {
      expect(effort.touched.length).toBeGreaterThan(0);
      expect(rig.wind).toEqual(fly.rig.wind);
      expect(rig.pitch!.roof).toBe(fly.rig.pitch!.roof);
    }
    expect(pitchWords(others[0]!)).toBe(
      'With the windward edge on the ground: nothing gives in it. 1 guy put on: about 3 minutes by day, 6 minutes in the dark; one alone does it.',
    );
  });
  test('who lies there is told dry or wet by the rain of that wind, on the side it comes from', () => {
    const mess = load('mess-roof');
    const { pitch } = mess.rig;
    const lies = (name: string, across: number) => ({
      id: name,
      kind: 'sleeper' as const,
      name,
      at: [pitch!.middle, across] as const,
      toward: 0,
    });
    const from = pitch!.windFrom;
    const windward = -Math.sign(windToward(from, pitch!.bearing)[1]);
    const asked = (across: number) =>
      otherPitches(
        { ...mess.rig, under: [lies('one', 0), lies('the other', across)] },
        mess.context,
        { ...turned, from },
        4,
      )[0]!;
    expect(asked(3 * windward).dry).toEqual({ people: 1, of: 2 });
    expect(pitchWords(asked(3 * windward))).toMatch(/In driven rain 1 of 2 lies dry then\./);
    // a little to leeward the roof keeps the rain off
    expect(asked(-0.5 * windward).dry).toEqual({ people: 2, of: 2 });
    expect(others.every((o) => o.dry === null)).toBe(true);
  });
  test('a window is shut by its stick flicked away: cheapest, by one alone, and it finds rest', () => {
    const { rig, context } = load('window-to-the-river');
    const away = flickedAway(rig, context)!;
    const effort = effortOf(rig, away, context);
    expect(effort.touched.map((t) => t.what).sort()).toEqual(['flick', 'take-off']);
    expect(effort.alone).toBe(true);
    const { result } = evaluatePitch(away, context, { full: true, spreads: false, rising: false });
    for (const c of result.cases.filter((x) => x.wind === null)) expect(c.converged && !c.luffing).toBe(true);
    // the edge lies lower than on its stick
    const { result: open } = evaluatePitch(rig, context, { full: false });
    expect(result.cover.ground).toBeLessThan(open.cover.ground);
    const other = otherPitches(rig, context, { ...turned, from: rig.pitch!.windFrom }, 4)[0]!;
    expect(other.how.flicked).toBe(true);
    expect(pitchWords(other)).toMatch(/^With its stick flicked away: nothing gives in it\./);
    // a form whose sticks carry it has none to spare
    expect(flickedAway(fly.rig, fly.context)).toBeNull();
    const bench = load('bench-roof-on-four-sticks');
    expect(flickedAway(bench.rig, bench.context)).toBeNull();
  });
  test('where no pitch bears it none is told; where the ground is reached already that is no other', () => {
    expect(otherPitches(fly.rig, fly.context, turned, 40)).toEqual([]);
    const lean = load('fire-side-lean-to');
    const found = otherPitches(lean.rig, lean.context, { ...turned, from: lean.rig.pitch!.windFrom }, GUST);
    expect(found.every((o) => o.effort.touched.length > 0)).toBe(true);
  });
  test('a night tells them with the hour, in the reader’s units', () => {
    const { result } = evaluatePitch(fly.rig, fly.context, { full: true, spreads: false, rising: false });
    const hour = (k: number, gust: number) => ({
      time: Date.UTC(2030, 3, 4, 20) + k * 3_600_000,
      wind: gust / 1.5,
      gust,
      from: turned.from,
      rain: 2,
      temperature: 8,
      pressure: 101_000,
    });
    const night = nightOf(fly.rig, fly.context, result, [hour(0, 2), hour(1, 2), hour(2, 22)], SI)!;
    const bad = night.tasks.find((t): t is Before => t.kind === 'before')!;
    expect(bad.others.length).toBeGreaterThan(0);
    expect(taskWords(bad).what).toBe('Change it before this');
    expect(pitchWords({ ...bad.others[0]!, bears: 10 }, { length: 'ft', force: 'lbf' })).toMatch(
      /in a gust of \d+ mph\./,
    );
  });
});
