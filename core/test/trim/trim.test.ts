import { describe, expect, test } from '@jest/globals';
import { layoutOf } from '../../src/pitch/index.js';
import type { RidgeRig } from '../../src/rig/index.js';
import { bunchedIn, retensionAt, schoolsOf, tiedFor, trimOf, creasesIn } from '../../src/trim/index.js';
import { contextFor, rigOf, squareRoof } from '../pitch/helper.js';
import { demo } from '../shelter/helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const gable = rigOf('gable', roof);

describe('every line hauled again', () => {
  const names = [
    'gravel-spit-gable',
    'hammock-fly',
    'mess-roof',
    'fire-side-lean-to',
    'cape-end-tied',
    'shade-sail',
    'storm-side-down',
  ];
  test.each(names)('%s: what is told brings each pull back to what it was, dry after hours and soaked', (name) => {
    const { rig, context: of } = demo(name);
    const tied = tiedFor(rig, of);
    const before = [...tied.tension];
    for (const at of [
      { hours: 1 / 3, wet: false },
      { hours: 6, wet: false },
      { hours: 10, wet: true },
    ]) {
      const { settled, lines } = retensionAt(tied, at);
      expect(settled).toBe(true);
      for (const l of lines) {
        // looked at in the rig as it is then, solved with the lengths that are told
        expect(Math.abs(l.after - l.tied)).toBeLessThan(Math.max(1, 0.03 * l.tied));
        expect(l.left).toBeLessThan(l.tied + 1);
      }
      expect(lines.map((l) => l.row)).toEqual(
        tied.model.members.filter((m) => m.role !== 'loop' && m.role !== 'peg').map((m) => m.id),
      );
    }
    // and leaves the rig as it was
    const again = retensionAt(tied, { hours: 1 / 3, wet: false });
    expect(again.lines.map((l) => l.tied)).toEqual(
      retensionAt(tiedFor(rig, of), { hours: 1 / 3, wet: false }).lines.map((l) => l.tied),
    );
    expect([...tied.tension]).toEqual(before);
  });
  test('wants more the longer it stood, and most soaked: guys too', () => {
    const tied = tiedFor(gable, context);
    const by = (hours: number, wet = false): number[] => retensionAt(tied, { hours, wet }).lines.map((l) => l.by);
    const [soon, late, soaked] = [by(0.5), by(24), by(10, true)];
    soon.forEach((b, k) => {
      expect(late[k]!).toBeGreaterThan(b - 1e-4);
      expect(soaked[k]!).toBeGreaterThan(late[k]!);
    });
  });
});

describe('cloth that has too much of itself', () => {
  test('none of it in a state laid out flat, all of a fold in one folded', () => {
    const { model, pitched } = tiedFor(gable, context);
    const flat = { ...pitched, numbers: { ...pitched.numbers, at: Float64Array.from(pitched.numbers.at) } };
    const n = model.mesh.flat.length / 2;
    for (let k = 0; k < n; k++) flat.numbers.at.set([model.mesh.flat[2 * k]!, model.mesh.flat[2 * k + 1]!, 1], 3 * k);
    expect(bunchedIn(model, flat).area).toBeCloseTo(0, 9);
    expect(bunchedIn(model, flat).of).toBeCloseTo(9, 9);
    // drawn together to nine tenths of its length: a tenth of it is gathered
    for (let k = 0; k < n; k++) flat.numbers.at[3 * k]! *= 0.9;
    expect(bunchedIn(model, flat).area).toBeCloseTo(0.9, 6);
  });
  // the usual mistake: drawn square to the ridge instead of along the cloth
  const corner = layoutOf(gable, context).reaches.find((r) => r.key.id === '02')!;
  const wrong: RidgeRig = {
    ...gable,
    pitch: { ...gable.pitch!, own: { '02': { foot: [corner.key.at[0] - 0.7, corner.foot[1] + 0.2] } } },
  };
  test('a peg set square to the ridge makes creases, and the first move told takes them out', () => {
    const straight = bunchedIn(tiedFor(gable, context).model, tiedFor(gable, context).pitched).area;
    const tied = tiedFor(wrong, context);
    const found = creasesIn(tied)!;
    expect(found.now.area).toBeGreaterThan(1.5 * straight);
    const [best] = found.moves;
    expect(best!.left.area).toBeLessThan(0.95 * found.now.area);
    // looked at from the rig that is offered
    const mended = tiedFor(best!.rig, context);
    expect(bunchedIn(mended.model, mended.pitched).area).toBeCloseTo(best!.left.area, 6);
  });
  test('can be given up half way', () => {
    let asked = 0;
    expect(trimOf(tiedFor(wrong, context), () => ++asked < 3)).toBeNull();
    expect(asked).toBe(3);
  });
});

describe('the two schools of order', () => {
  test('both leave the same guys, unevenly; together they keep less than hands put in', () => {
    const left = schoolsOf(gable, context);
    expect(left.map((l) => l.school)).toEqual(['middles', 'corners']);
    for (const l of left) {
      expect(l.settled).toBe(true);
      expect(l.uneven).toBeGreaterThan(1);
      expect(l.keeps).toBeLessThan(1.05);
      expect(l.pulls.map((p) => p.row).sort()).toEqual(left[0]!.pulls.map((p) => p.row).sort());
    }
    // whichever is hauled last keeps its haul
    const [middles, corners] = left as [(typeof left)[0], (typeof left)[0]];
    const of = (l: typeof middles, row: string): number => l.pulls.find((p) => p.row === row)!.pull;
    expect(of(corners, 'guy 01') + of(corners, 'guy 11')).toBeGreaterThan(
      of(middles, 'guy 01') + of(middles, 'guy 11'),
    );
  });
});
