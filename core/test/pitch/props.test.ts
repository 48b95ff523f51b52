import { describe, expect, test } from '@jest/globals';
import { FEET, HEADS } from '../../src/catalogue/index.js';
import { evaluatePitch, layoutOf } from '../../src/pitch/index.js';
import type { Props, RidgeRig } from '../../src/rig/index.js';
import { allChecks, pitchModel, tieOff } from '../../src/pitch/index.js';
import { readingOf } from '../../src/pitch/index.js';
import { CAPE, contextFor, rigOf, squareRoof } from './helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const prop = rigOf('prop', roof);
const stood = (props: Props): RidgeRig => ({ ...prop, pitch: { ...prop.pitch!, props } });
const linksAt = (rig: RidgeRig, id: string) =>
  evaluatePitch(rig, context, { full: false }).result.rows.find((r) => r.id === id)!.links;

describe('a prop', () => {
  test('buckles, slips at its foot or goes through the cloth: each a link of its row', () => {
    expect(
      linksAt(prop, 'p')
        .map((l) => l.link.id)
        .sort(),
    ).toEqual(['p', 'p:foot', 'p:head']);
  });
  test('its foot holds by the tangent of its lean: what the ground pushes back along is the stick', () => {
    for (const rake of [0, 0.1, 0.2, 0.3]) {
      const rig = stood({ foot: 'bare', rake, padded: true });
      const model = pitchModel(rig, context);
      const tied = tieOff(model, { atOnce: true });
      const reading = readingOf(tied, tied.pitched, null);
      const foot = allChecks(model).find((c) => c.id === 'p:foot')!;
      const stick = model.layout.sticks.find((s) => s.id === 'p')!;
      const n = 3 * model.mesh.nodeAt(...stick.key.flat);
      const { at } = tied.pitched.numbers;
      const lean = Math.hypot(at[n]! - stick.foot[0], at[n + 1]! - stick.foot[1]) / (at[n + 2]! - stick.foot[2]);
      expect(foot.asks(reading)).toBeCloseTo(lean, 4);
      // it is laid out as raked as it is told
      const { key } = layoutOf(rig, context).sticks.find((s) => s.id === 'p')!;
      expect(
        Math.hypot(key.at[0] - stick.foot[0], key.at[1] - stick.foot[1]) / (key.at[2] - stick.foot[2]),
      ).toBeCloseTo(Math.tan(rake), 6);
    }
  });
  test('pushed in it holds more than bare, bare more than on a stone, and a pad spreads its push five times as wide', () => {
    const holds = (foot: Props['foot']): number =>
      linksAt(stood({ foot, rake: 0.2, padded: true }), 'p').find((l) => l.link.id === 'p:foot')!.link.available.value;
    expect(holds('pushed')).toBe(FEET.pushed.holds.typical);
    expect(holds('pushed')).toBeGreaterThan(holds('bare'));
    expect(holds('bare')).toBeGreaterThan(holds('stone'));
    const head = (padded: boolean): number =>
      linksAt(stood({ foot: 'bare', rake: 0, padded }), 'p').find((l) => l.link.id === 'p:head')!.link.available.value;
    expect(head(true) / head(false)).toBeCloseTo(HEADS.padded.typical / HEADS.bare.typical, 9);
  });
  test('what is told of the cloth over it is its strength round a ring, by hand', () => {
    const found = linksAt(stood({ foot: 'bare', rake: 0, padded: true }), 'p').find(
      (l) => l.link.id === 'p:head',
    )!.link;
    const strip = found.available.inputs!.find((f) => f.quantity === 'lineWeight')!.value;
    const shares = found.available.inputs!.filter((f) => f.quantity !== 'lineWeight' && f.quantity !== 'length');
    expect(found.available.value).toBeCloseTo(
      2 * Math.PI * HEADS.padded.typical * strip * shares.reduce((a, f) => a * f.value, 1),
      6,
    );
  });
});

describe('two sticks in an A', () => {
  const low = rigOf('low', CAPE);
  const of = contextFor(CAPE);
  test('spread their heads with their push times the sine of their lean, held by a doubled loop and the stick in it', () => {
    const { rows } = evaluatePitch(low, of, { full: false }).result;
    const row = rows.find((r) => r.role === 'stick')!;
    expect(row.links.map((l) => l.link.id.split(':')[1] ?? 'buckles').sort()).toEqual(
      ['buckles', 'foot', 'head', 'loop', 'twist'].sort(),
    );
    const { key, foot } = layoutOf(low, of).sticks[0]!;
    const apart = Math.hypot(key.at[0] - foot[0], key.at[1] - foot[1]);
    const lean = Math.atan2(apart, key.at[2] - foot[2]);
    const loop = row.links.find((l) => l.link.id.endsWith(':loop'))!.link;
    expect(loop.demand.value / (row.pitched * Math.sin(lean))).toBeCloseTo(1, 6);
  });
});
