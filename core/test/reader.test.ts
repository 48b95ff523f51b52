import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { bedProblems, evaluateRidge, problemsOf, rigProblems } from '../src/rig/index.js';
import type { RidgeRig } from '../src/rig/index.js';
import { tellProblem } from '../src/document/index.js';
import { readRigFile, contextOf } from '../src/formats/index.js';
import type { UnitChoice } from '../src/quantity/index.js';
import { metres, phrase, tell } from '../src/quantity/index.js';
import { PITCH_FORMS } from '../src/roof/index.js';
import { judgeRig, reportOf } from '../src/shelter/index.js';
import type { RigReport } from '../src/shelter/index.js';
import { sentenceOf, verdictOf } from '../src/words/index.js';
import { whenOf, casesFor } from '../src/cases/index.js';
import { contextFor, rigOf, roofFor } from './pitch/helper.js';

const FEET: UnitChoice = { length: 'ft', force: 'lbf' };
/** A number with a metric unit behind it. */
const METRIC = /\d (m|cm|mm|N|kN|kg|g|MPa|l|m²|N m|kN m|N\/m|m\/s)(?![\w²])/;

const folder = join(process.cwd(), 'examples/rigs');
const files = readdirSync(folder).map((path) => ({ path, ...readRigFile(readFileSync(join(folder, path), 'utf8')) }));

/** Everything that is said of a report, in somebody's units. */
function said(report: RigReport, body: Parameters<typeof verdictOf>[1], units: UnitChoice): string[] {
  const { sentence, detail } = verdictOf(report, body);
  return [sentence, detail, ...report.findings.map(sentenceOf)].map((p) => tell(p, units));
}

describe('who reads feet and pounds reads no metre and no newton', () => {
  test.each(files.map((f) => [f.path, f] as const))('%s', (_, file) => {
    const context = contextOf(file);
    // as worked out for a hand that moves: the sentences are the same, the winds follow later
    const { report } = judgeRig(file.rig, context, { full: false });
    for (const text of said(report, context.body, FEET)) expect(text).not.toMatch(METRIC);
    expect(said(report, context.body, { length: 'm', force: 'N' }).some((text) => METRIC.test(text))).toBe(true);
    for (const part of ['line', 'roof', 'bed'] as const)
      for (const c of casesFor(part, file.rig, null)) expect(tell(whenOf(c, file.rig), FEET)).not.toMatch(METRIC);
  });

  test('nor in what is wrong with a bare line', () => {
    const { rig, ...file } = files.find((f) => f.path.startsWith('bed-on-one-alder'))!;
    const { bed: gone, ...bare } = rig;
    expect(gone).toBeDefined();
    const context = contextOf({ ...file, rig });
    for (const change of [
      { use: 'person' },
      { tensioning: { ...rig.tensioning, how: 'tension', tension: 4 } },
      { tensioning: { ...rig.tensioning, how: 'passes', passes: { count: 0, takeUp: 0.05 } } },
      { hung: [{ id: 'a', name: 'sheet', mass: 2, wetMass: 4, area: 3, at: 1.5 }] },
      { trunks: rig.trunks.map((t) => ({ ...t, standsOnWord: true })) },
    ] as unknown as Partial<RidgeRig>[]) {
      const changed: RidgeRig = { ...bare, ...change };
      const line = evaluateRidge(changed, context);
      for (const text of said(reportOf(changed, context, true, { line, roof: null, bed: null }), context.body, FEET))
        expect(text).not.toMatch(METRIC);
    }
  });

  test('nor in what does not fit together', () => {
    const { rig, ...file } = files.find((f) => f.path.startsWith('river-bed'))!;
    const context = contextOf({ ...file, rig });
    const bed = rig.bed!;
    const far = { ...rig, span: { ...rig.span, how: 'tape' as const, tape: 20 } };
    const long = { ...rig, bed: { ...bed, stature: 2.6 } };
    const off = { ...rig, hung: [{ id: 'x', name: 'lamp', mass: 1, wetMass: 1, area: 0, at: 40 }] };
    const problems = [...bedProblems(far, context), ...bedProblems(long, context), ...problemsOf(off, context)];
    expect(problems).toHaveLength(3);
    for (const p of problems) {
      expect(p.message).toMatch(METRIC);
      // what the owner calls a thing stays as it is
      expect(tellProblem(p, FEET).replace('river bed, 3 m', 'it')).not.toMatch(METRIC);
    }
    expect(rigProblems(rig, context)).toEqual([]);
  });

  test.each(PITCH_FORMS)('nor where the form %s cannot be', (form) => {
    const roof = roofFor(form);
    for (const high of [0.3, 2.9]) {
      const base = rigOf(form, roof);
      const trunks = base.trunks.map((t) => ({ ...t, tieHeight: high })) as unknown as RidgeRig['trunks'];
      try {
        judgeRig(
          { ...base, trunks, pitch: { ...base.pitch!, shape: { ...base.pitch!.shape, prop: 3 } } },
          contextFor(roof),
          {
            full: false,
          },
        );
      } catch (error) {
        expect(tell((error as { said: ReturnType<typeof phrase> }).said, FEET)).not.toMatch(METRIC);
      }
    }
  });

  test('a phrase keeps its numbers until it is told', () => {
    const inner = phrase`under ${metres(2)}`;
    expect(tell(phrase`It hangs ${metres(0.5)} up, ${inner}, ${3} times.`)).toBe(
      'It hangs 0.50 m up, under 2.00 m, 3 times.',
    );
    expect(tell(phrase`${metres(0.3048)}`, FEET)).toBe('1.00 ft');
  });
});
