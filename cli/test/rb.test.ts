import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { main } from '../src/main.js';

function rb(...args: string[]): { code: number; out: string; err: string } {
  const out: string[] = [];
  const err: string[] = [];
  const code = main(args, { out: (t) => out.push(t), err: (t) => err.push(t) });
  return { code, out: out.join('\n'), err: err.join('\n') };
}
interface Answer {
  tension: number;
  horizontal: number;
  sag: number;
  sagAt: number;
  unstressedLength: number;
  pretension: number;
  anchors: { horizontal: number; vertical: number; resultant: number }[];
  warnings?: string[];
}
const json = (...args: string[]): Answer => JSON.parse(rb('ridge', ...args, '--json').out) as Answer;

describe('rb ridge', () => {
  test('a stiff weightless V by hand', () => {
    const r = json('--span', '6', '--ea', '1e9', '--sag', '0.5', '--load', '100@3');
    expect(r.tension).toBeCloseTo(50 / Math.sin(Math.atan(0.5 / 3)), 4);
    expect(r.anchors[0]!.vertical).toBeCloseTo(50, 6);
    expect(r.anchors[1]!.horizontal).toBeCloseTo(r.horizontal, 9);
    expect(r.sagAt).toBeCloseTo(3, 6);
  });

  test('X lies along the straight bare line, so a load at a third stays at a third', () => {
    const r = json(
      '--span',
      '3',
      '--rise',
      '4',
      '--ea',
      '1e9',
      '--take-up',
      '0',
      '--load',
      '0.001@1',
      '--load',
      '0.001@4',
    );
    expect(r.anchors[0]!.vertical + r.anchors[1]!.vertical).toBeCloseTo(0.002, 8);
  });

  test('take-up, pretension and dip tell of the same line', () => {
    const up = json('--span', '6', '--ea', '8000', '--weight', '0.06', '--take-up', '0.1');
    expect(up.unstressedLength).toBeCloseTo(5.9, 12);
    expect(up.pretension).toBeCloseTo((8000 * 0.1) / 5.9, 8);
    const pre = json('--span', '6', '--ea', '8000', '--weight', '0.06', `--pretension=${up.pretension}`);
    expect(pre.unstressedLength).toBeCloseTo(5.9, 9);
    const mass = 19.6133 / 9.80665;
    const hung = json('--span', '6', '--ea', '8000', '--weight', '0.06', '--take-up', '0.1', '--load', '19.6133@3');
    const dip = hung.sag - up.sag;
    const back = json('--span', '6', '--ea', '8000', '--weight', '0.06', '--dip', `${mass}@3=${dip}`);
    expect(back.unstressedLength).toBeCloseTo(5.9, 8);
  });

  test('a catalogue cord, as text and with a warning past its strength', () => {
    expect(rb('ridge', '--span', '6', '--cord', 'nylon-550-4', '--pretension', '200').out).toMatch(
      /largest tension {5}200\.0 N/,
    );
    expect(json('--span', '6', '--cord', 'sisal-3', '--pretension', '900').warnings?.[0]).toMatch(/would have broken/);
  });

  test.each([
    [['--span', '-3', '--ea', '5', '--sag', '1'], /^--span: -3; allowed: .*above 0/],
    [['--ea', '5', '--sag', '1'], /^--span: \(nothing\)/],
    [['--span', '6', '--ea', 'x', '--sag', '1'], /^--ea: x; allowed/],
    [['--span', '6', '--sag', '1'], /^--cord: /],
    [['--span', '6', '--cord', 'rope', '--sag', '1'], /^--cord: rope; allowed: nylon-550-4/],
    [['--span', '6', '--cord', 'sisal-3', '--weight', '1', '--sag', '1'], /^--weight: 1; allowed: only with --ea/],
    [['--span', '6', '--ea', '5', '--cord', 'sisal-3', '--sag', '1'], /^--ea: 5; allowed: either/],
    [['--span', '6', '--ea', '5'], /none given; allowed: exactly one/],
    [['--span', '6', '--ea', '5', '--sag', '1', '--take-up', '0'], /--sag and --take-up given/],
    [['--span', '6', '--ea', '5', '--sag', '1', '--sag', '2'], /^--sag: 1 and 2; allowed: given once/],
    [['--span', '6', '--ea', '5', '--take-up', '6'], /^--take-up: 6; allowed: .*below the straight length, 6 m/],
    [['--span', '6', '--ea', '5', '--pretension', '-1'], /^--pretension: -1/],
    [['--span', '6', '--ea', '5', '--pretension', '1', '--load', '5@6'], /^--load: 5@6; allowed: X above 0/],
    [['--span', '6', '--ea', '5', '--pretension', '1', '--load', '5'], /^--load: 5; allowed: N@X/],
    [['--span', '6', '--ea', '5', '--dip', '2@3'], /^--dip: 2@3; allowed: KG@X=M/],
    [['--span', '6', '--ea', '500', '--weight', '1', '--dip', '0.1@3=5'], /^--dip: .*nearest possible/],
    [['--span', '6', '--ea', '5', '--sag', '1'], /^--sag: 1; allowed: a weightless line/],
    [['--span', '6', 'stray'], /^argument: stray/],
    [['--span', '6', '--lenght', '5'], /^option: --lenght/],
    [['--span'], /^--span: \(nothing\); allowed: a value/],
  ] as const)('%j is bad input: exit 2, one line naming it', (args, line) => {
    const r = rb('ridge', ...args);
    expect(r.code).toBe(2);
    expect(r.out).toBe('');
    expect(r.err).toMatch(line);
    expect(r.err).not.toContain('\n');
  });

  test('whatever is typed, it answers or says what is wrong', () => {
    const word = fc.oneof(
      fc.constantFrom(
        '--span',
        '--ea',
        '--sag',
        '--load',
        '--dip',
        '--json',
        '6',
        '3@2',
        '1@2=0.1',
        '-1',
        '1e400',
        'NaN',
        '',
      ),
      fc.string(),
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 9 }), (args) => {
        expect([0, 2, 3]).toContain(rb('ridge', ...args).code);
      }),
      { numRuns: 500, seed: 4 },
    );
  });
});

test('rb cords lists every cord with its evidence', () => {
  const { code, out } = rb('cords');
  expect(code).toBe(0);
  expect(out.split('\n')).toHaveLength(13);
  expect(out).toMatch(/elastic-5 .*never counted as strength/);
  expect((JSON.parse(rb('cords', '--json').out) as unknown[]).length).toBe(12);
});

test('an unknown command names the known ones', () => {
  expect(rb('knit')).toMatchObject({
    code: 2,
    err: 'command: knit; allowed: cords, ridge, rig, size, work, card, net',
  });
  expect(rb().code).toBe(0);
});
