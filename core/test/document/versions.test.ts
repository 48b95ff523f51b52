import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { UnknownVersion, bringUp, misfits } from '../../src/document/index.js';
import type { Versions } from '../../src/document/index.js';
import { FILE_VERSIONS, PLACE_VERSIONS, RIG_VERSIONS, noteWith } from '../../src/formats/index.js';
import { evaluateRidge, rigDocument } from '../../src/rig/index.js';
import type { Hung, RidgeRig } from '../../src/rig/index.js';
import { DEFAULT_REQUIRED } from '../../src/strength/index.js';

const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8'));
const context = { kit: camp.kit, body: camp.person.body, required: DEFAULT_REQUIRED };
const gable = camp.rigs[0].rig as RidgeRig;
const lamp = { id: 'lamp', name: 'lantern', mass: 0.4, at: 2.2 };
/** A rig of before with a roof told by its mass, on a bare line. */
const before = {
  ...gable,
  format: 'rough-bight/ridge@1',
  sway: 0.05,
  hung: [lamp],
  roof: { on: true, mass: 0.9, wetMass: 1.7, at: [1.2, 4.4], area: 4.5 },
};

describe('a chain of versions', () => {
  const chain: Versions = {
    now: 'x@3',
    steps: [
      { from: 'x@1', to: 'x@2', bring: (old) => ({ ...old, b: 1 }), lost: () => 'b is new.' },
      { from: 'x@2', to: 'x@3', bring: (old) => ({ ...old, c: (old['b'] as number) + 1 }) },
    ],
  };
  test('goes step by step, says what was lost, and leaves what is new alone', () => {
    expect(bringUp(chain, { format: 'x@1', a: 0 })).toEqual({
      document: { format: 'x@3', a: 0, b: 1, c: 2 },
      from: 'x@1',
      lost: ['b is new.'],
    });
    const now = { format: 'x@3', b: 5 };
    expect(bringUp(chain, now)).toEqual({ document: now, from: 'x@3', lost: [] });
  });
  test('a version it does not know is refused by name, with the field where it stands', () => {
    for (const value of [{ format: 'x@9' }, { format: 7 }, {}, null, undefined, 'x@1', []]) {
      expect(() => bringUp(chain, value)).toThrow(UnknownVersion);
    }
    expect(() => bringUp(chain, { format: 'x@9' })).toThrow(
      /“x@9” is not a version this program knows. It reads x@1, x@2, x@3/,
    );
    try {
      bringUp(chain, {}, 'rig');
    } catch (error) {
      expect((error as UnknownVersion).field).toBe('rig.format');
    }
  });
  test('every step of every chain leads to one that is there, and none of them throws, whatever it is given', () => {
    for (const { now, steps } of [FILE_VERSIONS, RIG_VERSIONS, PLACE_VERSIONS]) {
      const known = new Set([now, ...steps.map((s) => s.from)]);
      for (const step of steps) {
        expect(known.has(step.to)).toBe(true);
        expect(step.from).not.toBe(step.to);
        fc.assert(
          fc.property(
            fc.dictionary(
              fc.constantFrom('hung', 'roof', 'pitch', 'kit', 'settings', 'rig', 'rule', 'bed'),
              fc.jsonValue(),
            ),
            (old) => {
              step.bring({ ...old, format: step.from });
              step.lost?.({ ...old, format: step.from });
            },
          ),
        );
      }
    }
  });
});

describe('a rig of before its side stay was held by any support', () => {
  const { designRule, ...gist } = gable;
  const old = { ...gist, format: 'rough-bight/ridge@2', rule: designRule };
  const fly = camp.rigs.find((r: { rig: RidgeRig }) => r.rig.bed !== undefined).rig as RidgeRig;
  const withAside = (aside: unknown): RidgeRig => {
    const { designRule: rule, bed, ...rest } = fly;
    const others = Object.fromEntries(Object.entries(bed!).filter(([key]) => key !== 'sideStay'));
    const raw = { ...rest, format: 'rough-bight/ridge@2', rule, bed: { ...others, aside } };
    return bringUp(RIG_VERSIONS, raw).document as RidgeRig;
  };
  test('says the same by its later names, and nothing is lost', () => {
    expect(bringUp(RIG_VERSIONS, old)).toEqual({ document: gable, from: 'rough-bight/ridge@2', lost: [] });
    expect(withAside(null)).toEqual(fly);
    const cord = { cord: fly.cord, side: 'left', out: 1.2, haul: 20 };
    const brought = withAside({ ...cord, pegs: 'cut' });
    expect(misfits(rigDocument, brought)).toEqual([]);
    expect(brought.bed!.sideStay).toEqual({ ...cord, anchor: { kind: 'peg', pegs: 'cut', inLine: 1, lean: 0.35 } });
  });
  test('what does not fit is left for the check to name', () => {
    expect(misfits(rigDocument, withAside(7)).length).toBeGreaterThan(0);
    expect(misfits(rigDocument, withAside({})).length).toBeGreaterThan(0);
  });
});

