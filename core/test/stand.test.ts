import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { findWood, ON_GROUND } from '../src/catalogue/index.js';
import { evaluatePitch, pitchModel, tieOff } from '../src/pitch/index.js';
import type { PoleStand, RidgeRig, Stand } from '../src/rig/index.js';
import {
  evaluateRidge,
  lumpTips,
  poleBears,
  poleBuckles,
  rigProblems,
  uprightOf,
  usualPole,
} from '../src/rig/index.js';
import { GRAVITY } from '../src/quantity/index.js';
import { contextFor, rigOf, squareRoof } from './pitch/helper.js';

const roof = squareRoof(3);
const context = contextFor(roof);
const stand: PoleStand = {
  kind: 'pole',
  out: 2,
  spread: 1.2,
  cord: 'guy',
  anchor: { kind: 'peg', pegs: 'cut', inLine: 2, lean: 0.35 },
};
const onStand = (rig: RidgeRig, is: Stand, which: readonly number[] = [1]): RidgeRig => ({
  ...rig,
  trunks: rig.trunks.map((t, i) =>
    which.includes(i) ? { ...t, name: `${i === 0 ? 'first' : 'second'} pole`, girth: 0.2, stand: is } : t,
  ) as unknown as RidgeRig['trunks'],
});
const { pitch, ...line } = rigOf('gable', roof);
const bare: RidgeRig = { ...line, hung: [{ id: 'l', name: 'lantern', mass: 2, wetMass: 2, area: 0, at: 3 }] };
if (pitch === undefined) throw new Error('no pitch');

describe('a pole between its stays, by statics', () => {
  test('balances at its head: along, aside and upright', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 8, noNaN: true }),
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        (out, spread, height, level, down) => {
          const { stay, push } = poleBears({ ...stand, out, spread }, height, level, down);
          const long = Math.hypot(out, spread, height);
          // two stays pull back along the span, and down; the pole pushes up
          expect((2 * stay * out) / long / level).toBeCloseTo(1, 9);
          expect((push - (2 * stay * height) / long - down) / push).toBeCloseTo(0, 9);
        },
      ),
    );
  });
  test('by hand: a pole 6 cm thick and 1.7 m high of alder buckles at 17.6 kN', () => {
    const E = findWood('alder')!.modulus.typical;
    expect(
      poleBuckles('alder', Math.PI * 0.06, 1.7) / ((Math.PI ** 2 * E * (Math.PI / 64) * 0.06 ** 4) / 1.7 ** 2),
    ).toBeCloseTo(1, 9);
  });
  test('a bare line’s stays, their pegs and the pole are links of it, at what statics asks', () => {
    const r = evaluateRidge(onStand(bare, stand), context);
    const of = (id: string) => r.ledger.find((j) => j.link.id === id)!.link;
    const stay = of('stay-1');
    const level = stay.demand.inputs!.find((f) => f.quantity === 'force')!.value;
    expect(stay.demand.value).toBeCloseTo(poleBears(stand, bare.trunks[1].tieHeight, level, 0).stay, 6);
    expect(of('stay-anchor-1').available.value).toBeGreaterThan(100);
    expect(of('pole-1').available.value / poleBuckles(bare.trunks[1].wood, 0.2, bare.trunks[1].tieHeight)).toBeCloseTo(
      1,
      9,
    );
    expect(r.ledger.some((j) => j.link.id === 'trunk-1')).toBe(false);
    expect(r.findings.map((f) => f.code)).not.toContain('no-stem');
  });
});

