import { describe, expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { nightCalendar } from '../../src/calendar/index.js';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { ladderOf } from '../../src/ladder/index.js';
import { nightOf } from '../../src/night/index.js';
import type { Before, Night } from '../../src/night/index.js';
import { SHELTERS } from '../../src/catalogue/index.js';
import { evaluatePitch } from '../../src/pitch/index.js';
import { SI } from '../../src/quantity/index.js';
import type { WeatherReading } from '../../src/weather/index.js';
import { nightWords, taskWords } from '../../src/words/index.js';
import { tell } from '../../src/quantity/index.js';

const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/gravel-spit-gable.rig.json'), 'utf8'));
const context = contextOf(file);
const { rig } = file;
const { result } = evaluatePitch(rig, context, { full: true, spreads: false, rising: false });
const HOUR = 3_600_000;
const EIGHT = Date.UTC(2030, 3, 4, 20);
/** Hours with these gusts in the open, m/s, from one side, and this much rain, mm. */
const hours = (gusts: readonly number[], rain: readonly number[] = []): WeatherReading[] =>
  gusts.map((gust, k) => ({
    time: EIGHT + k * HOUR,
    wind: gust / 1.5,
    gust,
    from: rig.pitch!.windFrom,
    rain: rain[k] ?? 0,
    temperature: 8,
    pressure: 101_000,
  }));
const night = (forecast: readonly WeatherReading[]): Night => nightOf(rig, context, result, forecast, SI)!;
const shelter = SHELTERS[rig.wind.shelter].typical;
const side = (Math.round((rig.pitch!.windFrom * 8) / Math.PI) * Math.PI) / 8;
const gives = ladderOf(rig, context, { of: 'wind', from: side, wet: false }, { first: true })!.at!;

describe('a night in the forecast', () => {
  const calm = night(hours([1, 1, 2, 1, 1, 1]));
  const storm = night(hours([2, 3, 1.2 * (gives / shelter), 1.5 * (gives / shelter), 2, 2, 1.1 * (gives / shelter)]));
  test('in a calm night nothing gives, and it is hauled in again once the cord has settled and before sleep', () => {
    expect(calm.hours.every((h) => h.fares === 'holds')).toBe(true);
    expect(calm.tasks.map((t) => (t.kind === 'retension' ? t.because : t.kind))).toEqual(['settled', 'evening']);
    expect(tell(nightWords(calm))).toBe(
      'It gets through these 6 hours, hauled in again twice, if the forecast is right.',
    );
  });
  test('what is hauled in by and by comes to what a night takes', () => {
    const wet = night(hours([1, 1, 1, 1, 1, 1, 1], [0, 0, 0, 0, 0, 2, 2]));
    for (const row of result.rows) {
      const hauled = wet.tasks.flatMap((t) => (t.kind === 'retension' ? t.lines.filter((l) => l.row === row.id) : []));
      const whole = result.takeUp.find((t) => t.row === row.id && t.caseId === 'wet')?.by ?? 0;
      if (hauled.length === 3) expect(hauled.reduce((sum, l) => sum + l.by, 0)).toBeCloseTo(whole, 6);
      for (const l of hauled) expect(l.by).toBeGreaterThan(0);
    }
    expect(wet.tasks.at(-1)).toMatchObject({ kind: 'retension', because: 'rain', time: EIGHT + 5 * HOUR });
  });
  test('rain from the first minute on is hauled in for once', () => {
    const soaked = night(hours([1, 1, 1], [3, 1, 1]));
    expect(soaked.tasks.map((t) => (t.kind === 'retension' ? t.because : t.kind))).toEqual(['rain']);
    const whole = result.takeUp.find((t) => t.row === 'ridge' && t.caseId === 'wet')!.by;
    expect(soaked.tasks[0]).toMatchObject({
      lines: expect.arrayContaining([{ row: 'ridge', name: 'ridgeline', by: whole }]),
    });
  });
  test('what is down, or should be, is not hauled in; what it would have come to is hauled in later', () => {
    const blown = (1.2 * gives) / shelter;
    const early = night(hours([blown, 1, 1, 1, 1, 1], [0, 0, 0, 0, 0, 0]));
    expect(early.tasks.map((t) => (t.kind === 'retension' ? t.because : t.kind))).toEqual(['before', 'evening']);
    const evening = early.tasks[1]!;
    for (const line of evening.kind === 'retension' ? evening.lines : [])
      expect(line.by).toBe(result.takeUp.find((t) => t.row === line.row && t.caseId === 'evening')!.by);
  });
  test('hours in which it gives are those whose gust reaches where its ladder gave, with its shelter', () => {
    expect(storm.hours.map((h) => h.fares === 'gives' || h.fares === 'flaps')).toEqual([
      false,
      false,
      true,
      true,
      false,
      false,
      true,
    ]);
    expect(storm.hours[2]!.times).toBeCloseTo(1 / 1.2 ** 2, 3);
    expect(storm.hours[0]!.gust).toBeCloseTo(2 * shelter, 9);
  });
  test('hours in a row are one thing to do before the first of them, for the hardest of them', () => {
    const before = storm.tasks.filter((t): t is Before => t.kind === 'before');
    expect(before.map((t) => t.time)).toEqual([EIGHT + 2 * HOUR, EIGHT + 6 * HOUR]);
    expect(before[0]!.worst.time).toBe(EIGHT + 3 * HOUR);
    expect(before[0]!.fall!.name).toMatch(/peg in silty sand/);
    expect(tell(nightWords(storm))).toBe('It does not get through these 7 hours as it is.');
    const { what, how } = taskWords(before[0]!);
    expect(what).toMatch(/before this$/);
    expect(how).toMatch(/^The peg in silty sand, right middle, gives in gusts of \d/);
  });
  test('with less than twice an hour’s pressure to spare it says so', () => {
    const tight = night(hours([2, (0.85 * gives) / shelter, 2]));
    expect(tight.hours.map((h) => h.fares)).toEqual(['holds', 'little', 'holds']);
    expect(tell(nightWords(tight))).toMatch(/with little to spare/);
  });
  test('in a gale trees are left, whatever would be changed', () => {
    const gale = night(hours([2, 30]));
    const before = gale.tasks.find((t): t is Before => t.kind === 'before')!;
    expect(before.leave).toBe(true);
    expect(taskWords(before).what).toBe('Take it down and leave the trees before this');
  });
  test('what gives in still air gives in an hour without wind too', () => {
    const cape = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/cape-end-tied.rig.json'), 'utf8'));
    const still = nightOf(cape.rig, contextOf(cape), { takeUp: [], rows: [] }, hours([0]), SI)!;
    expect(still.hours[0]).toMatchObject({ fares: 'gives', times: 0 });
  });
  test('stopped, it is none; without a forecast there is no night', () => {
    expect(nightOf(rig, context, result, hours([1, 2]), SI, () => false)).toBeNull();
    expect(() => nightOf(rig, context, result, [], SI)).toThrow(/forecast: no hours/);
  });
  test('as a calendar: an event and an alarm for each, whose ids stay the same', () => {
    const text = nightCalendar('gable', 'Gable; by the spit', storm.tasks, SI, EIGHT);
    const count = (line: RegExp): number => text.match(line)?.length ?? 0;
    expect(text.startsWith('BEGIN:VCALENDAR\r\n')).toBe(true);
    expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true);
    expect(count(/^BEGIN:VEVENT/gm)).toBe(storm.tasks.length);
    expect(count(/^TRIGGER:-PT15M/gm)).toBe(storm.tasks.length);
    expect(text).toContain('DTSTART:20300404T220000Z');
    expect(text).toContain('SUMMARY:Gable\\; by the spit: ');
    expect(text).toContain(`UID:gable-before-${EIGHT + 2 * HOUR}@rough-bight`);
    // no line longer than 75 bytes (RFC 5545, 3.1)
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    expect(nightCalendar('gable', 'Gable; by the spit', storm.tasks, SI, EIGHT)).toBe(text);
  });
});