describe('a rig of before its roof on a bare line was things hung', () => {
  const { document, lost } = bringUp(RIG_VERSIONS, before);
  const rig = document as RidgeRig;
  test('fits this version, and says what became of the roof', () => {
    expect(misfits(rigDocument, rig)).toEqual([]);
    expect(rig.hung).toEqual([
      { ...lamp, wetMass: 0.4, area: 0 },
      { id: 'roof-0', name: 'one end of the roof', mass: 0.45, wetMass: 0.85, area: 2.25, at: 1.2 },
      { id: 'roof-1', name: 'the other end of the roof', mass: 0.45, wetMass: 0.85, area: 2.25, at: 4.4 },
    ] satisfies Hung[]);
    expect(lost).toEqual([expect.stringMatching(/two things hung now/)]);
  });
  test('pulls as it did: what the version before made of it, case by case', () => {
    const r = evaluateRidge(rig, context);
    const was: Readonly<Record<string, readonly [tension: number, sag: number]>> = {
      pitched: [281.64907433481613, 0.04693304630923788],
      settled: [259.5189690460407, 0.050942293058508316],
      evening: [241.79933134021854, 0.05468203679231521],
      wet: [143.80239297525645, 0.14052460913679132],
      gust: [339.19811826470817, 0.03964611124952062],
      'wet-gust': [225.36181907231526, 0.09354943337917623],
      sway: [326.4633136254103, 0.04078351386385269],
    };
    expect(r.cases.map((c) => c.id).sort()).toEqual(Object.keys(was).sort());
    for (const c of r.cases) {
      expect(c.tension.value).toBeCloseTo(was[c.id]![0], 6);
      expect(c.sag.value).toBeCloseTo(was[c.id]![1], 9);
    }
    const margins = Object.fromEntries(r.ledger.map((l) => [l.link.id, l.link.margin.value]));
    expect(margins['grip-0']).toBeCloseTo(6.5006487270858635, 6);
    expect(margins['end-1']).toBeCloseTo(3.6187116988634496, 6);
    expect(r.unguyed).toBe(4.5);
  });
  test('a roof that was off, or that a pitched one stood for, leaves nothing behind and is not told', () => {
    for (const other of [{ roof: { ...before.roof, on: false } }, { pitch: camp.rigs[3].rig.pitch }]) {
      const brought = bringUp(RIG_VERSIONS, { ...before, ...other });
      expect(brought.lost).toEqual([]);
      expect((brought.document as RidgeRig).hung).toHaveLength(1);
      expect(brought.document).not.toHaveProperty('roof');
    }
  });
});

test('a note keeps what was written before what is said after it, within its length', () => {
  expect(noteWith('', ['Said.'])).toBe('Said.');
  expect(noteWith('Written.', ['Said.', 'More.'])).toBe('Written.\nSaid. More.');
  const long = noteWith('w'.repeat(400), ['Said.']);
  expect(long).toHaveLength(399);
  expect(long).toMatch(/^w+…\nSaid\.$/);
});

describe('a rig of before roots were measured', () => {
  const roofed = (camp.rigs as { rig: RidgeRig }[]).find((r) => r.rig.pitch !== undefined)!.rig;
  const root = { kind: 'root', name: 'the alder root' };
  const old = {
    ...roofed,
    format: 'rough-bight/ridge@3',
    pitch: { ...roofed.pitch!, own: { '01': { anchor: root }, '11': { haul: 30 } } },
  };
  test('has each as thick as a thumb, says so, and is otherwise as it was', () => {
    const { document, lost } = bringUp(RIG_VERSIONS, old);
    const { pitch } = document as RidgeRig;
    expect(pitch!.own['01']!.anchor).toEqual({ ...root, thickness: 0.03, free: 0.3 });
    expect(pitch!.own['11']).toEqual({ haul: 30 });
    expect(lost.join(' ')).toContain('root');
    expect(misfits(rigDocument, document)).toEqual([]);
    expect(bringUp(RIG_VERSIONS, { ...gable, format: 'rough-bight/ridge@3' })).toMatchObject({
      document: gable,
      lost: [],
    });
  });
});
