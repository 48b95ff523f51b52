import { describe, expect, test } from '@jest/globals';
import * as catalogue from '../src/catalogue/index.js';
import type { Constant } from '../src/catalogue/index.js';
import { strainAt, tensionAt } from '../src/line/index.js';

/** Every constant reachable from what the catalogue exports. */
function constants(value: unknown, path: string, out: [string, Constant][]): [string, Constant][] {
  if (typeof value !== 'object' || value === null) return out;
  if ('typical' in value && 'citation' in value) out.push([path, value as Constant]);
  else for (const [key, part] of Object.entries(value)) constants(part, `${path}.${key}`, out);
  return out;
}

describe('the catalogue', () => {
  const all = constants({ ...catalogue }, 'catalogue', []);

  test('every constant has a range round its typical value and says where it comes from', () => {
    expect(all.length).toBeGreaterThan(100);
    for (const [path, c] of all) {
      expect([path, c.low <= c.typical && c.typical <= c.high && c.low < c.high]).toEqual([path, true]);
      expect([path, c.citation.length > 8 || c.kind === 'judgement']).toEqual([path, true]);
    }
  });

  test('ids are unique', () => {
    for (const list of [catalogue.CORDS, catalogue.TERMINATIONS, catalogue.WOODS])
      expect(new Set(list.map((x) => x.id)).size).toBe(list.length);
  });

  test('accessory cords meet 200 N per mm² of diameter squared; type III cord 550 lbf', () => {
    for (const id of ['accessory-4', 'accessory-5', 'accessory-6']) {
      const cord = catalogue.findCord(id)!;
      expect(cord.strength.typical).toBeCloseTo(200 * (cord.diameter * 1000) ** 2, 6);
    }
    expect(catalogue.findCord('nylon-550-4')!.strength.typical / (550 * 4.4482216)).toBeCloseTo(1, 2);
  });

  test.each(catalogue.CORDS.map((c) => [c.id, c] as const))(
    '%s breaks at its breaking strain and strength',
    (_, cord) => {
      const curve = catalogue.dryCurve(cord);
      expect(tensionAt(curve, cord.breakStrain.typical)).toBeCloseTo(cord.strength.typical, 6);
      expect(strainAt(catalogue.wetCurve(cord), cord.strength.typical)).toBeCloseTo(
        cord.breakStrain.typical * catalogue.FIBRE_TRAITS[cord.fibre].wetStretch.typical,
        9,
      );
      expect(catalogue.cordWeight(cord, true)).toBeGreaterThan(catalogue.cordWeight(cord, false));
    },
  );

  test('nylon is soft then stiff', () => {
    const curve = catalogue.dryCurve(catalogue.findCord('nylon-550-4')!);
    for (let i = 1; i < curve.slope.length - 1; i++) expect(curve.slope[i]!).toBeGreaterThan(curve.slope[i - 1]!);
  });

  test('not knowing the wood never helps', () => {
    const unknown = catalogue.findWood('unknown')!;
    for (const w of catalogue.WOODS) {
      expect(unknown.strength.typical).toBeLessThanOrEqual(w.strength.typical);
      expect(unknown.modulus.typical).toBeLessThanOrEqual(w.modulus.typical);
    }
  });
});