describe('a roof between poles', () => {
  test.each([[[1]], [[0, 1]]])(
    '%j: solved with its stays, which pull by statics what the line asks of the head',
    (which) => {
      const rig = onStand(rigOf('gable', roof), stand, which);
      const model = pitchModel(rig, context);
      const tied = tieOff(model);
      expect(tied.pitched.numbers.converged).toBe(true);
      const { numbers } = tied.pitched;
      const s = tied.engine.structure;
      for (const end of which) {
        const pull = (side: string): number =>
          tied.tension[model.members.findIndex((m) => m.id === `guy stay${end}${side}`)]!;
        const ridge = tied.pitched.ridgeEnds[end as 0 | 1];
        const n = 3 * s.nodeIndex.get(`trunk${end}`)!;
        const head = [0, 1, 2].map((k) => numbers.at[n + k]!);
        // the head came in, by less than a hand's width
        const came = Math.abs(head[0]! - model.layout.setting.ties[end as 0 | 1][0]);
        expect(came).toBeGreaterThan(0);
        expect(came).toBeLessThan(0.08);
        const { stay } = poleBears(stand, rig.trunks[end as 0 | 1].tieHeight, ridge, 0);
        expect((pull('l') + pull('r')) / 2 / stay).toBeCloseTo(1, 1);
      }
    },
  );
  test('every one of its parts is judged: knots and pegs of its stays, the pole and its foot', () => {
    const { result } = evaluatePitch(onStand(rigOf('gable', roof), stand), context, { full: false });
    const row = (id: string) => result.rows.find((r) => r.id === id)!;
    expect(
      row('guy stay1l')
        .links.map((l) => l.link.id.split(':')[1])
        .sort(),
    ).toEqual(['anchor', 'cloth', 'fast', 'slip']);
    expect(row('pole1').links.map((l) => l.link.id)).toEqual(expect.arrayContaining(['pole1', 'pole1:foot']));
    expect(row('guy stay1l').name).toBe('left stay of second pole');
    expect(result.anchors.map((a) => a.id)).toEqual(expect.arrayContaining(['foot stay1l', 'foot stay1r']));
    expect(result.anchors.map((a) => a.id)).not.toContain('trunk1');
    // four pegs more than the same roof between trees
    const wanted = (r: RidgeRig): number => evaluatePitch(r, context, { full: false }).result.pegs[0]!.wanted;
    expect(wanted(onStand(rigOf('gable', roof), stand)) - wanted(rigOf('gable', roof))).toBe(4);
  });
  test('in wind from the side the stays hold it: one takes more, and it finds rest', () => {
    const rig = onStand(rigOf('gable', roof), stand);
    const { result } = evaluatePitch(rig, context, { full: true, spreads: false, rising: false });
    expect(result.cases.every((c) => c.converged)).toBe(true);
  });
  test('nothing else is tied to it, and its stays have something on the ground: told at the place', () => {
    const rig = onStand(rigOf('gable', roof), stand);
    const tiedTo = {
      ...rig,
      pitch: {
        ...rig.pitch!,
        own: { '01': { anchor: { kind: 'tree' as const, tree: 'trunk1' as const, height: 0.3 } } },
      },
    };
    expect(rigProblems(tiedTo, context)[0]).toMatchObject({ field: 'pitch.own.01.anchor.tree' });
    const onTree = onStand(rigOf('gable', roof), { ...stand, anchor: { kind: 'tree', tree: 'trunk0', height: 0.3 } });
    expect(rigProblems(onTree, context)[0]!.field).toBe('trunks.1.stand.anchor.kind');
    expect(rigProblems(onStand(rigOf('gable', roof), { ...stand, cord: 'gone' }), context)[0]!.field).toBe(
      'trunks.1.stand.cord',
    );
  });
});

describe('a boulder that lies there', () => {
  const lump: Stand = { kind: 'lump', mass: 400 };
  test('slides at μ m g and tips at m g b / 2 h, by hand', () => {
    expect(lumpTips(400, 0.3)).toBeCloseTo((400 * 9.80665 * Math.cbrt(0.2)) / 0.6, 6);
    const r = evaluateRidge(onStand(bare, lump), context);
    const of = (id: string) => r.ledger.find((j) => j.link.id === id)!.link;
    expect(of('lump-1').available.value).toBeCloseTo(ON_GROUND.typical * 400 * GRAVITY, 6);
    expect(of('tips-1').available.value).toBeCloseTo(lumpTips(400, bare.trunks[1].tieHeight), 6);
  });
  test('does so under a roof as well, by what comes to it', () => {
    const { result } = evaluatePitch(onStand(rigOf('gable', roof), lump), context, { full: false });
    const ids = result.rows.find((r) => r.id === 'ridge')!.links.map((l) => l.link.id);
    expect(ids).toEqual(expect.arrayContaining(['ridge:slides1', 'ridge:tips1']));
  });
  test('what stands on somebody’s word alone is said, with what is asked of it', () => {
    const word = rigOf('gable', roof, {}, {});
    const rig: RidgeRig = { ...word, trunks: [word.trunks[0], { ...word.trunks[1], standsOnWord: true }] };
    const { result } = evaluatePitch(rig, context, { full: false });
    const found = result.findings.find((f) => f.code === 'no-stem')!;
    expect(found.facts).toMatchObject({ what: word.trunks[1].name });
  });
});

describe('what a line is tied to, drawn', () => {
  const [stem] = line.trunks;
  test('a stem goes on over its tie, a pole ends there, and a boulder is as wide as its mass makes it', () => {
    const through = stem.girth / Math.PI;
    expect(uprightOf(stem, 1.4)).toEqual({ as: 'stem', rises: stem.tieHeight + 1.4, wide: through, aside: 0 });
    const pole = { ...stem, stand: usualPole('guy', context.pegs) };
    const { as, rises, wide } = uprightOf(pole, 1.4);
    expect([as, wide]).toEqual(['pole', through]);
    expect(rises - stem.tieHeight).toBeLessThan(0.2);
    const lump = uprightOf({ ...stem, tieHeight: 0.5, stand: { kind: 'lump', mass: 2000 } }, 1.4);
    // two tonnes of stone and what lies round it: a cube of a metre
    expect(lump).toEqual({ as: 'lump', rises: 1, wide: 1, aside: 0 });
    expect(uprightOf({ ...stem, tieHeight: 1.2, stand: { kind: 'lump', mass: 300 } }, 0).rises).toBeGreaterThan(1.2);
  });
});
