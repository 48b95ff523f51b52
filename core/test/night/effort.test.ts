import { describe, expect, test } from '@jest/globals';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { contextOf, readRigFile } from '../../src/formats/index.js';
import { betweenTheSame, effortOf } from '../../src/night/index.js';
import type { Handed } from '../../src/night/index.js';
import { layoutOf } from '../../src/pitch/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { effortWords } from '../../src/words/index.js';

const file = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs/gravel-spit-gable.rig.json'), 'utf8'));
const context = contextOf(file);
const { rig } = file;
const pitch = rig.pitch!;
const keys = layoutOf(rig, context).reaches.map((r) => r.key.id);
const own = (key: string, change: Partial<typeof pitch.guy>): RidgeRig => ({
  ...rig,
  pitch: { ...pitch, own: { ...pitch.own, [key]: { ...pitch.own[key], ...change } } },
});
const touched = (after: RidgeRig): Handed['what'][] => effortOf(rig, after, context).touched.map((t) => t.what);

describe('what a change asks of hands', () => {
  test('nothing where nothing is changed, or only its weather', () => {
    for (const same of [rig, { ...rig, wind: { ...rig.wind, beaufort: 2 } }]) {
      const effort = effortOf(rig, same, context);
      expect(effort).toEqual({ touched: [], minutes: 0, minutesInDark: 0, alone: true });
      expect(effortWords(effort)).toBe('Nothing is to be moved.');
    }
  });
  test.each(readdirSync(join(process.cwd(), 'examples/rigs')))('%s is nothing to make of itself', (name) => {
    const of = readRigFile(readFileSync(join(process.cwd(), 'examples/rigs', name), 'utf8'));
    expect(of.rig.pitch === undefined ? [] : effortOf(of.rig, of.rig, contextOf(of)).touched).toEqual([]);
  });
  test('one guy: its foot, its knot, its haul, off', () => {
    const key = keys[0]!;
    const foot = layoutOf(rig, context).reaches[0]!.foot;
    expect(touched(own(key, { foot: [foot[0], foot[1] + 0.4] }))).toEqual(['foot']);
    expect(touched(own(key, { hitch: 'knot' }))).toEqual(['knot']);
    expect(touched(own(key, { haul: 80 }))).toEqual(['haul']);
    expect(touched(own(key, { off: true }))).toContain('take-off');
    const moved = effortOf(rig, own(key, { foot: [foot[0], foot[1] + 0.4] }), context);
    expect(effortWords(moved)).toBe(
      '1 foot set anew: about 2 minutes by day, 4 minutes in the dark; one alone does it.',
    );
  });
  test('a log dug in is no peg: it takes half an hour, a weight is brought', () => {
    const key = keys[0]!;
    const dug = effortOf(rig, own(key, { anchor: { kind: 'buried', length: 1, width: 0.1, depth: 0.4 } }), context);
    expect(effortWords(dug)).toBe(
      '1 log or bag dug in: about 30 minutes by day, 60 minutes in the dark; one alone does it.',
    );
    expect(touched(own(key, { anchor: { kind: 'weight', name: 'log', mass: 60 } }))).toEqual(['brought']);
  });
  test('an edge that comes lower moves its three guys and no others', () => {
    const lower: RidgeRig = {
      ...rig,
      pitch: { ...pitch, shape: { ...pitch.shape, edges: [pitch.shape.edges[0] - 0.2, pitch.shape.edges[1]] } },
    };
    const { touched: parts, alone } = effortOf(rig, lower, context);
    expect(parts).toHaveLength(3);
    expect(parts.every((t) => 'name' in t && /left/.test(t.name ?? ''))).toBe(true);
    expect(alone).toBe(true);
  });
  test('the ridge: hauled anew by one, tied lower by two; without its line, or as a form without one, all of it', () => {
    const tighter: RidgeRig = { ...rig, tensioning: { ...rig.tensioning, how: 'tension', tension: 500 } };
    expect(touched(tighter)).toContain('ridge-haul');
    const [first, second] = rig.trunks;
    const down: RidgeRig = { ...rig, trunks: [{ ...first, tieHeight: first.tieHeight - 0.3 }, second] };
    const lower = effortOf(rig, down, context);
    expect(lower.touched.filter((t) => t.what === 'ridge-tie')).toEqual([{ what: 'ridge-tie', end: 0 }]);
    expect(lower.alone).toBe(false);
    expect(effortWords(lower)).toMatch(/it wants two\.$/);
    const ends = effortOf(rig, { ...rig, pitch: { ...pitch, line: 'none' } }, context);
    expect(ends.touched).toEqual([{ what: 'all', name: null }]);
    expect(touched({ ...rig, pitch: { ...pitch, form: 'prop' } })).toEqual(['all']);
    expect(effortWords(ends)).toBe(
      '1 roof pitched anew: about 25 minutes by day, 50 minutes in the dark; it wants two.',
    );
  });
  test('a form in which the cloth hangs as it did is what its edges ask, whatever it is called', () => {
    expect(touched({ ...rig, pitch: { ...pitch, form: 'storm' } })).toEqual([]);
    const edges = [pitch.shape.edges[0] - 0.2, pitch.shape.edges[1]] as const;
    const dropped: RidgeRig = {
      ...rig,
      pitch: { ...pitch, form: 'storm', shape: { ...pitch.shape, edges: [...edges] } },
    };
    const { touched: parts, alone } = effortOf(rig, dropped, context);
    // three guys of the left edge are moved, and nothing else is touched
    expect(parts).toHaveLength(3);
    expect(parts.every((t) => 'name' in t && /left/.test(t.name ?? ''))).toBe(true);
    expect(alone).toBe(true);
  });
  test('from square to diagonal it turns on its middle: hitches and feet are moved, the line is not', () => {
    const diagonal: RidgeRig = { ...rig, pitch: { ...pitch, form: 'diagonal', own: {}, order: [] } };
    for (const [a, b] of [
      [rig, diagonal],
      [diagonal, rig],
    ] as const) {
      const { touched: parts, alone } = effortOf(a, b, context);
      const kinds = parts.map((t) => t.what);
      expect(kinds.slice(0, 2)).toEqual(['turn', 'hitches']);
      expect(kinds).toContain('foot');
      for (const kind of ['all', 'ridge-tie', 'ridge-haul'] as const) expect(kinds).not.toContain(kind);
      // every guy is off while it turns
      expect(alone).toBe(false);
      const all = effortOf(a, { ...b, pitch: { ...b.pitch!, line: 'none' } }, context);
      expect(all.touched.map((t) => t.what)).toEqual(['all']);
    }
    expect(effortWords(effortOf(rig, diagonal, context))).toContain('turned on its middle, which stays on the line');
  });
  test('one is made of another only between the same trees', () => {
    const { body } = context;
    expect(betweenTheSame(rig, { ...rig, pitch: { ...pitch, form: 'storm' } }, body)).toBe(true);
    expect(betweenTheSame(rig, { ...rig, span: { ...rig.span, how: 'tape', tape: 12 } }, body)).toBe(false);
    const [first, second] = rig.trunks;
    expect(betweenTheSame(rig, { ...rig, trunks: [first, { ...second, name: 'the other willow' }] }, body)).toBe(false);
  });
  test('there and back touches as much', () => {
    const key = keys[2]!;
    const there = own(key, { haul: 90, hitch: 'cleat' });
    expect(effortOf(there, rig, context).minutes).toBe(effortOf(rig, there, context).minutes);
  });
});
