import { wrongInKit } from '../../src/rig/index.js';
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  FileProblem,
  RIG_FORMAT,
  readRigFile,
  renameKit,
  rigFile,
  rigFileJsonSchema,
  contextOf,
  writeRigFile,
} from '../../src/formats/index.js';
import type { RigFile } from '../../src/formats/index.js';
import { misfit } from '../../src/document/index.js';
import { pitchDocument, usedBy } from '../../src/rig/index.js';
import { PITCH_FORMS } from '../../src/roof/index.js';
import { contextFor, rigOf, roofFor } from './helper.js';

const folder = join(process.cwd(), 'examples/rigs');
const files = readdirSync(folder).filter((f) => f.endsWith('.rig.json'));
const gravel = readFileSync(join(folder, 'gravel-spit-gable.rig.json'), 'utf8');
/** The gravel file with one field changed, or taken out. */
const broken = (path: string, value?: unknown): string => {
  const file = JSON.parse(gravel) as Record<string, unknown>;
  const parts = path.split('.');
  const last = parts.pop()!;
  const at = parts.reduce((o, k) => o[k] as Record<string, unknown>, file);
  if (value === undefined) delete at[last];
  else at[last] = value;
  return JSON.stringify(file);
};
const problem = (text: string): string => {
  try {
    readRigFile(text);
  } catch (error) {
    if (error instanceof FileProblem) return error.message;
    throw error;
  }
  return '';
};

