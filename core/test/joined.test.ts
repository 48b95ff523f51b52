import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  BEND_TAILS,
  CORDS,
  FIBRE_TRAITS,
  WRONG_BEND,
  acrossOf,
  dryCurve,
  findTermination,
} from '../src/catalogue/index.js';
import { cordOf } from '../src/cordage/index.js';
import { strainAt } from '../src/line/index.js';
import { evaluatePitch, pitchModel } from '../src/pitch/index.js';
import type { RidgeRig } from '../src/rig/index.js';
import { evaluateRidge, freshJoined, inSeries, rigProblems, usedBy } from '../src/rig/index.js';
import { renameKit } from '../src/formats/index.js';
import { contextFor, rigOf, squareRoof } from './pitch/helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const gable = rigOf('gable', roof);
const { pitch, ...line } = gable;
if (pitch === undefined) throw new Error('no pitch');
const main = context.kit.find((k) => k.id === line.cord)!;
// the thinnest that bears, and so the weaker: what a thicker half must not hide
const other = context.kit
  .filter((k) => k.id !== main.id && cordOf(k)!.bears)
  .sort((a, b) => cordOf(a)!.strength.typical - cordOf(b)!.strength.typical)[0]!;
const joinedAt = (
  rig: RidgeRig,
  at: number,
  bend: 'double-sheet' | 'figure-eight' | 'reef' = 'double-sheet',
): RidgeRig => ({
  ...rig,
  joined: { cord: other.id, bend, at },
});

describe('two cords one after the other', () => {
  test('under any pull the whole stretches by the shares of both', () => {
    const bear = CORDS.filter((c) => c.bears);
    fc.assert(
      fc.property(
        fc.constantFrom(...bear),
        fc.constantFrom(...bear),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 1, max: 600, noNaN: true }),
        (a, b, share, pull) => {
          const [one, two] = [dryCurve(a), dryCurve(b)];
          const both = strainAt(inSeries(one, two, share), pull);
          const exact = (1 - share) * strainAt(one, pull) + share * strainAt(two, pull);
          // between knots of either curve it is drawn straight
          expect(both / exact).toBeGreaterThan(0.98);
          expect(both / exact).toBeLessThan(1.02);
        },
      ),
    );
  });
  test('of one and the same cord it is that cord', () => {
    const cord = dryCurve(cordOf(main)!);
    for (const pull of [10, 100, 400])
      expect(strainAt(inSeries(cord, cord, 0.4), pull) / strainAt(cord, pull)).toBeCloseTo(1, 9);
  });
});

