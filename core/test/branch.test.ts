import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OVER_AND_DOWN, branchFigure, branchGive, branchHolds } from '../src/anchor/index.js';
import { BRANCH_SOUND, WOODS, findWood } from '../src/catalogue/index.js';
import { ofCode } from '../src/findings/index.js';
import type { RidgeRig } from '../src/rig/index.js';
import { evaluateRidge } from '../src/rig/index.js';
import { supportOf } from '../src/support/index.js';
import type { GuyAnchor } from '../src/support/index.js';
import { contextFor, rigOf, squareRoof } from './pitch/helper.js';
import { toldOf } from './said.js';

const alder = findWood('alder')!;
const one = { thickness: 0.12, out: 0.8 };
const over = (part: Partial<Extract<GuyAnchor, { kind: 'branch' }>> = {}) =>
  ({ kind: 'branch', name: 'the bough', wood: 'alder', height: 3.5, ...one, ...part }) as const;

describe('a branch that a line goes over', () => {
  test('by hand: 45 MPa, 12 cm, 80 cm out break at 9.5 kN when sound', () => {
    expect(branchHolds(one, 45e6, 1)).toBeCloseTo((45e6 * Math.PI * 0.12 ** 3) / 32 / 0.8, 6);
    expect(branchHolds(one, 45e6, 1)).toBeCloseTo(9543, 0);
    // P a^3 / 3 E I
    expect(branchGive(one, 8.1e9) * 1000).toBeCloseTo((1000 * 0.8 ** 3) / (3 * 8.1e9 * (Math.PI / 64) * 0.12 ** 4), 9);
  });
  test('its figure is the same with its range wide, and every wood, thickness and way out tells', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...WOODS),
        fc.double({ min: 0.04, max: 0.4, noNaN: true }),
        fc.double({ min: 0.1, max: 3, noNaN: true }),
        (wood, thickness, out) => {
          const figure = branchFigure('it', { thickness, out }, wood, 2);
          const held = branchHolds({ thickness, out }, wood.strength.typical, BRANCH_SOUND.typical) / 2;
          expect(figure.value / held).toBeCloseTo(1, 9);
          // nobody knows it better than within a factor of three either way
          expect(figure.range![1] / figure.range![0]).toBeGreaterThan(9);
          expect(
            branchHolds({ thickness: 2 * thickness, out }, 1, 1) / branchHolds({ thickness, out }, 1, 1),
          ).toBeCloseTo(8, 9);
          expect(branchHolds({ thickness, out: 2 * out }, 1, 1) / branchHolds({ thickness, out }, 1, 1)).toBeCloseTo(
            0.5,
            9,
          );
        },
      ),
    );
  });
  test('as a support both legs of the cord hang on it, and it gives twice as far', () => {
    const s = supportOf<GuyAnchor>(over());
    expect(s.overhead).toBe(true);
    expect(s.gives(over())! / branchGive(one, alder.modulus.typical)).toBeCloseTo(2, 12);
    expect(s.runsOn(over())).toBeCloseTo(3.5 - 1.2, 12);
  });
});

describe('a ridgeline over a branch', () => {
  const roof = squareRoof(3);
  const { pitch, ...plain } = rigOf('gable', roof);
  if (pitch === undefined) throw new Error('no pitch');
  const branched: RidgeRig = { ...plain, trunks: [{ ...plain.trunks[0], branch: one }, plain.trunks[1]] };
  const context = contextFor(roof);
  const [without, withIt] = [plain, branched].map((rig) => evaluateRidge(rig, context)) as [
    ReturnType<typeof evaluateRidge>,
    ReturnType<typeof evaluateRidge>,
  ];
  test('is a link of its chain, under the pull of both its legs', () => {
    const found = withIt.ledger.find((j) => j.link.id === 'branch-0')!.link;
    const asks = found.demand.value * OVER_AND_DOWN;
    const bears = branchHolds(one, alder.strength.typical, BRANCH_SOUND.typical);
    expect(found.margin.value / (bears / asks)).toBeCloseTo(1, 6);
    expect(without.ledger.some((j) => j.link.id.startsWith('branch'))).toBe(false);
  });
  test('bends: the trunk end comes in farther, and more cord goes down to where it is made fast', () => {
    const more = withIt.trunks[0].moved - without.trunks[0].moved;
    expect(more / (branchGive(one, alder.modulus.typical) * withIt.trunks[0].horizontal.value)).toBeGreaterThan(0.5);
    expect(withIt.cordNeeded.value - without.cordNeeded.value).toBeCloseTo(plain.trunks[0].tieHeight - 1.2, 2);
  });
  test('says how little is known of it, and a boulder has none', () => {
    const [found] = ofCode(withIt.findings, 'branch');
    expect(found!.facts.gives).toBeGreaterThan(0);
    expect(toldOf(withIt.findings).join(' ')).toContain('nobody sees from below');
    const word = {
      ...branched,
      trunks: [{ ...branched.trunks[0], standsOnWord: true as const }, plain.trunks[1]] as const,
    };
    expect(() => evaluateRidge(word, context)).toThrow(/no stem/);
  });
});