describe('rig files', () => {
  test('the demo rigs are such files, one for most forms, and read back the same', () => {
    expect(files.length).toBeGreaterThanOrEqual(10);
    const forms = new Set<string>();
    for (const f of files) {
      const text = readFileSync(join(folder, f), 'utf8');
      const file = readRigFile(text);
      if (file.rig.pitch !== undefined) forms.add(file.rig.pitch.form);
      expect(writeRigFile(file)).toBe(text);
    }
    expect(forms.size).toBe(PITCH_FORMS.length);
  });
  test('a rig of every form goes out and comes back to the last digit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PITCH_FORMS),
        fc.double({ min: 5, max: 300, noNaN: true }),
        fc.string({ minLength: 1, maxLength: 40 }),
        (form, haul, name) => {
          const roof = roofFor(form);
          const rig = rigOf(form, roof);
          const own = { ...rig, pitch: { ...rig.pitch!, guy: { ...rig.pitch!.guy, haul } } };
          const file = rigFile({ name, note: '', rig: own }, contextFor(roof), null);
          expect(readRigFile(writeRigFile(file))).toEqual(file);
        },
      ),
      { seed: 17, numRuns: 40 },
    );
  });
  test('it carries the part of the kit it uses and nothing else', () => {
    const file = readRigFile(gravel);
    const used = usedBy(file.rig);
    expect(new Set(file.kit.cords.map((c) => c.id))).toEqual(used.cords);
    expect(file.kit.roofs).toHaveLength(1);
    expect(file.kit.pegs).toHaveLength(1);
    expect(contextOf(file).roofs[0]!.id).toBe(file.rig.pitch!.roof);
  });
  test('a file of before beds is brought up to this version; beds and straps come along in a new one', () => {
    const bedded = readFileSync(join(folder, 'river-bed-under-the-fly.rig.json'), 'utf8');
    const file = readRigFile(bedded);
    expect(file.kit.beds.map((b) => b.id)).toEqual([file.rig.bed!.bed]);
    expect(file.kit.straps.map((s) => s.id)).toEqual([file.rig.bed!.straps]);
    const { bed, ...rig } = file.rig;
    const { beds, straps, ...kit } = file.kit;
    expect([bed, beds, straps]).not.toContain(undefined);
    const old = readRigFile(JSON.stringify({ ...file, format: 'rough-bight/rig@1', rig, kit }));
    expect(old.format).toBe(RIG_FORMAT);
    expect(old.kit).toEqual({ ...kit, beds: [], straps: [] });
    expect(() => readRigFile(JSON.stringify({ ...file, kit: { ...kit, beds: [], straps } }))).toThrow(
      /rig\.bed\.bed: This bed is no longer in the kit/,
    );
  });
  test('a bare ridgeline of before is brought up to this version', () => {
    const { pitch, ...rig } = readRigFile(gravel).rig;
    expect(pitch).toBeDefined();
    const file = readRigFile(JSON.stringify(rig));
    expect(file.format).toBe(RIG_FORMAT);
    expect(file.rig).toEqual(rig);
    expect(file.kit.cords[0]!.id).toBe(rig.cord);
  });
  test.each([
    ['no JSON', '{"format"', /file: is not JSON/],
    [
      'another format',
      '{"format":"rough-bight/rig@9"}',
      /format: .*not a version this program knows.*a newer one needs a newer program/,
    ],
    [
      'a haul beyond reason',
      broken('rig.pitch.guy.haul', 1e6),
      /rig\.pitch\.guy\.haul: The haul of a guy must be a number from 0 to 600/,
    ],
    ['a missing roof', broken('kit.roofs', []), /rig\.pitch\.roof: This roof is no longer in the kit/],
    ['a misspelt field', broken('rig.colour', 1), /rig\.colour: There is no such field/],
    ['a missing field', broken('rig.cord'), /rig\.cord: This is missing/],
    ['an unknown form', broken('rig.pitch.form', 'igloo'), /rig\.pitch\.form: The form must be one of gable/],
    ['a body without a reach', broken('settings.body.reach'), /settings\.body\.reach: This is missing/],
  ])('%s is named with its field', (_, text, message) => {
    expect(problem(text)).toMatch(message);
  });
  test('whatever is read, only its own named problem comes out', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        expect(() => readRigFile(JSON.stringify(value))).toThrow(FileProblem);
      }),
      { seed: 19, numRuns: 100 },
    );
    fc.assert(
      fc.property(fc.constantFrom('rig', 'kit', 'settings', 'place', 'name'), fc.jsonValue(), (key, value) => {
        const file = { ...(JSON.parse(gravel) as Record<string, unknown>), [key]: value };
        try {
          readRigFile(JSON.stringify(file));
        } catch (error) {
          expect(error).toBeInstanceOf(FileProblem);
        }
      }),
      { seed: 23, numRuns: 100 },
    );
  });
  test('the schema that is published is the one that is used', () => {
    const published = JSON.parse(readFileSync(join(process.cwd(), 'docs/formats/rig.schema.json'), 'utf8')) as unknown;
    expect(published).toEqual(JSON.parse(JSON.stringify(rigFileJsonSchema())));
  });
  test('ids of the kit can be changed throughout', () => {
    const { rig } = readRigFile(gravel) as RigFile;
    const renamed = renameKit(rig, (id) => `my-${id}`);
    const used = usedBy(renamed);
    for (const set of [used.cords, used.roofs, used.pegs]) for (const id of set) expect(id).toMatch(/^my-/);
    expect(renameKit(renamed, (id) => id.slice(3))).toEqual(rig);
  });
  test('margins that files could once ask for are moved to the nearest that may be asked, and the note says so', () => {
    const file = JSON.parse(gravel) as RigFile;
    const { required } = file.settings;
    const old = (factor: object): string =>
      JSON.stringify({
        ...file,
        format: 'rough-bight/rig@3',
        note: 'By the water.',
        settings: { ...file.settings, required: { ...required, factor: { ...required.factor, ...factor } } },
      });
    const moved = readRigFile(old({ ridge: 1 }));
    expect(moved.settings.required).toEqual({ ...required, factor: { ...required.factor, ridge: 1.2 } });
    expect(moved.note).toMatch(/^By the water\.\nA margin that it asked for/);
    const kept = readRigFile(old({}));
    expect(kept.settings.required).toEqual(required);
    expect(kept.note).toBe('By the water.');
    // what is no number is named, not moved
    expect(problem(old({ person: 'five' }))).toMatch(/settings\.required\.factor\.person: /);
  });
  test('parts of it are checked alone, as the server does', () => {
    const { rig, kit } = readRigFile(gravel);
    expect(misfit(pitchDocument, rig.pitch)).toBeNull();
    expect(misfit(pitchDocument, { ...rig.pitch, stick: 2 })!.field).toBe('stick');
    expect(wrongInKit('roofs', kit.roofs[0])).toBeNull();
    expect(wrongInKit('roofs', { ...kit.roofs[0], length: 40 })!.message).toMatch(/1 to 12/);
  });
});