describe('a bare line that goes on in another cord', () => {
  const r = evaluateRidge(joinedAt(line, 4), context);
  const link = (id: string) => r.ledger.find((j) => j.link.id === id)!.link;
  test('has both of them in its chain, each with its own end and its own half of the bend', () => {
    const rows = r.rows.filter((x) => x.role === 'ridge' || x.role === 'extension');
    expect(rows.map((x) => [x.role, x.what])).toEqual(
      expect.arrayContaining([
        ['ridge', main.name],
        ['extension', other.name],
      ]),
    );
    const ids = (role: string) =>
      rows
        .find((x) => x.role === role)!
        .links.map((l) => l.link.id)
        .sort();
    expect(ids('ridge')).toEqual(['bend-0', 'end-0', 'line'].sort());
    expect(ids('extension')).toEqual(['bend-1', 'end-1', 'line-on'].sort());
    // in the bend each keeps the bend's share of its own strength
    expect(link('bend-1').available.value / link('line-on').available.value).toBeCloseTo(
      0.53 * FIBRE_TRAITS[cordOf(other)!.fibre].knotFactor,
      6,
    );
    expect(link('bend-0').available.value).toBeGreaterThan(link('bend-1').available.value);
  });
  test('takes of each hank what lies on its side of the bend, and half the bend', () => {
    const plain = evaluateRidge(line, context);
    const cut = (role: string) => r.rows.find((x) => x.role === role)!.cut!;
    expect(cut('ridge').hank).toBe(main.id);
    expect(cut('extension').hank).toBe(other.id);
    const share = 1 - 4 / r.distance;
    expect(cut('extension').between / (cut('ridge').between + cut('extension').between)).toBeCloseTo(share, 6);
    const [a, b] = [acrossOf(cordOf(main)!), acrossOf(cordOf(other)!)];
    const whole = plain.rows.find((x) => x.role === 'ridge')!.cut!;
    const at = (i: 0 | 1): number => findTermination(line.ends[i].termination)!.cordInDiameters;
    // each end's knot in its own cord, and half of the bend's forty thicknesses in either
    expect(cut('ridge').knots).toBeCloseTo((at(0) + 20) * a, 9);
    expect(cut('extension').knots).toBeCloseTo((at(1) + 20) * b, 9);
    expect(cut('ridge').tails + cut('extension').tails - whole.tails).toBeCloseTo(BEND_TAILS, 9);
    expect(cut('ridge').travel + cut('extension').travel).toBeCloseTo(whole.travel, 9);
  });
  test('stretches as both do: joined nearer to its end it is more as the first', () => {
    const only = evaluateRidge(line, context);
    const late = evaluateRidge(joinedAt(line, only.distance - 0.4), context);
    const early = evaluateRidge(joinedAt(line, 0.4), context);
    const sag = (x: typeof r): number => x.settling.find((s) => s.caseId === 'wet')!.tension.value;
    expect(Math.abs(sag(late) - sag(only))).toBeLessThan(Math.abs(sag(early) - sag(only)) + 1e-9);
  });
  test('a reef knot is refused with why and what to take; nobody hangs from a joined line', () => {
    const found = rigProblems(joinedAt(line, 4, 'reef'), context);
    expect(found[0]).toMatchObject({ field: 'joined.bend' });
    expect(found[0]!.message).toContain('double sheet bend');
    expect(found[0]!.message).toContain(WRONG_BEND.refused!);
    expect(rigProblems({ ...joinedAt(line, 4), use: 'person' }, context)[0]!.field).toBe('joined');
    expect(rigProblems(joinedAt(line, 60), context)[0]!.field).toBe('joined.at');
  });
  test('is joined to begin with where the first cord ends', () => {
    expect(freshJoined('x', 5, 9).at).toBeCloseTo(3.8, 9);
    expect(freshJoined('x', 30, 9).at).toBeCloseTo(4.5, 9);
    expect(freshJoined('x', 0.5, 9).at).toBeCloseTo(0.4, 9);
  });
  test('its cord counts as used, and keeps its name in another kit', () => {
    expect(usedBy(joinedAt(line, 4)).cords.has(other.id)).toBe(true);
    expect(renameKit(joinedAt(line, 4), (id) => `their-${id}`).joined!.cord).toBe(`their-${other.id}`);
  });
});

describe('a roof on a line of two cords', () => {
  const rig = joinedAt(gable, 3.5);
  const { result } = evaluatePitch(rig, context, { full: true, spreads: false, rising: false });
  test('finds rest, and the second hitch grips and weakens the second cord', () => {
    expect(result.cases.every((c) => c.converged)).toBe(true);
    const on = result.rows.find((r) => r.role === 'extension')!;
    expect(on.links.map((l) => l.link.id)).toEqual(
      expect.arrayContaining(['ridge:line-on', 'ridge:bend1', 'ridge:end1', 'ridge:grip1']),
    );
    const first = result.rows.find((r) => r.role === 'ridge')!;
    expect(first.links.map((l) => l.link.id)).toEqual(
      expect.arrayContaining(['ridge:line', 'ridge:bend0', 'ridge:end0', 'ridge:grip0']),
    );
    expect(pitchModel(rig, context).hitches.map((h) => h.host.id)).toEqual(
      [main.cord, other.cord].map((id) => cordOf(context.kit.find((k) => k.cord === id)!)!.id),
    );
    expect(result.cords.find((c) => c.id === other.id)!.wanted).toBeGreaterThan(3);
  });
  test('pulls as a line of its mean: between those of either cord alone', () => {
    const wet = (r: RidgeRig): number => {
      const found = evaluatePitch(r, context, { full: true, spreads: false, rising: false }).result;
      return found.takeUp.find((t) => t.caseId === 'wet' && t.row === 'ridge')!.tension;
    };
    const [a, b, both] = [wet(gable), wet({ ...gable, cord: other.id }), wet(rig)];
    expect(both).toBeGreaterThan(Math.min(a, b) - 5);
    expect(both).toBeLessThan(Math.max(a, b) + 5);
  });
});
