import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from '@jest/globals';
import { example, rb } from './run.js';

const folder = mkdtempSync(join(tmpdir(), 'rough-bight-rig-'));
afterAll(() => rmSync(folder, { recursive: true }));
interface Said {
  readonly lines: readonly {
    role: string;
    tension: number;
    unstressedLength: number;
    governs: string;
    margin: number;
    required: number;
  }[];
  readonly anchors: readonly { id: string; horizontal: number; uplift: number; capacity: number; margin: number }[];
  readonly hitches: readonly { gripRatio: number; gripRatioWet: number; margin: number; slid: number }[];
  readonly cloth: { maxStress: number; slackShare: number; pondedLitres: number };
  readonly converged: boolean;
  readonly residual: number;
  readonly case: string;
}
const json = (...args: string[]): Said => JSON.parse(rb('rig', ...args, '--json').out) as Said;

describe('rb rig', () => {
  test.each(['gable-on-a-boulder', 'shade-between-two-poles', 'gable-tied-by-its-ends', 'lean-to-drawn-up'])(
    '%s: every line of it is told, whatever it is tied to and joined of',
    (name) => {
      const { code, out, err } = rb('rig', example(name), '--wind', '4@90');
      expect([code, err]).toEqual([0, '']);
      expect(out).toMatch(/covers \d/);
    },
  );
  test('a cord joined on has a row of its own, with the line’s pull; guys that live on the cloth say what is over', () => {
    const said = json(example('gable-on-a-boulder'), '--wind', '4@90') as Said & {
      readonly kept: readonly { readonly kept: number; readonly over: number }[];
    };
    const [ridge, on] = ['ridge', 'extension'].map((role) => said.lines.find((l) => l.role === role)!);
    expect(on!.tension).toBe(ridge!.tension);
    expect(said.kept.length).toBeGreaterThan(3);
    for (const k of said.kept) {
      expect(k.kept).toBe(3);
      expect(k.over).toBeGreaterThan(0);
      expect(k.over).toBeLessThan(3);
    }
    expect(rb('rig', example('gable-on-a-boulder'), '--wind', '4@90').out).toMatch(
      /3\.00 m on the cloth, \d\.\d\d m over/,
    );
  });
  test('with --ladder it turns the wind up until the roof is down, and says what gave and to leave before', () => {
    const { code, out } = rb('rig', example('drum-tight-bed'), '--ladder', '--wind', '5@200');
    expect(code).toBe(0);
    expect(out).toMatch(/wind turned up from the south-south-west, dry/);
    expect(out).toMatch(/at \d+\.\d m\/s .* gives: .* hangs free/);
    expect(out).toMatch(/leave before/i);
    expect(out.trimEnd().split('\n')).toContain('Leave, whatever still stands.');
    const said = JSON.parse(rb('rig', example('drum-tight-bed'), '--ladder', '--wind', '5@200', '--json').out) as {
      ladder: { from: number; rungs: { beaufort: number; falls: { at: number }[] }[]; end: string };
    };
    expect(said.ladder.from).toBe(200);
    expect(said.ladder.rungs.map((r) => r.beaufort)).toEqual([...said.ladder.rungs.keys()]);
  });
  test('with --rain and --people it turns those up', () => {
    expect(rb('rig', example('hammock-fly'), '--ladder', '--rain').out).toMatch(/rain on the soaked rig[^]*60 mm/);
    const { code, out } = rb('rig', example('bed-on-one-alder'), '--ladder', '--people', '--json');
    expect(code).toBe(0);
    const { ladder } = JSON.parse(out) as { ladder: { of: string; rungs: { level: number }[] } };
    expect(ladder.of).toBe('people');
    expect(ladder.rungs.at(-1)!.level).toBeGreaterThan(200);
  });
  test.each([
    [['--rain'], /--rain: it goes with --ladder/],
    [['--ladder', '--rain', '--snow', 'wet'], /--rain: it does not go with --snow/],
    [['--ladder', '--people'], /--people: this rig has no bed/],
    [['--snow', 'wet'], /--snow: it goes with --ladder/],
    [['--seed', '3'], /--seed: it goes with --samples/],
    [['--samples', '1.5'], /--samples: 1\.5; allowed: a whole number/],
    [['--ladder', '--snow', 'slush'], /--snow: slush; allowed: one of powder/],
  ])('%j is refused with what would be right', (options, message) => {
    const { code, err } = rb('rig', example('hammock-fly'), ...options);
    expect(code).toBe(2);
    expect(err).toMatch(message);
  });
  test('prints lines, anchors, hitches and cloth, and exits 0', () => {
    const { code, out, err } = rb('rig', example('hammock-fly'));
    expect(err).toBe('');
    expect(code).toBe(0);
    for (const words of [
      'ridgeline',
      'left corner guy',
      'grip ratio',
      'out of balance',
      'covers',
      'the drift log',
      'first hitch',
    ])
      expect(out).toContain(words);
  });
  test('as JSON, with what the issue of a line is', () => {
    const said = json(example('gravel-spit-gable'));
    const guy = said.lines.find((l) => l.role === 'guy')!;
    expect(guy.governs).toMatch(/peg in silty sand/i);
    expect(guy.required).toBe(2);
    expect(guy.unstressedLength).toBeGreaterThan(0.3);
    expect(said.lines.find((l) => l.role === 'ridge')!.tension).toBeGreaterThan(100);
    expect(said.anchors.filter((a) => a.id.startsWith('foot'))).toHaveLength(6);
    expect(said.hitches).toHaveLength(2);
    expect(said.converged).toBe(true);
    expect(said.residual).toBeLessThan(0.01);
    expect(said.case).toBe('pitched');
  });
  test('a given wind loads it, harder from the open side', () => {
    const [calm, gust] = [
      json(example('storm-side-down'), '--wind', '0@0'),
      json(example('storm-side-down'), '--wind', '14@180'),
    ];
    const most = (s: Said): number => Math.max(...s.lines.map((l) => l.tension));
    expect(most(gust)).toBeGreaterThan(most(calm));
    expect(gust.case).toBe('gust');
    expect(json(example('storm-side-down'), '--wet').case).toBe('wet');
  });
  test.each([
    [['rig'], /file: \(nothing\); give one rig file/],
    [['rig', 'nowhere.json'], /file: nowhere.json cannot be read/],
    [['rig', example('hammock-fly'), '--wind', '12@3@4'], /--wind: 12@3@4; allowed: M\/S@DEG/],
    [['rig', example('hammock-fly'), '--wind', '12@400'], /--wind: 12@400; allowed: a bearing/],
    [['rig', example('hammock-fly'), '--storm'], /option: --storm/],
  ])('%j is refused in one line', (args, message) => {
    const { code, out, err } = rb(...args);
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).toMatch(message);
    expect(err).not.toContain('\n');
  });
  test('a file that does not fit is named by field; one without roof and bed is sent to rb ridge', () => {
    const text = readFileSync(example('hammock-fly'), 'utf8');
    const file = join(folder, 'bad.rig.json');
    writeFileSync(file, text.replace('"haul": 40', '"haul": 4000'));
    expect(rb('rig', file).err).toMatch(/^rig\.pitch\.guy\.haul: The haul of a guy must be a number from 0 to 600/);
    const parsed = JSON.parse(text) as { rig: Record<string, unknown> };
    delete parsed.rig['pitch'];
    writeFileSync(file, JSON.stringify(parsed));
    expect(rb('rig', file).err).toMatch(/neither a roof pitched on it nor a bed; rb ridge/);
  });
  test('a bed is told with its ends, cases, trunks and the roof over it', () => {
    const out = JSON.parse(rb('rig', example('river-bed-under-the-fly'), '--json').out) as {
      verdict: { holds: boolean };
      form: string;
      converged: boolean;
      anchors: { id: string; name: string }[];
      bed: {
        height: number;
        ends: { angle: number; tension: number; horizontal: number; vertical: number; footMoment: number }[];
        cases: { id: string; force: number; straps: number[] }[];
        lines: { id: string; margin: number | null; required: number | null }[];
        trunks: {
          id: string;
          worst: { moment: number };
          loads: { caseId: string; roof: number; bed: number; level: number; moment: number }[];
        }[];
        roofOver: { dryInRain: number; overhang: number[] };
        drips: { id: string; runsIn: boolean; wets: boolean }[];
      };
    };
    expect(out).toMatchObject({ converged: true, verdict: { holds: true } });
    const { bed } = out;
    expect(bed.height).toBeCloseTo(0.45, 2);
    for (const e of bed.ends) expect(Math.hypot(e.horizontal, e.vertical)).toBeCloseTo(e.tension, 0);
    expect(bed.cases.map((c) => c.id)).toEqual([
      'empty',
      'sitting',
      'lying',
      'settled',
      'soaked',
      'leaning',
      'getting-in',
      'dropping',
      'swinging',
    ]);
    expect(bed.trunks.map((t) => t.id)).toEqual(['trunk0', 'trunk1']);
    bed.trunks.forEach((t, i) => {
      expect(t.worst.moment).toBeCloseTo(Math.max(...t.loads.map((l) => l.moment)), 2);
      expect(bed.ends[i]!.footMoment).toBeCloseTo(t.loads.find((l) => l.caseId === 'pitched+lying')!.moment, 2);
    });
    // what the roof alone does to a trunk that bears the bed too is called that
    expect(out.anchors.filter((a) => a.id.startsWith('trunk')).every((a) => a.name.endsWith(', roof alone'))).toBe(
      true,
    );
    expect(bed.roofOver.dryInRain).toBe(1);
    expect(bed.drips.map((d) => d.id)).toEqual(['strap0', 'strap1', 'ridge0', 'ridge1']);
    const text = rb('rig', example('drum-tight-bed')).out;
    expect(text).toMatch(/^Drum-tight bed: gable/);
    expect(text).toMatch(/dropping in +\d+/);
    expect(text).toMatch(/note: Water runs in along the first strap/);
  });
  test('a bed without a roof over it is solved too, on one tree', () => {
    const { code, out } = rb('rig', example('bed-on-one-alder'));
    expect(code).toBe(0);
    expect(out).toMatch(/left back-stay/);
    expect(out).toMatch(/the pole {2,}strap \d+\.\d° below level/);
  });
  test('help tells what it takes', () => {
    expect(rb('rig', '--help').out).toMatch(/rb rig FILE \[--wind M\/S\[@DEG\]\]/);
    expect(rb('help').out).toMatch(/rb rig FILE/);
  });
});

test('every case’s shape is told with what acts on it: its balance can be checked without this program', () => {
  interface Shapes {
    readonly shapes: readonly {
      readonly case: string;
      readonly bearing: number | null;
      readonly toward: readonly number[] | null;
      readonly q: number;
      readonly law: string | null;
      readonly converged: boolean;
      readonly luffing: boolean;
      readonly nodes: readonly (readonly number[])[];
      readonly panels: readonly (readonly number[])[];
      readonly pressure: readonly number[];
      readonly ground: readonly number[];
    }[];
  }
  const { shapes } = json(example('hammock-fly'), '--wind', '6', '--shape') as unknown as Shapes;
  const gusts = shapes.filter((s) => s.case === 'gust');
  expect(new Set(gusts.map((s) => s.bearing)).size).toBe(16);
  expect(new Set(gusts.map((s) => s.law))).toEqual(new Set(['plate', 'push', 'lift', 'blocked']));
  expect(shapes.filter((s) => s.case === 'wet-gust')).toHaveLength(64);
  for (const s of shapes) {
    expect(s.pressure).toHaveLength(s.panels.length);
    expect(s.ground).toHaveLength(s.nodes.length);
    if (s.bearing === null) {
      expect([s.toward, s.law, s.q]).toEqual([null, null, 0]);
      continue;
    }
    expect(Math.hypot(...s.toward!)).toBeCloseTo(1, 9);
    expect(s.q).toBeCloseTo(0.5 * 1.25 * 36, 6);
    if (s.law !== 'plate' || s.luffing) continue;
    // nothing presses harder than a plate across the flow at its peak
    expect(Math.max(...s.pressure.map(Math.abs))).toBeLessThan(1.46 * s.q);
  }
  const one = json(example('hammock-fly'), '--wind', '6@30', '--shape') as unknown as Shapes;
  expect(new Set(one.shapes.filter((s) => s.bearing !== null).map((s) => s.bearing))).toEqual(new Set([30]));
});
